import { z } from "zod";
import { done, failed, invalid, type Outcome } from "@/contracts";
import type { PlanAnswer } from "@/core/plan";
import { type Db, modelHead } from "@/db";
import { notFound, writing } from "../guard";
import { planAfter } from "../planning/follow";
import { requestPlan } from "../planning/job";
import { ensureShop } from "../shed/hours";

/** Asks for a plan laid out afresh. It is made beside everything else, and announced when it is there. */
export const askForPlanOf = (modelId: string): Outcome<null> =>
  writing((db) => {
    ensureShop(db);
    const no = notPlannable(db, modelId);
    if (no) return no;
    planAfter(db, modelId, "afresh");
    return done(null);
  });

/** A plan needs a shed, described or by default, and a model that is there. */
const readyToPlan = (modelId: string): Outcome<null> =>
  writing((db) => {
    ensureShop(db);
    return notPlannable(db, modelId) ?? done(null);
  });

function notPlannable(db: Db, modelId: string): Outcome<never> | null {
  const head = modelHead(db, modelId);
  if (!head) return notFound("The model");
  if (head.state === "active") return null;
  return failed("refused", `${head.name} is ${head.state}: nothing of it is planned until it is taken up again.`);
}

/** Plans everything active afresh and waits for it. */
export async function makePlan(modelId: string): Promise<Outcome<PlanAnswer>> {
  const ready = readyToPlan(modelId);
  return ready.ok ? requestPlan(modelId, "afresh") : ready;
}

const startsSchema = z.record(z.string().min(1).max(200), z.number().int().nonnegative());

/**
 * Takes over a timetable found elsewhere: its hours are kept as far as nothing forbids them, and checked like any other. It comes
 * into force only if, after the film model has looked at it, it is better by the aim chosen than the plan that is.
 * @param chosen taken for what it is, better or not
 */
export async function takePlan(modelId: string, starts: unknown, chosen = false): Promise<Outcome<PlanAnswer>> {
  const parsed = startsSchema.safeParse(starts);
  if (!parsed.success) return invalid(parsed.error);
  const ready = readyToPlan(modelId);
  return ready.ok ? requestPlan(modelId, { starts: parsed.data, chosen: chosen === true }) : ready;
}
