import { assert } from "./assert";

/**
 * Root of a function that changes sign once in [lo, hi], by bisection to within `tolerance` of the root.
 * @throws InvariantError when both ends have the same sign
 */
export function bisect(f: (x: number) => number, lo: number, hi: number, tolerance: number): number {
  const rising = f(lo) < 0;
  assert(rising ? f(hi) >= 0 : f(hi) <= 0, "bisect needs a change of sign");
  let [a, b] = [lo, hi];
  while (b - a > tolerance) {
    const mid = (a + b) / 2;
    if (f(mid) < 0 === rising) a = mid;
    else b = mid;
  }
  return (a + b) / 2;
}
