import {
  CONDITIONS,
  type Condition,
  MATERIALS,
  type MaterialGroup,
  type MaterialId,
  type PrepStep,
  type Verdict,
  type Wetting,
} from "../model";

/** What one bite does to the bare material. `care-mist`: care as mist coats, test when laid wet. */
export type BiteAnswer = Verdict | "care-mist";

export interface MaterialFacts {
  readonly id: MaterialId;
  readonly group: MaterialGroup;
  /** answers for B0…B4, in that order */
  readonly byBite: readonly [BiteAnswer, BiteAnswer, BiteAnswer, BiteAnswer, BiteAnswer];
  /** nothing holds on it until it is keyed */
  readonly slick: boolean;
  readonly porous: boolean;
  /** sticks only through a promoter: how bad the lack of one is */
  readonly withoutPromoter: Verdict;
  readonly flexible: boolean;
  /** warm drying never above this, °C */
  readonly dryHeatMaxC: number;
  /** what the bare face needs before its first layer, in order */
  readonly prep: readonly PrepStep[];
  readonly keyGrit: { readonly from: number; readonly to: number } | null;
  /** lead is assumed until it is known not to be there: never abraded dry. Source: safety practice for tin and lead alloys */
  readonly mayHoldLead: boolean;
  /** usual shade of the bare material, sRGB (est.): what a first colour has to hide */
  readonly usualColour: string;
  /** what else rules ask of it */
  readonly traits: readonly MaterialTrait[];
  /** where it keeps water: on a plain face, in layer ridges or a cast's pores, in its body */
  readonly holdsWater: WaterHeld;
}

/** What single materials are like: rules and code ask these, never the material's id. Source: common trade practice. */
export type MaterialTrait =
  /** expanded or extruded polystyrene: solvent eats it under any thin film */
  | "polystyrene-foam"
  /** solid polystyrene: a strong wash crazes it bare */
  | "solid-polystyrene"
  /** soft closed-cell foam: strong solvent swells it */
  | "soft-foam"
  /** its cells stay open until brief hot air closes them */
  | "closed-by-heat"
  /** drinks paint for ever until it is sealed */
  | "wants-seal"
  /** drinks so much that one coat of sealer is not enough */
  | "wants-two-seals"
  /** acid and alkali eat it; an ordinary primer holds once it is keyed */
  | "light-metal"
  /** an ordinary primer holds badly even on a key */
  | "poor-grip"
  /** its key is gone within hours */
  | "key-goes-fast"
  | "rusts"
  /** takes an etch primer, in a thin coat on a fresh key */
  | "etch-takes-thin"
  /** an etch primer finds nothing to bite on */
  | "etch-holds-badly"
  /** comes out of a mould with release agent on it */
  | "comes-released"
  /** hardened by light: resin left on it or in it weeps */
  | "hardened-by-light"
  /** fumes and overspray fog it */
  | "see-through"
  /** solvent cement melts it and welds it to itself */
  | "welds"
  /** made in layers, with ridges between them */
  | "printed";

type Row = Omit<MaterialFacts, "id" | "usualColour">;

const HARD = ["ok", "ok", "ok", "ok", "ok"] as const;
const PRINT = ["ok", "ok", "ok", "care", "test"] as const;
const FOAM_STOPS = ["ok", "care", "stop", "stop", "stop"] as const;
const SOFT = ["ok", "ok", "care", "test", "test"] as const;

/** Where a part keeps water. */
type WaterHeld = "face" | "ridges" | "body";
/**
 * Minutes at 20 °C, 50 % RH in still air until water is gone from a plain face, from ridges and pores, from a porous body, and
 * from joints and hollows (est.: practitioners wait half an hour for a face, overnight for joints, a day and more for plaster
 * and wood, and lose a day to bubbles when they do not).
 */
const PART_DRY_MIN: Readonly<Record<Wetting, Readonly<Record<WaterHeld | "joints", number>>>> = {
  rinse: { face: 60, ridges: 120, body: 1800, joints: 480 },
  soak: { face: 75, ridges: 180, body: 2880, joints: 720 },
  "wet-rub": { face: 80, ridges: 110, body: 1440, joints: 360 },
};

const metal = (over: Partial<Row> = {}): Row => ({
  group: "metal",
  byBite: HARD,
  slick: true,
  porous: false,
  withoutPromoter: "ok",
  flexible: false,
  dryHeatMaxC: 90,
  prep: ["degrease", "key", "wipe"],
  keyGrit: { from: 240, to: 400 },
  holdsWater: "face",
  mayHoldLead: false,
  traits: [],
  ...over,
});
const plastic = (over: Partial<Row>): Row => ({
  group: "plastic",
  byBite: PRINT,
  slick: true,
  porous: false,
  withoutPromoter: "ok",
  flexible: false,
  dryHeatMaxC: 45,
  prep: ["wash", "key", "dust-off"],
  keyGrit: { from: 180, to: 320 },
  holdsWater: "ridges",
  mayHoldLead: false,
  traits: [],
  ...over,
});
const foam = (over: Partial<Row>): Row => ({
  group: "foam",
  byBite: FOAM_STOPS,
  slick: false,
  porous: true,
  withoutPromoter: "ok",
  flexible: false,
  dryHeatMaxC: 50,
  prep: ["dust-off"],
  keyGrit: null,
  holdsWater: "ridges",
  mayHoldLead: false,
  traits: [],
  ...over,
});

/**
 * Bare materials: what they take, what they need first, how hot they may be dried.
 * Source: common trade practice for model making; drying minutes are estimates.
 */
const TABLE: Readonly<Record<MaterialId, Row>> = {
  pla: plastic({ keyGrit: { from: 220, to: 400 }, traits: ["printed"] }),
  petg: plastic({ dryHeatMaxC: 60, traits: ["printed"] }),
  "abs-asa": plastic({ dryHeatMaxC: 75, prep: ["key", "dust-off"], traits: ["printed", "welds"] }),
  nylon: plastic({
    byBite: ["ok", "ok", "ok", "ok", "care"],
    withoutPromoter: "test",
    dryHeatMaxC: 80,
    holdsWater: "body",
    traits: ["printed"],
  }),
  "pp-pe": plastic({ byBite: HARD, withoutPromoter: "stop", dryHeatMaxC: 70 }),
  tpu: plastic({
    byBite: SOFT,
    withoutPromoter: "test",
    slick: false,
    flexible: true,
    prep: ["wash"],
    traits: ["printed"],
  }),
  eva: foam({ byBite: SOFT, porous: false, flexible: true, dryHeatMaxC: 45, traits: ["soft-foam", "closed-by-heat"] }),
  "vat-resin": plastic({
    group: "resin",
    byBite: ["ok", "ok", "ok", "care", "care"],
    slick: false,
    dryHeatMaxC: 50,
    prep: ["wash", "post-cure", "dust-off"],
    holdsWater: "ridges",
    traits: ["printed", "hardened-by-light"],
  }),
  "cast-pu": plastic({
    group: "resin",
    byBite: ["ok", "ok", "ok", "ok", "care"],
    slick: false,
    dryHeatMaxC: 55,
    prep: ["wash"],
    holdsWater: "ridges",
    traits: ["comes-released"],
  }),
  hips: plastic({
    byBite: ["ok", "ok", "ok", "care-mist", "test"],
    slick: false,
    dryHeatMaxC: 50,
    prep: ["wash"],
    holdsWater: "face",
    traits: ["solid-polystyrene", "welds"],
  }),
  "clear-plastic": plastic({
    byBite: ["ok", "care", "care", "test", "stop"],
    slick: false,
    dryHeatMaxC: 50,
    prep: ["wash"],
    holdsWater: "face",
    traits: ["see-through", "welds"],
  }),
  xps: foam({ porous: false, traits: ["polystyrene-foam"] }),
  eps: foam({ porous: false, traits: ["polystyrene-foam"] }),
  epo: foam({ byBite: SOFT, porous: false, dryHeatMaxC: 55, traits: ["soft-foam"] }),
  "pu-foam": foam({
    byBite: ["ok", "ok", "ok", "ok", "care"],
    dryHeatMaxC: 60,
    holdsWater: "body",
    traits: ["wants-seal"],
  }),
  "wood-mdf": foam({
    group: "porous",
    byBite: HARD,
    dryHeatMaxC: 40,
    holdsWater: "body",
    traits: ["wants-seal", "wants-two-seals"],
  }),
  plaster: foam({ group: "porous", byBite: HARD, dryHeatMaxC: 40, holdsWater: "body", traits: ["wants-seal"] }),
  "steel-iron": metal({ prep: ["degrease", "derust", "key", "wipe"], traits: ["rusts"] }),
  aluminium: metal({ traits: ["light-metal", "key-goes-fast"] }),
  "brass-copper": metal({ keyGrit: { from: 180, to: 320 }, traits: ["poor-grip", "etch-takes-thin"] }),
  "white-metal": metal({ dryHeatMaxC: 55, mayHoldLead: true, traits: ["light-metal"] }),
  stainless: metal({ keyGrit: { from: 180, to: 320 }, traits: ["poor-grip", "etch-holds-badly"] }),
  glassfibre: metal({ group: "laminate", dryHeatMaxC: 60, prep: ["wash", "key", "wipe"] }),
};

/** Prints and resins come in any shade: a middle grey stands for them (est.). */
const USUAL_GREY = "#8a8a88";
const USUAL_COLOUR: Partial<Record<MaterialId, string>> = {
  eva: "#5a5a5c",
  hips: "#c8c8c4",
  "clear-plastic": "#d8dcdc",
  xps: "#a8c0d0",
  eps: "#f4f4f2",
  epo: "#f0f0ec",
  "pu-foam": "#e0d8a8",
  "wood-mdf": "#c8a878",
  plaster: "#f0ece4",
  "steel-iron": "#6c6a68",
  aluminium: "#b4b6b8",
  "brass-copper": "#b89050",
  "white-metal": "#9a9a9c",
  stainless: "#a8aaac",
  glassfibre: "#b8b89a",
  "cast-pu": "#e4dcc8",
};

const FACTS = Object.fromEntries(
  MATERIALS.map((id) => [id, { id, usualColour: USUAL_COLOUR[id] ?? USUAL_GREY, ...TABLE[id] }]),
) as Record<MaterialId, MaterialFacts>;

export const materialFacts = (id: MaterialId): MaterialFacts => FACTS[id];
/** Whether any of these is true of a material that is known. */
export const hasTrait = (id: MaterialId | "unknown" | null, ...traits: readonly MaterialTrait[]): boolean =>
  id !== null && id !== "unknown" && FACTS[id].traits.some((t) => traits.includes(t));
/** Which materials a condition can be true of at all; the others can be of any. Source: common trade practice. */
const CONDITION_OF: Readonly<Partial<Record<Condition, (m: MaterialFacts) => boolean>>> = {
  rusted: (m) => m.traits.includes("rusts"),
  tarnished: (m) => m.group === "metal",
  "flux-residue": (m) => m.group === "metal",
  "rough-cast": (m) => m.group === "metal" || m.traits.includes("comes-released") || m.porous,
  uncured: (m) => m.traits.includes("hardened-by-light") || m.group === "laminate",
  "cure-unknown": (m) => m.traits.includes("hardened-by-light") || m.group === "laminate",
  "surface-cured": (m) => m.traits.includes("hardened-by-light"),
  "hollow-undrained": (m) => m.traits.includes("hardened-by-light"),
  drained: (m) => m.traits.includes("hardened-by-light"),
  "washed-inside": (m) => m.traits.includes("hardened-by-light"),
  released: (m) => m.traits.includes("comes-released") || m.group === "laminate" || m.group === "foam",
  "heat-sealed": (m) => m.traits.includes("closed-by-heat"),
  "panel-lines-filled": (m) => m.group === "foam" || m.group === "plastic",
  flash: (m) => m.traits.includes("comes-released") || m.traits.includes("welds") || m.traits.includes("light-metal"),
  "mould-lines": (m) =>
    m.traits.includes("comes-released") || m.traits.includes("welds") || m.traits.includes("light-metal"),
  "support-marks": (m) => m.traits.includes("printed"),
  stringing: (m) => m.traits.includes("printed") && !m.traits.includes("hardened-by-light"),
  pits: (m) => m.group !== "foam",
  "must-stay-clear": (m) => m.traits.includes("see-through") || m.group === "resin",
};
/** Conditions worth offering for a material; of one nobody told, all. */
export const conditionsOf = (id: MaterialId | "unknown" | null): readonly Condition[] =>
  id === null || id === "unknown" ? CONDITIONS : CONDITIONS.filter((c) => CONDITION_OF[c]?.(FACTS[id]) ?? true);

/** Foam, or nobody knows that it is none. */
export const mayBeFoam = (id: MaterialId | "unknown" | null): boolean =>
  id === null || id === "unknown" || FACTS[id].group === "foam";
/** Materials of which any of these is true, in the order of the vocabulary. */
export const materialsWith = (...traits: readonly MaterialTrait[]): readonly MaterialId[] =>
  MATERIALS.filter((id) => hasTrait(id, ...traits));

/**
 * Minutes at reference air until a wetted part is dry: of its clocks the slowest. A part of unknown material may be porous.
 * @param covered a film lies over the face, so water stays on it, whatever the body below could hold
 * @param blownOut joints and hollows were blown out first: they hold a thin film of water and no drops
 */
export function partDryMin(
  material: MaterialId | "unknown" | null,
  how: Wetting,
  joints: boolean,
  covered = false,
  blownOut = false,
): number {
  const own = material === null || material === "unknown" ? "body" : materialFacts(material).holdsWater;
  const held = covered ? "face" : own;
  const clocks = PART_DRY_MIN[how];
  return Math.max(clocks[held], joints ? clocks.joints * (blownOut ? BLOWN_OUT_SHARE : 1) : 0);
}
/** Of the time joints take to dry, what is left of it once most of the water is blown out of them (est.). */
const BLOWN_OUT_SHARE = 1 / 3;

/** A porous face drinks so much of its first coat, as a share of it (est.); a sealed one drinks nothing. */
const FIRST_DRINK = 0.25;
export const firstDrink = (material: MaterialId | "unknown" | null, sealed: boolean): number =>
  !sealed && material !== null && material !== "unknown" && materialFacts(material).porous ? FIRST_DRINK : 0;
