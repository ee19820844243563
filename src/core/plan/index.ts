export * from "./bench";
export { couponDueMin } from "./coupon-due";
export { type MoveAnswer, type PlanDesk, planDesk } from "./desk";
export * from "./film-study";
export * from "./finder";
export { type Hurry, hurry } from "./hurry";
export { joinCircle } from "./joins";
export {
  couponCounts,
  couponReach,
  type JudgeAnswer,
  type JudgeInput,
  judgeStack,
  judgeWithDoubts,
  nearCoupons,
  type PlacedVerdict,
} from "./judge";
export { type Operation, type OpRecord, opIds } from "./operations";
export { planModel } from "./plan";
export * from "./region";
export * from "./remedy";
export { roundOf } from "./round-ids";
export { canMl } from "./stock";
export { type StackTotals, stackTotals } from "./totals";
export { touchDryMin } from "./touch-dry";
export * from "./types";
export type { Looked } from "./verify";
export type { WaitedFor } from "./wait";
export * from "./whose-number";
export * from "./why";
export { type WhyOp, whyOp } from "./why-op";
