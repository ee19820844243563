import type { MaterialId, Unknown } from "../model";

/** Readings nearer than this are joined by a straight line; farther apart, what lies between is assumed, minutes (est.). */
export const READING_GAP_MAX_MIN = 180;
/** A reading that differs from what was expected goes on to count, less and less, with this time constant, minutes (est.). */
export const DEPARTURE_FADE_MIN = 180;
/** A forecast whose points lie farther apart than this has a hole, minutes. */
export const FORECAST_GAP_MAX_MIN = 360;
/** Readings closer together than this are thinned for reckoning, minutes. */
export const READING_STEP_MIN = 10;

/** How slowly a part follows the air around it: thin shells and foam about 10 min, heavy castings about 90 (est.). */
const LAG_MIN: Partial<Record<MaterialId, number>> = {
  xps: 10,
  eps: 10,
  epo: 10,
  eva: 10,
  "pu-foam": 15,
  "clear-plastic": 12,
  pla: 15,
  petg: 15,
  "abs-asa": 15,
  "vat-resin": 25,
  "cast-pu": 25,
  "wood-mdf": 25,
  plaster: 40,
  aluminium: 30,
  stainless: 45,
  "brass-copper": 45,
  "steel-iron": 90,
  "white-metal": 90,
};
const LAG_USUAL_MIN = 20;

/** Time constant of a part of this material, minutes (est.). */
export const partLagMin = (material: MaterialId | Unknown | null): number =>
  (material !== null && material !== "unknown" ? LAG_MIN[material] : undefined) ?? LAG_USUAL_MIN;
