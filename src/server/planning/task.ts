import type { SentPlanInput } from "@/contracts";
import { type Product, productsNamedIn } from "@/core/model";
import type { PlanAnswer, PlanInput } from "@/core/plan";
import type { PlanJob } from "@/workers/tasks";
import { airFacts } from "../workspace/fingerprint";
import type { PlanSources } from "../workspace/input";
import type { BenchSnapshot } from "../workspace/snapshot";
import { groupOf } from "../workspace/together";

/**
 * How a plan is made: laid out afresh, kept as it was as far as it can be, or taken over from elsewhere; that has to be better than
 * what is in force, unless somebody chose it for what it is.
 */
export type PlanHow =
  | "afresh"
  | "keep"
  | { readonly starts: Readonly<Record<string, number>>; readonly chosen: boolean };

/** A request is answered after so much search with the best plan so far; longer searches are for the screen's worker, ms. */
const SEARCH_MS = 2500;

/** An input as it can be sent: products by their best evidence as a list. A worker that knew other figures would plan other waits. */
export function sent({ productOf, ...input }: PlanInput, products: ReadonlyMap<string, Product>): SentPlanInput {
  return { ...input, products: [...products.keys()].map(productOf) };
}

/** Starts of what a plan still had to come. */
function startsOf(answer: PlanAnswer | undefined): PlanInput["before"] {
  if (answer?.outcome !== "planned") return undefined;
  return Object.fromEntries(answer.ops.filter((o) => o.state === "planned").map((o) => [o.id, o.startMin]));
}

/** What the film model's answers hang on beside the hours. */
function lookKey({ shop, air, tree }: PlanSources, productOf: PlanInput["productOf"]): string {
  const used = tree.flatMap((p) => p.regions.flatMap((r) => productsNamedIn(r.stack)));
  const facts = [...new Set(used)].sort().map(productOf);
  const newest = air.readings.at(-1)?.atMs ?? null;
  return JSON.stringify([shop.air, shop.timeZone, shop.caution, airFacts(shop, air), newest, facts]);
}

/** The job of planning everything active as it stands; null = nothing is. */
export function jobOf(bench: BenchSnapshot, how: PlanHow, products: ReadonlyMap<string, Product>): PlanJob | null {
  const { input, sources, members, plan } = bench;
  if (!input || !sources) return null;
  const before = plan?.answer;
  const starts = startsOf(before);
  const sameAim = before?.outcome === "planned" && before.objective === input.wishes?.objective;
  const kept = how === "keep" && sameAim ? starts : undefined;
  return {
    input: sent({ ...input, before: starts }, products),
    groups: members.map(groupOf),
    keep: (typeof how === "object" ? how.starts : kept) ?? null,
    looked: lookKey(sources, input.productOf),
    budgetMs: SEARCH_MS,
  };
}
