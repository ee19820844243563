import { readFileSync } from "node:fs";
import { problemOfInstance } from "@/core/schedule";
import { graphOf } from "@/core/schedule/graph";
import { Placer } from "@/core/schedule/placer";
import { seededRandom } from "@/core/base";
import { Evenings } from "@/core/schedule/evenings";
import { Outlook } from "@/core/schedule/outlook";
import { lowerBound } from "@/core/schedule/bound";
const SEC = Number(process.argv[2]);
const mode = process.argv[3]!;
const files = process.argv.slice(4);
const best = new Map<string, number>();
for (const d of ["tests/vectors/schedule", "/work/shared/vectors/schedule/more"]) for (const o of JSON.parse(readFileSync(d + "/optima.json", "utf8"))) best.set(o.id, o.best);
let sum = 0, worst = 0, sum2=0;
for (const f of files) {
  const inst = JSON.parse(readFileSync(f, "utf8"));
  const p = problemOfInstance(inst);
  const g = graphOf(p), pl = new Placer(p, g), random = seededRandom(5);
  const n = pl.ids.length;
  const bound = lowerBound(p, g);
  const tail = Float64Array.from(pl.ids, (i) => g.tailMin.get(i)!);
  let pr: Float64Array = tail.slice(), hold: Float64Array = new Float64Array(n);
  const t0 = performance.now();
  const el = () => (performance.now() - t0) / 1000;
  const energy = () => { let e = 0, s = 0; for (let i = 0; i < n; i++) { const x = pl.end[i]!; if (x > e) e = x; s += x; } return [e, e + 0.02 * s / n] as const; };
  let bestEnd = Infinity, at2 = Infinity, tries = 0, bestAt = 0;
  const evalIt = (a: Float64Array, h: Float64Array) => { tries++; if (!pl.place(a, h)) return null; const [e, en] = energy(); if (e < bestEnd) { bestEnd = e; bestAt = el(); if (bestAt < SEC / 5) at2 = e; } return en; };
  let cur = evalIt(pr, hold) ?? Infinity;
  let starts = pl.start.slice(), ends = pl.end.slice();
  if (mode === "sa") {
    let cycle = 60 * 8, from = 0;
    while (el() < SEC && bestEnd > bound) {
      if (tries - from >= cycle) { from = tries; cycle = Math.ceil(cycle * 1.25); }
      const into = (tries - from) / cycle;
      const afresh = into < 0.25 || cur === Infinity;
      let np: Float64Array, nh: Float64Array;
      if (afresh) { np = tail.map((x) => x * (0.6 + 0.8 * random())); nh = new Float64Array(n); }
      else {
        np = pr.slice(); nh = hold.slice();
        const c = 1 + Math.floor(4 * random());
        for (let k = 0; k < c; k++) {
          const i = Math.floor(random() * n);
          if (random() < 0.3) { const o = Math.floor(random() * n); if (nh[i]! > 0 || o === i) nh[i] = 0; else nh[i] = ends[o]!; }
          else if (random() < 0.5) np[i] = np[Math.floor(random() * n)]! * (0.98 + 0.04 * random());
          else np[i] = np[i]! * (0.5 + random());
        }
      }
      const first = tries === from;
      const e = evalIt(np, nh);
      if (e === null) continue;
      const left = afresh ? 0 : 1 - into;
      if ((first && afresh) || e <= cur || random() < Math.exp(-((e - cur) / cur) / (0.01 * left + 1e-9))) { cur = e; pr = np; hold = nh; starts = pl.start.slice(); ends = pl.end.slice(); }
    }
  }
  if (mode === "ev") {
    const E = (k: string, d: number) => Number(process.env[k] ?? d);
    const D = E("D", 2), B = E("B", 4), L = E("L", 40), U = E("U", 1), POOL = E("POOL", 6), W = E("W", 0.3);
    const ev = new Evenings(p, g, pl, "hands");
    const S = p.sessions;
    const capFrom = (b: number, T: number) => S.reduce((x, s) => x + Math.max(0, Math.min(s.endMin, T) - Math.max(s.startMin, b)), 0);
    const afterWork = (b: number, w: number) => { for (const s of S) { const a = Math.max(b, s.startMin); if (s.endMin <= a) continue; if (w <= s.endMin - a) return a + w; w -= s.endMin - a; } return Infinity; };
    const clockOfTail = (t: number) => t;
    const out = new Outlook(p, g, pl, ev.minutes, (_, l) => l);
    const allPools = new Map<number, Map<number, { starts: Float64Array; pot: number }[]>>();
    let aborted = 0;
    const bySession = S.map((s) => s.endMin);
    while (el() < SEC && bestEnd > bound) {
      tries++;
      const last = S.findIndex((s) => s.endMin >= bestEnd);
      const low = bySession.filter((e) => e >= bound && e < bestEnd);
      const x = random();
      const T = bestEnd === Infinity ? Infinity : low.length === 0 ? bestEnd - 1 : x < 0.35 ? low[0]! : x < 0.7 ? low.at(-1)! : bestEnd - 1;
      const pools = allPools.get(T) ?? new Map(); allPools.set(T, pools);
      const noise = tail.map(() => 1 + E("N", 0.4) * (random() - 0.5));
      if (T < Infinity) out.aimAt(T);
      const np = tail.map((x, i) => x * noise[i]!);
      let from = 0; let kept: Float64Array | null = null;
      if (tries > 1 && random() > W) {
        const ks = [...pools.keys()];
        const k = ks[Math.floor(random() * ks.length)];
        if (k !== undefined) { const pool = pools.get(k)!; const c = pool[Math.floor(random() * pool.length)]!; kept = c.starts; from = k; }
      }
      const pack = { urgency: U * (0.2 + 1.8 * random()), discrepancies: D, breadth: B, leaves: L, nodes: E("ND", 400) };
      const ok = ev.fill(np, pack, kept, from, (b) => {
        if (T === Infinity) return true;
        const sp = out.spare(b);
        if (sp < 0) { aborted++; return false; }
        const pool = pools.get(b) ?? []; pools.set(b, pool);
        if (pool.length < POOL || sp > pool.at(-1)!.pot) { pool.push({ starts: pl.start.slice(), pot: sp }); pool.sort((x: any, y: any) => y.pot - x.pot); if (pool.length > POOL) pool.pop(); }
        return true;
      }, T === Infinity ? undefined : (a) => {
        // slack in sessions
        for (let i = 0; i < n; i++) {
          const ls = out.latest[i]!; let k = 0;
          for (const s of S) { if (s.startMin > a && s.startMin <= ls) k++; if (k > 12) break; }
          np[i] = noise[i]! * (k === 0 ? 3 : 1 / (k + 0.5));
        }
        ev.weigh(np);
        let work = 0; for (let i = 0; i < n; i++) if (!(pl.start[i]! < a)) work += ev.minutes[i]!;
        const left = S.filter((s) => s.startMin >= a && s.startMin < T).length;
        return Math.max(0, capFrom(a, T) - work) * Math.min(1, E("SH", 1.5) * random() / left);
      });
      if (ok) { const [e] = energy(); if (e < bestEnd) { bestEnd = e; bestAt = el(); if (bestAt < SEC / 5) at2 = e; } }
    }
    console.log("   leaves", ev.leaves, "nodes", ev.nodes, "aborted", aborted);
  }
  const gap = 100 * (bestEnd / best.get(inst.id)! - 1), gap2 = 100 * (at2 / best.get(inst.id)! - 1);
  sum += gap; sum2 += gap2; worst = Math.max(worst, gap);
  console.log(inst.id, n, bestEnd, "best", best.get(inst.id), "gap", gap.toFixed(2), "early", gap2.toFixed(2), "tries", tries, "at", bestAt.toFixed(1));
}
console.log("MEAN", (sum / files.length).toFixed(2), "early", (sum2 / files.length).toFixed(2), "worst", worst.toFixed(2));
