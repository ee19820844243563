import { done, failed, fieldFaults, isSumId, type Outcome, type SumsScreen, sumSchema } from "@/contracts";
import { lampAtPartMwCm2, onBestEvidence } from "@/core/reference";
import {
  fillable,
  filled,
  type SumId,
  type SumInputs,
  type SumResult,
  type SumSubject,
  type SumValues,
  summed,
  sumOf,
  type Taken,
  takenOver,
} from "@/core/sums";
import { nowMs } from "../clock";
import { viewing } from "../guard";
import { airOfNow, type Snapshot } from "../workspace/snapshot";
import { sumShelf } from "../workspace/sums";
import { regionNames } from "./parts";

/** What a sum is opened with: a product, a face, and the air and the lamp as they are. */
function subjectOf(s: Snapshot, productId: string | null, regionId: string | null): SumSubject {
  const home = regionId === null ? null : s.home(regionId);
  const product = productId === null ? undefined : s.data.products.get(productId);
  const air = airOfNow(s, home?.modelId ?? null, nowMs());
  const { lamp } = s.data.shopState.shop;
  return {
    product: product ? onBestEvidence(product) : null,
    region: home?.node.region ?? null,
    air: { tempC: air.tempC, rhPct: air.rhPct },
    lamp: lamp?.reading
      ? {
          mwCm2: lamp.reading.mwCm2,
          cm: lamp.reading.cm,
          partCm: lamp.partCm,
          atPartMwCm2: lampAtPartMwCm2(lamp.reading.mwCm2, lamp.reading.cm, lamp.partCm),
        }
      : null,
  };
}

/** Layers of the face that are of the product, to which the answer says something they do not have already. */
function takesOf(
  s: Snapshot,
  id: SumId,
  { productId, regionId }: { readonly productId: string | null; readonly regionId: string | null },
  values: SumValues<SumInputs>,
  result: SumResult,
): SumsScreen["takes"] {
  const node = regionId === null ? undefined : s.home(regionId)?.node;
  const taken = takenOver(id, values, result);
  if (!node || taken === null) return [];
  return node.stack.layers.flatMap((layer, i) => {
    const isSame = Object.entries(taken).every(([field, value]) => layer[field as keyof Taken] === value);
    return layer.productId === productId && !isSame
      ? [{ layerId: layer.id, n: i + 1, stackRev: node.stackRev, taken }]
      : [];
  });
}

/** Everything the Sums screen shows of one sum: what is known, over it what was typed, and what that comes to. */
export function getSum(
  id: string,
  told: {
    readonly productId: string | null;
    readonly regionId: string | null;
    readonly typed: Readonly<Record<string, unknown>>;
  },
): Outcome<SumsScreen> {
  if (!isSumId(id)) return failed("not-found", `There is no sum called ${id}.`);
  return viewing((s) => {
    const known = filled(sumOf(id).inputs, subjectOf(s, told.productId, told.regionId));
    const parsed = sumSchema(id, false).safeParse({ ...known, ...told.typed });
    const result = parsed.success ? summed(id, parsed.data, sumShelf(s)) : null;
    const usual = Object.fromEntries(
      Object.entries(sumOf(id).inputs).map(([n, i]) => [n, "usual" in i ? i.usual : []]),
    );
    const faults = parsed.success ? [] : fieldFaults(parsed.error);
    return done({
      id,
      inputs: sumOf(id).inputs,
      formula: sumOf(id).formula,
      source: sumOf(id).source,
      values: { ...usual, ...known, ...told.typed },
      from: fillable(sumOf(id).inputs),
      known: Object.keys(known),
      result,
      // what was simply not told yet is no mistake
      faults: faults.filter((f) => told.typed[f.path.split(".")[0]!] !== undefined),
      wanting: faults.filter((f) => told.typed[f.path.split(".")[0]!] === undefined).map((f) => f.path),
      takes: parsed.success && result ? takesOf(s, id, told, parsed.data, result) : [],
      products: [...s.data.products.values()].map(({ id: productId, name, role }) => ({ id: productId, name, role })),
      shelf: s.data.shelf.map((i) => i.product.id),
      regions: s.data.models.flatMap((m) => {
        const model = s.model(m.id);
        return model ? regionNames(model.tree).map((r) => ({ id: r.id, name: r.name, model: m.name })) : [];
      }),
    });
  });
}
