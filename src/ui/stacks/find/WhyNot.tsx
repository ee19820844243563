"use client";

import { useState } from "react";
import { whyNotAction } from "@/actions/stacks";
import type { FindRequest, WhyNotView } from "@/contracts";
import type { Product } from "@/core/model";
import { tradeText, whyText } from "@/messages";
import { ProductOptions } from "../../components/ProductOptions";
import { useAct } from "../../hooks/useAct";
import { FoundCard } from "./FoundCard";

/** "Why not this one?" for any product of the shelf. */
export function WhyNot({
  regionId,
  request,
  products,
  productOf,
  use,
}: {
  regionId: string;
  request: FindRequest;
  products: readonly Product[];
  productOf: (id: string) => Product;
  use: (found: Extract<WhyNotView, { outcome: "best" }>["found"]) => void;
}) {
  const { act, busy } = useAct();
  const [answer, setAnswer] = useState<{ id: string; why: WhyNotView } | null>(null);
  const ask = async (id: string) => {
    setAnswer(null);
    if (id === "") return;
    const outcome = await act(() => whyNotAction(regionId, request, id));
    if (outcome.ok) setAnswer({ id, why: outcome.value });
  };
  return (
    <section className="grid gap-2" aria-label="Why not another product">
      <label className="flex flex-wrap items-center gap-2">
        <span className="font-bold">Why not</span>
        <select className="select w-72" defaultValue="" disabled={busy} onChange={(e) => void ask(e.target.value)}>
          <option value="">– choose a product –</option>
          <ProductOptions products={products} />
        </select>
      </label>
      <div role="status" className="grid gap-2">
        {answer?.why.outcome === "never" && (
          <ul className="list-disc pl-5">
            {answer.why.reasons.map((r) => (
              <li key={JSON.stringify(r)}>{whyText(r, (id) => productOf(id).name)}</li>
            ))}
          </ul>
        )}
        {answer?.why.outcome === "best" && (
          <p>{productOf(answer.id).name} is in the best stack there is by this way of working.</p>
        )}
        {answer?.why.outcome === "dearer" && (
          <ul>
            <FoundCard
              found={answer.why.trade.found}
              headline={`Against the best: ${tradeText(answer.why.trade)}.`}
              productOf={productOf}
              use={() => answer.why.outcome === "dearer" && use(answer.why.trade.found)}
            />
          </ul>
        )}
      </div>
    </section>
  );
}
