import type { BeforeStep, Layer, Product } from "../model";
import type { LessonShift } from "./lesson";

/** A layer that is put in anew with what was learnt: thinner and oftener, wiped or keyed first, out of a warm can. */
export function shifted<L extends Pick<Layer, "coats" | "heaviness" | "before">>(
  layer: L,
  shifts: readonly LessonShift[],
  { method }: Pick<Product, "method">,
): L {
  const has = (...of: LessonShift[]) => of.some((s) => shifts.includes(s));
  const first: readonly BeforeStep[] = [
    ...(has("key") ? (["scuff"] as const) : []),
    ...(has("dust-off", "wash") ? (["wipe"] as const) : []),
    ...(has("warmer-can") && method === "aerosol" ? (["warm-can"] as const) : []),
  ];
  const thinner = has("lighter") ? { heaviness: "mist" as const, coats: layer.coats + 1 } : {};
  const more = has("more-coats", "thin-skins") ? { coats: layer.coats + 1 } : {};
  return { ...layer, ...more, ...thinner, before: [...new Set([...layer.before, ...first])] };
}
