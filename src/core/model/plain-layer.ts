import type { Layer } from "./types";

/** One light coat of a product, with nothing told of how it is laid, what comes before it, or what is done after. */
export const plainLayer = (id: string, productId: string): Layer => ({
  id,
  productId,
  coats: 1,
  heaviness: "light",
  wftUm: null,
  gapMin: null,
  before: [],
  sandAfter: null,
});
