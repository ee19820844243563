import {
  type CheckRequest,
  checkRequestSchema,
  done,
  failed,
  inlineToProduct,
  invalid,
  type ModelDocument,
  type Outcome,
  type PartNode,
  planRequestSchema,
} from "@/contracts";
import { MS_PER_MIN } from "@/core/base";
import type { Layer, Product, Region } from "@/core/model";
import { type JudgeAnswer, judgeStack, type PlanAnswer, planModel } from "@/core/plan";
import { allProducts } from "@/db";
import { nowMs } from "./clock";
import { readDocument } from "./document";
import { reading } from "./guard";
import { lookup } from "./lookup";
import { inputFrom } from "./plan";

/** Answers of the HTTP face as core values; the route handlers put them into the API's words. */

type Judged = Extract<JudgeAnswer, { outcome: "judged" }>;

/** POST check: judges what is sent, with products inline or from the shelf; nothing is kept. */
export function checkStack(body: unknown): Outcome<Judged> {
  const parsed = checkRequestSchema.safeParse(body);
  if (!parsed.success) return invalid(parsed.error);
  const request = parsed.data;
  const usesShelf = request.layers.some((l) => typeof l.product === "string");
  const shelf: Outcome<ReadonlyMap<string, Product>> = usesShelf
    ? reading((db) => done(allProducts(db)))
    : done(new Map());
  if (!shelf.ok) return shelf;
  const products = new Map(shelf.value);
  const layers: Layer[] = [];
  for (const [i, l] of request.layers.entries()) {
    const own = productOf(l, i, products);
    if (!own)
      return failed("invalid", `layers.${i}.product is not on the shelf`, [
        { path: `layers.${i}.product`, message: "is not on the shelf" },
      ]);
    products.set(own.id, own);
    layers.push(layerOf(l, i, own.id));
  }
  const answer = judgeStack({
    region: regionOf(request.region),
    stack: { prep: [], layers },
    productOf: lookup(products),
    protection: request.protection ?? [],
    air: request.air ? { tempC: request.air.temp_c, rhPct: request.air.rh_pct } : null,
  });
  return answer.outcome === "judged"
    ? done(answer)
    : failed("invalid", `region.material is missing`, [{ path: "region.material", message: "is missing" }]);
}

type CheckLayer = CheckRequest["layers"][number];

/** The product a layer names or tells; a method given with the layer beats the shelf's. */
function productOf(l: CheckLayer, i: number, shelf: ReadonlyMap<string, Product>): Product | null {
  if (typeof l.product !== "string") return inlineToProduct(`inline-${i}`, l.product, l.method ?? "brush");
  const own = shelf.get(l.product);
  if (!own) return null;
  return l.method && l.method !== own.method ? { ...own, id: `${own.id}-by-${l.method}`, method: l.method } : own;
}

const layerOf = (l: CheckLayer, i: number, productId: string): Layer => ({
  id: `layer-${i}`,
  productId,
  coats: l.coats ?? 1,
  heaviness: l.heaviness ?? "wet",
  wftUm: l.wft_um ?? null,
  gapMin: l.gap_min ?? null,
  before: l.before ?? [],
  sandAfter: l.sand_after
    ? { grit: l.sand_after.grit, wet: l.sand_after.wet ?? false, takesUm: l.sand_after.um }
    : null,
});

const regionOf = (r: CheckRequest["region"]): Region => ({
  id: "region",
  name: "region",
  material: r.material,
  conditions: r.conditions ?? [],
  areaCm2: r.area_cm2 ?? null,
  finish: r.finish,
  detailUm: r.detail_um ?? null,
  ridgeUm: r.ridge_um ?? null,
  exposure: r.exposure ?? [],
});

/** The tree a document describes, as the database would give it. */
const treeOf = (doc: ModelDocument): readonly PartNode[] =>
  doc.parts.map((p) => ({
    ...p,
    rev: 0,
    regions: p.regions.map(({ stack, overrides, ...region }) => ({ region, stack, overrides, rev: 0, stackRev: 0 })),
  }));

export interface DocumentPlan {
  readonly answer: PlanAnswer;
  readonly products: ReadonlyMap<string, Product>;
  readonly document: ModelDocument;
}

/** POST plan: plans a document that is not kept. */
export function planDocument(body: unknown): Outcome<DocumentPlan> {
  const inner = typeof body === "object" && body !== null && "document" in body ? readDocument(body.document) : null;
  if (inner && !inner.ok) {
    const fields = inner.problem.fields.map((f) => ({ ...f, path: ["document", f.path].filter(Boolean).join(".") }));
    return { ok: false, problem: { ...inner.problem, fields } };
  }
  const parsed = planRequestSchema.safeParse(body);
  if (!parsed.success) return invalid(parsed.error);
  const { document, now } = parsed.data;
  const products = new Map((document.products as readonly Product[]).map((p) => [p.id, p]));
  const atMs = now ? Date.parse(now) : nowMs();
  const input = inputFrom({ tree: treeOf(document), shop: document.shop, log: document.log }, lookup(products), atMs);
  return done({ answer: planModel(input), products, document });
}

export const minToIso = (min: number): string => new Date(min * MS_PER_MIN).toISOString();
