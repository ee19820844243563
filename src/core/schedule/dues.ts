import type { Graph } from "./graph";
import type { Op, Problem } from "./types";

type Dated = Op & { readonly dueMin: number };
const isDated = (op: Op): op is Dated => op.dueMin != null && !op.fixed;

/**
 * Priorities by which what is wished for soonest, with all that leads to it, goes before everything else; of two dates alike the one
 * that counts more. Null = nothing has a date.
 */
export function dueFirst(problem: Problem, graph: Graph): ReadonlyMap<string, number> | null {
  const dated = problem.ops.filter(isDated);
  if (dated.length === 0) return null;
  const order = [...dated].sort((a, b) => a.dueMin - b.dueMin || (b.dueWeight ?? 1) - (a.dueWeight ?? 1));
  const ranks = new Map<string, number>();
  let rank = 0;
  order.forEach((op, i) => {
    const before = order[i - 1];
    const isNew = !before || before.dueMin !== op.dueMin || (before.dueWeight ?? 1) !== (op.dueWeight ?? 1);
    if (isNew) rank += 1;
    reach(graph, op.id, ranks, rank);
  });
  const spanMin = Math.max(...graph.tailMin.values()) + 1;
  return new Map(
    graph.order.map((id) => [id, graph.tailMin.get(id)! + spanMin * (rank + 1 - (ranks.get(id) ?? rank + 1))]),
  );
}

/** Everything that leads to an operation, itself too, that no sooner date has claimed. */
function reach(graph: Graph, opId: string, ranks: Map<string, number>, rank: number): void {
  const queue = [opId];
  for (let id = queue.pop(); id !== undefined; id = queue.pop()) {
    if (ranks.has(id)) continue;
    ranks.set(id, rank);
    for (const l of graph.into.get(id) ?? []) queue.push(l.from);
  }
}
