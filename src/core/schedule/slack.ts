import { graphOf } from "./graph";
import type { Op, Placed, Problem, Span } from "./types";

export interface Slack {
  /** how much later it may start, the order of work kept, before the last work of all ends later, minutes */
  readonly slackMin: number;
  /** last start inside the window it meets, minutes; null = no window of its own shuts */
  readonly windowShutsMin: number | null;
}

/** Halvings of an interval of days until it is below a minute. */
const HALVINGS = 14;

/**
 * Slack of every operation of a finished plan. The order on every resource is kept, so this is what one can be late with while
 * everything else goes on as planned; a plan in another order may leave more. Backwards from the end: an operation may end as
 * late as everything after it can bear, by waits (asked at the hours as they then would be), by hands and tools, by sessions and air.
 */
export function slacks(problem: Problem, placed: readonly Placed[]): ReadonlyMap<string, Slack> {
  const graph = graphOf(problem);
  const at = new Map(placed.map((p) => [p.opId, p]));
  const finishMin = Math.max(...placed.map((p) => p.endMin));
  const latest = new Map<string, number>();
  const after = followers(problem, placed);
  const order = [...placed].sort((a, b) => b.startMin - a.startMin || (a.opId < b.opId ? 1 : -1));
  const rank = new Map(graph.order.map((id, i) => [id, i]));
  order.sort((a, b) => b.startMin - a.startMin || rank.get(b.opId)! - rank.get(a.opId)!);
  for (const p of order) {
    const op = graph.opById.get(p.opId)!;
    if (op.fixed || op.lockMin != null) {
      latest.set(op.id, p.startMin);
      continue;
    }
    let endMin = Math.min(finishMin, op.dueMin != null ? Math.max(op.dueMin, p.endMin) : finishMin);
    for (const { opId, gapMin } of after.get(op.id) ?? [])
      endMin = Math.min(endMin, (latest.get(opId) ?? finishMin) - gapMin);
    for (const l of graph.outOf.get(op.id) ?? []) {
      const startOfNext = latest.get(l.to) ?? at.get(l.to)!.startMin;
      endMin = Math.min(
        endMin,
        latestEnd(p, startOfNext, endMin, (end) => l.allowed((id) => (id === op.id ? end : at.get(id)!.endMin))),
      );
    }
    const shuts = windowShuts(op, problem, graph.into.get(op.id) ?? [], at);
    const startMin = downToOpen(op, problem, Math.min(endMin - op.durationMin, shuts ?? endMin), p.startMin);
    latest.set(op.id, Math.max(p.startMin, startMin));
  }
  return new Map(
    placed.map((p) => {
      const op = graph.opById.get(p.opId)!;
      return [
        p.opId,
        {
          slackMin: latest.get(p.opId)! - p.startMin,
          windowShutsMin: op.fixed ? null : windowShuts(op, problem, graph.into.get(p.opId) ?? [], at),
        },
      ] as const;
    }),
  );
}

/** Latest end of `p` with which what follows may still start at its own latest; waits grow with the hour they begin, so halving finds it. */
function latestEnd(
  p: Placed,
  nextStartMin: number,
  capMin: number,
  spans: (endMin: number) => readonly Span[],
): number {
  const works = (end: number) =>
    spans(end).some((s) => s.startMin <= nextStartMin + 1e-6 && (s.endMin === null || s.endMin >= nextStartMin - 1e-6));
  let lo = p.endMin;
  let hi = Math.min(capMin, nextStartMin);
  if (hi <= lo) return lo;
  if (works(hi)) return hi;
  for (let i = 0; i < HALVINGS; i++) {
    const mid = (lo + hi) / 2;
    if (works(mid)) lo = mid;
    else hi = mid;
  }
  return lo;
}

function windowShuts(
  op: Op,
  problem: Problem,
  into: readonly Problem["links"][number][],
  at: ReadonlyMap<string, Placed>,
): number | null {
  const start = at.get(op.id)!.startMin;
  let shuts: number | null = null;
  for (const l of into) {
    if (!l.bounded || !at.has(l.from)) continue;
    const own = l
      .allowed((id) => at.get(id)?.endMin ?? problem.nowMin)
      .find((s) => s.endMin === null || s.endMin >= start);
    if (own && own.endMin !== null) shuts = Math.min(shuts ?? own.endMin, own.endMin);
  }
  return shuts;
}

/** The last start at or before a moment that lies in a session and in its air; never before where it is planned. */
function downToOpen(op: Op, problem: Problem, latestMin: number, plannedMin: number): number {
  const floor = (t: number) => Math.floor(t / problem.gridMin + 1e-6) * problem.gridMin;
  let t = floor(latestMin);
  for (let i = 0; i < 60 && t > plannedMin; i++) {
    const inSession = op.unattended ? t : lastIn(problem.sessions, t, op.durationMin);
    if (inSession === null) return plannedMin;
    const open = op.gate ? lastIn(op.gate, inSession, op.durationMin) : inSession;
    if (open === null) return plannedMin;
    if (open === t) return t;
    t = floor(open);
  }
  return Math.max(t, plannedMin);
}

function lastIn(spans: readonly Span[], t: number, durationMin: number): number | null {
  for (let i = spans.length - 1; i >= 0; i--) {
    const s = spans[i]!;
    const last = s.endMin === null ? t : Math.min(t, s.endMin - durationMin);
    if (last >= s.startMin) return last;
  }
  return null;
}

/** What comes next on the same hands or tool, and the cleaning that has to fit between. */
function followers(
  problem: Problem,
  placed: readonly Placed[],
): ReadonlyMap<string, readonly { opId: string; gapMin: number }[]> {
  const opById = new Map(problem.ops.map((o) => [o.id, o]));
  const after = new Map<string, { opId: string; gapMin: number }[]>();
  for (const [resource, capacity] of Object.entries(problem.capacity)) {
    const users = placed
      .filter((p) => (opById.get(p.opId)!.needs[resource] ?? 0) > 0)
      .sort((a, b) => a.startMin - b.startMin);
    // with room for several at once the one after next is not held up for certain; only a full resource keeps its order
    users.forEach((p, i) => {
      const next = users[i + capacity];
      if (!next || next.startMin < p.endMin) return;
      const a = opById.get(p.opId)!.loads?.[resource];
      const b = opById.get(next.opId)!.loads?.[resource];
      const gapMin = a !== undefined && b !== undefined && a !== b ? (problem.setupMin?.[resource] ?? 0) : 0;
      after.set(p.opId, [...(after.get(p.opId) ?? []), { opId: next.opId, gapMin }]);
    });
  }
  return after;
}
