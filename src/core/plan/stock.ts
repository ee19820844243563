import type { Product } from "../model";
import { paintMl, paintShare } from "../numbers";
import { PROPELLANT_SHARE, STOCK_RESERVE } from "../reference";
import type { PlanRegion } from "../work";
import type { PlannedOp, PlanWishes } from "./types";

/** What the work still to do takes of one product. */
export interface StockLine {
  readonly productId: string;
  /** with the reserve for touching up, ml (est.) */
  readonly needMl: number;
  /** null = nobody said what is in the can */
  readonly leftMl: number | null;
  /** short of it by this much, ml; 0 = enough, or nothing known */
  readonly shortMl: number;
  /** before this it has to be there: the masking for it, or its first coat */
  readonly byMin: number;
  /** some faces have no area: then the need is more than this */
  readonly partial: boolean;
}

/** Stock over the whole plan, every coat still to come, with the reserve; by product, the shortest first. */
export function stockLines(
  ops: readonly PlannedOp[],
  regions: readonly PlanRegion[],
  productOf: (id: string) => Product,
): readonly StockLine[] {
  const areaOf = new Map(regions.map((r) => [r.region.id, r.region.areaCm2]));
  const countOf = new Map(regions.map((r) => [r.region.id, r.count ?? 1]));
  const laid = ops.filter((o) => o.state !== "done" && o.productId !== null);
  // a coat in several sittings is counted once, by the last of them
  const coats = laid.filter((o) => o.kind === "coat");
  const lines = [...new Set(coats.map((o) => o.productId!))].map((productId): StockLine => {
    const its = coats.filter((o) => o.productId === productId);
    const product = productOf(productId);
    const needMl =
      (1 + STOCK_RESERVE) *
      its.reduce((sum, o) => {
        const areaCm2 = areaOf.get(o.regionId) ?? null;
        if (areaCm2 === null) return sum;
        return sum + coatMl(product, areaCm2, o) * (countOf.get(o.regionId) ?? 1);
      }, 0);
    const leftMl = paintLeftMl(product);
    return {
      productId,
      needMl,
      leftMl,
      shortMl: leftMl === null ? 0 : Math.max(0, needMl - leftMl),
      byMin: Math.min(...laid.filter((o) => o.productId === productId).map((o) => maskingBefore(o, ops) ?? o.startMin)),
      partial: its.some((o) => areaOf.get(o.regionId) == null),
    };
  });
  return lines.sort((a, b) => b.shortMl - a.shortMl || a.byMin - b.byMin || (a.productId < b.productId ? -1 : 1));
}

/** What is left of a can as paint: an aerosol's figure counts its propellant, which never lands. */
const paintLeftMl = ({ leftMl, method }: Product): number | null =>
  leftMl === null || method !== "aerosol" ? leftMl : leftMl * (1 - PROPELLANT_SHARE);

type Coat = Pick<PlannedOp, "wftUm" | "mix" | "share">;
/** Paint one coat takes of its can on one piece, ml: of the cup its share of paint, of the face its spots. */
const coatMl = (product: Product, areaCm2: number, { wftUm, mix, share }: Coat): number =>
  paintMl(product, areaCm2, wftUm ?? 0) * paintShare(mix?.thinRatio) * (share ?? 1);

/** One face's coats, bottom first. */
export interface FaceCoats {
  readonly areaCm2: number | null;
  readonly count: number;
  /** with the sittings of those that are laid in several */
  readonly coats: readonly Pick<PlannedOp, "id" | "kind" | "layerId" | "productId" | "wftUm" | "mix" | "share">[];
}

/**
 * Coats that wait for a product on its way, by when it is there. Of one to buy: all of them. Of one that runs out: from
 * the first layer on that what is left does not finish, in the order of the parts; nobody begins a layer the can cannot
 * end. What is begun comes first.
 */
export function heldForArrival(
  faces: readonly FaceCoats[],
  productOf: (id: string) => Product,
  begun: (opId: string) => boolean,
  arrivals: PlanWishes["arrivals"],
): ReadonlyMap<string, number> {
  const held = new Map<string, number>();
  for (const [productId, arrivesMin] of Object.entries(arrivals)) {
    const layers = faces.flatMap(({ areaCm2, count, ...face }) => {
      const coats = face.coats.filter((o) => o.productId === productId);
      return [...new Set(coats.map((o) => o.layerId))].map((layerId) => {
        const own = coats.filter((o) => o.layerId === layerId);
        return { own, areaCm2: areaCm2 ?? 0, count, begun: own.some((o) => begun(o.id)) };
      });
    });
    if (layers.length === 0) continue;
    const product = productOf(productId);
    let leftMl = product.owned === false ? 0 : (paintLeftMl(product) ?? Number.POSITIVE_INFINITY);
    for (const { own, areaCm2, count } of layers.toSorted((a, b) => Number(b.begun) - Number(a.begun))) {
      const open = own.filter((o) => !begun(o.id));
      const needMl =
        (1 + STOCK_RESERVE) *
        count *
        open
          .filter((o) => o.kind === "coat")
          .reduce((sum, o) => sum + (areaCm2 === 0 ? 0 : coatMl(product, areaCm2, o)), 0);
      if (product.owned !== false && needMl <= leftMl) leftMl -= needMl;
      else for (const o of open) held.set(o.id, arrivesMin);
    }
  }
  return held;
}

/** Start of the masking a coat is masked for; a colour that runs out behind tape has spoilt the tape as well. */
function maskingBefore(coat: PlannedOp, ops: readonly PlannedOp[]): number | null {
  const own = ops.filter((o) => o.regionId === coat.regionId && o.startMin <= coat.startMin);
  const mask = own.filter((o) => o.kind === "mask").at(-1);
  const unmask = own.filter((o) => o.kind === "unmask").at(-1);
  return mask && (!unmask || unmask.startMin < mask.startMin) && mask.state !== "done" ? mask.startMin : null;
}
