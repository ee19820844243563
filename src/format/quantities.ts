import { BAR_PER_PSI, F_AT_ZERO_C, F_PER_C, ML_PER_FL_OZ, MM_PER_INCH } from "@/core/base";
import { showing } from "./showing";

/** A unit of storage as this reader sees it: shown = kept × scale + zero. */
interface Shown {
  readonly unit: string;
  readonly scale: number;
  readonly zero: number;
  /** digits after the point that are believable; the others go by their size */
  readonly digits?: number;
}

const times = (unit: string, scale: number, digits?: number): Shown => ({
  unit,
  scale,
  zero: 0,
  ...(digits === undefined ? {} : { digits }),
});
/** Temperature differences are marked so, because they have no zero to move. */
const DIFFERENCE = "∆°C";
const CM_PER_INCH = MM_PER_INCH / 10;

const OTHERWISE: Readonly<Record<string, () => Shown | null>> = {
  "°C": () => (showing().temp === "f" ? { unit: "°F", scale: F_PER_C, zero: F_AT_ZERO_C, digits: 1 } : null),
  [DIFFERENCE]: () => (showing().temp === "f" ? times("°F", F_PER_C, 1) : times("°C", 1, 1)),
  µm: () => (showing().film === "mil" ? times("mil", 1 / MM_PER_INCH) : null),
  mm: () => (showing().length === "in" ? times("in", 1 / MM_PER_INCH) : null),
  cm: () => (showing().length === "in" ? times("in", 1 / CM_PER_INCH) : null),
  "cm²": () => (showing().length === "in" ? times("in²", 1 / CM_PER_INCH ** 2) : null),
  "cm³": () => (showing().length === "in" ? times("in³", 1 / CM_PER_INCH ** 3) : null),
  ml: () => (showing().volume === "fl-oz" ? times("fl oz", 1 / ML_PER_FL_OZ) : null),
  bar: () => (showing().pressure === "psi" ? times("psi", 1 / BAR_PER_PSI) : null),
};

/** "µm wet" → its unit and what is said after it. */
function parted(unit: string): readonly [unit: string, rest: string] {
  const at = unit.indexOf(" ");
  return at < 0 ? [unit, ""] : [unit.slice(0, at), unit.slice(at)];
}
const shownAs = (unit: string): Shown | null => OTHERWISE[parted(unit)[0]]?.() ?? null;

const SIGNIFICANT = 4;
const rounded = (x: number, digits?: number): number =>
  digits === undefined ? Number(x.toPrecision(SIGNIFICANT)) : Number(x.toFixed(digits));
/** What is read back is kept to what anybody could have meant. */
const KEPT_DIGITS = 6;

/** The unit a reader sees in place of a unit of storage: "µm wet" → "mil wet". */
export function unitShown(unit: string): string {
  const shown = shownAs(unit);
  return shown ? shown.unit + parted(unit)[1] : unit;
}
/** A stored figure in the reader's unit, four significant digits. */
export function figureShown(value: number, unit: string): number {
  const shown = shownAs(unit);
  return shown ? rounded(value * shown.scale + shown.zero, shown.digits) : value;
}
/** A figure in the reader's unit, as it is stored. */
export function figureRead(value: number, unit: string): number {
  const shown = shownAs(unit);
  return shown ? Number(((value - shown.zero) / shown.scale).toPrecision(KEPT_DIGITS)) : value;
}

/** What was typed, as it is stored: a comma is a point, nothing is null, and what is no number stays text, to be refused by its field. */
export function figureTyped(text: string, unit: string): unknown {
  const t = text.trim().replace(",", ".");
  if (t === "") return null;
  return Number.isNaN(Number(t)) ? text : figureRead(Number(t), unit);
}
/** What was typed, as it is stored; NaN for what is no number, for sums that wait until it is one. */
export function numberTyped(text: string, unit: string): number {
  const typed = figureTyped(text, unit);
  return typeof typed === "number" ? typed : Number.NaN;
}
/** A stored figure as a field shows it; nothing given is blank. */
export const figureField = (value: number | null | undefined, unit: string): string =>
  value == null ? "" : String(figureShown(value, unit));

const UNITS = Object.keys(OTHERWISE).join("|");
const FIGURES = new RegExp(
  `(?:(-?\\d+(?:\\.\\d+)?)( (?:and|to|of|×) ))?(-?\\d+(?:\\.\\d+)?) (${UNITS})(?![\\p{L}²³/])`,
  "gu",
);

/** A sentence written in units of storage, such as "must be between -10 and 50 °C", in the reader's. */
export const inUnits = (text: string): string =>
  text.replace(
    FIGURES,
    (_all, first: string | undefined, between: string | undefined, figure: string, unit: string) => {
      const one = (x: string) => figureShown(Number(x), unit);
      return `${first === undefined ? "" : `${one(first)}${between}`}${one(figure)} ${unitShown(unit)}`;
    },
  );
