import type { AirSpot, Layer, Product } from "../model";
import { laidFilm, momentsOf, reachedMin } from "./moments";

/**
 * Minutes from the first coat of a scrap until all of it is through cured, in steady air, each layer laid at the first
 * moment its seam allows (or after its own planned gap). An estimate: the shed's nights are told to it as a mean.
 */
export function couponDueMin(layers: readonly Layer[], productOf: (id: string) => Product, air: AirSpot): number {
  let startMin = 0;
  let dueMin = 0;
  layers.forEach((layer, i) => {
    const film = laidFilm(layer, productOf(layer.productId), air);
    dueMin = Math.max(dueMin, startMin + reachedMin(film, "cured"));
    const gapMin = layers[i + 1]?.gapMin ?? null;
    const first = momentsOf(film, layer.sandAfter !== null)[0]?.atMin ?? film.endMin;
    startMin += gapMin === null ? Math.max(first, film.endMin) : film.endMin + gapMin;
  });
  return dueMin;
}
