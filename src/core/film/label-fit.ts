/**
 * Turns the times on a label into states of its own simulated film, so that a milestone in other air or on another film is the same
 * state, not the same number of minutes.
 */

import { assert } from "../base";
import { type AirPoint, MILESTONES, type Milestone, type Product } from "../model";
import {
  ALPHA_CURED,
  BALANCE_MARGIN_PHI,
  type DryingMechanism,
  DUST_FREE_OF_TOUCH,
  FLOOR_SHARE,
  filmDefaults,
  LATE_MARGIN_PHI,
  type LabelTimes,
  labelTimes,
  mechanismOf,
  ownGapMin,
  REACTION_J_PER_MOL,
  SOLVENT_GONE_OF_TOUCH,
  STILL_AIR_M_S,
  wetVolatile,
} from "../reference";
import {
  CELLS_PER_COAT,
  type FilmEvent,
  type FilmRun,
  type FilmSample,
  runFilm,
  steadyWeather,
  topFilmBelow,
  topMeanBelow,
} from "./solver/drive";
import { arrhenius, equilibriumRatio, phiOf, type Substance } from "./solver/substance";

/** A milestone of the model: the vocabulary's own and the moment dust no longer sticks. */
export type FilmMilestone = Milestone | "dust-free";
export const FILM_MILESTONES = ["flash", "dust-free", ...MILESTONES.filter((m) => m !== "flash")] as const;

/** What a film must have come to. Every part that is not null must hold. */
export interface Gauge {
  /** mean φ of the top coat, or the largest φ in the top film, has come down to this */
  readonly drying: { readonly measure: "top-mean" | "largest"; readonly phi: number } | null;
  /** minutes at label conditions after the coat before which the label offers it to no film as thick as its own; 0 = not asked */
  readonly labelMin: number;
  /** minutes at 20 °C on the film's clock, since its coat ended or since that coat was touch dry */
  readonly clock: { readonly from: "coat" | "touch"; readonly refMin: number } | null;
  /** the top film must have come to its own limit for sanding, on firm films */
  readonly sandable: boolean;
}

interface WindowGauge {
  /** null = as soon as the recoat gauge says */
  readonly opensRefMin: number | null;
  readonly shutsRefMin: number | null;
}

type FitNote = "surface-quickened" | "label-air-too-damp" | "solids-assumed" | "no-fit";

/** A product as a film: what it is made of, and the states its own label's times stand for. */
export interface FittedFilm {
  /** everything the fit rests on, as text: products alike in it share one fit */
  readonly key: string;
  readonly substance: Substance;
  /** volatile share of the wet film */
  readonly phi0: number;
  /** largest φ anywhere in a film that sands */
  readonly sandPhi: number;
  readonly mechanism: DryingMechanism;
  /** the clock's activation, J/mol; 0 for light */
  readonly clockJ: number;
  /** of the clock at 20 °C where the film reacts or oxidises, 1/min; null where it only hardens */
  readonly cureRate: number | null;
  /** dry thickness of the label's whole pile, µm: an oxidising film thicker than this is slower */
  readonly labelDftUm: number;
  /** dry thickness of one of the label's coats, µm */
  readonly labelCoatUm: number;
  /** the air the label's times are told for */
  readonly labelAir: Omit<AirPoint, "atMin">;
  /** minutes at 20 °C on the film's clock until its label lets the next film on */
  readonly recoatOpensRefMin: number;
  /** depth over which curing light falls to 1/e, µm; null where light does not cure it */
  readonly lightDepthUm: number | null;
  readonly gauges: Readonly<Record<FilmMilestone, Gauge>>;
  readonly windows: readonly WindowGauge[];
  /** a through-cured film may hold only so much more water than its balance with the air it is in */
  readonly curedWet: boolean;
  readonly notes: readonly FitNote[];
  /** simulations the fit took */
  readonly runs: number;
}

/** Milestones the label counts from its first coat, by the mean of that coat. */
export const EARLY_MILESTONES = ["flash", "dust-free", "touch", "recoat"] as const satisfies readonly FilmMilestone[];
/** What must not come sooner than what, unless the label itself has it so. */
const FLOORS: Partial<Record<Milestone, Milestone>> = {
  "tape-safe": "sandable",
  polishable: "sandable",
  cured: "sandable",
};

const FIT_TOLERANCE = 1e-3;
const FIT_RUNS_MAX = 30;
/** A bracket narrower than this in ln D0 with no answer inside holds a jump. */
const JUMP_WIDTH = 2e-3;
/** From this many tries on the bracket is halved. */
const HALVE_AFTER = 6;
const HORIZON_OF_SAND = 40;
/** D0 for evaporation alone: so high that the film is the same all through. */
const D0_EVEN = 1e7;
const EVEN_CELLS = 2;
const FIT_CELLS = CELLS_PER_COAT;
/** While a trial is farther off than this, coarser cells point the way as well. */
const FAR_OFF = 0.05;
const FAR_CELLS = 10;

interface LabelTrial {
  readonly times: LabelTimes;
  readonly phi0: number;
  readonly solidsUm: number;
  readonly coats: number;
  readonly gapMin: number;
  readonly tempC: number;
  readonly activity: number;
  readonly sandPhi: number;
  /** minutes after the last coat at which the pile has dried to its sand limit */
  readonly sandMin: number;
  readonly reacts: boolean;
}

const lastCoatMin = (t: LabelTrial): number => (t.coats - 1) * t.gapMin;

function eventsOf(t: LabelTrial, substance: Substance, coats: number): FilmEvent[] {
  return Array.from({ length: coats }, (_, n) => ({
    kind: "coat" as const,
    atMin: n * t.gapMin,
    substance,
    solidsUm: t.solidsUm,
    phi0: t.phi0,
  }));
}

const weatherOf = (t: LabelTrial) => steadyWeather({ tempC: t.tempC, activity: t.activity, airflow: 1 });

/** Minutes after the last label coat until the label's pile sands; null = not within reach. */
function sandMin(t: LabelTrial, substance: Substance, cells: number): number | null {
  const lastMin = lastCoatMin(t);
  const run = runFilm(eventsOf(t, substance, t.coats), weatherOf(t), lastMin + HORIZON_OF_SAND * t.sandMin, {
    cellsPerCoat: cells,
    watches: [{ measure: topFilmBelow(() => t.sandPhi), fromMin: lastMin }],
  });
  const at = run.reachedMin[0];
  return at == null ? null : at - lastMin;
}

interface Fit {
  readonly substance: Substance;
  readonly quickened: boolean;
  readonly fitted: boolean;
  readonly runs: number;
}

/**
 * Finds D0 so that the label's pile has dried to its sand limit when the label says, or when its solvent is taken to be gone. Time falls steadily with D0 in a log–log plane, so regula
 * falsi there with the Illinois rule; bracketed by evaporation alone on one side. Where evaporation alone is slower than
 * the label, the surface is quickened until it takes FLOOR_SHARE of it.
 */
function fitDiffusion(t: LabelTrial, start: Substance): Fit {
  const target = t.sandMin;
  let runs = 0;
  let substance = start;
  let quickened = false;
  for (let i = 0; i < 6; i++) {
    runs += 1;
    const floor = sandMin(t, { ...substance, d0Um2Min: D0_EVEN }, EVEN_CELLS);
    if (floor !== null && floor < (quickened ? FLOOR_SHARE * 1.02 : 1) * target) break;
    quickened = true;
    const factor = floor === null ? 4 : floor / (FLOOR_SHARE * target);
    substance = { ...substance, kUmMin: substance.kUmMin * factor };
  }
  const depth = t.solidsUm * t.coats;
  const guess = (0.5 * depth * depth) / target / arrhenius(start.diffusionJ, t.tempC);
  let x = Math.log(guess);
  let slow: { x: number; y: number } | null = null;
  let fast: { x: number; y: number } | null = null;
  let side = 0;
  let cells = FAR_CELLS;
  for (let i = 0; i < FIT_RUNS_MAX; i++) {
    runs += 1;
    const at = sandMin(t, { ...substance, d0Um2Min: Math.exp(x) }, cells);
    const y = Math.log((at ?? HORIZON_OF_SAND * target) / target);
    if (Math.abs(y) < FIT_TOLERANCE && cells === FIT_CELLS)
      return { substance: { ...substance, d0Um2Min: Math.exp(x) }, quickened, fitted: true, runs };
    if (Math.abs(y) < FAR_OFF && cells !== FIT_CELLS) {
      cells = FIT_CELLS;
      slow = null;
      fast = null;
      side = 0;
      x += y;
      continue;
    }
    if (y > 0) {
      if (side > 0 && fast) fast.y /= 2;
      slow = { x, y };
      side = 1;
    } else {
      if (side < 0 && slow) slow.y /= 2;
      fast = { x, y };
      side = -1;
    }
    if (slow && fast && Math.abs(slow.x - fast.x) < JUMP_WIDTH) break;
    if (slow && fast)
      x = i < HALVE_AFTER ? slow.x + ((fast.x - slow.x) * slow.y) / (slow.y - fast.y) : (slow.x + fast.x) / 2;
    else x += slow ? Math.min(6, 1.1 * y + 0.05) : Math.max(-6, 1.1 * y - 0.05);
  }
  return { substance: { ...substance, d0Um2Min: Math.exp(x) }, quickened, fitted: false, runs };
}

/** Activity of the water in the label's air; a label so damp that its film could never sand is read at 50 % RH. */
function labelActivity(rhPct: number, water: boolean, sandPhi: number): { activity: number; tooDamp: boolean } {
  const activity = rhPct / 100;
  const tooDamp = water && phiOf(equilibriumRatio("water", activity)) > sandPhi - BALANCE_MARGIN_PHI;
  return { activity: tooDamp ? 0.5 : activity, tooDamp };
}

const fits = new Map<string, FittedFilm>();
const FITS_KEPT = 4000;
const byProduct = new WeakMap<Product, FittedFilm>();

const keyOf = (p: Product): string =>
  JSON.stringify([
    p.role === "putty",
    p.family,
    p.carriers,
    p.method === "aerosol",
    p.volumeSolids,
    p.cureDepthUm ?? null,
    p.label,
  ]);

/** The product's film, fitted to its label once; products with the same label share the work. */
export function fittedFilm(product: Product): FittedFilm {
  const own = byProduct.get(product);
  if (own) return own;
  const key = keyOf(product);
  let film = fits.get(key);
  if (!film) {
    if (fits.size >= FITS_KEPT) fits.clear();
    film = fitFilm(product, key);
    fits.set(key, film);
  }
  byProduct.set(product, film);
  return film;
}

const CLOCK_J: Readonly<Record<DryingMechanism, number>> = {
  solvent: REACTION_J_PER_MOL.hardening,
  water: REACTION_J_PER_MOL.hardening,
  oxidation: REACTION_J_PER_MOL.oxidation,
  reaction: REACTION_J_PER_MOL.reaction,
  light: 0,
};

/**
 * fitFilm, uncached
 *
 *   label ──1──► a trial: its coats, gaps, air
 *                  │ 2 D0 (and k where the label is quicker than the surface)
 *                  ▼
 *   substance ──3 the first coat alone, the whole pile──► φ at every time of the label
 *                  │ 4
 *                  ▼
 *   gauges: φ where drying still goes on at that time, the clock where it is over
 */
export function fitFilm(product: Product, key = keyOf(product)): FittedFilm {
  const times = labelTimes(product);
  const defaults = filmDefaults(product);
  const phi0 = wetVolatile(product);
  const { label } = product;
  const { activity, tooDamp } = labelActivity(label.rhPct, defaults.water, defaults.sandPhi);
  const mechanism = mechanismOf(product.family);
  const reacts = mechanism === "reaction" || mechanism === "oxidation" || mechanism === "light";
  const trial: LabelTrial = {
    times,
    phi0,
    solidsUm: label.wftUm * (1 - phi0),
    coats: label.coats,
    gapMin: label.coats > 1 ? (label.gapMin ?? ownGapMin(product)) : 0,
    tempC: label.tempC,
    activity,
    sandPhi: defaults.sandPhi,
    sandMin: reacts ? Math.min(times.sandable.min, SOLVENT_GONE_OF_TOUCH * times.touch.min) : times.sandable.min,
    reacts,
  };
  const start: Substance = {
    kUmMin: defaults.kUmMin,
    d0Um2Min: 1,
    beta: defaults.beta,
    diffusionJ: defaults.diffusionJ,
    evaporationJ: defaults.evaporationJ,
    activity: defaults.water ? "water" : "solvent",
    kappa: defaults.kappa,
    waterKappa: defaults.waterKappa,
    phiFormed: defaults.phiFormed,
    phiSettled: defaults.phiSettled,
  };
  const dries = phi0 > defaults.sandPhi + BALANCE_MARGIN_PHI && times.sandable.min > 0;
  const fit: Fit = dries ? fitDiffusion(trial, start) : { substance: start, quickened: false, fitted: true, runs: 0 };
  const clockJ = CLOCK_J[mechanism];
  const pace = arrhenius(clockJ, label.tempC);
  const read = readLabel(trial, fit.substance, pace, dries);
  const windows = label.recoat.map(([opens, shuts], i) => ({
    opensRefMin: i === 0 ? null : opens * pace,
    shutsRefMin: shuts === null ? null : shuts * pace,
  }));
  const notes: FitNote[] = [];
  if (fit.quickened) notes.push("surface-quickened");
  if (tooDamp) notes.push("label-air-too-damp");
  if (product.volumeSolids === null) notes.push("solids-assumed");
  if (!fit.fitted) notes.push("no-fit");
  return {
    key,
    substance: fit.substance,
    phi0,
    sandPhi: defaults.sandPhi,
    mechanism,
    clockJ,
    cureRate:
      mechanism === "reaction" || mechanism === "oxidation"
        ? -Math.log(1 - ALPHA_CURED) / (times.cured.min * pace)
        : null,
    labelDftUm: trial.solidsUm * trial.coats,
    labelCoatUm: trial.solidsUm,
    labelAir: { tempC: label.tempC, rhPct: 100 * activity, airflowMS: STILL_AIR_M_S },
    recoatOpensRefMin: times.recoat.min * pace,
    lightDepthUm: mechanism === "light" ? (product.cureDepthUm ?? null) : null,
    gauges: read.gauges,
    windows,
    curedWet: defaults.water,
    notes,
    runs: fit.runs + read.runs,
  };
}

interface Reading {
  readonly gauges: Record<FilmMilestone, Gauge>;
  readonly runs: number;
}

function readLabel(t: LabelTrial, substance: Substance, pace: number, dries: boolean): Reading {
  const balancePhi = phiOf(equilibriumRatio(substance.activity, t.activity));
  // a film's late states lie so near its balance that a slightly damper room, or the breath of a dry film below, would keep
  // it from them for days: from a margin on they are hardening
  const water = substance.activity === "water";
  const minOf = (m: FilmMilestone): number =>
    m === "dust-free" ? DUST_FREE_OF_TOUCH * t.times.touch.min : t.times[m].min;
  const early = slowestCoat(t, substance, EARLY_MILESTONES.map(minOf));
  const phiAtTouch = early.get(minOf("touch")) ?? 0;
  const touchPhi = dries && phiAtTouch > balancePhi + BALANCE_MARGIN_PHI ? phiAtTouch : null;
  const late = MILESTONES.filter((m) => !(EARLY_MILESTONES as readonly string[]).includes(m));
  const lastMin = lastCoatMin(t);
  const run = labelRun(
    t,
    substance,
    t.coats,
    late.filter((m) => m !== "cured").map((m) => lastMin + minOf(m)),
    touchPhi,
  );
  const later = new Map(run.samples.map((s) => [s.atMin, s]));
  const touchAfterMin =
    touchPhi === null ? minOf("touch") : Math.max(minOf("touch"), (run.reachedMin[0] ?? 0) - lastMin);

  const gaugeOf = (m: FilmMilestone): Gauge => {
    const isEarly = (EARLY_MILESTONES as readonly string[]).includes(m);
    const measure = isEarly || m === "handle" ? ("top-mean" as const) : ("largest" as const);
    const sample = later.get(lastMin + minOf(m));
    const sandable = m === "sandable" || floorHolds(t.times, m);
    const lateMean = measure === "top-mean" ? (sample?.meanPhiTop ?? 0) : (sample?.topFilmPhi ?? 0);
    const phi = isEarly ? (early.get(minOf(m)) ?? 0) : lateMean;
    const deep = !isEarly && (water || m !== "handle");
    const margin = deep ? LATE_MARGIN_PHI : BALANCE_MARGIN_PHI;
    // what a reacting film is asked after its solvent has gone is chemistry
    const reopens = m === "recoat" && minOf(m) > SOLVENT_GONE_OF_TOUCH * t.times.touch.min;
    const chemistry = t.reacts && ((!isEarly && m !== "handle") || reopens);
    const drying = dries && m !== "cured" && phi > balancePhi + margin && (!chemistry || m === "sandable");
    // sandable is what D0 was fitted to: the film by its own limit
    const own = drying && m !== "sandable" ? { measure, phi } : null;
    const labelMin = (isEarly && own) || (!isEarly && drying && !t.reacts) ? minOf(m) : 0;
    if (t.reacts) {
      const byClock = chemistry || !drying;
      return { drying: own, labelMin, clock: byClock ? { from: "coat", refMin: minOf(m) * pace } : null, sandable };
    }
    if (drying) return { drying: own, labelMin, clock: null, sandable };
    const fromTouch = touchPhi !== null && minOf(m) > touchAfterMin;
    const clockMin = fromTouch ? minOf(m) - touchAfterMin : minOf(m);
    return { drying: null, labelMin, clock: { from: fromTouch ? "touch" : "coat", refMin: clockMin * pace }, sandable };
  };
  const gauges = Object.fromEntries(FILM_MILESTONES.map((m) => [m, gaugeOf(m)])) as Record<FilmMilestone, Gauge>;
  return { gauges, runs: t.coats + 1 };
}

/**
 * Mean φ of the top coat at each of the label's early times, by minute: of whichever of its own coats is then the wettest, so
 * that none comes later than the label says. For coat k the label's application is stopped after coat k.
 */
function slowestCoat(t: LabelTrial, substance: Substance, atMin: readonly number[]): ReadonlyMap<number, number> {
  const wettest = new Map<number, number>();
  for (let coats = 1; coats <= t.coats; coats++) {
    const lastMin = (coats - 1) * t.gapMin;
    const samples = sampled(
      t,
      substance,
      coats,
      atMin.map((m) => lastMin + m),
    );
    for (const m of atMin) {
      const phi = samples.find((s) => s.atMin === lastMin + m)?.meanPhiTop ?? 0;
      wettest.set(m, Math.max(phi, wettest.get(m) ?? 0));
    }
  }
  return wettest;
}

function floorHolds(times: LabelTimes, m: FilmMilestone): boolean {
  const floor = m === "dust-free" ? undefined : FLOORS[m];
  return floor !== undefined && times[floor].min <= times[m as Milestone].min;
}

function labelRun(
  t: LabelTrial,
  substance: Substance,
  coats: number,
  atMin: readonly number[],
  touchPhi: number | null,
): FilmRun {
  const points = [...new Set(atMin)].sort((a, b) => a - b);
  const last = (coats - 1) * t.gapMin;
  return runFilm(eventsOf(t, substance, coats), weatherOf(t), points.at(-1)! + 1, {
    sampleMin: points,
    watches: touchPhi === null ? [] : [{ measure: topMeanBelow(touchPhi), fromMin: last }],
    toTheEnd: true,
  });
}

function sampled(t: LabelTrial, substance: Substance, coats: number, atMin: readonly number[]): readonly FilmSample[] {
  const run = labelRun(t, substance, coats, atMin, null);
  assert(run.outcome === "ran", "a label's own coats run to their end");
  return run.samples;
}

/** Volatile share a film keeps in air of this activity, however long it is left. */
export const balancePhi = (film: FittedFilm, activity: number): number =>
  phiOf(equilibriumRatio(film.substance.activity, activity));
