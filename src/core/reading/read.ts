import { FAMILIES, type FamilyId, type Hazard, MAY_GO_OVER_EXTRA, type Propellant, type Role } from "../model";
import { type Contents, contentsOf, familyOf, type NamedCarrier, roleOf } from "./contents";
import { type Find, type ReadFigure, type Reading, SANE, type Told } from "./finds";
import { measuresIn, tempsIn } from "./measures";
import { timesIn } from "./times";
import { type Clause, clausesOf, plain } from "./words";

export interface LabelRead {
  readonly found: readonly Find[];
  readonly carriers: readonly NamedCarrier[];
  readonly hazards: readonly Hazard[];
  readonly propellant?: Propellant;
  readonly family?: FamilyId;
  readonly role?: Role;
  readonly lead: boolean;
  /** what stands there and was not taken, with why */
  readonly told: readonly Told[];
}

/** More than this is no label; what is beyond is not read, and said so. */
export const MOST_TEXT = 200_000;
const MOST_QUOTE = 160;

/**
 * readLabel
 *   1. clauses    lines and sentences, each with its place
 *   2. read       times by the word they belong to; temperatures, film, solids, ratios; what it is made of
 *   3. sane       what cannot be so is told, not found
 *   4. one        of figures said for several airs, those nearest to 20 °C; said twice in two ways: told
 *   5. order      a film is touched before it is handled, rubbed, cured; what says otherwise is told
 * Only English is read. Nothing is guessed: a time without a word it belongs to is not found.
 */
export function readLabel(given: string): LabelRead {
  const text = given.slice(0, MOST_TEXT);
  const clauses = joined(clausesOf(text));
  const quote = ({ from, to }: { from: number; to: number }) => quoteOf(text, from, to);
  const readings = clauses.flatMap((c) => {
    const tempC = airOf(c.plain);
    return [...timesIn(c, tempC), ...measuresIn(c), ...groundsIn(c)];
  });
  const told: Told[] = [];
  if (given.length > MOST_TEXT) told.push({ figure: "text", why: "too-long", quote: "" });
  const kept = inOrder(oneOfEach(sane(readings, told, quote), told, quote), told, quote);
  const contents = contentsOf(clauses, quote);
  const whole = plain(text);
  const isMixed = kept.some((r) => r.figure === "mix_ratio");
  const family =
    familyOf(whole, contents.families) ??
    (isMixed && contents.hazards.includes("isocyanate") ? ("urethane-2k" as const) : undefined);
  const role = roleOf(whole);
  told.push(...contents.told);
  if (!family && !role && isNotUnderstood(whole, kept, contents))
    told.push({ figure: "text", why: "not-understood", quote: "" });
  return {
    found: kept.map(({ from, to, tempC: _, ...f }) => ({ ...f, quote: quote({ from, to }) })),
    carriers: contents.carriers,
    hazards: contents.hazards,
    ...(contents.propellant ? { propellant: contents.propellant } : {}),
    ...(family ? { family } : {}),
    ...(role ? { role } : {}),
    lead: contents.lead,
    told,
  };
}

/** The words of a find, widened to whole words and cut where they would run on. */
function quoteOf(text: string, from: number, to: number): string {
  let end = to;
  while (end < text.length && end - to < 20 && /[\p{L}\p{N}%²³]/u.test(text[end]!)) end += 1;
  const q = text.slice(from, end).replace(/\s+/g, " ").trim();
  return q.length > MOST_QUOTE ? `${q.slice(0, MOST_QUOTE - 1)}…` : q;
}

const FIGURE = /\d|\b(?:one|two|half|overnight|an hour|a day)\b/;
const SHORT_CHARS = 48;
const GOES_ON = /^\s*(?:otherwise|or (?:after|wait|else))\b/;
/** "Touch dry" on one line and "20 min" on the next belong together. */
function joined(clauses: readonly Clause[]): readonly Clause[] {
  const out: Clause[] = [];
  for (const c of clauses) {
    const last = out.at(-1);
    const leads =
      last &&
      !FIGURE.test(last.plain) &&
      last.plain.trim().length <= SHORT_CHARS &&
      /^\s*[(<>~]?\s*(?:approx\.?|about|ca\.?|after|within|max\.?|min\.?|between)?\s*[\d½¼¾]/.test(c.plain);
    if (last && (leads || GOES_ON.test(c.plain))) {
      const gap = " ".repeat(c.from - last.to);
      out[out.length - 1] = { plain: last.plain + gap + c.plain, from: last.from, to: c.to };
    } else out.push(c);
  }
  return out;
}

const airOf = (text: string): number | null => {
  const at = tempsIn(text).find((t) => t.lo === t.hi);
  return at ? at.lo : null;
};

const GROUND =
  /(?:appl(?:y|ied)|used?|suitable|paint(?:ed)?)\b[^.;\n]{0,24}\b(?:over|on(?:to)?|for)\b([^.;\n]{3,120})/g;
const GROUND_NAMES: readonly (readonly [string, RegExp])[] = [
  ["bare", /\bbare\b|untreated/],
  ["primed", /\bprim(?:ed|er)\b/],
  ["acrylic-lacquer", /acrylic lacquer/],
  ["nc-lacquer", /cellulose|nitrocellulose/],
  ["alkyd", /\benamels?\b|\balkyds?\b|oil-?based/],
  ["epoxy-2k", /\bepoxy\b/],
  ["polyester-2k", /\bpolyester\b/],
  ["wb-acrylic", /water-?(?:based|borne) acrylic/],
];
const GROUND_IDS: readonly string[] = [...MAY_GO_OVER_EXTRA, ...FAMILIES];
function groundsIn({ plain: text, from }: Clause): readonly Reading[] {
  if (/\b(?:do not|don't|never|not)\b/.test(text)) return [];
  return [...text.matchAll(GROUND)].flatMap((m): Reading[] => {
    if (!/\bonly\b|may be applied|can be applied|suitable/.test(text)) return [];
    const over = GROUND_NAMES.filter(([id, p]) => GROUND_IDS.includes(id) && p.test(m[1]!)).map(([id]) => id);
    return over.length === 0
      ? []
      : [
          {
            figure: "may_go_over",
            value: over,
            unit: "",
            from: from + m.index,
            to: from + m.index + m[0].length,
            tempC: null,
          },
        ];
  });
}

type Quote = (place: { from: number; to: number }) => string;

function sane(readings: readonly Reading[], told: Told[], quote: Quote): readonly Reading[] {
  return readings.filter((r) => {
    const range = SANE[r.figure];
    const odd = typeof r.value === "number" && range !== undefined && !(r.value >= range[0] && r.value <= range[1]);
    const noWindow = Array.isArray(r.value) && r.value.length === 0;
    if (odd || noWindow) told.push({ figure: r.figure, why: noWindow ? "contradicts" : "impossible", quote: quote(r) });
    return !odd && !noWindow;
  });
}

const USUAL_C = 20;
const fromUsual = (r: Reading): number => Math.abs((r.value as number) - USUAL_C);
/** Two units of the same figure are seldom rounded alike. */
const NEARLY = 0.03;
const NEARLY_C = 1;
function same(a: Reading, b: Reading): boolean {
  if (typeof a.value !== "number" || typeof b.value !== "number")
    return JSON.stringify(a.value) === JSON.stringify(b.value);
  const apart = Math.abs(a.value - b.value);
  return apart <= (a.unit === "°C" ? NEARLY_C : NEARLY * Math.abs(a.value));
}
type Windows = readonly (readonly [number, number | null])[];
/** An opening said in one place and an end in another are one window, or two with a gap between; null = they are not that. */
function merged(all: readonly Reading[]): Reading | null {
  const [a, b] = all as readonly [Reading, Reading | undefined];
  if (!b || all.length > 2) return null;
  const [one, two] = [a.value as Windows, b.value as Windows];
  if (one.length !== 1 || two.length !== 1) return null;
  const open = [one[0]!, two[0]!].find(([, end]) => end === null);
  const shut = [one[0]!, two[0]!].find(([from, end]) => from === 0 && end !== null);
  if (!open || !shut) return null;
  const value: Windows = shut[1]! > open[0] ? [[open[0], shut[1]]] : [shut, open];
  return { ...a, value, from: Math.min(a.from, b.from), to: Math.max(a.to, b.to) };
}
/** Of each figure one value, and the other end of its range; what is said twice in two ways in the same air is neither. */
function oneOfEach(readings: readonly Reading[], told: Told[], quote: Quote): readonly Reading[] {
  const byFigure = new Map<ReadFigure, Reading[]>();
  for (const r of readings) byFigure.set(r.figure, [...(byFigure.get(r.figure) ?? []), r]);
  return [...byFigure].flatMap(([figure, all]): readonly Reading[] => {
    const window = figure === "recoat_windows" ? merged(all.filter((r) => !r.otherEnd)) : null;
    if (window) return [window];
    const far = (r: Reading) => (r.tempC === null ? 0 : Math.abs(r.tempC - USUAL_C));
    const nearest = Math.min(...all.map(far));
    const near = all.filter((r) => far(r) === nearest);
    const mains = near.filter((r) => !r.otherEnd);
    const first = mains[0];
    if (!first) return [];
    // a table has a row for every air: its figures were taken from one, and that is the one they hold for
    if (figure === "label_temp_c") return [mains.reduce((a, b) => (fromUsual(b) < fromUsual(a) ? b : a))];
    if (figure === "label_rh_pct") return [first];
    const odd = mains.find((r) => !same(r, first));
    if (odd) {
      told.push({ figure, why: "contradicts", quote: `${quote(first)} … ${quote(odd)}` });
      return [];
    }
    const other = near.find((r) => r.otherEnd && !same(r, first));
    return other ? [first, other] : [first];
  });
}

const ORDER = ["touch_min", "handle_min", "sandable_min", "cured_min"] as const satisfies readonly ReadFigure[];
function inOrder(readings: readonly Reading[], told: Told[], quote: Quote): readonly Reading[] {
  const main = (f: ReadFigure) => readings.find((r) => r.figure === f && !r.otherEnd);
  const gone = new Set<ReadFigure>();
  const refuse = (a: Reading, b: Reading) => {
    told.push({ figure: b.figure, why: "contradicts", quote: `${quote(a)} … ${quote(b)}` });
    gone.add(a.figure).add(b.figure);
  };
  ORDER.forEach((f, i) => {
    const [own, before] = [
      main(f),
      ORDER.slice(0, i)
        .map(main)
        .filter((r) => r !== undefined)
        .at(-1),
    ];
    if (own && before && (own.value as number) < (before.value as number)) refuse(before, own);
  });
  const [lo, hi] = [main("min_temp_c"), main("max_temp_c")];
  if (lo && hi && (lo.value as number) >= (hi.value as number)) refuse(lo, hi);
  return readings.filter((r) => !gone.has(r.figure));
}

const LETTERS_OF_A_TEXT = 40;
const ENGLISH =
  /\b(?:the|and|of|in|to|for|is|be|not|keep|between|within|until|under|from|once|dry|coat|after|apply|with|contains|paint|spray|minutes|hours|use|touch)\b/g;
/** A text of some length that holds hardly an English word is another language, or none. */
function isNotUnderstood(text: string, found: readonly Reading[], { carriers, hazards }: Contents): boolean {
  if (text.trim().length < LETTERS_OF_A_TEXT) return found.length === 0 && carriers.length === 0 && text.trim() !== "";
  const words = text.match(ENGLISH)?.length ?? 0;
  return found.length === 0 && carriers.length === 0 && hazards.length === 0 && words < text.length / 400 + 2;
}
