import { assert } from "./assert";

/**
 * Standard normal cumulative distribution, absolute error below 1.5e-7 for all x.
 * Source: Abramowitz & Stegun, Handbook of Mathematical Functions, 7.1.26.
 */
export function normalCdf(x: number): number {
  const z = Math.abs(x) / Math.SQRT2;
  const t = 1 / (1 + 0.3275911 * z);
  const poly = t * (0.254829592 + t * (-0.284496736 + t * (1.421413741 + t * (-1.453152027 + t * 1.061405429))));
  const erf = 1 - poly * Math.exp(-z * z);
  return x >= 0 ? (1 + erf) / 2 : (1 - erf) / 2;
}

/**
 * Inverse of `normalCdf` by bisection; p in (0, 1), result within ±8 and 1e-9 of the root.
 * @throws InvariantError when p is not strictly between 0 and 1
 */
export function normalQuantile(p: number): number {
  assert(p > 0 && p < 1, `quantile asked at p=${p}`);
  let lo = -8;
  let hi = 8;
  while (hi - lo > 1e-9) {
    const mid = (lo + hi) / 2;
    if (normalCdf(mid) < p) lo = mid;
    else hi = mid;
  }
  return (lo + hi) / 2;
}
