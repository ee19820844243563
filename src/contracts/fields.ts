import { z } from "zod";
import type { Field, FieldKind } from "@/core/model";
import { hashSchema, hexSchema, minutes, nameSchema, noteSchema, ranged, uniqueList } from "./base";

const windowSchema = z
  .tuple([minutes, minutes.nullable()])
  .refine(([opens, shuts]) => shuts === null || shuts > opens, { error: "a window must shut after it opens" });
const UNKNOWN = "unknown";

/** What a field may hold once it is given, by its kind. */
export function valueSchema(f: FieldKind): z.ZodType {
  switch (f.kind) {
    case "name":
      return nameSchema;
    case "text":
      return z.string().trim().max(f.most, `must be at most ${f.most} characters`);
    case "note":
      return noteSchema;
    case "texts":
      return uniqueList(z.string().trim().min(1).max(80), f.most);
    case "number": {
      const number = ranged(f.min, f.max, f.unit);
      return f.whole ? number.refine(Number.isInteger, { error: "must be a whole number" }) : number;
    }
    case "share":
      return ranged(f.min, f.max, `(${f.min * 100} % to ${f.max * 100} % of ${f.of})`);
    case "flag":
      return z.boolean();
    case "choice":
      return z.enum(f.open ? [...f.of, UNKNOWN] : [...f.of]);
    case "list":
      return f.open ? z.union([uniqueList(z.enum([...f.of])), z.literal(UNKNOWN)]) : uniqueList(z.enum([...f.of]));
    case "date":
      return z.iso.date("must be a date such as 2026-03-14");
    case "colour":
      return hexSchema;
    case "ratio":
      return z
        .string()
        .trim()
        .regex(/^\d+([.,]\d+)?(:\d+([.,]\d+)?){1,3}$/, "must be parts such as 4:1");
    case "windows":
      return z.array(windowSchema).max(2, "at most two windows");
    case "photo":
      return hashSchema;
  }
}

function fieldSchema(f: Field): z.ZodType {
  const value = valueSchema(f);
  switch (f.absent) {
    case "must":
      return value;
    case "null":
      return value.nullable();
    case "null-or-left-out":
      return value.nullable().optional();
    case "left-out":
      return value.optional();
  }
}

/** The storage shape of an entity's rows. */
export const shapeOf = (fields: Readonly<Record<string, Field>>): Record<string, z.ZodType> =>
  Object.fromEntries(Object.entries(fields).map(([key, f]) => [key, fieldSchema(f)]));
