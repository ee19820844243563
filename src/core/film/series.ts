import type { AirPoint } from "../model";
import {
  DEPARTURE_FADE_MIN,
  FORECAST_GAP_MAX_MIN,
  READING_GAP_MAX_MIN,
  READING_STEP_MIN,
  saturationHPa,
} from "../reference";
import { airAt, type Climate, climateOf } from "./climate";

/** What a stretch of a climate rests on. */
const PROVENANCES = ["measured", "forecast", "assumed"] as const;
export type Provenance = (typeof PROVENANCES)[number];

export interface ClimateSpan {
  readonly fromMin: number;
  readonly toMin: number;
  readonly from: Provenance;
}

/** A point as it was read or foretold; air that nobody measured moves as it usually does. */
export type AirWord = Omit<AirPoint, "airflowMS"> & { readonly airflowMS: number | null };

export interface ClimateSources {
  /** the typical day over the whole span, in rising order */
  readonly typical: Climate;
  /** rising in time */
  readonly forecast: readonly AirWord[];
  /** rising in time, none later than now */
  readonly readings: readonly AirWord[];
}

export interface AssembledClimate {
  readonly climate: Climate;
  /** covering the climate without a gap, rising */
  readonly spans: readonly ClimateSpan[];
}

/** Inside air never reads outside these, % RH. */
const RH_LEAST = 1;
const RH_MOST = 99;
const clampRh = (rhPct: number): number => Math.min(RH_MOST, Math.max(RH_LEAST, rhPct));

/** The forecast where it has points near enough to each other, else null. */
function forecastAt(
  words: readonly AirWord[],
  atMin: number,
): { tempC: number; rhPct: number; airflowMS: number | null } | null {
  const next = words.findIndex((w) => w.atMin >= atMin);
  if (next < 0) return null;
  const b = words[next]!;
  if (b.atMin === atMin) return b;
  const a = words[next - 1];
  if (!a || b.atMin - a.atMin > FORECAST_GAP_MAX_MIN) return null;
  const f = (atMin - a.atMin) / (b.atMin - a.atMin);
  return { tempC: a.tempC + f * (b.tempC - a.tempC), rhPct: a.rhPct + f * (b.rhPct - a.rhPct), airflowMS: a.airflowMS };
}

/** Words no nearer than a step to the last one kept; the newest always stays. */
function thinned(words: readonly AirWord[]): readonly AirWord[] {
  const kept: AirWord[] = [];
  words.forEach((w, i) => {
    const last = kept.at(-1);
    if (!last || w.atMin - last.atMin >= READING_STEP_MIN) kept.push(w);
    else if (i === words.length - 1) kept[kept.length - 1] = w;
  });
  return kept;
}

/** How a reading differs from what was expected then. Vapour is what a room keeps, so damp departs in vapour pressure. */
interface Departure {
  readonly atMin: number;
  readonly tempC: number;
  readonly vapourHPa: number;
}

const vapourHPa = (p: { tempC: number; rhPct: number }): number => (p.rhPct / 100) * saturationHPa(p.tempC);

function departed(base: AirPoint, dTempC: number, dVapourHPa: number): AirPoint {
  const tempC = base.tempC + dTempC;
  const rhPct = clampRh((100 * Math.max(0, vapourHPa(base) + dVapourHPa)) / saturationHPa(tempC));
  return { ...base, tempC, rhPct };
}

/** The two readings around a moment, by index of the later one. */
const laterThan = (readings: readonly AirWord[], atMin: number): number => {
  let lo = 0;
  let hi = readings.length;
  while (lo < hi) {
    const mid = (lo + hi) >> 1;
    if (readings[mid]!.atMin > atMin) hi = mid;
    else lo = mid + 1;
  }
  return lo;
};

/**
 * One climate from all that is known: readings where they lie close together; else the forecast; else the typical day. What
 * a reading says beyond what was expected fades over the hours around it (before the next reading, after the last), so that
 * measured truth moves what comes.
 */
export function assembleClimate(sources: ClimateSources): AssembledClimate {
  const readings = thinned(sources.readings);
  const { typical, forecast } = sources;
  const baseAt = (atMin: number): { point: AirPoint; from: Provenance } => {
    const usual = airAt(typical, atMin);
    const word = forecastAt(forecast, atMin);
    if (!word) return { point: usual, from: "assumed" };
    return {
      point: { atMin, tempC: word.tempC, rhPct: word.rhPct, airflowMS: word.airflowMS ?? usual.airflowMS },
      from: "forecast",
    };
  };
  const departures: Departure[] = readings.map((r) => {
    const { point } = baseAt(r.atMin);
    return { atMin: r.atMin, tempC: r.tempC - point.tempC, vapourHPa: vapourHPa(r) - vapourHPa(point) };
  });
  const times = new Set(typical.points.map((p) => p.atMin));
  const first = typical.points[0]!.atMin;
  const last = typical.points.at(-1)!.atMin;
  for (const w of [...readings, ...forecast]) if (w.atMin >= first && w.atMin <= last) times.add(w.atMin);
  const told = [...times]
    .sort((a, b) => a - b)
    .map((atMin) => {
      const { point, from } = baseAt(atMin);
      const next = laterThan(readings, atMin);
      const a = readings[next - 1];
      if (a?.atMin === atMin) return { point: wordPoint(a, point), from: "measured" as const };
      const b = readings[next];
      if (a && b && b.atMin - a.atMin <= READING_GAP_MAX_MIN)
        return { point: between(a, b, point), from: "measured" as const };
      return { point: faded(point, departures[next - 1], departures[next]), from };
    });
  return { climate: climateOf(told.map((t) => t.point)), spans: spansOf(told) };
}

const wordPoint = (w: AirWord, base: AirPoint): AirPoint => ({
  ...w,
  rhPct: clampRh(w.rhPct),
  airflowMS: w.airflowMS ?? base.airflowMS,
});

function between(a: AirWord, b: AirWord, base: AirPoint): AirPoint {
  const f = (base.atMin - a.atMin) / (b.atMin - a.atMin);
  return {
    atMin: base.atMin,
    tempC: a.tempC + f * (b.tempC - a.tempC),
    rhPct: clampRh(a.rhPct + f * (b.rhPct - a.rhPct)),
    airflowMS: a.airflowMS ?? base.airflowMS,
  };
}

function faded(base: AirPoint, before: Departure | undefined, after: Departure | undefined): AirPoint {
  const past = before ? Math.exp(-(base.atMin - before.atMin) / DEPARTURE_FADE_MIN) : 0;
  const ahead = after ? Math.exp(-(after.atMin - base.atMin) / DEPARTURE_FADE_MIN) : 0;
  // between two far readings each has its say by nearness, so that both are met
  const share = before && after ? (base.atMin - before.atMin) / (after.atMin - before.atMin) : 0;
  const p = before ? past * (after ? 1 - share : 1) : 0;
  const n = after ? ahead * (before ? share : 1) : 0;
  return departed(
    base,
    p * (before?.tempC ?? 0) + n * (after?.tempC ?? 0),
    p * (before?.vapourHPa ?? 0) + n * (after?.vapourHPa ?? 0),
  );
}

function spansOf(told: readonly { point: AirPoint; from: Provenance }[]): readonly ClimateSpan[] {
  const spans: ClimateSpan[] = [];
  told.forEach(({ point, from }, i) => {
    const toMin = told[i + 1]?.point.atMin ?? point.atMin;
    const open = spans.at(-1);
    // a stretch belongs to what both its ends rest on, the weaker of the two
    const next = told[i + 1]?.from ?? from;
    const kind = weaker(from, next);
    if (open?.from === kind) spans[spans.length - 1] = { ...open, toMin };
    else if (toMin > point.atMin) spans.push({ fromMin: point.atMin, toMin, from: kind });
  });
  return spans;
}

const weaker = (a: Provenance, b: Provenance): Provenance => (PROVENANCES.indexOf(a) >= PROVENANCES.indexOf(b) ? a : b);

/** Air of its own for a part, for a while. */
export interface LocalAir {
  readonly kind: "warm-box" | "booth" | "brought-in";
  readonly fromMin: number;
  /** when it ends; of a part brought in, the moment itself */
  readonly toMin: number;
  /** of the box or the place it came from, °C; null = as the room */
  readonly tempC: number | null;
  /** m/s; null = as the room */
  readonly airflowMS: number | null;
}

const LOCAL_STEP_MIN = 5;
/** A part this near to the air around it is taken to be at its temperature, °C. */
const SETTLED_C = 0.05;

/**
 * The air at one part: the room's, but for its stays elsewhere. The part follows the air around it with its own lag; its
 * humidity is the room's vapour over saturation at the part (100 % and more is water on it).
 * @param lagMin time constant of the part
 */
export function climateAt(room: Climate, locals: readonly LocalAir[], lagMin: number): Climate {
  if (locals.length === 0) return room;
  const first = Math.min(...locals.map((l) => l.fromMin));
  const last = Math.max(...locals.map((l) => l.toMin));
  const before = room.points.filter((p) => p.atMin < first);
  const points: AirPoint[] = [...before];
  let partC = airAt(room, first).tempC;
  let t = first;
  for (; t <= last || Math.abs(partC - airAt(room, t).tempC) > SETTLED_C; t += LOCAL_STEP_MIN) {
    const here =
      locals.filter((l) => l.fromMin <= t && t < Math.max(l.toMin, l.fromMin + LOCAL_STEP_MIN)).at(-1) ?? null;
    const air = airAt(room, t);
    if (here?.kind === "brought-in" && t < here.fromMin + LOCAL_STEP_MIN) partC = here.tempC ?? air.tempC;
    const aroundC = here && here.kind !== "brought-in" ? (here.tempC ?? air.tempC) : air.tempC;
    points.push(atPart(air, partC, here?.airflowMS ?? air.airflowMS));
    partC = aroundC + (partC - aroundC) * Math.exp(-LOCAL_STEP_MIN / lagMin);
  }
  points.push(...room.points.filter((p) => p.atMin >= t));
  return climateOf(points);
}

const atPart = (air: AirPoint, partC: number, airflowMS: number): AirPoint => ({
  atMin: air.atMin,
  tempC: partC,
  rhPct: (100 * vapourHPa(air)) / saturationHPa(partC),
  airflowMS,
});
