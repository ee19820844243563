import { type JudgeAnswer, judgeStack } from "./judge";
import type { PlanInput, PlanRegion, RefusedStop } from "./types";

/** A region's pile as the plan sees it: with the shop's trials, and without the air of the moment. */
export const judgeRegion = (r: PlanRegion, input: PlanInput): JudgeAnswer =>
  judgeStack({
    ...r,
    productOf: input.productOf,
    protection: input.protection,
    air: null,
    coupons: input.coupons,
    today: input.today,
  });

/** Stops nobody has answered for. A reason counts only against a finish stop. */
export function openStops(
  r: PlanRegion,
  answer: Extract<JudgeAnswer, { outcome: "judged" }>,
  input: PlanInput,
): readonly RefusedStop[] {
  const reasons = new Set(
    input.overrides.filter((o) => o.regionId === r.region.id && o.reason.trim() !== "").map((o) => o.key),
  );
  return answer.verdicts
    .filter((v) => v.verdict === "stop" && (v.kind === "safety" || !reasons.has(v.key)))
    .map((v) => ({ regionId: r.region.id, verdict: v }));
}
