import { z } from "zod";
import { documentSchema } from "./document";

/** Body of POST /api/v1/plan: a whole model as a document, planned as if it were `now`. Nothing is kept. */
export const planRequestSchema = z.strictObject({
  document: documentSchema,
  /** ISO 8601, UTC; absent = the server's clock */
  now: z.iso.datetime().optional(),
});
