import { assert, MIN_PER_DAY, MIN_PER_HOUR } from "../base";
import type { AirPoint, AirSetting } from "../model";
import { saturationHPa } from "../reference";

/** Air over time: points in rising order, linear between them, held flat before the first and after the last. */
export interface Climate {
  /** non-empty, atMin strictly rising */
  readonly points: readonly AirPoint[];
}

export function climateOf(points: readonly AirPoint[]): Climate {
  assert(points.length > 0, "a climate needs at least one point");
  for (let i = 1; i < points.length; i++) {
    assert(points[i]!.atMin > points[i - 1]!.atMin, `climate points must rise in time at ${i}`);
  }
  return { points };
}

/** Index of the last point at or before `atMin`; -1 when before the first. */
export function pointBefore(points: readonly AirPoint[], atMin: number): number {
  let lo = -1;
  let hi = points.length - 1;
  while (lo < hi) {
    const mid = (lo + hi + 1) >> 1;
    if (points[mid]!.atMin <= atMin) lo = mid;
    else hi = mid - 1;
  }
  return lo;
}

export const airAt = (climate: Climate, atMin: number): AirPoint =>
  between(climate.points, pointBefore(climate.points, atMin), atMin);

/** The same for who asks forwards in small steps: the place found last is nearly always right or next to it. */
export function airAlong({ points }: Climate): (atMin: number) => AirPoint {
  let i = -1;
  return (atMin) => {
    if (i >= 0 && points[i]!.atMin > atMin) i = pointBefore(points, atMin);
    while (i + 1 < points.length && points[i + 1]!.atMin <= atMin) i += 1;
    return between(points, i, atMin);
  };
}

/** The air at a minute whose last point before is the i-th; -1 = it lies before the first. */
function between(points: readonly AirPoint[], i: number, atMin: number): AirPoint {
  if (i < 0) return { ...points[0]!, atMin };
  const a = points[i]!;
  const b = points[i + 1];
  if (!b) return { ...a, atMin };
  const f = (atMin - a.atMin) / (b.atMin - a.atMin);
  return {
    atMin,
    tempC: a.tempC + f * (b.tempC - a.tempC),
    rhPct: a.rhPct + f * (b.rhPct - a.rhPct),
    airflowMS: a.airflowMS + f * (b.airflowMS - a.airflowMS),
  };
}

export interface TypicalAirContext {
  /** minutes to add to UTC for the wall clock in the shed */
  readonly localOffsetMin: (atMin: number) => number;
  /** noon before the night that `tonight` bends, absolute; null when it bends none */
  readonly tonightNoonMin: number | null;
}

const STEP_MIN = 30;
/** Indoor air with its windows shut never reads above this, % RH. */
const RH_SHOWN_MAX_PCT = 99;

/** 0 at the warmest hour, 1 twelve hours away from it. */
function nightWeight(setting: AirSetting, localMin: number): number {
  const phase = ((localMin / MIN_PER_HOUR - setting.warmestHour) * 2 * Math.PI) / 24;
  return (1 - Math.cos(phase)) / 2;
}

/**
 * A typical day as a cosine about its mean, warmest at its hour; steady air is the same with no swing.
 * Vapour pressure stays what the mean temperature and humidity make it, so cold hours are damp hours.
 * The night named by `tonight` is bent, by the weight of the hour, down or up to its coldest value.
 */
function typicalAir(setting: AirSetting, ctx: TypicalAirContext, atMin: number): AirPoint {
  const localMin = (((atMin + ctx.localOffsetMin(atMin)) % MIN_PER_DAY) + MIN_PER_DAY) % MIN_PER_DAY;
  const swingC = setting.kind === "day" ? setting.swingC : 0;
  const weight = nightWeight(setting, localMin);
  let tempC = setting.meanC + swingC * (1 - 2 * weight);
  const noon = ctx.tonightNoonMin;
  if (setting.tonight && noon !== null && atMin >= noon && atMin < noon + MIN_PER_DAY) {
    tempC += weight * (setting.tonight.coldestC - (setting.meanC - swingC));
  }
  const vapourHPa = (setting.rhPct / 100) * saturationHPa(setting.meanC);
  const rhPct = Math.min(RH_SHOWN_MAX_PCT, (100 * vapourHPa) / saturationHPa(tempC));
  return { atMin, tempC, rhPct, airflowMS: setting.airflowMS };
}

/** The setting as a series of half-hour points covering [fromMin, toMin]. */
export function typicalClimate(setting: AirSetting, ctx: TypicalAirContext, fromMin: number, toMin: number): Climate {
  const points: AirPoint[] = [];
  const first = Math.floor(fromMin / STEP_MIN) * STEP_MIN;
  for (let t = first; t <= toMin + STEP_MIN; t += STEP_MIN) points.push(typicalAir(setting, ctx, t));
  return climateOf(points);
}
