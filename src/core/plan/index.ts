export * from "./bench";
export { type MoveAnswer, type PlanDesk, planDesk } from "./desk";
export { type Hurry, hurry } from "./hurry";

export { planModel } from "./plan";
export * from "./region";
export { canMl } from "./stock";
export { type StackTotals, stackTotals } from "./totals";
export { touchDryMin } from "./touch-dry";
export * from "./types";
export type { Looked } from "./verify";
export { type WhyOp, whyOp } from "./why-op";
