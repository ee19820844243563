import { assert, normalCdf, normalQuantile, studentCdf } from "../base";
import type { Caution, Pace } from "../model";
import { COAT_SCATTER, WAIT_SIGMA } from "../reference";

const PROBABILITY: Readonly<Record<Caution, number>> = { likely: 0.5, safe: 0.9 };

/**
 * What to multiply a reckoned wait by. Before anybody has looked at anything, real films scatter about their label log-normally
 * (σ est.); `likely` is the median, `safe` the time nine in ten films have met. What looks have taught of the product in this shed
 * takes the label's place. A film seen to be not yet there at `notYetRatio` times its reckoned wait cuts off the part of the scatter
 * below that, and the quantile is taken of the rest.
 */
export function waitFactor(caution: Caution, notYetRatio: number | null = null, pace: Pace | null = null): number {
  if (notYetRatio === null) return unseen(caution, pace);
  const factor = quantile(PROBABILITY[caution], notYetRatio, pace);
  // a look that found it not ready never makes anything shorter
  return Math.max(factor, notYetRatio * NOT_YET_LEAST, unseen(caution, pace));
}

/** What a wait comes to at even odds. */
export const evenOdds = (pace: Pace | null | undefined): number => unseen("likely", pace ?? null);

/** A window shuts as early as one film in ten under `safe`, at even odds under `likely`. */
export const shutFactor = (caution: Caution, pace: Pace | null = null): number =>
  caution === "safe" ? quantile(1 - PROBABILITY.safe, null, pace) : unseen(caution, pace);

/** Beyond this the tail of a log-normal says nothing more; keeps the quantile finite. */
const MOST_SURPRISING = 0.9999;
/** "Not yet" moves a wait to at least this multiple of the time already waited (est.). */
export const NOT_YET_LEAST = 1.3;

/** Factors of films nobody has looked at yet. */
const UNTAUGHT: Readonly<Record<Caution, number>> = {
  likely: 1,
  safe: untaught(PROBABILITY.safe, null),
};

const known = new WeakMap<Pace, Map<Caution, number>>();

function unseen(caution: Caution, pace: Pace | null): number {
  if (pace === null) return UNTAUGHT[caution];
  const own = known.get(pace) ?? new Map<Caution, number>();
  known.set(pace, own);
  const factor = own.get(caution) ?? quantile(PROBABILITY[caution], null, pace);
  own.set(caution, factor);
  return factor;
}

const quantile = (p: number, notYetRatio: number | null, pace: Pace | null): number =>
  pace === null ? untaught(p, notYetRatio) : taught(p, notYetRatio, pace);

function untaught(p: number, notYetRatio: number | null): number {
  const seen = notYetRatio !== null && notYetRatio > 0 ? normalCdf(Math.log(notYetRatio) / WAIT_SIGMA) : 0;
  const capped = Math.min(seen, MOST_SURPRISING);
  return Math.exp(WAIT_SIGMA * normalQuantile(capped + p * (1 - capped)));
}

const BISECT = 40;

function taught(p: number, notYetRatio: number | null, { logFactors }: Pace): number {
  assert(logFactors.length > 0, "a pace without factors");
  let lo = logFactors[0]! - 2;
  let hi = Math.max(logFactors.at(-1)!, notYetRatio === null ? 0 : Math.log(notYetRatio)) + 2;
  for (let n = 0; n < BISECT; n++) {
    const mid = (lo + hi) / 2;
    if (shareBy(mid, logFactors, notYetRatio) < p) lo = mid;
    else hi = mid;
  }
  return Math.exp((lo + hi) / 2);
}

/**
 * Share of films that are there by a factor, in logarithms. One that was not there at `notYetRatio` has none before that: the look is
 * among those the factors were learnt from, so that each of them only loses what it would have had by then.
 */
function shareBy(x: number, logFactors: readonly number[], notYetRatio: number | null): number {
  const seen = notYetRatio !== null && notYetRatio > 0 ? Math.log(notYetRatio) : null;
  if (seen !== null && x <= seen) return 0;
  let sum = 0;
  for (const u of logFactors) {
    const upTo = studentCdf((x - u) / COAT_SCATTER);
    const gone = seen === null ? 0 : Math.min(MOST_SURPRISING, studentCdf((seen - u) / COAT_SCATTER));
    sum += Math.max(0, upTo - gone) / (1 - gone);
  }
  return sum / logFactors.length;
}

/** Chance that a film is not yet there after `ratio` times its reckoned wait (est. as above); untaught, it is 0.5 at 1. */
export const chanceNotYet = (ratio: number, pace: Pace | null = null): number =>
  ratio <= 0
    ? 1
    : 1 - (pace === null ? normalCdf(Math.log(ratio) / WAIT_SIGMA) : shareBy(Math.log(ratio), pace.logFactors, null));
