import { F_AT_ZERO_C, F_PER_C, MM_PER_INCH } from "../base";
import type { ReadFigure, Reading } from "./finds";
import { type Clause, figureOf, NUM } from "./words";

/** Temperatures, humidity, film, solids, density, ratios: what is no time. */

const tenth = (x: number): number => Math.round(x * 10) / 10;
const thousandth = (x: number): number => Math.round(x * 1000) / 1000;

interface Range {
  readonly lo: number;
  readonly hi: number;
  readonly at: number;
  readonly end: number;
}
const DEG = "(?:°|deg(?:rees?)?\\.?)?\\s*(c|f|celsius|fahrenheit)\\b";
const TEMPS = new RegExp(
  `(-?\\d+(?:[.,]\\d+)?)\\s*(?:°\\s*[cf]?|deg(?:rees)?)?\\s*(?:-|to|and|\\.{2,3}|…)\\s*\\+?(-?\\d+(?:[.,]\\d+)?)\\s*${DEG}|(-?\\d+(?:[.,]\\d+)?)\\s*${DEG}`,
  "g",
);
export function tempsIn(text: string): readonly Range[] {
  return [...text.matchAll(TEMPS)].flatMap((m): Range[] => {
    const unit = m[3] ?? m[5]!;
    // a bare letter after a figure is a temperature only with its degree sign, or where nothing else could be meant
    if (unit.length === 1 && !/°|deg|\d\s?[cf]\b/.test(m[0])) return [];
    const toC = (t: string) => {
      const x = Number(t.replace(",", "."));
      return tenth(unit.startsWith("f") ? (x - F_AT_ZERO_C) / F_PER_C : x);
    };
    const [a, b] = m[1] === undefined ? [toC(m[4]!), toC(m[4]!)] : [toC(m[1]), toC(m[2]!)];
    return [{ lo: Math.min(a, b), hi: Math.max(a, b), at: m.index, end: m.index + m[0].length }];
  });
}

const DRYING =
  /\b(?:dr(?:y|ies|ying)|touch|handle|recoat|overcoat|sand(?:able|ing)?|cur(?:e|es|ed|ing)|times?|pot life)\b/;
/** Where the can is kept, what it stands, where it burns: no air to paint in. */
const NOT_PAINTING =
  /\b(?:stor(?:e|ed|age)|keep|expos\w*|exceeding 50|above 50|flash ?point|boil\w*|resist\w*|withstand\w*|sunlight|pressuri[sz]ed|pierce|burn|transport|decompos\w*|auto-?ignition|vapou?r pressure|service|stable up|melting)\b/;
const APPLYING =
  /\b(?:appl(?:y|ied|ication)|use[ds]?|spray\w*|paint(?:ing)?|work(?:ing)?|ambient|surface|substrate|room|temperatures?|conditions|ideal|best|do not|minimum|maximum|min\.?|max\.?)\b/;
const NOT = /\b(?:do not|don't|never|not|avoid|unsuitable)\b/;

type Out = Omit<Reading, "from" | "to" | "tempC"> & { readonly at: number; readonly end: number };
const one = (figure: ReadFigure, value: number, unit: string, r: { at: number; end: number }): Out => ({
  figure,
  value,
  unit,
  at: r.at,
  end: r.end,
});

/** Air of a clause: as a limit for painting, or as what its times hold for. */
function airIn(text: string): readonly Out[] {
  if (NOT_PAINTING.test(text)) return [];
  const temps = tempsIn(text);
  const out: Out[] = [];
  const isMixLife = /pot life|work(?:ing|able)? (?:time|life)/.test(text);
  const isDrying = DRYING.test(text) && !isMixLife;
  for (const t of temps) {
    const before = text.slice(0, t.at).replace(/\+\s*$/, "");
    const isNot =
      NOT.test(before) &&
      !/not (?:less|lower|more|higher) than\s*$|not (?:be )?(?:below|above|under|over|exceed\w*)[^.\d]*$/.test(before);
    const near = before.slice(-28);
    if (t.lo < t.hi) {
      if (isDrying && /(?:at|@|\()\s*$/.test(near)) continue;
      if (APPLYING.test(text)) out.push(one("min_temp_c", t.lo, "°C", t), one("max_temp_c", t.hi, "°C", t));
    } else if (/(?:not )?(?:below|under|less than|lower than|colder than|<)\s*$/.test(near)) {
      const isFloor = isNot || /not (?:be )?(?:below|under|less than|lower than)\s*$/.test(near);
      if (APPLYING.test(text) || isFloor) out.push(one(isFloor ? "min_temp_c" : "max_temp_c", t.lo, "°C", t));
    } else if (/(?:above|over|more than|higher than|warmer than|exceed(?:ing|s)?|>)\s*$/.test(near)) {
      const isCeiling = isNot || /not (?:be )?(?:above|over|exceed\w*|more than|higher than)\s*$/.test(near);
      if (APPLYING.test(text) || isCeiling) out.push(one(isCeiling ? "max_temp_c" : "min_temp_c", t.lo, "°C", t));
    } else if (/(?:(?<!\d\s?)\bmin(?:imum)?\.?|at least|from)[^\d]{0,26}$/.test(near) && APPLYING.test(text))
      out.push(one("min_temp_c", t.lo, "°C", t));
    else if (/(?:max(?:imum)?\.?|up to)[^\d]{0,26}$/.test(near) && APPLYING.test(text))
      out.push(one("max_temp_c", t.lo, "°C", t));
    else if (!isMixLife && (isDrying || /(?:at|@|\()\s*(?:approx\.?\s*|about\s*)?$/.test(near)))
      out.push(one("label_temp_c", t.lo, "°C", t));
  }
  return [...out, ...humidityIn(text, out.find((o) => o.figure === "label_temp_c") ?? null, isDrying)];
}

const RH =
  /(?:(?:\br\.?\s?h\.?|relative humidity|humidity|air moisture)[^\d%.]{0,32}(\d{1,3})(?:\s*%?\s*(?:-|to|and)\s*(\d{1,3}))?\s*%)|(?:(\d{1,3})(?:\s*%?\s*(?:-|to)\s*(\d{1,3}))?\s*%\s*(?:r\.?\s?h\b\.?|rel\.?|relative|humidity))/g;
function humidityIn(text: string, label: Out | null, isDrying: boolean): readonly Out[] {
  const out: Out[] = [];
  for (const m of text.matchAll(RH)) {
    const place = { at: m.index, end: m.index + m[0].length };
    const first = Number(m[1] ?? m[3]);
    const last = m[2] ?? m[4];
    const around = text.slice(Math.max(0, m.index - 30), place.end);
    const isLimit = /below|under|max|exceed|above|over|less than|more than|higher|lower than|up to|<|do not|avoid/.test(
      around,
    );
    if (isLimit) out.push(one("max_rh_pct", last === undefined ? first : Math.max(first, Number(last)), "%", place));
    else if (isDrying || label) out.push(one("label_rh_pct", first, "%", place));
  }
  if (label && !out.some((o) => o.figure === "label_rh_pct")) {
    const beside = /^[\s,/;&and]{1,6}(\d{1,2})\s*%/.exec(text.slice(label.end));
    if (beside)
      out.push(one("label_rh_pct", Number(beside[1]), "%", { at: label.at, end: label.end + beside[0].length }));
  }
  return out;
}

const LENGTH = `(${NUM})(?:\\s*(?:-|to)\\s*(${NUM}))?\\s*(µm|um\\b|microns?\\b|micrometres?\\b|mils?\\b|mm\\b|cm\\b|inch(?:es)?\\b|in\\b)`;
const UM_PER: Readonly<Record<string, number>> = {
  mi: 1,
  µm: 1,
  um: 1,
  ml: MM_PER_INCH,
  mm: 1000,
  cm: 10_000,
  in: MM_PER_INCH * 1000,
};
const umPer = (unit: string): number =>
  unit.startsWith("mil") ? UM_PER.ml! : unit.startsWith("mic") ? 1 : UM_PER[unit.slice(0, 2)]!;

/** Lengths of a pattern that has the parts of LENGTH first. */
function lengths(text: string, pattern: RegExp, figure: ReadFigure): readonly Out[] {
  return [...text.matchAll(pattern)].flatMap((m): Out[] => {
    const per = umPer(m[3]!);
    const [a, b] = [figureOf(m[1]!) * per, m[2] === undefined ? null : figureOf(m[2]) * per];
    const place = { at: m.index, end: m.index + m[0].length };
    const careful = one(figure, tenth(b === null ? a : Math.min(a, b)), "µm", place);
    return b === null || a === b
      ? [careful]
      : [careful, { ...one(figure, tenth(Math.max(a, b)), "µm", place), otherEnd: true }];
  });
}
const WET_AFTER = new RegExp(`${LENGTH}\\s*\\(?(?:wet|w\\.?f\\.?t)`, "gu");
const WET_BEFORE = new RegExp(`(?:wet(?: film)?(?: thickness)?|\\bwft)[^\\d.;]{0,24}${LENGTH}(?!\\s*\\(?dry)`, "gu");
const SKIN = [
  new RegExp(
    `(?:max(?:imum)?\\.?|up to|no (?:more|thicker|deeper) than|not (?:exceed(?:ing)?|more than|thicker than)|less than)[^\\d.;]{0,32}${LENGTH}(?!\\s*\\(?(?:wet|dry film))(?=[^.;]{0,40}(?:layer|coat|pass|thick|deep|depth|application|fill|at a time|in one))`,
    "gu",
  ),
  new RegExp(
    `(?:layers?|skins?|fill(?:s|ing)? depth|gaps?|thickness)[^\\d.;]{0,24}(?:max(?:imum)?\\.?|up to|no (?:more|thicker) than|not (?:exceed(?:ing)?|more than)|of)[^\\d.;]{0,12}${LENGTH}(?!\\s*\\(?(?:wet|dry film))`,
    "gu",
  ),
];

const COVERAGE =
  /(\d+(?:[.,]\d+)?)(?:\s*(?:-|to)\s*(\d+(?:[.,]\d+)?))?\s*(?:m²|m2|sq\.?\s?m(?:etres?|eters?)?)\s*(?:\/|per)\s*(?:l\b|lit(?:re|er)s?)/g;
const UM_PER_L_M2 = 1000;
function coverageIn(text: string): readonly Out[] {
  return [...text.matchAll(COVERAGE)].flatMap((m): Out[] => {
    const all = [m[1]!, m[2] ?? m[1]!].map((t) => tenth(UM_PER_L_M2 / figureOf(t)));
    const place = { at: m.index, end: m.index + m[0].length };
    const careful = one("wft_um", Math.min(...all), "µm", place);
    return all[0] === all[1]
      ? [careful]
      : [careful, { ...one("wft_um", Math.max(...all), "µm", place), otherEnd: true }];
  });
}

const SOLIDS =
  /(?:(?:solids?(?: content)?|non-?volatiles?)[^\d%.;]{0,16}by vol(?:ume)?\.?|vol(?:ume)?\.? solids?|solids \(vol(?:ume)?\.?\))[^\d%;]{0,16}(\d+(?:[.,]\d+)?)\s*(?:±\s*\d+\s*)?%|(\d+(?:[.,]\d+)?)\s*(?:±\s*\d+\s*)?%\s*(?:solids by vol(?:ume)?|vol(?:ume)?\.? solids?|by volume solids)/g;
const DENSITY =
  /(?:density|specific gravity|\bs\.?g\b\.?)[^\d;]{0,28}(\d+(?:[.,]\d+)?)(?:\s*-\s*(\d+(?:[.,]\d+)?))?\s*(g\s?\/\s?(?:ml|cm3|cm³)|kg\s?\/\s?(?:l\b|m3|m³|dm3|dm³)|lbs?\s?\/\s?(?:us )?gal)?/g;
const LB_PER_GAL = 0.119826;
const densityPer = (unit: string): number =>
  /kg\s?\/\s?m/.test(unit) ? 0.001 : unit.startsWith("lb") ? LB_PER_GAL : 1;

const COATS = new RegExp(
  `(${NUM})(?:\\s*(?:-|to|or)\\s*(${NUM}))?\\s+(?:(?:thin|light|even|full|wet|mist|medium|further|more|heavy|normal|good|crossed|cross)[,\\s]+(?:and )?){0,3}coats?\\b`,
  "gu",
);
const COATS_COLON = /(?:number of )?coats?\s*:\s*(\d)\b/g;
function coatsIn(text: string): readonly Out[] {
  const listed = [...text.matchAll(COATS_COLON)].map((m) =>
    one("coats", Number(m[1]), "coats", { at: m.index, end: m.index + m[0].length }),
  );
  if (listed.length > 0) return listed;
  return [...text.matchAll(COATS)].flatMap((m): Out[] => {
    // "a second coat after two hours" counts none, and neither do coats that are only apart
    if (/^an?$/.test(m[1]!) || /%/.test(text.slice(m.index, m.index + m[0].length))) return [];
    const [a, b] = [figureOf(m[1]!), m[2] === undefined ? null : figureOf(m[2])];
    const place = { at: m.index, end: m.index + m[0].length };
    if (b === null || b === a) return [one("coats", a, "coats", place)];
    return [
      one("coats", Math.min(a, b), "coats", place),
      { ...one("coats", Math.max(a, b), "coats", place), otherEnd: true },
    ];
  });
}

const RATIO = /(?<![\d.:/])(\d{1,3}(?:[.,]\d)?)\s*:\s*(\d{1,3}(?:[.,]\d)?)(?:\s*:\s*(\d{1,2}))?(?![\d:])/g;
const PARTS = new RegExp(`(${NUM})\\s*parts?\\b[^\\d.;]{0,32}?(?:to|and|with|:|,)\\s*(${NUM})\\s*parts?\\b`, "gu");
const MIXING = /\b(?:mix(?:ed|ing|ture)?|hardener|activator|catalyst|base|component|part a|resin)\b/;
const THINNING = /\b(?:thin(?:ned|ner|ners|ning)?|dilut\w*|reduc(?:e|ed|er|tion))\b/;
const THIN_PCT = /(\d{1,3})(?:\s*%?\s*(?:-|to)\s*(\d{1,3}))?\s*%/g;
function ratiosIn(text: string): readonly Out[] {
  const figure: ReadFigure | null =
    THINNING.test(text) && !/hardener|activator|catalyst/.test(text)
      ? "thin_ratio"
      : MIXING.test(text)
        ? "mix_ratio"
        : null;
  if (!figure) return [];
  const told = (value: string, m: RegExpMatchArray): Out => ({
    figure,
    value,
    unit: "by volume",
    at: m.index!,
    end: m.index! + m[0].length,
  });
  const ratios = [...text.matchAll(RATIO)].map((m) => told([m[1], m[2], m[3]].filter(Boolean).join(":"), m));
  const parts = [...text.matchAll(PARTS)].map((m) => told(`${figureOf(m[1]!)}:${figureOf(m[2]!)}`, m));
  const equal = /\bequal (?:parts|amounts|volumes)\b/.exec(text);
  if (equal && ratios.length + parts.length === 0) return [told("1:1", equal)];
  if (ratios.length + parts.length > 0 || figure === "mix_ratio") return [...ratios, ...parts];
  return [...text.matchAll(THIN_PCT)].map((m) => told(`${m[2] ?? m[1]} %`, m));
}

function amountsIn(text: string): readonly Out[] {
  const out: Out[] = [];
  for (const m of text.matchAll(SOLIDS))
    out.push(
      one("volume_solids", thousandth(figureOf((m[1] ?? m[2])!) / 100), "of the volume", {
        at: m.index,
        end: m.index + m[0].length,
      }),
    );
  for (const m of text.matchAll(DENSITY)) {
    if (/vapou?r/.test(text.slice(Math.max(0, m.index - 10), m.index))) continue;
    const per = densityPer(m[3] ?? "");
    out.push(
      one("density_g_ml", thousandth(figureOf(m[1]!) * per), "g/ml", { at: m.index, end: m.index + m[0].length }),
    );
  }
  return out;
}

/** Everything but times a clause says, in its place in the whole text. */
export function measuresIn({ plain, from }: Clause): readonly Reading[] {
  const skins = SKIN.flatMap((p) => lengths(plain, p, "max_skin_um"));
  const wet = [...lengths(plain, WET_AFTER, "wft_um"), ...lengths(plain, WET_BEFORE, "wft_um")];
  const film = wet.length > 0 ? wet : coverageIn(plain);
  const all = [...airIn(plain), ...film, ...skins, ...amountsIn(plain), ...coatsIn(plain), ...ratiosIn(plain)];
  return all.map(({ at, end, ...rest }) => ({ ...rest, from: from + at, to: from + end, tempC: null }));
}
