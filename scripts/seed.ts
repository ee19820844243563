import { loadDemo, makePlan } from "@/server";

/** Puts the demo into the database that ELM_BENCH_DATA names, and plans it. */
const loaded = loadDemo(true);
const planned = loaded.ok ? await makePlan(loaded.value.modelId) : loaded;
if (!planned.ok) {
  console.error(planned.problem.detail);
  process.exit(1);
}
