import { climateOf, steadyClock } from "@/core/film";
import { milestonesByModel } from "@/core/film/model-run";
import type { AppliedCoat } from "@/core/film/states";
import type { Milestone, Product } from "@/core/model";
import { ownGapMin, STILL_AIR_M_S } from "@/core/reference";

/** The label's own application of a product, its first coat ending at a minute. */
function asLabelled(p: Product, fromMin = 0): readonly AppliedCoat[] {
  const gapMin = p.label.gapMin ?? ownGapMin(p);
  return Array.from({ length: p.label.coats }, (_, n) => ({
    product: p,
    wftUm: p.label.wftUm,
    endMin: fromMin + n * gapMin,
  }));
}

const PILE_MILESTONES = ["recoat", "sandable", "tape-safe"] as const satisfies readonly Milestone[];
const FAR_MIN = 1e6;

/** How fresh the pile below is when the next film is laid on it. */
export const FRESHNESSES = ["just-sandable", "sandable-for-a-day", "cured"] as const;
export type Freshness = (typeof FRESHNESSES)[number];
const UNDER: Readonly<Record<Freshness, { milestone: Milestone; afterMin: number }>> = {
  "just-sandable": { milestone: "sandable", afterMin: 0 },
  "sandable-for-a-day": { milestone: "sandable", afterMin: 1440 },
  cured: { milestone: "cured", afterMin: 1 },
};

export interface PileRatio {
  readonly milestone: Milestone;
  readonly aloneMin: number;
  readonly min: number;
}

const known = new WeakMap<Product, Map<string, readonly number[]>>();

/** What a product takes alone is asked of it by every pair. */
function once(p: Product, key: string, ask: () => readonly number[]): readonly number[] {
  const of = known.get(p) ?? new Map<string, readonly number[]>();
  known.set(p, of);
  const found = of.get(key) ?? ask();
  of.set(key, found);
  return found;
}

/** Waits of a label application over another's, in the upper label's own air, beside its waits alone; by the film model. */
export function overPile(top: Product, below: Product, freshness: Freshness): readonly PileRatio[] {
  const air = { tempC: top.label.tempC, rhPct: top.label.rhPct, airflowMS: STILL_AIR_M_S };
  const clock = steadyClock(air, 0, FAR_MIN);
  const climate = climateOf([{ atMin: 0, ...air }]);
  const waits = (coats: readonly AppliedCoat[], ms: readonly Milestone[]) =>
    milestonesByModel(coats, ms, climate, clock, FAR_MIN).map((at) => (at ?? FAR_MIN) - coats.at(-1)!.endMin);
  const own = (p: Product, ms: readonly Milestone[]) =>
    once(p, `${JSON.stringify(air)} ${ms.join()}`, () => waits(asLabelled(p), ms));
  const lower = asLabelled(below);
  const { milestone, afterMin } = UNDER[freshness];
  const ready = lower.at(-1)!.endMin + own(below, [milestone])[0]! + afterMin;
  const alone = own(top, PILE_MILESTONES);
  const over = waits([...lower, ...asLabelled(top, ready)], PILE_MILESTONES);
  return PILE_MILESTONES.map((m, i) => ({ milestone: m, aloneMin: alone[i]!, min: over[i]! }));
}
