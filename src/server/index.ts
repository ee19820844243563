export * from "./asks";
export { nowMs } from "./clock";
export * from "./commands";
export * from "./demo";
export { onNews } from "./planning/announce";
export { getDevices } from "./shed/devices";
export { benchSessions, localDate } from "./shed/hours";
export * from "./shelf-file";
export * from "./views";
