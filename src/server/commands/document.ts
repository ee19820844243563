import {
  canonicalJson,
  done,
  type FieldFault,
  failed,
  type LogEntry,
  type ModelDocument,
  type Outcome,
  type Planning,
} from "@/contracts";
import { mendWorkId } from "@/core/history";
import {
  type ExtraWork,
  keyFromPlace,
  mendRenamed,
  type Product,
  rekey,
  renamed as renamedKey,
  schemeRenamed,
  touchesRenamed,
  withProductsRenamed,
  workRenamed,
} from "@/core/model";
import {
  allProducts,
  anyIdTaken,
  appendLog,
  couponIdTaken,
  type Db,
  dropModel,
  insertCard,
  insertCoupon,
  insertModel,
  insertPart,
  insertPhoto,
  insertProduct,
  insertRegion,
  listModels,
  localAirIdTaken,
  logIdTaken,
  modelHead,
  modelTree,
  replaceStack,
  setCurrentModel,
  setOverride,
  setProductDeleted,
  writeBroughtPlan,
  writePlanning,
  writeShop,
} from "@/db";
import { readDocument, readText } from "@/workers/document";
import { nowMs } from "../clock";
import { bringAir } from "../document-air";
import { writing } from "../guard";
import { newId } from "../ids";
import type { ImportedPlan } from "../imported-plan";
import { onBenchChanged } from "../planning/active";
import { ensureShop } from "../shed/hours";
import { askSent } from "../solver/ask";
import { stayFault } from "./air";

export interface ImportOptions {
  /** what to do when a model with this id is here already */
  readonly onExisting: "refuse" | "replace" | "copy";
  /** also take over air, sessions and the other settings of the shed */
  readonly takeShop: boolean;
}

export interface ImportReport {
  readonly modelId: string;
  readonly products: { readonly added: number; readonly kept: number; readonly broughtInBeside: readonly string[] };
  /** what the document holds of the shed itself and was not taken over */
  readonly leftOut: readonly ("shop" | "readings" | "forecast")[];
}

/** Brings a file in: read beside the request, then all of it or nothing. */
export async function bringIn(text: string, options: ImportOptions): Promise<Outcome<ImportReport>> {
  const read = await readFile(text);
  return read.ok ? importRead(read.value, options) : read;
}

/** A document's text read beside the request. */
export async function readFile(text: string): Promise<Outcome<ModelDocument>> {
  const told = await askSent("readText", text);
  return told.ok ? told.value : told;
}

export function importText(text: string, options: ImportOptions): Outcome<ImportReport> {
  const read = readText(text);
  return read.ok ? importRead(read.value, options) : read;
}

/** Brings a document in: all of it, or, if anything is wrong, nothing. */
export function importDocument(input: unknown, options: ImportOptions): Outcome<ImportReport> {
  const read = readDocument(input);
  return read.ok ? importRead(read.value, options) : read;
}

/** What has been read, brought in. */
export function importRead(read: ModelDocument, options: ImportOptions): Outcome<ImportReport> {
  return writing((db) => {
    const exists = modelHead(db, read.model.id) !== null;
    if (exists && options.onExisting === "refuse")
      return failed(
        "conflict",
        `The model ${read.model.name} is here already. Replace it, or bring this one in as a copy.`,
      );
    // a deleted model of the same id is cleared out of the way first: its parts' ids are this one's own
    if (options.onExisting === "replace" || !exists) dropModel(db, read.model.id);
    // asked for under this very id, it does not come in under another: sent twice it would be here twice
    const asCopy = exists ? options.onExisting === "copy" : options.onExisting !== "replace" && foreignClash(db, read);
    const doc = asCopy ? withFreshIds(read) : read;
    const foreign = foreignIds(db, doc);
    if (foreign.length > 0)
      return failed(
        "invalid",
        `${foreign[0]!.path} ${foreign[0]!.message}. Nothing was changed; bring the document in as a copy instead.`,
        foreign,
      );
    const state = ensureShop(db);
    const { showing } = state.shop;
    if (options.takeShop) writeShop(db, { ...doc.shop, ...(showing ? { showing } : {}) }, nowMs(), state.rev);
    const products = bringProducts(db, doc.products as readonly Product[]);
    insertDocument(db, doc, products.idOf);
    bringAir(db, doc, options.takeShop);
    const hot = hotStay(db, doc);
    if (hot) return failed("refused", `${hot.path} ${hot.message}. Nothing was changed.`, [hot]);
    setCurrentModel(db, doc.model.id);
    onBenchChanged(db, doc.model.id);
    return done({
      modelId: doc.model.id,
      products: products.report,
      leftOut: options.takeShop ? [] : shedOf(doc),
    });
  });
}

/** What of the shed a document brings along. */
const shedOf = ({ air }: ModelDocument): ImportReport["leftOut"] => [
  "shop",
  ...(air && air.readings.length > 0 ? (["readings"] as const) : []),
  ...(air && air.forecast.length > 0 ? (["forecast"] as const) : []),
];

/** A stay of the document that its part does not stand; only what is still to come matters. */
function hotStay(db: Db, doc: ModelDocument): FieldFault | null {
  const tree = modelTree(db, doc.model.id);
  for (const [i, { partId, card }] of (doc.air?.local ?? []).entries()) {
    const part = tree.find((p) => p.id === partId);
    const fault = part && Date.parse(card.to) > nowMs() ? stayFault(db, doc.model.id, part, card) : null;
    if (fault) return { path: `air.local.${i}.card.${fault.path}`, message: fault.message };
  }
  return null;
}

/** True when a part, region, layer or log id of the document belongs to another model here. */
function foreignClash(db: Db, doc: ModelDocument): boolean {
  return listModels(db).length > 0 && foreignIds(db, doc).length > 0;
}

/** Ids of the document that are taken here, with their paths; its own model must be out of the way. */
function foreignIds(db: Db, doc: ModelDocument): readonly { path: string; message: string }[] {
  const taken = { message: "belongs to another model here" };
  return [
    ...doc.parts.flatMap((p, i) => [
      ...(anyIdTaken(db, "part", p.id) ? [{ path: `parts.${i}.id`, ...taken }] : []),
      ...p.regions.flatMap((r, j) => [
        ...(anyIdTaken(db, "region", r.id) ? [{ path: `parts.${i}.regions.${j}.id`, ...taken }] : []),
        ...r.stack.layers.flatMap((l, k) =>
          anyIdTaken(db, "layer", l.id) ? [{ path: `parts.${i}.regions.${j}.stack.layers.${k}.id`, ...taken }] : [],
        ),
      ]),
    ]),
    ...doc.log.flatMap((e, i) => (logIdTaken(db, e.id) ? [{ path: `log.${i}.id`, ...taken }] : [])),
    ...(doc.air?.local ?? []).flatMap((l, i) =>
      localAirIdTaken(db, l.id) ? [{ path: `air.local.${i}.id`, ...taken }] : [],
    ),
    ...doc.coupons.flatMap((c, i) => (couponIdTaken(db, c.id) ? [{ path: `coupons.${i}.id`, ...taken }] : [])),
  ];
}

/** The same document under ids nobody uses yet; the log's references follow. */
function withFreshIds(doc: ModelDocument): ModelDocument {
  const renamed = new Map<string, string>();
  const idOf = (id: string): string => renamed.get(id) ?? id;
  const fresh = (id: string, prefix: string) => {
    const next = newId(prefix);
    renamed.set(id, next);
    return next;
  };
  // a reason goes with its layers under their new ids
  const freshPile = ({ stack, overrides }: ModelDocument["parts"][number]["regions"][number]) => {
    const layers = stack.layers.map((l) => ({ ...l, id: fresh(l.id, "y") }));
    return {
      stack: { ...stack, layers },
      overrides: overrides.map((o) => ({ ...o, key: rekey(o.key, stack.layers, layers) ?? o.key })),
    };
  };
  const parts = doc.parts.map((p) => ({
    ...p,
    id: fresh(p.id, "p"),
    regions: p.regions.map((r) => ({
      ...r,
      id: fresh(r.id, "r"),
      ...freshPile(r),
    })),
  }));
  // what later entries speak of by its entry's id, and what a mend's work and layers are named after
  for (const e of doc.log) {
    if (e.kind !== "reported" && e.kind !== "mended" && e.kind !== "looked") continue;
    const id = fresh(e.id, "l");
    if (e.kind === "looked") for (const m of e.marks) fresh(m.id, "k");
    if (e.kind !== "mended") continue;
    for (const l of e.mend.layers) renamed.set(l.id, l.id.replace(e.id, id));
    for (const n of e.mend.works.keys())
      renamed.set(mendWorkId(e, n), mendWorkId({ id, regionId: idOf(e.regionId) }, n));
  }
  const opId = (id: string): string => renamed.get(id) ?? renamedKey(id, idOf);
  return {
    ...doc,
    parts,
    model: { ...doc.model, id: newId("m") },
    plan: null,
    ...(doc.air
      ? {
          air: {
            ...doc.air,
            local: doc.air.local.map((l) => ({ ...l, id: newId("a"), partId: renamed.get(l.partId) ?? l.partId })),
          },
        }
      : {}),
    ...(doc.planning ? { planning: renamedPlanning(doc.planning, opId, (id) => renamed.get(id) ?? id) } : {}),
    coupons: doc.coupons.map((c) => ({ ...c, id: newId("c") })),
    log: doc.log.map((e) => withFreshEntry(e, opId, idOf)),
  };
}

function withFreshEntry(e: LogEntry, opId: (id: string) => string, idOf: (id: string) => string): LogEntry {
  const next = idOf(e.id);
  const own = { id: next === e.id ? newId("l") : next, regionId: idOf(e.regionId), opId: opId(e.opId) };
  const layerId = (id: string | null) => (id === null ? null : idOf(id));
  switch (e.kind) {
    case "measured":
      return { ...e, ...own, layerId: idOf(e.layerId) };
    case "asked":
    case "worked":
      return { ...e, ...own, work: freshWork(e.work, idOf) };
    case "reported":
      return { ...e, ...own, layerId: layerId(e.layerId) };
    case "looked":
      return { ...e, ...own, layerId: layerId(e.layerId), marks: e.marks.map((m) => ({ ...m, id: idOf(m.id) })) };
    case "closed":
      return { ...e, ...own, markIds: e.markIds.map(idOf), byOpId: e.byOpId && opId(e.byOpId) };
    case "amended":
    case "answered":
    case "withdrawn":
    case "settled":
    case "struck":
      return { ...e, ...own, reportId: idOf(e.reportId) };
    case "heeded": {
      const at = e.lookId.lastIndexOf("@");
      return { ...e, ...own, lookId: opId(e.lookId.slice(0, at)) + e.lookId.slice(at) };
    }
    case "mended": {
      const { works, rub, cut, over, layers } = e.mend;
      const mend = {
        works: works.map((w) => freshWork(w, idOf)),
        rub: rub && { ...rub, layerId: idOf(rub.layerId) },
        cut: cut && { ...cut, layerId: idOf(cut.layerId) },
        over: layerId(over),
        layers: layers.map((l) => ({ ...l, id: idOf(l.id) })),
      };
      return { ...e, ...own, reportId: layerId(e.reportId), mend };
    }
    default:
      return { ...e, ...own };
  }
}

const freshWork = (work: ExtraWork, idOf: (id: string) => string): ExtraWork =>
  work.kind === "strip" && work.downTo !== null ? { ...work, downTo: idOf(work.downTo) } : work;

function renamedPlanning(p: Planning, opId: (id: string) => string, id: (id: string) => string): Planning {
  const keys = <T>(of: Record<string, T>, name: (id: string) => string): Record<string, T> =>
    Object.fromEntries(Object.entries(of).map(([k, v]) => [name(k), v]));
  return {
    ...p,
    locks: keys(p.locks, opId),
    minutes: keys(p.minutes, opId),
    rounds: keys(p.rounds, id),
    ...(p.fills ? { fills: keys(p.fills, id) } : {}),
    ...(p.fillPlaces ? { fillPlaces: keys(p.fillPlaces, id) } : {}),
    away: keys(p.away, id),
    batches: p.batches.map((b) => b.map(opId)),
    joins: p.joins.map((j) => ({ ...j, partId: id(j.partId), ontoId: id(j.ontoId) })),
  };
}

/** Products the shelf has already stay as they are; one that differs comes in beside its namesake. */
function bringProducts(
  db: Db,
  list: readonly Product[],
): { idOf: (id: string) => string; report: ImportReport["products"] } {
  const shelf = allProducts(db);
  const renamed = new Map<string, string>();
  const beside: string[] = [];
  let added = 0;
  let kept = 0;
  for (const p of list) {
    const here = shelf.get(p.id);
    if (!here) {
      insertProduct(db, p);
      added += 1;
    } else if (canonicalJson(here) === canonicalJson(p)) {
      setProductDeleted(db, p.id, null);
      kept += 1;
    } else {
      const id = newId("s");
      insertProduct(db, { ...p, id });
      renamed.set(p.id, id);
      beside.push(p.name);
    }
  }
  return { idOf: (id) => renamed.get(id) ?? id, report: { added, kept, broughtInBeside: beside } };
}

function insertDocument(db: Db, doc: ModelDocument, productId: (id: string) => string): void {
  insertModel(db, doc.model);
  for (const p of doc.parts) {
    insertPart(db, doc.model.id, p);
    for (const { stack, overrides, ...region } of p.regions) {
      const own = withProductsRenamed(stack, productId);
      const scheme = region.scheme ? { scheme: schemeRenamed(region.scheme, productId) } : {};
      const touches = region.touches ? { touches: touchesRenamed(region.touches, productId) } : {};
      insertRegion(db, p.id, { ...region, ...scheme, ...touches }, own);
      replaceStack(db, region.id, 0, own);
      for (const { key, reason } of overrides) {
        const here = keyFromPlace(key, own.layers) ?? rekey(key, stack.layers, own.layers, productId) ?? key;
        setOverride(db, region.id, here, reason);
      }
    }
  }
  for (const c of doc.coupons)
    insertCoupon(db, doc.model.id, {
      ...c,
      layers: c.layers.map((l) => ({ ...l, productId: productId(l.productId) })),
    });
  for (const [hash, p] of Object.entries(doc.photos ?? {}))
    insertPhoto(db, { hash, type: p.type, bytes: Buffer.from(p.base64, "base64") });
  if (doc.planning) {
    const arrivals = Object.entries(doc.planning.arrivals).map(([id, date]) => [productId(id), date] as const);
    const joins = doc.planning.joins.map((j) => (j.glueId ? { ...j, glueId: productId(j.glueId) } : j));
    const fills = Object.entries(doc.planning.fills ?? {}).map(([id, fillId]) => [id, productId(fillId)] as const);
    const filled = fills.length > 0 ? { fills: Object.fromEntries(fills) } : {};
    writePlanning(db, doc.model.id, { ...doc.planning, ...filled, joins, arrivals: Object.fromEntries(arrivals) }, 0);
  }
  for (const [hash, card] of Object.entries(doc.cards ?? {})) insertCard(db, hash, card as Product);
  for (const e of doc.log) appendLog(db, doc.model.id, underOwnIds(e, productId));
  if (!doc.plan) return;
  const answer: ImportedPlan = { outcome: "imported", timetable: doc.plan };
  writeBroughtPlan(db, doc.model.id, {
    answer,
    inputsHash: IMPORTED_PLAN,
    plannedMs: Date.parse(doc.plan.plannedAt),
    beforeDoneMin: null,
  });
}

/** An entry whose products go by the ids they have here. */
function underOwnIds(e: LogEntry, productId: (id: string) => string): LogEntry {
  if (e.kind === "asked" || e.kind === "worked") return { ...e, work: workRenamed(e.work, productId) };
  if (e.kind === "mended") return { ...e, mend: mendRenamed(e.mend, productId) };
  if (e.kind !== "done" && e.kind !== "taken-back") return e;
  return {
    ...e,
    ...(e.laid ? { laid: { ...e.laid, productId: productId(e.laid.productId) } } : {}),
    ...(e.used ? { used: { ...e.used, productId: productId(e.used.productId) } } : {}),
  };
}

/** Never equal to a fingerprint of inputs, so such a plan is never taken for one made here. */
const IMPORTED_PLAN = "imported";
