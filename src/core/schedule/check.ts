import type { Placed, Problem } from "./types";

export interface Violation {
  readonly kind: "missing" | "session" | "gate" | "resource" | "wait" | "before-now" | "duration";
  readonly opId: string;
  readonly detail: string;
}

/** Round-off of minutes counted since 1970. */
const TOLERANCE_MIN = 1e-3;

/**
 * Independent referee: shares no code with the solver and walks every rule plainly over the finished plan. Whether the
 * waits themselves are long enough is not its business: the film model looks at those.
 * @returns every violation; empty = feasible
 */
export function checkSchedule(problem: Problem, placed: readonly Placed[]): readonly Violation[] {
  const at = new Map(placed.map((p) => [p.opId, p]));
  const bad: Violation[] = [];
  for (const op of problem.ops) {
    const p = at.get(op.id);
    if (!p) {
      bad.push({ kind: "missing", opId: op.id, detail: "has no place" });
      continue;
    }
    if (op.fixed) continue;
    if (Math.abs(p.endMin - p.startMin - op.durationMin) > 1e-6)
      bad.push({ kind: "duration", opId: op.id, detail: `lasts ${p.endMin - p.startMin} of ${op.durationMin} min` });
    if (p.startMin < problem.nowMin - 1e-6)
      bad.push({ kind: "before-now", opId: op.id, detail: `starts ${problem.nowMin - p.startMin} min ago` });
    if (!problem.sessions.some((s) => s.startMin <= p.startMin && p.endMin <= s.endMin))
      bad.push({ kind: "session", opId: op.id, detail: "is not inside one session" });
    if (op.gate && !op.gate.some((s) => s.startMin <= p.startMin && (s.endMin === null || p.endMin <= s.endMin)))
      bad.push({ kind: "gate", opId: op.id, detail: "is outside its air" });
  }
  return [...bad, ...resourceViolations(problem, at), ...waitViolations(problem, at)];
}

function resourceViolations(problem: Problem, at: ReadonlyMap<string, Placed>): Violation[] {
  const bad: Violation[] = [];
  for (const [resource, capacity] of Object.entries(problem.capacity)) {
    const users = problem.ops.filter((op) => (op.needs[resource] ?? 0) > 0 && at.has(op.id));
    for (const op of users) {
      if (op.fixed) continue;
      const start = at.get(op.id)!.startMin;
      const held = users.reduce((sum, other) => {
        const p = at.get(other.id)!;
        return p.startMin <= start && start < p.endMin ? sum + other.needs[resource]! : sum;
      }, 0);
      if (held > capacity)
        bad.push({ kind: "resource", opId: op.id, detail: `${resource} held ${held} of ${capacity}` });
    }
  }
  return bad;
}

function waitViolations(problem: Problem, at: ReadonlyMap<string, Placed>): Violation[] {
  const endOf = (id: string): number => at.get(id)?.endMin ?? 0;
  const fixed = new Set(problem.ops.filter((op) => op.fixed).map((op) => op.id));
  return problem.links.flatMap((link): Violation[] => {
    const to = at.get(link.to);
    if (!to || !at.has(link.from) || fixed.has(link.to)) return [];
    const inside = link
      .allowed(endOf)
      .some(
        (s) =>
          to.startMin >= s.startMin - TOLERANCE_MIN && (s.endMin === null || to.startMin <= s.endMin + TOLERANCE_MIN),
      );
    return inside ? [] : [{ kind: "wait", opId: link.to, detail: `starts outside what ${link.id} allows` }];
  });
}
