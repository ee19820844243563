import {
  type AirNow,
  BY_HAND,
  done,
  type FieldFault,
  type ForecastPreview,
  failed,
  handReadingSchema,
  invalid,
  keptReadingSchema,
  type LocalAirCard,
  localAirSchema,
  type Outcome,
  type PartNode,
  type Reading,
  readingsRequestSchema,
  standInSchema,
  weatherSchema,
} from "@/contracts";
import { MS_PER_MIN } from "@/core/base";
import { touchDryMin } from "@/core/plan";
import { heatLimitC } from "@/core/policy";
import {
  clearForecast,
  type Db,
  deleteLocalAir,
  deleteReading,
  insertLocalAir,
  modelTree,
  partHome,
  readLocalAirs,
  writeForecast,
  writeReadings,
} from "@/db";
import { nowMs } from "../clock";
import { readForecastFile } from "../forecast-file";
import { fileRefusal, notFound, reading, writing } from "../guard";
import { newId } from "../ids";
import { shopState } from "../shed/hours";
import { standInForecast, switchStandIn } from "../stand-in";
import { airOfNow, snapshotOf } from "../workspace/snapshot";

export interface ReadingsTaken {
  readonly taken: number;
  readonly replaced: number;
  readonly now: AirNow;
}

/** Clocks of devices may be a little ahead. */
const AHEAD_MAX_MS = 5 * MS_PER_MIN;
const toMinute = (ms: number): number => Math.floor(ms / MS_PER_MIN) * MS_PER_MIN;

function keep(db: Db, list: readonly Reading[]): ReadingsTaken {
  const replaced = writeReadings(db, list);
  const now = airOfNow(snapshotOf(db), null, nowMs());
  return { taken: list.length, replaced, now };
}

/** POST climate/readings: what a thermo-hygrometer says. The same minute told again replaces what was told. */
export function takeReadings(body: unknown): Outcome<ReadingsTaken> {
  const single = typeof body === "object" && body !== null && "at" in body ? { readings: [body] } : body;
  const parsed = readingsRequestSchema.safeParse(single);
  if (!parsed.success) return invalid(parsed.error);
  const latest = nowMs() + AHEAD_MAX_MS;
  const faults = parsed.data.readings.flatMap((r, i) =>
    Date.parse(r.at) > latest ? [{ path: `readings.${i}.at`, message: "is in the future" }] : [],
  );
  if (faults.length > 0) return failed("invalid", `${faults[0]!.path} is in the future`, faults);
  const list = parsed.data.readings.map(
    (r): Reading => ({
      atMs: toMinute(Math.min(Date.parse(r.at), nowMs())),
      source: r.source ?? "thermo-hygrometer",
      tempC: r.temp_c,
      rhPct: r.rh_pct,
      airflowMS: r.airflow_m_s ?? null,
    }),
  );
  return writing((db) => done(keep(db, list)));
}

/** A reading typed in. */
export function addReading(input: unknown): Outcome<ReadingsTaken> {
  const parsed = handReadingSchema.safeParse(input);
  if (!parsed.success) return invalid(parsed.error);
  const { minutesAgo, tempC, rhPct } = parsed.data;
  return writing((db) => done(keep(db, [handReading(nowMs() - minutesAgo * MS_PER_MIN, tempC, rhPct)])));
}

export const handReading = (atMs: number, tempC: number, rhPct: number): Reading => ({
  atMs: Math.floor(atMs / MS_PER_MIN) * MS_PER_MIN,
  source: BY_HAND,
  tempC,
  rhPct,
  airflowMS: null,
});

export const removeReading = (atMs: number, source: string): Outcome<null> =>
  writing((db) => (deleteReading(db, atMs, source) === 0 ? notFound("The reading") : done(null)));
/** Undoes a removal: the very reading comes back. */
export function putReadingBack(input: unknown): Outcome<null> {
  const parsed = keptReadingSchema.safeParse(input);
  if (!parsed.success) return invalid(parsed.error);
  return writing((db) => {
    writeReadings(db, [parsed.data]);
    return done(null);
  });
}

export type ForecastKind = "csv" | "json";
const MAX_TEXT = 5 * 1024 * 1024;

const sayIn = (timeZone: string) => {
  const format = new Intl.DateTimeFormat("en-GB", {
    timeZone,
    weekday: "short",
    day: "numeric",
    month: "short",
    hour: "2-digit",
    minute: "2-digit",
  });
  return (ms: number) => format.format(ms);
};

/** What a forecast file holds, and what would be taken for granted; nothing is changed. */
export const previewForecast = (text: string, kind: ForecastKind): Outcome<ForecastPreview> =>
  reading((db) => {
    if (text.length > MAX_TEXT) return failed("too-large", "The file is over 5 MB.");
    const { timeZone } = shopState(db).shop;
    return done(readForecastFile(text, kind, timeZone, sayIn(timeZone)));
  });

/** Takes a forecast over: all of it, or, if a line is at fault, nothing. */
export function importForecast(
  text: string,
  kind: ForecastKind,
): Outcome<{ hours: number; assumptions: readonly string[] }> {
  const read = previewForecast(text, kind);
  if (!read.ok) return read;
  const { points, faults, assumptions } = read.value;
  const refused = fileRefusal(faults);
  if (refused) return refused;
  return writing((db) => {
    writeForecast(db, points);
    return done({ hours: points.length, assumptions });
  });
}

export const dropForecast = (): Outcome<null> =>
  writing((db) => {
    clearForecast(db);
    return done(null);
  });

const FORECAST_HOURS = 72;

/** A made-up forecast for the next days, in the weather chosen, taken in by the same door as any other. */
export function takeStandInForecast(input: unknown): Outcome<{ hours: number; assumptions: readonly string[] }> {
  const parsed = weatherSchema.safeParse(input);
  if (!parsed.success) return invalid(parsed.error);
  const text = reading((db) => done(standInForecast(db, parsed.data, FORECAST_HOURS)));
  return text.ok ? importForecast(text.value, "csv") : text;
}

/** Switches the stand-in hygrometer; `origin` is where it posts to: this application itself. */
export async function turnStandIn(origin: string, input: unknown): Promise<Outcome<null>> {
  const parsed = standInSchema.safeParse(input);
  if (!parsed.success) return invalid(parsed.error);
  const trouble = await switchStandIn(origin, parsed.data);
  return trouble === null ? done(null) : failed("refused", `The stand-in cannot reach the application: ${trouble}.`);
}

/** When the last of a part's regions is touch dry; null = nothing on it is wet. */
function wetUntilMin(db: Db, modelId: string, part: PartNode): number | null {
  const input = snapshotOf(db).model(modelId)?.input;
  if (!input) return null;
  const dry = part.regions.map((r) => touchDryMin(input, r.region.id)).filter((t): t is number => t !== null);
  return dry.length === 0 ? null : Math.max(...dry);
}

/** What is against a part staying in such air, whichever door it comes through: added, put back by undo, or brought in. */
export function stayFault(db: Db, modelId: string, part: PartNode, card: LocalAirCard): FieldFault | null {
  const limitC = heatLimitC(part.regions.map((r) => r.region));
  const warm = card.kind !== "booth" && card.tempC !== null;
  if (card.kind === "warm-box" && limitC === null)
    return { path: "tempC", message: "choose the part’s material first: no warmth is safe for what nobody knows" };
  if (warm && limitC !== null && card.tempC! > limitC)
    return { path: "tempC", message: `must be at most ${limitC} °C for ${part.name}` };
  if (card.kind !== "warm-box") return null;
  const wet = wetUntilMin(db, modelId, part);
  if (wet === null || Date.parse(card.from) >= wet * MS_PER_MIN) return null;
  const until = sayIn(shopState(db).shop.timeZone)(wet * MS_PER_MIN);
  return {
    path: "from",
    message: `must be after ${until}: until then ${part.name} is not touch dry, and a wet film is never warmed`,
  };
}

/** A stay that is or will be too warm for its part as it is now: its material may have become known, or a face come back. */
export function outgrownStay(db: Db, partId: string): FieldFault | null {
  const home = partHome(db, partId);
  const part = home && modelTree(db, home).find((p) => p.id === partId);
  if (!home || !part) return null;
  const limitC = heatLimitC(part.regions.map((r) => r.region));
  const hot = (readLocalAirs(db).get(home) ?? []).find(
    ({ partId: of, card }) =>
      of === partId &&
      limitC !== null &&
      card.kind !== "booth" &&
      (card.tempC ?? 0) > limitC &&
      Date.parse(card.to) > nowMs(),
  );
  return hot
    ? {
        path: "material",
        message: `stands ${limitC} °C at most, and ${part.name} is to be in air of ${hot.card.tempC} °C: end that stay under Air first`,
      }
    : null;
}

const refusedStay = (fault: FieldFault): Outcome<never> =>
  failed("refused", `${fault.path} ${fault.message}.`, [fault]);

export function addLocalAir(modelId: string, partId: string, input: unknown): Outcome<{ id: string }> {
  const parsed = localAirSchema.safeParse(input);
  if (!parsed.success) return invalid(parsed.error);
  const card = parsed.data;
  return writing((db) => {
    const part = modelTree(db, modelId).find((p) => p.id === partId);
    if (!part) return notFound("The part");
    const fault = stayFault(db, modelId, part, card);
    if (fault) return refusedStay(fault);
    const id = newId("a");
    insertLocalAir(db, { id, partId, card });
    return done({ id });
  });
}

/** Undoes a removal; what was right when it was taken out may not be any more. */
export function putLocalAirBack(partId: string, input: unknown): Outcome<null> {
  const parsed = localAirSchema.safeParse(input);
  if (!parsed.success) return invalid(parsed.error);
  return writing((db) => {
    const home = partHome(db, partId);
    const part = home && modelTree(db, home).find((p) => p.id === partId);
    if (!home || !part) return notFound("The part");
    const fault = stayFault(db, home, part, parsed.data);
    if (fault) return refusedStay(fault);
    insertLocalAir(db, { id: newId("a"), partId, card: parsed.data });
    return done(null);
  });
}

export const removeLocalAir = (id: string): Outcome<null> =>
  writing((db) => (deleteLocalAir(db, id) === 0 ? notFound("That stay") : done(null)));
