/** Causes ranked by what is known, and the question that would tell most. */

import type { MishapSign } from "../model";
import { CAUSES, type Cause } from "./causes";
import { ASKED_FACTS, type AskedFact, type MishapFact, type MishapFacts } from "./facts";

/** Of a fact nobody has a reason to expect: how often it is so anyway (est.). */
const BASE = 0.3;

/**
 * How likely a fact is where a cause of that weight is at work, by a likelihood ratio r against its base rate b:
 * p / (1 − p) = r · b / (1 − b). A weight below one speaks against.
 */
const likely = (weight: number): number => (weight * BASE) / (1 - BASE + weight * BASE);

/** How much a known fact moves a cause: by its likelihood there, over the base rate. */
const moves = (weight: number, yes: boolean): number =>
  yes ? likely(weight) / BASE : (1 - likely(weight)) / (1 - BASE);

const weightOf = (c: Cause, fact: MishapFact): number => c.for[fact] ?? (c.against?.[fact] ? 1 / c.against[fact] : 1);

export interface RankedCause {
  readonly cause: Cause;
  /** of the causes that are known, 0…1: a ranking, no certainty */
  readonly chance: number;
  /** what is known and speaks for it, or against, heaviest first */
  readonly for: readonly MishapFact[];
  readonly against: readonly MishapFact[];
}

/** Every cause of a sign that can have been, likeliest first; ties in the order of the catalogue. */
export function rankCauses(sign: MishapSign, facts: MishapFacts): readonly RankedCause[] {
  const can = CAUSES.filter((c) => c.sign === sign && (c.must ?? []).every((f) => facts[f]?.yes !== false));
  const weighed = can.map((cause, order) => ({ cause, order, weight: weigh(cause, facts) }));
  const sum = weighed.reduce((s, w) => s + w.weight, 0);
  return weighed
    .sort((a, b) => b.weight - a.weight || a.order - b.order)
    .map(({ cause, weight }) => ({ cause, chance: weight / sum, ...evidence(cause, facts) }));
}

const known = (facts: MishapFacts): readonly MishapFact[] =>
  (Object.keys(facts) as MishapFact[]).filter((f) => facts[f] !== undefined);

function weigh(cause: Cause, facts: MishapFacts): number {
  return known(facts).reduce((w, f) => w * moves(weightOf(cause, f), facts[f]!.yes), cause.prior);
}

/** Facts that at least so much speak for or against are told. */
const TOLD_FROM = 1.3;

function evidence(cause: Cause, facts: MishapFacts): Pick<RankedCause, "for" | "against"> {
  const moved = known(facts)
    .map((fact) => ({ fact, by: moves(weightOf(cause, fact), facts[fact]!.yes) }))
    .filter(({ by }) => by > 0);
  const strongest = (sign: 1 | -1) =>
    moved
      .filter(({ by }) => (sign === 1 ? by >= TOLD_FROM : by <= 1 / TOLD_FROM))
      .sort((a, b) => sign * (b.by - a.by))
      .map(({ fact }) => fact);
  // that something common was not so proves little: only a yes is brought forward as a reason for
  return { for: strongest(1).filter((f) => facts[f]!.yes), against: strongest(-1) };
}

const entropy = (chances: readonly number[]): number => chances.reduce((h, p) => (p > 0 ? h - p * Math.log2(p) : h), 0);

export interface Question {
  readonly fact: AskedFact;
  /** expected gain of information from its answer, bits */
  readonly gainBits: number;
}

/** A question that tells less is not worth asking, bits. */
const WORTH_BITS = 0.01;

/** Of what nobody has answered, the questions whose answer would tell most between the causes, best first. */
export function questionsFor(sign: MishapSign, facts: MishapFacts, most = 2): readonly Question[] {
  const ranked = rankCauses(sign, facts);
  const now = entropy(ranked.map((r) => r.chance));
  return ASKED_FACTS.filter((f) => facts[f] === undefined)
    .map((fact, order) => ({ fact, order, gainBits: now - expected(ranked, fact) }))
    .filter((q) => q.gainBits > WORTH_BITS)
    .sort((a, b) => b.gainBits - a.gainBits || a.order - b.order)
    .slice(0, most)
    .map(({ fact, gainBits }) => ({ fact, gainBits }));
}

/** Entropy to be expected once a fact is answered. */
function expected(ranked: readonly RankedCause[], fact: AskedFact): number {
  let sum = 0;
  for (const yes of [true, false]) {
    const weights = ranked.map((r) => {
      const p = likely(weightOf(r.cause, fact));
      return r.chance * (yes ? p : 1 - p);
    });
    const share = weights.reduce((a, b) => a + b, 0);
    if (share > 0) sum += share * entropy(weights.map((w) => w / share));
  }
  return sum;
}
