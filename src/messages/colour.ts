import type { EdgeKind } from "@/core/model";
import type { Unpainted, Why } from "@/core/scheme";
import { duration, volumeText } from "@/format";

export const EDGE_NAME: Readonly<Record<EdgeKind, string>> = {
  hard: "hard, along tape",
  film: "hard, along cut film",
  fluid: "hard, along masking fluid",
  soft: "soft, freehand",
  roll: "soft, along a putty roll",
  apart: "no line between",
};

/** What a mask along such an edge wants at hand. */
export const EDGE_THINGS: Readonly<Partial<Record<EdgeKind, string>>> = {
  film: "masking film and a fresh blade",
  fluid: "masking fluid and an old brush",
  soft: "paper for lifted masks",
  roll: "rolls of soft putty",
};

/** How it is laid, and what to mind. */
export const EDGE_HOW: Readonly<Partial<Record<EdgeKind, string>>> = {
  film: "Film: cut on the part with hardly any pressure, blade along the line once, relief cuts on curves; a light coat of the colour below seals its edge.",
  fluid:
    "Fluid: try it where nobody looks, it can lift or stain a paint that is not through dry; thickly, off again within a day or two and laid anew for a later colour, or it has to be picked off.",
  soft: "Soft edge: paper lifted a finger’s breadth off the face, sprayed from inside outwards.",
  roll: "Putty roll: as thick as the edge is to be soft, sprayed straight down on it; off within a day and laid anew for a later colour, its oil stains.",
};

/** What a field saves when it is stuck on or printed in place of painted. */
export function unpaintedText({ coats, masks, handsMin, waitMin, ml }: Unpainted): string {
  const less = [
    ...(coats > 0 ? [`${coats} coat${coats === 1 ? "" : "s"}`] : []),
    ...(masks > 0 ? [`${masks} mask${masks === 1 ? "" : "s"}`] : []),
    ...(handsMin >= 1 ? [`${duration(handsMin)} of work`] : []),
    ...(waitMin >= 1 ? [`${duration(waitMin)} until tape holds`] : []),
    ...(ml >= 0.5 ? [volumeText(ml)] : []),
  ];
  return less.length === 0 ? "saves nothing" : `saves ${less.join(", ")}`;
}

/** Why a colour comes before the next: what the two the other way round would cost. */
export function whyBeforeText({ coats, handsMin, waitMin }: Why, next: string): string {
  const more = [
    ...(coats > 0 ? [`${coats} coat${coats === 1 ? "" : "s"} more to hide it`] : []),
    ...(handsMin >= 1 ? [`${duration(handsMin)} more work`] : []),
    ...(waitMin >= 1 ? [`${duration(waitMin)} more until tape holds`] : []),
  ];
  return more.length === 0
    ? `Before ${next}: either way would do.`
    : `Before ${next}: the other way round takes ${more.join(", ")}.`;
}
