import { Evenings, type Packing } from "./evenings";
import type { Graph } from "./graph";
import { Outlook } from "./outlook";
import type { Placer } from "./placer";
import type { Problem } from "./types";

/** A plan made up to the end of a session, and what it leaves to spare for the rest. */
interface Prefix {
  readonly starts: Float64Array;
  readonly spare: number;
}
/** By target, by the end of the session it was made up to. */
type Pool = Map<number, Prefix[]>;

/** So many prefixes are kept of one session. */
const KEPT_PREFIXES = 6;
/** A plan is begun anew so often, else gone on with from a prefix. */
const ANEW_OFTEN = 0.3;
/**
 * Of all tries so many aim at the soonest session end that is not refuted, so many at the one before the best plan's last, and so many
 * at any between; the rest at one step sooner than the best.
 */
const AIM_SOONEST = 0.2;
const AIM_BEFORE = 0.3;
const AIM_BETWEEN = 0.2;
/** Where nights between count, so many tries before the others aim at the evening the best plan ends in. */
const AIM_SAME = 0.3;
/** Weights are shaken by so much either way. */
const SHAKE = 0.2;
const URGENCY = { least: 0.2, spread: 1.8 } as const;
/** How much a night between what had better be done in one go counts against a filling; so often not at all (tried on the demo). */
const NIGHT = { never: 0.4, most: 20 } as const;
const DISCREPANCIES = 2;
const BREADTH = 4;
const LEAVES = 40;
/** Choices made in one session; of a whole plan together. */
const NODES = { most: 400, least: 24, plan: 8000 } as const;
/** New questions to the film model in one session: what was asked before is free, so later plans look farther. */
const ASKS = 24;
/** An operation that can be put off to none of the coming sessions is urgent by so much; to n of them by 1 / (n + a half). */
const URGENT_NOW = 3;
/** Looked so many sessions ahead for that. */
const SESSIONS_AHEAD = 12;
/** A wait is never taken for longer than this share of what it was in the first plan: in warmer air it is shorter (est.). */
const OBSERVED_SHARE = 0.85;
/** Time idled away is spread over the sessions left, some of them getting more than their share. */
const IDLE_SHARE = 1.5;

/**
 * Search with a target in sight: plans are made session by session towards an end nobody has reached yet, given up as soon as what is
 * left cannot fit any more, and gone on with from the most promising of those made so far.
 */
export class Aimed {
  private readonly evenings: Evenings;
  private readonly outlook: Outlook;
  private readonly pools = new Map<number, Pool>();
  private readonly ends: readonly number[];
  private readonly urgent: Float64Array;
  private readonly shaken: Float64Array;
  private readonly packing: Omit<Packing, "urgency" | "night">;

  /** @param scarce the resource sessions are packed for @param placer holding a plan, for what its waits were */
  constructor(
    private readonly problem: Problem,
    graph: Graph,
    private readonly placer: Placer,
    private readonly boundMin: number,
    private readonly random: () => number,
    scarce: string,
  ) {
    this.evenings = new Evenings(problem, graph, placer, scarce);
    const observed = placer.observedLags();
    this.outlook = new Outlook(problem, graph, placer, this.evenings.minutes, (id, least) =>
      Math.max(least, OBSERVED_SHARE * (observed.get(id) ?? 0)),
    );
    this.ends = problem.sessions.map((s) => s.endMin);
    this.urgent = new Float64Array(placer.ids.length);
    this.shaken = new Float64Array(placer.ids.length);
    const nodes = Math.round(NODES.plan / Math.max(1, problem.sessions.length));
    this.packing = {
      discrepancies: DISCREPANCIES,
      breadth: BREADTH,
      leaves: LEAVES,
      nodes: Math.min(NODES.most, Math.max(NODES.least, nodes)),
      asks: ASKS,
    };
  }

  /** One plan. @param bestMin end of the best so far; infinite = there is none @returns whether it was made to its end; it then stands in the placer */
  roll(bestMin: number): boolean {
    const targetMin = this.target(bestMin);
    for (const aim of this.pools.keys()) if (aim >= bestMin && aim !== targetMin) this.pools.delete(aim);
    const pool = this.pools.get(targetMin) ?? new Map();
    this.pools.set(targetMin, pool);
    this.outlook.aimAt(targetMin);
    for (let i = 0; i < this.shaken.length; i++) this.shaken[i] = 1 - SHAKE + 2 * SHAKE * this.random();
    const prefix = this.random() < ANEW_OFTEN ? null : this.drawn(pool);
    return this.evenings.fill(
      { ...this.packing, urgency: URGENCY.least + URGENCY.spread * this.random(), night: this.night() },
      {
        before: (startMin) => ({ urgent: this.urgentAt(startMin), idleMin: this.mayIdle(startMin, targetMin) }),
        after: (endMin) => this.goesOn(endMin, bestMin, pool),
      },
      prefix?.starts ?? null,
      prefix?.endMin ?? 0,
    );
  }

  private night(): number {
    if (this.problem.near === undefined) return 0;
    const x = this.random();
    return x < NIGHT.never ? 0 : (NIGHT.most * (x - NIGHT.never)) / (1 - NIGHT.never);
  }

  private target(bestMin: number): number {
    const last = this.ends.at(-1)!;
    if (bestMin === Number.POSITIVE_INFINITY) return last;
    const open = this.ends.filter((e) => e >= this.boundMin && e < bestMin);
    // the same evening once more, with fewer nights in between
    const same = this.problem.near === undefined ? undefined : this.ends.find((e) => e >= bestMin);
    if (same !== undefined && this.random() < AIM_SAME) return same;
    const x = this.random();
    if (open.length > 0 && x < AIM_SOONEST) return open[0]!;
    if (open.length > 0 && x < AIM_SOONEST + AIM_BEFORE) return open.at(-1)!;
    if (open.length > 0 && x < AIM_SOONEST + AIM_BEFORE + AIM_BETWEEN)
      return open[Math.floor(this.random() * open.length)]!;
    return bestMin - this.problem.gridMin;
  }

  private drawn(pool: Pool): { readonly starts: Float64Array; readonly endMin: number } | null {
    const ends = [...pool.keys()];
    if (ends.length === 0) return null;
    const endMin = ends[Math.floor(this.random() * ends.length)]!;
    const list = pool.get(endMin)!;
    return { starts: list[Math.floor(this.random() * list.length)]!.starts, endMin };
  }

  /** By how few sessions are left that an operation could be put off to. */
  private urgentAt(startMin: number): Float64Array {
    const { sessions } = this.problem;
    const first = sessions.findIndex((s) => s.startMin > startMin);
    for (let i = 0; i < this.urgent.length; i++) {
      const latest = this.outlook.latest[i]!;
      let later = 0;
      for (let k = first; k >= 0 && k < sessions.length && later < SESSIONS_AHEAD; k++) {
        if (sessions[k]!.startMin > latest) break;
        later += 1;
      }
      this.urgent[i] = this.shaken[i]! * (later === 0 ? URGENT_NOW : 1 / (later + 0.5));
    }
    return this.urgent;
  }

  /** Minutes of this session that may be idled away, so that the rest is still done in time. */
  private mayIdle(startMin: number, targetMin: number): number {
    let spareMin = 0;
    let left = 0;
    for (const s of this.problem.sessions) {
      if (s.startMin >= targetMin) break;
      if (s.startMin < startMin) continue;
      spareMin += Math.min(s.endMin, targetMin) - s.startMin;
      left += 1;
    }
    const { minutes } = this.evenings;
    for (let i = 0; i < minutes.length; i++) if (!(this.placer.start[i]! < startMin)) spareMin -= minutes[i]!;
    return Math.max(0, spareMin) * Math.min(1, (IDLE_SHARE * this.random()) / Math.max(1, left));
  }

  private goesOn(endMin: number, bestMin: number, pool: Pool): boolean {
    if (bestMin === Number.POSITIVE_INFINITY) return true;
    const spare = this.outlook.spare(endMin);
    if (spare === null) return false;
    const list = pool.get(endMin) ?? [];
    pool.set(endMin, list);
    if (list.length < KEPT_PREFIXES || spare > list.at(-1)!.spare) {
      list.push({ starts: this.placer.start.slice(), spare });
      list.sort((a, b) => b.spare - a.spare);
      if (list.length > KEPT_PREFIXES) list.pop();
    }
    return true;
  }
}

/** The one-of-a-kind resource most of the work in sessions needs; null = there is none, or nothing left to place. */
export function scarceOf({ ops, capacity }: Problem): string | null {
  const minutes = new Map<string, number>();
  for (const op of ops)
    if (!op.fixed && !op.unattended)
      for (const [r, amount] of Object.entries(op.needs))
        if (capacity[r] === 1) minutes.set(r, (minutes.get(r) ?? 0) + amount * op.durationMin);
  const [most] = [...minutes].sort((a, b) => b[1] - a[1]);
  return most ? most[0] : null;
}
