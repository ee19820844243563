import type { Metadata } from "next";
import { done } from "@/contracts";
import { MS_PER_MIN } from "@/core/base";
import * as server from "@/server";
import { CouponsView } from "@/ui/coupons/CouponsView";
import { withModel } from "../current";
import { sent } from "../sent";

export const metadata: Metadata = { title: "Coupons" };

export default function CouponsPage() {
  return withModel(
    (m) => {
      const screen = server.getCoupons(m.id);
      const shelf = server.getEveryProduct();
      const shop = server.getShop();
      if (!screen.ok) return screen;
      if (!shelf.ok) return shelf;
      if (!shop.ok) return shop;
      return done({ screen: screen.value, products: shelf.value, timeZone: shop.value.shop.timeZone });
    },
    (_model, { screen, products, timeZone }) =>
      sent(CouponsView, {
        coupons: screen.coupons,
        regions: screen.regions,
        products,
        nowMin: server.nowMs() / MS_PER_MIN,
        timeZone,
      }),
  );
}
