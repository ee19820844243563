export { checkSchedule } from "./check";
export { type Instance, problemOfInstance } from "./instances";
export { type SolveOptions, solve } from "./solve";
export type * from "./types";
