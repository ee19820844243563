export * from "./event";
export * from "./fold";
export * from "./lying";
