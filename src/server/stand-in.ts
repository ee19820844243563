import type { StandIn, Weather } from "@/contracts";
import { MS_PER_MIN, seededRandom } from "@/core/base";
import { airAt } from "@/core/film";
import { saturationHPa } from "@/core/reference";
import { type Db, openDb } from "@/db";
import { nowMs } from "./clock";
import { expectedOf } from "./shed/air";
import { shopState, typicalOfShop } from "./shed/hours";
import { snapshotOf } from "./workspace/snapshot";

/**
 * A thermo-hygrometer that is not there: it takes the expected air, bends it by the weather chosen, and posts a reading every
 * half minute to the same documented endpoint a real one would. Off until it is switched on, and off again after a restart.
 */
const EVERY_MS = 30_000;
const STAND_IN_NAME = "stand-in hygrometer";

interface Bend {
  readonly tempC: number;
  /** % RH added after the vapour has been kept */
  readonly rhPct: number;
}
const BENDS: Readonly<Record<Weather, Bend>> = {
  "as-expected": { tempC: 0, rhPct: 0 },
  "cold-snap": { tempC: -6, rhPct: 0 },
  "heater-on": { tempC: 6, rhPct: 0 },
  "damp-spell": { tempC: 0, rhPct: 18 },
  fog: { tempC: -2, rhPct: 60 },
};
/** Scatter of a cheap sensor. */
const NOISE = { tempC: 0.2, rhPct: 1 } as const;
const RH_MOST = 98;

interface Running extends StandIn {
  readonly timer: ReturnType<typeof setInterval> | null;
}
const holder = globalThis as unknown as { elmBenchStandIn?: Running };
const state = (): Running => holder.elmBenchStandIn ?? { on: false, weather: "as-expected", timer: null };

export const standInState = (): StandIn => {
  const { on, weather } = state();
  return { on, weather };
};

const RH_LEAST = 5;
const round1 = (x: number): number => Math.round(x * 10) / 10;

/** The expected air bent by a weather, its vapour kept; `noise` in [0, 1) twice over scatters it. */
function bent(expected: { tempC: number; rhPct: number }, weather: Weather, noise: readonly [number, number]) {
  const bend = BENDS[weather];
  const tempC = expected.tempC + bend.tempC + NOISE.tempC * (2 * noise[0] - 1);
  const kept = (expected.rhPct * saturationHPa(expected.tempC)) / saturationHPa(tempC);
  const rhPct = Math.min(RH_MOST, Math.max(RH_LEAST, kept + bend.rhPct + NOISE.rhPct * (2 * noise[1] - 1)));
  return { tempC: round1(tempC), rhPct: round1(rhPct) };
}

/** What it would read now. */
function readingNow(weather: Weather): { at: string; temp_c: number; rh_pct: number; source: string } {
  const atMs = nowMs();
  const atMin = atMs / MS_PER_MIN;
  const s = snapshotOf(openDb());
  const expected = airAt(expectedOf(s.data.shopState.shop, s.air(null), atMin - 60, atMin + 60), atMin);
  const random = seededRandom(Math.floor(atMs / EVERY_MS));
  const { tempC, rhPct } = bent(expected, weather, [random(), random()]);
  return { at: new Date(atMs).toISOString(), temp_c: tempC, rh_pct: rhPct, source: STAND_IN_NAME };
}

/** The stand-in's own forecast of the next hours, as the file a forecaster would send. */
export function standInForecast(db: Db, weather: Weather, hours: number): string {
  const { shop } = shopState(db);
  const firstMin = Math.ceil(nowMs() / MS_PER_MIN / 60) * 60;
  const typical = typicalOfShop(shop, firstMin - 60, firstMin + hours * 60);
  const rows = Array.from({ length: hours + 1 }, (_, h) => {
    const atMin = firstMin + 60 * h;
    const { tempC, rhPct } = bent(airAt(typical, atMin), weather, [0.5, 0.5]);
    return `${new Date(atMin * MS_PER_MIN).toISOString()},${tempC},${rhPct}`;
  });
  return ["time,temp_c,rh_pct", ...rows, ""].join("\n");
}

/** Posts one reading over HTTP, as a device would. */
async function post(origin: string, weather: Weather): Promise<void> {
  const body = JSON.stringify({ readings: [readingNow(weather)] });
  const headers = { "content-type": "application/json" };
  const answer = await fetch(`${origin}/api/v1/climate/readings`, { method: "POST", headers, body });
  if (!answer.ok) throw new Error(`the endpoint answered ${answer.status}`);
}

/** Switches it on, off, or to other weather; switched on it sends its first reading at once. */
export async function switchStandIn(origin: string, wanted: StandIn): Promise<string | null> {
  const before = state().timer;
  if (before) clearInterval(before);
  if (!wanted.on) {
    holder.elmBenchStandIn = { ...wanted, timer: null };
    return null;
  }
  const tick = () => post(origin, wanted.weather).catch(() => undefined);
  const timer = setInterval(tick, EVERY_MS);
  timer.unref();
  holder.elmBenchStandIn = { ...wanted, timer };
  try {
    await post(origin, wanted.weather);
    return null;
  } catch (error) {
    return (error as Error).message;
  }
}
