import { type Carrier, FAMILIES, type FamilyId, type Milestone, type Verdict } from "../model";

/** What governs how a film dries, and with it every scaling law of its waits. */
export type DryingMechanism = "solvent" | "water" | "oxidation" | "reaction" | "light";

export const OPEN_HOURS_KINDS = ["water", "varnish", "lacquer", "enamel", "etch", "two-part", "shellac"] as const;
type OpenHoursKind = (typeof OPEN_HOURS_KINDS)[number];

/** What a binder is like: rules and code ask these traits, never its id. */
export interface FamilyFacts {
  readonly id: FamilyId;
  readonly mechanism: DryingMechanism;
  /** strongest bite the film takes before it has cured, as an index of BITES */
  readonly whileCuringBite: number;
  /** what a through-cured film says to B0…B4 */
  readonly curedHolds: readonly [Verdict, Verdict, Verdict, Verdict, Verdict];
  /** overrides B1 where the carrier is an alcohol */
  readonly curedAlcohol: Verdict | null;
  /** the next coat of the same kind dissolves it again */
  readonly reversible: boolean;
  /** strong solvents dissolve it and bond: the next lacquer is right in light coats */
  readonly bondsByRedissolving: boolean;
  /** cracks when what is under it bends */
  readonly brittle: boolean;
  /** past its recoat window it must be abraded, or nothing holds */
  readonly mustScuffWhenMissed: boolean;
  /** a two-part product that may carry isocyanate */
  readonly twoPart: boolean;
  /** below this it never becomes a film, °C; null = no such limit */
  readonly filmFormingC: number | null;
  /** warmest it serves at when its card does not say, °C (est., ordinary trade ranges) */
  readonly serviceC: number;
  /** deepest skin of a filler whose card does not say, µm (est.); null = it is no filler */
  readonly skinUm: number | null;
  /** stands model fuel and oil once through cured. Source: common trade practice */
  readonly standsOilFuel: boolean;
  /** no water alone ever carried it: a card that says so contradicts itself. Source: common trade practice */
  readonly neverWaterAlone: boolean;
  /** what it usually dries from; only asked whether a wash over an old film is of its own class. Source: common trade practice */
  readonly usualCarriers: readonly Carrier[];
  /** kind whose open hours are told apart on the Air screen; null = it has none of its own */
  readonly openHours: OpenHoursKind | null;
  /** shrinks as it hardens, and tears a softer film below it */
  readonly hard: boolean;
  /** alcohol swells the cured binder */
  readonly swellsInAlcohol: boolean;
  /** isocyanate unless its card says otherwise */
  readonly isocyanate: boolean;
  /** sweats amines when it goes through cold or damp */
  readonly sweatsAmines: boolean;
  /** its fumes fog clear parts */
  readonly fogs: boolean;
  /** past use when nobody covered it within its day */
  readonly staleInADay: boolean;
  /** what an old film of it was; null = a paint */
  readonly laidAs: "primer-etch" | "promoter" | null;
  /** a cured film of it keeps carriers from an older finish below */
  readonly isolatesOld: "all" | "all-but-alcohol" | null;
  /** drinks solvent like chalk */
  readonly porousFill: boolean;
  /** used when the shelf does not say (est.) */
  readonly defaultVolumeSolids: number;
  readonly defaultDensityGMl: number;
}

type Row = Omit<FamilyFacts, "id">;

const base: Row = {
  mechanism: "solvent",
  whileCuringBite: 1,
  curedHolds: ["ok", "ok", "ok", "care", "care"],
  curedAlcohol: null,
  reversible: false,
  bondsByRedissolving: false,
  brittle: false,
  mustScuffWhenMissed: false,
  twoPart: false,
  filmFormingC: null,
  serviceC: 60,
  skinUm: null,
  standsOilFuel: false,
  neverWaterAlone: false,
  usualCarriers: [],
  openHours: null,
  hard: false,
  swellsInAlcohol: false,
  isocyanate: false,
  sweatsAmines: false,
  fogs: false,
  staleInADay: false,
  laidAs: null,
  isolatesOld: null,
  porousFill: false,
  defaultVolumeSolids: 0.3,
  defaultDensityGMl: 1.1,
};
const water: Row = {
  ...base,
  mechanism: "water",
  whileCuringBite: 0,
  curedHolds: ["ok", "ok", "ok", "test", "test"],
  curedAlcohol: "care",
  filmFormingC: 10,
  defaultVolumeSolids: 0.38,
  defaultDensityGMl: 1.15,
};
const twoPart: Row = {
  ...base,
  mechanism: "reaction",
  curedHolds: ["ok", "ok", "ok", "ok", "ok"],
  mustScuffWhenMissed: true,
  twoPart: true,
  defaultVolumeSolids: 0.5,
  defaultDensityGMl: 1.2,
};

/** Binder families as films. Source: common trade practice; volume solids and densities are estimates. */
const TABLE: Readonly<Record<FamilyId, Row>> = {
  "wb-acrylic": {
    ...water,
    serviceC: 60,
    skinUm: 500,
    usualCarriers: ["water"],
    openHours: "water",
    swellsInAlcohol: true,
    isolatesOld: "all",
  },
  "alcohol-acrylic": {
    ...water,
    reversible: true,
    curedHolds: ["ok", "ok", "ok", "care", "test"],
    filmFormingC: null,
    defaultVolumeSolids: 0.3,
    serviceC: 60,
    usualCarriers: ["alcohol", "water"],
    openHours: "water",
    swellsInAlcohol: true,
    isolatesOld: "all",
  },
  "wb-acrylic-urethane": {
    ...water,
    curedHolds: ["ok", "ok", "ok", "care", "test"],
    serviceC: 70,
    usualCarriers: ["water"],
    openHours: "varnish",
    isolatesOld: "all",
  },
  "acrylic-lacquer": {
    ...base,
    whileCuringBite: 2,
    reversible: true,
    bondsByRedissolving: true,
    serviceC: 65,
    neverWaterAlone: true,
    usualCarriers: ["ester", "aromatic"],
    openHours: "lacquer",
    hard: true,
  },
  "nc-lacquer": {
    ...base,
    reversible: true,
    bondsByRedissolving: true,
    brittle: true,
    serviceC: 60,
    neverWaterAlone: true,
    usualCarriers: ["ester", "ketone"],
    openHours: "lacquer",
    hard: true,
  },
  "lacquer-putty": {
    ...base,
    whileCuringBite: 2,
    reversible: true,
    bondsByRedissolving: true,
    brittle: true,
    defaultVolumeSolids: 0.55,
    defaultDensityGMl: 1.5,
    serviceC: 60,
    skinUm: 250,
    neverWaterAlone: true,
  },
  alkyd: {
    ...base,
    mechanism: "oxidation",
    curedHolds: ["ok", "ok", "ok", "care", "test"],
    defaultVolumeSolids: 0.45,
    serviceC: 90,
    usualCarriers: ["aliphatic"],
    openHours: "enamel",
  },
  "pvb-etch": {
    ...base,
    whileCuringBite: 0,
    curedHolds: ["ok", "ok", "ok", "ok", "care"],
    curedAlcohol: "test",
    defaultVolumeSolids: 0.15,
    serviceC: 80,
    neverWaterAlone: true,
    openHours: "etch",
    staleInADay: true,
    laidAs: "primer-etch",
  },
  shellac: {
    ...base,
    whileCuringBite: 0,
    curedHolds: ["ok", "ok", "ok", "care", "test"],
    curedAlcohol: "stop",
    reversible: true,
    brittle: true,
    defaultVolumeSolids: 0.2,
    serviceC: 55,
    neverWaterAlone: true,
    usualCarriers: ["alcohol"],
    openHours: "shellac",
    isolatesOld: "all-but-alcohol",
  },
  "epoxy-2k": {
    ...twoPart,
    serviceC: 100,
    standsOilFuel: true,
    openHours: "two-part",
    hard: true,
    sweatsAmines: true,
    isolatesOld: "all",
  },
  "epoxy-putty": {
    ...twoPart,
    brittle: true,
    defaultVolumeSolids: 1,
    defaultDensityGMl: 1.7,
    serviceC: 90,
    skinUm: 10000,
    standsOilFuel: true,
    hard: true,
    sweatsAmines: true,
    isolatesOld: "all",
  },
  "urethane-2k": {
    ...twoPart,
    serviceC: 110,
    standsOilFuel: true,
    openHours: "two-part",
    hard: true,
    isocyanate: true,
    isolatesOld: "all",
  },
  "urethane-mc": {
    ...twoPart,
    twoPart: false,
    serviceC: 110,
    standsOilFuel: true,
    openHours: "two-part",
    hard: true,
    isocyanate: true,
    isolatesOld: "all",
  },
  "polyester-2k": {
    ...twoPart,
    whileCuringBite: 2,
    curedHolds: ["ok", "ok", "ok", "ok", "care"],
    brittle: true,
    defaultVolumeSolids: 0.95,
    defaultDensityGMl: 1.6,
    serviceC: 90,
    skinUm: 6000,
    standsOilFuel: true,
    neverWaterAlone: true,
    hard: true,
    isolatesOld: "all",
  },
  "uv-acrylate": {
    ...twoPart,
    mechanism: "light",
    twoPart: false,
    mustScuffWhenMissed: false,
    defaultVolumeSolids: 1,
    serviceC: 80,
    skinUm: 1000,
    standsOilFuel: true,
  },
  "gypsum-filler": {
    ...water,
    curedHolds: ["ok", "ok", "ok", "care", "care"],
    curedAlcohol: null,
    filmFormingC: 5,
    defaultVolumeSolids: 0.6,
    defaultDensityGMl: 1.3,
    serviceC: 80,
    skinUm: 3000,
    isolatesOld: "all",
    porousFill: true,
  },
  "cpo-promoter": {
    ...base,
    defaultVolumeSolids: 0.05,
    serviceC: 70,
    neverWaterAlone: true,
    staleInADay: true,
    laidAs: "promoter",
  },
  cyanoacrylate: {
    ...base,
    mechanism: "reaction",
    whileCuringBite: 2,
    curedHolds: ["ok", "ok", "ok", "care", "test"],
    brittle: true,
    defaultVolumeSolids: 1,
    serviceC: 70,
    skinUm: 1000,
    neverWaterAlone: true,
    fogs: true,
  },
  "solvent-cement": { ...base, defaultVolumeSolids: 0.1, serviceC: 60, neverWaterAlone: true, fogs: true },
};

const FACTS = Object.fromEntries(FAMILIES.map((id) => [id, { id, ...TABLE[id] }])) as Record<FamilyId, FamilyFacts>;

export const familyFacts = (id: FamilyId): FamilyFacts => FACTS[id];
/** Families with a trait, in the vocabulary's order; for rules, whose facts name families. */
export const familiesWith = (has: (f: FamilyFacts) => boolean): readonly FamilyId[] =>
  FAMILIES.filter((id) => has(FACTS[id]));

type RatioRow = Readonly<Record<Milestone, number>>;

/**
 * Usual ratios between the times on a label, by what governs drying (est., from the spread of ordinary
 * labels). A missing time is the nearest given one multiplied by the quotient of their ratios.
 */
export const LABEL_TIME_RATIOS: Readonly<Record<DryingMechanism, RatioRow>> = {
  solvent: { flash: 1, touch: 2, handle: 4, recoat: 2, sandable: 10, "tape-safe": 14, polishable: 60, cured: 140 },
  water: { flash: 1, touch: 1.5, handle: 4, recoat: 3, sandable: 12, "tape-safe": 24, polishable: 72, cured: 330 },
  oxidation: { flash: 1, touch: 8, handle: 16, recoat: 8, sandable: 48, "tape-safe": 48, polishable: 150, cured: 330 },
  // dry to the touch within the hour, sanded on the morrow
  reaction: { flash: 1, touch: 4, handle: 8, recoat: 4, sandable: 32, "tape-safe": 32, polishable: 96, cured: 440 },
  light: { flash: 1, touch: 1, handle: 1, recoat: 1, sandable: 1, "tape-safe": 1, polishable: 1, cured: 1 },
};

/** Evaporation enthalpy ΔH, J/mol: solvents about 38 kJ, water 44 kJ near room temperature. */
export const EVAPORATION_J_PER_MOL = { solvent: 38_000, water: 44_000 } as const;
/** Activation of diffusion through the drying film, J/mol (est.). */
export const DIFFUSION_J_PER_MOL = { solvent: 60_000, water: 50_000 } as const;
/** Activation of cure, J/mol (est.): two-part reaction and alkyd oxidation; the hardening clock shares the latter. */
export const REACTION_J_PER_MOL = { reaction: 55_000, oxidation: 60_000, hardening: 60_000 } as const;
/** Still room air, m/s: the airflow at which labels are read. */
export const STILL_AIR_M_S = 0.1;
/** Spread of how fast a real film is against its label, log-normal σ (est.). */
export const WAIT_SIGMA = 0.35;
/** The same told apart, in logarithms (est.): the shed's own part, the product's, and how single coats scatter about the two (times Student's t). */
export const SHED_SD = 0.2;
export const PRODUCT_SD = 0.29;
export const COAT_SCATTER = 0.12;

/** It hardens by losing its water or solvent, and grows smaller as it does; of an unknown family nobody can say otherwise. */
export const dries = ({ family }: { readonly family: FamilyId | "unknown" }): boolean =>
  family === "unknown" || DRYING.has(familyFacts(family).mechanism);
const DRYING: ReadonlySet<DryingMechanism> = new Set<DryingMechanism>(["solvent", "water"]);
