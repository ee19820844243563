import { INSTANCES, instance, shed } from "../../../tests/support/instances";
import { seededRandom } from "../base";
import { lowerBound } from "./bound";
import { graphOf } from "./graph";
import { Placer } from "./placer";
import { NO_HOLDS, placeAll } from "./solve";
import type { Problem } from "./types";

/** The placement on arrays makes the same plan as the one on the board, whatever the order it is given. */

let placed = 0;
describe.each(INSTANCES)("%s", (id) => {
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
