import type { Product } from "../model";
import { liquidNeededMl, transferEfficiency } from "../numbers";
import { PROPELLANT_SHARE, STOCK_RESERVE } from "../reference";
import type { PlannedOp, PlanRegion } from "./types";

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
  const coats = ops.filter((o) => o.state !== "done" && o.kind === "coat" && o.productId !== null);
  const lines = [...new Set(coats.map((o) => o.productId!))].map((productId): StockLine => {
    const own = coats.filter((o) => o.productId === productId);
    const product = productOf(productId);
    const needMl =
      (1 + STOCK_RESERVE) *
      own.reduce((sum, o) => {
        const areaCm2 = areaOf.get(o.regionId) ?? null;
        if (areaCm2 === null) return sum;
        const perPiece = liquidNeededMl(areaCm2, o.wftUm ?? 0, 1, transferEfficiency(product.method, areaCm2));
        return sum + perPiece * (countOf.get(o.regionId) ?? 1);
      }, 0);
    const leftMl = paintLeftMl(product);
    return {
      productId,
      needMl,
      leftMl,
      shortMl: leftMl === null ? 0 : Math.max(0, needMl - leftMl),
      byMin: Math.min(...own.map((o) => maskingBefore(o, ops) ?? o.startMin)),
      partial: own.some((o) => areaOf.get(o.regionId) == null),
    };
  });
  return lines.sort((a, b) => b.shortMl - a.shortMl || a.byMin - b.byMin || (a.productId < b.productId ? -1 : 1));
}

/** What is left of a can as paint: an aerosol's figure counts its propellant, which never lands. */
const paintLeftMl = ({ leftMl, method }: Product): number | null =>
  leftMl === null || method !== "aerosol" ? leftMl : leftMl * (1 - PROPELLANT_SHARE);

/** Start of the masking a coat is masked for; a colour that runs out behind tape has spoilt the tape as well. */
function maskingBefore(coat: PlannedOp, ops: readonly PlannedOp[]): number | null {
  const own = ops.filter((o) => o.regionId === coat.regionId && o.startMin <= coat.startMin);
  const mask = own.filter((o) => o.kind === "mask").at(-1);
  const unmask = own.filter((o) => o.kind === "unmask").at(-1);
  return mask && (!unmask || unmask.startMin < mask.startMin) && mask.state !== "done" ? mask.startMin : null;
}
