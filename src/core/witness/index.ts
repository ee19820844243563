export * from "./looks";
export * from "./taught";
