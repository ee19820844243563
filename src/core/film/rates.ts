import type { AirPoint } from "../model";
import {
  DIFFUSION_J_PER_MOL,
  EVAPORATION_J_PER_MOL,
  REACTION_J_PER_MOL,
  STILL_AIR_M_S,
  saturationHPa,
} from "../reference";
import { arrhenius } from "./solver/substance";

/** Clocks that run by the air alone; 1.0 at 20 °C, 50 % RH, still air. */
export const CLOCK_LAWS = ["wipe", "part-dry", "reaction", "oxidation", "hardening", "light"] as const;
export type ClockLaw = (typeof CLOCK_LAWS)[number];

const REF_TEMP_C = 20;
const REF_RH_PCT = 50;
export const REFERENCE_AIR: Omit<AirPoint, "atMin"> = {
  tempC: REF_TEMP_C,
  rhPct: REF_RH_PCT,
  airflowMS: STILL_AIR_M_S,
};

/** How much faster moving air carries vapour off: √(v/0.1), at least 1. */
export const airflowFactor = (airflowMS: number): number =>
  Math.sqrt(Math.max(airflowMS, STILL_AIR_M_S) / STILL_AIR_M_S);

type Air = Omit<AirPoint, "atMin">;

/** No clock ever stands quite still, so that sums stay invertible; a wait at this rate is beyond any horizon. */
const LEAST_RATE = 1e-6;

/** The air's thirst for water against reference air: its vapour-pressure deficit. */
const thirst = (air: Air): number =>
  (saturationHPa(air.tempC) * Math.max(0, 1 - air.rhPct / 100)) / (saturationHPa(REF_TEMP_C) * (1 - REF_RH_PCT / 100));

function clockRate(law: ClockLaw, air: Air): number {
  switch (law) {
    case "wipe":
      return arrhenius(EVAPORATION_J_PER_MOL.solvent, air.tempC) * airflowFactor(air.airflowMS);
    case "part-dry":
      return thirst(air) * airflowFactor(air.airflowMS);
    case "light":
      return 1;
    default:
      return arrhenius(REACTION_J_PER_MOL[law], air.tempC);
  }
}

/**
 * How a drying time of one film answers to the air: between surface and depth, and to the damp. Interned, so that all
 * films alike in it share one running sum.
 */
export interface DryingLaw {
  /** share of the depth in the logarithm of the rate, the surface has the rest */
  readonly depth: number;
  readonly water: boolean;
  /** activity at which the threshold is in balance with the air: at and above it nothing dries to it; water only */
  readonly limit: number;
  /** powers of the room left for water, in drier and in damper air than reference */
  readonly dryPower: number;
  readonly dampPower: number;
}
export type RateLaw = ClockLaw | DryingLaw;

const laws = new Map<string, DryingLaw>();
const STEP = { depth: 0.05, limit: 0.01, power: 0.1 } as const;
const stepped = (x: number, step: number): number => Math.round(x / step) * step;

/** Nearest of a few hundred laws, so that sums can be shared. */
export function dryingLaw(law: DryingLaw): DryingLaw {
  const rounded: DryingLaw = {
    depth: stepped(law.depth, STEP.depth),
    water: law.water,
    limit: law.water ? stepped(law.limit, STEP.limit) : 1,
    dryPower: law.water ? stepped(law.dryPower, STEP.power) : 0,
    dampPower: law.water ? stepped(law.dampPower, STEP.power) : 0,
  };
  const key = Object.values(rounded).join(" ");
  const known = laws.get(key) ?? rounded;
  laws.set(key, known);
  return known;
}

const REF_ACTIVITY = REF_RH_PCT / 100;

/** Room for water left below the threshold's balance, against reference air; 0 where nothing dries. */
export const roomLeft = (limit: number, activity: number): number =>
  Math.max(0, (limit - activity) / (limit - REF_ACTIVITY));

function dryingRate(law: DryingLaw, air: Air): number {
  const kind = law.water ? "water" : "solvent";
  const depth = arrhenius(DIFFUSION_J_PER_MOL[kind], air.tempC);
  const surface = arrhenius(EVAPORATION_J_PER_MOL[kind], air.tempC) * airflowFactor(air.airflowMS);
  const rate = depth ** law.depth * surface ** (1 - law.depth);
  if (!law.water) return rate;
  const activity = air.rhPct / 100;
  const power = activity < REF_ACTIVITY ? law.dryPower : law.dampPower;
  return rate * roomLeft(law.limit, activity) ** power;
}

/** Rate of a law in this air relative to reference air; positive. */
export const rateIn = (law: RateLaw, air: Air): number =>
  Math.max(LEAST_RATE, typeof law === "string" ? clockRate(law, air) : dryingRate(law, air));
