import { z } from "zod";
import {
  type Field,
  LABEL_FIELDS,
  LIGHT_FIELDS,
  LIMIT_FIELDS,
  type Method,
  PRODUCT_FIELDS,
  PRODUCT_ROWS,
  type Product,
  type ProductUnknown,
  type Role,
} from "@/core/model";
import { carriersContradict, familyFacts } from "@/core/reference";
import { CARRIERS_CONTRADICT } from "./base";
import { valueSchema } from "./fields";

/** A product told inline, in the API's snake_case; what is left out is not given. Its shape is that of the registry's rows. */
export interface InlineProduct {
  readonly role: Role;
  readonly name?: string;
  readonly family?: Product["family"];
  readonly carriers?: Product["carriers"];
  readonly [name: string]: unknown;
}

const UNKNOWN = "unknown";

/** Any fact may be told as unknown, which is not the same as leaving it out; a tick that opens no rule may not. */
function apiSchema(f: Field): z.ZodType {
  if (f.api === "role") return valueSchema(f);
  const least = f.apiMin !== undefined && f.kind === "share" ? { ...f, min: f.apiMin } : f;
  const value = valueSchema(least);
  const open = "open" in f && f.open === true && f.absent === "must";
  const told = open || f.kind === "name" || (f.kind === "flag" && !f.mayBeUnknown);
  const unknown = told ? value : z.union([value, z.literal(UNKNOWN)]);
  return f.absent === "null" || f.absent === "null-or-left-out" ? unknown.nullable().optional() : unknown.optional();
}

type Tree = { [name: string]: z.ZodType | Tree };

/** The rows told through the API, nested as their dotted names say. */
function shapeOfApi(): Record<string, z.ZodType> {
  const tree: Tree = {};
  for (const { field } of PRODUCT_ROWS) {
    const [head, leaf] = field.api?.split(".") ?? [];
    if (head === undefined) continue;
    if (leaf === undefined) tree[head] = apiSchema(field);
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

/** @param more fields of a product that is offered rather than laid */
export const inlineProductOf = <T extends Record<string, z.ZodType>>(more: T) =>
  z.strictObject({ ...shapeOfApi(), ...more }).refine(
    (p) => {
      const { family = UNKNOWN, carriers = UNKNOWN } = p as unknown as InlineProduct;
      return !carriersContradict({ family, carriers });
    },
    { error: CARRIERS_CONTRADICT, path: ["carriers"] },
  ) as unknown as z.ZodType<InlineProduct & z.infer<z.ZodObject<T>>>;
export const inlineProductSchema: z.ZodType<InlineProduct> = inlineProductOf({});

/** Goods nobody asks a binder or carrier of: paper, tape and printed film bring none. */
const SOLID_ROLES: readonly string[] = ["decal", "abrasive", "polish", "masking"];

/** What stands in for a fact nobody told, or told as unknown. */
function standIn(f: Field, p: InlineProduct, method: Method): unknown {
  const solid = SOLID_ROLES.includes(p.role);
  switch (f.api) {
    case "family":
      return solid ? "wb-acrylic" : UNKNOWN;
    case "carriers":
      return solid ? [] : UNKNOWN;
    case "propellant":
      return method === "aerosol" ? UNKNOWN : null;
    case "colour":
      return "#808080";
    case "effect":
      return p.role === "decal" ? "transparent" : "solid";
    // the reference air, one 50 µm coat
    case "label.wft_um":
      return 50;
    case "label.coats":
      return 1;
    default:
      return f.kind === "flag" ? false : (f.cell ?? null);
  }
}

function toldAt(p: InlineProduct, api: string): unknown {
  return api.split(".").reduce<unknown>((at, key) => (at as Record<string, unknown> | undefined)?.[key], p);
}

const sentence =
  (p: InlineProduct, method: Method) =>
  (f: Field): unknown => {
    const value = f.api === null ? undefined : toldAt(p, f.api);
    const keeps = "open" in f && f.open === true;
    if (value == null || (value === UNKNOWN && !keeps)) return standIn(f, p, method);
    return value;
  };

type Rows = Readonly<Record<string, Field>>;
const filled = (fields: Rows, of: (f: Field) => unknown): Record<string, unknown> =>
  Object.fromEntries(Object.entries(fields).flatMap(([k, f]) => (f.api === null ? [] : [[k, of(f)]])));

function hazardsOf({ hazards, family }: InlineProduct): Product["hazards"] {
  if (hazards === UNKNOWN) return ["isocyanate-unknown"];
  if (hazards) return hazards as Product["hazards"];
  return family !== undefined && family !== UNKNOWN && familyFacts(family).isocyanate ? ["isocyanate-unknown"] : [];
}

/** An inline product as a core product under the given id. */
export function inlineToProduct(id: string, p: InlineProduct, method: Method): Product {
  const of = sentence(p, method);
  const facts = filled(PRODUCT_FIELDS, of) as unknown as Product;
  const isTold = (api: string) => !["undefined", UNKNOWN].includes(String(toldAt(p, api)));
  return {
    ...facts,
    id,
    name: p.name ?? id,
    maker: "",
    aliases: [],
    method,
    // a contact liquid may hold none; a film of nothing is told as not given
    volumeSolids: facts.volumeSolids || null,
    hazards: hazardsOf(p),
    limits: filled(LIMIT_FIELDS, of) as unknown as Product["limits"],
    label: filled(LABEL_FIELDS, of) as unknown as Product["label"],
    light: isTold("light") ? (filled(LIGHT_FIELDS, of) as unknown as Product["light"]) : null,
    leftMl: null,
    note: "",
    unknowns: Object.entries(PRODUCT_FIELDS as Rows).flatMap(([key, f]) =>
      f.mayBeUnknown && f.api !== null && f.api !== "hazards" && toldAt(p, f.api) === UNKNOWN
        ? [key as ProductUnknown]
        : [],
    ),
    assumed: ["colour", "label.wft_um"].filter((api) => !isTold(api)),
  };
}
