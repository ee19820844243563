import { spawn } from "node:child_process";
import { mkdtempSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { chromium } from "@playwright/test";
import { CHROMIUM, freePort, ROOT, seedDemo, serverArgs } from "./scripts/lib/ensure.mjs";

const data = mkdtempSync(join(tmpdir(), "elm-look-"));
const clock = { ELM_BENCH_CLOCK: "2026-11-26T19:20:00Z", ELM_BENCH_ZONE: "Europe/London" };
seedDemo(data, clock);
const port = await freePort(4700);
const server = spawn(process.execPath, serverArgs(port), {
  cwd: ROOT,
  stdio: "ignore",
  env: { ...process.env, ...clock, ELM_BENCH_DATA: data },
});
const base = `http://127.0.0.1:${port}`;
for (let i = 0; i < 150; i++) {
  if (
    await fetch(`${base}/bench`).then(
      (r) => r.ok,
      () => false,
    )
  )
    break;
  await new Promise((r) => setTimeout(r, 200));
}
const browser = await chromium.launch({
  executablePath: CHROMIUM,
  args: [
    "--no-sandbox",
    "--disable-gpu",
    "--disable-quic",
    "--no-first-run",
    "--disable-background-networking",
    "--disable-component-update",
    "--disable-sync",
  ],
});
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
const steps = (await import(process.argv[2])).default;
try {
  await steps({ page, base, browser });
} catch (e) {
  console.log(String(e).slice(0, 800));
  await page.screenshot({ path: "/tmp/fail.png" });
}
await browser.close();
server.kill();
