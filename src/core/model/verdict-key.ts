import type { Layer } from "./types";

/** Kinds of place a verdict stands in. */
export const PLACES = ["region", "layer", "seam", "stack", "air"] as const;
export type Place = (typeof PLACES)[number];
interface Where {
  readonly kind: Place;
  readonly layer: number;
}

type Laid = readonly Pick<Layer, "id" | "productId">[];

/** The liquid a verdict is about, where it is not about the layer itself: which step, and which product it is done with. */
export interface LiquidOf {
  readonly step: string;
  readonly productId: string;
}

/** A zone in the place of a step: its name is the user's own text, kept clear of what a key is put together with. */
export const zoneStep = (name: string): LiquidOf => ({ step: "zone", productId: encodeURIComponent(name) });

/**
 * By which an override finds its verdict again: the rule with the layers and products it was given for, so that a reason never
 * answers for another stop after layers were moved, swapped or renewed.
 */
export function keyOf(rule: string, where: Where, layers: Laid, liquid?: LiquidOf): string {
  const named = (l: Laid[number] | undefined) => (l ? `${l.id}=${l.productId}` : "");
  const own = layers[where.layer];
  const concerned =
    where.kind === "seam" || where.kind === "stack" ? layers.slice(0, where.layer + 1).map(named) : [named(own)];
  const told = [
    ...(liquid ? [`${liquid.step}=${liquid.productId}`] : []),
    ...(where.kind === "seam" ? concerned.slice(-2) : concerned),
  ];
  const key = `${rule}@${where.kind}:${told.join("+")}`;
  return key.length <= KEY_MAX ? key : `${rule}@${where.kind}:${digest(key)}+${told.at(-1)}`;
}
/** A pile told in more characters than this goes by its digest; the last layer stays to be read. */
const KEY_MAX = 400;

/** The layer a key was given for: the uppermost it names. */
export const layerOfKey = (key: string): string =>
  key
    .slice(key.indexOf(":") + 1)
    .split("+")
    .at(-1)!
    .split("=")[0]!;

/** FNV-1a over UTF-16 units, 32 bits, hex (Fowler, Noll, Vo). */
function digest(text: string): string {
  let h = 0x811c9dc5;
  for (let i = 0; i < text.length; i++) h = Math.imul(h ^ text.charCodeAt(i), 0x01000193);
  return (h >>> 0).toString(16);
}

/** A key of the older form, by the layer's place, as the same verdict has it now; null = it is none, or the place is gone. */
export function keyFromPlace(key: string, layers: Laid): string | null {
  const old = /^([a-z0-9-]+)@(region|layer|seam|stack|air)(\d+)$/.exec(key);
  const layer = old ? Number(old[3]) : -1;
  if (!old || layer >= layers.length) return null;
  return keyOf(old[1]!, { kind: old[2] as Place, layer }, layers);
}

/** The same verdict's key for the same pile under other ids; null = it was not given for this pile. */
export function rekey(
  key: string,
  from: Laid,
  to: Laid,
  productOf: (id: string) => string = (id) => id,
): string | null {
  const told = /^([a-z0-9-]+)@(region|layer|seam|stack|air):/.exec(key);
  const layer = from.findIndex((l) => l.id === layerOfKey(key));
  if (!told || layer < 0) return null;
  const where = { kind: told[2] as Place, layer };
  if (keyOf(told[1]!, where, from) === key) return keyOf(told[1]!, where, to);
  const [step, productId] = key.slice(told[0].length).split("+")[0]!.split("=");
  if (!step || !productId || keyOf(told[1]!, where, from, { step, productId }) !== key) return null;
  return keyOf(told[1]!, where, to, { step, productId: productOf(productId) });
}
