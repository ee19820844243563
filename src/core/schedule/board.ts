import { type Booking, Track } from "./track";
import { type BoundBy, type EndOf, type Op, type Placed, type Problem, PUT_AWAY_MIN } from "./types";

/** What keeps an operation from a place, and from when on that is over. */
export interface Clash {
  readonly boundBy: BoundBy;
  readonly freeMin: number;
}

/** What is already placed: ends for the links, bookings for the resources and the air. */
export class Board {
  private readonly placedById = new Map<string, Placed>();
  private readonly tracks = new Map<string, Track>();
  /** what is given off, and what takes harm */
  private readonly given = new Track();
  private readonly minding = new Track();
  private readonly own = new Map<string, { track: Track; booking: Booking }[]>();

  constructor(private readonly problem: Problem) {}

  readonly endOf: EndOf = (opId) => {
    const p = this.placedById.get(opId);
    if (!p) throw new Error(`operation ${opId} asked for before it was placed`);
    return p.endMin;
  };

  of(opId: string): Placed | undefined {
    return this.placedById.get(opId);
  }

  has(opId: string): boolean {
    return this.placedById.has(opId);
  }

  get all(): readonly Placed[] {
    return [...this.placedById.values()];
  }

  put(op: Op, placed: Placed): void {
    this.placedById.set(op.id, placed);
    this.reserve(op, placed.startMin, placed.endMin);
  }

  take(op: Op): void {
    this.placedById.delete(op.id);
    if (op.lockMin != null) this.reserve(op, op.lockMin, op.lockMin + op.durationMin);
    else this.free(op.id);
  }

  /** Books what an operation needs without placing it: a lock keeps its hour while others are placed first. */
  reserve(op: Op, startMin: number, endMin: number): void {
    this.free(op.id);
    const book = (track: Track, from: number, to: number, amount: number, load?: string, cleans?: string) => {
      const booking = { opId: op.id, startMin: from, endMin: to, amount, load, of: op.air?.of, cleans };
      track.add(booking);
      const list = this.own.get(op.id) ?? [];
      list.push({ track, booking });
      this.own.set(op.id, list);
    };
    for (const [resource, amount] of Object.entries(op.needs)) {
      for (const from of this.setupsAt(op, resource, startMin, endMin))
        book(
          this.track(this.problem.setupTakes!),
          from,
          from + this.problem.setupMin![resource]!,
          1,
          undefined,
          resource,
        );
      book(this.track(resource), startMin, endMin, amount, op.loads?.[resource]);
    }
    for (const k of op.keeps ?? [])
      book(this.track(k.resource), endMin, Math.max(endMin, k.untilMin(endMin)), k.amount);
    if (!op.air) return;
    if (op.air.gives !== null) book(this.given, startMin, endMin + op.air.settleMin, 1, op.air.gives);
    if (op.air.mindsUntilMin)
      book(this.minding, startMin, Math.max(endMin, op.air.mindsUntilMin(endMin)), 1, op.air.gives ?? undefined);
  }

  private free(opId: string): void {
    for (const { track, booking } of this.own.get(opId) ?? []) track.remove(booking);
    this.own.delete(opId);
  }

  private track(resource: string): Track {
    const known = this.tracks.get(resource);
    if (known) return known;
    const made = new Track();
    this.tracks.set(resource, made);
    return made;
  }

  /** What keeps [startMin, endMin) from being this operation's, or null when it fits. */
  clash(op: Op, startMin: number, endMin: number): Clash | null {
    for (const [resource, amount] of Object.entries(op.needs)) {
      const found = this.cleaning(op, resource, startMin, endMin) ?? this.full(op, resource, amount, startMin, endMin);
      if (found) return found;
    }
    for (const k of op.keeps ?? []) {
      const found = this.full(op, k.resource, k.amount, endMin, k.untilMin(endMin));
      if (found) return found;
    }
    return op.air ? this.foul(op, startMin, endMin) : null;
  }

  private full(op: Op, resource: string, amount: number, startMin: number, endMin: number): Clash | null {
    const overlapping = this.track(resource)
      .during(startMin, endMin)
      .filter((b) => b.opId !== op.id);
    if (overlapping.length === 0) return null;
    if (mostHeld(overlapping) + amount <= (this.problem.capacity[resource] ?? 0)) return null;
    return held(resource, overlapping);
  }

  /** A booking too near for what has to be cleaned and loaded in between, or hands too busy for the cleaning. */
  private cleaning(op: Op, resource: string, startMin: number, endMin: number): Clash | null {
    const setupMin = this.problem.setupMin?.[resource] ?? 0;
    const load = op.loads?.[resource];
    if (setupMin === 0 || load === undefined) return null;
    const near = this.track(resource)
      .during(startMin - setupMin, endMin + setupMin)
      .find((b) => b.opId !== op.id && b.load !== undefined && b.load !== load);
    if (near) return { ...held(resource, [near]), freeMin: near.endMin + setupMin };
    const takes = this.problem.setupTakes;
    if (!takes) return null;
    for (const from of this.setupsAt(op, resource, startMin, endMin)) {
      const busy = this.track(takes)
        .during(from, from + setupMin)
        // what follows it may have brought that very cleaning with it
        .filter((b) => b.opId !== op.id && !(b.cleans === resource && b.startMin === from));
      if (busy.length > 0 && mostHeld(busy) + 1 > (this.problem.capacity[takes] ?? 0))
        return {
          ...held(takes, busy),
          freeMin: Math.min(...busy.map((b) => b.endMin)) + (from < startMin ? setupMin : 0),
        };
    }
    return null;
  }

  /** Starts of the cleanings an operation brings with it: before it, and before what follows it with another load. */
  private setupsAt(op: Op, resource: string, startMin: number, endMin: number): readonly number[] {
    const setupMin = this.problem.setupMin?.[resource] ?? 0;
    const load = op.loads?.[resource];
    if (!this.problem.setupTakes || setupMin === 0 || load === undefined) return [];
    const others = this.track(resource)
      .during(startMin - PUT_AWAY_MIN, endMin + PUT_AWAY_MIN)
      .filter((b) => b.opId !== op.id && b.load !== undefined);
    const before = latest(others.filter((b) => b.endMin <= startMin));
    const after = earliest(others.filter((b) => b.startMin >= endMin));
    const starts: number[] = [];
    if (before && before.load !== load) starts.push(startMin - setupMin);
    if (after && after.load !== load) starts.push(after.startMin - setupMin);
    return starts;
  }

  /** Dust or mist over a film that is still open to it, either way round. */
  private foul(op: Op, startMin: number, endMin: number): Clash | null {
    const { gives, settleMin, mindsUntilMin } = op.air!;
    const other = (b: Booking) =>
      b.opId !== op.id && b.load !== (gives ?? undefined) && (b.of === undefined || b.of !== op.air!.of);
    if (gives !== null) {
      const harmed = this.minding.during(startMin, endMin + settleMin).filter(other);
      const last = latest(harmed);
      if (last) return { boundBy: { kind: "air", opId: last.opId }, freeMin: last.endMin };
    }
    if (mindsUntilMin) {
      const dirty = this.given.during(startMin, Math.max(endMin, mindsUntilMin(endMin))).filter(other);
      const last = latest(dirty);
      if (last) return { boundBy: { kind: "air", opId: last.opId }, freeMin: last.endMin };
    }
    return null;
  }
}

const held = (resource: string, by: readonly Booking[]): Clash => {
  const first = by.reduce((a, b) => (b.endMin < a.endMin ? b : a));
  return { boundBy: { kind: "resource", resource, opId: first.opId }, freeMin: first.endMin };
};

const latest = (list: readonly Booking[]): Booking | null =>
  list.reduce<Booking | null>((a, b) => (a === null || b.endMin > a.endMin ? b : a), null);
const earliest = (list: readonly Booking[]): Booking | null =>
  list.reduce<Booking | null>((a, b) => (a === null || b.startMin < a.startMin ? b : a), null);

/** Largest sum of amounts held at one moment by bookings that all touch the asked span. */
function mostHeld(bookings: readonly Booking[]): number {
  let worst = 0;
  for (const at of bookings) {
    let sum = 0;
    for (const b of bookings) if (b.startMin <= at.startMin && b.endMin > at.startMin) sum += b.amount;
    worst = Math.max(worst, sum);
  }
  return worst;
}
