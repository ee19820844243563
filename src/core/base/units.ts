/** The one file that converts between units. SI inside: µm, minutes, °C at the edge and K inside, cm², ml, g. */

const KELVIN_AT_ZERO_C = 273.15;
/** Molar gas constant, J/(mol K). Source: CODATA 2018, exact. */
export const GAS_CONSTANT_J_PER_MOL_K = 8.314462618;

export const MIN_PER_HOUR = 60;
export const MIN_PER_DAY = 1440;
export const MS_PER_MIN = 60_000;

export const kelvinFromC = (tempC: number): number => tempC + KELVIN_AT_ZERO_C;

/** International inch, exact; a thousandth of it, the mil, is as many µm. Source: ISO 80000-3. */
export const MM_PER_INCH = 25.4;
/** US customary fluid ounce. Source: NIST Handbook 44, appendix C. */
export const ML_PER_FL_OZ = 29.5735;
/** Pound-force per square inch. Source: NIST SP 811, appendix B. */
export const BAR_PER_PSI = 0.0689476;
export const F_PER_C = 1.8;
export const F_AT_ZERO_C = 32;
