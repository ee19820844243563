"use client";

import { useState } from "react";
import { toast } from "sonner";
import { dropForecastAction, importForecastAction, previewForecastAction, standInForecastAction } from "@/actions/air";
import { type AirScreen, type ForecastPreview, type Problem, WEATHERS, type Weather } from "@/contracts";
import { dayClock, inUnits, tempText } from "@/format";
import { WEATHER_NAME } from "@/messages";
import { FileFaults } from "../components/FileFaults";
import { useAct } from "../hooks/useAct";

interface Chosen {
  readonly name: string;
  readonly kind: "csv" | "json";
  readonly text: string;
  readonly preview: ForecastPreview;
}

/** A forecast file looked at before anything changes; or the stand-in's forecast, made up for a weather. */
export function Forecast({ screen }: { screen: AirScreen }) {
  const { act, busy } = useAct();
  const [chosen, setChosen] = useState<Chosen | null>(null);
  const [problem, setProblem] = useState<Problem | null>(null);
  const [weather, setWeather] = useState<Weather>("cold-snap");
  const read = async (file: File | undefined) => {
    setChosen(null);
    setProblem(null);
    if (!file) return;
    const kind = file.name.toLowerCase().endsWith(".json") ? "json" : "csv";
    const text = await file.text();
    const looked = await act(() => previewForecastAction(text, kind), { quiet: true });
    if (looked.ok) setChosen({ name: file.name, kind, text, preview: looked.value });
    else setProblem(looked.problem);
  };
  const bring = async () => {
    if (!chosen) return;
    const outcome = await act(() => importForecastAction(chosen.text, chosen.kind), { quiet: true });
    if (!outcome.ok) return setProblem(outcome.problem);
    toast.success(`${outcome.value.hours} hours of forecast are in`);
    setChosen(null);
  };
  return (
    <section aria-labelledby="forecast-title" className="grid content-start gap-2">
      <h2 id="forecast-title" className="text-lg font-bold">
        Forecast
      </h2>
      <p>
        {screen.forecastUntilMin === null ? (
          <span className="soft">None is in force; the typical day stands in.</span>
        ) : (
          <>
            In force until <strong>{dayClock(screen.forecastUntilMin, screen.timeZone)}</strong>; readings replace it as
            they come.{" "}
            <button type="button" className="link" disabled={busy} onClick={() => void act(() => dropForecastAction())}>
              Put it away
            </button>
          </>
        )}
      </p>
      <label className="grid gap-1 text-sm">
        Forecast file, CSV or JSON
        <input
          type="file"
          accept=".csv,.json,text/csv,application/json"
          className="file-input file-input-sm w-full"
          onChange={(e) => void read(e.target.files?.[0])}
        />
      </label>
      <p className="soft text-sm">
        Headings <code>time</code>, <code>temp_c</code> or <code>temp_f</code>, <code>rh_pct</code>, and{" "}
        <code>airflow_m_s</code> if known. Times with an offset, or by the shed’s own clock.
      </p>
      {problem && (
        <p role="alert" className="rounded-box border-2 border-error p-2 font-semibold">
          {problem.detail} Nothing was changed.
        </p>
      )}
      {chosen && <Preview chosen={chosen} timeZone={screen.timeZone} busy={busy} bring={() => void bring()} />}
      <div className="flex flex-wrap items-end gap-2 border-t border-base-300 pt-2">
        <label className="grid flex-1 gap-1 text-sm">
          No source of forecasts? A made-up one
          <select
            className="select select-sm w-full"
            value={weather}
            onChange={(e) => setWeather(e.target.value as Weather)}
          >
            {WEATHERS.map((w) => (
              <option key={w} value={w}>
                {inUnits(WEATHER_NAME[w])}
              </option>
            ))}
          </select>
        </label>
        <button
          type="button"
          className="btn btn-sm"
          disabled={busy}
          onClick={() => void act(() => standInForecastAction(weather))}
        >
          Take it over
        </button>
      </div>
    </section>
  );
}

function Preview({
  chosen,
  timeZone,
  busy,
  bring,
}: {
  chosen: Chosen;
  timeZone: string;
  busy: boolean;
  bring: () => void;
}) {
  const { points, faults, assumptions } = chosen.preview;
  const temps = points.map((p) => p.tempC);
  return (
    <div className="grid gap-2 rounded-box bg-base-200 p-3 text-sm">
      <FileFaults faults={faults} kind={chosen.kind} name={chosen.name} />
      {points.length > 0 && (
        <p>
          <strong>{points.length}</strong> hours, {dayClock(points[0]!.atMs / 60_000, timeZone)} to{" "}
          {dayClock(points.at(-1)!.atMs / 60_000, timeZone)}, {tempText(Math.min(...temps))} to{" "}
          {tempText(Math.max(...temps))}.
        </p>
      )}
      {assumptions.length > 0 && (
        <ul className="list-disc pl-5" aria-label="Taken for granted">
          {assumptions.map((a) => (
            <li key={a}>{a}</li>
          ))}
        </ul>
      )}
      <button
        type="button"
        className="btn btn-primary btn-sm justify-self-start"
        disabled={faults.length > 0 || busy}
        onClick={bring}
      >
        Take this forecast over
      </button>
    </div>
  );
}
