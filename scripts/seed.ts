import { loadDemo } from "@/server";

/** Puts the demo into the database that ELM_BENCH_DATA names. */
const report = loadDemo(true);
if (!report.ok) {
  console.error(report.problem.detail);
  process.exit(1);
}
