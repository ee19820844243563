import type { Metadata } from "next";
import * as server from "@/server";
import { ModelBar } from "@/ui/parts/ModelBar";
import { PartsTable } from "@/ui/parts/PartsTable";
import { withModel } from "../current";
import { sent } from "../sent";

export const metadata: Metadata = { title: "Parts" };

export default async function PartsPage({ searchParams }: { searchParams: Promise<{ add?: string }> }) {
  const { add } = await searchParams;
  return withModel(
    (m) => server.getParts(m.id),
    (model, { parts, models }) => (
      <main className="grid grid-cols-[minmax(0,1fr)] gap-4 p-4">
        <ModelBar key={model.id} model={model} addPart={add === "part"} />
        {parts.length > 0 ? (
          sent(PartsTable, { parts, modelId: model.id, models })
        ) : (
          <p className="rounded-box bg-base-200 p-6 text-lg">
            No parts yet. Name the first one above: it comes with one region, “All over”, whose material you choose
            next.
          </p>
        )}
      </main>
    ),
  );
}
