/** npm run demo: installs when needed, builds when stale, fills a demo database of its own, serves it, prints the address. */
import { spawn } from "node:child_process";
import { existsSync, mkdirSync, readFileSync, renameSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { ensureBuilt, ensureInstalled, freePort, heldBy, ROOT, seedDemo, serverArgs } from "./lib/ensure.mjs";

const HOME = join(ROOT, ".demo");
const DATA = join(HOME, "data");
const STAMP = join(DATA, "seeded-at");
/** The demo tells of things done half an hour ago; after a day that is a different story. */
const STALE_MS = 20 * 3600 * 1000;

function demoData() {
  const seededMs = existsSync(STAMP) ? Number(readFileSync(STAMP, "utf8")) : null;
  const fresh = process.argv.includes("--fresh");
  if (seededMs !== null && !fresh && Date.now() - seededMs < STALE_MS) {
    console.log("Going on with the demo as you left it (npm run demo -- --fresh starts it over).");
    return;
  }
  if (existsSync(DATA)) {
    const aside = join(HOME, `before-${new Date().toISOString().replaceAll(":", "")}`);
    renameSync(DATA, aside);
    console.log(`The earlier demo was put aside in ${aside}`);
  }
  mkdirSync(DATA, { recursive: true });
  seedDemo(DATA);
  writeFileSync(STAMP, String(Date.now()));
}

ensureInstalled();
ensureBuilt();
const held = await heldBy(DATA);
if (held !== null) {
  console.error(held);
  process.exit(1);
}
demoData();
const port = await freePort(Number(process.env.PORT ?? 4270));
const server = spawn(process.execPath, serverArgs(port), {
  cwd: ROOT,
  stdio: ["ignore", "ignore", "inherit"],
  env: { ...process.env, ELM_BENCH_DATA: DATA, NEXT_TELEMETRY_DISABLED: "1" },
});
for (const signal of ["SIGINT", "SIGTERM"]) process.on(signal, () => server.kill(signal));
server.on("exit", (code) => process.exit(code ?? 0));
const address = `http://127.0.0.1:${port}`;
for (let tries = 0; tries < 100; tries++) {
  const up = await fetch(`${address}/bench`).then(
    (r) => r.ok,
    () => false,
  );
  if (up) break;
  await new Promise((later) => setTimeout(later, 100));
}
console.log(`\nElm Bench, demo: ${address}\nStop it with Ctrl+C. Your own data is not touched.`);
