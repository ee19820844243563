import { and, asc, eq, inArray, isNull, max, sql } from "drizzle-orm";
import { type ModelHead, type NodeKind, type PartNode, type RegionNode, stackSchema } from "@/contracts";
import type { PrepTold, Region, Stack } from "@/core/model";
import type { Db } from "../connection";
import { readRow } from "../readable";
import { layerFromRow, layerMoreOf, prepFromRow, prepToRow, regionFromRow, regionMoreOf } from "../rows";
import { layers, log, models, overrides, parts, regions } from "../schema";

const live = <T extends { deletedMs: unknown }>(t: T) => isNull(t.deletedMs as never);

export const listModels = (db: Db): readonly ModelHead[] =>
  db.select().from(models).where(live(models)).orderBy(asc(models.position), asc(models.id)).all().map(headOf);

const headOf = ({ id, name, scale, note, state, rev }: typeof models.$inferSelect): ModelHead => ({
  id,
  name,
  scale,
  note,
  state,
  rev,
});

export function modelHead(db: Db, id: string): ModelHead | null {
  const row = db
    .select()
    .from(models)
    .where(and(eq(models.id, id), live(models)))
    .get();
  return row ? headOf(row) : null;
}

/** The whole tree of a model in the user's order, deleted branches left out. */
export const modelTree = (db: Db, modelId: string): readonly PartNode[] => treesOf(db, modelId).get(modelId) ?? [];

/** The trees of one model or, with null, of all: a handful of statements however many regions there are. */
export function treesOf(db: Db, modelId: string | null): ReadonlyMap<string, readonly PartNode[]> {
  const mine = modelId === null ? undefined : eq(parts.modelId, modelId);
  const inModel = and(live(parts), live(regions), mine);
  const partRows = db
    .select()
    .from(parts)
    .where(and(live(parts), mine))
    .orderBy(asc(parts.position), asc(parts.id))
    .all();
  const regionRows = db
    .select({ row: regions })
    .from(regions)
    .innerJoin(parts, eq(parts.id, regions.partId))
    .where(inModel)
    .orderBy(asc(regions.position), asc(regions.id))
    .all();
  const layerRows = db
    .select({ row: layers })
    .from(layers)
    .innerJoin(regions, eq(regions.id, layers.regionId))
    .innerJoin(parts, eq(parts.id, regions.partId))
    .where(inModel)
    .orderBy(asc(layers.position))
    .all();
  const reasonRows = db
    .select({ regionId: overrides.regionId, key: overrides.key, reason: overrides.reason })
    .from(overrides)
    .orderBy(asc(overrides.key))
    .all();
  const layersOf = grouped(layerRows, (l) => l.row.regionId);
  const reasonsOf = grouped(reasonRows, (o) => o.regionId);
  const nodesOf = grouped(
    regionRows.map(({ row }) => ({ partId: row.partId, node: nodeOf(row, layersOf(row.id), reasonsOf(row.id)) })),
    (r) => r.partId,
  );
  const trees = new Map<string, PartNode[]>();
  for (const { id, modelId: home, name, count, note, photo, rev } of partRows) {
    const own = trees.get(home) ?? [];
    trees.set(home, own);
    own.push({ id, name, count, note, photo, rev, regions: nodesOf(id).flatMap(({ node }) => node ?? []) });
  }
  return trees;
}

function grouped<T>(rows: readonly T[], keyOf: (row: T) => string): (key: string) => readonly T[] {
  const groups = new Map<string, T[]>();
  for (const row of rows) {
    const own = groups.get(keyOf(row)) ?? [];
    groups.set(keyOf(row), own);
    own.push(row);
  }
  return (key) => groups.get(key) ?? [];
}

const nodeOf = (
  row: typeof regions.$inferSelect,
  pile: readonly { readonly row: typeof layers.$inferSelect }[],
  reasons: readonly { readonly key: string; readonly reason: string }[],
): RegionNode | null =>
  readRow("region", row.id, row, () => ({
    region: regionFromRow(row),
    stack: stackSchema.parse({ ...prepFromRow(row.prep), layers: pile.map((l) => layerFromRow(l.row)) }),
    overrides: reasons.map(({ key, reason }) => ({ key, reason })),
    rev: row.rev,
    stackRev: row.stackRev,
  }));

const nextPosition = (value: { n: number | null } | undefined): number => (value?.n ?? -1) + 1;

export function insertModel(db: Db, m: Pick<ModelHead, "id" | "name" | "scale" | "note">): void {
  const position = nextPosition(
    db
      .select({ n: max(models.position) })
      .from(models)
      .get(),
  );
  db.insert(models)
    .values({ ...m, position })
    .run();
}

/** Behind the last part of a model. */
const lastInModel = (db: Db, modelId: string): number =>
  nextPosition(
    db
      .select({ n: max(parts.position) })
      .from(parts)
      .where(eq(parts.modelId, modelId))
      .get(),
  );

export function insertPart(
  db: Db,
  modelId: string,
  p: { id: string; name: string; count: number; note: string; photo?: string | null | undefined },
): void {
  db.insert(parts)
    .values({ ...p, modelId, position: lastInModel(db, modelId) })
    .run();
}

export function insertRegion(db: Db, partId: string, r: Region, stack: PrepTold): void {
  const position = nextPosition(
    db
      .select({ n: max(regions.position) })
      .from(regions)
      .where(eq(regions.partId, partId))
      .get(),
  );
  db.insert(regions)
    .values({
      ...r,
      conditions: [...r.conditions],
      exposure: [...r.exposure],
      more: regionMoreOf(r),
      prep: prepToRow(stack),
      partId,
      position,
    })
    .run();
}

type Table = typeof models | typeof parts | typeof regions;
const TABLES = { model: models, part: parts, region: regions } as const satisfies Record<NodeKind, unknown>;

/** Writes fields if the row still has the revision the writer saw. @returns the new revision, or null when it has moved on or gone */
export function updateNode(
  db: Db,
  kind: NodeKind,
  id: string,
  rev: number,
  fields: Record<string, unknown>,
): number | null {
  const t: Table = TABLES[kind];
  const more = kind === "region" ? regionMoreOf(fields) : {};
  const changed = db
    .update(t)
    .set({ ...fields, ...mergedMore(db, id, more), rev: rev + 1 } as never)
    .where(and(eq(t.id, id), eq(t.rev, rev), live(t)))
    .run().changes;
  return changed === 1 ? rev + 1 : null;
}

/** Facts without a column are kept together; an edit changes only those it names. */
function mergedMore(db: Db, regionId: string, edit: Record<string, unknown>): { more?: unknown } {
  if (Object.keys(edit).length === 0) return {};
  const row = db.select({ more: regions.more }).from(regions).where(eq(regions.id, regionId)).get();
  return { more: { ...(row?.more as object | null | undefined), ...edit } };
}

export function nodeRev(db: Db, kind: NodeKind, id: string): number | null {
  const t: Table = TABLES[kind];
  return (
    db
      .select({ rev: t.rev })
      .from(t)
      .where(and(eq(t.id, id), live(t)))
      .get()?.rev ?? null
  );
}

/** Deleting is a mark, so it can be undone; what is below goes and comes back with its parent. */
export function setDeleted(db: Db, kind: NodeKind, id: string, deletedMs: number | null): boolean {
  const t: Table = TABLES[kind];
  return (
    db
      .update(t)
      .set({ deletedMs } as never)
      .where(eq(t.id, id))
      .run().changes === 1
  );
}

/** Replaces preparation and layers if nobody else did since `stackRev`. @returns the new revision or null */
export function replaceStack(db: Db, regionId: string, stackRev: number, stack: Stack): number | null {
  const changed = db
    .update(regions)
    .set({ prep: prepToRow(stack), stackRev: stackRev + 1 })
    .where(and(eq(regions.id, regionId), eq(regions.stackRev, stackRev), live(regions)))
    .run().changes;
  if (changed !== 1) return null;
  db.delete(layers).where(eq(layers.regionId, regionId)).run();
  for (const [position, l] of stack.layers.entries()) {
    db.insert(layers)
      .values({ ...l, before: [...l.before], more: layerMoreOf(l), regionId, position })
      .run();
  }
  return stackRev + 1;
}

export function setOverride(db: Db, regionId: string, key: string, reason: string | null): void {
  db.delete(overrides)
    .where(and(eq(overrides.regionId, regionId), eq(overrides.key, key)))
    .run();
  if (reason !== null) db.insert(overrides).values({ regionId, key, reason }).run();
}

/** The model a part belongs to. */
export const partHome = (db: Db, partId: string): string | null =>
  db.select({ modelId: parts.modelId }).from(parts).where(eq(parts.id, partId)).get()?.modelId ?? null;

/** Where a region hangs: its part and model, by name and id. */
export function regionHome(
  db: Db,
  regionId: string,
): { modelId: string; partId: string; partName: string; regionName: string } | null {
  const row = db
    .select({ modelId: parts.modelId, partId: parts.id, partName: parts.name, regionName: regions.name })
    .from(regions)
    .innerJoin(parts, eq(parts.id, regions.partId))
    .where(eq(regions.id, regionId))
    .get();
  return row ?? null;
}

/** Takes a model away for good with everything below it; used only before it is replaced by a document in the same transaction. */
export const dropModel = (db: Db, modelId: string): void => void db.delete(models).where(eq(models.id, modelId)).run();

export const anyIdTaken = (db: Db, kind: NodeKind | "layer", id: string): boolean => {
  const t = kind === "layer" ? layers : TABLES[kind];
  return db.select({ id: t.id }).from(t).where(eq(t.id, id)).get() !== undefined;
};

/** A part under another model, at its end, with whatever its regions' log holds. */
export function movePartRows(
  db: Db,
  { partId, regionIds, toModelId }: { partId: string; regionIds: readonly string[]; toModelId: string },
): void {
  db.update(parts)
    .set({ modelId: toModelId, position: lastInModel(db, toModelId), rev: sql`${parts.rev} + 1` })
    .where(eq(parts.id, partId))
    .run();
  db.update(log)
    .set({ modelId: toModelId })
    .where(inArray(log.regionId, [...regionIds]))
    .run();
}
