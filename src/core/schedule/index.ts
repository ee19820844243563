export { checkSchedule } from "./check";
export { type Explanation, explain, type Freeing, type Piece } from "./explain";
export { circleOf } from "./graph";
export { type Instance, problemOfInstance } from "./instances";
export { keepPlan } from "./keep";
export { cleaningsOf, sessionsUsed } from "./score";
export { type Slack, slacks } from "./slack";
export { solve } from "./solve";
export type * from "./types";
