export * from "./minutes";
export * from "./posterior";
