import { type Layer, type OnFace, type Product, type Region, type SchemeField, toldPartly, type Zone } from "../model";
import { FEATHER_CM, SPOT_SHARE } from "../reference";

type Spotted = Pick<Layer, "spot" | "depthUm" | "places">;
type Faced = Pick<Region, "fillDepthUm" | "zones" | "scheme">;

/** Zones of the face a layer is put on by name; none where it lies all over or in other places. */
export const zonesOf = ({ places }: OnFace, { zones }: Pick<Region, "zones">): readonly Zone[] =>
  zones && places?.length ? zones.filter((z) => places.includes(z.name)) : [];

/** Fields of the face's scheme a layer is put on by name. */
const fieldsOf = ({ places }: OnFace, { scheme }: Pick<Region, "scheme">): readonly SchemeField[] =>
  scheme && places?.length ? scheme.fields.filter((f) => places.includes(f.name)) : [];

/** What there is to bury and to fill where a layer lies: of the zones it is put on the most, else of the face. */
export function needsUnder(
  layer: OnFace,
  region: Pick<Region, "zones" | "ridgeUm" | "fillDepthUm" | "fillWidthUm">,
): Pick<Zone, "ridgeUm" | "fillDepthUm" | "fillWidthUm"> {
  const zones = zonesOf(layer, region);
  if (zones.length === 0)
    return {
      ridgeUm: region.ridgeUm,
      fillDepthUm: region.fillDepthUm ?? null,
      fillWidthUm: region.fillWidthUm ?? null,
    };
  const most = (figure: "ridgeUm" | "fillDepthUm" | "fillWidthUm") =>
    zones.reduce<number | null>((top, z) => (z[figure] === null ? top : Math.max(top ?? 0, z[figure])), null);
  return { ridgeUm: most("ridgeUm"), fillDepthUm: most("fillDepthUm"), fillWidthUm: most("fillWidthUm") };
}

/** Putty that is told a depth, or lies on a part with something to fill, lies in holes and seams: nobody skims the face with it. */
const fillsHoles = ({ depthUm }: Spotted, { role }: Pick<Product, "role">, { fillDepthUm }: Faced): boolean =>
  role === "putty" && (depthUm != null || fillDepthUm != null);

/**
 * Share of the face a layer lies on, (0, 1]: as told; of zones it is put on by name their own; of what fills holes and seams, and
 * of other places, the usual, unless it is told to lie all over.
 */
export function spotShare(layer: Spotted, product: Pick<Product, "role">, region: Faced): number {
  if (typeof layer.spot === "number") return layer.spot;
  if (layer.spot === false) return 1;
  const named = [...zonesOf(layer, region), ...fieldsOf(layer, region)];
  if (named.length > 0)
    return Math.min(
      1,
      named.reduce((sum, z) => sum + z.share, 0),
    );
  return toldPartly(layer) || fillsHoles(layer, product, region) ? SPOT_SHARE : 1;
}

/**
 * Share of the face that a rub of such a layer reaches: past its rim, until no step is felt. A spot is taken for round, several
 * names for as many spots.
 * @param areaCm2 of the face; null = nobody told: without a size there is no rim to reckon
 */
export function featheredShare(share: number, layer: OnFace, areaCm2: number | null): number {
  if (share >= 1 || areaCm2 === null) return share;
  const spots = Math.max(1, layer.places?.length ?? 0);
  const radiusCm = Math.sqrt((share * areaCm2) / spots / Math.PI);
  return Math.min(1, share * (1 + FEATHER_CM / radiusCm) ** 2);
}

/** Whether one layer can lie on another: two that are told to be in other places of the face never meet. */
export const meets = (a: OnFace, b: OnFace): boolean =>
  !a.places?.length || !b.places?.length || a.places.some((p) => b.places!.includes(p));

/** Whether a layer lies at one place of the face; null = the face away from every place told by name. */
export const liesAt = ({ places }: OnFace, place: string | null): boolean =>
  !places?.length || (place !== null && places.includes(place));

/**
 * The place, of those a layer lies over, where the most has been laid: layers put on in different places lie beside each other,
 * and what goes over all of them waits for the thickest heap, not for one heap of them all. Of equal ones the latest.
 * @param over the layer that goes over them
 * @param laid what lies there, oldest first, each with its wet film, µm
 * @returns the place's name; null = nothing below it was told a place
 */
export function thickestPlace(
  over: OnFace,
  laid: readonly { readonly on: OnFace; readonly wftUm: number }[],
): string | null {
  const heaps = new Map<string, number>();
  for (const { on, wftUm } of laid)
    for (const place of on.places ?? [])
      if (liesAt(over, place)) {
        const heap = (heaps.get(place) ?? 0) + wftUm;
        // set anew, so that the latest of equal heaps comes last
        heaps.delete(place);
        heaps.set(place, heap);
      }
  let most: string | null = null;
  for (const [place, um] of heaps) if (most === null || um >= heaps.get(most)!) most = place;
  return most ?? over.places?.[0] ?? null;
}
