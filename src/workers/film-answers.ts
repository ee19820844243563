import type { FilmApplication, FilmCase } from "@/contracts";
import {
  type AppliedCoat,
  balancePhi,
  type Climate,
  caseEvents,
  caseWeather,
  climateOf,
  dryAtByModel,
  FILM_MILESTONES,
  type FilmFault,
  type FilmMilestone,
  type FilmRun,
  type FilmSample,
  filmFaults,
  fittedFilm,
  largestBelow,
  milestoneAfter,
  prefixClock,
  REFERENCE_AIR,
  runFilm,
  runPile,
  steadyBalancePhi,
} from "@/core/film";
import type { Product } from "@/core/model";
import { labelTimes, STILL_AIR_M_S } from "@/core/reference";
import { coatsOf, type StudyLayer } from "@/core/study";

/** Where a run ends that never gets there: half a year. */
const HORIZON_MIN = 180 * 1440;
/** Of the answer, where nobody says when to look. */
const LOOK_AT = [0.05, 0.25, 0.6];

export interface CaseAnswer {
  readonly reachedMin: number | null;
  readonly outcome: "reached" | "never-in-this-air" | "not-within-horizon";
  readonly reason: string | null;
  readonly horizonMin: number;
  readonly samples: readonly FilmSample[];
  readonly run: FilmRun;
  readonly lastMin: number;
}

export function solveCase(c: FilmCase): CaseAnswer {
  const events = caseEvents(c.layers);
  const weather = caseWeather(c.climate);
  const lastMin = c.layers.at(-1)!.applied_at_min;
  const until = lastMin + HORIZON_MIN;
  const watches = [{ measure: largestBelow(c.phi_max_threshold), fromMin: lastMin }];
  const found = runFilm(events, weather, until, { watches });
  const at = found.reachedMin[0] ?? null;
  const span = at === null ? HORIZON_MIN : at - lastMin;
  const wanted = c.sample_minutes ?? LOOK_AT.map((share) => share * span);
  const moments = [...new Set(wanted)].sort((a, b) => a - b).map((m) => lastMin + m);
  const run = runFilm(events, weather, Math.max(at ?? until, moments.at(-1) ?? 0), {
    watches,
    sampleMin: moments,
    toTheEnd: true,
  });
  const keeps = steadyBalancePhi(c.layers.at(-1)!.water, Math.min(...c.climate.map((p) => p.rh_pct)) / 100);
  const damp = at === null && keeps >= c.phi_max_threshold;
  return {
    reachedMin: at === null ? null : at - lastMin,
    outcome: at !== null ? "reached" : damp ? "never-in-this-air" : "not-within-horizon",
    reason: damp ? "Even the driest of this air keeps more water in the film than the threshold allows." : null,
    horizonMin: HORIZON_MIN,
    samples: run.samples,
    run,
    lastMin,
  };
}

export interface ApplicationAnswer {
  readonly milestones: readonly {
    readonly milestone: FilmMilestone;
    readonly min: number | null;
    readonly assumed: boolean;
    readonly why: "too-damp" | "too-slow" | null;
  }[];
  readonly samples: readonly FilmSample[];
  readonly run: FilmRun;
  readonly lastMin: number;
  readonly faults: readonly FilmFault[];
  readonly films: readonly { readonly product: Product; readonly fit: ReturnType<typeof fittedFilm> }[];
}

const climateOfRequest = (f: FilmApplication): Climate =>
  f.climate
    ? climateOf(
        f.climate.map((p) => ({
          atMin: p.minute,
          tempC: p.temp_c,
          rhPct: p.rh_pct,
          airflowMS: p.airflow_m_s ?? STILL_AIR_M_S,
        })),
      )
    : climateOf([
        f.air
          ? { atMin: 0, tempC: f.air.temp_c, rhPct: f.air.rh_pct, airflowMS: f.air.airflow_m_s ?? STILL_AIR_M_S }
          : { atMin: 0, ...REFERENCE_AIR },
      ]);

export function solveApplication(layers: readonly StudyLayer[], f: FilmApplication): ApplicationAnswer {
  const climate = climateOfRequest(f);
  const coats: readonly AppliedCoat[] = coatsOf(layers, 0);
  const lastMin = coats.at(-1)!.endMin;
  const clock = prefixClock(climate, 0, lastMin + HORIZON_MIN);
  const sampleMin = [...new Set(f.sample_minutes ?? [])].sort((a, b) => a - b).map((m) => lastMin + m);
  const { run, metMin } = runPile(coats, climate, lastMin + HORIZON_MIN, { sampleMin });
  const dryAt = dryAtByModel(coats, metMin);
  const times = labelTimes(coats.at(-1)!.product);
  const top = fittedFilm(coats.at(-1)!.product);
  const driest = Math.min(...climate.points.map((p) => p.rhPct)) / 100;
  const milestones = FILM_MILESTONES.map((milestone) => {
    const a = milestoneAfter(coats, milestone, clock, null, dryAt);
    const min = a.outcome === "reached" ? a.atMin - lastMin : null;
    const damp = min === null && balancePhi(top, driest) >= top.sandPhi;
    return {
      milestone,
      min,
      assumed: times[milestone === "dust-free" ? "touch" : milestone].assumed,
      why: min !== null ? null : damp ? ("too-damp" as const) : ("too-slow" as const),
    };
  });
  const sandable = milestones.find((m) => m.milestone === "sandable")?.min ?? 1440;
  const products = [...new Set(layers.map((l) => l.product))];
  return {
    milestones,
    samples: run.samples,
    run,
    lastMin,
    faults: filmFaults(coats, climate, clock, null, lastMin + Math.max(60, Math.min(sandable, 14 * 1440))),
    films: products.map((product) => ({ product, fit: fittedFilm(product) })),
  };
}
