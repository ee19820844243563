import type { Metadata } from "next";
import { done } from "@/contracts";
import * as server from "@/server";
import { RecordScreen } from "@/ui/record/RecordScreen";
import { withModel } from "../current";

export const metadata: Metadata = { title: "Record" };

export default async function RecordPage({
  searchParams,
}: {
  searchParams: Promise<{ region?: string; card?: string }>;
}) {
  const { region, card } = await searchParams;
  return withModel(
    (m) => {
      const record = server.getRecord(m.id);
      return record.ok ? done(record.value) : record;
    },
    (_model, record) => (
      <RecordScreen record={record} regionId={region ?? null} only={card === "touch-up" ? "touch-up" : "all"} />
    ),
  );
}
