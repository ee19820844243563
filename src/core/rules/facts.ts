/** Every fact a rule may ask: its kind, its domain, and the scopes in which it is known. */

import {
  BITES,
  CONDITIONS,
  EFFECTS,
  EXPOSURES,
  FAMILIES,
  FINISHES,
  HAZARDS,
  HEAVINESSES,
  JOINT_LOADS,
  MATERIAL_GROUPS,
  MATERIALS,
  METHODS,
  PREP_STEPS,
  PROPELLANTS,
  PROTECTIONS,
  ROLES,
  RUBS,
  SHEENS,
  STRIP_WAYS,
  TACKS,
} from "../model";

/** State the lower film is in at the moment the next coat goes on. */
export const FILM_STATES = ["wet", "uncured", "open", "gap", "hard", "cured", "missed"] as const;
export type FilmState = (typeof FILM_STATES)[number];

/** What a bite does where it lands; the `-mist`/`-light` forms are ok or care only in thin coats. */
const BITE_ANSWERS = ["ok", "care", "care-mist", "ok-light", "test", "stop"] as const;

export const RULE_SCOPES = ["first", "seam", "contact", "layer", "stack", "air"] as const;
/**
 * Where a rule looks: the ground under the first layer, a seam, a contact liquid on what it touches, one layer
 * alone, the whole pile, the air a layer is laid in.
 */
export type RuleScope = (typeof RULE_SCOPES)[number];

type FactKind =
  | { readonly kind: "one-of"; readonly values: readonly string[] }
  | { readonly kind: "set-of"; readonly values: readonly string[] }
  | { readonly kind: "number"; readonly min: number; readonly max: number }
  | { readonly kind: "flag" };

interface FactSpec {
  readonly of: FactKind;
  readonly scopes: readonly RuleScope[];
}

const oneOf = (values: readonly string[]): FactKind => ({ kind: "one-of", values });
const setOf = (values: readonly string[]): FactKind => ({ kind: "set-of", values });
const number = (min: number, max: number): FactKind => ({ kind: "number", min, max });
const flag: FactKind = { kind: "flag" };

const EVERYWHERE = RULE_SCOPES;
const ON_LAYER = ["first", "seam", "contact", "layer", "air"] as const;
const ON_FILM = ["seam", "contact"] as const;
/** What lies under the first layer: the bare material, a seal, or an older finish. */
const GROUNDS = ["bare", "sealed", "old"] as const;
/** Lead in what may be abraded: known away, taken for granted until known (some metals), or told as unknown or present. */
const LEAD_RISKS = ["none", "assumed", "told"] as const;
const HUES = ["red", "yellow", "other"] as const;
const FAMILY_VALUES = FAMILIES;

/**
 * Every fact a rule may name, its kind and the scopes in which it has a value. A value may be a
 * set of candidates (asked, not known) or null (does not apply: no condition on it is true).
 */
const FACTS = {
  "region.material": { of: oneOf(MATERIALS), scopes: EVERYWHERE },
  "region.group": { of: oneOf(MATERIAL_GROUPS), scopes: EVERYWHERE },
  "region.slick": { of: flag, scopes: EVERYWHERE },
  "region.porous": { of: flag, scopes: EVERYWHERE },
  "region.flexible": { of: flag, scopes: EVERYWHERE },
  "region.withoutPromoter": { of: oneOf(["ok", "test", "stop"]), scopes: EVERYWHERE },
  "region.conditions": { of: setOf(CONDITIONS), scopes: EVERYWHERE },
  "region.finish": { of: oneOf(FINISHES), scopes: EVERYWHERE },
  "region.exposure": { of: setOf(EXPOSURES), scopes: EVERYWHERE },
  "region.ground": { of: oneOf(GROUNDS), scopes: EVERYWHERE },
  "region.bare": { of: flag, scopes: EVERYWHERE },
  "region.rub": { of: oneOf(RUBS), scopes: EVERYWHERE },
  "region.oldFamily": { of: oneOf([...FAMILY_VALUES, "unknown"]), scopes: EVERYWHERE },
  "region.leadRisk": { of: oneOf(LEAD_RISKS), scopes: EVERYWHERE },
  "region.prep": { of: setOf(PREP_STEPS), scopes: EVERYWHERE },
  "region.hollow": { of: oneOf(["no", "unknown", "yes"]), scopes: EVERYWHERE },
  "region.washKnown": { of: flag, scopes: EVERYWHERE },
  "region.drainless": { of: flag, scopes: EVERYWHERE },
  "region.keyedDirty": { of: flag, scopes: EVERYWHERE },
  "region.keyAgeMin": { of: number(0, 10_000_000), scopes: EVERYWHERE },
  "region.fillThrough": { of: flag, scopes: EVERYWHERE },
  "region.clearNearby": { of: flag, scopes: EVERYWHERE },
  "bench.protection": { of: setOf(PROTECTIONS), scopes: EVERYWHERE },
  "upper.role": { of: oneOf(ROLES), scopes: ON_LAYER },
  "upper.family": { of: oneOf(FAMILY_VALUES), scopes: ON_LAYER },
  "upper.biteStrength": { of: number(0, BITES.length - 1), scopes: ON_LAYER },
  "upper.propellant": { of: oneOf(PROPELLANTS), scopes: ON_LAYER },
  "upper.method": { of: oneOf(METHODS), scopes: ON_LAYER },
  "upper.sprayed": { of: flag, scopes: ON_LAYER },
  "upper.heaviness": { of: oneOf(HEAVINESSES), scopes: ON_LAYER },
  "upper.heavy": { of: flag, scopes: ON_LAYER },
  "upper.wftUm": { of: number(0, 5000), scopes: ON_LAYER },
  "upper.waterBorne": { of: flag, scopes: ON_LAYER },
  "upper.twoPart": { of: flag, scopes: ON_LAYER },
  "upper.brittle": { of: flag, scopes: ON_LAYER },
  "upper.flexibleFilm": { of: flag, scopes: ON_LAYER },
  "upper.combinedPrimer": { of: flag, scopes: ON_LAYER },
  "upper.rustInhibitor": { of: flag, scopes: ON_LAYER },
  "upper.yellowing": { of: flag, scopes: ON_LAYER },
  "upper.sheen": { of: oneOf(SHEENS), scopes: ON_LAYER },
  "upper.effect": { of: oneOf(EFFECTS), scopes: ON_LAYER },
  "upper.hazards": { of: setOf(HAZARDS), scopes: ON_LAYER },
  "upper.leavesFilm": { of: flag, scopes: ON_LAYER },
  "upper.fluid": { of: flag, scopes: ON_LAYER },
  "upper.activator": { of: flag, scopes: ON_LAYER },
  "upper.lightKnown": { of: flag, scopes: ON_LAYER },
  "upper.labelForbidsBelow": { of: flag, scopes: ["first", "seam"] },
  "layer.skinOverLimit": { of: flag, scopes: ["layer"] },
  "layer.skinOverUsual": { of: flag, scopes: ["layer"] },
  "layer.beyondLight": { of: flag, scopes: ["layer"] },
  "layer.gapFine": { of: flag, scopes: ["layer"] },
  "layer.gapWide": { of: flag, scopes: ["layer"] },
  "layer.rimUm": { of: number(0, 100_000), scopes: ["layer"] },
  "layer.shaded": { of: flag, scopes: ["layer"] },
  "layer.backed": { of: flag, scopes: ["layer"] },
  "layer.activatorUsed": { of: flag, scopes: ["layer", "contact"] },
  "layer.filmBelow": { of: flag, scopes: ["layer", "contact"] },
  "layer.rubbed": { of: flag, scopes: ["layer"] },
  "layer.dryRubReachesGround": { of: flag, scopes: ["layer"] },
  "layer.heated": { of: flag, scopes: ["layer"] },
  "layer.heatOverLimit": { of: flag, scopes: ["layer"] },
  "layer.heatUnstated": { of: flag, scopes: ["layer"] },
  "layer.heatBeforeTouch": { of: flag, scopes: ["layer"] },
  "layer.canOver45": { of: flag, scopes: ["layer"] },
  "layer.canBath": { of: flag, scopes: ["layer"] },
  "layer.potLifeOver": { of: flag, scopes: ["layer"] },
  "layer.mixOff": { of: flag, scopes: ["layer"] },
  "layer.cupMix": { of: oneOf(["none", "same-family", "other-family"]), scopes: ["layer"] },
  "layer.thinnerFits": { of: flag, scopes: ["layer"] },
  "layer.coatGap": { of: oneOf(FILM_STATES), scopes: ["layer"] },
  "layer.taped": { of: oneOf(TACKS), scopes: ["layer"] },
  "layer.tapeEarly": { of: flag, scopes: ["layer"] },
  "layer.tapeOnUncured": { of: flag, scopes: ["layer"] },
  "layer.tapeOverdue": { of: flag, scopes: ["layer"] },
  "layer.promoterBelow": { of: flag, scopes: ["layer"] },
  "layer.gripBelow": { of: flag, scopes: ["layer"] },
  "layer.pastDate": { of: flag, scopes: ["layer"] },
  "layer.edgesCovered": { of: flag, scopes: ["layer"] },
  "layer.passThinEnough": { of: flag, scopes: ["layer"] },
  "layer.oldIsolated": { of: flag, scopes: ["layer"] },
  "layer.serviceUnder": { of: oneOf(["no", "usual", "stated"]), scopes: ["layer"] },
  "layer.isTop": { of: flag, scopes: ["layer"] },
  "layer.hiding": { of: oneOf(["enough", "short"]), scopes: ["layer"] },
  "layer.hue": { of: oneOf(HUES), scopes: ["layer"] },
  "layer.groundPale": { of: flag, scopes: ["layer"] },
  "layer.ladderJump": { of: flag, scopes: ["layer"] },
  "layer.sandsThrough": { of: flag, scopes: ["layer"] },
  "layer.dryUmBelowIsBarrier": { of: number(0, 20_000), scopes: ["layer"] },
  "layer.barrierCoatsBelow": { of: number(0, 100), scopes: ["layer"] },
  "layer.barrierCured": { of: flag, scopes: ["layer"] },
  "layer.isFirst": { of: flag, scopes: ["layer"] },
  "first.biteAnswer": { of: oneOf(BITE_ANSWERS), scopes: ["first"] },
  "first.isContact": { of: flag, scopes: ["first"] },
  "first.maskedOff": { of: flag, scopes: ["first"] },
  "seam.state": { of: oneOf(FILM_STATES), scopes: ON_FILM },
  "seam.biteAnswer": { of: oneOf(BITE_ANSWERS), scopes: ON_FILM },
  "seam.sameProduct": { of: flag, scopes: ON_FILM },
  "seam.sameFamily": { of: flag, scopes: ON_FILM },
  "seam.scuffed": { of: flag, scopes: ON_FILM },
  "seam.gapGiven": { of: flag, scopes: ON_FILM },
  "lower.role": { of: oneOf(ROLES), scopes: ON_FILM },
  "lower.family": { of: oneOf(FAMILY_VALUES), scopes: ON_FILM },
  "lower.waterBorne": { of: flag, scopes: ON_FILM },
  "lower.hasWindow": { of: flag, scopes: ON_FILM },
  "lower.mustScuffWhenMissed": { of: flag, scopes: ON_FILM },
  "lower.sheen": { of: oneOf(SHEENS), scopes: ON_FILM },
  "lower.pale": { of: flag, scopes: ON_FILM },
  "lower.sandable": { of: flag, scopes: ON_FILM },
  "lower.losesSolvent": { of: flag, scopes: ON_FILM },
  "lower.sanded": { of: flag, scopes: ON_FILM },
  "lower.dark": { of: flag, scopes: ON_FILM },
  "seam.early": { of: flag, scopes: ON_FILM },
  "seam.shortOfFlash": { of: flag, scopes: ON_FILM },
  "seam.sameClass": { of: flag, scopes: ON_FILM },
  "seam.sharesSolvent": { of: flag, scopes: ON_FILM },
  "seam.polishBelow": { of: flag, scopes: ["seam"] },
  "seam.alcohol": { of: flag, scopes: ON_FILM },
  "seam.amineBlush": { of: flag, scopes: ON_FILM },
  "seam.maskingFluidBelow": { of: flag, scopes: ON_FILM },
  "lower.onSpots": { of: flag, scopes: ON_FILM },
  "contact.beforePolishable": { of: flag, scopes: ["contact"] },
  "contact.bareAnswer": { of: oneOf(BITE_ANSWERS), scopes: ["contact"] },
  "contact.touchesBare": { of: flag, scopes: ["contact"] },
  "contact.strip": { of: oneOf(STRIP_WAYS), scopes: ["contact"] },
  "contact.jointLoad": { of: oneOf(JOINT_LOADS), scopes: ["contact"] },
  "contact.jointSmall": { of: flag, scopes: ["contact"] },
  "stack.topRole": { of: oneOf(ROLES), scopes: ["stack"] },
  "stack.topSheen": { of: oneOf(SHEENS), scopes: ["stack"] },
  "stack.showsEverything": { of: flag, scopes: ["stack"] },
  "stack.uvResistant": { of: flag, scopes: ["stack"] },
  "stack.grooveLostPct": { of: number(0, 100), scopes: ["stack"] },
  "stack.ridgeLeftUm": { of: number(0, 5000), scopes: ["stack"] },
  "stack.reversibleCoats": { of: number(0, 200), scopes: ["stack"] },
  "stack.scratchShows": { of: flag, scopes: ["stack"] },
  "stack.overFit": { of: flag, scopes: ["stack"] },
  "stack.overMass": { of: flag, scopes: ["stack"] },
  "stack.massUnknown": { of: flag, scopes: ["stack"] },
  "stack.topOilProof": { of: oneOf(["stated-no", "unsure", "yes"]), scopes: ["stack"] },
  "stack.topWaterBorne": { of: flag, scopes: ["stack"] },
  "stack.gapOpen": { of: flag, scopes: ["stack"] },
  "stack.soakMin": { of: number(0, 1440), scopes: ["stack"] },
  "stack.pitsOpen": { of: flag, scopes: ["stack"] },
  "stack.ridgeBuried": { of: flag, scopes: ["stack"] },
  "stack.fadingHue": { of: oneOf(HUES), scopes: ["stack"] },
  "air.tempC": { of: number(-30, 60), scopes: ["air"] },
  "air.rhPct": { of: number(0, 100), scopes: ["air"] },
  "air.dewMarginC": { of: number(0, 60), scopes: ["air"] },
  "air.belowLimit": { of: flag, scopes: ["air"] },
  "air.aboveLimit": { of: flag, scopes: ["air"] },
  "air.aboveHumidityLimit": { of: flag, scopes: ["air"] },
  "air.belowFilmForming": { of: flag, scopes: ["air"] },
  "air.frostTonight": { of: flag, scopes: ["air"] },
  "air.canC": { of: number(-30, 100), scopes: ["air"] },
} as const satisfies Readonly<Record<string, FactSpec>>;

export type FactName = keyof typeof FACTS;
/** Not known, but one of these; `missing` names the entry that would settle it. */
export interface Candidates {
  readonly candidates: readonly KnownValue[];
  readonly missing: string;
}
export type KnownValue = string | number | boolean | readonly string[] | null;
export type FactValue = KnownValue | Candidates;
export type Facts = Partial<Readonly<Record<FactName, FactValue>>>;
export const FACT_SPECS: Readonly<Record<string, FactSpec>> = FACTS;

export const isCandidates = (v: FactValue | undefined): v is Candidates =>
  typeof v === "object" && v !== null && "candidates" in v;

const SLOT: ReadonlyMap<string, number> = new Map(Object.keys(FACTS).map((name, i) => [name, i]));
export const slotOf = (name: FactName): number => SLOT.get(name)!;

/** Facts in numbered slots, as rules are asked by the thousand. Made once, laid over by copies, never changed after. */
export interface FactSheet {
  /** one value per fact of the table, in its order; undefined = has no value here */
  readonly slots: readonly (FactValue | undefined)[];
  /** names of facts that hold candidates instead of a value */
  readonly open: readonly FactName[];
}

const BLANK: FactSheet = { slots: Array.from({ length: SLOT.size }, () => undefined), open: [] };

/** A sheet with these facts over those of the sheet below; the new ones win. */
export function factSheet(facts: Facts, below: FactSheet = BLANK): FactSheet {
  const slots = below.slots.slice();
  let open: FactName[] | null = null;
  for (const name in facts) {
    const value = facts[name as FactName];
    slots[SLOT.get(name)!] = value;
    if (isCandidates(value)) {
      open ??= [];
      open.push(name as FactName);
    }
  }
  const kept = below.open.length === 0 ? below.open : below.open.filter((n) => !(n in facts));
  return { slots, open: open ? [...kept, ...open] : kept };
}
