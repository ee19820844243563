/** Magnus coefficients over water. Source: WMO Guide to Instruments and Methods of Observation. */
const MAGNUS_HPA = 6.112;
const MAGNUS_A = 17.62;
const MAGNUS_B_C = 243.12;

/** Saturation vapour pressure over water, hPa; good to 0.3 % between −30 and 60 °C. */
export const saturationHPa = (tempC: number): number =>
  MAGNUS_HPA * Math.exp((MAGNUS_A * tempC) / (MAGNUS_B_C + tempC));

/** Dew point, °C, of air at `tempC` with `rhPct` in (0, 100]. */
export function dewPointC(tempC: number, rhPct: number): number {
  const g = Math.log(rhPct / 100) + (MAGNUS_A * tempC) / (MAGNUS_B_C + tempC);
  return (MAGNUS_B_C * g) / (MAGNUS_A - g);
}

/** How far a surface at air temperature stands above the dew point, °C. */
export const dewMarginC = (tempC: number, rhPct: number): number => tempC - dewPointC(tempC, rhPct);
