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
import type { FinderAnswer, FinderInput, Found, Trade, WhyNot } from "@/core/finder";
import type { Product, Stack } from "@/core/model";
import { onBestEvidence, WAYS, type WayOfWorking } from "@/core/reference";
import { writeShop } from "@/db";
import { conflict, notFound, viewing, writing } from "../guard";
import { newId } from "../ids";
import { ensureShop } from "../shed/hours";
import { ask, askSent } from "../solver/ask";
import type { Snapshot } from "../workspace/snapshot";

/** How many stacks a search lists, and how high they may be. */
const LISTED = 10;
const MAX_LAYERS = 6;

const waysOf = (shop: Shop): readonly WayOfWorking[] => [...WAYS, ...(shop.ways ?? [])];
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
function inputFor(s: Snapshot, regionId: string, request: unknown): Outcome<FinderInput & { readonly stack: Stack }> {
  const parsed = findSchema.safeParse(request);
  if (!parsed.success) return invalid(parsed.error);
  const node = s.home(regionId)?.node;
  if (!node) return notFound("The region");
  const { coupons, meanAir, today } = s;
  const { shop } = s.data.shopState;
  const way = wayOf(shop, parsed.data.wayId);
  if (!way) return notFound("That way of working");
  return done({
    region: node.region,
    stack: node.stack,
    shelf: onShelf(s),
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

const onShelf = ({ data, productOf }: Snapshot): readonly Product[] => data.shelf.map((i) => productOf(i.product.id));

/** The best stacks for a region from the shelf, under a way of working. */
export async function findStacks(regionId: string, request: unknown): Promise<Outcome<FindView>> {
  const asked = viewing((s) => inputFor(s, regionId, request));
  if (!asked.ok) return asked;
  const { stack, ...input } = asked.value;
  const weighable = stack.layers.length > 0 && stack.layers.every((l) => input.shelf.some((p) => p.id === l.productId));
  const found = await ask("find", input, weighable ? stack : null);
  if (!found.ok) return found;
  const { answer, own } = found.value;
  return done(viewOf(answer, input.way, own && whyNotView(own)));
}

export async function whyNotProduct(
  regionId: string,
  request: unknown,
  productId: string,
): Promise<Outcome<WhyNotView>> {
  const asked = viewing((s) => inputFor(s, regionId, request));
  if (!asked.ok) return asked;
  const { stack: _, ...input } = asked.value;
  const told = await ask("reasons", input, [productId]);
  return told.ok ? done(whyNotView(told.value[0]!)) : told;
}

export interface Suggestion {
  readonly answer: FindView;
  readonly whyNot: readonly { readonly productId: string; readonly why: WhyNotView }[];
}

/** POST suggest: searches over what is sent, or over the shop's own shelf; nothing is kept. */
export async function suggestStacks(body: unknown): Promise<Outcome<Suggestion>> {
  const parsed = suggestRequestSchema.safeParse(body);
  if (!parsed.success) return invalid(parsed.error);
  const request = parsed.data;
  const asked = viewing((s) => searchOf(request, s));
  if (!asked.ok) return asked;
  const input = asked.value;
  const found = await askSent("find", input, null);
  if (!found.ok) return found;
  const productIds = request.why_not ?? [];
  const told = await askSent("reasons", input, productIds);
  if (!told.ok) return told;
  return done({
    answer: viewOf(found.value.answer, input.way, null),
    whyNot: productIds.map((productId, i) => ({ productId, why: whyNotView(told.value[i]!) })),
  });
}

/** What a search sent to the API starts from. */
function searchOf(request: z.infer<typeof suggestRequestSchema>, s: Snapshot): Outcome<FinderInput> {
  const { meanAir, today } = s;
  const {
    products,
    shopState: { shop },
  } = s.data;
  const offered = request.shelf ? offeredFrom(request.shelf, products) : done(onShelf(s));
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
  return done(input);
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
  viewing(({ data }) => {
    const { shop } = data.shopState;
    return done({
      ways: waysOf(shop),
      chosenId: wayOf(shop, undefined)?.id ?? WAYS[0]!.id,
      ownIds: (shop.ways ?? []).map((w) => w.id),
    });
  });
