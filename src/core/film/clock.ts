import type { AirPoint } from "../model";
import type { Climate } from "./climate";
import { airAlong } from "./climate";
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

/**
 * Prefix sums of every rate law over the climate, reckoned as far as anybody has asked: O(log n) a question. Before the climate's
 * first point and after its last the air stands still and the sum is a line: a clock that begins years before costs no more.
 */
export function prefixClock(climate: Climate, firstMin: number, toMin: number): WaitClock {
  // climates have their points on multiples of the grid, so that the kinks between them fall on cell edges
  const fromMin = onGrid(firstMin);
  const sums = new Map<RateLaw, RunningSum>();
  const sumOf = (law: RateLaw): RunningSum => {
    const known = sums.get(law) ?? new RunningSum(climate, law, fromMin, toMin);
    sums.set(law, known);
    return known;
  };
  return {
    fromMin,
    toMin,
    elapsedRef: (law, a, b) => sumOf(law).at(b) - sumOf(law).at(a),
    reach(law, startMin, refMin) {
      if (refMin <= 0) return startMin;
      const sum = sumOf(law);
      return sum.when(sum.at(startMin) + refMin);
    },
  };
}

const onGrid = (min: number): number => Math.floor(min / GRID_MIN) * GRID_MIN;

/** Cells reckoned at a time: a day. */
const CHUNK_CELLS = 288;

/** The integral of one law's rate over [fromMin, toMin], by Simpson's rule in every cell that has changing air (fourth order where it is smooth). */
class RunningSum {
  /** where the air begins to change */
  private readonly gridMin: number;
  private readonly cells: number;
  /** p[i] is the integral from gridMin to gridMin + i·GRID_MIN; valid and strictly rising for i ≤ filled */
  private readonly p: Float64Array;
  private filled = 0;
  private readonly airAt: (atMin: number) => AirPoint;

  constructor(
    climate: Climate,
    private readonly law: RateLaw,
    private readonly fromMin: number,
    private readonly toMin: number,
  ) {
    this.airAt = airAlong(climate);
    const { points } = climate;
    const least = onGrid(points[0]!.atMin);
    const most = Math.ceil(points.at(-1)!.atMin / GRID_MIN) * GRID_MIN;
    this.gridMin = Math.min(Math.max(fromMin, least), Math.max(fromMin, toMin));
    this.cells = Math.max(0, Math.ceil((Math.min(toMin, most) - this.gridMin) / GRID_MIN));
    this.p = new Float64Array(this.cells + 1);
  }

  at(atMin: number): number {
    const t = Math.min(Math.max(atMin, this.fromMin), this.toMin);
    if (t <= this.gridMin) return (t - this.gridMin) * this.rate(0);
    const x = (t - this.gridMin) / GRID_MIN;
    while (this.filled < Math.min(Math.ceil(x), this.cells)) this.extend();
    if (x >= this.cells) return this.p[this.cells]! + (x - this.cells) * GRID_MIN * this.rate(this.cells);
    const i = Math.floor(x);
    return this.p[i]! + (x - i) * (this.p[i + 1]! - this.p[i]!);
  }

  /** Absolute minute at which the integral reaches `target`; null = beyond the horizon. */
  when(target: number): number | null {
    if (target <= 0) return this.gridMin + target / this.rate(0);
    while (this.p[this.filled]! < target) {
      if (this.filled === this.cells) return this.afterwards(target);
      this.extend();
    }
    return this.gridMin + GRID_MIN * invert(this.p, this.filled, target);
  }

  private afterwards(target: number): number | null {
    const last = this.gridMin + this.cells * GRID_MIN;
    const atMin = last + (target - this.p[this.cells]!) / this.rate(this.cells);
    return atMin <= this.toMin ? atMin : null;
  }

  private extend(): void {
    const end = Math.min(this.filled + CHUNK_CELLS, this.cells);
    let before = this.rate(this.filled);
    for (let i = this.filled; i < end; i++) {
      const after = this.rate(i + 1);
      this.p[i + 1] = this.p[i]! + ((before + 4 * this.rate(i + 0.5) + after) / 6) * GRID_MIN;
      before = after;
    }
    this.filled = end;
  }

  private rate(cell: number): number {
    return rateIn(this.law, this.airAt(this.gridMin + cell * GRID_MIN));
  }
}

/** Fractional index at which `p`, rising and piecewise linear up to index `last`, equals `target`. */
function invert(p: Float64Array, last: number, target: number): number {
  let lo = 0;
  let hi = last;
  while (hi - lo > 1) {
    const mid = (lo + hi) >> 1;
    if (p[mid]! <= target) lo = mid;
    else hi = mid;
  }
  return lo + (target - p[lo]!) / (p[hi]! - p[lo]!);
}

/** The clock of air that never changes: closed form, and the quickest of them. Used where a stack is judged before it is planned. */
export function steadyClock(air: Omit<AirPoint, "atMin">, fromMin: number, toMin: number): WaitClock {
  const rates = new Map<RateLaw, number>();
  const rateOf = (law: RateLaw): number => {
    const known = rates.get(law) ?? rateIn(law, air);
    rates.set(law, known);
    return known;
  };
  return {
    fromMin,
    toMin,
    elapsedRef: (law, a, b) => (b - a) * rateOf(law),
    reach(law, startMin, refMin) {
      const end = startMin + Math.max(0, refMin) / rateOf(law);
      return end <= toMin ? end : null;
    },
  };
}
