import { assert } from "../base";
import type { Link, Op, Problem } from "./types";

export interface Graph {
  readonly order: readonly string[];
  readonly into: ReadonlyMap<string, readonly Link[]>;
  readonly outOf: ReadonlyMap<string, readonly Link[]>;
  /** minutes of work and estimated waits from an operation's start to the end of its chain */
  readonly tailMin: ReadonlyMap<string, number>;
  /** operations that must be placed together, each in topological order */
  readonly units: readonly (readonly string[])[];
  readonly opById: ReadonlyMap<string, Op>;
}

function groupBy(links: readonly Link[], end: "from" | "to"): Map<string, Link[]> {
  const map = new Map<string, Link[]>();
  for (const link of links) {
    const list = map.get(link[end]) ?? [];
    list.push(link);
    map.set(link[end], list);
  }
  return map;
}

/** Kahn's order; ties by position in `ops`, so the same problem always gives the same order. */
function topological(ops: readonly Op[], into: Map<string, Link[]>): string[] {
  const placed = new Set<string>();
  const order: string[] = [];
  while (order.length < ops.length) {
    const before = order.length;
    for (const op of ops) {
      if (placed.has(op.id)) continue;
      if ((into.get(op.id) ?? []).every((l) => placed.has(l.from))) {
        placed.add(op.id);
        order.push(op.id);
      }
    }
    assert(order.length > before, "operations wait for each other in a circle");
  }
  return order;
}

function tails(order: readonly string[], outOf: Map<string, Link[]>, opById: Map<string, Op>): Map<string, number> {
  const tail = new Map<string, number>();
  for (const id of [...order].reverse()) {
    const after = (outOf.get(id) ?? []).map((l) => l.estimateMin + (tail.get(l.to) ?? 0));
    tail.set(id, opById.get(id)!.durationMin + Math.max(0, ...after));
  }
  return tail;
}

function reachable(from: Iterable<string>, next: (id: string) => readonly string[]): Set<string> {
  const seen = new Set<string>(from);
  const queue = [...seen];
  for (let id = queue.pop(); id !== undefined; id = queue.pop()) {
    for (const n of next(id)) {
      if (seen.has(n)) continue;
      seen.add(n);
      queue.push(n);
    }
  }
  return seen;
}

/**
 * Ends of a bounded link belong together, and so does everything on a path between members of one unit:
 * otherwise placing a unit could depend on an operation that waits for that unit.
 */
function unitsOf(
  order: readonly string[],
  links: readonly Link[],
  into: Map<string, Link[]>,
  outOf: Map<string, Link[]>,
): string[][] {
  const unit = new Map(order.map((id) => [id, new Set([id])]));
  const unite = (ids: Iterable<string>) => {
    const all = new Set<string>();
    for (const id of ids) for (const member of unit.get(id)!) all.add(member);
    for (const id of all) unit.set(id, all);
    return all;
  };
  for (const l of links) if (l.bounded) unite([l.from, l.to]);
  for (let grown = true; grown; ) {
    grown = false;
    for (const members of new Set(unit.values())) {
      if (members.size < 2) continue;
      const down = reachable(members, (id) => (outOf.get(id) ?? []).map((l) => l.to));
      const up = reachable(members, (id) => (into.get(id) ?? []).map((l) => l.from));
      const between = [...down].filter((id) => up.has(id) && !members.has(id));
      if (between.length === 0) continue;
      unite([...members, ...between]);
      grown = true;
      break;
    }
  }
  const rank = new Map(order.map((id, i) => [id, i]));
  return [...new Set(unit.values())].map((set) => [...set].sort((a, b) => rank.get(a)! - rank.get(b)!));
}

export function graphOf(problem: Problem): Graph {
  const opById = new Map(problem.ops.map((op) => [op.id, op]));
  assert(opById.size === problem.ops.length, "operation ids must be unique");
  for (const l of problem.links)
    assert(opById.has(l.from) && opById.has(l.to), `link ${l.id} names an unknown operation`);
  const into = groupBy(problem.links, "to");
  const outOf = groupBy(problem.links, "from");
  const order = topological(problem.ops, into);
  return {
    order,
    into,
    outOf,
    opById,
    tailMin: tails(order, outOf, opById),
    units: unitsOf(order, problem.links, into, outOf),
  };
}
