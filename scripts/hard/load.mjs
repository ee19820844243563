import { readFileSync } from "node:fs";

/** Pages and answers that are asked for together. */
export const PAGES = [
  "/bench",
  "/plan",
  "/shelf",
  "/parts",
  "/stacks",
  "/film",
  "/air",
  "/logbook",
  "/record",
  "/colour",
  "/coupons",
  "/sums",
  "/settings",
  "/api/v1/models/marram-lass?photos=none",
  "/api/v1/shelf.json",
  "/api/v1/climate",
];
const PATIENCE_MS = 20_000;
/** The program is compiled as it runs: so often every page is asked for before anything is counted. */
const WARM_ROUNDS = 25;

/** Clock ticks of 10 ms: all there were, those other machines took of ours, those a process had. Of Linux. */
const ticks = (pid) => {
  const all = readFileSync("/proc/stat", "utf8").split("\n")[0].trim().split(/\s+/).slice(1).map(Number);
  const own = readFileSync(`/proc/${pid}/stat`, "utf8").split(") ")[1].split(" ");
  return { all: all.slice(0, 8).reduce((a, b) => a + b, 0), stolen: all[7], own: Number(own[11]) + Number(own[12]) };
};

/** A device that is never still: up to a quarter of a degree up or down each time, °C, the same in every run. */
const jitter = (n) => (((n * 7919) % 1000) / 1000 - 0.5) * 0.5;

/**
 * So many reads and writes a second, whether or not the earlier ones were answered.
 * @returns ms and counts; `stolen` is the share of the time this machine's processors were somebody else's, `cores` what the server used
 */
export async function load(url, pid, { seconds, reads, writes }) {
  const took = [];
  let errors = 0;
  const one = async (path, init) => {
    const began = performance.now();
    const ok = await fetch(url + path, { ...init, signal: AbortSignal.timeout(PATIENCE_MS) }).then(
      async (r) => {
        await r.arrayBuffer();
        return r.ok;
      },
      () => false,
    );
    if (!ok) errors += 1;
    took.push(performance.now() - began);
  };
  for (let round = 0; round < WARM_ROUNDS; round++) for (const path of PAGES) await one(path);
  took.length = 0;
  const before = ticks(pid);
  const began = performance.now();
  const running = [];
  for (let n = 0; performance.now() - began < seconds * 1000; ) {
    for (; n < ((performance.now() - began) / 1000) * (reads + writes); n++) {
      const body = JSON.stringify({
        at: new Date().toISOString(),
        temp_c: 12 + Math.sin(n / 500) + jitter(n),
        rh_pct: 60,
        source: "load",
      });
      const write = { method: "POST", headers: { "content-type": "application/json" }, body };
      running.push(
        n % (reads + writes) < writes ? one("/api/v1/climate/readings", write) : one(PAGES[n % PAGES.length]),
      );
    }
    await new Promise((later) => setTimeout(later, 5));
  }
  await Promise.all(running);
  const after = ticks(pid);
  const ranS = (performance.now() - began) / 1000;
  took.sort((a, b) => a - b);
  const at = (share) => Math.round(took[Math.min(took.length - 1, Math.floor(took.length * share))]);
  return {
    asked: took.length,
    errors,
    p50Ms: at(0.5),
    p90Ms: at(0.9),
    p99Ms: at(0.99),
    mostMs: at(1),
    cores: Math.round((after.own - before.own) / ranS) / 100,
    stolen: `${Math.round((100 * (after.stolen - before.stolen)) / (after.all - before.all))} %`,
  };
}
