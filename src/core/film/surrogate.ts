import { EARLY_SHARE, LATE_SHARE, labelTimes } from "../reference";
import type { WaitClock } from "./clock";
import { type FittedFilm, fittedFilm } from "./label-fit";
import { type DryingLaw, dryingLaw, REFERENCE_AIR, rateIn, roomLeft } from "./rates";
import { type FilmEvent, type FilmWeather, runFilm, steadyWeather } from "./solver/drive";
import { activityAt, arrhenius, ratioOf } from "./solver/substance";
import { type AppliedCoat, ASPECTS, type Aspect, LEAST_SOLIDS_UM, thresholdPhi, watchOf } from "./states";
import { filmAir } from "./weather";

/** How long an aspect takes at reference air after the last coat, and the law by which other air changes that. */
interface DryingTime {
  readonly refMin: number;
  readonly law: DryingLaw;
}
/** Aspects the top film never asks are left out; null = not within a hundred times its label's sandable time. */
type DryingTimes = Readonly<Partial<Record<Aspect, DryingTime | null>>>;

/** A film in a pile as the surrogate keeps it. */
interface Lain {
  readonly film: FittedFilm;
  readonly solidsUm: number;
  /** reference minutes until the next coat went on; null = it had dried by then */
  readonly gapMin: number | null;
}

const REF_ACTIVITY = REFERENCE_AIR.rhPct / 100;
const DRY_ACTIVITY = 0.3;
const DAMP_ACTIVITY = 0.75;
const DAMP_AIR = { ...REFERENCE_AIR, rhPct: 100 * DAMP_ACTIVITY };
const COLD: FilmWeather = steadyWeather(filmAir({ ...REFERENCE_AIR, tempC: 10 }));
const DRY: FilmWeather = steadyWeather(filmAir({ ...REFERENCE_AIR, rhPct: 100 * DRY_ACTIVITY }));
const DAMP: FilmWeather = steadyWeather(filmAir(DAMP_AIR));
const REFERENCE: FilmWeather = steadyWeather(filmAir(REFERENCE_AIR));

const WET_CELLS = 16;
const DRY_CELLS = 12;
/** A pile has dried when this many times the drying time of all its films has gone by (est.; then less than a few hundredths are left). */
const DRY_AFTER = 3;
const HORIZON_OF_LABEL = 100;
/** Neighbouring gaps and thicknesses share an answer: within 2.5 and 0.1 %. */
const GAP_STEP = 0.05;
const SOLIDS_STEP = 0.002;

const nearStep = (x: number, step: number): number => Math.round(Math.log(x) / step);
const ofStep = (n: number, step: number): number => Math.exp(n * step);

function runTimes(lain: readonly Lain[], weather: FilmWeather, pace: number): Partial<Record<Aspect, number | null>> {
  const films = lain.map((l) => l.film);
  let at = 0;
  const events = lain.map((l, i): FilmEvent => {
    const dry = l.gapMin === null && i < lain.length - 1;
    const event: FilmEvent = {
      kind: "coat",
      atMin: at,
      substance: l.film.substance,
      solidsUm: l.solidsUm,
      phi0: dry ? 0 : l.film.phi0,
      cells: dry ? DRY_CELLS : WET_CELLS,
    };
    at += (l.gapMin ?? 0) * pace;
    return event;
  });
  const lastMin = events.at(-1)!.atMin;
  const asked = ASPECTS.flatMap((aspect) => {
    const watch = watchOf(films, aspect);
    return watch === null ? [] : [{ aspect, watch: { ...watch, fromMin: lastMin } }];
  });
  if (asked.length === 0) return {};
  const horizon = lastMin + HORIZON_OF_LABEL * Math.max(60, ...films.map(labelSandMin));
  const run = runFilm(events, weather, horizon, {
    watches: asked.map((a) => a.watch),
  });
  return Object.fromEntries(
    asked.map(({ aspect }, i) => {
      const t = run.reachedMin[i];
      return [aspect, t == null ? null : t - lastMin];
    }),
  );
}

/** A round figure for how long a film takes, L²/D of its label's pile, minutes: sets horizons only. */
function labelSandMin(f: FittedFilm): number {
  return (f.labelDftUm * f.labelDftUm) / f.substance.d0Um2Min;
}

interface Sensitivity {
  readonly depth: number;
  readonly limit: number;
  readonly dryPower: number;
  readonly dampPower: number;
}

type Sensitivities = Partial<Record<Aspect, Sensitivity>>;
const sensitivities = new WeakMap<FittedFilm, Map<number, Sensitivities>>();
/** Films this near in thickness share their answer to the air. */
const SENSITIVITY_STEP = 0.2;

/**
 * How a film's times answer to cold, dry and damp, from one coat of that thickness run in four airs. In cold air the split
 * between surface and depth shows, because their energies differ; in dry and damp air the power of the room left for water.
 */
function sensitivityOf(film: FittedFilm, solidsUm: number): Sensitivities {
  const own = sensitivities.get(film) ?? new Map<number, Sensitivities>();
  sensitivities.set(film, own);
  const step = nearStep(Math.max(LEAST_SOLIDS_UM, solidsUm), SENSITIVITY_STEP);
  const known = own.get(step);
  if (known) return known;
  const made = measureSensitivity(film, ofStep(step, SENSITIVITY_STEP));
  own.set(step, made);
  return made;
}

function measureSensitivity(film: FittedFilm, solidsUm: number): Sensitivities {
  const lain: Lain[] = [{ film, solidsUm, gapMin: null }];
  const ref = runTimes(lain, REFERENCE, 1);
  const cold = runTimes(lain, COLD, 1);
  const water = film.substance.activity === "water";
  const dry = water ? runTimes(lain, DRY, 1) : {};
  const damp = water ? dampRuns(lain) : {};
  const made: Sensitivities = {};
  for (const aspect of ASPECTS) {
    const t = ref[aspect];
    if (t == null || t <= 0) continue;
    made[aspect] = {
      depth: depthShare(film, t, cold[aspect] ?? null),
      limit: water ? limitOf(film, aspect) : 1,
      dryPower: water ? powerOf(film, aspect, t, dry[aspect] ?? null, DRY_ACTIVITY) : 0,
      dampPower: water ? powerOf(film, aspect, t, damp[aspect] ?? null, dampActivity(film, aspect)) : 0,
    };
  }
  return made;
}

/** Activity a damp run is made at: 75 %, or well short of what the threshold can be met in. */
const dampActivity = (film: FittedFilm, aspect: Aspect): number =>
  Math.min(DAMP_ACTIVITY, REF_ACTIVITY + 0.6 * (limitOf(film, aspect) - REF_ACTIVITY));

const limitOf = (film: FittedFilm, aspect: Aspect): number => activityAt("water", ratioOf(thresholdPhi(film, aspect)));

/** Times in damp air, each at the activity its own threshold leaves room for. */
function dampRuns(lain: readonly Lain[]): Partial<Record<Aspect, number | null>> {
  const { film } = lain[0]!;
  const times = runTimes(lain, DAMP, 1);
  const low = ASPECTS.filter((a) => a in times && dampActivity(film, a) < DAMP_ACTIVITY);
  for (const activity of new Set(low.map((a) => dampActivity(film, a)))) {
    const own = runTimes(lain, steadyWeather({ ...filmAir(REFERENCE_AIR), activity }), 1);
    for (const a of low) if (dampActivity(film, a) === activity) times[a] = own[a] ?? null;
  }
  return times;
}

function depthShare(film: FittedFilm, refMin: number, coldMin: number | null): number {
  if (coldMin === null) return 1;
  const slower = Math.log(coldMin / refMin);
  const { diffusionJ, evaporationJ } = film.substance;
  const depth = -Math.log(arrhenius(diffusionJ, 10));
  const surface = -Math.log(arrhenius(evaporationJ, 10));
  return Math.min(1, Math.max(0, (slower - surface) / (depth - surface)));
}

const POWER_MAX = 3;

function powerOf(film: FittedFilm, aspect: Aspect, refMin: number, otherMin: number | null, activity: number): number {
  const room = roomLeft(limitOf(film, aspect), activity);
  if (otherMin === null || room <= 0) return 1;
  return Math.min(POWER_MAX, Math.max(0, -Math.log(otherMin / refMin) / Math.log(room)));
}

/** Aspects that ask the whole wet pile; the others ask the top coat. */
const DEEP: ReadonlySet<Aspect> = new Set<Aspect>(["sandable", "tape-safe", "polishable", "cured-water", "dried"]);

const ids = new WeakMap<FittedFilm, number>();
let nextId = 1;
function idOf(film: FittedFilm): number {
  const id = ids.get(film) ?? nextId++;
  ids.set(film, id);
  return id;
}

const times = new Map<string, DryingTimes>();
const TIMES_KEPT = 20_000;

function timesOf(lain: readonly Lain[]): DryingTimes {
  const steps = lain.map((l) => ({
    solids: nearStep(l.solidsUm, SOLIDS_STEP),
    gap: l.gapMin === null ? null : nearStep(Math.max(0.1, l.gapMin), GAP_STEP),
  }));
  const key = lain.map((l, i) => `${idOf(l.film)},${steps[i]!.solids},${steps[i]!.gap}`).join(";");
  const known = times.get(key);
  if (known) return known;
  if (times.size >= TIMES_KEPT) times.clear();
  const rounded = lain.map((l, i) => {
    const { solids, gap } = steps[i]!;
    return { ...l, solidsUm: ofStep(solids, SOLIDS_STEP), gapMin: gap === null ? null : ofStep(gap, GAP_STEP) };
  });
  const { film: top, solidsUm: topUm } = lain.at(-1)!;
  const wetUm = lain.reduce((sum, l, i) => (l.gapMin === null && i < lain.length - 1 ? sum : sum + l.solidsUm), 0);
  const bySurface = sensitivityOf(top, topUm);
  const byDepth = sensitivityOf(top, wetUm);
  const found = runTimes(rounded, REFERENCE, 1);
  const damp = wetUm > topUm && top.substance.activity === "water" ? dampTimes(rounded, bySurface) : {};
  const made: Partial<Record<Aspect, DryingTime | null>> = {};
  for (const [aspect, refMin] of Object.entries(found) as [Aspect, number | null][]) {
    const s = DEEP.has(aspect) ? byDepth[aspect] : bySurface[aspect];
    made[aspect] = refMin === null ? null : { refMin, law: lawFrom(top, aspect, refMin, s, damp[aspect] ?? null) };
  }
  times.set(key, made);
  return made;
}

/** The same pile in damp air, its gaps as much longer as its surface is slower there: what lies wet below keeps more water. */
function dampTimes(lain: readonly Lain[], bySurface: Sensitivities): Partial<Record<Aspect, number | null>> {
  const top = lain.at(-1)!.film;
  const law = lawFrom(top, "touch", 1, bySurface.touch, null);
  return runTimes(lain, DAMP, 1 / rateIn(law, DAMP_AIR));
}

function lawFrom(
  top: FittedFilm,
  aspect: Aspect,
  refMin: number,
  s: Sensitivity | undefined,
  dampMin: number | null,
): DryingLaw {
  return dryingLaw({
    depth: s?.depth ?? 1,
    water: top.substance.activity === "water",
    limit: s?.limit ?? 1,
    dryPower: s?.dryPower ?? 1,
    dampPower: dampMin === null ? (s?.dampPower ?? 1) : powerOf(top, aspect, refMin, dampMin, DAMP_ACTIVITY),
  });
}

/**
 * The label's own figure for an early milestone in the clock's air, counted from the end of a coat: the label's minutes
 * carried from its air to this one by the answer of one of the label's own coats. A mist is given half of it.
 * @returns the absolute minute; null = beyond the horizon
 */
export function labelFloorAt(coat: AppliedCoat, aspect: Aspect, labelMin: number, clock: WaitClock): number | null {
  const film = fittedFilm(coat.product);
  const share = shareOf((coat.wftUm * (1 - film.phi0)) / film.labelCoatUm, EARLY_SHARE);
  return floorAt(coat, aspect, share * labelMin, film.labelCoatUm, clock);
}

/** The same of a later milestone, by all that is fresh of the top film against the label's whole pile. */
export function labelPileFloorAt(
  coats: readonly AppliedCoat[],
  aspect: Aspect,
  labelMin: number,
  clock: WaitClock,
): number | null {
  const top = coats.at(-1)!;
  return floorAt(top, aspect, lateShare(coats) * labelMin, fittedFilm(top.product).labelDftUm, clock);
}

/** Share of the label's later waits a film as thin as the fresh one of this pile is given; 1 from light coats on. */
export function lateShare(coats: readonly AppliedCoat[]): number {
  const thick = freshUm(coats) / fittedFilm(coats.at(-1)!.product).labelDftUm;
  const { mist, ofMist } = LATE_SHARE;
  return thick < mist ? (ofMist * thick) / mist : shareOf(thick, LATE_SHARE);
}

function floorAt(
  coat: AppliedCoat,
  aspect: Aspect,
  labelMin: number,
  solidsUm: number,
  clock: WaitClock,
): number | null {
  const film = fittedFilm(coat.product);
  const law = lawFrom(film, aspect, labelMin, sensitivityOf(film, solidsUm)[aspect], null);
  return clock.reach(law, coat.endMin, labelMin * rateIn(law, film.labelAir));
}

/** Share of the label's waits a film this thick against the label's is given. */
function shareOf(thick: number, { mist, thin, ofMist }: { mist: number; thin: number; ofMist: number }): number {
  const x = Math.min(1, Math.max(0, (thick - mist) / (thin - mist)));
  return ofMist + x * (1 - ofMist);
}

/** Dry thickness of the top film's coats, each laid before the one below it could be sanded by its label, µm. */
function freshUm(coats: readonly AppliedCoat[]): number {
  const { product } = coats.at(-1)!;
  const film = fittedFilm(product);
  const sandMin = labelTimes(product).sandable.min;
  let sum = 0;
  for (let i = coats.length - 1; i >= 0; i--) {
    const above = coats[i + 1];
    const c = coats[i]!;
    if (fittedFilm(c.product) !== film) break;
    if (above && above.endMin - c.endMin > sandMin) break;
    sum += c.wftUm * (1 - film.phi0);
  }
  return sum;
}

/** Dry thickness each coat of a pile still has, after every rub; 0 where nothing is left of it. */
function solidsLeft(coats: readonly AppliedCoat[]): readonly number[] {
  const left: number[] = [];
  for (const c of coats) {
    left.push(Math.max(LEAST_SOLIDS_UM, c.wftUm * (1 - fittedFilm(c.product).phi0)));
    let takes = c.rubbed?.takesUm ?? 0;
    for (let i = left.length - 1; i >= 0 && takes > 0; i--) {
      const off = Math.min(left[i]!, takes);
      left[i]! -= off;
      takes -= off;
    }
  }
  return left;
}

/**
 * Drying times of the top coat of a pile at reference air: the film model run once for every kind of pile, remembered.
 * What had dried before the next coat went on is one film per product, without its solvent.
 */
export function dryingTimes(coats: readonly AppliedCoat[], clock: WaitClock): DryingTimes {
  const solids = solidsLeft(coats);
  let lain: Lain[] = [];
  let answer: DryingTimes = {};
  coats.forEach((c, i) => {
    const film = fittedFilm(c.product);
    // what was rubbed off to nothing is no film any more, and nothing waits for it
    if (solids[i]! < LEAST_SOLIDS_UM && i < coats.length - 1) return;
    lain.push({ film, solidsUm: Math.max(LEAST_SOLIDS_UM, solids[i]!), gapMin: null });
    answer = timesOf(lain);
    const next = coats[i + 1];
    if (next) lain = coveredAt(lain, answer, clock, c.endMin, next.endMin);
  });
  return answer;
}

/** A pile as it stood when its next coat went on. */
function coveredAt(lain: Lain[], times: DryingTimes, clock: WaitClock, fromMin: number, atMin: number): Lain[] {
  const { dried, touch } = times;
  if (dried === undefined) return lain;
  const passed = (t: DryingTime) => clock.elapsedRef(t.law, fromMin, atMin);
  if (dried !== null && passed(dried) >= DRY_AFTER * dried.refMin) return merged(lain);
  const top: Lain = { ...lain.at(-1)!, gapMin: refGapMin(dried, touch ?? null, clock, fromMin, atMin) };
  return [...lain.slice(0, -1), top];
}

/** A gap in reference minutes: up to touch dry by that time's law, past it by the law of the depth. */
function refGapMin(
  deep: DryingTime | null,
  early: DryingTime | null,
  clock: WaitClock,
  fromMin: number,
  atMin: number,
): number {
  const law = deep?.law ?? LAW_OF_DEPTH;
  if (early === null) return clock.elapsedRef(law, fromMin, atMin);
  const surface = clock.elapsedRef(early.law, fromMin, atMin);
  if (surface <= early.refMin) return surface;
  const touchMin = clock.reach(early.law, fromMin, early.refMin) ?? atMin;
  return early.refMin + clock.elapsedRef(law, touchMin, atMin);
}

/** Where a film never sands, its gaps are told by depth alone. */
const LAW_OF_DEPTH = dryingLaw({ depth: 1, water: false, limit: 1, dryPower: 0, dampPower: 0 });

/** All of a pile dry: neighbouring coats of one product become one film. */
function merged(lain: readonly Lain[]): Lain[] {
  const out: Lain[] = [];
  for (const l of lain) {
    const last = out.at(-1);
    if (last && last.film === l.film) out[out.length - 1] = { ...last, solidsUm: last.solidsUm + l.solidsUm };
    else out.push({ ...l, gapMin: null });
  }
  return out;
}
