import { and, asc, desc, eq, gt, gte, isNull, lt, sql } from "drizzle-orm";
import {
  type Cards,
  cardsUnderOwnIds,
  type LogEntry,
  NO_PLANNING,
  type Planning,
  planningSchema,
  type Shop,
  shopSchema,
} from "@/contracts";
import type { Product } from "@/core/model";
import { type Db, revisionOf } from "../connection";
import { readRow, readRows } from "../readable";
import { cardFromRow, logFromRow, shopFromRow } from "../rows";
import { benchPlan, cards, log, models, planning, plans, plansAsked, shop } from "../schema";

export interface ShopState {
  readonly shop: Shop;
  readonly airSetMs: number;
  readonly currentModelId: string | null;
  readonly rev: number;
}

export function readShop(db: Db): ShopState | null {
  const row = db.select().from(shop).where(eq(shop.id, 1)).get();
  if (!row) return null;
  const { airSetMs, currentModelId, rev } = row;
  const settings = readRow("settings of the shed", "shop", row, shopFromRow) ?? null;
  return { shop: settings ?? shopInPart(row.settings), airSetMs, currentModelId, rev };
}

/** Settings that cannot be read as a whole, as far as each can be read by itself. */
function shopInPart(settings: unknown): Shop {
  const told = typeof settings === "object" && settings !== null ? settings : {};
  const readable = Object.entries(told).filter(
    ([k, v]) =>
      Object.hasOwn(shopSchema.shape, k) && shopSchema.shape[k as keyof typeof shopSchema.shape].safeParse(v).success,
  );
  return { ...PLAIN_SHOP, ...Object.fromEntries(readable) } as Shop;
}
/** A shed nobody has described: steady reference-like air, and no hours yet. */
export const PLAIN_SHOP: Shop = {
  timeZone: "UTC",
  air: { kind: "day", meanC: 16, swingC: 4, warmestHour: 15, rhPct: 55, airflowMS: 0.1, tonight: null },
  protection: [],
  caution: "likely",
  pattern: [],
  exceptions: [],
};

export function insertShop(db: Db, settings: Shop, airSetMs: number): void {
  db.insert(shop).values({ id: 1, settings, airSetMs, currentModelId: null, rev: 0 }).run();
}

export function writeShop(db: Db, settings: Shop, airSetMs: number, rev: number): number | null {
  const changed = db
    .update(shop)
    .set({ settings, airSetMs, rev: rev + 1 })
    .where(and(eq(shop.id, 1), eq(shop.rev, rev)))
    .run().changes;
  return changed === 1 ? rev + 1 : null;
}

export const setCurrentModel = (db: Db, id: string | null): void =>
  void db.update(shop).set({ currentModelId: id }).where(eq(shop.id, 1)).run();

export interface StoredPlan {
  readonly answer: unknown;
  readonly inputsHash: string;
  readonly plannedMs: number;
  readonly beforeDoneMin: number | null;
}

/** The plan of everything active; null = none was made yet. */
export const readBenchPlan = (db: Db): StoredPlan | null => db.select().from(benchPlan).get() ?? null;

export function writeBenchPlan(db: Db, { answer, inputsHash, plannedMs, beforeDoneMin }: StoredPlan): void {
  const fields = { answer, inputsHash, plannedMs, beforeDoneMin };
  db.insert(benchPlan)
    .values({ id: 1, ...fields })
    .onConflictDoUpdate({ target: benchPlan.id, set: fields })
    .run();
}

/** Keeps a timetable that came with a model's document. */
export function writeBroughtPlan(db: Db, modelId: string, plan: StoredPlan): void {
  const { answer, inputsHash, plannedMs, beforeDoneMin } = plan;
  const fields = { answer, inputsHash, plannedMs, beforeDoneMin };
  db.insert(plans)
    .values({ modelId, ...fields })
    .onConflictDoUpdate({ target: plans.modelId, set: fields })
    .run();
}

/** A plan that is still to be made: kept as far as it can be, or laid out afresh. */
export interface AskedPlan {
  readonly how: "keep" | "afresh";
  readonly askedMs: number;
}

/** Asked again before it is made, what was asked first still holds: afresh stays afresh. */
export function askForPlan(db: Db, modelId: string, { how, askedMs }: AskedPlan): void {
  const afresh = how === "afresh" ? { how } : {};
  db.insert(plansAsked)
    .values({ modelId, how, askedMs })
    .onConflictDoUpdate({ target: plansAsked.modelId, set: { askedMs, ...afresh } })
    .run();
}

/** Nothing is asked for any more: it is made, or it cannot be. */
export const planAskedFor = (db: Db): void => void db.delete(plansAsked).run();

export const readPlansAsked = (db: Db): ReadonlyMap<string, AskedPlan> =>
  new Map(
    db
      .select()
      .from(plansAsked)
      .all()
      .map(({ modelId, how, askedMs }) => [modelId, { how, askedMs }]),
  );

export const readBroughtPlans = (db: Db): ReadonlyMap<string, StoredPlan> =>
  new Map(
    db
      .select()
      .from(plans)
      .all()
      .map((row) => [row.modelId, row]),
  );

export const readPlannings = (db: Db): ReadonlyMap<string, StoredPlanning> =>
  new Map(
    db
      .select()
      .from(planning)
      .all()
      .map((row) => [row.modelId, planningFromRow(row)]),
  );

function planningFromRow(row: typeof planning.$inferSelect): StoredPlanning {
  const said = readRow("what was said of a plan", row.modelId, row.said, (v) => planningSchema.parse(v));
  return { planning: said ?? NO_PLANNING, rev: row.rev };
}

export interface StoredPlanning {
  readonly planning: Planning;
  readonly rev: number;
}

/** What was said about a model's plan; nothing yet counts as revision 0. */
export function readPlanning(db: Db, modelId: string): StoredPlanning {
  const row = db.select().from(planning).where(eq(planning.modelId, modelId)).get();
  return row ? planningFromRow(row) : { planning: NO_PLANNING, rev: 0 };
}

/** @returns the new revision, or null when somebody else has written since `rev` */
export function writePlanning(db: Db, modelId: string, said: Planning, rev: number): number | null {
  if (rev === 0 && !db.select({ rev: planning.rev }).from(planning).where(eq(planning.modelId, modelId)).get()) {
    db.insert(planning).values({ modelId, said, rev: 1 }).run();
    return 1;
  }
  const changed = db
    .update(planning)
    .set({ said, rev: rev + 1 })
    .where(and(eq(planning.modelId, modelId), eq(planning.rev, rev)))
    .run().changes;
  return changed === 1 ? rev + 1 : null;
}

export const readLog = (db: Db, modelId: string): readonly LogEntry[] =>
  readRows(
    "log entry",
    db.select().from(log).where(eq(log.modelId, modelId)).orderBy(asc(log.seq)).all(),
    (row) => row.id,
    logFromRow,
  );

/** The logs as they were last read; on globalThis because the framework may load this module more than once. */
const held = globalThis as unknown as {
  elmBenchLogs?: {
    readonly since: string;
    readonly lastSeq: number;
    readonly logs: ReadonlyMap<string, readonly LogEntry[]>;
  };
};

/**
 * The log of every model that is still there. Lines are only ever added, so that of a log read before the new ones are read; the
 * list of a model nothing was added to stays the very same.
 */
export function readLogs(db: Db): ReadonlyMap<string, readonly LogEntry[]> {
  const since = revisionOf(["log-rewritten", "models"]);
  const before = held.elmBenchLogs?.since === since ? held.elmBenchLogs : null;
  const rows = db
    .select({ row: log })
    .from(log)
    .innerJoin(models, eq(models.id, log.modelId))
    .where(and(isNull(models.deletedMs), gt(log.seq, before?.lastSeq ?? 0)))
    .orderBy(asc(log.seq))
    .all();
  const added = new Map<string, LogEntry[]>();
  for (const { row } of rows) {
    const entry = readRow("log entry", row.id, row, logFromRow);
    const own = added.get(row.modelId) ?? [];
    added.set(row.modelId, own);
    if (entry !== null) own.push(entry);
  }
  if (before && added.size === 0) return before.logs;
  const logs = new Map(before?.logs);
  for (const [modelId, entries] of added) logs.set(modelId, [...(logs.get(modelId) ?? []), ...entries]);
  held.elmBenchLogs = { since, lastSeq: rows.at(-1)?.row.seq ?? before?.lastSeq ?? 0, logs };
  return logs;
}

export function appendLog(db: Db, modelId: string, e: LogEntry): void {
  db.insert(log)
    .values({ id: e.id, modelId, regionId: e.regionId, opId: e.opId, kind: e.kind, atMs: Date.parse(e.at), entry: e })
    .run();
}

/** What is looked for in a log; absent = anything. */
export interface LogSought {
  /** words, each the beginning of one in the line */
  readonly text?: string | undefined;
  /** ms since 1970 */
  readonly fromMs?: number | undefined;
  readonly toMs?: number | undefined;
  readonly regionId?: string | undefined;
  readonly kind?: string | undefined;
}

/** Words as the index wants them: every one of them, each as a beginning; what is no word at all is left out. */
const wordsOf = (text: string): string => (text.match(/[\p{L}\p{N}]+/gu) ?? []).map((w) => `"${w}"*`).join(" ");

/** Lines of a log, newest first, at most so many. */
export function searchLog(db: Db, modelId: string, sought: LogSought, most: number): readonly LogEntry[] {
  const words = wordsOf(sought.text ?? "");
  if (sought.text?.trim() && words === "") return [];
  const found =
    words === "" ? undefined : sql`${log.seq} in (select rowid from log_text where log_text match ${words})`;
  const rows = db
    .select()
    .from(log)
    .where(
      and(
        eq(log.modelId, modelId),
        found,
        sought.fromMs === undefined ? undefined : gte(log.atMs, sought.fromMs),
        sought.toMs === undefined ? undefined : lt(log.atMs, sought.toMs),
        sought.regionId ? eq(log.regionId, sought.regionId) : undefined,
        sought.kind ? eq(log.kind, sought.kind) : undefined,
      ),
    )
    .orderBy(desc(log.seq))
    .limit(most)
    .all();
  return readRows("log entry", rows, (row) => row.id, logFromRow);
}

export const logIdTaken = (db: Db, id: string): boolean =>
  db.select({ id: log.id }).from(log).where(eq(log.id, id)).get() !== undefined;

export const insertCard = (db: Db, hash: string, card: Product): void =>
  void db.insert(cards).values({ hash, card }).onConflictDoNothing().run();

/** Cards by hash, as they are; all of them, or those named. */
export function readStoredCards(db: Db, hashes: readonly string[] | null): ReadonlyMap<string, Product> {
  const named = hashes && new Set(hashes);
  const rows = db.select().from(cards).orderBy(asc(cards.hash)).all();
  return new Map(
    rows.flatMap((row) => {
      const card = named && !named.has(row.hash) ? null : readRow("card of a product", row.hash, row, cardFromRow);
      return card === null ? [] : [[row.hash, card] as const];
    }),
  );
}

export const readCards = (db: Db): Cards => cardsUnderOwnIds(readStoredCards(db, null));
