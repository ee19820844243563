import { and, asc, eq, isNull, max } from "drizzle-orm";
import type { ShelfItem } from "@/contracts";
import type { Product } from "@/core/model";
import type { Db } from "../connection";
import { readRow, readRows } from "../readable";
import { productFromRow, productToRow } from "../rows";
import { layers, parts, products, regions } from "../schema";

export function listShelf(db: Db): readonly ShelfItem[] {
  const used = placesByProduct(db);
  return db
    .select()
    .from(products)
    .where(isNull(products.deletedMs))
    .orderBy(asc(products.position), asc(products.id))
    .all()
    .flatMap((row) => {
      const product = readRow("product", row.id, row, productFromRow);
      const places = used.get(row.id) ?? [];
      if (product === null) return [];
      return [{ product, rev: row.rev, places: places.slice(0, PLACES_TOLD), placeCount: places.length }];
    });
}

/** A shed of ten years has more than anybody reads. */
const PLACES_TOLD = 30;

/** Regions whose stacks use a product, by product. */
function placesByProduct(db: Db): ReadonlyMap<string, ShelfItem["places"]> {
  const rows = db
    .selectDistinct({ id: layers.productId, regionId: regions.id, region: regions.name, part: parts.name })
    .from(layers)
    .innerJoin(regions, eq(regions.id, layers.regionId))
    .innerJoin(parts, eq(parts.id, regions.partId))
    .where(and(isNull(regions.deletedMs), isNull(parts.deletedMs)))
    .orderBy(asc(parts.position), asc(regions.position))
    .all();
  const places = new Map<string, { regionId: string; name: string }[]>();
  for (const r of rows) {
    const own = places.get(r.id) ?? [];
    own.push({ regionId: r.regionId, name: `${r.part}, ${r.region}` });
    places.set(r.id, own);
  }
  return places;
}

/** Every product a stack may still name, deleted ones included: a layer never loses its facts. */
export const allProducts = (db: Db): ReadonlyMap<string, Product> =>
  new Map(readRows("product", db.select().from(products).all(), (row) => row.id, productFromRow).map((p) => [p.id, p]));

export function insertProduct(db: Db, p: Product): void {
  const position =
    (db
      .select({ n: max(products.position) })
      .from(products)
      .get()?.n ?? -1) + 1;
  db.insert(products)
    .values({ ...productToRow(p), position })
    .run();
}

export function updateProduct(db: Db, p: Product, rev: number): number | null {
  const changed = db
    .update(products)
    .set({ ...productToRow(p), rev: rev + 1 })
    .where(and(eq(products.id, p.id), eq(products.rev, rev), isNull(products.deletedMs)))
    .run().changes;
  return changed === 1 ? rev + 1 : null;
}

export const productRev = (db: Db, id: string): number | null =>
  db
    .select({ rev: products.rev })
    .from(products)
    .where(and(eq(products.id, id), isNull(products.deletedMs)))
    .get()?.rev ?? null;

export const setProductDeleted = (db: Db, id: string, deletedMs: number | null): boolean =>
  db.update(products).set({ deletedMs }).where(eq(products.id, id)).run().changes === 1;
