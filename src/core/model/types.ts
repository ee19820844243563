/**
 * What a part, a product and a pile are. Fields of products and regions are told in their registries; what hangs together beside
 * them is told here.
 */

import type { KeysWhere, Shape } from "./fields";
import type { ClaimFigure, LABEL_FIELDS, LIGHT_FIELDS, LIMIT_FIELDS, PRODUCT_FIELDS } from "./product-fields";
import type { OLD_FINISH_FIELDS, REGION_COLUMNS, REGION_MORE, SEALED_FIELDS, ZONE_FIELDS } from "./region-fields";
import type {
  BeforeStep,
  CouponResult,
  EdgeKind,
  GritScale,
  Heaviness,
  JointLoad,
  LiquidBefore,
  MaterialId,
  PrepKey,
  PrepStep,
  RecipeStep,
  RubSign,
  SealKind,
  SoakKey,
  Source,
  StripWay,
  Tack,
  TouchKind,
  Wetting,
} from "./vocabulary";

/** The user said "I do not know", which is not the same as not having been asked (null). */
export type Unknown = "unknown";

export type Label = Shape<typeof LABEL_FIELDS>;
export type ProductLimits = Shape<typeof LIMIT_FIELDS>;
type LightCure = Shape<typeof LIGHT_FIELDS>;

/** What a mix was made of, by the names its paints had, and every shade it has had, oldest first. */
export interface MixRecipe {
  readonly parts: readonly { readonly name: string; readonly parts: number }[];
  readonly steps: readonly {
    /** UTC, ISO */
    readonly at: string;
    readonly kind: RecipeStep;
    /** drops put in; null = none were */
    readonly drops: number | null;
    /** the paint that was put in; "" = none was */
    readonly name: string;
    readonly colour: string;
  }[];
}

/** A jar, can or tube as the user entered it; its fields are told in `product-fields.ts`. */
export interface Product extends Shape<typeof PRODUCT_FIELDS> {
  readonly id: string;
  readonly limits: ProductLimits;
  readonly label: Label;
  /** light it cures by; null, or a figure left out = nobody knows */
  readonly light?: LightCure | null | undefined;
  /** what others or the shop say of single figures, beside the card's own */
  readonly claims?: readonly Claim[] | undefined;
  /** of a mix: what it was made of, and what was done to its shade since */
  readonly recipe?: MixRecipe | undefined;
  /** facts told as "unknown": their rules stay open over every candidate */
  readonly unknowns?: readonly ProductUnknown[] | undefined;
  /** facts nobody told that were filled in */
  readonly assumed?: readonly string[] | undefined;
  /** how its waits go in this shed; reckoned from the log, never kept with the card; absent = nobody has looked at anything yet */
  readonly pace?: Pace | undefined;
}

/** How long a product's waits take in a shed against what is reckoned, as far as looks have taught. */
export interface Pace {
  /** ln of the time factor: middles of equal shares of what is believed of it, rising, at least one */
  readonly logFactors: readonly number[];
  /** looks at this product itself */
  readonly looks: number;
}

/** Facts of a product that may be told as unknown, beside family, carriers and propellant which hold it themselves. */
export type ProductUnknown = KeysWhere<typeof PRODUCT_FIELDS, { mayBeUnknown: true }>;

/** One figure from one source. */
export interface Claim {
  readonly figure: ClaimFigure;
  readonly value: number;
  readonly source: Source;
  readonly note: string;
}
export type OldFinish = Shape<typeof OLD_FINISH_FIELDS>;
export type SealedBy = Shape<typeof SEALED_FIELDS>;
export type Zone = Shape<typeof ZONE_FIELDS>;

/** A face of a part; its fields are told in `region-fields.ts`. */
export interface Region extends Shape<typeof REGION_COLUMNS>, Shape<typeof REGION_MORE> {
  readonly id: string;
  readonly oldFinish?: OldFinish | null | undefined;
  readonly sealedBy?: SealedBy | null | undefined;
  readonly zones?: readonly Zone[] | undefined;
  readonly scheme?: Scheme | undefined;
  readonly touches?: readonly Touch[] | undefined;
  readonly unknowns?: readonly RegionUnknown[] | undefined;
}
type RegionUnknown = KeysWhere<typeof REGION_COLUMNS, { mayBeUnknown: true }>;

/** A marking, or a trace of wear and weather, over the colours of a face. */
export interface Touch {
  readonly name: string;
  readonly kind: TouchKind;
  /** the sheet, film or paint it is made with */
  readonly productId: string;
  /** of the face, (0, 1]; 1 = all over */
  readonly share: number;
  /** pieces of it, at least one */
  readonly count: number;
}

/** A field of a face's colour scheme: its own colour, over what is common to the face. */
export interface SchemeField {
  readonly name: string;
  /** of the face, (0, 1] */
  readonly share: number;
  /** null = it stays as it is below */
  readonly productId: string | null;
  /** in the user's own word; null = as many as hide */
  readonly coats: number | null;
}
/** Where two fields meet. */
export interface SchemeEdge {
  readonly between: readonly [string, string];
  readonly kind: EdgeKind;
  /** null = nobody measured it: estimated from the smaller field's size */
  readonly cm: number | null;
}
/** The colours of one face, side by side. */
export interface Scheme {
  readonly fields: readonly SchemeField[];
  readonly edges: readonly SchemeEdge[];
  /** colours in the order the user wants them laid; null = the order that is reckoned best */
  readonly order: readonly string[] | null;
}

export interface Paper {
  readonly grit: number;
  /** FEPA P when left out */
  readonly scale?: GritScale | undefined;
  readonly wet: boolean;
}

/** A rub: its first paper, and those that follow it in order. */
export interface SandAfter extends Paper {
  /** taken off by all papers together, µm of dry film */
  readonly takesUm: number;
  /** share of the face that is rubbed; left out = as far as the layer lies */
  readonly share?: number | undefined;
  /** the sign to stop; left out = as ever */
  readonly until?: RubSign | undefined;
  /** a thin coat of another colour misted on first, gone again with the rub: what it is; left out = none */
  readonly guideId?: string | undefined;
  readonly further?: readonly Paper[] | undefined;
}

export interface Layer {
  readonly id: string;
  readonly productId: string;
  readonly coats: number;
  readonly heaviness: Heaviness;
  /** measured or wished wet film per coat; beats heaviness */
  readonly wftUm: number | null;
  /** wait since the end of the layer below; null = the earliest moment that is right */
  readonly gapMin: number | null;
  readonly before: readonly BeforeStep[];
  /** products the steps before it are done with; one left out is done with what the part is known to stand */
  readonly beforeWith?: Readonly<Partial<Record<LiquidBefore, string>>> | undefined;
  readonly sandAfter: SandAfter | null;
  /** nobody knows how long the film below has had */
  readonly gapUnknown?: boolean | undefined;
  /** between the coats of this layer; null = the label's */
  readonly coatGapMin?: number | null | undefined;
  /** of a "heat" step before it, °C */
  readonly heatC?: number | null | undefined;
  /** of a "warm-part" step before it: what the part itself is warmed to, °C; null = warm to the hand */
  readonly partC?: number | null | undefined;
  readonly scuffWet?: boolean | undefined;
  readonly tape?: Tape | null | undefined;
  /** depth of a fill, µm, all skins together */
  readonly depthUm?: number | null | undefined;
  /** laid on spots only: their share of the face, or false for the whole of it; null = as its role goes */
  readonly spot?: number | false | null | undefined;
  /** where it lies, in plain names; none told = wherever there is something for it to do */
  readonly places?: readonly string[] | undefined;
  /** the marking or trace of weather it is, or the clear put in for such; absent = neither */
  readonly touch?: { readonly kind: TouchKind | SealKind; readonly count?: number | undefined } | null | undefined;
  readonly mixedWithId?: string | null | undefined;
  readonly thinnerId?: string | null | undefined;
  /** paint to thinner by volume, such as 2:1; null = nobody told how much */
  readonly thinRatio?: string | null | undefined;
  readonly mixUsed?: string | null | undefined;
  readonly setUp?: SetUp | null | undefined;
  /** air this layer is laid in, where it is not the bench's */
  readonly air?: AirSpot | null | undefined;
  /** the mend it belongs to; absent = it is of the user's own pile */
  readonly mend?: string | undefined;
}

/** Tape laid on a layer; minutes from the end of that layer, null = as the plan makes it. */
export interface Tape {
  readonly tack: Tack;
  /** the tape, film or fluid it is; its own tack beats the one told here */
  readonly productId?: string | null | undefined;
  readonly onMin: number | null;
  readonly offMin: number | null;
}

export interface SetUp {
  /** of a "warm-can" step what the can is warmed to, else how warm it is */
  readonly canTempC?: number | null | undefined;
  /** from mixing the first drop to spraying the last, minutes */
  readonly batchMin?: number | null | undefined;
  readonly edgesCovered?: boolean | undefined;
  readonly shaded?: boolean | undefined;
  readonly backing?: boolean | undefined;
  readonly activator?: boolean | undefined;
}

/** The air of a moment, as far as it was read. */
export interface AirSpot {
  readonly tempC: number;
  readonly rhPct: number;
  /** null = as warm as the air */
  readonly partTempC?: number | null | undefined;
  readonly airflowMS?: number | null | undefined;
  readonly frostTonight?: boolean | undefined;
  /** coldest while the coat dries, °C, where a series says so */
  readonly coldestC?: number | null | undefined;
}

/** A scrap that was painted like a stack, and what came of it. */
export interface Coupon {
  readonly id: string;
  readonly material: MaterialId;
  readonly layers: readonly CouponLayer[];
  readonly result: CouponResult | null;
  readonly throughCured: boolean;
  readonly tapeTested: boolean;
}
interface CouponLayer {
  readonly productId: string;
  readonly coats: number;
  readonly heaviness: Heaviness;
  readonly wftUm: number | null;
  readonly gapMin: number | null;
}

/** Work that no layer asks for: put up by the user, or told when it was done already. */
export type ExtraWork =
  | { readonly kind: "wash"; readonly how: Wetting; readonly withId?: string | null | undefined }
  | { readonly kind: "wipe"; readonly withId?: string | null | undefined }
  | { readonly kind: "rub"; readonly grit: number; readonly wet: boolean; readonly takesUm: number }
  /** paint taken off again, down to a layer that stays; null = down to the material */
  | {
      readonly kind: "strip";
      readonly downTo: string | null;
      /** left out = by hand */
      readonly way?: StripWay | undefined;
      readonly withId?: string | null | undefined;
      /** hours until it is back from whoever does it; null = as is usual */
      readonly awayH?: number | null | undefined;
    }
  /** a nib or a print taken off a film that is firm enough to be held, with a soft pad */
  | { readonly kind: "pad" }
  /** left alone, and looked at again once it has come so far: a film's milestone, or water out of the part */
  | { readonly kind: "look"; readonly until: "touch" | "sandable" | "cured" | "dry" }
  /** a printed part once more under its lamp */
  | { readonly kind: "lamp"; readonly sideMin: number; readonly sides: number }
  | { readonly kind: "polish"; readonly withId?: string | null | undefined };

/** What is told of a joint beside its adhesive. */
export interface JointTold {
  readonly load: JointLoad;
  /** of the smaller of its two faces; null = nobody measured it */
  readonly faceMm2: number | null;
}

/** What puts a face right again, in order: work on what lies there, a rub of its uppermost layer, then layers of its own over that. */
export interface Mend {
  readonly works: readonly ExtraWork[];
  readonly rub: { readonly layerId: string; readonly sandAfter: SandAfter } | null;
  /** a layer that ends with so many coats, because the mend goes on over them; null = every layer as it was */
  readonly cut: { readonly layerId: string; readonly coats: number } | null;
  /** uppermost layer that lay there when it was put in; null = none did */
  readonly over: string | null;
  readonly layers: readonly Layer[];
}

export interface Stack {
  readonly prep: readonly PrepStep[];
  /** products the steps of preparation are done with, by the step's key */
  readonly prepWith?: Readonly<Partial<Record<PrepKey, string>>> | undefined;
  /** how long a step is left in the user's own word, minutes, by the step's key; beats what is reckoned, whatever the air */
  readonly prepWaitMin?: Readonly<Partial<Record<PrepKey, number>>> | undefined;
  /** how long the part lies in the liquid of a step, minutes, by the step's key; left out = it is washed or wiped by hand */
  readonly prepSoakMin?: Readonly<Partial<Record<SoakKey, number>>> | undefined;
  readonly layers: readonly Layer[];
}

/** One point of a climate; linear between points. */
export interface AirPoint {
  readonly atMin: number;
  readonly tempC: number;
  readonly rhPct: number;
  readonly airflowMS: number;
}

/** Steady air or a typical day; `tonight` bends one night away from it. */
export interface AirSetting {
  readonly kind: "steady" | "day";
  readonly meanC: number;
  /** half the distance from coldest to warmest */
  readonly swingC: number;
  readonly warmestHour: number;
  /** at the mean temperature; the vapour pressure is what stays the same through the day */
  readonly rhPct: number;
  readonly airflowMS: number;
  readonly tonight: { readonly date: string; readonly coldestC: number } | null;
}

/** A span in which the person is at the bench, absolute minutes. */
export interface BenchSession {
  readonly startMin: number;
  readonly endMin: number;
}
