export * from "./bench";
export * from "./judge";
export { opIds, type Operation, type OpKind, type OpRecord } from "./operations";
export { planModel } from "./plan";
export * from "./remedy";
export type * from "./types";
