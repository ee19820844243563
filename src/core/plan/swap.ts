/** What could be laid instead of a layer's product, on what lies there now. */

import { coatsDown } from "../history";
import { judgeStack } from "../judge";
import { type Product, VERDICTS, type Verdict, worseVerdict } from "../model";
import { canMl, colourDistance, plannedWftUm, spotShare } from "../numbers";
import type { PlanRegion } from "../work";
import { benchNow } from "./bench";
import type { PlanInput } from "./types";

export interface SwapChoice {
  readonly productId: string;
  /** it stands on the shelf */
  readonly owned: boolean;
  /** worst of what is to be said of it in that place, and which rules say so */
  readonly verdict: Verdict;
  readonly codes: readonly string[];
  /** earliest hour its first coat may go on, where that layer is next; null = it is not, or nobody can say */
  readonly earliestMin: number | null;
  /** from the colour of what it replaces, CIEDE2000 */
  readonly distance: number;
  /** in the can, and what is left to lay takes, ml (est.); null = nobody knows */
  readonly leftMl: number | null;
  readonly needMl: number | null;
}

/** Most choices shown. */
const MOST = 12;
const PRIMERS: ReadonlySet<string> = new Set(["primer", "primer-highbuild", "surfacer"]);
const sameJob = (a: Product, b: Product): boolean => a.role === b.role || (PRIMERS.has(a.role) && PRIMERS.has(b.role));

/**
 * Everything of the same job, judged in the layer's place on the pile as it lies, what needs no word first, then what stands on
 * the shelf, then what is nearest in colour.
 * @returns empty where the layer is none of the pile, or all its coats are down
 */
export function swapChoices(
  input: PlanInput,
  regionId: string,
  layerId: string,
  known: readonly Product[],
): readonly SwapChoice[] {
  const own = input.regions.find((r) => r.region.id === regionId);
  const at = own?.stack.layers.findIndex((l) => l.id === layerId) ?? -1;
  if (!own || at < 0) return [];
  const layer = own.stack.layers[at]!;
  const now = input.productOf(layer.productId);
  const down = coatsDown(own.face, layerId);
  const coats = layer.coats - down;
  if (coats <= 0) return [];
  const { areaCm2 } = own.region;
  return known
    .filter((p) => p.id !== now.id && sameJob(p, now))
    .map((p): SwapChoice => {
      const pile = swapped(own, at, p.id, down);
      const place = down > 0 ? at + 1 : at;
      const laid = pile.stack.layers[place]!;
      const share = spotShare(laid, p, own.region);
      const needMl =
        areaCm2 === null ? null : canMl(p, areaCm2 * share, plannedWftUm(laid, p)) * coats * (own.count ?? 1);
      return {
        productId: p.id,
        owned: p.owned !== false,
        ...saidOf(input, pile, place),
        earliestMin: earliest(input, pile, place),
        distance: colourDistance(p.colour, now.colour),
        leftMl: p.leftMl,
        needMl,
      };
    })
    .sort(
      (a, b) =>
        VERDICTS.indexOf(a.verdict) - VERDICTS.indexOf(b.verdict) ||
        Number(b.owned) - Number(a.owned) ||
        a.distance - b.distance,
    )
    .slice(0, MOST);
}

/** The pile with another product in a place; coats that are down already stay what they are. */
function swapped(own: PlanRegion, at: number, productId: string, down: number): PlanRegion {
  const layers = [...own.stack.layers];
  const layer = layers[at]!;
  if (down === 0) layers[at] = { ...layer, productId, wftUm: null };
  else {
    layers[at] = { ...layer, coats: down, sandAfter: null };
    layers.splice(at + 1, 0, {
      ...layer,
      id: `${layer.id}-swap`,
      productId,
      coats: layer.coats - down,
      wftUm: null,
      gapMin: null,
    });
  }
  return { ...own, stack: { ...own.stack, layers } };
}

/** Of the layer itself, and of what goes over it. */
function saidOf(input: PlanInput, pile: PlanRegion, place: number): Pick<SwapChoice, "verdict" | "codes"> {
  const answer = judgeStack({
    ...pile,
    productOf: input.productOf,
    protection: input.protection,
    air: null,
    coupons: input.coupons,
    today: input.today,
  });
  if (answer.outcome !== "judged") return { verdict: "test", codes: [] };
  const said = answer.verdicts.filter(
    (v) => v.verdict !== "ok" && (v.where.layer === place || (v.where.kind === "seam" && v.where.layer === place + 1)),
  );
  return {
    verdict: said.map((v) => v.verdict).reduce(worseVerdict, "ok"),
    codes: [...new Set(said.map((v) => v.code))],
  };
}

function earliest(input: PlanInput, pile: PlanRegion, place: number): number | null {
  const regionId = pile.region.id;
  const regions = input.regions.map((r) => (r.region.id === regionId ? pile : r));
  const [tile] = benchNow({ ...input, regions }, { only: new Set([regionId]) });
  if (tile?.op?.layerId !== pile.stack.layers[place]!.id) return null;
  return Math.max(input.nowMin, tile.wait?.likelyMin ?? input.nowMin);
}
