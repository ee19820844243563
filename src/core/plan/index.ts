export * from "./bench";
export { type DateTried, type DateTry, dateTries, groupDoneMin, tryForDate } from "./date-ways";
export { type EarlyStart, earlyStart } from "./early-start";
export { faceAt, faceNow } from "./face-at";
export {
  type Diagnosis,
  diagnose,
  type MendPrice,
  mendStops,
  mendWorldOf,
  type ToldMishap,
  weighMend,
} from "./mishap";
export { type MoveAnswer, type MoveTrials, moveTrials } from "./moves";

export { overNightMin } from "./nearness";
export { planModel } from "./plan";
export * from "./region";
export { type SwapChoice, swapChoices } from "./swap";
export { type PlanGroup, planTogether } from "./together";
export { type StackTotals, stackTotals } from "./totals";
export { touchDryMin } from "./touch-dry";
export * from "./types";
export type { Looked } from "./verify";
export type { WarmthOffer } from "./warmth";
export {
  plannedWithRounds,
  REPLAN_WAYS,
  type ReplanWay,
  ROUNDS_WAYS,
  type RoundsFound,
  type RoundsWay,
  replanned,
  type WayFound,
} from "./ways";
export { type WhyOpWaits, whyOpWaits } from "./why-op-waits";
