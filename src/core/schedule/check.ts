/** An independent referee: walks a finished schedule through every rule of the problem, knowing nothing of how it was made. */

import { MIN_PER_DAY } from "../base";
import { type Placed, type Problem, PUT_AWAY_MIN } from "./types";

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
  const minding = byDay(
    present
      .filter((op) => op.air!.mindsUntilMin)
      .map((op) => {
        const { startMin, endMin } = at.get(op.id)!;
        return { op, startMin, endMin: Math.max(endMin, op.air!.mindsUntilMin!(endMin)) };
      }),
  );
  return present.flatMap((giver): Violation[] => {
    const { gives, settleMin, of } = giver.air!;
    if (gives === null) return [];
    const g = at.get(giver.id)!;
    const untilMin = g.endMin + settleMin;
    return minding(g.startMin, untilMin).flatMap(({ op: other, startMin, endMin }): Violation[] => {
      if (other === giver || other.air!.gives === gives || (giver.fixed && other.fixed)) return [];
      if (of !== undefined && of === other.air!.of) return [];
      const apart = untilMin <= startMin + TOLERANCE_MIN || endMin <= g.startMin + TOLERANCE_MIN;
      return apart ? [] : [{ kind: "air", opId: giver.id, detail: `gives ${gives} over ${other.id}` }];
    });
  });
}

interface Stretch {
  readonly startMin: number;
  readonly endMin: number;
}

/** Stretches found by the days they touch: a plan of thousands of operations is walked evening by evening. */
function byDay<T extends Stretch>(list: readonly T[]): (fromMin: number, toMin: number) => readonly T[] {
  const days = new Map<number, T[]>();
  for (const s of list)
    for (let d = Math.floor(s.startMin / MIN_PER_DAY); d <= Math.floor(s.endMin / MIN_PER_DAY); d++)
      days.set(d, [...(days.get(d) ?? []), s]);
  return (fromMin, toMin) => {
    const found = new Set<T>();
    for (let d = Math.floor(fromMin / MIN_PER_DAY); d <= Math.floor(toMin / MIN_PER_DAY); d++)
      for (const s of days.get(d) ?? []) found.add(s);
    return [...found];
  };
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
      return leftMin < PUT_AWAY_MIN ? busyCleaner(problem, at, op.id, setupMin) : [];
    });
  });
}

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
    const held = byDay(heldStretches(problem, at, resource));
    for (const op of users) {
      if (op.fixed) continue;
      const start = at.get(op.id)!.startMin;
      const amount = held(start, start).reduce(
        (sum, h) => (h.startMin <= start && start < h.endMin ? sum + h.amount : sum),
        0,
      );
      if (amount > capacity)
        bad.push({ kind: "resource", opId: op.id, detail: `${resource} held ${amount} of ${capacity}` });
    }
  }
  return bad;
}

/** While operations run, and for as long as they keep a resource after. */
function heldStretches(problem: Problem, at: ReadonlyMap<string, Placed>, resource: string) {
  return problem.ops.flatMap((op) => {
    const p = at.get(op.id);
    if (!p) return [];
    const needs = op.needs[resource] ?? 0;
    const own = needs > 0 ? [{ startMin: p.startMin, endMin: p.endMin, amount: needs }] : [];
    const kept = (op.keeps ?? [])
      .filter((k) => k.resource === resource)
      .map((k) => ({ startMin: p.endMin, endMin: Math.max(p.endMin, k.untilMin(p.endMin)), amount: k.amount }));
    return [...own, ...kept];
  });
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
