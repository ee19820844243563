/** A face as far as first aid and the choice of signs have to know it: small enough to lie on every page that may need it. */

export const FILM_STAGES = ["bare", "wet", "touch", "sandable", "cured"] as const;
/** How far the uppermost film has come. */
export type FilmStage = (typeof FILM_STAGES)[number];

/** What first aid asks of a face beside its film's stage. */
export const FACE_TRAITS = [
  /** foam, or old paint nobody knows: no thinner touches it */
  "fragile",
  "foam",
  "metal",
  "resin",
  /** lead may be in what is rubbed */
  "wet-only",
  "putty",
  "wash",
  "decal",
  "clear",
  "tape",
  "sprayed",
  "brushed",
  /** dries by its solvent and is dissolved by it again */
  "lacquer",
  "water-borne",
  "sanded",
  /** the wash on top may be wiped with its own carrier */
  "wipeable",
  /** a film other than the uppermost lies below it */
  "film-below",
] as const;
export type FaceTrait = (typeof FACE_TRAITS)[number];

export interface FaceNow {
  readonly traits: readonly FaceTrait[];
  /** the uppermost film; null = nothing lies there by the log */
  readonly top: {
    readonly layerId: string;
    readonly productId: string;
    /** the work that laid its last coat */
    readonly opId: string;
    readonly endMin: number;
    /** when it comes so far, absolute minutes; null = not within the weeks looked ahead */
    readonly touchMin: number | null;
    readonly handleMin: number | null;
    readonly sandableMin: number | null;
    readonly curedMin: number | null;
  } | null;
  /** kind of the step that is in hand or comes next; null = all is done */
  readonly next: string | null;
  /** product of that step */
  readonly nextProductId: string | null;
}

/** A face nothing is known of. */
export const BARE_FACE: FaceNow = { traits: [], top: null, next: null, nextProductId: null };

const passed = (at: number | null, nowMin: number): boolean => at !== null && at <= nowMin;

export function stageAt({ top }: FaceNow, nowMin: number): FilmStage {
  if (top === null) return "bare";
  if (passed(top.curedMin, nowMin)) return "cured";
  if (passed(top.sandableMin, nowMin)) return "sandable";
  return passed(top.touchMin, nowMin) ? "touch" : "wet";
}

/** When the stage it is in ends; null = it does not, or nobody can say. */
export function stageEndsMin({ top }: FaceNow, nowMin: number): number | null {
  if (top === null) return null;
  const ahead = [top.touchMin, top.sandableMin, top.curedMin].filter((m): m is number => m !== null && m > nowMin);
  return ahead.length > 0 ? Math.min(...ahead) : null;
}
