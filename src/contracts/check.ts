import { z } from "zod";
import type { AirSpot, Coupon, Layer, Paper, Region, Zone } from "@/core/model";
import {
  BEFORE_STEPS,
  COUPON_RESULTS,
  GRIT_SCALES,
  HEAVINESSES,
  LIQUID_BEFORE,
  MATERIALS,
  METHODS,
  OLD_FINISH_FIELDS,
  PROTECTIONS,
  placed,
  REGION_COLUMNS,
  REGION_MORE,
  REGION_ROWS,
  SEALED_FIELDS,
  TACKS,
  ZONE_FIELDS,
} from "@/core/model";
import { idSchema, minutes, ranged, uniqueList } from "./base";
import { apiShapeOf, factOf, fromApi, UNKNOWN, unknownsOf } from "./fields";
import { inlineProductSchema } from "./inline-product";
import { ratioSchema, zonesHold } from "./model";

/** Any fact may be told as unknown, which is not the same as leaving it out. */
const told = <T extends z.ZodType>(schema: T) => z.union([schema, z.literal("unknown")]).optional();

const productRef = z.union([idSchema, inlineProductSchema]);

const airSchema = z.strictObject({
  temp_c: ranged(-30, 60, "°C"),
  rh_pct: ranged(1, 100, "% RH"),
  part_temp_c: told(ranged(-30, 120, "°C")),
  airflow_m_s: told(ranged(0, 20, "m/s")),
  frost_tonight: told(z.boolean()),
  series: z
    .array(
      z.strictObject({
        at_min: minutes,
        temp_c: ranged(-30, 60, "°C"),
        rh_pct: ranged(1, 100, "% RH"),
        airflow_m_s: ranged(0, 20, "m/s").optional(),
      }),
    )
    .max(2000)
    .optional(),
});

const rubSchema = z.strictObject({
  grit: ranged(40, 10_000, ""),
  scale: z.enum(GRIT_SCALES).optional(),
  wet: z.boolean().optional(),
  um: told(ranged(0, 5000, "µm")),
});

const checkLayerSchema = z
  .strictObject({
    product: productRef,
    coats: ranged(1, 30, "coats").optional(),
    heaviness: told(z.enum(HEAVINESSES)),
    wft_um: told(ranged(1, 20_000, "µm")),
    gap_min: told(ranged(0, 2_000_000, "minutes")),
    coat_gap_min: told(ranged(0, 2_000_000, "minutes")),
    method: z.enum(METHODS).optional(),
    before: uniqueList(z.enum(BEFORE_STEPS)).optional(),
    heat_c: told(ranged(0, 400, "°C")),
    part_c: told(ranged(0, 100, "°C")),
    scuff_wet: told(z.boolean()),
    before_with: z.partialRecord(z.enum(LIQUID_BEFORE), productRef).optional(),
    tape: z
      .strictObject({
        tack: z.enum(TACKS),
        product: productRef.optional(),
        on_min: told(minutes),
        off_min: told(minutes),
      })
      .optional(),
    depth_um: told(ranged(1, 200_000, "µm")),
    spot: told(z.union([ranged(0.001, 1, "(a share)"), z.literal(false)])),
    places: z.array(z.string().trim().min(1).max(60)).max(12, "must hold at most 12").optional(),
    mixed_with: productRef.optional(),
    mix_used: told(z.string().max(20)),
    thinner: productRef.optional(),
    thin_ratio: told(ratioSchema),
    set_up: z
      .strictObject({
        can_temp_c: told(ranged(-30, 200, "°C")),
        batch_min: told(minutes),
        edges_covered: told(z.boolean()),
        shaded: told(z.boolean()),
        backing: told(z.boolean()),
        activator: told(z.boolean()),
      })
      .optional(),
    air: airSchema.optional(),
    sand_after: rubSchema.optional(),
    /** papers of one rub in order, instead of a single one */
    rubs: z.array(rubSchema).min(1).max(6).optional(),
  })
  .refine((l) => !(l.rubs && l.sand_after), {
    path: ["rubs"],
    error: "is told beside sand_after: give the papers in one of them",
  });

/** A region told to the API: its registry's rows, and the wash by which a print was washed. */
export const checkRegionSchema = z.strictObject({
  ...apiShapeOf(REGION_ROWS, ["material"]),
  zones: zonesHold(z.array(z.strictObject(apiShapeOf(placed(ZONE_FIELDS), ["name", "share"])))).optional(),
  wash: told(z.strictObject({ when: z.string().max(60).optional(), by: z.string().max(60).optional() })),
}) as unknown as z.ZodType<CheckRegion>;
interface CheckRegion {
  readonly material: NonNullable<Region["material"]>;
  readonly [name: string]: unknown;
}

const couponSchema = z.strictObject({
  material: z.enum(MATERIALS),
  layers: z.array(checkLayerSchema).min(1).max(24),
  result: z.enum(COUPON_RESULTS),
  through_cured: z.boolean().optional(),
  tape_test: z.union([z.boolean(), z.literal("pass"), z.literal("fail")]).optional(),
});

/** Body of POST /api/v1/check: a region, the layers from the bottom up, protection, the air they go on in, and trials made. */
export const checkRequestSchema = z.strictObject({
  region: checkRegionSchema,
  layers: z.array(checkLayerSchema).min(1, "needs at least one layer").max(24),
  protection: z.union([uniqueList(z.enum(PROTECTIONS)), z.literal("unknown")]).optional(),
  air: airSchema.optional(),
  coupons: z.array(couponSchema).max(50).optional(),
});
export type CheckRequest = z.infer<typeof checkRequestSchema>;
export type CheckLayer = CheckRequest["layers"][number];

/** A told number, or null when it was left out or is unknown. */
const number = (v: number | "unknown" | null | undefined): number | null => (typeof v === "number" ? v : null);
const flag = (v: boolean | "unknown" | undefined, absent = false): boolean => (typeof v === "boolean" ? v : absent);
const known = <T>(v: T | "unknown" | undefined, absent: T): T => (v === undefined || v === "unknown" ? absent : v);

type Rub = z.infer<typeof rubSchema>;
const paperOf = ({ grit, scale, wet }: Rub): Paper => ({ grit, ...(scale ? { scale } : {}), wet: wet ?? false });

/** One rub, or its papers in order; what nobody measured takes the usual. */
function rubOf({ sand_after, rubs }: CheckLayer): Layer["sandAfter"] {
  const papers = rubs ?? (sand_after ? [sand_after] : []);
  const [first, ...further] = papers;
  if (!first) return null;
  const takesUm = papers.reduce((sum, p) => sum + (number(p.um) ?? USUAL_RUB_UM), 0);
  return { ...paperOf(first), takesUm, ...(further.length > 0 ? { further: further.map(paperOf) } : {}) };
}

/** Ids that the products a layer of the request names were registered under. */
export interface LayerIds {
  readonly id: string;
  readonly productId: string;
  readonly thinnerId: string | null;
  readonly mixedWithId: string | null;
  readonly maskId: string | null;
  readonly beforeWith: Layer["beforeWith"];
}

/** A layer of the request as a core layer. */
export function checkToLayer(l: CheckLayer, { maskId, ...ids }: LayerIds): Layer {
  const s = l.set_up;
  return {
    ...ids,
    coats: l.coats ?? 1,
    heaviness: known(l.heaviness, "wet"),
    wftUm: number(l.wft_um),
    gapMin: number(l.gap_min),
    gapUnknown: l.gap_min === "unknown",
    coatGapMin: number(l.coat_gap_min),
    before: l.before ?? [],
    heatC: number(l.heat_c),
    partC: number(l.part_c),
    scuffWet: flag(l.scuff_wet),
    thinRatio: known<string | null>(l.thin_ratio, null),
    tape: l.tape
      ? { tack: l.tape.tack, productId: maskId, onMin: number(l.tape.on_min), offMin: number(l.tape.off_min) }
      : null,
    depthUm: number(l.depth_um),
    spot: l.spot === undefined || l.spot === "unknown" ? null : l.spot,
    ...(l.places ? { places: l.places } : {}),
    mixUsed: known<string | null>(l.mix_used, null),
    setUp: s
      ? {
          canTempC: number(s.can_temp_c),
          batchMin: number(s.batch_min),
          // an edge nobody looked at counts as open
          edgesCovered: s.edges_covered !== "unknown" && flag(s.edges_covered, true),
          shaded: s.shaded === "unknown" || flag(s.shaded),
          backing: flag(s.backing),
          activator: s.activator === "unknown" || flag(s.activator),
        }
      : null,
    sandAfter: rubOf(l),
    air: l.air ? checkToAir(l.air) : null,
  };
}
/** A rub nobody measured takes about this much off a flat, µm (est.). */
const USUAL_RUB_UM = 5;

export function checkToAir(a: NonNullable<CheckRequest["air"]>): AirSpot {
  return {
    tempC: a.temp_c,
    rhPct: a.rh_pct,
    partTempC: number(a.part_temp_c),
    airflowMS: number(a.airflow_m_s),
    frostTonight: flag(a.frost_tonight),
    coldestC: a.series && a.series.length > 0 ? Math.min(...a.series.map((p) => p.temp_c)) : null,
  };
}

/** A wash that was told counts as washed, unless the conditions say so already. */
const washedBy = ({ wash, conditions }: CheckRegion): Region["conditions"] =>
  wash != null && wash !== UNKNOWN && !(Array.isArray(conditions) && conditions.includes("washed")) ? ["washed"] : [];

const zoneFrom = (z: object): Zone =>
  fromApi(
    ZONE_FIELDS,
    factOf(z, () => null),
  ) as unknown as Zone;

export function checkToRegion(r: CheckRegion): Region {
  const of = factOf(r, (f) => (f.kind === "flag" && f.cell === undefined ? false : (f.cell ?? null)));
  const facts = fromApi({ ...REGION_COLUMNS, ...REGION_MORE }, of) as unknown as Region;
  return {
    ...facts,
    id: "region",
    name: "region",
    conditions: [...facts.conditions, ...washedBy(r)],
    oldFinish: r.old_finish == null ? null : (fromApi(OLD_FINISH_FIELDS, of) as unknown as Region["oldFinish"]),
    sealedBy: r.sealed_by == null ? null : (fromApi(SEALED_FIELDS, of) as unknown as Region["sealedBy"]),
    ...(Array.isArray(r.zones) ? { zones: r.zones.map((z) => zoneFrom(z as object)) } : {}),
    hollow: (r.hollow as Region["hollow"]) ?? null,
    // joints nobody knows may hold water
    joints: r.joints === UNKNOWN || facts.joints === true,
    unknowns: unknownsOf(REGION_COLUMNS, r) as NonNullable<Region["unknowns"]>,
  };
}

/** A coupon of the request; its layers carry the product ids they were registered under. */
export const checkToCoupon = (c: z.infer<typeof couponSchema>, id: string, layers: readonly Layer[]): Coupon => ({
  id,
  material: c.material,
  layers: layers.map(({ productId, coats, heaviness, wftUm, gapMin }) => ({
    productId,
    coats,
    heaviness,
    wftUm,
    gapMin,
  })),
  result: c.result,
  throughCured: c.through_cured ?? false,
  tapeTested: c.tape_test === true || c.tape_test === "pass",
});
