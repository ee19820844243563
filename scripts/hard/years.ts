import { createHash } from "node:crypto";
import { join } from "node:path";
import Database from "better-sqlite3";
import { canonicalJson } from "@/contracts";
import { seededRandom } from "@/core/base";
import { closeDb, openDb } from "@/db";
import { exportDocument, importText, loadDemo, makePlan, nowMs } from "@/server";

/**
 * Fills the database that ELM_BENCH_DATA names with ten years of a busy shed: models that are done, their logs, a reading every
 * two and a half minutes, pictures. Three models are on the bench.
 */
const MODELS = 200;
const ON_BENCH = 3;
const LOG_LINES = 100_000;
const READINGS = 2_000_000;
const PHOTOS = 5_000;
const PHOTO_BYTES = 20_000;
const YEARS = 10;
const MS_PER_DAY = 86_400_000;
const SPAN_MS = YEARS * 365 * MS_PER_DAY;

interface Entry {
  id: string;
  at: string;
  regionId: string;
  opId: string;
  kind: string;
}

const loaded = loadDemo(true);
if (!loaded.ok) throw new Error(loaded.problem.detail);
const { modelId } = loaded.value;
const exported = exportDocument(modelId, false);
if (!exported.ok) throw new Error(exported.problem.detail);
openDb();

for (let n = 1; n < MODELS; n++) {
  const doc = JSON.parse(exported.value) as {
    model: { name: string };
    log: Entry[];
    air?: unknown;
    coupons: unknown[];
  };
  doc.model.name = `Model ${n}`;
  doc.coupons = [];
  delete doc.air;
  if (n >= ON_BENCH) doc.log = [];
  const report = importText(JSON.stringify(doc), { onExisting: "copy", takeShop: false });
  if (!report.ok) throw new Error(report.problem.detail);
  if (n % 20 === 0) console.log(`${n} models`);
}

const raw = new Database(join(process.env.ELM_BENCH_DATA!, "elm-bench.db"));
const random = seededRandom(1909);
const now = nowMs();
raw.transaction(() => {
  const done = raw
    .prepare<[], { id: string }>("select id from models order by position")
    .all()
    .slice(ON_BENCH)
    .map((m) => m.id);
  const finish = raw.prepare("update models set state = 'finished' where id = ?");
  for (const id of done) finish.run(id);
  const own = JSON.parse(exported.value) as {
    log: Entry[];
    parts: { regions: { id: string; stack: { layers: { id: string }[] } }[] }[];
  };
  const ids = own.parts.flatMap((p) => p.regions.flatMap((r) => [r.id, ...r.stack.layers.map((l) => l.id)]));
  // done work of the demo's own piles, told again of each finished model, spread over its season
  const told = own.log.filter(
    (e) => (e.kind === "started" || e.kind === "done") && ids.includes(e.opId.split(":")[0] ?? ""),
  );
  const insert = raw.prepare(
    "insert into log (id, model_id, region_id, op_id, kind, at_ms, entry) values (?, ?, ?, ?, ?, ?, ?)",
  );
  const idsOf = raw.prepare<[string], { id: string }>(
    "select r.id from regions r join parts p on p.id = r.part_id where p.model_id = ? order by p.position, r.position",
  );
  const layersOf = raw.prepare<[string], { id: string }>("select id from layers where region_id = ? order by position");
  let n = 0;
  for (let round = 0; n < LOG_LINES; round++)
    for (const [i, modelId] of done.entries()) {
      const fresh = idsOf.all(modelId).flatMap((r) => [r.id, ...layersOf.all(r.id).map((l) => l.id)]);
      const name = new Map(ids.map((id, k) => [id, fresh[k] ?? id]));
      const text = canonicalJson(told).replaceAll(/"([a-z0-9-]+)(?=["~:])/g, (all, id) =>
        name.has(id) ? `"${name.get(id)}` : all,
      );
      const fromMs = now - SPAN_MS * (1 - (i + round / 10) / (done.length + 2)) - 200 * MS_PER_DAY;
      for (const [k, e] of (JSON.parse(text) as Entry[]).entries()) {
        if (n >= LOG_LINES) break;
        const atMs = Math.min(now - MS_PER_DAY * 30, fromMs + k * 3_600_000);
        const entry = { ...e, id: `y${n}`, at: new Date(atMs).toISOString() };
        insert.run(entry.id, modelId, e.regionId, e.opId, e.kind, atMs, JSON.stringify(entry));
        n += 1;
      }
    }
  const reading = raw.prepare(
    "insert or ignore into readings (at_ms, source, temp_c, rh_pct) values (?, 'shed', ?, ?)",
  );
  for (let r = 0; r < READINGS; r++) {
    const atMs = Math.round(now - (SPAN_MS * (READINGS - r)) / READINGS);
    const day = (atMs / MS_PER_DAY) * 2 * Math.PI;
    reading.run(atMs, 12 - 8 * Math.cos(day / 365) - 3 * Math.cos(day) + random(), 70 + 10 * Math.cos(day));
  }
  const photo = raw.prepare("insert or ignore into photos (hash, type, bytes) values (?, 'image/jpeg', ?)");
  for (let p = 0; p < PHOTOS; p++) {
    const bytes = Buffer.alloc(PHOTO_BYTES, p.toString());
    photo.run(createHash("sha256").update(bytes).digest("hex"), bytes);
  }
})();
raw.close();
// what was written beside it is not seen by a connection that counts its own writes
closeDb();
const planned = await makePlan(modelId);
if (!planned.ok) throw new Error(planned.problem.detail);
console.log(planned.value.outcome);
