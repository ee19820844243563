import { judgeStack } from "../judge";
import type { Layer, Product, Stack } from "../model";
import { WEIGHTS, type Weights } from "../reference";
import { neededPrep } from "../rules";
import { makeGraph } from "./graph";
import { fits, leftOut, mayEnd, optionsOf } from "./options";
import { searchBest, weighStack } from "./search";
import type { Difference, FinderAnswer, FinderInput, Found, Option, Reason, Totals, Trade } from "./types";

/**
 * suggest
 *   1. options   ways of laying every product that may be offered
 *   2. graph     certain costs of films and seams
 *   3. search    exact k-best under the way's weights
 *   4. trades    the same under weights bent to one side, and what is beaten in everything left out
 */
export function suggest(input: FinderInput): FinderAnswer {
  const { material } = input.region;
  if (material === null || material === "unknown")
    return {
      outcome: "none",
      reasons: [{ kind: "material-unknown" }],
      exact: true,
      stats: { options: 0, judged: 0, opened: 0 },
    };
  const graph = makeGraph(input);
  const main = searchBest(graph, input.way.weights, input.best);
  if (main.best.length === 0)
    return { outcome: "none", reasons: noneReasons(input), exact: main.exact, stats: main.stats };
  const bent = BENT.flatMap((axis) => searchBest(graph, bend(input.way.weights, axis), 1, MOST_FOR_A_TRADE).best);
  const own = bent.map((f) => weighStack(f.stack, graph, input.way.weights)!);
  return {
    outcome: "found",
    best: main.best,
    exact: main.exact,
    trades: tradesOf([...main.best, ...own]),
    stats: main.stats,
  };
}

/** Sides a way may be bent to in search of other bargains. */
const BENT: readonly (keyof Totals)[] = ["day", "hour", "risk", "money", "gram", "hazard"];
const BEND = 10;
const LEAST = 0.2;

/** A bargain that takes longer to prove than this many stacks is left unlooked for. */
const MOST_FOR_A_TRADE = 100;

/** One axis weighed ten times as heavily (and at all, if it was not). */
const bend = (w: Weights, axis: keyof Totals): Weights => ({ ...w, [axis]: Math.max(w[axis], LEAST) * BEND });

/** Smallest differences worth a word, by axis. */
const WORTH: Totals = { day: 0.1, hour: 0.2, risk: 0.5, money: 0.5, gram: 0.2, detailPct: 1, hazard: 0.5 };

const beats = (a: Totals, b: Totals): boolean =>
  WEIGHTS.every((k) => a[k] <= b[k] + 1e-9) && WEIGHTS.some((k) => a[k] < b[k] - 1e-9);

/** The cheapest first, then what is better than it in something; none beaten in everything by another. */
export function tradesOf(found: readonly Found[]): readonly Trade[] {
  const distinct = new Map(
    found.map((f) => [JSON.stringify(f.stack.layers.map((l) => [l.productId, l.coats, l.before])), f]),
  );
  const list = [...distinct.values()].sort((a, b) => a.cost - b.cost);
  const front = list.filter((f) => !list.some((g) => beats(g.totals, f.totals)));
  const base = front[0];
  if (!base) return [];
  return front
    .map((f) => ({ found: f, ...differences(f, base) }))
    .filter((t) => t.found === base || t.gains.length > 0);
}

function differences(f: Found, base: Found): Pick<Trade, "gains" | "losses"> {
  const gains: Difference[] = [];
  const losses: Difference[] = [];
  for (const axis of WEIGHTS) {
    const by = f.totals[axis] - base.totals[axis];
    if (Math.abs(by) >= WORTH[axis]) (by < 0 ? gains : losses).push({ axis, by: Math.abs(by) });
  }
  if (f.worst === "test" && base.worst !== "test") losses.push({ axis: "coupon", by: 1 });
  if (f.worst !== "test" && base.worst === "test") gains.push({ axis: "coupon", by: 1 });
  return { gains, losses };
}

/** Why nothing was found: what keeps each product of the last step, or of the first, from its place. */
function noneReasons(input: FinderInput): readonly Reason[] {
  const ends = input.shelf.filter((p) => leftOut(p, input) === null && isEnd(p, input));
  if (ends.length === 0) return [{ kind: "nothing-ends", until: input.want.until }];
  const stops = ends.flatMap((p) => whyNotProduct({ ...input, want: { ...input.want, mustId: null } }, p, null));
  const seen = new Set<string>();
  return stops.filter((r) => {
    const key = r.kind === "verdict" ? r.rule : r.kind;
    if (seen.has(key)) return false;
    seen.add(key);
    return true;
  });
}

const isEnd = (p: Product, { want }: FinderInput): boolean =>
  want.until === "primer" ? p.role.startsWith("primer") : p.role === "colour" || p.role === "clear";

/** Verdicts that stand against a product on this region: by itself, over what is best without it, or under what must follow. */
function whyNotProduct(input: FinderInput, p: Product, over: Stack | null): readonly Reason[] {
  const own = leftOut(p, input);
  if (own) return [own];
  const options = optionsOf({ ...input, want: { ...input.want, mustId: null } });
  const mine = options.filter((o) => o.product.id === p.id);
  if (mine.length === 0) return [{ kind: "no-fit", productId: p.id }];
  const [base, tail] = [over?.layers ?? [], (o: Option): Layer => ({ ...o.layer, id: "why" })];
  const under = leastBad(
    input,
    mine.flatMap((o) => [[], ...base.map((_, i) => base.slice(0, i + 1))].map((l) => [...l, tail(o)])),
  );
  if (under.length > 0) return under;
  const above = mine.flatMap((o) =>
    options.filter((u) => fits(o, u, input)).map((u) => [tail(o), { ...tail(u), id: "above" }]),
  );
  const ends = mine.some((o) => mayEnd(o, input.want));
  const upper = ends || above.length === 0 ? [] : leastBad(input, above);
  return upper.length > 0 ? upper : [{ kind: "no-fit", productId: p.id }];
}

/** Of several piles, what stands against the one with the least against it; empty = one of them holds. */
function leastBad(input: FinderInput, piles: readonly (readonly Layer[])[]): readonly Reason[] {
  const products = new Map(input.shelf.map((x) => [x.id, x]));
  let least: readonly Reason[] | null = null;
  for (const layers of piles) {
    const judged = judgeStack({
      region: input.region,
      stack: { prep: neededPrep(input.region), layers },
      productOf: (id) => products.get(id)!,
      protection: input.protection,
      air: null,
      coupons: input.coupons ?? [],
    });
    if (judged.outcome !== "judged") continue;
    const bad = judged.verdicts.filter((v) => v.verdict === "stop" || (v.verdict === "test" && !input.want.allowTests));
    const reasons = bad.map(
      (v): Reason => ({
        kind: "verdict",
        productId: layers[v.where.layer]?.productId ?? null,
        rule: v.rule,
        verdict: v.verdict,
      }),
    );
    if (least === null || reasons.length < least.length) least = reasons;
    if (least.length === 0) break;
  }
  return least ?? [];
}

export type WhyNot =
  | { readonly outcome: "never"; readonly reasons: readonly Reason[] }
  | { readonly outcome: "dearer"; readonly found: Found; readonly against: Found; readonly trade: Trade }
  | { readonly outcome: "best"; readonly found: Found };

/** Why a product is not in the best stack: never, with what stands against it, or at what price it could be. */
export function whyNot(input: FinderInput, productId: string): WhyNot {
  const p = input.shelf.find((x) => x.id === productId);
  if (!p) return { outcome: "never", reasons: [{ kind: "no-place", productId }] };
  const excluded = leftOut(p, input);
  if (excluded) return { outcome: "never", reasons: [excluded] };
  const { weights } = input.way;
  const best = searchBest(makeGraph({ ...input, want: { ...input.want, mustId: null } }), weights, 1).best[0] ?? null;
  const own =
    searchBest(makeGraph({ ...input, want: { ...input.want, mustId: productId } }), weights, 1).best[0] ?? null;
  if (!own) return { outcome: "never", reasons: whyNotProduct(input, p, best?.stack ?? null) };
  if (!best || own.cost <= best.cost + 1e-9) return { outcome: "best", found: own };
  return { outcome: "dearer", found: own, against: best, trade: { found: own, ...differences(own, best) } };
}

/** Why not this very stack: what stops it, or what it costs more than the best. */
export function whyNotStack(input: FinderInput, stack: Stack): WhyNot {
  const { weights } = input.way;
  const free = { ...input, want: { ...input.want, allowTests: true, mustId: null } };
  const own = weighStack(stack, { input: free }, weights);
  if (!own) {
    const products = new Map(input.shelf.map((x) => [x.id, x]));
    const a = judgeStack({
      region: input.region,
      stack,
      productOf: (id) => products.get(id)!,
      protection: input.protection,
      air: null,
      coupons: input.coupons ?? [],
    });
    const stops = a.outcome === "judged" ? a.verdicts.filter((v) => v.verdict === "stop") : [];
    return {
      outcome: "never",
      reasons: stops.map((v) => ({
        kind: "verdict",
        productId: stack.layers[v.where.layer]?.productId ?? null,
        rule: v.rule,
        verdict: v.verdict,
      })),
    };
  }
  const best = searchBest(makeGraph(free), weights, 1).best[0] ?? null;
  if (!best || own.cost <= best.cost + 1e-9) return { outcome: "best", found: own };
  return { outcome: "dearer", found: own, against: best, trade: { found: own, ...differences(own, best) } };
}
