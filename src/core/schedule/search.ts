import type { Objective } from "../model";
import { Aimed, scarceOf } from "./aimed";
import { dueFirst } from "./dues";
import type { Graph } from "./graph";
import { heldBy, piecesAt } from "./held-by";
import { Placer } from "./placer";
import { energyOf, isBetter, type Score, scoreOf } from "./score";
import { Tidy } from "./tidy";
import type { Genes, Placed, Problem } from "./types";

/** A cycle of annealing looks around for a good start, then cools from there; each is longer than the one before. */
const FIRST_CYCLE = 60;
const CYCLE_GROWS = 1.25;
const LOOK_AROUND = 0.25;
/** Fresh priorities are tails times something between these. */
const SPREAD_LEAST = 0.6;
const SPREAD = 0.8;
/** A plan this much worse, as a share, is taken once in e at the start. */
const HEAT = 0.01;
const MOST_NUDGED = 4;
const HOLDS_OFTEN = 0.3;
const SKIPS_OFTEN = 0.5;
/** Of the effort of a search for the finish so much goes into annealing. */
const ANNEALING_SHARE = 0.2;
const ANNEALING_SHARE_LATE = 0.9;
const BY_DATE_OFTEN = 0.7;
/** Sessions are packed up to so many operations; beyond, one such plan would cost more than many placements. */
const MOST_AIMED = 1200;
/** Nothing is better than the lower bound: then the search is over. */
const SAME_MIN = 1e-6;

interface Asked {
  readonly problem: Problem;
  readonly graph: Graph;
  readonly objective: Objective;
  readonly random: () => number;
  readonly boundMin: number;
  /** what to begin with */
  readonly first: Genes;
  /** an answer to start from is not thrown away: the first cycle goes on from it */
  readonly goesOnFrom: boolean;
}

/** Priorities, holds and empty sessions of a placement, by operation. */
interface Order {
  readonly priority: Float64Array;
  readonly hold: Float64Array;
  readonly skip: ReadonlySet<number> | undefined;
}

interface Plan {
  readonly order: Order;
  readonly starts: Float64Array;
  readonly score: Score;
  readonly energy: number;
}

/** The search for a better plan, a step at a time. */
export class Search {
  best: Plan | null = null;
  private at: Plan | null = null;
  private readonly placer: Placer;
  private aimed: Aimed | null | undefined;
  private annealing = 0;
  private aiming = 0;
  private cycle = FIRST_CYCLE;
  private cycleFrom = 0;
  private annealed = 0;
  /** by date; null = nothing has one */
  private readonly urgent: ReadonlyMap<string, number> | null;

  constructor(private readonly asked: Asked) {
    const { problem, graph, first } = asked;
    this.placer = new Placer(problem, graph);
    const order: Order = {
      priority: Float64Array.from(this.placer.ids, (id) => first.priority.get(id) ?? 0),
      hold: Float64Array.from(this.placer.ids, (id) => first.hold.get(id) ?? 0),
      skip: first.skip,
    };
    this.at = this.placed(order);
    this.best = this.at;
    this.urgent = dueFirst(problem, graph);
    if (this.urgent === null) return;
    const priority = Float64Array.from(this.placer.ids, (id) => this.urgent!.get(id) ?? 0);
    const inTime = this.placed({ ...order, priority });
    if (inTime && (this.at === null || isBetter(inTime.score, this.at.score))) {
      this.at = inTime;
      this.take(inTime);
    }
  }

  /** Nothing can end sooner. */
  atBound(): boolean {
    const { objective, boundMin } = this.asked;
    return objective === "finish" && this.best?.score.lateMin === 0 && this.best.score.endMin <= boundMin + SAME_MIN;
  }

  /** @returns whether a better plan was found */
  step(): boolean {
    const before = this.best;
    const from = this.placer.effort;
    const aims =
      this.asked.objective === "finish" &&
      !this.atBound() &&
      this.annealing >= this.annealingShare() * (this.annealing + this.aiming);
    if (aims) this.aim();
    else this.anneal();
    if (aims) this.aiming += this.placer.effort - from;
    else this.annealing += this.placer.effort - from;
    return this.best !== before;
  }

  /** An end to aim at says nothing of a date before it. */
  private annealingShare(): number {
    return this.best !== null && this.best.score.lateMin > 0 ? ANNEALING_SHARE_LATE : ANNEALING_SHARE;
  }

  /**
   * The best plan made tidier: what had better be done in one go, with fewer nights between, and no later for it than they are worth.
   * @param share of the effort of the search it may take @param least placements it makes in any case
   */
  tidy(share: number, least: number): void {
    if (this.best === null || this.best.score.apart === 0) return;
    const tidy = new Tidy(this.asked.problem, this.placer);
    const most = this.placer.effort * (1 + share);
    let made = 0;
    for (let better = true; better; ) {
      better = false;
      for (const { priority, hold } of tidy.trials(this.best.starts)) {
        if (made >= least && this.placer.effort >= most) return;
        made += 1;
        const plan = this.placed({ priority, hold, skip: this.best.order.skip });
        if (plan === null || !isBetter(plan.score, this.best.score)) continue;
        this.best = plan;
        better = true;
        break;
      }
    }
  }

  /** The best plan's pieces, without what holds each back. */
  found(): { readonly endMin: number; readonly placed: readonly Placed[] } {
    const { score, starts } = this.best!;
    return { endMin: score.endMin, placed: piecesAt(this.asked.problem, starts) };
  }

  /** The best plan, each piece with what keeps it from being sooner in it. */
  explained(): { readonly endMin: number; readonly placed: readonly Placed[]; readonly genes: Genes } {
    const { problem, graph } = this.asked;
    const { order, score, starts } = this.best!;
    const placed = heldBy(problem, graph, piecesAt(problem, starts));
    return { placed, endMin: score.endMin, genes: this.genesOf(order) };
  }

  private genesOf({ priority, hold, skip }: Order): Genes {
    const { ids } = this.placer;
    return {
      priority: new Map(ids.map((id, i) => [id, priority[i]!])),
      hold: new Map(ids.flatMap((id, i) => (hold[i]! > 0 ? [[id, hold[i]!] as const] : []))),
      ...(skip ? { skip } : {}),
    };
  }

  private placed(order: Order): Plan | null {
    return this.placer.place(order.priority, order.hold, order.skip) ? this.standing(order) : null;
  }

  /** What stands in the placer. */
  private standing(order: Order): Plan {
    const { problem, objective } = this.asked;
    const starts = this.placer.start.slice();
    const score = scoreOf(problem, objective, piecesAt(problem, starts));
    return { order, starts, score, energy: energyOf(objective, score, problem.nowMin, problem.ops.length) };
  }

  private take(plan: Plan): void {
    if (this.best === null || isBetter(plan.score, this.best.score)) this.best = plan;
  }

  private aim(): void {
    this.aimed ??= this.aimer();
    if (this.aimed === null || !this.aimed.roll(this.best?.score.endMin ?? Number.POSITIVE_INFINITY)) {
      if (this.aimed === null) this.anneal();
      return;
    }
    // as early as it goes in that order, where that is no worse; else as it stands, every piece held to its start
    const starts = this.placer.start.slice();
    const last = starts.reduce((most, x) => Math.max(most, x), 0);
    const priority = starts.map((x) => last - x + 1);
    const held = this.standing({ priority, hold: starts, skip: undefined });
    const pressed = this.placed({ priority, hold: new Float64Array(starts.length), skip: undefined });
    const plan = pressed && !isBetter(held.score, pressed.score) ? pressed : held;
    this.take(plan);
    if (this.at === null || plan.energy <= this.at.energy) this.at = plan;
  }

  private aimer(): Aimed | null {
    const { problem, graph, boundMin, random } = this.asked;
    const scarce = scarceOf(problem);
    if (scarce === null || problem.sessions.length === 0 || problem.ops.length > MOST_AIMED) return null;
    // its waits are read off the plan at hand
    if (this.best) this.placer.place(this.best.order.priority, this.best.order.hold, this.best.order.skip);
    return new Aimed(problem, graph, this.placer, boundMin, random, scarce);
  }

  private anneal(): void {
    if (this.annealed - this.cycleFrom >= this.cycle) {
      this.cycleFrom = this.annealed;
      this.cycle = Math.ceil(this.cycle * CYCLE_GROWS);
    }
    const into = (this.annealed - this.cycleFrom) / this.cycle;
    const goesOn = this.cycleFrom === 0 && this.asked.goesOnFrom;
    const afresh = this.at === null || (into < LOOK_AROUND && !goesOn);
    const order = afresh ? this.fresh() : this.nudged(this.at!);
    const plan = this.placed(order);
    const left = afresh ? 0 : 1 - into;
    if ((this.annealed === this.cycleFrom && afresh && plan) || this.accepts(plan, left)) this.at = plan;
    if (plan) this.take(plan);
    this.annealed += 1;
  }

  private fresh(): Order {
    const { graph, random } = this.asked;
    // with dates, mostly in their order; the finish by itself has a say as well
    const urgent = this.urgent !== null && random() < BY_DATE_OFTEN ? this.urgent : graph.tailMin;
    return {
      priority: Float64Array.from(this.placer.ids, (id) => {
        const tail = graph.tailMin.get(id)!;
        return urgent.get(id)! - tail + tail * (SPREAD_LEAST + SPREAD * random());
      }),
      hold: new Float64Array(this.placer.ids.length),
      skip: undefined,
    };
  }

  private accepts(plan: Plan | null, left: number): boolean {
    if (plan === null) return false;
    if (this.at === null || isBetter(plan.score, this.at.score)) return true;
    const worse = (plan.energy - this.at.energy) / Math.max(1, this.at.energy);
    return this.asked.random() < Math.exp(-worse / (HEAT * left + 1e-9));
  }

  /** A few operations pulled before or pushed behind others, or held back until another has ended, or let go again. */
  private nudged(from: Plan): Order {
    const { objective, problem, random } = this.asked;
    const priority = from.order.priority.slice();
    const hold = from.order.hold.slice();
    const any = () => Math.floor(random() * priority.length);
    const count = 1 + Math.floor(MOST_NUDGED * random());
    for (let n = 0; n < count; n++) {
      const i = any();
      if (random() < HOLDS_OFTEN) {
        const other = any();
        hold[i] = hold[i]! > 0 || other === i ? 0 : from.starts[other]! + problem.ops[other]!.durationMin;
      } else if (random() < 0.5) priority[i] = priority[any()]! * (0.98 + 0.04 * random());
      else priority[i] = priority[i]! * (0.5 + random());
    }
    const skips = objective === "sessions" && random() <= SKIPS_OFTEN;
    return { priority, hold, skip: skips ? this.skipping(from) : from.order.skip };
  }

  /** One session more left empty, or one taken back. */
  private skipping(from: Plan): ReadonlySet<number> {
    const { problem, random } = this.asked;
    const skip = new Set(from.order.skip);
    if (skip.size > 0 && random() < 0.3) skip.delete([...skip][Math.floor(random() * skip.size)]!);
    else {
      const used = problem.sessions.filter((s) => from.starts.some((t) => t >= s.startMin && t < s.endMin));
      const one = used[Math.floor(random() * used.length)];
      if (one) skip.add(one.startMin);
    }
    return skip;
  }
}
