import { TOGETHER_MIN } from "./apart";
import type { Graph } from "./graph";
import { NOWHERE, type Placer } from "./placer";
import type { Problem } from "./types";

/** How a session is packed. */
export interface Packing {
  /** how much what is urgent weighs beside minutes put to use; 0 = only a full session counts */
  readonly urgency: number;
  /** choices off the first in line, in one session */
  readonly discrepancies: number;
  /** of those in line so many are tried at the most, where one may be chosen off it */
  readonly breadth: number;
  /** fillings looked at, and choices made for them, in one session */
  readonly leaves: number;
  readonly nodes: number;
  /** what a night between two that had better be done in one go counts against a filling, in minutes put to use; 0 = it may be as it will */
  readonly night: number;
  /** new questions put for them to links that are slow to answer, in one session: what was asked before is free */
  readonly asks: number;
}

/** Asked as a plan grows, session by session. */
export interface Guide {
  /** how urgent each operation is at the start of a session (any scale), and how many minutes of it may be idled away */
  readonly before: (startMin: number) => { readonly urgent: Float64Array; readonly idleMin: number };
  /** who is first in line, by operation, the least first; left out = by urgency */
  readonly line?: Float64Array | undefined;
  /** after a session: false = this leads nowhere */
  readonly after: (endMin: number) => boolean;
}

/** A minute idled away beyond what may be costs as much as so many put to use. */
const IDLE_WEIGHT = 8;
/** In line, a minute of idling before it counts against an operation as this much of urgency. */
const IDLE_IN_LINE = 0.15;
/** What has to be met in this session goes before others by this much of urgency. */
const MUST_IN_LINE = 0.5;
/** What goes with something begun in this session goes before others by this much of urgency. */
const NEAR_IN_LINE = 0.5;
const NEVER = Number.POSITIVE_INFINITY;

interface Beside {
  readonly i: number;
  readonly weight: number;
}
/** What each operation had better be done in one go with, before and after it. */
interface NearOf {
  readonly before: readonly (readonly Beside[])[];
  readonly after: readonly (readonly Beside[])[];
}

function nearOf({ ops, near = [] }: Problem, index: ReadonlyMap<string, number>): NearOf {
  const before: Beside[][] = ops.map(() => []);
  const after: Beside[][] = ops.map(() => []);
  for (const { from, to, weight } of near) {
    const [a, b] = [index.get(from), index.get(to)];
    if (a === undefined || b === undefined) continue;
    before[b]!.push({ i: a, weight });
    after[a]!.push({ i: b, weight });
  }
  return { before, after };
}

interface Leaf {
  readonly value: number;
  readonly ops: readonly number[];
  readonly starts: readonly number[];
}

/**
 * A plan made session by session. Each is filled from its start on by a tree search with few choices off the line (limited
 * discrepancy: Harvey and Ginsberg 1995): which operation takes the scarce hands next, as soon as it may. The filling is kept that puts most minutes to
 * use, weighed by what is urgent. What needs no hands goes in as it comes; a window that shuts before the next session is met in
 * this one, or its opener waits.
 */
export class Evenings {
  /** of the scarce resource, by operation; 0 = needs none of it */
  readonly minutes: Float64Array;
  private readonly preds: Int32Array;
  private readonly predsOf: Int32Array;
  private readonly next: readonly (readonly number[])[];
  private readonly order: readonly number[];
  private readonly ready: number[] = [];
  private readonly urgency: Float64Array;
  private readonly durationMin: Float64Array;
  private readonly noHold: Float64Array;
  private readonly near: NearOf;
  /** of the filling at hand */
  private hold: Float64Array;

  /** @param scarce the resource sessions are packed for */
  constructor(
    private readonly problem: Problem,
    graph: Graph,
    private readonly placer: Placer,
    scarce: string,
  ) {
    const { ids } = placer;
    const index = new Map(ids.map((id, i) => [id, i]));
    this.order = graph.order.map((id) => index.get(id)!);
    this.next = ids.map((id) => [...new Set((graph.outOf.get(id) ?? []).map((l) => index.get(l.to)!))]);
    this.predsOf = new Int32Array(ids.length);
    for (const list of this.next) for (const to of list) this.predsOf[to]! += 1;
    this.preds = new Int32Array(ids.length);
    this.urgency = new Float64Array(ids.length);
    this.noHold = new Float64Array(ids.length);
    this.hold = this.noHold;
    this.near = nearOf(problem, index);
    this.durationMin = Float64Array.from(problem.ops, (o) => o.durationMin);
    this.minutes = Float64Array.from(problem.ops, (o) =>
      o.fixed || o.unattended ? 0 : (o.needs[scarce] ?? 0) * o.durationMin,
    );
  }

  /**
   * @param kept starts that stay, of an earlier plan, where they lie before `fromMin`: a session's start, or nought
   * @param hold by operation: not before; 0 = whenever
   * @returns whether everything found its place; it then stands in the placer
   */
  fill(packing: Packing, guide: Guide, kept: Float64Array | null, fromMin: number, hold?: Float64Array): boolean {
    const { placer } = this;
    this.hold = hold ?? this.noHold;
    const { ops, sessions } = this.problem;
    placer.begin();
    this.preds.set(this.predsOf);
    this.ready.length = 0;
    let left = ops.length;
    for (const i of this.order) if (this.preds[i] === 0) this.ready.push(i);
    for (const i of this.order)
      if (ops[i]!.fixed) {
        this.leave(i);
        left -= 1;
      }
    if (kept)
      for (const i of this.order
        .filter((x) => !ops[x]!.fixed && kept[x]! < fromMin)
        .sort((x, y) => kept[x]! - kept[y]!)) {
        placer.put(i, kept[i]!);
        this.leave(i);
        left -= 1;
      }
    for (const [k, s] of sessions.entries()) {
      if (left === 0) return true;
      if (s.endMin <= fromMin) continue;
      const { urgent, idleMin } = guide.before(s.startMin);
      this.weigh(urgent);
      const placed = this.session(
        s.startMin,
        s.endMin,
        sessions[k + 1]?.startMin ?? NEVER,
        packing,
        idleMin,
        guide.line,
      );
      if (placed === null) return false;
      left -= placed;
      if (left > 0 && !guide.after(s.endMin)) return false;
    }
    return this.rest(left);
  }

  /** What needs no session, after the last of them. */
  private rest(count: number): boolean {
    let left = count;
    for (let more = true; more && left > 0; ) {
      more = false;
      for (const i of [...this.ready]) {
        const at = this.earliest(i, Number.NEGATIVE_INFINITY);
        if (at === NOWHERE) continue;
        this.placer.put(i, at);
        this.leave(i);
        left -= 1;
        more = true;
      }
    }
    return left === 0;
  }

  private weigh(urgent: Float64Array): void {
    let most = Number.MIN_VALUE;
    for (const x of urgent) most = Math.max(most, x);
    for (let i = 0; i < urgent.length; i++) this.urgency[i] = urgent[i]! / most;
  }

  private earliest(i: number, fromMin: number): number {
    return this.placer.earliest(i, Math.max(fromMin, this.placer.releaseOf(i, this.hold)));
  }

  /** Placed: what waits for it alone is ready. */
  private leave(i: number): void {
    this.ready.splice(this.ready.indexOf(i), 1);
    for (const n of this.next[i]!) {
      this.preds[n]! -= 1;
      if (this.preds[n] === 0) this.ready.push(n);
    }
  }

  private back(i: number): void {
    for (const n of this.next[i]!) {
      if (this.preds[n] === 0) this.ready.splice(this.ready.indexOf(n), 1);
      this.preds[n]! += 1;
    }
    this.ready.push(i);
  }

  /** @param nextMin start of the session after it @returns how many operations found their place in it; null = none of its fillings will do */
  private session(
    a: number,
    b: number,
    nextMin: number,
    packing: Packing,
    idleMin: number,
    line: Float64Array | undefined,
  ): number | null {
    const { placer } = this;
    const filling = new Filling(this.problem, placer, {
      a,
      b,
      nextMin,
      packing,
      idleMin,
      line,
      ready: this.ready,
      minutes: this.minutes,
      urgency: this.urgency,
      durationMin: this.durationMin,
      near: this.near,
      earliest: (i, fromMin) => this.earliest(i, fromMin),
      opens: (i) => Math.max(this.hold[i]!, placer.opens(i)),
      leave: (i) => this.leave(i),
      back: (i) => this.back(i),
    });
    const best = filling.best();
    if (best === null) return null;
    for (const [k, i] of best.ops.entries()) {
      this.placer.put(i, best.starts[k]!);
      this.leave(i);
    }
    return best.ops.length;
  }
}

interface Session {
  readonly a: number;
  readonly b: number;
  readonly nextMin: number;
  readonly packing: Packing;
  readonly idleMin: number;
  readonly line: Float64Array | undefined;
  readonly ready: readonly number[];
  readonly minutes: Float64Array;
  readonly urgency: Float64Array;
  readonly durationMin: Float64Array;
  readonly near: NearOf;
  readonly earliest: (i: number, fromMin: number) => number;
  /** when the waits before it are over, and it need not be held back any more */
  readonly opens: (i: number) => number;
  readonly leave: (i: number) => void;
  readonly back: (i: number) => void;
}

interface InLine {
  readonly i: number;
  readonly at: number;
  readonly key: number;
}

/** The tree of fillings of one session; leaves placer and ready list as it found them. */
class Filling {
  private found: Leaf | null = null;
  private leaves = 0;
  private nodes = 0;
  private readonly asksUpTo: number;
  private readonly trail: number[] = [];

  constructor(
    private readonly problem: Problem,
    private readonly placer: Placer,
    private readonly s: Session,
  ) {
    this.asksUpTo = placer.dearAsked + s.packing.asks;
  }

  private spent(): boolean {
    const { leaves, nodes } = this.s.packing;
    return this.leaves >= leaves || this.nodes >= nodes || this.placer.dearAsked >= this.asksUpTo;
  }

  best(): Leaf | null {
    this.descend(this.s.packing.discrepancies, this.s.a, 0, 0);
    return this.found;
  }

  private add(i: number, at: number): void {
    this.placer.put(i, at);
    this.s.leave(i);
    this.trail.push(i);
  }

  private undo(mark: number): void {
    while (this.trail.length > mark) {
      const i = this.trail.pop()!;
      this.placer.take(i);
      this.s.back(i);
    }
  }

  /** @param left choices off the line still free @param t hands are taken until then @param value of what was put in @param idleMin idled away so far */
  private descend(left: number, t: number, value: number, idleMin: number): void {
    const { b, packing, durationMin, minutes, urgency } = this.s;
    const mark = this.trail.length;
    this.nodes += 1;
    const line = this.unattended() ? this.line(t) : null;
    if (line === null) {
      this.undo(mark);
      return;
    }
    const leavesBefore = this.leaves;
    let tried = 0;
    for (const { i, at } of line.list) {
      if (tried > 0 && (left <= 0 || tried >= packing.breadth)) break;
      if (this.found !== null && this.spent()) break;
      if (at > line.mustMin) continue;
      const lostMin = idleMin + Math.max(0, at - t);
      if (this.cannotBeat(value, Math.max(at, t), lostMin)) continue;
      const here = this.trail.length;
      this.add(i, at);
      const worth = minutes[i]! * (1 + packing.urgency * urgency[i]!);
      this.descend(tried === 0 ? left : left - 1, Math.max(t, at + durationMin[i]!), value + worth, lostMin);
      this.undo(here);
      tried += 1;
    }
    // nothing more goes in, or whatever does opens a window that this session cannot meet
    if (line.mustMin === NEVER && (tried === 0 || this.leaves === leavesBefore))
      this.leaf(value, idleMin + Math.max(0, b - t));
    this.undo(mark);
  }

  private leaf(value: number, lostMin: number): void {
    this.leaves += 1;
    const own = value - IDLE_WEIGHT * Math.max(0, lostMin - this.s.idleMin) - this.leftApart();
    if (this.found !== null && own <= this.found.value) return;
    this.found = { value: own, ops: [...this.trail], starts: this.trail.map((i) => this.placer.start[i]!) };
  }

  /** What was begun here and is left over night without what goes with it. */
  private leftApart(): number {
    const { packing, near, b, nextMin } = this.s;
    if (packing.night === 0 || nextMin - b <= TOGETHER_MIN) return 0;
    let sum = 0;
    for (const i of this.trail)
      for (const { i: next, weight } of near.after[i]!) if (Number.isNaN(this.placer.start[next]!)) sum += weight;
    return packing.night * sum;
  }

  /** Something that had better be done in one go with it was begun in this session. */
  private goesOn(i: number): boolean {
    return (
      this.s.packing.night > 0 && this.s.near.before[i]!.some(({ i: from }) => this.placer.start[from]! >= this.s.a)
    );
  }

  /** Were the rest of the session filled with the most urgent there is, it would still be no better than what was found. */
  private cannotBeat(value: number, fromMin: number, lostMin: number): boolean {
    if (this.found === null) return false;
    const most = value + Math.max(0, this.s.b - fromMin) * (1 + this.s.packing.urgency);
    return most - IDLE_WEIGHT * Math.max(0, lostMin - this.s.idleMin) <= this.found.value;
  }

  /** Nothing is won by holding back what needs no hands. @returns false where some of it has no place left */
  private unattended(): boolean {
    for (let more = true; more; ) {
      more = false;
      for (const i of [...this.s.ready]) {
        if (this.s.minutes[i]! > 0) continue;
        const at = this.s.earliest(i, Number.NEGATIVE_INFINITY);
        if (at === NOWHERE) return false;
        if (at >= this.s.b) continue;
        this.add(i, at);
        more = true;
      }
    }
    return true;
  }

  /** What may begin in this session from `t` on, first in line first, and by when the next window shuts for good; null = one cannot be met. */
  private line(t: number): { readonly list: readonly InLine[]; readonly mustMin: number } | null {
    const { a, b, nextMin, minutes, urgency, durationMin } = this.s;
    const list: InLine[] = [];
    let mustMin = NEVER;
    for (const i of this.s.ready) {
      if (!(minutes[i]! > 0)) continue;
      const lock = this.problem.ops[i]!.lockMin ?? null;
      const shutsMin = lock !== null && lock < nextMin ? lock : this.placer.shutsBefore(i, nextMin);
      if (lock === null && shutsMin === NEVER && this.s.opens(i) + durationMin[i]! > b) continue;
      if (shutsMin < mustMin) mustMin = shutsMin;
      const at = this.s.earliest(i, lock === null ? t : a);
      if (at === NOWHERE && shutsMin < NEVER) return null;
      if (at === NOWHERE || at >= b) continue;
      const key =
        IDLE_IN_LINE * Math.max(0, at - t) -
        urgency[i]! -
        (shutsMin < NEVER ? MUST_IN_LINE : this.goesOn(i) ? NEAR_IN_LINE : 0);
      list.push({ i, at, key: this.s.line?.[i] ?? key });
    }
    if (mustMin < t && !list.some(({ i }) => this.problem.ops[i]!.lockMin === mustMin)) return null;
    return { list: list.sort((x, y) => x.key - y.key || x.i - y.i), mustMin };
  }
}
