import {
  type CouponCard,
  couponResultSchema,
  done,
  failed,
  invalid,
  MAX_NAME,
  type Outcome,
  trialsSchema,
} from "@/contracts";
import { MS_PER_MIN } from "@/core/base";
import { couponDueMin } from "@/core/judge";
import type { AirSpot, Layer, Product } from "@/core/model";
import { type Db, insertCoupon, listCoupons, type StoredCoupon, setCouponDeleted, updateCoupon } from "@/db";
import { nowMs } from "../clock";
import { conflict, notFound, writing } from "../guard";
import { newId } from "../ids";
import { lookup } from "../lookup";
import { planFollows } from "../planning/follow";
import { snapshotOf } from "../workspace/snapshot";

/** Plans a scrap painted like the first layers of a region's pile, due once it is through cured in the days ahead. */
export const planCoupon = (regionId: string, upTo: number): Outcome<{ ids: readonly string[] }> =>
  planTrials({ regionId, upTo, productIds: [], coats: 1, heaviness: "light" });

/**
 * Plans scraps of a region's material: one painted like its first layers, or one each for several products over those
 * layers, side by side.
 */
export function planTrials(input: unknown): Outcome<{ ids: readonly string[] }> {
  const parsed = trialsSchema.safeParse(input);
  if (!parsed.success) return invalid(parsed.error);
  const { regionId, upTo, productIds, coats, heaviness } = parsed.data;
  return writing((db) => {
    const { data, meanAir, home: homeOf } = snapshotOf(db);
    const { products } = data;
    const home = homeOf(regionId);
    if (!home) return notFound("The region");
    const { node } = home;
    const { material } = node.region;
    if (material === null || material === "unknown")
      return failed("refused", "A coupon is of the same material: choose the region’s material first.");
    const below = node.stack.layers.slice(0, upTo).map(scrapLayer);
    if (below.length === 0 && productIds.length === 0) return failed("refused", "There is no layer to try yet.");
    if (productIds.some((id) => !products.has(id))) return notFound("The product");
    const plan = (name: string, layers: CouponCard["layers"]): string => {
      const card: CouponCard = {
        id: newId("c"),
        name: name.slice(0, MAX_NAME),
        material,
        layers,
        madeAt: null,
        dueAt: dueAt(layers, products, meanAir),
        ...UNTESTED,
      };
      insertCoupon(db, home.modelId, card);
      return card.id;
    };
    if (productIds.length === 0)
      return done({ ids: [plan(`${home.part.name}: scrap of ${layerCount(below.length)}`, below)] });
    const over = below.length === 0 ? "alone" : `over ${layerCount(below.length)}`;
    const tried = (productId: string) => ({ productId, coats, heaviness, wftUm: null, gapMin: null });
    return done({
      ids: productIds.map((id) =>
        plan(`${products.get(id)?.name}: scrap ${over}, as on ${home.part.name}`, [...below, tried(id)]),
      ),
    });
  });
}

const layerCount = (n: number): string => `${n} ${n === 1 ? "layer" : "layers"}`;

const scrapLayer = ({ productId, coats, heaviness, wftUm, gapMin }: Layer): CouponCard["layers"][number] => ({
  productId,
  coats,
  heaviness,
  wftUm,
  gapMin,
});

/** When a scrap painted from now on is through cured, in the air of the days ahead. */
function dueAt(layers: CouponCard["layers"], products: ReadonlyMap<string, Product>, air: AirSpot): string {
  const laid = layers.map((l, i) => ({ ...l, id: `c${i}`, before: [], sandAfter: null }));
  return new Date(nowMs() + couponDueMin(laid, lookup(products), air) * MS_PER_MIN).toISOString();
}

const UNTESTED = { result: null, score: null, throughCured: false, tapeTested: false, note: "", photo: null } as const;

const stored = (db: Db, id: string): StoredCoupon | null => listCoupons(db).find((c) => c.card.id === id) ?? null;

/** Changes a coupon; the plan of its model follows, since a result may lift or set a stop. */
function change(
  id: string,
  rev: number,
  make: (card: CouponCard, db: Db, modelId: string) => CouponCard,
): Outcome<{ rev: number }> {
  return writing((db) => {
    const own = stored(db, id);
    if (!own) return notFound("The coupon");
    const next = updateCoupon(db, make(own.card, db, own.modelId), rev);
    if (next === null) return conflict("The coupon");
    planFollows(db, own.modelId);
    return done({ rev: next });
  });
}

/** The scrap was painted just now: its cure is counted from here. */
export const couponMade = (id: string, rev: number): Outcome<{ rev: number }> =>
  change(id, rev, (card, db) => {
    const { data, meanAir } = snapshotOf(db);
    return { ...card, madeAt: new Date(nowMs()).toISOString(), dueAt: dueAt(card.layers, data.products, meanAir) };
  });

/** Takes down what came of a trial. One that is void has to be done again: its repeat goes on the list, once. */
export function couponTested(id: string, rev: number, input: unknown): Outcome<{ rev: number; repeat: string | null }> {
  const parsed = couponResultSchema.safeParse(input);
  if (!parsed.success) return invalid(parsed.error);
  let repeat: string | null = null;
  const told = change(id, rev, (card, db, modelId) => {
    if (parsed.data.result === "void" && card.result !== "void") repeat = planAgain(db, modelId, card);
    return { ...card, ...parsed.data, madeAt: card.madeAt ?? new Date(nowMs()).toISOString() };
  });
  return told.ok ? done({ ...told.value, repeat }) : told;
}

function planAgain(db: Db, modelId: string, card: CouponCard): string {
  const { data, meanAir } = snapshotOf(db);
  const name = `${card.name.slice(0, MAX_NAME - AGAIN.length)}${card.name.endsWith(AGAIN) ? "" : AGAIN}`;
  const again = { ...card, ...UNTESTED, id: newId("c"), name, madeAt: null };
  insertCoupon(db, modelId, { ...again, dueAt: dueAt(card.layers, data.products, meanAir) });
  return again.id;
}

const AGAIN = ", again";

const marked = (deletedMs: () => number | null) => (id: string) =>
  writing((db) => {
    const own = listCoupons(db).find((c) => c.card.id === id);
    if (!setCouponDeleted(db, id, deletedMs())) return notFound("The coupon");
    const modelId = own?.modelId ?? stored(db, id)?.modelId;
    if (modelId) planFollows(db, modelId);
    return done(null);
  });
export const deleteCoupon: (id: string) => Outcome<null> = marked(nowMs);
export const restoreCoupon: (id: string) => Outcome<null> = marked(() => null);
