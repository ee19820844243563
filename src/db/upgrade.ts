import { and, asc, eq, sql } from "drizzle-orm";
import type { BetterSQLite3Database } from "drizzle-orm/better-sqlite3";
import { upgradeEntry } from "@/contracts";
import { keyFromPlace } from "@/core/model";
import type * as schema from "./schema";
import { layers, log, overrides, products } from "./schema";

/** Reasons written against a place in the pile get the layers and products they were written for; done once, and then nothing is left to do. */
export function renameOldKeys(db: BetterSQLite3Database<typeof schema>): void {
  for (const { regionId, key } of db.select().from(overrides).all()) {
    if (!/@[a-z]+\d+$/.test(key)) continue;
    const pile = db
      .select({ id: layers.id, productId: layers.productId })
      .from(layers)
      .where(eq(layers.regionId, regionId))
      .orderBy(asc(layers.position))
      .all();
    const renamed = keyFromPlace(key, pile);
    const own = and(eq(overrides.regionId, regionId), eq(overrides.key, key));
    if (renamed === null) db.delete(overrides).where(own).run();
    else db.update(overrides).set({ key: renamed }).where(own).run();
  }
}

/** Log entries of the flat shape get today's, and their coats the product they were laid with, as far as it can be told. */
export function upgradeOldLog(db: BetterSQLite3Database<typeof schema>): void {
  const flat = sql`json_type(${log.entry}, '$.sign') is not null and json_type(${log.entry}, '$.coats') is not null`;
  const old = db.select({ seq: log.seq, entry: log.entry }).from(log).where(flat).all();
  if (old.length === 0) return;
  const layerRows = db.select({ id: layers.id, productId: layers.productId }).from(layers).all();
  const productOf = new Map(layerRows.map((l) => [l.id, l.productId]));
  const piles = {
    productOfLayer: (id: string) => productOf.get(id) ?? null,
    products: db.select({ id: products.id, name: products.name }).from(products).all(),
  };
  for (const { seq, entry } of old)
    db.update(log)
      .set({ entry: upgradeEntry(entry, piles) })
      .where(eq(log.seq, seq))
      .run();
}
