import { type CouponCard, done, type Outcome, type ShelfItem } from "@/contracts";
import type { Product } from "@/core/model";
import { viewing } from "../guard";

export const getShelf = (): Outcome<readonly ShelfItem[]> => viewing(({ data }) => done(data.shelf));

/** Every product a layer or a coupon may still name, also those taken off the shelf. */
export const getEveryProduct = (): Outcome<readonly Product[]> =>
  viewing(({ data }) => done([...data.products.values()]));

export const getCouponCards = (): Outcome<readonly CouponCard[]> => viewing((s) => done(s.coupons));
