import { assert } from "@/core/base";
import type { Product } from "@/core/model";
import { onBestEvidence } from "@/core/reference";

/** Products as they are judged and planned: every figure by its best evidence. */
export function lookup(products: ReadonlyMap<string, Product>): (id: string) => Product {
  const known = new Map<string, Product>();
  return (id) => {
    const own = known.get(id);
    if (own) return own;
    const p = products.get(id);
    assert(p, `layer names product ${id}, which foreign keys should have kept`);
    const best = onBestEvidence(p);
    known.set(id, best);
    return best;
  };
}
