export * from "./batches";
export * from "./chain";
export * from "./joins";
export {
  aspectsOf,
  canShut,
  estimateMin,
  isWaitedFor,
  mayHaveGap,
  milestoneOf,
  spansOf,
  waitAssumed,
} from "./laws";
export * from "./operations";
export * from "./rounds";
export * from "./row";
export * from "./shared-room";
export * from "./sittings";
export * from "./sources/extra";
export { forPieces } from "./sources/hold";
export { type PrepTime, prepTimes } from "./sources/prep";
export { inSteps } from "./sources/put-together";
export * from "./types";
