import type { SeamPlan } from "../judge";
import { type Layer, opIds, type Product, type Region, type Role, type Stack } from "../model";
import { meets } from "../numbers";
import { isContact } from "../rules";
import type { Chain } from "./operations";
import { helperOf } from "./sources/helper";
import { mounted, touchedIn } from "./sources/hold";
import { afterLayer, beforeLayer, coatsOf, lastCoatId, seamWait } from "./sources/layer";
import { bareOff, bareOn, tapeOff } from "./sources/mask";
import { prepared } from "./sources/prep";
import { Work } from "./sources/put-together";
import type { Wait } from "./types";

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
  const laid: Layer[] = [];
  /** fields of a scheme that lie under their masks */
  const covered = new Set<Layer>();
  const bared = new Set<Layer>();
  const bare = (under: Layer) => {
    if (bared.has(under)) return;
    tapeOff(work, region, under, productOf, covered.has(under) && !under.places?.length);
    covered.delete(under);
    bared.add(under);
  };
  for (const [i, layer] of stack.layers.entries()) {
    const below = laid.findLast((l) => meets(l, layer)) ?? null;
    const product = productOf(layer.productId);
    // another colour on a field that lies under its mask: that comes off first
    for (const under of [...covered])
      if (under.places?.length && layer.places?.length && meets(under, layer)) bare(under);
    beforeLayer(work, region, layer, below, productOf, seams[i] ?? null);
    if (isContact(product)) {
      helperOf(work, region, layer, below, product);
      continue;
    }
    coatsOf(work, region, layer, below, product, seams[i] ?? null);
    // spots in several places lie side by side under it: it waits for each of them, for the same product alike
    for (const spot of besides(laid, layer, below)) {
      const alike = spot.productId === below?.productId;
      const wait: Wait = alike ? seamWait(seams[i] ?? null) : { kind: "sandable" };
      work.tie(lastCoatId(spot, region), opIds.coat(layer.id, 1), wait);
    }
    // what lies beside other colours stays covered while they are laid, and is bared before what goes over all of them
    const isLastBeside = lastBeside(stack.layers, i, productOf);
    if (below?.tape && !covered.has(below)) bare(below);
    if (isLastBeside) for (const under of [...covered]) bare(under);
    const isField = onFields(layer, region);
    const kept = !isField && nextOnFields(stack.layers, i, region, productOf);
    const moreToCome = isField ? !isLastBeside : i < last;
    afterLayer(work, region, layer, product, moreToCome, kept);
    if ((isField || kept) && layer.tape && moreToCome) covered.add(layer);
    laid.push(layer);
  }
  const top = laid.at(-1);
  if (top) {
    bareOff(work, region, lastCoatId(top, region));
    touchedIn(work, region, lastCoatId(top, region));
  }
  return { regionId: region.id, ops: work.ops, ties: work.ties };
}

/** Laid over every colour there is, side by side as they may lie. */
const OVER_ALL: ReadonlySet<Role> = new Set<Role>(["clear", "decal", "wash"]);

/** No colour is laid beside the others after it: what follows, if anything, goes over all of them. */
function lastBeside(layers: readonly Layer[], i: number, productOf: (id: string) => Product): boolean {
  const next = layers.slice(i + 1).find((l) => !isContact(productOf(l.productId)));
  return next === undefined || next.touch != null || OVER_ALL.has(productOf(next.productId).role);
}

/** A layer lies on fields of the face's scheme. */
const onFields = ({ places }: Layer, { scheme }: Region): boolean =>
  scheme !== undefined &&
  (places?.length ?? 0) > 0 &&
  places!.every((name) => scheme.fields.some((f) => f.name === name));
/** The next film is the first colour of a scheme. */
function nextOnFields(
  layers: readonly Layer[],
  i: number,
  region: Region,
  productOf: (id: string) => Product,
): boolean {
  const next = layers.slice(i + 1).find((l) => !isContact(productOf(l.productId)));
  return next !== undefined && onFields(next, region);
}

/** Films a layer lies on beside the uppermost: told to be in places of their own, and covered by nothing since. */
const besides = (laid: readonly Layer[], layer: Layer, below: Layer | null): readonly Layer[] =>
  laid.filter(
    (l, n) => l !== below && l.places?.length && meets(l, layer) && !laid.slice(n + 1).some((m) => meets(l, m)),
  );
