export * from "./air";
export * from "./colour";
export * from "./thickness";
export * from "./work";
