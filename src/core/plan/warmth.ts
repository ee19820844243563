/** Whether a warm box is worth it for one wait: where it may begin, when the film is there, which session that opens. */

import { airAt, climateAt, milestoneAfter, prefixClock } from "../film";
import { partLagMin } from "../reference";
import { coatsUpTo } from "../work";
import type { LiveChain, ProblemContext } from "./problem";
import type { PlanInput, WaitReport } from "./types";
import { waitReport } from "./wait-report";

/** A stay in a warm box that brings a wait to its end sooner. */
export interface WarmthOffer {
  readonly boxC: number;
  /** not before the film is touch dry: solvent still wet in the warm is fire and bubbles */
  readonly fromMin: number;
  readonly toMin: number;
  /** first moment in a session from which the work can be done then, and the one without the box */
  readonly startMin: number;
  readonly withoutMin: number;
}

/** A box is warmed to this and no more, °C (est.): gentle for every film, whatever the material stands. */
const GENTLE_C = 35;
/** A box hardly warmer than the room, or that saves less than this, is not worth its trouble. */
const WORTH = { warmerC: 5, savesMin: 120 } as const;
const STEP_MIN = 5;

/** @param maxC what the most delicate face of the part stands, °C; null = nobody knows, and then none is offered */
export function warmthOffer(
  input: PlanInput,
  live: LiveChain,
  ctx: Pick<ProblemContext, "productOf" | "airOf" | "delaysMin" | "notYet">,
  { wait, opId, endOf, maxC }: { wait: WaitReport; opId: string; endOf: (id: string) => number; maxC: number | null },
): WarmthOffer | null {
  if (maxC === null) return null;
  const regionId = live.chain.regionId;
  const { climate, clock } = ctx.airOf(regionId);
  const coats = coatsUpTo(live.chain, wait.fromOpId, live.filmUm, input.productOf, endOf);
  const touch = milestoneAfter(coats, "touch", clock);
  if (touch.outcome !== "reached") return null;
  const fromMin = Math.ceil(Math.max(touch.atMin, input.nowMin) / STEP_MIN) * STEP_MIN;
  const boxC = Math.min(GENTLE_C, maxC);
  if (fromMin >= wait.likelyMin || boxC - airAt(climate, fromMin).tempC < WORTH.warmerC) return null;
  const box = { kind: "warm-box", fromMin, toMin: wait.likelyMin, tempC: boxC, airflowMS: null } as const;
  const warm = climateAt(climate, [box], partLagMin(live.planned.region.material));
  const firstMin = Math.min(fromMin, ...coats.map((c) => c.endMin)) - STEP_MIN;
  const air = { climate: warm, clock: prefixClock(warm, firstMin, input.horizonMin) };
  const then = waitReport(opId, live, { ...ctx, airOf: () => air }, endOf, input.nowMin);
  if (!then) return null;
  const ready = (w: WaitReport) => Math.max(input.nowMin, input.caution === "safe" ? w.safeMin : w.likelyMin);
  const minutes = live.chain.ops.find((o) => o.id === opId)?.handsOnMin ?? 0;
  const startMin = firstInSession(input, ready(then), minutes);
  const withoutMin = firstInSession(input, ready(wait), minutes);
  if (startMin === null || withoutMin === null || withoutMin - startMin < WORTH.savesMin) return null;
  return { boxC, fromMin, toMin: Math.ceil(ready(then) / STEP_MIN) * STEP_MIN, startMin, withoutMin };
}

/** First start on the grid at which so many minutes of work fit a session; null = none is left. */
export function firstInSession({ sessions }: PlanInput, fromMin: number, minutes: number): number | null {
  for (const s of sessions) {
    const start = Math.ceil(Math.max(s.startMin, fromMin) / STEP_MIN) * STEP_MIN;
    if (start + minutes <= s.endMin) return start;
  }
  return null;
}
