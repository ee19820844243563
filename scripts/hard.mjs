/**
 * npm run hard: what is too long for the gate. Without a name everything; with one or more of them only those.
 *   piles   every pile of the shelf at every freshness, the long random walks
 *   kills   a thousand kills: at the bench, amid imports, copies, copies put back, and a database brought up to today's shape
 *   fuzz    bodies that are nearly right, over every endpoint that writes or reckons
 *   load    reads and writes together, for a while, on the demo
 *   long    an hour of pages, readings and plans: does its memory grow
 *   years   ten years of a busy shed: first page, pages, writes
 */
import { execFileSync, spawn } from "node:child_process";
import { mkdtempSync, rmSync, statSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { fuzz } from "./hard/fuzz.mjs";
import { load, PAGES } from "./hard/load.mjs";
import { long } from "./hard/long.mjs";
import { ensureBuilt, ensureInstalled, freePort, ROOT, run, seedDemo, serverArgs } from "./lib/ensure.mjs";

const KNOWN = ["piles", "kills", "fuzz", "load", "long", "years"];
const asked = process.argv.slice(2);
const unknown = asked.filter((a) => !KNOWN.includes(a));
if (unknown.length > 0) {
  console.error(`Not known: ${unknown.join(" ")}. Known are ${KNOWN.join(", ")}.`);
  process.exit(1);
}
const wanted = (name) => asked.length === 0 || asked.includes(name);
const number = (name, usual) => Number(process.env[name] ?? usual);
const fail = (why) => {
  console.error(why);
  process.exitCode = 1;
};

/** A server on data of its own, for as long as the work takes. */
async function served(fill, work) {
  const data = mkdtempSync(join(tmpdir(), "elm-bench-hard-"));
  const env = { ...process.env, ELM_BENCH_DATA: data, NEXT_TELEMETRY_DISABLED: "1" };
  fill(data, env);
  const port = await freePort(4900);
  const server = spawn(process.execPath, serverArgs(port), { cwd: ROOT, stdio: ["ignore", "ignore", "inherit"], env });
  const url = `http://127.0.0.1:${port}`;
  try {
    for (let tries = 0; tries < 600; tries++) {
      const up = await fetch(`${url}/api/v1/openapi.json`).then(
        (r) => r.ok,
        () => false,
      );
      if (up) break;
      await new Promise((later) => setTimeout(later, 200));
    }
    await work(url, data, server.pid);
  } finally {
    const ended = new Promise((done) => server.once("exit", done));
    server.kill("SIGKILL");
    await ended;
    rmSync(data, { recursive: true, force: true });
  }
}

ensureInstalled();
const jest = (name, ...args) => {
  const env = { ...process.env, ELM_BENCH_HARD: "1" };
  if (run(join(ROOT, "node_modules/.bin/jest"), args, { env }) !== 0) fail(`${name}: see above`);
};
if (wanted("piles")) jest("piles", "src/core/film/piles", "tests/property", "--testPathIgnorePatterns", "kills");
if (wanted("kills")) jest("kills", "tests/property/kills");
if (["fuzz", "load", "long", "years"].some(wanted)) ensureBuilt();
if (wanted("fuzz"))
  await served(seedDemo, async (url) => {
    const told = await fuzz(url, { bodies: number("ELM_BENCH_BODIES", 50_000), seed: number("ELM_BENCH_SEED", 1909) });
    const { faults, slow, changed, unfit, ...sums } = told;
    console.log("fuzz", { ...sums, faults: faults.length, slow: slow.length, changed: changed.length });
    for (const f of [...faults, ...slow, ...changed].slice(0, 20))
      console.log(f.path, f.status ?? "", f.tookMs, "ms", f.text);
    for (const line of unfit) console.log("refused as it is:", line);
    if (faults.length + slow.length + changed.length + unfit.length > 0) fail("fuzz: see above");
  });
if (wanted("load"))
  await served(seedDemo, async (url, _data, pid) => {
    const told = await load(url, pid, {
      seconds: number("ELM_BENCH_SECONDS", 60),
      reads: number("ELM_BENCH_READS", 50),
      writes: number("ELM_BENCH_WRITES", 5),
    });
    console.log("load", told);
    if (told.errors > 0) fail("load: some were not answered");
    if (told.p99Ms > 500) fail("load: one in a hundred waited longer than half a second");
  });
if (wanted("long"))
  await served(seedDemo, async (url, _data, pid) => {
    const told = await long(url, pid, { minutes: number("ELM_BENCH_MINUTES", 60) });
    console.log("long", told);
    if (told.grown > 1.1) fail("long: its memory grows");
  });
if (wanted("years")) {
  const fill = (_, env) =>
    execFileSync(process.execPath, [join(ROOT, "node_modules/tsx/dist/cli.mjs"), join(ROOT, "scripts/hard/years.ts")], {
      cwd: ROOT,
      env,
      stdio: ["ignore", "inherit", "inherit"],
    });
  await served(fill, async (url, data) => {
    const timed = async (path, init) => {
      const began = performance.now();
      const answer = await fetch(url + path, init);
      await answer.arrayBuffer();
      return Math.round(performance.now() - began);
    };
    console.log(
      "years: file",
      Math.round(statSync(join(data, "elm-bench.db")).size / 1e6),
      "MB; first page",
      await timed("/bench"),
      "ms",
    );
    for (const path of PAGES) {
      const took = [];
      for (let n = 0; n < 9; n++) took.push(await timed(path));
      console.log(path.padEnd(40), took.sort((a, b) => a - b)[4], "ms, the middle of nine");
    }
    const write = { method: "POST", headers: { "content-type": "application/json" } };
    for (let n = 0; n < 5; n++) {
      const body = JSON.stringify({ at: new Date().toISOString(), temp_c: 10 + n, rh_pct: 60, source: "hard" });
      console.log(
        "a reading",
        await timed("/api/v1/climate/readings", { ...write, body }),
        "ms; the bench after it",
        await timed("/bench"),
        "ms",
      );
    }
  });
}
