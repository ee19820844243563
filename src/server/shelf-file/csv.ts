import Papa from "papaparse";
import type { FileFault } from "@/contracts";
import type { Product } from "@/core/model";
import { COLUMNS, type Column } from "./columns";
import { put } from "./fill";

/** A row read, not yet checked: only what it tells. */
export interface FileRow {
  readonly line: number;
  readonly value: Record<string, unknown>;
}

const LIST_MARK = ";";
/** A list told to be empty, where an empty cell would mean it was not told. */
const NONE_AT_ALL = "none";

function cellOf(product: Product, c: Column): string {
  const value = c.path
    .split(".")
    .reduce<unknown>((at, key) => (at as Record<string, unknown> | undefined)?.[key], product);
  if (value === null || value === undefined) return "";
  if (c.kind === "json") return Array.isArray(value) && value.length === 0 ? "" : JSON.stringify(value);
  if (c.kind === "flag") return value ? "yes" : "no";
  if (!Array.isArray(value)) return String(value);
  return value.length === 0 && !Array.isArray(c.empty) ? NONE_AT_ALL : value.join(LIST_MARK);
}

/** What a spreadsheet would work out instead of showing it; such a text goes out behind an apostrophe, and comes back without it. */
const WORKED_OUT = /^'*[=+\-@\t\r]/;
const guarded = (text: string): string => (WORKED_OUT.test(text) ? `'${text}` : text);
const unguarded = (cell: string): string => (cell.startsWith("'") && WORKED_OUT.test(cell) ? cell.slice(1) : cell);

const written = (product: Product, c: Column): string =>
  c.kind === "number" ? cellOf(product, c) : guarded(cellOf(product, c));

/** The whole shelf as CSV (RFC 4180), one product a line. */
export const shelfToCsv = (products: readonly Product[]): string =>
  `${Papa.unparse({ fields: COLUMNS.map((c) => c.name), data: products.map((p) => COLUMNS.map((c) => written(p, c))) })}\r\n`;

const YES = ["yes", "true", "1", "y"];
const NO = ["no", "false", "0", "n"];

/** One cell that holds something, as the contract wants it. What cannot be read stays text, for the contract to refuse by its field. */
function readCell(cell: string, c: Column): unknown {
  const t = unguarded(cell.trim());
  switch (c.kind) {
    case "number": {
      // a decimal comma is read as people of half the world write it
      const n = Number(/^-?\d+,\d+$/.test(t) ? t.replace(",", ".") : t);
      return Number.isNaN(n) ? t : n;
    }
    case "flag": {
      const word = t.toLowerCase();
      return YES.includes(word) ? true : NO.includes(word) ? false : t;
    }
    case "list":
      if (t === NONE_AT_ALL) return [];
      return t === "unknown"
        ? t
        : t
            .split(LIST_MARK)
            .map((s) => s.trim())
            .filter(Boolean);
    case "json":
      try {
        return JSON.parse(t);
      } catch {
        return t;
      }
    case "text":
      return t;
  }
}

/** Line ends in a stretch of a text. */
function countLines(text: string, from: number, to: number): number {
  let n = 0;
  for (let at = text.indexOf("\n", from); at >= 0 && at < to; at = text.indexOf("\n", at + 1)) n += 1;
  return n;
}

/** More than any shelf holds; what comes after is not read. */
export const MAX_PRODUCTS = 5000;

/** Rows of a CSV text with the line each starts on; headings it does not know, or needs, are faults. */
export function csvRows(text: string): { rows: readonly FileRow[]; faults: readonly FileFault[] } {
  const body = text.replace(/^\uFEFF/, "").replace(/\r\n/g, "\n");
  const cells: { line: number; data: readonly string[] }[] = [];
  const faults: FileFault[] = [];
  let read = 0;
  // counted on from row to row: a file of nothing but empty lines is read as quickly as any other
  let line = 1;
  let counted = 0;
  Papa.parse<string[]>(body, {
    step: ({ data, errors, meta }, parser) => {
      line += countLines(body, counted, read);
      counted = read;
      read = meta.cursor;
      if (data.some((d) => d.trim() !== "")) cells.push({ line, data });
      if (cells.length > MAX_PRODUCTS + 1) parser.abort();
      for (const e of errors) if (e.type === "Quotes") faults.push({ line, column: "", message: e.message });
    },
  });
  const [head, ...rest] = cells;
  if (!head) return { rows: [], faults: [{ line: 1, column: "", message: "the file holds nothing" }] };
  const columns = head.data.map((h) => COLUMNS.find((c) => c.name === h.trim()) ?? null);
  columns.forEach((c, i) => {
    if (c === null) faults.push({ line: head.line, column: head.data[i]!.trim(), message: "is no column known here" });
  });
  for (const needed of ["name", "role"])
    if (!columns.some((c) => c?.name === needed))
      faults.push({ line: head.line, column: needed, message: "is missing from the heading line" });
  const rows = rest.map(({ line, data }): FileRow => {
    if (data.length !== head.data.length)
      faults.push({
        line,
        column: "",
        message: `has ${data.length} cells where the heading has ${head.data.length}`,
      });
    const value: Record<string, unknown> = {};
    for (const c of COLUMNS) {
      const cell = data[columns.indexOf(c)] ?? "";
      if (cell.trim() !== "") put(value, c.path, readCell(cell, c));
    }
    return { line, value };
  });
  return { rows, faults };
}

/** Where a contract's path stands in the table. */
export const columnOf = (path: string): string =>
  COLUMNS.find((c) => path === c.path || path.startsWith(`${c.path}.`))?.name ?? path;
