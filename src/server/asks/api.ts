import {
  type CheckLayer,
  cardsUnderOwnIds,
  checkRequestSchema,
  checkToAir,
  checkToCoupon,
  checkToLayer,
  checkToRegion,
  done,
  failed,
  inlineToProduct,
  invalid,
  type ModelDocument,
  NO_PLANNING,
  type Outcome,
  type PartNode,
} from "@/contracts";
import { MS_PER_MIN } from "@/core/base";
import { type JudgeAnswer, judgeWithDoubts } from "@/core/judge";
import type { Layer, Product } from "@/core/model";
import type { PlanAnswer } from "@/core/plan";
import { allProducts } from "@/db";
import { nowMs } from "../clock";
import { airOfDocument } from "../document-air";
import { reading } from "../guard";
import { lookup, withStandIns } from "../lookup";
import { sent } from "../planning/task";
import { askSent } from "../solver/ask";
import { inputFrom, type PlanSources } from "../workspace/input";
import { taughtOnce } from "../workspace/taught";

/** Answers of the HTTP face as core values; the route handlers put them into the API's words. */

type Judged = Extract<JudgeAnswer, { outcome: "judged" }>;

/** POST check: judges what is sent, with products inline or from the shelf; nothing is kept. */
export function checkStack(body: unknown): Outcome<Judged> {
  const parsed = checkRequestSchema.safeParse(body);
  if (!parsed.success) return invalid(parsed.error);
  const request = parsed.data;
  const all = [...request.layers, ...(request.coupons ?? []).flatMap((c) => c.layers)];
  const usesShelf = all.some((l) => [l.product, l.thinner, l.mixed_with].some((p) => typeof p === "string"));
  const shelf: Outcome<ReadonlyMap<string, Product>> = usesShelf
    ? reading((db) => done(allProducts(db)))
    : done(new Map());
  if (!shelf.ok) return shelf;
  const register = new Register(shelf.value);
  const layers = request.layers.map((l, i) => register.layer(l, `layers.${i}`, `layer-${i}`));
  const coupons = (request.coupons ?? []).map((c, n) =>
    checkToCoupon(
      c,
      `coupon-${n}`,
      c.layers.map((l, i) => register.layer(l, `coupons.${n}.layers.${i}`, `coupon-${n}-${i}`)),
    ),
  );
  if (register.faults.length > 0)
    return failed("invalid", `${register.faults[0]!.path} is not on the shelf`, register.faults);
  const answer = judgeWithDoubts({
    region: checkToRegion(request.region),
    stack: { prep: [], layers },
    productOf: lookup(register.products),
    protection: request.protection === "unknown" ? [] : (request.protection ?? []),
    air: request.air ? checkToAir(request.air) : null,
    airCounts: true,
    coupons,
  });
  return answer.outcome === "judged"
    ? done(answer)
    : failed("invalid", "region.material is missing", [{ path: "region.material", message: "is missing" }]);
}

/** Products of a request under one id each: the same facts told twice are the same product. */
class Register {
  readonly products: Map<string, Product>;
  readonly faults: { path: string; message: string }[] = [];
  private readonly inline = new Map<string, string>();

  constructor(shelf: ReadonlyMap<string, Product>) {
    this.products = new Map(shelf);
  }

  layer(l: CheckLayer, path: string, id: string): Layer {
    const at = (ref: CheckLayer["thinner"], field: string, method?: CheckLayer["method"]) =>
      ref === undefined ? null : this.idOf(ref, method, `${path}.${field}`);
    const liquids = Object.entries(l.before_with ?? {}).map(([step, ref]) => [step, at(ref, `before_with.${step}`)]);
    return checkToLayer(l, {
      id,
      productId: at(l.product, "product", l.method) ?? "",
      thinnerId: at(l.thinner, "thinner", l.method),
      mixedWithId: at(l.mixed_with, "mixed_with", l.method),
      maskId: at(l.tape?.product, "tape.product"),
      beforeWith: Object.fromEntries(liquids) as Layer["beforeWith"],
    });
  }

  /** A method given with the layer beats the shelf's. */
  private idOf(ref: CheckLayer["product"], method: CheckLayer["method"], path: string): string {
    if (typeof ref !== "string") {
      const key = JSON.stringify([ref, method]);
      const known = this.inline.get(key);
      if (known) return known;
      const id = `inline-${this.inline.size}`;
      this.inline.set(key, id);
      const usual = ref.role === "putty" ? "spread" : ref.role === "masking" ? "spread" : "brush";
      this.products.set(id, inlineToProduct(id, ref, method ?? usual));
      return id;
    }
    const own = this.products.get(ref);
    if (!own) {
      this.faults.push({ path, message: "is not on the shelf" });
      return "";
    }
    if (!method || method === own.method) return ref;
    const id = `${ref}-by-${method}`;
    this.products.set(id, { ...own, id, method });
    return id;
  }
}

/** What a document is planned from at a moment, by the lines of its log that are given. */
export function worldOf(
  document: ModelDocument,
  atMs: number,
  log: ModelDocument["log"] = document.log,
): { readonly sources: PlanSources; readonly productOf: (id: string) => Product } {
  const own = new Map((document.products as readonly Product[]).map((p) => [p.id, p]));
  const cards = cardsUnderOwnIds(Object.entries(document.cards ?? {}) as [string, Product][]);
  const tree = treeOf(document);
  const air = airOfDocument(document);
  const { products } = taughtOnce(
    {
      logs: new Map([[document.model.id, log]]),
      cans: own,
      products: withStandIns(own, cards, log),
      cards,
      trees: new Map([[document.model.id, tree]]),
      shopState: { shop: document.shop },
      ...air,
      locals: new Map([[document.model.id, air.locals]]),
    },
    atMs,
  );
  const sources: PlanSources = {
    tree,
    shop: document.shop,
    log,
    cards,
    products,
    coupons: document.coupons,
    air,
    planning: document.planning ?? NO_PLANNING,
  };
  return { sources, productOf: lookup(products) };
}

/** The tree a document describes, as the database would give it. */
const treeOf = (doc: ModelDocument): readonly PartNode[] =>
  doc.parts.map((p) => ({
    ...p,
    photo: p.photo ?? null,
    rev: 0,
    regions: p.regions.map(({ stack, overrides, ...region }) => ({ region, stack, overrides, rev: 0, stackRev: 0 })),
  }));

export interface DocumentPlan {
  readonly answer: PlanAnswer;
  readonly products: ReadonlyMap<string, Product>;
  readonly document: ModelDocument;
}

/** POST plan: plans a document that is not kept. */
export async function planDocument(body: unknown): Promise<Outcome<DocumentPlan>> {
  const read = await askSent("readPlanRequest", body);
  if (!read.ok) return read;
  if (!read.value.ok) return read.value;
  const { document, now } = read.value.value;
  const atMs = now ? Date.parse(now) : nowMs();
  const { sources, productOf } = worldOf(document, atMs);
  const { products } = sources;
  const input = inputFrom(sources, productOf, atMs);
  const solved = await askSent(
    "plan",
    { input: sent(input, products), groups: null, keep: null, looked: null, budgetMs: null },
    null,
  );
  return solved.ok ? done({ answer: solved.value, products, document }) : solved;
}

export const minToIso = (min: number): string => new Date(min * MS_PER_MIN).toISOString();
