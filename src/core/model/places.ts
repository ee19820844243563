import type { Layer, Scheme, Zone } from "./types";

/** Where on the face a layer lies, in plain names. */
export type OnFace = Pick<Layer, "places">;

/** The zone of a face as somewhere a layer can lie. */
export const placeOf = ({ name }: Pick<Zone, "name">): OnFace => ({ places: [name] });

/** A layer is told to lie on part of the face: by a share, or by the names of places on it. */
export const toldPartly = ({ spot, places }: Pick<Layer, "spot" | "places">): boolean =>
  typeof spot === "number" || (spot == null && (places?.length ?? 0) > 0);

/** Length of the edge between two fields, cm: as measured, else two sides of a square of the smaller one (est.). @param areaCm2 of the face */
export function edgeCm({ fields }: Scheme, { between, cm }: Scheme["edges"][number], areaCm2: number): number {
  if (cm !== null) return cm;
  const share = Math.min(...between.map((name) => fields.find((f) => f.name === name)?.share ?? 0));
  return 2 * Math.sqrt(share * areaCm2);
}

/** Share of the face that keeps what lies below its scheme: fields without a colour of their own, and what is in no field. */
export const keptShare = ({ fields }: Scheme): number =>
  Math.max(0, 1 - fields.reduce((sum, f) => sum + (f.productId === null ? 0 : f.share), 0));
