import { assert } from "@/core/base";
import type { Product } from "@/core/model";
import { onBestEvidence } from "@/core/reference";

/** Products as they are judged and planned: every figure by its best evidence. */
export const lookup =
  (products: ReadonlyMap<string, Product>) =>
  (id: string): Product => {
    const p = products.get(id);
    assert(p, `layer names product ${id}, which foreign keys should have kept`);
    return onBestEvidence(p);
  };
