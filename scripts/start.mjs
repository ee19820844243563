/** npm start: the application on the user's own data, in ELM_BENCH_DATA or ./data. With --lan its local network is let in by pairing. */
import { spawn } from "node:child_process";
import { join, resolve } from "node:path";
import { ensureBuilt, ensureInstalled, freePort, heldBy, ROOT, serverArgs } from "./lib/ensure.mjs";

const asked = process.argv.slice(2);
const unknown = asked.filter((a) => !["--lan", "--https", "--new-phrase"].includes(a));
const alone = asked.length > 0 && !asked.includes("--lan");
if (unknown.length > 0 || alone) {
  const what =
    unknown.length > 0 ? `Not known: ${unknown.join(" ")}.` : `${asked.join(" ")} means nothing without --lan.`;
  console.error(`${what} Known are --lan, and with it --https and --new-phrase.`);
  process.exit(1);
}

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
const lan = asked.includes("--lan") ? await openDoor() : null;
/** A page left open somewhere would hold the server for as long as it listens; what is acknowledged is on disk by then. */
const LEAVES_AFTER_MS = 3000;
for (const signal of ["SIGINT", "SIGTERM"])
  process.on(signal, () => {
    lan?.kill(signal);
    server.kill(signal);
    setTimeout(() => server.kill("SIGKILL"), LEAVES_AFTER_MS).unref();
  });
server.on("exit", (code) => {
  lan?.kill();
  process.exit(code ?? 0);
});
console.log(`Elm Bench: http://${bind}:${port}\nData: ${data}\nStop it with Ctrl+C.`);

/** The application stays on loopback; what is of the network goes through a door of its own that knows its devices. */
async function openDoor() {
  const outside = await freePort(Number(process.env.ELM_BENCH_LAN_PORT ?? port + 1), "0.0.0.0");
  const door = [
    join(ROOT, "node_modules/tsx/dist/cli.mjs"),
    join(ROOT, "scripts/door.ts"),
    data,
    String(port),
    String(outside),
  ];
  const how = [
    asked.includes("--https") ? "https" : "http",
    asked.includes("--new-phrase") ? "new-phrase" : "as-before",
  ];
  return spawn(process.execPath, [...door, ...how], { cwd: ROOT, stdio: "inherit", env: process.env });
}
