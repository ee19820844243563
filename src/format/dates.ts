import type { Showing } from "@/contracts/showing";
import { showing } from "./showing";

/** Calendar days as this reader writes them; stored, in files and in the API they are always 2026-11-28. */

const MONTHS = ["Jan", "Feb", "Mar", "Apr", "May", "Jun", "Jul", "Aug", "Sep", "Oct", "Nov", "Dec"];
const ISO = /^(\d{4})-(\d{2})-(\d{2})$/;

/** "28 Nov 2026", "Nov 28, 2026" or "2026-11-28". What is no day stays as it is. */
export function dateShown(iso: string): string {
  const found = ISO.exec(iso);
  const month = MONTHS[Number(found?.[2]) - 1];
  if (!found || !month || showing().dates === "ymd") return iso;
  const day = Number(found[3]);
  return showing().dates === "mdy" ? `${month} ${day}, ${found[1]}` : `${day} ${month} ${found[1]}`;
}

/** What an empty field shows as an example. */
export const DATE_EXAMPLE: Readonly<Record<Showing["dates"], string>> = {
  dmy: "28 Nov 2026",
  mdy: "Nov 28, 2026",
  ymd: "2026-11-28",
};

const two = (n: number): string => String(n).padStart(2, "0");
function isoOf(year: number, month: number, day: number): string | null {
  const real = new Date(Date.UTC(year, month - 1, day));
  const same = real.getUTCFullYear() === year && real.getUTCMonth() === month - 1 && real.getUTCDate() === day;
  return same ? `${year}-${two(month)}-${two(day)}` : null;
}
const monthNamed = (name: string): number =>
  MONTHS.findIndex((m) => m.toLowerCase() === name.slice(0, 3).toLowerCase()) + 1;
const fullYear = (text: string | undefined, today: string): number => {
  if (text === undefined) return Number(today.slice(0, 4));
  return text.length === 2 ? 2000 + Number(text) : Number(text);
};

/**
 * A day however it was typed: "28/11/2026", "28.11.", "28 nov", "Nov 28 2026", "2026-11-28"; the order of figures is the
 * reader's own. Without a year it is the year of today. What is no day stays as it was typed, to be refused by its field.
 */
export function dateTyped(text: string, today: string): string {
  const t = text.trim();
  if (ISO.test(t)) return t;
  const named = /^(?:(\d{1,2})[ .]*([a-z]{3,})|([a-z]{3,})\.? *(\d{1,2}))[,. ]*(\d{2}|\d{4})?$/i.exec(t);
  if (named) {
    const month = monthNamed(named[2] ?? named[3]!);
    return (month > 0 && isoOf(fullYear(named[5], today), month, Number(named[1] ?? named[4]))) || t;
  }
  const year = /^(\d{4})[./ -](\d{1,2})[./ -](\d{1,2})$/.exec(t);
  if (year) return isoOf(Number(year[1]), Number(year[2]), Number(year[3])) ?? t;
  const figures = /^(\d{1,2})[./ -]+(\d{1,2})(?:[./ -]+(\d{2}|\d{4})?)?$/.exec(t);
  if (!figures) return t;
  const [a, b] = [Number(figures[1]), Number(figures[2])];
  const [month, day] = showing().dates === "dmy" ? [b, a] : [a, b];
  return isoOf(fullYear(figures[3], today), month, day) ?? t;
}
