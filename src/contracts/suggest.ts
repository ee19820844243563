import { z } from "zod";
import type { Difference, Found, Reason, Want, WhyNot } from "@/core/finder";
import { METHODS, PROTECTIONS, SHEENS } from "@/core/model";
import type { WayOfWorking } from "@/core/reference";
import { idSchema, ranged, uniqueList } from "./base";
import { checkRegionSchema } from "./check";
import { inlineProductOf } from "./inline-product";
import { waySchema } from "./way";

const UNTIL = ["primer", "colour", "clear", "clear-alone"] as const satisfies readonly Want["until"][];

/** What a stack is wanted for, as the screen and the API ask it. */
const wantSchema = z.strictObject({
  until: z.enum(UNTIL),
  colourId: idSchema.nullable(),
  sheen: z.enum(SHEENS).nullable(),
  onlyOwned: z.boolean(),
  allowTests: z.boolean(),
});
export const findSchema = z.strictObject({ wayId: idSchema, want: wantSchema });
export type FindRequest = z.infer<typeof findSchema>;

/** A product for the search told inline: it needs an id, and may carry a price and whether it is on the shelf. */
const offeredSchema = inlineProductOf({
  id: idSchema,
  method: z.enum(METHODS).optional(),
  owned: z.boolean().optional(),
  price: ranged(0, 100_000, "").optional(),
  pack_ml: ranged(0.1, 100_000, "ml").optional(),
});
export type OfferedProduct = z.infer<typeof offeredSchema>;

/** Body of POST /api/v1/suggest. Without `shelf` the search goes over the shop's own. */
export const suggestRequestSchema = z.strictObject({
  region: checkRegionSchema,
  shelf: z
    .array(z.union([idSchema, offeredSchema]))
    .min(1, "needs at least one product")
    .max(1000, "must hold at most 1000")
    .optional(),
  protection: uniqueList(z.enum(PROTECTIONS)).optional(),
  air: z
    .strictObject({
      temp_c: ranged(-30, 60, "°C"),
      rh_pct: ranged(1, 100, "% RH"),
      airflow_m_s: ranged(0, 20, "m/s").optional(),
    })
    .optional(),
  way: z.union([idSchema, waySchema]).optional(),
  until: z.enum(UNTIL).optional(),
  colour: idSchema.optional(),
  sheen: z.enum(SHEENS).optional(),
  only_owned: z.boolean().optional(),
  allow_tests: z.boolean().optional(),
  max_layers: ranged(1, 8, "layers").refine(Number.isInteger, { error: "must be a whole number" }).optional(),
  best: ranged(1, 20, "stacks").refine(Number.isInteger, { error: "must be a whole number" }).optional(),
  why_not: uniqueList(idSchema, 10).optional(),
});

/** A found stack as the screen shows it. */
export interface FoundView extends Pick<Found, "stack" | "cost" | "totals" | "worst" | "toBuy"> {
  readonly verdicts: readonly {
    readonly key: string;
    readonly verdict: Found["worst"];
    readonly code: string;
    readonly missing: readonly string[];
    readonly layer: number;
  }[];
  /** what is left of each layer after its rub, µm */
  readonly keptUm: readonly number[];
}
export interface TradeView {
  readonly found: FoundView;
  readonly gains: readonly Difference[];
  readonly losses: readonly Difference[];
}
export type FindView =
  | {
      readonly outcome: "none";
      readonly reasons: readonly Reason[];
      /** false when the search was cut short */
      readonly exact: boolean;
      readonly way: WayOfWorking;
    }
  | {
      readonly outcome: "found";
      readonly best: readonly FoundView[];
      readonly trades: readonly TradeView[];
      readonly exact: boolean;
      /** the region's pile as it stands against the best; null = it has none, or a product of it is off the shelf */
      readonly asItStands: WhyNotView | null;
      /** looked through, for the honest line under the list */
      readonly options: number;
      readonly way: WayOfWorking;
    };
export type WhyNotView =
  | Extract<WhyNot, { outcome: "never" }>
  | { readonly outcome: "best"; readonly found: FoundView }
  | { readonly outcome: "dearer"; readonly trade: TradeView };
