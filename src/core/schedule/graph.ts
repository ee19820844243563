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
  /** by unit: how many others have to be placed before it, and which wait for it */
  readonly unitPreds: readonly number[];
  readonly unitNext: readonly (readonly number[])[];
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
  let left = ops;
  while (left.length > 0) {
    const later: Op[] = [];
    for (const op of left) {
      if ((into.get(op.id) ?? []).every((l) => placed.has(l.from))) {
        placed.add(op.id);
        order.push(op.id);
      } else later.push(op);
    }
    assert(later.length < left.length, "operations wait for each other in a circle");
    left = later;
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
  const settled = new Set<Set<string>>();
  const todo = [...new Set(unit.values())].filter((m) => m.size > 1);
  for (let members = todo.pop(); members; members = todo.pop()) {
    // united with others since it was listed: its union is listed in its place
    if (settled.has(members) || unit.get([...members][0]!) !== members) continue;
    const down = reachable(members, (id) => (outOf.get(id) ?? []).map((l) => l.to));
    const up = reachable(members, (id) => (into.get(id) ?? []).map((l) => l.from));
    const between = [...down].filter((id) => up.has(id) && !members!.has(id));
    if (between.length === 0) settled.add(members);
    else todo.push(unite([...members, ...between]));
  }
  const rank = new Map(order.map((id, i) => [id, i]));
  return [...new Set(unit.values())].map((set) => [...set].sort((a, b) => rank.get(a)! - rank.get(b)!));
}

function unitEdges(units: readonly (readonly string[])[], links: readonly Link[]) {
  const unitOf = new Map(units.flatMap((ids, i) => ids.map((id) => [id, i] as const)));
  const next = units.map(() => new Set<number>());
  for (const l of links) {
    const from = unitOf.get(l.from)!;
    const to = unitOf.get(l.to)!;
    if (from !== to) next[from]!.add(to);
  }
  const unitPreds = units.map(() => 0);
  for (const set of next) for (const to of set) unitPreds[to]! += 1;
  return { unitPreds, unitNext: next.map((set) => [...set]) };
}

/** Operations that wait for each other in a circle, in order; null = none do. */
export function circleOf(ops: readonly Op[], links: readonly Link[]): readonly string[] | null {
  const next = groupBy(links, "from");
  const state = new Map<string, "open" | "done">();
  const path: string[] = [];
  const walk = (id: string): readonly string[] | null => {
    if (state.get(id) === "done") return null;
    if (state.get(id) === "open") return path.slice(path.indexOf(id));
    state.set(id, "open");
    path.push(id);
    for (const l of next.get(id) ?? []) {
      const found = walk(l.to);
      if (found) return found;
    }
    path.pop();
    state.set(id, "done");
    return null;
  };
  for (const op of ops) {
    const found = walk(op.id);
    if (found) return found;
  }
  return null;
}

export function graphOf(problem: Problem): Graph {
  const opById = new Map(problem.ops.map((op) => [op.id, op]));
  assert(opById.size === problem.ops.length, "operation ids must be unique");
  for (const l of problem.links)
    assert(opById.has(l.from) && opById.has(l.to), `link ${l.id} names an unknown operation`);
  const into = groupBy(problem.links, "to");
  const outOf = groupBy(problem.links, "from");
  const order = topological(problem.ops, into);
  const units = unitsOf(order, problem.links, into, outOf);
  return {
    ...unitEdges(units, problem.links),
    order,
    into,
    outOf,
    opById,
    tailMin: tails(order, outOf, opById),
    units,
  };
}
