import { own } from "../base";
import { checkSchedule, Elsewhere, nightsBetween, type Placed, type Problem, type Schedule } from "../schedule";
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
  const bench = new Elsewhere(problem, schedule.placed);
  const busy = new Busy(problem, schedule.placed);
  for (const { chain } of ctx.chains) {
    for (const op of [...chain.ops].reverse()) {
      const as = waitsAs(op);
      if (as === null || ctx.records.has(op.id) || own(ctx.wishes.locks, op.id) !== undefined) continue;
      if (own(before, op.id) === startOf.get(op.id)) continue;
      pull(bench, busy, op.id, as);
    }
  }
  const placed = [...bench.placed].sort((a, b) => a.startMin - b.startMin || (a.opId < b.opId ? -1 : 1));
  // what may lie where is the referee's to say in the end
  return checkSchedule(problem, placed).length === 0 ? { ...schedule, placed } : schedule;
}

function pull(bench: Elsewhere, busy: Busy, opId: string, as: Waiting): void {
  const mask = bench.of(opId);
  if (!mask) return;
  const nextMin = bench.nextMin(opId);
  if (!Number.isFinite(nextMin) || nextMin - mask.endMin < WORTH_PULLING_MIN[as]) return;
  const lengthMin = mask.endMin - mask.startMin;
  for (const startMin of wishes(busy, nextMin, mask, as)) {
    const there: Placed = { opId, startMin, endMin: startMin + lengthMin, boundBy: { kind: "kept" } };
    if (!bench.move(opId, there)) continue;
    busy.move(mask, there);
    return;
  }
}

/**
 * Starts to try, latest first: just before the next work, or as late before it as there is room. Where a night lies between whatever
 * is done, it goes to a nearer evening, and there to the beginning: nobody comes for the last ten minutes of one.
 */
function wishes(busy: Busy, nextMin: number, own: Placed, as: Waiting): readonly number[] {
  const lengthMin = own.endMin - own.startMin;
  const onGrid = (min: number) => Math.floor(min / GRID_MIN) * GRID_MIN;
  const nights = (startMin: number) => nightsBetween(startMin + lengthMin, nextMin);
  const before = as === "clean" ? FLASHED_MIN.map((min) => nextMin - min) : [nextMin];
  const inRooms = busy.rooms(own, nextMin).slice(0, TRIED_GAPS);
  return [
    ...before.map((endMin) => onGrid(endMin - lengthMin)),
    ...inRooms.map(({ fromMin, toMin }) => {
      const latest = onGrid(toMin - lengthMin);
      return nights(latest) === 0 ? latest : Math.ceil(fromMin / GRID_MIN) * GRID_MIN;
    }),
  ].filter(
    (startMin) => startMin > own.startMin && (nights(startMin) === 0 || nights(startMin) < nights(own.startMin)),
  );
}
const TRIED_GAPS = 8;

/** What lies in each session. */
class Busy {
  private readonly sessions: readonly { readonly startMin: number; readonly endMin: number; placed: Placed[] }[];

  constructor({ sessions }: Problem, placed: readonly Placed[]) {
    this.sessions = sessions.map((s) => ({ ...s, placed: [] }));
    for (const p of placed) for (const s of this.touched(p)) s.placed.push(p);
  }

  private touched({ startMin, endMin }: Placed) {
    return this.sessions.filter((s) => endMin > s.startMin && startMin < s.endMin);
  }

  move(from: Placed, to: Placed): void {
    for (const s of this.touched(from)) s.placed = s.placed.filter((p) => p !== from);
    for (const s of this.touched(to)) s.placed.push(to);
  }

  /** Where there is room for it between other work before a moment, latest first. */
  rooms(own: Placed, untilMin: number): readonly { readonly fromMin: number; readonly toMin: number }[] {
    const lengthMin = own.endMin - own.startMin;
    return this.sessions
      .filter((s) => s.startMin < untilMin && s.endMin > own.endMin)
      .flatMap((s) => {
        const inside = s.placed.filter((p) => p !== own).sort((a, b) => a.startMin - b.startMin);
        const ends = [...inside.map((p) => p.startMin), s.endMin].filter((t) => t <= untilMin);
        return ends.flatMap((toMin) => {
          const fromMin = Math.max(s.startMin, ...inside.filter((p) => p.startMin < toMin).map((p) => p.endMin));
          return toMin - fromMin >= lengthMin ? [{ fromMin, toMin }] : [];
        });
      })
      .sort((a, b) => b.toMin - a.toMin);
  }
}
