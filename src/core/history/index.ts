export * from "./as-left";
export * from "./event";
export * from "./fold";
export * from "./lying";
export type * from "./reports";
