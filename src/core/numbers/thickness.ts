import { assert } from "../base";
import { CONTACT_ROLES, isOneOf, type Layer, type Product } from "../model";
import {
  familyFacts,
  GROOVE_PER_DFT,
  HEAVINESS_OF_LABEL,
  PROPELLANT_SHARE,
  RIDGE_BURIED_FLOOD,
  RIDGE_BURIED_MIST,
  volumeSolidsOf,
} from "../reference";
import { asLaid } from "./as-laid";
import { transferEfficiency } from "./work";

/** µm of wet film to µm of dry film; VS 0–1, p parts of paint with q parts of thinner. */
export function dftUm(wftUm: number, volumeSolids: number, paintParts = 1, thinnerParts = 0): number {
  assert(volumeSolids >= 0 && volumeSolids <= 1 && paintParts > 0 && thinnerParts >= 0, "dftUm out of range");
  return (wftUm * volumeSolids * paintParts) / (paintParts + thinnerParts);
}

/** cm of film height from g / (g/ml · cm²) is 1e4 µm. */
const UM_PER_CM = 1e4;

/** Film height in µm from the weight gained (g), density (g/ml) and face (cm²); wet mass gives WFT, dry mass DFT. */
export function filmFromMassUm(deltaMassG: number, densityGMl: number, areaCm2: number): number {
  assert(densityGMl > 0 && areaCm2 > 0, "filmFromMassUm needs a density and an area");
  return (deltaMassG / (densityGMl * areaCm2)) * UM_PER_CM;
}

/** Liquid to pour for `coats` coats, ml; transfer efficiency 0–1 is what lands on the part. */
export function liquidNeededMl(areaCm2: number, wftUm: number, coats: number, transferEfficiency: number): number {
  assert(transferEfficiency > 0 && transferEfficiency <= 1, "transfer efficiency must be in (0, 1]");
  return (areaCm2 * wftUm * coats) / UM_PER_CM / transferEfficiency;
}

/** Wet film per coat as planned: measured if given, else the label's film by heaviness (est.). */
export const plannedWftUm = (layer: Pick<Layer, "wftUm" | "heaviness">, product: Pick<Product, "label">): number =>
  layer.wftUm ?? product.label.wftUm * HEAVINESS_OF_LABEL[layer.heaviness];

/** What flies off: water, or the usual blend of solvents, g/ml (est. for the blend). */
const CARRIER_DENSITY_G_ML = { water: 1, other: 0.87 };
const LIGHTEST_DRY_G_ML = 0.3;

/**
 * Density of the dry film, g/ml: the card's own, else reckoned from the wet paint (est.): what is left when the carrier's
 * volume and weight have gone. Never below a foamed filler's.
 */
export function dryDensityGMl(p: Pick<Product, "densityGMl" | "dryDensityGMl" | "volumeSolids" | "family">): number {
  if (p.dryDensityGMl != null) return p.dryDensityGMl;
  const facts = p.family === "unknown" ? null : familyFacts(p.family);
  const wet = p.densityGMl ?? facts?.defaultDensityGMl ?? 1.1;
  const solids = volumeSolidsOf(p);
  const carrier = facts?.mechanism === "water" ? CARRIER_DENSITY_G_ML.water : CARRIER_DENSITY_G_ML.other;
  return Math.max(LIGHTEST_DRY_G_ML, (wet - (1 - solids) * carrier) / solids);
}

export interface LedgerLine {
  readonly layerId: string;
  readonly addedUm: number;
  readonly takenUm: number;
  /** dry height above bare material after this layer and its rub */
  readonly totalUm: number;
}

/** Every µm on and off a face since bare material: coats add, sanding takes, never below the layer itself. */
export function filmLedger(layers: readonly Layer[], productOf: (id: string) => Product): readonly LedgerLine[] {
  let totalUm = 0;
  return layers.map((layer) => {
    const p = asLaid(layer, productOf);
    // what touches without staying adds nothing; a paper between coats still takes
    const stays = !isOneOf(CONTACT_ROLES)(p.role);
    const addedUm = stays ? layer.coats * dftUm(plannedWftUm(layer, p), volumeSolidsOf(p)) : 0;
    const takenUm = Math.min(layer.sandAfter?.takesUm ?? 0, addedUm + totalUm);
    totalUm += addedUm - takenUm;
    return { layerId: layer.id, addedUm, takenUm, totalUm };
  });
}

/** Dry mass a film adds, g, from its height (µm), the face (cm²) and its dry density (g/ml). */
export const filmMassG = (dryUm: number, areaCm2: number, dryDensityGMl: number): number =>
  (dryUm / UM_PER_CM) * areaCm2 * dryDensityGMl;

/** Share of a groove's width that the build fills, 0–1 (est.). */
export const grooveLost = (grooveUm: number, buildUm: number): number =>
  Math.min(1, (GROOVE_PER_DFT * buildUm) / grooveUm);

/** Ridge height a filler layer buries, µm (est.). */
export const ridgeBuriedUm = (dryUm: number, misted: boolean): number =>
  dryUm * (misted ? RIDGE_BURIED_MIST : RIDGE_BURIED_FLOOD);

/** Paint one coat takes on one piece, landed and lost, ml. */
export const paintMl = (product: Pick<Product, "method">, areaCm2: number, wftUm: number): number =>
  liquidNeededMl(areaCm2, wftUm, 1, transferEfficiency(product.method, areaCm2));

/** What a coat takes out of a can on one piece, ml: what lands, what flies past, and an aerosol's propellant with it (est.). */
export function canMl(product: Pick<Product, "method">, areaCm2: number, wftUm: number): number {
  const paint = paintMl(product, areaCm2, wftUm);
  return product.method === "aerosol" ? paint / (1 - PROPELLANT_SHARE) : paint;
}
