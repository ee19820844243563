import { z } from "zod";

/** Ids are ours or come from a document: short, printable, safe in a URL. */
export const idSchema = z
  .string()
  .regex(/^[A-Za-z0-9][A-Za-z0-9_-]{0,63}$/, "must be 1–64 letters, digits, - or _, starting with a letter or digit");
export const MAX_NAME = 120;
/** Control characters and marks that turn the reading direction: a name is one line, on screen and in every file it goes into. */
const NOT_OF_A_LINE = /[\p{Cc}\u2028\u2029\u202a-\u202e\u2066-\u2069]+/gu;
export const nameSchema = z
  .string()
  .overwrite((s) => s.replace(NOT_OF_A_LINE, " "))
  .trim()
  .min(1, "needs a name")
  .max(MAX_NAME, `must be at most ${MAX_NAME} characters`);
export const noteSchema = z.string().max(4000, "must be at most 4000 characters");

/** A number with its range told in words, so the message can stand beside the field. */
export const ranged = (min: number, max: number, unit: string) =>
  z.number({ error: "must be a number" }).refine((n) => Number.isFinite(n) && n >= min && n <= max, {
    error: `must be between ${min} and ${max}${unit ? ` ${unit}` : ""}`,
  });

export const minutes = ranged(0, 1_000_000, "minutes");
export const hexSchema = z.string().regex(/^#[0-9a-f]{6}$/i, "must be a colour such as #1d2b4f");
export const uniqueList = <T extends z.ZodType>(item: T, max = 40) =>
  z
    .array(item)
    .max(max, `must hold at most ${max}`)
    .refine((list) => new Set(list.map((x) => JSON.stringify(x))).size === list.length, {
      error: "must not name the same thing twice",
    });

/** SHA-256 of a photo's bytes, hex: what a photo goes by. */
export const hashSchema = z.string().regex(/^[0-9a-f]{64}$/, "is not the name of a photo");

/** Said where a card names a binder that no water alone ever carried. */
export const CARRIERS_CONTRADICT =
  "water alone never carries this binder: read the label again, or choose “I do not know” (acrylic on a can is no proof of water)";

/** Years a shed can have something to do with; anything else is a slip of the keyboard or of another program. */
const FIRST_YEAR = 2000;
const LAST_YEAR = 2100;
const yearOf = (text: string): number => Number(text.slice(0, 4));
export const saneYear = (text: string): boolean =>
  !/^\d{4}-/.test(text) || (yearOf(text) >= FIRST_YEAR && yearOf(text) < LAST_YEAR);
export const YEARS_SPAN = `must lie between the years ${FIRST_YEAR} and ${LAST_YEAR}`;

/** A moment, ISO 8601; with an offset, or in UTC. */
export const momentSchema = z.iso
  .datetime({ offset: true, error: "must be a time such as 2026-11-26T19:20:00Z" })
  .refine(saneYear, { error: YEARS_SPAN });
export const utcMomentSchema = z.iso
  .datetime("must be a time such as 2026-11-26T19:20:00Z")
  .refine(saneYear, { error: YEARS_SPAN });
/** A calendar day. */
export const daySchema = z.iso.date("must be a date such as 2026-03-14").refine(saneYear, { error: YEARS_SPAN });

/** A whole figure of a unit. */
export const whole = (min: number, max: number, unit: string) =>
  ranged(min, max, unit).refine(Number.isInteger, { error: "must be a whole number" });
