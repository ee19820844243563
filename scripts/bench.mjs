/** npm run bench: one JSON line a result; timings on a shared machine are noisy, the best of several is told. */
import { execFileSync } from "node:child_process";
import { join } from "node:path";
import { ensureInstalled, ROOT } from "./lib/ensure.mjs";

ensureInstalled();
execFileSync(
  process.execPath,
  [join(ROOT, "node_modules/tsx/dist/cli.mjs"), join(ROOT, "scripts/bench.ts"), ...process.argv.slice(2)],
  {
    cwd: ROOT,
    stdio: "inherit",
  },
);
