import { done, type Outcome } from "@/contracts";
import { MIN_PER_DAY, MS_PER_MIN } from "@/core/base";
import { workText } from "@/messages";
import * as server from "@/server";
import type { RibbonData } from "@/ui/components/AirRibbon";
import type { Findable } from "@/ui/components/Finder";

const SESSIONS_AHEAD_DAYS = 14;

/** What every screen shows around itself. */
export function frameData(): Outcome<{
  ribbon: RibbonData;
  things: readonly Findable[];
  unreadable: ReturnType<typeof server.getUnreadable>;
}> {
  const models = server.getModels();
  if (!models.ok) return models;
  const shop = server.getShop();
  if (!shop.ok) return shop;
  const air = server.getAirNow();
  if (!air.ok) return air;
  const shelf = server.getShelf();
  if (!shelf.ok) return shelf;
  const nowMin = server.nowMs() / MS_PER_MIN;
  const current = models.value.current;
  const products = new Map(shelf.value.map((i) => [i.product.id, i.product.name]));
  const tree = current ? server.getTree(current.id) : null;
  const parts = tree?.ok ? tree.value : [];
  const bench = current ? server.getBench(current.id) : null;
  const waits = bench?.ok ? bench.value.tiles.filter((t) => t.zone === "drying" && t.wait && t.op) : [];
  const next = waits.sort((a, b) => a.wait!.likelyMin - b.wait!.likelyMin)[0];
  const partOf = (regionId: string) => parts.find((p) => p.regions.some((r) => r.region.id === regionId))?.name ?? "";
  const sessions = server.benchSessions(shop.value.shop, nowMin, nowMin + SESSIONS_AHEAD_DAYS * MIN_PER_DAY);
  return done({
    unreadable: server.getUnreadable(),
    ribbon: {
      models: models.value.models.map(({ id, name }) => ({ id, name })),
      currentId: current?.id ?? null,
      air: air.value,
      timeZone: shop.value.shop.timeZone,
      session: sessions[0] ?? null,
      timer: next
        ? {
            title: `${partOf(next.regionId)}: ${workText(next.op!, products.get(next.op!.productId ?? "") ?? null)}`,
            likelyMin: next.wait!.likelyMin,
          }
        : null,
    },
    things: [
      ...parts.flatMap((p) =>
        p.regions.map(
          (r): Findable => ({
            kind: "part",
            id: r.region.id,
            name: p.regions.length > 1 ? `${p.name}, ${r.region.name}` : p.name,
            also: [],
          }),
        ),
      ),
      ...shelf.value.map(
        (i): Findable => ({ kind: "product", id: i.product.id, name: i.product.name, also: i.product.aliases }),
      ),
    ],
  });
}
