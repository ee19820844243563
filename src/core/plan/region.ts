import { type JudgeAnswer, judgeStack } from "../judge";
import { stillStops } from "../policy";
import type { PlanRegion } from "../work";
import type { PlanInput, RefusedStop } from "./types";

/** A region's pile as the plan sees it: with the shop's trials, and without the air of the moment. */
export const judgeRegion = (r: PlanRegion, input: PlanInput): JudgeAnswer =>
  judgeStack({
    ...r,
    productOf: input.productOf,
    protection: input.protection,
    air: null,
    coupons: input.coupons,
    today: input.today,
  });

/** Written reasons of a region. */
export const reasonsOf = (regionId: string, { overrides }: PlanInput) =>
  overrides.filter((o) => o.regionId === regionId);

/** Stops nobody has answered for. */
export function openStops(
  r: PlanRegion,
  answer: Extract<JudgeAnswer, { outcome: "judged" }>,
  input: PlanInput,
): readonly RefusedStop[] {
  return answer.verdicts
    .filter(stillStops(reasonsOf(r.region.id, input)))
    .map((verdict) => ({ regionId: r.region.id, verdict }));
}
