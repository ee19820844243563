import type { Metadata } from "next";
import * as server from "@/server";
import { TroublePage } from "@/ui/components/Trouble";
import { SettingsView } from "@/ui/settings/SettingsView";

export const metadata: Metadata = { title: "Settings" };

export default function SettingsPage() {
  const state = server.getShop();
  if (!state.ok) return <TroublePage problem={state.problem} />;
  const { shop, rev } = state.value;
  return <SettingsView shop={shop} rev={rev} today={server.localDate(shop.timeZone, server.nowMs())} />;
}
