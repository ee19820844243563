import { assert } from "@/core/base";
import type { Product } from "@/core/model";

export const lookup =
  (products: ReadonlyMap<string, Product>) =>
  (id: string): Product => {
    const p = products.get(id);
    assert(p, `layer names product ${id}, which foreign keys should have kept`);
    return p;
  };
