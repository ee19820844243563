import { assert } from "../base";
import type { Milestone, Product } from "../model";
import { labelTimes, mechanismOf, STILL_AIR_M_S } from "../reference";
import { labelToRefMin, type WaitClock } from "./clock";
import { scalingOf, windowLaw } from "./rates";

/** One coat as it lies on a face; `endMin` is when it was finished. */
export interface AppliedCoat {
  readonly product: Product;
  readonly wftUm: number;
  readonly endMin: number;
}

export type MilestoneAnswer =
  | { readonly outcome: "reached"; readonly atMin: number; readonly assumed: boolean }
  | { readonly outcome: "beyond-horizon" };

const labelAir = (p: Product) => ({ tempC: p.label.tempC, rhPct: p.label.rhPct, airflowMS: STILL_AIR_M_S });

/** Milestones that must not come before others, whatever the formula says of a very thin coat. */
const NOT_BEFORE: Partial<Record<Milestone, Milestone>> = {
  touch: "flash",
  handle: "touch",
  sandable: "touch",
  "tape-safe": "sandable",
  polishable: "sandable",
  cured: "sandable",
};

/** What lies wet on a face, in units of labels: each coat by the film its own label speaks of. */
export interface FilmLoad {
  /** Σ wet film / the label's one coat: what surface milestones go by */
  readonly inCoats: number;
  /** Σ wet film / the label's whole pile: what milestones in the depth go by */
  readonly inPiles: number;
}

const NOTHING: FilmLoad = { inCoats: 0, inPiles: 0 };

/**
 * L / L_label of everything that went on since the pile was last sandable, the top coat included. Coats are
 * oldest first; each is asked whether everything below it had become sandable when it went on. In a stack of
 * one product this is the film over the label's film; in a mixed one each coat counts by its own label.
 */
export function loadSinceSandable(coats: readonly AppliedCoat[], clock: WaitClock): FilmLoad {
  let load = NOTHING;
  coats.forEach((coat, i) => {
    if (i > 0) {
      const below = reachWithLoad(coats[i - 1]!, "sandable", load, clock, 1);
      if (below !== null && below <= coat.endMin) load = NOTHING;
    }
    const { wftUm, coats: labelCoats } = coat.product.label;
    load = { inCoats: load.inCoats + coat.wftUm / wftUm, inPiles: load.inPiles + coat.wftUm / (wftUm * labelCoats) };
  });
  return load;
}

/** Label minutes × (L/L_label)^n, in the label's own air. */
function scaledLabelMin(product: Product, milestone: Milestone, load: FilmLoad): number {
  const s = scalingOf(mechanismOf(product.family), milestone);
  return labelTimes(product)[milestone].min * (s.afterLastCoat ? load.inPiles : load.inCoats) ** s.thicknessPower;
}

/** @returns absolute minute, or null beyond the clock's horizon */
function reachWithLoad(
  top: AppliedCoat,
  milestone: Milestone,
  load: FilmLoad,
  clock: WaitClock,
  factor: number,
): number | null {
  const { law } = scalingOf(mechanismOf(top.product.family), milestone);
  const refMin = labelToRefMin(law, scaledLabelMin(top.product, milestone, load), labelAir(top.product));
  const own = clock.reach(law, top.endMin, refMin * factor);
  const floorMilestone = NOT_BEFORE[milestone];
  if (own === null || !floorMilestone) return own;
  const floor = reachWithLoad(top, floorMilestone, load, clock, factor);
  return floor === null ? null : Math.max(own, floor);
}

/**
 * When the top coat of a pile reaches a milestone in the clock's air:
 * t = t_label · f_T · f_RH · f_air · (L/L_label)^n, with the air factors integrated over the hours as they come.
 * Estimate: exponents and activation energies are those of reference/families; the label anchors the rest.
 * @param coats oldest first, at least one; @param factor waits multiplied by this (1 = even odds)
 */
export function milestoneAfter(
  coats: readonly AppliedCoat[],
  milestone: Milestone,
  clock: WaitClock,
  factor = 1,
): MilestoneAnswer {
  const top = coats.at(-1);
  assert(top, "milestoneAfter needs at least one coat");
  const atMin = reachWithLoad(top, milestone, loadSinceSandable(coats, clock), clock, factor);
  if (atMin === null) return { outcome: "beyond-horizon" };
  return { outcome: "reached", atMin, assumed: labelTimes(top.product)[milestone].assumed };
}

/** How far along a wait is at a moment, as a fraction of its even-odds length: 1 = reached, 0 = just begun. */
export function progressAt(
  coats: readonly AppliedCoat[],
  milestone: Milestone,
  clock: WaitClock,
  atMin: number,
): number {
  const top = coats.at(-1);
  assert(top, "progressAt needs at least one coat");
  const { law } = scalingOf(mechanismOf(top.product.family), milestone);
  const refMin = labelToRefMin(
    law,
    scaledLabelMin(top.product, milestone, loadSinceSandable(coats, clock)),
    labelAir(top.product),
  );
  return clock.elapsedRef(law, top.endMin, atMin) / refMin;
}

export interface WindowSpan {
  readonly openMin: number;
  /** null = never shuts */
  readonly shutMin: number | null;
}

/**
 * The recoat windows of a pile as absolute spans, soonest first. The first opening follows the surface and
 * the film's thickness; every later edge follows the film's chemistry. Shutting is never delayed by
 * thickness, so a window is only ever told too short. A window whose opening lies beyond the horizon is left out.
 * @param openFactor waits to openings multiplied by this; @param shutFactor waits to shuttings (≤ 1 is cautious)
 */
export function recoatWindows(
  coats: readonly AppliedCoat[],
  clock: WaitClock,
  openFactor = 1,
  shutFactor = 1,
): readonly WindowSpan[] {
  const top = coats.at(-1);
  assert(top, "recoatWindows needs at least one coat");
  const { product } = top;
  const law = windowLaw(mechanismOf(product.family));
  const late = scalingOf(mechanismOf(product.family), "sandable");
  const load = loadSinceSandable(coats, clock);
  const thick = Math.max(1, load.inPiles) ** late.thicknessPower;
  const edge = (labelMin: number, factor: number) =>
    clock.reach(law, top.endMin, labelToRefMin(law, labelMin, labelAir(product)) * factor);
  const spans: WindowSpan[] = [];
  const windows =
    product.label.recoat.length > 0 ? product.label.recoat : [[labelTimes(product).recoat.min, null] as const];
  windows.forEach(([opens, shuts], i) => {
    const openMin = i === 0 ? reachWithLoad(top, "recoat", load, clock, openFactor) : edge(opens, openFactor * thick);
    if (openMin === null) return;
    spans.push({ openMin, shutMin: shuts === null ? null : edge(shuts, shutFactor) });
  });
  return spans;
}
