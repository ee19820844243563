import type { AppliedCoat, WaitClock } from "../film";
import type {
  AirSpot,
  Carrier,
  Coupon,
  LiquidBefore,
  LiquidOf,
  LiquidPrep,
  Place,
  Product,
  Protection,
  Region,
  Stack,
  Verdict,
} from "../model";
import type { LedgerLine } from "../numbers";
import type { FilmState, Fired } from "../rules";

export interface JudgeInput {
  readonly region: Region;
  readonly stack: Stack;
  readonly productOf: (id: string) => Product;
  readonly protection: readonly Protection[];
  /** null = do not judge the air; the planner waits for it instead */
  readonly air: AirSpot | null;
  /** true when the coats really go on in that air: then it counts in the worst verdict and times the films (default: only told) */
  readonly airCounts?: boolean;
  readonly coupons?: readonly Coupon[];
  /** calendar day, YYYY-MM-DD: what is past its date is told; absent = nobody asks */
  readonly today?: string | undefined;
  /** what really lies under a layer, on the clock of the air it has been in, and the moment the layer would go on */
  readonly really?: ReallyBelow | undefined;
}

interface ReallyBelow {
  /** index of the layer that would go on */
  readonly layer: number;
  readonly coats: readonly AppliedCoat[];
  readonly clock: WaitClock;
  readonly atMin: number;
}

export interface Where {
  readonly kind: Place;
  /** index of the layer, of the upper layer of a seam; 0 for the rest */
  readonly layer: number;
}

/** Figures behind a verdict, for its words. */
export interface VerdictDetail {
  /** carriers of the product that attack here */
  readonly bites?: readonly Carrier[] | undefined;
  readonly actual?: number | undefined;
  readonly limit?: number | undefined;
  readonly unit?: "um" | "c" | "pct" | "coats";
}

/** A step that is done with a product. */
export interface StepLiquid extends LiquidOf {
  readonly step: LiquidPrep | LiquidBefore | "tape";
}

export interface PlacedVerdict extends Fired {
  readonly where: Where;
  /** by which an override finds its verdict again: rule, kind of place, layer */
  readonly key: string;
  /** it is about the rest of the face, which a film on spots below it leaves free */
  readonly rest?: true;
  /** it is about one zone of the face, by name */
  readonly zone?: string;
  /** the liquid or tape it is about, where that is not the layer's own product */
  readonly liquid?: StepLiquid;
  /** what bites, the limit and the actual figure, where the verdict has them */
  readonly detail?: VerdictDetail;
  /** carriers that would settle a missing one without complaint */
  readonly fine?: readonly Carrier[];
  /** figures that stood in for what nobody gave, where they decide */
  readonly assumed?: readonly string[];
}

/** How long the next layer waits for the one below. Several ways are kept when they are judged alike. */
export type SeamWait =
  /** in a window of the label; `dry` = not before the film can be sanded, where the window outlasts that */
  | { readonly until: "window"; readonly index: number; readonly dry?: true | undefined }
  | { readonly until: "sandable" | "cured" | "missed" }
  /** a gap the user typed, and the ways judged no worse than it; none = it is taken as it stands */
  | { readonly until: "gap"; readonly gapMin: number; readonly within: readonly SeamWait[] };

export interface SeamPlan {
  readonly state: FilmState;
  readonly waits: readonly SeamWait[];
  /** ways judged worse, yet no stop: taken only when the film below is down already and the better ones have passed */
  readonly fallback: readonly { readonly wait: SeamWait; readonly codes: readonly string[] }[];
}

export type JudgeAnswer =
  | { readonly outcome: "incomplete"; readonly missing: readonly string[] }
  | {
      readonly outcome: "judged";
      readonly worst: Verdict;
      readonly verdicts: readonly PlacedVerdict[];
      /** one per layer; the first film has none below it and is null, as is every contact liquid */
      readonly seams: readonly (SeamPlan | null)[];
      readonly ledger: readonly LedgerLine[];
      /** numbers the family's defaults stood in for, as "layer index: figure" */
      readonly assumed: readonly string[];
    };
