import type { Layer, Zone } from "./types";

/** Where on the face a layer lies, in plain names. */
export type OnFace = Pick<Layer, "places">;

/** The zone of a face as somewhere a layer can lie. */
export const placeOf = ({ name }: Pick<Zone, "name">): OnFace => ({ places: [name] });

/** A layer is told to lie on part of the face: by a share, or by the names of places on it. */
export const toldPartly = ({ spot, places }: Pick<Layer, "spot" | "places">): boolean =>
  typeof spot === "number" || (spot == null && (places?.length ?? 0) > 0);
