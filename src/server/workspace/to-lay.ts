import { coatsDown } from "@/core/history";
import type { Layer } from "@/core/model";
import type { PlanRegion } from "@/core/work";

/** The user's own layers of a product that have coats still to be laid. */
export const toLay = (r: PlanRegion, productId: string): readonly Layer[] =>
  r.stack.layers.filter((l) => l.mend === undefined && l.productId === productId && coatsDown(r.face, l.id) < l.coats);
