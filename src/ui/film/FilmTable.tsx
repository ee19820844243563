"use client";

import type { FilmStudy } from "@/core/study";
import { duration, filmText } from "@/format";

/** Places through the depth that are told, from the face up. */
const PLACES = [0.02, 0.25, 0.5, 0.75, 0.98];
const EVERY = 6;

const share = (x: number): string => (Number.isNaN(x) ? "–" : x.toFixed(3));

/** The heat map in figures: φ at five heights against time. */
export function FilmTable({ study }: { study: FilmStudy }) {
  const rows = study.heights.length;
  const places = PLACES.map((p) => Math.min(rows - 1, Math.round(p * (rows - 1))));
  const times = study.times.map((t, i) => ({ t, i })).filter(({ i }) => i % EVERY === 0);
  return (
    <div className="max-h-96 overflow-auto">
      <table className="table table-sm table-pin-rows" data-testid="film-table">
        <thead>
          <tr>
            <th>after the last coat</th>
            {places.map((row) => (
              <th key={row} className="text-right">
                φ at {filmText(study.heights[row]!)}
              </th>
            ))}
            {study.alpha && <th className="text-right">cure</th>}
          </tr>
        </thead>
        <tbody>
          {times.map(({ t, i }) => (
            <tr key={i}>
              <td>{t < 0 ? `${duration(-t)} before` : duration(t)}</td>
              {places.map((row) => (
                <td key={row} className="text-right">
                  {share(study.phi[row]![i]!)}
                </td>
              ))}
              {study.alpha && <td className="text-right">{Math.round(100 * study.alpha[i]!)} %</td>}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
