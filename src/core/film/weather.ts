import type { AirPoint } from "../model";
import type { Climate } from "./climate";
import { airflowFactor } from "./rates";
import { type FilmAirNow, type FilmWeather, steadyWeather } from "./solver/drive";

/** Air as a film meets it; temperature and humidity of the point are those at the part. */
export const filmAir = (air: Omit<AirPoint, "atMin">): FilmAirNow => ({
  tempC: air.tempC,
  activity: Math.max(0, air.rhPct) / 100,
  airflow: airflowFactor(air.airflowMS),
});

/** A climate for the film model: it bends at every point of the series. */
export function weatherIn(climate: Climate): FilmWeather {
  const { points } = climate;
  if (points.length === 1) return steadyWeather(filmAir(points[0]!));
  let hint = 0;
  // the solver asks forwards in small steps, so the last place found is nearly always right or next to it
  const place = (atMin: number): number => {
    if (hint >= points.length || points[hint]!.atMin > atMin) hint = 0;
    while (hint + 1 < points.length && points[hint + 1]!.atMin <= atMin) hint += 1;
    return hint;
  };
  return {
    steady: false,
    at: (atMin) => {
      const i = place(atMin);
      const a = points[i]!;
      const b = points[i + 1];
      if (!b || atMin <= a.atMin) return filmAir(a);
      const f = (atMin - a.atMin) / (b.atMin - a.atMin);
      return {
        tempC: a.tempC + f * (b.tempC - a.tempC),
        activity: Math.max(0, a.rhPct + f * (b.rhPct - a.rhPct)) / 100,
        airflow: airflowFactor(a.airflowMS + f * (b.airflowMS - a.airflowMS)),
      };
    },
    nextKnot: (atMin) => {
      const i = place(atMin);
      if (points[i]!.atMin > atMin) return points[i]!.atMin;
      return points[i + 1]?.atMin ?? null;
    },
  };
}
