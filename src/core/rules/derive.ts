/** Facts of regions and products for the rules, with candidates where the user does not know. */

import {
  BITES,
  type Carrier,
  CONDITIONS,
  CONTACT_ROLES,
  EFFECTS,
  EXPOSURES,
  FAMILIES,
  type FamilyId,
  FINISHES,
  isOneOf,
  MATERIALS,
  type MaterialId,
  type PrepStep,
  type Product,
  type ProductUnknown,
  type Region,
  SHEENS,
  SPRAY_METHODS,
  type Condition as Surface,
  type Unknown,
} from "../model";
import {
  type BiteAnswer,
  carriersContradict,
  DARK_UP_TO,
  familyFacts,
  hasTrait,
  materialFacts,
  PALE_FROM,
  strongestBite,
} from "../reference";
import type { Candidates, Facts, FactValue, FilmState, KnownValue } from "./facts";

/** What each preparatory step does to a face: conditions it ends and conditions it brings. */
const PREP_EFFECT: Readonly<
  Record<PrepStep, { readonly ends: readonly Surface[]; readonly brings: readonly Surface[] }>
> = {
  degrease: { ends: ["greasy", "released"], brings: ["degreased"] },
  derust: { ends: ["rusted", "tarnished"], brings: ["dusty"] },
  drain: { ends: ["hollow-undrained"], brings: ["drained", "washed-inside"] },
  wash: { ends: ["greasy", "released", "dusty", "flux-residue", "damp", "damp-joints"], brings: ["washed", "dried"] },
  dry: { ends: ["damp", "damp-joints"], brings: ["dried"] },
  "post-cure": { ends: ["uncured", "cure-unknown", "surface-cured"], brings: [] },
  key: { ends: ["shiny", "tarnished"], brings: ["keyed", "dusty"] },
  "dust-off": { ends: ["dusty"], brings: ["dusted"] },
  rinse: { ends: ["dusty", "damp", "damp-joints"], brings: ["washed", "dried"] },
  wipe: { ends: ["dusty"], brings: ["clean"] },
  look: { ends: [], brings: [] },
  trim: { ends: ["flash", "mould-lines", "support-marks", "stringing"], brings: ["dusty"] },
  "dry-fit": { ends: [], brings: ["fit-checked"] },
  "blow-out": { ends: ["damp-joints", "dusty"], brings: [] },
  "tack-off": { ends: ["dusty"], brings: ["dusted"] },
};

/** Conditions of a face once its planned preparation is done; the wait after a wash is part of the plan, so it ends dry. */
export function preparedConditions(conditions: readonly Surface[], prep: readonly PrepStep[]): readonly Surface[] {
  const now = new Set(conditions);
  for (const step of prep) {
    for (const c of PREP_EFFECT[step].ends) now.delete(c);
    for (const c of PREP_EFFECT[step].brings) now.add(c);
  }
  return [...now];
}

export const isContact = (p: Pick<Product, "role">): boolean => isOneOf(CONTACT_ROLES)(p.role);
/** Masking fluid and the like: a liquid, not tape or film. */
const FLUID_METHODS = ["brush", "dip", "wipe", "airbrush"] as const;
export const isMaskingFluid = (p: Pick<Product, "role" | "method">): boolean =>
  p.role === "masking" && isOneOf(FLUID_METHODS)(p.method);

export const isSprayed = (p: Pick<Product, "method">): boolean => isOneOf(SPRAY_METHODS)(p.method);

/** Bites a product may turn out to have: one when its carriers are known, all when they are not. */
export function possibleBites(
  p: Pick<Product, "bite" | "carriers"> & Partial<Pick<Product, "family">>,
): readonly number[] {
  if (p.bite !== null) return [BITES.indexOf(p.bite)];
  const carriers = carriersOf(p);
  return carriers === "unknown" ? BITES.map((_, i) => i) : [strongestBite(carriers)];
}

/** What a card says it dries from, unless that contradicts its binder: then nobody knows. */
const carriersOf = (p: Pick<Product, "carriers"> & Partial<Pick<Product, "family">>): Product["carriers"] =>
  p.family !== undefined && carriersContradict({ family: p.family, carriers: p.carriers }) ? "unknown" : p.carriers;

/** A product with its strongest carrier and whether alcohol is among them; every pair it may turn out to be. */
function possibleAttacks(
  p: Pick<Product, "bite" | "carriers"> & Partial<Pick<Product, "family">>,
): readonly { bite: number; alcohol: boolean }[] {
  const carriers = carriersOf(p);
  if (carriers !== "unknown") return possibleBites(p).map((bite) => ({ bite, alcohol: carriers.includes("alcohol") }));
  return [...possibleBites(p).map((bite) => ({ bite, alcohol: false })), { bite: 1, alcohol: true }];
}

const candidatesOf = (values: readonly KnownValue[], missing: string): KnownValue | Candidates => {
  const distinct = [...new Set(values)];
  return distinct.length === 1 ? distinct[0]! : { candidates: distinct, missing };
};

const possibleMaterials = (m: MaterialId | Unknown): readonly MaterialId[] => (m === "unknown" ? MATERIALS : [m]);
const possibleFamilies = (f: FamilyId | Unknown): readonly FamilyId[] => (f === "unknown" ? FAMILIES : [f]);

/** What lies under the first layer. A seal or an older finish covers the material save where it is sanded through. */
function groundOf(region: Region): "bare" | "sealed" | "old" {
  if (region.oldFinish) return "old";
  return region.sealedBy || region.conditions.includes("sealed") ? "sealed" : "bare";
}

export const showsBare = (region: Region): boolean =>
  groundOf(region) === "bare" || region.conditions.includes("bare-spots");

/** Sets of conditions a face may have whose conditions nobody told: sound and keyed, or any one trouble. */
const CONDITION_CANDIDATES: readonly KnownValue[] = [
  ["clean", "keyed"],
  ...CONDITIONS.filter((c) => !["clean", "degreased", "washed", "dried", "dusted", "keyed", "bare"].includes(c)).map(
    (c) => [c],
  ),
];

function leadRisk(region: Region, material: MaterialId): "none" | "assumed" | "told" {
  const lead = region.oldFinish ? region.oldFinish.lead : (region.lead ?? null);
  if (lead === "unknown" || lead === "present") return "told";
  return lead === null && materialFacts(material).mayHoldLead ? "assumed" : "none";
}

export function regionFacts(region: Region, material: MaterialId | Unknown, prep: readonly PrepStep[]): Facts {
  const of = (pick: (m: ReturnType<typeof materialFacts>) => KnownValue) =>
    candidatesOf(
      possibleMaterials(material).map((m) => pick(materialFacts(m))),
      "region.material",
    );
  const untold = (name: "conditions" | "finish" | "exposure") => region.unknowns?.includes(name) ?? false;
  return {
    "region.material": of((m) => m.id),
    "region.group": of((m) => m.group),
    "region.slick": of((m) => m.slick),
    "region.porous": of((m) => m.porous),
    "region.flexible": of((m) => m.flexible),
    "region.withoutPromoter": of((m) => m.withoutPromoter),
    "region.conditions": untold("conditions")
      ? candidatesOf(CONDITION_CANDIDATES, "region.conditions")
      : preparedConditions(region.conditions, prep),
    "region.finish": untold("finish") ? candidatesOf(FINISHES, "region.finish") : region.finish,
    "region.exposure": untold("exposure")
      ? candidatesOf([[], ...EXPOSURES.map((e) => [e])], "region.exposure")
      : region.exposure,
    "region.ground": groundOf(region),
    "region.bare": showsBare(region),
    "region.rub": region.oldFinish?.rub ?? null,
    "region.oldFamily": region.oldFinish?.family ?? null,
    "region.leadRisk": of((m) => leadRisk(region, m.id)),
    "region.prep": prep,
    "region.hollow": hollowness(region),
    "region.washKnown": washKnown(region, prep),
    // drained through nothing
    "region.drainless": prep.includes("drain") && region.drainHole === false,
    "region.keyedDirty": keyedDirty(region, prep),
    "region.keyAgeMin": region.minutesSinceKey ?? null,
    "region.fillThrough": region.fillThrough ?? false,
    "region.clearNearby": region.clearNearby === true || hasTrait(material, "see-through"),
  };
}

/** A hollow counts as trouble until it was drained; what is not asked is taken as solid. */
function hollowness(region: Region): KnownValue {
  const settled = region.conditions.some((c) => c === "drained" || c === "washed-inside");
  if (settled || region.hollow == null || region.hollow === false) return "no";
  return region.hollow === "unknown" ? "unknown" : "yes";
}

/** Somebody said or plans that the face is clean: nothing told is not clean. */
function washKnown(region: Region, prep: readonly PrepStep[]): boolean {
  const now = preparedConditions(region.conditions, prep);
  return now.some((c) => c === "clean" || c === "washed" || c === "degreased");
}

/** The key comes while grease or release agent is still on the face, though something later takes it off. */
function keyedDirty(region: Region, prep: readonly PrepStep[]): boolean {
  const key = prep.indexOf("key");
  if (key < 0) return false;
  return preparedConditions(region.conditions, prep.slice(0, key)).some((c) => c === "greasy" || c === "released");
}

/** What the strongest carrier does to the bare material. A seal nobody described may hold, or may as well not be there. */
export function bareBiteAnswer(region: Region, material: MaterialId | Unknown, p: Product): FactValue {
  const ground = groundOf(region);
  if (!showsBare(region) && (ground === "old" || region.sealedBy)) return "ok";
  const undescribed = ground === "sealed" && !region.sealedBy;
  const answers: BiteAnswer[] = possibleMaterials(material).flatMap((m) =>
    possibleBites(p).map((b) => bareAnswer(m, b, p)),
  );
  if (undescribed) return candidatesOf([...answers, "ok"], "region.sealed_by");
  return candidatesOf(answers, material === "unknown" ? "region.material" : "product.carriers");
}

/** Polystyrene foam takes spirit with the aromatics taken out better than plain spirit: only a trial tells. */
function bareAnswer(m: MaterialId, bite: number, p: Pick<Product, "dearomatised">): BiteAnswer {
  if (p.dearomatised && hasTrait(m, "polystyrene-foam") && bite === 2) return "test";
  return materialFacts(m).byBite[bite]!;
}

const STRICTER: Readonly<Record<BiteAnswer, BiteAnswer>> = {
  ok: "care",
  care: "test",
  "care-mist": "test",
  test: "stop",
  stop: "stop",
};

/**
 * What a liquid does to the bare material. It lies wet where a coat would flash, so what only holds for mist is a
 * trial; a stripper is judged a grade stricter, save on metal, which no carrier attacks.
 */
export function contactBareAnswer(material: MaterialId | Unknown, p: Product): FactValue {
  const answers = possibleMaterials(material).flatMap((m) =>
    possibleBites(p).map((b) => {
      const plain = bareAnswer(m, b, p);
      if (p.role === "stripper" && materialFacts(m).group !== "metal") return STRICTER[plain];
      return plain === "care-mist" ? "test" : plain;
    }),
  );
  return candidatesOf(answers, material === "unknown" ? "region.material" : "product.carriers");
}

const SOFT_STATES: readonly FilmState[] = ["wet", "uncured", "gap"];
const GRADE = ["ok", "care", "test", "stop"] as const;
const worse = (a: string, b: string): string => (GRADE.indexOf(a as "ok") >= GRADE.indexOf(b as "ok") ? a : b);

/** From this bite on a solvent gets through an oil film that has set and not yet cured, and lifts it. */
const LIFTS_FROM_BITE = 3;

function filmBiteAnswer(
  lower: FamilyId,
  state: FilmState,
  sandable: boolean,
  attack: { bite: number; alcohol: boolean },
  sameFamily: boolean,
  ownBite: number,
): string {
  const f = familyFacts(lower);
  const { bite, alcohol } = attack;
  // a label says when its film bears another coat of itself, and thus its own solvents; a hotter one it bears once it has cured
  const lifts = f.mechanism === "oxidation" && state === "hard" && bite >= LIFTS_FROM_BITE && bite > ownBite;
  if (lifts) return "stop";
  const plain = f.curedHolds[bite]!;
  const cured = alcohol && f.curedAlcohol !== null ? worse(plain, f.curedAlcohol) : plain;
  if (state === "open" && (sameFamily || cured === "ok")) return "ok";
  // what is to be covered within its day is told the hour from which it bears its cover
  const ready = sandable || f.staleInADay;
  if (SOFT_STATES.includes(state) || (state === "open" && !ready))
    return bite <= f.whileCuringBite && !(alcohol && f.curedAlcohol !== null) ? "ok" : "stop";
  // what it re-dissolves it also bonds to: thin coats are right, wet ones a care
  return f.bondsByRedissolving && bite >= 3 && cured === "care" ? "ok-light" : cured;
}

/** What the upper coat's strongest carrier does to the film below in the state that film is in. */
function seamBiteAnswer(lower: Product, upper: Product, state: FilmState, sandable: boolean): FactValue {
  // a wash is too thin to be lifted; a label with a second window tells when the film bears whatever comes
  const bearsAll = lower.role === "wash" || lower.label.recoat.length > 1;
  const borne = bearsAll ? [BITES.length - 1] : possibleBites(lower);
  const answers = possibleFamilies(lower.family).flatMap((family) =>
    borne.flatMap((own) =>
      possibleAttacks(upper).map((a) => filmBiteAnswer(family, state, sandable, a, upper.family === family, own)),
    ),
  );
  return candidatesOf(answers, lower.family === "unknown" ? "product.family" : "product.carriers");
}

/** A fact, or every value it may have where it was told as unknown. */
const told = (p: Product, name: ProductUnknown, value: KnownValue, domain: readonly KnownValue[]): FactValue =>
  p.unknowns?.includes(name) ? candidatesOf(domain, `product.${name}`) : value;
const FLAGS = [true, false];

/** A measured film over this share of the label's is no light coat, whatever it was called (est.). */
const HEAVY_OF_LABEL = 0.8;

/** Facts of the product being laid. */
export function upperFacts(p: Product, heaviness: string, wftUm: number): Facts {
  const family = (pick: (f: ReturnType<typeof familyFacts>) => KnownValue) =>
    candidatesOf(
      possibleFamilies(p.family).map((f) => pick(familyFacts(f))),
      "product.family",
    );
  return {
    "upper.role": p.role,
    "upper.family": family((f) => f.id),
    "upper.biteStrength": candidatesOf(possibleBites(p), "product.carriers"),
    "upper.propellant":
      p.propellant === "unknown" || (p.method === "aerosol" && p.propellant === null)
        ? { candidates: ["liquefied-gas", "dimethyl-ether", "compressed-gas"], missing: "product.propellant" }
        : p.propellant,
    "upper.method": p.method,
    "upper.sprayed": isSprayed(p),
    "upper.heaviness": heaviness,
    "upper.heavy": heaviness === "wet" || heaviness === "flood" || wftUm > HEAVY_OF_LABEL * p.label.wftUm,
    "upper.wftUm": wftUm,
    "upper.waterBorne": family((f) => f.mechanism === "water"),
    "upper.twoPart": family((f) => f.twoPart),
    "upper.brittle": family((f) => f.brittle),
    "upper.flexibleFilm": told(p, "flexible", p.flexible, FLAGS),
    "upper.combinedPrimer": told(p, "combinedPrimer", p.combinedPrimer, FLAGS),
    "upper.rustInhibitor": told(p, "rustInhibitor", p.rustInhibitor, FLAGS),
    "upper.yellowing": told(p, "yellowing", p.yellowing, FLAGS),
    "upper.sheen": told(p, "sheen", p.sheen, SHEENS),
    "upper.effect": told(p, "effect", p.effect, EFFECTS),
    "upper.hazards": p.hazards,
    "upper.leavesFilm": !isContact(p),
    "upper.fluid": isMaskingFluid(p),
    "upper.lightKnown": p.light?.wavelengthNm != null && p.light.dpUm != null && p.cureDepthUm != null,
    "upper.activator": told(p, "activator", p.activator ?? false, FLAGS),
  };
}

export interface SeamSituation {
  readonly lower: Product;
  readonly upper: Product;
  readonly state: FilmState;
  readonly scuffed: boolean;
  readonly lowerSanded: boolean;
  /** has the lower film reached sandable when the next coat goes on? */
  readonly lowerSandable: boolean;
  readonly gapGiven: boolean;
  /** gap shorter than the lower film's flash */
  readonly shortOfFlash: boolean;
  /** the colour that shows where the next film goes on: clears and decals let the one below through */
  readonly groundLuminance: number;
  readonly groundEffect: Product["effect"];
  /** an epoxy that cured cold or damp and has not been washed since */
  readonly amineBlush: boolean;
  readonly maskingFluidBelow: boolean;
  /** polished since the film below, and not cleaned */
  readonly polishBelow: boolean;
  /** the film below lies on spots only, as putty does in a seam */
  readonly lowerOnSpots: boolean;
}

/** True when a stated "may go over" list leaves out what is below. */
export function labelForbids(upper: Product, below: "bare" | Product): boolean {
  if (upper.mayGoOver === null) return false;
  if (below === "bare") return !upper.mayGoOver.includes("bare");
  const primer = below.role.startsWith("primer") || below.role === "surfacer" || below.role === "sealer";
  if (upper.unknowns?.includes("mayGoOver")) return false;
  const named = below.family !== "unknown" && upper.mayGoOver.includes(below.family);
  return !(named || (primer && upper.mayGoOver.includes("primed")) || below.id === upper.id);
}

export function seamFacts(s: SeamSituation): Facts {
  const { lower, upper, state } = s;
  const family = (pick: (f: ReturnType<typeof familyFacts>) => KnownValue) =>
    candidatesOf(
      possibleFamilies(lower.family).map((f) => pick(familyFacts(f))),
      "product.family",
    );
  return {
    "lower.role": lower.role,
    "lower.family": family((f) => f.id),
    "lower.waterBorne": family((f) => f.mechanism === "water"),
    "lower.mustScuffWhenMissed": family((f) => f.mustScuffWhenMissed),
    "lower.hasWindow": lower.label.recoat.length > 0,
    "lower.sheen": told(lower, "sheen", lower.sheen, SHEENS),
    "lower.pale": told(lower, "colour", pale(s), FLAGS),
    "lower.dark": told(lower, "colour", s.groundLuminance <= DARK_UP_TO && s.groundEffect === "solid", FLAGS),
    "lower.sanded": s.lowerSanded,
    "lower.sandable": s.lowerSandable,
    "lower.losesSolvent": family((f) => f.mechanism === "solvent" || f.mechanism === "oxidation"),
    "seam.state": state,
    "seam.scuffed": s.scuffed,
    "seam.gapGiven": s.gapGiven,
    "seam.sameProduct": lower.id === upper.id,
    "seam.sameFamily": lower.family !== "unknown" && lower.family === upper.family,
    "seam.early": s.gapGiven && (state === "wet" || state === "uncured"),
    "seam.shortOfFlash": s.shortOfFlash,
    "seam.sameClass": sharesCarrier(lower, upper, () => true),
    // water they have in common dissolves nothing that has dried
    "seam.sharesSolvent": sharesCarrier(lower, upper, (c) => c !== "water"),
    "seam.polishBelow": s.polishBelow,
    "seam.alcohol":
      upper.carriers === "unknown"
        ? { candidates: FLAGS, missing: "product.carriers" }
        : upper.carriers.includes("alcohol"),
    "seam.amineBlush": s.amineBlush,
    "seam.maskingFluidBelow": s.maskingFluidBelow,
    "lower.onSpots": s.lowerOnSpots,
    "seam.biteAnswer": seamBiteAnswer(lower, upper, state, s.lowerSandable),
    "upper.labelForbidsBelow": labelForbids(upper, lower),
  };
}

const pale = (s: SeamSituation): boolean => s.groundLuminance >= PALE_FROM && s.groundEffect === "solid";

function sharesCarrier(lower: Product, upper: Product, counts: (c: Carrier) => boolean): FactValue {
  if (lower.carriers === "unknown" || upper.carriers === "unknown")
    return { candidates: FLAGS, missing: "product.carriers" };
  const below = lower.carriers;
  return upper.carriers.some((c) => counts(c) && below.includes(c));
}
