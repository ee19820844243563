/** npm run shots: the pictures of docs/screenshots, from a fresh demo at a fixed hour. */
import { spawn } from "node:child_process";
import { mkdirSync, mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import {
  CHROMIUM,
  ensureBuilt,
  ensureChromium,
  ensureInstalled,
  freePort,
  ROOT,
  seedDemo,
  serverArgs,
} from "./lib/ensure.mjs";

const CLOCK = "2026-11-26T19:20:00Z";
const OUT = join(ROOT, "docs/screenshots");
const DAY = { viewport: { width: 1280, height: 800 }, colorScheme: "light" };
const LAMP = { ...DAY, colorScheme: "dark" };
const PHONE = { viewport: { width: 390, height: 844 }, colorScheme: "light", deviceScaleFactor: 2 };
const SHOTS = [
  ["bench", "/bench", DAY],
  ["wrong", "/bench?wrong=ml-hull-topsides", DAY],
  ["parts", "/parts", DAY],
  ["shelf", "/shelf?product=build-primer", DAY],
  ["begin", "/begin", DAY],
  ["colour", "/colour?region=ml-hull-topsides", DAY],
  ["stacks", "/stacks?region=ml-hull-topsides", DAY],
  ["find", "/stacks?region=ml-hull-topsides&find=1", DAY],
  ["air", "/air", DAY],
  ["film", "/film?region=ml-hull-topsides", DAY],
  ["coupons", "/coupons?coupon=ml-coupon-ramp", DAY],
  ["plan", "/plan", DAY],
  ["evenings", "/plan?view=evenings", DAY],
  ["card", "/plan/card", DAY],
  ["logbook", "/logbook", DAY],
  ["record", "/record", DAY],
  ["settings", "/settings", DAY],
  ["sums", "/sums?sum=quantities&product=lightship-white&region=ml-hull-topsides", LAMP],
  ["bench-phone", "/bench", PHONE],
];

ensureInstalled();
ensureBuilt();
ensureChromium();
const { chromium } = await import("@playwright/test");
const data = mkdtempSync(join(tmpdir(), "elm-bench-shots-"));
const clock = { ELM_BENCH_CLOCK: CLOCK, ELM_BENCH_ZONE: "Europe/London" };
seedDemo(data, clock);
const port = await freePort(4600);
const server = spawn(process.execPath, serverArgs(port), {
  cwd: ROOT,
  stdio: "ignore",
  env: { ...process.env, ...clock, ELM_BENCH_DATA: data },
});
const base = `http://127.0.0.1:${port}`;
for (let tries = 0; tries < 150; tries++) {
  if (
    await fetch(`${base}/bench`).then(
      (r) => r.ok,
      () => false,
    )
  )
    break;
  await new Promise((later) => setTimeout(later, 200));
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
mkdirSync(OUT, { recursive: true });
for (const [name, path, options] of SHOTS) {
  const page = await browser.newPage({ ...options, locale: "en-GB", timezoneId: "Europe/London" });
  await page.goto(base + path, { waitUntil: "load" });
  await page.waitForTimeout(path.startsWith("/film") || path === "/air" || path.includes("report=") ? 4000 : 1200);
  await page.screenshot({ path: join(OUT, `${name}.png`) });
  await page.close();
  console.log(`docs/screenshots/${name}.png`);
}
await browser.close();
server.kill();
rmSync(data, { recursive: true, force: true });
