/** First aid: what to do with one's hands now. A pure function of sign, film and face, so that it needs nobody but the page. */

import type { MishapSign } from "../model";
import { type FaceNow, type FaceTrait, type FilmStage, stageAt, stageEndsMin } from "./face";

export const AID_LINES = [
  "stop-here",
  "blot-only",
  "wipe-off-own",
  "nothing-more",
  "leave-dry",
  "level-later",
  "others-go-on",
  "no-paint-more",
  "tip-back",
  "drip-end",
  "lift-hair",
  "leave-speck",
  "set-down",
  "pad-when-held",
  "rub-fine-wet",
  "rub-fine",
  "stop-rubbing",
  "brush-paper",
  "wait-film",
  "wipe-streak",
  "clean-to-dirty",
  "blot-wash",
  "stop-damp",
  "warm-dry-air",
  "no-thinner-untried",
  "do-not-wipe",
  "warm-over-dew",
  "water-clock",
  "reseal-first",
  "feather-out",
  "metal-dry",
  "tape-stop",
  "tape-slow",
  "score-edge",
  "keep-off-part",
  "shake-warm",
  "other-or-wait",
  "say-what-went-on",
  "no-second-wrong",
  "wipe-off-if-mild",
  "gloves-raw",
  "drain-open",
  "no-seal-over",
  "out-of-sun",
  "mask-neighbours",
  "look-light",
  "do-not-dig",
  "warm-slow",
  "pierce-none",
  "thin-coat-next",
  "clear-may-hide",
  "hold-by-holder",
  "check-bare",
  "foam-air",
  "window-look",
  "softener-again",
  "lead-wet",
  "leave-as-is",
  "ways-below",
] as const;
export type AidLine = (typeof AID_LINES)[number];

interface AidRow {
  readonly signs: readonly MishapSign[];
  /** absent = whatever the film has come to */
  readonly stages?: readonly FilmStage[];
  /** absent = on any face */
  readonly on?: FaceTrait;
  readonly lines: readonly [AidLine, ...AidLine[]];
  /** true while the film stays as it is; then it is counted down */
  readonly while?: true;
}

const SOFT = ["wet", "touch"] as const;

/** The first row that fits is said. Every sign ends with one that fits always. */
const ROWS: readonly AidRow[] = [
  {
    signs: ["lifting", "eaten"],
    stages: ["wet"],
    on: "foam",
    lines: ["stop-here", "blot-only", "foam-air"],
    while: true,
  },
  {
    signs: ["lifting", "eaten"],
    stages: ["wet"],
    on: "fragile",
    lines: ["stop-here", "blot-only", "nothing-more"],
    while: true,
  },
  { signs: ["lifting", "eaten"], stages: ["wet"], lines: ["stop-here", "wipe-off-own", "nothing-more"], while: true },
  { signs: ["lifting", "eaten"], stages: ["touch"], lines: ["nothing-more", "leave-dry", "level-later"], while: true },
  { signs: ["lifting", "eaten"], lines: ["nothing-more", "leave-as-is", "ways-below"] },
  { signs: ["bubbles"], stages: SOFT, lines: ["stop-here", "pierce-none", "warm-slow"], while: true },
  { signs: ["bubbles"], lines: ["rub-fine", "do-not-dig", "look-light"] },
  { signs: ["clogging"], stages: ["cured"], lines: ["stop-rubbing", "brush-paper", "ways-below"] },
  { signs: ["clogging"], on: "wet-only", lines: ["stop-rubbing", "lead-wet", "wait-film"], while: true },
  { signs: ["clogging"], lines: ["stop-rubbing", "brush-paper", "wait-film"], while: true },
  { signs: ["cracks"], stages: SOFT, lines: ["stop-here", "leave-dry", "level-later"], while: true },
  { signs: ["cracks"], lines: ["nothing-more", "look-light", "do-not-dig"] },
  { signs: ["flakes"], on: "tape", lines: ["tape-stop", "tape-slow", "score-edge"] },
  { signs: ["flakes"], lines: ["nothing-more", "do-not-dig", "check-bare"] },
  {
    signs: ["fish-eyes"],
    stages: ["wet"],
    on: "fragile",
    lines: ["stop-here", "no-paint-more", "leave-dry"],
    while: true,
  },
  { signs: ["fish-eyes"], stages: ["wet"], lines: ["stop-here", "wipe-off-own", "no-paint-more"], while: true },
  { signs: ["fish-eyes"], stages: ["touch"], lines: ["no-paint-more", "leave-dry", "level-later"], while: true },
  { signs: ["fish-eyes"], lines: ["no-paint-more", "leave-as-is", "ways-below"] },
  { signs: ["run"], stages: ["wet"], lines: ["no-paint-more", "tip-back", "drip-end"], while: true },
  { signs: ["run"], stages: ["touch"], lines: ["leave-dry", "no-paint-more", "level-later"], while: true },
  { signs: ["run"], lines: ["rub-fine-wet", "do-not-dig", "look-light"] },
  {
    signs: ["streak"],
    stages: SOFT,
    on: "wipeable",
    lines: ["wipe-streak", "clean-to-dirty", "blot-wash"],
    while: true,
  },
  { signs: ["streak"], stages: SOFT, lines: ["blot-wash", "leave-dry", "no-thinner-untried"], while: true },
  { signs: ["streak"], lines: ["leave-as-is", "no-thinner-untried", "clear-may-hide"] },
  { signs: ["rough"], stages: SOFT, lines: ["stop-here", "leave-dry", "thin-coat-next"], while: true },
  { signs: ["rough"], lines: ["rub-fine", "look-light", "thin-coat-next"] },
  { signs: ["orange-peel"], stages: ["wet"], lines: ["no-paint-more", "set-down", "leave-dry"], while: true },
  { signs: ["orange-peel"], stages: ["touch"], lines: ["leave-dry", "no-paint-more"], while: true },
  { signs: ["orange-peel"], lines: ["rub-fine-wet", "look-light"] },
  {
    signs: ["haze"],
    stages: SOFT,
    on: "lacquer",
    lines: ["stop-damp", "warm-dry-air", "no-thinner-untried"],
    while: true,
  },
  { signs: ["haze"], stages: SOFT, lines: ["stop-damp", "warm-dry-air", "do-not-wipe"], while: true },
  { signs: ["haze"], lines: ["leave-as-is", "no-thinner-untried", "look-light"] },
  { signs: ["silvered"], stages: SOFT, lines: ["softener-again", "do-not-dig", "leave-dry"], while: true },
  { signs: ["silvered"], lines: ["softener-again", "nothing-more", "look-light"] },
  { signs: ["patchy"], stages: ["wet"], lines: ["no-paint-more", "leave-dry", "look-light"], while: true },
  { signs: ["patchy"], lines: ["leave-as-is", "thin-coat-next", "clear-may-hide"] },
  { signs: ["shows-through"], stages: ["wet"], lines: ["no-paint-more", "leave-dry", "thin-coat-next"], while: true },
  { signs: ["shows-through"], lines: ["thin-coat-next", "look-light"] },
  { signs: ["wrong-shade"], lines: ["stop-here", "look-light", "leave-as-is"] },
  { signs: ["scratches"], stages: SOFT, lines: ["nothing-more", "leave-dry", "look-light"], while: true },
  { signs: ["scratches"], lines: ["nothing-more", "rub-fine", "look-light"] },
  { signs: ["sunken"], lines: ["nothing-more", "leave-as-is", "look-light"] },
  { signs: ["weeping"], on: "resin", lines: ["gloves-raw", "drain-open", "no-seal-over"] },
  { signs: ["weeping"], lines: ["gloves-raw", "nothing-more", "leave-as-is"] },
  { signs: ["aged"], lines: ["out-of-sun", "no-thinner-untried", "look-light"] },
  { signs: ["nib"], stages: ["wet"], lines: ["lift-hair", "leave-speck", "no-paint-more"], while: true },
  { signs: ["nib"], stages: ["touch"], lines: ["leave-speck", "pad-when-held", "others-go-on"], while: true },
  { signs: ["nib"], lines: ["rub-fine", "do-not-dig"] },
  { signs: ["foreign-mist"], stages: SOFT, lines: ["stop-here", "do-not-wipe", "mask-neighbours"], while: true },
  { signs: ["foreign-mist"], lines: ["rub-fine-wet", "mask-neighbours"] },
  { signs: ["bleed"], stages: ["wet"], lines: ["tape-slow", "do-not-wipe", "leave-dry"], while: true },
  { signs: ["bleed"], lines: ["leave-as-is", "do-not-dig", "look-light"] },
  { signs: ["dropped", "slipped"], stages: ["wet"], lines: ["no-paint-more", "set-down", "others-go-on"], while: true },
  { signs: ["dropped", "slipped"], stages: ["touch"], lines: ["set-down", "leave-dry", "others-go-on"], while: true },
  { signs: ["dropped", "slipped"], on: "metal", lines: ["check-bare", "metal-dry", "look-light"] },
  { signs: ["dropped", "slipped"], lines: ["check-bare", "look-light", "hold-by-holder"] },
  { signs: ["touched"], stages: ["wet"], lines: ["no-paint-more", "hold-by-holder", "others-go-on"], while: true },
  { signs: ["touched"], stages: ["touch"], lines: ["hold-by-holder", "pad-when-held", "others-go-on"], while: true },
  { signs: ["touched"], lines: ["hold-by-holder", "look-light"] },
  { signs: ["rubbed-through"], on: "wet-only", lines: ["stop-rubbing", "lead-wet", "feather-out"] },
  { signs: ["rubbed-through"], on: "foam", lines: ["stop-rubbing", "reseal-first", "do-not-dig"] },
  { signs: ["rubbed-through"], on: "metal", lines: ["stop-rubbing", "feather-out", "metal-dry"] },
  { signs: ["rubbed-through"], lines: ["stop-rubbing", "feather-out", "look-light"] },
  { signs: ["ran-out"], stages: ["wet"], lines: ["set-down", "no-second-wrong", "other-or-wait"], while: true },
  { signs: ["ran-out"], lines: ["no-second-wrong", "window-look", "other-or-wait"] },
  { signs: ["rained-on"], stages: SOFT, lines: ["do-not-wipe", "warm-over-dew", "water-clock"], while: true },
  { signs: ["rained-on"], on: "metal", lines: ["metal-dry", "warm-over-dew", "water-clock"] },
  { signs: ["rained-on"], lines: ["set-down", "warm-over-dew", "water-clock"] },
  { signs: ["product-bad"], lines: ["keep-off-part", "shake-warm", "other-or-wait"] },
  {
    signs: ["wrong-product"],
    stages: ["wet"],
    on: "fragile",
    lines: ["stop-here", "blot-only", "say-what-went-on"],
    while: true,
  },
  {
    signs: ["wrong-product"],
    stages: ["wet"],
    lines: ["stop-here", "wipe-off-if-mild", "say-what-went-on"],
    while: true,
  },
  { signs: ["wrong-product"], lines: ["nothing-more", "say-what-went-on", "leave-as-is"] },
  { signs: ["left-too-long"], on: "tape", lines: ["tape-slow", "score-edge", "warm-slow"] },
  { signs: ["left-too-long"], lines: ["nothing-more", "window-look", "rub-fine"] },
];

export interface FirstAid {
  readonly lines: readonly AidLine[];
  /** true until then, absolute minutes; null = as long as nothing else is done */
  readonly holdsUntilMin: number | null;
}

/** At most three lines, never none. */
export function firstAid(sign: MishapSign, face: FaceNow, nowMin: number): FirstAid {
  const stage = stageAt(face, nowMin);
  const row = ROWS.find(
    (r) =>
      r.signs.includes(sign) &&
      (r.stages === undefined || r.stages.includes(stage)) &&
      (r.on === undefined || face.traits.includes(r.on)),
  )!;
  return { lines: row.lines, holdsUntilMin: row.while ? stageEndsMin(face, nowMin) : null };
}

/** For the table of the documents: what is said of a sign in a stage, on a face with these traits. */
export const aidRows: readonly AidRow[] = ROWS;
