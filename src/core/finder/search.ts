/** Searches the stacks that weigh least, exactly: a branch is left only when its bound says nothing below it can win. */

import { assert, MIN_PER_DAY } from "../base";
import { judgeStack } from "../judge";
import { laidFilm } from "../judge/moments";
import type { Layer, Stack } from "../model";
import { dftUm, plannedWftUm } from "../numbers";
import { volumeSolidsOf, WEIGHTS, type Weights } from "../reference";
import { possibleBites } from "../rules";
import { add, layerTotals, layerWaits, prepHours, riskOf, scuffHours, weigh, ZERO } from "./cost";
import { airRisk, Gathering, type Graph, type Way, waitIn } from "./graph";
import { Heap } from "./heap";
import { Build } from "./height";
import type { Found, Option, SearchStats, Totals } from "./types";

/** Whole stacks judged before a list is given up as not proved: a second or so of work. */
const MOST_JUDGED = 800;
/** Partial stacks opened before a list is given up as not proved: a bound on time and memory. */
const MOST_OPENED = 20_000;

interface Step {
  readonly option: number;
  readonly scuff: boolean;
  readonly bits: number;
  readonly below: Step | null;
  readonly depth: number;
  /** dry film left so far, at the least, µm */
  readonly um: number;
  readonly gram: number;
  /** ridge buried by fillers so far, µm; 0 = no filler yet */
  readonly buriedUm: number;
  /** certain cost so far */
  readonly g: number;
  /** certain cost so far with the least that can follow */
  readonly f: number;
  /** true = a whole stack, its f with the cost of ending */
  readonly whole: boolean;
}

export interface SearchResult {
  readonly best: readonly Found[];
  readonly exact: boolean;
  readonly stats: SearchStats;
}

/**
 * Exact k-best by best-first search. Partial stacks are opened in the order of a bound that never exceeds the true cost
 * of any stack they can grow into (certain costs so far + the cheapest certain way to an end, by dynamic programming);
 * whole ones are judged; the list is proved once the k-th true cost is no more than the next bound.
 */
export function searchBest(graph: Graph, weights: Weights, k: number, mostJudged = MOST_JUDGED): SearchResult {
  const gathering = new Gathering(
    graph,
    (o) => o.layer.coats * dftUm(plannedWftUm(o.layer, o.product), volumeSolidsOf(o.product)),
  );
  const bound = new Bound(graph, gathering, weights);
  const build = new Build(graph.heights, graph.options, graph.input.region, weights);
  const queue = new Heap<Step>((a, b) => a.f - b.f || b.depth - a.depth || compareSteps(a, b));
  const best: Found[] = [];
  let [opened, judged] = [0, 0];
  const start = weights.hour * prepHours(graph, graph.input) + build.unweighed();
  for (const i of graph.options.keys()) {
    const first = graph.first[i];
    if (!first || !gathering.holds(0, leastBite(graph.options[i]!))) continue;
    const g = start + bound.own(i) + weigh(first, weights);
    push(i, false, gathering.after(0, i), null, g);
  }
  for (let step = queue.pop(); step; step = queue.pop()) {
    if (best.length === k && step.f > best[k - 1]!.cost - 1e-9) break;
    if (step.whole) {
      if (judged === mostJudged) return { best, exact: false, stats: stats() };
      judged += 1;
      const found = judge(graph, step, weights);
      if (!found) continue;
      assert(found.cost >= step.f - 1e-6, "a bound of the finder exceeds the true cost");
      insert(best, found, k);
      continue;
    }
    if (opened === MOST_OPENED) return { best, exact: false, stats: stats() };
    opened += 1;
    const end = bound.end(step.option, step.bits);
    if (end !== null) queue.push({ ...step, whole: true, f: step.g + end + build.ridgeLeft(step.buriedUm) });
    if (step.depth < graph.input.maxLayers) grow(step);
  }
  return { best, exact: true, stats: stats() };

  function stats(): SearchStats {
    return { options: graph.options.length, judged, opened };
  }
  function push(option: number, scuff: boolean, bits: number, below: Step | null, g: number): void {
    const depth = (below?.depth ?? 0) + 1;
    const um = (below?.um ?? 0) + build.left(option);
    const buriedUm = (below?.buriedUm ?? 0) + build.buries(option);
    const gram = (below?.gram ?? 0) + build.gram(option);
    if (build.tooHeavy(option, gram)) return;
    const crossed = build.crosses(option, below?.um ?? 0, um);
    if (crossed === null) return;
    const rest = bound.rest(option, bits, graph.input.maxLayers - depth);
    if (rest < Infinity)
      queue.push({
        option,
        scuff,
        bits,
        below,
        depth,
        um,
        buriedUm,
        gram,
        g: g + crossed,
        f: g + crossed + rest + build.coming(option, um, buriedUm),
        whole: false,
      });
  }
  function grow(step: Step): void {
    for (const next of bound.above(step.option)) {
      const way = bound.seam(step.option, next, step.bits);
      if (way) push(next, way.scuff, gathering.after(step.bits, next), step, step.g + way.cost + bound.own(next));
    }
  }
}

const leastBite = (o: Option): number => Math.min(...possibleBites(o.product));

function compareSteps(a: Step, b: Step): number {
  if (a.option !== b.option) return a.option - b.option;
  if (a.below && b.below) return compareSteps(a.below, b.below);
  return a.below ? 1 : b.below ? -1 : 0;
}

function insert(best: Found[], found: Found, k: number): void {
  const at = best.findIndex((b) => found.cost < b.cost - 1e-12);
  best.splice(at < 0 ? best.length : at, 0, found);
  if (best.length > k) best.length = k;
}

/** Certain costs on the graph under one set of weights, and the least that can still follow. */
class Bound {
  private readonly owns: readonly number[];
  private readonly lasts: readonly (number | null)[];
  private readonly ups: readonly (readonly number[])[];
  private readonly bites: readonly number[];
  private readonly rests = new Map<number, number>();
  /** seam costs by lower · n + upper; NaN = not asked yet */
  private readonly costs: Float64Array;
  private readonly scuffCost: number;
  /** 1 where the scuffed way is the cheaper */
  private readonly scuffs: Uint8Array;

  constructor(
    private readonly graph: Graph,
    private readonly gathering: Gathering,
    private readonly weights: Weights,
  ) {
    this.owns = graph.own.map((t) => weigh(t, weights));
    this.lasts = graph.last.map((t) => (t ? weigh(t, weights) : null));
    this.bites = graph.options.map(leastBite);
    // cheapest first, so that a bound can stop at the first one too dear
    this.ups = graph.options.map((o) =>
      graph.options
        .filter((u) => u.rank > o.rank)
        .map((u) => u.index)
        .sort((x, y) => this.owns[x]! - this.owns[y]!),
    );
    this.scuffCost = weights.hour * scuffHours(graph.input);
    this.costs = new Float64Array(graph.options.length ** 2).fill(Number.NaN);
    this.scuffs = new Uint8Array(graph.options.length ** 2);
  }

  own(i: number): number {
    return this.owns[i]!;
  }
  above(i: number): readonly number[] {
    return this.ups[i]!;
  }

  end(i: number, bits: number): number | null {
    const last = this.lasts[i]!;
    const gathered = this.gathering.end(bits);
    return last === null || gathered === null ? null : last + this.weights.risk * gathered;
  }

  /** The cheaper way over a seam, scuffed or not; its cost is Infinity where there is none. */
  seam(lower: number, upper: number, bits: number): { cost: number; scuff: boolean } | null {
    const cost = this.seamCost(lower, upper, bits);
    return cost < Infinity ? { cost, scuff: this.scuffs[lower * this.owns.length + upper] === 1 } : null;
  }

  private seamCost(lower: number, upper: number, bits: number): number {
    if (!this.gathering.holds(bits, this.bites[upper]!)) return Infinity;
    const at = lower * this.owns.length + upper;
    const known = this.costs[at]!;
    if (!Number.isNaN(known)) return known;
    const edge = this.graph.edge(lower, upper);
    const plain = this.way(edge?.plain);
    const scuffed = this.way(edge?.scuffed) + this.scuffCost;
    this.costs[at] = Math.min(plain, scuffed);
    this.scuffs[at] = scuffed < plain ? 1 : 0;
    return this.costs[at]!;
  }

  private way(w: Way | null | undefined): number {
    return w ? this.weights.day * w.days + this.weights.risk * w.risk : Infinity;
  }

  /**
   * Least certain cost from option i to an end with at most `left` further layers; Infinity = there is none. Every cost is
   * nought or more, so what is dearer already than the least found needs no looking at.
   */
  rest(i: number, bits: number, left: number): number {
    const key = (i * 256 + bits) * 16 + left;
    const known = this.rests.get(key);
    if (known !== undefined) return known;
    let least = this.end(i, bits) ?? Infinity;
    if (left > 0)
      for (const next of this.ups[i]!) {
        const own = this.owns[next]!;
        if (own >= least) break;
        const so = own + this.seamCost(i, next, bits);
        if (so >= least) continue;
        least = Math.min(least, so + this.rest(next, this.gathering.after(bits, next), left - 1));
      }
    this.rests.set(key, least);
    return least;
  }
}

function stepsOf(step: Step): readonly Step[] {
  const list: Step[] = [];
  for (let s: Step | null = step; s; s = s.below) list.unshift(s);
  return list;
}

function judge(graph: Graph, step: Step, weights: Weights): Found | null {
  const layers = stepsOf(step).map(
    (s, i): Layer => ({
      ...graph.options[s.option]!.layer,
      id: `found-${i}`,
      before: s.scuff ? ["scuff", "wipe"] : [],
    }),
  );
  return weighStack({ prep: graph.prep, layers }, graph, weights);
}

/** A whole stack judged and summed up in the finder's own terms; null when it stops, or needs a trial nobody wants. */
export function weighStack(stack: Stack, graph: Pick<Graph, "input">, weights: Weights): Found | null {
  const { input } = graph;
  const products = new Map(input.shelf.map((p) => [p.id, p]));
  const judged = judgeStack({
    region: input.region,
    stack,
    productOf: (id) => products.get(id)!,
    protection: input.protection,
    air: null,
    coupons: input.coupons ?? [],
  });
  if (judged.outcome !== "judged" || judged.worst === "stop") return null;
  if (judged.worst === "test" && !input.want.allowTests) return null;
  let totals: Totals = { ...ZERO, hour: prepHours(stack, input), risk: riskOf(judged.verdicts, input.region.finish) };
  stack.layers.forEach((layer, i) => {
    const p = products.get(layer.productId)!;
    totals = add(totals, layerTotals(layer, p, input));
    const below = stack.layers[i - 1];
    const seam = judged.seams[i];
    const wait = seam?.waits[0];
    const film = below ? laidFilm(below, products.get(below.productId)!, input.air) : null;
    totals = add(totals, {
      ...ZERO,
      day: film && wait ? waitIn(film, wait, below!.sandAfter !== null) / MIN_PER_DAY : 0,
      hour: layer.before.includes("scuff") ? scuffHours(input) : 0,
      risk: airRisk({ product: p, layer }, input),
    });
  });
  const top = stack.layers.at(-1)!;
  totals = add(totals, { ...ZERO, day: layerWaits(top, products.get(top.productId)!, input).handleMin / MIN_PER_DAY });
  assert(
    WEIGHTS.every((w) => Number.isFinite(totals[w])),
    "a total of the finder is not a number",
  );
  const toBuy = [...new Set(stack.layers.map((l) => l.productId))].filter((id) => products.get(id)!.owned === false);
  return { stack, cost: weigh(totals, weights), totals, worst: judged.worst, judged, toBuy };
}
