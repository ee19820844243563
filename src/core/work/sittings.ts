import type { OpRecord } from "../history";
import type { BenchSession, Product } from "../model";
import { opIds } from "../model";
import { LABOUR_STEP_MIN } from "../reference";
import type { Chain, Operation } from "./operations";

const MAY_REST = new Set<Operation["kind"]>(["sand", "mask"]);
const BY_HAND = new Set<Product["method"]>(["brush", "spread"]);

/**
 * Work that may be left half done and taken up another day: rubbing, keying, masking, and brush work whose film neither
 * goes off in the pot nor shuts a window. A sprayed coat is laid in one go.
 */
function mayRest(op: Operation, productOf: (id: string) => Product): boolean {
  if (
    MAY_REST.has(op.kind) ||
    op.extra?.kind === "rub" ||
    op.extra?.kind === "strip" ||
    op.step === "key" ||
    op.step === "scuff"
  )
    return true;
  if (op.kind !== "coat" || op.productId === null) return false;
  const { method, potLifeMin, label } = productOf(op.productId);
  return BY_HAND.has(method) && potLifeMin === null && label.recoat.every(([, shutsMin]) => shutsMin === null);
}

export const longestSessionMin = (sessions: readonly BenchSession[]): number =>
  sessions.length === 0 ? Number.POSITIVE_INFINITY : Math.max(...sessions.map((s) => s.endMin - s.startMin));

/**
 * Work longer than any bench session, in as many sittings as it takes. The last one goes by the work's own id, so that
 * what follows waits for all of it; the ones before it lay no film by themselves: a brushed coat is as young as its last
 * sitting. Sittings that are in the log stay; work that was done in one go is not taken apart.
 */
export function inSittings(
  chain: Chain,
  sessions: readonly BenchSession[],
  records: ReadonlyMap<string, OpRecord>,
  productOf: (id: string) => Product,
): Chain {
  const longestMin = longestSessionMin(sessions);
  const first = new Map<string, string>();
  const between: { from: string; to: string }[] = [];
  const ops = chain.ops.flatMap((op): readonly Operation[] => {
    const sat = satBefore(op.id, records);
    const whole = op.handsOnMin <= longestMin || records.has(op.id) || !mayRest(op, productOf);
    const of = whole ? sat + 1 : Math.max(Math.ceil(op.handsOnMin / longestMin), sat + 1);
    if (of === 1) return [op];
    const handsOnMin = Math.min(longestMin, Math.ceil(op.handsOnMin / of / LABOUR_STEP_MIN) * LABOUR_STEP_MIN);
    const early = Array.from(
      { length: of - 1 },
      (_, k): Operation => ({ ...earlySitting(op), ...named(op.id, k + 1, of) }),
    );
    const all = [...early, { ...op, sitting: { n: of, of } }].map((o) => ({ ...o, handsOnMin }));
    first.set(op.id, all[0]!.id);
    for (const [k, o] of all.slice(1).entries()) between.push({ from: all[k]!.id, to: o.id });
    return all;
  });
  if (first.size === 0) return chain;
  const ties = chain.ties.map((t) => ({ ...t, to: first.get(t.to) ?? t.to }));
  return { ...chain, ops, ties: [...ties, ...between.map((b) => ({ ...b, wait: { kind: "none" } as const }))] };
}

const named = (id: string, n: number, of: number) => ({ id: opIds.sitting(id, n), sitting: { n, of } });

/** Sittings the log has of it; they are done in their order. */
function satBefore(opId: string, records: ReadonlyMap<string, OpRecord>): number {
  let n = 0;
  while (records.has(opIds.sitting(opId, n + 1))) n += 1;
  return n;
}

const earlySitting = (op: Operation): Operation => ({
  ...op,
  kind: op.kind === "coat" ? "part-coat" : op.kind,
  takesUm: 0,
});
