import {
  type Backdrop,
  done,
  failed,
  type Outcome,
  type PlanScreen,
  type PlanView,
  type SentPlanInput,
} from "@/contracts";
import { MIN_PER_DAY, MIN_PER_HOUR, MS_PER_MIN } from "@/core/base";
import type { PlanAnswer, PlanGroup } from "@/core/plan";
import { nowMs } from "../clock";
import { viewing, viewingModel } from "../guard";
import { planTrouble } from "../planning/job";
import { sent } from "../planning/task";
import { backdrop } from "../shed/air";
import { marksOn } from "../workspace/mishaps";
import type { ModelSnapshot, Snapshot } from "../workspace/snapshot";
import { groupOf } from "../workspace/together";
import { glueChoices, jointsJudged } from "../workspace/work-judged";
import { modelsOnBench, namedRegions, shownWith, teller } from "./on-bench";

/** A plan whose work should have been done by now, and was not, is no timetable any more. */
const overtaken = (answer: PlanAnswer, nowMin: number): boolean =>
  answer.outcome === "planned" && answer.ops.some((o) => o.state === "planned" && o.endMin < nowMin);

/** The plan in force; null = there is none. */
export function planView(m: ModelSnapshot, atMs: number): PlanView | null {
  if (m.plan === null) return null;
  const { answer, plannedMs, inputsHash, beforeDoneMin } = m.plan;
  const fresh = inputsHash === m.hash && !overtaken(answer, atMs / MS_PER_MIN);
  return { answer, plannedMs, fresh, beforeDoneMin };
}

export const getPlan = (modelId: string): Outcome<PlanView | null> =>
  viewingModel(modelId, (m) => done(planView(m, nowMs())));

/** What is to be said of a plan beside the plan. */
export const makingOf = (m: ModelSnapshot): PlanScreen["making"] =>
  m.planAsked ? { state: "making", why: null } : { state: "still", why: planTrouble() };

/** Work longer past than this is not drawn; the logbook has it. */
const DRAWN_BACK_MIN = MIN_PER_DAY;
const DRAWN_ON_MIN = MIN_PER_DAY;

function drawnFrom(answer: PlanAnswer, { shop, air }: ModelSnapshot["sources"], nowMin: number): Backdrop | null {
  if (answer.outcome !== "planned") return null;
  const first = Math.min(nowMin, ...answer.ops.map((o) => o.startMin));
  const fromMin = Math.max(first, nowMin - DRAWN_BACK_MIN) - MIN_PER_HOUR;
  return backdrop(shop, air, fromMin, Math.max(answer.doneMin, nowMin) + DRAWN_ON_MIN);
}

function planScreen(m: ModelSnapshot, s: Snapshot, atMs: number): PlanScreen {
  const { data, today } = s;
  const shown = shownWith(m, s);
  const nowMin = atMs / MS_PER_MIN;
  const { shop, rev } = data.shopState;
  const told = teller(m, s);
  const plan = planView(told, atMs);
  return {
    modelId: m.head.id,
    models: modelsOnBench(s, nowMin),
    planVia: m.head.state === "active" ? m.head.id : (s.bench.members[0]?.head.id ?? null),
    plan,
    making: makingOf(told),
    regions: namedRegions(shown),
    parts: m.tree.map((p) => ({ id: p.id, name: p.name, regionIds: p.regions.map((r) => r.region.id) })),
    schemes: Object.fromEntries(
      shown.flatMap((own) =>
        own.input.regions.flatMap(({ region: { id, scheme } }) =>
          scheme && scheme.fields.length > 1 ? [[id, scheme.fields.map(({ name, share }) => ({ name, share }))]] : [],
        ),
      ),
    ),
    plannings: Object.fromEntries(shown.map(({ head, planning }) => [head.id, planning])),
    toFill: shown.flatMap((own) =>
      own.input.regions.flatMap((r) => {
        const marks = r.marks ? marksOn(own, r.region.id) : [];
        return marks.length > 0 ? [{ regionId: r.region.id, marks }] : [];
      }),
    ),
    joints: jointsJudged(m),
    glues: glueChoices(
      m,
      data.shelf.map((i) => i.product),
    ),
    products: Object.fromEntries(data.products),
    shop,
    shopRev: rev,
    today,
    nowMin,
    timeZone: shop.timeZone,
    backdrop: plan ? drawnFrom(plan.answer, told.sources, nowMin) : null,
  };
}

export const getPlanScreen = (modelId: string): Outcome<PlanScreen> =>
  viewingModel(modelId, (m, s) => done(planScreen(m, s, nowMs())));

type Places = Readonly<Record<string, { readonly startMin: number; readonly endMin: number }>>;

/** What a worker needs to push the plan about: all that is planned together, and where everything lies now. */
export const getPlanInput = (): Outcome<{
  input: SentPlanInput;
  groups: readonly PlanGroup[];
  places: Places;
}> =>
  viewing(({ bench, data }) => {
    if (!bench.input) return failed("refused", "No model is active: there is nothing to plan.");
    const answer = bench.plan?.answer;
    const ops = answer?.outcome === "planned" ? answer.ops : [];
    return done({
      input: sent(bench.input, data.products),
      groups: bench.members.map(groupOf),
      places: Object.fromEntries(ops.map((o) => [o.id, { startMin: o.startMin, endMin: o.endMin }])),
    });
  });
