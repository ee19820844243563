import { done, failed, invalid, type Outcome, overrideSchema, type Shop, stackSchema } from "@/contracts";
import { assert } from "@/core/base";
import type { Product, Region, Stack } from "@/core/model";
import { FILM_ROLES, isOneOf } from "@/core/model";
import { type JudgeAnswer, judgeStack } from "@/core/plan";
import { allProducts, type Db, modelTree, type RegionNode, regionHome, replaceStack, setOverride } from "@/db";
import { nowMs } from "./clock";
import { conflict, notFound, reading, writing } from "./guard";
import { airReading, shopState } from "./shop";

export interface JudgedRegion {
  readonly node: RegionNode;
  readonly partName: string;
  readonly answer: JudgeAnswer;
}

export const lookup =
  (products: ReadonlyMap<string, Product>) =>
  (id: string): Product => {
    const p = products.get(id);
    assert(p, `layer names product ${id}, which foreign keys should have kept`);
    return p;
  };

function judge(region: Region, stack: Stack, products: ReadonlyMap<string, Product>, shop: Shop): JudgeAnswer {
  return judgeStack({
    region,
    stack,
    productOf: lookup(products),
    protection: shop.protection,
    air: airReading(shop, nowMs() / 60_000),
  });
}

export function judgedModel(db: Db, modelId: string): readonly JudgedRegion[] {
  const products = allProducts(db);
  const { shop } = shopState(db);
  return modelTree(db, modelId).flatMap((p) =>
    p.regions.map((node) => ({ node, partName: p.name, answer: judge(node.region, node.stack, products, shop) })),
  );
}

export const getJudged = (modelId: string): Outcome<readonly JudgedRegion[]> =>
  reading((db) => done(judgedModel(db, modelId)));

function regionNode(db: Db, regionId: string): RegionNode | null {
  const home = regionHome(db, regionId);
  return home
    ? (modelTree(db, home.modelId)
        .flatMap((p) => p.regions)
        .find((r) => r.region.id === regionId) ?? null)
    : null;
}

/** Saves a pile and answers at once how it is judged; nothing is saved over somebody else's change. */
export function saveStack(
  regionId: string,
  stackRev: number,
  input: unknown,
): Outcome<{ stackRev: number; answer: JudgeAnswer }> {
  const parsed = stackSchema.safeParse(input);
  if (!parsed.success) return invalid(parsed.error);
  const stack: Stack = parsed.data;
  return writing((db) => {
    const node = regionNode(db, regionId);
    if (!node) return notFound("The region");
    const products = allProducts(db);
    const fault = layerFault(stack, products);
    if (fault) return fault;
    const next = replaceStack(db, regionId, stackRev, stack);
    if (next === null) return conflict("This stack");
    return done({ stackRev: next, answer: judge(node.region, stack, products, shopState(db).shop) });
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
      const answer = judge(node.region, node.stack, allProducts(db), shopState(db).shop);
      const verdict =
        answer.outcome === "judged"
          ? answer.verdicts.find((v) => `${v.rule}@${v.where.kind}${v.where.layer}` === key)
          : undefined;
      if (!verdict) return notFound("That verdict");
      if (verdict.kind === "safety") return failed("refused", "A safety stop cannot be overridden.");
      if (verdict.verdict !== "stop") return failed("refused", "Only a stop needs a reason.");
    }
    setOverride(db, regionId, key, reason?.trim() ?? null);
    return done(null);
  });
}
