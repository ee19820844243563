export * from "./bench";
export { nowMs } from "./clock";
export * from "./demo";
export * from "./document";
export * from "./plan";
export * from "./shelf";
export * from "./shop";
export * from "./stacks";
export * from "./tree";
