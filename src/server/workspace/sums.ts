import { checkToRegion } from "@/contracts";
import { onBestEvidence } from "@/core/reference";
import type { SumShelf } from "@/core/sums";
import type { Snapshot } from "./snapshot";

/** What sums may ask of the shed: its products by their best evidence, and a plain face of a material. */
export const sumShelf = ({ data }: Snapshot): SumShelf => ({
  products: data.shelf.map((i) => onBestEvidence(i.product)),
  face: (material) => checkToRegion({ material }),
});
