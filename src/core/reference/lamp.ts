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

/** What a lamp gives at a part, mW/cm²: as read, and by the square of the distances (a lamp small against its distance; est. for a strip or a box). */
export const lampAtPartMwCm2 = (readMwCm2: number, readCm: number, partCm: number): number =>
  readMwCm2 * (readCm / partCm) ** 2;

/** Minutes a side lies under a lamp of such light, in whole minutes. @param mwCm2 at the part; null = it was never read */
export function cureSideMin(mwCm2: number | null): number {
  if (mwCm2 === null) return USUAL_SIDE_MIN;
  const min = POST_CURE_DOSE_MJ_CM2 / mwCm2 / S_PER_MIN;
  return Math.round(Math.min(SIDE_MIN.most, Math.max(SIDE_MIN.least, min)));
}
