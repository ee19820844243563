import { type PlanInput, type PlanRegion, planModel } from "@/core/plan";
import { layer, planInput, region } from "../tests/support/world";

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

const ROUNDS = 3;

function bestMs(work: () => void): number {
  let best = Number.POSITIVE_INFINITY;
  for (let i = 0; i < ROUNDS; i++) {
    const startMs = performance.now();
    work();
    best = Math.min(best, performance.now() - startMs);
  }
  return best;
}

let before: { readonly ops: number; readonly ms: number } | null = null;
for (const parts of [1, 3, 6, 12]) {
  const input = inputOf(parts);
  const answer = planModel(input);
  const ops = answer.outcome === "planned" ? answer.ops.length : 0;
  const ms = bestMs(() => planModel(input));
  const growth =
    before && ops > 0
      ? `, time grew as operations to the power ${(Math.log(ms / before.ms) / Math.log(ops / before.ops)).toFixed(2)}`
      : "";
  console.log(`${parts} parts, ${ops} operations, ${answer.outcome}: best of ${ROUNDS} ${ms.toFixed(0)} ms${growth}`);
  before = { ops: Math.max(1, ops), ms };
}
