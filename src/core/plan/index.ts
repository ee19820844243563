export * from "./bench";
export { couponDueMin } from "./coupon-due";
export * from "./finder";
export {
  ASSUMED_DECIDES,
  COUPON_FAILED,
  couponCounts,
  couponReach,
  type JudgeAnswer,
  type JudgeInput,
  judgeStack,
  judgeWithDoubts,
  nearCoupons,
  type PlacedVerdict,
  type SeamPlan,
  type SeamWait,
  type Where,
} from "./judge";
export { type Operation, type OpRecord, opIds } from "./operations";
export { planModel } from "./plan";
export * from "./region";
export * from "./remedy";
export { type StackTotals, stackTotals } from "./totals";
export type * from "./types";
