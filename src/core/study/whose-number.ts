import {
  type AppliedCoat,
  type Climate,
  type FilmMilestone,
  milestoneAfter,
  steadyClock,
  type WaitClock,
} from "../film";
import { MILESTONES, type Milestone, type Product } from "../model";
import { ownGapMin, STILL_AIR_M_S } from "../reference";

/** One wait somebody quotes for a product, minutes. */
export interface QuotedWait {
  readonly who: string;
  readonly min: number;
}

/** Air a quote may have been made in, by name; `tonight` is the user's own. */
const QUOTE_AIRS = ["label", "tonight", "cold", "warm"] as const;
export type QuoteAir = (typeof QUOTE_AIRS)[number];

/** A reading of a quote: under this it is right. */
export interface QuoteReading {
  readonly milestone: Milestone;
  readonly coats: number;
  /** wet film of each coat that makes it true to the minute, µm */
  readonly wftUm: number;
  readonly ofLabel: number;
  readonly air: QuoteAir;
  /** what the usual film for that reading gives, minutes; the nearer to the quote, the likelier the reading */
  readonly usualMin: number;
}
interface QuoteAnswer {
  readonly quote: QuotedWait;
  /** likeliest first; empty = true under nothing usual */
  readonly readings: readonly QuoteReading[];
}

/** The user's own case: what each clock shows. */
interface OwnCase {
  readonly milestone: Milestone;
  readonly min: number | null;
  /** index of the quote that comes nearest to it within a quarter; null = none */
  readonly nearest: number | null;
}
export interface WhoseNumber {
  readonly answers: readonly QuoteAnswer[];
  readonly own: readonly OwnCase[];
}

const STEADY = { cold: { tempC: 10, rhPct: 65 }, warm: { tempC: 26, rhPct: 40 } } as const;
const FAR_MIN = 60 * 1440;
const COATS = [1, 2, 3] as const;
/** Thicknesses people lay, against the label's film. */
const LEAST_OF_LABEL = 0.3;
const MOST_OF_LABEL = 2;
/** A reading whose usual time is farther off than this factor is none. */
const NEAR = 2.5;
const READINGS_TOLD = 3;
/** How much less likely a reading is that asks for other than the label's case, in the units of ln(time). */
const LESS_LIKELY = { air: 0.15, coats: 0.12, thickness: 0.25, milestone: 0.02 } as const;
const OWN_NEAR = 0.25;
const BISECT = 30;
/** A quote this near to the label's own time is taken for it. */
const LABEL_NEAR = 0.01;

export interface WhoseNumberInput {
  readonly product: Product;
  readonly quotes: readonly QuotedWait[];
  /** tonight's air, from `startMin` on */
  readonly climate: Climate;
  readonly tonight: WaitClock;
  readonly startMin: number;
  /** what the user puts on tonight */
  readonly own: { readonly coats: number; readonly wftUm: number };
}

function pileOf(product: Product, coats: number, wftUm: number, startMin: number): readonly AppliedCoat[] {
  const gapMin = product.label.gapMin ?? ownGapMin(product);
  return Array.from({ length: coats }, (_, n) => ({ product, wftUm, endMin: startMin + n * gapMin }));
}

function clocksOf(input: WhoseNumberInput): Readonly<Record<QuoteAir, { clock: WaitClock; startMin: number }>> {
  const { label } = input.product;
  const still = (air: { tempC: number; rhPct: number }) => ({
    clock: steadyClock({ ...air, airflowMS: STILL_AIR_M_S }, 0, FAR_MIN),
    startMin: 0,
  });
  return {
    label: still({ tempC: label.tempC, rhPct: label.rhPct }),
    cold: still(STEADY.cold),
    warm: still(STEADY.warm),
    tonight: { clock: input.tonight, startMin: input.startMin },
  };
}

type Timer = (milestone: FilmMilestone, coats: number, wftUm: number) => number | null;

const timerIn =
  (product: Product, { clock, startMin }: { clock: WaitClock; startMin: number }): Timer =>
  (milestone, coats, wftUm) => {
    const pile = pileOf(product, coats, wftUm, startMin);
    const a = milestoneAfter(pile, milestone, clock);
    return a.outcome === "reached" ? a.atMin - pile.at(-1)!.endMin : null;
  };

/** Wet film at which the time is `min`; the time rises with the film. Null = outside what people lay. */
function filmFor(time: (wftUm: number) => number | null, min: number, labelUm: number): number | null {
  let lo = LEAST_OF_LABEL * labelUm;
  let hi = MOST_OF_LABEL * labelUm;
  const least = time(lo);
  const most = time(hi);
  if (least === null || least > min || (most !== null && most < min)) return null;
  // a label's early times hold for every film up to its own: of all that fit, its own is the likeliest
  const own = time(labelUm);
  if (own !== null && Math.abs(own / min - 1) < LABEL_NEAR) return labelUm;
  for (let i = 0; i < BISECT && hi - lo > 0.05; i++) {
    const mid = (lo + hi) / 2;
    const at = time(mid);
    if (at === null || at > min) hi = mid;
    else lo = mid;
  }
  return (lo + hi) / 2;
}

function readingsOf(quote: QuotedWait, own: Product, clocks: ReturnType<typeof clocksOf>): readonly QuoteReading[] {
  // what others say they say of theirs; what this shed has taught is told of one's own case alone
  const product: Product = { ...own, pace: undefined };
  const labelUm = product.label.wftUm;
  const found: { reading: QuoteReading; unlikely: number }[] = [];
  for (const air of QUOTE_AIRS) {
    const time = timerIn(product, clocks[air]);
    for (const milestone of MILESTONES) {
      for (const coats of COATS) {
        const usualMin = time(milestone, coats, labelUm);
        if (usualMin === null || usualMin <= 0) continue;
        const off = Math.abs(Math.log(quote.min / usualMin));
        if (off > Math.log(NEAR)) continue;
        const exact = filmFor((um) => time(milestone, coats, um), quote.min, labelUm);
        // a clock that thickness does not move is right as it stands, or not at all
        const wftUm = exact ?? (off < 0.1 ? labelUm : null);
        if (wftUm === null) continue;
        const ofLabel = wftUm / labelUm;
        const unlikely =
          off * LESS_LIKELY.milestone +
          Math.abs(Math.log(ofLabel)) * LESS_LIKELY.thickness * 2 +
          (air === "label" ? 0 : LESS_LIKELY.air) +
          (coats === (EARLY.has(milestone) ? 1 : product.label.coats) ? 0 : LESS_LIKELY.coats);
        found.push({ reading: { milestone, coats, wftUm, ofLabel, air, usualMin }, unlikely });
      }
    }
  }
  return likeliest(found);
}
const EARLY: ReadonlySet<Milestone> = new Set<Milestone>(["flash", "touch", "recoat"]);

/** The best of each clock, then the best of those. */
function likeliest(found: readonly { reading: QuoteReading; unlikely: number }[]): readonly QuoteReading[] {
  const seen = new Set<Milestone>();
  return [...found]
    .sort((a, b) => a.unlikely - b.unlikely)
    .filter(({ reading }) => !seen.has(reading.milestone) && seen.add(reading.milestone))
    .slice(0, READINGS_TOLD)
    .map((f) => f.reading);
}

/**
 * Given the waits people quote for one product, says of each under which clock, film, coats and air it is true, likeliest
 * first, and what each clock shows in the user's own case tonight.
 */
export function whoseNumber(input: WhoseNumberInput): WhoseNumber {
  const { product, quotes } = input;
  const clocks = clocksOf(input);
  const tonight = timerIn(product, clocks.tonight);
  const own = MILESTONES.map((milestone): OwnCase => {
    const min = tonight(milestone, input.own.coats, input.own.wftUm);
    const offs = quotes.map((q) => (min === null || min <= 0 ? Number.MAX_VALUE : Math.abs(Math.log(q.min / min))));
    const best = offs.indexOf(Math.min(...offs));
    return { milestone, min, nearest: best >= 0 && offs[best]! <= Math.log(1 + OWN_NEAR) ? best : null };
  });
  return { answers: quotes.map((quote) => ({ quote, readings: readingsOf(quote, product, clocks) })), own };
}
