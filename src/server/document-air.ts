import type { AirRecord, ModelDocument } from "@/contracts";
import { type Db, insertLocalAir, type LocalAirRow, writeForecast, writeReadings } from "@/db";
import { type AirSources, NO_AIR } from "./shed/air";

type DocumentAir = NonNullable<ModelDocument["air"]>;

const iso = (atMs: number): string => new Date(atMs).toISOString();
const written = ({ atMs, ...r }: AirRecord) => ({ at: iso(atMs), ...r });
const read = <T extends { readonly at: string }>({ at, ...r }: T) => ({ ...r, atMs: Date.parse(at) });

/** Air as a document keeps it; nothing at all where there is nothing to keep. */
export function airForDocument(air: AirSources): { air: DocumentAir } | Record<string, never> {
  if (air.readings.length + air.forecast.length + air.locals.length === 0) return {};
  return {
    air: {
      readings: air.readings.map(({ source, ...r }) => ({ ...written(r), source })),
      forecast: air.forecast.map(written),
      local: air.locals.map(({ id, partId, card }) => ({ id, partId, card })),
    },
  };
}

export const airOfDocument = (doc: ModelDocument): AirSources =>
  doc.air
    ? { readings: doc.air.readings.map(read), forecast: doc.air.forecast.map(read), locals: doc.air.local }
    : NO_AIR;

/** Stays of parts always come in; readings and forecast only with the settings of the shed. */
export function bringAir(db: Db, doc: ModelDocument, takeShop: boolean): void {
  const air = airOfDocument(doc);
  for (const l of air.locals as readonly LocalAirRow[]) insertLocalAir(db, l);
  if (!takeShop) return;
  writeReadings(db, air.readings);
  writeForecast(db, air.forecast);
}
