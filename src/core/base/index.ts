export * from "./assert";
export * from "./normal";
export * from "./own";
export * from "./random";
export * from "./result";
export * from "./root";
export * from "./student";
export * from "./units";
