import { assert, GAS_CONSTANT_J_PER_MOL_K, kelvinFromC } from "../../base";

/** How strongly a surface holds its volatile: a solvent (Flory–Huggins), water in a latex film, or a = u for named problems. */
export type ActivityLaw = "solvent" | "water" | "linear";

/** A film-forming liquid as the model sees it. Two coats of the same product share one object. */
export interface Substance {
  /** surface exchange at 20 °C in still air, µm of volatile a minute at activity 1 */
  readonly kUmMin: number;
  /** diffusivity of the dry film at 20 °C, µm²/min */
  readonly d0Um2Min: number;
  /** plasticising exponent: D grows by exp(β·min(φ, ½)) */
  readonly beta: number;
  /** activation of diffusion, J/mol */
  readonly diffusionJ: number;
  /** evaporation enthalpy, J/mol */
  readonly evaporationJ: number;
  readonly activity: ActivityLaw;
  /** share of its solvent a formed film takes back, (0, 1] */
  readonly kappa: number;
  /** the same where the coat above brings water and this film holds none of its own; κ where it is left out */
  readonly waterKappa?: number;
  /** mean φ under which it counts as formed when the next coat goes on */
  readonly phiFormed: number;
  /**
   * Largest φ of a film of it that sands. With it the film forms little by little about `phiFormed` and settles about this, so
   * that no time jumps; without it κ is a step at `phiFormed`, as in cases told in figures.
   */
  readonly phiSettled?: number;
}

export const phiOf = (u: number): number => u / (1 + u);
/** Volatile per solids of a mix whose volatile share is φ in [0, 1). */
export const ratioOf = (phi: number): number => phi / (1 - phi);

const REF_K = kelvinFromC(20);

/** exp(−E/R·(1/T − 1/293.15 K)), E in J/mol; 1 at 20 °C, rising with temperature. */
export const arrhenius = (energyJPerMol: number, tempC: number): number =>
  Math.exp((-energyJPerMol / GAS_CONSTANT_J_PER_MOL_K) * (1 / kelvinFromC(tempC) - 1 / REF_K));

/** Flory–Huggins interaction parameter, fixed for all solvents (est.). */
const CHI = 0.5;
const LATEX_TOP = 1.02;
const LATEX_HALF = 0.02;
/** A film passes a state between these multiples of its φ: not at all above the first, wholly below the second (est.). */
type Passage = readonly [from: number, by: number];
const FORMS: Passage = [1.5, 0.5];
/** A lacquer is a film of its own when it sands; a latex settles more slowly (est., tuned to ordinary waits between coats). */
const SETTLES: Readonly<Record<"water" | "solvent", Passage>> = { water: [1.75, 0.25], solvent: [1.2, 0.3] };

function passedShare(phi: number, about: number, [from, by]: Passage): number {
  const x = Math.min(1, Math.max(0, (from - phi / about) / (from - by)));
  return x * x * (3 - 2 * x);
}

/** How far a film whose coat holds the mean share `phi` has formed: 0 not at all, 1 fully; never rising with `phi`. */
export const formedShare = (s: Substance, phi: number): number =>
  s.phiSettled === undefined ? (phi < s.phiFormed ? 1 : 0) : passedShare(phi, s.phiFormed, FORMS);

/** How far it has become a film of its own, so that the next coat of the same kind is another one on it. */
export const settledShare = (s: Substance, phi: number): number =>
  s.phiSettled === undefined
    ? 0
    : passedShare(phi, s.phiSettled, SETTLES[s.activity === "water" ? "water" : "solvent"]);

/** Share of φ up to which volatile still speeds its own diffusion. */
const PHI_PLASTIC_MAX = 0.5;

/** Activity of the volatile at ratio u, rising in u; below 0 continued as a straight line so that a solver may pass through. */
export function activityAt(law: ActivityLaw, u: number): number {
  if (law === "linear") return u;
  if (law === "water") return u < 0 ? (LATEX_TOP / LATEX_HALF) * u : (LATEX_TOP * u) / (LATEX_TOP * u + LATEX_HALF);
  if (u < 0) return SOLVENT_SLOPE * u;
  const s = 1 / (1 + u);
  return u * s * Math.exp(s + CHI * s * s);
}

/** da/du, positive. */
export function activitySlope(law: ActivityLaw, u: number): number {
  if (law === "linear") return 1;
  if (law === "water") {
    if (u < 0) return LATEX_TOP / LATEX_HALF;
    const below = LATEX_TOP * u + LATEX_HALF;
    return (LATEX_TOP * LATEX_HALF) / (below * below);
  }
  if (u < 0) return SOLVENT_SLOPE;
  const s = 1 / (1 + u);
  // d ln a/dφ = 1/φ − 1 − 2χ(1−φ), times dφ/du = s²
  const phi = u * s;
  return Math.exp(s + CHI * s * s) * (1 - phi * (1 + 2 * CHI * s)) * s * s;
}
const SOLVENT_SLOPE = Math.exp(1 + CHI);

/** Most an air can hold for this purpose: at 1 a film would take up water without end. */
const ACTIVITY_MAX = 0.9999;

/** Ratio u at which the surface is in balance with air of activity `aAir`; 0 for a solvent in clean air. */
export function equilibriumRatio(law: ActivityLaw, aAir: number): number {
  if (law === "linear") return aAir;
  if (law === "solvent") return 0;
  const a = Math.min(Math.max(aAir, 0), ACTIVITY_MAX);
  return (a * LATEX_HALF) / (LATEX_TOP * (1 - a));
}

/** Cells of the potential's table over u in [0, 1]; linear between them, so that its slope is the flux's exact derivative. */
export const POTENTIAL_CELLS = 1024;

/**
 * G(u) = ∫₀ᵘ exp(β·min(φ(v), ½)) dv, the Kirchhoff potential of D/D0: across it a steady flux is a straight line however
 * steep D is. Strictly rising. Above u = 1 (φ = ½) it is linear for good, below 0 it continues with slope 1.
 * Nodes by the midpoint rule on 8 sub-cells; what lies between them is good to 2e-5 relative.
 */
export interface Potential {
  /** G at u = i/1024, i = 0…1024; strictly rising */
  readonly at: Float64Array;
  readonly slopeAbove: number;
}

const potentials = new Map<number, Potential>();

export function potentialOf(beta: number): Potential {
  const known = potentials.get(beta);
  if (known) return known;
  assert(beta >= 0 && beta <= 40, `plasticising exponent ${beta}`);
  const at = new Float64Array(POTENTIAL_CELLS + 1);
  const SUB = 8;
  for (let i = 0; i < POTENTIAL_CELLS; i++) {
    let sum = 0;
    for (let k = 0; k < SUB; k++)
      sum += Math.exp(beta * Math.min(phiOf((i + (k + 0.5) / SUB) / POTENTIAL_CELLS), PHI_PLASTIC_MAX));
    at[i + 1] = at[i]! + sum / SUB / POTENTIAL_CELLS;
  }
  const made = { at, slopeAbove: Math.exp(beta * PHI_PLASTIC_MAX) };
  potentials.set(beta, made);
  return made;
}

export function potentialAt(p: Potential, u: number): number {
  if (u <= 0) return u;
  if (u >= 1) return p.at[POTENTIAL_CELLS]! + p.slopeAbove * (u - 1);
  const x = u * POTENTIAL_CELLS;
  const i = x | 0;
  const low = p.at[i]!;
  return low + (x - i) * (p.at[i + 1]! - low);
}

export function potentialSlope(p: Potential, u: number): number {
  if (u <= 0) return 1;
  if (u >= 1) return p.slopeAbove;
  const i = (u * POTENTIAL_CELLS) | 0;
  return (p.at[i + 1]! - p.at[i]!) * POTENTIAL_CELLS;
}
