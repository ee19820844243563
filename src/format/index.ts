export * from "./dates";
export * from "./numbers";
export * from "./quantities";
export * from "./showing";
export * from "./time";
