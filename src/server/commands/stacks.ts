import { done, failed, invalid, type Outcome, overrideSchema, type RegionNode, stackSchema } from "@/contracts";
import { applyRemedy, type PlacedVerdict } from "@/core/judge";
import type { Product, Stack } from "@/core/model";
import { FILM_ROLES, isOneOf } from "@/core/model";
import { allProducts, type Db, regionHome, replaceStack, setOverride } from "@/db";
import { conflict, notFound, writing } from "../guard";
import { newId } from "../ids";
import { snapshotOf } from "../workspace/snapshot";

/** A region as it stands, in or out of a transaction. */
export const regionNode = (db: Db, regionId: string): RegionNode | null => snapshotOf(db).home(regionId)?.node ?? null;

/** A verdict of a region as the screens show it. */
function verdictOf(
  db: Db,
  regionId: string,
  key: string,
): { node: RegionNode; verdict: PlacedVerdict | undefined } | null {
  const s = snapshotOf(db);
  const home = s.home(regionId);
  const answer = home && s.model(home.modelId)?.judged(home.node);
  if (!home || !answer) return null;
  const verdict = answer.outcome === "judged" ? answer.verdicts.find((v) => v.key === key) : undefined;
  return { node: home.node, verdict };
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
    const own = verdictOf(db, regionId, key);
    if (!own) return notFound("The region");
    const remedy = own.verdict?.remedy[n];
    if (!own.verdict || !remedy) return notFound("That remedy");
    return storeStack(db, regionId, stackRev, applyRemedy(own.node.stack, own.verdict.where, remedy));
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
    const own = verdictOf(db, regionId, key);
    if (!own) return notFound("The region");
    if (reason !== null) {
      const { verdict } = own;
      if (!verdict) return notFound("That verdict");
      if (verdict.kind === "safety") return failed("refused", "A safety stop cannot be overridden.");
      if (verdict.verdict !== "stop") return failed("refused", "Only a stop needs a reason.");
    }
    setOverride(db, regionId, key, reason?.trim() ?? null);
    return done(null);
  });
}
