import { type JudgeAnswer, judgeStack, type PlacedVerdict } from "../judge";
import type { PlanRegion } from "../work";
import type { PlanInput, RefusedStop } from "./types";

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

/** Whether a stop of a region still stands. A reason counts only against a finish stop. */
export function stillStops(regionId: string, input: PlanInput): (v: PlacedVerdict) => boolean {
  const reasons = new Set(
    input.overrides.filter((o) => o.regionId === regionId && o.reason.trim() !== "").map((o) => o.key),
  );
  return (v) => v.verdict === "stop" && (v.kind === "safety" || !reasons.has(v.key));
}

/** Stops nobody has answered for. */
export function openStops(
  r: PlanRegion,
  answer: Extract<JudgeAnswer, { outcome: "judged" }>,
  input: PlanInput,
): readonly RefusedStop[] {
  return answer.verdicts.filter(stillStops(r.region.id, input)).map((verdict) => ({ regionId: r.region.id, verdict }));
}
