import type { Graph } from "./graph";
import { intoSpan } from "./place";
import type { Placer } from "./placer";
import type { Op, Problem } from "./types";

const EPS_MIN = 1e-6;

interface Lag {
  readonly from: number;
  readonly to: number;
  readonly lagMin: number;
}

/** Minutes of session from one moment to another that work has to find room in. */
interface Stretch {
  readonly from: number;
  readonly to: number;
  readonly workMin: number;
}

/**
 * What is ahead of a plan half made that has to end by a target: how late each piece may begin, how early it can, and whether the
 * sessions between hold it all (energetic reasoning over session minutes). As sure as the lags it is given.
 */
export class Outlook {
  /** latest starts against the target, by operation; -Infinity = no start would do */
  readonly latest: Float64Array;
  private readonly soonest: Float64Array;
  private readonly order: readonly number[];
  private readonly out: readonly (readonly Lag[])[];
  private readonly into: readonly (readonly Lag[])[];
  /** minutes of session before the start of each */
  private readonly upTo: Float64Array;

  /** @param minutes of the scarce resource, by operation @param lagOf least minutes a link is waited for, as far as is known */
  constructor(
    private readonly problem: Problem,
    graph: Graph,
    private readonly placer: Placer,
    private readonly minutes: Float64Array,
    lagOf: (linkId: string, leastMin: number) => number,
  ) {
    const { ids } = placer;
    const index = new Map(ids.map((id, i) => [id, i]));
    this.order = graph.order.map((id) => index.get(id)!);
    const lagsOf = (links: Graph["into"], id: string): readonly Lag[] =>
      (links.get(id) ?? []).map((l) => ({
        from: index.get(l.from)!,
        to: index.get(l.to)!,
        lagMin: lagOf(l.id, l.leastMin),
      }));
    this.out = ids.map((id) => lagsOf(graph.outOf, id));
    this.into = ids.map((id) => lagsOf(graph.into, id));
    this.latest = new Float64Array(ids.length);
    this.soonest = new Float64Array(ids.length);
    this.upTo = new Float64Array(problem.sessions.length + 1);
    for (const [k, s] of problem.sessions.entries()) this.upTo[k + 1] = this.upTo[k]! + s.endMin - s.startMin;
  }

  aimAt(targetMin: number): void {
    for (let k = this.order.length - 1; k >= 0; k--) {
      const i = this.order[k]!;
      let by = targetMin;
      for (const l of this.out[i]!) by = Math.min(by, this.latest[l.to]! - l.lagMin);
      this.latest[i] = this.lastStart(this.problem.ops[i]!, by);
    }
  }

  /**
   * Whether what is not placed can still be done in time, as far as can be told: each piece by itself, and all that has to lie
   * between two moments together.
   * @returns of the tightest stretch the share that is to spare; null = it cannot
   */
  spare(fromMin: number): number | null {
    const stretches: Stretch[] = [];
    for (const i of this.order) {
      const stretch = this.stretchOf(i, fromMin);
      if (stretch === null) return null;
      if (stretch.workMin > 0) stretches.push(stretch);
    }
    stretches.sort((x, y) => x.to - y.to);
    let least = 1;
    for (const from of new Set(stretches.map((s) => s.from))) {
      let workMin = 0;
      for (const s of stretches) {
        if (s.from < from) continue;
        workMin += s.workMin;
        const roomMin = s.to - from - workMin;
        if (roomMin < -EPS_MIN) return null;
        least = Math.min(least, roomMin / (s.to - from));
      }
    }
    return least;
  }

  /** Minutes of session of a moment, from the first on. */
  private hours(t: number): number {
    const { sessions } = this.problem;
    let lo = 0;
    let hi = sessions.length;
    while (lo < hi) {
      const mid = (lo + hi) >> 1;
      if (sessions[mid]!.endMin <= t) lo = mid + 1;
      else hi = mid;
    }
    const s = sessions[lo];
    return this.upTo[lo]! + (s ? Math.max(0, t - s.startMin) : 0);
  }

  /** Null = it comes too late for the target. */
  private stretchOf(i: number, fromMin: number): Stretch | null {
    const { placer } = this;
    const op = this.problem.ops[i]!;
    const start = placer.start[i]!;
    if (!Number.isNaN(start)) {
      // placed already; where that is ahead, in the way of the rest
      const from = this.hours(start);
      return { from, to: from + op.durationMin, workMin: start >= fromMin ? this.minutes[i]! : 0 };
    }
    let t = Math.max(fromMin, op.releaseMin);
    let known = true;
    for (const l of this.into[i]!) {
      if (!Number.isNaN(placer.start[l.from]!)) continue;
      known = false;
      t = Math.max(t, this.soonest[l.from]! + this.problem.ops[l.from]!.durationMin + l.lagMin);
    }
    if (known) t = Math.max(t, placer.opens(i));
    const soonest = this.firstStart(op, t);
    this.soonest[i] = soonest;
    if (soonest > this.latest[i]! + EPS_MIN) return null;
    return { from: this.hours(soonest), to: this.hours(this.latest[i]! + op.durationMin), workMin: this.minutes[i]! };
  }

  private lastStart(op: Op, by: number): number {
    if (op.fixed) return op.fixed.startMin;
    if (op.unattended) return by - op.durationMin;
    for (let k = this.problem.sessions.length - 1; k >= 0; k--) {
      const s = this.problem.sessions[k]!;
      const start = Math.min(by, s.endMin) - op.durationMin;
      if (start >= s.startMin) return start;
    }
    return Number.NEGATIVE_INFINITY;
  }

  private firstStart(op: Op, from: number): number {
    return op.unattended ? from : (intoSpan(this.problem.sessions, from, op.durationMin) ?? Number.POSITIVE_INFINITY);
  }
}
