/** Runs a case: steps the pile through its air and events, and stops where what is watched for is there or time is up. */

import { assert } from "../../base";
import {
  emptyPile,
  largestIn,
  largestRatio,
  layCoat,
  meanRatio,
  type Pile,
  rubDown,
  topFilmFrom,
  topFilmPhi,
  volatileUm,
} from "./pile";
import { type AirSource, begin, ERROR_POWER, makeStepper, type Stepper, type Tolerance, tryStep } from "./step";
import { arrhenius, phiOf, ratioOf, type Substance } from "./substance";

export type FilmEvent =
  | {
      readonly kind: "coat";
      readonly atMin: number;
      readonly substance: Substance;
      /** dry thickness, µm */
      readonly solidsUm: number;
      /** volatile share of the wet coat, [0, 1) */
      readonly phi0: number;
      /** overrides the run's own number of cells */
      readonly cells?: number;
    }
  | { readonly kind: "sand"; readonly atMin: number; readonly takesUm: number };

/** Air as a film meets it. */
export interface FilmWeather {
  readonly at: (atMin: number) => FilmAirNow;
  /** next moment after `atMin` at which the air bends; null = none */
  readonly nextKnot: (atMin: number) => number | null;
  readonly steady: boolean;
}
export interface FilmAirNow {
  /** of the part, °C */
  readonly tempC: number;
  /** water in the air against saturation at the part's temperature */
  readonly activity: number;
  /** how much faster than still air vapour is carried off, ≥ 1 */
  readonly airflow: number;
}

export const steadyWeather = (air: FilmAirNow): FilmWeather => ({ at: () => air, nextKnot: () => null, steady: true });

/** Something to be told of: the first moment from `fromMin` on at which `measure` is not above 0. */
export interface Watch {
  /** @param airActivity of water in the air at that moment; 0 unless `byAir` */
  readonly measure: (pile: Pile, u: Float64Array, airActivity: number) => number;
  readonly fromMin: number;
  /** the measure goes by the air as well */
  readonly byAir?: boolean;
}

/** Mean of the top coat has come down to φ. */
export const topMeanBelow = (phi: number): Watch["measure"] => {
  const limit = ratioOf(phi);
  return (pile, u) => (pile.coats.length === 0 ? -1 : meanRatio(pile, pile.coats.at(-1)!, u) - limit);
};
/** No cell anywhere is above φ. */
export const largestBelow = (phi: number): Watch["measure"] => {
  const limit = ratioOf(phi);
  return (pile, u) => largestRatio(pile, u) - limit;
};
/**
 * What paper, tape and polish ask: the top film has come to φ, and the films below are firm, each under its own `phiFormed`.
 * @param limitOf φ for the top film by the activity of the air
 */
export const topFilmBelow =
  (limitOf: (airActivity: number) => number): Watch["measure"] =>
  (pile, u, airActivity) => {
    const from = topFilmFrom(pile);
    let worst = topFilmPhi(pile, u, from) - limitOf(airActivity);
    for (let c = 0; c < from; c++) {
      const coat = pile.coats[c]!;
      worst = Math.max(worst, phiOf(largestIn(coat, u)) - coat.substance.phiFormed);
    }
    return worst;
  };
/** No cell is above the limit of its own coat; `limits` are φ by coat index, the last one counting for further coats. */
export const eachBelow = (limits: readonly number[]): Watch["measure"] => {
  const ratios = limits.map(ratioOf);
  return (pile, u) => {
    let worst = -1;
    pile.coats.forEach((coat, c) => {
      const limit = ratios[Math.min(c, ratios.length - 1)]!;
      for (let i = coat.first; i < coat.last; i++) worst = Math.max(worst, u[i]! - limit);
    });
    return worst;
  };
};

export interface FilmSample {
  readonly atMin: number;
  readonly meanPhiTop: number;
  readonly largestPhi: number;
  /** the φ the top film as a whole has come to: its largest, a coat that had partly settled when it was covered asked for less */
  readonly topFilmPhi: number;
  readonly leftUm: number;
  readonly releasedUm: number;
  /** φ by cell, bottom first, and each cell's dry thickness; only where asked for */
  readonly profile: Profile | null;
}
interface Profile {
  readonly phi: Float64Array;
  readonly thicknessUm: Float64Array;
  readonly coatOf: Int32Array;
}

export interface FilmRunOptions {
  readonly cellsPerCoat?: number;
  readonly tolerance?: Tolerance;
  /** moments to sample at, rising */
  readonly sampleMin?: readonly number[];
  readonly withProfiles?: boolean;
  readonly watches?: readonly Watch[];
  /** go on to the end even when every watch has answered */
  readonly toTheEnd?: boolean;
}

export interface FilmRun {
  readonly outcome: "ran" | "gave-up";
  readonly endMin: number;
  /** by watch; null = not reached before the end */
  readonly reachedMin: readonly (number | null)[];
  readonly samples: readonly FilmSample[];
  readonly mass: MassBalance;
  readonly dftUm: number;
  readonly stats: {
    readonly steps: number;
    readonly rejected: number;
    readonly evaluations: number;
    readonly cells: number;
  };
}
/** All in µm³ per µm² of face; applied = released + left + sanded to round-off. */
interface MassBalance {
  readonly appliedUm: number;
  readonly releasedUm: number;
  readonly leftUm: number;
  readonly sandedUm: number;
}

export const CELLS_PER_COAT = 24;
/** Meets 1 % in time and 0.005 in φ with room to spare at 24 cells; measured by `npm run bench -- film`. */
const TOLERANCE: Tolerance = { relative: 4e-3, absolute: 4e-4 };
const STEPS_MAX = 40_000;
/** States kept for reading between steps. */
const KEPT = 4;
const LOG_TIME_FLOOR_MIN = 0.01;
const FIRST_STEP_MIN = 0.02;
const LEAST_STEP_MIN = 1e-6;
const GROW_MAX = 2.2;
const SHRINK_MIN = 0.2;
const CAUTION = 0.9;

/**
 * Follows the films on one face from the first event to `untilMin`, or until every watch has answered. Steps adapt to the
 * error, stop at every event and at every bend of the air; what is asked between steps is read off a cubic
 * through the last four states. Events must rise in time; coats and rubs at one moment happen in the order given.
 */
export function runFilm(
  events: readonly FilmEvent[],
  weather: FilmWeather,
  untilMin: number,
  options: FilmRunOptions = {},
): FilmRun {
  assert(
    events.every((e, i) => i === 0 || e.atMin >= events[i - 1]!.atMin),
    "events must rise in time",
  );
  return new Runner(events, weather, untilMin, options).run();
}

/** Scratch of finished runs, for the next ones. */
const spare: Stepper[] = [];
const SPARE_MAX = 4;

class Runner {
  private readonly pile: Pile = emptyPile();
  private stepper: Stepper;
  private readonly source: AirSource;
  private readonly reached: (number | null)[];
  private readonly samples: FilmSample[] = [];
  private readonly samplePoints: readonly number[];
  private readonly watches: readonly Watch[];
  private readonly cells: number;
  private readonly tol: Tolerance;
  private atMin: number;
  private steps = 0;
  private rejected = 0;
  private stepMin = FIRST_STEP_MIN;
  /** the last states since an event, oldest first, with their place in logarithmic time */
  private past: { s: number; u: Float64Array }[] = [];
  private sinceMin = 0;
  private between: Float64Array = new Float64Array(64);

  constructor(
    private readonly events: readonly FilmEvent[],
    private readonly weather: FilmWeather,
    private readonly untilMin: number,
    private readonly options: FilmRunOptions,
  ) {
    this.watches = options.watches ?? [];
    this.reached = this.watches.map(() => null);
    this.samplePoints = options.sampleMin ?? [];
    this.cells = options.cellsPerCoat ?? CELLS_PER_COAT;
    this.tol = options.tolerance ?? TOLERANCE;
    this.atMin = events[0]?.atMin ?? 0;
    this.stepper = spare.pop() ?? makeStepper(64, 8);
    this.stepper.evaluations = 0;
    this.source = weather.steady ? steadySource(weather, this.atMin) : movingSource(weather);
  }

  run(): FilmRun {
    let next = this.takeEvents(0);
    let gaveUp = false;
    while (this.atMin < this.untilMin && !this.finished(next)) {
      const stop = this.nextStop(next);
      if (this.pile.n === 0) this.pass(stop);
      else if (!this.advance(stop, next)) {
        gaveUp = true;
        break;
      }
      if (next < this.events.length && this.events[next]!.atMin <= this.atMin) next = this.takeEvents(next);
    }
    const report = this.report(gaveUp);
    if (spare.length < SPARE_MAX) spare.push(this.stepper);
    return report;
  }

  /** Time goes by over a bare face. */
  private pass(stop: number): void {
    this.atMin = stop;
    this.lookAround(stop, stop);
  }

  private finished(next: number): boolean {
    if (next < this.events.length || this.options.toTheEnd) return false;
    return (
      this.watches.length > 0 &&
      this.reached.every((r) => r !== null) &&
      this.samples.length === this.samplePoints.length
    );
  }

  private nextStop(next: number): number {
    let stop = this.untilMin;
    if (next < this.events.length) stop = Math.min(stop, this.events[next]!.atMin);
    const knot = this.weather.nextKnot(this.atMin);
    if (knot !== null && knot < stop) stop = knot;
    for (const w of this.watches) if (w.fromMin > this.atMin && w.fromMin < stop) stop = w.fromMin;
    return stop;
  }

  /** Lays and rubs everything due now. @returns index of the first event still to come */
  private takeEvents(from: number): number {
    let i = from;
    while (i < this.events.length && this.events[i]!.atMin <= this.atMin) {
      const e = this.events[i]!;
      if (e.kind === "coat")
        layCoat(
          this.pile,
          e.substance,
          e.solidsUm,
          e.phi0,
          e.cells ?? this.cells,
          this.weather.at(this.atMin).activity,
        );
      else rubDown(this.pile, e.takesUm);
      i += 1;
    }
    if (i === from) return i;
    if (this.pile.n === 0) {
      this.lookAround(this.atMin, this.atMin);
      return i;
    }
    this.growScratch();
    const { work } = this.stepper;
    work.surface = this.pile.u[this.pile.n - 1]!;
    work.meet.fill(-1);
    begin(this.stepper, this.pile, this.source, this.atMin);
    this.stepMin = FIRST_STEP_MIN;
    this.past = [];
    this.sinceMin = this.atMin;
    this.remember();
    this.lookAround(this.atMin, this.atMin);
    return i;
  }

  private growScratch(): void {
    const { n, coats } = this.pile;
    if (n > this.between.length) this.between = new Float64Array(this.pile.u.length);
    if (n <= this.stepper.k1.length && coats.length <= this.stepper.work.meet.length) return;
    const cells = Math.max(this.pile.u.length, n);
    const { evaluations } = this.stepper;
    this.stepper = makeStepper(cells, 2 * coats.length);
    this.stepper.evaluations = evaluations;
  }

  /** Accepted steps until `stop`, or until nothing is left to be asked. @returns false when the steps run out */
  private advance(stop: number, next: number): boolean {
    const { pile, stepper } = this;
    while (this.atMin < stop) {
      if (this.steps + this.rejected >= STEPS_MAX) return false;
      const left = stop - this.atMin;
      const wanted = this.stepMin;
      // two even steps rather than a whole one and a crumb
      const step = wanted >= left ? left : Math.min(wanted, 0.5 * left);
      const error = tryStep(stepper, pile, this.source, this.atMin, step, this.tol);
      const scale = Math.min(GROW_MAX, Math.max(SHRINK_MIN, CAUTION / Math.max(error, 1e-12) ** ERROR_POWER));
      if (!(error <= 1) && step > LEAST_STEP_MIN) {
        this.rejected += 1;
        this.stepMin = step * (Number.isFinite(scale) ? Math.min(scale, 0.9) : SHRINK_MIN);
        continue;
      }
      this.steps += 1;
      // a step cut short to meet a stop says nothing against the longer one
      this.stepMin = step < wanted ? Math.max(wanted, step * scale) : step * scale;
      const from = this.atMin;
      this.atMin = step === left ? stop : from + step;
      this.accept(from);
      if (this.finished(next)) return true;
    }
    return true;
  }

  private accept(from: number): void {
    const { pile, stepper } = this;
    pile.u.set(stepper.y.subarray(0, pile.n));
    pile.releasedUm += stepper.released;
    this.remember();
    begin(stepper, pile, this.source, this.atMin);
    this.lookAround(from, this.atMin);
  }

  /** Answers watches and samples that fall in (from, to]. */
  private lookAround(from: number, to: number): void {
    this.watches.forEach((w, i) => {
      // at the very end of a step something may still be laid or rubbed: that moment is looked at after it
      if (this.reached[i] !== null || to < w.fromMin || (to === w.fromMin && to > from)) return;
      if (w.measure(this.pile, this.pile.u, this.activityFor(w, to)) > 0) return;
      this.reached[i] = to === from ? to : this.crossing(w, from, to);
    });
    while (this.samples.length < this.samplePoints.length && this.samplePoints[this.samples.length]! <= to) {
      const at = this.samplePoints[this.samples.length]!;
      this.samples.push(this.sample(at, from, to));
    }
  }

  private activityFor(w: Watch, atMin: number): number {
    return w.byAir ? this.weather.at(atMin).activity : 0;
  }

  private logTime(atMin: number): number {
    return Math.log(atMin - this.sinceMin + LOG_TIME_FLOOR_MIN);
  }

  private remember(): void {
    const { pile, past } = this;
    const oldest = past.length === KEPT ? past.shift()! : null;
    const u = oldest && oldest.u.length >= pile.n ? oldest.u : new Float64Array(pile.u.length);
    u.set(pile.u.subarray(0, pile.n));
    past.push({ s: this.logTime(this.atMin), u });
  }

  /**
   * State between the last two accepted ones: the cubic through the last four in logarithmic time, in which a drying film
   * is smooth however far the steps reach. Slopes are of no use here: f at a step's end still holds what its stiff modes
   * left over.
   */
  private interpolate(atMin: number): Float64Array {
    const { pile, past, between } = this;
    const s = this.logTime(atMin);
    const [a, b, c, d] = past.map((p, i) => past.reduce((w, q, j) => (i === j ? w : (w * (s - q.s)) / (p.s - q.s)), 1));
    const [p, q, r, t] = past.map((x) => x.u);
    for (let i = 0; i < pile.n; i++) {
      let u = a! * p![i]!;
      if (q) u += b! * q[i]!;
      if (r) u += c! * r[i]!;
      if (t) u += d! * t[i]!;
      between[i] = u;
    }
    return between;
  }

  private crossing(w: Watch, from: number, to: number): number {
    let lo = Math.max(from, w.fromMin);
    let hi = to;
    let vLo = w.measure(this.pile, this.interpolate(lo), this.activityFor(w, lo));
    if (vLo <= 0) return lo;
    let vHi = w.measure(this.pile, this.pile.u, this.activityFor(w, hi));
    let last = 0;
    // regula falsi, halving the weight of an end that stays (Illinois)
    for (let k = 0; k < 40 && hi - lo > 1e-6 * (to - from); k++) {
      const at = lo + ((hi - lo) * vLo) / (vLo - vHi);
      const v = w.measure(this.pile, this.interpolate(at), this.activityFor(w, at));
      if (Math.abs(v) < 1e-8) return at;
      if (v > 0) {
        lo = at;
        vLo = v;
        if (last > 0) vHi /= 2;
        last = 1;
      } else {
        hi = at;
        vHi = v;
        if (last < 0) vLo /= 2;
        last = -1;
      }
    }
    return (lo + hi) / 2;
  }

  private sample(at: number, from: number, to: number): FilmSample {
    const { pile } = this;
    const u = to > from && at < to ? this.interpolate(at) : pile.u;
    const leftUm = volatileUm(pile, u) + pile.boundUm;
    const top = pile.coats.at(-1);
    return {
      atMin: at,
      meanPhiTop: top ? phiOf(meanRatio(pile, top, u)) : 0,
      largestPhi: phiOf(largestRatio(pile, u)),
      topFilmPhi: topFilmPhi(pile, u, topFilmFrom(pile)),
      leftUm,
      releasedUm: pile.appliedUm - pile.sandedUm - leftUm,
      profile: this.options.withProfiles ? profileOf(pile, u) : null,
    };
  }

  private report(gaveUp: boolean): FilmRun {
    const { pile } = this;
    return {
      outcome: gaveUp ? "gave-up" : "ran",
      endMin: this.atMin,
      reachedMin: this.reached,
      samples: this.samples,
      mass: {
        appliedUm: pile.appliedUm,
        releasedUm: pile.releasedUm,
        leftUm: volatileUm(pile) + pile.boundUm,
        sandedUm: pile.sandedUm,
      },
      dftUm: pile.coats.reduce((sum, c) => sum + c.solidsUm, 0),
      stats: { steps: this.steps, rejected: this.rejected, evaluations: this.stepper.evaluations, cells: pile.n },
    };
  }
}

function profileOf(pile: Pile, u: Float64Array): Profile {
  const phi = new Float64Array(pile.n);
  for (let i = 0; i < pile.n; i++) phi[i] = phiOf(u[i]!);
  return { phi, thicknessUm: pile.h.slice(0, pile.n), coatOf: pile.coatOf.slice(0, pile.n) };
}

const fillFrom = (
  now: FilmAirNow,
  air: { diffusion: Float64Array; evaporation: number; activity: number },
  pile: Pile,
) => {
  const { coats } = pile;
  let energy = Number.NaN;
  let rate = 1;
  for (let c = 0; c < coats.length; c++) {
    const own = coats[c]!.substance.diffusionJ;
    if (own !== energy) {
      energy = own;
      rate = arrhenius(own, now.tempC);
    }
    air.diffusion[c] = rate;
  }
  const top = coats[coats.length - 1]!;
  air.evaporation = now.airflow * arrhenius(top.substance.evaporationJ, now.tempC);
  air.activity = now.activity;
};

const movingSource = (weather: FilmWeather): AirSource => ({
  steady: false,
  fill: (atMin, air, pile) => fillFrom(weather.at(atMin), air, pile),
});

function steadySource(weather: FilmWeather, atMin: number): AirSource {
  const now = weather.at(atMin);
  return { steady: true, fill: (_, air, pile) => fillFrom(now, air, pile) };
}
