import { z } from "zod";
import { MS_PER_MIN } from "@/core/base";
import { type BenchEvent, EVENT_KINDS, SIGNS } from "@/core/history";
import { idSchema, noteSchema, ranged, utcMomentSchema } from "./base";

export const opIdSchema = z.string().regex(/^[A-Za-z0-9_:~-]{3,200}$/, "is not an operation id");

/** Coats and thickness are asked only of coats; null = as planned. */
export const doneSchema = z.strictObject({
  opId: opIdSchema,
  minutesAgo: ranged(0, 20_160, "minutes ago"),
  coats: ranged(1, 12, "coats").refine(Number.isInteger, { error: "must be a whole number" }).nullable(),
  wftUm: ranged(1, 20_000, "µm").nullable(),
  tempC: ranged(-20, 60, "°C").nullable(),
  rhPct: ranged(1, 100, "% RH").nullable(),
  note: noteSchema,
});
export const notYetSchema = z.strictObject({ opId: opIdSchema, sign: z.enum(SIGNS), note: noteSchema });

export const logEntrySchema = z.strictObject({
  id: idSchema,
  regionId: idSchema,
  opId: opIdSchema,
  kind: z.enum(EVENT_KINDS),
  /** ISO 8601, UTC */
  at: utcMomentSchema,
  /** the work in words, as it stood then: products and parts may change later */
  title: z.string().max(300),
  coats: z.number().int().min(1, "must be at least 1").max(100, "must be at most 100").nullable(),
  wftUm: ranged(0.1, 50_000, "µm").nullable(),
  sign: z.enum(SIGNS).nullable(),
  /** reason carried from an overridden verdict */
  override: z.string().max(4000).nullable(),
  air: z.strictObject({
    tempC: z.number(),
    rhPct: z.number(),
    source: z.enum(["typical", "forecast", "measured", "read"]),
  }),
  note: noteSchema,
  /** what a coat took out of a can, ml (est.); absent = nothing, or nobody knows */
  used: z.strictObject({ productId: idSchema, ml: ranged(0, 100_000, "ml") }).optional(),
});
export type LogEntry = z.infer<typeof logEntrySchema>;

/** A line of the log as what happened, for whatever is reckoned from it. */
export function eventOf({ id, regionId, opId, kind, at, coats, wftUm, sign }: LogEntry): BenchEvent {
  const told = { id, regionId, opId, atMin: Date.parse(at) / MS_PER_MIN };
  if (kind === "done") return { ...told, kind, coats, wftUm };
  return kind === "not-yet" ? { ...told, kind, sign } : { ...told, kind };
}
