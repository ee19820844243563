import type { Carrier, Layer, Product } from "../model";
import { volumeSolidsOf } from "../reference";
import { ratioParts } from "./work";

/** What a layer's product is laid with beside itself. */
export type Mix = Pick<Layer, "thinnerId" | "thinRatio" | "mixedWithId">;

interface Made {
  readonly added: readonly Product[];
  readonly ratio: string | null;
  readonly product: Product;
}
/** Films are remembered by the product they are of: the same mix has to be the same product. */
const made = new WeakMap<Product, Made[]>();

/**
 * A product as it goes on: its carriers are those of all that is in the cup, and thinned by a told ratio its solids go down with
 * the paint's share of it. What it is mixed with is taken to be as solid as itself.
 */
export function asLaid(mix: Mix & Pick<Layer, "productId">, productOf: (id: string) => Product): Product {
  const own = productOf(mix.productId);
  const added = [mix.thinnerId, mix.mixedWithId]
    .filter((id): id is string => !!id && id !== own.id)
    .map((id) => productOf(id));
  const ratio = mix.thinRatio ?? null;
  if (added.length === 0 && ratio === null) return own;
  const known = made.get(own) ?? [];
  made.set(own, known);
  const same = known.find(
    (m) => m.ratio === ratio && m.added.length === added.length && m.added.every((p, i) => p === added[i]),
  );
  if (same) return same.product;
  const product = mixed(own, added, paintShare(ratio));
  known.push({ added, ratio, product });
  return product;
}

const mixed = (own: Product, added: readonly Product[], share: number): Product => ({
  ...own,
  carriers: together([own, ...added].map((p) => p.carriers)),
  ...(share < 1 ? { volumeSolids: volumeSolidsOf(own) * share } : {}),
});

function together(all: readonly Product["carriers"][]): Product["carriers"] {
  const known: Carrier[] = [];
  for (const carriers of all) {
    if (carriers === "unknown") return "unknown";
    known.push(...carriers);
  }
  return [...new Set(known)];
}

/** Share of paint in a cup thinned so many parts to so many, (0, 1]; 1 = nobody told how much. @param ratio paint first, then thinner */
export function paintShare(ratio: string | null | undefined): number {
  const parts = ratio ? ratioParts(ratio) : null;
  return parts ? parts[0]! / parts.reduce((sum, n) => sum + n, 0) : 1;
}
