export * from "./air";
export * from "./thickness";
