import type { AirNow, AirRecord, AirSample, Backdrop, PartNode, Reading, Shop } from "@/contracts";
import { MIN_PER_DAY, MIN_PER_HOUR, MS_PER_MIN } from "@/core/base";
import {
  type AirWord,
  type AssembledClimate,
  airAt,
  assembleClimate,
  type Climate,
  climateAt,
  type LocalAir,
} from "@/core/film";
import type { AirSpot } from "@/core/model";
import { dewMarginC, partLagMin } from "@/core/reference";
import { type Db, type LocalAirRow, restedReadings } from "@/db";
import { benchSessions, localDates, localMin, typicalOfShop } from "./hours";

/** Everything said of the air beside the shed's own settings. */
export interface AirSources {
  readonly readings: readonly Reading[];
  readonly forecast: readonly AirRecord[];
  readonly locals: readonly LocalAirRow[];
}
export const NO_AIR: AirSources = { readings: [], forecast: [], locals: [] };
/** One list, so that what is assembled of it is found again. */
const NO_READINGS: readonly Reading[] = [];

/** Films dry for weeks; readings older than this no longer matter to any of them. */
export const READINGS_BACK_DAYS = 45;

/** No thermometer of a shed knows more; and what was judged in the same air need not be judged again. */
const toTenths = (x: number): number => Math.round(x * 10) / 10;

/** What was measured that still matters to some film. */
export const readingsKept = (db: Db, atMs: number): readonly Reading[] =>
  restedReadings(db, atMs - READINGS_BACK_DAYS * MIN_PER_DAY * MS_PER_MIN, atMs).map((r) => ({
    ...r,
    tempC: toTenths(r.tempC),
    rhPct: toTenths(r.rhPct),
  }));

const wordOf = (r: AirRecord): AirWord => ({
  atMin: r.atMs / MS_PER_MIN,
  tempC: r.tempC,
  rhPct: r.rhPct,
  airflowMS: r.airflowMS,
});

/** One word a moment: of two devices heard at once the mean. */
function words(list: readonly AirRecord[]): readonly AirWord[] {
  const out: AirWord[] = [];
  for (const w of list.map(wordOf)) {
    const last = out.at(-1);
    if (last && last.atMin === w.atMin)
      out[out.length - 1] = { ...last, tempC: (last.tempC + w.tempC) / 2, rhPct: (last.rhPct + w.rhPct) / 2 };
    else out.push(w);
  }
  return out;
}

/** The air between two moments, widened to whole hours, from what was measured, foretold and set. */
export function climateOf(shop: Shop, air: AirSources, fromMin: number, toMin: number): AssembledClimate {
  const fromHour = Math.floor(fromMin / MIN_PER_HOUR);
  const toHour = Math.ceil(toMin / MIN_PER_HOUR);
  const key = JSON.stringify([shop.air, shop.timeZone, fromHour, toHour]);
  const known = assembledFrom(air);
  const own = known.get(key) ?? assembled(shop, air, fromHour * MIN_PER_HOUR, toHour * MIN_PER_HOUR);
  if (known.size >= KEPT_SPANS) known.clear();
  known.set(key, own);
  return own;
}

type Spans = Map<string, AssembledClimate>;
/** Assembled before, as long as the lists it was assembled from are held: they are never changed. */
const climates = new WeakMap<AirSources["readings"], WeakMap<AirSources["forecast"], Spans>>();
const KEPT_SPANS = 12;

function assembledFrom({ readings, forecast }: AirSources): Spans {
  const byForecast = climates.get(readings) ?? new WeakMap<AirSources["forecast"], Spans>();
  climates.set(readings, byForecast);
  const spans = byForecast.get(forecast) ?? new Map<string, AssembledClimate>();
  byForecast.set(forecast, spans);
  return spans;
}

const assembled = (shop: Shop, air: AirSources, fromMin: number, toMin: number): AssembledClimate =>
  assembleClimate({
    typical: typicalOfShop(shop, fromMin, toMin),
    forecast: words(air.forecast),
    readings: words(air.readings),
  });

/** What the air would have been taken for without the last day's readings. */
export const expectedOf = (shop: Shop, air: AirSources, fromMin: number, toMin: number): Climate =>
  climateOf(shop, { ...air, readings: NO_READINGS }, fromMin, toMin).climate;

const localOf = ({ card }: LocalAirRow): LocalAir => ({
  kind: card.kind,
  fromMin: Date.parse(card.from) / MS_PER_MIN,
  toMin: Date.parse(card.to) / MS_PER_MIN,
  tempC: card.tempC,
  airflowMS: card.airflowMS,
});

/** Regions of parts that stay in air of their own, each with that air. */
export function localClimates(room: Climate, air: AirSources, tree: readonly PartNode[]): ReadonlyMap<string, Climate> {
  const out = new Map<string, Climate>();
  for (const part of tree) {
    const own = air.locals.filter((l) => l.partId === part.id).map(localOf);
    if (own.length === 0) continue;
    for (const { region } of part.regions) out.set(region.id, climateAt(room, own, partLagMin(region.material)));
  }
  return out;
}

/** A lone reading says how it is for this long. */
const FRESH_MIN = 30;

export function airNow(shop: Shop, air: AirSources, atMin: number): AirNow {
  const { climate, spans } = climateOf(shop, air, atMin - MIN_PER_HOUR, atMin + MIN_PER_HOUR);
  const { tempC, rhPct } = airAt(climate, atMin);
  const newest = air.readings.at(-1) ?? null;
  const fresh = newest !== null && atMin - newest.atMs / MS_PER_MIN <= FRESH_MIN;
  const span = spans.find((s) => s.fromMin <= atMin && atMin < s.toMin) ?? spans.at(-1)!;
  return {
    tempC,
    rhPct,
    dewMarginC: dewMarginC(tempC, rhPct),
    from: fresh ? "measured" : span.from,
    source: fresh ? newest.source : null,
    readMs: newest?.atMs ?? null,
  };
}

const MEAN_OVER_DAYS = 3;

/** The next days' air as one: what a search or a trial's due date is reckoned in. */
export function meanAir(shop: Shop, air: AirSources, fromMin: number): AirSpot {
  const { climate } = climateOf(shop, air, fromMin, fromMin + MEAN_OVER_DAYS * MIN_PER_DAY);
  const hours = MEAN_OVER_DAYS * 24;
  const samples = Array.from({ length: hours }, (_, h) => airAt(climate, fromMin + h * MIN_PER_HOUR));
  const mean = (of: (s: (typeof samples)[number]) => number) => samples.reduce((sum, s) => sum + of(s), 0) / hours;
  const [tempC, rhPct] = [toTenths(mean((s) => s.tempC)), toTenths(mean((s) => s.rhPct))];
  return { tempC, rhPct, airflowMS: shop.air.airflowMS };
}

const NIGHT_FROM = "22:00";
const NIGHT_TO = "06:00";
const AIR_STEP_MIN = 30;

export const nightsBetween = (shop: Shop, fromMin: number, toMin: number) => {
  const dates = localDates(shop.timeZone, fromMin, toMin);
  return dates
    .slice(0, -1)
    .map((date, i) => ({
      startMin: localMin(shop.timeZone, date, NIGHT_FROM),
      endMin: localMin(shop.timeZone, dates[i + 1]!, NIGHT_TO),
    }))
    .filter((n) => n.endMin > fromMin && n.startMin < toMin);
};

/** Air, sessions, nights and midnights between two moments, for drawing. */
export function backdrop(shop: Shop, air: AirSources, fromMin: number, toMin: number): Backdrop {
  const { climate } = climateOf(shop, air, fromMin, toMin);
  const dates = localDates(shop.timeZone, fromMin, toMin);
  const samples: AirSample[] = [];
  for (let t = fromMin; t <= toMin; t += AIR_STEP_MIN) {
    const { tempC, rhPct } = airAt(climate, t);
    samples.push({ atMin: t, tempC, rhPct, dewMarginC: dewMarginC(tempC, rhPct) });
  }
  return {
    fromMin,
    toMin,
    sessions: benchSessions(shop, fromMin, toMin),
    nights: nightsBetween(shop, fromMin, toMin),
    midnights: dates.map((d) => localMin(shop.timeZone, d, "00:00")).filter((m) => m > fromMin && m < toMin),
    air: samples,
  };
}

/** How far ahead the night is looked at, minutes. */
const TONIGHT_MIN = 14 * MIN_PER_HOUR;
const FROST_BELOW_C = 1;

/** The air of this minute with what the coming night does to it: frost on what stands in the shed. */
export function airSpotNow(shop: Shop, air: AirSources, nowMin: number): AirSpot {
  const { tempC, rhPct } = airNow(shop, air, nowMin);
  const { climate } = climateOf(shop, air, nowMin, nowMin + TONIGHT_MIN);
  const coldestC = Math.min(...climate.points.filter((p) => p.atMin >= nowMin).map((p) => p.tempC), tempC);
  return { tempC: toTenths(tempC), rhPct: toTenths(rhPct), frostTonight: coldestC < FROST_BELOW_C };
}
