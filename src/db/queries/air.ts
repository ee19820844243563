import { and, asc, eq, gte, lte, sql } from "drizzle-orm";
import { type AirRecord, type LocalAirCard, localAirSchema, type Reading } from "@/contracts";
import { READING_STEP_MIN } from "@/core/reference";
import type { Db } from "../connection";
import { forecast, localAirs, parts, readings } from "../schema";

/** A device may post every minute; for reckoning the last word of every so many minutes is enough, ms. */
const REST_MS = READING_STEP_MIN * 60_000;

/** Readings between two moments, the last of every ten minutes and source, in order of time. */
export const restedReadings = (db: Db, fromMs: number, toMs: number): readonly Reading[] =>
  db
    .select({
      // of a group SQLite takes the other columns from the row that holds the maximum
      atMs: sql<number>`max(${readings.atMs})`,
      source: readings.source,
      tempC: readings.tempC,
      rhPct: readings.rhPct,
      airflowMS: readings.airflowMS,
    })
    .from(readings)
    .where(and(gte(readings.atMs, fromMs), lte(readings.atMs, toMs)))
    // a number given is a real one to SQLite: the quotient is cut to whole steps
    .groupBy(sql`cast(${readings.atMs} / ${REST_MS} as integer)`, readings.source)
    .orderBy(sql`1`, asc(readings.source))
    .all();

/** Readings between two moments, both included, in order of time. */
export const readReadings = (db: Db, fromMs: number, toMs: number): readonly Reading[] =>
  db
    .select()
    .from(readings)
    .where(and(gte(readings.atMs, fromMs), lte(readings.atMs, toMs)))
    .orderBy(asc(readings.atMs), asc(readings.source))
    .all();

/** A later word for the same minute and source replaces the earlier. @returns how many replaced one */
export function writeReadings(db: Db, list: readonly Reading[]): number {
  let replaced = 0;
  for (const r of list) {
    const key = and(eq(readings.atMs, r.atMs), eq(readings.source, r.source));
    if (db.select({ atMs: readings.atMs }).from(readings).where(key).get()) replaced += 1;
    const { tempC, rhPct, airflowMS } = r;
    db.insert(readings)
      .values(r)
      .onConflictDoUpdate({ target: [readings.atMs, readings.source], set: { tempC, rhPct, airflowMS } })
      .run();
  }
  return replaced;
}

export const deleteReading = (db: Db, atMs: number, source: string): number =>
  db
    .delete(readings)
    .where(and(eq(readings.atMs, atMs), eq(readings.source, source)))
    .run().changes;

export const readForecast = (db: Db): readonly AirRecord[] =>
  db.select().from(forecast).orderBy(asc(forecast.atMs)).all();

/** Takes a forecast over; what was kept for the time it covers goes. */
export function writeForecast(db: Db, points: readonly AirRecord[]): void {
  const first = points[0];
  const last = points.at(-1);
  if (!first || !last) return;
  db.delete(forecast)
    .where(and(gte(forecast.atMs, first.atMs), lte(forecast.atMs, last.atMs)))
    .run();
  for (const p of points) db.insert(forecast).values(p).run();
}

export const clearForecast = (db: Db): void => void db.delete(forecast).run();

export interface LocalAirRow {
  readonly id: string;
  readonly partId: string;
  readonly card: LocalAirCard;
}

/** Stays in other air of the parts that are still there, by model. */
export function readLocalAirs(db: Db): ReadonlyMap<string, readonly LocalAirRow[]> {
  const rows = db
    .select({ id: localAirs.id, partId: localAirs.partId, card: localAirs.card, modelId: parts.modelId })
    .from(localAirs)
    .innerJoin(parts, eq(parts.id, localAirs.partId))
    .where(sql`${parts.deletedMs} is null`)
    .orderBy(asc(localAirs.position), asc(localAirs.id))
    .all();
  const byModel = new Map<string, LocalAirRow[]>();
  for (const { id, partId, card, modelId } of rows)
    byModel.set(modelId, [...(byModel.get(modelId) ?? []), { id, partId, card: localAirSchema.parse(card) }]);
  return byModel;
}

export function insertLocalAir(db: Db, row: LocalAirRow): void {
  const last = db
    .select({ top: sql<number>`coalesce(max(${localAirs.position}), 0)` })
    .from(localAirs)
    .get();
  db.insert(localAirs)
    .values({ ...row, position: (last?.top ?? 0) + 1 })
    .run();
}

export const localAirIdTaken = (db: Db, id: string): boolean =>
  db.select({ id: localAirs.id }).from(localAirs).where(eq(localAirs.id, id)).get() !== undefined;

export const deleteLocalAir = (db: Db, id: string): number =>
  db.delete(localAirs).where(eq(localAirs.id, id)).run().changes;
