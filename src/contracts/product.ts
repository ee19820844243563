import { z } from "zod";
import type { Label, Product } from "@/core/model";
import {
  BITES,
  CARRIERS,
  EFFECTS,
  FAMILIES,
  HAZARDS,
  MAY_GO_OVER_EXTRA,
  METHODS,
  PROPELLANTS,
  ROLES,
  SHEENS,
} from "@/core/model";
import { hexSchema, idSchema, minutes, nameSchema, noteSchema, ranged, uniqueList } from "./base";

const time = minutes.nullable();
const windowSchema = z
  .tuple([minutes, time])
  .refine(([opens, shuts]) => shuts === null || shuts > opens, { error: "a window must shut after it opens" });

const ORDERED = ["flashMin", "touchMin", "handleMin", "sandableMin", "curedMin"] as const;

/** Times of one label must come in the order a film reaches them. */
function contradictions(label: Label, ctx: z.RefinementCtx): void {
  let last: { field: string; min: number } | null = null;
  for (const field of ORDERED) {
    const min = label[field];
    if (min === null) continue;
    if (last && min < last.min)
      ctx.addIssue({
        code: "custom",
        path: [field],
        message: `contradicts ${last.field}: it cannot come sooner (${min} < ${last.min} min)`,
      });
    last = { field, min };
  }
  label.recoat.forEach(([opens], i) => {
    const before = label.recoat[i - 1];
    if (before && (before[1] === null || opens <= before[1]))
      ctx.addIssue({ code: "custom", path: ["recoat", i], message: "must open after the window before it has shut" });
  });
  if (ORDERED.every((f) => label[f] === null) && label.recoat.length === 0)
    ctx.addIssue({ code: "custom", path: ["sandableMin"], message: "give at least one time from the label" });
}

export const labelSchema = z
  .strictObject({
    tempC: ranged(-10, 50, "°C"),
    rhPct: ranged(0, 95, "% RH"),
    wftUm: ranged(1, 20_000, "µm"),
    coats: ranged(1, 20, "coats").refine(Number.isInteger, { error: "must be a whole number" }),
    gapMin: time,
    flashMin: time,
    touchMin: time,
    handleMin: time,
    recoat: z.array(windowSchema).max(2, "at most two windows"),
    sandableMin: time,
    tapeSafeMin: time,
    polishableMin: time,
    curedMin: time,
  })
  .superRefine(contradictions);

export const productSchema = z
  .strictObject({
    id: idSchema,
    name: nameSchema,
    maker: z.string().trim().max(80),
    aliases: uniqueList(z.string().trim().min(1).max(80), 12),
    role: z.enum(ROLES),
    family: z.enum([...FAMILIES, "unknown"]),
    carriers: z.union([uniqueList(z.enum(CARRIERS)), z.literal("unknown")]),
    bite: z.enum(BITES).nullable(),
    propellant: z.enum([...PROPELLANTS, "unknown"]).nullable(),
    method: z.enum(METHODS),
    volumeSolids: ranged(0.01, 1, "(1 % to 100 % of the wet volume)").nullable(),
    densityGMl: ranged(0.3, 5, "g/ml").nullable(),
    colour: hexSchema,
    effect: z.enum(EFFECTS),
    sheen: z.enum(SHEENS),
    flexible: z.boolean(),
    yellowing: z.boolean(),
    uvResistant: z.boolean(),
    combinedPrimer: z.boolean(),
    rustInhibitor: z.boolean(),
    mayGoOver: uniqueList(z.enum([...MAY_GO_OVER_EXTRA, ...FAMILIES])).nullable(),
    maxSkinUm: ranged(1, 50_000, "µm").nullable(),
    hazards: uniqueList(z.enum(HAZARDS)),
    limits: z
      .strictObject({
        minTempC: ranged(-10, 40, "°C").nullable(),
        maxTempC: ranged(0, 60, "°C").nullable(),
        maxRhPct: ranged(1, 100, "% RH").nullable(),
      })
      .refine((l) => l.minTempC === null || l.maxTempC === null || l.maxTempC > l.minTempC, {
        error: "must be above the lowest temperature",
        path: ["maxTempC"],
      }),
    label: labelSchema,
    potLifeMin: ranged(1, 10_000, "minutes").nullable(),
    leftMl: ranged(0, 100_000, "ml").nullable(),
    note: noteSchema,
  })
  .refine((p) => p.method !== "aerosol" || p.propellant !== null, {
    error: "an aerosol has a propellant: choose one, or unknown",
    path: ["propellant"],
  });

/** Compile-time proof that the schema and the core's type are the same thing. */
export const parseProduct = (value: unknown): Product => productSchema.parse(value);
