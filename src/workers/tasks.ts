import type { FilmApplication, FilmCase, SentPlanInput } from "@/contracts";
import { type FinderAnswer, type FinderInput, suggest, type WhyNot, whyNot, whyNotStack } from "@/core/finder";
import { type Learnt, type Look, learnt } from "@/core/learning";
import type { Stack } from "@/core/model";
import {
  type Looked,
  type MendPrice,
  type PlanAnswer,
  type PlanGroup,
  planTogether,
  type StackTotals,
  stackTotals,
  type WhyOpWaits,
  weighMend,
  whyOpWaits,
} from "@/core/plan";
import { readLabel } from "@/core/reading";
import type { StudyLayer } from "@/core/study";
import { readDiagnoseRequest, readPlanRequest, readText, writeText } from "./document";
import { type ApplicationAnswer, type CaseAnswer, solveApplication, solveCase } from "./film-answers";
import { openInput } from "./open-input";

/** What is worked out beside the request: pure functions of what is sent, the same in a thread as in place. */

export interface PlanJob {
  readonly input: SentPlanInput;
  /** what may be set aside where it has no plan; null = it is all one */
  readonly groups: readonly PlanGroup[] | null;
  /** starts to keep to; null = laid out afresh */
  readonly keep: Readonly<Record<string, number>> | null;
  /** film answers may be used again while this stays what it is; null = none are kept */
  readonly looked: string | null;
  /** the search ends after this long with the best plan so far, ms; null = by its own count */
  readonly budgetMs: number | null;
}

/** What the film model said of the bench's waits so far, while air, products and caution stay what they were. */
let looks: { readonly key: string; readonly looked: Looked } | null = null;

function lookedOf(key: PlanJob["looked"]): Looked | undefined {
  if (key === null) return undefined;
  if (looks?.key !== key) looks = { key, looked: new Map() };
  return looks.looked;
}

/** A small plan is good enough after so many steps, whatever time there is left. */
const BUDGETED_TRIES = 160;

/** @param stop set to 1 by whoever does not want the answer any more */
function plan({ input, groups, keep, looked, budgetMs }: PlanJob, stop: Int32Array | null): PlanAnswer {
  // what there is to judge and to prepare takes as long as it takes: the time given is for the search
  let beganMs: number | null = null;
  const wanted = () => {
    if (stop !== null && Atomics.load(stop, 0) === 1) throw new Error("nobody wants this plan any more");
  };
  const options = {
    looked: lookedOf(looked),
    keep: keep ?? undefined,
    tries: budgetMs === null ? undefined : BUDGETED_TRIES,
    goOn: () => {
      wanted();
      beganMs ??= performance.now();
      return budgetMs === null || performance.now() - beganMs < budgetMs;
    },
    wanted,
  };
  return planTogether(openInput(input), groups ?? [], options, () => {
    beganMs = null;
  });
}

const totals = (input: SentPlanInput, regionId: string): StackTotals => stackTotals(openInput(input), regionId);

/** The best stacks and, where a pile is given, what that one costs against them. */
const find = (input: FinderInput, own: Stack | null): { answer: FinderAnswer; own: WhyNot | null } => ({
  answer: suggest(input),
  own: own && whyNotStack(input, own),
});

const reasons = (input: FinderInput, productIds: readonly string[]): readonly WhyNot[] =>
  productIds.map((id) => whyNot(input, id));

const filmCase = (asked: FilmCase): CaseAnswer => solveCase(asked);
const application = (layers: readonly StudyLayer[], asked: FilmApplication): ApplicationAnswer =>
  solveApplication(layers, asked);

const why = (
  input: SentPlanInput,
  regionId: string,
  opId: string,
  ends: ReadonlyMap<string, number>,
  boxMaxC: number | null,
): WhyOpWaits | "no-film" | "too-far" =>
  whyOpWaits(openInput(input), regionId, opId, (id) => ends.get(id) ?? input.nowMin, boxMaxC);

/** What each way to mend a face costs, against the bench without it. */
const weigh = (before: SentPlanInput, after: readonly SentPlanInput[], regionId: string): readonly MendPrice[] => {
  const was = openInput(before);
  return after.map((a) => weighMend(was, openInput(a), regionId));
};

const learn = (looks: readonly Look[], productIds: readonly string[]): Learnt => learnt(looks, productIds);

export const TASKS = {
  plan,
  totals,
  find,
  reasons,
  filmCase,
  application,
  why,
  learn,
  readLabel,
  readText,
  readPlanRequest,
  readDiagnoseRequest,
  weigh,
  writeText,
} as const;
export type Tasks = typeof TASKS;
