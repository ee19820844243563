import { and, asc, eq, inArray, isNull, max } from "drizzle-orm";
import type { CouponCard, PhotoType } from "@/contracts";
import type { Db } from "../connection";
import { readRow } from "../readable";
import { couponFromRow } from "../rows";
import { coupons, photos } from "../schema";

export interface StoredCoupon {
  readonly modelId: string;
  readonly card: CouponCard;
  readonly rev: number;
}

const storedOf = (row: typeof coupons.$inferSelect): StoredCoupon => ({
  modelId: row.modelId,
  card: couponFromRow(row),
  rev: row.rev,
});

/** Every coupon of the shop, in the order they were planned. */
export const listCoupons = (db: Db): readonly StoredCoupon[] =>
  db
    .select()
    .from(coupons)
    .where(isNull(coupons.deletedMs))
    .orderBy(asc(coupons.position), asc(coupons.id))
    .all()
    .flatMap((row) => readRow("coupon", row.id, row, storedOf) ?? []);

export function insertCoupon(db: Db, modelId: string, card: CouponCard): void {
  const last = db
    .select({ n: max(coupons.position) })
    .from(coupons)
    .get();
  db.insert(coupons)
    .values({ id: card.id, modelId, card, position: (last?.n ?? -1) + 1 })
    .run();
}

/** @returns the new revision, or null when the coupon has moved on or gone */
export function updateCoupon(db: Db, card: CouponCard, rev: number): number | null {
  const changed = db
    .update(coupons)
    .set({ card, rev: rev + 1 })
    .where(and(eq(coupons.id, card.id), eq(coupons.rev, rev), isNull(coupons.deletedMs)))
    .run().changes;
  return changed === 1 ? rev + 1 : null;
}

export const setCouponDeleted = (db: Db, id: string, deletedMs: number | null): boolean =>
  db.update(coupons).set({ deletedMs }).where(eq(coupons.id, id)).run().changes === 1;

export const couponIdTaken = (db: Db, id: string): boolean =>
  db.select({ id: coupons.id }).from(coupons).where(eq(coupons.id, id)).get() !== undefined;

export interface Photo {
  readonly hash: string;
  readonly type: PhotoType;
  readonly bytes: Buffer;
}

/** The same picture twice is kept once. */
export const insertPhoto = (db: Db, photo: Photo): void =>
  void db.insert(photos).values(photo).onConflictDoNothing().run();

export const readPhoto = (db: Db, hash: string): Photo | null =>
  (db.select().from(photos).where(eq(photos.hash, hash)).get() as Photo | undefined) ?? null;

export const readPhotos = (db: Db, hashes: readonly string[]): readonly Photo[] =>
  hashes.length === 0
    ? []
    : (db
        .select()
        .from(photos)
        .where(inArray(photos.hash, [...hashes]))
        .orderBy(asc(photos.hash))
        .all() as Photo[]);
