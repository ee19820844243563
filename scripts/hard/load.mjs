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

/** So many reads and writes a second, whether or not the earlier ones were answered. @returns ms and counts */
export async function load(url, { seconds, reads, writes }) {
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
  for (const path of PAGES) await one(path);
  took.length = 0;
  const began = performance.now();
  const running = [];
  for (let n = 0; performance.now() - began < seconds * 1000; ) {
    for (; n < ((performance.now() - began) / 1000) * (reads + writes); n++) {
      const body = JSON.stringify({
        at: new Date().toISOString(),
        temp_c: 12 + Math.sin(n / 500),
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
  took.sort((a, b) => a - b);
  const at = (share) => Math.round(took[Math.min(took.length - 1, Math.floor(took.length * share))]);
  return { asked: took.length, errors, p50Ms: at(0.5), p99Ms: at(0.99), mostMs: at(1) };
}
