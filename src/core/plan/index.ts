export * from "./bench";
export { couponDueMin } from "./coupon-due";
export * from "./film-study";
export * from "./finder";
export {
  couponCounts,
  couponReach,
  type JudgeAnswer,
  judgeStack,
  judgeWithDoubts,
  nearCoupons,
  type PlacedVerdict,
} from "./judge";
export { type Operation, type OpRecord, opIds } from "./operations";
export { planModel } from "./plan";
export * from "./region";
export * from "./remedy";
export { type StackTotals, stackTotals } from "./totals";
export { touchDryMin } from "./touch-dry";
export type * from "./types";
export * from "./whose-number";
export * from "./why";
export { type WhyOp, whyOp } from "./why-op";
