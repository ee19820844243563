import { TZDate } from "@date-fns/tz";
import Papa from "papaparse";
import { z } from "zod";
import { type AirRecord, type FileFault, type ForecastPreview, saneYear, YEARS_SPAN } from "@/contracts";
import { MS_PER_MIN } from "@/core/base";
import { FORECAST_GAP_MAX_MIN } from "@/core/reference";

/** Reads a forecast from CSV or JSON. What can be taken for granted is, and is said; what cannot is refused with its place. */

const FORECAST_FORMAT = "elm-bench-forecast/1";
const TEMP = { leastC: -40, mostC: 60 } as const;
/** No shed changes faster than this between two neighbouring hours: the units must be mixed, °C. */
const JUMP_MAX_C = 20;
const POINTS_MAX = 5000;
const TOO_MANY = `holds more than ${POINTS_MAX} hours`;
/** Each hour told twice, and room for notes: more is not read at all. */
const ROWS_MAX = 2 * POINTS_MAX;
const MOST_CHARS = 2_000_000;
const GAPS_TOLD = 4;

interface Cell {
  readonly line: number;
  readonly time: string;
  readonly temp: string;
  readonly rh: string;
  readonly airflow: string;
}
type TempUnit = "C" | "F";

interface Draft {
  readonly line: number;
  readonly point: AirRecord;
}

const cFromF = (f: number): number => ((f - 32) * 5) / 9;

/** A number with or without its unit; a decimal comma is read as people of half the world write it. */
function readNumber(text: string): { value: number; unit: string } | null {
  const match = /^(-?\d+(?:[.,]\d+)?)\s*(°?\s*[CF]|%|m\/s)?$/i.exec(text.trim());
  if (!match) return null;
  return { value: Number(match[1]!.replace(",", ".")), unit: (match[2] ?? "").replace(/[°\s]/g, "").toUpperCase() };
}

const TIME = /^(\d{4})-(\d\d)-(\d\d)[T ](\d\d):(\d\d)(?::(\d\d)(?:\.\d+)?)?(z|[+-]\d\d:?\d\d)?$/i;
const isLocal = (time: string): boolean => {
  const m = TIME.exec(time.trim());
  return m !== null && m[7] === undefined;
};

/**
 * A moment. Without an offset it is the shed's own clock; an hour that comes twice when clocks go back is taken as the one
 * that follows the row before, an hour that is skipped when they go forward is refused.
 */
function readTime(text: string, timeZone: string, beforeMs: number | null): number | string {
  const t = text.trim();
  const m = TIME.exec(t);
  if (!m) return "is not a time such as 2026-11-26 19:00 or 2026-11-26T19:00:00Z";
  const [y, mo, d, h, mi] = m.slice(1, 6).map(Number) as [number, number, number, number, number];
  const day = new Date(Date.UTC(y, mo - 1, d));
  if (day.getUTCMonth() !== mo - 1 || day.getUTCDate() !== d) return "is a day no calendar has";
  if (h > 23 || mi > 59 || Number(m[6] ?? 0) > 59) return "is an hour no clock shows";
  if (!saneYear(t)) return YEARS_SPAN;
  if (m[7]) return Date.parse(t.replace(" ", "T"));
  const first = new TZDate(y, mo - 1, d, h, mi, timeZone);
  if (first.getHours() !== h || first.getDate() !== d) return "does not exist: clocks go forward over it";
  // the same hour on the wall may come twice, an hour (somewhere half of one) apart
  const all = [-60, -30, 0, 30, 60]
    .map((min) => new TZDate(first.getTime() + min * MS_PER_MIN, timeZone))
    .filter((t2) => t2.getHours() === h && t2.getMinutes() === mi && t2.getDate() === d)
    .map((t2) => t2.getTime());
  return all.find((ms) => beforeMs === null || ms > beforeMs) ?? all[0]!;
}

const jsonSchema = z.object({
  format: z.literal(FORECAST_FORMAT).optional(),
  points: z.array(z.record(z.string(), z.union([z.string(), z.number(), z.null()]))),
});

interface Table {
  readonly cells: readonly Cell[];
  readonly unit: TempUnit;
  readonly faults: readonly FileFault[];
}
const nothing = (fault: FileFault): Table => ({ cells: [], unit: "C", faults: [fault] });

const TIME_NAMES = ["time", "at"];
const TEMP_NAMES: Readonly<Record<string, TempUnit>> = { temp_c: "C", temp_f: "F" };

function tableFrom(head: readonly string[], rows: readonly { line: number; data: readonly string[] }[]): Table {
  const names = head.map((h) => h.trim().toLowerCase());
  const at = (wanted: readonly string[]) => names.findIndex((n) => wanted.includes(n));
  const temps = Object.keys(TEMP_NAMES).filter((n) => names.includes(n));
  if (temps.length > 1)
    return nothing({ line: 1, column: "temp_f", message: "units are mixed: there is a temp_c and a temp_f; keep one" });
  const time = at(TIME_NAMES);
  const temp = temps[0] ?? "temp_c";
  const tempAt = at([temp]);
  const rhAt = at(["rh_pct"]);
  const airflowAt = at(["airflow_m_s"]);
  const missing = [
    [time, "time"],
    [tempAt, "temp_c"],
    [rhAt, "rh_pct"],
  ] as const;
  const faults = missing
    .filter(([i]) => i < 0)
    .map(([, column]): FileFault => ({ line: 1, column, message: "is missing from the heading line" }));
  const known = [time, tempAt, rhAt, airflowAt];
  names.forEach((n, i) => {
    if (!known.includes(i) && n !== "")
      faults.push({ line: 1, column: head[i]!.trim(), message: "is no column known here" });
  });
  const cells = rows.map(({ line, data }) => ({
    line,
    time: data[time] ?? "",
    temp: data[tempAt] ?? "",
    rh: data[rhAt] ?? "",
    airflow: airflowAt < 0 ? "" : (data[airflowAt] ?? ""),
  }));
  return { cells, unit: TEMP_NAMES[temp]!, faults };
}

function csvTable(text: string): Table {
  const { data } = Papa.parse<string[]>(text.replace(/^\uFEFF/, ""), { skipEmptyLines: false });
  const rows = data.map((d, i) => ({ line: i + 1, data: d })).filter((r) => r.data.some((c) => c.trim() !== ""));
  const [head, ...rest] = rows;
  return head ? tableFrom(head.data, rest) : nothing({ line: 1, column: "", message: "the file holds nothing" });
}

function jsonTable(text: string): Table {
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch (error) {
    return nothing({ line: 1, column: "", message: `is not JSON: ${(error as Error).message}` });
  }
  const parsed = jsonSchema.safeParse(Array.isArray(value) ? { points: value } : value);
  if (!parsed.success)
    return nothing({ line: 1, column: "points", message: `must be ${FORECAST_FORMAT} with a list of points` });
  const head = [...new Set(parsed.data.points.flatMap((p) => Object.keys(p)))];
  return tableFrom(
    head,
    parsed.data.points.map((p, i) => ({ line: i + 1, data: head.map((h) => String(p[h] ?? "")) })),
  );
}

function draftOf(cell: Cell, unit: TempUnit, timeZone: string, beforeMs: number | null): Draft | FileFault {
  const fault = (column: string, message: string): FileFault => ({ line: cell.line, column, message });
  const atMs = readTime(cell.time, timeZone, beforeMs);
  if (typeof atMs === "string") return fault("time", atMs);
  const tempName = unit === "C" ? "temp_c" : "temp_f";
  const temp = readNumber(cell.temp);
  if (!temp) return fault(tempName, "must be a number");
  if (temp.unit !== "" && temp.unit !== unit)
    return fault(tempName, `units are mixed: it is in °${temp.unit} where the heading says °${unit}`);
  const tempC = unit === "C" ? temp.value : cFromF(temp.value);
  if (tempC < TEMP.leastC || tempC > TEMP.mostC)
    return fault(tempName, `must be between ${TEMP.leastC} and ${TEMP.mostC} °C`);
  const rh = readNumber(cell.rh);
  if (!rh) return fault("rh_pct", "must be a number");
  if (rh.value < 0 || rh.value > 100) return fault("rh_pct", "must be between 0 and 100 % RH");
  const airflow = cell.airflow.trim() === "" ? null : readNumber(cell.airflow);
  if (cell.airflow.trim() !== "" && (!airflow || airflow.value < 0 || airflow.value > 10))
    return fault("airflow_m_s", "must be between 0 and 10 m/s");
  return { line: cell.line, point: { atMs, tempC, rhPct: rh.value, airflowMS: airflow?.value ?? null } };
}

const isFault = (x: Draft | FileFault): x is FileFault => "message" in x;

/** Same moment told twice: told alike it is dropped, told otherwise refused. */
function withoutDoubles(drafts: readonly Draft[], faults: FileFault[], assumptions: string[]): readonly Draft[] {
  const out: Draft[] = [];
  let dropped = 0;
  for (const d of drafts) {
    const last = out.at(-1);
    if (last?.point.atMs !== d.point.atMs) out.push(d);
    else if (last.point.tempC === d.point.tempC && last.point.rhPct === d.point.rhPct) dropped += 1;
    else
      faults.push({
        line: d.line,
        column: "time",
        message: `the same hour stands on line ${last.line} with other air`,
      });
  }
  if (dropped > 0)
    assumptions.push(`${dropped} ${dropped === 1 ? "hour was" : "hours were"} told twice alike; once is kept.`);
  return out;
}

function gaps(points: readonly AirRecord[], say: (ms: number) => string): readonly string[] {
  const holes = points.slice(1).flatMap((p, i) => {
    const before = points[i]!;
    return p.atMs - before.atMs > FORECAST_GAP_MAX_MIN * MS_PER_MIN
      ? [`from ${say(before.atMs)} to ${say(p.atMs)}`]
      : [];
  });
  if (holes.length === 0) return [];
  const told = holes.slice(0, GAPS_TOLD).join(", ");
  const more = holes.length > GAPS_TOLD ? ` and ${holes.length - GAPS_TOLD} more` : "";
  return [`The typical day fills ${holes.length === 1 ? "a hole" : "holes"} ${told}${more}.`];
}

function jumps(drafts: readonly Draft[], unit: TempUnit): readonly FileFault[] {
  return drafts.slice(1).flatMap((d, i): FileFault[] => {
    const before = drafts[i]!.point;
    const jump = Math.abs(d.point.tempC - before.tempC);
    const near = d.point.atMs - before.atMs <= 2 * 3_600_000;
    if (!near || jump <= JUMP_MAX_C) return [];
    const column = unit === "C" ? "temp_c" : "temp_f";
    return [{ line: d.line, column, message: `jumps by ${Math.round(jump)} °C in an hour: are units mixed?` }];
  });
}

/** @param say tells a moment in the shed's own clock, for the assumptions */
export function readForecastFile(
  text: string,
  kind: "csv" | "json",
  timeZone: string,
  say: (ms: number) => string,
): ForecastPreview {
  if (text.length > MOST_CHARS)
    return { points: [], faults: [{ line: 1, column: "", message: "is too long for a forecast" }], assumptions: [] };
  const table = kind === "csv" ? csvTable(text) : jsonTable(text);
  if (table.cells.length > ROWS_MAX)
    return { points: [], faults: [{ line: ROWS_MAX, column: "", message: TOO_MANY }], assumptions: [] };
  if (table.faults.length > 0) return { points: [], faults: table.faults, assumptions: [] };
  const faults: FileFault[] = [];
  const assumptions: string[] = [];
  const drafts: Draft[] = [];
  let beforeMs: number | null = null;
  for (const cell of table.cells) {
    const d = draftOf(cell, table.unit, timeZone, beforeMs);
    if (isFault(d)) faults.push(d);
    else {
      drafts.push(d);
      beforeMs = d.point.atMs;
    }
  }
  if (table.unit === "F") assumptions.push("Temperatures are in °F, as the heading says.");
  if (table.cells.some((c) => isLocal(c.time)))
    assumptions.push(`Times without an offset are by the shed’s clock (${timeZone}).`);
  const rising = [...drafts].sort((a, b) => a.point.atMs - b.point.atMs || a.line - b.line);
  if (rising.some((d, i) => d !== drafts[i])) assumptions.push("Rows were out of order; they are sorted by time.");
  const once = withoutDoubles(rising, faults, assumptions);
  faults.push(...jumps(once, table.unit));
  const points = once.map((d) => d.point);
  if (points.length === 0 && faults.length === 0)
    faults.push({ line: 1, column: "", message: "the file holds no hours" });
  if (points.length > POINTS_MAX) faults.push({ line: 1, column: "", message: TOO_MANY });
  assumptions.push(...gaps(points, say));
  return { points, faults: faults.sort((a, b) => a.line - b.line), assumptions };
}
