"use client";

import type { JudgedRegion, StackView } from "@/contracts";
import type { Product } from "@/core/model";
import { useAddress } from "../hooks/useAddress";
import { FindPanel, type WayChoice } from "./find/FindPanel";
import { StackEditor } from "./StackEditor";

/** The pile of a region, or the search for one; the address says which. */
export function StackSpace({
  view,
  regions,
  products,
  choice,
  nowMin,
  timeZone,
}: {
  view: StackView;
  regions: readonly JudgedRegion[];
  products: readonly Product[];
  choice: WayChoice;
  nowMin: number;
  timeZone: string;
}) {
  const { params } = useAddress();
  return params.get("find") ? (
    <FindPanel view={view} products={products} choice={choice} />
  ) : (
    <StackEditor view={view} regions={regions} products={products} nowMin={nowMin} timeZone={timeZone} />
  );
}
