import { BLUSH_ABOVE_RH_PCT, dewPointC, familyFacts } from "../reference";
import { airAt, type Climate } from "./climate";
import type { WaitClock } from "./clock";
import { fittedFilm } from "./label-fit";
import { clockLawOf, milestoneAfter } from "./milestone";
import { runPile } from "./model-run";
import { type FilmSample, largestBelow, runFilm } from "./solver/drive";
import { type AppliedCoat, pileEvents } from "./states";
import { weatherIn } from "./weather";

/** What the simulated film says went wrong, or would go wrong. */
const FILM_FAULTS = ["trapped", "sanded-too-soon", "wrinkle", "coalescence-lost", "blush", "condensation"] as const;
export type FilmFaultKind = (typeof FILM_FAULTS)[number];

export interface FilmFault {
  readonly kind: FilmFaultKind;
  /** when it happens, absolute minutes */
  readonly atMin: number;
  /** by how much: φ over the limit, °C or % RH past it, share of cure short; as the kind has it */
  readonly by: number;
  /** when it would be right; null = the model does not reach it, or it cannot be waited out */
  readonly rightAtMin: number | null;
}

/** What is done to the pile after its last coat. */
export type NextAct =
  | { readonly kind: "sand"; readonly atMin: number }
  | { readonly kind: "coat"; readonly atMin: number; readonly carrierBite: number };

/** A film is wet enough to lose its coalescence, or to cloud, above these φ (est.). */
const COALESCES_ABOVE_PHI = 0.2;
const CLOUDS_ABOVE_PHI = 0.3;
const CLOUDS_WITHIN_C = 1;
const WRINKLES_FROM_BITE = 2;
const LOOK_EVERY_MIN = 15;
const LOOK_MAX = 400;
const WAIT_ON_MIN = 20 * 1440;

/**
 * Faults of a pile in its air up to what is done next, from the simulated state: solvent shut in, sanded or coated too soon,
 * a film that never closed, cloud and dew. @param act null = it is only left to dry until `untilMin`
 */
export function filmFaults(
  coats: readonly AppliedCoat[],
  climate: Climate,
  clock: WaitClock,
  act: NextAct | null,
  untilMin: number,
): readonly FilmFault[] {
  const top = coats.at(-1)!;
  const endMin = act?.atMin ?? untilMin;
  const stepMin = Math.max(LOOK_EVERY_MIN, (endMin - coats[0]!.endMin) / LOOK_MAX);
  const times: number[] = [];
  for (let t = coats[0]!.endMin + 1; t < endMin; t += stepMin) times.push(t);
  times.push(endMin);
  const { samples } = runPile(coats, climate, endMin, { sampleMin: times, withProfiles: true, toTheEnd: true }).run;
  const faults = [...airFaults(coats, climate, samples)];
  const last = samples.at(-1);
  if (act && last) {
    if (act.kind === "sand") faults.push(...sandedTooSoon(coats, climate, clock, act.atMin));
    else faults.push(...coatedOver(top, coats, climate, clock, last, act));
  }
  return faults;
}

/** The first moment each fault of the air shows, by the coat that lies on top then. */
function airFaults(
  coats: readonly AppliedCoat[],
  climate: Climate,
  samples: readonly FilmSample[],
): readonly FilmFault[] {
  const found = new Map<FilmFaultKind, FilmFault>();
  const tell = (kind: FilmFaultKind, atMin: number, by: number) => {
    if (!found.has(kind)) found.set(kind, { kind, atMin, by, rightAtMin: null });
  };
  for (const s of samples) {
    const on = coats.findLast((c) => c.endMin <= s.atMin);
    if (!on || on.product.family === "unknown") continue;
    const facts = familyFacts(on.product.family);
    const air = airAt(climate, s.atMin);
    const formsAboveC = on.product.minFilmFormingC ?? facts.filmFormingC;
    if (formsAboveC !== null && s.meanPhiTop > COALESCES_ABOVE_PHI && air.tempC < formsAboveC)
      tell("coalescence-lost", s.atMin, formsAboveC - air.tempC);
    const wet = s.meanPhiTop > CLOUDS_ABOVE_PHI;
    const margin = air.tempC - dewPointC(air.tempC, Math.max(1, air.rhPct));
    if (facts.bondsByRedissolving && wet && (margin < CLOUDS_WITHIN_C || air.rhPct > BLUSH_ABOVE_RH_PCT))
      tell("blush", s.atMin, air.rhPct - BLUSH_ABOVE_RH_PCT);
    if (air.rhPct >= 100 && s.meanPhiTop > COALESCES_ABOVE_PHI) tell("condensation", s.atMin, air.rhPct - 100);
  }
  return [...found.values()];
}

function sandedTooSoon(
  coats: readonly AppliedCoat[],
  climate: Climate,
  clock: WaitClock,
  atMin: number,
): readonly FilmFault[] {
  const right = rightMin(coats, climate, clock, atMin);
  if (right !== null && right <= atMin + 1) return [];
  const film = fittedFilm(coats.at(-1)!.product);
  const { run } = runPile(coats, climate, atMin, { sampleMin: [atMin], toTheEnd: true });
  const over = (run.samples[0]?.topFilmPhi ?? 0) - film.sandPhi;
  const { clock: gauge } = film.gauges.sandable;
  const short = gauge ? 1 - clock.elapsedRef(clockLawOf(film), coats.at(-1)!.endMin, atMin) / gauge.refMin : 0;
  return [{ kind: "sanded-too-soon", atMin, by: Math.max(over, short, 0), rightAtMin: right }];
}

/** Sandable by the film model in full. */
function rightMin(coats: readonly AppliedCoat[], climate: Climate, clock: WaitClock, atMin: number): number | null {
  const until = Math.min(clock.toMin, atMin + WAIT_ON_MIN);
  const { metMin } = runPile(coats, climate, until, {}, ["sandable"]);
  const dryAt = () => metMin.sandable ?? (metMin.sandable === undefined ? coats.at(-1)!.endMin : null);
  const a = milestoneAfter(coats, "sandable", clock, null, dryAt);
  return a.outcome === "reached" ? a.atMin : null;
}

function coatedOver(
  top: AppliedCoat,
  coats: readonly AppliedCoat[],
  climate: Climate,
  clock: WaitClock,
  now: FilmSample,
  act: Extract<NextAct, { kind: "coat" }>,
): readonly FilmFault[] {
  const film = fittedFilm(top.product);
  const touch = film.gauges.touch.drying?.phi ?? null;
  const faults: FilmFault[] = [];
  const skin = now.profile ? now.profile.phi.at(-1)! : 0;
  // a closed skin over a film that still holds more than a touch-dry one: what is below cannot get out past a new coat
  if (touch !== null && skin < film.substance.phiFormed && now.largestPhi > touch) {
    const until = Math.min(clock.toMin, act.atMin + WAIT_ON_MIN);
    const watches = [{ measure: largestBelow(touch), fromMin: top.endMin }];
    const [rightAtMin = null] = runFilm(pileEvents(coats), weatherIn(climate), until, { watches }).reachedMin;
    faults.push({ kind: "trapped", atMin: act.atMin, by: now.largestPhi - touch, rightAtMin });
  }
  const gap = film.windows.length > 1 ? forbidden(film.windows, clock, top.endMin, clockLawOf(film)) : null;
  if (
    film.mechanism === "oxidation" &&
    gap &&
    act.carrierBite >= WRINKLES_FROM_BITE &&
    act.atMin > gap.shutMin &&
    act.atMin < gap.opensMin
  )
    faults.push({ kind: "wrinkle", atMin: act.atMin, by: act.atMin - gap.shutMin, rightAtMin: gap.opensMin });
  return faults;
}

function forbidden(
  windows: ReturnType<typeof fittedFilm>["windows"],
  clock: WaitClock,
  fromMin: number,
  law: ReturnType<typeof clockLawOf>,
): { shutMin: number; opensMin: number } | null {
  const shut = windows[0]!.shutsRefMin;
  const opens = windows[1]!.opensRefMin;
  if (shut === null || opens === null) return null;
  const shutMin = clock.reach(law, fromMin, shut);
  return shutMin === null ? null : { shutMin, opensMin: clock.reach(law, fromMin, opens) ?? clock.toMin };
}
