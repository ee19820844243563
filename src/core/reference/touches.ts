import type { MarkingKind, Role, TouchKind } from "../model";
import type { Labour } from "./labour";

/** Markings and traces of wear and weather: what they are made with, when they are due among each other, how long they take. */
export interface TouchFacts {
  /** who comes first: markings, then damage, for dirt lies on top of it, then what is washed on, and dust last of all */
  readonly rank: number;
  readonly roles: readonly Role[];
  /** wet film as it is left, µm; null = as its label has it */
  readonly wftUm: number | null;
  readonly labour: Labour;
  /** for every piece on top of that, minutes */
  readonly pieceMin: number;
}

const marking = (labour: Labour, pieceMin: number): TouchFacts => ({
  rank: 0,
  roles: ["decal"],
  wftUm: null,
  labour,
  pieceMin,
});
const dirt = (rank: number, wftUm: number, labour: Labour, pieceMin = 0): TouchFacts => ({
  rank,
  roles: ["wash", "colour"],
  wftUm,
  labour,
  pieceMin,
});

/** Source: common practice; minutes and films are estimates. */
export const TOUCH_FACTS: Readonly<Record<TouchKind, TouchFacts>> = {
  waterslide: marking({ fixedMin: 10, perCm2Min: 0.02 }, 4),
  "cut-film": marking({ fixedMin: 5, perCm2Min: 0.02 }, 3),
  "dry-transfer": marking({ fixedMin: 5, perCm2Min: 0.02 }, 2),
  chips: dirt(1, 8, { fixedMin: 8, perCm2Min: 0.06 }),
  filter: dirt(2, 15, { fixedMin: 5, perCm2Min: 0.03 }),
  "panel-wash": dirt(3, 20, { fixedMin: 8, perCm2Min: 0.08 }),
  streaks: dirt(4, 8, { fixedMin: 5, perCm2Min: 0.05 }, 1),
  stains: dirt(5, 10, { fixedMin: 5, perCm2Min: 0.05 }, 1),
  "dry-brush": dirt(6, 4, { fixedMin: 5, perCm2Min: 0.05 }),
  dust: dirt(7, 8, { fixedMin: 5, perCm2Min: 0.03 }),
};

/** Lies flat on gloss alone; cut film and rubbed-down letters carry their own glue. */
export const WANTS_GLOSS: ReadonlySet<TouchKind> = new Set<MarkingKind>(["waterslide"]);
