import Papa from "papaparse";
import { done, invalid, type LogbookView, type LogEntry, logbookSoughtSchema, type Outcome } from "@/contracts";
import { MS_PER_MIN } from "@/core/base";
import { lastStanding } from "@/core/history";
import { type Db, type LogSought, searchLog } from "@/db";
import { notFound, reading, viewingModel } from "../guard";
import { localMin } from "../shed/hours";
import { type ModelSnapshot, type Snapshot, snapshotOf } from "../workspace/snapshot";
import { regionNames } from "./parts";

export const getLog = (modelId: string): Outcome<readonly LogEntry[]> =>
  viewingModel(modelId, (m) => done(m.sources.log));

/** So many lines stand on a page; the rest is found by looking for it. */
const SHOWN = 1000;
/** So many go into a file. */
const EXPORTED = 200_000;

/** The log of a model, newest first, or what of it was looked for. */
export function getLogbook(modelId: string, asked: unknown): Outcome<LogbookView> {
  const parsed = logbookSoughtSchema.safeParse(asked);
  if (!parsed.success) return invalid(parsed.error);
  return lookingInto(modelId, (m, s, db) => {
    const entries = sought(m, s, db, parsed.data, SHOWN);
    return done({
      entries,
      total: m.sources.log.length,
      more: entries.length === SHOWN && m.sources.log.length > SHOWN,
      standing: [...lastStanding(m.history).values()].map((d) => d.id),
      names: regionNames(m.tree),
      today: s.today,
      timeZone: s.data.shopState.shop.timeZone,
    });
  });
}

const lookingInto = <T>(modelId: string, work: (m: ModelSnapshot, s: Snapshot, db: Db) => Outcome<T>): Outcome<T> =>
  reading((db) => {
    const s = snapshotOf(db);
    const m = s.model(modelId);
    return m ? work(m, s, db) : notFound("The model");
  });

function sought(
  m: ModelSnapshot,
  s: Snapshot,
  db: Db,
  asked: ReturnType<typeof logbookSoughtSchema.parse>,
  most: number,
) {
  const zone = s.data.shopState.shop.timeZone;
  const wanted: LogSought = {
    text: asked.q,
    fromMs: asked.from ? localMin(zone, asked.from, "00:00") * MS_PER_MIN : undefined,
    toMs: asked.to ? localMin(zone, asked.to, "24:00") * MS_PER_MIN : undefined,
    regionId: asked.region,
    kind: asked.kind,
  };
  return searchLog(db, m.head.id, wanted, most);
}

/** The same as a file. @param kind csv: a line an entry, its figures in columns of their own; json: the entries as they are kept */
export function exportLog(modelId: string, asked: unknown, kind: "csv" | "json"): Outcome<string> {
  const parsed = logbookSoughtSchema.safeParse(asked);
  if (!parsed.success) return invalid(parsed.error);
  return lookingInto(modelId, (m, s, db) => {
    const rows = sought(m, s, db, parsed.data, EXPORTED);
    if (kind === "json") return done(JSON.stringify({ model: m.head.id, log: rows }));
    const names = new Map(regionNames(m.tree).map((r) => [r.id, r.name]));
    const fields = [
      "at",
      "kind",
      "part",
      "what",
      "coats",
      "wet_um",
      "used_ml",
      "temp_c",
      "rh_pct",
      "air",
      "override",
      "note",
      "told_on",
    ];
    const data = rows.map((e) => [
      e.at,
      e.kind,
      names.get(e.regionId) ?? "",
      e.title,
      "coats" in e ? (e.coats ?? "") : "",
      "wftUm" in e ? (e.wftUm ?? "") : "",
      "used" in e ? (e.used?.ml ?? "") : "",
      e.air.tempC,
      e.air.rhPct,
      e.air.source,
      e.override ?? "",
      e.note,
      e.by ?? "",
    ]);
    return done(`${Papa.unparse({ fields, data }, { escapeFormulae: true })}\r\n`);
  });
}
