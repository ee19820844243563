/**
 * When a pile of coats reaches a milestone in real air: by the wait clock where thousands of answers are wanted, by the film model
 * where a plan is checked.
 */

import { assert } from "../base";
import type { Milestone } from "../model";
import { labelTimes } from "../reference";
import { evenOdds } from "./caution";
import type { WaitClock } from "./clock";
import { EARLY_MILESTONES, type FilmMilestone, type FittedFilm, fittedFilm, type Gauge } from "./label-fit";
import type { ClockLaw } from "./rates";
import { type AppliedCoat, type Aspect, LEAST_SOLIDS_UM } from "./states";
import { dryingTimes, labelFloorAt, labelPileFloorAt, lateShare } from "./surrogate";

export type MilestoneAnswer =
  | { readonly outcome: "reached"; readonly atMin: number; readonly assumed: boolean }
  | { readonly outcome: "beyond-horizon" };

/** When an aspect of the top coat is met, its wait multiplied by `factor`; null = not before the horizon. */
export type DryAt = (aspect: Aspect, factor: number) => number | null;

export const clockLawOf = (film: FittedFilm): ClockLaw => {
  switch (film.mechanism) {
    case "reaction":
      return "reaction";
    case "oxidation":
      return "oxidation";
    case "light":
      return "light";
    default:
      return "hardening";
  }
};

/**
 * How much longer a film's clock runs than at its label. An oxidising film takes its oxygen through all that is still
 * soft: rate ∝ 1/thickness above the label's. Light falls off with depth by Beer and Lambert.
 */
function clockStretch(coats: readonly AppliedCoat[], clock: WaitClock): number {
  const top = coats.at(-1)!;
  const film = fittedFilm(top.product);
  if (film.lightDepthUm !== null) {
    const own = top.wftUm * (1 - film.phi0);
    return Math.exp((own - film.labelDftUm) / film.lightDepthUm);
  }
  if (film.mechanism !== "oxidation") return 1;
  return Math.max(1, softUm(coats, clock) / Math.max(LEAST_SOLIDS_UM, film.labelDftUm));
}

/** Dry thickness of oxidising film, the top coat's and whatever below it had not hardened when that went on, µm. */
function softUm(coats: readonly AppliedCoat[], clock: WaitClock): number {
  const laidMin = coats.at(-1)!.endMin;
  return coats.reduce((sum, c, i) => {
    const film = fittedFilm(c.product);
    if (film.mechanism !== "oxidation") return sum;
    const hardMin = film.gauges.sandable.clock?.refMin ?? 0;
    const hard = i < coats.length - 1 && clock.elapsedRef("oxidation", c.endMin, laidMin) >= hardMin;
    return hard ? sum : sum + c.wftUm * (1 - film.phi0);
  }, 0);
}

interface Pile {
  readonly coats: readonly AppliedCoat[];
  readonly clock: WaitClock;
  readonly dryAt: DryAt;
}

const latest = (a: number | null, b: number | null): number | null =>
  a === null || b === null ? null : Math.max(a, b);

/** Absolute minute at which everything a gauge asks for holds; null = beyond the horizon. */
function meets(pile: Pile, gauge: Gauge, aspect: Aspect, factor: number): number | null {
  const top = pile.coats.at(-1)!;
  let at: number | null = top.endMin;
  if (gauge.drying) at = latest(at, pile.dryAt(aspect, factor));
  if (gauge.labelMin > 0)
    at = latest(
      at,
      EARLY_ASPECTS.has(aspect)
        ? labelFloorAt(top, aspect, gauge.labelMin * factor, pile.clock)
        : labelPileFloorAt(pile.coats, aspect, gauge.labelMin * factor, pile.clock),
    );
  if (gauge.sandable) at = latest(at, sandableMin(pile, factor));
  if (gauge.clock && at !== null) {
    const film = fittedFilm(top.product);
    const start = gauge.clock.from === "coat" ? top.endMin : meets(pile, film.gauges.touch, "touch", factor);
    if (start === null) return null;
    // a thin film of one that dries is firm under tape, paper and thumb sooner; through cured it is when the label says
    const thin = DRIES.has(film.mechanism) && HARD.has(aspect) ? lateShare(pile.coats) : 1;
    const refMin = gauge.clock.refMin * clockStretch(pile.coats, pile.clock) * thin * factor;
    at = latest(at, pile.clock.reach(clockLawOf(film), start, refMin));
  }
  return at;
}
const DRIES: ReadonlySet<FittedFilm["mechanism"]> = new Set<FittedFilm["mechanism"]>(["solvent", "water"]);
const HARD: ReadonlySet<Aspect> = new Set<Aspect>(["handle", "tape-safe", "polishable"]);

/** Dry enough on firm films, and where the top film reacts, far enough. */
function sandableMin(pile: Pile, factor: number): number | null {
  const top = pile.coats.at(-1)!;
  const { clock, labelMin } = fittedFilm(top.product).gauges.sandable;
  let at = latest(pile.dryAt("sandable", factor), firmMin(pile, factor));
  if (labelMin > 0) at = latest(at, labelPileFloorAt(pile.coats, "sandable", labelMin * factor, pile.clock));
  if (clock && at !== null) {
    const refMin = clock.refMin * clockStretch(pile.coats, pile.clock) * factor;
    at = latest(at, pile.clock.reach(clockLawOf(fittedFilm(top.product)), top.endMin, refMin));
  }
  return at;
}

/**
 * When the reacting films below are firm: one that was covered before its own label let another film on has to come to its
 * own sandable degree; of one covered later nothing more than its drying is asked.
 */
function firmMin(pile: Pile, factor: number): number | null {
  let at: number | null = pile.coats.at(-1)!.endMin;
  pile.coats.slice(0, -1).forEach((c, i) => {
    const film = fittedFilm(c.product);
    const above = pile.coats[i + 1]!;
    const { clock } = film.gauges.sandable;
    if (!clock || at === null || fittedFilm(above.product) === film) return;
    const law = clockLawOf(film);
    if (pile.clock.elapsedRef(law, c.endMin, above.endMin) >= film.recoatOpensRefMin) return;
    const stretch = clockStretch(pile.coats.slice(0, i + 1), pile.clock);
    at = latest(at, pile.clock.reach(law, c.endMin, clock.refMin * stretch * factor));
  });
  return at;
}

function reachMin(pile: Pile, m: FilmMilestone, factor: number): number | null {
  const film = fittedFilm(pile.coats.at(-1)!.product);
  const own = m === "sandable" ? sandableMin(pile, factor) : meets(pile, film.gauges[m], aspectOf(m), factor);
  if (EARLY.has(m)) return own;
  // nothing that is asked of a film after it is touch dry can be had of one that is not
  const dry = latest(own, meets(pile, film.gauges.touch, "touch", factor));
  return m === "cured" ? latest(dry, pile.dryAt("cured-water", factor)) : dry;
}
const EARLY: ReadonlySet<FilmMilestone> = new Set(EARLY_MILESTONES);
const EARLY_ASPECTS: ReadonlySet<Aspect> = new Set<Aspect>(EARLY_MILESTONES);
const aspectOf = (m: FilmMilestone): Aspect => (m === "cured" ? "cured-water" : m);

/** Drying by the wait clock: the film model's times at reference air, carried through the air as it comes. */
function surrogateDryAt(coats: readonly AppliedCoat[], clock: WaitClock): DryAt {
  const endMin = coats.at(-1)!.endMin;
  const times = dryingTimes(coats, clock);
  return (aspect, factor) => {
    const t = times[aspect];
    if (t === undefined) return endMin;
    return t === null ? null : clock.reach(t.law, endMin, t.refMin * factor);
  };
}

const pileOf = (coats: readonly AppliedCoat[], clock: WaitClock, dryAt: DryAt | null = null): Pile => {
  assert(coats.length > 0, "a milestone needs at least one coat");
  return { coats, clock, dryAt: dryAt ?? surrogateDryAt(coats, clock) };
};

/**
 * When the top coat of a pile reaches a milestone in the clock's air, by the wait clock: drying as the film model has it at
 * reference air, carried to this air by each time's own law; hardening and reaction on their own clocks. Within 15 % of
 * the film model between 10 and 30 °C and 30 and 75 % RH (a test says so); a finished plan is checked by the model itself.
 * @param coats oldest first, at least one; @param factor waits multiplied by this; null = even odds in this shed
 * @param dryAt answers for drying in place of the wait clock, such as the film model itself
 */
export function milestoneAfter(
  coats: readonly AppliedCoat[],
  milestone: FilmMilestone,
  clock: WaitClock,
  factor: number | null = null,
  dryAt: DryAt | null = null,
): MilestoneAnswer {
  const atMin = reachMin(pileOf(coats, clock, dryAt), milestone, factor ?? evenOdds(coats.at(-1)!.product.pace));
  if (atMin === null || atMin > clock.toMin) return { outcome: "beyond-horizon" };
  const times = labelTimes(coats.at(-1)!.product);
  return { outcome: "reached", atMin, assumed: times[milestone === "dust-free" ? "touch" : milestone].assumed };
}

const FACTOR_LEAST = 1e-3;
const FACTOR_MOST = 60;

/** How far along a wait is at a moment: the factor by which every wait would have to be multiplied to be over just then. */
export function progressAt(
  coats: readonly AppliedCoat[],
  milestone: Milestone,
  clock: WaitClock,
  atMin: number,
): number {
  const pile = pileOf(coats, clock);
  let lo = FACTOR_LEAST;
  let hi = FACTOR_MOST;
  if (atMin <= coats.at(-1)!.endMin) return 0;
  while (hi / lo > 1.001) {
    const mid = Math.sqrt(lo * hi);
    const at = reachMin(pile, milestone, mid);
    if (at === null || at > atMin) hi = mid;
    else lo = mid;
  }
  return Math.sqrt(lo * hi);
}

export interface WindowSpan {
  readonly openMin: number;
  /** null = never shuts */
  readonly shutMin: number | null;
}

/**
 * The recoat windows of a pile as absolute spans, soonest first. The first opens with the recoat state; every later edge
 * goes by the film's clock. Shutting is never delayed by thickness, so a window is only ever told too short. A window whose
 * opening lies beyond the horizon is left out.
 * @param openBy waits to openings multiplied by this; @param shutBy waits to shuttings (less is cautious); null = even odds in this shed
 */
export function recoatWindows(
  coats: readonly AppliedCoat[],
  clock: WaitClock,
  openBy: number | null = null,
  shutBy: number | null = null,
  dryAt: DryAt | null = null,
): readonly WindowSpan[] {
  const even = evenOdds(coats.at(-1)!.product.pace);
  const openFactor = openBy ?? even;
  const shutFactor = shutBy ?? even;
  const pile = pileOf(coats, clock, dryAt);
  const top = coats.at(-1)!;
  const film = fittedFilm(top.product);
  const law = clockLawOf(film);
  const windows = film.windows.length > 0 ? film.windows : [{ opensRefMin: null, shutsRefMin: null }];
  const stretch = clockStretch(coats, clock);
  return windows.flatMap((w): WindowSpan[] => {
    const openMin =
      w.opensRefMin === null
        ? reachMin(pile, "recoat", openFactor)
        : clock.reach(law, top.endMin, w.opensRefMin * stretch * openFactor);
    if (openMin === null || openMin > clock.toMin) return [];
    return [
      { openMin, shutMin: w.shutsRefMin === null ? null : clock.reach(law, top.endMin, w.shutsRefMin * shutFactor) },
    ];
  });
}
