/** npm run hard: what is too long for the gate. Every pile of the shelf at every freshness, and the long random walks. */
import { join } from "node:path";
import { ensureInstalled, ROOT, run } from "./lib/ensure.mjs";

ensureInstalled();
process.env.ELM_BENCH_HARD = "1";
process.exitCode = run(join(ROOT, "node_modules/.bin/jest"), ["src/core/film/piles", "tests/property"]);
