/** npm run bench -- pages: what the served application costs a page, a start at the bench, and everybody else while a plan is made. */
import { execFileSync, spawn } from "node:child_process";
import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { CHROMIUM, ensureBuilt, ensureChromium, freePort, ROOT, serverArgs } from "../lib/ensure.mjs";

const CLOCK = "2026-11-26T19:20:00Z";
const PAGES = ["/bench", "/plan", "/stacks", "/parts", "/air", "/logbook"];
const ROUNDS = 20;
/** The demo has 13 regions; so many times over in one model. */
const SIZES = process.env.ELM_BENCH_TIMES?.split(",").map(Number) ?? [1, 4, 15];

const env = (data, more = {}) => ({
  ...process.env,
  ELM_BENCH_DATA: data,
  ELM_BENCH_CLOCK: CLOCK,
  ELM_BENCH_ZONE: "Europe/London",
  TZ: "Europe/London",
  NEXT_TELEMETRY_DISABLED: "1",
  ...more,
});
const tell = (row) => console.log(JSON.stringify(row));
const quantile = (list, q) => [...list].sort((a, b) => a - b)[Math.min(list.length - 1, Math.floor(q * list.length))];
const round = (x) => Math.round(x * 10) / 10;
const wait = (ms) => new Promise((later) => setTimeout(later, ms));

async function timed(work) {
  const began = performance.now();
  await work();
  return performance.now() - began;
}
const get = async (url) => {
  const answer = await fetch(url);
  await answer.text();
  if (!answer.ok) throw new Error(`${url} answered ${answer.status}`);
};

async function served(times, work) {
  const data = mkdtempSync(join(tmpdir(), "elm-bench-pages-"));
  const tsx = join(ROOT, "node_modules/tsx/dist/cli.mjs");
  execFileSync(process.execPath, [tsx, join(ROOT, "scripts/bench/grow.ts"), String(times)], {
    cwd: ROOT,
    env: env(data),
    stdio: ["ignore", "ignore", "inherit"],
  });
  const port = await freePort(4700);
  const countPort = await freePort(port + 1);
  const shim = ["--import", join(ROOT, "scripts/bench/count-sql.mjs")];
  const server = spawn(process.execPath, [...shim, ...serverArgs(port)], {
    cwd: ROOT,
    stdio: ["ignore", "ignore", "inherit"],
    env: env(data, { ELM_BENCH_COUNT_PORT: String(countPort) }),
  });
  try {
    const url = `http://127.0.0.1:${port}`;
    for (let tries = 0; tries < 150; tries++) {
      if (
        await fetch(`${url}/api/v1/openapi.json`).then(
          (r) => r.ok,
          () => false,
        )
      )
        break;
      await wait(200);
    }
    await work(url, async () => (await fetch(`http://127.0.0.1:${countPort}`)).json());
  } finally {
    const ended = new Promise((done) => server.once("exit", done));
    server.kill("SIGKILL");
    await ended;
    rmSync(data, { recursive: true, force: true });
  }
}

async function pages(url, counts, regions) {
  for (const page of PAGES) {
    const firstMs = await timed(() => get(url + page));
    const before = await counts();
    const ms = [];
    for (let i = 0; i < ROUNDS; i++) ms.push(await timed(() => get(url + page)));
    const after = await counts();
    const sql = (after.statements - before.statements) / ROUNDS;
    tell({
      bench: "pages",
      regions,
      page,
      first_ms: round(firstMs),
      median_ms: round(quantile(ms, 0.5)),
      sql: round(sql),
    });
  }
}

/** Small requests, one after the other, until told to stop: what everybody else feels. */
function everybodyElse(url) {
  const ms = [];
  let on = true;
  const gone = (async () => {
    while (on) {
      // a line that is hung up while it idles is taken up again: that is no waiting
      ms.push(await timed(() => get(`${url}/api/v1/climate`).catch(() => get(`${url}/api/v1/climate`))));
      await wait(10);
    }
  })();
  return async () => {
    on = false;
    await gone;
    return ms;
  };
}

/** A start pressed in the browser, and how long the others wait meanwhile. */
async function start(url, counts, regions) {
  const { chromium } = await import("@playwright/test");
  const browser = await chromium.launch({
    executablePath: CHROMIUM,
    args: ["--no-sandbox", "--disable-gpu", "--disable-quic", "--no-first-run", "--disable-background-networking"],
  });
  const page = await browser.newPage();
  await page.goto(`${url}/bench`, { waitUntil: "load" });
  await wait(3000);
  const stop = everybodyElse(url);
  const answered = page.waitForResponse((r) => r.request().method() === "POST" && r.url().endsWith("/bench"));
  await page.getByRole("button", { name: "Start", exact: true }).first().click();
  // from the browser's sending to the first byte of the answer
  const { requestStart, responseStart } = (await answered).request().timing();
  const startMs = responseStart - requestStart;
  await wait(8000);
  const others = await stop();
  await browser.close();
  tell({
    bench: "start",
    regions,
    acknowledged_ms: round(startMs),
    others: others.length,
    others_p99_ms: round(quantile(others, 0.99)),
    others_worst_ms: round(Math.max(...others)),
    rss_mb: Math.round((await counts()).rssMb),
  });
}

/** The whole document planned over the API while others ask. */
async function planPost(url, counts, regions) {
  const doc = await (await fetch(`${url}/api/v1/models/marram-lass`)).json();
  const stop = everybodyElse(url);
  await wait(300);
  const ms = await timed(async () => {
    const answer = await fetch(`${url}/api/v1/plan`, {
      method: "POST",
      headers: { "content-type": "application/json" },
      body: JSON.stringify({ document: doc, now: CLOCK }),
    });
    await answer.text();
    if (!answer.ok) throw new Error(`POST plan answered ${answer.status}`);
  });
  const others = await stop();
  tell({
    bench: "post-plan",
    regions,
    answered_ms: round(ms),
    others: others.length,
    others_p99_ms: round(quantile(others, 0.99)),
    others_worst_ms: round(Math.max(...others)),
    rss_mb: Math.round((await counts()).rssMb),
  });
}

ensureBuilt();
ensureChromium();
for (const times of SIZES)
  await served(times, async (url, counts) => {
    const regions = 13 * times;
    await pages(url, counts, regions);
    await start(url, counts, regions);
    await planPost(url, counts, regions);
  });
