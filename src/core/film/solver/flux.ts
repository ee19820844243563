import type { Pile } from "./pile";
import {
  activityAt,
  activitySlope,
  equilibriumRatio,
  POTENTIAL_CELLS,
  type Potential,
  potentialAt,
  potentialSlope,
} from "./substance";

/** Everything one right-hand side and its Jacobian write to; lengths ≥ cells of the pile. */
export interface Work {
  /** dissolved potential and its slope in each cell, of the last evaluation */
  w: Float64Array;
  g: Float64Array;
  /** du/dt, 1/min */
  f: Float64Array;
  /** Jacobian: below, on and above the diagonal, 1/min */
  lower: Float64Array;
  diag: Float64Array;
  upper: Float64Array;
  /** flux out of the top, µm/min, and its derivative by the top cell's u */
  out: number;
  outSlope: number;
  /** last surface ratio, where the next search for it starts */
  surface: number;
  /** the same for the meeting of each coat with the next, as potential u/κ */
  meet: Float64Array;
}

/** The air as the film feels it at one moment. */
export interface FilmAir {
  /** diffusion rate of each coat against 20 °C, by coat index */
  readonly diffusion: Float64Array;
  /** evaporation rate of the top coat against 20 °C and still air, airflow included */
  evaporation: number;
  /** activity of water in the air at the part's own temperature */
  activity: number;
}

const NEWTON_MAX = 30;
/** The next step of Newton's would be its square. */
const NEWTON_TOLERANCE = 1e-6;

/** Surface ratio where A·(w − G(s)) = E·(a(s) − a∞): Newton inside a bracket that always holds the root. */
function surfaceRatio(p: Potential, law: Parameters<typeof activityAt>[0], c: Surface, start: number): number {
  let lo = Math.min(c.u, c.balance);
  let hi = Math.max(c.u, c.balance);
  let s = start > lo && start < hi ? start : c.u;
  for (let i = 0; i < NEWTON_MAX; i++) {
    const value = c.conduct * (c.w - potentialAt(p, s)) - c.exchange * (activityAt(law, s) - c.aAir);
    if (value > 0) lo = s;
    else hi = s;
    const slope = -c.conduct * potentialSlope(p, s) - c.exchange * activitySlope(law, s);
    let next = s - value / slope;
    if (!(next > lo && next < hi)) next = (lo + hi) / 2;
    const step = Math.abs(next - s);
    s = next;
    if (step <= NEWTON_TOLERANCE * (1 + s)) break;
  }
  return s;
}
interface Surface {
  readonly u: number;
  readonly w: number;
  readonly balance: number;
  readonly conduct: number;
  readonly exchange: number;
  readonly aAir: number;
}

/** Potential v = u/κ shared by both sides where two unlike films meet; the flux is the same from either side. */
function meetingPotential(below: Side, above: Side, start: number): number {
  let lo = Math.min(below.u / below.kappa, above.u / above.kappa);
  let hi = Math.max(below.u / below.kappa, above.u / above.kappa);
  let v = start > lo && start < hi ? start : (lo + hi) / 2;
  for (let i = 0; i < NEWTON_MAX; i++) {
    const value =
      below.conduct * (below.w - potentialAt(below.p, below.kappa * v)) +
      above.conduct * (above.w - potentialAt(above.p, above.kappa * v));
    if (value > 0) lo = v;
    else hi = v;
    const slope =
      -below.conduct * below.kappa * potentialSlope(below.p, below.kappa * v) -
      above.conduct * above.kappa * potentialSlope(above.p, above.kappa * v);
    let next = v - value / slope;
    if (!(next > lo && next < hi)) next = (lo + hi) / 2;
    const step = Math.abs(next - v);
    v = next;
    if (step <= NEWTON_TOLERANCE * (1 + Math.abs(v))) break;
  }
  return v;
}
interface Side {
  readonly u: number;
  readonly w: number;
  readonly p: Potential;
  readonly kappa: number;
  /** D0·rate over half the cell, µm/min */
  readonly conduct: number;
}

/**
 * Fluxes, du/dt and the tridiagonal Jacobian of a pile at `u` (finite volumes, second order in the cell; conservative:
 * what leaves one cell enters the next). Inside a film the flux is the difference of Kirchhoff potentials, where unlike
 * films meet both sides are solved for one u/κ, at the top for the surface value where diffusion feeds evaporation.
 */
export function evaluate(pile: Pile, u: Float64Array, air: FilmAir, work: Work, withJacobian: boolean): void {
  const { n, h, coats } = pile;
  const { f, w, g, lower, diag, upper } = work;
  f.fill(0, 0, n);
  if (withJacobian) {
    diag.fill(0, 0, n);
    lower.fill(0, 0, n);
    upper.fill(0, 0, n);
  }
  for (let c = 0; c < coats.length; c++) {
    const coat = coats[c]!;
    const { potential } = coat;
    const d = coat.substance.d0Um2Min * coat.mobility * air.diffusion[c]!;
    const { first, last } = coat;
    dissolve(potential, u, w, g, first, last);
    for (let i = first; i < last - 1; i++) {
      const hi = h[i]!;
      const hj = h[i + 1]!;
      const conduct = (2 * d) / (hi + hj);
      const flux = conduct * (w[i]! - w[i + 1]!);
      f[i]! -= flux / hi;
      f[i + 1]! += flux / hj;
      if (withJacobian) pass(work, i, hi, hj, conduct * g[i]!, -conduct * g[i + 1]!);
    }
  }
  for (let c = 0; c + 1 < coats.length; c++) joinCoats(pile, u, air, work, c, withJacobian);
  openTop(pile, u, air, work, withJacobian);
}

/** Potential and slope of cells [first, last): `potentialAt` and `potentialSlope` in one pass, where most of the time goes. */
function dissolve(p: Potential, u: Float64Array, w: Float64Array, g: Float64Array, first: number, last: number): void {
  const { at, slopeAbove } = p;
  const top = at[POTENTIAL_CELLS]!;
  for (let i = first; i < last; i++) {
    const v = u[i]!;
    if (v > 0 && v < 1) {
      const x = v * POTENTIAL_CELLS;
      const k = x | 0;
      const low = at[k]!;
      const rise = at[k + 1]! - low;
      w[i] = low + (x - k) * rise;
      g[i] = rise * POTENTIAL_CELLS;
    } else {
      w[i] = v <= 0 ? v : top + slopeAbove * (v - 1);
      g[i] = v <= 0 ? 1 : slopeAbove;
    }
  }
}

/** Enters the derivatives of a flux from cell i to i + 1 into the Jacobian. */
function pass(work: Work, i: number, hi: number, hj: number, byBelow: number, byAbove: number): void {
  work.diag[i]! -= byBelow / hi;
  work.upper[i]! -= byAbove / hi;
  work.lower[i + 1]! += byBelow / hj;
  work.diag[i + 1]! += byAbove / hj;
}

function joinCoats(pile: Pile, u: Float64Array, air: FilmAir, work: Work, c: number, withJacobian: boolean): void {
  const { h, coats } = pile;
  const { w, g, f } = work;
  const a = coats[c]!;
  const b = coats[c + 1]!;
  const i = a.last - 1;
  const j = b.first;
  const hi = h[i]!;
  const hj = h[j]!;
  const da = a.substance.d0Um2Min * a.mobility * air.diffusion[c]!;
  const db = b.substance.d0Um2Min * b.mobility * air.diffusion[c + 1]!;
  let flux: number;
  let byBelow: number;
  let byAbove: number;
  if (a.substance === b.substance && a.kappa === b.kappa && a.mobility === b.mobility) {
    const conduct = (2 * da) / (hi + hj);
    flux = conduct * (w[i]! - w[j]!);
    byBelow = conduct * g[i]!;
    byAbove = -conduct * g[j]!;
  } else {
    const below: Side = { u: u[i]!, w: w[i]!, p: a.potential, kappa: a.kappa, conduct: (2 * da) / hi };
    const above: Side = { u: u[j]!, w: w[j]!, p: b.potential, kappa: b.kappa, conduct: (2 * db) / hj };
    const v = meetingPotential(below, above, work.meet[c]!);
    work.meet[c] = v;
    flux = below.conduct * (below.w - potentialAt(below.p, below.kappa * v));
    const fromBelow = below.conduct * below.kappa * potentialSlope(below.p, below.kappa * v);
    const fromAbove = above.conduct * above.kappa * potentialSlope(above.p, above.kappa * v);
    const sum = fromBelow + fromAbove;
    byBelow = (below.conduct * g[i]! * fromAbove) / sum;
    byAbove = (-above.conduct * g[j]! * fromBelow) / sum;
  }
  f[i]! -= flux / hi;
  f[j]! += flux / hj;
  if (withJacobian) pass(work, i, hi, hj, byBelow, byAbove);
}

function openTop(pile: Pile, u: Float64Array, air: FilmAir, work: Work, withJacobian: boolean): void {
  const { n, h, coats } = pile;
  const i = n - 1;
  const top = coats[coats.length - 1]!;
  const { activity: law, kUmMin, d0Um2Min } = top.substance;
  const aAir = law === "water" ? Math.min(air.activity, 1) : 0;
  const c: Surface = {
    u: u[i]!,
    w: work.w[i]!,
    balance: equilibriumRatio(law, aAir),
    conduct: (2 * d0Um2Min * air.diffusion[coats.length - 1]!) / h[i]!,
    exchange: kUmMin * air.evaporation,
    aAir,
  };
  const s = surfaceRatio(top.potential, law, c, work.surface);
  work.surface = s;
  work.out = c.exchange * (activityAt(law, s) - aAir);
  work.f[i]! -= work.out / h[i]!;
  const give = c.conduct * potentialSlope(top.potential, s);
  const take = c.exchange * activitySlope(law, s);
  work.outSlope = (c.conduct * work.g[i]! * take) / (give + take);
  if (withJacobian) work.diag[i]! -= work.outSlope / h[i]!;
}

export const makeWork = (cells: number, coats: number): Work => ({
  w: new Float64Array(cells),
  g: new Float64Array(cells),
  f: new Float64Array(cells),
  lower: new Float64Array(cells),
  diag: new Float64Array(cells),
  upper: new Float64Array(cells),
  out: 0,
  outSlope: 0,
  surface: 0,
  meet: new Float64Array(coats),
});
