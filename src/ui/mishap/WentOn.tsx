"use client";

import { useState } from "react";
import { wentOnAction } from "@/actions/mishaps";
import type { Product } from "@/core/model";
import { FILM_ROLES, isOneOf } from "@/core/model";
import { ProductOptions } from "../components/ProductOptions";
import { useAct } from "../hooks/useAct";

/** What really went on: the log takes it, and all that follows is judged on it. */
export function WentOn({
  regionId,
  opId,
  plannedId,
  part,
  products,
  told,
}: {
  regionId: string;
  /** the last coat's own work */
  opId: string;
  plannedId: string;
  part: string;
  products: readonly Product[];
  told: () => void;
}) {
  const { act, busy } = useAct();
  const [productId, setProductId] = useState("");
  const others = products.filter((p) => p.id !== plannedId && isOneOf(FILM_ROLES)(p.role));
  const send = async () => {
    if ((await act(() => wentOnAction(regionId, opId, productId, part))).ok) told();
  };
  return (
    <section aria-label="What went on" className="flex flex-wrap items-center gap-2 rounded-box bg-base-200 p-3">
      <label className="text-lg">
        What went on?
        <select className="select ml-2 w-64" value={productId} onChange={(e) => setProductId(e.target.value)}>
          <option value="">choose…</option>
          <ProductOptions products={others} />
        </select>
      </label>
      <button
        type="button"
        className="btn btn-outline btn-lg"
        disabled={busy || productId === ""}
        onClick={() => void send()}
      >
        Write it down so
      </button>
      <p className="soft basis-full text-base">
        The log has it as it was; the seam below and all that follows are judged on it.
      </p>
    </section>
  );
}
