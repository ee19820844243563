import type { JudgeAnswer } from "../judge";
import type { AirSpot, Coupon, Layer, Product, Protection, Region, Stack, Verdict } from "../model";
import type { WayOfWorking } from "../reference";

export interface FinderInput {
  readonly region: Region;
  /** everything that could go on, in any order */
  readonly shelf: readonly Product[];
  readonly protection: readonly Protection[];
  /** mean of the days ahead: what the waits are reckoned in */
  readonly air: AirSpot;
  readonly way: WayOfWorking;
  readonly want: Want;
  readonly coupons?: readonly Coupon[];
  /** ISO day; what is past the date on its label is not offered. null = nobody asked */
  readonly today?: string | null;
  /** at most this many layers */
  readonly maxLayers: number;
  /** how many stacks to list */
  readonly best: number;
}

export interface Want {
  /** what the stack must end in: a primer, a colour (with or without a clear), a colour under a clear, a clear alone */
  readonly until: "primer" | "colour" | "clear" | "clear-alone";
  /** this very product as the colour; null = any */
  readonly colourId: string | null;
  readonly sheen: Product["sheen"] | null;
  readonly onlyOwned: boolean;
  /** stacks that need a coupon first may be listed */
  readonly allowTests: boolean;
  /** must be among the layers; for "why not this product?" */
  readonly mustId: string | null;
}

/** What a stack comes to, each in its own unit; the cost is their weighted sum. */
export interface Totals {
  /** days until it can be handled */
  readonly day: number;
  readonly hour: number;
  readonly risk: number;
  readonly money: number;
  readonly gram: number;
  readonly detailPct: number;
  readonly hazard: number;
}

export interface Found {
  readonly stack: Stack;
  readonly cost: number;
  readonly totals: Totals;
  readonly worst: Verdict;
  readonly judged: Extract<JudgeAnswer, { outcome: "judged" }>;
  /** products that have to be bought */
  readonly toBuy: readonly string[];
}

export interface SearchStats {
  readonly options: number;
  /** whole stacks judged */
  readonly judged: number;
  /** partial stacks looked at */
  readonly opened: number;
}

export type FinderAnswer =
  | {
      readonly outcome: "none";
      readonly reasons: readonly Reason[];
      /** false when the search was cut short, so that there may be one all the same */
      readonly exact: boolean;
      readonly stats: SearchStats;
    }
  | {
      readonly outcome: "found";
      readonly best: readonly Found[];
      /** false when the bound on judged stacks was reached before the list was proved */
      readonly exact: boolean;
      /** the best and those that beat it in something, none of them beaten in everything */
      readonly trades: readonly Trade[];
      readonly stats: SearchStats;
    };

/** A stack that gives up something for something else, told against the cheapest. */
export interface Trade {
  readonly found: Found;
  readonly gains: readonly Difference[];
  readonly losses: readonly Difference[];
}
export interface Difference {
  readonly axis: keyof Totals | "coupon";
  /** how much less (gains) or more (losses), in the axis's unit */
  readonly by: number;
}

/** Why something is not offered. */
export type Reason =
  | { readonly kind: "no-place"; readonly productId: string }
  | { readonly kind: "not-owned"; readonly productId: string }
  | { readonly kind: "hazard"; readonly productId: string }
  | { readonly kind: "past-date"; readonly productId: string }
  | { readonly kind: "unwanted"; readonly productId: string }
  | { readonly kind: "verdict"; readonly productId: string | null; readonly rule: string; readonly verdict: Verdict }
  | { readonly kind: "no-fit"; readonly productId: string }
  | { readonly kind: "nothing-ends"; readonly until: Want["until"] }
  | { readonly kind: "material-unknown" };

/** One way of laying one product on this region. */
export interface Option {
  readonly index: number;
  readonly product: Product;
  /** place in the order of work; strictly rising up a stack */
  readonly rank: number;
  readonly layer: Omit<Layer, "id">;
}
