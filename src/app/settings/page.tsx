import type { Metadata } from "next";
import * as server from "@/server";
import { TroublePage } from "@/ui/components/Trouble";
import { SettingsView } from "@/ui/settings/SettingsView";
import { sent } from "../sent";

export const metadata: Metadata = { title: "Settings" };

/** Only a place of our own is gone back to. */
const placeOf = (back: string | undefined): string | null =>
  back && /^\/(?!\/)[\w/?&=%.,:~-]*$/.test(back) ? back : null;

export default async function SettingsPage({ searchParams }: { searchParams: Promise<{ back?: string }> }) {
  const { back } = await searchParams;
  const state = server.getShop();
  if (!state.ok) return <TroublePage problem={state.problem} />;
  const { shop, rev } = state.value;
  const devices = server.getDevices();
  const taught = server.getTaught();
  const backups = server.getBackups();
  return sent(SettingsView, {
    shop,
    rev,
    back: placeOf(back),
    today: server.localDate(shop.timeZone, server.nowMs()),
    devices: devices.ok ? devices.value : null,
    nowMs: server.nowMs(),
    backups: backups.ok ? backups.value.backups : [],
    taught: taught.ok ? taught.value : null,
  });
}
