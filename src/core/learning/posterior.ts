/**
 * What looks at the bench tell of a shed's waits. A true time is t = g · t_model, ln g = s + p: s the shed's part, shared by every
 * product, p the product's own. Priors s ~ N(0, 0.20²), p ~ N(0, 0.29²) (est.); a look scatters by 0.12 times Student's t with four
 * degrees of freedom (est.), so that one careless note does not carry the day. Integrated on grids, the same for the same looks.
 */

import { studentCdf, studentPdf } from "../base";
import type { Pace } from "../model";
import { COAT_SCATTER, PRODUCT_SD, SHED_SD } from "../reference";

/** One look: what it tells of the true time, minutes since the coat. At least one bound, or the moment it was seen to turn. */
export interface Look {
  readonly productId: string;
  /** what the film model says in that air, for that film, minutes */
  readonly predictedMin: number;
  /** not yet then; null = nobody looked before */
  readonly afterMin: number | null;
  /** reached by then; null = not seen to be */
  readonly byMin: number | null;
  /** seen just as it turned; beats the bounds */
  readonly atMin: number | null;
}

/** How a time factor lies, by its quantiles. */
export interface Factor {
  readonly median: number;
  readonly p10: number;
  readonly p90: number;
}
interface ProductFactor extends Factor {
  readonly productId: string;
  readonly looks: number;
}
export interface Learnt {
  /** the shed's own part, exp(s) */
  readonly shed: Factor;
  readonly products: readonly ProductFactor[];
}

const BOTH_SD = Math.hypot(SHED_SD, PRODUCT_SD);
/** Grids reach so many deviations to each side. */
const REACH = 5.5;
const SHED_STEPS = 121;
const COARSE_STEPS = 121;
const FINE_STEPS = 101;
/** What is so much less likely than the likeliest, in logarithms, is left out of the fine grid. */
const NEGLECTED = 22;

/** A weight so far below the largest, which is one, changes nothing: no spread of products lifts it above a millionth. */
const NOTHING = 1e-13;

/**
 * Weights on one grid as they are seen from every point of another through the spread of products: Σ w · N(x − at), up to a constant.
 * N(x − a) = e^(kx²) e^(ka²) e^(−2kxa), and on even steps the last factor goes on by multiplying: no exponential is taken a pair.
 */
function smoothed(to: Grid, from: Grid, weights: readonly number[]): readonly number[] {
  const k = -0.5 / PRODUCT_SD ** 2;
  const sums = new Array<number>(to.at.length).fill(0);
  for (let j = 0; j < from.at.length; j++) {
    const w = weights[j]!;
    if (w < NOTHING) continue;
    const a = from.at[j]!;
    let cross = w * Math.exp(k * a * a - 2 * k * to.at[0]! * a);
    const ratio = Math.exp(-2 * k * to.step * a);
    for (let i = 0; i < sums.length; i++) {
      sums[i]! += cross;
      cross *= ratio;
    }
  }
  return sums.map((sum, i) => sum * Math.exp(k * to.at[i]! ** 2));
}
const LEAST = 1e-300;

/** A look's bounds against what was predicted, in logarithms. */
type Bounds = readonly [after: number | null, by: number | null, at: number | null];
const boundsOf = ({ predictedMin, afterMin, byMin, atMin }: Look): Bounds => {
  const ln = (min: number | null) => (min === null ? null : Math.log(min / predictedMin));
  return [ln(afterMin), ln(byMin), ln(atMin)];
};

/** Log likelihood of a product's looks where ln g is u. */
function logLikelihood(looks: readonly Bounds[], u: number): number {
  let sum = 0;
  // single likelihoods are multiplied as long as the product can be told from nought: a logarithm each would be most of the work
  let product = 1;
  for (const [after, by, at] of looks) {
    if (at !== null) product *= studentPdf((at - u) / COAT_SCATTER);
    else {
      const lo = after === null ? Number.NEGATIVE_INFINITY : (after - u) / COAT_SCATTER;
      const hi = by === null ? Number.POSITIVE_INFINITY : (by - u) / COAT_SCATTER;
      // far in a tail the difference of two numbers near one says nothing any more: there the mirrored one does
      product *=
        lo > 0
          ? (after === null ? 1 : studentCdf(-lo)) - (by === null ? 0 : studentCdf(-hi))
          : (by === null ? 1 : studentCdf(hi)) - (after === null ? 0 : studentCdf(lo));
    }
    if (product < SMALL) {
      sum += Math.log(Math.max(LEAST, product));
      product = 1;
    }
  }
  return sum + Math.log(product);
}
const SMALL = 1e-100;

interface Grid {
  readonly at: readonly number[];
  readonly step: number;
}
const grid = (from: number, to: number, steps: number): Grid => {
  const step = (to - from) / (steps - 1);
  return { at: Array.from({ length: steps }, (_, i) => from + i * step), step };
};

const SHED = grid(-REACH * SHED_SD, REACH * SHED_SD, SHED_STEPS);

/** The likelihood of one product on a grid fine where it matters, and what it tells of the shed's part. */
interface Told {
  readonly u: Grid;
  /** relative to the likeliest */
  readonly likelihood: readonly number[];
  /** ∫ N(u − s) L(u) du over the shed's grid, relative */
  readonly ofShed: readonly number[];
}

/** Told before, by the last of a product's looks: one look more asks anew of its own product and of no other. */
const told = new WeakMap<Look, { readonly looks: readonly Look[]; readonly told: Told }>();

function tell(own: readonly Look[]): Told {
  const last = own.at(-1)!;
  const known = told.get(last);
  if (known && known.looks.length === own.length && known.looks.every((l, i) => l === own[i])) return known.told;
  const made = toldAnew(own);
  told.set(last, { looks: own, told: made });
  return made;
}

function toldAnew(own: readonly Look[]): Told {
  const looks = own.map(boundsOf);
  const coarse = grid(-REACH * BOTH_SD, REACH * BOTH_SD, COARSE_STEPS);
  const score = coarse.at.map((u) => logLikelihood(looks, u) - 0.5 * (u / BOTH_SD) ** 2);
  const most = Math.max(...score);
  const kept = coarse.at.filter((_, i) => score[i]! > most - NEGLECTED);
  const u = grid(kept[0]! - coarse.step, kept.at(-1)! + coarse.step, FINE_STEPS);
  const logs = u.at.map((x) => logLikelihood(looks, x));
  const top = Math.max(...logs);
  const likelihood = logs.map((l) => Math.exp(l - top));
  const ofShed = smoothed(SHED, u, likelihood);
  return { u, likelihood, ofShed };
}

/** Quantiles of what lies on a grid, a weight spread over its step. @param shares rising, each in (0, 1) */
function quantilesOf({ at, step }: Grid, weights: readonly number[], shares: readonly number[]): readonly number[] {
  const total = weights.reduce((a, b) => a + b, 0);
  let below = 0;
  let i = 0;
  return shares.map((q) => {
    while (i < at.length - 1 && below + weights[i]! / total < q) below += weights[i++]! / total;
    const own = weights[i]! / total;
    return own > 0 ? at[i]! - step / 2 + (step * (q - below)) / own : at[i]!;
  });
}

function factorOf(on: Grid, weights: readonly number[]): Factor {
  const [p10, median, p90] = quantilesOf(on, weights, [0.1, 0.5, 0.9]).map(Math.exp) as [number, number, number];
  return { median, p10, p90 };
}

/** Where a product's ln g lies, given all looks of the shed. */
interface Spread {
  readonly u: Grid;
  readonly weights: readonly number[];
}

function posterior(looks: readonly Look[], ids: readonly string[]) {
  const byProduct = new Map<string, Look[]>();
  for (const l of looks) byProduct.set(l.productId, [...(byProduct.get(l.productId) ?? []), l]);
  const all = new Map([...byProduct].map(([id, own]) => [id, tell(own)]));
  // in logarithms: a hundred products multiply to nothing otherwise
  const logShed = SHED.at.map((s, i) => {
    let sum = -0.5 * (s / SHED_SD) ** 2;
    for (const t of all.values()) sum += Math.log(Math.max(LEAST, t.ofShed[i]!));
    return sum;
  });
  const relative = (logs: readonly number[]): readonly number[] => {
    const most = Math.max(...logs);
    return logs.map((l) => Math.exp(l - most));
  };
  const spreadOf = (id: string): Spread => {
    const own = all.get(id);
    // what the others tell of the shed, and its own looks once
    const others = own ? logShed.map((l, i) => l - Math.log(Math.max(LEAST, own.ofShed[i]!))) : logShed;
    const shed = relative(others);
    const u = own?.u ?? grid(-REACH * BOTH_SD, REACH * BOTH_SD, FINE_STEPS);
    const weights = smoothed(u, SHED, shed).map((w, k) => w * (own ? own.likelihood[k]! : 1));
    return { u, weights };
  };
  return {
    shed: factorOf(SHED, relative(logShed)),
    spreads: new Map(ids.map((id) => [id, spreadOf(id)])),
    counts: new Map([...byProduct].map(([id, own]) => [id, own.length])),
  };
}

/** What all looks of a shed tell of it and of each product asked for; one nobody looked at is told from the shed's part. */
export function learnt(looks: readonly Look[], productIds: readonly string[]): Learnt {
  const { shed, spreads, counts } = posterior(looks, productIds);
  return {
    shed,
    products: productIds.map((productId) => {
      const { u, weights } = spreads.get(productId)!;
      return { productId, looks: counts.get(productId) ?? 0, ...factorOf(u, weights) };
    }),
  };
}

/** Equal shares of what is believed of a factor; a time reckoned from so many is off by less than 1 % (a test says so). */
const PACE_SHARES = 24;
const MIDDLES = Array.from({ length: PACE_SHARES }, (_, i) => (i + 0.5) / PACE_SHARES);
/** Finer than this a factor is no news: waits, and all that is kept of what they were reckoned from, stay as they are. */
const PACE_STEP = 0.01;

/** How each product's waits go, for whatever reckons with them. @param productIds those asked for, looked at or not */
export function pacesOf(looks: readonly Look[], productIds: readonly string[]): ReadonlyMap<string, Pace> {
  const { spreads, counts } = posterior(looks, productIds);
  const step = (x: number) => Math.round(x / PACE_STEP) * PACE_STEP;
  return new Map(
    productIds.map((id) => {
      const { u, weights } = spreads.get(id)!;
      const logFactors = quantilesOf(u, weights, MIDDLES).map((x) => Number(step(x).toFixed(2)));
      return [id, { logFactors, looks: counts.get(id) ?? 0 }];
    }),
  );
}

/** Farther from one than this, one asks whether label, thickness or hygrometer is wrong. */
const SANE = { least: 0.4, most: 2.5 } as const;
export const isStrange = ({ median }: Factor): boolean => median < SANE.least || median > SANE.most;
