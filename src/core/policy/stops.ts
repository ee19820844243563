import type { PlacedVerdict } from "../judge";

/** A written reason for going ahead against a stop. */
interface Reason {
  readonly key: string;
  readonly reason: string;
}

/** Whether a stop still stands. A reason answers a finish stop; a safety stop (isocyanate, lead, sprayed putty, heat) takes none. */
export function stillStops(reasons: readonly Reason[]): (v: PlacedVerdict) => boolean {
  const answered = new Set(reasons.filter((r) => r.reason.trim() !== "").map((r) => r.key));
  return (v) => v.verdict === "stop" && (v.kind === "safety" || !answered.has(v.key));
}

/** Why a verdict takes no written reason; null = it does. */
export function noReasonFor(v: Pick<PlacedVerdict, "verdict" | "kind">): "no-stop" | "safety" | null {
  if (v.verdict !== "stop") return "no-stop";
  return v.kind === "safety" ? "safety" : null;
}
