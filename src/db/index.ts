export * from "./connection";
export { anyDeviceStore, deviceStore } from "./devices";
export * from "./queries";
export { unreadableRows } from "./readable";
export * from "./trouble";
