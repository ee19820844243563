import { MIN_PER_DAY, MIN_PER_HOUR } from "../base";

/** Text of a label made plain, letter for letter, so that every find can be shown in the words it came from. */

/** A stretch of the text that says one thing, plain; `from` and `to` are its place in what was given. */
export interface Clause {
  readonly plain: string;
  readonly from: number;
  readonly to: number;
}

const SAME_LENGTH: Readonly<Record<string, string>> = {
  "–": "-",
  "—": "-",
  "−": "-",
  "‑": "-",
  "\u00a0": " ",
  "\u2009": " ",
  "\u202f": " ",
  "\t": " ",
  "\r": " ",
  º: "°",
  "˚": "°",
  μ: "µ",
  "’": "'",
  "≤": "<",
  "≥": ">",
};
const plainChar = (c: string): string => {
  const lower = c.toLowerCase();
  return SAME_LENGTH[c] ?? (lower.length === c.length ? lower : c);
};
export const plain = (text: string): string =>
  Array.from({ length: text.length }, (_, i) => plainChar(text[i]!)).join("");

/** A full stop after one of these ends no sentence. */
const SHORTENED =
  /(?:\b(?:mins?|hrs?|h|approx|max|min|temp|no|vol|sec|e\.g|i\.e|rel|hum|ca|wt|incl|r\.h|s\.g|nr|art)|\d)$/;
const SHORT_UNIT = /\d\s*(?:mins?|hrs?|h|secs?)$/;
/** Longer stretches say more than one thing, whatever their punctuation. */
const MOST_CHARS = 600;

/** A run of figures nobody wrote: left out of the reading, which would otherwise go over it from every one of its places. */
const NO_FIGURE = /\d{13,}/g;

/** Lines, sentences and what stands between bars and bullets; a short line that ends in a colon, or says no figure, leads the next. */
export function clausesOf(text: string): readonly Clause[] {
  const all = plain(text).replace(NO_FIGURE, (run) => "x".repeat(run.length));
  const list: Clause[] = [];
  let from = 0;
  const close = (to: number, next: number) => {
    for (let a = from; a < to; a += MOST_CHARS) {
      const b = Math.min(to, a + MOST_CHARS);
      if (all.slice(a, b).trim() !== "") list.push({ plain: all.slice(a, b), from: a, to: b });
    }
    from = next;
  };
  for (let i = 0; i < all.length; i++) {
    const c = all[i]!;
    if (c === "\n" || c === ";" || c === "•" || c === "|" || c === "·") close(i, i + 1);
    else if (
      (c === "." || c === "!" || c === "?") &&
      /\s/.test(all[i + 1] ?? " ") &&
      !(c === "." && SHORTENED.test(all.slice(Math.max(0, i - 8), i)))
    )
      close(i, i + 1);
    // a unit may be shortened and end its sentence all the same
    else if (
      c === "." &&
      SHORT_UNIT.test(all.slice(Math.max(0, i - 8), i)) &&
      /^\s+[A-Z]/.test(text.slice(i + 1, i + 4))
    )
      close(i, i + 1);
    // after a figure a full stop ends the sentence where the next begins with a capital
    else if (c === "." && /\d/.test(all[i - 1] ?? "") && /^\s+[A-Z]/.test(text.slice(i + 1, i + 4))) close(i, i + 1);
  }
  close(all.length, all.length);
  return list;
}

const WORD_FIGURES: Readonly<Record<string, number>> = {
  a: 1,
  an: 1,
  one: 1,
  two: 2,
  three: 3,
  four: 4,
  five: 5,
  six: 6,
  seven: 7,
  eight: 8,
  nine: 9,
  ten: 10,
  twelve: 12,
  fifteen: 15,
  twenty: 20,
  "twenty-four": 24,
  thirty: 30,
  "forty-eight": 48,
  "half a": 0.5,
  "half an": 0.5,
};
const FRACTIONS: Readonly<Record<string, number>> = { "½": 0.5, "¼": 0.25, "¾": 0.75 };

/** A figure, in figures or words; grouped, never captured. */
export const NUM =
  "(?:\\d{1,3}(?:,\\d{3})+(?!\\d)|\\d+(?:[.,]\\d+)?\\s?[½¼¾]|\\d+ \\d/\\d|\\d/\\d(?!\\d)|\\d+(?:[.,]\\d+)?|[½¼¾]|\\b(?:half an?|forty-eight|twenty-four|one|two|three|four|five|six|seven|eight|nine|ten|twelve|fifteen|twenty|thirty|an?)\\b)";

export function figureOf(text: string): number {
  const t = text.trim();
  if (t in WORD_FIGURES) return WORD_FIGURES[t]!;
  if (/^\d{1,3}(,\d{3})+$/.test(t)) return Number(t.replace(/,/g, ""));
  const mixed = /^(?:(\d+(?:[.,]\d+)?) ?)?(?:([½¼¾])|(\d)\/(\d))$/.exec(t);
  if (mixed) {
    const part = mixed[2] ? FRACTIONS[mixed[2]]! : Number(mixed[3]) / Number(mixed[4]);
    return Number((mixed[1] ?? "0").replace(",", ".")) + part;
  }
  return Number(t.replace(",", "."));
}

const TIME_UNIT =
  "(?:minutes?|mins?\\b|min\\b|hours?|hrs?\\b|h\\b|days?|d\\b|weeks?|wks?\\b|months?|seconds?|secs?\\b)";
const MIN_PER_MONTH = 30 * MIN_PER_DAY;
function minutesPer(unit: string): number {
  if (unit.startsWith("s")) return 1 / 60;
  if (unit.startsWith("mo")) return MIN_PER_MONTH;
  if (unit.startsWith("m")) return 1;
  if (unit.startsWith("h")) return MIN_PER_HOUR;
  return unit.startsWith("w") ? 7 * MIN_PER_DAY : MIN_PER_DAY;
}

/** A stretch of time in a text: from its shorter to its longer end, minutes; one figure has both ends alike. */
export interface Span {
  readonly lo: number;
  readonly hi: number;
  readonly at: number;
  readonly end: number;
}
const TIMES = new RegExp(
  [
    `between\\s+(${NUM})\\s*(${TIME_UNIT})?\\s*(?:and|to|-)\\s*(${NUM})\\s*-?(${TIME_UNIT})`,
    `(${NUM})\\s*(${TIME_UNIT})?\\.?\\s*(?:-|to|or|\\s/\\s)\\s*(${NUM})\\s*-?(${TIME_UNIT})`,
    `(${NUM})\\s*-?\\s*(${TIME_UNIT})(?:\\.?,?\\s*(?:and\\s+)?(${NUM})\\s*(minutes?|mins?\\b))?`,
    "(overnight)",
  ].join("|"),
  "gu",
);
/** Overnight is from late evening to the next forenoon, minutes. */
const OVERNIGHT = { lo: 480, hi: 960 } as const;

export function spansIn(text: string): readonly Span[] {
  return [...text.matchAll(TIMES)].map((m): Span => {
    const place = { at: m.index, end: m.index + m[0].length };
    if (m[13]) return { ...OVERNIGHT, ...place };
    const [a, unitA, b, unitB] = m[1] !== undefined ? m.slice(1, 5) : m.slice(5, 9);
    if (b !== undefined && unitB !== undefined && a !== undefined) {
      const lo = figureOf(a) * minutesPer(unitA ?? unitB);
      const hi = figureOf(b) * minutesPer(unitB);
      return { lo: Math.min(lo, hi), hi: Math.max(lo, hi), ...place };
    }
    const more = m[11] === undefined ? 0 : figureOf(m[11]);
    const min = figureOf(m[9]!) * minutesPer(m[10]!) + more;
    return { lo: min, hi: min, ...place };
  });
}
