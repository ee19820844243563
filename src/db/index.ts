export * from "./connection";
export * from "./queries";
export * from "./trouble";
