import { readFileSync } from "node:fs";
import { seededRandom } from "../base";
import { lowerBound } from "./bound";
import { graphOf } from "./graph";
import { type Instance, problemOfInstance } from "./instances";
import { Placer } from "./placer";
import { NO_HOLDS, placeAll } from "./solve";
import type { Op, Problem } from "./types";

/** The placement on arrays makes the same plan as the one on the board, whatever the order it is given. */

const IDS = ["A01", "A02", "B01", "B02", "C01", "C02", "D01", "D02", "E01"];
const instance = (id: string): Problem =>
  problemOfInstance(JSON.parse(readFileSync(`tests/vectors/schedule/${id}.json`, "utf8")) as Instance);

/** The same work with what plans have beside: hands for cleaning, air, racks, pins, what is done, empty evenings. */
function shed(of: Problem, random: () => number): Problem {
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

let placed = 0;
describe.each(IDS)("%s", (id) => {
  const plain = instance(id);
  it.each<[string, (random: () => number) => Problem]>([
    ["as it is", () => plain],
    ["with what a shed has beside", (random) => shed(plain, random)],
  ])("%s", (_, make) => {
    const random = seededRandom(7);
    const problem = make(random);
    const graph = graphOf(problem);
    const placer = new Placer(problem, graph);
    const boundMin = lowerBound(problem, graph);
    for (let n = 0; n < 12; n++) {
      const priority = new Map(problem.ops.map((o) => [o.id, graph.tailMin.get(o.id)! * (0.5 + random())]));
      const hold = n % 3 === 0 ? NO_HOLDS : new Map(problem.ops.map((o) => [o.id, random() < 0.05 ? 600 : 0]));
      const skip = n % 4 === 3 ? new Set([problem.sessions[1]!.startMin]) : undefined;
      const slow = placeAll(problem, graph, { priority, hold, skip });
      const found = placer.place(
        Float64Array.from(placer.ids, (i) => priority.get(i)!),
        Float64Array.from(placer.ids, (i) => hold.get(i) ?? 0),
        skip,
      );
      expect(found).toBe(slow.outcome === "placed");
      if (slow.outcome === "conflict") {
        expect(placer.ids[placer.stuck]).toBe(slow.conflict.opId);
        continue;
      }
      placed += 1;
      // whatever order it is placed in, nothing ends before the bound
      expect(slow.endMin).toBeGreaterThanOrEqual(boundMin);
      const at = new Map(slow.placed.map((p) => [p.opId, p.startMin]));
      expect([...placer.start]).toEqual(placer.ids.map((i) => at.get(i)));
    }
  });
});

it("was shown on placements that found room, most of them", () => expect(placed).toBeGreaterThan(9 * 12));
