"use client";

import { Plus } from "lucide-react";
import { useState } from "react";
import type { Problem } from "@/contracts";
import type { Product } from "@/core/model";
import { ProductOptions } from "../components/ProductOptions";

/** Puts a product of the shelf on top of the pile. */
export function AddLayer({
  products,
  add,
}: {
  products: readonly Product[];
  add: (productId: string) => Promise<Problem | null>;
}) {
  const [chosen, setChosen] = useState("");
  const [fault, setFault] = useState<string | null>(null);
  const put = async () => {
    if (chosen === "") return setFault("Choose a product first.");
    setFault((await add(chosen))?.detail ?? null);
  };
  if (products.length === 0)
    return (
      <p className="rounded-box bg-base-200 p-3">
        The shelf holds nothing that makes a film.{" "}
        <a className="link" href="/shelf?product=new">
          Add a product
        </a>{" "}
        first.
      </p>
    );
  return (
    <form
      className="flex flex-wrap items-center gap-2"
      onSubmit={(e) => {
        e.preventDefault();
        void put();
      }}
    >
      <select
        className="select w-72"
        aria-label="Product for the next layer"
        value={chosen}
        onChange={(e) => setChosen(e.target.value)}
      >
        <option value="">– from the shelf –</option>
        <ProductOptions products={products} />
      </select>
      <button type="submit" className="btn btn-primary">
        <Plus className="size-4" aria-hidden />
        Put it on top
      </button>
      {fault && (
        <p role="alert" className="font-semibold text-error">
          {fault}
        </p>
      )}
    </form>
  );
}
