import {
  amendSchema,
  answerSchema,
  closeSchema,
  done,
  type EntryOf,
  failed,
  invalid,
  lookSchema,
  mendSendSchema,
  type Outcome,
  reportIdSchema,
  reportSchema,
  settleSchema,
} from "@/contracts";
import { MS_PER_MIN } from "@/core/base";
import { isOpenReport, type Report } from "@/core/history";
import { ASKED_FACTS, CAUSES, type RecipeId, SIGN_FACTS } from "@/core/mishap";
import { isOneOf, type MishapSign, opIds } from "@/core/model";
import { mendStops } from "@/core/plan";
import { appendLog, type Db, readPhoto } from "@/db";
import { nowMs } from "../clock";
import { notFound, writing } from "../guard";
import { newId } from "../ids";
import { diagnosed, faceOf, marksOn } from "../workspace/mishaps";
import { type ModelSnapshot, type Snapshot, snapshotOf } from "../workspace/snapshot";
import { entryBase, record } from "./bench";

/** Words for the titles of what is written down; the server has none of its own. */
export interface MishapWords {
  readonly sign: (sign: MishapSign) => string;
  readonly recipe: (recipe: RecipeId) => string;
  readonly marks: (n: number) => string;
  readonly reason: (code: string) => string;
  /** anything else, by the kind of its entry */
  readonly other: (kind: "amended" | "answered" | "settled" | "withdrawn" | "struck" | "closed") => string;
}

interface Home {
  readonly snapshot: Snapshot;
  readonly m: ModelSnapshot;
  readonly modelId: string;
  readonly partName: string;
}

function homeOf(db: Db, regionId: string): Home | Outcome<never> {
  const snapshot = snapshotOf(db);
  const home = snapshot.home(regionId);
  const m = home && snapshot.model(home.modelId);
  return home && m ? { snapshot, m, modelId: home.modelId, partName: home.part.name } : notFound("The part");
}
const isFailure = <T extends object>(x: T | Outcome<never>): x is Outcome<never> => "ok" in x;

function baseOf(h: Home, regionId: string, title: string, id = newId("l"), atMs = nowMs()) {
  const opId = opIds.note(regionId, id);
  const base = entryBase(h.snapshot, h.modelId, { regionId, opId, title: `${h.partName}: ${title}` });
  return { ...base, id, at: new Date(atMs).toISOString() };
}

/** Told twice within so long, the same thing on the same face is one report: two devices, or a press too many. */
const SAME_WITHIN_MIN = 10;

/** Something went wrong. What was seen is written down at its hour; nothing of the plan moves by that alone. */
export function reportMishap(regionId: string, input: unknown, words: MishapWords): Outcome<EntryOf<"reported">> {
  const parsed = reportSchema.safeParse(input);
  if (!parsed.success) return invalid(parsed.error);
  const { sign, extent, place, note, photo, minutesAgo } = parsed.data;
  return writing((db) => {
    const h = homeOf(db, regionId);
    if (isFailure(h)) return h;
    const atMs = nowMs() - minutesAgo * MS_PER_MIN;
    const atMin = atMs / MS_PER_MIN;
    const face = faceOf(h.m, regionId, h.snapshot.nowMin);
    if (SIGN_FACTS[sign].needs?.includes("film") && face.top === null)
      return failed("refused", "sign: nothing lies on this face by the log, so nothing can show on it.", [
        { path: "sign", message: "nothing lies on this face by the log" },
      ]);
    if (photo !== null && !readPhoto(db, photo))
      return failed("invalid", "photo is not kept here", [{ path: "photo", message: "is not kept here" }]);
    const same = h.m.sources.log.find(
      (e): e is EntryOf<"reported"> =>
        e.kind === "reported" &&
        e.regionId === regionId &&
        e.sign === sign &&
        isOpen(h.m, e.id) &&
        Math.abs(Date.parse(e.at) / MS_PER_MIN - atMin) <= SAME_WITHIN_MIN,
    );
    if (same) return done(same);
    const entry: EntryOf<"reported"> = {
      ...baseOf(h, regionId, words.sign(sign), newId("l"), atMs),
      kind: "reported",
      note,
      sign,
      layerId: topAt(h.m, regionId, atMin) ?? face.top?.layerId ?? null,
      extent,
      place,
      ...(photo === null ? {} : { photo }),
    };
    appendLog(db, h.modelId, entry);
    return done(entry);
  });
}

/** The user's own layer that lay uppermost at that minute. */
function topAt(m: ModelSnapshot, regionId: string, atMin: number): string | null {
  const face = m.history.faces.get(regionId);
  const lay = (face?.layers ?? []).filter((l) => l.coats.some((c) => c.endMin <= atMin));
  return lay.at(-1)?.layerId ?? null;
}

const isOpen = (m: ModelSnapshot, id: string): boolean => m.history.reports.some((r) => r.id === id && isOpenReport(r));

/** Does something with a report that is open. */
function withReport<T>(
  regionId: string,
  reportId: string,
  work: (db: Db, h: Home, report: Report) => Outcome<T>,
): Outcome<T> {
  return writing((db) => {
    const h = homeOf(db, regionId);
    if (isFailure(h)) return h;
    const report = h.m.history.reports.find((r) => r.id === reportId && r.regionId === regionId);
    if (!report) return notFound("The report");
    if (!isOpenReport(report))
      return failed("conflict", "That report is closed already. Look again; if it is back, report it anew.");
    return work(db, h, report);
  });
}

/** How much of the face has it, where, and what else there is to say. */
export function amendMishap(regionId: string, input: unknown, words: MishapWords): Outcome<null> {
  const parsed = amendSchema.safeParse(input);
  if (!parsed.success) return invalid(parsed.error);
  const { photo, note, ...told } = parsed.data;
  return withReport(regionId, told.reportId, (db, h) => {
    if (photo !== null && !readPhoto(db, photo))
      return failed("invalid", "photo is not kept here", [{ path: "photo", message: "is not kept here" }]);
    const base = baseOf(h, regionId, words.other("amended"));
    appendLog(db, h.modelId, { ...base, note, kind: "amended", ...told, ...(photo === null ? {} : { photo }) });
    return done(null);
  });
}

export function answerMishap(regionId: string, input: unknown, words: MishapWords): Outcome<null> {
  const parsed = answerSchema.safeParse(input);
  if (!parsed.success) return invalid(parsed.error);
  const { reportId, fact, yes } = parsed.data;
  if (!isOneOf(ASKED_FACTS)(fact))
    return failed("invalid", "fact is no question of ours", [{ path: "fact", message: "is no question of ours" }]);
  return withReport(regionId, reportId, (db, h) => {
    appendLog(db, h.modelId, {
      ...baseOf(h, regionId, words.other("answered")),
      kind: "answered",
      reportId,
      fact,
      yes,
    });
    return done(null);
  });
}

/** Puts a way to mend into the plan; one whose layers bring a stop is refused by name. */
export function mendMishap(regionId: string, input: unknown, words: MishapWords): Outcome<null> {
  const parsed = mendSendSchema.safeParse(input);
  if (!parsed.success) return invalid(parsed.error);
  const { reportId, recipe } = parsed.data;
  return withReport(regionId, reportId, (db, h, report) => {
    const id = newId("l");
    const found = diagnosed(h.m, h.snapshot, report, id)?.ways.find((w) => w.recipe === recipe);
    if (!found)
      return failed("refused", "recipe: that is no way to mend this.", [{ path: "recipe", message: "is no way here" }]);
    if (!found.way.ok)
      return failed("refused", "recipe: that way is not open here.", [{ path: "recipe", message: found.way.why }]);
    if (recipe === "leave") return settled(db, h, regionId, reportId, null, words);
    const entry: EntryOf<"mended"> = {
      ...baseOf(h, regionId, words.recipe(found.recipe), id),
      opId: opIds.mend(regionId, id),
      kind: "mended",
      reportId,
      recipe,
      mend: found.way.mend,
    };
    const stops = mendStops(h.m.input, h.m.inputWith(entry), regionId);
    if (stops.length > 0)
      return failed("refused", `Not so: ${stops.map(words.reason).join(" ")} Choose another way.`, [
        { path: "recipe", message: "brings a stop" },
      ]);
    record(db, h.modelId, entry);
    return done(null);
  });
}

function settled(
  db: Db,
  h: Home,
  regionId: string,
  reportId: string,
  cause: string | null,
  words: MishapWords,
): Outcome<null> {
  appendLog(db, h.modelId, { ...baseOf(h, regionId, words.other("settled")), kind: "settled", reportId, cause });
  return done(null);
}

/** Closes a report with what it was; that makes a lesson. */
export function settleMishap(regionId: string, input: unknown, words: MishapWords): Outcome<null> {
  const parsed = settleSchema.safeParse(input);
  if (!parsed.success) return invalid(parsed.error);
  const { reportId, cause } = parsed.data;
  return withReport(regionId, reportId, (db, h, report) => {
    if (cause !== null && !CAUSES.some((c) => c.id === cause && c.sign === report.sign))
      return failed("invalid", "cause is none of that sign", [{ path: "cause", message: "is none of that sign" }]);
    return settled(db, h, regionId, reportId, cause, words);
  });
}

/** It was nothing: what is not done yet of its mend goes, what was done stays. */
export function withdrawMishap(regionId: string, input: unknown, words: MishapWords): Outcome<null> {
  const parsed = reportIdSchema.safeParse(input);
  if (!parsed.success) return invalid(parsed.error);
  return withReport(regionId, parsed.data.reportId, (db, h) => {
    record(db, h.modelId, { ...baseOf(h, regionId, words.other("withdrawn")), kind: "withdrawn", ...parsed.data });
    return done(null);
  });
}

export function strikeLesson(regionId: string, input: unknown, words: MishapWords): Outcome<null> {
  const parsed = reportIdSchema.safeParse(input);
  if (!parsed.success) return invalid(parsed.error);
  return writing((db) => {
    const h = homeOf(db, regionId);
    if (isFailure(h)) return h;
    const { reportId } = parsed.data;
    if (!h.m.history.reports.some((r) => r.id === reportId && r.cause != null && !r.struck))
      return notFound("The lesson");
    appendLog(db, h.modelId, { ...baseOf(h, regionId, words.other("struck")), kind: "struck", reportId });
    return done(null);
  });
}

/** A look at a face: its picture and what was found. */
export function lookAt(regionId: string, input: unknown, words: MishapWords): Outcome<EntryOf<"looked">> {
  const parsed = lookSchema.safeParse(input);
  if (!parsed.success) return invalid(parsed.error);
  const { photo, marks, note } = parsed.data;
  return writing((db) => {
    const h = homeOf(db, regionId);
    if (isFailure(h)) return h;
    if (photo !== null && !readPhoto(db, photo))
      return failed("invalid", "photo is not kept here", [{ path: "photo", message: "is not kept here" }]);
    if (photo === null && marks.some((m) => m.at !== null))
      return failed("invalid", "marks have a place in a picture, and there is none", [
        { path: "marks", message: "have a place in a picture, and there is none" },
      ]);
    const entry: EntryOf<"looked"> = {
      ...baseOf(h, regionId, words.marks(marks.length)),
      kind: "looked",
      note,
      layerId: faceOf(h.m, regionId, h.snapshot.nowMin).top?.layerId ?? null,
      marks: marks.map((m) => ({ ...m, id: newId("k") })),
      ...(photo === null ? {} : { photo }),
    };
    return record(db, h.modelId, entry);
  });
}

/** Marks that are no more; the last work done to the face is named for them. */
export function closeMarks(regionId: string, input: unknown, words: MishapWords): Outcome<null> {
  const parsed = closeSchema.safeParse(input);
  if (!parsed.success) return invalid(parsed.error);
  const { markIds } = parsed.data;
  return writing((db) => {
    const h = homeOf(db, regionId);
    if (isFailure(h)) return h;
    const open = new Set(marksOn(h.m, regionId).map((k) => k.id));
    const gone = markIds.find((id) => !open.has(id));
    if (gone) return failed("conflict", "That mark is closed already, or is none of this face.");
    const byOpId = h.m.sources.log.findLast((e) => e.regionId === regionId && e.kind === "done")?.opId ?? null;
    record(db, h.modelId, { ...baseOf(h, regionId, words.other("closed")), kind: "closed", markIds, byOpId });
    return done(null);
  });
}
