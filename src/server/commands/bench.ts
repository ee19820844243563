import {
  cardOf,
  done,
  doneSchema,
  type EntryBase,
  type EntryOf,
  eventOf,
  failed,
  heedSchema,
  invalid,
  type LogEntry,
  NO_CARDS,
  notYetSchema,
  type Outcome,
  type RegionNode,
  readySchema,
  type SetUpTold,
  startSchema,
} from "@/contracts";
import { MS_PER_MIN } from "@/core/base";
import { fold, lastStanding } from "@/core/history";
import type { JudgeAnswer } from "@/core/judge";
import { type Claim, FILM_ROLES, isOneOf, layerOfKey, opIds, type Product } from "@/core/model";
import { canMl } from "@/core/numbers";
import type { BenchTile } from "@/core/plan";
import { stillStops } from "@/core/policy";
import { SET_UP_FIGURES, trustedFigure } from "@/core/reference";
import { LAYS_PAINT, type Operation } from "@/core/work";
import {
  allProducts,
  appendLog,
  type Db,
  insertCard,
  productRev,
  readLog,
  readPhoto,
  regionHome,
  updateProduct,
  writeReadings,
} from "@/db";
import { hashOfCard } from "@/workers/document";
import { callerName } from "../caller";
import { nowMs } from "../clock";
import { notFound, writing } from "../guard";
import { newId } from "../ids";
import { planFollows } from "../planning/follow";
import type { TitleOf } from "../titles";
import { airOfNow, type Snapshot, snapshotOf } from "../workspace/snapshot";
import { handReading } from "./air";

interface AtBench {
  readonly modelId: string;
  readonly tile: BenchTile;
  readonly op: Operation;
  /** a stop that nobody has answered for keeps its work from being started, as it keeps it from being planned */
  readonly stopped: boolean;
  readonly face: { readonly areaCm2: number | null; readonly count: number };
  /** what an entry about it holds, whatever it tells */
  readonly base: EntryBase;
}

/** Finds the operation on the bench: it must be the one in hand or the next one of its region. */
function atBench(db: Db, opId: string, titleOf: TitleOf, regionId: string, minutesAgo = 0): AtBench | Outcome<never> {
  const snapshot = snapshotOf(db);
  const home = snapshot.home(regionId);
  const m = home && snapshot.model(home.modelId);
  if (!home || !m) return notFound("The part");
  const { node, part } = home;
  const tile = m.tileOf(regionId);
  if (!tile?.op || tile.op.id !== opId)
    return failed("conflict", "The bench has moved on: that step is not the next one any more. Look again.");
  const op = tile.op;
  const product = (id: string) => snapshot.data.products.get(id)?.name;
  const title = titleOf(op, { part: part.name, region: node.region.name, product });
  // a reason is carried by the work on the layer it was written for; what names none goes with the first
  const layerId = op.layerId ?? node.stack.layers[0]?.id ?? "";
  const carried = node.overrides.filter((o) => layerOfKey(o.key) === layerId).map((o) => o.reason);
  return {
    modelId: home.modelId,
    tile,
    op,
    stopped: stoppedFor(m.judgedForPlan(regionId), node),
    face: { areaCm2: node.region.areaCm2, count: part.count },
    base: {
      ...entryBase(snapshot, home.modelId, { regionId, opId, title }),
      at: backTo(minutesAgo, m.sources.log.findLast((e) => e.regionId === regionId)?.at),
      override: carried.length > 0 ? carried.join(" · ") : null,
    },
  };
}

/** So long ago, and never before what the region has behind it; ISO 8601. */
function backTo(minutesAgo: number, lastAt: string | undefined): string {
  const atMs = nowMs() - minutesAgo * MS_PER_MIN;
  return new Date(minutesAgo > 0 && lastAt ? Math.max(atMs, Date.parse(lastAt)) : atMs).toISOString();
}

/** What every entry written now holds: its moment, and the air of it. */
export function entryBase(
  snapshot: Snapshot,
  modelId: string,
  about: Pick<EntryBase, "regionId" | "opId" | "title">,
): EntryBase {
  const atMs = nowMs();
  const air = airOfNow(snapshot, modelId, atMs);
  const by = callerName();
  return {
    ...about,
    ...(by === null ? {} : { by }),
    id: newId("l"),
    at: new Date(atMs).toISOString(),
    override: null,
    air: {
      tempC: round1(air.tempC),
      rhPct: round1(air.rhPct),
      source: air.from === "assumed" ? "typical" : air.from,
    },
    note: "",
  };
}

const round1 = (x: number): number => Math.round(x * 10) / 10;
const isFailure = (x: AtBench | Outcome<never>): x is Outcome<never> => "ok" in x;

const idSent = (sentId: string | undefined): { id?: string } => (sentId === undefined ? {} : { id: `l-${sentId}` });

/** The entry of a deed that was sent before and whose answer was lost; null = there is none. */
function sentBefore<K extends LogEntry["kind"]>(
  db: Db,
  sentId: string | undefined,
  regionId: string,
  kind: K,
): Outcome<EntryOf<K>> | null {
  const { id } = idSent(sentId);
  if (id === undefined) return null;
  const [before] = [...snapshotOf(db).data.logs.values()].flatMap((log) => log.find((e) => e.id === id) ?? []);
  if (!before) return null;
  if (before.regionId === regionId && before.kind === kind) return done(before as EntryOf<K>);
  return failed("conflict", "sentId: something else was sent under it.", [
    { path: "sentId", message: "something else was sent under it" },
  ]);
}

/** The log grows by one entry, and the plan, if there is one, follows it. */
export function record<E extends LogEntry>(db: Db, modelId: string, entry: E): Outcome<E> {
  appendLog(db, modelId, entry);
  planFollows(db, modelId);
  return done(entry);
}

const stoppedFor = (answer: JudgeAnswer | null, { overrides }: RegionNode): boolean =>
  answer?.outcome === "judged" && answer.verdicts.some(stillStops(overrides));

/** Longest list of stops put into one sentence. */
const STOPS_TOLD = 3;

/**
 * Starts the next step of a part. What is against it at this minute is named; a finish stop, or a window that has shut, gives way
 * to a written reason, which goes into the log, a safety stop never. An early start stands in the log as early.
 */
export function startOp(
  regionId: string,
  input: unknown,
  titleOf: TitleOf,
  reasonOf: (code: string) => string,
): Outcome<EntryOf<"started">> {
  const parsed = startSchema.safeParse(input);
  if (!parsed.success) return invalid(parsed.error);
  const { opId, sentId, reason, minutesAgo, worn, without, setUp } = parsed.data;
  return writing((db) => {
    const before = sentBefore(db, sentId, regionId, "started");
    if (before) return before;
    const at = atBench(db, opId, titleOf, regionId, minutesAgo);
    if (isFailure(at)) return at;
    if (at.tile.zone === "in-hand") return failed("conflict", "That step is in hand already.");
    if (at.stopped)
      return failed("refused", "This stack has a stop that nobody has answered for. Look at it under Stacks first.");
    const check = at.tile.check;
    const safety = check?.stops.filter((v) => v.kind === "safety") ?? [];
    const finish = check?.stops.filter((v) => v.kind === "finish") ?? [];
    const told = (stops: typeof safety) =>
      stops
        .slice(0, STOPS_TOLD)
        .map((v) => reasonOf(v.code))
        .join(" ");
    if (safety.length > 0) return failed("refused", `Not now: ${told(safety)} This cannot be overridden.`);
    const shut = check?.shutMin ?? null;
    const tacky = check?.leftTacky ? "its light-cured film was found tacky, and only the lamp takes that away." : "";
    if (check?.barred && !reason)
      return failed(
        "refused",
        `Not now: ${[told(finish), shut !== null ? `its window shut ${Math.round(shut)} min ago.` : "", tacky].filter(Boolean).join(" ")} Write down why, if you go on all the same.`,
        [{ path: "reason", message: "say why you go on against this" }],
      );
    const early = check && check.earlyMin > 0 ? `early: likely not ready for another ${check.earlyMin} min` : null;
    const override = [at.base.override, reason || null, early].filter(Boolean).join(" · ");
    if (setUp?.patch === "good" && at.op.productId !== null) keepSetUp(db, at.op.productId, setUp, at.base.at);
    return record(db, at.modelId, {
      ...at.base,
      ...idSent(sentId),
      kind: "started",
      override: override === "" ? null : override.slice(0, 4000),
      ...(worn && worn.length > 0 ? { worn } : {}),
      ...(without && without.length > 0 ? { without } : {}),
      ...(setUp && Object.keys(setUp).length > 0 ? { setUp } : {}),
    });
  });
}

/** A set-up that worked is the best evidence there is for this bench: it stands on the card beside what others say, one a figure. */
function keepSetUp(db: Db, productId: string, setUp: SetUpTold, at: string): void {
  const product = allProducts(db).get(productId);
  const rev = productRev(db, productId);
  if (!product || rev === null) return;
  const note = `worked on the bench, ${at.slice(0, 10)}`;
  const told = SET_UP_FIGURES.flatMap((figure): Claim[] => {
    const value = setUp[figure];
    return value === undefined || value === trustedFigure(product, figure)?.value
      ? []
      : [{ figure, value, source: "own-log", note }];
  });
  if (told.length === 0) return;
  const others = (product.claims ?? []).filter(
    (c) => c.source !== "own-log" || !told.some((t) => t.figure === c.figure),
  );
  updateProduct(db, { ...product, claims: [...others, ...told] }, rev);
}

/** What a coat is laid with, kept with the card it has today: cans are put right, changed and thrown away, the coat stays. */
function withCard(db: Db, { kind }: Operation, product: Product | undefined): Pick<EntryOf<"done">, "laid"> {
  if (!product || !LAYS_PAINT.has(kind)) return {};
  const card = cardOf(product);
  const hash = hashOfCard(card);
  insertCard(db, hash, card);
  return { laid: { productId: product.id, card: hash, known: "then" } };
}

/** Coats leave the can they came out of, as far as it is known what is in it. */
function takeFromCan(
  db: Db,
  { face, op }: AtBench,
  product: Product | undefined,
  { coats, wftUm, usedG }: { coats: number; wftUm: number | null; usedG: number | null },
): Pick<EntryOf<"done">, "used"> {
  if (!product) return {};
  const weighedMl = usedG === null || product.densityGMl === null ? null : usedG / product.densityGMl;
  // what was weighed is written down, also of a can nobody knows the contents of
  if (product.leftMl === null)
    return weighedMl === null ? {} : { used: { productId: product.id, ml: round1(weighedMl) } };
  if (weighedMl === null && face.areaCm2 === null) return {};
  const ml = weighedMl ?? canMl(product, face.areaCm2!, wftUm ?? 0) * coats * face.count * (op.share ?? 1);
  const taken = round1(Math.min(product.leftMl, ml));
  return setLeft(db, product, product.leftMl - taken) ? { used: { productId: product.id, ml: taken } } : {};
}

/** What is taken back goes back into the can, which never holds more than it was sold with. */
function putIntoCan(db: Db, { used }: Pick<EntryOf<"done">, "used">): void {
  const product = used && allProducts(db).get(used.productId);
  if (!product || product.leftMl === null) return;
  setLeft(db, product, Math.min(product.leftMl + used.ml, product.packMl ?? Number.POSITIVE_INFINITY));
}

function setLeft(db: Db, product: Product, leftMl: number): boolean {
  const rev = productRev(db, product.id);
  return rev !== null && updateProduct(db, { ...product, leftMl: round1(leftMl) }, rev) !== null;
}

export function finishOp(regionId: string, input: unknown, titleOf: TitleOf): Outcome<EntryOf<"done">> {
  const parsed = doneSchema.safeParse(input);
  if (!parsed.success) return invalid(parsed.error);
  const {
    opId,
    sentId,
    minutesAgo,
    coats,
    wftUm,
    tempC,
    rhPct,
    note,
    checked,
    usedG = null,
    photo = null,
  } = parsed.data;
  return writing((db) => {
    const before = sentBefore(db, sentId, regionId, "done");
    if (before) return before;
    const at = atBench(db, opId, titleOf, regionId);
    if (isFailure(at)) return at;
    if (at.tile.zone !== "in-hand") return failed("conflict", "That step has not been started.");
    if (coats !== null && at.op.kind === "coat" && coats > at.op.of - at.op.coat + 1) {
      const left = at.op.of - at.op.coat + 1;
      return failed(
        "invalid",
        `coats: this layer has ${left} left to do. Raise its coats under Stacks if you put on more.`,
        [{ path: "coats", message: `at most ${left} left in this layer` }],
      );
    }
    const { base } = at;
    const endMs = Math.max(nowMs() - minutesAgo * MS_PER_MIN, (at.tile.startedMin ?? 0) * MS_PER_MIN);
    const read = tempC !== null || rhPct !== null;
    const air = {
      tempC: tempC ?? base.air.tempC,
      rhPct: rhPct ?? base.air.rhPct,
      source: read ? ("read" as const) : base.air.source,
    };
    if (tempC !== null && rhPct !== null) writeReadings(db, [handReading(endMs, tempC, rhPct)]);
    const laid = at.op.kind === "coat" ? { coats: coats ?? 1, wftUm: wftUm ?? at.op.wftUm } : null;
    // the can itself, read here: the bench as a whole would be read anew once something is written
    const can = at.op.productId === null ? undefined : allProducts(db).get(at.op.productId);
    if (usedG !== null && can && can.densityGMl === null)
      return failed("invalid", "usedG: the card of the can has no density to make millilitres of grams.", [
        { path: "usedG", message: "needs a density on the can’s card" },
      ]);
    if (photo !== null && !readPhoto(db, photo))
      return failed("invalid", "photo is not kept here", [{ path: "photo", message: "is not kept here" }]);
    const used = laid ? takeFromCan(db, at, can, { ...laid, usedG }) : {};
    return record(db, at.modelId, {
      ...base,
      ...idSent(sentId),
      kind: "done",
      at: new Date(endMs).toISOString(),
      coats: laid?.coats ?? null,
      wftUm: laid?.wftUm ?? null,
      air,
      note,
      ...(checked ? { checked } : {}),
      ...(photo === null ? {} : { photo }),
      plannedMin: at.op.reckonedMin ?? at.op.handsOnMin,
      ...withCard(db, at.op, can),
      ...used,
    });
  });
}

export function notYet(regionId: string, input: unknown, titleOf: TitleOf): Outcome<EntryOf<"not-yet">> {
  const parsed = notYetSchema.safeParse(input);
  if (!parsed.success) return invalid(parsed.error);
  const { opId, sentId, minutesAgo, sign, note } = parsed.data;
  return writing((db) => {
    const before = sentBefore(db, sentId, regionId, "not-yet");
    if (before) return before;
    const at = atBench(db, opId, titleOf, regionId, minutesAgo);
    if (isFailure(at)) return at;
    if (at.tile.wait === null) return failed("refused", "That step waits for nothing.");
    return record(db, at.modelId, { ...at.base, ...idSent(sentId), kind: "not-yet", sign, note });
  });
}

/** Somebody looked and it was time: what follows may begin from then on, and the shed has taught something. */
export function sawReady(regionId: string, input: unknown, titleOf: TitleOf): Outcome<EntryOf<"ready">> {
  const parsed = readySchema.safeParse(input);
  if (!parsed.success) return invalid(parsed.error);
  const { opId, sentId, turned, note, minutesAgo } = parsed.data;
  return writing((db) => {
    const before = sentBefore(db, sentId, regionId, "ready");
    if (before) return before;
    const at = atBench(db, opId, titleOf, regionId, minutesAgo);
    if (isFailure(at)) return at;
    if (at.tile.wait === null) return failed("refused", "That step waits for nothing.");
    return record(db, at.modelId, { ...at.base, ...idSent(sentId), kind: "ready", turned, note });
  });
}

/** Strikes what was seen of a film out of what the shed has taught, or takes it in again; the look itself stays in the log. */
export function heedLook(input: unknown, titleOf: (yes: boolean, seen: string) => string): Outcome<EntryOf<"heeded">> {
  const parsed = heedSchema.safeParse(input);
  if (!parsed.success) return invalid(parsed.error);
  const { lookId, yes } = parsed.data;
  return writing((db) => {
    const s = snapshotOf(db);
    const look = s.data.looks.find((l) => l.id === lookId);
    const home = look && s.home(look.regionId);
    if (!look || !home) return notFound("The look");
    if ((look.leftOut === "struck") === !yes)
      return failed("conflict", yes ? "That look counts already." : "That look is struck out already.");
    const id = newId("l");
    const where = `${home.part.name}, ${home.node.region.name}`;
    const title = titleOf(yes, `${where}: ${s.productOf(look.canId).name}`);
    const base = entryBase(s, home.modelId, { regionId: look.regionId, opId: opIds.note(look.regionId, id), title });
    return record(db, home.modelId, { ...base, id, kind: "heeded", lookId, yes });
  });
}

/** Unsays the last start or done of a region; the log keeps both. What came before it has to wait its turn. */
export const takeBack = (regionId: string, opId: string): Outcome<null> =>
  writing((db) => {
    const gone = unsaid(db, regionId, opId);
    return gone.ok ? done(null) : gone;
  });

/** @returns the entry that stood until now, and its model */
function unsaid(db: Db, regionId: string, opId: string): Outcome<{ modelId: string; last: LogEntry }> {
  const home = regionHome(db, regionId);
  if (!home) return notFound("The part");
  const log = readLog(db, home.modelId);
  const standing = lastStanding(fold(log.map((e) => eventOf(e, NO_CARDS)))).get(regionId);
  const last = log.find((e) => e.id === standing?.id);
  if (last?.opId !== opId) return failed("conflict", "Only the last thing done to a part can be taken back.");
  const coat = last.kind === "done" ? last : null;
  if (coat) putIntoCan(db, coat);
  const { title, override, air, note } = last;
  record(db, home.modelId, {
    id: newId("l"),
    kind: "taken-back",
    at: new Date(nowMs()).toISOString(),
    regionId,
    opId,
    title,
    override,
    air,
    note,
    coats: coat?.coats ?? null,
    wftUm: coat?.wftUm ?? null,
    ...(coat?.laid ? { laid: coat.laid } : {}),
    ...(coat?.used ? { used: coat.used } : {}),
  });
  return done({ modelId: home.modelId, last });
}

/**
 * The last coat of a part was laid with something else than was planned: the log has it as it was, with its hour and film, and
 * everything from there on is judged on what really lies there.
 */
export function tellWentOn(
  regionId: string,
  opId: string,
  productId: string,
  titleOf: (product: string) => string,
): Outcome<EntryOf<"done">> {
  return writing((db) => {
    const product = allProducts(db).get(productId);
    if (!product) return notFound("The product");
    if (!isOneOf(FILM_ROLES)(product.role))
      return failed("invalid", "productId leaves no film", [{ path: "productId", message: "leaves no film" }]);
    const gone = unsaid(db, regionId, opId);
    if (!gone.ok) return gone;
    const { last, modelId } = gone.value;
    if (last.kind !== "done" || !last.laid)
      return failed("refused", "The last thing done to this part was no coat: only the last coat can be put right.");
    if (last.laid.productId === productId)
      return failed("refused", `productId: ${product.name} is what the log has already.`, [
        { path: "productId", message: "is what the log has already" },
      ]);
    const card = cardOf(product);
    const hash = hashOfCard(card);
    insertCard(db, hash, card);
    const ml = last.used && product.leftMl !== null ? round1(Math.min(product.leftMl, last.used.ml)) : 0;
    const used = ml > 0 && setLeft(db, product, product.leftMl! - ml) ? { used: { productId, ml } } : {};
    const { used: _, ...same } = last;
    return record(db, modelId, {
      ...same,
      id: newId("l"),
      title: titleOf(product.name),
      laid: { productId, card: hash, known: "then" },
      ...used,
    });
  });
}
