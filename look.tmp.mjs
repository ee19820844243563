import { spawn } from "node:child_process";
import { mkdtempSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { chromium } from "playwright";
import { ensureBuilt, freePort, seedDemo, serverArgs } from "./scripts/lib/ensure.mjs";
ensureBuilt();
const dir = mkdtempSync(join(tmpdir(), "look-"));
const clock = "2026-11-26T19:20:00Z";
seedDemo(dir, { ELM_BENCH_CLOCK: clock, ELM_BENCH_ZONE: "Europe/London" });
const port = await freePort(4600);
const server = spawn(process.execPath, serverArgs(port), { env: { ...process.env, ELM_BENCH_DATA: dir, ELM_BENCH_CLOCK: clock, TZ: "Europe/London" }, stdio: "ignore" });
for (let i = 0; i < 100; i++) { if (await fetch(`http://127.0.0.1:${port}/api/v1/openapi.json`).then((r) => r.ok, () => false)) break; await new Promise((r) => setTimeout(r, 200)); }
const browser = await chromium.launch({ executablePath: "/usr/bin/chromium", args: ["--no-sandbox", "--disable-gpu", "--disable-quic", "--no-first-run", "--disable-background-networking", "--disable-component-update", "--disable-sync"] });
const shots = JSON.parse(process.argv[2]);
for (const { name, path, w = 1280, h = 800, dark = false, full = false, steps = [] } of shots) {
  const ctx = await browser.newContext({ viewport: { width: w, height: h }, colorScheme: dark ? "dark" : "light" });
  const page = await ctx.newPage();
  page.on("pageerror", (e) => console.log(name, "ERROR", e.message));
  await page.goto(`http://127.0.0.1:${port}${path}`);
  await page.waitForTimeout(1200);
  for (const s of steps) { await eval(`(async()=>{${s}})()`); await page.waitForTimeout(600); }
  await page.screenshot({ path: `/tmp/shot-${name}.png`, fullPage: full });
  await ctx.close();
}
await browser.close();
process.kill(server.pid);
