import type { ReadFigure, ReadValue, Told } from "@/core/reading";
import { duration, figureShown, unitShown } from "@/format";
import { MAY_GO_OVER_NAME } from "./vocabulary";

/** What a label reader found, in words. */

export const READ_NAME: Readonly<Record<ReadFigure, string>> = {
  touch_min: "Touch dry",
  handle_min: "Handle",
  recoat_from_min: "Recoat from",
  recoat_windows: "Recoat window",
  coat_gap_min: "Between its coats",
  sandable_min: "Sandable",
  tape_safe_min: "Tape safe",
  cured_min: "Through cured",
  wft_um: "Wet film a coat",
  coats: "Coats",
  volume_solids: "Volume solids",
  density_g_ml: "Density",
  max_skin_um: "Deepest skin",
  min_temp_c: "Not below",
  max_temp_c: "Not above",
  max_rh_pct: "Not damper than",
  label_temp_c: "Its times hold at",
  label_rh_pct: "Its times hold at",
  mix_ratio: "Mixed by volume",
  thin_ratio: "Thinned",
  pot_life_min: "Pot life",
  may_go_over: "May go over",
};

const UNIT: Readonly<Partial<Record<ReadFigure, string>>> = {
  wft_um: "µm",
  max_skin_um: "µm",
  min_temp_c: "°C",
  max_temp_c: "°C",
  label_temp_c: "°C",
  max_rh_pct: "% RH",
  label_rh_pct: "% RH",
  density_g_ml: "g/ml",
};
const windowText = ([lo, hi]: readonly [number, number | null]): string =>
  hi === null ? `from ${duration(lo)}` : lo === 0 ? `within ${duration(hi)}` : `${duration(lo)} – ${duration(hi)}`;

export function readValueText(figure: ReadFigure, value: ReadValue): string {
  if (figure === "recoat_windows")
    return (value as readonly (readonly [number, number | null])[]).map(windowText).join("; ");
  if (figure === "may_go_over")
    return (value as readonly string[]).map((v) => MAY_GO_OVER_NAME[v as keyof typeof MAY_GO_OVER_NAME]).join(", ");
  if (typeof value !== "number") return String(value);
  if (figure.endsWith("_min")) return duration(value);
  if (figure === "volume_solids") return `${Math.round(value * 1000) / 10} %`;
  const unit = UNIT[figure];
  return unit === undefined ? String(value) : `${figureShown(value, unit)} ${unitShown(unit)}`;
}

export function toldText({ figure, why, quote }: Told): string {
  const what = figure === "text" || figure === "substance" ? "" : `${READ_NAME[figure]}: `;
  switch (why) {
    case "impossible":
      return `${what}“${quote}” cannot be so. Left out.`;
    case "contradicts":
      return `${what}the text says two things, “${quote}”. Left out: look which is meant.`;
    case "bad-cas":
      return `${quote} is no CAS number: a digit is wrong.`;
    case "too-long":
      return "The text is longer than any label; only its first 200 000 characters were read.";
    case "not-understood":
      return "Nothing in it was understood. Only English labels are read, and only what they say in words.";
  }
}

export const UNREAD_TEXT: Readonly<Record<"scan" | "locked" | "too-large" | "no-pdf" | "stopped", string>> = {
  scan: "This PDF is a picture of a page: it holds no text to read. Type the lines that matter, or photograph the label beside the form.",
  locked: "This PDF is locked with a password. Open it where you can, and paste its text here.",
  "too-large": "This file is over 20 MB; a data sheet is not. Paste the text of the pages that matter.",
  "no-pdf": "This file could not be read as a PDF or as text. Paste its text here instead.",
  stopped: "The reader stopped. Nothing was changed.",
};
