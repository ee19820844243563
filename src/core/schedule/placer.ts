import { assert } from "../base";
import type { Graph } from "./graph";
import { gridUp, MAX_REPAIRS, MOST_SESSIONS_TRIED } from "./place";
import { Taken } from "./taken";
import type { EndOf, Link, Op, Problem, Span } from "./types";

/** Spans as start, end, start, end…, rising; an end that never comes is infinite. */
type Flat = Float64Array;
const flatOf = (spans: readonly Span[]): Flat =>
  Float64Array.from(spans.flatMap((s) => [s.startMin, s.endMin ?? Number.POSITIVE_INFINITY]));

/** No start there is. */
export const NOWHERE = -1;
/** Hours asked of a wait are asked again and again while a search goes on; so many answers are kept a wait. */
const KEPT = 4096;
/** A film model's answer takes about as long as so many starts looked for (est.: a third of a millisecond, three microseconds). */
const DEAR_IN_STARTS = 100;

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
  /** questions put to links that are slow to answer, and starts looked for, so far */
  dearAsked = 0;
  looked = 0;
  /** what could not be placed, of the last placement; NOWHERE = all was */
  stuck = NOWHERE;

  private readonly ops: readonly Op[];
  private readonly index: ReadonlyMap<string, number>;
  private readonly gates: readonly (Flat | null)[];
  private readonly into: readonly (readonly Wait[])[];
  private readonly units: readonly (readonly number[])[];
  private readonly taken: Taken;
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
    this.taken = new Taken(problem);
    this.allSessions = flatOf(problem.sessions);
    this.sessions = this.allSessions;
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
    this.taken.begin();
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
  private placeUnit(unit: readonly number[], hold: Float64Array): boolean {
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

  /** What was done so far, in starts looked for. */
  get effort(): number {
    return this.looked + DEAR_IN_STARTS * this.dearAsked;
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
    this.looked += 1;
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
      const freeMin = this.taken.clash(i, t, t + op.durationMin);
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
    if (wait.link.dear) this.dearAsked += 1;
    const spans = flatOf(wait.link.allowed(this.endOf));
    wait.known.set(key, spans);
    return spans;
  }

  put(i: number, startMin: number): void {
    const endMin = startMin + this.ops[i]!.durationMin;
    this.start[i] = startMin;
    this.end[i] = endMin;
    if (this.ops[i]!.lockMin != null) this.taken.free(i);
    this.taken.book(i, startMin, endMin);
  }

  take(i: number): void {
    const { lockMin, durationMin } = this.ops[i]!;
    this.start[i] = Number.NaN;
    this.end[i] = Number.NaN;
    this.taken.free(i);
    if (lockMin != null) this.taken.book(i, lockMin, lockMin + durationMin);
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
