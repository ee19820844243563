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

/** Most trials that are planned in one go. */
const MAX_TRIALS = 12;

/** What to try: the first layers of a region's pile, alone or with one product each on top of them. */
export const trialsSchema = z
  .strictObject({
    regionId: idSchema,
    /** how many of its layers from the bottom; 0 = the products lie on the bare material */
    upTo: z.int().min(0).max(24),
    productIds: z.array(idSchema).max(MAX_TRIALS, `at most ${MAX_TRIALS} at once`),
    /** how the tried products are laid */
    coats: layerSchema.shape.coats,
    heaviness: z.enum(HEAVINESSES),
  })
  .refine((t) => t.upTo > 0 || t.productIds.length > 0, {
    path: ["productIds"],
    error: "choose a product to try, or a layer of the stack",
  })
  .refine((t) => new Set(t.productIds).size === t.productIds.length, {
    path: ["productIds"],
    error: "the same product stands there twice",
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
