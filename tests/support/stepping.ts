import { airAt, type Climate, type RateLaw, rateIn, type WaitClock } from "@/core/film";

/**
 * The same answers by stepping minute by minute through the air: plain, and what the running sums are checked
 * against. Remembers the rate of each whole minute it has looked at; keeps no sums.
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
