import { done, failed, type Outcome } from "@/contracts";
import { type PlanAnswer, type WhyOp, whyOp } from "@/core/plan";
import { readPlan, regionHome } from "@/db";
import { nowMs } from "./clock";
import { notFound, reading } from "./guard";
import { planInput } from "./plan";

/** Why a step of a region has to wait so long: by the log where it is done, by the kept plan where it is not yet. */
export function whyThisWait(regionId: string, opId: string): Outcome<WhyOp> {
  return reading((db) => {
    const home = regionHome(db, regionId);
    if (!home) return notFound("The part");
    const { input } = planInput(db, home.modelId, nowMs());
    const ends = new Map<string, number>();
    const answer = readPlan(db, home.modelId)?.answer as PlanAnswer | undefined;
    if (answer?.outcome === "planned") for (const o of answer.ops) ends.set(o.id, o.endMin);
    for (const r of input.records) if (r.endMin !== null) ends.set(r.opId, r.endMin);
    const found = whyOp(input, regionId, opId, (id) => ends.get(id) ?? input.nowMin);
    if (found === "no-film") return failed("refused", "This step waits for no film.");
    return found === "too-far"
      ? failed("refused", "In this air its film does not get there in the weeks that can be looked ahead.")
      : done(found);
  });
}
