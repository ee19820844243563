import { readFileSync } from "node:fs";
import { PAGES } from "./load.mjs";

const rssMb = (pid) => Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, "utf8"))[1]) / 1024;
const mean = (list) => list.reduce((a, b) => a + b, 0) / list.length;

/**
 * A bench left open for long: every second a few pages, every other second a reading, every five minutes a whole plan.
 * @returns MB of memory each minute, and how the last quarter of the time stands to the second
 */
export async function long(url, pid, { minutes }) {
  const get = async (path, init) => {
    const answer = await fetch(url + path, init);
    const body = await answer.text();
    if (!answer.ok) throw new Error(`${path}: ${answer.status} ${body.slice(0, 200)}`);
    return body;
  };
  const post = (path, value) =>
    get(path, { method: "POST", headers: { "content-type": "application/json" }, body: JSON.stringify(value) });
  const document = JSON.parse(await get("/api/v1/models/marram-lass?photos=none"));
  const mb = [];
  let n = 0;
  const began = Date.now();
  for (let second = 0; second < minutes * 60; second++) {
    for (let i = 0; i < 3; i++) await get(PAGES[n++ % PAGES.length]);
    const at = new Date().toISOString();
    if (second % 2 === 0)
      await post("/api/v1/climate/readings", { at, temp_c: 12 + Math.sin(n / 500), rh_pct: 60, source: "long" });
    if (second % 300 === 60) await post("/api/v1/plan", { document, now: at });
    if (second % 60 === 59) mb.push(Math.round(rssMb(pid)));
    await new Promise((later) => setTimeout(later, Math.max(0, began + (second + 1) * 1000 - Date.now())));
  }
  const quarter = Math.floor(mb.length / 4);
  return { mb, grown: mean(mb.slice(-quarter)) / mean(mb.slice(quarter, 2 * quarter)) };
}
