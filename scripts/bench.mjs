/** npm run bench: how planning scales, as counts and ratios; timings on a shared machine are noisy, the best of several is told. */
import { execFileSync } from "node:child_process";
import { join } from "node:path";
import { ensureInstalled, ROOT } from "./lib/ensure.mjs";

ensureInstalled();
execFileSync(process.execPath, [join(ROOT, "node_modules/tsx/dist/cli.mjs"), join(ROOT, "scripts/bench.ts")], {
  cwd: ROOT,
  stdio: "inherit",
});
