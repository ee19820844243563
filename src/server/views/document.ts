import {
  canonicalJson,
  DOCUMENT_FORMAT,
  done,
  type LogEntry,
  type ModelDocument,
  NO_PLANNING,
  type Outcome,
  productsInPlanning,
  type Shop,
} from "@/contracts";
import { MIN_PER_DAY, MS_PER_MIN } from "@/core/base";
import { mendProducts, type Product, productsNamedIn, productsOnFace, workedWith } from "@/core/model";
import { type Db, type Photo, readPhotos, readReadings, readStoredCards, restedReadings, type StoredPlan } from "@/db";
import { hashOfBytes, writeText } from "@/workers/document";
import { nowMs } from "../clock";
import { airForDocument } from "../document-air";
import { notFound, reading } from "../guard";
import { timetableOf } from "../imported-plan";
import { READINGS_BACK_DAYS } from "../shed/air";
import { askSent } from "../solver/ask";
import { kept } from "../workspace/kept";
import { type ModelSnapshot, snapshotOf } from "../workspace/snapshot";
import { LEARNT_FROM_DAYS } from "../workspace/taught";

function documentOf(db: Db, modelId: string, withReadings = true): ModelDocument | null {
  const s = snapshotOf(db);
  const { data } = s;
  const m = s.model(modelId);
  if (!m) return null;
  const { head, tree } = m;
  const used = new Set(tree.flatMap((p) => p.regions.flatMap((r) => productsNamedIn(r.stack))));
  for (const p of tree) for (const r of p.regions) for (const id of productsOnFace(r.region)) used.add(id);
  const coupons = data.coupons.filter((c) => c.modelId === modelId);
  for (const c of coupons) for (const l of c.card.layers) used.add(l.productId);
  const laid = m.sources.log.flatMap((e) => ("laid" in e && e.laid) || []);
  for (const l of laid) used.add(l.productId);
  for (const id of productsInPlanning(m.planning.planning)) used.add(id);
  for (const e of m.sources.log) {
    if ("work" in e) used.add(workedWith(e.work) ?? "");
    if (e.kind === "mended") for (const id of mendProducts(e.mend)) used.add(id);
  }
  const cards = laid.flatMap(({ card }) => (card === null ? [] : [card]));
  const planning = saidOf(m.planning.planning);
  return {
    format: DOCUMENT_FORMAT,
    model: { id: head.id, name: head.name, scale: head.scale, note: head.note },
    parts: tree.map((p) => ({
      id: p.id,
      name: p.name,
      count: p.count,
      note: p.note,
      ...(p.photo === null ? {} : { photo: p.photo }),
      regions: p.regions.map((r) => ({ ...r.region, stack: r.stack, overrides: [...r.overrides] })),
    })),
    // what a log has taught goes with the log
    products: [...data.products.values()].filter((p) => used.has(p.id)).map(({ pace: _, ...card }) => card),
    shop: shedFacts(data.shopState.shop),
    ...(planning ? { planning } : {}),
    plan: ownTimetable(m) ?? broughtTimetable(data.brought.get(modelId)),
    log: [...m.sources.log],
    ...cardsUnderHash(readStoredCards(db, cards)),
    coupons: coupons.map((c) => c.card),
    ...airForDocument({ ...s.air(modelId), readings: withReadings ? readingsOf(db, m.sources.log) : [] }),
  } as unknown as ModelDocument;
}

/** Readings of the time a model was worked on: those of long ago as they are reckoned with, one a step. */
function readingsOf(db: Db, log: readonly LogEntry[]): ReturnType<typeof readReadings> {
  const atMs = nowMs();
  const wholeFromMs = atMs - READINGS_BACK_DAYS * MS_PER_DAY;
  const first = log.reduce((least, e) => Math.min(least, Date.parse(e.at)), atMs);
  const fromMs = Math.max(first, atMs - LEARNT_FROM_DAYS * MS_PER_DAY) - MS_PER_DAY;
  return [
    ...(fromMs < wholeFromMs ? restedReadings(db, fromMs, wholeFromMs - 1) : []),
    ...readReadings(db, wholeFromMs, atMs),
  ];
}
const MS_PER_DAY = MIN_PER_DAY * MS_PER_MIN;

/** What is of the shed; how its owner likes figures shown stays at home. */
const shedFacts = ({ showing: _, ...facts }: Shop): Omit<Shop, "showing"> => facts;

const cardsUnderHash = (cards: ReadonlyMap<string, Product>): Pick<ModelDocument, "cards"> =>
  cards.size === 0 ? {} : ({ cards: Object.fromEntries(cards) } as Pick<ModelDocument, "cards">);

/** Left out where nothing was said, so that documents of before stay as they were. */
/** Of the bench's plan what is this model's. */
function ownTimetable({ plan, tree }: ModelSnapshot): ModelDocument["plan"] {
  const own = new Set(tree.flatMap((p) => p.regions.map((r) => r.region.id)));
  const ops = plan?.answer.outcome === "planned" ? plan.answer.ops.filter((o) => own.has(o.regionId)) : [];
  return ops.length === 0 ? null : timetableOf({ outcome: "planned", ops }, plan!.plannedMs);
}
const broughtTimetable = (stored: StoredPlan | undefined): ModelDocument["plan"] =>
  stored ? timetableOf(stored.answer, stored.plannedMs) : null;

const saidOf = (planning: ModelDocument["planning"]): ModelDocument["planning"] =>
  canonicalJson(planning) === canonicalJson(NO_PLANNING) ? undefined : planning;

/** Every picture a document names. */
const photosOf = (doc: ModelDocument): readonly string[] => {
  const seen = doc.log.map((e) => ("photo" in e ? e.photo : undefined));
  const named = [...[...doc.parts, ...doc.products, ...doc.coupons].map((x) => x.photo), ...seen];
  return [...new Set(named.filter((h): h is string => typeof h === "string"))];
};

interface Loose {
  readonly doc: ModelDocument;
  readonly photos: readonly Photo[];
}

const loose = (modelId: string, withPhotos: boolean): Outcome<Loose> =>
  reading((db) => {
    const doc = documentOf(db, modelId);
    return doc ? done({ doc, photos: withPhotos ? readPhotos(db, photosOf(doc)) : [] }) : notFound("The model");
  });

/**
 * Which version of a model this is: by what bringing a document in would replace. The shed's own air and settings, a plan that is
 * made anew by itself and pictures, which go by their content, are no part of it.
 */
export const versionOf = (modelId: string): Outcome<string> =>
  reading((db) => {
    const version = kept(`version of ${modelId}`, VERSION_TABLES, () => versionNow(db, modelId));
    return version === null ? notFound("The model") : done(version);
  });

/** What a version hangs on. */
const VERSION_TABLES = [
  "models",
  "parts",
  "regions",
  "layers",
  "overrides",
  "products",
  "planning",
  "coupons",
  "log",
  "cards",
  "local_airs",
] as const;
const VERSION_CHARS = 32;

function versionNow(db: Db, modelId: string): string | null {
  const doc = documentOf(db, modelId, false);
  if (!doc) return null;
  const { shop: _, plan: __, air, ...own } = doc;
  return hashOfBytes(Buffer.from(canonicalJson({ ...own, local: air?.local ?? [] }))).slice(0, VERSION_CHARS);
}

/** The whole model as one canonical document: the same model always gives the same bytes. */
export function exportDocument(modelId: string, withPhotos = true): Outcome<string> {
  const own = loose(modelId, withPhotos);
  return own.ok ? done(writeText(own.value.doc, own.value.photos)) : own;
}

/** The same, written beside the request: with its pictures a document may be a hundred megabytes long. */
export async function exportFile(modelId: string, withPhotos = true): Promise<Outcome<string>> {
  const own = loose(modelId, withPhotos);
  return own.ok ? askSent("writeText", own.value.doc, own.value.photos) : own;
}
