import { chanceNotYet, type FilmFaultKind, filmFaults, type NextAct, progressAt } from "../film";
import { possibleBites } from "../rules";
import { coatsUpTo, isBare, isWaitedFor, LAYS_PAINT, milestoneOf, type Operation, type WaitedFor } from "../work";
import { contextFor } from "./plan";
import type { PlanInput } from "./types";
import { firstInSession } from "./warmth";

/** A simulated fault; minutes from the last coat. */
interface EarlyFault {
  readonly kind: FilmFaultKind;
  readonly by: number;
  readonly min: number;
  readonly rightMin: number | null;
}

/** What comes of doing a thing before its film is ready. */
export interface EarlyStart {
  /** the milestone it would not wait for */
  readonly milestone: WaitedFor;
  /** the sooner start that was looked at: the first free moment in a session after the coat it waits for */
  readonly atMin: number;
  readonly plannedMin: number;
  /** that the film is not there yet at that moment (est.: films scatter) */
  readonly chance: number;
  /** what the simulated film says goes wrong */
  readonly faults: readonly EarlyFault[];
  readonly savedMin: number;
  /** to take it off and do it again: hands-on minutes, and how long until one is back here (est.) */
  readonly redoHandsOnMin: number;
  readonly redoDelayMin: number;
  /** chance times delay, against what is saved: above 1 it does not pay */
  readonly costToGain: number;
}

/** Rubbing or stripping a spoilt coat takes as long as laying it, and half as long again (est.). */
const TAKING_OFF = 1.5;
const SESSION_STEP_MIN = 5;

/**
 * "If you hurry this": the operation at the first moment in a session after what it waits for, its film asked what it would be
 * like then. @param at places of the plan, by operation; null where it waits for no film or could not be sooner
 */
export function earlyStart(
  input: PlanInput,
  opId: string,
  at: Readonly<Record<string, { readonly startMin: number; readonly endMin: number }>>,
): EarlyStart | null {
  const ctx = contextFor(input);
  const live = ctx?.chains.find((c) => c.chain.ops.some((o) => o.id === opId));
  const own = at[opId];
  if (!ctx || !live || !own) return null;
  const ties = live.chain.ties.filter((t) => t.to === opId && isWaitedFor(t.wait));
  const tie = ties.find((t) => !isBare(milestoneOf(t.wait)));
  const milestone = tie ? milestoneOf(tie.wait) : null;
  if (!tie || milestone === null || isBare(milestone)) return null;
  const endOf = (id: string) => at[id]?.endMin ?? input.nowMin;
  const fromMin = endOf(tie.from);
  const op = live.chain.ops.find((o) => o.id === opId)!;
  const atMin = firstInSession(input, Math.max(fromMin, input.nowMin), op.handsOnMin);
  if (atMin === null || atMin >= own.startMin - SESSION_STEP_MIN) return null;
  const coats = coatsUpTo(live.chain, tie.from, live.filmUm, input.productOf, endOf);
  if (coats.length === 0) return null;
  const { climate, clock } = ctx.airOf(live.chain.regionId);
  const chance = chanceNotYet(progressAt(coats, milestone, clock, atMin), coats.at(-1)!.product.pace ?? null);
  const lastMin = coats.at(-1)!.endMin;
  const faults = filmFaults(coats, climate, clock, actOf(op, atMin, input), atMin).map(
    (f): EarlyFault => ({
      kind: f.kind,
      by: f.by,
      min: f.atMin - lastMin,
      rightMin: f.rightAtMin === null ? null : f.rightAtMin - lastMin,
    }),
  );
  const savedMin = own.startMin - atMin;
  const spoilt = live.chain.ops.filter((o) => o.layerId !== null && o.layerId === coatLayer(live.chain.ops, tie.from));
  const redoHandsOnMin = Math.round(TAKING_OFF * (op.handsOnMin + spoilt.reduce((sum, o) => sum + o.handsOnMin, 0)));
  const firstStart = Math.min(...spoilt.map((o) => at[o.id]?.startMin ?? own.startMin));
  const redoDelayMin = Math.max(redoHandsOnMin, own.startMin - firstStart);
  return {
    milestone,
    atMin,
    plannedMin: own.startMin,
    chance,
    faults,
    savedMin,
    redoHandsOnMin,
    redoDelayMin,
    costToGain: (chance * redoDelayMin) / Math.max(1, savedMin),
  };
}

const coatLayer = (ops: readonly { id: string; layerId: string | null }[], id: string): string | null =>
  ops.find((o) => o.id === id)?.layerId ?? null;

function actOf(op: Pick<Operation, "kind" | "productId">, atMin: number, input: PlanInput): NextAct | null {
  if (LAYS_PAINT.has(op.kind)) {
    const product = input.productOf(op.productId!);
    return { kind: "coat", atMin, carrierBite: Math.max(...possibleBites(product)) };
  }
  return op.kind === "sand" || op.kind === "inspect" || op.kind === "before" ? { kind: "sand", atMin } : null;
}
