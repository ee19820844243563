import { type CouponCard, done, type LessonView, type Outcome, type ShelfItem } from "@/contracts";
import type { Product } from "@/core/model";
import { viewing } from "../guard";
import { lessonsOf } from "../workspace/mishaps";

export const getShelf = (): Outcome<readonly ShelfItem[]> => viewing(({ data }) => done(data.shelf));

/** Every product a layer or a coupon may still name, also those taken off the shelf. */
export const getEveryProduct = (): Outcome<readonly Product[]> =>
  viewing(({ data }) => done([...data.products.values()]));

export const getCouponCards = (): Outcome<readonly CouponCard[]> => viewing((s) => done(s.coupons));

/** What the mishaps of every model taught. */
export const getLessons = (): Outcome<readonly LessonView[]> => viewing((s) => done(lessonsOf(s)));
