import { TZDate } from "@date-fns/tz";
import type { Shop, SpareDay } from "@/contracts";
import { MIN_PER_DAY, MS_PER_MIN } from "@/core/base";
import { type Climate, typicalClimate } from "@/core/film";
import type { BenchSession } from "@/core/model";
import { type Db, insertShop, PLAIN_SHOP, readShop, type ShopState } from "@/db";
import { nowMs } from "../clock";

/** A shed nobody has described yet: evenings in the week, Saturday daytime. */
function defaultShop(): Shop {
  const weekday = (day: number) => ({ weekday: day, from: "19:00", to: "21:30" });
  return {
    ...PLAIN_SHOP,
    timeZone: Intl.DateTimeFormat().resolvedOptions().timeZone || PLAIN_SHOP.timeZone,
    pattern: [...[1, 2, 3, 4, 5].map(weekday), { weekday: 6, from: "10:00", to: "16:00" }],
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

const KEEP_OF_ZONE = 50_000;

/** Looked up so far, by zone: the zone database is slow to ask and never changes its mind. */
function knownOfZone<K, V>(look: (timeZone: string, key: K) => V): (timeZone: string) => (key: K) => V {
  const zones = new Map<string, Map<K, V>>();
  return (timeZone) => {
    const known = zones.get(timeZone) ?? new Map<K, V>();
    zones.set(timeZone, known);
    return (key) => {
      const before = known.get(key);
      if (before !== undefined) return before;
      if (known.size >= KEEP_OF_ZONE) known.clear();
      const value = look(timeZone, key);
      known.set(key, value);
      return value;
    };
  };
}

/** Clocks are changed on the quarter of an hour, in whatever zone. */
const OFFSET_STEP_MIN = 15;
const offsetOfQuarter = knownOfZone(
  (timeZone, quarter: number) => -new TZDate(quarter * OFFSET_STEP_MIN * MS_PER_MIN, timeZone).getTimezoneOffset(),
);

/** Minutes to add to UTC for the wall clock. */
function offsetMin(timeZone: string): (atMin: number) => number {
  const of = offsetOfQuarter(timeZone);
  return (atMin) => of(Math.floor(atMin / OFFSET_STEP_MIN));
}

const momentOf = knownOfZone((timeZone, wall: string) => {
  const [date, clock] = wall.split(" ") as [string, string];
  const [y, m, d] = date.split("-").map(Number) as [number, number, number];
  const [hh, mm] = clock.split(":").map(Number) as [number, number];
  return new TZDate(y, m - 1, d, hh, mm, timeZone).getTime() / MS_PER_MIN;
});

/** Wall-clock "HH:mm" on a local date, as absolute minutes; 24:00 is the next midnight. */
export const localMin = (timeZone: string, date: string, clock: string): number =>
  momentOf(timeZone)(`${date} ${clock}`);

export const localDate = (timeZone: string, ms: number): string =>
  new Date(ms + offsetMin(timeZone)(ms / MS_PER_MIN) * MS_PER_MIN).toISOString().slice(0, 10);

const MOST_TYPICAL = 12;
const typicals = new Map<string, Climate>();

/** The air nobody measured or foretold; the very same for the same stretch of time. */
export function typicalOfShop({ air, timeZone }: Shop, fromMin: number, toMin: number): Climate {
  const key = JSON.stringify([air, timeZone, fromMin, toMin]);
  const own = typicals.get(key) ?? typicalFor(air, timeZone, fromMin, toMin);
  if (typicals.size >= MOST_TYPICAL) typicals.clear();
  typicals.set(key, own);
  return own;
}

function typicalFor(air: Shop["air"], timeZone: string, fromMin: number, toMin: number): Climate {
  const tonightNoonMin = air.tonight ? localMin(timeZone, air.tonight.date, "12:00") : null;
  return typicalClimate(air, { localOffsetMin: offsetMin(timeZone), tonightNoonMin }, fromMin, toMin);
}

/** Every local date from the day before one moment to the day after another; days are counted, not hours, so none is lost when clocks change. */
export function localDates(timeZone: string, fromMin: number, toMin: number): readonly string[] {
  const last = localDate(timeZone, (toMin + MIN_PER_DAY) * MS_PER_MIN);
  const dates = [localDate(timeZone, (fromMin - MIN_PER_DAY) * MS_PER_MIN)];
  while (dates.at(-1)! < last) {
    const next = new Date(`${dates.at(-1)}T00:00:00Z`);
    next.setUTCDate(next.getUTCDate() + 1);
    dates.push(next.toISOString().slice(0, 10));
  }
  return dates;
}

/** 1 = Monday; a calendar date has its weekday whatever the zone. */
const weekdayOf = (date: string): number => ((new Date(`${date}T00:00:00Z`).getUTCDay() + 6) % 7) + 1;

/** The weekly pattern with its exceptions as absolute spans, rising and without overlap. */
export function benchSessions(shop: Shop, fromMin: number, toMin: number): readonly BenchSession[] {
  const spans = localDates(shop.timeZone, fromMin, toMin).flatMap((date) => {
    const exception = shop.exceptions.find((e) => e.date === date)?.spans;
    const day = exception ?? shop.pattern.filter((p) => p.weekday === weekdayOf(date));
    return day.map((s) => ({
      startMin: localMin(shop.timeZone, date, s.from),
      endMin: localMin(shop.timeZone, date, s.to),
    }));
  });
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

const MOST_SPARE = 3;

/** The next evenings, at the hours one mostly comes, on which one does not, before a moment; soonest first, three at the most. */
export function spareSessions(shop: Shop, fromMin: number, beforeMin: number): readonly SpareDay[] {
  const [usual] = [...shop.pattern].sort(
    (a, b) => shop.pattern.filter((s) => sameHours(s, b)).length - shop.pattern.filter((s) => sameHours(s, a)).length,
  );
  if (!usual) return [];
  const free = localDates(shop.timeZone, fromMin, beforeMin).flatMap((date) => {
    const [startMin, endMin] = [usual.from, usual.to].map((at) => localMin(shop.timeZone, date, at)) as [
      number,
      number,
    ];
    // a day somebody said something of is a day he has thought about
    const isFree = benchSessions(shop, startMin, endMin).length === 0 && !shop.exceptions.some((x) => x.date === date);
    if (!isFree || startMin <= fromMin || endMin >= beforeMin) return [];
    const own = { from: usual.from, to: usual.to };
    const usualDay = shop.pattern.filter((s) => s.weekday === weekdayOf(date)).map(({ from, to }) => ({ from, to }));
    const spans = [...usualDay, own].sort((a, b) => (a.from < b.from ? -1 : 1));
    return [{ date, ...own, startMin, endMin, spans }];
  });
  return free.slice(0, MOST_SPARE);
}

const sameHours = (a: { from: string; to: string }, b: { from: string; to: string }): boolean =>
  a.from === b.from && a.to === b.to;
