import type { Layer, MaterialGroup, Product } from "@/core/model";
import { CAN_SHELF_C, CAN_WARM_C, canBathMin, canPressureFactor, PART_WARM_C, partWarmMin } from "@/core/reference";
import { tempText } from "@/format";
import { duration } from "@/format/time";

/** What warming before a layer takes, and for how long it lasts; every figure is an estimate and says so. */
export function warmthTexts(
  layer: Pick<Layer, "before" | "setUp" | "partC">,
  product: Product,
  group: MaterialGroup | null,
): readonly string[] {
  const can = layer.before.includes("warm-can") && product.method === "aerosol" ? [canText(layer, product)] : [];
  const part = layer.before.includes("warm-part") ? [partText(layer, group)] : [];
  return [...can, ...part];
}

function canText({ setUp }: Pick<Layer, "setUp">, product: Product): string {
  const toC = setUp?.canTempC ?? CAN_WARM_C;
  const minutes = Math.round(canBathMin(product, toC));
  const more = Math.round(100 * (canPressureFactor(product.propellant, CAN_SHELF_C, toC) - 1));
  return `The can: from ${tempText(CAN_SHELF_C)} to ${tempText(toC)} in about ${duration(minutes)} in hand-warm water (est.); its pressure grows by about ${more} %, so it sprays finer. Dry it, shake it, use it within the half hour.`;
}

function partText({ partC }: Pick<Layer, "partC">, group: MaterialGroup | null): string {
  const { throughMin, halfLostMin } = partWarmMin(group ?? "resin");
  return `The part: warm through at ${tempText(partC ?? PART_WARM_C)} after about ${duration(throughMin)} in a warm box; out in the cold half of that is gone in about ${duration(halfLostMin)} (est.), so take it out when the paint is ready.`;
}
