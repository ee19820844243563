import { evaluate, type FilmAir, makeWork, type Work } from "./flux";
import type { Pile } from "./pile";

/**
 * One step of RODAS3 (Sandu et al., Atmos. Environ. 31 (1997) 3459): a Rosenbrock method of four stages, third order,
 * L-stable and stiffly accurate, with a second-order answer inside it whose difference is the last stage and measures
 * the error. Linear in the unknowns at every stage, so volatile is conserved to round-off without iteration.
 */
const GAMMA = 0.5;
const C21 = 4;
const C31 = 1;
const C32 = -1;
const C41 = 1;
const C42 = -1;
const C43 = -8 / 3;
/** weight of the time derivative in stages 1 and 2; nil in 3 and 4 */
const TIME_1 = 0.5;
const TIME_2 = 1.5;
/** share of the step over which the air's own change is measured */
const TIME_PROBE = 1e-3;
/** order of the error estimate plus one */
export const ERROR_POWER = 1 / 3;

export interface AirSource {
  /** fills `air` for a moment; @returns false when the air never changes */
  readonly fill: (atMin: number, air: FilmAir, pile: Pile) => void;
  readonly steady: boolean;
}

/** Scratch of one simulation, grown with its pile. */
export interface Stepper {
  readonly work: Work;
  k1: Float64Array;
  k2: Float64Array;
  k3: Float64Array;
  k4: Float64Array;
  /** f and its time derivative where the step starts */
  f0: Float64Array;
  ft: Float64Array;
  /** trial value */
  y: Float64Array;
  /** factor of the tridiagonal matrix */
  factor: Float64Array;
  pivot: Float64Array;
  readonly air: { diffusion: Float64Array; evaporation: number; activity: number };
  /** flux out and its slope where the step starts */
  out: number;
  outSlope: number;
  /** volatile released in the trial step, µm */
  released: number;
  evaluations: number;
}

export function makeStepper(cells: number, coats: number): Stepper {
  const array = () => new Float64Array(cells);
  return {
    work: makeWork(cells, Math.max(1, coats)),
    k1: array(),
    k2: array(),
    k3: array(),
    k4: array(),
    f0: array(),
    ft: array(),
    y: array(),
    factor: array(),
    pivot: array(),
    air: { diffusion: new Float64Array(Math.max(1, coats)), evaporation: 1, activity: 0 },
    out: 0,
    outSlope: 0,
    released: 0,
    evaluations: 0,
  };
}

/** Evaluates f and the Jacobian where the next step starts. Call after every accepted step and every event. */
export function begin(s: Stepper, pile: Pile, source: AirSource, atMin: number): void {
  source.fill(atMin, s.air, pile);
  evaluate(pile, pile.u, s.air, s.work, true);
  s.f0.set(s.work.f.subarray(0, pile.n));
  s.out = s.work.out;
  s.outSlope = s.work.outSlope;
  s.evaluations += 1;
}

/**
 * Tries a step of `stepMin` from (atMin, pile.u); leaves the answer in `s.y` and what left the film in `s.released`.
 * @returns the weighted error, root mean square over the pile's solids; 1 = at tolerance
 */
export function tryStep(
  s: Stepper,
  pile: Pile,
  source: AirSource,
  atMin: number,
  stepMin: number,
  tol: Tolerance,
): number {
  const { n, u } = pile;
  const { k1, k2, k3, k4, y, f0, ft, work } = s;
  const shift = 1 / (GAMMA * stepMin);
  factorise(s, n, shift);
  const slopeOut = s.outSlope;
  let outTime = 0;
  if (source.steady) {
    for (let i = 0; i < n; i++) k1[i] = f0[i]!;
  } else {
    const probe = TIME_PROBE * stepMin;
    source.fill(atMin + probe, s.air, pile);
    evaluate(pile, u, s.air, work, false);
    s.evaluations += 1;
    outTime = (work.out - s.out) / probe;
    for (let i = 0; i < n; i++) {
      ft[i] = ((work.f[i]! - f0[i]!) / probe) * stepMin;
      k1[i] = f0[i]! + TIME_1 * ft[i]!;
    }
    source.fill(atMin + stepMin, s.air, pile);
  }
  back(s, n, k1);
  const r1 = (s.out + slopeOut * k1[n - 1]! + TIME_1 * stepMin * outTime) / shift;
  const c21 = C21 / stepMin;
  if (source.steady) for (let i = 0; i < n; i++) k2[i] = f0[i]! + c21 * k1[i]!;
  else for (let i = 0; i < n; i++) k2[i] = f0[i]! + c21 * k1[i]! + TIME_2 * ft[i]!;
  back(s, n, k2);
  const r2 = (s.out + slopeOut * k2[n - 1]! + c21 * r1 + TIME_2 * stepMin * outTime) / shift;
  for (let i = 0; i < n; i++) y[i] = u[i]! + 2 * k1[i]!;
  evaluate(pile, y, s.air, work, false);
  const c31 = C31 / stepMin;
  const c32 = C32 / stepMin;
  for (let i = 0; i < n; i++) k3[i] = work.f[i]! + c31 * k1[i]! + c32 * k2[i]!;
  back(s, n, k3);
  const r3 = (work.out + slopeOut * k3[n - 1]! + c31 * r1 + c32 * r2) / shift;
  for (let i = 0; i < n; i++) y[i]! += k3[i]!;
  evaluate(pile, y, s.air, work, false);
  s.evaluations += 2;
  const c41 = C41 / stepMin;
  const c42 = C42 / stepMin;
  const c43 = C43 / stepMin;
  for (let i = 0; i < n; i++) k4[i] = work.f[i]! + c41 * k1[i]! + c42 * k2[i]! + c43 * k3[i]!;
  back(s, n, k4);
  const r4 = (work.out + slopeOut * k4[n - 1]! + c41 * r1 + c42 * r2 + c43 * r3) / shift;
  s.released = 2 * r1 + r3 + r4;
  return finish(s, pile, tol);
}

/** Adds the last stage, which is the error, to the answer. @returns its weighted size */
function finish({ y, k4 }: Stepper, { n, u, h }: Pile, tol: Tolerance): number {
  let sum = 0;
  let solids = 0;
  for (let i = 0; i < n; i++) {
    const next = y[i]! + k4[i]!;
    y[i] = next;
    const scale = tol.absolute + tol.relative * Math.max(Math.abs(u[i]!), Math.abs(next));
    const error = k4[i]! / scale;
    sum += h[i]! * error * error;
    solids += h[i]!;
  }
  return Math.sqrt(sum / solids);
}

export interface Tolerance {
  readonly relative: number;
  readonly absolute: number;
}

/** LU of shift·I − J without pivoting: J is an M-matrix up to sign, so the pivots stay positive. */
function factorise(s: Stepper, n: number, shift: number): void {
  const { lower, diag, upper } = s.work;
  const { factor, pivot } = s;
  let p = shift - diag[0]!;
  pivot[0] = 1 / p;
  for (let i = 1; i < n; i++) {
    const m = -lower[i]! * pivot[i - 1]!;
    factor[i] = m;
    p = shift - diag[i]! + m * upper[i - 1]!;
    pivot[i] = 1 / p;
  }
}

/** Solves in place. */
function back(s: Stepper, n: number, x: Float64Array): void {
  const { factor, pivot } = s;
  const { upper } = s.work;
  for (let i = 1; i < n; i++) x[i]! -= factor[i]! * x[i - 1]!;
  x[n - 1]! *= pivot[n - 1]!;
  for (let i = n - 2; i >= 0; i--) x[i] = (x[i]! + upper[i]! * x[i + 1]!) * pivot[i]!;
}
