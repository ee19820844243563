import { TZDate } from "@date-fns/tz";
import type { Showing } from "@/contracts/showing";
import { MIN_PER_DAY, MIN_PER_HOUR, MS_PER_MIN } from "@/core/base";
import { showing } from "./showing";

/** All times on screen are in the shed's own zone, whatever the device thinks. */
const formatter = (timeZone: string, options: Intl.DateTimeFormatOptions): Intl.DateTimeFormat => {
  const key = timeZone + JSON.stringify(options);
  const made = known.get(key) ?? new Intl.DateTimeFormat("en-GB", { timeZone, ...options });
  known.set(key, made);
  return made;
};
const known = new Map<string, Intl.DateTimeFormat>();

/** "19:00", or "7:00 pm" for who reads it so. */
export const clock = (atMin: number, timeZone: string): string =>
  clockShown(formatter(timeZone, { hour: "2-digit", minute: "2-digit", hourCycle: "h23" }).format(atMin * MS_PER_MIN));
const DAY_PARTS: Readonly<Record<Showing["dates"], Intl.DateTimeFormatOptions>> = {
  dmy: { weekday: "short", day: "numeric", month: "short" },
  mdy: { weekday: "short", day: "numeric", month: "short" },
  ymd: { weekday: "short", day: "2-digit", month: "2-digit" },
};
/** "Sat 28 Nov", "Sat Nov 28" or "Sat 11-28". */
export function day(atMin: number, timeZone: string): string {
  const order = showing().dates;
  const of = Object.fromEntries(
    formatter(timeZone, DAY_PARTS[order])
      .formatToParts(atMin * MS_PER_MIN)
      .map((p) => [p.type, p.value]),
  );
  if (order === "dmy") return `${of.weekday} ${of.day} ${of.month}`;
  return order === "mdy" ? `${of.weekday} ${of.month} ${of.day}` : `${of.weekday} ${of.month}-${of.day}`;
}
export const dayClock = (atMin: number, timeZone: string): string =>
  `${day(atMin, timeZone)}, ${clock(atMin, timeZone)}`;

/** "today 21:40", "tomorrow 09:15", "Sat 28 Nov, 10:00". */
export function relativeDay(atMin: number, nowMin: number, timeZone: string): string {
  const date = (m: number) =>
    formatter(timeZone, { year: "numeric", month: "2-digit", day: "2-digit" }).format(m * MS_PER_MIN);
  if (date(atMin) === date(nowMin)) return `today ${clock(atMin, timeZone)}`;
  if (date(atMin) === date(nowMin + MIN_PER_DAY)) return `tomorrow ${clock(atMin, timeZone)}`;
  return dayClock(atMin, timeZone);
}

/** 95 → "1 h 35 min"; 4 000 → "2 d 18 h". Never negative. */
export function duration(minutes: number): string {
  const m = Math.max(0, Math.round(minutes));
  if (m < MIN_PER_HOUR) return `${m} min`;
  if (m < 2 * MIN_PER_DAY)
    return m % MIN_PER_HOUR === 0
      ? `${m / MIN_PER_HOUR} h`
      : `${Math.floor(m / MIN_PER_HOUR)} h ${m % MIN_PER_HOUR} min`;
  const hours = Math.round(m / MIN_PER_HOUR);
  return hours % 24 === 0 ? `${hours / 24} d` : `${Math.floor(hours / 24)} d ${hours % 24} h`;
}

/** Counting down by the second: "0:42", "12:05", "3:07:30". */
export function countdown(seconds: number): string {
  const s = Math.max(0, Math.floor(seconds));
  const two = (n: number) => String(n).padStart(2, "0");
  const h = Math.floor(s / 3600);
  return h > 0 ? `${h}:${two(Math.floor((s % 3600) / 60))}:${two(s % 60)}` : `${Math.floor(s / 60)}:${two(s % 60)}`;
}

/** "just now", "12 min ago", "3 h ago", "2 d ago". */
export function ago(thenMs: number, nowMs: number): string {
  const min = Math.floor((nowMs - thenMs) / MS_PER_MIN);
  if (min < 1) return "just now";
  if (min < 2 * MIN_PER_HOUR) return `${min} min ago`;
  return min < 2 * MIN_PER_DAY ? `${Math.floor(min / MIN_PER_HOUR)} h ago` : `${Math.floor(min / MIN_PER_DAY)} d ago`;
}

/** The shed's wall clock as "2026-11-26 19:20", for axes. */
export function wallClock(atMin: number, timeZone: string): string {
  const parts = Object.fromEntries(
    formatter(timeZone, {
      year: "numeric",
      month: "2-digit",
      day: "2-digit",
      hour: "2-digit",
      minute: "2-digit",
      hourCycle: "h23",
    })
      .formatToParts(atMin * MS_PER_MIN)
      .map((p) => [p.type, p.value]),
  );
  return `${parts.year}-${parts.month}-${parts.day} ${parts.hour}:${parts.minute}`;
}

/** The moment a wall clock of the shed shows "2026-11-26T19:20"; null for what is no moment. */
export function minOfWallClock(text: string, timeZone: string): number | null {
  const found = /^(\d{4})-(\d{2})-(\d{2})[T ](\d{2}):(\d{2})/.exec(text);
  if (!found) return null;
  const [y, mo, d, h, mi] = found.slice(1).map(Number) as [number, number, number, number, number];
  return new TZDate(y, mo - 1, d, h, mi, timeZone).getTime() / MS_PER_MIN;
}

/** A time of day however it was typed ("7", "1930", "7.30 pm") as HH:MM; what is none stays as it is, to be refused by its field. */
export function clockTyped(text: string): string {
  const found = /^\s*(\d{1,2})(?:[:.h ]?(\d{2}))?\s*(am|pm)?\s*$/i.exec(text);
  if (!found) return text.trim();
  const half = found[3]?.toLowerCase();
  const told = Number(found[1]);
  const hour = half === undefined ? told : (told % 12) + (half === "pm" ? 12 : 0);
  const minute = Number(found[2] ?? 0);
  if (hour > 23 || minute > 59 || (half !== undefined && (told < 1 || told > 12))) return text.trim();
  return `${String(hour).padStart(2, "0")}:${String(minute).padStart(2, "0")}`;
}

const NOON_HOUR = 12;
/** A stored time of day such as "19:00" as this reader writes it: "19:00" or "7:00 pm". What is no time stays as it is. */
export function clockShown(text: string): string {
  const found = /^(\d{2}):(\d{2})$/.exec(text);
  if (!found || showing().clock === "24") return text;
  const hour = Number(found[1]) % 24;
  return `${hour % NOON_HOUR || NOON_HOUR}:${found[2]} ${hour < NOON_HOUR ? "am" : "pm"}`;
}

/** The clock of a chart's axis, as d3 writes times. */
export const chartClock = (): string => (showing().clock === "24" ? "%H:%M" : "%-I:%M %p");
