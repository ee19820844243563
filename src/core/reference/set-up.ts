/** How a coat is put on: what to set, what to do with the hand, and what a test patch says. Trade practice; every figure est. */

import type { Effect, Method, Product, Role, Source } from "../model";
import { trustedFigure } from "./evidence";

/** A figure to set before a coat, with what it rests on; several people's figures stand side by side. */
export const SET_UP_FIGURES = ["shakeMinutes", "distanceCm", "pressureBar", "nozzleMm"] as const;
export type SetUpFigure = (typeof SET_UP_FIGURES)[number];
export interface SetUpLine {
  readonly figure: SetUpFigure;
  readonly value: number;
  /** `usual` = of its kind, est. */
  readonly source: Source | "usual";
  /** what others say of the same, strongest first */
  readonly others: readonly { readonly value: number; readonly source: Source; readonly note: string }[];
}

type Tool = Extract<Method, "aerosol" | "airbrush" | "spray-gun" | "brush" | "dip" | "spread">;
const USUAL: Readonly<Record<Tool, Readonly<Partial<Record<SetUpFigure, number>>>>> = {
  aerosol: { shakeMinutes: 2, distanceCm: 25 },
  airbrush: { shakeMinutes: 1, distanceCm: 10, pressureBar: 1.5, nozzleMm: 0.4 },
  "spray-gun": { shakeMinutes: 2, distanceCm: 18, pressureBar: 2, nozzleMm: 1.3 },
  brush: { shakeMinutes: 1 },
  dip: { shakeMinutes: 2 },
  spread: { shakeMinutes: 1 },
};
/** Heavy solids settle: a filler primer or a metallic is shaken longer, and goes through a wider needle. */
const HEAVY_ROLES: ReadonlySet<Role> = new Set<Role>(["primer-highbuild", "surfacer", "putty"]);
const HEAVY_EFFECTS: ReadonlySet<Effect> = new Set<Effect>(["metallic", "pearl"]);
const HEAVY = { shake: 1.5, nozzle: { airbrush: 0.5, "spray-gun": 1.6 } } as const;
const isTool = (m: Method): m is Tool => Object.hasOwn(USUAL, m);

/** What to set for a product: the best evidence there is for each figure, else what is usual for its kind. */
export function setUpOf(p: Product): readonly SetUpLine[] {
  if (!isTool(p.method)) return [];
  const heavy = HEAVY_ROLES.has(p.role) || HEAVY_EFFECTS.has(p.effect);
  return SET_UP_FIGURES.flatMap((figure): SetUpLine[] => {
    const plain = USUAL[p.method as Tool][figure];
    if (plain === undefined) return [];
    const best = trustedFigure(p, figure);
    const others = (p.claims ?? [])
      .filter((c) => c.figure === figure && c !== best?.claim)
      .map(({ value, source, note }) => ({ value, source, note }));
    if (best) return [{ figure, value: best.value, source: best.source, others }];
    const wide = heavy && figure === "nozzleMm" ? HEAVY.nozzle[p.method as keyof typeof HEAVY.nozzle] : undefined;
    const value = wide ?? (heavy && figure === "shakeMinutes" ? plain * HEAVY.shake : plain);
    return [{ figure, value, source: "usual", others }];
  });
}

/** What the hand does; each by the ways of putting paint on it belongs to. */
export type Stroke =
  | "off-the-part"
  | "half-over"
  | "crosshatch"
  | "nozzle-full"
  | "mist-then-wet"
  | "gloss-wet"
  | "edges-first"
  | "shake-again"
  | "look-round"
  | "light-parts"
  | "load"
  | "lay-off"
  | "leave-it"
  | "wide-brush"
  | "press-and-pull";

const SPRAYED: readonly Stroke[] = [
  "off-the-part",
  "half-over",
  "crosshatch",
  "edges-first",
  "gloss-wet",
  "look-round",
  "light-parts",
];
const BY_TOOL: Readonly<Record<Tool, readonly Stroke[]>> = {
  aerosol: ["shake-again", "nozzle-full", ...SPRAYED],
  airbrush: ["mist-then-wet", ...SPRAYED],
  "spray-gun": ["mist-then-wet", ...SPRAYED],
  brush: ["load", "lay-off", "leave-it", "wide-brush"],
  dip: ["look-round"],
  spread: ["press-and-pull"],
};
export const strokesOf = ({ method }: Pick<Product, "method">): readonly Stroke[] =>
  isTool(method) ? BY_TOOL[method] : [];

/** What a test patch looks like. */
export const PATCH_SIGNS = ["good", "rough", "nothing", "spatters", "runs", "ridges"] as const;
export type PatchSign = (typeof PATCH_SIGNS)[number];
/** What is changed, one thing at a time. */
export const PATCH_FIXES = [
  "nearer",
  "farther",
  "shake-more",
  "wipe-nozzle",
  "warm-can",
  "thin-more",
  "thin-less",
  "more-air",
  "less-air",
  "wider-needle",
  "faster",
  "less-at-once",
  "wet-brush",
] as const;
export type PatchFix = (typeof PATCH_FIXES)[number];

/** By tool and sign: what to change first, second, … ; empty = the sign does not come from such a tool. */
const FIXES: Readonly<Record<Tool, Readonly<Partial<Record<PatchSign, readonly PatchFix[]>>>>> = {
  aerosol: {
    rough: ["nearer", "warm-can", "shake-more"],
    nothing: ["wipe-nozzle", "shake-more", "warm-can"],
    spatters: ["wipe-nozzle", "shake-more", "warm-can"],
    runs: ["faster", "farther", "less-at-once"],
  },
  airbrush: {
    rough: ["nearer", "thin-more", "less-air"],
    nothing: ["thin-more", "wipe-nozzle", "wider-needle"],
    spatters: ["wipe-nozzle", "more-air", "thin-more"],
    runs: ["farther", "less-at-once", "thin-less"],
  },
  "spray-gun": {
    rough: ["nearer", "thin-more", "less-air"],
    nothing: ["wipe-nozzle", "thin-more", "wider-needle"],
    spatters: ["wipe-nozzle", "more-air", "thin-more"],
    runs: ["faster", "farther", "less-at-once"],
  },
  brush: {
    ridges: ["thin-more", "wet-brush", "less-at-once"],
    runs: ["less-at-once", "thin-less"],
    nothing: ["shake-more", "thin-less"],
  },
  dip: { runs: ["thin-less"] },
  spread: { ridges: ["less-at-once", "thin-more"] },
};

/** Signs a patch may show with this way of putting it on. */
export const patchSigns = ({ method }: Pick<Product, "method">): readonly PatchSign[] =>
  isTool(method) ? PATCH_SIGNS.filter((s) => s === "good" || FIXES[method][s] !== undefined) : [];

/** The next single thing to change after a sign. @param tried what was changed for it before; null = everything was: the can or the mix is at fault */
export function nextFix(
  { method }: Pick<Product, "method">,
  sign: PatchSign,
  tried: readonly PatchFix[],
): PatchFix | null {
  if (!isTool(method)) return null;
  return (FIXES[method][sign] ?? []).find((f) => !tried.includes(f)) ?? null;
}

/** By how much a change moves a figure; 0 = it is none of the figures. */
const MOVES: Readonly<Partial<Record<PatchFix, readonly [SetUpFigure, number]>>> = {
  nearer: ["distanceCm", 0.8],
  farther: ["distanceCm", 1.2],
  "shake-more": ["shakeMinutes", 1.5],
  "more-air": ["pressureBar", 1.15],
  "less-air": ["pressureBar", 0.87],
  "wider-needle": ["nozzleMm", 1.25],
};
const STEP: Readonly<Record<SetUpFigure, number>> = {
  distanceCm: 1,
  shakeMinutes: 0.5,
  pressureBar: 0.1,
  nozzleMm: 0.1,
};

/** A figure after a change, to a step a hand can set. */
export function changedFigure(
  fix: PatchFix,
  figures: Readonly<Partial<Record<SetUpFigure, number>>>,
): Partial<Record<SetUpFigure, number>> {
  const move = MOVES[fix];
  const now = move && figures[move[0]];
  if (!move || now === undefined) return {};
  const [figure, times] = move;
  const step = STEP[figure];
  return { [figure]: Number((Math.round((now * times) / step) * step).toFixed(2)) };
}
