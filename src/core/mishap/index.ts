import "./vet";

export * from "./aid";
export * from "./causes";
export * from "./face";
export * from "./facts";
export * from "./lesson";
export * from "./rank";
export * from "./recipes";
export * from "./shift";
export * from "./signs";
export { causeFaults } from "./vet";
