import type { AirPoint } from "../model";
import type { Climate } from "./climate";
import { airAt } from "./climate";
import { type RateLaw, rateIn } from "./rates";

/** "If a wait of this many reference minutes starts at t, when is it over?" */
export interface WaitClock {
  readonly fromMin: number;
  readonly toMin: number;
  /** absolute minute at which `refMin` minutes of reference drying have passed since `startMin`; null = beyond the horizon */
  reach(law: RateLaw, startMin: number, refMin: number): number | null;
  /** reference minutes of drying between two moments */
  elapsedRef(law: RateLaw, startMin: number, endMin: number): number;
}

const GRID_MIN = 5;

/** Prefix sums of every rate law over the climate: O(log n) a question. Invariant: prefix[i] is the integral up to fromMin + i·GRID_MIN, strictly rising. */
export function prefixClock(climate: Climate, firstMin: number, toMin: number): WaitClock {
  // climates have their points on multiples of the grid, so that the kinks between them fall on cell edges
  const fromMin = Math.floor(firstMin / GRID_MIN) * GRID_MIN;
  const cells = Math.ceil((toMin - fromMin) / GRID_MIN);
  const air = sampled(climate, fromMin, cells);
  const prefix = new Map<RateLaw, Float64Array>();
  const sums = (law: RateLaw): Float64Array => {
    const known = prefix.get(law);
    if (known) return known;
    const made = integrate(air, law);
    prefix.set(law, made);
    return made;
  };
  const at = (p: Float64Array, t: number): number => {
    const x = Math.min(Math.max((t - fromMin) / GRID_MIN, 0), cells);
    const i = Math.min(Math.floor(x), cells - 1);
    return p[i]! + (x - i) * (p[i + 1]! - p[i]!);
  };
  return {
    fromMin,
    toMin,
    elapsedRef: (law, a, b) => at(sums(law), b) - at(sums(law), a),
    reach(law, startMin, refMin) {
      if (refMin <= 0) return startMin;
      const p = sums(law);
      const target = at(p, startMin) + refMin;
      if (target > p[cells]!) return null;
      return fromMin + GRID_MIN * invert(p, target);
    },
  };
}

/** Air at the edges and middles of the cells: 2·cells + 1 points, half a grid step apart; shared by every law. */
function sampled(climate: Climate, fromMin: number, cells: number): readonly AirPoint[] {
  const air: AirPoint[] = new Array(2 * cells + 1);
  for (let k = 0; k < air.length; k++) air[k] = airAt(climate, fromMin + (k * GRID_MIN) / 2);
  return air;
}

/** Simpson's rule in every cell: fourth order where the rate is smooth. */
function integrate(air: readonly AirPoint[], law: RateLaw): Float64Array {
  const p = new Float64Array((air.length + 1) / 2);
  let before = rateIn(law, air[0]!);
  for (let i = 0; i + 1 < p.length; i++) {
    const middle = rateIn(law, air[2 * i + 1]!);
    const after = rateIn(law, air[2 * i + 2]!);
    p[i + 1] = p[i]! + ((before + 4 * middle + after) / 6) * GRID_MIN;
    before = after;
  }
  return p;
}

/** Fractional index at which the rising, piecewise linear `p` equals `target`. */
function invert(p: Float64Array, target: number): number {
  let lo = 0;
  let hi = p.length - 1;
  while (hi - lo > 1) {
    const mid = (lo + hi) >> 1;
    if (p[mid]! <= target) lo = mid;
    else hi = mid;
  }
  return lo + (target - p[lo]!) / (p[hi]! - p[lo]!);
}

/**
 * The same answers by stepping minute by minute through the air: plain, and what finished plans are checked
 * with. Remembers the rate of each whole minute it has looked at; keeps no sums.
 */
export function steppingClock(climate: Climate, fromMin: number, toMin: number): WaitClock {
  const known = new Map<RateLaw, Map<number, number>>();
  const rate = (law: RateLaw, t: number): number => {
    const minute = Math.floor(t);
    const own = known.get(law) ?? new Map<number, number>();
    known.set(law, own);
    const r = own.get(minute) ?? rateIn(law, airAt(climate, minute + 0.5));
    own.set(minute, r);
    return r;
  };
  return {
    fromMin,
    toMin,
    elapsedRef(law, a, b) {
      let sum = 0;
      for (let t = a; t < b; t += 1) sum += rate(law, t) * Math.min(1, b - t);
      return sum;
    },
    reach(law, startMin, refMin) {
      let left = refMin;
      for (let t = startMin; t <= toMin; t += 1) {
        const r = rate(law, t);
        if (left <= r) return t + left / r;
        left -= r;
      }
      return null;
    },
  };
}

/** Reference minutes that `labelMin` minutes in the label's own air are worth, by law. */
export function labelToRefMin(
  law: RateLaw,
  labelMin: number,
  labelAir: { tempC: number; rhPct: number; airflowMS: number },
): number {
  return labelMin * rateIn(law, labelAir);
}
