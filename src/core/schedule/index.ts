export { checkSchedule } from "./check";
export { type Instance, problemOfInstance } from "./instances";
export { solve } from "./solve";
export type * from "./types";
