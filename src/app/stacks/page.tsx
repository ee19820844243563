import type { Metadata } from "next";
import { done } from "@/contracts";
import { MS_PER_MIN } from "@/core/base";
import * as server from "@/server";
import { TroublePage } from "@/ui/components/Trouble";
import { EmptyPlace } from "@/ui/components/Welcome";
import { RegionList } from "@/ui/stacks/RegionList";
import { StackSpace } from "@/ui/stacks/StackSpace";
import { TwoStacks } from "@/ui/stacks/TwoStacks";
import { withModel } from "../current";

export const metadata: Metadata = { title: "Stacks" };

export default async function StacksPage({
  searchParams,
}: {
  searchParams: Promise<{ region?: string; beside?: string }>;
}) {
  const { region, beside } = await searchParams;
  return withModel(
    (m) => {
      const judged = server.getJudged(m.id);
      const shelf = server.getShelf();
      const shop = server.getShop();
      if (!judged.ok) return judged;
      if (!shelf.ok) return shelf;
      if (!shop.ok) return shop;
      const ways = server.getWays();
      if (!ways.ok) return ways;
      return done({ judged: judged.value, shelf: shelf.value, ways: ways.value, timeZone: shop.value.shop.timeZone });
    },
    (_model, { judged, shelf, ways, timeZone }) => {
      const chosen = judged.find((j) => j.node.region.id === region) ?? judged[0];
      if (!chosen)
        return (
          <EmptyPlace
            title="No parts yet"
            text="A stack lies on a region of a part. Name a part and choose its material first."
            href="/parts?add=part"
            action="Add a part"
          />
        );
      if (region && chosen.node.region.id !== region)
        return (
          <EmptyPlace
            title="Not in this model"
            text="That region belongs to another model, or it has been removed. Open its model first, or take a region of this one."
            href="/stacks"
            action="Stacks of this model"
          />
        );
      const view = server.getStack(chosen.node.region.id);
      if (!view.ok) return <TroublePage problem={view.problem} />;
      const nowMin = server.nowMs() / MS_PER_MIN;
      const other = judged.some((j) => j.node.region.id === beside) ? server.getStack(beside!) : null;
      if (other && !other.ok) return <TroublePage problem={other.problem} />;
      return (
        <main className="grid grid-cols-[minmax(0,1fr)] gap-5 p-4 lg:grid-cols-[190px_minmax(0,1fr)]">
          <RegionList regions={judged} chosenId={chosen.node.region.id} />
          {other ? (
            <TwoStacks pair={[view.value, other.value]} nowMin={nowMin} timeZone={timeZone} />
          ) : (
            <StackSpace
              key={chosen.node.region.id}
              view={view.value}
              regions={judged}
              products={shelf.map((i) => i.product)}
              choice={ways}
              nowMin={nowMin}
              timeZone={timeZone}
            />
          )}
        </main>
      );
    },
  );
}
