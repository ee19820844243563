/** npm start: the application on the user's own data, in ELM_BENCH_DATA or ./data. */
import { spawn } from "node:child_process";
import { resolve } from "node:path";
import { ensureBuilt, ensureInstalled, freePort, heldBy, ROOT, serverArgs } from "./lib/ensure.mjs";

ensureInstalled();
ensureBuilt();
const data = resolve(process.env.ELM_BENCH_DATA ?? "data");
const held = await heldBy(data);
if (held !== null) {
  console.error(held);
  process.exit(1);
}
const port = await freePort(Number(process.env.PORT ?? 4280));
/** Loopback unless ELM_BENCH_BIND says otherwise; then ELM_BENCH_HOSTS must name what it answers to. */
const bind = process.env.ELM_BENCH_BIND ?? "127.0.0.1";
const server = spawn(process.execPath, serverArgs(port, bind), {
  cwd: ROOT,
  stdio: ["ignore", "ignore", "inherit"],
  env: { ...process.env, ELM_BENCH_DATA: data, NEXT_TELEMETRY_DISABLED: "1" },
});
for (const signal of ["SIGINT", "SIGTERM"]) process.on(signal, () => server.kill(signal));
server.on("exit", (code) => process.exit(code ?? 0));
console.log(`Elm Bench: http://${bind}:${port}\nData: ${data}\nStop it with Ctrl+C.`);
