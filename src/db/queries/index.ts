export * from "./models";
export * from "./shelf";
export * from "./shop";
