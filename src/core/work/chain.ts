import type { SeamPlan } from "../judge";
import type { Product, Region, Stack } from "../model";
import type { Chain } from "./operations";
import { afterLayer, beforeLayer, coatsOf, lastCoatId } from "./sources/layer";
import { bareOff, bareOn, tapeOff } from "./sources/mask";
import { prepared } from "./sources/prep";
import { Work } from "./sources/put-together";

/**
 * The work of a region in order, with the wait before each piece: preparation, zones to keep bare, then per layer what is done
 * before it, its coats with their turns, its sanding, and tape on or off. A sanded layer ties its coats both to the rub and to
 * the next layer. Tape on a layer is for the one above it, and comes off after that one's last coat.
 */
export function chainOf(
  region: Region,
  stack: Stack,
  seams: readonly (SeamPlan | null)[],
  productOf: (id: string) => Product,
): Chain {
  const work = new Work();
  prepared(work, region, stack);
  bareOn(work, region);
  stack.layers.forEach((layer, i) => {
    const below = stack.layers[i - 1] ?? null;
    beforeLayer(work, region, layer, below);
    coatsOf(work, region, layer, below, productOf(layer.productId), seams[i] ?? null);
    if (below?.tape) tapeOff(work, region, below, below.tape);
    afterLayer(work, region, layer, i < stack.layers.length - 1);
  });
  const top = stack.layers.at(-1);
  if (top) bareOff(work, region, lastCoatId(top, region));
  return { regionId: region.id, ops: work.ops, ties: work.ties };
}
