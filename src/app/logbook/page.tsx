import type { Metadata } from "next";
import * as server from "@/server";
import { LogTable } from "@/ui/logbook/LogTable";
import { withModel } from "../current";
import { sent } from "../sent";

export const metadata: Metadata = { title: "Logbook" };

export default async function LogbookPage({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | undefined>>;
}) {
  const { q, from, to } = await searchParams;
  return withModel(
    (m) => server.getLogbook(m.id, { q: q || undefined, from: from || undefined, to: to || undefined }),
    (model, book) => sent(LogTable, { book, modelId: model.id }),
  );
}
