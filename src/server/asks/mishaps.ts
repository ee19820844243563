import {
  type CauseView,
  done,
  eventOf,
  failed,
  type LogEntry,
  type Outcome,
  type ReportView,
  type WayView,
} from "@/contracts";
import { MS_PER_MIN } from "@/core/base";
import { coatsDown, fold, isOpenReport, taughtBy } from "@/core/history";
import type { Cause, RecipeId } from "@/core/mishap";
import { type Layer, type Mend, opIds, type Product, type Region } from "@/core/model";
import { canMl, plannedWftUm, spotShare } from "@/core/numbers";
import { type Diagnosis, diagnose, type MendPrice, type PlanInput, type SwapChoice, swapChoices } from "@/core/plan";
import { notFound, viewing } from "../guard";
import { sent } from "../planning/task";
import { ask, askSent } from "../solver/ask";
import { inputFrom } from "../workspace/input";
import { causeOf, diagnosed, lessonsOf, triedOn, WEIGHED } from "../workspace/mishaps";
import { toLay } from "../workspace/to-lay";
import { worldOf } from "./api";

/** Causes shown; the rest is less likely than these. */
const CAUSES_SHOWN = 3;

const causeViews = ({ causes, facts }: Diagnosis): readonly CauseView[] =>
  causes.slice(0, CAUSES_SHOWN).map(({ cause, chance, for: speaks, against }) => ({
    id: cause.id,
    chance,
    for: speaks.map((fact) => ({ fact, known: facts[fact]! })),
    against: against.map((fact) => ({ fact, known: facts[fact]! })),
  }));

/** Nothing is done, or what is done is chosen elsewhere. */
const isWeighed = (recipe: RecipeId): boolean => recipe !== "leave" && recipe !== "swap";
const FREE: MendPrice = { verdict: "ok", stops: [], handsMin: 0, rightMin: null, movesMin: 0 };

/** One face of the bench: what a mend of it is weighed on. */
const alone = (input: PlanInput, regionId: string): PlanInput => ({
  ...input,
  regions: input.regions.filter((r) => r.region.id === regionId),
  joins: [],
});

/** A bench on which mends are weighed: as it is, and were one more line in its log. */
interface Scales {
  readonly input: PlanInput;
  readonly inputWith: (entry: LogEntry) => PlanInput;
  readonly products: ReadonlyMap<string, Product>;
  readonly regionId: string;
}

/** What each way costs, by what the log would come to with it; worked out beside the request. */
async function pricesOf(
  askFor: typeof ask,
  { ways }: Pick<Diagnosis, "ways">,
  { input, inputWith, products, regionId }: Scales,
): Promise<Outcome<ReadonlyMap<RecipeId, MendPrice>>> {
  const mends = ways.flatMap(({ recipe, way }) => (way.ok && isWeighed(recipe) ? [{ recipe, mend: way.mend }] : []));
  const face = (of: PlanInput) => sent(alone(of, regionId), products);
  const after = mends.map(({ recipe, mend }) => face(inputWith(lineOf(regionId, recipe, mend, input.nowMin))));
  const prices = await askFor("weigh", face(input), after, regionId);
  return prices.ok ? done(new Map(mends.map(({ recipe }, n) => [recipe, prices.value[n]!]))) : prices;
}

/** The line a mend would be in the log. Nothing that is reckoned hangs on its air. */
const lineOf = (regionId: string, recipe: string, mend: Mend, nowMin: number): LogEntry => ({
  id: WEIGHED,
  regionId,
  opId: opIds.mend(regionId, WEIGHED),
  at: new Date(nowMin * MS_PER_MIN).toISOString(),
  title: "",
  override: null,
  air: { tempC: 20, rhPct: 50, source: "typical" },
  note: "",
  kind: "mended",
  reportId: null,
  recipe,
  mend,
});

/** Paint a mend takes on all pieces of a part, in the user's own money; null = a price or an area is missing. */
function costOf(
  layers: readonly Layer[],
  { region, count }: { readonly region: Region; readonly count: number },
  productOf: (id: string) => Product,
): number | null {
  let sum = 0;
  for (const l of layers) {
    const p = productOf(l.productId);
    if (p.price == null || !p.packMl || region.areaCm2 === null) return null;
    const areaCm2 = region.areaCm2 * spotShare(l, p, region) * count;
    sum += (canMl(p, areaCm2, plannedWftUm(l, p)) * l.coats * p.price) / p.packMl;
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
    const found = diagnosed(m, s, report);
    if (found === null) return failed("refused", "This face has no pile, or its material is not told.");
    const closed = !isOpenReport(report);
    const { id, atMin, sign, extent, place, recipes } = report;
    return done({
      d: closed ? { ...found, questions: [], ways: [] } : found,
      scales: { input: m.input, inputWith: m.inputWith, products: s.data.products, regionId },
      face: { region: home.node.region, count: home.part.count },
      productOf: s.productOf,
      report: { id, regionId, atMin, sign, extent, place, cause: report.cause ?? null, closed, recipes },
      lessons: lessonsOf(s).filter((l) => l.sign === sign && l.reportId !== reportId),
    });
  });
  if (!seen.ok) return seen;
  const { d, scales, face, productOf, report, lessons } = seen.value;
  const prices = d.ways.length === 0 ? done(new Map<RecipeId, MendPrice>()) : await pricesOf(ask, d, scales);
  if (!prices.ok) return prices;
  const ways = d.ways.map(({ recipe, way }): WayView => {
    if (!way.ok) return { recipe, ok: false, why: way.why };
    const price = prices.value.get(recipe) ?? FREE;
    const cost = costOf(way.mend.layers, face, productOf);
    return { recipe, ok: true, price, cost, tried: report.recipes.includes(recipe), mend: way.mend };
  });
  return done({ report, causes: causeViews(d), questions: d.questions.map((q) => q.fact), ways, lessons });
}

export interface DocumentDiagnosis {
  readonly diagnosis: Diagnosis;
  readonly prices: ReadonlyMap<RecipeId, MendPrice>;
  readonly lessons: readonly { readonly cause: Cause; readonly at: string }[];
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
  const atMs = Date.parse(at);
  const log = document.log.filter((e) => Date.parse(e.at) <= atMs);
  const { sources, productOf } = worldOf(document, atMs, log);
  const inputOf = (lines: typeof sources.log) => inputFrom({ ...sources, log: lines }, productOf, atMs);
  const input = inputOf(log);
  const { reports } = fold(log.map((e) => eventOf(e, sources.cards)));
  const d = diagnose(input, {
    regionId,
    sign,
    extent,
    place,
    atMin: atMs / MS_PER_MIN,
    answers: new Map(Object.entries(answers)),
    tried: triedOn(reports, { regionId, sign }),
    mendId: WEIGHED,
    shelf: document.products as readonly Product[],
  });
  if (d === null)
    return failed("invalid", "region has no pile that could be judged", [
      { path: "region", message: "has no pile that could be judged" },
    ]);
  const inputWith = (entry: LogEntry) => inputOf([...log, entry]);
  const prices = await pricesOf(askSent, d, { input, inputWith, products: sources.products, regionId });
  if (!prices.ok) return prices;
  return done({
    diagnosis: d,
    prices: prices.value,
    lessons: reports.flatMap((r) => {
      const cause = causeOf.get(taughtBy(r) ?? "");
      return cause ? [{ cause, at: new Date(r.atMin * MS_PER_MIN).toISOString() }] : [];
    }),
    productOf,
    atMin: atMs / MS_PER_MIN,
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
    if (coatsDown(own?.face, layer.id) >= layer.coats)
      return failed("refused", "All its coats are down already: it stays what it is, or is stripped.");
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
