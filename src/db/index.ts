export * from "./connection";
export * from "./queries";
export { type UnreadableRows, unreadableRows } from "./readable";
export * from "./trouble";
