import { UV_BOX_MIN } from "./planning";

/** What a curing lamp gives, and how long a printed resin part lies under it. */

/** Light a printed part is after-cured with, each side, mJ/cm² near 405 nm (est.: resins ask for a quarter of an hour in an ordinary box; the bottle decides). */
const POST_CURE_DOSE_MJ_CM2 = 7000;
/** A part is turned so that every side sees the lamp; sides where nobody says. */
export const CURE_SIDES = 2;
/** Where no lamp was read, an ordinary box, minutes a side (est.). */
export const USUAL_SIDE_MIN = UV_BOX_MIN / CURE_SIDES;
/** Under the shortest nobody lays a part; past the longest the resin is brittle before it is cured, minutes a side (est.). */
const SIDE_MIN = { least: 3, most: 120 } as const;
const S_PER_MIN = 60;

export const SUNS = ["clear summer noon", "hazy, or winter noon", "open shade"] as const;
type Sun = (typeof SUNS)[number];
/** What of the sun does a lamp's work, 380 to 420 nm, mW/cm² (est.: about 1.1 W/m² a nanometre at noon in summer). */
const SUN_MW_CM2: Readonly<Record<Sun, number>> = {
  "clear summer noon": 4.4,
  "hazy, or winter noon": 1.5,
  "open shade": 0.8,
};
/** Minutes a side in the sun in place of a lamp (est.). */
export const sunSideMin = (sun: Sun): number => cureSideMin(SUN_MW_CM2[sun]);

/** What a lamp gives at a part, mW/cm²: as read, and by the square of the distances (a lamp small against its distance; est. for a strip or a box). */
export const lampAtPartMwCm2 = (readMwCm2: number, readCm: number, partCm: number): number =>
  readMwCm2 * (readCm / partCm) ** 2;

/** Minutes a side lies under a lamp of such light, in whole minutes. @param mwCm2 at the part; null = it was never read */
export function cureSideMin(mwCm2: number | null): number {
  if (mwCm2 === null) return USUAL_SIDE_MIN;
  const min = POST_CURE_DOSE_MJ_CM2 / mwCm2 / S_PER_MIN;
  return Math.round(Math.min(SIDE_MIN.most, Math.max(SIDE_MIN.least, min)));
}
