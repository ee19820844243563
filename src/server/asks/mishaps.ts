import {
  type CauseView,
  cardsUnderOwnIds,
  done,
  eventOf,
  failed,
  type LogEntry,
  NO_PLANNING,
  type Outcome,
  type ReportView,
  type WayView,
} from "@/contracts";
import { MS_PER_MIN } from "@/core/base";
import { fold } from "@/core/history";
import { CAUSES, type Cause, type LessonShift, RECIPES, type RecipeId } from "@/core/mishap";
import { isOneOf, type Layer, type Mend, opIds, type Product, type Region } from "@/core/model";
import { plannedWftUm } from "@/core/numbers";
import {
  canMl,
  type Diagnosis,
  diagnose,
  type MendPrice,
  type PlanInput,
  type SwapChoice,
  swapChoices,
} from "@/core/plan";
import { nowMs } from "../clock";
import { airOfDocument } from "../document-air";
import { notFound, viewing } from "../guard";
import { lookup, withStandIns } from "../lookup";
import { sent } from "../planning/task";
import { ask, askSent } from "../solver/ask";
import { inputFrom, type PlanSources } from "../workspace/input";
import { diagnosed, lessonsOf, mendEntry } from "../workspace/mishaps";
import { toLay } from "../workspace/to-lay";
import { treeOf } from "./api";

/** Causes shown; the rest is less likely than these. */
const CAUSES_SHOWN = 3;

const causeViews = ({ causes, facts }: Diagnosis): readonly CauseView[] =>
  causes.slice(0, CAUSES_SHOWN).map(({ cause, chance, for: speaks, against }) => ({
    id: cause.id,
    chance,
    for: speaks.map((fact) => ({ fact, known: facts[fact]! })),
    against: against.map((fact) => ({ fact, known: facts[fact]! })),
  }));

/** The line a mend would be in the log, to be weighed as what it would come to. */
function weighedEntry(regionId: string, reportId: string, recipe: string, mend: Mend, atMs: number): LogEntry {
  const id = "weighed";
  return mendEntry(
    {
      id,
      regionId,
      opId: opIds.mend(regionId, id),
      at: new Date(atMs).toISOString(),
      title: "",
      override: null,
      air: { tempC: 20, rhPct: 50, source: "typical" },
      note: "",
    },
    reportId,
    recipe,
    mend,
  );
}

/** Paint a mend takes, in the user's own money; null = a price or an area is missing. */
function costOf(layers: readonly Layer[], region: Region, productOf: (id: string) => Product): number | null {
  let sum = 0;
  for (const l of layers) {
    const p = productOf(l.productId);
    if (p.price == null || !p.packMl || region.areaCm2 === null) return null;
    const share = typeof l.spot === "number" ? l.spot : 1;
    sum += (canMl(p, region.areaCm2 * share, plannedWftUm(l, p)) * l.coats * p.price) / p.packMl;
  }
  return sum;
}

/** A report explained: causes by what is known, the questions that would tell most, ways to mend with their price. */
export async function explainReport(regionId: string, reportId: string): Promise<Outcome<ReportView>> {
  const seen = viewing((s) => {
    const home = s.home(regionId);
    const m = home && s.model(home.modelId);
    const report = m?.history.reports.find((r) => r.id === reportId && r.regionId === regionId);
    if (!m || !home || !report) return notFound("The report");
    const d = diagnosed(m, s, report);
    if (d === null) return failed("refused", "This face has no pile, or its material is not told.");
    const closed = report.withdrawn || report.cause !== undefined;
    const mends = closed
      ? []
      : d.ways.flatMap(({ recipe, way }) => (way.ok && worthWeighing(recipe) ? [{ recipe, mend: way.mend }] : []));
    const after = mends.map(({ recipe, mend }) => {
      const input = m.inputWith(weighedEntry(regionId, reportId, recipe, mend, nowMs()));
      return sent(alone(input, regionId), s.data.products);
    });
    const { id, atMin, sign, extent, place, recipes } = report;
    return done({
      d,
      mends,
      before: sent(alone(m.input, regionId), s.data.products),
      after,
      region: home.node.region,
      productOf: s.productOf,
      tried: new Set(recipes.filter(isOneOf(RECIPES))),
      view: {
        report: { id, regionId, atMin, sign, extent, place, cause: report.cause ?? null, closed, recipes },
        causes: causeViews(d),
        questions: closed ? [] : d.questions.map((q) => q.fact),
        lessons: lessonsOf(s).filter((l) => l.sign === sign && l.reportId !== reportId),
      },
    });
  });
  if (!seen.ok) return seen;
  const { d, mends, before, after, region, productOf, tried, view } = seen.value;
  const prices = await ask("weigh", before, after, regionId);
  if (!prices.ok) return prices;
  const priceOf = new Map(mends.map(({ recipe }, n) => [recipe, prices.value[n]!]));
  const ways = d.ways.map(({ recipe, way }): WayView => {
    if (!way.ok) return { recipe, ok: false, why: way.why };
    const cost = costOf(way.mend.layers, region, productOf);
    return { recipe, ok: true, price: priceOf.get(recipe) ?? FREE, cost, tried: tried.has(recipe), mend: way.mend };
  });
  return done({ ...view, ways: view.report.closed ? [] : ways });
}

/** One face of the bench: what a mend of it is weighed on. */
const alone = (input: PlanInput, regionId: string): PlanInput => ({
  ...input,
  regions: input.regions.filter((r) => r.region.id === regionId),
  joins: [],
});

/** Nothing is done, or what is done is chosen elsewhere. */
const worthWeighing = (recipe: RecipeId): boolean => recipe !== "leave" && recipe !== "swap";
const FREE: MendPrice = { verdict: "ok", stops: [], handsMin: 0, rightMin: null, movesMin: 0 };

export interface DocumentDiagnosis {
  readonly diagnosis: Diagnosis;
  readonly prices: ReadonlyMap<RecipeId, MendPrice>;
  readonly lessons: readonly { readonly cause: Cause; readonly shift: LessonShift; readonly at: string }[];
  readonly productOf: (id: string) => Product;
  readonly atMin: number;
}

/** POST diagnose: what went wrong on a face of a document, by its log up to then; nothing is kept. */
export async function diagnoseDocument(body: unknown): Promise<Outcome<DocumentDiagnosis>> {
  const read = await askSent("readDiagnoseRequest", body);
  if (!read.ok) return read;
  if (!read.value.ok) return read.value;
  const { document, region: regionId, sign, at, extent, place, answers } = read.value.value;
  if (!document.parts.some((p) => p.regions.some((r) => r.id === regionId)))
    return failed("invalid", "region is none of the document", [
      { path: "region", message: "is none of the document" },
    ]);
  const own = new Map((document.products as readonly Product[]).map((p) => [p.id, p]));
  const cards = cardsUnderOwnIds(Object.entries(document.cards ?? {}) as [string, Product][]);
  const log = document.log.filter((e) => e.at <= at);
  const products = withStandIns(own, cards, log);
  const sources: PlanSources = {
    tree: treeOf(document),
    shop: document.shop,
    log,
    cards,
    products,
    coupons: document.coupons,
    air: airOfDocument(document),
    planning: document.planning ?? NO_PLANNING,
  };
  const productOf = lookup(products);
  const atMs = Date.parse(at);
  const input = inputFrom(sources, productOf, atMs);
  const atMin = atMs / MS_PER_MIN;
  const { reports } = fold(log.map((e) => eventOf(e, cards)));
  const tried = reports
    .filter((r) => r.regionId === regionId && r.sign === sign && !r.withdrawn)
    .flatMap((r) => r.recipes.filter(isOneOf(RECIPES)));
  const d = diagnose(input, {
    regionId,
    sign,
    extent,
    place,
    atMin,
    answers: new Map(Object.entries(answers)),
    tried,
    mendId: "weighed",
    shelf: [...own.values()],
  });
  if (d === null)
    return failed("invalid", "region has no pile that could be judged", [
      { path: "region", message: "has no pile that could be judged" },
    ]);
  const mends = d.ways.flatMap(({ recipe, way }) =>
    way.ok && worthWeighing(recipe) ? [{ recipe, mend: way.mend }] : [],
  );
  const after = mends.map(({ recipe, mend }) => {
    const entry = weighedEntry(regionId, "weighed", recipe, mend, atMs);
    return sent(alone(inputFrom({ ...sources, log: [...log, entry] }, productOf, atMs), regionId), products);
  });
  const prices = await askSent("weigh", sent(alone(input, regionId), products), after, regionId);
  if (!prices.ok) return prices;
  const causes = new Map(CAUSES.map((c) => [c.id, c]));
  return done({
    diagnosis: d,
    prices: new Map(mends.map(({ recipe }, n) => [recipe, prices.value[n]!])),
    lessons: reports.flatMap((r) => {
      const cause = r.cause == null || r.struck || r.withdrawn ? undefined : causes.get(r.cause);
      return cause ? [{ cause, shift: cause.lesson.shift, at: new Date(r.atMin * MS_PER_MIN).toISOString() }] : [];
    }),
    productOf,
    atMin,
  });
}

export interface SwapView {
  readonly layerId: string;
  readonly productId: string;
  readonly choices: readonly SwapChoice[];
  /** other faces on which the same product is still to be laid */
  readonly also: readonly { readonly regionId: string; readonly name: string }[];
}

/** What could take a product's place on a face: of the layer named, else of the one that is next. */
export function swapFor(regionId: string, layerId: string | null): Outcome<SwapView> {
  return viewing((s) => {
    const home = s.home(regionId);
    const m = home && s.model(home.modelId);
    if (!m || !home) return notFound("The part");
    const own = m.input.regions.find((r) => r.region.id === regionId);
    const at = layerId ?? m.tileOf(regionId)?.op?.layerId ?? null;
    const layer = own?.stack.layers.find((l) => l.id === at);
    if (!layer) return failed("refused", "No layer is next on this face.");
    const also = m.input.regions
      .filter((r) => r.region.id !== regionId && toLay(r, layer.productId).length > 0)
      .map((r) => ({ regionId: r.region.id, name: s.home(r.region.id)?.part.name ?? "" }));
    const choices = swapChoices(
      m.input,
      regionId,
      layer.id,
      s.data.shelf.map((i) => s.productOf(i.product.id)),
    );
    return done({ layerId: layer.id, productId: layer.productId, choices, also });
  });
}
