import {
  type Asked,
  type PatchFix,
  type PatchSign,
  SET_UP_FIGURES,
  type SetUpFigure,
  type Stroke,
} from "@/core/reference";
import { figureShown, unitShown } from "@/format";
import { FIGURE_NAME, PROTECTION_NAME } from "./vocabulary";

/** What is worn and running, as it is confirmed. */
export const ASKED_NAME: Readonly<Record<Asked, string>> = {
  ...PROTECTION_NAME,
  aired: "Window or door open, air moving away from you",
  "others-told": "Nobody else in the building while it is sprayed and cures; they are told",
  "no-flame": "No flame, heater or spark near the vapour or the drying rack",
  "wet-parts-away": "Other parts, wet or bare, out of the spray cloud or covered",
};

export const SET_UP_NAME: Readonly<Record<SetUpFigure, string>> = {
  shakeMinutes: "Shake or stir for",
  distanceCm: "From the face",
  pressureBar: FIGURE_NAME.pressureBar,
  nozzleMm: FIGURE_NAME.nozzleMm,
};
export const SET_UP_UNIT: Readonly<Record<SetUpFigure, string>> = {
  shakeMinutes: "min",
  distanceCm: "cm",
  pressureBar: "bar",
  nozzleMm: "mm",
};

export const STROKE_TEXT: Readonly<Record<Stroke, string>> = {
  "off-the-part": "Begin and end every stroke off the part; never dwell on one spot.",
  "half-over": "Each pass overlaps the last by half.",
  crosshatch: "One coat lengthwise, the next crosswise.",
  "nozzle-full": "Press the nozzle right down: a half-pressed can spits.",
  "mist-then-wet": "A mist first, fine greyish dots for the next to hold on to; then nearer and wetter.",
  "gloss-wet": "Stop when it is just gloss-wet: a moment more and it pools.",
  "edges-first": "Edges, undersides and insides first, then the faces.",
  "shake-again": "Shake again between passes: filler primers and metallics settle in minutes.",
  "look-round": "Before you put it down, look from several sides: edges, ends and undersides are what is missed.",
  "light-parts": "Light parts are pinned or weighed down: the jet knocks them over.",
  load: "Load the brush so that paint flows, not so that it runs.",
  "lay-off": "Put it in the middle, spread it, work across until the lines fade.",
  "leave-it": "Then leave it alone: what is worked over as it sets keeps its lines.",
  "wide-brush": "The widest soft brush that fits leaves the fewest lines; on a hot day thin a little and work faster.",
  "press-and-pull": "Press it in, then pull it flat in one go; thin skins, each dry before the next.",
};

export const PATCH_SIGN_NAME: Readonly<Record<PatchSign, string>> = {
  good: "good",
  rough: "rough, like fine sand",
  nothing: "nothing comes, or too thin to see",
  spatters: "spatters",
  runs: "runs",
  ridges: "ridges that stay",
};

export const PATCH_FIX_TEXT: Readonly<Record<PatchFix, string>> = {
  nearer: "go nearer",
  farther: "go farther off",
  "shake-more": "shake or stir again",
  "wipe-nozzle": "wipe or clear the nozzle",
  "warm-can": "warm the can in hand-warm water",
  "thin-more": "thin it a little more, with its own thinner",
  "thin-less": "thin it less",
  "more-air": "a little more air",
  "less-air": "a little less air",
  "wider-needle": "a wider needle or nozzle",
  faster: "move faster",
  "less-at-once": "put on less at once, in more passes",
  "wet-brush": "damp the brush with its own thinner first",
};

/** What an entry says of how its work was begun: the set-up, its patch, and what was worn. */
export function begunText({
  setUp,
  worn,
  without,
}: {
  readonly setUp?: SetUpSaid | undefined;
  readonly worn?: readonly Asked[] | undefined;
  readonly without?: readonly Asked[] | undefined;
}): string {
  const figures = setUp
    ? SET_UP_FIGURES.flatMap((f) =>
        setUp[f] === undefined
          ? []
          : [`${SET_UP_NAME[f].toLowerCase()} ${figureShown(setUp[f], SET_UP_UNIT[f])} ${unitShown(SET_UP_UNIT[f])}`],
      )
    : [];
  return [
    setUp?.patch && `patch ${PATCH_SIGN_NAME[setUp.patch]}`,
    figures.join(", "),
    setUp?.changed && setUp.changed.length > 0 && `changed: ${setUp.changed.map((c) => PATCH_FIX_TEXT[c]).join(", ")}`,
    worn && worn.length > 0 && `worn and running: ${worn.map((w) => WORN_SHORT[w]).join(", ")}`,
    without && without.length > 0 && `without: ${without.map((w) => WORN_SHORT[w]).join(", ")}`,
  ]
    .filter(Boolean)
    .join("; ");
}
type SetUpSaid = { readonly [K in SetUpFigure]?: number | undefined } & {
  readonly patch?: PatchSign | undefined;
  readonly changed?: readonly PatchFix[] | undefined;
};
const WORN_SHORT: Readonly<Record<Asked, string>> = {
  extraction: "extraction",
  a2p3: "A2P3",
  p3: "P3",
  gloves: "gloves",
  "eye-cover": "eye cover",
  "air-fed": "air-fed",
  aired: "aired",
  "others-told": "others told",
  "no-flame": "no flame",
  "wet-parts-away": "other parts away",
};
