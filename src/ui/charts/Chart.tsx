"use client";

import type { Data, Layout, PlotlyHTMLElement } from "plotly.js";
import { useEffect, useRef, useState } from "react";
import { Apart } from "../components/Apart";

/** Colours of the theme in force, for what a chart cannot take from the style sheet. */
export interface ChartInk {
  readonly ink: string;
  readonly soft: string;
  readonly grid: string;
  readonly ground: string;
  readonly wet: string;
  readonly open: string;
  readonly closing: string;
  readonly wood: string;
  readonly error: string;
}

function inkOf(element: Element): ChartInk {
  const style = getComputedStyle(element);
  // the theme may speak in colour spaces the chart does not know; painting one pixel gives it in plain figures
  const canvas = document.createElement("canvas");
  canvas.width = 1;
  canvas.height = 1;
  const paint = canvas.getContext("2d", { willReadFrequently: true });
  const plain = (name: string): string => {
    if (!paint) return "#444444";
    paint.fillStyle = style.getPropertyValue(name).trim() || "#444444";
    paint.fillRect(0, 0, 1, 1);
    const [r, g, b] = paint.getImageData(0, 0, 1, 1).data;
    return `rgb(${r},${g},${b})`;
  };
  return {
    ink: plain("--color-base-content"),
    soft: plain("--color-neutral"),
    grid: plain("--color-base-300"),
    ground: plain("--color-base-100"),
    wet: plain("--color-info"),
    open: plain("--color-success"),
    closing: plain("--color-warning"),
    wood: plain("--color-secondary"),
    error: plain("--color-error"),
  };
}

export interface ChartSpec {
  readonly data: Data[];
  readonly layout: Partial<Layout>;
}

/** A Plotly chart, the library loaded only where one stands. Drawn anew when `make` or the theme changes. */
interface ChartProps {
  readonly make: (ink: ChartInk) => ChartSpec;
  readonly label: string;
  readonly height: number;
}

export const Chart = (props: ChartProps) => (
  <Apart what="The chart">
    <Drawn {...props} />
  </Apart>
);

function Drawn({ make, label, height }: ChartProps) {
  const place = useRef<HTMLDivElement>(null);
  const [state, setState] = useState<"waiting" | "drawn" | "failed">("waiting");
  const [theme, setTheme] = useState("");
  useEffect(() => {
    const root = document.documentElement;
    const look = () => setTheme(root.dataset.theme ?? "");
    look();
    const watcher = new MutationObserver(look);
    watcher.observe(root, { attributes: true, attributeFilter: ["data-theme"] });
    return () => watcher.disconnect();
  }, []);
  useEffect(() => {
    void theme;
    let live = true;
    const element = place.current;
    if (!element) return;
    import("plotly.js-cartesian-dist-min")
      .then(async ({ default: Plotly }) => {
        if (!live) return;
        const ink = inkOf(element);
        const { data, layout } = make(ink);
        const axis = { gridcolor: ink.grid, zerolinecolor: ink.grid, linecolor: ink.soft, automargin: true };
        const withAxes = Object.fromEntries(
          Object.entries(layout).map(([k, v]) => [k, /^[xy]axis/.test(k) ? { ...axis, ...(v as object) } : v]),
        );
        await Plotly.react(
          element,
          data,
          {
            height,
            margin: { l: 48, r: 12, t: 8, b: 36 },
            paper_bgcolor: "rgba(0,0,0,0)",
            plot_bgcolor: "rgba(0,0,0,0)",
            font: { family: getComputedStyle(element).fontFamily, size: 13, color: ink.ink },
            showlegend: false,
            ...withAxes,
          },
          { displayModeBar: false, responsive: true },
        );
        if (live) setState("drawn");
      })
      .catch(() => live && setState("failed"));
    return () => {
      live = false;
    };
  }, [make, height, theme]);
  useEffect(() => {
    const element = place.current;
    return () => {
      if (element)
        void import("plotly.js-cartesian-dist-min").then(({ default: P }) =>
          P.purge(element as unknown as PlotlyHTMLElement),
        );
    };
  }, []);
  return (
    <div style={{ minHeight: height }} data-chart={state}>
      {state === "failed" && <p role="alert">The chart could not be drawn; the table below holds the same figures.</p>}
      <div ref={place} role="img" aria-label={label} />
    </div>
  );
}
