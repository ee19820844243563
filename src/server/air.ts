import {
  type AirChartPoint,
  type AirNow,
  type AirScreen,
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
  type OpenHours,
  type Outcome,
  type PartNode,
  type Reading,
  readingsRequestSchema,
  type Shop,
  standInSchema,
  weatherSchema,
} from "@/contracts";
import { MIN_PER_DAY, MIN_PER_HOUR, MS_PER_MIN } from "@/core/base";
import { airAt, type Climate, gateReason, gateSpans } from "@/core/film";
import { type FamilyId, FILM_ROLES, isOneOf, type Product, type Unknown } from "@/core/model";
import { touchDryMin } from "@/core/plan";
import { dewMarginC, dewPointC, materialFacts } from "@/core/reference";
import {
  clearForecast,
  type Db,
  deleteLocalAir,
  deleteReading,
  insertLocalAir,
  listShelf,
  modelTree,
  partHome,
  readReadings,
  writeForecast,
  writeReadings,
} from "@/db";
import { nowMs } from "./clock";
import { readForecastFile } from "./forecast-file";
import { fileRefusal, notFound, reading, writing } from "./guard";
import { newId } from "./ids";
import { planInput } from "./plan";
import { type AirSources, airNow, airSources, climateOf, expectedOf, nightsBetween } from "./shed-air";
import { benchSessions, shopState } from "./shop";
import { standInForecast, standInState, switchStandIn } from "./stand-in";

/** What was read longer ago says nothing of this minute any more. */
const NOW_BACK_DAYS = 2;

export const getAirNow = (): Outcome<AirNow> =>
  reading((db) => {
    const atMs = nowMs();
    return done(airNow(shopState(db).shop, airSources(db, null, atMs, NOW_BACK_DAYS), atMs / MS_PER_MIN));
  });

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
  const atMs = nowMs();
  const now = airNow(shopState(db).shop, airSources(db, null, atMs), atMs / MS_PER_MIN);
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

/** Warm air for a part never above what its most delicate face stands. */
const heatLimitC = (part: PartNode): number | null => {
  const limits = part.regions.flatMap(({ region: { material } }) =>
    material === null || material === "unknown" ? [] : [materialFacts(material).dryHeatMaxC],
  );
  return limits.length === 0 ? null : Math.min(...limits);
};

/** When the last of a part's regions is touch dry; null = nothing on it is wet. */
function wetUntilMin(db: Db, modelId: string, part: PartNode): number | null {
  const { input } = planInput(db, modelId, nowMs());
  const dry = part.regions.map((r) => touchDryMin(input, r.region.id)).filter((t): t is number => t !== null);
  return dry.length === 0 ? null : Math.max(...dry);
}

/** What is against a part staying in such air, whichever door it comes through: added, put back by undo, or brought in. */
export function stayFault(db: Db, modelId: string, part: PartNode, card: LocalAirCard): FieldFault | null {
  const limitC = heatLimitC(part);
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

/** Kinds of product whose hours are told apart. */
const KINDS: Readonly<Partial<Record<FamilyId | Unknown, string>>> = {
  "wb-acrylic": "water",
  "alcohol-acrylic": "water",
  "wb-acrylic-urethane": "varnish",
  "acrylic-lacquer": "lacquer",
  "nc-lacquer": "lacquer",
  alkyd: "enamel",
  "pvb-etch": "etch",
  shellac: "shellac",
  "epoxy-2k": "two-part",
  "urethane-2k": "two-part",
  "urethane-mc": "two-part",
};
const KIND_ORDER = ["water", "varnish", "lacquer", "enamel", "etch", "two-part", "shellac"] as const;

/** For each kind the owned product whose hours are fewest. */
function openHours(
  products: readonly Product[],
  climate: Climate,
  fromMin: number,
  toMin: number,
  nowMin: number,
): readonly OpenHours[] {
  const within = [{ startMin: fromMin, endMin: toMin }];
  return KIND_ORDER.flatMap((kind): OpenHours[] => {
    const rows = products
      .filter((p) => KINDS[p.family] === kind && p.owned !== false && isOneOf(FILM_ROLES)(p.role))
      .map((p) => ({ p, spans: gateSpans(p, climate, within) }))
      .map((r) => ({ ...r, minutes: r.spans.reduce((sum, s) => sum + s.endMin - s.startMin, 0) }))
      .sort((a, b) => a.minutes - b.minutes || (a.p.id < b.p.id ? -1 : 1));
    const strictest = rows[0];
    if (!strictest) return [];
    return [
      {
        kind,
        productName: strictest.p.name,
        spans: strictest.spans,
        nowReason: gateReason(strictest.p, climate, nowMin),
      },
    ];
  });
}

const BACK_MIN = MIN_PER_DAY;
const AHEAD_MIN = 3 * MIN_PER_DAY;
const CHART_STEP_MIN = 15;

function chart(climate: Climate, fromMin: number, toMin: number): readonly AirChartPoint[] {
  const points: AirChartPoint[] = [];
  for (let t = Math.ceil(fromMin / CHART_STEP_MIN) * CHART_STEP_MIN; t <= toMin; t += CHART_STEP_MIN) {
    const { tempC, rhPct } = airAt(climate, t);
    points.push({ atMin: t, tempC, rhPct, dewC: dewPointC(tempC, rhPct), dewMarginC: dewMarginC(tempC, rhPct) });
  }
  return points;
}

const localViews = (air: AirSources, tree: readonly PartNode[]) =>
  air.locals.map((l) => ({ ...l, partName: tree.find((p) => p.id === l.partId)?.name ?? "" }));

export function airScreenOf(db: Db, modelId: string | null, shop: Shop): AirScreen {
  const atMs = nowMs();
  const nowMin = atMs / MS_PER_MIN;
  const fromMin = nowMin - BACK_MIN;
  const toMin = nowMin + AHEAD_MIN;
  const air = airSources(db, modelId, atMs);
  const tree = modelId === null ? [] : modelTree(db, modelId);
  const { climate, spans } = climateOf(shop, air, fromMin - MIN_PER_HOUR, toMin + MIN_PER_DAY);
  const shelf = listShelf(db).map((i) => i.product);
  return {
    now: airNow(shop, air, nowMin),
    nowMin,
    timeZone: shop.timeZone,
    points: chart(climate, fromMin, toMin),
    expected: chart(expectedOf(shop, air, fromMin - MIN_PER_HOUR, toMin + MIN_PER_HOUR), fromMin, toMin),
    spans: spans.filter((s) => s.toMin > fromMin && s.fromMin < toMin),
    sessions: benchSessions(shop, fromMin, toMin),
    nights: nightsBetween(shop, fromMin, toMin),
    open: openHours(shelf, climate, Math.floor(nowMin / CHART_STEP_MIN) * CHART_STEP_MIN, toMin, nowMin),
    readings: readReadings(db, fromMin * MS_PER_MIN, atMs),
    forecastUntilMin: air.forecast.length > 0 ? air.forecast.at(-1)!.atMs / MS_PER_MIN : null,
    standIn: standInState(),
    locals: localViews(air, tree),
    parts: tree.map((p) => ({ id: p.id, name: p.name, dryHeatMaxC: heatLimitC(p) })),
  };
}

export const getAirScreen = (modelId: string | null): Outcome<AirScreen> =>
  reading((db) => done(airScreenOf(db, modelId, shopState(db).shop)));
