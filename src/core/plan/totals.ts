/** What one pile comes to by itself: build, weight, cost, hands-on time, and when it would be done alone. */

import type { Layer, Product, Region } from "../model";
import {
  asLaid,
  dryDensityGMl,
  filmLedger,
  filmMassG,
  liquidNeededMl,
  paintShare,
  plannedWftUm,
  pricePerMl,
  spotShare,
  transferEfficiency,
} from "../numbers";
import { isContact } from "../rules";
import { planModel } from "./plan";
import type { PlanInput, PlannedOp } from "./types";

/** What a pile comes to on one region. */
export interface StackTotals {
  /** dry height above bare material after every rub, µm */
  readonly buildUm: number;
  /** g; null without an area (est.: dry densities are reckoned from the wet ones) */
  readonly massG: number | null;
  /** in the user's own money, by what goes on and past the part (est.); null without an area or with a price missing */
  readonly cost: number | null;
  readonly handsOnMin: number | null;
  /** end of the last work if this region were all there is on the bench; null = it cannot be planned as it stands */
  readonly aloneDoneMin: number | null;
  /** share of the face each layer lies on, (0, 1], by its id */
  readonly shares: Readonly<Record<string, number>>;
  /** by layer: when its film takes no other on, between its two windows, laid as this region alone would be (est.) */
  readonly gaps: readonly { readonly layerId: string; readonly fromMin: number; readonly toMin: number }[];
}

/** Build and mass from the ledger; work and finish by planning the region by itself in the input's air and sessions. */
export function stackTotals(input: PlanInput, regionId: string): StackTotals {
  const own = input.regions.find((r) => r.region.id === regionId);
  if (!own || own.stack.layers.length === 0)
    return { buildUm: 0, massG: null, cost: null, handsOnMin: null, aloneDoneMin: null, shares: {}, gaps: [] };
  const ledger = filmLedger(own.stack.layers, input.productOf);
  const massOf = (i: number, areaCm2: number) => {
    const line = ledger[i]!;
    const product = asLaid(own.stack.layers[i]!, input.productOf);
    const share = spotShare(own.stack.layers[i]!, product, own.region);
    return share * filmMassG(line.addedUm - line.takenUm, areaCm2, dryDensityGMl(product));
  };
  const { areaCm2 } = own.region;
  const alone = planModel({ ...input, regions: [own] });
  return {
    buildUm: ledger.at(-1)!.totalUm,
    massG: areaCm2 === null ? null : ledger.reduce((sum, _, i) => sum + massOf(i, areaCm2), 0),
    cost: areaCm2 === null ? null : costOf(own.stack.layers, input.productOf, own.region, areaCm2),
    handsOnMin: alone.outcome === "planned" ? alone.handsOnMin : null,
    aloneDoneMin: alone.outcome === "planned" ? alone.doneMin : null,
    shares: Object.fromEntries(
      own.stack.layers.map((l) => [l.id, spotShare(l, input.productOf(l.productId), own.region)]),
    ),
    gaps: alone.outcome === "planned" ? gapsOf(alone.ops, own.stack.layers) : [],
  };
}

/** One a layer: of its last coat, whose film the next layer has to do with; of the top layer, between its own coats. */
function gapsOf(ops: readonly PlannedOp[], layers: readonly Layer[]): StackTotals["gaps"] {
  const gaps = new Map<string, StackTotals["gaps"][number]>();
  for (const op of ops) {
    const i = layers.findIndex((l) => l.id === op.layerId);
    const below = op.kind === "coat" && op.coat === 1 ? layers[i - 1] : layers[i];
    if (op.wait?.forbidden && below) gaps.set(below.id, { layerId: below.id, ...op.wait.forbidden });
  }
  return [...gaps.values()];
}

function costOf(
  layers: readonly Layer[],
  productOf: (id: string) => Product,
  region: Region,
  areaCm2: number,
): number | null {
  let sum = 0;
  for (const layer of layers) {
    const p = productOf(layer.productId);
    if (isContact(p)) continue;
    const each = pricePerMl(p);
    if (each === null) return null;
    const te = transferEfficiency(p.method, areaCm2);
    sum +=
      each *
      liquidNeededMl(areaCm2, plannedWftUm(layer, p), layer.coats, te) *
      paintShare(layer.thinRatio) *
      spotShare(layer, p, region);
  }
  return sum;
}
