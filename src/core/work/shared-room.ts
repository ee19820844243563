import { type AppliedCoat, milestoneAfter, type WaitClock } from "../film";
import type { Method } from "../model";
import { DUST_SETTLES_MIN, MIST_SETTLES_MIN } from "../reference";
import type { Keep, SharedAir } from "../schedule";
import { LAYS_PAINT, type Operation } from "./operations";

/** What films need of a room while they dry, from the film's own answers; remembered, as the search asks it over and over. */
export interface Drying {
  readonly dustFreeMin: (endMin: number) => number;
  readonly handleMin: (endMin: number) => number;
}

/** A film the clock never sees dry is minded for this long and no longer, minutes. */
const MOST_MINDED_MIN = 2 * 1440;

export function dryingOf(coatAt: (endMin: number) => AppliedCoat, clock: WaitClock): Drying {
  const remembered = (of: (endMin: number) => number) => {
    const known = new Map<number, number>();
    return (endMin: number) => {
      const min = known.get(endMin) ?? of(endMin);
      known.set(endMin, min);
      return min;
    };
  };
  const reach = (milestone: "dust-free" | "handle") =>
    remembered((endMin) => {
      const a = milestoneAfter([coatAt(endMin)], milestone, clock);
      return Math.min(
        endMin + MOST_MINDED_MIN,
        a.outcome === "reached" ? Math.max(endMin, a.atMin) : endMin + MOST_MINDED_MIN,
      );
    });
  return { dustFreeMin: reach("dust-free"), handleMin: reach("handle") };
}

export interface RoomAir {
  /** wet parts stand under a cover */
  readonly covered: boolean;
  /** what is sprayed is sprayed before extraction */
  readonly extracted: boolean;
}

/**
 * What an operation does to the air of the room and what it cannot bear there: dry paper gives dust, a spray gives mist of its own
 * product, and a fresh film minds both until it is dust-free, unless wet parts stand under a cover. Where extraction runs it takes
 * the mist with it: what stands aside gets none of it. Dust comes from the bench, and is not drawn off.
 */
export function sharedAir(op: Operation, drying: Drying | null, room: RoomAir): SharedAir | undefined {
  if (LAYS_PAINT.has(op.kind) && drying)
    return {
      gives: op.sprayed && !room.extracted ? `mist of ${op.productId}` : null,
      settleMin: MIST_SETTLES_MIN,
      mindsUntilMin: room.covered ? (endMin) => endMin : drying.dustFreeMin,
      of: op.regionId,
    };
  return op.dusty ? { gives: "dust", settleMin: DUST_SETTLES_MIN, mindsUntilMin: null, of: op.regionId } : undefined;
}

/** A wet part hangs on its holder until it can be handled; a lamp keeps what lies under it, a clamp what has not set. */
export function keepsOf(
  op: Operation,
  drying: Drying | null,
  { holders, clamps = null }: { readonly holders: number | null; readonly clamps?: number | null | undefined },
  count = 1,
): readonly Keep[] {
  if (op.lampMin !== undefined) return [{ resource: "uv-box", amount: 1, untilMin: (endMin) => endMin + op.lampMin! }];
  if (op.held?.by === "clamp" && clamps !== null)
    return [{ resource: "clamps", amount: 1, untilMin: (endMin) => endMin + op.held!.min }];
  return LAYS_PAINT.has(op.kind) && drying && holders !== null
    ? [{ resource: "holders", amount: Math.min(count, holders), untilMin: drying.handleMin }]
    : [];
}

/** Tools that are loaded with one product at a time. */
export const TOOL_OF: Readonly<Partial<Record<Method, string>>> = { airbrush: "airbrush", "spray-gun": "spray-gun" };
