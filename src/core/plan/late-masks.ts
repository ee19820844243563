import { own } from "../base";
import type { BeforeStep, PrepStep } from "../model";
import { checkSchedule, type Placed, type Problem, type Schedule } from "../schedule";
import type { Operation } from "../work";
import { GRID_MIN, type ProblemContext } from "./problem";

type Found = Extract<Schedule, { outcome: "placed" }>;

/** What would lie longer than this before the paint it is for is pulled nearer to it, minutes: tape, and a face wiped clean. */
const WORTH_PULLING_MIN = { tape: 6 * 60, clean: 60 } as const;
/** A cleaned face is left alone so long, minutes: a wipe flashes off first. */
const FLASHED_MIN = [0, 10, 20, 40, 60] as const;
/** The last of the dust and grease comes off right before the paint goes on, or new dust has settled. */
const LAST_CLEAN: ReadonlySet<string> = new Set<PrepStep | BeforeStep>(["dust-off", "wipe", "tack-off"]);

const lateAs = ({ kind, step }: Operation): keyof typeof WORTH_PULLING_MIN | null => {
  if (kind === "mask") return "tape";
  return (kind === "prep" || kind === "before") && step !== null && LAST_CLEAN.has(step) ? "clean" : null;
};

/**
 * Masking and the last cleaning as close before the spraying as the plan allows: done just before the first work they are for,
 * where the hours are free and nothing else has to move for it. Everything else stays where it is. Of two in a row the later one
 * goes first, so that the other can follow it.
 */
export function withLateMasks(problem: Problem, schedule: Found, ctx: ProblemContext): Found {
  let best = schedule;
  for (const { chain } of ctx.chains) {
    for (const op of [...chain.ops].reverse()) {
      const as = lateAs(op);
      if (as === null || ctx.records.has(op.id) || own(ctx.wishes.locks, op.id) !== undefined) continue;
      best = pulled(problem, best, op.id, as) ?? best;
    }
  }
  return best;
}

function pulled(problem: Problem, schedule: Found, opId: string, as: keyof typeof WORTH_PULLING_MIN): Found | null {
  const at = new Map(schedule.placed.map((p) => [p.opId, p]));
  const mask = at.get(opId);
  if (!mask) return null;
  const nextMin = Math.min(
    ...problem.links.filter((l) => l.from === opId).map((l) => at.get(l.to)?.startMin ?? Infinity),
  );
  if (!Number.isFinite(nextMin) || nextMin - mask.endMin < WORTH_PULLING_MIN[as]) return null;
  const lengthMin = mask.endMin - mask.startMin;
  for (const startMin of wishes(problem, nextMin, lengthMin, mask.startMin, as)) {
    // nothing else moves, so whether it may lie there is the referee's to say: no search is needed
    const own: Placed = { opId, startMin, endMin: startMin + lengthMin, boundBy: { kind: "kept" } };
    const placed = schedule.placed.map((p) => (p.opId === opId ? own : p));
    if (checkSchedule(problem, placed).length === 0) return { ...schedule, placed };
  }
  return null;
}

/** Starts to try, latest first: just before the next work, or at the end of the sessions before it. */
function wishes(
  problem: Problem,
  nextMin: number,
  lengthMin: number,
  afterMin: number,
  as: keyof typeof WORTH_PULLING_MIN,
): readonly number[] {
  const onGrid = (min: number) => Math.floor(min / GRID_MIN) * GRID_MIN;
  const ends = problem.sessions.filter((s) => s.endMin < nextMin).map((s) => s.endMin);
  const before = as === "clean" ? FLASHED_MIN.map((min) => nextMin - min) : [nextMin];
  return [...before, ...ends.reverse().slice(0, TRIED_SESSIONS)]
    .map((endMin) => onGrid(endMin - lengthMin))
    .filter((startMin) => startMin > afterMin);
}
const TRIED_SESSIONS = 4;
