import type { WorkKind } from "../model";
import { FORGOT_PRESS } from "../reference";

/** A piece of work as it was planned before anything was learnt, and as long as it took, minutes. */
export interface TimedWork {
  readonly kind: WorkKind;
  readonly plannedMin: number;
  readonly tookMin: number;
}

/** How long one's own hands take for a kind of work against what is reckoned. */
export interface HandsFactor {
  readonly factor: number;
  /** pieces of work it rests on */
  readonly count: number;
  /** left out: so long that somebody forgot to press, or pressed both at once */
  readonly leftOut: number;
}

/** Sooner than this share of its minutes nobody did it: begun and done were pressed in one go (est.). */
const PRESSED_IN_ONE = 0.2;
/** So many pieces of work count as much as what is reckoned: n / (n + 4). */
const PRIOR = 4;
/** Finer than this it moves no plan. */
const STEP = 0.05;

const tells = ({ plannedMin, tookMin }: TimedWork): boolean =>
  plannedMin > 0 &&
  tookMin >= PRESSED_IN_ONE * plannedMin &&
  tookMin <= Math.max(FORGOT_PRESS.leastMin, FORGOT_PRESS.times * plannedMin);

/** The middle of what was seen, drawn towards one the less there is of it; by kind, those with anything seen. */
export function handsFactors(done: readonly TimedWork[]): ReadonlyMap<WorkKind, HandsFactor> {
  const out = new Map<WorkKind, HandsFactor>();
  for (const kind of new Set(done.map((d) => d.kind))) {
    const own = done.filter((d) => d.kind === kind);
    const logs = own
      .filter(tells)
      .map((d) => Math.log(d.tookMin / d.plannedMin))
      .sort((a, b) => a - b);
    const n = logs.length;
    const middle = n === 0 ? 0 : (logs[Math.floor((n - 1) / 2)]! + logs[Math.ceil((n - 1) / 2)]!) / 2;
    const factor = Math.exp((middle * n) / (n + PRIOR));
    out.set(kind, { factor: Number((Math.round(factor / STEP) * STEP).toFixed(2)), count: n, leftOut: own.length - n });
  }
  return out;
}
