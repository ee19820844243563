import type { Layer } from "./types";

/** Kinds of place a verdict stands in. */
export const PLACES = ["region", "layer", "seam", "stack", "air"] as const;
export type Place = (typeof PLACES)[number];
interface Where {
  readonly kind: Place;
  readonly layer: number;
}

type Laid = readonly Pick<Layer, "id" | "productId">[];

/**
 * By which an override finds its verdict again: the rule with the layers and products it was given for, so that a reason never
 * answers for another stop after layers were moved, swapped or renewed.
 */
export function keyOf(rule: string, where: Where, layers: Laid): string {
  const named = (l: Laid[number] | undefined) => (l ? `${l.id}=${l.productId}` : "");
  const own = layers[where.layer];
  const concerned =
    where.kind === "seam" || where.kind === "stack" ? layers.slice(0, where.layer + 1).map(named) : [named(own)];
  const told = where.kind === "seam" ? concerned.slice(-2) : concerned;
  return `${rule}@${where.kind}:${told.join("+")}`.slice(0, KEY_MAX);
}
/** A key longer than this names enough of its pile. */
const KEY_MAX = 600;

/** A key of the older form, by the layer's place, as the same verdict has it now; null = it is none, or the place is gone. */
export function keyFromPlace(key: string, layers: Laid): string | null {
  const old = /^([a-z0-9-]+)@(region|layer|seam|stack|air)(\d+)$/.exec(key);
  const layer = old ? Number(old[3]) : -1;
  if (!old || layer >= layers.length) return null;
  return keyOf(old[1]!, { kind: old[2] as Place, layer }, layers);
}
