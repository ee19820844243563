"use client";

import type { Product, Role } from "@/core/model";
import { ProductOptions } from "../components/ProductOptions";

const LIQUIDS: ReadonlySet<Role> = new Set<Role>(["degreaser", "thinner", "stripper"]);
const liquidsOf = (shelf: readonly Product[]): readonly Product[] => shelf.filter((p) => LIQUIDS.has(p.role));

/** Which product a step is done with; none named is the usual, whatever the part stands. */
export function LiquidSelect({
  label,
  value,
  shelf,
  usual,
  choose,
}: {
  label: string;
  value: string | undefined;
  shelf: readonly Product[];
  /** what it is done with where nobody says */
  usual: string;
  choose: (productId: string | null) => void;
}) {
  return (
    <select
      className="select select-xs w-44"
      aria-label={label}
      value={value ?? ""}
      onChange={(e) => choose(e.target.value || null)}
    >
      <option value="">{usual}</option>
      <ProductOptions products={liquidsOf(shelf)} />
    </select>
  );
}

/** Products by step with one of them chosen anew, or taken out. */
export function withLiquid<K extends string>(
  told: Readonly<Partial<Record<K, string>>> | undefined,
  step: K,
  productId: string | null,
): Partial<Record<K, string>> {
  const others = Object.entries(told ?? {}).filter(([s]) => s !== step);
  return Object.fromEntries(productId === null ? others : [...others, [step, productId]]) as Partial<Record<K, string>>;
}
