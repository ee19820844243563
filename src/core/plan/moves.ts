import type { Conflict } from "../schedule";
import { keepPlan, slacks } from "../schedule";
import { contextFor } from "./plan";
import { GRID_MIN, linkId, problemOf } from "./problem";
import { inFull } from "./report";
import type { Move, PlanInput } from "./types";
import { widerFor } from "./wider";

/** What a change of one operation's hour would do; the film model has not looked at it yet. */
export type MoveAnswer =
  | {
      readonly outcome: "fits";
      readonly startMin: number;
      readonly doneMin: number;
      /** against the plan as it lies, the moved one left out */
      readonly moved: readonly Move[];
      /** slack the moved operation would have, minutes */
      readonly slackMin: number;
    }
  | { readonly outcome: "conflict"; readonly conflict: Conflict; readonly fromOpId: string | null };

/** A plan lying open to be pushed about: answers at once, keeps nothing. */
export interface MoveTrials {
  readonly tryMove: (opId: string, startMin: number) => MoveAnswer;
}

/** @param starts of the plan as it lies, by operation. Null where there is nothing that could be moved. */
export function moveTrials(input: PlanInput, starts: Readonly<Record<string, number>>): MoveTrials | null {
  const asJudged = contextFor(input);
  if (asJudged === null) return null;
  const ctx = widerFor(asJudged, starts);
  const problem = problemOf(ctx);
  const { aliasOf } = ctx.batches;
  const before = new Map(
    problem.ops.flatMap((o) => (starts[o.id] === undefined ? [] : [[o.id, starts[o.id]!] as const])),
  );
  const fromOf = new Map(
    [...ctx.chains.flatMap((c) => c.chain.ties), ...ctx.cross.map((c) => c.tie)].map((t) => [linkId(t), t.from]),
  );
  return {
    tryMove(opId, startMin) {
      const own = aliasOf(opId);
      const lockMin = Math.round(startMin / GRID_MIN) * GRID_MIN;
      const changed = { ...problem, ops: problem.ops.map((o) => (o.id === own ? { ...o, lockMin } : o)) };
      const held = new Map(before);
      held.delete(own);
      const found = keepPlan(changed, held);
      if (found.outcome === "conflict") {
        const { conflict } = found;
        return {
          outcome: "conflict",
          conflict,
          fromOpId: "linkId" in conflict ? (fromOf.get(conflict.linkId) ?? null) : null,
        };
      }
      const moved = inFull(found.placed, ctx).flatMap((p): Move[] => {
        const fromMin = starts[p.opId];
        return fromMin === undefined || fromMin === p.startMin || aliasOf(p.opId) === own
          ? []
          : [{ opId: p.opId, fromMin, toMin: p.startMin }];
      });
      return {
        outcome: "fits",
        startMin: lockMin,
        doneMin: found.endMin,
        moved,
        slackMin: slacks({ ...changed, ops: problem.ops }, found.placed).get(own)?.slackMin ?? 0,
      };
    },
  };
}
