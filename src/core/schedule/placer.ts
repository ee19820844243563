import { assert } from "../base";
import { Bookings, NO_LOAD } from "./bookings";
import type { Graph } from "./graph";
import { type EndOf, type Link, type Op, type Problem, PUT_AWAY_MIN, type Span } from "./types";

/** Spans as start, end, start, end…, rising; an end that never comes is infinite. */
type Flat = Float64Array;
const flatOf = (spans: readonly Span[]): Flat =>
  Float64Array.from(spans.flatMap((s) => [s.startMin, s.endMin ?? Number.POSITIVE_INFINITY]));

/** No start there is. */
export const NOWHERE = -1;
/** Hours asked of a wait are asked again and again while a search goes on; so many answers are kept a wait. */
const KEPT = 4096;
/** As in `solve`: repairs before giving up, and sessions an opener is pushed through without its window being met. */
export const MAX_REPAIRS = 4000;
export const MOST_SESSIONS_TRIED = 16;
/** Starts within this of the grid are on it, minutes. */
const ON_GRID_MIN = 1e-6;

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

interface Wait {
  readonly from: number;
  readonly link: Link;
  /** by the ends it hangs on */
  readonly known: Map<string | number, Flat>;
  readonly hangsOn: readonly number[];
}

/**
 * The serial placement of `placeAll` on arrays, for a search that makes it by the ten thousand: the same rules in the same order,
 * and so the same starts (a test holds the one to the other), without saying what held each start back.
 */
export class Placer {
  readonly ids: readonly string[];
  /** of the last placement, by operation; NaN where none was found */
  readonly start: Float64Array;
  readonly end: Float64Array;
  /** what could not be placed, of the last placement; NOWHERE = all was */
  stuck = NOWHERE;

  private readonly ops: readonly Op[];
  private readonly index: ReadonlyMap<string, number>;
  private readonly needs: readonly (readonly Need[])[];
  private readonly keeps: readonly (readonly Hold[])[];
  private readonly minds: readonly (((endMin: number) => number) | null)[];
  private readonly gives: Int32Array;
  private readonly owner: Int32Array;
  private readonly gates: readonly (Flat | null)[];
  private readonly into: readonly (readonly Wait[])[];
  readonly units: readonly (readonly number[])[];
  private readonly tracks: readonly Bookings[];
  private readonly given = new Bookings();
  private readonly minding = new Bookings();
  private readonly touched: readonly (readonly Bookings[])[];
  private readonly capacity: Float64Array;
  /** the resource a set-up takes one of; NOWHERE = it needs nobody */
  private readonly takes: number;
  private readonly allSessions: Flat;
  private sessions: Flat;
  private readonly release: Float64Array;
  private readonly endOf: EndOf = (id) => this.end[this.index.get(id)!]!;

  constructor(
    private readonly problem: Problem,
    private readonly graph: Graph,
  ) {
    const { ops } = problem;
    this.ops = ops;
    this.ids = ops.map((o) => o.id);
    this.index = new Map(this.ids.map((id, i) => [id, i]));
    this.start = new Float64Array(ops.length);
    this.end = new Float64Array(ops.length);
    this.release = new Float64Array(ops.length);
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
    this.takes = problem.setupTakes === undefined ? NOWHERE : resources(problem.setupTakes);
    this.minds = ops.map((o) => (o.air?.mindsUntilMin ? kept(o.air.mindsUntilMin) : null));
    this.gives = Int32Array.from(ops, (o) => (o.air?.gives == null ? NO_LOAD : code(o.air.gives)));
    this.owner = Int32Array.from(ops, (o) => (o.air?.of === undefined ? NOWHERE : code(o.air.of)));
    const gates = new Map<readonly Span[], Flat>();
    this.gates = ops.map((o) => {
      if (!o.gate) return null;
      const flat = gates.get(o.gate) ?? flatOf(o.gate);
      gates.set(o.gate, flat);
      return flat;
    });
    this.into = ops.map((o) =>
      (graph.into.get(o.id) ?? []).map((link) => ({
        from: this.index.get(link.from)!,
        link,
        known: new Map(),
        hangsOn: (link.hangsOn ?? [link.from]).map((id) => this.index.get(id)!),
      })),
    );
    this.units = graph.units.map((unit) => unit.map((id) => this.index.get(id)!).filter((i) => ops[i]!.fixed === null));
    this.tracks = Array.from({ length: resources.count() }, () => new Bookings());
    this.capacity = new Float64Array(resources.count());
    for (const [r, amount] of Object.entries(problem.capacity)) this.capacity[resources(r)] = amount;
    this.touched = ops.map((_, i) => this.tracksOf(i));
    this.allSessions = flatOf(problem.sessions);
    this.sessions = this.allSessions;
    for (const [i, op] of ops.entries()) {
      if (op.fixed) this.book(i, op.fixed.startMin, op.fixed.endMin);
      else if (op.lockMin != null) this.book(i, op.lockMin, op.lockMin + op.durationMin);
    }
    for (const t of [...this.tracks, this.given, this.minding]) t.mark();
  }

  /**
   * One placement: each unit as early as it fits, the unit with the largest priority first.
   * @param priority by operation @param hold by operation: not before; 0 = whenever
   * @param skip starts of sessions left empty
   * @returns whether everything found its place; starts and ends are this placer's own and hold until the next
   */
  place(priority: Float64Array, hold: Float64Array, skip?: ReadonlySet<number>): boolean {
    this.begin(skip);
    const preds = Int32Array.from(this.graph.unitPreds);
    const weight = Float64Array.from(this.graph.units, (unit) =>
      unit.reduce((most, id) => Math.max(most, priority[this.index.get(id)!]!), Number.NEGATIVE_INFINITY),
    );
    const ready: number[] = [];
    for (let u = 0; u < preds.length; u++) if (preds[u] === 0) ready.push(u);
    for (let left = preds.length; left > 0; left--) {
      let at = NOWHERE;
      for (let k = 0; k < ready.length; k++) {
        const [u, best] = [ready[k]!, ready[at]!];
        if (at === NOWHERE || weight[u]! > weight[best]! || (weight[u] === weight[best] && u < best)) at = k;
      }
      assert(at !== NOWHERE, "no unit is ready although some are left");
      const u = ready[at]!;
      ready[at] = ready.at(-1)!;
      ready.pop();
      if (this.units[u]!.length > 0 && !this.placeUnit(this.units[u]!, hold)) return false;
      for (const n of this.graph.unitNext[u]!) {
        preds[n]! -= 1;
        if (preds[n] === 0) ready.push(n);
      }
    }
    return true;
  }

  /** As before anything is placed but what is done. @param skip starts of sessions left empty */
  begin(skip?: ReadonlySet<number>): void {
    this.sessions = skip?.size ? flatOf(this.problem.sessions.filter((s) => !skip.has(s.startMin))) : this.allSessions;
    for (const t of this.tracks) t.reset();
    this.given.reset();
    this.minding.reset();
    this.start.fill(Number.NaN);
    this.end.fill(Number.NaN);
    for (const [i, op] of this.ops.entries())
      if (op.fixed) {
        this.start[i] = op.fixed.startMin;
        this.end[i] = op.fixed.endMin;
      }
    this.stuck = NOWHERE;
  }

  /** A unit; where a wait fell into a later window the first one is tried too, and what ends sooner stays. */
  placeUnit(unit: readonly number[], hold: Float64Array): boolean {
    if (unit.length === 1) {
      const i = unit[0]!;
      const at = this.earliest(i, this.releaseOf(i, hold), null);
      if (at === NOWHERE) {
        this.stuck = i;
        return false;
      }
      this.put(i, at);
      return true;
    }
    const free = this.tryUnit(unit, hold, null);
    if (free.late.size === 0) return this.commit(unit, free);
    const strict = this.tryUnit(unit, hold, free.late);
    return this.commit(unit, !strict.failed && (free.failed || strict.endMin < free.endMin) ? strict : free);
  }

  private commit(unit: readonly number[], tried: UnitTry): boolean {
    if (tried.failed) {
      this.stuck = tried.stuck;
      return false;
    }
    for (const [k, i] of unit.entries()) this.put(i, tried.starts[k]!);
    return true;
  }

  releaseOf(i: number, hold: Float64Array): number {
    return Math.max(this.problem.nowMin, this.ops[i]!.releaseMin, hold[i]!);
  }

  /** Leaves the bookings as it found them. @param firstOnly waits that are met in their first window or not at all */
  private tryUnit(unit: readonly number[], hold: Float64Array, firstOnly: ReadonlySet<Wait> | null): UnitTry {
    for (const i of unit) this.release[i] = this.releaseOf(i, hold);
    const late = new Set<Wait>();
    const pushedInto = new Map<number, Set<number>>();
    let placed = 0;
    let repairs = 0;
    let failed = false;
    while (placed < unit.length) {
      const i = unit[placed]!;
      const at = this.earliest(i, this.release[i]!, firstOnly);
      if (at !== NOWHERE) {
        this.put(i, at);
        for (const wait of this.into[i]!) {
          const spans = this.spansOf(wait);
          if (spans.length > 0 && at > spans[1]!) late.add(wait);
        }
        placed += 1;
        continue;
      }
      repairs += 1;
      const opener = this.missed === null ? NOWHERE : unit.indexOf(this.missed.from);
      if (opener < 0 || opener >= placed) {
        failed = true;
        break;
      }
      const toMin = this.pushed(i, this.missed!, firstOnly);
      const seen = pushedInto.get(opener) ?? new Set();
      pushedInto.set(opener, seen.add(this.sessionAfter(toMin)));
      if (seen.size > MOST_SESSIONS_TRIED || repairs > MAX_REPAIRS) {
        failed = true;
        break;
      }
      this.release[unit[opener]!] = toMin;
      while (placed > opener) this.take(unit[--placed]!);
    }
    const starts = unit.map((i) => this.start[i]!);
    const endMin = unit.slice(0, placed).reduce((last, i) => Math.max(last, this.end[i]!), 0);
    const stuck = failed ? unit[placed]! : NOWHERE;
    while (placed > 0) this.take(unit[--placed]!);
    return { failed, stuck, starts, endMin, late };
  }

  /** The session that is open, or opens next. */
  private sessionAfter(t: number): number {
    let k = 1;
    while (k < this.sessions.length && this.sessions[k]! <= t) k += 2;
    return k;
  }

  /** A window shut before `i` could start: how much later what opened it has to be. */
  private pushed(i: number, missed: Wait, firstOnly: ReadonlySet<Wait> | null): number {
    const spans = this.spansOf(missed);
    const last = firstOnly?.has(missed) ? 1 : spans.length - 1;
    const possible = this.earliest(i, this.release[i]!, firstOnly, missed);
    const lateMin = possible === NOWHERE ? this.problem.gridMin : possible - spans[last]!;
    const openerStart = Math.max(this.release[missed.from]!, this.start[missed.from]!);
    return openerStart + Math.max(this.problem.gridMin, lateMin);
  }

  /** the window that was missed, where that is why nothing was found */
  private missed: Wait | null = null;

  /** The last moment it may begin, where none of its windows is open at `fromMin` or later; else never: infinite. */
  shutsBefore(i: number, fromMin: number): number {
    let last = Number.POSITIVE_INFINITY;
    for (const wait of this.into[i]!) {
      const spans = this.spansOf(wait);
      const end = spans.at(-1);
      if (end !== undefined && end < fromMin && end < last) last = end;
    }
    return last;
  }

  /** Minutes each link was waited for in the placement that stands, by its id. */
  observedLags(): ReadonlyMap<string, number> {
    const lags = new Map<string, number>();
    for (const waits of this.into)
      for (const wait of waits) {
        const endMin = this.end[wait.from]!;
        if (wait.hangsOn.some((i) => Number.isNaN(this.end[i]!))) continue;
        const opens = this.spansOf(wait)[0];
        if (opens !== undefined) lags.set(wait.link.id, Math.max(0, opens - endMin));
      }
    return lags;
  }

  /** When the waits before it are over. */
  opens(i: number): number {
    let t = this.ops[i]!.releaseMin;
    for (const wait of this.into[i]!) t = Math.max(t, this.spansOf(wait)[0] ?? Number.POSITIVE_INFINITY);
    return t;
  }

  /** First start all rules allow, or NOWHERE. @param unbounded a wait whose first window is taken never to shut */
  earliest(
    i: number,
    fromMin: number,
    firstOnly: ReadonlySet<Wait> | null = null,
    unbounded: Wait | null = null,
  ): number {
    const op = this.ops[i]!;
    const { gridMin } = this.problem;
    const lock = op.lockMin ?? null;
    const gate = this.gates[i] ?? null;
    this.missed = null;
    let t = lock ?? gridUp(fromMin, gridMin);
    // a wait that never shuts is over once it is over; the others are looked at again whenever something moves the start on
    const shutting: [Wait, Flat, number][] = [];
    for (const wait of this.into[i]!) {
      const spans = this.spansOf(wait);
      if (spans.length === 0) return NOWHERE;
      if (wait !== unbounded && spans[1]! < Number.POSITIVE_INFINITY)
        shutting.push([wait, spans, firstOnly?.has(wait) ? 2 : spans.length]);
      else if (spans[0]! > t) t = lock === null ? gridUp(spans[0]!, gridMin) : spans[0]!;
    }
    if (lock !== null && t > lock) return NOWHERE;
    for (;;) {
      const before = t;
      for (const [wait, spans, upTo] of shutting) {
        const to = intoFlat(spans, upTo, t, 0);
        if (to === NOWHERE) {
          this.missed = wait;
          return NOWHERE;
        }
        if (to > t) t = lock === null ? gridUp(to, gridMin) : to;
      }
      if (!op.unattended) {
        const to = intoFlat(this.sessions, this.sessions.length, t, op.durationMin);
        if (to === NOWHERE) return NOWHERE;
        if (to > t) t = lock === null ? gridUp(to, gridMin) : to;
      }
      if (gate !== null) {
        const to = intoFlat(gate, gate.length, t, op.durationMin);
        if (to === NOWHERE) return NOWHERE;
        if (to > t) t = lock === null ? gridUp(to, gridMin) : to;
      }
      const freeMin = this.clash(i, t, t + op.durationMin);
      if (freeMin !== null) {
        const to = Math.max(freeMin, t + gridMin);
        t = lock === null ? gridUp(to, gridMin) : to;
      }
      if (lock !== null && t > lock) return NOWHERE;
      if (t === before) return t;
    }
  }

  private spansOf(wait: Wait): Flat {
    const { hangsOn } = wait;
    let key: string | number = this.end[hangsOn[0]!]!;
    if (hangsOn.length > 1) {
      key = `${key}`;
      for (let k = 1; k < hangsOn.length; k++) key += `,${this.end[hangsOn[k]!]}`;
    }
    const known = wait.known.get(key);
    if (known) return known;
    if (wait.known.size >= KEPT) wait.known.clear();
    const spans = flatOf(wait.link.allowed(this.endOf));
    wait.known.set(key, spans);
    return spans;
  }

  put(i: number, startMin: number): void {
    const endMin = startMin + this.ops[i]!.durationMin;
    this.start[i] = startMin;
    this.end[i] = endMin;
    if (this.ops[i]!.lockMin != null) this.free(i);
    this.book(i, startMin, endMin);
  }

  take(i: number): void {
    const { lockMin, durationMin } = this.ops[i]!;
    this.start[i] = Number.NaN;
    this.end[i] = Number.NaN;
    this.free(i);
    if (lockMin != null) this.book(i, lockMin, lockMin + durationMin);
  }

  private free(i: number): void {
    for (const track of this.touched[i]!) track.remove(i);
  }

  private tracksOf(i: number): readonly Bookings[] {
    const set = new Set<Bookings>();
    for (const n of this.needs[i]!) {
      set.add(this.tracks[n.resource]!);
      if (this.takes !== NOWHERE && n.setupMin > 0 && n.load !== NO_LOAD) set.add(this.tracks[this.takes]!);
    }
    for (const k of this.keeps[i]!) set.add(this.tracks[k.resource]!);
    if (this.ops[i]!.air) for (const t of [this.given, this.minding]) set.add(t);
    return [...set];
  }

  private book(i: number, startMin: number, endMin: number): void {
    const { air } = this.ops[i]!;
    const owner = this.owner[i]!;
    for (const n of this.needs[i]!) {
      for (const from of this.setupsAt(i, n, startMin, endMin))
        this.tracks[this.takes]!.add(i, from, from + n.setupMin, 1, NO_LOAD, owner);
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
  private clash(i: number, startMin: number, endMin: number): number | null {
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

  private full(i: number, resource: number, amount: number, startMin: number, endMin: number): number | null {
    const track = this.tracks[resource]!;
    const capacity = this.capacity[resource]!;
    const { start, end, op, amount: held, count } = track;
    let freeMin = Number.POSITIVE_INFINITY;
    let all = 0;
    let largest = 0;
    const first = track.from(startMin);
    for (let k = first; k < count && start[k]! < endMin; k++) {
      if (end[k]! <= startMin || op[k] === i) continue;
      if (end[k]! < freeMin) freeMin = end[k]!;
      all += held[k]!;
      if (held[k]! > largest) largest = held[k]!;
    }
    if (freeMin === Number.POSITIVE_INFINITY || all + amount <= capacity) return null;
    if (largest + amount > capacity) return freeMin;
    let most = 0;
    for (let k = first; k < count && start[k]! < endMin; k++) {
      if (end[k]! <= startMin || op[k] === i) continue;
      let sum = 0;
      // those later in the list begin no sooner: only the ones of the same start are held at this one's start as well
      for (let m = first; m < count && start[m]! <= start[k]!; m++)
        if (op[m] !== i && end[m]! > startMin && start[m]! < endMin && end[m]! > start[k]!) sum += held[m]!;
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
      if (
        track.end[k]! > startMin - setupMin &&
        track.op[k] !== i &&
        track.load[k] !== NO_LOAD &&
        track.load[k] !== load
      )
        return track.end[k]! + setupMin;
    if (this.takes === NOWHERE) return null;
    for (const from of this.setupsAt(i, n, startMin, endMin)) {
      const freeMin = this.full(i, this.takes, 1, from, from + setupMin);
      if (freeMin !== null) return freeMin + (from < startMin ? setupMin : 0);
    }
    return null;
  }

  /** Starts of the cleanings it brings with it: before it, and before what follows it with another load. */
  private setupsAt(i: number, n: Need, startMin: number, endMin: number): readonly number[] {
    if (this.takes === NOWHERE || n.setupMin === 0 || n.load === NO_LOAD) return NO_SETUPS;
    const track = this.tracks[n.resource]!;
    let [before, after] = [NOWHERE, NOWHERE];
    const upTo = endMin + PUT_AWAY_MIN;
    for (let k = track.from(startMin - PUT_AWAY_MIN); k < track.count && track.start[k]! < upTo; k++) {
      if (track.end[k]! <= startMin - PUT_AWAY_MIN || track.op[k] === i || track.load[k] === NO_LOAD) continue;
      if (track.end[k]! <= startMin && (before === NOWHERE || track.end[k]! > track.end[before]!)) before = k;
      if (track.start[k]! >= endMin && (after === NOWHERE || track.start[k]! < track.start[after]!)) after = k;
    }
    const starts: number[] = [];
    if (before !== NOWHERE && track.load[before] !== n.load) starts.push(startMin - n.setupMin);
    if (after !== NOWHERE && track.load[after] !== n.load) starts.push(track.start[after]! - n.setupMin);
    return starts;
  }

  private foul(i: number, startMin: number, endMin: number): number | null {
    const [gives, minds, owner] = [this.gives[i]!, this.minds[i]!, this.owner[i]!];
    const latest = (track: Bookings, upTo: number): number | null => {
      let last: number | null = null;
      for (let k = track.from(startMin); k < track.count && track.start[k]! < upTo; k++) {
        if (track.end[k]! <= startMin || track.op[k] === i || track.load[k] === gives) continue;
        if (track.owner[k] !== NOWHERE && track.owner[k] === owner) continue;
        if (last === null || track.end[k]! > last) last = track.end[k]!;
      }
      return last;
    };
    const harmed = gives === NO_LOAD ? null : latest(this.minding, endMin + this.ops[i]!.air!.settleMin);
    if (harmed !== null) return harmed;
    return minds ? latest(this.given, Math.max(endMin, minds(endMin))) : null;
  }
}

interface UnitTry {
  readonly failed: boolean;
  readonly stuck: number;
  readonly starts: readonly number[];
  readonly endMin: number;
  /** waits met in a window after their first */
  readonly late: ReadonlySet<Wait>;
}

const NO_SETUPS: readonly number[] = [];
const gridUp = (t: number, gridMin: number): number => Math.ceil((t - ON_GRID_MIN) / gridMin) * gridMin;

/** First moment ≥ t at which the whole of [t, t+duration] lies in one of the spans; NOWHERE = none. @param upTo numbers of them that count */
function intoFlat(spans: Flat, upTo: number, t: number, durationMin: number): number {
  let lo = 0;
  let hi = upTo >> 1;
  while (lo < hi) {
    const mid = (lo + hi) >> 1;
    if (spans[2 * mid + 1]! < t) lo = mid + 1;
    else hi = mid;
  }
  for (let k = 2 * lo; k < upTo; k += 2) {
    const start = Math.max(t, spans[k]!);
    if (start + durationMin <= spans[k + 1]!) return start;
  }
  return NOWHERE;
}

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
