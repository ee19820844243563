import { z } from "zod";
import type { Label, Product } from "@/core/model";
import {
  BITES,
  CARRIERS,
  CLAIM_FIGURES,
  EFFECTS,
  FAMILIES,
  FILM_ROLES,
  HAZARDS,
  isOneOf,
  MAY_GO_OVER_EXTRA,
  METHODS,
  PROPELLANTS,
  RESISTANCES,
  ROLES,
  SHEENS,
  SOURCES,
} from "@/core/model";
import { carriersContradict } from "@/core/reference";
import {
  CARRIERS_CONTRADICT,
  hashSchema,
  hexSchema,
  idSchema,
  minutes,
  nameSchema,
  noteSchema,
  ranged,
  uniqueList,
} from "./base";

const time = minutes.nullable();
const windowSchema = z
  .tuple([minutes, time])
  .refine(([opens, shuts]) => shuts === null || shuts > opens, { error: "a window must shut after it opens" });

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

const maybe = <T extends z.ZodType>(schema: T) => schema.nullable().optional();
const dateSchema = z.iso.date("must be a date such as 2026-03-14");
const claimSchema = z.strictObject({
  figure: z.enum(CLAIM_FIGURES),
  value: ranged(0, 1_000_000, ""),
  source: z.enum(SOURCES),
  note: z.string().max(300, "must be at most 300 characters"),
});

/** A product as it lies in the file: what was taken once is read, and what contradicts itself is judged as unknown. */
export const storedProductSchema = z
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
    opaqueDftUm: maybe(ranged(1, 5000, "µm")),
    shrinkage: maybe(ranged(0, 0.9, "(a fraction)")),
    cureDepthUm: maybe(ranged(1, 50_000, "µm")),
    serviceTempC: maybe(ranged(-60, 400, "°C")),
    resists: maybe(uniqueList(z.enum(RESISTANCES))),
    light: maybe(
      z.strictObject({
        wavelengthNm: ranged(200, 800, "nm").nullable(),
        ecMjCm2: ranged(0.1, 10_000, "mJ/cm²").nullable(),
        dpUm: ranged(1, 50_000, "µm").nullable(),
      }),
    ),
    thinnerCarriers: maybe(uniqueList(z.enum(CARRIERS))),
    mixRatio: maybe(
      z
        .string()
        .trim()
        .regex(/^\d+([.,]\d+)?(:\d+([.,]\d+)?){1,3}$/, "must be parts such as 4:1"),
    ),
    minFilmFormingC: maybe(ranged(-10, 60, "°C")),
    activator: z.boolean().optional(),
    dearomatised: z.boolean().optional(),
    dryDensityGMl: maybe(ranged(0.1, 8, "g/ml")),
    packMl: maybe(ranged(0.1, 100_000, "ml")),
    price: maybe(ranged(0, 100_000, "")),
    openedOn: maybe(dateSchema),
    useBy: maybe(dateSchema),
    source: z.enum(SOURCES).optional(),
    claims: z.array(claimSchema).max(60, "must hold at most 60").optional(),
    owned: z.boolean().optional(),
    photo: maybe(hashSchema),
  })
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
