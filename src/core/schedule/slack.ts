import { graphOf } from "./graph";
import type { Link, Op, Placed, Problem, Span } from "./types";

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
  const next = followers(problem, placed);
  const rank = new Map(graph.order.map((id, i) => [id, i]));
  const order = [...placed].sort((a, b) => b.startMin - a.startMin || rank.get(b.opId)! - rank.get(a.opId)!);
  for (const p of order) {
    const op = graph.opById.get(p.opId)!;
    if (op.fixed || op.lockMin != null) {
      latest.set(op.id, p.startMin);
      continue;
    }
    let endMin = op.dueMin == null ? finishMin : Math.min(finishMin, Math.max(op.dueMin, p.endMin));
    for (const { opId, clearMin } of next.get(op.id) ?? []) {
      const startOfNext = latest.get(opId) ?? at.get(opId)!.startMin;
      endMin = lastThat(p.endMin, endMin, (end) => clearMin(end) <= startOfNext + SAME_MIN);
    }
    for (const l of graph.outOf.get(op.id) ?? []) {
      const startOfNext = latest.get(l.to) ?? at.get(l.to)!.startMin;
      const spans = (end: number) => l.allowed((id) => (id === op.id ? end : at.get(id)!.endMin));
      endMin = lastThat(p.endMin, Math.min(endMin, startOfNext), (end) => holds(spans(end), startOfNext));
    }
    latest.set(op.id, lastOpen(op, p, endMin - op.durationMin, problem, spansInto(graph.into.get(op.id) ?? [], at)));
  }
  return new Map(
    placed.map((p) => {
      const op = graph.opById.get(p.opId)!;
      const into = (graph.into.get(p.opId) ?? []).filter((l) => l.bounded);
      const windowShutsMin = op.fixed ? null : shutting(spansInto(into, at), p.startMin);
      return [p.opId, { slackMin: latest.get(p.opId)! - p.startMin, windowShutsMin }] as const;
    }),
  );
}

const SAME_MIN = 1e-6;

const holds = (spans: readonly Span[], t: number): boolean =>
  spans.some((s) => s.startMin <= t + SAME_MIN && (s.endMin === null || s.endMin >= t - SAME_MIN));

/** The last moment from `lo` to `hi` that works, to a minute; waits grow with the hour they begin, so halving finds it. */
function lastThat(lo: number, hi: number, works: (t: number) => boolean): number {
  if (hi <= lo) return lo;
  if (works(hi)) return hi;
  let low = lo;
  let high = hi;
  for (let i = 0; i < HALVINGS && high - low > 1; i++) {
    const mid = (low + high) / 2;
    if (works(mid)) low = mid;
    else high = mid;
  }
  return low;
}

type Spans = readonly (readonly Span[])[];

const spansInto = (into: readonly Link[], at: ReadonlyMap<string, Placed>): Spans =>
  into.filter((l) => at.has(l.from)).map((l) => l.allowed((id) => at.get(id)!.endMin));

/** End of the windows a start lies in; null = none of them ends. */
function shutting(windows: Spans, startMin: number): number | null {
  const ends = windows.flatMap((spans) => {
    const own = spans.find((s) => s.endMin === null || s.endMin >= startMin);
    return own && own.endMin !== null ? [own.endMin] : [];
  });
  return ends.length > 0 ? Math.min(...ends) : null;
}

/** The last start at or before a moment that lies in a session, in its air and in its windows; never before where it is planned. */
function lastOpen(op: Op, p: Placed, latestMin: number, problem: Problem, windows: Spans): number {
  const floor = (t: number) => Math.floor(t / problem.gridMin + SAME_MIN) * problem.gridMin;
  const all: { spans: readonly Span[]; durationMin: number }[] = windows.map((spans) => ({ spans, durationMin: 0 }));
  if (!op.unattended) all.push({ spans: problem.sessions, durationMin: op.durationMin });
  if (op.gate) all.push({ spans: op.gate, durationMin: op.durationMin });
  let t = floor(latestMin);
  for (let i = 0; i < MOST_STEPS && t > p.startMin; i++) {
    const before = t;
    for (const { spans, durationMin } of all) t = floor(Math.min(t, lastIn(spans, t, durationMin) ?? p.startMin));
    if (t === before) return t;
  }
  return p.startMin;
}
const MOST_STEPS = 80;

function lastIn(spans: readonly Span[], t: number, durationMin: number): number | null {
  for (let i = spans.length - 1; i >= 0; i--) {
    const s = spans[i]!;
    const last = s.endMin === null ? t : Math.min(t, s.endMin - durationMin);
    if (last >= s.startMin) return last;
  }
  return null;
}

/** What has to come after an operation's end, and by what moment that end leaves it room. */
interface Follower {
  readonly opId: string;
  /** the moment up to which an end at `endMin` keeps the follower away */
  readonly clearMin: (endMin: number) => number;
}

const after = (gapMin: number) => (endMin: number) => endMin + gapMin;

/** What comes next on the same hands, tool or rack with the cleaning between, and what must not meet in the air. */
function followers(problem: Problem, placed: readonly Placed[]): ReadonlyMap<string, readonly Follower[]> {
  const opById = new Map(problem.ops.map((o) => [o.id, o]));
  const inTime = [...placed].sort((a, b) => a.startMin - b.startMin);
  const found = new Map<string, Follower[]>();
  const add = (opId: string, f: Follower) => found.set(opId, [...(found.get(opId) ?? []), f]);
  for (const [resource, capacity] of Object.entries(problem.capacity)) {
    const users = inTime.filter((p) => (opById.get(p.opId)!.needs[resource] ?? 0) > 0);
    const setupMin = problem.setupMin?.[resource] ?? 0;
    users.forEach((p, i) => {
      // with room for several at once only the one that needs the last place is held up
      const next = users[i + capacity];
      if (!next || next.startMin < p.endMin) return;
      const a = opById.get(p.opId)!;
      const [load, other] = [a.loads?.[resource], opById.get(next.opId)!.loads?.[resource]];
      const clean = load !== undefined && other !== undefined && load !== other ? setupMin : 0;
      const busy = resource === problem.setupTakes ? cleaningBefore(next, problem, inTime, opById) : 0;
      add(p.opId, { opId: next.opId, clearMin: after(Math.max(clean, busy)) });
      for (const k of a.keeps ?? [])
        if (k.resource === resource) add(p.opId, { opId: next.opId, clearMin: k.untilMin });
    });
  }
  for (const [opId, f] of airFollowers(inTime, opById)) add(opId, f);
  return found;
}

function airFollowers(inTime: readonly Placed[], opById: ReadonlyMap<string, Op>): [string, Follower][] {
  const airy = inTime.filter((p) => opById.get(p.opId)!.air);
  return airy.flatMap((p, i): [string, Follower][] => {
    const own = opById.get(p.opId)!.air!;
    const meets = (q: Placed) => {
      const other = opById.get(q.opId)!.air!;
      return q.startMin >= p.endMin && other.gives !== own.gives && (own.of === undefined || own.of !== other.of);
    };
    const later = airy.slice(i + 1, i + 1 + LOOKS_ON).filter(meets);
    const giver = own.mindsUntilMin ? later.find((q) => opById.get(q.opId)!.air!.gives !== null) : undefined;
    const minder = own.gives === null ? undefined : later.find((q) => opById.get(q.opId)!.air!.mindsUntilMin);
    const out: [string, Follower][] = [];
    if (giver) out.push([p.opId, { opId: giver.opId, clearMin: own.mindsUntilMin! }]);
    if (minder) out.push([p.opId, { opId: minder.opId, clearMin: after(own.settleMin) }]);
    return out;
  });
}
/** What shares the air with an operation is among the next so many, or far enough off. */
const LOOKS_ON = 60;

/** Minutes of cleaning right before an operation, which need the hands that came before it. */
function cleaningBefore(
  p: Placed,
  problem: Problem,
  inTime: readonly Placed[],
  opById: ReadonlyMap<string, Op>,
): number {
  let minutes = 0;
  for (const [tool, setupMin] of Object.entries(problem.setupMin ?? {})) {
    const load = opById.get(p.opId)!.loads?.[tool];
    if (load === undefined) continue;
    const before = inTime.findLast((q) => q.endMin <= p.startMin && opById.get(q.opId)!.loads?.[tool] !== undefined);
    if (before && opById.get(before.opId)!.loads![tool] !== load) minutes = Math.max(minutes, setupMin);
  }
  return minutes;
}
