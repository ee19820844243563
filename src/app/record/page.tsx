import type { Metadata } from "next";
import * as server from "@/server";
import { RecordScreen } from "@/ui/record/RecordScreen";
import { withModel } from "../current";
import { sent } from "../sent";

export const metadata: Metadata = { title: "Record" };

export default async function RecordPage({
  searchParams,
}: {
  searchParams: Promise<{ region?: string; card?: string }>;
}) {
  const { region, card } = await searchParams;
  return withModel(
    (m) => server.getRecord(m.id),
    (_model, record) =>
      sent(RecordScreen, {
        record,
        regionId: region ?? null,
        only: card === "touch-up" ? ("touch-up" as const) : ("all" as const),
      }),
  );
}
