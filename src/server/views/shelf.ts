import { type CouponCard, done, type LessonView, type Outcome, type ShelfItem, type UsedView } from "@/contracts";
import type { Product } from "@/core/model";
import { spentOf } from "@/core/record";
import { viewing } from "../guard";
import { lessonsOf } from "../workspace/mishaps";
import { coatsUsed } from "./record";

export const getShelf = (): Outcome<readonly ShelfItem[]> => viewing(({ data }) => done(data.shelf));

/** Every product a layer or a coupon may still name, also those taken off the shelf. */
export const getEveryProduct = (): Outcome<readonly Product[]> =>
  viewing(({ data }) => done([...data.products.values()]));

export const getCouponCards = (): Outcome<readonly CouponCard[]> => viewing((s) => done(s.coupons));

/** What the mishaps of every model taught. */
export const getLessons = (): Outcome<readonly LessonView[]> => viewing((s) => done(lessonsOf(s)));

/** What every model's log says was used of each product, by product. */
export const getUsed = (): Outcome<Readonly<Record<string, UsedView>>> =>
  viewing((s) => {
    const all = s.data.models.flatMap(({ id }) => {
      const m = s.model(id);
      return m ? coatsUsed(m, m.sources.log).map((c) => ({ ...c, modelId: id })) : [];
    });
    const count = (of: readonly string[]) => new Set(of).size;
    return done(
      Object.fromEntries(
        spentOf(all, (id) => s.data.products.get(id) ?? null).map(({ productId, coats, ml, reckoned }) => {
          const own = all.filter((c) => c.productId === productId);
          const faces = count(own.map((c) => c.regionId));
          return [productId, { coats, faces, models: count(own.map((c) => c.modelId)), ml, reckoned }];
        }),
      ),
    );
  });
