export * from "./as-laid";
export * from "./colour";
export * from "./mesh";
export * from "./mix";
export * from "./recipe";
export * from "./spots";
export * from "./thickness";
export * from "./work";
