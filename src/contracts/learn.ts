import { z } from "zod";
import type { Look } from "@/core/learning";
import { idSchema, ranged } from "./base";

const MOST_MIN = 1_000_000;
const MOST_LOOKS = 10_000;
const minutes = ranged(0.01, MOST_MIN, "minutes");

const lookSchema = z
  .strictObject({
    product: idSchema,
    predicted_min: minutes,
    after_min: minutes.optional(),
    by_min: minutes.optional(),
    at_min: minutes.optional(),
  })
  .superRefine((l, ctx) => {
    if (l.after_min === undefined && l.by_min === undefined && l.at_min === undefined)
      ctx.addIssue({ code: "custom", path: ["by_min"], message: "is wanting: tell after_min, by_min or at_min" });
    if (l.at_min !== undefined && (l.after_min !== undefined || l.by_min !== undefined))
      ctx.addIssue({ code: "custom", path: ["at_min"], message: "cannot stand beside after_min or by_min" });
    if (l.after_min !== undefined && l.by_min !== undefined && l.after_min >= l.by_min)
      ctx.addIssue({ code: "custom", path: ["by_min"], message: "must be later than after_min" });
  });

/** Body of POST /api/v1/learn. */
export const learnRequestSchema = z.strictObject({
  looks: z.array(lookSchema).max(MOST_LOOKS, `must hold at most ${MOST_LOOKS}`),
  products: z.array(idSchema).max(500, "must hold at most 500"),
});
type LearnRequest = z.infer<typeof learnRequestSchema>;

export const looksOf = ({ looks }: LearnRequest): readonly Look[] =>
  looks.map((l) => ({
    productId: l.product,
    predictedMin: l.predicted_min,
    afterMin: l.after_min ?? null,
    byMin: l.by_min ?? null,
    atMin: l.at_min ?? null,
  }));
