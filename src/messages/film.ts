import type { FilmFaultKind, FilmMilestone } from "@/core/film";
import type { QuoteAir, StudyAir } from "@/core/study";
import { duration, tempByText } from "@/format";
import { MILESTONE_NAME } from "./vocabulary";

export const filmMilestoneName = (m: FilmMilestone): string => (m === "dust-free" ? "dust-free" : MILESTONE_NAME[m]);

export const STUDY_AIR_NAME: Readonly<Record<StudyAir, string>> = {
  own: "your shed",
  label: "the label’s air",
  "warm-box": "with the warm box",
};
export const QUOTE_AIR_NAME: Readonly<Record<QuoteAir, string>> = {
  label: "in the label’s air",
  tonight: "in your air tonight",
  cold: "at 10 °C, 65 % RH",
  warm: "at 26 °C, 40 % RH",
};

export const NEVER_TEXT = {
  "too-damp":
    "This air is so damp that even its driest hour keeps more water in the film than sanding allows: it never dries here.",
  "too-slow": "It does not get there within 45 days of this air.",
} as const;

export const FIT_NOTE: Readonly<Record<string, string>> = {
  "surface-quickened":
    "Its label dries quicker than its carrier usually leaves; the surface is taken to be quicker (assumed).",
  "label-air-too-damp": "Its label names air too damp for the film to sand; 50 % RH is taken instead (assumed).",
  "solids-assumed": "Its volume solids are not on the card; the family’s usual share is taken (assumed).",
  "no-fit": "Its label times could not be met together; waits are rough.",
};

/** A simulated fault in words; `min` counts from the last coat. */
export function filmFaultText(f: { kind: FilmFaultKind; by: number; min: number; rightMin: number | null }): string {
  const when = f.rightMin === null ? "" : ` It would be right after ${duration(f.rightMin)}.`;
  const share = `${Math.round(100 * f.by)} %`;
  switch (f.kind) {
    case "trapped":
      return `Solvent trapped: the skin has closed while the film below holds ${share} more than a touch-dry one. Expect bubbles, softness, weeks of smell.${when}`;
    case "sanded-too-soon":
      return `Sanded too soon: short of sandable by ${share}. Paper clogs and the film rolls up.${when}`;
    case "wrinkle":
      return `Wrinkled: a strong carrier in the forbidden gap lifts the half-hardened enamel.${when}`;
    case "coalescence-lost":
      return `Never became a film: ${tempByText(f.by)} too cold while it was still wet (${after(f.min)}). It stays weak; time does not mend it.`;
    case "blush":
      return `Blush: the air is so damp that the lacquer clouds as it dries (${after(f.min)}).`;
    case "condensation":
      return `Dew on the wet film (${after(f.min)}).`;
  }
}

const after = (min: number): string =>
  min < 0 ? `${duration(-min)} before the last coat` : `${duration(min)} after the last coat`;
