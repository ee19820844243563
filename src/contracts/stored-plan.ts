import { z } from "zod";
import { CAUTIONS, OBJECTIVES } from "@/core/model";
import type { PlanAnswer } from "@/core/plan";
import { opIdSchema } from "./log";

/**
 * A plan as it comes out of the database. What screens, files and the next plan reckon with is looked at; what is merely shown beside
 * it is let through as it is.
 */
const moment = z.number();
const opSchema = z.looseObject({ id: opIdSchema, regionId: z.string(), handsOnMin: z.number().nonnegative() });
const plannedOpSchema = opSchema
  .extend({
    startMin: moment,
    endMin: moment,
    state: z.enum(["planned", "in-hand", "done"]),
    slackMin: z.number(),
    latestMin: moment.nullable(),
    locked: z.boolean(),
    wait: z
      .looseObject({
        milestone: z.string(),
        fromMin: moment,
        likelyMin: moment,
        safeMin: moment,
        shutsMin: moment.nullable(),
      })
      .nullable(),
    boundBy: z.looseObject({ kind: z.string() }),
  })
  .refine((o) => o.endMin >= o.startMin, { error: "ends before it begins" });
const notices = z.array(z.looseObject({ kind: z.string(), regionId: z.string() }));

const storedPlanSchema = z.discriminatedUnion("outcome", [
  z.looseObject({ outcome: z.literal("nothing-to-plan"), notices }),
  z.looseObject({
    outcome: z.literal("refused"),
    stops: z.array(z.looseObject({ regionId: z.string(), verdict: z.looseObject({ key: z.string() }) })),
    notices,
  }),
  z.looseObject({ outcome: z.literal("circular"), partIds: z.array(z.string()), notices }),
  z.looseObject({
    outcome: z.literal("conflict"),
    conflict: z.looseObject({ kind: z.string(), opId: opIdSchema }),
    op: opSchema,
    set: z.array(z.looseObject({ kind: z.string() })),
    frees: z.array(z.looseObject({ kind: z.string() })),
    ops: z.array(opSchema),
    notices,
  }),
  z.looseObject({
    outcome: z.literal("planned"),
    ops: z.array(plannedOpSchema),
    finish: z.array(z.looseObject({ regionId: z.string(), doneMin: moment, curedMin: moment.nullable() })),
    doneMin: moment,
    curedMin: moment.nullable(),
    handsOnMin: z.number().nonnegative(),
    spine: z.array(z.string()),
    caution: z.enum(CAUTIONS),
    objective: z.enum(OBJECTIVES),
    boundMin: moment,
    delaysMin: z.record(z.string(), z.number()),
    sessions: z.number(),
    cleanings: z.number(),
    dueMin: moment.nullable(),
    notices,
    followUps: z.array(z.looseObject({ regionId: z.string(), atMin: moment, days: z.number() })),
  }),
]);

/** @returns the plan, or null for what is none: one of an older program, or that another hand has been at */
export function readStoredPlan(stored: unknown): PlanAnswer | null {
  const parsed = storedPlanSchema.safeParse(stored);
  return parsed.success ? (parsed.data as unknown as PlanAnswer) : null;
}
