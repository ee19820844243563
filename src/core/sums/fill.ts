import type { Product, Region } from "../model";
import { dftUm, dryDensityGMl, ratioParts } from "../numbers";
import { labelTimes, materialFacts, ownGapMin, volumeSolidsOf } from "../reference";
import type { SumInput, SumInputs } from "./types";

/** What of the shed a sum may be opened with. */
export interface SumSubject {
  readonly product?: Product | null;
  readonly region?: Region | null;
  readonly air?: { readonly tempC: number; readonly rhPct: number } | null;
  readonly lamp?: {
    readonly mwCm2: number;
    readonly cm: number;
    readonly partCm: number;
    readonly atPartMwCm2: number;
  } | null;
}

type Told = Readonly<Record<string, number | string | null | undefined>>;
const PERCENT = 100;

function ofProduct(p: Product): Told {
  const solids = volumeSolidsOf(p);
  const parts = p.mixRatio ? ratioParts(p.mixRatio) : null;
  // a ratio on a card with a pot life is base to hardener; else it is paint to thinner
  const ratio: Told =
    parts === null
      ? {}
      : p.potLifeMin
        ? { partsA: parts[0], partsB: parts[1], partsC: parts[2] }
        : { paintParts: parts[0], thinnerParts: parts[1] };
  return {
    ...ratio,
    solidsPct: PERCENT * solids,
    paintGMl: p.densityGMl,
    densityGMl: p.densityGMl,
    densityA: p.densityGMl,
    dryGMl: dryDensityGMl(p),
    method: p.method,
    wftUm: p.label.wftUm,
    plannedWftUm: p.label.wftUm,
    filmUm: p.label.wftUm,
    coatUm: dftUm(p.label.wftUm, solids),
    leftMl: p.leftMl,
    packMl: p.packMl,
    packPrice: p.price,
    propellant: p.propellant,
    colour: p.unknowns?.includes("colour") ? null : p.colour,
    target: p.unknowns?.includes("colour") ? null : p.colour,
    opaqueUm: p.opaqueDftUm,
    maxSkinUm: p.maxSkinUm,
    shrinkPct: p.shrinkage == null ? null : PERCENT * p.shrinkage,
    perSkinMin: p.role === "putty" ? ownGapMin(p) : labelTimes(p).sandable.min,
    potLifeMin: p.potLifeMin,
    ecMjCm2: p.light?.ecMjCm2,
    dpUm: p.light?.dpUm,
  };
}

function ofRegion(r: Region): Told {
  const material = r.material === "unknown" ? null : r.material;
  return {
    areaCm2: r.areaCm2,
    material,
    one: material,
    depthUm: r.fillDepthUm,
    widthUm: r.fillWidthUm,
    through: r.fillThrough ? "yes" : "no",
    detailUm: r.detailUm,
    grooveUm: r.detailUm,
    budgetG: r.massBudgetG,
    clearanceUm: r.fitAllowanceUm,
    filmOtherUm: r.matingUm,
    joints: r.joints ? "yes" : "no",
    ground: material === null ? null : materialFacts(material).usualColour,
  };
}

const fits = (input: SumInput, value: unknown): boolean => {
  switch (input.kind) {
    case "number":
      return typeof value === "number" && value >= input.min && value <= input.max;
    case "choice":
      return (input.options as readonly unknown[]).includes(value);
    case "colour":
      return typeof value === "string" && /^#[0-9a-f]{6}$/i.test(value);
    case "numbers":
      return false;
  }
};

/** What a card, and what a face, can ever say; by the names sums ask them under. */
const FROM_PRODUCT: ReadonlySet<string> = new Set([
  ...["solidsPct", "paintGMl", "densityGMl", "dryGMl", "densityA", "wftUm", "filmUm", "coatUm", "leftMl", "packMl"],
  ...["packPrice", "propellant", "colour", "target", "opaqueUm", "maxSkinUm", "shrinkPct", "perSkinMin", "potLifeMin"],
  ...["ecMjCm2", "dpUm"],
]);
const FROM_REGION: ReadonlySet<string> = new Set([
  ...["areaCm2", "material", "one", "depthUm", "widthUm", "detailUm", "grooveUm", "budgetG", "clearanceUm", "ground"],
]);
/** Whether a product, or a face, has anything to say to a sum. */
export const fillable = (inputs: SumInputs): { readonly product: boolean; readonly region: boolean } => ({
  product: Object.keys(inputs).some((name) => FROM_PRODUCT.has(name)),
  region: Object.keys(inputs).some((name) => FROM_REGION.has(name)),
});

/** Figures of a sum that are known of what it is opened with; what nobody knows, or what is no figure for it, is left out. */
export function filled(inputs: SumInputs, { product, region, air, lamp }: SumSubject): Record<string, number | string> {
  const told: Told = {
    ...(air ? { tempC: air.tempC, rhPct: air.rhPct, roomC: air.tempC, fromC: air.tempC, cupC: air.tempC } : {}),
    ...(lamp ? { readMwCm2: lamp.mwCm2, readCm: lamp.cm, partCm: lamp.partCm, atPartMwCm2: lamp.atPartMwCm2 } : {}),
    ...(region ? ofRegion(region) : {}),
    ...(product ? ofProduct(product) : {}),
  };
  return Object.fromEntries(
    Object.entries(inputs).flatMap(([name, input]) => {
      const value = told[name];
      return value != null && fits(input, value) ? [[name, value]] : [];
    }),
  );
}
