export * from "./air";
export * from "./colour";
export * from "./mesh";
export * from "./solids";
export * from "./thickness";
export * from "./work";
