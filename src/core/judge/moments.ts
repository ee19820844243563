/** The moments at which a film may be met by the next, and the state it is in at each. */

import {
  type AppliedCoat,
  milestoneAfter,
  REFERENCE_AIR,
  recoatWindows,
  steadyClock,
  type WaitClock,
  type WindowSpan,
} from "../film";
import type { AirSpot, Layer, Milestone, Product } from "../model";
import { plannedWftUm } from "../numbers";
import { ownGapMin, STILL_AIR_M_S } from "../reference";
import type { FilmState } from "../rules";
import type { SeamWait } from "./types";

/** Long enough for any label's through-cured time several times over, minutes. */
const HORIZON_MIN = 400 * 1440;

const clocks = new Map<string, WaitClock>();
const MAX_CLOCKS = 200;

const spotOf = (air: AirSpot | null) =>
  air ? { tempC: air.tempC, rhPct: air.rhPct, airflowMS: air.airflowMS ?? STILL_AIR_M_S } : REFERENCE_AIR;

function clockKey(air: AirSpot | null): string {
  const { tempC, rhPct, airflowMS } = spotOf(air);
  return `${tempC} ${rhPct} ${airflowMS}`;
}

/** Planned gaps are judged at reference air; a told air is taken as it is, all the while. */
export function clockIn(air: AirSpot | null): WaitClock {
  const key = clockKey(air);
  const known = clocks.get(key);
  if (known) return known;
  if (clocks.size >= MAX_CLOCKS) clocks.clear();
  const made = steadyClock(spotOf(air), 0, HORIZON_MIN);
  clocks.set(key, made);
  return made;
}

/** A film as it was laid, on the clock of its air; what it reaches when is worked out once. */
export interface LaidFilm {
  readonly coats: readonly AppliedCoat[];
  readonly clock: WaitClock;
  readonly endMin: number;
  readonly windows: readonly WindowSpan[];
  readonly reached: Map<Milestone, number>;
}

/** A film on whatever lies below it: the coats of the whole pile, oldest first, the last of them its own. */
export function pileFilm(coats: readonly AppliedCoat[], clock: WaitClock): LaidFilm {
  return { coats, clock, endMin: coats.at(-1)!.endMin, windows: recoatWindows(coats, clock), reached: new Map() };
}

/** Products are immutable, and a search lays the same few films over and over. */
const laid = new WeakMap<Product, Map<string, LaidFilm>>();
const MAX_LAID = 400;

/** Minutes between the coats of a layer, at label conditions unless the user set them. */
const coatGapOf = (layer: Layer, product: Product): number =>
  layer.coatGapMin ?? product.label.gapMin ?? ownGapMin(product);

/** The coats of one layer, its own gap apart, the first ending at a minute. */
export function coatsFrom(layer: Layer, product: Product, startMin: number): readonly AppliedCoat[] {
  const gapMin = coatGapOf(layer, product);
  const wftUm = plannedWftUm(layer, product);
  return Array.from({ length: layer.coats }, (_, n) => ({ product, wftUm, endMin: startMin + n * gapMin }));
}

/** The coats of one layer by themselves, its own gap apart; the last ends some time after minute 0 of its own clock. */
export function laidFilm(layer: Layer, product: Product, air: AirSpot | null): LaidFilm {
  const gapMin = coatGapOf(layer, product);
  const wftUm = plannedWftUm(layer, product);
  const own = laid.get(product) ?? new Map<string, LaidFilm>();
  laid.set(product, own);
  const key = `${layer.coats} ${wftUm} ${gapMin} ${clockKey(air)}`;
  const known = own.get(key);
  if (known) return known;
  if (own.size >= MAX_LAID) own.clear();
  const film = pileFilm(coatsFrom(layer, product, 0), clockIn(air));
  own.set(key, film);
  return film;
}

export function reachedMin(film: LaidFilm, m: Milestone): number {
  const known = film.reached.get(m);
  if (known !== undefined) return known;
  const a = milestoneAfter(film.coats, m, film.clock);
  const atMin = a.outcome === "reached" ? a.atMin : HORIZON_MIN;
  film.reached.set(m, atMin);
  return atMin;
}

/** State of a film `atMin` on its clock. A window that never shuts hands over to "hard" once sandable. */
export function filmStateAt(film: LaidFilm, atMin: number): FilmState {
  const { windows } = film;
  if (windows.length === 0) return "uncured";
  const labelled = film.coats.at(-1)!.product.label.recoat.length > 0;
  const hardFrom = reachedMin(film, "sandable");
  const later: FilmState = atMin >= reachedMin(film, "cured") ? "cured" : "hard";
  const inside = windows.findIndex((w) => atMin >= w.openMin - 1e-6 && (w.shutMin === null || atMin <= w.shutMin));
  const openEnded = inside >= 0 && windows[inside]!.shutMin === null;
  if (inside >= 0 && labelled && !openEnded) return "open";
  if (inside > 0) return later;
  if (openEnded && atMin >= hardFrom) return later;
  if (inside === 0) return labelled ? "open" : "uncured";
  if (atMin < windows[0]!.openMin) return atMin < reachedMin(film, "flash") ? "wet" : "uncured";
  return windows.some((w) => w.openMin > atMin) ? "gap" : "missed";
}

export interface Moment {
  readonly wait: SeamWait;
  readonly atMin: number;
}

/** Moments worth judging when the gap is left to the planner, soonest first. */
export function momentsOf(film: LaidFilm, sanded: boolean): readonly Moment[] {
  const { windows } = film;
  const notBefore = sanded ? reachedMin(film, "sandable") : 0;
  const list: Moment[] = windows
    .map((w, index) => ({
      wait: { until: "window" as const, index },
      atMin: Math.max(w.openMin, notBefore),
      shutMin: w.shutMin,
    }))
    .filter((m) => m.shutMin === null || m.atMin <= m.shutMin);
  // a window that shuts may still outlast the solvent: what has to wait for that need not miss it
  const sandableMin = reachedMin(film, "sandable");
  for (const [index, w] of windows.entries())
    if (w.shutMin !== null && sandableMin > Math.max(w.openMin, notBefore) && sandableMin < w.shutMin)
      list.push({ wait: { until: "window", index, dry: true }, atMin: sandableMin });
  const last = windows.at(-1);
  const lastOpen = last?.openMin ?? 0;
  if (!last || last.shutMin === null) {
    list.push({ wait: { until: "sandable" }, atMin: Math.max(lastOpen, reachedMin(film, "sandable")) });
    list.push({ wait: { until: "cured" }, atMin: Math.max(lastOpen, reachedMin(film, "cured")) });
  } else {
    list.push({ wait: { until: "missed" }, atMin: Math.max(notBefore, last.shutMin + 1) });
  }
  return list.sort((a, b) => a.atMin - b.atMin);
}

/** One moment in each state a film goes through, for a gap nobody knows. */
export function everyState(film: LaidFilm): readonly Moment[] {
  const { windows } = film;
  const edges = [
    film.endMin,
    ...windows.flatMap((w) => (w.shutMin === null ? [w.openMin] : [w.openMin, w.shutMin])),
    reachedMin(film, "sandable"),
    reachedMin(film, "cured"),
  ].sort((a, b) => a - b);
  const seen = new Set<FilmState>();
  return edges
    .map((atMin) => ({
      wait: { until: "gap" as const, gapMin: atMin + 1 - film.endMin, within: [] },
      atMin: atMin + 1,
    }))
    .filter((m) => {
      const state = filmStateAt(film, m.atMin);
      if (seen.has(state)) return false;
      seen.add(state);
      return true;
    });
}
