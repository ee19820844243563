import type { BeforeStep, Heaviness, Milestone, PrepStep, StopKind, Verdict } from "../model";
import type { Condition } from "./condition";
import type { RuleScope } from "./facts";

/** What puts a verdict right: a change the application can make itself, or advice in words. */
export type Remedy =
  | { readonly do: "add-prep"; readonly step: PrepStep }
  | { readonly do: "add-before"; readonly step: BeforeStep }
  | { readonly do: "set-heaviness"; readonly heaviness: Heaviness }
  /** the film below laid afresh, as a layer of its own */
  | { readonly do: "renew-below" }
  /** a rub of its own behind the layer */
  | { readonly do: "add-rub" }
  | { readonly do: "wait-for"; readonly milestone: Milestone | "window" }
  | { readonly do: "advice"; readonly key: AdviceKey };

const ADVICE_KEYS = [
  "clean-then-key",
  "stir-warm",
  "run-in",
  "hardens-itself",
  "drill-first",
  "clamp-and-trim",
  "pin-it",
  "stronger-glue",
  "tough-glue",
  "thin-bead",
  "weaker-carrier",
  "barrier-first",
  "coupon",
  "promoter-first",
  "flexible-product",
  "dry-first",
  "wash-first",
  "post-cure",
  "derust",
  "etch-or-epoxy",
  "other-primer",
  "primer-first",
  "seal-first",
  "more-barrier",
  "mask-it",
  "other-product",
  "find-out",
  "wear-protection",
  "reapply",
  "cover-it",
  "thinner-skins",
  "fewer-coats",
  "putty-first",
  "soak-shorter",
  "uv-clear",
  "raise-finish",
  "sand-less",
  "warm-room",
  "wait-for-air",
  "cool-room",
  "hand-warm-can",
  "other-filler",
  "close-surface",
  "key-again",
  "other-clear",
  "rub-test",
  "strip-it",
  "isolate-it",
  "clear-between",
  "gloss-first",
  "decal-before-matt",
  "light-ground",
  "tape-instead",
  "strip-by-hand",
  "mild-cleaner",
  "hold-without",
  "ventilate-or-other-glue",
  "collect-waste",
  "back-it",
  "prime-again",
  "step-between",
  "more-coats",
  "other-undercoat",
  "low-tack",
  "pull-in-time",
  "one-product",
  "right-thinner",
  "smaller-batches",
  "by-the-ratio",
  "less-heat",
  "wet-and-filter",
  "lead-test",
  "oil-proof-top",
  "finer-step",
  "lighter-system",
  "measure-area",
  "bring-in",
  "spread-it",
  "lamp-passes",
  "test-patch",
  "seal-it",
  "etch-or-texture",
  "etch-or-putty-first",
  "epoxy-putty",
  "epoxy-alone",
  "wipe-gently",
  "damage-first",
] as const;
export type AdviceKey = (typeof ADVICE_KEYS)[number];

/** Where a rule's authority comes from, strongest last in doubt: physics and standards outrank habit. */
export type Evidence = "trade-practice" | "label" | "standard" | "safety-practice" | "own-coupon";

export interface Rule {
  readonly id: string;
  readonly scope: RuleScope;
  readonly when: Condition;
  readonly verdict: Exclude<Verdict, "ok">;
  /** of a stop: may a written reason override it? */
  readonly kind: StopKind;
  readonly remedy: readonly Remedy[];
  readonly evidence: Evidence;
}

export const advise = (key: AdviceKey): Remedy => ({ do: "advice", key });
export const addPrep = (step: PrepStep): Remedy => ({ do: "add-prep", step });
export const renewBelow: Remedy = { do: "renew-below" };
export const addRub: Remedy = { do: "add-rub" };
export const addBefore = (step: BeforeStep): Remedy => ({ do: "add-before", step });
export const setHeaviness = (heaviness: Heaviness): Remedy => ({ do: "set-heaviness", heaviness });
export const waitFor = (milestone: Milestone | "window"): Remedy => ({ do: "wait-for", milestone });

type Short = Pick<Rule, "id" | "when" | "verdict"> & { readonly remedy: readonly Remedy[] } & Partial<
    Pick<Rule, "kind" | "evidence">
  >;

/** Rules of one scope, with the usual kind (finish) and evidence (trade practice) filled in. */
export const rulesFor = (scope: RuleScope, rows: readonly Short[]): readonly Rule[] =>
  rows.map((row) => ({ kind: "finish", evidence: "trade-practice", ...row, scope }));
