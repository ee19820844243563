export * from "./heat";
export * from "./lead";
export * from "./stops";
