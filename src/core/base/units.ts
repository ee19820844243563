/** The one file that converts between units. SI inside: µm, minutes, °C at the edge and K inside, cm², ml, g. */

const KELVIN_AT_ZERO_C = 273.15;
/** Molar gas constant, J/(mol K). Source: CODATA 2018, exact. */
export const GAS_CONSTANT_J_PER_MOL_K = 8.314462618;

export const MIN_PER_HOUR = 60;
export const MIN_PER_DAY = 1440;
export const MS_PER_MIN = 60_000;

export const kelvinFromC = (tempC: number): number => tempC + KELVIN_AT_ZERO_C;
