import type { RegionNode } from "@/contracts";
import type { Layer } from "@/core/model";
import { judgeRegion } from "@/core/plan";
import { type Finishing, finished } from "@/core/scheme";
import type { ModelSnapshot, Snapshot } from "./snapshot";

/** So many clears of a shelf are tried where one is wanted, those at hand first. */
const MOST_CLEARS = 12;
const GRAVITY = { ok: 0, care: 1, test: 10, stop: 100 } as const;

/** The markings and dirt of a face in their order over its pile, with the clears they want. @param freshId ids of new layers */
export function finishingOf(
  { input }: ModelSnapshot,
  { data, productOf }: Snapshot,
  { region, stack }: RegionNode,
  freshId: () => string,
): Finishing {
  const clears = data.shelf
    .map((i) => productOf(i.product.id))
    .filter((p) => p.role === "clear")
    .sort((a, b) => Number(a.owned === false) - Number(b.owned === false))
    .slice(0, MOST_CLEARS);
  const weigh = (layers: readonly Layer[]): number => {
    const answer = judgeRegion({ region, stack: { ...stack, layers } }, input);
    return answer.outcome === "judged" ? answer.verdicts.reduce((sum, v) => sum + GRAVITY[v.verdict], 0) : 0;
  };
  return finished({ touches: region.touches ?? [], layers: stack.layers, clears, productOf, weigh, freshId });
}
