import { own } from "../base";
import { checkSchedule, type Placed, type Problem, type Schedule } from "../schedule";
import { type Waiting, waitsAs } from "./nearness";
import { GRID_MIN, type ProblemContext } from "./problem";

type Found = Extract<Schedule, { outcome: "placed" }>;

/** What would lie longer than this before the work it is for is pulled nearer to it, minutes: tape, a face wiped clean, one got ready. */
const WORTH_PULLING_MIN = { tape: 6 * 60, clean: 60, ready: 12 * 60 } as const satisfies Readonly<
  Record<Waiting, number>
>;
/** A cleaned face is left alone so long, minutes: a wipe flashes off first. */
const FLASHED_MIN = [0, 10, 20, 40, 60] as const;
/**
 * Masking, getting ready and the last cleaning as close before the spraying as the plan allows: done just before the first work
 * they are for, where the hours are free and nothing else has to move for it. Everything else stays where it is, and so does what
 * lies where the plan before had it. Of two in a row the later one goes first, so that the other can follow it.
 */
export function withLateMasks(
  problem: Problem,
  schedule: Found,
  ctx: ProblemContext,
  before: Readonly<Record<string, number>> = {},
): Found {
  const startOf = new Map(schedule.placed.map((p) => [p.opId, p.startMin]));
  let best = schedule;
  for (const { chain } of ctx.chains) {
    for (const op of [...chain.ops].reverse()) {
      const as = waitsAs(op);
      if (as === null || ctx.records.has(op.id) || own(ctx.wishes.locks, op.id) !== undefined) continue;
      if (own(before, op.id) === startOf.get(op.id)) continue;
      best = pulled(problem, best, op.id, as) ?? best;
    }
  }
  return best;
}

function pulled(problem: Problem, schedule: Found, opId: string, as: Waiting): Found | null {
  const at = new Map(schedule.placed.map((p) => [p.opId, p]));
  const mask = at.get(opId);
  if (!mask) return null;
  const nextMin = Math.min(
    ...problem.links.filter((l) => l.from === opId).map((l) => at.get(l.to)?.startMin ?? Infinity),
  );
  if (!Number.isFinite(nextMin) || nextMin - mask.endMin < WORTH_PULLING_MIN[as]) return null;
  const lengthMin = mask.endMin - mask.startMin;
  for (const startMin of wishes(problem, schedule, nextMin, mask, as)) {
    // nothing else moves, so whether it may lie there is the referee's to say: no search is needed
    const own: Placed = { opId, startMin, endMin: startMin + lengthMin, boundBy: { kind: "kept" } };
    const placed = schedule.placed.map((p) => (p.opId === opId ? own : p));
    if (checkSchedule(problem, placed).length === 0) return { ...schedule, placed };
  }
  return null;
}

/** Starts to try, latest first: just before the next work, else the ends of what is free before it. */
function wishes(problem: Problem, { placed }: Found, nextMin: number, own: Placed, as: Waiting): readonly number[] {
  const lengthMin = own.endMin - own.startMin;
  const onGrid = (min: number) => Math.floor(min / GRID_MIN) * GRID_MIN;
  const before = as === "clean" ? FLASHED_MIN.map((min) => nextMin - min) : [nextMin];
  return [...before, ...freeEnds(problem, placed, own, nextMin).slice(0, TRIED_GAPS)]
    .map((endMin) => onGrid(endMin - lengthMin))
    .filter((startMin) => startMin > own.startMin);
}
const TRIED_GAPS = 8;

/** Ends of the hours between one piece of work and another before a moment, with room in them; latest first. */
function freeEnds({ sessions }: Problem, placed: readonly Placed[], own: Placed, untilMin: number): readonly number[] {
  const lengthMin = own.endMin - own.startMin;
  const busy = placed.filter((p) => p !== own).sort((a, b) => a.startMin - b.startMin);
  return sessions
    .filter((s) => s.startMin < untilMin && s.endMin > own.endMin)
    .flatMap((s) => {
      const inside = busy.filter((p) => p.endMin > s.startMin && p.startMin < s.endMin);
      const ends = [...inside.map((p) => p.startMin), s.endMin].filter((t) => t <= untilMin);
      return ends.filter((t) => {
        const from = Math.max(s.startMin, ...inside.filter((p) => p.startMin < t).map((p) => p.endMin));
        return t - from >= lengthMin;
      });
    })
    .sort((a, b) => b - a);
}
