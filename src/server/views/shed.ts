import { done, type Outcome } from "@/contracts";
import type { ShopState } from "@/db";
import { viewing } from "../guard";

export const getShop = (): Outcome<ShopState> => viewing(({ data }) => done(data.shopState));
