import { Bookings, NO_LOAD } from "./bookings";
import { type Op, type Problem, PUT_AWAY_MIN } from "./types";

/** Of no resource, and nobody's. */
const NONE = -1;
/** A film's hours hang on its own end alone: asked once for each, and so many answers are kept. */
const KEPT = 4096;

interface Need {
  readonly resource: number;
  readonly amount: number;
  readonly load: number;
  readonly setupMin: number;
}

interface Hold {
  readonly resource: number;
  readonly amount: number;
  readonly untilMin: (endMin: number) => number;
}

/** What of tools, hands, racks and air is taken while a plan is made: the rules of the board, on arrays. */
export class Taken {
  private readonly ops: readonly Op[];
  private readonly needs: readonly (readonly Need[])[];
  private readonly keeps: readonly (readonly Hold[])[];
  private readonly minds: readonly (((endMin: number) => number) | null)[];
  private readonly gives: Int32Array;
  private readonly owner: Int32Array;
  private readonly tracks: readonly Bookings[];
  private readonly given = new Bookings();
  private readonly minding = new Bookings();
  private readonly touched: readonly (readonly Bookings[])[];
  private readonly capacity: Float64Array;
  /** the resource a set-up takes one of; NONE = it needs nobody */
  private readonly takes: number;

  constructor(problem: Problem) {
    const { ops } = problem;
    this.ops = ops;
    const code = coder();
    const resources = coder();
    for (const r of Object.keys(problem.capacity)) resources(r);
    this.needs = ops.map((o) =>
      Object.entries(o.needs).map(([r, amount]) => ({
        resource: resources(r),
        amount,
        load: o.loads?.[r] === undefined ? NO_LOAD : code(o.loads[r]),
        setupMin: problem.setupMin?.[r] ?? 0,
      })),
    );
    this.keeps = ops.map((o) =>
      (o.keeps ?? []).map((k) => ({ resource: resources(k.resource), amount: k.amount, untilMin: kept(k.untilMin) })),
    );
    this.takes = problem.setupTakes === undefined ? NONE : resources(problem.setupTakes);
    this.minds = ops.map((o) => (o.air?.mindsUntilMin ? kept(o.air.mindsUntilMin) : null));
    this.gives = Int32Array.from(ops, (o) => (o.air?.gives == null ? NO_LOAD : code(o.air.gives)));
    this.owner = Int32Array.from(ops, (o) => (o.air?.of === undefined ? NONE : code(o.air.of)));
    this.tracks = Array.from({ length: resources.count() }, () => new Bookings());
    this.capacity = new Float64Array(resources.count());
    for (const [r, amount] of Object.entries(problem.capacity)) this.capacity[resources(r)] = amount;
    this.touched = ops.map((_, i) => this.tracksOf(i));
    for (const [i, op] of ops.entries()) {
      if (op.fixed) this.book(i, op.fixed.startMin, op.fixed.endMin);
      else if (op.lockMin != null) this.book(i, op.lockMin, op.lockMin + op.durationMin);
    }
    for (const t of [...this.tracks, this.given, this.minding]) t.mark();
  }

  /** As before anything is placed but what is done, and what is pinned. */
  begin(): void {
    for (const t of this.tracks) t.reset();
    this.given.reset();
    this.minding.reset();
  }

  free(i: number): void {
    for (const track of this.touched[i]!) track.remove(i);
  }

  private tracksOf(i: number): readonly Bookings[] {
    const set = new Set<Bookings>();
    for (const n of this.needs[i]!) {
      set.add(this.tracks[n.resource]!);
      if (this.takes !== NONE && n.setupMin > 0 && n.load !== NO_LOAD) set.add(this.tracks[this.takes]!);
    }
    for (const k of this.keeps[i]!) set.add(this.tracks[k.resource]!);
    if (this.ops[i]!.air) for (const t of [this.given, this.minding]) set.add(t);
    return [...set];
  }

  book(i: number, startMin: number, endMin: number): void {
    const { air } = this.ops[i]!;
    const owner = this.owner[i]!;
    for (const n of this.needs[i]!) {
      for (const from of this.setupsAt(i, n, startMin, endMin))
        this.tracks[this.takes]!.add(i, from, from + n.setupMin, 1, cleans(n.resource), owner);
      this.tracks[n.resource]!.add(i, startMin, endMin, n.amount, n.load, owner);
    }
    for (const k of this.keeps[i]!)
      this.tracks[k.resource]!.add(i, endMin, Math.max(endMin, k.untilMin(endMin)), k.amount, NO_LOAD, owner);
    if (!air) return;
    const [gives, minds] = [this.gives[i]!, this.minds[i]!];
    if (gives !== NO_LOAD) this.given.add(i, startMin, endMin + air.settleMin, 1, gives, owner);
    if (minds) this.minding.add(i, startMin, Math.max(endMin, minds(endMin)), 1, gives, owner);
  }

  /** From when on what is in the way of [startMin, endMin) is over; null = nothing is. */
  clash(i: number, startMin: number, endMin: number): number | null {
    for (const n of this.needs[i]!) {
      const found = this.cleaning(i, n, startMin, endMin) ?? this.full(i, n.resource, n.amount, startMin, endMin);
      if (found !== null) return found;
    }
    for (const k of this.keeps[i]!) {
      const found = this.full(i, k.resource, k.amount, endMin, k.untilMin(endMin));
      if (found !== null) return found;
    }
    return this.ops[i]!.air ? this.foul(i, startMin, endMin) : null;
  }

  /** @param but a cleaning that may be there already: what follows has brought it with it */
  private full(
    i: number,
    resource: number,
    amount: number,
    startMin: number,
    endMin: number,
    but = NO_LOAD,
  ): number | null {
    const track = this.tracks[resource]!;
    const capacity = this.capacity[resource]!;
    const { start, end, op, amount: held, load, count } = track;
    const counts = (k: number) =>
      end[k]! > startMin && op[k] !== i && (but === NO_LOAD || load[k] !== but || start[k] !== startMin);
    let freeMin = Number.POSITIVE_INFINITY;
    let all = 0;
    let largest = 0;
    const first = track.from(startMin);
    for (let k = first; k < count && start[k]! < endMin; k++) {
      if (!counts(k)) continue;
      if (end[k]! < freeMin) freeMin = end[k]!;
      all += held[k]!;
      if (held[k]! > largest) largest = held[k]!;
    }
    if (freeMin === Number.POSITIVE_INFINITY || all + amount <= capacity) return null;
    if (largest + amount > capacity) return freeMin;
    let most = 0;
    for (let k = first; k < count && start[k]! < endMin; k++) {
      if (!counts(k)) continue;
      let sum = 0;
      // those later in the list begin no sooner: only the ones of the same start are held at this one's start as well
      for (let m = first; m < count && start[m]! <= start[k]!; m++)
        if (counts(m) && end[m]! > start[k]!) sum += held[m]!;
      if (sum > most) most = sum;
    }
    return most + amount <= capacity ? null : freeMin;
  }

  private cleaning(i: number, n: Need, startMin: number, endMin: number): number | null {
    const { setupMin, load } = n;
    if (setupMin === 0 || load === NO_LOAD) return null;
    const track = this.tracks[n.resource]!;
    const upTo = endMin + setupMin;
    for (let k = track.from(startMin - setupMin); k < track.count && track.start[k]! < upTo; k++)
      if (track.end[k]! > startMin - setupMin && track.op[k] !== i && track.load[k]! >= 0 && track.load[k] !== load)
        return track.end[k]! + setupMin;
    if (this.takes === NONE) return null;
    for (const from of this.setupsAt(i, n, startMin, endMin)) {
      const freeMin = this.full(i, this.takes, 1, from, from + setupMin, cleans(n.resource));
      if (freeMin !== null) return freeMin + (from < startMin ? setupMin : 0);
    }
    return null;
  }

  /** Starts of the cleanings it brings with it: before it, and before what follows it with another load. */
  private setupsAt(i: number, n: Need, startMin: number, endMin: number): readonly number[] {
    if (this.takes === NONE || n.setupMin === 0 || n.load === NO_LOAD) return NO_SETUPS;
    const track = this.tracks[n.resource]!;
    let [before, after] = [NONE, NONE];
    const upTo = endMin + PUT_AWAY_MIN;
    for (let k = track.from(startMin - PUT_AWAY_MIN); k < track.count && track.start[k]! < upTo; k++) {
      if (track.end[k]! <= startMin - PUT_AWAY_MIN || track.op[k] === i || track.load[k]! < 0) continue;
      if (track.end[k]! <= startMin && (before === NONE || track.end[k]! > track.end[before]!)) before = k;
      if (track.start[k]! >= endMin && (after === NONE || track.start[k]! < track.start[after]!)) after = k;
    }
    const starts: number[] = [];
    if (before !== NONE && track.load[before] !== n.load) starts.push(startMin - n.setupMin);
    if (after !== NONE && track.load[after] !== n.load) starts.push(track.start[after]! - n.setupMin);
    return starts;
  }

  private foul(i: number, startMin: number, endMin: number): number | null {
    const [gives, minds, owner] = [this.gives[i]!, this.minds[i]!, this.owner[i]!];
    const latest = (track: Bookings, upTo: number): number | null => {
      let last: number | null = null;
      for (let k = track.from(startMin); k < track.count && track.start[k]! < upTo; k++) {
        if (track.end[k]! <= startMin || track.op[k] === i || track.load[k] === gives) continue;
        if (track.owner[k] !== NONE && track.owner[k] === owner) continue;
        if (last === null || track.end[k]! > last) last = track.end[k]!;
      }
      return last;
    };
    const harmed = gives === NO_LOAD ? null : latest(this.minding, endMin + this.ops[i]!.air!.settleMin);
    if (harmed !== null) return harmed;
    return minds ? latest(this.given, Math.max(endMin, minds(endMin))) : null;
  }
}

/** A cleaning in place of a load: of which resource. */
const cleans = (resource: number): number => NO_LOAD - 1 - resource;
const NO_SETUPS: readonly number[] = [];

/** Numbers for names, in the order they are asked for. */
function coder(): ((name: string) => number) & { count: () => number } {
  const known = new Map<string, number>();
  const of = (name: string): number => {
    const own = known.get(name);
    if (own !== undefined) return own;
    known.set(name, known.size);
    return known.size - 1;
  };
  return Object.assign(of, { count: () => known.size });
}

/** A film's hours hang on its own end alone: asked once for each. */
function kept(of: (endMin: number) => number): (endMin: number) => number {
  const known = new Map<number, number>();
  return (endMin) => {
    const own = known.get(endMin);
    if (own !== undefined) return own;
    if (known.size >= KEPT) known.clear();
    const made = of(endMin);
    known.set(endMin, made);
    return made;
  };
}
