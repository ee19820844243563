import type { MishapSign } from "../model";
import { type FaceNow, type FaceTrait, type FilmStage, stageAt } from "./face";

/** What is known of a sign before anybody asks: whether it can be, and how near at hand it is. */
interface SignFacts {
  /** something that happened, beside what is seen */
  readonly event?: true;
  /** a face without any of these cannot have it; absent = any can */
  readonly needs?: readonly (FaceTrait | "film")[];
  /** stages of the uppermost film in which it is mostly seen */
  readonly stages: readonly FilmStage[];
  /** faces it is mostly seen on */
  readonly likes?: readonly FaceTrait[];
  /** kinds of step at which it shows */
  readonly at?: readonly string[];
}

const FILM = ["film"] as const;

export const SIGN_FACTS: Readonly<Record<MishapSign, SignFacts>> = {
  lifting: { needs: FILM, stages: ["wet", "touch"], likes: ["film-below", "fragile"] },
  bubbles: { needs: FILM, stages: ["wet", "touch", "sandable"], likes: ["sprayed", "putty"] },
  clogging: { needs: FILM, stages: ["touch", "sandable"], likes: ["putty"], at: ["sand", "extra"] },
  cracks: { needs: FILM, stages: ["touch", "sandable", "cured"], likes: ["putty", "film-below"] },
  flakes: { needs: FILM, stages: ["sandable", "cured"], likes: ["tape", "film-below"], at: ["unmask", "sand"] },
  "fish-eyes": { needs: FILM, stages: ["wet"], likes: ["sprayed"] },
  run: { needs: FILM, stages: ["wet", "touch"], likes: ["sprayed", "brushed"] },
  streak: { needs: ["wash"], stages: ["wet", "touch"], likes: ["wash"] },
  rough: { needs: FILM, stages: ["touch", "sandable"], likes: ["sprayed"] },
  "orange-peel": { needs: FILM, stages: ["touch", "sandable"], likes: ["sprayed"] },
  haze: { needs: FILM, stages: ["wet", "touch"], likes: ["lacquer", "clear"] },
  silvered: { needs: ["decal"], stages: ["touch", "sandable", "cured"], likes: ["decal"] },
  patchy: { needs: FILM, stages: ["touch", "sandable", "cured"], likes: ["brushed"] },
  "shows-through": { needs: FILM, stages: ["touch", "sandable"] },
  "wrong-shade": { needs: FILM, stages: ["touch", "sandable", "cured"] },
  scratches: { needs: FILM, stages: ["touch", "sandable", "cured"], likes: ["sanded"] },
  sunken: { needs: ["putty"], stages: ["sandable", "cured"], likes: ["putty"] },
  eaten: { stages: ["wet", "touch"], likes: ["foam", "fragile"] },
  weeping: { stages: ["cured", "sandable"], likes: ["resin"] },
  aged: { needs: FILM, stages: ["cured"] },
  nib: { needs: FILM, stages: ["wet", "touch"], likes: ["sprayed"] },
  "foreign-mist": { needs: FILM, stages: ["wet", "touch", "sandable"], likes: ["sprayed", "tape"] },
  bleed: { needs: ["tape"], stages: ["touch", "sandable"], likes: ["tape"], at: ["unmask"] },
  dropped: { event: true, stages: ["wet", "touch"] },
  touched: { event: true, needs: FILM, stages: ["wet", "touch"] },
  "rubbed-through": { event: true, needs: FILM, stages: ["sandable", "cured"], at: ["sand", "extra"] },
  "ran-out": { event: true, stages: ["wet"], at: ["coat", "turn"] },
  slipped: { event: true, stages: ["wet", "touch"] },
  "rained-on": { event: true, stages: ["wet", "touch", "bare"] },
  "product-bad": { event: true, stages: ["bare", "wet"], at: ["coat", "turn"] },
  "wrong-product": { event: true, needs: FILM, stages: ["wet", "touch"] },
  "left-too-long": { event: true, stages: ["sandable", "cured"], likes: ["tape"] },
};

export interface SignOffer {
  readonly sign: MishapSign;
  /** it is likely now */
  readonly likely: boolean;
  /** why it cannot be on this face; null = it can */
  readonly lacks: "film" | FaceTrait | null;
}

const LIKELY_SHOWN = 8;
const STAGE_POINTS = 3;
const STEP_POINTS = 3;
const TRAIT_POINTS = 2;

/** Every sign: likely ones first, then the rest in the order of the list, and last what cannot be. */
export function signsFor(face: FaceNow, nowMin: number): readonly SignOffer[] {
  const stage = stageAt(face, nowMin);
  const all = (Object.keys(SIGN_FACTS) as MishapSign[]).map((sign, order) => {
    const facts = SIGN_FACTS[sign];
    const points =
      (facts.stages.includes(stage) ? STAGE_POINTS : 0) +
      (facts.at && face.next !== null && facts.at.includes(face.next) ? STEP_POINTS : 0) +
      (facts.likes ?? []).filter((t) => face.traits.includes(t)).length * TRAIT_POINTS;
    return { sign, order, points, lacks: lacksOf(facts, face) };
  });
  const can = all.filter((s) => s.lacks === null);
  const ranked = [...can].sort((a, b) => b.points - a.points || a.order - b.order);
  const likely = new Set(ranked.slice(0, LIKELY_SHOWN).map((s) => s.sign));
  return [
    ...ranked.filter((s) => likely.has(s.sign)),
    ...can.filter((s) => !likely.has(s.sign)),
    ...all.filter((s) => s.lacks !== null),
  ].map(({ sign, lacks }) => ({ sign, lacks, likely: likely.has(sign) }));
}

function lacksOf({ needs }: SignFacts, { top, traits }: FaceNow): SignOffer["lacks"] {
  if (!needs) return null;
  const has = (n: FaceTrait | "film") => (n === "film" ? top !== null : traits.includes(n));
  return needs.some(has) ? null : needs[0]!;
}
