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
import { apiShapeOf, factOf, fromApi, toldAt, UNKNOWN, unknownsOf } from "./fields";

/** A product told inline, in the API's snake_case; what is left out is not given. Its shape is that of the registry's rows. */
export interface InlineProduct {
  readonly role: Role;
  readonly name?: string;
  readonly family?: Product["family"];
  readonly carriers?: Product["carriers"];
  readonly [name: string]: unknown;
}

/** @param more fields of a product that is offered rather than laid */
export const inlineProductOf = <T extends Record<string, z.ZodType>>(more: T) =>
  z.strictObject({ ...apiShapeOf(PRODUCT_ROWS, ["role"]), ...more }).refine(
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

function hazardsOf({ hazards, family }: InlineProduct): Product["hazards"] {
  if (hazards === UNKNOWN) return ["isocyanate-unknown"];
  if (hazards) return hazards as Product["hazards"];
  return family !== undefined && family !== UNKNOWN && familyFacts(family).isocyanate ? ["isocyanate-unknown"] : [];
}

/** An inline product as a core product under the given id. */
export function inlineToProduct(id: string, p: InlineProduct, method: Method): Product {
  const of = factOf(p, (f) => standIn(f, p, method));
  const facts = fromApi(PRODUCT_FIELDS, of) as unknown as Product;
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
    limits: fromApi(LIMIT_FIELDS, of) as unknown as Product["limits"],
    label: fromApi(LABEL_FIELDS, of) as unknown as Product["label"],
    light: isTold("light") ? (fromApi(LIGHT_FIELDS, of) as unknown as Product["light"]) : null,
    leftMl: null,
    note: "",
    unknowns: unknownsOf(PRODUCT_FIELDS, p).filter((key) => key !== "hazards") as ProductUnknown[],
    assumed: ["colour", "label.wft_um"].filter((api) => !isTold(api)),
  };
}
