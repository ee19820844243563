export * from "./connection";
export * from "./queries";
export { unreadableRows } from "./readable";
export * from "./trouble";
