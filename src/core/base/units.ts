/** The one file that converts between units. SI inside: µm, minutes, °C at the edge and K inside, cm², ml, g. */

export const KELVIN_AT_ZERO_C = 273.15;
/** Molar gas constant, J/(mol K). Source: CODATA 2018, exact. */
export const GAS_CONSTANT_J_PER_MOL_K = 8.314462618;

export const MIN_PER_HOUR = 60;
export const MIN_PER_DAY = 1440;
export const MS_PER_MIN = 60_000;

export const kelvinFromC = (tempC: number): number => tempC + KELVIN_AT_ZERO_C;
export const fahrenheitFromC = (tempC: number): number => (tempC * 9) / 5 + 32;
export const umFromMm = (mm: number): number => mm * 1000;
export const mmFromUm = (um: number): number => um / 1000;
export const milFromUm = (um: number): number => um / 25.4;

/** Minutes since 1970-01-01T00:00Z, the only clock the core knows. */
export type EpochMin = number;
export const epochMinFromMs = (ms: number): EpochMin => ms / MS_PER_MIN;
export const msFromEpochMin = (min: EpochMin): number => min * MS_PER_MIN;
