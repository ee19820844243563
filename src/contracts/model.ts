import { z } from "zod";
import {
  BEFORE_STEPS,
  CONDITIONS,
  EXPOSURES,
  FAMILIES,
  FINISHES,
  GRIT_SCALES,
  HEAVINESSES,
  LEADS,
  MATERIALS,
  PREP_STEPS,
  RUBS,
  TACKS,
} from "@/core/model";
import { hashSchema, idSchema, minutes, nameSchema, noteSchema, ranged, uniqueList } from "./base";

/** A fact that may be left out (older documents), given as none, or given. */
const maybe = <T extends z.ZodType>(schema: T) => schema.nullable().optional();

const oldFinishSchema = z.strictObject({
  family: z.enum([...FAMILIES, "unknown"]),
  ageDays: z.union([ranged(0, 100_000, "days"), z.literal("unknown")]).nullable(),
  rub: z.enum(RUBS),
  lead: z.enum(LEADS),
});
const sealedBySchema = z.strictObject({
  family: z.enum([...FAMILIES, "unknown"]),
  dftUm: ranged(0, 5000, "µm").nullable(),
  coats: ranged(0, 30, "coats").nullable(),
  cured: z.union([z.boolean(), z.literal("unknown")]),
});

/** Facts of a region beside those of its row in the table. */
export const regionMore = {
  oldFinish: maybe(oldFinishSchema),
  sealedBy: maybe(sealedBySchema),
  fillDepthUm: maybe(ranged(1, 200_000, "µm")),
  fillThrough: z.boolean().optional(),
  fitAllowanceUm: maybe(ranged(0, 20_000, "µm")),
  massBudgetG: maybe(ranged(0.01, 1_000_000, "g")),
  serviceTempC: maybe(ranged(-60, 400, "°C")),
  minutesSinceKey: maybe(ranged(0, 100_000_000, "minutes")),
  clearNearby: z.boolean().optional(),
  lead: maybe(z.enum(LEADS)),
  keepBare: uniqueList(z.string().trim().min(1, "needs a name").max(80), 20).optional(),
  hollow: maybe(z.union([z.boolean(), z.literal("unknown")])),
  joints: z.boolean().optional(),
  turns: maybe(ranged(0, 3, "turns").refine(Number.isInteger, { error: "must be a whole number" })),
};

export const regionFields = {
  name: nameSchema,
  material: z.enum([...MATERIALS, "unknown"]).nullable(),
  conditions: uniqueList(z.enum(CONDITIONS)),
  areaCm2: ranged(0.1, 1_000_000, "cm²").nullable(),
  finish: z.enum(FINISHES),
  detailUm: ranged(10, 100_000, "µm").nullable(),
  ridgeUm: ranged(1, 5000, "µm").nullable(),
  exposure: uniqueList(z.enum(EXPOSURES)),
  ...regionMore,
};
/** What a region edit may carry: any of its fields. */
export const regionEditSchema = z.strictObject(regionFields).partial();
export const regionSchema = z.strictObject({ id: idSchema, ...regionFields });

const whole = (min: number, max: number, unit: string) =>
  ranged(min, max, unit).refine(Number.isInteger, { error: "must be a whole number" });

const sandAfterSchema = z.strictObject({
  grit: whole(40, 10_000, ""),
  scale: z.enum(GRIT_SCALES).optional(),
  wet: z.boolean(),
  takesUm: ranged(0, 5000, "µm"),
});

/** Facts of a layer beside those of its row in the table. */
export const layerMore = {
  coatGapMin: maybe(ranged(0, 200_000, "minutes")),
  heatC: maybe(ranged(0, 400, "°C")),
  scuffWet: z.boolean().optional(),
  tape: maybe(z.strictObject({ tack: z.enum(TACKS), onMin: minutes.nullable(), offMin: minutes.nullable() })),
  depthUm: maybe(ranged(1, 200_000, "µm")),
  spot: maybe(z.union([ranged(0.001, 1, "(a share)"), z.literal(false)])),
  mixUsed: maybe(z.string().trim().max(20)),
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

export const stackSchema = z.strictObject({
  prep: uniqueList(z.enum(PREP_STEPS)),
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
export const modelEditSchema = z.strictObject(modelFields).partial();
