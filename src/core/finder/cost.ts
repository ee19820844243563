/** What a stack weighs under a way of working: days, hours, grams and risks by their prices. */

import { MIN_PER_DAY, MIN_PER_HOUR } from "../base";
import type { PlacedVerdict } from "../judge";
import { laidFilm, reachedMin } from "../judge/moments";
import type { Finish, Layer, Product, Stack } from "../model";
import {
  dftUm,
  dryDensityGMl,
  filmMassG,
  liquidNeededMl,
  plannedWftUm,
  pricePerMl,
  transferEfficiency,
} from "../numbers";
import {
  ASSUMED_AREA_CM2,
  BEFORE_LABOUR,
  COAT_LABOUR,
  GROOVE_PER_DFT,
  type Labour,
  PREP_LABOUR,
  RISK_POINTS,
  SAND_LABOUR,
  SHOWN_RISK,
  volumeSolidsOf,
  WEIGHTS,
  type Weights,
} from "../reference";
import type { FinderInput, Totals } from "./types";

export const ZERO: Totals = { day: 0, hour: 0, risk: 0, money: 0, gram: 0, detailPct: 0, hazard: 0 };

export const add = (a: Totals, b: Totals): Totals => ({
  day: a.day + b.day,
  hour: a.hour + b.hour,
  risk: a.risk + b.risk,
  money: a.money + b.money,
  gram: a.gram + b.gram,
  detailPct: a.detailPct + b.detailPct,
  hazard: a.hazard + b.hazard,
});

/** The stated cost: Σ weight · total. */
export const weigh = (t: Totals, w: Weights): number => WEIGHTS.reduce((sum, k) => sum + w[k] * t[k], 0);

const minutes = (l: Labour, areaCm2: number): number => l.fixedMin + l.perCm2Min * areaCm2;

const HAZARDOUS = ["isocyanate", "isocyanate-unknown", "solvent-vapour", "acid", "caustic", "peroxide"];

/** Minutes from the first coat of a layer to its last, and of the last layer on to where it can be handled. */
export function layerWaits(layer: Omit<Layer, "id">, product: Product, input: FinderInput) {
  const film = laidFilm({ ...layer, id: "" }, product, input.air);
  return { coatsMin: film.endMin, handleMin: reachedMin(film, "handle") - film.endMin };
}

/** What one layer costs by itself, whatever lies under it: its coats, liquid, weight, build, hazards. Waits for it come with the seam. */
export function layerTotals(layer: Omit<Layer, "id">, product: Product, input: FinderInput): Totals {
  const { region } = input;
  const areaCm2 = region.areaCm2 ?? ASSUMED_AREA_CM2;
  const wftUm = plannedWftUm(layer, product);
  const dryUm = layer.coats * dftUm(wftUm, volumeSolidsOf(product));
  const leftUm = dryUm - Math.min(dryUm, layer.sandAfter?.takesUm ?? 0);
  const ml = liquidNeededMl(areaCm2, wftUm, layer.coats, transferEfficiency(product.method, areaCm2));
  const perMl = pricePerMl(product) ?? 0;
  const rub = layer.sandAfter ? minutes(SAND_LABOUR, areaCm2) : 0;
  return {
    day: layerWaits(layer, product, input).coatsMin / MIN_PER_DAY,
    hour: (layer.coats * minutes(COAT_LABOUR[product.method], areaCm2) + rub) / MIN_PER_HOUR,
    risk: 0,
    // what is not on the shelf has to be bought whole; what is there is used up by the millilitre
    money: product.owned === false ? (product.price ?? 0) : perMl * ml,
    gram: region.areaCm2 === null ? 0 : filmMassG(leftUm, areaCm2, dryDensityGMl(product)),
    // a fill lies in its hole: no groove is narrowed by it
    detailPct: region.detailUm === null || layer.depthUm != null ? 0 : lostPct(region.detailUm, leftUm),
    hazard: product.hazards.filter((h) => HAZARDOUS.includes(h)).length,
  };
}

/** Percent of a groove filled, not capped: every µm counts alike, so that layers add up. */
const lostPct = (grooveUm: number, dryUm: number): number => (100 * GROOVE_PER_DFT * dryUm) / grooveUm;

export const scuffHours = (input: FinderInput): number => {
  const area = input.region.areaCm2 ?? ASSUMED_AREA_CM2;
  return (minutes(BEFORE_LABOUR.scuff, area) + minutes(BEFORE_LABOUR.wipe, area)) / MIN_PER_HOUR;
};

export const prepHours = (stack: Pick<Stack, "prep">, input: FinderInput): number =>
  stack.prep.reduce((sum, s) => sum + minutes(PREP_LABOUR[s], input.region.areaCm2 ?? ASSUMED_AREA_CM2), 0) /
  MIN_PER_HOUR;

/** Risk points of a whole stack: what is said of the pile as a whole shows on the face, the more the closer one looks. */
export const riskOf = (verdicts: readonly Pick<PlacedVerdict, "verdict" | "where">[], finish: Finish): number =>
  verdicts.reduce((sum, v) => {
    if (v.verdict === "stop") return sum;
    return sum + RISK_POINTS[v.verdict] * (v.where.kind === "stack" ? SHOWN_RISK[finish] : 1);
  }, 0);
