import type Database from "better-sqlite3";
import { READING_STEP_MIN } from "@/core/reference";

const MS_PER_DAY = 86_400_000;
/** What a group of readings is reckoned by is its last; of those before this nothing else is ever asked for, days. */
const WHOLE_FOR_DAYS = 60;

/** Takes out readings of long ago that no reckoning goes by: of each device the last of every step stays. @returns how many went */
export function thinReadings(raw: Database.Database, nowMs: number): number {
  const untilMs = nowMs - WHOLE_FOR_DAYS * MS_PER_DAY;
  const step = READING_STEP_MIN * 60_000;
  return raw
    .prepare(
      `delete from readings where at_ms < @untilMs and (at_ms, source) not in
         (select max(at_ms), source from readings where at_ms < @untilMs group by cast(at_ms / @step as integer), source)`,
    )
    .run({ untilMs, step }).changes;
}
