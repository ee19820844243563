import { type JudgeAnswer, judgeStack } from "./judge";
import type { PlanInput, PlanRegion } from "./types";

/** A region's pile as the plan sees it: with the shop's trials, and without the air of the moment. */
export const judgeRegion = (r: PlanRegion, input: PlanInput): JudgeAnswer =>
  judgeStack({
    ...r,
    productOf: input.productOf,
    protection: input.protection,
    air: null,
    coupons: input.coupons,
  });
