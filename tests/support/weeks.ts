import { MIN_PER_DAY } from "@/core/base";
import type { BenchSession } from "@/core/model";
import { DAYS, NOW_MIN } from "./world";

const HOUR = 60;
const SATURDAY = 5;
/** Monday 2026-03-02, 0:00 UTC. */
const MONDAY_MIN = NOW_MIN - 19 * HOUR;

/** Weekday evenings from seven to half past nine. */
const evening = (dayMin: number): BenchSession => ({
  startMin: dayMin + 19 * HOUR,
  endMin: dayMin + 21.5 * HOUR,
});

/** A Saturday or Sunday with a midday break. */
const freeDay = (dayMin: number): readonly BenchSession[] => [
  { startMin: dayMin + 9 * HOUR, endMin: dayMin + 12.5 * HOUR },
  { startMin: dayMin + 13.5 * HOUR, endMin: dayMin + 20 * HOUR },
];

/** Evenings in the week, long days at the weekend. */
export const eveningsAndWeekends: readonly BenchSession[] = Array.from({ length: DAYS }, (_, d) => d).flatMap((d) => {
  const dayMin = MONDAY_MIN + d * MIN_PER_DAY;
  return d % 7 < SATURDAY ? [evening(dayMin)] : freeDay(dayMin);
});

/** Nine o'clock of the first Saturday, and the end of the Sunday after it. */
export const WEEKEND = {
  startMin: MONDAY_MIN + SATURDAY * MIN_PER_DAY + 9 * HOUR,
  endMin: MONDAY_MIN + 7 * MIN_PER_DAY,
} as const;
