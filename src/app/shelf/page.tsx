import type { Metadata } from "next";
import * as server from "@/server";
import { TroublePage } from "@/ui/components/Trouble";
import { ShelfView } from "@/ui/shelf/ShelfView";
import { sent } from "../sent";

export const metadata: Metadata = { title: "Shelf" };

export default function ShelfPage() {
  const shelf = server.getShelf();
  const coupons = server.getCouponCards();
  const shop = server.getShop();
  const lessons = server.getLessons();
  const taught = server.getTaught();
  const used = server.getUsed();
  if (!shelf.ok) return <TroublePage problem={shelf.problem} />;
  if (!coupons.ok) return <TroublePage problem={coupons.problem} />;
  if (!shop.ok) return <TroublePage problem={shop.problem} />;
  const today = server.localDate(shop.value.shop.timeZone, server.nowMs());
  return sent(ShelfView, {
    shelf: shelf.value,
    coupons: coupons.value,
    lessons: lessons.ok ? lessons.value : [],
    taught: taught.ok ? taught.value : null,
    used: used.ok ? used.value : {},
    today,
  });
}
