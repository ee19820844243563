import type { MaterialGroup, Product } from "../model";
import { CAN_MAX_C } from "./limits";
import { WARM_UP_MIN } from "./planning";

/** Warmth as work: a can in water, a part in a warm box. Times are estimates from Newton's law of cooling. */

/** What a can is warmed to where nobody says, °C; and the water it stands in, well under the limit of a can. */
export const CAN_WARM_C = 28;
const CAN_BATH_C = 40;
/** A can off a cold shelf, where nobody says how cold, °C (est.). */
export const CAN_SHELF_C = 10;
/** A 400 ml can in water it stands in to the shoulder comes so much nearer to it, by 1/e, minutes (est.: ten minutes in hot tap water warm one to the hand). */
const CAN_TAU = { ml: 400, min: 12 } as const;

/** What a part is warmed to where nobody says, °C: warm to the hand. */
export const PART_WARM_C = 30;

/** Minutes until something at `fromC` is at `toC` in surroundings at `aroundC`; Infinity = never. Source: Newton's law of cooling. */
export function warmingMin(fromC: number, toC: number, aroundC: number, tauMin: number): number {
  if (toC <= fromC) return 0;
  return toC >= aroundC ? Number.POSITIVE_INFINITY : tauMin * Math.log((aroundC - fromC) / (aroundC - toC));
}

/**
 * Minutes a can stands in the water: its contents grow with the third power of its size, its skin with the second.
 * @param toC at most the limit of a can; hotter is asked for in vain
 */
export function canBathMin({ packMl }: Pick<Product, "packMl">, toC: number, fromC = CAN_SHELF_C): number {
  const tauMin = CAN_TAU.min * ((packMl ?? CAN_TAU.ml) / CAN_TAU.ml) ** (1 / 3);
  const wantedC = Math.min(toC, CAN_MAX_C - 1);
  // hotter than the usual bath would bring it: the water is as hot as a can may ever be
  const aroundC = wantedC < CAN_BATH_C - 2 ? CAN_BATH_C : CAN_MAX_C;
  return warmingMin(fromC, wantedC, aroundC, tauMin);
}

/** How long a part has lain in the warm until it is warm through, and how long after that half of the warmth is left, minutes (est.). */
export const partWarmMin = (group: MaterialGroup): { readonly throughMin: number; readonly halfLostMin: number } => ({
  throughMin: WARM_UP_MIN[group],
  // as warm as the room after three times its time constant
  halfLostMin: Math.round((WARM_UP_MIN[group] / 3) * Math.LN2),
});

/**
 * By how much the pressure in a can grows from one temperature to another, as a factor: a liquefied gas boils harder
 * (Clausius–Clapeyron, butane and propane mixed or dimethyl ether, about 21 kJ/mol), a compressed gas only expands.
 */
export function canPressureFactor(propellant: Product["propellant"], fromC: number, toC: number): number {
  const [from, to] = [fromC + KELVIN, toC + KELVIN];
  if (propellant === "compressed-gas") return to / from;
  return Math.exp((VAPORISATION_J_MOL / GAS_J_MOL_K) * (1 / from - 1 / to));
}
const KELVIN = 273.15;
const VAPORISATION_J_MOL = 21_000;
const GAS_J_MOL_K = 8.314;
