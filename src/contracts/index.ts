export * from "./base";
export * from "./check";
export * from "./document";
export * from "./log";
export * from "./model";
export * from "./problem";
export * from "./product";
export * from "./shop";
