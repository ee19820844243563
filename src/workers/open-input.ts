import type { SentPlanInput } from "@/contracts";
import type { PlanInput } from "@/core/plan";

/** The input of a plan as it was before it was sent, for a thread as for the browser's worker. @throws when a product it names did not come along */
export function openInput({ products, ...rest }: SentPlanInput): PlanInput {
  const byId = new Map(products.map((p) => [p.id, p]));
  return {
    ...rest,
    productOf: (id) => {
      const p = byId.get(id);
      if (!p) throw new Error(`the product ${id} did not come along`);
      return p;
    },
  };
}
