import { own } from "../base";
import { checkSchedule, keepPlan, type Placed, type Problem, type Schedule } from "../schedule";
import { GRID_MIN, type ProblemContext } from "./problem";

type Found = Extract<Schedule, { outcome: "placed" }>;

/** Tape that would lie longer than this before its paint is pulled nearer to it, minutes. */
const WORTH_PULLING_MIN = 6 * 60;

/**
 * Masking as close before the spraying as the plan allows: tape is put on just before the first work it is for, where the hours
 * are free and nothing else has to move for it. Everything else stays where it is.
 */
export function withLateMasks(problem: Problem, schedule: Found, ctx: ProblemContext): Found {
  let best = schedule;
  for (const { chain } of ctx.chains) {
    for (const op of chain.ops) {
      if (op.kind !== "mask" || ctx.records.has(op.id) || own(ctx.wishes.locks, op.id) !== undefined) continue;
      best = pulled(problem, best, op.id) ?? best;
    }
  }
  return best;
}

function pulled(problem: Problem, schedule: Found, opId: string): Found | null {
  const at = new Map(schedule.placed.map((p) => [p.opId, p]));
  const mask = at.get(opId);
  if (!mask) return null;
  const nextMin = Math.min(
    ...problem.links.filter((l) => l.from === opId).map((l) => at.get(l.to)?.startMin ?? Infinity),
  );
  if (!Number.isFinite(nextMin) || nextMin - mask.endMin < WORTH_PULLING_MIN) return null;
  const lengthMin = mask.endMin - mask.startMin;
  const starts = startsOf(schedule.placed);
  for (const wishedMin of wishes(problem, nextMin, lengthMin, mask.startMin)) {
    const kept = keepPlan(problem, new Map([...starts, [opId, wishedMin]]));
    if (kept.outcome !== "placed") continue;
    const onlyItMoved = kept.placed.every((p) => p.opId === opId || p.startMin === starts.get(p.opId));
    if (onlyItMoved && checkSchedule(problem, kept.placed).length === 0)
      return { ...schedule, placed: mended(schedule.placed, kept.placed, opId) };
  }
  return null;
}

/** Only the mask is new; what bound everything else stays as it was told. */
const mended = (before: readonly Placed[], after: readonly Placed[], opId: string): readonly Placed[] =>
  before.map((p) => (p.opId === opId ? after.find((a) => a.opId === opId)! : p));

/** Starts to try, latest first: just before the next work, or at the end of the sessions before it. */
function wishes(problem: Problem, nextMin: number, lengthMin: number, afterMin: number): readonly number[] {
  const onGrid = (min: number) => Math.floor(min / GRID_MIN) * GRID_MIN;
  const ends = problem.sessions.filter((s) => s.endMin < nextMin).map((s) => s.endMin);
  return [nextMin, ...ends.reverse().slice(0, TRIED_SESSIONS)]
    .map((endMin) => onGrid(endMin - lengthMin))
    .filter((startMin) => startMin > afterMin);
}
const TRIED_SESSIONS = 4;

const startsOf = (placed: readonly Placed[]): ReadonlyMap<string, number> =>
  new Map(placed.map((p) => [p.opId, p.startMin]));
