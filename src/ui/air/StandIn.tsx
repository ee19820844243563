"use client";

import { useEffect, useState } from "react";
import { switchStandInAction } from "@/actions/air";
import { type AirScreen, WEATHERS, type Weather } from "@/contracts";
import { inUnits } from "@/format";
import { WEATHER_NAME } from "@/messages";
import { useAct } from "../hooks/useAct";

/** The simulated thermo-hygrometer and the weather over it. */
export function StandIn({ screen }: { screen: AirScreen }) {
  const { act } = useAct();
  // the switch answers the hand at once; the server has the last word
  const [shown, setShown] = useState(screen.standIn);
  useEffect(() => setShown(screen.standIn), [screen.standIn]);
  const { on, weather } = shown;
  const turn = async (next: { on: boolean; weather: Weather }) => {
    setShown(next);
    const outcome = await act(() => switchStandInAction(next));
    if (!outcome.ok) setShown(screen.standIn);
  };
  return (
    <section aria-labelledby="standin-title" className="grid content-start gap-2">
      <h2 id="standin-title" className="text-lg font-bold">
        Stand-in hygrometer
      </h2>
      <p className="soft text-sm">
        No device yet? This one is simulated: it posts a reading every half minute to{" "}
        <code>/api/v1/climate/readings</code>, as a real one would. Its readings count as measured until you remove
        them.
      </p>
      <div className="flex flex-wrap items-center gap-3">
        <label className="flex items-center gap-2">
          <input type="checkbox" className="toggle" checked={on} onChange={() => void turn({ on: !on, weather })} />
          {on ? "sending" : "off"}
        </label>
        <label className="flex flex-1 items-center gap-2 text-sm">
          Weather
          <select
            className="select select-sm w-full"
            value={weather}
            onChange={(e) => void turn({ on, weather: e.target.value as Weather })}
          >
            {WEATHERS.map((w) => (
              <option key={w} value={w}>
                {inUnits(WEATHER_NAME[w])}
              </option>
            ))}
          </select>
        </label>
      </div>
    </section>
  );
}
