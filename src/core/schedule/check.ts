import type { Placed, Problem } from "./types";

export interface Violation {
  readonly kind:
    | "missing"
    | "session"
    | "gate"
    | "resource"
    | "setup"
    | "air"
    | "lock"
    | "release"
    | "wait"
    | "before-now"
    | "duration";
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
    if (op.lockMin != null && p.startMin !== op.lockMin)
      bad.push({ kind: "lock", opId: op.id, detail: `starts at ${p.startMin}, locked to ${op.lockMin}` });
    if (p.startMin < op.releaseMin - TOLERANCE_MIN)
      bad.push({ kind: "release", opId: op.id, detail: `starts ${op.releaseMin - p.startMin} min before it may` });
    if (!op.unattended && !problem.sessions.some((s) => s.startMin <= p.startMin && p.endMin <= s.endMin))
      bad.push({ kind: "session", opId: op.id, detail: "is not inside one session" });
    if (op.gate && !op.gate.some((s) => s.startMin <= p.startMin && (s.endMin === null || p.endMin <= s.endMin)))
      bad.push({ kind: "gate", opId: op.id, detail: "is outside its air" });
  }
  return [
    ...bad,
    ...resourceViolations(problem, at),
    ...setupViolations(problem, at),
    ...airViolations(problem, at),
    ...waitViolations(problem, at),
  ];
}

/** Nothing settles on a film that takes harm from it, unless it is of the film's own kind. */
function airViolations(problem: Problem, at: ReadonlyMap<string, Placed>): Violation[] {
  const present = problem.ops.filter((op) => op.air && at.has(op.id));
  return present.flatMap((giver): Violation[] => {
    const { gives, settleMin } = giver.air!;
    if (gives === null) return [];
    const g = at.get(giver.id)!;
    return present.flatMap((other): Violation[] => {
      if (
        other === giver ||
        !other.air!.mindsUntilMin ||
        other.air!.gives === gives ||
        (giver.fixed && other.fixed) ||
        (giver.air!.of !== undefined && giver.air!.of === other.air!.of)
      )
        return [];
      const o = at.get(other.id)!;
      const untilMin = Math.max(o.endMin, other.air!.mindsUntilMin(o.endMin));
      const apart = g.endMin + settleMin <= o.startMin + TOLERANCE_MIN || untilMin <= g.startMin + TOLERANCE_MIN;
      return apart ? [] : [{ kind: "air", opId: giver.id, detail: `gives ${gives} over ${other.id}` }];
    });
  });
}

/** Between two operations that load a resource differently lies the time to clean and load it. */
function setupViolations(problem: Problem, at: ReadonlyMap<string, Placed>): Violation[] {
  return Object.entries(problem.setupMin ?? {}).flatMap(([resource, setupMin]) => {
    const users = problem.ops
      .filter((op) => op.loads?.[resource] !== undefined && at.has(op.id))
      .sort((a, b) => at.get(a.id)!.startMin - at.get(b.id)!.startMin || at.get(a.id)!.endMin - at.get(b.id)!.endMin);
    return users.slice(1).flatMap((op, i): Violation[] => {
      const before = users[i]!;
      if (op.fixed || before.loads![resource] === op.loads![resource]) return [];
      const leftMin = at.get(op.id)!.startMin - at.get(before.id)!.endMin;
      if (leftMin < setupMin - TOLERANCE_MIN)
        return [
          { kind: "setup", opId: op.id, detail: `${resource} has ${leftMin} of ${setupMin} min after ${before.id}` },
        ];
      return leftMin < CLEANED_BEFORE_MIN ? busyCleaner(problem, at, op.id, setupMin) : [];
    });
  });
}

/** What was put away longer ago than this was put away clean, minutes. */
const CLEANED_BEFORE_MIN = 240;

/** Whoever cleans has a hand for it. */
function busyCleaner(problem: Problem, at: ReadonlyMap<string, Placed>, opId: string, setupMin: number): Violation[] {
  const takes = problem.setupTakes;
  if (!takes) return [];
  const toMin = at.get(opId)!.startMin;
  const during = problem.ops.filter((other) => {
    const p = at.get(other.id);
    return p && other.id !== opId && (other.needs[takes] ?? 0) > 0 && p.startMin < toMin && p.endMin > toMin - setupMin;
  });
  const held = during.reduce((sum, other) => sum + other.needs[takes]!, 0);
  return during.length === 0 || held + 1 <= (problem.capacity[takes] ?? 0)
    ? []
    : [{ kind: "setup", opId, detail: `nobody is free to clean up before it: ${during[0]!.id}` }];
}

function resourceViolations(problem: Problem, at: ReadonlyMap<string, Placed>): Violation[] {
  const bad: Violation[] = [];
  for (const [resource, capacity] of Object.entries(problem.capacity)) {
    const users = problem.ops.filter((op) => (op.needs[resource] ?? 0) > 0 && at.has(op.id));
    for (const op of users) {
      if (op.fixed) continue;
      const start = at.get(op.id)!.startMin;
      const held = users.reduce(
        (sum, other) => {
          const p = at.get(other.id)!;
          return p.startMin <= start && start < p.endMin ? sum + (other.needs[resource] ?? 0) : sum;
        },
        keptAt(problem, at, resource, start),
      );
      if (held > capacity)
        bad.push({ kind: "resource", opId: op.id, detail: `${resource} held ${held} of ${capacity}` });
    }
  }
  return bad;
}

/** Held on after their ends by operations already over at a moment. */
function keptAt(problem: Problem, at: ReadonlyMap<string, Placed>, resource: string, atMin: number): number {
  let held = 0;
  for (const op of problem.ops)
    for (const k of op.keeps ?? []) {
      const p = at.get(op.id);
      if (k.resource === resource && p && p.endMin <= atMin && atMin < k.untilMin(p.endMin)) held += k.amount;
    }
  return held;
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
