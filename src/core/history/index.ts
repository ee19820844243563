export * from "./as-left";
export * from "./event";
export * from "./fold";
export * from "./lying";
export { isOpenReport, type Report, type SeenMark, taughtBy } from "./reports";
