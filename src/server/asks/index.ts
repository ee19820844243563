export * from "./api";
export { type FilmAnswer, filmOf } from "./film";
export * from "./suggest";
export { whyThisWait } from "./why";
