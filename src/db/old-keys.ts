import { and, asc, eq } from "drizzle-orm";
import type { BetterSQLite3Database } from "drizzle-orm/better-sqlite3";
import { keyFromPlace } from "@/core/model";
import type * as schema from "./schema";
import { layers, overrides } from "./schema";

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
