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
/**
 * What a piece in another session counts, and one at another hour of the same, in minutes of a later end (est.): of tonight and tomorrow
 * one knows the hours, of next week the evening.
 */
const OTHER_SESSION_MIN = 120;
const OTHER_HOUR_MIN = { near: 40, far: 5 } as const;
const NEAR_MIN = 2 * MIN_PER_DAY;
/** How a session is put together again: all that was in it, what much hangs on first. */
const PACKING: Packing = { urgency: 1, discrepancies: 2, breadth: 4, leaves: 30, nodes: 200, night: 0, asks: 200 };

/** How much sooner than it was a piece may be within its own session, and who is first in line there: as it was, or what most hangs on. */
const WAYS = [
  { soonerMin: 20, inOldOrder: true },
  { soonerMin: MIN_PER_DAY, inOldOrder: true },
  { soonerMin: MIN_PER_DAY, inOldOrder: false },
] as const;

/** What holding every old place makes end so much later is tried by pushing, minutes. */
const WORTH_PUSHING_MIN = 360;
/** So often at the most, and given up once so many in a row were no better. */
const MOST_PUSHED = 24;
const IN_VAIN = 10;

type Placement = Extract<Schedule, { outcome: "placed" }>;

/**
 * A plan like the one before: no piece in a sooner session than it was, and in a later one only where something now forbids its old place. Tried several
 * ways, and the one that changes least for when it ends is taken: every old place kept free for its own until its turn comes, so that
 * what is pushed out finds room elsewhere; the same, with what would end last going first; all in the old order, each pushing what comes
 * after; or session by session, each put together again from what was in it, so that a wait that is five minutes longer stays a matter
 * of that evening. Where an old place makes a later one impossible, that operation and what leads to it are let go.
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
  const [inPlace] = tried;
  if (inPlace?.outcome === "placed" && inPlace.endMin > endOf(graph, before) + WORTH_PUSHING_MIN)
    found.push(...pushed(problem, graph, before, inPlace, cost));
  if (found.length > 0) return found.reduce((a, b) => (cost(b) < cost(a) ? b : a));
  return placeAll(problem, graph, genesOf(graph, before, NO_HOLDS));
}

/** The session a moment lies in, or that opens next. */
const sessionAt = ({ sessions }: Problem, t: number) => sessions.find((s) => s.endMin > t);

function changeOf(problem: Problem, startMin: number, was: number | undefined): number {
  if (was === undefined || was === startMin) return 0;
  if (sessionAt(problem, was) !== sessionAt(problem, startMin)) return OTHER_SESSION_MIN;
  return was - problem.nowMin < NEAR_MIN ? OTHER_HOUR_MIN.near : OTHER_HOUR_MIN.far;
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

/** When the plan before ended. */
const endOf = (graph: Graph, before: ReadonlyMap<string, number>): number =>
  Math.max(...[...before].map(([id, start]) => start + (graph.opById.get(id)?.durationMin ?? 0)));

/**
 * What ends last goes first: it and all that leads to it take the earliest room from their old hours on, whoever had it, and what
 * they push out finds room among the old places of the rest. Then what ends last now joins them, and so on.
 */
function pushed(
  problem: Problem,
  graph: Graph,
  before: ReadonlyMap<string, number>,
  from: Placement,
  cost: (t: Placement) => number,
): readonly Placement[] {
  const old = new Map([...before].filter(([id]) => graph.opById.has(id)));
  if (old.size === 0) return [];
  const endMin = endOf(graph, before);
  const first = new Set<string>();
  const found: Placement[] = [];
  let last = from;
  let [least, inVain] = [cost(from), 0];
  for (let n = 0; n < MOST_PUSHED && inVain < IN_VAIN && last.endMin > endMin + WORTH_PUSHING_MIN; n++) {
    const end = last.placed.reduce((a, b) => (b.endMin > a.endMin ? b : a)).opId;
    const more = [end, ...upstream(graph, end)].filter((id) => !first.has(id));
    if (more.length === 0) break;
    for (const id of more) first.add(id);
    const genes = genesOf(graph, before, old);
    const ahead = 1 + Math.max(...genes.priority.values());
    const priority = new Map([...genes.priority].map(([id, p]) => [id, first.has(id) ? p + ahead : p]));
    const alone = placeAll(problem, graph, { priority, hold: old });
    if (alone.outcome === "conflict") break;
    const theirs = alone.placed.filter((p) => first.has(p.opId) && old.has(p.opId));
    const isTaken = (startMin: number, endMin: number) =>
      theirs.some((p) => p.startMin < endMin && startMin < p.endMin);
    const left = [...old].filter(
      ([id, startMin]) => !first.has(id) && !isTaken(startMin, startMin + graph.opById.get(id)!.durationMin),
    );
    const hold = new Map([...old, ...theirs.map((p) => [p.opId, p.startMin] as const)]);
    const reserve = new Map([...left, ...theirs.map((p) => [p.opId, p.startMin] as const)]);
    const next = placeAll(problem, graph, { priority, hold, reserve });
    if (next.outcome === "conflict") break;
    found.push(next);
    last = next;
    inVain = cost(next) < least ? 0 : inVain + 1;
    least = Math.min(least, cost(next));
  }
  return found;
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
