import type { ReadFigure, Reading } from "./finds";
import type { Clause, Span } from "./words";
import { spansIn } from "./words";

/** Times of a clause: which word each belongs to, and which of its ends is the careful one. */

type Key = ReadFigure | "other";
/** What a time may belong to. `other` takes times that are none of ours: shaking, storing, dust-dry. */
const KEYS: readonly (readonly [Key, RegExp])[] = [
  [
    "touch_min",
    /\b(?:touch[- ]?dry|dry to (?:the )?touch|to (?:the )?touch|surface[- ]dry|tack[- ]?free|set[- ]to[- ]touch|touch(?![- ]?(?:up|ing|ed)\b))/g,
  ],
  [
    "handle_min",
    /\b(?:(?:dry|ready|safe|fit|ok) to handle|to handle|handl(?:eable|ed|ing|e)(?: time)?|hand[- ]dry)\b/g,
  ],
  [
    "sandable_min",
    /\b(?:(?:ready|dry) (?:to|for) sand(?:ing)?|sand(?:able|ed|ing)?(?: after| time)?|wet[- ]?sand(?:ed|ing)?|rub(?:bed)? down|rubbing down|flatt(?:ed|ing)(?: back)?)\b/g,
  ],
  [
    "recoat_from_min",
    /\b(?:re-?coat(?:able|ed|ing|s)?(?: time| window| interval)?|over-?coat(?:able|ed|ing)?(?: time| window| interval)?|over-?paint(?:able|ed|ing)?|(?:second|next|further|subsequent|additional|another|top) coats?|painted over)\b/g,
  ],
  ["coat_gap_min", /\b(?:between (?:each |the |successive )?coats?|coats? apart|apart)\b/g],
  ["tape_safe_min", /\b(?:mask(?:able|ed|ing)?(?: over)?|tap(?:e|ed|ing)(?:[- ](?:free|safe|time))?)\b/g],
  [
    "cured_min",
    /\b(?:full(?:y)?[- ]?cur(?:ed|es|e|ing)|through[- ]?(?:cured|hard(?:ened)?)|cur(?:ed|es|e|ing)(?: time| fully| completely| hard)?|full(?:y)?[- ]hard(?:ness|ened)?|(?:final|maximum|ultimate) hardness|complete(?:ly)? (?:dry|cured|hard)|fully dry|full(?= (?:in |after )?\d)|full strength)\b/g,
  ],
  [
    "pot_life_min",
    /\b(?:pot[- ]?life|work(?:ing|able)?[- ](?:time|life)|usable (?:for|life)|use (?:the )?(?:mix|mixture|mixed paint) within)\b/g,
  ],
  [
    "other",
    /\b(?:shak(?:e|ing|en)|stir(?:red)?|stor(?:e|ed|age)|shelf[- ]?life|keep|dust[- ]?(?:dry|free)|hard[- ]dry|flash[- ]?off|induction|soak|bake|force[- ]?dr(?:y|ied)|lamp|uv|ventilat\w*|rinse|warranty|best before|dr(?:ies|y|ying)(?: times?)?|sets?|setting|exposure|inhal\w*)\b/g,
  ],
];

interface Marker {
  readonly key: Key;
  readonly at: number;
  readonly end: number;
}
const BARE_DRY = /^dr(?:ies|y|ying)(?: times?)?$/;
const TO_THE_NEXT = /^\s*\(?(?:(?:to|for|before|prior to)\s+(?:[\p{L}-]+\s+)?)?$/u;
/** "Dry to touch", "dries in 15 minutes to touch": a bare "dry" that only leads to the word that counts. */
function leadsTo(text: string, m: Marker, next: Marker | undefined): boolean {
  if (!next || next.key === "other" || !BARE_DRY.test(text.slice(m.at, m.end))) return false;
  const between = spansIn(text.slice(m.end, next.at));
  return (
    between.length === 0 || (between.length === 1 && TO_THE_NEXT.test(text.slice(m.end + between[0]!.end, next.at)))
  );
}
/** Words of a clause in their order; of those that overlap the longest. */
function markersOf(text: string): readonly Marker[] {
  const all = KEYS.flatMap(([key, pattern]) =>
    [...text.matchAll(pattern)].map((m): Marker => ({ key, at: m.index, end: m.index + m[0].length })),
  );
  all.sort((a, b) => a.at - b.at || b.end - a.end);
  const kept: Marker[] = [];
  for (const m of all) {
    const last = kept.at(-1);
    if (!last || m.at >= last.end) kept.push(m);
    else if (m.end - m.at > last.end - last.at) kept[kept.length - 1] = m;
  }
  return kept.filter((m, i) => !(m.key === "other" && leadsTo(text, m, kept[i + 1])));
}

/** Ends that matter at their earliest: what is too late is as bad as what is too soon elsewhere. */
const CAREFUL_LOW: ReadonlySet<Key> = new Set<Key>(["pot_life_min"]);
const NOT_YET = /(?:do not|don't|never|not|avoid)\s+(?:be\s+|to\s+)?$/;

type Window = readonly [number, number | null];
/** Windows told by a stretch of text after a word for recoating; none = what it tells cannot be together. */
function windowsIn(region: string, forbidden: boolean): readonly Window[] {
  const [a, b] = spansIn(region);
  if (!a) return [];
  const before = (s: Span) => region.slice(0, s.at).slice(-40);
  const latest = (s: Span) =>
    /(?:within(?: the)?(?: first)?|before|max(?:imum)?\.?:?|no later than|up to|under|less than)\s*(?:of\s*)?$/.test(
      before(s),
    );
  const from = (s: Span) =>
    /(?:after|beyond|at least|min(?:imum)?\.?:?(?: of)?|from|wait(?: for)?|later than|more than)\s*$/.test(before(s));
  const isBetween = /^between/.test(region.slice(a.at, a.end)) || (/from\s*$/.test(before(a)) && a.lo < a.hi);
  if (forbidden) {
    if (isBetween || a.lo < a.hi)
      return [
        [0, a.lo],
        [a.hi, null],
      ];
    return [[a.hi, null]];
  }
  if (b && latest(a) && from(b))
    return b.hi > a.lo
      ? [
          [0, a.lo],
          [b.hi, null],
        ]
      : [];
  if (b && (from(a) || !latest(a)) && latest(b)) return b.lo > a.hi ? [[a.hi, b.lo]] : [];
  if (b && /^\s*\(?max/.test(region.slice(b.end))) return b.lo > a.hi ? [[a.hi, b.lo]] : [];
  if (isBetween) return [[a.lo, a.hi]];
  if (latest(a)) return [[0, a.lo]];
  return [[a.hi, null]];
}

const round = (x: number): number => Math.round(x * 100) / 100;

const LEADS_TO = /^\s*(?:before|prior to)\s+(?:[\p{L}-]+\s+){0,2}$/u;

/** Everything of time a clause says. @param tempC the air it says this for */
export function timesIn({ plain, from }: Clause, tempC: number | null): readonly Reading[] {
  const markers = markersOf(plain);
  const spans = spansIn(plain);
  if (spans.length === 0 || markers.length === 0) return [];
  const timeFirst = spans[0]!.at < markers[0]!.at;
  const taken = new Set<Span>();
  const found: Reading[] = [];
  markers.forEach((m, i) => {
    const after = markers[i + 1]?.at ?? plain.length;
    const ahead = spans.find((s) => !taken.has(s) && s.at >= m.end && s.at < after);
    const behind = spans.filter((s) => !taken.has(s) && s.end <= m.at && s.at >= (markers[i - 1]?.end ?? 0)).at(-1);
    // "an hour before masking": the time is the later word's
    const next = markers[i + 1];
    const lent = ahead && next && LEADS_TO.test(plain.slice(ahead.end, next.at));
    const own = behind && LEADS_TO.test(plain.slice(behind.end, m.at));
    const span = timeFirst || own ? (behind ?? ahead) : lent ? behind : (ahead ?? behind);
    if (!span) return;
    const place = { from: from + Math.min(m.at, span.at), to: from + Math.max(m.end, span.end), tempC };
    if (m.key === "recoat_from_min" && span === ahead) {
      const region = plain.slice(m.end, after);
      const isLatest = /max(?:imum)?\.?\s*$/.test(plain.slice(0, m.at));
      for (const s of spans) if (s.at >= m.end && s.at < after) taken.add(s);
      const windows: readonly Window[] = isLatest
        ? [[0, span.lo]]
        : windowsIn(region, NOT_YET.test(plain.slice(0, m.at)));
      found.push(...recoats(windows, span, { ...place, to: from + after }));
      return;
    }
    taken.add(span);
    if (m.key === "other") return;
    const apart =
      m.key === "recoat_from_min" &&
      /\bcoats?$/.test(plain.slice(m.at, m.end)) &&
      behind === span &&
      /apart/.test(plain);
    if (m.key === "recoat_from_min" && !apart) found.push(...recoats([[span.hi, null]], span, place));
    else found.push(...ends(apart ? "coat_gap_min" : m.key, span, place));
  });
  return found;
}

type Place = Pick<Reading, "from" | "to" | "tempC">;
function ends(figure: ReadFigure, span: Span, place: Place): readonly Reading[] {
  const [careful, other] = CAREFUL_LOW.has(figure) ? [span.lo, span.hi] : [span.hi, span.lo];
  const one = { figure, value: round(careful), unit: "min", ...place };
  if (careful === other) return [one];
  return [one, { ...one, value: round(other), otherEnd: true }];
}

function recoats(windows: readonly Window[], span: Span, place: Place): readonly Reading[] {
  const rounded = windows.map(([a, b]): Window => [round(a), b === null ? null : round(b)]);
  const [first] = rounded;
  const all: Reading[] = [{ figure: "recoat_windows", value: rounded, unit: "min", ...place }];
  if (first && rounded.length === 1 && first[0] > 0) {
    all.push({ figure: "recoat_from_min", value: first[0], unit: "min", ...place });
    if (first[1] === null && span.lo < span.hi)
      all.push({ figure: "recoat_from_min", value: round(span.lo), unit: "min", ...place, otherEnd: true });
  }
  return all;
}
