import type { Board } from "./board";
import type { BoundBy, Conflict, Link, Op, Placed, Problem, Span } from "./types";

/** Repairs of a unit before giving up; each pushes an opener by at least one grid step. */
export const MAX_REPAIRS = 4000;
/** An opener pushed through so many sessions without its window being met is not pushed on: the days repeat themselves. */
export const MOST_SESSIONS_TRIED = 16;

export type Search =
  | { readonly found: true; readonly placed: Placed }
  | { readonly found: false; readonly conflict: Conflict };

/** First moment ≥ t at which the whole of [t, t+duration] lies in one of the spans; null = none. */
export function intoSpan(spans: readonly Span[], t: number, durationMin: number): number | null {
  // spans rise: those that end before t are passed by halving, not one by one
  let lo = 0;
  let hi = spans.length;
  while (lo < hi) {
    const mid = (lo + hi) >> 1;
    const end = spans[mid]!.endMin;
    if (end !== null && end < t) lo = mid + 1;
    else hi = mid;
  }
  for (let i = lo; i < spans.length; i++) {
    const s = spans[i]!;
    const start = Math.max(t, s.startMin);
    if (s.endMin === null || start + durationMin <= s.endMin) return start;
  }
  return null;
}

/** Starts within this of the grid are on it, minutes. */
const ON_GRID_MIN = 1e-6;
/** On the grid, at or after a moment; added nought keeps it from being a negative one. */
export const gridUp = (t: number, gridMin: number): number => Math.ceil((t - ON_GRID_MIN) / gridMin) * gridMin + 0;

/**
 * Earliest start at or after `fromMin` that links, sessions, gate, resources and air all allow; passes are repeated until none
 * moves it. A locked operation starts at its lock or not at all.
 */
export function earliest(
  op: Op,
  fromMin: number,
  links: readonly { link: Link; spans: readonly Span[] }[],
  board: Board,
  problem: Problem,
): Search {
  const lockMin = op.lockMin ?? null;
  let t = lockMin ?? gridUp(fromMin, problem.gridMin);
  let boundBy: BoundBy = lockMin === null ? { kind: fromMin > problem.nowMin ? "release" : "now" } : { kind: "lock" };
  const move = (to: number, why: BoundBy) => {
    // of a pin, what stood in its way first is told: a film that is not dry, before hands that are busy
    if (to > t && (lockMin === null || t <= lockMin)) boundBy = why;
    t = Math.max(t, lockMin === null ? gridUp(to, problem.gridMin) : to);
  };
  for (;;) {
    const start = t;
    for (const { link, spans } of links) {
      if (spans.length === 0)
        return { found: false, conflict: { kind: "wait-beyond-horizon", opId: op.id, linkId: link.id } };
      const to = intoSpan(spans, t, 0);
      if (to === null) return { found: false, conflict: { kind: "window", opId: op.id, linkId: link.id } };
      move(to, { kind: "link", linkId: link.id });
    }
    if (!op.unattended) {
      const inSession = intoSpan(problem.sessions, t, op.durationMin);
      if (inSession === null) return { found: false, conflict: sessionConflict(op, problem) };
      move(inSession, { kind: "session" });
    }
    if (op.gate) {
      const open = intoSpan(op.gate, t, op.durationMin);
      if (open === null) return { found: false, conflict: { kind: "gate-shut", opId: op.id } };
      move(open, { kind: "gate" });
    }
    const clash = board.clash(op, t, t + op.durationMin);
    if (clash) move(Math.max(clash.freeMin, t + problem.gridMin), clash.boundBy);
    if (lockMin !== null && t > lockMin)
      return { found: false, conflict: { kind: "lock", opId: op.id, heldBy: boundBy } };
    if (t === start) return { found: true, placed: { opId: op.id, startMin: t, endMin: t + op.durationMin, boundBy } };
  }
}

function sessionConflict(op: Op, problem: Problem): Conflict {
  const longestMin = Math.max(0, ...problem.sessions.map((s) => s.endMin - s.startMin));
  return longestMin < op.durationMin
    ? { kind: "no-session-long-enough", opId: op.id, longestMin, neededMin: op.durationMin }
    : { kind: "no-session-left", opId: op.id };
}
