import { own } from "../base";
import type { OpRecord } from "../history";
import { type JudgeAnswer, type JudgeInput, judgeStack } from "../judge";
import type { Caution, Coupon, Layer, Stack } from "../model";
import { plainLayer, readKey, roundId } from "../model";
import { plannedWftUm } from "../numbers";
import { familyFacts, MOST_ROUNDS, ROUND_GRIT, ROUND_RUB_SHARE, USUAL_ROUNDS, volumeSolidsOf } from "../reference";
import type { PlanRegion } from "./types";

/** What rounds hang on beside the stack itself. */
export interface RoundsInput extends Pick<JudgeInput, "productOf" | "protection"> {
  readonly coupons: readonly Coupon[];
  readonly today?: string | undefined;
  /** the user's own word, by region; absent = no rounds at all */
  readonly wishes?:
    | {
        readonly rounds: Readonly<Record<string, number>>;
        readonly fills?: Readonly<Record<string, string>> | undefined;
        readonly fillPlaces?: Readonly<Record<string, readonly string[]>> | undefined;
      }
    | undefined;
  readonly caution: Caution;
  readonly records: readonly OpRecord[];
  /** by whom piles are judged, verdicts reached before among them; absent = judged here */
  readonly judged?: ((r: PlanRegion) => JudgeAnswer) | undefined;
}

const PRIMES = new Set(["primer", "primer-highbuild", "surfacer"]);

/**
 * A region as it is planned: with its rounds of fill, sand and prime put in over the first primer that has something on top of it. A round is the primer once more, over a spot fill where the stack itself holds a putty and the rules allow it
 * over that primer. What is judged and shown elsewhere stays the user's own stack.
 */
export interface PlannedStack {
  readonly region: PlanRegion;
  readonly answer: Extract<JudgeAnswer, { outcome: "judged" }>;
  readonly rounds: number;
  /** rounds were wished for, and the rules speak against them over this stack */
  readonly refused: boolean;
}

export function withRounds(
  r: PlanRegion,
  own: Extract<JudgeAnswer, { outcome: "judged" }>,
  input: RoundsInput,
): PlannedStack {
  const plain = { region: r, answer: own, rounds: 0, refused: false };
  if (!input.wishes) return plain;
  const over = r.stack.layers.findIndex((l) => PRIMES.has(input.productOf(l.productId).role));
  // a primer that is the whole finish is looked at when it is done, not built up in rounds
  if (over < 0 || over === r.stack.layers.length - 1) return plain;
  const rounds = roundsFor(r, over, input);
  if (rounds === 0) return plain;
  const { productOf, protection, coupons, today } = input;
  const judge = input.judged ?? ((own) => judgeStack({ ...own, productOf, protection, air: null, coupons, today }));
  for (const putty of [puttyOf(r, input), null]) {
    const region = { ...r, stack: expanded(r, over, rounds, putty, input) };
    const answer = judge(region);
    if (answer.outcome === "judged" && noWorse(answer, own)) return { region, answer, rounds, refused: false };
    if (putty === null) break;
  }
  return { ...plain, refused: true };
}

type Judged = Extract<JudgeAnswer, { outcome: "judged" }>;

/** Rounds bring in no stop and no test the user's own stack has not: nobody would be shown them. */
function noWorse(withThem: Judged, own: Judged): boolean {
  const grave = (a: Judged) => a.verdicts.filter((v) => v.verdict === "stop" || v.verdict === "test");
  const stops = (a: Judged) => a.verdicts.filter((v) => v.verdict === "stop").length;
  const known = new Set(grave(own).map((v) => v.code));
  return stops(withThem) <= stops(own) && grave(withThem).every((v) => known.has(v.code));
}

/** The user's own word, else the usual number; once work above the primer has begun, only the rounds that were made. */
function roundsFor(r: PlanRegion, over: number, input: RoundsInput): number {
  const wished = own(input.wishes!.rounds, r.region.id) ?? USUAL_ROUNDS[r.region.finish][input.caution];
  const above = new Set(r.stack.layers.slice(over + 1).map((l) => l.id));
  let made = 0;
  let passed = false;
  for (const { opId } of input.records) {
    const key = readKey(opId);
    if (key === null) continue;
    if (key.round === null && above.has(key.subjectId)) passed = true;
    // a look alone that found nothing makes no round
    if (key.round !== null && key.subjectId === r.stack.layers[over]?.id && key.kind !== "inspect")
      made = Math.max(made, key.round.n);
  }
  return passed ? made : Math.min(MOST_ROUNDS, Math.max(made, wished));
}

/** As the user said, else the one the stack holds. */
const puttyOf = ({ region, stack }: PlanRegion, input: RoundsInput): string | null =>
  own(input.wishes?.fills ?? {}, region.id) ??
  stack.layers.find((l) => input.productOf(l.productId).role === "putty")?.productId ??
  null;

function expanded(
  { region, stack }: PlanRegion,
  over: number,
  rounds: number,
  puttyId: string | null,
  input: RoundsInput,
): Stack {
  const places = own(input.wishes?.fillPlaces ?? {}, region.id);
  const primer = stack.layers[over]!;
  const made: Layer[] = [];
  for (let n = 1; n <= rounds; n++) {
    if (puttyId !== null) made.push({ ...fillLayer(primer, puttyId, n, input), ...(places ? { places } : {}) });
    made.push({ ...primer, id: roundId(primer.id, n, "p"), coats: 1, before: [], gapMin: null, tape: null });
  }
  return { ...stack, layers: [...stack.layers.slice(0, over + 1), ...made, ...stack.layers.slice(over + 1)] };
}

/** One thin skin on the spots that were found, levelled. */
function fillLayer(primer: Layer, puttyId: string, n: number, input: RoundsInput): Layer {
  const putty = input.productOf(puttyId);
  const skinUm = putty.maxSkinUm ?? (putty.family === "unknown" ? null : familyFacts(putty.family).skinUm);
  const bare = plainLayer(roundId(primer.id, n, "f"), puttyId);
  const wftUm = Math.min(plannedWftUm(bare, putty), skinUm ?? Number.MAX_VALUE);
  const takesUm = Math.round(ROUND_RUB_SHARE * wftUm * volumeSolidsOf(putty));
  return { ...bare, wftUm, sandAfter: { grit: primer.sandAfter?.grit ?? ROUND_GRIT, wet: false, takesUm } };
}
