import type { EdgeKind } from "@/core/model";
import type { Why } from "@/core/scheme";
import { duration } from "@/format";

export const EDGE_NAME: Readonly<Record<EdgeKind, string>> = {
  hard: "hard, along tape",
  soft: "soft, freehand",
  apart: "no line between",
};

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
