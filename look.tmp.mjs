import { spawn } from "node:child_process";
import { mkdtempSync } from "node:fs";
const { seedDemo, serverArgs, freePort, CHROMIUM, ROOT } = await import("./scripts/lib/ensure.mjs");
const { chromium } = await import("@playwright/test");
const data = mkdtempSync("/tmp/pics-"); const clock = { ELM_BENCH_CLOCK: "2026-11-26T19:20:00Z", ELM_BENCH_ZONE: "Europe/London", TZ: "Europe/London" };
if (!process.env.EMPTY) seedDemo(data, clock);
const port = await freePort(4900);
const server = spawn(process.execPath, serverArgs(port), { cwd: ROOT, stdio: ["ignore", "ignore", "inherit"], env: { ...process.env, ...clock, ELM_BENCH_DATA: data } });
const base = `http://127.0.0.1:${port}`;
for (let i = 0; i < 100; i++) { if (await fetch(base + "/bench").then((r) => r.ok, () => false)) break; await new Promise((r) => setTimeout(r, 200)); }
const browser = await chromium.launch({ executablePath: CHROMIUM, args: ["--no-sandbox", "--disable-gpu"] });
try { await (await import(process.argv[2])).default({ browser, base }); } finally { await browser.close(); server.kill(); }
