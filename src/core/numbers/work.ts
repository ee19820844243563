/** What paper leaves and what hides it, and how much of what leaves the tool lands on the part. */

import { assert } from "../base";
import type { Method, Paper, Product, SandAfter, Tack, Tape } from "../model";
import {
  EDGE_SANDING,
  familyFacts,
  grainUm,
  LADDER,
  PROPELLANT_SHARE,
  SCRATCH_HIDDEN,
  SCRATCH_OF_GRAIN,
  SMALL_PART,
  STRICT_SCRATCH,
  TRANSFER_EFFICIENCY,
} from "../reference";

/** Depth of the scratch a paper leaves, µm (est.). */
export const scratchUm = (p: Paper): number =>
  grainUm(p.grit, p.scale) * (p.wet ? SCRATCH_OF_GRAIN.wet : SCRATCH_OF_GRAIN.dry);

/** Scratch depth a coat hides, µm (est.); `strict` for gloss, black and metallic. */
export const hidesScratchUm = (dryUm: number, kind: keyof typeof SCRATCH_HIDDEN, strict: boolean): number =>
  dryUm * SCRATCH_HIDDEN[kind] * (strict ? STRICT_SCRATCH : 1);

/** A step of a ladder: a fault, one that could be left out, or right. Both papers by grain, whatever their scales. */
export function ladderStep(from: Paper, to: Paper): "jump" | "spare" | "right" {
  const ratio = grainUm(to.grit, to.scale) / grainUm(from.grit, from.scale);
  if (ratio < LADDER.jumpBelow) return "jump";
  return ratio > LADDER.spareAbove ? "spare" : "right";
}

/** The papers of a rub in the order they are used. */
export const papersOf = (rub: SandAfter): readonly Paper[] => [rub, ...(rub.further ?? [])];
/** The paper whose scratches stay. */
export const lastPaper = (rub: SandAfter): Paper => rub.further?.at(-1) ?? rub;

export const edgeTakesUm = (flatTakesUm: number): number => flatTakesUm * EDGE_SANDING;

/** How deep a fill is laid altogether so that it still fills when it has lost its share, µm. @param shrinkage fraction in [0, 1) */
export function puttyLaidUm(depthUm: number, shrinkage: number): number {
  assert(shrinkage >= 0 && shrinkage < 1, "puttyLaidUm out of range");
  return depthUm / (1 - shrinkage);
}

/** Skins a fill needs, the last standing proud by what it loses. @param shrinkage fraction in [0, 1) */
export function puttySkins(depthUm: number, maxSkinUm: number, shrinkage: number): number {
  assert(maxSkinUm > 0, "puttySkins out of range");
  return Math.ceil(puttyLaidUm(depthUm, shrinkage) / maxSkinUm - 1e-9);
}

/** More skins than this nobody lays into one gap (est.). */
export const MOST_SKINS = 8;
/** Skins of a filler for a depth: by its card, else as deep as its family usually goes; one where nobody knows either. */
export function skinsFor(p: Pick<Product, "maxSkinUm" | "family" | "shrinkage">, depthUm: number | null): number {
  const skinUm = p.maxSkinUm ?? (p.family === "unknown" ? null : familyFacts(p.family).skinUm);
  return depthUm === null || skinUm === null ? 1 : puttySkins(depthUm, skinUm, p.shrinkage ?? 0);
}

/** More filler coats than this: putty first (est.). */
export const MAX_FILLER_COATS = 4;

/** Transfer efficiency of a method on a face; small faces catch less of an aerosol (est.). */
export const transferEfficiency = (method: Method, areaCm2: number | null): number =>
  method === "aerosol" && areaCm2 !== null && areaCm2 < SMALL_PART.belowCm2
    ? SMALL_PART.aerosolTE
    : TRANSFER_EFFICIENCY[method];

/** Light to cure a depth, seconds: t = (Ec/I)·exp(L/Dp) (Jacobs). Ec mJ/cm², I mW/cm², L and Dp µm. */
export const uvSeconds = (ecMjCm2: number, irradianceMwCm2: number, depthUm: number, dpUm: number): number =>
  (ecMjCm2 / irradianceMwCm2) * Math.exp(depthUm / dpUm);

/** Parts of a mixing ratio such as "4:1:1", or null when it is not one. */
export function ratioParts(text: string): readonly number[] | null {
  const parts = text.split(":").map((s) => Number(s.trim()));
  return parts.length >= 2 && parts.every((n) => Number.isFinite(n) && n > 0) ? parts : null;
}

/** Largest relative difference between two ratios, first part to each other; null when they cannot be compared. */
export function ratioOff(used: string, label: string): number | null {
  const [a, b] = [ratioParts(used), ratioParts(label)];
  if (!a || !b || a.length !== b.length) return null;
  return Math.max(...a.map((x, i) => Math.abs(x / a[0]! / (b[i]! / b[0]!) - 1)));
}

/** How hard a tape pulls: as its product says, else as it was told. */
export const tackOf = (tape: Tape, productOf: (id: string) => Product): Tack =>
  (tape.productId ? productOf(tape.productId).tack : null) ?? tape.tack;

/** Price of a millilitre of paint, in the user's own money; of an aerosol without its propellant. Null = pack or price not given. */
export function pricePerMl(p: Pick<Product, "price" | "packMl" | "method">): number | null {
  if (p.price == null || !p.packMl) return null;
  return p.price / (p.packMl * (p.method === "aerosol" ? 1 - PROPELLANT_SHARE : 1));
}
