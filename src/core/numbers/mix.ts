import type { Product } from "../model";
import { volumeSolidsOf } from "../reference";
import { hexOf } from "./colour";
import { type MixPaint, mixedRgb, opaqueAt, tintingStrength } from "./recipe";

/** A paint that goes into a mix, by the parts of it. */
export interface Poured {
  readonly product: Product;
  readonly parts: number;
}

export const mixPaintOf = ({ id, colour, opaqueDftUm }: Product): MixPaint => ({
  id,
  colour,
  strength: tintingStrength(opaqueDftUm ?? null),
});

/** Mean over the mix by volume; null where nobody knows it of one of them. */
function byVolume(of: readonly Poured[], figure: (p: Product) => number | null | undefined): number | null {
  let sum = 0;
  for (const { product, parts } of of) {
    const own = figure(product);
    if (own == null) return null;
    sum += own * parts;
  }
  // three digits behind the point are more than any label tells
  return Math.round((1000 * sum) / of.reduce((all, p) => all + p.parts, 0)) / 1000;
}

/**
 * A mix of paints that may share a cup as a product of its own: what most of it is, in the shade they make together; solids and
 * density by volume, hiding by strength (est.), waits those of the slowest, hazards of all, the shelf life of its weakest.
 * @param of one at least
 */
export function mixedProduct(of: readonly Poured[], id: string, name: string, leftMl: number, note: string): Product {
  const most = of.reduce((top, p) => (p.parts > top.parts ? p : top)).product;
  const strength = byVolume(of, (p) => tintingStrength(p.opaqueDftUm ?? null))!;
  const opaqueDftUm = of.some((p) => p.product.opaqueDftUm == null) ? null : opaqueAt(strength);
  const slowest = (figure: keyof Product["label"]): number | null => {
    const told = of.flatMap(({ product }) =>
      typeof product.label[figure] === "number" ? [product.label[figure] as number] : [],
    );
    return told.length === 0 ? null : Math.max(...told);
  };
  const dates = of.flatMap(({ product }) => (product.useBy ? [product.useBy] : [])).sort();
  return {
    ...most,
    id,
    name,
    aliases: [],
    maker: "",
    colour: hexOf(
      mixedRgb(
        of.map((p) => mixPaintOf(p.product)),
        of.map((p) => p.parts),
      ),
    ),
    opaqueDftUm,
    volumeSolids: byVolume(of, volumeSolidsOf),
    densityGMl: byVolume(of, (p) => p.densityGMl),
    label: {
      ...most.label,
      flashMin: slowest("flashMin"),
      touchMin: slowest("touchMin"),
      handleMin: slowest("handleMin"),
      sandableMin: slowest("sandableMin"),
      tapeSafeMin: slowest("tapeSafeMin"),
      polishableMin: slowest("polishableMin"),
      curedMin: slowest("curedMin"),
    },
    hazards: [...new Set(of.flatMap((p) => p.product.hazards))],
    packMl: null,
    price: null,
    leftMl,
    useBy: dates[0] ?? null,
    openedOn: null,
    photo: null,
    claims: [],
    jar: undefined,
    recipe: undefined,
    owned: true,
    note,
  };
}

/** A drop of thinned paint from an ordinary dropper, ml (est.). */
export const DROP_ML = 0.05;

/**
 * A mix with drops of another paint in it: shade, solids, density, hiding, waits and hazards as of a mix by volume; its name, its
 * place and what was said of it stay.
 * @param leftMl what there is of it before, > 0
 */
export function withDrops(mix: Product, leftMl: number, added: Product, drops: number): Product {
  const addedMl = drops * DROP_ML;
  const made = mixedProduct(
    [
      { product: mix, parts: leftMl },
      { product: added, parts: addedMl },
    ],
    mix.id,
    mix.name,
    leftMl + addedMl,
    mix.note,
  );
  const { colour, opaqueDftUm, volumeSolids, densityGMl, hazards, useBy } = made;
  return {
    ...mix,
    colour,
    opaqueDftUm,
    volumeSolids,
    densityGMl,
    hazards,
    useBy,
    label: made.label,
    leftMl: made.leftMl,
  };
}
