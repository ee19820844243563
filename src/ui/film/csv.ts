import Papa from "papaparse";
import type { FilmStudy } from "@/core/study";

const places = (x: number, n: number): number => Math.round(x * 10 ** n) / 10 ** n;

/** A run as CSV: one line a moment, φ through the depth from the bottom up. */
export function studyCsv(study: FilmStudy): string {
  const fields = [
    "minutes_after_last_coat",
    ...(study.alpha ? ["cure_degree"] : []),
    ...study.heights.map((h) => `phi_at_${places(h, 2)}_um`),
  ];
  const data = study.times.map((t, i) => [
    places(t, 2),
    ...(study.alpha ? [places(study.alpha[i]!, 4)] : []),
    ...study.phi.map((row) => (Number.isNaN(row[i]!) ? "" : places(row[i]!, 5))),
  ]);
  return `${Papa.unparse({ fields, data })}\r\n`;
}
