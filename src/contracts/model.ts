import { z } from "zod";
import {
  BEFORE_STEPS,
  GRIT_SCALES,
  HEAVINESSES,
  LIQUID_BEFORE,
  LIQUID_PREP,
  MOST_ZONES,
  OLD_FINISH_FIELDS,
  PREP_STEPS,
  PREP_TIMES_MOST,
  prepKeysOf,
  REGION_COLUMNS,
  REGION_MORE,
  type Region,
  RUB_SIGNS,
  SEAL_KINDS,
  SEALED_FIELDS,
  SOAK_PREP,
  type SoakKey,
  TACKS,
  TOUCH_KINDS,
  ZONE_FIELDS,
} from "@/core/model";
import { ratioParts } from "@/core/numbers";
import { hashSchema, idSchema, minutes, nameSchema, noteSchema, ranged, uniqueList, whole } from "./base";
import { shapeOf } from "./fields";
import { schemeSchema, touchesSchema } from "./scheme";

/** A fact that may be left out (older documents), given as none, or given. */
const maybe = <T extends z.ZodType>(schema: T) => schema.nullable().optional();

interface ZoneTold {
  readonly name?: unknown;
  readonly share?: unknown;
}
/** Zones of one face: each its own name, and together no more than the face. */
export const zonesHold = <T extends z.ZodType<readonly ZoneTold[]>>(zones: T): T =>
  zones.superRefine((told: readonly ZoneTold[], ctx) => {
    if (told.length > MOST_ZONES) ctx.addIssue({ code: "custom", message: `a face has at most ${MOST_ZONES} zones` });
    told.forEach((z, n) => {
      if (told.slice(0, n).some((o) => o.name === z.name))
        ctx.addIssue({ code: "custom", path: [n, "name"], message: "is the name of another zone of this face" });
    });
    const sum = told.reduce((total, z) => total + Number(z.share), 0);
    if (sum > 1 + 1e-9)
      ctx.addIssue({
        code: "custom",
        path: [told.length - 1, "share"],
        message: `makes the zones more than the face: ${Math.round(100 * sum)} %`,
      });
  }) as unknown as T;

/** Facts of a region beside those of its row in the table. */
export const regionMore = {
  ...shapeOf(REGION_MORE),
  oldFinish: maybe(z.strictObject(shapeOf(OLD_FINISH_FIELDS))),
  sealedBy: maybe(z.strictObject(shapeOf(SEALED_FIELDS))),
  zones: zonesHold(z.array(z.strictObject(shapeOf(ZONE_FIELDS)))).optional(),
  scheme: schemeSchema.optional(),
  touches: touchesSchema.optional(),
};

const regionFields = { ...shapeOf(REGION_COLUMNS), ...regionMore };
/** What a region edit may carry: any of its fields. */
export const regionEditSchema = z.strictObject(regionFields).partial();
/** A region as the registry's rows make it, for an object that holds more beside. */
export const regionShape = { id: idSchema, ...regionFields };
export const regionSchema = z.strictObject(regionShape) as unknown as z.ZodType<Region>;

const paperFields = { grit: whole(40, 10_000, ""), scale: z.enum(GRIT_SCALES).optional(), wet: z.boolean() };
const MOST_PAPERS = 6;
export const sandAfterSchema = z.strictObject({
  ...paperFields,
  takesUm: ranged(0, 5000, "µm"),
  share: ranged(0.001, 1, "(a share)").optional(),
  until: z.enum(RUB_SIGNS).optional(),
  guideId: idSchema.optional(),
  further: z
    .array(z.strictObject(paperFields))
    .max(MOST_PAPERS - 1, `a rub takes at most ${MOST_PAPERS} papers`)
    .optional(),
});

/** Products that steps are done with, by step. */
/** Where on a face something lies, in plain names. */
export const placesSchema = z.array(z.string().trim().min(1).max(60)).max(12, "must hold at most 12");
const liquidsFor = <T extends string>(steps: readonly T[]) =>
  z.partialRecord(z.enum(steps as readonly [T, ...T[]]), idSchema).optional();

/** Two or more parts by volume. */
export const ratioSchema = z
  .string()
  .trim()
  .max(20)
  .refine((text) => ratioParts(text) !== null, { error: "must be parts by volume, such as 4:1" });

/** Facts of a layer beside those of its row in the table. */
export const layerMore = {
  coatGapMin: maybe(ranged(0, 200_000, "minutes")),
  heatC: maybe(ranged(0, 400, "°C")),
  partC: maybe(ranged(0, 100, "°C")),
  scuffWet: z.boolean().optional(),
  tape: maybe(
    z.strictObject({
      tack: z.enum(TACKS),
      productId: maybe(idSchema),
      onMin: minutes.nullable(),
      offMin: minutes.nullable(),
    }),
  ),
  beforeWith: liquidsFor(LIQUID_BEFORE),
  depthUm: maybe(ranged(1, 200_000, "µm")),
  spot: maybe(z.union([ranged(0.001, 1, "(a share)"), z.literal(false)])),
  places: placesSchema.optional(),
  mixUsed: maybe(z.string().trim().max(20)),
  touch: maybe(
    z.strictObject({ kind: z.enum([...TOUCH_KINDS, ...SEAL_KINDS]), count: whole(1, 200, "pieces").optional() }),
  ),
  mixedWithId: maybe(idSchema),
  thinnerId: maybe(idSchema),
  thinRatio: maybe(ratioSchema),
  setUp: maybe(
    z.strictObject({
      canTempC: maybe(ranged(-30, 200, "°C")),
      batchMin: maybe(minutes),
      edgesCovered: z.boolean().optional(),
      shaded: z.boolean().optional(),
      backing: z.boolean().optional(),
      activator: z.boolean().optional(),
    }),
  ),
};

export const layerSchema = z.strictObject({
  id: idSchema,
  productId: idSchema,
  coats: whole(1, 12, "coats"),
  heaviness: z.enum(HEAVINESSES),
  wftUm: ranged(1, 20_000, "µm").nullable(),
  gapMin: ranged(0, 200_000, "minutes").nullable(),
  before: uniqueList(z.enum(BEFORE_STEPS)),
  sandAfter: sandAfterSchema.nullable(),
  ...layerMore,
});

const soakKeys = prepKeysOf(SOAK_PREP) as readonly SoakKey[];

export const stackSchema = z.strictObject({
  prep: z
    .array(z.enum(PREP_STEPS))
    .max(30, "getting ready takes at most 30 steps")
    .refine((prep) => prep.every((s) => prep.filter((x) => x === s).length <= PREP_TIMES_MOST), {
      error: `names a step more than ${PREP_TIMES_MOST} times`,
    }),
  prepWith: liquidsFor(prepKeysOf(LIQUID_PREP)),
  prepWaitMin: z.partialRecord(z.enum(prepKeysOf(PREP_STEPS)), ranged(0, 100_000, "minutes")).optional(),
  prepSoakMin: z.partialRecord(z.enum(soakKeys), ranged(1, 1440, "minutes")).optional(),
  layers: z.array(layerSchema).max(24, "a stack holds at most 24 layers"),
});

export const partFields = {
  name: nameSchema,
  count: whole(1, 1000, "pieces"),
  note: noteSchema,
  photo: maybe(hashSchema),
};
export const partEditSchema = z.strictObject(partFields).partial();
export const modelFields = { name: nameSchema, scale: z.string().trim().max(20), note: noteSchema };
/** Planned with all else that is active; left alone for now; done. */
export const MODEL_STATES = ["active", "resting", "finished"] as const;
export type ModelState = (typeof MODEL_STATES)[number];
export const modelEditSchema = z.strictObject({ ...modelFields, state: z.enum(MODEL_STATES) }).partial();
