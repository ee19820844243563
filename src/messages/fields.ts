import type {
  LABEL_FIELDS,
  LIGHT_FIELDS,
  LIMIT_FIELDS,
  OLD_FINISH_FIELDS,
  PRODUCT_FIELDS,
  REGION_COLUMNS,
  REGION_MORE,
  SEALED_FIELDS,
  ZONE_FIELDS,
} from "@/core/model";
import {
  BARE_WAY_NAME,
  BITE_NAME,
  CARRIER_NAME,
  CONDITION_NAME,
  CONFIRMABLE_NAME,
  EFFECT_NAME,
  EXPOSURE_NAME,
  FAMILY_NAME,
  FINISH_NAME,
  HAZARD_NAME,
  HOLD_NAME,
  JAR_NAME,
  LEAD_NAME,
  MATERIAL_NAME,
  MAY_GO_OVER_NAME,
  METHOD_NAME,
  PROPELLANT_NAME,
  RESISTANCE_NAME,
  ROLE_NAME,
  RUB_NAME,
  SHEEN_NAME,
  SOURCE_NAME,
  TACK_NAME,
} from "./vocabulary";

/** Groups of a product's card and form, in their order. */
export const FIELD_GROUPS = {
  what: "",
  carrier: "Carrier",
  conditions: "Label: what its times hold for",
  times: "Label: times in minutes",
  film: "Film",
  spray: "Spraying",
  limits: "Limits, hazards, stock",
} as const;
export type FieldGroup = keyof typeof FIELD_GROUPS;

export interface FieldWords {
  readonly group: FieldGroup;
  readonly label: string;
  /** beside the label, where the registry's own unit would not help */
  readonly unit?: string;
  /** names of what may be chosen */
  readonly options?: Readonly<Record<string, string>>;
  /** said where nothing is chosen */
  readonly none?: string;
  /** what it is and where to find it, with an example, for who never heard of it */
  readonly hint?: string;
  /** takes the whole row */
  readonly wide?: true;
}

type Within<P extends string, T> = `${P}.${Extract<keyof T, string>}`;
export type ProductPath =
  | keyof typeof PRODUCT_FIELDS
  | Within<"label", typeof LABEL_FIELDS>
  | Within<"limits", typeof LIMIT_FIELDS>
  | Within<"light", typeof LIGHT_FIELDS>;

const OVER_NAME: Readonly<Record<string, string>> = Object.fromEntries(
  Object.entries(MAY_GO_OVER_NAME).filter(([k]) => k !== "unknown"),
);

/** What each field of a product is called, in the order a form asks for them. A field without words is a type error. */
export const PRODUCT_WORDS: Readonly<Record<ProductPath, FieldWords>> = {
  name: { group: "what", label: "Name", wide: true },
  maker: { group: "what", label: "Maker" },
  aliases: { group: "what", label: "Also goes by", unit: "commas between" },
  role: { group: "what", label: "Role", options: ROLE_NAME, none: "– choose –" },
  family: { group: "what", label: "Family (binder)", options: FAMILY_NAME },
  method: { group: "what", label: "Applied by", options: METHOD_NAME, none: "– choose –" },
  propellant: { group: "what", label: "Propellant", options: PROPELLANT_NAME, none: "– choose –" },
  carriers: { group: "carrier", label: "What flies off while it dries", options: CARRIER_NAME },
  bite: {
    group: "carrier",
    label: "Bite",
    options: BITE_NAME,
    none: "by its carriers",
    hint: "how hard it attacks what is below; leave it to the carriers unless its sheet says otherwise",
  },
  thinnerCarriers: {
    group: "carrier",
    label: "Thin it with (none ticked: its own carriers)",
    options: CARRIER_NAME,
  },
  dearomatised: { group: "carrier", label: "De-aromatised (low odour)" },
  "label.tempC": { group: "conditions", label: "Temperature" },
  "label.rhPct": { group: "conditions", label: "Humidity" },
  "label.wftUm": {
    group: "conditions",
    label: "Wet film a coat",
    hint: "as laid, wet; a sprayed coat is 25–60 µm, a brushed one 40–100. Empty: the usual of its role",
  },
  "label.coats": { group: "conditions", label: "Coats", unit: "" },
  "label.flashMin": { group: "times", label: "Flash", unit: "", hint: "until the wet shine has gone" },
  "label.gapMin": { group: "times", label: "Between its coats", unit: "" },
  "label.touchMin": { group: "times", label: "Touch dry", unit: "", hint: "on nearly every label" },
  "label.handleMin": { group: "times", label: "Handle", unit: "" },
  "label.recoat": {
    group: "times",
    label: "Recoat window",
    hint: "“within 1 h or after 48 h” is opens 0, shuts 60; second window opens 2880",
  },
  "label.sandableMin": { group: "times", label: "Sandable", unit: "" },
  "label.tapeSafeMin": { group: "times", label: "Tape safe", unit: "" },
  "label.polishableMin": { group: "times", label: "Polishable", unit: "" },
  "label.curedMin": {
    group: "times",
    label: "Through cured",
    unit: "",
    hint: "hard all through: “full hardness after 7 days” is 10080",
  },
  volumeSolids: {
    group: "film",
    label: "Volume solids",
    hint: "what stays of the wet coat; on the technical sheet, “solids by volume 35 %”",
  },
  densityGMl: { group: "film", label: "Density" },
  colour: { group: "film", label: "Colour" },
  sheen: { group: "film", label: "Sheen", options: SHEEN_NAME },
  effect: { group: "film", label: "Effect", options: EFFECT_NAME },
  maxSkinUm: {
    group: "film",
    label: "Deepest skin",
    unit: "µm dry",
    hint: "thickest fill in one go that still dries through; “up to 2 mm a layer” is 2000 µm",
  },
  shrinkage: { group: "film", label: "Shrinks by" },
  opaqueDftUm: {
    group: "film",
    label: "Hides at",
    unit: "µm dry",
    hint: "dry film at which black and white below look alike; yellow and red 40–80, grey 15",
  },
  cureDepthUm: { group: "film", label: "Light cures it to", hint: "depth one exposure hardens; resins 100–1000 µm" },
  dryDensityGMl: { group: "film", label: "Density, dry" },
  minFilmFormingC: { group: "film", label: "Makes a film from" },
  serviceTempC: { group: "film", label: "In service up to" },
  "light.wavelengthNm": { group: "film", label: "Cured by light of" },
  "light.dpUm": { group: "film", label: "Light falls off in" },
  "light.ecMjCm2": { group: "film", label: "Sets from a dose of" },
  resists: { group: "film", label: "The cured film stands", options: RESISTANCE_NAME },
  mayGoOver: {
    group: "film",
    label: "Label says it may go over (none ticked: it does not say)",
    options: OVER_NAME,
  },
  flexible: { group: "film", label: "Flexible" },
  yellowing: { group: "film", label: "Yellows" },
  uvResistant: { group: "film", label: "UV resistant" },
  combinedPrimer: { group: "film", label: "Paint and primer in one" },
  rustInhibitor: { group: "film", label: "Rust inhibitor" },
  activator: { group: "film", label: "Speeds instant glue" },
  "limits.minTempC": { group: "limits", label: "Not below" },
  "limits.maxTempC": { group: "limits", label: "Not above" },
  "limits.maxRhPct": { group: "limits", label: "Not above" },
  potLifeMin: { group: "limits", label: "Pot life", unit: "min" },
  nozzleMm: { group: "spray", label: "Nozzle" },
  pressureBar: { group: "spray", label: "Air at the gun" },
  distanceCm: { group: "spray", label: "From the face" },
  shakeMinutes: { group: "spray", label: "Shaken or stirred for" },
  tack: {
    group: "what",
    label: "Tack",
    options: TACK_NAME,
    none: "– not said –",
    hint: "of tape: low for paint a day old, high for bare metal",
  },
  widthMm: { group: "what", label: "Width" },
  mixRatio: {
    group: "limits",
    label: "Mixed by volume",
    unit: "such as 4:1",
    hint: "paint first, then hardener, then thinner",
  },
  packMl: { group: "limits", label: "Pack" },
  leftMl: { group: "limits", label: "Left" },
  price: { group: "limits", label: "Price of a pack" },
  openedOn: { group: "limits", label: "Opened" },
  useBy: { group: "limits", label: "Use by" },
  source: { group: "limits", label: "These figures are from", options: SOURCE_NAME },
  jar: { group: "what", label: "Kind", options: JAR_NAME, none: "not one of the kinds", wide: true },
  confirmed: { group: "what", label: "Read off its label", options: CONFIRMABLE_NAME },
  owned: { group: "limits", label: "On the shelf" },
  hazards: { group: "limits", label: "Hazards", options: HAZARD_NAME },
  note: { group: "limits", label: "Note", wide: true },
  photo: { group: "limits", label: "Photo of the label" },
};

/** Groups of a region's card; what stands in the table of parts is in none of them. */
export const REGION_GROUPS = {
  area: "Area",
  fill: "To fill",
  limits: "Limits",
  state: "State",
  old: "Old finish",
  sealed: "Sealed already",
} as const;
export type RegionGroup = keyof typeof REGION_GROUPS;

export interface RegionWords {
  /** null = a column of the table of parts */
  readonly group: RegionGroup | null;
  readonly label: string;
  /** what a screen reader is told, where the label alone would not do; % stands for the region */
  readonly aria?: string;
  readonly unit?: string;
  readonly options?: Readonly<Record<string, string>>;
  /** said where nothing is chosen */
  readonly none?: string;
}

/** What is told of a zone of a face. */
export const ZONE_WORDS: Readonly<Record<keyof typeof ZONE_FIELDS, string>> = {
  name: "Zone",
  share: "Share of the face",
  ridgeUm: "Ridges",
  fillDepthUm: "Deepest dent or gap",
  fillWidthUm: "How wide it is",
};

export type RegionPath =
  | keyof typeof REGION_COLUMNS
  | keyof typeof REGION_MORE
  | Within<"oldFinish", typeof OLD_FINISH_FIELDS>
  | Within<"sealedBy", typeof SEALED_FIELDS>;

/** What each field of a region is called, in the order its card asks for them. A field without words is a type error. */
export const REGION_WORDS: Readonly<Record<RegionPath, RegionWords>> = {
  name: { group: null, label: "Region" },
  material: { group: null, label: "Material", options: MATERIAL_NAME },
  conditions: { group: null, label: "Condition now", options: CONDITION_NAME },
  finish: { group: null, label: "Finish", options: FINISH_NAME },
  detailUm: { group: null, label: "Finest detail" },
  ridgeUm: { group: null, label: "Ridges" },
  exposure: { group: null, label: "Exposure", options: EXPOSURE_NAME },
  areaCm2: { group: "area", label: "Area" },
  fillDepthUm: { group: "fill", label: "Deepest dent or gap" },
  fillWidthUm: { group: "fill", label: "How wide it is" },
  fillThrough: { group: "fill", label: "The gap goes right through" },
  fitAllowanceUm: { group: "limits", label: "Room for film where it fits" },
  massBudgetG: { group: "limits", label: "Film may weigh" },
  serviceTempC: { group: "limits", label: "Warmest in service" },
  longestMm: { group: "limits", label: "Longest size of the part" },
  turns: { group: "limits", label: "Turned so often for one coat", unit: "×" },
  matingUm: { group: "limits", label: "Film on the face it fits against" },
  keepBare: { group: "limits", label: "Stays bare, commas between", aria: "What stays bare on %" },
  bareBy: {
    group: "limits",
    label: "It stays bare by being",
    aria: "How what stays bare on % comes to be bare",
    options: BARE_WAY_NAME,
    none: "masked before paint",
  },
  heldBy: { group: "limits", label: "Held by", aria: "What holds %", options: HOLD_NAME, none: "not told" },
  heldAt: { group: "limits", label: "Held at, for instance the stern post", aria: "Where % is held" },
  heldHidden: { group: "limits", label: "Where it is held is covered later" },
  minutesSinceKey: { group: "state", label: "Keyed this long ago", unit: "min" },
  lead: { group: "state", label: "Lead in the bare metal", aria: "Lead in %", options: LEAD_NAME, none: "not asked" },
  hollow: { group: "state", label: "Hollow inside", aria: "Is % hollow", none: "not asked" },
  drainHole: { group: "state", label: "A hole it can drain through", aria: "Drain hole of %", none: "not asked" },
  cureSides: { group: "state", label: "Sides under the lamp", unit: "" },
  cureSideMin: { group: "state", label: "Minutes a side", unit: "min" },
  joints: { group: "state", label: "Joints or undercuts that hold wash water" },
  clearNearby: { group: "state", label: "Clear panes close by" },
  "oldFinish.family": { group: "old", label: "What it is", aria: "Old finish of %", options: FAMILY_NAME },
  "oldFinish.ageDays": { group: "old", label: "How old", aria: "Age of the old finish of %" },
  "oldFinish.rub": { group: "old", label: "Rubbed with solvent, it", aria: "Rub test of %", options: RUB_NAME },
  "oldFinish.lead": {
    group: "old",
    label: "Lead or chromate in it",
    aria: "Lead in the old finish of %",
    options: LEAD_NAME,
  },
  "sealedBy.family": { group: "sealed", label: "What it is", aria: "Seal of %", options: FAMILY_NAME },
  "sealedBy.coats": { group: "sealed", label: "Coats", aria: "Coats of the seal of %" },
  "sealedBy.dftUm": { group: "sealed", label: "Dry film", aria: "Seal on %" },
  "sealedBy.cured": { group: "sealed", label: "Through cured", aria: "Is the seal of % cured" },
};
