export * from "./numbers";
export * from "./time";
