import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import Database from "better-sqlite3";
import { closeDb } from "@/db";
import * as server from "@/server";
import { bestMs, firstMs, round1, tell } from "./measure";

const FACES = 20;
const LINES = 100_000;

/** The record of a model of twenty faces (goal 1 s, 2 MB without pictures), and a search through a hundred thousand lines (goal 100 ms). */
export function benchRecord(): void {
  const dir = mkdtempSync(join(tmpdir(), "elm-bench-record-"));
  process.env.ELM_BENCH_DATA = dir;
  const made = server.loadDemo(true);
  if (!made.ok) throw new Error(made.problem.detail);
  const demo = server.exportDocument("marram-lass");
  if (!demo.ok) throw new Error(demo.problem.detail);
  const doc = JSON.parse(demo.value);
  const hull = doc.parts.find((p: { regions: { id: string }[] }) => p.regions.some((r) => r.id === "ml-hull-topsides"));
  const region = hull.regions.find((r: { id: string }) => r.id === "ml-hull-topsides");
  const own = doc.log.filter((e: { regionId: string }) => e.regionId === region.id);
  const parts = Array.from({ length: FACES }, (_, n) => ({
    ...hull,
    id: `part-${n}`,
    photo: undefined,
    regions: [
      {
        ...region,
        id: `face-${n}`,
        scheme: undefined,
        overrides: [],
        stack: {
          prep: region.stack.prep,
          layers: region.stack.layers.map((l: { id: string }) => ({ ...l, id: `${l.id}-${n}` })),
        },
      },
    ],
  }));
  const log = parts.flatMap((_, n) =>
    own.map((e: { id: string; opId: string }) => ({
      ...e,
      id: `${e.id}-${n}`,
      regionId: `face-${n}`,
      opId: e.opId.replace("ml-hull-topsides", `face-${n}`).replace(/^(ml-hull-\d+)/, `$1-${n}`),
    })),
  );
  const sent = {
    ...doc,
    model: { ...doc.model, id: "twenty" },
    parts,
    log,
    plan: null,
    planning: undefined,
    coupons: [],
    photos: undefined,
  };
  const brought = server.importDocument(JSON.parse(JSON.stringify(sent)), { onExisting: "copy", takeShop: false });
  if (!brought.ok) throw new Error(brought.problem.detail);
  const { modelId } = brought.value;
  const record = () => server.getRecord(modelId);
  const first = firstMs(() => void record());
  const view = record();
  tell({
    bench: "record.twenty",
    faces: FACES,
    lines: log.length,
    firstMs: round1(first),
    bestMs: round1(bestMs(() => void record())),
    viewKb: Math.round(JSON.stringify(view).length / 1024),
  });
  closeDb();
  const raw = new Database(join(dir, "elm-bench.db"));
  const one = raw.prepare("select * from log where model_id = ? order by seq desc limit 1").get(modelId) as Record<
    string,
    unknown
  >;
  const put = raw.prepare(
    "insert into log (id, model_id, region_id, op_id, kind, at_ms, entry) values (@id, @model_id, @region_id, @op_id, 'amended', @at_ms, @entry)",
  );
  const words = ["keel", "primer", "gunwale", "satin", "ridge", "hatch", "lantern", "capstan"];
  raw.transaction(() => {
    for (let n = 0; n < LINES; n++) {
      const entry = {
        ...JSON.parse(String(one.entry)),
        id: `many-${n}`,
        kind: "amended",
        reportId: "none",
        extent: "patch",
        place: null,
        note: `${words[n % 8]} ${words[(n * 5) % 8]} number ${n}`,
      };
      put.run({ ...one, id: `many-${n}`, entry: JSON.stringify(entry) });
    }
  })();
  const search = (q: string) =>
    raw
      .prepare(
        "select * from log where seq in (select rowid from log_text where log_text match ?) and model_id = ? order by seq desc limit 1000",
      )
      .all(q, modelId);
  tell({
    bench: "logbook.search",
    lines: LINES,
    oneMs: round1(bestMs(() => void search('"number"* "77777"*'))),
    manyMs: round1(bestMs(() => void search('"capstan"*'))),
  });
  raw.close();
  rmSync(dir, { recursive: true, force: true });
}
