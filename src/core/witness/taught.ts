import { milestoneAfter, steadyClock, waitFactor } from "../film";
import { learnt, pacesOf } from "../learning";
import type { Milestone, Product } from "../model";
import { STILL_AIR_M_S } from "../reference";
import { type FilmLook, telling } from "./looks";

/** How far what was foretold has held, of looks that can tell. */
export interface Calibration {
  /** looks that tell whether a film was there by its likely time, and those that were */
  readonly likely: { readonly told: number; readonly held: number };
  /** the same by its safe time */
  readonly safe: { readonly told: number; readonly held: number };
}

/** So many of the newest looks are asked. */
const ASKED = 40;

/** Each look against what those before it would have said; a look only tells where a bound lies on one side of it. */
export function calibration(looks: readonly FilmLook[]): Calibration {
  const counted = [...telling(looks)].sort((a, b) => a.seenMin - b.seenMin);
  const count = { likely: { told: 0, held: 0 }, safe: { told: 0, held: 0 } };
  counted.forEach((l, n) => {
    if (n < counted.length - ASKED) return;
    const pace = n === 0 ? null : (pacesOf(counted.slice(0, n), [l.productId]).get(l.productId) ?? null);
    for (const caution of ["likely", "safe"] as const) {
      const atMin = l.predictedMin * waitFactor(caution, null, pace);
      const by = l.atMin ?? l.byMin;
      const after = l.atMin ?? l.afterMin;
      const held = by !== null && by <= atMin;
      if (!held && (after === null || after < atMin)) continue;
      count[caution].told += 1;
      if (held) count[caution].held += 1;
    }
  });
  return count;
}

/** What a factor far from one would be explained by, one at a time; null = not by that. */
export interface Explained {
  /** so much thicker than it was told, times */
  readonly filmTimes: number | null;
  /** the part so much colder (or warmer) than the thermometer says, K */
  readonly coolerK: number | null;
}

const AIR = { tempC: 20, rhPct: 50, airflowMS: STILL_AIR_M_S } as const;
const FAR_MIN = 400 * 1440;
const BISECT = 24;
const FILM_TIMES = { least: 0.2, most: 5 } as const;
const OFF_K = { least: -25, most: 25 } as const;

/** @param factor how many times longer it takes than reckoned */
export function explained(product: Product, milestone: Milestone, factor: number): Explained {
  const plain: Product = { ...product, pace: undefined };
  const time = (times: number, offK: number): number => {
    const clock = steadyClock({ ...AIR, tempC: AIR.tempC - offK }, 0, FAR_MIN);
    const a = milestoneAfter([{ product: plain, wftUm: plain.label.wftUm * times, endMin: 0 }], milestone, clock, 1);
    return a.outcome === "reached" ? a.atMin : FAR_MIN;
  };
  const wanted = factor * time(1, 0);
  const where = (of: (x: number) => number, lo: number, hi: number): number | null => {
    if (of(lo) > wanted || of(hi) < wanted) return null;
    for (let n = 0; n < BISECT; n++) {
      const mid = (lo + hi) / 2;
      if (of(mid) < wanted) lo = mid;
      else hi = mid;
    }
    return (lo + hi) / 2;
  };
  return {
    filmTimes: where((times) => time(times, 0), FILM_TIMES.least, FILM_TIMES.most),
    coolerK: where((offK) => time(1, offK), OFF_K.least, OFF_K.most),
  };
}

/** What looks have taught, in factors. @param productIds those asked for */
export const taught = (looks: readonly FilmLook[], productIds: readonly string[]) => learnt(telling(looks), productIds);
