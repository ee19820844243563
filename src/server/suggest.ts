import { z } from "zod";
import {
  checkToRegion,
  done,
  type FindView,
  type FoundView,
  failed,
  findSchema,
  inlineToProduct,
  invalid,
  type OfferedProduct,
  type Outcome,
  type Shop,
  suggestRequestSchema,
  type TradeView,
  type WhyNotView,
  waySchema,
} from "@/contracts";
import type { Product } from "@/core/model";
import {
  type FinderAnswer,
  type FinderInput,
  type Found,
  suggest,
  type Trade,
  type WhyNot,
  whyNot,
  whyNotStack,
} from "@/core/plan";
import { onBestEvidence, WAYS, type WayOfWorking } from "@/core/reference";
import { type Db, listShelf, writeShop } from "@/db";
import { conflict, notFound, reading, writing } from "./guard";
import { newId } from "./ids";
import { ensureShop, shopState } from "./shop";
import { benchOf, regionNode } from "./stacks";

/** How many stacks a search lists, and how high they may be. */
const LISTED = 10;
const MAX_LAYERS = 6;

export const waysOf = (shop: Shop): readonly WayOfWorking[] => [...WAYS, ...(shop.ways ?? [])];
const wayOf = (shop: Shop, id: string | undefined): WayOfWorking | null =>
  waysOf(shop).find((w) => w.id === (id ?? shop.wayId ?? WAYS[0]!.id)) ?? null;

const foundView = (f: Found): FoundView => ({
  stack: f.stack,
  cost: f.cost,
  totals: f.totals,
  worst: f.worst,
  toBuy: f.toBuy,
  verdicts: f.judged.verdicts
    .filter((v) => v.verdict !== "ok")
    .map((v) => ({ key: v.key, verdict: v.verdict, code: v.code, missing: v.missing, layer: v.where.layer })),
  keptUm: f.judged.ledger.map((l) => l.addedUm - l.takenUm),
});
const tradeView = (t: Trade): TradeView => ({ found: foundView(t.found), gains: t.gains, losses: t.losses });

const viewOf = (a: FinderAnswer, way: WayOfWorking, asItStands: WhyNotView | null): FindView =>
  a.outcome === "none"
    ? { outcome: "none", reasons: a.reasons, exact: a.exact, way }
    : {
        outcome: "found",
        best: a.best.map(foundView),
        trades: a.trades.map(tradeView),
        exact: a.exact,
        asItStands,
        options: a.stats.options,
        way,
      };

const whyNotView = (w: WhyNot): WhyNotView => {
  if (w.outcome === "never") return w;
  return w.outcome === "best"
    ? { outcome: "best", found: foundView(w.found) }
    : { outcome: "dearer", trade: tradeView(w.trade) };
};

/** What a search on a region of the database starts from. */
function inputFor(db: Db, regionId: string, request: unknown): Outcome<FinderInput> {
  const parsed = findSchema.safeParse(request);
  if (!parsed.success) return invalid(parsed.error);
  const node = regionNode(db, regionId);
  if (!node) return notFound("The region");
  const { shop, coupons, meanAir, today } = benchOf(db);
  const way = wayOf(shop, parsed.data.wayId);
  if (!way) return notFound("That way of working");
  return done({
    region: node.region,
    shelf: listShelf(db).map((i) => onBestEvidence(i.product)),
    protection: shop.protection,
    air: meanAir,
    way,
    want: { ...parsed.data.want, mustId: null },
    coupons,
    today,
    maxLayers: MAX_LAYERS,
    best: LISTED,
  });
}

/** The best stacks for a region from the shelf, under a way of working. */
export const findStacks = (regionId: string, request: unknown): Outcome<FindView> =>
  reading((db) => {
    const input = inputFor(db, regionId, request);
    if (!input.ok) return input;
    const { shelf, way } = input.value;
    const { stack } = regionNode(db, regionId)!;
    const weighable = stack.layers.length > 0 && stack.layers.every((l) => shelf.some((p) => p.id === l.productId));
    const own = weighable ? whyNotView(whyNotStack(input.value, stack)) : null;
    return done(viewOf(suggest(input.value), way, own));
  });

export const whyNotProduct = (regionId: string, request: unknown, productId: string): Outcome<WhyNotView> =>
  reading((db) => {
    const input = inputFor(db, regionId, request);
    return input.ok ? done(whyNotView(whyNot(input.value, productId))) : input;
  });

export interface Suggestion {
  readonly answer: FindView;
  readonly whyNot: readonly { readonly productId: string; readonly why: WhyNotView }[];
}

/** POST suggest: searches over what is sent, or over the shop's own shelf; nothing is kept. */
export function suggestStacks(body: unknown): Outcome<Suggestion> {
  const parsed = suggestRequestSchema.safeParse(body);
  if (!parsed.success) return invalid(parsed.error);
  const request = parsed.data;
  return reading((db) => {
    const { products, shop, meanAir, today } = benchOf(db);
    const offered = request.shelf
      ? offeredFrom(request.shelf, products)
      : done(listShelf(db).map((i) => onBestEvidence(i.product)));
    if (!offered.ok) return offered;
    const way = typeof request.way === "object" ? request.way : wayOf(shop, request.way);
    if (!way)
      return failed("invalid", `way: there is no way of working ${request.way}`, [
        { path: "way", message: "is not known here" },
      ]);
    const { air } = request;
    const input: FinderInput = {
      region: checkToRegion(request.region),
      shelf: offered.value,
      protection: request.protection ?? shop.protection,
      air: air ? { tempC: air.temp_c, rhPct: air.rh_pct, airflowMS: air.airflow_m_s ?? null } : meanAir,
      way,
      want: {
        until: request.until ?? "colour",
        colourId: request.colour ?? null,
        sheen: request.sheen ?? null,
        onlyOwned: request.only_owned ?? false,
        allowTests: request.allow_tests ?? true,
        mustId: null,
      },
      today,
      maxLayers: request.max_layers ?? MAX_LAYERS,
      best: request.best ?? LISTED,
    };
    return done({
      answer: viewOf(suggest(input), way, null),
      whyNot: (request.why_not ?? []).map((productId) => ({ productId, why: whyNotView(whyNot(input, productId)) })),
    });
  });
}

function offeredFrom(
  list: readonly (string | OfferedProduct)[],
  shelf: ReadonlyMap<string, Product>,
): Outcome<readonly Product[]> {
  const faults: { path: string; message: string }[] = [];
  const seen = new Set<string>();
  const products = list.flatMap((entry, i): Product[] => {
    const id = typeof entry === "string" ? entry : entry.id;
    if (seen.has(id)) faults.push({ path: `shelf.${i}`, message: `the id ${id} is used twice` });
    seen.add(id);
    if (typeof entry === "string") {
      const own = shelf.get(entry);
      if (!own) faults.push({ path: `shelf.${i}`, message: "is not on the shelf" });
      return own ? [onBestEvidence(own)] : [];
    }
    const { id: _id, method, owned, price, pack_ml, ...facts } = entry;
    const usual = entry.role === "putty" ? "spread" : "brush";
    return [
      {
        ...inlineToProduct(id, facts, method ?? usual),
        owned: owned ?? true,
        price: price ?? null,
        packMl: pack_ml ?? null,
      },
    ];
  });
  return faults.length > 0 ? failed("invalid", `${faults[0]!.path} ${faults[0]!.message}`, faults) : done(products);
}

/** Keeps a way of working of the user's own: a new one, or over one of theirs. The ready-made stay as they are. */
export function saveWay(input: unknown): Outcome<{ id: string }> {
  const given = input as { id?: unknown };
  const fresh = typeof given?.id !== "string" || given.id === "";
  const parsed = waySchema.safeParse({ ...(input as object), id: fresh ? newId("w") : given.id });
  if (!parsed.success) return invalid(parsed.error);
  const way = parsed.data;
  if (WAYS.some((w) => w.id === way.id))
    return failed("refused", "The ready-made ways stay as they are: copy this one first.");
  return changeWays((ways) => [...ways.filter((w) => w.id !== way.id), way], way.id);
}

export const deleteWay = (id: string): Outcome<{ id: string }> =>
  changeWays((ways) => ways.filter((w) => w.id !== id), WAYS[0]!.id);

export const chooseWay = (id: string): Outcome<{ id: string }> => changeWays((ways) => ways, id);

const wayIdSchema = z.string({ error: "names a way of working" }).min(1).max(80);

function changeWays(change: (ways: NonNullable<Shop["ways"]>) => NonNullable<Shop["ways"]>, wanted: unknown) {
  const parsed = wayIdSchema.safeParse(wanted);
  if (!parsed.success) return invalid(parsed.error);
  const chosen = parsed.data;
  return writing((db) => {
    const state = ensureShop(db);
    const ways = change(state.shop.ways ?? []);
    const next = { ...state.shop, ways, wayId: chosen } as Shop;
    if (!wayOf(next, chosen)) return notFound("That way of working");
    const rev = writeShop(db, next, state.airSetMs, state.rev);
    return rev === null ? conflict("The ways of working") : done({ id: chosen });
  });
}

export const getWays = (): Outcome<{ ways: readonly WayOfWorking[]; chosenId: string; ownIds: readonly string[] }> =>
  reading((db) => {
    const { shop } = shopState(db);
    return done({
      ways: waysOf(shop),
      chosenId: wayOf(shop, undefined)?.id ?? WAYS[0]!.id,
      ownIds: (shop.ways ?? []).map((w) => w.id),
    });
  });
