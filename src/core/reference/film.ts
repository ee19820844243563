import type { Carrier, Product } from "../model";
import { DIFFUSION_J_PER_MOL, EVAPORATION_J_PER_MOL, familyFacts } from "./families";
import { mechanismOf } from "./label";

/** What a family's films share as far as the film model goes. All of it estimates; the label anchors the rest. */
export interface FilmDefaults {
  readonly water: boolean;
  /** surface exchange at 20 °C in still air, µm/min */
  readonly kUmMin: number;
  readonly beta: number;
  readonly diffusionJ: number;
  readonly evaporationJ: number;
  readonly kappa: number;
  readonly waterKappa: number;
  readonly phiFormed: number;
  readonly phiSettled: number;
  /** largest volatile share anywhere in a film that sands */
  readonly sandPhi: number;
}

/** How fast carriers fly off against n-butyl acetate = 1 (est.; acetone about 5.6, xylene 0.75, white spirit 0.12). */
const EVAPORATION_RATE: Readonly<Record<Carrier, number>> = {
  water: 0.3,
  alcohol: 1.7,
  "glycol-ether": 0.4,
  aliphatic: 0.12,
  aromatic: 0.75,
  ester: 1,
  ketone: 5.6,
  ether: 10,
  "reactive-diluent": 0.3,
};
/** An aerosol's lacquer blend, and what nobody has named. */
const BLEND_RATE = 2;
/** µm/min at 20 °C in still air for a carrier as quick as n-butyl acetate (est.). */
const K_PER_RATE = 5;
const K_WATER = 3;

const WATER = { beta: 6, kappa: 0.1, phiFormed: 0.25, phiSettled: 0.25, sandPhi: 0.08 } as const;
/** A glassy film takes up even a good solvent slowly, whatever its binder (Case II diffusion), so κ is small for all of them (est.). */
const SOLVENT = { beta: 10, kappa: 0.1, phiFormed: 0.2, phiSettled: 0.05, sandPhi: 0.05 } as const;
/** A solvent-borne film takes up a few hundredths of water at the most, however wet what lies on it (est.). */
const WATER_KAPPA = 0.02;

type FilmLike = Pick<Product, "family" | "carriers" | "method">;

/** Water if the label names it; if nobody named the carriers, as the family goes. */
function driesByWater(p: Pick<Product, "family" | "carriers">): boolean {
  if (p.carriers === "unknown") return mechanismOf(p.family) === "water";
  return p.carriers.includes("water");
}

/** Geometric mean over the carriers: the slow ones stay behind and set the pace (est.). */
function blendRate(p: FilmLike): number {
  if (p.carriers === "unknown" || p.carriers.length === 0) return BLEND_RATE;
  if (p.method === "aerosol" && p.carriers.some((c) => c === "ketone" || c === "ester")) return BLEND_RATE;
  const logs = p.carriers.map((c) => Math.log(EVAPORATION_RATE[c]));
  return Math.exp(logs.reduce((a, b) => a + b, 0) / logs.length);
}

export function filmDefaults(p: FilmLike): FilmDefaults {
  const water = driesByWater(p);
  const kind = water ? "water" : "solvent";
  return {
    ...(water ? WATER : SOLVENT),
    water,
    waterKappa: WATER_KAPPA,
    kUmMin: water ? K_WATER : K_PER_RATE * blendRate(p),
    diffusionJ: DIFFUSION_J_PER_MOL[kind],
    evaporationJ: EVAPORATION_J_PER_MOL[kind],
  };
}

/** Share of the wet film that stays, as the card has it or as the family usually is. */
export const volumeSolidsOf = (p: Pick<Product, "volumeSolids" | "family">): number =>
  p.volumeSolids ?? (p.family === "unknown" ? UNKNOWN_SOLIDS : familyFacts(p.family).defaultVolumeSolids);
const UNKNOWN_SOLIDS = 0.3;

/** Volatile share of the wet film, [0, MOST_VOLATILE]. */
export const wetVolatile = (p: Pick<Product, "volumeSolids" | "family">): number =>
  Math.min(MOST_VOLATILE, 1 - volumeSolidsOf(p));
/** A film of all but no solids would be nothing to follow. */
const MOST_VOLATILE = 0.97;

/** Cure degree called through cured. */
export const ALPHA_CURED = 0.95;
/** Dust no longer sticks after this share of the touch-dry time (est.). */
export const DUST_FREE_OF_TOUCH = 0.7;
/** A film this near to its balance with the air is dry as far as drying goes; what comes later is hardening (est.). */
export const BALANCE_MARGIN_PHI = 0.002;
/** The same for times after handling: paper and tape feel no smaller difference (est.). */
export const LATE_MARGIN_PHI = 0.02;
/** Water a through-cured film may hold above its balance with the air it is in. */
export const CURED_WATER_MARGIN_PHI = 0.02;
/** In air damper than this no water-borne film is called through cured, %. */
export const CURED_UP_TO_RH_PCT = 80;
/** A reacting film's solvent is gone after so many times its touch-dry time, or by its sandable time if that is sooner (est.). */
export const SOLVENT_GONE_OF_TOUCH = 3;
/** Of the label's own early waits a coat is given at least this share: a mist as thin as `mist` of the label's film half, from `thin` on all of it (est.). */
export const EARLY_SHARE = { mist: 0.3, thin: 0.6, ofMist: 0.5 } as const;
/**
 * Of the label's later waits (handle, sandable, tape, polish) a film is given at least this share, by its thickness against
 * the label's whole pile: all of it from light coats on, half of it for mists, less in proportion below (est.). Solvent leaves
 * a thin film in minutes, and yet nobody has paper run dry over a lacquer at a tenth of what its can says.
 */
export const LATE_SHARE = { mist: 0.3, thin: 0.6, ofMist: 0.5 } as const;
/** Share of the label's sandable time evaporation alone may take; slower than that and the surface is taken to be quicker. */
export const FLOOR_SHARE = 0.8;
