export * from "./key";
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
export * from "./types";
