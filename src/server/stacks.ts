import {
  type CouponCard,
  done,
  failed,
  invalid,
  type JudgedRegion,
  type Outcome,
  overrideSchema,
  type RegionNode,
  type Shop,
  type StackView,
  stackSchema,
} from "@/contracts";
import { MS_PER_MIN } from "@/core/base";
import type { AirSpot, Product, Region, Stack } from "@/core/model";
import { FILM_ROLES, isOneOf } from "@/core/model";
import { applyRemedy, type JudgeAnswer, judgeWithDoubts, nearCoupons, stackTotals } from "@/core/plan";
import { allProducts, type Db, listCoupons, modelTree, regionHome, replaceStack, setOverride } from "@/db";
import { nowMs } from "./clock";
import { conflict, notFound, reading, writing } from "./guard";
import { newId } from "./ids";
import { lookup } from "./lookup";
import { planInput, recordsOf } from "./plan";
import { airSources, airSpotNow, meanAir } from "./shed-air";
import { localDate, shopState } from "./shop";

/** What every pile is judged with: the shelf, the shed and the shop's own trials. */
export interface Bench {
  readonly products: ReadonlyMap<string, Product>;
  readonly shop: Shop;
  readonly coupons: readonly CouponCard[];
  readonly airNow: AirSpot;
  readonly today: string;
  /** of the next days */
  readonly meanAir: AirSpot;
}

export function benchOf(db: Db): Bench {
  const { shop } = shopState(db);
  const atMs = nowMs();
  const air = airSources(db, null, atMs);
  return {
    products: allProducts(db),
    shop,
    coupons: listCoupons(db).map((c) => c.card),
    airNow: airSpotNow(shop, air, atMs / MS_PER_MIN),
    today: localDate(shop.timeZone, atMs),
    meanAir: meanAir(shop, air, atMs / MS_PER_MIN),
  };
}

export function judge(region: Region, stack: Stack, { products, shop, coupons, airNow, today }: Bench): JudgeAnswer {
  return judgeWithDoubts({
    region,
    stack,
    productOf: lookup(products),
    protection: shop.protection,
    air: airNow,
    coupons,
    today,
  });
}

export function judgedModel(db: Db, modelId: string): readonly JudgedRegion[] {
  const bench = benchOf(db);
  return modelTree(db, modelId).flatMap((p) =>
    p.regions.map((node) => ({ node, partName: p.name, answer: judge(node.region, node.stack, bench) })),
  );
}

export const getJudged = (modelId: string): Outcome<readonly JudgedRegion[]> =>
  reading((db) => done(judgedModel(db, modelId)));

/** One region's pile, judged and summed up. */
export const getStack = (regionId: string): Outcome<StackView> =>
  reading((db) => {
    const home = regionHome(db, regionId);
    const node = home ? regionNode(db, regionId) : null;
    if (!home || !node) return notFound("The region");
    const { input, sources } = planInput(db, home.modelId, nowMs());
    const bench = benchOf(db);
    const answer = judge(node.region, node.stack, bench);
    const begun = recordsOf(sources.log.filter((e) => e.regionId === regionId)).records.length;
    return done({
      chosen: { node, partName: home.partName, answer },
      products: [...new Set(node.stack.layers.map((l) => l.productId))].map(lookup(bench.products)),
      near: nearOf(bench.coupons, node),
      totals: stackTotals(input, regionId),
      begun,
    });
  });

const nearOf = (coupons: readonly CouponCard[], { region, stack }: RegionNode): StackView["near"] => {
  const near = new Set(nearCoupons(coupons, region.material ?? "unknown", stack).map((c) => c.id));
  return coupons.flatMap(({ id, name, result }) => (near.has(id) && result !== null ? [{ id, name, result }] : []));
};

export function regionNode(db: Db, regionId: string): RegionNode | null {
  const home = regionHome(db, regionId);
  return home
    ? (modelTree(db, home.modelId)
        .flatMap((p) => p.regions)
        .find((r) => r.region.id === regionId) ?? null)
    : null;
}

/** Saves a pile; nothing is saved over somebody else's change. */
export function saveStack(regionId: string, stackRev: number, input: unknown): Outcome<{ rev: number }> {
  const parsed = stackSchema.safeParse(input);
  if (!parsed.success) return invalid(parsed.error);
  return writing((db) => storeStack(db, regionId, stackRev, parsed.data));
}

function storeStack(db: Db, regionId: string, stackRev: number, stack: Stack): Outcome<{ rev: number }> {
  if (!regionHome(db, regionId)) return notFound("The region");
  const fault = layerFault(stack, allProducts(db));
  if (fault) return fault;
  const next = replaceStack(db, regionId, stackRev, stack);
  return next === null ? conflict("This stack") : done({ rev: next });
}

/** A region whose layers are to be replaced, as it was seen; `stack` puts that very pile there. */
export interface StackTarget {
  readonly regionId: string;
  readonly stackRev: number;
  readonly stack?: unknown;
}

/**
 * Lays the layers of one region's pile on others, each keeping its own preparation; with a null source every target says
 * itself what is put there. All of them or none.
 */
export function copyStack(fromId: string | null, targets: readonly StackTarget[]): Outcome<readonly StackTarget[]> {
  return writing((db) => {
    const from = fromId === null ? null : regionNode(db, fromId);
    if (fromId !== null && !from) return notFound("The region");
    const after: StackTarget[] = [];
    for (const { regionId, stackRev, stack: given } of targets) {
      const own = regionNode(db, regionId);
      if (!own) return notFound("The region");
      const parsed = stackSchema.safeParse(
        from ? { prep: own.stack.prep, layers: from.stack.layers.map((l) => ({ ...l, id: newId("y") })) } : given,
      );
      if (!parsed.success) return invalid(parsed.error);
      const next = storeStack(db, regionId, stackRev, parsed.data);
      if (!next.ok) return next;
      after.push({ regionId, stackRev: next.value.rev });
    }
    return done(after);
  });
}

/** Carries out the n-th remedy of a verdict, if the verdict still stands. */
export function carryOut(regionId: string, stackRev: number, key: string, n: number): Outcome<{ rev: number }> {
  return writing((db) => {
    const node = regionNode(db, regionId);
    if (!node) return notFound("The region");
    const answer = judge(node.region, node.stack, benchOf(db));
    const verdict = answer.outcome === "judged" ? answer.verdicts.find((v) => v.key === key) : undefined;
    const remedy = verdict?.remedy[n];
    if (!verdict || !remedy) return notFound("That remedy");
    return storeStack(db, regionId, stackRev, applyRemedy(node.stack, verdict.where, remedy));
  });
}

function layerFault(stack: Stack, products: ReadonlyMap<string, Product>): Outcome<never> | null {
  for (const [i, layer] of stack.layers.entries()) {
    const product = products.get(layer.productId);
    const path = `layers.${i}.productId`;
    if (!product)
      return failed("invalid", `${path} names a product that is not on the shelf`, [
        { path, message: "is not on the shelf" },
      ]);
    if (!isOneOf(FILM_ROLES)(product.role))
      return failed("invalid", `${product.name} leaves no film and cannot be a layer`, [
        { path, message: "leaves no film" },
      ]);
  }
  return null;
}

/** Writes or withdraws (null) the reason for going ahead against a finish stop. A safety stop takes no reason. */
export function overrideVerdict(regionId: string, key: string, reason: string | null): Outcome<null> {
  if (reason !== null) {
    const parsed = overrideSchema.safeParse({ key, reason });
    if (!parsed.success) return invalid(parsed.error);
  }
  return writing((db) => {
    const node = regionNode(db, regionId);
    if (!node) return notFound("The region");
    if (reason !== null) {
      const answer = judge(node.region, node.stack, benchOf(db));
      const verdict = answer.outcome === "judged" ? answer.verdicts.find((v) => v.key === key) : undefined;
      if (!verdict) return notFound("That verdict");
      if (verdict.kind === "safety") return failed("refused", "A safety stop cannot be overridden.");
      if (verdict.verdict !== "stop") return failed("refused", "Only a stop needs a reason.");
    }
    setOverride(db, regionId, key, reason?.trim() ?? null);
    return done(null);
  });
}
