import { z } from "zod";
import { MISHAP_EXTENTS, MISHAP_SIGNS } from "@/core/model";
import { idSchema, utcMomentSchema } from "./base";
import { documentSchema } from "./document";

/** Body of POST /api/v1/plan: a whole model as a document, planned as if it were `now`. Nothing is kept. */
export const planRequestSchema = z.strictObject({
  document: documentSchema,
  /** ISO 8601, UTC; absent = the server's clock */
  now: utcMomentSchema.optional(),
});

/** Body of POST /api/v1/diagnose: what went wrong on a face of a document, told at a moment; its log up to then is what is known. */
export const diagnoseRequestSchema = z.strictObject({
  document: documentSchema,
  region: idSchema,
  sign: z.enum(MISHAP_SIGNS),
  /** ISO 8601, UTC */
  at: utcMomentSchema,
  extent: z.enum(MISHAP_EXTENTS).default("patch"),
  place: z.string().trim().max(80).nullable().default(null),
  /** questions answered before, by their fact */
  answers: z.record(z.string().max(60), z.boolean()).default({}),
});

/** What checks a request and gives it in its type. */
export type SchemaOf<T> = z.ZodType<T>;
