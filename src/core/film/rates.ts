import { GAS_CONSTANT_J_PER_MOL_K, kelvinFromC, unreachable } from "../base";
import type { AirPoint, Milestone } from "../model";
import {
  DIFFUSION_J_PER_MOL,
  type DryingMechanism,
  EVAPORATION_J_PER_MOL,
  REACTION_J_PER_MOL,
  RH_CEILING_PCT,
  STILL_AIR_M_S,
} from "../reference";

/** What limits a wait; each law is a rate of air alone, 1.0 at 20 °C, 50 % RH, still air. */
export const RATE_LAWS = [
  "evaporation-solvent",
  "evaporation-water",
  "diffusion-solvent",
  "diffusion-water",
  "reaction",
  "oxidation",
  "hardening",
  "hardening-water",
  "light",
  "part-dry",
] as const;
export type RateLaw = (typeof RATE_LAWS)[number];

const REF_TEMP_C = 20;
const REF_RH_PCT = 50;
export const REFERENCE_AIR: Omit<AirPoint, "atMin"> = {
  tempC: REF_TEMP_C,
  rhPct: REF_RH_PCT,
  airflowMS: STILL_AIR_M_S,
};

/** exp(−E/R·(1/T − 1/293.15 K)), E in J/mol; 1 at 20 °C, rising with temperature. */
export function arrhenius(energyJPerMol: number, tempC: number): number {
  const inverse = 1 / kelvinFromC(tempC) - 1 / kelvinFromC(REF_TEMP_C);
  return Math.exp((-energyJPerMol / GAS_CONSTANT_J_PER_MOL_K) * inverse);
}

/** How much faster moving air carries vapour off: √(v/0.1), at least 1. */
const airflowFactor = (airflowMS: number): number => Math.sqrt(Math.max(airflowMS, STILL_AIR_M_S) / STILL_AIR_M_S);

/** Share of the air's room for water against 50 % RH; never quite nil. */
const roomForWater = (rhPct: number): number => (100 - Math.min(rhPct, RH_CEILING_PCT)) / (100 - REF_RH_PCT);

type Air = Omit<AirPoint, "atMin">;

/** Rate of a law in this air relative to reference air; positive. */
export function rateIn(law: RateLaw, air: Air): number {
  switch (law) {
    case "evaporation-solvent":
      return arrhenius(EVAPORATION_J_PER_MOL.solvent, air.tempC) * airflowFactor(air.airflowMS);
    case "evaporation-water":
    case "part-dry":
      return arrhenius(EVAPORATION_J_PER_MOL.water, air.tempC) * airflowFactor(air.airflowMS) * roomForWater(air.rhPct);
    case "diffusion-solvent":
      return arrhenius(DIFFUSION_J_PER_MOL.solvent, air.tempC);
    case "diffusion-water":
      return arrhenius(DIFFUSION_J_PER_MOL.water, air.tempC) * roomForWater(air.rhPct);
    case "reaction":
      return arrhenius(REACTION_J_PER_MOL.reaction, air.tempC);
    case "oxidation":
      return arrhenius(REACTION_J_PER_MOL.oxidation, air.tempC);
    case "hardening":
      return arrhenius(REACTION_J_PER_MOL.hardening, air.tempC);
    case "hardening-water":
      return arrhenius(REACTION_J_PER_MOL.hardening, air.tempC) * roomForWater(air.rhPct);
    case "light":
      return 1;
    default:
      return unreachable(law);
  }
}

interface Scaling {
  readonly law: RateLaw;
  /** exponent n of (L / L_label) */
  readonly thicknessPower: 0 | 1 | 2;
  /** true when the label means the pile after its last coat, false when its first coat */
  readonly afterLastCoat: boolean;
}

const EARLY: ReadonlySet<Milestone> = new Set<Milestone>(["flash", "touch", "recoat"]);

const lateLaw: Record<DryingMechanism, Omit<Scaling, "afterLastCoat">> = {
  solvent: { law: "diffusion-solvent", thicknessPower: 2 },
  water: { law: "diffusion-water", thicknessPower: 2 },
  oxidation: { law: "oxidation", thicknessPower: 1 },
  reaction: { law: "reaction", thicknessPower: 0 },
  light: { law: "light", thicknessPower: 0 },
};

/** Which law and thickness power govern a milestone of a film that dries by this mechanism. */
export function scalingOf(mechanism: DryingMechanism, milestone: Milestone): Scaling {
  const key = `${mechanism} ${milestone}`;
  const known = scalings.get(key) ?? makeScaling(mechanism, milestone);
  scalings.set(key, known);
  return known;
}
/** Fifty entries at the most, asked tens of thousands of times. */
const scalings = new Map<string, Scaling>();

function makeScaling(mechanism: DryingMechanism, milestone: Milestone): Scaling {
  if (EARLY.has(milestone)) return earlyScaling(mechanism, milestone);
  const late = lateLaw[mechanism];
  // through cured is a hardening clock: its label time holds at any thickness, but never before the depth is sandable
  if (milestone === "cured" && mechanism === "solvent")
    return { law: "hardening", thicknessPower: 0, afterLastCoat: true };
  if (milestone === "cured" && mechanism === "water")
    return { law: "hardening-water", thicknessPower: 0, afterLastCoat: true };
  return { ...late, afterLastCoat: true };
}

function earlyScaling(mechanism: DryingMechanism, milestone: Milestone): Scaling {
  if (mechanism === "light") return { law: "light", thicknessPower: 0, afterLastCoat: false };
  if (mechanism === "reaction" && milestone === "recoat")
    return { law: "reaction", thicknessPower: 0, afterLastCoat: false };
  const law = mechanism === "water" ? "evaporation-water" : "evaporation-solvent";
  return { law, thicknessPower: 1, afterLastCoat: false };
}

/** The law by which a recoat window shuts or opens again: the chemistry, not the surface. */
export const windowLaw = (mechanism: DryingMechanism): RateLaw => lateLaw[mechanism].law;
