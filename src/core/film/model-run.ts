import type { Climate } from "./climate";
import type { WaitClock } from "./clock";
import { type FilmMilestone, fittedFilm } from "./label-fit";
import { type DryAt, milestoneAfter } from "./milestone";
import { type FilmRun, type FilmRunOptions, runFilm } from "./solver/drive";
import { type AppliedCoat, ASPECTS, type Aspect, pileEvents, watchOf } from "./states";
import { weatherIn } from "./weather";

/** The film model on one pile in its own air, and when each aspect of drying of the top coat was met. */
export interface PileRun {
  readonly run: FilmRun;
  /** aspects the top film asks; null = not before the end */
  readonly metMin: Readonly<Partial<Record<Aspect, number | null>>>;
}

/**
 * Runs a pile from its first coat to `untilMin`, or until every aspect of the last coat has been met.
 * @param aspects those that are asked; all by default
 */
export function runPile(
  coats: readonly AppliedCoat[],
  climate: Climate,
  untilMin: number,
  options: Omit<FilmRunOptions, "watches"> = {},
  aspects: readonly Aspect[] = ASPECTS,
): PileRun {
  const films = coats.map((c) => fittedFilm(c.product));
  const lastMin = coats.at(-1)!.endMin;
  const asked = aspects.flatMap((aspect) => {
    const watch = watchOf(films, aspect);
    return watch === null ? [] : [{ aspect, watch: { ...watch, fromMin: lastMin } }];
  });
  const run = runFilm(pileEvents(coats), weatherIn(climate), untilMin, {
    ...options,
    watches: asked.map((a) => a.watch),
  });
  return { run, metMin: Object.fromEntries(asked.map((a, i) => [a.aspect, run.reachedMin[i] ?? null])) };
}

/** Drying as the film model has it; what `factor` does is taken of the wait by the clock on the wall. */
export function dryAtByModel(coats: readonly AppliedCoat[], met: PileRun["metMin"]): DryAt {
  const endMin = coats.at(-1)!.endMin;
  return (aspect, factor) => {
    const at = met[aspect];
    if (at === undefined) return endMin;
    return at === null ? null : endMin + factor * (at - endMin);
  };
}

/** When the top coat reaches a milestone by the film model in full; null = not before `untilMin`. */
export function milestonesByModel(
  coats: readonly AppliedCoat[],
  milestones: readonly FilmMilestone[],
  climate: Climate,
  clock: WaitClock,
  untilMin: number,
): readonly (number | null)[] {
  const { metMin } = runPile(coats, climate, untilMin);
  const dryAt = dryAtByModel(coats, metMin);
  return milestones.map((m) => {
    const a = milestoneAfter(coats, m, clock, null, dryAt);
    return a.outcome === "reached" && a.atMin <= untilMin ? a.atMin : null;
  });
}
