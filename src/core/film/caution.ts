import { normalCdf, normalQuantile } from "../base";
import type { Caution } from "../model";
import { WAIT_SIGMA } from "../reference";

const PROBABILITY: Readonly<Record<Caution, number>> = { likely: 0.5, safe: 0.9 };

/**
 * What to multiply an even-odds wait by. Real films scatter about their label log-normally (σ est.); `likely`
 * is the median, `safe` the time nine in ten films have met. A film seen to be not yet there at `notYetRatio`
 * times its even-odds wait cuts off the part of the scatter below that, and the quantile is taken of the rest.
 */
export function waitFactor(caution: Caution, notYetRatio: number | null = null): number {
  if (notYetRatio === null) return UNSEEN[caution];
  return quantile(caution, notYetRatio);
}

function quantile(caution: Caution, notYetRatio: number | null): number {
  const seen = notYetRatio !== null && notYetRatio > 0 ? normalCdf(Math.log(notYetRatio) / WAIT_SIGMA) : 0;
  const capped = Math.min(seen, MOST_SURPRISING);
  const p = capped + PROBABILITY[caution] * (1 - capped);
  const factor = Math.exp(WAIT_SIGMA * normalQuantile(p));
  // a look that found it not ready never makes anything shorter
  return notYetRatio === null ? factor : Math.max(factor, notYetRatio * NOT_YET_LEAST, quantile(caution, null));
}

/** A window shuts as early as one film in ten under `safe`, at even odds under `likely`. */
export const shutFactor = (caution: Caution): number => 1 / waitFactor(caution);

/** Beyond this the tail of a log-normal says nothing more; keeps the quantile finite. */
const MOST_SURPRISING = 0.9999;
/** "Not yet" moves a wait to at least this multiple of the time already waited (est.). */
export const NOT_YET_LEAST = 1.3;

/** Factors of films nobody has looked at yet. */
const UNSEEN: Readonly<Record<Caution, number>> = { likely: quantile("likely", null), safe: quantile("safe", null) };

/** Chance that a film is not yet there after `ratio` times its even-odds wait; 0.5 at 1. Log-normal, σ as above (est.). */
export const chanceNotYet = (ratio: number): number => (ratio <= 0 ? 1 : 1 - normalCdf(Math.log(ratio) / WAIT_SIGMA));
