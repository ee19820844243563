import { z } from "zod";
import type { Product } from "@/core/model";
import {
  BEFORE_STEPS,
  BITES,
  CARRIERS,
  CONDITIONS,
  EFFECTS,
  EXPOSURES,
  FAMILIES,
  FINISHES,
  HAZARDS,
  HEAVINESSES,
  MATERIALS,
  MAY_GO_OVER_EXTRA,
  METHODS,
  PROPELLANTS,
  PROTECTIONS,
  ROLES,
  SHEENS,
} from "@/core/model";
import { hexSchema, idSchema, minutes, ranged, uniqueList } from "./base";

const time = minutes.nullable().optional();
const WINDOW = z
  .tuple([minutes, minutes.nullable()])
  .refine(([lo, hi]) => hi === null || hi > lo, { error: "a window must shut after it opens" });

/** A product told inline, in the API's snake_case; what is left out is not given. */
const inlineProductSchema = z.strictObject({
  role: z.enum(ROLES),
  family: z.enum([...FAMILIES, "unknown"]),
  carriers: z.union([uniqueList(z.enum(CARRIERS)), z.literal("unknown")]),
  bite: z.enum(BITES).optional(),
  propellant: z.enum([...PROPELLANTS, "unknown"]).optional(),
  volume_solids: ranged(0.01, 1, "").optional(),
  density: ranged(0.3, 5, "g/ml").optional(),
  colour: hexSchema.optional(),
  effect: z.enum(EFFECTS).optional(),
  sheen: z.enum(SHEENS).optional(),
  flexible: z.boolean().optional(),
  yellowing: z.boolean().optional(),
  uv_resistant: z.boolean().optional(),
  combined_primer: z.boolean().optional(),
  rust_inhibitor: z.boolean().optional(),
  may_go_over: uniqueList(z.enum([...MAY_GO_OVER_EXTRA, ...FAMILIES])).optional(),
  max_skin_um: ranged(1, 50_000, "µm").optional(),
  hazards: uniqueList(z.enum(HAZARDS)).optional(),
  limits: z
    .strictObject({
      min_temp_c: z.number().nullable().optional(),
      max_temp_c: z.number().nullable().optional(),
      max_rh_pct: z.number().nullable().optional(),
    })
    .optional(),
  label: z
    .strictObject({
      temp_c: ranged(-10, 50, "°C").optional(),
      rh_pct: ranged(0, 95, "% RH").optional(),
      wft_um: ranged(1, 20_000, "µm").optional(),
      coats: ranged(1, 20, "coats").optional(),
      gap_min: time,
      flash_min: time,
      touch_min: time,
      handle_min: time,
      recoat: z.array(WINDOW).max(2).optional(),
      sandable_min: time,
      tape_safe_min: time,
      polishable_min: time,
      cured_min: time,
    })
    .optional(),
});

const checkLayerSchema = z.strictObject({
  product: z.union([idSchema, inlineProductSchema]),
  coats: ranged(1, 12, "coats").optional(),
  heaviness: z.enum(HEAVINESSES).optional(),
  wft_um: ranged(1, 20_000, "µm").optional(),
  gap_min: ranged(0, 200_000, "minutes").optional(),
  method: z.enum(METHODS).optional(),
  before: uniqueList(z.enum(BEFORE_STEPS)).optional(),
  sand_after: z
    .strictObject({ grit: ranged(40, 10_000, "(P scale)"), wet: z.boolean().optional(), um: ranged(0, 5000, "µm") })
    .optional(),
});

/** Body of POST /api/v1/check: a region, the layers from the bottom up, protection and, if it is to be judged, the air. */
export const checkRequestSchema = z.strictObject({
  region: z.strictObject({
    material: z.enum([...MATERIALS, "unknown"]),
    conditions: uniqueList(z.enum(CONDITIONS)).optional(),
    finish: z.enum(FINISHES),
    exposure: uniqueList(z.enum(EXPOSURES)).optional(),
    detail_um: ranged(10, 100_000, "µm").optional(),
    ridge_um: ranged(1, 5000, "µm").optional(),
    area_cm2: ranged(0.1, 1_000_000, "cm²").optional(),
  }),
  layers: z.array(checkLayerSchema).min(1, "needs at least one layer").max(24),
  protection: uniqueList(z.enum(PROTECTIONS)).optional(),
  air: z.strictObject({ temp_c: ranged(-30, 60, "°C"), rh_pct: ranged(1, 100, "% RH") }).optional(),
});
export type CheckRequest = z.infer<typeof checkRequestSchema>;
export type InlineProduct = z.infer<typeof inlineProductSchema>;

/** Label conditions when an inline product leaves them out: the reference air, one 50 µm coat. */
const LABEL_DEFAULTS = { tempC: 20, rhPct: 50, wftUm: 50, coats: 1 } as const;

/** An inline product as a core product under the given id. */
export function inlineToProduct(id: string, p: InlineProduct, method: (typeof METHODS)[number]): Product {
  const l = p.label ?? {};
  return {
    id,
    name: id,
    maker: "",
    aliases: [],
    role: p.role,
    family: p.family,
    carriers: p.carriers,
    bite: p.bite ?? null,
    propellant: p.propellant ?? (method === "aerosol" ? "unknown" : null),
    method,
    volumeSolids: p.volume_solids ?? null,
    densityGMl: p.density ?? null,
    colour: p.colour ?? "#808080",
    effect: p.effect ?? "solid",
    sheen: p.sheen ?? "satin",
    flexible: p.flexible ?? false,
    yellowing: p.yellowing ?? false,
    uvResistant: p.uv_resistant ?? false,
    combinedPrimer: p.combined_primer ?? false,
    rustInhibitor: p.rust_inhibitor ?? false,
    mayGoOver: p.may_go_over ?? null,
    maxSkinUm: p.max_skin_um ?? null,
    hazards: p.hazards ?? [],
    limits: {
      minTempC: p.limits?.min_temp_c ?? null,
      maxTempC: p.limits?.max_temp_c ?? null,
      maxRhPct: p.limits?.max_rh_pct ?? null,
    },
    label: {
      tempC: l.temp_c ?? LABEL_DEFAULTS.tempC,
      rhPct: l.rh_pct ?? LABEL_DEFAULTS.rhPct,
      wftUm: l.wft_um ?? LABEL_DEFAULTS.wftUm,
      coats: l.coats ?? LABEL_DEFAULTS.coats,
      gapMin: l.gap_min ?? null,
      flashMin: l.flash_min ?? null,
      touchMin: l.touch_min ?? null,
      handleMin: l.handle_min ?? null,
      recoat: l.recoat ?? [],
      sandableMin: l.sandable_min ?? null,
      tapeSafeMin: l.tape_safe_min ?? null,
      polishableMin: l.polishable_min ?? null,
      curedMin: l.cured_min ?? null,
    },
    potLifeMin: null,
    leftMl: null,
    note: "",
  };
}
