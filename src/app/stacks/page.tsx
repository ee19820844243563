import type { Metadata } from "next";
import { done } from "@/contracts";
import { MS_PER_MIN } from "@/core/base";
import * as server from "@/server";
import { EmptyPlace } from "@/ui/components/Welcome";
import { RegionList } from "@/ui/stacks/RegionList";
import { StackSpace } from "@/ui/stacks/StackSpace";
import { TwoStacks } from "@/ui/stacks/TwoStacks";
import { withModel } from "../current";
import { sent } from "../sent";

export const metadata: Metadata = { title: "Stacks" };

export default async function StacksPage({
  searchParams,
}: {
  searchParams: Promise<{ region?: string; beside?: string }>;
}) {
  const { region, beside } = await searchParams;
  return withModel(
    async (m) => {
      const judged = server.getJudged(m.id);
      const shelf = server.getShelf();
      const shop = server.getShop();
      if (!judged.ok) return judged;
      if (!shelf.ok) return shelf;
      if (!shop.ok) return shop;
      const ways = server.getWays();
      if (!ways.ok) return ways;
      const here = (id: string | undefined) => judged.value.find((j) => j.node.region.id === id)?.node.region.id;
      const chosenId = region ? here(region) : judged.value[0]?.node.region.id;
      const otherId = here(beside);
      const view = chosenId === undefined ? null : await server.getStack(chosenId);
      if (view && !view.ok) return view;
      const other = view && otherId !== undefined ? await server.getStack(otherId) : null;
      if (other && !other.ok) return other;
      return done({
        judged: judged.value,
        shelf: shelf.value,
        ways: ways.value,
        timeZone: shop.value.shop.timeZone,
        view: view?.value ?? null,
        other: other?.value ?? null,
      });
    },
    (_model, { judged, shelf, ways, timeZone, view, other }) => {
      if (judged.length === 0)
        return (
          <EmptyPlace
            title="No parts yet"
            text="A stack lies on a region of a part. Name a part and choose its material first."
            href="/parts?add=part"
            action="Add a part"
          />
        );
      if (!view)
        return (
          <EmptyPlace
            title="Not in this model"
            text="That region belongs to another model, or it has been removed. Open its model first, or take a region of this one."
            href="/stacks"
            action="Stacks of this model"
          />
        );
      const nowMin = server.nowMs() / MS_PER_MIN;
      const { id } = view.chosen.node.region;
      return (
        <main className="grid grid-cols-[minmax(0,1fr)] gap-5 p-4 lg:grid-cols-[190px_minmax(0,1fr)]">
          <RegionList regions={judged} chosenId={id} />
          {other ? (
            <TwoStacks pair={[view, other]} nowMin={nowMin} timeZone={timeZone} />
          ) : (
            sent(
              StackSpace,
              { view, regions: judged, products: shelf.map((i) => i.product), choice: ways, nowMin, timeZone },
              id,
            )
          )}
        </main>
      );
    },
  );
}
