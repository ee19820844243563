import type { Graph } from "./graph";
import { type EndOf, type Op, type Problem, PUT_AWAY_MIN, type Span } from "./types";

/**
 * A moment before which no plan can end; absolute minutes. Two arguments, the later one counts:
 *   - alone: every operation as early as its waits, sessions and air would let it if nothing else held hands or booth;
 *   - together: what must be done on a resource after some moment needs so many minutes of session, and after the last of it
 *     the shortest tail of waits and work still follows; to the hands' minutes count the cleanings without which so many different
 *     loads do not go through a tool in so few sessions.
 * Valid while a wait never ends sooner for having begun later, which holds for films but for the jump where one is just forming.
 */
export function lowerBound(problem: Problem, graph: Graph): number {
  const heads = earliestEnds(problem, graph);
  const tails = leastTails(graph);
  let bound = problem.nowMin;
  for (const id of graph.order) {
    const end = heads.get(id);
    if (end !== undefined) bound = Math.max(bound, end + tails.get(id)!);
  }
  for (const resource of Object.keys(problem.capacity))
    bound = Math.max(bound, workBound(problem, graph, resource, heads, tails));
  return bound;
}

function firstFit(spans: readonly Span[], t: number, durationMin: number): number | null {
  for (const s of spans) {
    const start = Math.max(t, s.startMin);
    if (s.endMin === null || start + durationMin <= s.endMin) return start;
  }
  return null;
}

/** Earliest end of each operation were it alone; windows only by their openings. An operation that never fits is left out. */
function earliestEnds(problem: Problem, graph: Graph): ReadonlyMap<string, number> {
  const ends = new Map<string, number>();
  const endOf: EndOf = (id) => ends.get(id) ?? problem.nowMin;
  for (const id of graph.order) {
    const op = graph.opById.get(id)!;
    if (op.fixed) {
      ends.set(id, op.fixed.endMin);
      continue;
    }
    let t: number | null = Math.max(problem.nowMin, op.releaseMin);
    for (const link of graph.into.get(id) ?? []) {
      const opens = link.allowed(endOf)[0]?.startMin;
      if (opens !== undefined) t = Math.max(t, opens);
    }
    t = fits(op, t, problem);
    if (t !== null) ends.set(id, t + op.durationMin);
  }
  return ends;
}

const PASSES = 50;

function fits(op: Op, from: number, problem: Problem): number | null {
  let t = from;
  if (op.lockMin != null) return Math.max(t, op.lockMin);
  for (let i = 0; i < PASSES; i++) {
    const inSession = op.unattended ? t : firstFit(problem.sessions, t, op.durationMin);
    if (inSession === null) return null;
    const open = op.gate ? firstFit(op.gate, inSession, op.durationMin) : inSession;
    if (open === null) return null;
    if (open === t) return t;
    t = open;
  }
  return t;
}

/** Least minutes from the end of an operation to the end of everything after it. */
function leastTails(graph: Graph): ReadonlyMap<string, number> {
  const tails = new Map<string, number>();
  for (const id of [...graph.order].reverse()) {
    const after = (graph.outOf.get(id) ?? []).map(
      (l) => l.leastMin + graph.opById.get(l.to)!.durationMin + (tails.get(l.to) ?? 0),
    );
    tails.set(id, Math.max(0, ...after));
  }
  return tails;
}

/**
 * End of `workMin` minutes of session time from a moment on; null = the sessions do not hold that much.
 * @param moreMin what comes on top of it when as many loads as are told need no cleaning before them
 */
function afterWork(
  problem: Problem,
  from: number,
  workMin: number,
  moreMin: (freeLoads: number) => number,
): number | null {
  let done = 0;
  let freeLoads = 0;
  for (const s of problem.sessions) {
    const start = Math.max(s.startMin, from);
    if (s.endMin <= start) continue;
    // the first load of a session, and one after so long a rest, may find the tool clean
    freeLoads += 1 + Math.floor((s.endMin - start) / PUT_AWAY_MIN);
    const left = workMin + moreMin(freeLoads) - done;
    if (left <= s.endMin - start) return start + Math.max(0, left);
    done += s.endMin - start;
  }
  return null;
}

/** Minutes of cleaning that the loads of some work cannot do without, tool by tool. */
class Cleanings {
  private readonly loads = new Map<string, Set<string>>();
  constructor(private readonly setupMin: Readonly<Record<string, number>>) {}
  add({ loads = {} }: Op): void {
    for (const [tool, load] of Object.entries(loads)) {
      if ((this.setupMin[tool] ?? 0) === 0) continue;
      const own = this.loads.get(tool);
      if (own) own.add(load);
      else this.loads.set(tool, new Set([load]));
    }
  }
  leastMin(freeLoads: number): number {
    let sum = 0;
    for (const [tool, { size }] of this.loads) sum += Math.max(0, size - freeLoads) * this.setupMin[tool]!;
    return sum;
  }
}

/** Looked at with all its floors, a plan of thousands of operations would cost more to bound than to make. */
const MOST_FLOORS = 120;
const someOf = (floors: readonly number[]): readonly number[] =>
  floors.length <= MOST_FLOORS
    ? floors
    : [...floors].sort((a, b) => a - b).filter((_, i) => i % Math.ceil(floors.length / MOST_FLOORS) === 0);

function workBound(
  problem: Problem,
  graph: Graph,
  resource: string,
  heads: ReadonlyMap<string, number>,
  tails: ReadonlyMap<string, number>,
): number {
  const capacity = problem.capacity[resource]!;
  const users = graph.order
    .map((id) => graph.opById.get(id)!)
    .filter((op) => (op.needs[resource] ?? 0) > 0 && !op.fixed && !op.unattended && heads.has(op.id))
    .map((op) => ({
      op,
      start: heads.get(op.id)! - op.durationMin,
      work: (op.durationMin * op.needs[resource]!) / capacity,
      tail: tails.get(op.id)!,
    }))
    .sort((a, b) => b.start - a.start);
  let bound = problem.nowMin;
  // for every floor under the tails: all users with at least that much after them
  for (const floor of someOf([...new Set(users.map((u) => u.tail))])) {
    let work = 0;
    const cleanings = new Cleanings(problem.setupTakes === resource ? (problem.setupMin ?? {}) : {});
    for (const u of users) {
      if (u.tail < floor) continue;
      work += u.work;
      cleanings.add(u.op);
      const end = afterWork(problem, u.start, work, (free) => cleanings.leastMin(free) / capacity);
      if (end !== null) bound = Math.max(bound, end + floor);
    }
  }
  return bound;
}
