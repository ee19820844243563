export * from "./posterior";
