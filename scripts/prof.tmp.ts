import { readFileSync } from "node:fs";
import { checkSchedule, problemOfInstance, solve } from "@/core/schedule";
const SEC = Number(process.argv[2]);
const best = new Map<string, number>();
for (const d of ["tests/vectors/schedule", "/work/shared/vectors/schedule/more"]) for (const o of JSON.parse(readFileSync(d + "/optima.json", "utf8"))) best.set(o.id, o.best);
let sum = 0, sum2 = 0, worst = 0, n = 0;
for (const f of process.argv.slice(3)) {
  const i = JSON.parse(readFileSync(f, "utf8"));
  const p = problemOfInstance(i); const t = performance.now(); let e2 = 0, at = 0, firstS = 0;
  const el = () => (performance.now() - t) / 1000;
  const r = solve(p, { tries: 1e9, goOn: () => el() < SEC, onBetter: (b) => { at = el(); if (!firstS) firstS = at; if (at < SEC / 5) e2 = b.endMin; } });
  if (r.outcome !== "placed") { console.log(i.id, r); continue; }
  const b = best.get(i.id)!; const g = 100 * (r.endMin / b - 1), g2 = 100 * (e2 / b - 1);
  sum += g; sum2 += g2; worst = Math.max(worst, g); n++;
  console.log(i.id.padEnd(4), String(p.ops.length).padStart(4), r.endMin, "best", b, "bound", r.boundMin, "gap", g.toFixed(2), "early", g2.toFixed(2), "first", firstS.toFixed(2), "tries", r.stats.tries, "at", at.toFixed(1), "faults", checkSchedule(p, r.placed).length);
}
console.log("MEAN", (sum / n).toFixed(2), "early", (sum2 / n).toFixed(2), "worst", worst.toFixed(2));
