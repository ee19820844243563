import type { Cards, LogEntry } from "@/contracts";
import { assert } from "@/core/base";
import { standsAmong } from "@/core/history";
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

/** Products with the cards no can answers to any more: it is gone, or holds something else by now. */
export function withStandIns(
  products: ReadonlyMap<string, Product>,
  cards: Cards,
  log: readonly LogEntry[],
): ReadonlyMap<string, Product> {
  const standsFor = standsAmong(products);
  const all = new Map(products);
  for (const e of log) {
    const laid = e.kind === "done" ? e.laid : undefined;
    const card = laid?.card ? cards.get(laid.card) : undefined;
    if (laid && card && standsFor({ ...laid, card }) === card.id) all.set(card.id, card);
  }
  return all;
}
