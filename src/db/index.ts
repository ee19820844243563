export * from "./connection";
export { deviceStore } from "./devices";
export * from "./queries";
export { unreadableRows } from "./readable";
export * from "./trouble";
