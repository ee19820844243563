import { createHash } from "node:crypto";
import type { RegionNode } from "@/contracts";
import { type JudgeAnswer, type JudgeInput, judgeWithDoubts } from "@/core/judge";
import { type Product, productsNamedIn } from "@/core/model";
import { judgeRegion, type PlanInput } from "@/core/plan";
import type { PlanRegion } from "@/core/work";

/**
 * Verdicts outlive the revision they were reached at: a reading of the air, or work on another part, leaves a pile as it was judged.
 * Kept by what they were reached from, letter by letter, so that nothing stale can be taken for fresh.
 */
// the pile as it is, with rounds put in over its putty or bare, and as it was before the last change
const KEPT_A_REGION = 6;
type Shelf = Map<string, Map<string, JudgeAnswer>>;
const holder = globalThis as unknown as { elmBenchVerdicts?: { readonly plan: Shelf; readonly now: Shelf } };
const kept = () => {
  holder.elmBenchVerdicts ??= { plan: new Map(), now: new Map() };
  return holder.elmBenchVerdicts;
};

function remembered(shelf: Shelf, regionId: string, from: string, judge: () => JudgeAnswer): JudgeAnswer {
  const key = createHash("sha256").update(from).digest("base64");
  const own = shelf.get(regionId) ?? new Map<string, JudgeAnswer>();
  shelf.set(regionId, own);
  const known = own.get(key);
  if (known) return known;
  const answer = judge();
  if (own.size >= KEPT_A_REGION) own.delete(own.keys().next().value!);
  own.set(key, answer);
  return answer;
}

type Pile = Pick<RegionNode, "region" | "stack">;

/** A pile and every product named in it, as text. */
function textOf(productOf: (id: string) => Product): (pile: Pile) => string {
  const texts = new Map<string, string>();
  const text = (id: string): string => {
    const own = texts.get(id) ?? JSON.stringify(productOf(id));
    texts.set(id, own);
    return own;
  };
  return ({ region, stack }) => {
    return JSON.stringify([region, stack]) + productsNamedIn(stack).map(text).join("");
  };
}

/** As the plan judges: without the air of the moment. */
export function judgedForPlan(input: PlanInput): (r: PlanRegion) => JudgeAnswer {
  const text = textOf(input.productOf);
  const world = JSON.stringify([input.protection, input.coupons, input.today]);
  return (r) => remembered(kept().plan, r.region.id, world + text(r), () => judgeRegion(r, input));
}

/** What a pile is judged with at one minute. */
export type JudgeWorld = Pick<JudgeInput, "productOf" | "protection" | "coupons" | "today" | "air">;

/** As the screens judge: in the air of the minute, with what finding out the doubts would bring. */
export function judgedAt(world: JudgeWorld): (node: Pile) => JudgeAnswer {
  const { productOf, ...said } = world;
  const text = textOf(productOf);
  const from = JSON.stringify(said);
  return ({ region, stack }) =>
    remembered(kept().now, region.id, from + text({ region, stack }), () =>
      judgeWithDoubts({ region, stack, ...world }),
    );
}
