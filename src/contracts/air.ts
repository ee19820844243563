import { z } from "zod";
import type { ClimateSpan, Provenance } from "@/core/film";
import { idSchema, momentSchema, ranged } from "./base";

const tempSchema = ranged(-40, 60, "°C");
const rhSchema = ranged(0, 100, "% RH");
const airflowSchema = ranged(0, 10, "m/s");

/** Where a reading comes from: typed in, or the name a device gives itself. */
const sourceSchema = z
  .string()
  .trim()
  .min(1, "needs a name")
  .max(40, "must be at most 40 characters")
  .regex(/^[\p{L}\p{N} ._-]+$/u, "may hold letters, digits, spaces, dots and dashes");
export const BY_HAND = "by hand";

/** One reading as a thermo-hygrometer sends it. */
const readingSchema = z.strictObject({
  at: momentSchema,
  temp_c: tempSchema,
  rh_pct: rhSchema,
  airflow_m_s: airflowSchema.nullable().optional(),
  source: sourceSchema.optional(),
});
const MAX_READINGS = 5000;
export const readingsRequestSchema = z.strictObject({
  readings: z
    .array(readingSchema)
    .min(1, "must hold at least one")
    .max(MAX_READINGS, `must hold at most ${MAX_READINGS}`),
});

/** A reading typed in on the Air screen. */
export const handReadingSchema = z.strictObject({
  minutesAgo: ranged(0, 20_160, "minutes ago"),
  tempC: tempSchema,
  rhPct: rhSchema,
});

/** A reading or a forecast's point as it is kept. */
export interface AirRecord {
  readonly atMs: number;
  readonly tempC: number;
  readonly rhPct: number;
  readonly airflowMS: number | null;
}
export const keptReadingSchema = z.strictObject({
  atMs: z.number().int(),
  source: sourceSchema,
  tempC: tempSchema,
  rhPct: rhSchema,
  airflowMS: airflowSchema.nullable(),
});
export interface Reading extends AirRecord {
  readonly source: string;
}

export const LOCAL_AIR_KINDS = ["warm-box", "booth", "brought-in"] as const;

/** A stay of a part in other air. Temperatures of the box, or of the place it came from. */
export const localAirSchema = z
  .strictObject({
    kind: z.enum(LOCAL_AIR_KINDS),
    from: momentSchema,
    to: momentSchema,
    tempC: ranged(-30, 120, "°C").nullable(),
    airflowMS: airflowSchema.nullable(),
  })
  .refine((l) => l.kind === "brought-in" || Date.parse(l.to) > Date.parse(l.from), {
    error: "must be after it begins",
    path: ["to"],
  })
  .refine((l) => l.kind === "booth" || l.tempC !== null, { error: "is needed", path: ["tempC"] });
export type LocalAirCard = z.infer<typeof localAirSchema>;
export interface LocalAirView {
  readonly id: string;
  readonly partId: string;
  readonly partName: string;
  readonly card: LocalAirCard;
}

/** What the sky over the stand-in hygrometer is like. */
export const WEATHERS = ["as-expected", "cold-snap", "heater-on", "damp-spell", "fog"] as const;
export type Weather = (typeof WEATHERS)[number];
export const weatherSchema = z.enum(WEATHERS);
export const standInSchema = z.strictObject({ on: z.boolean(), weather: weatherSchema });
export type StandIn = z.infer<typeof standInSchema>;

/** Air kept with a document beside the settings of the shed. */
const recordSchema = z.strictObject({
  at: momentSchema,
  tempC: tempSchema,
  rhPct: rhSchema,
  airflowMS: airflowSchema.nullable(),
});
export const documentAirSchema = z.strictObject({
  readings: z.array(z.strictObject({ ...recordSchema.shape, source: sourceSchema })).max(50_000),
  forecast: z.array(recordSchema).max(5000),
  local: z.array(z.strictObject({ id: idSchema, partId: idSchema, card: localAirSchema })).max(500),
});

/** The air of this moment, and what it rests on. */
export interface AirNow {
  readonly tempC: number;
  readonly rhPct: number;
  readonly dewMarginC: number;
  /** a reading's source, or what stands in for one */
  readonly from: Provenance;
  readonly source: string | null;
  /** of the newest reading; null = nothing was ever read */
  readonly readMs: number | null;
}

export interface AirChartPoint {
  readonly atMin: number;
  readonly tempC: number;
  readonly rhPct: number;
  readonly dewC: number;
  readonly dewMarginC: number;
}

/** When one kind of product may be laid. */
export interface OpenHours {
  readonly kind: string;
  /** an owned product that stands for the kind, the most demanding */
  readonly productName: string;
  readonly spans: readonly { readonly startMin: number; readonly endMin: number }[];
  /** why not at this minute; null = it may */
  readonly nowReason: string | null;
}

/** A forecast read, not yet taken over. */
export interface ForecastPreview {
  readonly points: readonly AirRecord[];
  /** refused while there is one */
  readonly faults: readonly { readonly line: number; readonly column: string; readonly message: string }[];
  /** what was taken for granted */
  readonly assumptions: readonly string[];
}

/** Everything the Air screen shows. */
export interface AirScreen {
  readonly now: AirNow;
  readonly nowMin: number;
  readonly timeZone: string;
  readonly points: readonly AirChartPoint[];
  /** what had been expected, readings left out */
  readonly expected: readonly AirChartPoint[];
  readonly spans: readonly ClimateSpan[];
  readonly sessions: readonly { readonly startMin: number; readonly endMin: number }[];
  readonly nights: readonly { readonly startMin: number; readonly endMin: number }[];
  readonly open: readonly OpenHours[];
  readonly readings: readonly Reading[];
  readonly forecastUntilMin: number | null;
  readonly standIn: StandIn;
  readonly locals: readonly LocalAirView[];
  readonly parts: readonly { readonly id: string; readonly name: string; readonly dryHeatMaxC: number | null }[];
}
