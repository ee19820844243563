import { done, type FrameView, type Outcome, USUAL_SHOWING } from "@/contracts";
import { MIN_PER_DAY, MS_PER_MIN } from "@/core/base";
import { productsOfWork } from "@/core/model";
import { unreadableRows } from "@/db";
import { nowMs } from "../clock";
import { viewing } from "../guard";
import { resumePlans } from "../planning/follow";
import { benchSessions } from "../shed/hours";
import { airOfNow, type Snapshot } from "../workspace/snapshot";
import { currentModel, partNames, regionNames } from "./parts";

const SESSIONS_AHEAD_DAYS = 14;

/** The wait that is over first, of everything active. */
function nextWait(s: Snapshot): FrameView["next"] {
  const waits = s.bench.members.flatMap((m) =>
    m.tiles.flatMap((t) => (t.zone === "drying" && t.wait && t.op ? [{ m, tile: t, op: t.op, wait: t.wait }] : [])),
  );
  const first = [...waits].sort((a, b) => a.wait.likelyMin - b.wait.likelyMin)[0];
  if (!first) return null;
  const { m, op, tile, wait } = first;
  return {
    op,
    partName: partNames(m.tree).get(tile.regionId)?.part ?? "",
    productNames: Object.fromEntries(
      productsOfWork(op).flatMap((id) => {
        const name = s.data.products.get(id)?.name;
        return name ? [[id, name]] : [];
      }),
    ),
    likelyMin: wait.likelyMin,
  };
}

function frame(s: Snapshot, atMs: number): FrameView {
  const { data } = s;
  const { shop } = data.shopState;
  const { models, current } = currentModel(s);
  const nowMin = atMs / MS_PER_MIN;
  return {
    models: models.map(({ id, name }) => ({ id, name })),
    currentId: current?.id ?? null,
    air: airOfNow(s, null, atMs),
    timeZone: shop.timeZone,
    session: benchSessions(shop, nowMin, nowMin + SESSIONS_AHEAD_DAYS * MIN_PER_DAY)[0] ?? null,
    next: nextWait(s),
    regions: current ? regionNames(data.trees.get(current.id) ?? []) : [],
    products: data.shelf.map(({ product: { id, name, aliases } }) => ({ id, name, aliases })),
    showing: shop.showing ?? USUAL_SHOWING,
    unreadable: unreadableRows(),
  };
}

/** What every screen shows around itself. */
export const getFrame = (): Outcome<FrameView> =>
  viewing((s) => {
    resumePlans(s);
    return done(frame(s, nowMs()));
  });
