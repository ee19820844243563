export * from "./coupons";
export * from "./finder";
export * from "./mesh";
export * from "./safety";
export * from "./trouble";
export * from "./verdicts";
export * from "./vocabulary";
export * from "./work";
