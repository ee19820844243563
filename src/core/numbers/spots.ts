import type { Layer, Product, Region } from "../model";
import { SPOT_SHARE } from "../reference";

type Spotted = Pick<Layer, "spot" | "depthUm">;

/** Putty that is told a depth, or lies on a part with something to fill, lies in holes and seams: nobody skims the face with it. */
const fillsHoles = (
  { depthUm }: Spotted,
  { role }: Pick<Product, "role">,
  region: Pick<Region, "fillDepthUm">,
): boolean => role === "putty" && (depthUm != null || region.fillDepthUm != null);

/** Share of the face a layer lies on, (0, 1]: as told; of what fills holes and seams the usual, unless it is told to lie all over. */
export function spotShare(layer: Spotted, product: Pick<Product, "role">, region: Pick<Region, "fillDepthUm">): number {
  if (typeof layer.spot === "number") return layer.spot;
  return layer.spot !== false && fillsHoles(layer, product, region) ? SPOT_SHARE : 1;
}

/** Whether one layer can lie on another: two that are told to be in other places of the face never meet. */
export const meets = (a: Pick<Layer, "places">, b: Pick<Layer, "places">): boolean =>
  !a.places?.length || !b.places?.length || a.places.some((p) => b.places!.includes(p));
