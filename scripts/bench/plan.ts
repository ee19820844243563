import { type PlanInput, type PlanRegion, planModel } from "@/core/plan";
import { layer, planInput, region } from "../../tests/support/world";
import { bestMs, peakMb, power, round1, tell } from "./measure";

/** A filament part with nine steps of its own. */
const part = (i: number): PlanRegion => ({
  region: region({ id: `part${i}`, material: "petg", conditions: ["dusty"], areaCm2: 60 }),
  stack: {
    prep: ["wash", "key", "dust-off"],
    layers: [
      layer("build-primer", { coats: 2, heaviness: "wet", sandAfter: { grit: 400, wet: true, takesUm: 15 } }),
      layer("grey-primer"),
      layer("estuary-blue", { coats: 2 }),
    ],
  },
});

const inputOf = (parts: number): PlanInput =>
  planInput(
    Array.from({ length: parts }, (_, i) => part(i)),
    { air: { kind: "day", meanC: 15, swingC: 4 } },
  );

export function benchPlan(): void {
  let before: { readonly ops: number; readonly ms: number } | null = null;
  for (const parts of [1, 3, 6, 12]) {
    const input = inputOf(parts);
    const answer = planModel(input);
    const ops = answer.outcome === "planned" ? answer.ops.length : 0;
    const ms = bestMs(() => planModel(input));
    const grew = before && ops > 0 ? { time_by_ops_to_the_power: power(before.ops, before.ms, ops, ms) } : {};
    tell({ bench: "plan", parts, ops, outcome: answer.outcome, ms: round1(ms), ...grew, peak_mb: peakMb() });
    before = { ops: Math.max(1, ops), ms };
  }
}
