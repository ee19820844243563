"use client";

import type { StackView } from "@/contracts";
import type { Product } from "@/core/model";
import { useAddress } from "../hooks/useAddress";
import { FindPanel, type WayChoice } from "./find/FindPanel";
import { StackEditor } from "./StackEditor";

/** The pile of a region, or the search for one; the address says which. */
export function StackSpace({
  view,
  products,
  choice,
  nowMin,
  timeZone,
}: {
  view: StackView;
  products: readonly Product[];
  choice: WayChoice;
  nowMin: number;
  timeZone: string;
}) {
  const { params } = useAddress();
  return params.get("find") ? (
    <FindPanel view={view} products={products} choice={choice} />
  ) : (
    <StackEditor view={view} products={products} nowMin={nowMin} timeZone={timeZone} />
  );
}
