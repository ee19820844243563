import type { Metadata } from "next";
import { done } from "@/contracts";
import * as server from "@/server";
import { LogTable } from "@/ui/logbook/LogTable";
import { withModel } from "../current";

export const metadata: Metadata = { title: "Logbook" };

export default function LogbookPage() {
  return withModel(
    (m) => {
      const log = server.getLog(m.id);
      const names = server.getRegionNames(m.id);
      const shop = server.getShop();
      if (!log.ok) return log;
      if (!names.ok) return names;
      if (!shop.ok) return shop;
      return done({ log: log.value, names: names.value, timeZone: shop.value.shop.timeZone });
    },
    (_model, { log, names, timeZone }) => <LogTable log={log} names={names} timeZone={timeZone} />,
  );
}
