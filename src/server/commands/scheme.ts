import { failed, type Outcome } from "@/contracts";
import { TOUCH_FACTS } from "@/core/reference";
import { aroundScheme, bestOrder, groundShade, layersOf, priced, runsOf } from "@/core/scheme";
import { notFound, writing } from "../guard";
import { newId } from "../ids";
import { finishingOf } from "../workspace/finishing";
import { snapshotOf } from "../workspace/snapshot";
import { storeStack } from "./stacks";

/**
 * Puts the colours of a face's scheme into its pile, in the order wanted, else in the best: over what lies below all of them and
 * under what goes over all, in place of what the scheme put there before.
 */
export function applyScheme(regionId: string, stackRev: number): Outcome<{ rev: number }> {
  return writing((db) => {
    const s = snapshotOf(db);
    const home = s.home(regionId);
    if (!home) return notFound("The region");
    const { region, stack } = home.node;
    const { scheme } = region;
    if (!scheme || scheme.fields.length === 0)
      return failed("refused", "This face has no fields yet: there is nothing to lay.");
    const { below, above } = aroundScheme(stack, scheme, s.productOf);
    const runs = runsOf(region, below.at(-1) ?? null, groundShade(region, below, s.productOf), s.productOf);
    const colours = runs.filter((r) => !r.isGround).map((r) => r.id);
    if (colours.length === 0)
      return failed("refused", "No field of this face has a colour yet: there is nothing to lay.");
    const wanted = scheme.order?.filter((id) => colours.includes(id)) ?? [];
    const order = wanted.length === colours.length ? priced(runs, wanted) : bestOrder(runs);
    const laid = layersOf(region, order, below, () => newId("y"));
    return storeStack(db, s, regionId, stackRev, { ...stack, layers: [...laid.below, ...laid.fields, ...above] });
  });
}

/**
 * Puts the markings and the dirt of a face over its colours, in their order and with the clears they want, in place of what a list
 * like it put there before.
 */
export function applyTouches(regionId: string, stackRev: number): Outcome<{ rev: number }> {
  return writing((db) => {
    const s = snapshotOf(db);
    const home = s.home(regionId);
    const m = home && s.model(home.modelId);
    if (!home || !m) return notFound("The region");
    const { region, stack } = home.node;
    for (const [n, { kind, name, productId }] of (region.touches ?? []).entries()) {
      const product = s.productOf(productId);
      const path = `touches.${n}.productId`;
      const message = `names ${product.name}, which that is not made with`;
      if (!TOUCH_FACTS[kind].roles.includes(product.role))
        return failed("invalid", `${name}: ${message}`, [{ path, message }]);
    }
    const { layers } = finishingOf(m, s, home.node, () => newId("y"));
    return storeStack(db, s, regionId, stackRev, { ...stack, layers });
  });
}
