import type { OpRecord } from "../history";
import type { Product } from "../model";
import { COAT_LABOUR, LABOUR_STEP_MIN } from "../reference";
import { circleOf, type Link } from "../schedule";
import type { Operation, Tie } from "./operations";

/** Coats of several regions done in one go: planned as one operation under its first member's id. */
export interface Batches {
  /** by the id the batch goes by: its operations, itself first */
  readonly members: ReadonlyMap<string, Batch>;
  readonly aliasOf: (opId: string) => string;
}
interface Batch {
  readonly ids: readonly string[];
  readonly minutes: number;
}

/** A batch that was wished for and cannot be: of different products, begun, longer than its pot life, or waiting for itself. */
export interface NoBatch {
  readonly regionId: string;
  readonly why: "differs" | "begun" | "pot-life" | "circle";
}

/** Minutes of a batch: what is fixed about a coat, once; the rest of each. */
function batchMinutes(method: Product["method"], own: readonly Operation[]): number {
  const each = own.map((o) => o.handsOnMin);
  const whole = each.reduce((sum, m) => sum + m, 0) - COAT_LABOUR[method].fixedMin * (each.length - 1);
  return Math.max(Math.ceil(whole / LABOUR_STEP_MIN) * LABOUR_STEP_MIN, ...each);
}

/** The batches that hold: one product, none begun, mixed once within its pot life, and no member waiting for another. */
export function batchesOf(
  wished: readonly (readonly string[])[],
  ops: readonly Operation[],
  ties: readonly Tie[],
  records: ReadonlyMap<string, OpRecord>,
  productOf: (id: string) => Product,
): { batches: Batches; leftOut: readonly NoBatch[] } {
  const opById = new Map(ops.map((o) => [o.id, o]));
  const leftOut: NoBatch[] = [];
  const members = new Map<string, Batch>();
  const alias = new Map<string, string>();
  for (const ids of wished) {
    const own = ids.flatMap((id) => opById.get(id) ?? []);
    const first = own[0];
    if (!first || own.length < 2) continue;
    const why = whyNot(own, records, productOf) ?? (circular(own, alias, ops, ties) ? "circle" : null);
    if (why !== null) {
      leftOut.push({ regionId: first.regionId, why });
      continue;
    }
    members.set(first.id, {
      ids: own.map((o) => o.id),
      minutes: batchMinutes(productOf(first.productId!).method, own),
    });
    for (const o of own) alias.set(o.id, first.id);
  }
  return { batches: { members, aliasOf: (id) => alias.get(id) ?? id }, leftOut };
}

function whyNot(
  own: readonly Operation[],
  records: ReadonlyMap<string, OpRecord>,
  productOf: (id: string) => Product,
): NoBatch["why"] | null {
  const [first] = own;
  const sameCup = (o: Operation) =>
    o.productId === first!.productId && JSON.stringify(o.mix) === JSON.stringify(first!.mix);
  if (own.some((o) => o.kind !== "coat" || !sameCup(o))) return "differs";
  if (own.some((o) => records.has(o.id))) return "begun";
  const product = productOf(first!.productId!);
  return product.potLifeMin !== null && batchMinutes(product.method, own) > product.potLifeMin ? "pot-life" : null;
}

function circular(
  own: readonly Operation[],
  known: ReadonlyMap<string, string>,
  ops: readonly Operation[],
  ties: readonly Tie[],
): boolean {
  const ids = new Set(own.map((o) => o.id));
  const nameOf = (id: string) => (ids.has(id) ? own[0]!.id : (known.get(id) ?? id));
  const links = ties.map((t) => ({ from: nameOf(t.from), to: nameOf(t.to) }) as Link);
  const names = [...new Set(ops.map((o) => nameOf(o.id)))].map(
    (id) => ({ id }) as Parameters<typeof circleOf>[0][number],
  );
  return circleOf(names, links) !== null;
}
