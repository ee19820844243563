export { checkSchedule, type Violation } from "./check";
export { solve } from "./solve";
export type * from "./types";
