import type Database from "better-sqlite3";
import { READING_STEP_MIN } from "@/core/reference";

const MS_PER_DAY = 86_400_000;
/** What a group of readings is reckoned by is its last; of those before this nothing else is ever asked for, days. */
const WHOLE_FOR_DAYS = 60;

/**
 * Takes out readings of long ago that no reckoning goes by: of each device the last of every step stays. Asked one by one for a later
 * one in its step: a list of those that stay would be gone through for each that goes, which is the square of how many there are.
 * @returns how many went
 */
export function thinReadings(raw: Database.Database, nowMs: number): number {
  const untilMs = nowMs - WHOLE_FOR_DAYS * MS_PER_DAY;
  const step = READING_STEP_MIN * 60_000;
  return raw
    .prepare(
      `delete from readings where at_ms < @untilMs and exists
         (select 1 from readings as later where later.source = readings.source and later.at_ms > readings.at_ms
            and later.at_ms < min(@untilMs, (cast(readings.at_ms / @step as integer) + 1) * @step))`,
    )
    .run({ untilMs, step }).changes;
}
