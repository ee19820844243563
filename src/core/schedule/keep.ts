import { type Graph, graphOf } from "./graph";
import { NO_HOLDS, placeAll } from "./solve";
import type { Genes, Problem, Schedule } from "./types";

/** Holds let go before a plan that keeps them is given up. */
const MOST_LET_GO = 24;
/** Moving one operation counts as much as ending this much later, minutes. */
const MOVE_WEIGHT_MIN = 30;

/**
 * A plan like the one before: none of it sooner than it was, and later only where something now forbids its old place. Tried two
 * ways, and the one that moves less for what it costs is taken: every old place kept free for its own until its turn comes, so that
 * what is pushed out finds room elsewhere; or all in the old order, each pushing what comes after. Where an old place makes a
 * later one impossible, that operation and what leads to it are let go.
 * @param before starts of an earlier plan, by operation; what it does not name is placed as early as it fits
 */
export function keepPlan(problem: Problem, before: ReadonlyMap<string, number>): Schedule {
  const graph = graphOf(problem);
  const tried = [true, false].map((inPlace) => kept(problem, graph, before, inPlace));
  const found = tried.flatMap((t) => (t.outcome === "placed" ? [t] : []));
  const cost = (t: (typeof found)[number]) =>
    t.endMin + MOVE_WEIGHT_MIN * t.placed.filter((p) => (before.get(p.opId) ?? p.startMin) !== p.startMin).length;
  if (found.length > 0) return found.reduce((a, b) => (cost(b) < cost(a) ? b : a));
  return placeAll(problem, graph, genesOf(graph, before, NO_HOLDS));
}

function kept(problem: Problem, graph: Graph, before: ReadonlyMap<string, number>, inPlace: boolean): Schedule {
  const hold = new Map([...before].filter(([id]) => graph.opById.has(id)));
  const place = () =>
    placeAll(problem, graph, { ...genesOf(graph, before, hold), reserve: inPlace ? hold : undefined });
  let found = place();
  for (let i = 0; i < MOST_LET_GO && found.outcome === "conflict"; i++) {
    const freed = [found.conflict.opId, ...upstream(graph, found.conflict.opId)].filter((id) => hold.delete(id));
    if (freed.length === 0) break;
    found = place();
  }
  return found;
}

/** What was earlier goes first; new work takes its turn by how much hangs on it. */
function genesOf(graph: Graph, before: ReadonlyMap<string, number>, hold: Genes["hold"]): Genes {
  const last = Math.max(0, ...before.values());
  return {
    priority: new Map(
      graph.order.map((id) => [id, before.has(id) ? last - before.get(id)! : Math.min(last, graph.tailMin.get(id)!)]),
    ),
    hold,
  };
}

function upstream(graph: Graph, opId: string): readonly string[] {
  const seen = new Set<string>();
  const queue = [opId];
  for (let id = queue.pop(); id !== undefined; id = queue.pop())
    for (const l of graph.into.get(id) ?? [])
      if (!seen.has(l.from)) {
        seen.add(l.from);
        queue.push(l.from);
      }
  return [...seen];
}
