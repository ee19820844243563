/** What can be read off a label, under the names of the API. */
const READ_FIGURES = [
  "touch_min",
  "handle_min",
  "recoat_from_min",
  "recoat_windows",
  "coat_gap_min",
  "sandable_min",
  "tape_safe_min",
  "cured_min",
  "wft_um",
  "coats",
  "volume_solids",
  "density_g_ml",
  "max_skin_um",
  "min_temp_c",
  "max_temp_c",
  "max_rh_pct",
  "label_temp_c",
  "label_rh_pct",
  "mix_ratio",
  "thin_ratio",
  "pot_life_min",
  "may_go_over",
] as const;
export type ReadFigure = (typeof READ_FIGURES)[number];
export type ReadValue = number | string | readonly string[] | readonly (readonly [number, number | null])[];

export interface Find {
  readonly figure: ReadFigure;
  readonly value: ReadValue;
  readonly unit: string;
  /** the words it came from, as they stand on the label */
  readonly quote: string;
  /** the other end of a range, which is not the careful one */
  readonly otherEnd?: true;
}
/** A find while it is being read: where, and in what air it is said to hold. */
export interface Reading extends Omit<Find, "quote"> {
  readonly from: number;
  readonly to: number;
  readonly tempC: number | null;
}
/** What stands on the label but cannot be so, or is said twice in two ways. */
export interface Told {
  readonly figure: ReadFigure | "text" | "substance";
  readonly why: "impossible" | "contradicts" | "not-understood" | "too-long" | "bad-cas";
  readonly quote: string;
}

/** Least and most anybody could mean. */
export const SANE: Readonly<Partial<Record<ReadFigure, readonly [number, number]>>> = {
  touch_min: [0.5, 43_200],
  handle_min: [0.5, 43_200],
  recoat_from_min: [0, 43_200],
  coat_gap_min: [0.5, 10_080],
  sandable_min: [0.5, 86_400],
  tape_safe_min: [1, 86_400],
  cured_min: [1, 172_800],
  wft_um: [1, 20_000],
  coats: [1, 20],
  volume_solids: [0.01, 1],
  density_g_ml: [0.3, 5],
  max_skin_um: [1, 50_000],
  min_temp_c: [-10, 40],
  max_temp_c: [0, 60],
  max_rh_pct: [1, 100],
  label_temp_c: [-10, 50],
  label_rh_pct: [1, 95],
  pot_life_min: [0.5, 10_000],
};
