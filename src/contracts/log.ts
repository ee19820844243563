import { z } from "zod";
import { MS_PER_MIN } from "@/core/base";
import { type BenchEvent, type EventKind, type Laid, SIGNS } from "@/core/history";
import {
  type ExtraWork,
  MARK_KINDS,
  MARK_SIZES,
  type Mend,
  MISHAP_EXTENTS,
  MISHAP_SIGNS,
  PROTECTIONS,
  type Product,
  STRIP_WAYS,
  WETTINGS,
} from "@/core/model";
import { PATCH_FIXES, PATCH_SIGNS, PRACTICES } from "@/core/reference";
import { hashSchema, idSchema, noteSchema, ranged, utcMomentSchema } from "./base";
import { layerSchema, sandAfterSchema } from "./model";

export const opIdSchema = z.string().regex(/^[A-Za-z0-9_:~-]{3,200}$/, "is not an operation id");

const minutesAgoSchema = ranged(0, 20_160, "minutes ago");

/** How a coat was put on: what was set, and what the test patch looked like; absent = nobody said. */
const setUpSchema = z.strictObject({
  shakeMinutes: ranged(0.1, 60, "minutes").optional(),
  distanceCm: ranged(2, 60, "cm").optional(),
  pressureBar: ranged(0.2, 8, "bar").optional(),
  nozzleMm: ranged(0.1, 4, "mm").optional(),
  patch: z.enum(PATCH_SIGNS).optional(),
  changed: z.array(z.enum(PATCH_FIXES)).max(20, "must hold at most 20").optional(),
});
export type SetUpTold = z.infer<typeof setUpSchema>;
/** What is worn and running, as it was confirmed. */
const wornSchema = z.array(z.enum([...PROTECTIONS, ...PRACTICES])).max(20, "must hold at most 20");
/** Whoever sends it names the deed, so that one whose answer was lost may be sent again and is done once. */
const sentIdSchema = z
  .string()
  .regex(/^[a-z0-9]{16}$/, "must be 16 small letters and figures")
  .optional();

export const startSchema = z.strictObject({
  opId: opIdSchema,
  sentId: sentIdSchema,
  reason: z.string().trim().max(2000).nullable(),
  /** of a phone that was out of reach then */
  minutesAgo: minutesAgoSchema.optional(),
  worn: wornSchema.optional(),
  without: wornSchema.optional(),
  setUp: setUpSchema.optional(),
});

/** Coats and thickness are asked only of coats; null = as planned. */
export const doneSchema = z.strictObject({
  opId: opIdSchema,
  sentId: sentIdSchema,
  minutesAgo: minutesAgoSchema,
  coats: ranged(1, 12, "coats").refine(Number.isInteger, { error: "must be a whole number" }).nullable(),
  wftUm: ranged(1, 20_000, "µm").nullable(),
  /** what the can is lighter by, weighed; absent = it was not weighed */
  usedG: ranged(0, 100_000, "g").nullable().optional(),
  tempC: ranged(-20, 60, "°C").nullable(),
  rhPct: ranged(1, 100, "% RH").nullable(),
  note: noteSchema,
  checked: z.boolean().optional(),
  photo: hashSchema.nullable().optional(),
});
export const notYetSchema = z.strictObject({
  opId: opIdSchema,
  sentId: sentIdSchema,
  sign: z.enum(SIGNS),
  note: noteSchema,
  minutesAgo: minutesAgoSchema.optional(),
});
/** It was looked for and it was time, sooner than the plan has it or later. */
export const readySchema = z.strictObject({
  opId: opIdSchema,
  sentId: sentIdSchema,
  turned: z.boolean().default(false),
  note: noteSchema.default(""),
  minutesAgo: minutesAgoSchema.optional(),
});
/** A film's coming to a milestone, as text: `operation@minute/milestone`. */
const lookIdSchema = z.string().regex(/^[A-Za-z0-9_:~-]{3,200}@-?\d{1,9}\/[a-z-]{3,20}$/, "is not the id of a look");
export const heedSchema = z.strictObject({ lookId: lookIdSchema, yes: z.boolean() });

/** Work no layer asks for. */
const extraWorkSchema = z.discriminatedUnion("kind", [
  z.strictObject({ kind: z.literal("wash"), how: z.enum(WETTINGS), withId: idSchema.nullable().optional() }),
  z.strictObject({ kind: z.literal("wipe"), withId: idSchema.nullable().optional() }),
  z.strictObject({
    kind: z.literal("rub"),
    grit: ranged(24, 12_000, "grit").refine(Number.isInteger, { error: "must be a whole number" }),
    wet: z.boolean(),
    takesUm: ranged(0, 2000, "µm"),
  }),
  z.strictObject({
    kind: z.literal("strip"),
    downTo: idSchema.nullable(),
    way: z.enum(STRIP_WAYS).optional(),
    withId: idSchema.nullable().optional(),
    awayH: ranged(0, 2000, "hours").nullable().optional(),
  }),
  z.strictObject({ kind: z.literal("pad") }),
  z.strictObject({ kind: z.literal("look"), until: z.enum(["touch", "sandable", "cured", "dry"]) }),
  z.strictObject({
    kind: z.literal("lamp"),
    sideMin: ranged(0.1, 1440, "minutes"),
    sides: ranged(1, 12, "sides").refine(Number.isInteger, { error: "must be a whole number" }),
  }),
  z.strictObject({ kind: z.literal("polish"), withId: idSchema.nullable().optional() }),
]) satisfies z.ZodType<ExtraWork>;

/** What puts a face right again. */
const mendSchema = z.strictObject({
  works: z.array(extraWorkSchema).max(12, "a mend holds at most 12 pieces of work"),
  rub: z.strictObject({ layerId: idSchema, sandAfter: sandAfterSchema }).nullable(),
  cut: z.strictObject({ layerId: idSchema, coats: ranged(1, 12, "coats") }).nullable(),
  over: idSchema.nullable(),
  layers: z.array(layerSchema).max(12, "a mend holds at most 12 layers"),
}) as unknown as z.ZodType<Mend>;

const MOST_MARKS = 300;
const markSchema = z.strictObject({
  id: idSchema,
  kind: z.enum(MARK_KINDS),
  size: z.enum(MARK_SIZES),
  at: z
    .strictObject({
      x: ranged(0, 1, "(a share of the picture’s width)"),
      y: ranged(0, 1, "(a share of the picture’s height)"),
    })
    .nullable(),
  note: noteSchema,
});

const placeSchema = z.string().trim().max(80).nullable();
/** Something went wrong. */
export const reportSchema = z.strictObject({
  sign: z.enum(MISHAP_SIGNS),
  extent: z.enum(MISHAP_EXTENTS).default("patch"),
  place: placeSchema.default(null),
  note: noteSchema.default(""),
  photo: hashSchema.nullable().default(null),
  minutesAgo: minutesAgoSchema.default(0),
});
/** More of a report, told later. */
export const amendSchema = z.strictObject({
  reportId: idSchema,
  extent: z.enum(MISHAP_EXTENTS),
  place: placeSchema,
  note: noteSchema.default(""),
  photo: hashSchema.nullable().default(null),
});
export const answerSchema = z.strictObject({ reportId: idSchema, fact: z.string().min(1).max(60), yes: z.boolean() });
export const mendSendSchema = z.strictObject({ reportId: idSchema, recipe: z.string().min(1).max(60) });
export const settleSchema = z.strictObject({ reportId: idSchema, cause: z.string().min(1).max(80).nullable() });
export const reportIdSchema = z.strictObject({ reportId: idSchema });
/** A look at a face, with what it found. */
export const lookSchema = z.strictObject({
  photo: hashSchema.nullable().default(null),
  marks: z.array(markSchema).max(MOST_MARKS, `a look holds at most ${MOST_MARKS} marks`),
  note: noteSchema.default(""),
});
export const closeSchema = z.strictObject({ markIds: z.array(idSchema).min(1).max(MOST_MARKS) });

/** What is told of a face beside the steps of its pile: work that was done, or is to be done, and a film that was measured. */
export const toldSchema = z.discriminatedUnion("kind", [
  z.strictObject({
    kind: z.literal("worked"),
    work: extraWorkSchema,
    minutesAgo: minutesAgoSchema,
    note: noteSchema,
  }),
  z.strictObject({ kind: z.literal("asked"), work: extraWorkSchema, note: noteSchema }),
  z.strictObject({
    kind: z.literal("measured"),
    layerId: idSchema,
    dftUm: ranged(0.5, 20_000, "µm"),
    minutesAgo: minutesAgoSchema,
    note: noteSchema,
  }),
]);
export type ToldInput = z.infer<typeof toldSchema>;

const base = {
  id: idSchema,
  regionId: idSchema,
  opId: opIdSchema,
  /** ISO 8601, UTC */
  at: utcMomentSchema,
  /** the work in words, as it stood then: products and parts may change later */
  title: z.string().max(300),
  /** the paired device it was told on, by its name; absent = this machine */
  by: z.string().trim().min(1).max(60).optional(),
  /** reason carried from an overridden verdict */
  override: z.string().max(4000).nullable(),
  air: z.strictObject({
    tempC: z.number(),
    rhPct: z.number(),
    source: z.enum(["typical", "forecast", "measured", "read"]),
  }),
  note: noteSchema,
};

export const cardHashSchema = z.string().regex(/^[0-9a-f]{64}$/, "is not the hash of a card");

/** What a coat was laid with: its product, and by hash the card it had then. */
const laidSchema = z.strictObject({
  productId: idSchema,
  card: cardHashSchema.nullable(),
  known: z.enum(["then", "as-the-stack-is"]),
});
type LaidEntry = z.infer<typeof laidSchema>;

const coatFields = {
  coats: z.number().int().min(1, "must be at least 1").max(100, "must be at most 100").nullable(),
  wftUm: ranged(0.1, 50_000, "µm").nullable(),
  /** absent = it was no coat */
  laid: laidSchema.optional(),
  /** what a coat took out of a can, ml (est.); absent = nothing, or nobody knows */
  used: z.strictObject({ productId: idSchema, ml: ranged(0, 100_000, "ml") }).optional(),
};

const VARIANTS = {
  started: z.strictObject({
    ...base,
    kind: z.literal("started"),
    /** what was confirmed to be worn and running; absent = nobody was asked */
    worn: wornSchema.optional(),
    /** what was asked for and there is none of, as it was told; absent = nothing */
    without: wornSchema.optional(),
    setUp: setUpSchema.optional(),
  }),
  done: z.strictObject({
    ...base,
    kind: z.literal("done"),
    ...coatFields,
    /** how long it was planned to take before anything was learnt of one's own hands, minutes */
    plannedMin: ranged(0, 10_000, "minutes").optional(),
    /** of a step that ends with a look, such as "dull all over": it was looked for and found so; absent = nobody said */
    checked: z.literal(true).optional(),
    /** how it looked when it was done */
    photo: hashSchema.optional(),
  }),
  "not-yet": z.strictObject({ ...base, kind: z.literal("not-yet"), sign: z.enum(SIGNS).nullable() }),
  /** somebody looked and it was time; `turned` = it had only just come to it */
  ready: z.strictObject({ ...base, kind: z.literal("ready"), turned: z.boolean() }),
  asked: z.strictObject({ ...base, kind: z.literal("asked"), work: extraWorkSchema }),
  worked: z.strictObject({ ...base, kind: z.literal("worked"), work: extraWorkSchema }),
  measured: z.strictObject({
    ...base,
    kind: z.literal("measured"),
    layerId: idSchema,
    dftUm: ranged(0.5, 20_000, "µm"),
  }),
  reported: z.strictObject({
    ...base,
    kind: z.literal("reported"),
    sign: z.enum(MISHAP_SIGNS),
    layerId: idSchema.nullable(),
    extent: z.enum(MISHAP_EXTENTS),
    place: placeSchema,
    photo: hashSchema.optional(),
  }),
  amended: z.strictObject({
    ...base,
    kind: z.literal("amended"),
    reportId: idSchema,
    extent: z.enum(MISHAP_EXTENTS),
    place: placeSchema,
    photo: hashSchema.optional(),
  }),
  answered: z.strictObject({
    ...base,
    kind: z.literal("answered"),
    reportId: idSchema,
    fact: z.string().max(60),
    yes: z.boolean(),
  }),
  mended: z.strictObject({
    ...base,
    kind: z.literal("mended"),
    reportId: idSchema.nullable(),
    recipe: z.string().max(60),
    mend: mendSchema,
  }),
  withdrawn: z.strictObject({ ...base, kind: z.literal("withdrawn"), reportId: idSchema }),
  settled: z.strictObject({
    ...base,
    kind: z.literal("settled"),
    reportId: idSchema,
    cause: z.string().max(80).nullable(),
  }),
  struck: z.strictObject({ ...base, kind: z.literal("struck"), reportId: idSchema }),
  looked: z.strictObject({
    ...base,
    kind: z.literal("looked"),
    layerId: idSchema.nullable(),
    marks: z.array(markSchema).max(MOST_MARKS),
    photo: hashSchema.optional(),
  }),
  closed: z.strictObject({
    ...base,
    kind: z.literal("closed"),
    markIds: z.array(idSchema).max(MOST_MARKS),
    byOpId: z.string().max(200).nullable(),
  }),
  /** what was seen of a film is struck out of what the shed has taught, or taken in again */
  heeded: z.strictObject({ ...base, kind: z.literal("heeded"), lookId: lookIdSchema, yes: z.boolean() }),
  /** holds what the entry it unsays held of coats and cans */
  "taken-back": z.strictObject({ ...base, kind: z.literal("taken-back"), ...coatFields }),
} satisfies Record<EventKind, z.ZodType>;

export const logEntrySchema = z.discriminatedUnion("kind", [
  VARIANTS.started,
  VARIANTS.done,
  VARIANTS["not-yet"],
  VARIANTS.ready,
  VARIANTS.heeded,
  VARIANTS.asked,
  VARIANTS.worked,
  VARIANTS.measured,
  VARIANTS.reported,
  VARIANTS.amended,
  VARIANTS.answered,
  VARIANTS.mended,
  VARIANTS.withdrawn,
  VARIANTS.settled,
  VARIANTS.struck,
  VARIANTS.looked,
  VARIANTS.closed,
  VARIANTS["taken-back"],
]);
const dayText = z
  .string()
  .regex(/^\d{4}-\d{2}-\d{2}$/, "is not a day, such as 2026-11-29")
  .optional();
/** What is looked for in a log: words, days in the shed's own calendar, a region, a kind of entry. */
export const logbookSoughtSchema = z.object({
  q: z.string().max(200, "must be at most 200 characters").optional(),
  from: dayText,
  to: dayText,
  region: z.string().max(100).optional(),
  kind: z.string().max(40).optional(),
});

export type LogEntry = z.infer<typeof logEntrySchema>;
export type EntryOf<K extends EventKind> = Extract<LogEntry, { kind: K }>;
/** What every entry holds, whatever it tells. */
export type EntryBase = Omit<EntryOf<"started">, "kind" | "worn" | "without" | "setUp">;

/** Cards of products as they were when a coat was laid with them, by hash; each under an id that no other product has. */
export type Cards = ReadonlyMap<string, Product>;
export const NO_CARDS: Cards = new Map();
export const cardsUnderOwnIds = (cards: Iterable<readonly [string, Product]>): Cards =>
  new Map([...cards].map(([hash, card]) => [hash, { ...card, id: `then-${hash.slice(0, 16)}` }]));

/** What a card says of the liquid itself: how much is left, what was paid and where it stands are another matter. */
export function cardOf(product: Product): Product {
  const { photo, packMl, price, owned, openedOn, ...liquid } = product;
  return { ...liquid, aliases: [], leftMl: null, note: "" };
}

/** A line of the log as what happened, for whatever is reckoned from it. */
export function eventOf(entry: LogEntry, cards: Cards): BenchEvent {
  const { id, regionId, opId, at } = entry;
  const told = { id, regionId, opId, atMin: Date.parse(at) / MS_PER_MIN };
  switch (entry.kind) {
    case "done":
      return { ...told, kind: entry.kind, coats: entry.coats, wftUm: entry.wftUm, laid: laidOf(entry.laid, cards) };
    case "not-yet":
      return { ...told, kind: entry.kind, sign: entry.sign };
    case "ready":
      return { ...told, kind: entry.kind, turned: entry.turned };
    case "heeded":
      return { ...told, kind: entry.kind, lookId: entry.lookId, yes: entry.yes };
    case "asked":
    case "worked":
      return { ...told, kind: entry.kind, work: entry.work };
    case "measured":
      return { ...told, kind: entry.kind, layerId: entry.layerId, dftUm: entry.dftUm };
    case "reported":
      return {
        ...told,
        kind: entry.kind,
        sign: entry.sign,
        layerId: entry.layerId,
        extent: entry.extent,
        place: entry.place,
      };
    case "amended":
      return { ...told, kind: entry.kind, reportId: entry.reportId, extent: entry.extent, place: entry.place };
    case "answered":
      return { ...told, kind: entry.kind, reportId: entry.reportId, fact: entry.fact, yes: entry.yes };
    case "mended":
      return { ...told, kind: entry.kind, reportId: entry.reportId, recipe: entry.recipe, mend: entry.mend };
    case "settled":
      return { ...told, kind: entry.kind, reportId: entry.reportId, cause: entry.cause };
    case "withdrawn":
    case "struck":
      return { ...told, kind: entry.kind, reportId: entry.reportId };
    case "looked":
      return { ...told, kind: entry.kind, layerId: entry.layerId, marks: entry.marks };
    case "closed":
      return { ...told, kind: entry.kind, markIds: entry.markIds, byOpId: entry.byOpId };
    case "started":
    case "taken-back":
      return { ...told, kind: entry.kind };
  }
}

const laidOf = (laid: LaidEntry | undefined, cards: Cards): Laid | undefined =>
  laid && { ...laid, card: laid.card === null ? null : (cards.get(laid.card) ?? null) };
