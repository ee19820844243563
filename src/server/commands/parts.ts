import { isDeepStrictEqual } from "node:util";
import { z } from "zod";
import {
  done,
  failed,
  invalid,
  modelEditSchema,
  modelFields,
  type NodeKind,
  nameSchema,
  type Outcome,
  partEditSchema,
  partFields,
  type RegionNode,
  regionEditSchema,
} from "@/contracts";
import type { Region } from "@/core/model";
import { proposedPrep } from "@/core/rules";
import {
  allProducts,
  type Db,
  insertModel,
  insertPart,
  insertRegion,
  modelHead,
  nodeRev,
  regionHome,
  replaceStack,
  setCurrentModel,
  setDeleted,
  updateNode,
} from "@/db";
import { nowMs } from "../clock";
import { conflict, notFound, writing } from "../guard";
import { newId } from "../ids";
import { onBenchChanged, takesBenchAim } from "../planning/active";
import { ensureShop } from "../shed/hours";
import { isJoined } from "../workspace/planning-fields";
import { snapshotOf } from "../workspace/snapshot";
import { outgrownStay } from "./air";

export function addModel(input: unknown): Outcome<{ id: string }> {
  const parsed = z.strictObject(modelFields).safeParse(input);
  if (!parsed.success) return invalid(parsed.error);
  return writing((db) => {
    ensureShop(db);
    const id = newId("m");
    insertModel(db, { id, ...parsed.data });
    setCurrentModel(db, id);
    takesBenchAim(db, id);
    return done({ id });
  });
}

export const freshRegion = (id: string, name: string): Region => ({
  id,
  name,
  material: null,
  conditions: [],
  areaCm2: null,
  finish: "seen",
  detailUm: null,
  ridgeUm: null,
  exposure: ["shelf"],
});

/** A new part comes with one region, so that there is something to fill in. */
export function addPart(modelId: string, input: unknown): Outcome<{ id: string; regionId: string }> {
  const parsed = z.strictObject(partFields).safeParse(input);
  if (!parsed.success) return invalid(parsed.error);
  return writing((db) => {
    if (!modelHead(db, modelId)) return notFound("The model");
    const id = newId("p");
    const regionId = newId("r");
    insertPart(db, modelId, { id, ...parsed.data });
    insertRegion(db, id, freshRegion(regionId, "All over"), { prep: [] });
    return done({ id, regionId });
  });
}

export function addRegion(partId: string, input: unknown): Outcome<{ id: string }> {
  const parsed = z.strictObject({ name: nameSchema }).safeParse(input);
  if (!parsed.success) return invalid(parsed.error);
  return writing((db) => {
    if (nodeRev(db, "part", partId) === null) return notFound("The part");
    const id = newId("r");
    insertRegion(db, partId, freshRegion(id, parsed.data.name), { prep: [] });
    return done({ id });
  });
}

const EDITS = { model: modelEditSchema, part: partEditSchema, region: regionEditSchema } as const;
const NAMES: Readonly<Record<NodeKind, string>> = { model: "The model", part: "The part", region: "The region" };

/** Some fields of one row, if nobody else changed it since `rev`. A first material brings the preparation it needs. */
export function editNode(kind: NodeKind, id: string, rev: number, edit: unknown): Outcome<{ rev: number }> {
  const parsed = EDITS[kind].safeParse(edit);
  if (!parsed.success) return invalid(parsed.error);
  if (Object.keys(parsed.data).length === 0) return failed("invalid", "nothing to change");
  return writing((db) => {
    const unknown = kind === "region" ? unknownOnFace(db, parsed.data as Partial<Region>) : null;
    if (unknown) return unknown;
    const before = kind === "region" ? snapshotOf(db).home(id)?.node : undefined;
    const next = updateNode(db, kind, id, rev, { ...parsed.data, ...prepFor(db, kind, id, parsed.data) });
    if (next !== null && kind === "model" && "state" in parsed.data) onBenchChanged(db, id);
    if (next !== null && before) followZones(db, before, (parsed.data as Partial<Region>).zones);
    if (next !== null) return tooWarm(db, kind, id) ?? tooWide(db, kind, id, parsed.data) ?? done({ rev: next });
    return nodeRev(db, kind, id) === null ? notFound(NAMES[kind]) : conflict(NAMES[kind]);
  });
}

/** Layers put on a zone by its name stay on it when it is called something else. */
function followZones(db: Db, { region, stack, stackRev }: RegionNode, zones: Region["zones"]): void {
  const was = region.zones ?? [];
  if (!zones || zones.length !== was.length) return;
  const called = new Map(was.map((z, n) => [z.name, zones[n]!.name]));
  if (!stack.layers.some((l) => l.places?.some((p) => (called.get(p) ?? p) !== p))) return;
  const layers = stack.layers.map((l) => (l.places ? { ...l, places: l.places.map((p) => called.get(p) ?? p) } : l));
  replaceStack(db, region.id, stackRev, { ...stack, layers });
}

/** A preparation that is still as it was proposed goes by what the face is now; one the user put together stays. */
function prepFor(db: Db, kind: NodeKind, id: string, fields: object): Record<string, unknown> {
  if (kind !== "region") return {};
  const s = snapshotOf(db);
  const home = s.home(id);
  const m = home && s.model(home.modelId);
  if (!home || !m) return {};
  const { region, stack } = home.node;
  const about = { joined: isJoined(m.sources.planning, home.part.id) };
  const isTold = ({ material }: Region) => material !== null && material !== "unknown";
  const proposed = (r: Region): readonly string[] => proposedPrep(r, about).map(({ step }) => step);
  const next = { ...region, ...(fields as Partial<Region>) };
  // of a material nobody knows nothing is proposed, and what there is stays until one is told
  const untouched =
    stack.prep.length === 0 ? !isTold(region) : isTold(region) && isDeepStrictEqual(stack.prep, proposed(region));
  if (!untouched || !isTold(next) || (stack.prepWith ?? stack.prepWaitMin ?? stack.prepSoakMin) !== undefined)
    return {};
  return { prep: proposed(next) };
}

export function deleteNode(kind: NodeKind, id: string): Outcome<null> {
  return writing((db) => {
    if (!setDeleted(db, kind, id, nowMs())) return notFound(NAMES[kind]);
    if (kind === "model") onBenchChanged(db, id);
    return done(null);
  });
}

export function restoreNode(kind: NodeKind, id: string): Outcome<null> {
  return writing((db) => {
    if (!setDeleted(db, kind, id, null)) return notFound(NAMES[kind]);
    if (kind === "model") onBenchChanged(db, id);
    return tooWarm(db, kind, id) ?? done(null);
  });
}

/** A scheme or a list of markings names what is on the shelf, or nothing could be said of it any more. */
function unknownOnFace(
  db: Db,
  { scheme, touches }: Pick<Partial<Region>, "scheme" | "touches">,
): Outcome<never> | null {
  const known = allProducts(db);
  const named = [
    ...(scheme?.fields ?? []).map((f, n) => [`scheme.fields.${n}.productId`, f.productId] as const),
    ...(touches ?? []).map((t, n) => [`touches.${n}.productId`, t.productId] as const),
  ];
  const gone = named.find(([, id]) => id !== null && !known.has(id));
  if (!gone) return null;
  const message = "names what is not on the shelf";
  return failed("invalid", `${gone[0]} ${message}`, [{ path: gone[0], message }]);
}

const UM_PER_CM = 10_000;

/** A gap wider than the face it is in is a slip: only what was just told is held against the user. */
function tooWide(db: Db, kind: NodeKind, id: string, told: object): Outcome<never> | null {
  if (kind !== "region" || !("fillWidthUm" in told || "areaCm2" in told)) return null;
  const { fillWidthUm, areaCm2 } = snapshotOf(db).home(id)?.node.region ?? {};
  if (fillWidthUm == null || areaCm2 == null || fillWidthUm <= Math.sqrt(areaCm2) * UM_PER_CM) return null;
  const path = "fillWidthUm" in told ? "fillWidthUm" : "areaCm2";
  const message = "makes the gap wider than the face it is in";
  return failed("invalid", `${path} ${message}`, [{ path, message }]);
}

/** No door lets a part be warmer than what it is made of stands: not an edit, and not an undo. */
function tooWarm(db: Db, kind: NodeKind, id: string): Outcome<never> | null {
  if (kind === "model") return null;
  const partId = kind === "part" ? id : (regionHome(db, id)?.partId ?? "");
  const fault = outgrownStay(db, partId);
  return fault && failed("refused", `${fault.path} ${fault.message}.`, [fault]);
}
