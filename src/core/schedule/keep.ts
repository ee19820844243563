import { MIN_PER_DAY } from "../base";
import { scarceOf } from "./aimed";
import { Evenings, type Packing } from "./evenings";
import { type Graph, graphOf } from "./graph";
import { heldBy, piecesAt } from "./held-by";
import { Placer } from "./placer";
import { NO_HOLDS, placeAll } from "./solve";
import type { Genes, Problem, Schedule } from "./types";

/** Holds let go before a plan that keeps them is given up. */
const MOST_LET_GO = 24;
/** What a piece in another session counts, and one at another hour of the same, in minutes of a later end (est.). */
const OTHER_SESSION_MIN = 120;
const OTHER_HOUR_MIN = 30;
/** How a session is put together again: all that was in it, what much hangs on first. */
const PACKING: Packing = { urgency: 1, discrepancies: 2, breadth: 4, leaves: 30, nodes: 200, asks: 200 };

/** How much sooner than it was a piece may be within its own session, and who is first in line there: as it was, or what most hangs on. */
const WAYS = [
  { soonerMin: 20, inOldOrder: true },
  { soonerMin: MIN_PER_DAY, inOldOrder: true },
  { soonerMin: MIN_PER_DAY, inOldOrder: false },
] as const;

type Placement = Extract<Schedule, { outcome: "placed" }>;

/**
 * A plan like the one before: no piece in a sooner session than it was, and in a later one only where something now forbids its old place. Tried several
 * ways, and the one that changes least for when it ends is taken: every old place kept free for its own until its turn comes, so that
 * what is pushed out finds room elsewhere; all in the old order, each pushing what comes after; or session by session, each put together
 * again from what was in it, so that a wait that is five minutes longer stays a matter of that evening. Where an old place makes a
 * later one impossible, that operation and what leads to it are let go.
 * @param before starts of an earlier plan, by operation; what it does not name is placed as early as it fits
 */
export function keepPlan(problem: Problem, before: ReadonlyMap<string, number>): Schedule {
  const graph = graphOf(problem);
  const tried = [true, false].map((inPlace) => kept(problem, graph, before, inPlace));
  const found = tried.flatMap((t) => (t.outcome === "placed" ? [t] : []));
  const asItWas = (t: Placement) => t.placed.every((p) => (before.get(p.opId) ?? p.startMin) === p.startMin);
  if (!found.some(asItWas)) found.push(...again(problem, graph, before));
  const cost = (t: Placement) =>
    t.endMin + t.placed.reduce((sum, p) => sum + changeOf(problem, p.startMin, before.get(p.opId)), 0);
  if (found.length > 0) return found.reduce((a, b) => (cost(b) < cost(a) ? b : a));
  return placeAll(problem, graph, genesOf(graph, before, NO_HOLDS));
}

/** The session a moment lies in, or that opens next. */
const sessionAt = ({ sessions }: Problem, t: number) => sessions.find((s) => s.endMin > t);

function changeOf(problem: Problem, startMin: number, was: number | undefined): number {
  if (was === undefined || was === startMin) return 0;
  return sessionAt(problem, was) === sessionAt(problem, startMin) ? OTHER_HOUR_MIN : OTHER_SESSION_MIN;
}

/** Each session put together again from what was in it and what found no room before: at its old hour, later, or a little sooner. */
function again(problem: Problem, graph: Graph, before: ReadonlyMap<string, number>): readonly Placement[] {
  const scarce = scarceOf(problem);
  if (scarce === null) return [];
  const placer = new Placer(problem, graph);
  const evenings = new Evenings(problem, graph, placer, scarce);
  const urgent = Float64Array.from(placer.ids, (id) => graph.tailMin.get(id)!);
  const line = Float64Array.from(placer.ids, (id) => before.get(id) ?? Number.POSITIVE_INFINITY);
  const guide = { before: () => ({ urgent, idleMin: Number.POSITIVE_INFINITY }), after: () => true };
  return WAYS.flatMap(({ soonerMin, inOldOrder }): Placement[] => {
    const hold = Float64Array.from(placer.ids, (id) => {
      const was = before.get(id);
      return was === undefined ? 0 : Math.max(was - soonerMin, Math.min(was, sessionAt(problem, was)?.startMin ?? was));
    });
    if (!evenings.fill(PACKING, inOldOrder ? { ...guide, line } : guide, null, 0, hold)) return [];
    const placed = heldBy(problem, graph, piecesAt(problem, placer.start));
    const held = new Map(placer.ids.map((id, i) => [id, placer.start[i]!]));
    return [
      {
        outcome: "placed",
        placed,
        endMin: Math.max(problem.nowMin, ...placed.map((p) => p.endMin)),
        boundMin: problem.nowMin,
        genes: genesOf(graph, held, held),
        stats: { tries: 1 },
      },
    ];
  });
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
