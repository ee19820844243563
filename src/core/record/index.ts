export * from "./record";
