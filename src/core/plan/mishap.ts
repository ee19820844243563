/** What went wrong explained, and what mends it weighed. */

import { coatsDown } from "../history";
import {
  type FirstAid,
  firstAid,
  type MendTry,
  type MendWorld,
  type MishapFacts,
  mendBy,
  orderedRecipes,
  type Question,
  questionsFor,
  type RankedCause,
  type RecipeId,
  rankCauses,
  stageAt,
} from "../mishap";
import { type Verdict, worseVerdict } from "../model";
import { type FaceAt, faceAt, faceNow } from "./face-at";
import { mishapFacts } from "./mishap-facts";
import { planModel } from "./plan";
import { judgeRegion, openStops } from "./region";
import type { PlanInput } from "./types";

/** What a mend is made from, on this face at this moment. */
export function mendWorldOf(
  f: FaceAt,
  told: Pick<MendWorld, "sign" | "extent" | "place" | "tried" | "mendId" | "shelf"> &
    Partial<Pick<MendWorld, "shifts">>,
): MendWorld {
  const layers = f.own.stack.layers;
  const top = layers.findLastIndex((l) => f.laid.some((d) => d.op.layerId === l.id));
  return {
    region: f.own.region,
    stack: f.own.stack,
    productOf: f.input.productOf,
    top,
    topCoats: top < 0 ? 0 : coatsDown(f.own.face, layers[top]!.id),
    topRubbed: f.done.some((d) => d.op.kind === "sand" && d.op.layerId === layers[top]?.id),
    stage: stageAt(faceNow(f), f.atMin),
    shifts: [],
    ...told,
  };
}

/** What is told of something that went wrong. */
export interface ToldMishap extends Pick<MendWorld, "sign" | "extent" | "place" | "tried" | "mendId" | "shelf"> {
  readonly regionId: string;
  /** when it showed */
  readonly atMin: number;
  readonly answers: ReadonlyMap<string, boolean>;
}

export interface Diagnosis {
  readonly aid: FirstAid;
  readonly facts: MishapFacts;
  /** likeliest first */
  readonly causes: readonly RankedCause[];
  readonly questions: readonly Question[];
  /** ways to mend, in the order they are offered; those there is no way to say why */
  readonly ways: readonly { readonly recipe: RecipeId; readonly way: MendTry }[];
}

/** Ways shown of those that can be, and of those that cannot. */
const WAYS_SHOWN = 4;

/**
 * Why it went wrong and what mends it: what was known at its hour ranks the causes, what lies there now makes the mend.
 * @param before the bench as its log had it when it showed: what was stripped or laid since is no reason; left out = nothing was
 * @returns null where the face is not judged or has no pile
 */
export function diagnose(input: PlanInput, told: ToldMishap, before: PlanInput = input): Diagnosis | null {
  const now = faceAt(input, told.regionId, input.nowMin);
  const then = before === input && told.atMin >= input.nowMin - 1 ? now : faceAt(before, told.regionId, told.atMin);
  if (!then || !now) return null;
  const facts = mishapFacts(then, told.sign, told.answers);
  const causes = rankCauses(told.sign, facts);
  const world = mendWorldOf(now, { ...told, shifts: shiftsOf(causes) });
  const tries = orderedRecipes(causes, world).map((recipe) => ({ recipe, way: mendBy(recipe, world) }));
  return {
    aid: firstAid(told.sign, faceNow(now), input.nowMin),
    facts,
    causes,
    questions: questionsFor(told.sign, facts),
    ways: [...tries.filter((t) => t.way.ok).slice(0, WAYS_SHOWN), ...tries.filter((t) => !t.way.ok)],
  };
}

/** A cause that something speaks for teaches; one that is only common does not. */
const shiftsOf = ([first]: readonly RankedCause[]): MendWorld["shifts"] =>
  first && first.for.length > 0 ? [first.cause.lesson.shift] : [];

/** What a mend costs, and when the face is right again. */
export interface MendPrice {
  /** worst of what is to be said of its own layers and seams */
  readonly verdict: Verdict;
  /** stops it brings that nobody has answered for, by code */
  readonly stops: readonly string[];
  readonly handsMin: number;
  /** its last work done, were the face alone at the bench; null = there is no room for it */
  readonly rightMin: number | null;
  /** the face’s own last work later by so much, minutes; null = there is no room for it */
  readonly movesMin: number | null;
}

/** @param before the bench without the mend, @param after with it: both as their logs have them */
export function weighMend(before: PlanInput, after: PlanInput, regionId: string): MendPrice {
  const was = faceAt(before, regionId, before.nowMin);
  const is = faceAt(after, regionId, after.nowMin);
  const open = (f: FaceAt | null) => {
    const done = new Set(f?.done.map((d) => d.op.id));
    return (f?.live.chain.ops ?? []).filter((op) => !done.has(op.id));
  };
  const hands = (f: FaceAt | null) => open(f).reduce((sum, op) => sum + op.handsOnMin, 0);
  const known = new Set(was?.answer.verdicts.map((v) => v.code));
  const fresh = (is?.answer.verdicts ?? []).filter((v) => v.verdict !== "ok" && !known.has(v.code));
  const had = new Set(open(was).map((op) => op.id));
  const mine = new Set(open(is).flatMap((op) => (had.has(op.id) ? [] : [op.id])));
  const endedWas = endsAlone(before, regionId, null);
  const ended = endsAlone(after, regionId, mine);
  return {
    verdict: fresh.map((v) => v.verdict).reduce(worseVerdict, "ok"),
    stops: mendStops(before, after, regionId),
    handsMin: hands(is) - hands(was),
    rightMin: ended?.mineMin ?? null,
    movesMin: ended && endedWas ? Math.max(0, ended.lastMin - endedWas.lastMin) : null,
  };
}

/** Stops a mend brings that nobody has answered for, by code. */
export function mendStops(before: PlanInput, after: PlanInput, regionId: string): readonly string[] {
  const stopsOf = (input: PlanInput): readonly string[] => {
    const own = input.regions.find((r) => r.region.id === regionId);
    const answer = own && judgeRegion(own, input);
    return answer?.outcome === "judged" ? openStops(own!, answer, input).map((s) => s.verdict.code) : [];
  };
  const known = new Set(stopsOf(before));
  return [...new Set(stopsOf(after).filter((code) => !known.has(code)))];
}

/** Placements tried for one face alone. */
const ALONE_TRIES = 4;

/** When a face is done were it alone at the bench, and its work among `mine`; null = there is no room. */
function endsAlone(
  input: PlanInput,
  regionId: string,
  mine: ReadonlySet<string> | null,
): { readonly lastMin: number; readonly mineMin: number } | null {
  const regions = input.regions.filter((r) => r.region.id === regionId);
  const wishes = input.wishes && { ...input.wishes, locks: {}, batches: [] };
  const answer = planModel({ ...input, regions, joins: [], wishes, before: undefined }, { tries: ALONE_TRIES });
  if (answer.outcome === "nothing-to-plan") return { lastMin: input.nowMin, mineMin: input.nowMin };
  if (answer.outcome !== "planned") return null;
  const ends = (ids: ReadonlySet<string> | null) =>
    Math.max(
      input.nowMin,
      ...answer.ops.filter((o) => o.state !== "done" && (ids === null || ids.has(o.id))).map((o) => o.endMin),
    );
  return { lastMin: ends(null), mineMin: ends(mine) };
}
