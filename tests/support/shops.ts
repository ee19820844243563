import { seededRandom } from "@/core/base";
import type { Link, Op, Problem, Span } from "@/core/schedule";

/** Small made-up workshops for the scheduler: minutes from 0, an evening a day. */

export const op = (id: string, durationMin: number, over: Partial<Op> = {}): Op => ({
  id,
  durationMin,
  needs: { hands: 1 },
  releaseMin: 0,
  gate: null,
  fixed: null,
  ...over,
});

export function link(from: string, to: string, allowed: readonly (readonly [number, number | null])[]): Link {
  return {
    id: `${from}>${to}`,
    from,
    to,
    estimateMin: allowed[0]![0],
    leastMin: allowed[0]![0],
    bounded: allowed.some(([, hi]) => hi !== null),
    allowed: (endOf) =>
      allowed.map(([lo, hi]): Span => ({ startMin: endOf(from) + lo, endMin: hi === null ? null : endOf(from) + hi })),
  };
}

export const DAY = 1440;
export const eveningsFrom = (days: number, lengthMin = 150, startMin = 0): Problem["sessions"] =>
  Array.from({ length: days }, (_, d) => ({ startMin: startMin + d * DAY, endMin: startMin + d * DAY + lengthMin }));

export const shop = (ops: readonly Op[], links: readonly Link[] = [], over: Partial<Problem> = {}): Problem => ({
  ops,
  links,
  capacity: { hands: 1 },
  sessions: eveningsFrom(40),
  nowMin: 0,
  gridMin: 5,
  ...over,
});

/** Chains of a few operations with waits, windows, tools to clean, wet films that mind dust, and a rack with room for two. */
export function randomShop(seed: number, chains = 5): Problem {
  const random = seededRandom(seed);
  const pick = (n: number) => Math.floor(random() * n);
  const ops: Op[] = [];
  const links: Link[] = [];
  for (let c = 0; c < chains; c++) {
    const length = 2 + pick(4);
    for (let k = 0; k < length; k++) {
      const id = `c${c}.${k}`;
      const kind = pick(3);
      ops.push(
        op(id, 5 + 5 * pick(6), {
          needs: kind === 0 ? { hands: 1, brush: 1 } : { hands: 1 },
          loads: kind === 0 ? { brush: pick(2) === 0 ? "red" : "blue" } : undefined,
          keeps: kind === 0 ? [{ resource: "rack", amount: 1, untilMin: (end) => end + 60 }] : undefined,
          air:
            kind === 0
              ? { gives: null, settleMin: 0, mindsUntilMin: (end) => end + 30, of: `c${c}` }
              : kind === 1
                ? { gives: "dust", settleMin: 20, mindsUntilMin: null, of: `c${c}` }
                : undefined,
          ...(pick(12) === 0 ? { releaseMin: DAY * (1 + pick(2)) } : {}),
        }),
      );
      if (k === 0) continue;
      // a window either lies within an evening or spans more than a day: one that opens and shuts by night fits nobody
      const windowed = pick(4) === 0;
      const short = windowed && pick(2) === 0;
      const least = 5 * pick(short ? 4 : 30);
      const shuts = windowed ? least + 90 + (short ? 0 : DAY + 5 * pick(200)) : null;
      links.push(link(`c${c}.${k - 1}`, id, shuts === null ? [[least, null]] : [[least, shuts]]));
    }
  }
  return shop(ops, links, {
    capacity: { hands: 1, brush: 1, rack: 2 },
    setupMin: { brush: 10 },
    setupTakes: "hands",
    sessions: eveningsFrom(60),
  });
}
