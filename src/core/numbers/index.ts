export * from "./as-laid";
export * from "./colour";
export * from "./mesh";
export * from "./thickness";
export * from "./work";
