"use client";

import { saveShopAction } from "@/actions/settings";
import type { AirScreen, Shop } from "@/contracts";
import { clock, dayClock, pct, tempByText, tempText } from "@/format";
import { airSourceText, PROVENANCE_NAME } from "@/messages";
import { useNowMs } from "../hooks/useNow";
import { useRow } from "../hooks/useRow";
import { AirSettings } from "../settings/AirSettings";
import { AirCharts, ChartKey } from "./AirCharts";
import { Forecast } from "./Forecast";
import { LocalAirs } from "./LocalAirs";
import { OpenHours } from "./OpenHours";
import { ReadingForm } from "./ReadingForm";
import { StandIn } from "./StandIn";

export function AirView({
  screen,
  shop,
  rev,
  today,
  modelId,
}: {
  screen: AirScreen;
  shop: Shop;
  rev: number;
  today: string;
  modelId: string | null;
}) {
  const nowMs = useNowMs(20_000);
  const { saveField } = useRow(rev, saveShopAction);
  const ahead = screen.points.filter((p) => p.atMin >= screen.nowMin && p.atMin < screen.nowMin + 1440);
  const coldest = ahead.reduce((a, b) => (b.tempC < a.tempC ? b : a));
  const tightest = ahead.reduce((a, b) => (b.dewMarginC < a.dewMarginC ? b : a));
  return (
    <main className="grid grid-cols-[minmax(0,1fr)] gap-x-6 gap-y-5 p-4 xl:grid-cols-[minmax(0,1fr)_340px]">
      <div className="grid content-start gap-4">
        <div className="flex flex-wrap items-baseline gap-x-6 gap-y-1">
          <h1 className="text-xl font-bold">Air</h1>
          <p>
            now <strong>{tempText(screen.now.tempC)}</strong>, <strong>{pct(screen.now.rhPct)}</strong> RH,{" "}
            <strong>{tempByText(screen.now.dewMarginC)}</strong> over the dew point{" "}
            <span className="soft">({airSourceText(screen.now)})</span>
          </p>
          <p>
            next 24 h: coldest <strong>{tempText(coldest.tempC)}</strong> at {clock(coldest.atMin, screen.timeZone)},
            least dew margin{" "}
            <strong className={tightest.dewMarginC < 3 ? "text-error" : ""}>{tempText(tightest.dewMarginC)}</strong> at{" "}
            {clock(tightest.atMin, screen.timeZone)}
          </p>
        </div>
        <AirCharts screen={screen} />
        <ChartKey />
        <section aria-labelledby="open-title" className="grid gap-2">
          <h2 id="open-title" className="text-lg font-bold">
            When can I spray what
          </h2>
          <OpenHours screen={screen} />
        </section>
        <details>
          <summary className="cursor-pointer font-semibold">The same as a table</summary>
          <AirTable screen={screen} />
        </details>
        <AirSettings shop={shop} save={saveField} today={today} />
      </div>
      <div className="grid content-start gap-5">
        <ReadingForm screen={screen} nowMs={nowMs} />
        <StandIn screen={screen} />
        <Forecast screen={screen} />
        {modelId && <LocalAirs screen={screen} modelId={modelId} />}
      </div>
    </main>
  );
}

const TABLE_STEP_MIN = 120;

function AirTable({ screen }: { screen: AirScreen }) {
  const rows = screen.points.filter((p) => p.atMin % TABLE_STEP_MIN === 0);
  const from = (t: number) => screen.spans.find((s) => s.fromMin <= t && t < s.toMin)?.from ?? "assumed";
  return (
    <div className="max-h-80 overflow-auto">
      <table className="table table-sm table-pin-rows">
        <thead>
          <tr>
            <th>Time</th>
            <th className="text-right">Temperature</th>
            <th className="text-right">Humidity</th>
            <th className="text-right">Over dew point</th>
            <th>Rests on</th>
          </tr>
        </thead>
        <tbody>
          {rows.map((p) => (
            <tr key={p.atMin}>
              <td>{dayClock(p.atMin, screen.timeZone)}</td>
              <td className="text-right">{tempText(p.tempC)}</td>
              <td className="text-right">{pct(p.rhPct)}</td>
              <td className="text-right">{tempByText(p.dewMarginC)}</td>
              <td>{PROVENANCE_NAME[from(p.atMin)]}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
