import {
  BITES,
  FAMILIES,
  type FamilyId,
  isOneOf,
  MATERIALS,
  type MaterialId,
  type PrepStep,
  type Product,
  type Region,
  SPRAY_METHODS,
  type Condition as Surface,
  type Unknown,
} from "../model";
import { type BiteAnswer, familyFacts, materialFacts, strongestBite } from "../reference";
import type { Candidates, Facts, FilmState, KnownValue } from "./facts";

/** What each preparatory step does to a face: conditions it ends and conditions it brings. */
const PREP_EFFECT: Readonly<
  Record<PrepStep, { readonly ends: readonly Surface[]; readonly brings: readonly Surface[] }>
> = {
  degrease: { ends: ["greasy", "released"], brings: ["degreased"] },
  derust: { ends: ["rusted"], brings: ["dusty"] },
  wash: { ends: ["greasy", "released", "dusty", "flux-residue", "damp", "damp-joints"], brings: ["washed", "dried"] },
  "post-cure": { ends: ["uncured", "cure-unknown", "surface-cured"], brings: [] },
  key: { ends: ["shiny", "tarnished"], brings: ["keyed", "dusty"] },
  "dust-off": { ends: ["dusty"], brings: ["dusted"] },
  wipe: { ends: ["dusty"], brings: ["clean"] },
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

export const isSprayed = (p: Pick<Product, "method">): boolean => isOneOf(SPRAY_METHODS)(p.method);

/** Bites a product may turn out to have: one when its carriers are known, all when they are not. */
export function possibleBites(p: Pick<Product, "bite" | "carriers">): readonly number[] {
  if (p.bite !== null) return [BITES.indexOf(p.bite)];
  return p.carriers === "unknown" ? BITES.map((_, i) => i) : [strongestBite(p.carriers)];
}

const candidatesOf = (values: readonly KnownValue[], missing: string): KnownValue | Candidates => {
  const distinct = [...new Set(values)];
  return distinct.length === 1 ? distinct[0]! : { candidates: distinct, missing };
};

const possibleMaterials = (m: MaterialId | Unknown): readonly MaterialId[] => (m === "unknown" ? MATERIALS : [m]);
const possibleFamilies = (f: FamilyId | Unknown): readonly FamilyId[] => (f === "unknown" ? FAMILIES : [f]);

export function regionFacts(region: Region, material: MaterialId | Unknown, prep: readonly PrepStep[]): Facts {
  const of = (pick: (m: ReturnType<typeof materialFacts>) => KnownValue) =>
    candidatesOf(
      possibleMaterials(material).map((m) => pick(materialFacts(m))),
      "region.material",
    );
  return {
    "region.material": of((m) => m.id),
    "region.group": of((m) => m.group),
    "region.slick": of((m) => m.slick),
    "region.porous": of((m) => m.porous),
    "region.flexible": of((m) => m.flexible),
    "region.withoutPromoter": of((m) => m.withoutPromoter),
    "region.conditions": preparedConditions(region.conditions, prep),
    "region.finish": region.finish,
    "region.exposure": region.exposure,
  };
}

/** What the strongest carrier does to the bare material. */
export function bareBiteAnswer(material: MaterialId | Unknown, p: Product): KnownValue | Candidates {
  const answers: BiteAnswer[] = possibleMaterials(material).flatMap((m) =>
    possibleBites(p).map((b) => materialFacts(m).byBite[b]!),
  );
  return candidatesOf(answers, material === "unknown" ? "region.material" : "product.carriers");
}

const SOFT_STATES: readonly FilmState[] = ["wet", "uncured", "gap"];

function filmBiteAnswer(
  lower: FamilyId,
  state: FilmState,
  bite: number,
  alcohol: boolean,
  sameFamily: boolean,
): string {
  const f = familyFacts(lower);
  const cured = alcohol && f.curedAlcohol !== null && bite === 1 ? f.curedAlcohol : f.curedHolds[bite]!;
  if (state === "open" && (sameFamily || cured === "ok")) return "ok";
  if (SOFT_STATES.includes(state) || state === "open") return bite <= f.whileCuringBite ? "ok" : "stop";
  // what it re-dissolves it also bonds to: thin coats are right, wet ones a care
  return f.reversible && bite >= 3 ? "ok-light" : cured;
}

/** What the upper coat's strongest carrier does to the film below in the state that film is in. */
export function seamBiteAnswer(lower: Product, upper: Product, state: FilmState): KnownValue | Candidates {
  const alcohol = upper.carriers !== "unknown" && upper.carriers.includes("alcohol");
  const answers = possibleFamilies(lower.family).flatMap((family) =>
    possibleBites(upper).map((b) => filmBiteAnswer(family, state, b, alcohol, upper.family === family)),
  );
  return candidatesOf(answers, lower.family === "unknown" ? "product.family" : "product.carriers");
}

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
      p.propellant === "unknown"
        ? { candidates: ["liquefied-gas", "dimethyl-ether", "compressed-gas"], missing: "product.propellant" }
        : p.propellant,
    "upper.method": p.method,
    "upper.sprayed": isSprayed(p),
    "upper.heaviness": heaviness,
    "upper.heavy": heaviness === "wet" || heaviness === "flood",
    "upper.wftUm": wftUm,
    "upper.waterBorne": family((f) => f.mechanism === "water"),
    "upper.twoPart": family((f) => f.twoPart),
    "upper.brittle": family((f) => f.brittle),
    "upper.flexibleFilm": p.flexible,
    "upper.combinedPrimer": p.combinedPrimer,
    "upper.rustInhibitor": p.rustInhibitor,
    "upper.yellowing": p.yellowing,
    "upper.sheen": p.sheen,
    "upper.effect": p.effect,
    "upper.hazards": p.hazards,
  };
}

/** Luminance (sRGB, linear light) above which a colour shows every yellowing over it (est.). */
const PALE_FROM = 0.5;

/** Is a #rrggbb colour pale? Source: relative luminance, IEC 61966-2-1. */
export function isPale(hex: string): boolean {
  const channel = (i: number) => {
    const c = Number.parseInt(hex.slice(i, i + 2), 16) / 255;
    return c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4;
  };
  return 0.2126 * channel(1) + 0.7152 * channel(3) + 0.0722 * channel(5) >= PALE_FROM;
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
}

/** True when a stated "may go over" list leaves out what is below. */
export function labelForbids(upper: Product, below: "bare" | Product): boolean {
  if (upper.mayGoOver === null) return false;
  if (below === "bare") return !upper.mayGoOver.includes("bare");
  const primer = below.role.startsWith("primer") || below.role === "surfacer" || below.role === "sealer";
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
    "lower.sheen": lower.sheen,
    "lower.pale": isPale(lower.colour) || lower.effect === "metallic" || lower.effect === "pearl",
    "lower.sanded": s.lowerSanded,
    "lower.sandable": s.lowerSandable,
    "lower.losesSolvent": family((f) => f.mechanism === "solvent" || f.mechanism === "oxidation"),
    "seam.state": state,
    "seam.scuffed": s.scuffed,
    "seam.gapGiven": s.gapGiven,
    "seam.sameProduct": lower.id === upper.id,
    "seam.sameFamily": lower.family !== "unknown" && lower.family === upper.family,
    "seam.biteAnswer": seamBiteAnswer(lower, upper, state),
    "upper.labelForbidsBelow": labelForbids(upper, lower),
  };
}
