export * from "./connection";
export { anyDeviceStore, DEVICE_HEADER, deviceStore } from "./devices";
export * from "./queries";
export { unreadableRows } from "./readable";
export * from "./trouble";
