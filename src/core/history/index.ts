export * from "./event";
export * from "./fold";
