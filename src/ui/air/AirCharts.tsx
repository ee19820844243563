"use client";

import type { Data, Shape } from "plotly.js";
import { useCallback } from "react";
import type { AirChartPoint, AirScreen } from "@/contracts";
import { chartClock, figureShown, tempByText, unitShown, wallClock } from "@/format";
import { Chart, type ChartInk, type ChartSpec } from "../charts/Chart";

const LEAST_MARGIN_C = 3;

function shapesOf(screen: AirScreen, ink: ChartInk): Partial<Shape>[] {
  const x = (m: number) => wallClock(m, screen.timeZone);
  const band = (s: { startMin: number; endMin: number }, colour: string, opacity: number): Partial<Shape> => ({
    type: "rect",
    xref: "x",
    yref: "paper",
    x0: x(s.startMin),
    x1: x(s.endMin),
    y0: 0,
    y1: 1,
    fillcolor: colour,
    opacity,
    line: { width: 0 },
    layer: "below",
  });
  return [
    ...screen.nights.map((n) => band(n, ink.soft, 0.12)),
    ...screen.sessions.map((s) => band(s, ink.open, 0.14)),
    {
      type: "line",
      xref: "x",
      yref: "paper",
      x0: x(screen.nowMin),
      x1: x(screen.nowMin),
      y0: 0,
      y1: 1,
      line: { color: ink.wood, width: 2 },
    },
  ];
}

type Stretch = readonly AirChartPoint[];

/** Points of measured stretches and the others, each as runs that do not touch. */
function byProvenance(screen: AirScreen): { measured: Stretch; told: Stretch } {
  const measuredAt = (t: number) => screen.spans.some((s) => s.from === "measured" && s.fromMin <= t && t < s.toMin);
  return {
    measured: screen.points.filter((p) => measuredAt(p.atMin)),
    told: screen.points.filter((p) => !measuredAt(p.atMin)),
  };
}

/** A line that is broken where points are missing. */
function line(
  points: Stretch,
  timeZone: string,
  of: (p: AirChartPoint) => number,
  style: { name: string; color: string; dash: "solid" | "dot" | "dash"; width: number; yaxis: "y" | "y2" },
): Data {
  const x: (string | null)[] = [];
  const y: (number | null)[] = [];
  points.forEach((p, i) => {
    const before = points[i - 1];
    if (before && p.atMin - before.atMin > 20) {
      x.push(null);
      y.push(null);
    }
    x.push(wallClock(p.atMin, timeZone));
    y.push(Math.round(of(p) * 10) / 10);
  });
  return {
    type: "scatter",
    mode: "lines",
    name: style.name,
    x: x as string[],
    y: y as number[],
    yaxis: style.yaxis,
    line: { color: style.color, dash: style.dash, width: style.width },
    hovertemplate: `%{x|%a ${chartClock()}}: %{y}<extra>${style.name}</extra>`,
    connectgaps: false,
  };
}

/** Temperature over dew point above, humidity below, on one time axis; measured solid, told dashed. */
export function AirCharts({ screen }: { screen: AirScreen }) {
  const make = useCallback(
    (ink: ChartInk): ChartSpec => {
      const zone = screen.timeZone;
      const { measured, told } = byProvenance(screen);
      const temp = (p: AirChartPoint) => figureShown(p.tempC, "°C");
      const rh = (p: AirChartPoint) => p.rhPct;
      const at = (r: (typeof screen.readings)[number]) => wallClock(r.atMs / 60_000, zone);
      const dots = (yaxis: "y" | "y2", of: (r: (typeof screen.readings)[number]) => number, color: string): Data => ({
        type: "scatter",
        mode: "markers",
        name: "reading",
        x: screen.readings.map(at),
        y: screen.readings.map(of),
        yaxis,
        marker: { size: 4, color },
        hovertemplate: `%{x|%a ${chartClock()}}: %{y}<extra>reading</extra>`,
      });
      return {
        data: [
          line(screen.points, zone, (p) => figureShown(p.dewC + LEAST_MARGIN_C, "°C"), {
            name: "coat only above this",
            color: ink.error,
            dash: "dot",
            width: 1.5,
            yaxis: "y",
          }),
          line(screen.expected, zone, temp, {
            name: "expected before it was measured",
            color: ink.grid,
            dash: "solid",
            width: 2,
            yaxis: "y",
          }),
          line(told, zone, temp, {
            name: "told temperature",
            color: ink.closing,
            dash: "dash",
            width: 2.5,
            yaxis: "y",
          }),
          line(measured, zone, temp, {
            name: "measured temperature",
            color: ink.closing,
            dash: "solid",
            width: 3,
            yaxis: "y",
          }),
          dots("y", (r) => figureShown(r.tempC, "°C"), ink.closing),
          line(screen.expected, zone, rh, {
            name: "expected before it was measured",
            color: ink.grid,
            dash: "solid",
            width: 2,
            yaxis: "y2",
          }),
          line(told, zone, rh, { name: "told humidity", color: ink.wet, dash: "dash", width: 2.5, yaxis: "y2" }),
          line(measured, zone, rh, { name: "measured humidity", color: ink.wet, dash: "solid", width: 3, yaxis: "y2" }),
          dots("y2", (r) => r.rhPct, ink.wet),
        ],
        layout: {
          xaxis: { type: "date", tickformat: `%a ${chartClock()}`, anchor: "y2", nticks: 10 },
          yaxis: { domain: [0.48, 1], title: { text: unitShown("°C") } },
          yaxis2: { domain: [0, 0.4], title: { text: "% RH" }, range: [0, 100] },
          shapes: shapesOf(screen, ink),
          hovermode: "closest",
        },
      };
    },
    [screen],
  );
  return (
    <Chart make={make} label="Temperature, dew point and humidity from a day back to three days ahead" height={340} />
  );
}

const KEY: readonly (readonly [string, string])[] = [
  ["var(--closing)", "temperature"],
  ["var(--wet)", "humidity"],
];

export function ChartKey() {
  return (
    <ul className="flex flex-wrap gap-x-5 gap-y-1 text-sm" aria-label="Key to the chart">
      {KEY.map(([colour, words]) => (
        <li key={words} className="flex items-center gap-1.5">
          <svg viewBox="0 0 40 8" className="h-2 w-10" aria-hidden>
            <path d="M0 4h18" stroke={colour} strokeWidth="3" />
            <path d="M22 4h18" stroke={colour} strokeWidth="3" strokeDasharray="5 3" />
          </svg>
          {words}: measured, told
        </li>
      ))}
      <li className="flex items-center gap-1.5">
        <svg viewBox="0 0 20 8" className="h-2 w-5" aria-hidden>
          <path d="M0 4h20" stroke="var(--color-error)" strokeWidth="2" strokeDasharray="2 3" />
        </svg>
        {tempByText(3)} over the dew point: coat only above
      </li>
      <li className="flex items-center gap-1.5">
        <span className="inline-block size-3 bg-success/25" /> bench session
      </li>
      <li className="flex items-center gap-1.5">
        <span className="inline-block size-3 bg-neutral/20" /> night
      </li>
    </ul>
  );
}
