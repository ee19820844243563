import type { Layer } from "@/core/model";
import type { PlanRegion } from "@/core/work";

/** Coats of a layer that are down by the log. */
export const coatsDown = (r: Pick<PlanRegion, "face">, layerId: string): number =>
  r.face?.layers.find((l) => l.layerId === layerId)?.coats.reduce((n, c) => n + c.coats, 0) ?? 0;

/** The user's own layers of a product that have coats still to be laid. */
export const toLay = (r: PlanRegion, productId: string): readonly Layer[] =>
  r.stack.layers.filter((l) => l.mend === undefined && l.productId === productId && coatsDown(r, l.id) < l.coats);
