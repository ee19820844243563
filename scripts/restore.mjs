/** npm run restore: lists the copies of the data folder; with the name of one behind --, puts it back. */
import { join, resolve } from "node:path";
import { ensureInstalled, heldBy, ROOT, run } from "./lib/ensure.mjs";

ensureInstalled();
const data = resolve(process.env.ELM_BENCH_DATA ?? "data");
const held = await heldBy(data);
if (held !== null) {
  console.error(held);
  process.exit(1);
}
const script = [join(ROOT, "node_modules/tsx/dist/cli.mjs"), join(ROOT, "scripts/restore.ts")];
process.exitCode = run(process.execPath, [...script, ...process.argv.slice(2)], {
  env: { ...process.env, ELM_BENCH_DATA: data },
});
