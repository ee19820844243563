import type { BoundBy, Conflict, EndOf, Link, Op, Placed, Problem, Span } from "./types";

interface Booking {
  readonly opId: string;
  readonly startMin: number;
  readonly endMin: number;
  /** what the resource is loaded with; undefined = nothing in particular */
  readonly load: string | undefined;
}

/** What is already placed: ends for the links, bookings for the resources. */
export class Board {
  private readonly placedById = new Map<string, Placed>();
  private readonly bookings = new Map<string, Booking[]>();

  constructor(private readonly problem: Problem) {}

  readonly endOf: EndOf = (opId) => {
    const p = this.placedById.get(opId);
    if (!p) throw new Error(`operation ${opId} asked for before it was placed`);
    return p.endMin;
  };

  has(opId: string): boolean {
    return this.placedById.has(opId);
  }

  get all(): readonly Placed[] {
    return [...this.placedById.values()];
  }

  put(op: Op, placed: Placed): void {
    this.placedById.set(op.id, placed);
    for (const resource of Object.keys(op.needs)) {
      const list = this.bookings.get(resource) ?? [];
      list.push({ opId: op.id, startMin: placed.startMin, endMin: placed.endMin, load: op.loads?.[resource] });
      this.bookings.set(resource, list);
    }
  }

  take(op: Op): void {
    this.placedById.delete(op.id);
    for (const resource of Object.keys(op.needs)) {
      this.bookings.set(
        resource,
        (this.bookings.get(resource) ?? []).filter((b) => b.opId !== op.id),
      );
    }
  }

  /** The booking that keeps [startMin, endMin) from having its share of a resource, or null when it fits. */
  clash(op: Op, startMin: number, endMin: number): { resource: string; booking: Booking } | null {
    for (const [resource, amount] of Object.entries(op.needs)) {
      const cleaning = this.cleaning(op, resource, startMin, endMin);
      if (cleaning) return { resource, booking: cleaning };
      const overlapping = (this.bookings.get(resource) ?? []).filter((b) => b.startMin < endMin && b.endMin > startMin);
      const capacity = this.problem.capacity[resource] ?? 0;
      if (overlapping.length === 0) continue;
      const worst = mostHeld(overlapping, (id) => this.amountOf(id, resource));
      if (worst + amount <= capacity) continue;
      const first = overlapping.reduce((a, b) => (b.endMin < a.endMin ? b : a));
      return { resource, booking: first };
    }
    return null;
  }

  /** A booking too near for what has to be cleaned and loaded in between; told with the end of its cleaning. */
  private cleaning(op: Op, resource: string, startMin: number, endMin: number): Booking | null {
    const setupMin = this.problem.setupMin?.[resource] ?? 0;
    const load = op.loads?.[resource];
    if (setupMin === 0 || load === undefined) return null;
    const near = (this.bookings.get(resource) ?? []).find(
      (b) =>
        b.load !== undefined && b.load !== load && b.startMin < endMin + setupMin && b.endMin + setupMin > startMin,
    );
    return near ? { ...near, endMin: near.endMin + setupMin } : null;
  }

  private amountOf(opId: string, resource: string): number {
    this.amounts ??= new Map(this.problem.ops.map((op) => [op.id, op.needs]));
    return this.amounts.get(opId)?.[resource] ?? 0;
  }
  private amounts: Map<string, Readonly<Record<string, number>>> | null = null;
}

/** Largest sum of amounts held at one moment by bookings that all touch the asked span. */
function mostHeld(bookings: readonly Booking[], amountOf: (opId: string) => number): number {
  let worst = 0;
  for (const at of bookings) {
    const held = bookings.filter((b) => b.startMin <= at.startMin && b.endMin > at.startMin);
    worst = Math.max(
      worst,
      held.reduce((sum, b) => sum + amountOf(b.opId), 0),
    );
  }
  return worst;
}

export type Search =
  | { readonly found: true; readonly placed: Placed }
  | { readonly found: false; readonly conflict: Conflict };

/** First moment ≥ t at which the whole of [t, t+duration] lies in one of the spans; null = none. */
function intoSpan(spans: readonly Span[], t: number, durationMin: number): number | null {
  for (const s of spans) {
    const start = Math.max(t, s.startMin);
    if (s.endMin === null || start + durationMin <= s.endMin) return start;
  }
  return null;
}

const gridUp = (t: number, gridMin: number): number => Math.ceil((t - 1e-6) / gridMin) * gridMin;

/** Earliest start at or after `fromMin` that links, sessions, gate and resources all allow; passes are repeated until none moves it. */
export function earliest(
  op: Op,
  fromMin: number,
  links: readonly { link: Link; spans: readonly Span[] }[],
  board: Board,
  problem: Problem,
): Search {
  let t = gridUp(fromMin, problem.gridMin);
  let boundBy: BoundBy = { kind: "now" };
  const move = (to: number, why: BoundBy) => {
    if (to > t) boundBy = why;
    t = Math.max(t, gridUp(to, problem.gridMin));
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
    const inSession = intoSpan(problem.sessions, t, op.durationMin);
    if (inSession === null) return { found: false, conflict: sessionConflict(op, problem) };
    move(inSession, { kind: "session" });
    if (op.gate) {
      const open = intoSpan(op.gate, t, op.durationMin);
      if (open === null) return { found: false, conflict: { kind: "gate-shut", opId: op.id } };
      move(open, { kind: "gate" });
    }
    const clash = board.clash(op, t, t + op.durationMin);
    if (clash) move(clash.booking.endMin, { kind: "resource", resource: clash.resource, opId: clash.booking.opId });
    if (t === start) return { found: true, placed: { opId: op.id, startMin: t, endMin: t + op.durationMin, boundBy } };
  }
}

function sessionConflict(op: Op, problem: Problem): Conflict {
  const longestMin = Math.max(0, ...problem.sessions.map((s) => s.endMin - s.startMin));
  return longestMin < op.durationMin
    ? { kind: "no-session-long-enough", opId: op.id, longestMin, neededMin: op.durationMin }
    : { kind: "no-session-left", opId: op.id };
}
