import { readFileSync } from "node:fs";
import { type Instance, type Op, type Problem, problemOfInstance } from "@/core/schedule";

/** The reference instances of the schedule, and the same work as a shed has it. */

export const INSTANCES = ["A01", "A02", "B01", "B02", "C01", "C02", "D01", "D02", "E01"];
export const instance = (id: string): Problem =>
  problemOfInstance(JSON.parse(readFileSync(`tests/vectors/schedule/${id}.json`, "utf8")) as Instance);

/** The same work with what plans have beside: hands for cleaning, air, racks, pins, what is done, empty evenings. */
export function shed(of: Problem, random: () => number): Problem {
  const rack = { resource: "rack", amount: 1, untilMin: (end: number) => end + 90 };
  const pinned = of.ops.findLast((op) => !of.links.some((l) => l.to === op.id));
  const ops = of.ops.map((op, n): Op => {
    const gives = ["dust", "mist", null][Math.floor(3 * random())]!;
    return {
      ...op,
      ...(random() < 0.3 ? { keeps: [rack] } : {}),
      ...(random() < 0.6
        ? {
            air: {
              gives,
              settleMin: 3,
              mindsUntilMin: random() < 0.5 ? (end: number) => end + 8 : null,
              ...(random() < 0.3 ? { of: `owner ${n % 4}` } : {}),
            },
          }
        : {}),
      ...(random() < 0.05 ? { unattended: true } : {}),
      ...(n === 0 ? { fixed: { startMin: 100.5, endMin: 104.5 } } : {}),
      ...(op === pinned ? { lockMin: of.sessions[1]!.startMin } : {}),
      releaseMin: random() < 0.1 ? 400 : 0,
    };
  });
  const hands = Object.keys(of.capacity)[0]!;
  return {
    ...of,
    ops,
    capacity: { ...of.capacity, rack: 4 },
    setupTakes: hands,
    gridMin: 1,
  };
}
