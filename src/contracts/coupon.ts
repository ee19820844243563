import { z } from "zod";
import { COUPON_RESULTS, HEAVINESSES, MATERIALS } from "@/core/model";
import { hashSchema, idSchema, nameSchema, noteSchema, ranged, utcMomentSchema } from "./base";
import { layerSchema } from "./model";

const couponLayerSchema = z.strictObject({
  productId: idSchema,
  coats: layerSchema.shape.coats,
  heaviness: z.enum(HEAVINESSES),
  wftUm: layerSchema.shape.wftUm,
  gapMin: layerSchema.shape.gapMin,
});

/** What comes of a coupon, told once it is tested. */
export const couponResultSchema = z.strictObject({
  result: z.enum(COUPON_RESULTS).nullable(),
  score: ranged(1, 5, "").refine(Number.isInteger, { error: "must be a whole number from 1 to 5" }).nullable(),
  throughCured: z.boolean(),
  tapeTested: z.boolean(),
  note: noteSchema,
  photo: hashSchema.nullable(),
});

export const couponSchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  material: z.enum(MATERIALS),
  layers: z.array(couponLayerSchema).min(1, "needs at least one layer").max(24),
  /** ISO 8601, UTC; null = planned, not made yet */
  madeAt: utcMomentSchema.nullable(),
  /** when the film model expects it through cured */
  dueAt: utcMomentSchema,
  ...couponResultSchema.shape,
});
export type CouponCard = z.infer<typeof couponSchema>;
