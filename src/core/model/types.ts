import type {
  BeforeStep,
  Bite,
  Carrier,
  Condition,
  Effect,
  Exposure,
  FamilyId,
  Finish,
  Hazard,
  Heaviness,
  MaterialId,
  MayGoOver,
  Method,
  PrepStep,
  Propellant,
  Role,
  Sheen,
} from "./vocabulary";

/** The user said "I do not know", which is not the same as not having been asked (null). */
export type Unknown = "unknown";

/** [opens, shuts] in minutes after the end of the coat; a null end never shuts. */
export type Window = readonly [number, number | null];

/** What a label promises, and the application it promises it for. Times in minutes from the end of the coat. */
export interface Label {
  readonly tempC: number;
  readonly rhPct: number;
  /** wet film per coat, µm */
  readonly wftUm: number;
  readonly coats: number;
  /** between the label's own coats */
  readonly gapMin: number | null;
  readonly flashMin: number | null;
  readonly touchMin: number | null;
  readonly handleMin: number | null;
  /** in order; two entries leave a forbidden gap between them */
  readonly recoat: readonly Window[];
  readonly sandableMin: number | null;
  readonly tapeSafeMin: number | null;
  readonly polishableMin: number | null;
  readonly curedMin: number | null;
}

export interface ProductLimits {
  readonly minTempC: number | null;
  readonly maxTempC: number | null;
  readonly maxRhPct: number | null;
}

/** A jar, can or tube as the user entered it. Null means "not given": reference/resolve fills it and says so. */
export interface Product {
  readonly id: string;
  readonly name: string;
  readonly maker: string;
  readonly aliases: readonly string[];
  readonly role: Role;
  readonly family: FamilyId | Unknown;
  readonly carriers: readonly Carrier[] | Unknown;
  /** overrides the bite of the strongest carrier */
  readonly bite: Bite | null;
  readonly propellant: Propellant | Unknown | null;
  readonly method: Method;
  /** fraction of the wet volume that stays, 0–1; of an aerosol as landed */
  readonly volumeSolids: number | null;
  readonly densityGMl: number | null;
  /** sRGB hex, #rrggbb */
  readonly colour: string;
  readonly effect: Effect;
  readonly sheen: Sheen;
  readonly flexible: boolean;
  readonly yellowing: boolean;
  readonly uvResistant: boolean;
  readonly combinedPrimer: boolean;
  readonly rustInhibitor: boolean;
  /** null = the label does not say; a stated list is binding */
  readonly mayGoOver: readonly MayGoOver[] | null;
  readonly maxSkinUm: number | null;
  readonly hazards: readonly Hazard[];
  readonly limits: ProductLimits;
  readonly label: Label;
  readonly potLifeMin: number | null;
  readonly leftMl: number | null;
  readonly note: string;
}

export interface Region {
  readonly id: string;
  readonly name: string;
  readonly material: MaterialId | Unknown | null;
  readonly conditions: readonly Condition[];
  readonly areaCm2: number | null;
  readonly finish: Finish;
  /** narrowest groove that must stay legible, µm */
  readonly detailUm: number | null;
  /** print or casting ridge to bury, µm */
  readonly ridgeUm: number | null;
  readonly exposure: readonly Exposure[];
}

export interface SandAfter {
  readonly grit: number;
  readonly wet: boolean;
  /** taken off by the rub, µm of dry film */
  readonly takesUm: number;
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
  readonly sandAfter: SandAfter | null;
}

export interface Stack {
  readonly prep: readonly PrepStep[];
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
