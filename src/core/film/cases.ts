import type { FilmEvent, FilmWeather } from "./solver/drive";
import { equilibriumRatio, phiOf, type Substance } from "./solver/substance";

/** The model asked in its own figures: coats with their k and D0, a climate with its airflow multiplier. */

export interface CaseCoat {
  readonly wft_um: number;
  readonly applied_at_min: number;
  readonly beta: number;
  readonly Ed: number;
  readonly dH: number;
  readonly water: boolean;
  readonly kappa: number;
  readonly phiFormed: number;
  readonly phi0: number;
  readonly k: number;
  readonly D0: number;
}
export interface CasePoint {
  readonly minute: number;
  readonly temp_c: number;
  readonly rh_pct: number;
  /** the multiplier W, not a speed */
  readonly airflow: number;
}

/** Coats told alike are one substance, so that nothing stands between them. */
export function caseEvents(layers: readonly CaseCoat[]): readonly FilmEvent[] {
  const known = new Map<string, Substance>();
  return layers.map((l) => {
    const s: Substance = {
      kUmMin: l.k,
      d0Um2Min: l.D0,
      beta: l.beta,
      diffusionJ: l.Ed,
      evaporationJ: l.dH,
      activity: l.water ? "water" : "solvent",
      kappa: l.kappa,
      phiFormed: l.phiFormed,
    };
    const key = JSON.stringify(s);
    const substance = known.get(key) ?? s;
    known.set(key, substance);
    return { kind: "coat", atMin: l.applied_at_min, substance, solidsUm: l.wft_um * (1 - l.phi0), phi0: l.phi0 };
  });
}

/** Linear between its points, which rise in time; held flat before the first and after the last. */
export function caseWeather(points: readonly CasePoint[]): FilmWeather {
  const placeOf = (atMin: number): number => {
    let lo = 0;
    let hi = points.length;
    while (lo < hi) {
      const mid = (lo + hi) >> 1;
      if (points[mid]!.minute <= atMin) lo = mid + 1;
      else hi = mid;
    }
    return lo - 1;
  };
  return {
    steady: points.length === 1,
    at: (atMin) => {
      const i = placeOf(atMin);
      const a = points[Math.max(0, i)]!;
      const b = points[i + 1];
      const f = i < 0 || !b ? 0 : (atMin - a.minute) / (b.minute - a.minute);
      const mix = (x: number, y: number | undefined) => (y === undefined ? x : x + f * (y - x));
      return {
        tempC: mix(a.temp_c, b?.temp_c),
        activity: mix(a.rh_pct, b?.rh_pct) / 100,
        airflow: mix(a.airflow, b?.airflow),
      };
    },
    nextKnot: (atMin) => points[placeOf(atMin) + 1]?.minute ?? null,
  };
}

/** Volatile share a film keeps in air of this activity; a solvent-borne one keeps none. */
export const steadyBalancePhi = (water: boolean, activity: number): number =>
  phiOf(equilibriumRatio(water ? "water" : "solvent", activity));
