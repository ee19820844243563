import { type StopKind, type Verdict, worseVerdict } from "../model";
import type { RuleBook } from "./compile";
import { evaluate, leaves } from "./condition";
import { type Facts, isCandidates, type KnownValue, type RuleScope } from "./facts";
import type { Evidence, Remedy, Rule } from "./rule";

/** One verdict as data; its words live in ui/messages under `code`. */
export interface Fired {
  readonly rule: string;
  readonly verdict: Verdict;
  readonly kind: StopKind;
  readonly code: string;
  /** the facts that decided, by name */
  readonly facts: Readonly<Record<string, KnownValue>>;
  readonly remedy: readonly Remedy[];
  readonly evidence: Evidence;
  readonly missing: readonly string[];
}

/** Code and rule id of a verdict given because something is not known. */
export const MISSING_FACT = "missing-fact";

function factsOf(rule: Rule, facts: Facts): Record<string, KnownValue> {
  const known: Record<string, KnownValue> = {};
  for (const { fact } of leaves(rule.when)) {
    const v = facts[fact];
    if (v !== undefined && v !== null && !isCandidates(v)) known[fact] = v;
  }
  return known;
}

/**
 * Every rule of a scope against the facts. What is unknown is never defaulted: rules it leaves open are
 * gathered into one verdict per missing entry: stop when a candidate would be a stop, otherwise test.
 */
export function applyRules(book: RuleBook, scope: RuleScope, facts: Facts): readonly Fired[] {
  const fired: Fired[] = [];
  const open = new Map<string, { verdict: Verdict; missing: readonly string[] }>();
  for (const rule of book[scope]) {
    const { truth, missing } = evaluate(rule.when, facts);
    if (truth === "true") {
      const { id, verdict, kind, remedy, evidence } = rule;
      fired.push({ rule: id, verdict, kind, code: id, facts: factsOf(rule, facts), remedy, evidence, missing: [] });
    } else if (truth === "unknown") {
      const key = missing.join(" ");
      const so = open.get(key)?.verdict ?? "test";
      open.set(key, { verdict: worseVerdict(so, rule.verdict === "stop" ? "stop" : "test"), missing });
    }
  }
  for (const { verdict, missing } of open.values()) {
    fired.push({
      rule: MISSING_FACT,
      verdict,
      kind: "finish",
      code: MISSING_FACT,
      facts: {},
      remedy: [{ do: "advice", key: "find-out" }],
      evidence: "trade-practice",
      missing,
    });
  }
  return fired;
}

export const worstOf = (fired: readonly { verdict: Verdict }[]): Verdict =>
  fired.reduce<Verdict>((worst, f) => worseVerdict(worst, f.verdict), "ok");
