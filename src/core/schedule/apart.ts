import { MIN_PER_DAY } from "../base";
import type { Near, Problem } from "./types";

/** What follows within so long lies together, minutes: a meal between two sessions parts nothing, a night does (est.). */
export const TOGETHER_MIN = 360;

/** Nights that lie between two pieces of work; 0 = they are done in one go. */
export const nightsBetween = (endMin: number, startMin: number): number =>
  startMin - endMin <= TOGETHER_MIN ? 0 : Math.ceil((startMin - endMin) / MIN_PER_DAY);

/** Nights between what had better be done in one go, by how much each matters. @param spanOf where an operation lies */
export function apartOf(
  { near = [] }: Problem,
  spanOf: (opId: string) => { readonly startMin: number; readonly endMin: number } | undefined,
): number {
  let sum = 0;
  for (const pair of near) sum += apartness(pair, spanOf);
  return sum;
}

function apartness(
  { from, to, weight }: Near,
  spanOf: (opId: string) => { readonly startMin: number; readonly endMin: number } | undefined,
): number {
  const [a, b] = [spanOf(from), spanOf(to)];
  return a === undefined || b === undefined ? 0 : weight * nightsBetween(a.endMin, b.startMin);
}
