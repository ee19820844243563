"use client";

import type { Annotations, Data, Shape } from "plotly.js";
import { useCallback } from "react";
import type { FilmStudy, StudyRun } from "@/core/study";
import { figureShown, unitShown } from "@/format";
import { filmMilestoneName, STUDY_AIR_NAME } from "@/messages";
import { Chart, type ChartInk, type ChartSpec } from "../charts/Chart";

const HOUR = 60;
/** Width of a letter of a name, as a share of the chart's. */
const LETTER = 0.0098;
const NAME_ROWS = 4;

/** From dry paper through grain to wet; our own, read on both themes. */
const scale = (ink: ChartInk): [number, string][] => [
  [0, ink.ground],
  [0.09, "#d9b778"],
  [0.3, "#8fb0c4"],
  [0.6, ink.wet],
  [1, isDark(ink) ? "#e4f0fb" : "#0f2c49"],
];

/** On the dark theme the wettest is the lightest, or it would look like the dry ground. */
const isDark = (ink: ChartInk): boolean => Number(/\d+/.exec(ink.ground)?.[0] ?? 255) < 128;

/** Milestones of one run inside the view, as upright lines with their names above, staggered where they crowd. */
function milestoneLines(
  run: StudyRun,
  study: FilmStudy,
  ink: ChartInk,
): { shapes: Partial<Shape>[]; annotations: Partial<Annotations>[] } {
  const from = study.times[0]! / HOUR;
  const to = study.times.at(-1)! / HOUR;
  const seen = run.milestones
    .filter((m): m is typeof m & { min: number } => m.min !== null && m.min / HOUR <= to)
    .sort((a, b) => a.min - b.min);
  const merged: { x: number; names: string[] }[] = [];
  for (const m of seen) {
    const x = m.min / HOUR;
    const last = merged.at(-1);
    if (last && (x - last.x) / (to - from) < 0.012) last.names.push(filmMilestoneName(m.milestone));
    else merged.push({ x, names: [filmMilestoneName(m.milestone)] });
  }
  const rowEnds: number[] = [];
  const annotations = merged.map(({ x, names }): Partial<Annotations> => {
    const text = names.join(", ");
    let row = rowEnds.findIndex((end) => x > end);
    if (row < 0) row = rowEnds.length < NAME_ROWS ? rowEnds.length : NAME_ROWS - 1;
    rowEnds[row] = x + (to - from) * LETTER * (text.length + 2);
    return {
      x,
      y: 1.02 + 0.065 * row,
      xref: "x",
      yref: "paper",
      text,
      showarrow: false,
      xanchor: "left",
      yanchor: "bottom",
      font: { size: 12, color: ink.ink },
    };
  });
  const shapes = merged.map(
    ({ x }, i): Partial<Shape> => ({
      type: "line",
      xref: "x",
      yref: "paper",
      x0: x,
      x1: x,
      y0: 0,
      y1: (annotations[i]!.y as number) + 0.05,
      line: { color: ink.ink, width: 1.2, dash: "dot" },
    }),
  );
  return { shapes, annotations };
}

/** Volatile through the depth against time, the milestones of the air shown as lines, cure degree where it reacts. */
export function HeatMap({ study }: { study: FilmStudy }) {
  const make = useCallback(
    (ink: ChartInk): ChartSpec => {
      const shown = study.runs.find((r) => r.air === "warm-box") ?? study.runs[0]!;
      const { shapes, annotations } = milestoneLines(shown, study, ink);
      const x = study.times.map((t) => t / HOUR);
      const data: Data[] = [
        {
          type: "heatmap",
          x,
          y: study.heights.map((um) => figureShown(um, "µm")),
          z: study.phi.map((row) => row.map((v) => (Number.isNaN(v) ? null : v))) as number[][],
          colorscale: scale(ink),
          zmin: 0,
          zmax: 0.7,
          hovertemplate: `%{x:.1f} h, %{y:.3~g} ${unitShown("µm")}: φ %{z:.3f}<extra></extra>`,
          colorbar: {
            title: { text: "φ" },
            thickness: 12,
            outlinewidth: 0,
            x: study.alpha ? 1.09 : 1.02,
            tickvals: [0, 0.05, 0.2, 0.4, 0.6],
          },
        } as Data,
      ];
      if (study.alpha)
        data.push({
          type: "scatter",
          mode: "lines",
          x,
          y: study.alpha as number[],
          yaxis: "y2",
          line: { color: ink.wood, width: 3, dash: "dash" },
          hovertemplate: "%{x:.1f} h: cure %{y:.0%}<extra></extra>",
        });
      const lines = study.coats.slice(0, -1).map(
        ({ topUm }): Partial<Shape> => ({
          type: "line",
          xref: "paper",
          yref: "y",
          x0: 0,
          x1: 1,
          y0: figureShown(topUm, "µm"),
          y1: figureShown(topUm, "µm"),
          line: { color: ink.ink, width: 1 },
        }),
      );
      return {
        data,
        layout: {
          margin: { l: 52, r: 12, t: 104, b: 44 },
          xaxis: { title: { text: "hours after the last coat" }, range: [x[0]!, x.at(-1)!] },
          yaxis: {
            title: { text: `dry film above the face, ${unitShown("µm")}` },
            range: [0, figureShown(study.coats.at(-1)!.topUm, "µm")],
          },
          ...(study.alpha
            ? {
                yaxis2: {
                  overlaying: "y",
                  side: "right",
                  range: [0, 1],
                  tickformat: ".0%",
                  tickvals: [0, 0.25, 0.5, 0.75, 1],
                  title: { text: "cure degree" },
                  showgrid: false,
                },
              }
            : {}),
          shapes: [...shapes, ...lines],
          annotations,
        },
      };
    },
    [study],
  );
  return <Chart make={make} label="Solvent or water left through the depth of the film, against time" height={420} />;
}

const DASH = { own: "solid", label: "dot", "warm-box": "dash" } as const;

/** Largest φ in the stack, in each air, on a logarithmic scale. */
export function Curves({ study, sandPhi }: { study: FilmStudy; sandPhi: number }) {
  const make = useCallback(
    (ink: ChartInk): ChartSpec => {
      const colour = { own: ink.wet, label: ink.soft, "warm-box": ink.closing };
      return {
        data: study.runs.map(
          (r): Data => ({
            type: "scatter",
            mode: "lines",
            name: STUDY_AIR_NAME[r.air],
            x: r.curve.map((p) => p.min / HOUR),
            y: r.curve.map((p) => Math.max(1e-4, p.largestPhi)),
            line: { color: colour[r.air], width: 3, dash: DASH[r.air] },
            hovertemplate: `%{x:.1f} h: φ %{y:.3f}<extra>${STUDY_AIR_NAME[r.air]}</extra>`,
          }),
        ),
        layout: {
          margin: { l: 52, r: 12, t: 8, b: 44 },
          xaxis: { title: { text: "hours after the last coat" } },
          yaxis: {
            type: "log",
            title: { text: "largest φ" },
            range: [-3, 0],
            tickvals: [0.001, 0.01, 0.05, 0.1, 0.5, 1],
          },
          shapes: [
            {
              type: "line",
              xref: "paper",
              yref: "y",
              x0: 0,
              x1: 1,
              y0: sandPhi,
              y1: sandPhi,
              line: { color: ink.closing, width: 1.5, dash: "dot" },
            },
          ],
          annotations: [
            {
              xref: "paper",
              yref: "y",
              x: 1,
              y: Math.log10(sandPhi),
              text: "dry enough to sand",
              showarrow: false,
              xanchor: "right",
              yanchor: "bottom",
              font: { size: 12, color: ink.closing },
            },
          ],
        },
      };
    },
    [study, sandPhi],
  );
  return <Chart make={make} label="Largest share of volatile in the film against time, in each air" height={240} />;
}
