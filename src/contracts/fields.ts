import { z } from "zod";
import type { Field, FieldKind, PlacedField } from "@/core/model";
import { hashSchema, hexSchema, minutes, nameSchema, noteSchema, ranged, uniqueList } from "./base";

const windowSchema = z
  .tuple([minutes, minutes.nullable()])
  .refine(([opens, shuts]) => shuts === null || shuts > opens, { error: "a window must shut after it opens" });
export const UNKNOWN = "unknown";

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
      return uniqueList(z.string().trim().min(1, "needs a name").max(80), f.most);
    case "number": {
      const number = ranged(f.min, f.max, f.unit);
      const own = f.whole ? number.refine(Number.isInteger, { error: "must be a whole number" }) : number;
      return f.open ? z.union([own, z.literal(UNKNOWN)]) : own;
    }
    case "share":
      return ranged(f.min, f.max, `(${f.min * 100} % to ${f.max * 100} % of ${f.of})`);
    case "flag":
      return f.open ? z.union([z.boolean(), z.literal(UNKNOWN)]) : z.boolean();
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

/** Holds "I do not know" as a value of its own. */
const isOpen = (f: FieldKind): boolean => "open" in f && f.open === true;

/** Any fact may be told as unknown, which is not the same as leaving it out. */
function apiSchema(f: Field): z.ZodType {
  const least = f.apiMin !== undefined && (f.kind === "share" || f.kind === "number") ? { ...f, min: f.apiMin } : f;
  const value = valueSchema(least);
  const told = isOpen(f) || f.kind === "name";
  const unknown = told ? value : z.union([value, z.literal(UNKNOWN)]);
  return f.absent === "null" || f.absent === "null-or-left-out" ? unknown.nullable().optional() : unknown.optional();
}

type Tree = { [name: string]: z.ZodType | Tree };

/** The rows told through the API, nested as their dotted names say. */
export function apiShapeOf(rows: readonly PlacedField[], must: readonly string[] = []): Record<string, z.ZodType> {
  const tree: Tree = {};
  for (const { field } of rows) {
    const [head, leaf] = field.api?.split(".") ?? [];
    if (head === undefined) continue;
    if (leaf === undefined) tree[head] = must.includes(head) ? valueSchema(field) : apiSchema(field);
    else tree[head] = { ...(tree[head] as Tree | undefined), [leaf]: apiSchema(field) };
  }
  return Object.fromEntries(
    Object.entries(tree).map(([name, t]) => [
      name,
      t instanceof z.ZodType ? t : nested(name, t as Record<string, z.ZodType>),
    ]),
  );
}

/** What a lamp resin is cured by may be unknown as a whole. */
const nested = (name: string, shape: Record<string, z.ZodType>): z.ZodType =>
  name === "light" ? z.union([z.strictObject(shape), z.literal(UNKNOWN)]).optional() : z.strictObject(shape).optional();

/** What was told under an API name, dotted where it is nested; undefined = nothing. */
export const toldAt = (body: object, api: string): unknown =>
  api.split(".").reduce<unknown>((at, key) => (at as Record<string, unknown> | null | undefined)?.[key], body);

type Rows = Readonly<Record<string, Field>>;
/** Fields by what the API told of each, or what stands in for it. */
export const fromApi = (fields: Rows, of: (f: Field) => unknown): Record<string, unknown> =>
  Object.fromEntries(Object.entries(fields).flatMap(([k, f]) => (f.api === null ? [] : [[k, of(f)]])));

/** A told fact as a core fact. @param standIn for what nobody told, or told as unknown where the field does not hold that itself */
export const factOf =
  (body: object, standIn: (f: Field) => unknown) =>
  (f: Field): unknown => {
    const value = f.api === null ? undefined : toldAt(body, f.api);
    return value == null || (value === UNKNOWN && !isOpen(f)) ? standIn(f) : value;
  };

/** Facts that hold their rules open because they were told as unknown. */
export const unknownsOf = (fields: Rows, body: object): readonly string[] =>
  Object.entries(fields).flatMap(([key, f]) =>
    f.mayBeUnknown && f.api !== null && toldAt(body, f.api) === UNKNOWN ? [key] : [],
  );
