import { z } from "zod";
import { utcMomentSchema } from "./base";
import { documentSchema } from "./document";

/** Body of POST /api/v1/plan: a whole model as a document, planned as if it were `now`. Nothing is kept. */
export const planRequestSchema = z.strictObject({
  document: documentSchema,
  /** ISO 8601, UTC; absent = the server's clock */
  now: utcMomentSchema.optional(),
});
