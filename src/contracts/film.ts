import { z } from "zod";
import type { AirPoint, MaterialId, Product, Unknown } from "@/core/model";
import type { StudyLayer } from "@/core/study";
import { ranged } from "./base";
import { inlineProductSchema } from "./inline-product";

const positive = (max: number, unit: string) =>
  ranged(0, max, unit).refine((n) => n > 0, { error: `must be above 0 ${unit}` });
/** No coat is thinner than a few molecules. */
const LEAST_FILM_UM = 0.001;
const minuteSchema = ranged(0, 1_000_000, "minutes");
const rising = <T>(list: readonly T[], of: (x: T) => number) =>
  list.every((x, i) => i === 0 || of(x) > of(list[i - 1]!));

/** A coat as a case of the reference vectors has it; `airflow` of its climate is the multiplier W. */
const caseLayerSchema = z.strictObject({
  wft_um: ranged(LEAST_FILM_UM, 20_000, "µm"),
  applied_at_min: minuteSchema,
  beta: ranged(0, 40, ""),
  Ed: ranged(0, 500_000, "J/mol"),
  dH: ranged(0, 500_000, "J/mol"),
  water: z.boolean(),
  kappa: positive(1, ""),
  phiFormed: ranged(0, 1, ""),
  phi0: ranged(0, 0.99, ""),
  k: positive(10_000, "µm/min"),
  D0: positive(1e9, "µm²/min"),
});
const casePointSchema = z.strictObject({
  minute: ranged(-1_000_000, 1_000_000, "minutes"),
  temp_c: ranged(-40, 120, "°C"),
  rh_pct: ranged(0, 120, "% RH"),
  airflow: ranged(1, 20, "(W, at least 1)"),
});
const MAX_COATS = 60;
const MAX_POINTS = 20_000;

export const filmCaseSchema = z.strictObject({
  id: z.string().max(120).optional(),
  layers: z
    .array(caseLayerSchema)
    .min(1, "must hold at least one coat")
    .max(MAX_COATS, `must hold at most ${MAX_COATS} coats`)
    .refine((l) => l.every((x, i) => i === 0 || x.applied_at_min >= l[i - 1]!.applied_at_min), {
      error: "must be in the order they are applied",
    }),
  climate: z
    .array(casePointSchema)
    .min(1, "must hold at least one point")
    .max(MAX_POINTS, `must hold at most ${MAX_POINTS} points`)
    .refine((c) => rising(c, (p) => p.minute), { error: "must rise in time, with no minute told twice" }),
  phi_max_threshold: ranged(0.0001, 0.95, ""),
  sample_minutes: z.array(minuteSchema).max(2000).optional(),
  /** what a case expects of the answer; heard and left aside */
  expect: z.unknown().optional(),
});
export type FilmCase = z.infer<typeof filmCaseSchema>;

const airSchema = z.strictObject({
  temp_c: ranged(-40, 120, "°C"),
  rh_pct: ranged(0, 100, "% RH"),
  airflow_m_s: ranged(0, 10, "m/s").optional(),
});
const climateSchema = z
  .array(z.strictObject({ ...airSchema.shape, minute: ranged(-1_000_000, 1_000_000, "minutes") }))
  .min(1, "must hold at least one point")
  .max(MAX_POINTS, `must hold at most ${MAX_POINTS} points`)
  .refine((c) => rising(c, (p) => p.minute), { error: "must rise in time, with no minute told twice" });

const whole = { error: "must be a whole number" };

/** A product and how it is put on; minutes count from the first coat. */
export const filmApplicationSchema = z
  .strictObject({
    layers: z
      .array(
        z.strictObject({
          product: z.union([z.string().min(1).max(64), inlineProductSchema]),
          coats: ranged(1, 12, "coats").refine(Number.isInteger, whole).optional(),
          wft_um: ranged(LEAST_FILM_UM, 20_000, "µm").optional(),
          coat_gap_min: minuteSchema.optional(),
          gap_min: minuteSchema.optional(),
          sand_um: ranged(0, 20_000, "µm").optional(),
        }),
      )
      .min(1, "must hold at least one layer")
      .max(12, "must hold at most 12 layers"),
    air: airSchema.optional(),
    climate: climateSchema.optional(),
    sample_minutes: z.array(minuteSchema).max(2000).optional(),
  })
  .refine((f) => f.air === undefined || f.climate === undefined, {
    error: "tell air or climate, not both",
    path: ["climate"],
  });
export type FilmApplication = z.infer<typeof filmApplicationSchema>;

/** A planned pile as the Film screen runs it. */
interface FilmPile {
  readonly regionId: string;
  readonly name: string;
  readonly material: MaterialId | Unknown | null;
  readonly layers: readonly StudyLayer[];
}
/** Everything the Film screen needs to run the model by itself. */
export interface FilmScreen {
  readonly nowMin: number;
  readonly timeZone: string;
  /** the air to come, from a little before now */
  readonly shed: readonly AirPoint[];
  readonly products: readonly Product[];
  readonly piles: readonly FilmPile[];
}
