export * from "./bench";
export * from "./judge";
export { type Operation, type OpRecord, opIds } from "./operations";
export { planModel } from "./plan";
export * from "./remedy";
export { type StackTotals, stackTotals } from "./totals";
export type * from "./types";
