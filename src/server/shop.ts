import { TZDate } from "@date-fns/tz";
import { done, invalid, type Outcome, type Shop, shopEditSchema } from "@/contracts";
import { MIN_PER_DAY, MS_PER_MIN } from "@/core/base";
import { airAt, type Climate, typicalClimate } from "@/core/film";
import type { BenchSession } from "@/core/model";
import { dewMarginC, saturationHPa } from "@/core/numbers";
import { type Db, insertShop, readShop, type ShopState, setCurrentModel, writeShop } from "@/db";
import { nowMs } from "./clock";
import { conflict, reading, writing } from "./guard";

/** A shed nobody has described yet: steady reference-like air, evenings in the week, Saturday daytime. */
function defaultShop(): Shop {
  const weekday = (day: number) => ({ weekday: day, from: "19:00", to: "21:30" });
  return {
    timeZone: Intl.DateTimeFormat().resolvedOptions().timeZone || "UTC",
    air: { kind: "day", meanC: 16, swingC: 4, warmestHour: 15, rhPct: 55, airflowMS: 0.1, tonight: null },
    protection: [],
    caution: "likely",
    pattern: [...[1, 2, 3, 4, 5].map(weekday), { weekday: 6, from: "10:00", to: "16:00" }],
    exceptions: [],
  };
}

/** The shed's settings; a first run gets the defaults without having to write them. */
export function shopState(db: Db): ShopState {
  return readShop(db) ?? { shop: defaultShop(), airSetMs: nowMs(), currentModelId: null, rev: 0 };
}

export const ensureShop = (db: Db): ShopState => {
  if (!readShop(db)) insertShop(db, defaultShop(), nowMs());
  return shopState(db);
};

export const getShop = (): Outcome<ShopState> => reading((db) => done(shopState(db)));

export function saveShop(rev: number, edit: unknown): Outcome<{ rev: number }> {
  const parsed = shopEditSchema.safeParse(edit);
  if (!parsed.success) return invalid(parsed.error);
  return writing((db) => {
    const state = ensureShop(db);
    const next = { ...state.shop, ...parsed.data } as Shop;
    const changed = writeShop(db, next, parsed.data.air ? nowMs() : state.airSetMs, rev);
    return changed === null ? conflict("The shed’s settings") : done({ rev: changed });
  });
}

export function chooseModel(modelId: string): Outcome<null> {
  return writing((db) => {
    ensureShop(db);
    setCurrentModel(db, modelId);
    return done(null);
  });
}

const offsetMin =
  (timeZone: string) =>
  (atMin: number): number =>
    -new TZDate(atMin * MS_PER_MIN, timeZone).getTimezoneOffset();

/** Wall-clock "HH:mm" on a local date, as absolute minutes; 24:00 is the next midnight. */
function localMin(timeZone: string, date: string, clock: string): number {
  const [y, m, d] = date.split("-").map(Number) as [number, number, number];
  const [hh, mm] = clock.split(":").map(Number) as [number, number];
  return new TZDate(y, m - 1, d, hh, mm, timeZone).getTime() / MS_PER_MIN;
}

export const localDate = (timeZone: string, ms: number): string => {
  const d = new TZDate(ms, timeZone);
  const two = (n: number) => String(n).padStart(2, "0");
  return `${d.getFullYear()}-${two(d.getMonth() + 1)}-${two(d.getDate())}`;
};

export function climateOfShop(shop: Shop, fromMin: number, toMin: number): Climate {
  const { air, timeZone } = shop;
  const tonightNoonMin = air.tonight ? localMin(timeZone, air.tonight.date, "12:00") : null;
  return typicalClimate(air, { localOffsetMin: offsetMin(timeZone), saturationHPa, tonightNoonMin }, fromMin, toMin);
}

/** The weekly pattern with its exceptions as absolute spans, rising and without overlap. */
export function benchSessions(shop: Shop, fromMin: number, toMin: number): readonly BenchSession[] {
  const spans: BenchSession[] = [];
  for (let t = fromMin - MIN_PER_DAY; t <= toMin + MIN_PER_DAY; t += MIN_PER_DAY) {
    const date = localDate(shop.timeZone, t * MS_PER_MIN);
    const weekday = ((new TZDate(t * MS_PER_MIN, shop.timeZone).getDay() + 6) % 7) + 1;
    const day =
      shop.exceptions.find((e) => e.date === date)?.spans ?? shop.pattern.filter((p) => p.weekday === weekday);
    for (const s of day)
      spans.push({ startMin: localMin(shop.timeZone, date, s.from), endMin: localMin(shop.timeZone, date, s.to) });
  }
  return joined(spans.filter((s) => s.endMin > fromMin && s.startMin < toMin));
}

function joined(spans: readonly BenchSession[]): readonly BenchSession[] {
  const rising = [...spans].sort((a, b) => a.startMin - b.startMin);
  const out: BenchSession[] = [];
  for (const s of rising) {
    const last = out.at(-1);
    if (last && s.startMin <= last.endMin) out[out.length - 1] = { ...last, endMin: Math.max(last.endMin, s.endMin) };
    else out.push(s);
  }
  return out;
}

export interface AirReading {
  readonly tempC: number;
  readonly rhPct: number;
  readonly dewMarginC: number;
}

export function airReading(shop: Shop, atMin: number): AirReading {
  const { tempC, rhPct } = airAt(climateOfShop(shop, atMin, atMin + 60), atMin);
  return { tempC, rhPct, dewMarginC: dewMarginC(tempC, rhPct) };
}
