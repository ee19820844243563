import {
  type CouponCard,
  type CouponScreen,
  type CouponView,
  couponResultSchema,
  done,
  failed,
  invalid,
  type JudgedRegion,
  type Outcome,
} from "@/contracts";
import { MS_PER_MIN } from "@/core/base";
import { couponCounts, couponDueMin, couponReach } from "@/core/plan";
import {
  type Db,
  insertCoupon,
  listCoupons,
  readPlan,
  regionHome,
  type StoredCoupon,
  setCouponDeleted,
  updateCoupon,
} from "@/db";
import { nowMs } from "./clock";
import { conflict, notFound, reading, writing } from "./guard";
import { newId } from "./ids";
import { lookup } from "./lookup";
import { replan } from "./plan";
import { benchOf, judgedModel, regionNode } from "./stacks";

const viewOf =
  (regions: readonly JudgedRegion[]) =>
  ({ card, rev }: StoredCoupon): CouponView => ({
    card,
    rev,
    ripe: card.throughCured || (card.madeAt !== null && Date.parse(card.dueAt) <= nowMs()),
    counts: couponCounts(card),
    speaksFor: regions
      .filter(({ node: { region, stack } }) => region.material && couponReach(card, region.material, stack) > 0)
      .map((r) => r.node.region.id),
  });

export const getCoupons = (modelId: string): Outcome<CouponScreen> =>
  reading((db) => {
    const regions = judgedModel(db, modelId);
    return done({ coupons: listCoupons(db).map(viewOf(regions)), regions });
  });

export const getCouponCards = (): Outcome<readonly CouponCard[]> =>
  reading((db) => done(listCoupons(db).map((c) => c.card)));

/** Plans a scrap painted like the first layers of a region's pile, due once it is through cured in the days ahead. */
export function planCoupon(regionId: string, upTo: number | null): Outcome<{ id: string }> {
  return writing((db) => {
    const home = regionHome(db, regionId);
    const node = home ? regionNode(db, regionId) : null;
    if (!home || !node) return notFound("The region");
    const { region, stack } = node;
    if (region.material === null || region.material === "unknown")
      return failed("refused", "A coupon is of the same material: choose the region’s material first.");
    const layers = stack.layers.slice(0, upTo ?? stack.layers.length);
    if (layers.length === 0) return failed("refused", "There is no layer to try yet.");
    const { products, meanAir } = benchOf(db);
    const startMs = nowMs();
    const dueMin = couponDueMin(layers, lookup(products), meanAir);
    const card: CouponCard = {
      id: newId("c"),
      name: `${home.partName}: scrap of ${layers.length} ${layers.length === 1 ? "layer" : "layers"}`,
      material: region.material,
      layers: layers.map(({ productId, coats, heaviness, wftUm, gapMin }) => ({
        productId,
        coats,
        heaviness,
        wftUm,
        gapMin,
      })),
      madeAt: null,
      dueAt: new Date(startMs + dueMin * MS_PER_MIN).toISOString(),
      ...UNTESTED,
    };
    insertCoupon(db, home.modelId, card);
    return done({ id: card.id });
  });
}

const UNTESTED = { result: null, score: null, throughCured: false, tapeTested: false, note: "", photo: null } as const;

const stored = (db: Db, id: string): StoredCoupon | null => listCoupons(db).find((c) => c.card.id === id) ?? null;

/** Changes a coupon; the plan of its model follows, since a result may lift or set a stop. */
function change(id: string, rev: number, make: (card: CouponCard, db: Db) => CouponCard): Outcome<{ rev: number }> {
  return writing((db) => {
    const own = stored(db, id);
    if (!own) return notFound("The coupon");
    const next = updateCoupon(db, make(own.card, db), rev);
    if (next === null) return conflict("The coupon");
    if (readPlan(db, own.modelId)) replan(db, own.modelId);
    return done({ rev: next });
  });
}

/** The scrap was painted just now: its cure is counted from here. */
export const couponMade = (id: string, rev: number): Outcome<{ rev: number }> =>
  change(id, rev, (card, db) => {
    const { products, meanAir } = benchOf(db);
    const atMs = nowMs();
    const layers = card.layers.map((l, i) => ({ ...l, id: `c${i}`, before: [], sandAfter: null }));
    const dueMin = couponDueMin(layers, lookup(products), meanAir);
    const iso = (ms: number) => new Date(ms).toISOString();
    return { ...card, madeAt: iso(atMs), dueAt: iso(atMs + dueMin * MS_PER_MIN) };
  });

export function couponTested(id: string, rev: number, input: unknown): Outcome<{ rev: number }> {
  const parsed = couponResultSchema.safeParse(input);
  if (!parsed.success) return invalid(parsed.error);
  return change(id, rev, (card) => ({
    ...card,
    ...parsed.data,
    madeAt: card.madeAt ?? new Date(nowMs()).toISOString(),
  }));
}

const marked = (deletedMs: () => number | null) => (id: string) =>
  writing((db) => {
    const own = listCoupons(db).find((c) => c.card.id === id);
    if (!setCouponDeleted(db, id, deletedMs())) return notFound("The coupon");
    const modelId = own?.modelId ?? stored(db, id)?.modelId;
    if (modelId && readPlan(db, modelId)) replan(db, modelId);
    return done(null);
  });
export const deleteCoupon: (id: string) => Outcome<null> = marked(nowMs);
export const restoreCoupon: (id: string) => Outcome<null> = marked(() => null);
