import { z } from "zod";
import { BEFORE_STEPS, CONDITIONS, EXPOSURES, FINISHES, HEAVINESSES, MATERIALS, PREP_STEPS } from "@/core/model";
import { idSchema, nameSchema, noteSchema, ranged, uniqueList } from "./base";

export const regionFields = {
  name: nameSchema,
  material: z.enum([...MATERIALS, "unknown"]).nullable(),
  conditions: uniqueList(z.enum(CONDITIONS)),
  areaCm2: ranged(0.1, 1_000_000, "cm²").nullable(),
  finish: z.enum(FINISHES),
  detailUm: ranged(10, 100_000, "µm").nullable(),
  ridgeUm: ranged(1, 5000, "µm").nullable(),
  exposure: uniqueList(z.enum(EXPOSURES)),
};
/** What a region edit may carry: any of its fields. */
export const regionEditSchema = z.strictObject(regionFields).partial();
export const regionSchema = z.strictObject({ id: idSchema, ...regionFields });

const whole = (min: number, max: number, unit: string) =>
  ranged(min, max, unit).refine(Number.isInteger, { error: "must be a whole number" });

export const sandAfterSchema = z.strictObject({
  grit: whole(40, 10_000, "(P scale)"),
  wet: z.boolean(),
  takesUm: ranged(0, 5000, "µm"),
});

export const layerSchema = z.strictObject({
  id: idSchema,
  productId: idSchema,
  coats: whole(1, 12, "coats"),
  heaviness: z.enum(HEAVINESSES),
  wftUm: ranged(1, 20_000, "µm").nullable(),
  gapMin: ranged(0, 200_000, "minutes").nullable(),
  before: uniqueList(z.enum(BEFORE_STEPS)),
  sandAfter: sandAfterSchema.nullable(),
});

export const stackSchema = z.strictObject({
  prep: uniqueList(z.enum(PREP_STEPS)),
  layers: z.array(layerSchema).max(24, "a stack holds at most 24 layers"),
});

export const partFields = { name: nameSchema, count: whole(1, 1000, "pieces"), note: noteSchema };
export const partEditSchema = z.strictObject(partFields).partial();
export const modelFields = { name: nameSchema, scale: z.string().trim().max(20), note: noteSchema };
export const modelEditSchema = z.strictObject(modelFields).partial();
