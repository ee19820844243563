export { checkSchedule } from "./check";
export { solve } from "./solve";
export type * from "./types";
