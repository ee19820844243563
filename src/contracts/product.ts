import { z } from "zod";
import type { Label, Product } from "@/core/model";
import {
  CLAIM_FIGURES,
  FILM_ROLES,
  isOneOf,
  LABEL_FIELDS,
  LIGHT_FIELDS,
  LIMIT_FIELDS,
  PRODUCT_FIELDS,
  type ProductLimits,
  RECIPE_STEPS,
  SOURCES,
} from "@/core/model";
import { carriersContradict } from "@/core/reference";
import { CARRIERS_CONTRADICT, hexSchema, idSchema, nameSchema, ranged, utcMomentSchema } from "./base";
import { shapeOf } from "./fields";

const ORDERED = ["flashMin", "touchMin", "handleMin", "sandableMin", "curedMin"] as const;

export interface LabelContradiction {
  /** field of the label, or window by its place */
  readonly path: string;
  readonly message: string;
}

/** Where a label contradicts itself: times out of the order a film reaches them, windows that overlap. */
export function labelContradictions(label: Label): readonly LabelContradiction[] {
  const found: LabelContradiction[] = [];
  let last: { field: string; min: number } | null = null;
  for (const field of ORDERED) {
    const min = label[field];
    if (min === null) continue;
    if (last && min < last.min)
      found.push({
        path: field,
        message: `contradicts ${last.field}: it cannot come sooner (${min} < ${last.min} min)`,
      });
    last = { field, min };
  }
  label.recoat.forEach(([opens], i) => {
    const before = label.recoat[i - 1];
    if (before && (before[1] === null || opens <= before[1]))
      found.push({ path: `recoat.${i}`, message: "must open after the window before it has shut" });
  });
  return found;
}

function contradictions(label: Label, ctx: z.RefinementCtx): void {
  for (const { path, message } of labelContradictions(label)) {
    const [field, n] = path.split(".");
    ctx.addIssue({ code: "custom", path: n === undefined ? [field!] : [field!, Number(n)], message });
  }
}

/** A film without a single time on its label cannot be planned; tape, paper and wipes have none. */
const timed = (label: Label): boolean => ORDERED.some((f) => label[f] !== null) || label.recoat.length > 0;

const labelSchema = z.strictObject(shapeOf(LABEL_FIELDS)).superRefine((l, ctx) => contradictions(l as Label, ctx));

const limitsSchema = z.strictObject(shapeOf(LIMIT_FIELDS)).refine(
  (l) => {
    const { minTempC, maxTempC } = l as ProductLimits;
    return minTempC === null || maxTempC === null || maxTempC > minTempC;
  },
  { error: "must be above the lowest temperature", path: ["maxTempC"] },
);

const claimSchema = z.strictObject({
  figure: z.enum(CLAIM_FIGURES),
  value: ranged(0, 1_000_000, ""),
  source: z.enum(SOURCES),
  note: z.string().max(300, "must be at most 300 characters"),
});

/** So many shades of one mix are kept, the newest. */
export const MOST_SHADES = 100;
const recipeSchema = z.strictObject({
  parts: z
    .array(z.strictObject({ name: nameSchema, parts: ranged(0.001, 10_000, "parts") }))
    .max(8, "must hold at most 8"),
  steps: z
    .array(
      z.strictObject({
        at: utcMomentSchema,
        kind: z.enum(RECIPE_STEPS),
        drops: ranged(1, 10_000, "drops").nullable(),
        name: z.string().max(200),
        colour: hexSchema,
      }),
    )
    .max(MOST_SHADES, `must hold at most ${MOST_SHADES}`),
});

/** Of the registry's rows, with what holds between them; typed as what those rows make. */
const fieldsSchema = z.strictObject({
  id: idSchema,
  ...shapeOf(PRODUCT_FIELDS),
  limits: limitsSchema,
  label: labelSchema,
  light: z.strictObject(shapeOf(LIGHT_FIELDS)).nullable().optional(),
  claims: z.array(claimSchema).max(60, "must hold at most 60").optional(),
  recipe: recipeSchema.optional(),
}) as unknown as z.ZodType<Product>;

/** A product as it lies in the file: what was taken once is read, and what contradicts itself is judged as unknown. */
export const storedProductSchema = fieldsSchema
  .refine((p) => p.method !== "aerosol" || p.propellant !== null, {
    error: "an aerosol has a propellant: choose one, or unknown",
    path: ["propellant"],
  })
  .refine((p) => !isOneOf(FILM_ROLES)(p.role) || timed(p.label), {
    error: "give at least one time from the label",
    path: ["label", "sandableMin"],
  });

/** A product as it is taken in: binder and carrier must agree. */
export const productSchema = storedProductSchema.refine((p) => !carriersContradict(p), {
  error: CARRIERS_CONTRADICT,
  path: ["carriers"],
});

/** Compile-time proof that the schema and the core's type are the same thing. */
export const parseProduct = (value: unknown): Product => storedProductSchema.parse(value);
