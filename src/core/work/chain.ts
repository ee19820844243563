import type { SeamPlan } from "../judge";
import type { Layer, Product, Region, Stack } from "../model";
import { isContact } from "../rules";
import type { Chain } from "./operations";
import { helperOf } from "./sources/helper";
import { mounted, touchedIn } from "./sources/hold";
import { afterLayer, beforeLayer, coatsOf, lastCoatId } from "./sources/layer";
import { bareOff, bareOn, tapeOff } from "./sources/mask";
import { prepared } from "./sources/prep";
import { Work } from "./sources/put-together";

/**
 * The work of a region in order, with the wait before each piece: preparation, zones to keep bare, then per layer what is done
 * before it, its coats with their turns, its sanding, and tape on or off; one that leaves no film is used in its place. A sanded
 * layer ties its coats both to the rub and to the next film. Tape on a layer is for the one above it, and comes off after that one's last coat.
 */
export function chainOf(
  region: Region,
  stack: Stack,
  seams: readonly (SeamPlan | null)[],
  productOf: (id: string) => Product,
): Chain {
  const work = new Work();
  prepared(work, region, stack, productOf);
  bareOn(work, region);
  if (stack.layers.length > 0) mounted(work, region);
  const last = stack.layers.findLastIndex((l) => !isContact(productOf(l.productId)));
  let below: Layer | null = null;
  for (const [i, layer] of stack.layers.entries()) {
    const product = productOf(layer.productId);
    beforeLayer(work, region, layer, below, productOf, seams[i] ?? null);
    if (isContact(product)) {
      helperOf(work, region, layer, below, product);
      continue;
    }
    coatsOf(work, region, layer, below, product, seams[i] ?? null);
    if (below?.tape) tapeOff(work, region, below, below.tape, productOf);
    afterLayer(work, region, layer, product, i < last);
    below = layer;
  }
  if (below) {
    bareOff(work, region, lastCoatId(below, region));
    touchedIn(work, region, lastCoatId(below, region));
  }
  return { regionId: region.id, ops: work.ops, ties: work.ties };
}
