import { hide, photo, recipe } from "./colour";
import { convert, grits } from "./convert";
import { glue } from "./joints";
import { light, resinCure } from "./light";
import { cost, film, quantities, thin, twoPack, weighIn } from "./liquids";
import { detail, fit, gap, ladder, mass, ridge, skins } from "./surface";
import type { Sum, SumInputs, SumResult, SumShelf, SumValues } from "./types";
import { box, dew, dryPart, gun, warmCan, warmPart } from "./warmth";

/** Every sum there is, by its id, in the order they are listed. */
const SUMS = {
  quantities,
  thin,
  "two-pack": twoPack,
  film,
  "weigh-in": weighIn,
  hide,
  recipe,
  photo,
  ladder,
  ridge,
  skins,
  gap,
  detail,
  fit,
  mass,
  "warm-can": warmCan,
  "warm-part": warmPart,
  gun,
  box,
  "dry-part": dryPart,
  light,
  "resin-cure": resinCure,
  glue,
  cost,
  dew,
  convert,
  grits,
} as const;
export type SumId = keyof typeof SUMS;
export const SUM_IDS = Object.keys(SUMS) as SumId[];

export const sumOf = (id: SumId): Sum => SUMS[id] as unknown as Sum;

/** What a sum comes to. @param values checked by its inputs, with the usual ones filled in */
export const summed = (id: SumId, values: SumValues<SumInputs>, shelf: SumShelf): SumResult =>
  sumOf(id).run(values, shelf);

export { shareACup } from "./colour";
export { fillable, filled, type SumSubject } from "./fill";
export { type Taken, takenOver } from "./take";
export type * from "./types";
