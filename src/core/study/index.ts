export * from "./film-study";
export * from "./whose-number";
export * from "./why";
