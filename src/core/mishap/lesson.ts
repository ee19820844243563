/** What a lesson hangs on. */
export type LessonOn = "product" | "material" | "pair" | "tape" | "shed";

/** What a lesson puts forward where the same choice is made again. */
export const LESSON_SHIFTS = [
  "lighter",
  "wait-longer",
  "warmer-can",
  "warm-dry",
  "wash",
  "dry-longer",
  "key",
  "dust-off",
  "finer-paper",
  "weaker",
  "barrier",
  "promoter",
  "thin-skins",
  "low-tack",
  "sooner-off",
  "fresh",
  "thin-right",
  "stir",
  "distance",
  "apart",
  "cure-through",
  "gloss-first",
  "more-coats",
  "uv-clear",
  "holder",
  "cover",
  "look",
  "stock",
] as const;
export type LessonShift = (typeof LESSON_SHIFTS)[number];
