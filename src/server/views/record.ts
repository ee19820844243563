import {
  type BenchScreen,
  done,
  type LogEntry,
  type Outcome,
  type RecordFace,
  type RecordView,
  type TouchUpView,
} from "@/contracts";
import { MIN_PER_DAY, MS_PER_MIN } from "@/core/base";
import { isOpenReport } from "@/core/history";
import type { JudgeAnswer, PlacedVerdict } from "@/core/judge";
import type { BeforeStep, Layer, Product, Stack } from "@/core/model";
import { type CoatUsed, filmsOf, followUps, hoursOf, type RecordFilm, rubbedLayers, spentOf } from "@/core/record";
import type { PlanRegion } from "@/core/work";
import { nowMs } from "../clock";
import { viewingModel } from "../guard";
import type { ModelSnapshot, Snapshot } from "../workspace/snapshot";

/** What the log proves of a model, face by face, with hours and money; of one nothing was done to yet it says that. */
export const getRecord = (modelId: string): Outcome<RecordView> =>
  viewingModel(modelId, (m, s) => done(recordOf(m, s, nowMs())));

const minOf = (e: Pick<LogEntry, "at">): number => Date.parse(e.at) / MS_PER_MIN;

function recordOf(m: ModelSnapshot, s: Snapshot, atMs: number): RecordView {
  const atMin = atMs / MS_PER_MIN;
  const { log } = m.sources;
  const productOf = (id: string): Product | null => s.data.products.get(id) ?? null;
  const faces = m.tree.flatMap((part) =>
    part.regions.flatMap((node) => {
      const own = m.input.regions.find((r) => r.region.id === node.region.id);
      return own ? [faceOf(m, s, own, part.name, node.region.name, atMin)] : [];
    }),
  );
  const spent = spentOf(coatsUsed(m, log), productOf).map((line) => ({
    ...line,
    name: productOf(line.productId)?.name ?? "a product that is gone",
  }));
  const priced = spent.flatMap((l) => (l.money === null ? [] : [l.money]));
  return {
    model: { id: m.head.id, name: m.head.name, scale: m.head.scale, note: m.head.note },
    atMin,
    timeZone: s.data.shopState.shop.timeZone,
    empty: m.history.standing.length === 0,
    faces,
    hours: hoursOf(m.history.records),
    spent,
    money: priced.length === 0 ? null : priced.reduce((a, b) => a + b, 0),
    pieces: m.tree.length === 1 ? m.tree[0]!.count : 1,
  };
}

/** Coats that stand, with what they took. */
export function coatsUsed(
  m: ModelSnapshot,
  log: readonly LogEntry[],
): readonly (CoatUsed & { readonly regionId: string })[] {
  const standing = new Set(m.history.standing.map((d) => d.id));
  const faces = new Map(
    m.tree.flatMap((p) => p.regions.map((r) => [r.region.id, { area: r.region.areaCm2, count: p.count }])),
  );
  return log.flatMap((e) => {
    if (e.kind !== "done" || !e.laid || !standing.has(e.id)) return [];
    const face = faces.get(e.regionId);
    return [
      {
        regionId: e.regionId,
        productId: e.laid.productId,
        coats: e.coats ?? 1,
        wftUm: e.wftUm,
        ml: e.used?.ml ?? null,
        areaCm2: face?.area ?? null,
        pieces: face?.count ?? 1,
      },
    ];
  });
}

function faceOf(m: ModelSnapshot, s: Snapshot, own: PlanRegion, part: string, name: string, atMin: number): RecordFace {
  const { id } = own.region;
  const log = m.sources.log.filter((e) => e.regionId === id);
  const stands = new Set(m.history.standing.map((d) => d.id));
  const opsHere = new Set(log.map((e) => e.opId));
  const records = m.history.records.filter((r) => opsHere.has(r.opId));
  const films = filmsOf(own.face, own.stack, rubbedLayers(records), (pid) => s.data.products.get(pid) ?? null);
  const lastFilm = films.at(-1);
  return {
    regionId: id,
    part,
    face: name,
    count: own.count ?? 1,
    material: own.region.material,
    areaCm2: own.region.areaCm2,
    films: films.map(({ product, ...film }) => ({
      ...film,
      name: product?.name ?? "unknown paint",
      colour: product?.colour ?? "#8d8d88",
      family: product?.family ?? "unknown",
      air: airOf(
        log.filter((e) => stands.has(e.id)),
        film,
      ),
    })),
    works: log
      .filter((e) => (e.kind === "done" || e.kind === "worked") && stands.has(e.id))
      .map((e) => ({ atMin: minOf(e), title: e.title.slice(e.title.indexOf(":") + 1).trim(), note: e.note })),
    faults: m.history.reports
      .filter((r) => r.regionId === id && !r.withdrawn)
      .map((r) => ({
        atMin: r.atMin,
        sign: r.sign,
        place: r.place,
        cause: r.cause ?? null,
        recipes: r.recipes,
        open: isOpenReport(r),
      })),
    photos: log.flatMap((e) => ("photo" in e && e.photo ? [{ hash: e.photo, atMin: minOf(e), title: e.title }] : [])),
    coupons: couponsOf(s, films),
    hours: hoursOf(records),
    followUps: looksOfFinished(m, own, lastFilm, log),
    touchUp: lastFilm?.product ? touchUpOf(s, m, own, lastFilm, lastFilm.product, atMin) : null,
  };
}

/** Looks a finished face is due, by its uppermost film and its lines of the log. */
function looksOfFinished(
  m: ModelSnapshot,
  { region, stack }: PlanRegion,
  lastFilm: RecordFilm | undefined,
  log: readonly LogEntry[],
): RecordFace["followUps"] {
  const top = stack.layers.at(-1);
  const laid = top && lastFilm?.layerId === top.id && lastFilm.coats >= top.coats;
  return followUps(
    laid && m.tileOf(region.id)?.zone === "finished" ? lastFilm.lastMin : null,
    m.input.habits?.followUpDays ?? [],
    log.flatMap((e) => (e.kind === "looked" || e.kind === "reported" ? [{ atMin: minOf(e) }] : [])),
  );
}

/** The look of a finished face whose day has come or comes within a day, and nobody has made; the latest, if several. */
export function lookDue(
  m: ModelSnapshot,
  s: Snapshot,
  own: PlanRegion,
  atMin: number,
): BenchScreen["looksDue"][string] {
  const log = m.sources.log.filter((e) => e.regionId === own.region.id);
  const films = filmsOf(own.face, own.stack, new Set(), (id) => s.data.products.get(id) ?? null);
  const due = looksOfFinished(m, own, films.at(-1), log).filter((l) => l.dueMin <= atMin + MIN_PER_DAY);
  const last = due.at(-1);
  return last && last.lookedMin === null ? { days: last.days, dueMin: last.dueMin } : null;
}

/** Air of a film's coats by their lines of the log. */
function airOf(log: readonly LogEntry[], film: Omit<RecordFilm, "product">) {
  const own = log.filter((e) => e.kind === "done" && e.opId.startsWith(`${film.layerId}:coat:`));
  if (own.length === 0) return null;
  const temps = own.map((e) => e.air.tempC);
  return {
    leastC: Math.min(...temps),
    mostC: Math.max(...temps),
    rhPct: own.reduce((sum, e) => sum + e.air.rhPct, 0) / own.length,
  };
}

/** Coupons that were tried with what lies there. */
const couponsOf = ({ coupons }: Snapshot, films: readonly RecordFilm[]): readonly string[] => {
  const here = new Set(films.flatMap((f) => (f.canId ? [f.canId] : [])));
  return coupons
    .filter((c) => c.result && c.layers.length > 0 && c.layers.every((l) => here.has(l.productId)))
    .map((c) => `${c.name}: ${c.result}`);
};

/** A chip, after so long: the same over itself, wiped or scuffed, as the judge has it today. */
function touchUpOf(
  s: Snapshot,
  m: ModelSnapshot,
  own: PlanRegion,
  film: RecordFilm,
  product: Product,
  atMin: number,
): TouchUpView | null {
  const can = s.data.shelf.find((i) => i.product.id === film.canId)?.product ?? null;
  const lying = own.stack.layers.filter((l) => own.face?.layers.some((f) => f.layerId === l.id));
  const gapMin = Math.max(1, Math.round(atMin - film.lastMin));
  // as the pile has it: the can, or its card of that day where the can holds something else by now
  const productId = own.stack.layers.find((l) => l.id === film.layerId)?.productId ?? null;
  if (productId === null) return null;
  const node = m.tree.flatMap((p) => p.regions).find((n) => n.region.id === own.region.id)!;
  const over = (before: readonly BeforeStep[]): readonly PlacedVerdict[] | null => {
    const chip: Layer = {
      id: "touch-up",
      productId,
      coats: 1,
      heaviness: "light",
      wftUm: null,
      gapMin,
      before: [...before],
      sandAfter: null,
    };
    const stack: Stack = { ...own.stack, layers: [...lying, chip] };
    const answer: JudgeAnswer = m.judged({ ...node, stack });
    if (answer.outcome !== "judged") return null;
    return answer.verdicts.filter(
      (v) =>
        v.verdict !== "ok" && (v.where.kind === "layer" || v.where.kind === "seam") && v.where.layer === lying.length,
    );
  };
  const stops = (list: readonly PlacedVerdict[] | null) => list === null || list.some((v) => v.verdict === "stop");
  const wiped = over(["wipe"]);
  const scuffed = stops(wiped) ? over(["scuff", "wipe"]) : null;
  const how = !stops(wiped) ? "wipe" : !stops(scuffed) ? "scuff" : null;
  const said = (how === "wipe" ? wiped : (scuffed ?? wiped)) ?? [];
  return {
    name: product.name,
    daysSince: Math.floor((atMin - film.lastMin) / MIN_PER_DAY),
    leftMl: can?.leftMl ?? null,
    onShelf: can !== null && can.owned !== false,
    openedOn: can?.openedOn ?? null,
    useBy: can?.useBy ?? null,
    pastDate: can?.useBy != null && can.useBy < s.today,
    how,
    verdicts: said.slice(0, 3),
    tapeSafe: gapMin > (product.label.tapeSafeMin ?? product.label.curedMin ?? 7 * MIN_PER_DAY),
  };
}
