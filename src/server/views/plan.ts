import { type Backdrop, done, type Outcome, type PlanScreen, type PlanView, type SentPlanInput } from "@/contracts";
import { MIN_PER_DAY, MIN_PER_HOUR, MS_PER_MIN } from "@/core/base";
import type { PlanAnswer } from "@/core/plan";
import { nowMs } from "../clock";
import { viewingModel } from "../guard";
import { planTrouble } from "../planning/job";
import { sent } from "../planning/task";
import { backdrop } from "../shed/air";
import { marksOn } from "../workspace/mishaps";
import type { ModelSnapshot, Snapshot } from "../workspace/snapshot";
import { glueChoices, jointsJudged } from "../workspace/work-judged";
import { regionNames } from "./parts";

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
  m.planAsked ? { state: "making", why: null } : { state: "still", why: planTrouble(m.head.id) };

/** Work longer past than this is not drawn; the logbook has it. */
const DRAWN_BACK_MIN = MIN_PER_DAY;
const DRAWN_ON_MIN = MIN_PER_DAY;

function drawnFrom(answer: PlanAnswer, { shop, air }: ModelSnapshot["sources"], nowMin: number): Backdrop | null {
  if (answer.outcome !== "planned") return null;
  const first = Math.min(nowMin, ...answer.ops.map((o) => o.startMin));
  const fromMin = Math.max(first, nowMin - DRAWN_BACK_MIN) - MIN_PER_HOUR;
  return backdrop(shop, air, fromMin, Math.max(answer.doneMin, nowMin) + DRAWN_ON_MIN);
}

function planScreen(m: ModelSnapshot, { data, today }: Snapshot, atMs: number): PlanScreen {
  const nowMin = atMs / MS_PER_MIN;
  const { shop, rev } = data.shopState;
  const plan = planView(m, atMs);
  return {
    modelId: m.head.id,
    plan,
    making: makingOf(m),
    regions: regionNames(m.tree),
    parts: m.tree.map((p) => ({ id: p.id, name: p.name, regionIds: p.regions.map((r) => r.region.id) })),
    planning: m.planning.planning,
    planningRev: m.planning.rev,
    toFill: m.input.regions.flatMap((r) => {
      const marks = r.marks ? marksOn(m, r.region.id) : [];
      return marks.length > 0 ? [{ regionId: r.region.id, marks }] : [];
    }),
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
    backdrop: plan ? drawnFrom(plan.answer, m.sources, nowMin) : null,
  };
}

export const getPlanScreen = (modelId: string): Outcome<PlanScreen> =>
  viewingModel(modelId, (m, s) => done(planScreen(m, s, nowMs())));

type Places = Readonly<Record<string, { readonly startMin: number; readonly endMin: number }>>;

/** What a worker needs to push a plan about: the input, and where everything lies now. */
export const getPlanInput = (modelId: string): Outcome<{ input: SentPlanInput; places: Places }> =>
  viewingModel(modelId, (m, { data }) => {
    const answer = m.plan?.answer;
    const ops = answer?.outcome === "planned" ? answer.ops : [];
    return done({
      input: sent(m.input, data.products),
      places: Object.fromEntries(ops.map((o) => [o.id, { startMin: o.startMin, endMin: o.endMin }])),
    });
  });
