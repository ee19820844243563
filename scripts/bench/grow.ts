import { canonicalJson } from "@/contracts";
import { exportDocument, importText, loadDemo, makePlan } from "@/server";

/** Fills the database that ELM_BENCH_DATA names with the demo's parts so many times over, in one model, and plans it. */
const times = Number(process.argv[2] ?? 1);

interface Doc {
  parts: { id: string; name: string; regions: { id: string; stack: { layers: { id: string }[] } }[] }[];
  log: { id: string; regionId: string; opId: string }[];
  planning?: unknown;
  air?: { local: unknown[] };
}

/** Ids of parts, regions and layers under a suffix of their own. */
function grown(doc: Doc): Doc {
  const copies = Array.from({ length: times }, (_, k) => {
    if (k === 0) return { parts: doc.parts, log: doc.log };
    const text = canonicalJson({ parts: doc.parts, log: doc.log });
    const ids = doc.parts.flatMap((p) => [
      p.id,
      ...p.regions.flatMap((r) => [r.id, ...r.stack.layers.map((l) => l.id)]),
    ]);
    const logIds = doc.log.map((e) => e.id);
    let renamed = text;
    for (const id of [...ids, ...logIds].sort((a, b) => b.length - a.length))
      renamed = renamed.replaceAll(new RegExp(`"${id}(?=["~:])`, "g"), `"${id}-${k}`);
    return JSON.parse(renamed) as Pick<Doc, "parts" | "log">;
  });
  return { ...doc, parts: copies.flatMap((c) => c.parts), log: copies.flatMap((c) => c.log) };
}

const loaded = loadDemo(true);
if (!loaded.ok) throw new Error(loaded.problem.detail);
const { modelId } = loaded.value;
const text = exportDocument(modelId, false);
if (!text.ok) throw new Error(text.problem.detail);
const report = importText(JSON.stringify(grown(JSON.parse(text.value) as Doc)), {
  onExisting: "replace",
  takeShop: true,
});
if (!report.ok) throw new Error(report.problem.detail);
const planned = await makePlan(modelId);
if (!planned.ok) throw new Error(planned.problem.detail);
console.log(planned.value.outcome);
