export * from "./air";
export * from "./coupons";
export * from "./models";
export * from "./shelf";
export * from "./shop";
