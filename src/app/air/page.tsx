import type { Metadata } from "next";
import * as server from "@/server";
import { AirView } from "@/ui/air/AirView";
import { TroublePage } from "@/ui/components/Trouble";
import { sent } from "../sent";

export const metadata: Metadata = { title: "Air" };

export default function AirPage() {
  const shop = server.getShop();
  if (!shop.ok) return <TroublePage problem={shop.problem} />;
  const models = server.getModels();
  if (!models.ok) return <TroublePage problem={models.problem} />;
  const modelId = models.value.current?.id ?? null;
  const screen = server.getAirScreen(modelId);
  if (!screen.ok) return <TroublePage problem={screen.problem} />;
  const { shop: settings, rev } = shop.value;
  const today = server.localDate(settings.timeZone, server.nowMs());
  return sent(AirView, { screen: screen.value, shop: settings, rev, today, modelId });
}
