import { MATERIALS, type MaterialGroup, type MaterialId, type PrepStep, type Verdict } from "../model";

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
  /** minutes at reference air until part dry after a wash (est.) */
  readonly partDryMin: number;
}

type Row = Omit<MaterialFacts, "id">;

const HARD = ["ok", "ok", "ok", "ok", "ok"] as const;
const PRINT = ["ok", "ok", "ok", "care", "test"] as const;
const FOAM_STOPS = ["ok", "care", "stop", "stop", "stop"] as const;
const SOFT = ["ok", "ok", "care", "test", "test"] as const;

/** Water held on a plain face, in layer ridges and seams, and in a porous body: minutes at 20 °C, 50 % RH, still air (est.). */
const DRY_SURFACE_MIN = 20;
const DRY_RIDGES_MIN = 60;
const DRY_POROUS_MIN = 720;

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
  partDryMin: DRY_SURFACE_MIN,
  mayHoldLead: false,
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
  partDryMin: DRY_RIDGES_MIN,
  mayHoldLead: false,
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
  partDryMin: DRY_RIDGES_MIN,
  mayHoldLead: false,
  ...over,
});

/**
 * Bare materials: what they take, what they need first, how hot they may be dried.
 * Source: common trade practice for model making; drying minutes are estimates.
 */
const TABLE: Readonly<Record<MaterialId, Row>> = {
  pla: plastic({ keyGrit: { from: 220, to: 400 } }),
  petg: plastic({ dryHeatMaxC: 60 }),
  "abs-asa": plastic({ dryHeatMaxC: 75, prep: ["key", "dust-off"] }),
  nylon: plastic({
    byBite: ["ok", "ok", "ok", "ok", "care"],
    withoutPromoter: "test",
    dryHeatMaxC: 80,
    partDryMin: DRY_POROUS_MIN,
  }),
  "pp-pe": plastic({ byBite: HARD, withoutPromoter: "stop", dryHeatMaxC: 70 }),
  tpu: plastic({ byBite: SOFT, withoutPromoter: "test", slick: false, flexible: true, prep: ["wash"] }),
  eva: foam({ byBite: SOFT, porous: false, flexible: true, dryHeatMaxC: 45 }),
  "vat-resin": plastic({
    group: "resin",
    byBite: ["ok", "ok", "ok", "care", "care"],
    slick: false,
    dryHeatMaxC: 50,
    prep: ["wash", "post-cure", "dust-off"],
    partDryMin: DRY_SURFACE_MIN,
  }),
  "cast-pu": plastic({
    group: "resin",
    byBite: ["ok", "ok", "ok", "ok", "care"],
    slick: false,
    dryHeatMaxC: 55,
    prep: ["wash"],
    partDryMin: DRY_SURFACE_MIN,
  }),
  hips: plastic({
    byBite: ["ok", "ok", "ok", "care-mist", "test"],
    slick: false,
    dryHeatMaxC: 50,
    prep: ["wash"],
    partDryMin: DRY_SURFACE_MIN,
  }),
  "clear-plastic": plastic({
    byBite: ["ok", "care", "care", "test", "stop"],
    slick: false,
    dryHeatMaxC: 50,
    prep: ["wash"],
    partDryMin: DRY_SURFACE_MIN,
  }),
  xps: foam({ porous: false }),
  eps: foam({ porous: false }),
  epo: foam({ byBite: SOFT, porous: false, dryHeatMaxC: 55 }),
  "pu-foam": foam({ byBite: ["ok", "ok", "ok", "ok", "care"], dryHeatMaxC: 60 }),
  "wood-mdf": foam({ group: "porous", byBite: HARD, dryHeatMaxC: 40, partDryMin: DRY_POROUS_MIN }),
  plaster: foam({ group: "porous", byBite: HARD, dryHeatMaxC: 40, partDryMin: DRY_POROUS_MIN }),
  "steel-iron": metal({ prep: ["degrease", "derust", "key", "wipe"] }),
  aluminium: metal(),
  "brass-copper": metal({ keyGrit: { from: 180, to: 320 } }),
  "white-metal": metal({ dryHeatMaxC: 55, mayHoldLead: true }),
  stainless: metal({ keyGrit: { from: 180, to: 320 } }),
  glassfibre: metal({ group: "laminate", dryHeatMaxC: 60, prep: ["wash", "key", "wipe"] }),
};

const FACTS = Object.fromEntries(MATERIALS.map((id) => [id, { id, ...TABLE[id] }])) as Record<
  MaterialId,
  MaterialFacts
>;

export const materialFacts = (id: MaterialId): MaterialFacts => FACTS[id];

/** A porous face drinks so much of its first coat, as a share of it (est.); a sealed one drinks nothing. */
const FIRST_DRINK = 0.25;
export const firstDrink = (material: MaterialId | "unknown" | null, sealed: boolean): number =>
  !sealed && material !== null && material !== "unknown" && materialFacts(material).porous ? FIRST_DRINK : 0;
