import { INSTANCES, instance, shed } from "../../../tests/support/instances";
import { seededRandom } from "../base";
import { checkSchedule } from "./check";
import { Elsewhere } from "./elsewhere";
import { solve } from "./solve";
import type { Placed, Problem } from "./types";

/** A piece is moved just where the referee, asked about the whole plan, would let it lie. */

/** The first of its kind that has a plan at all. */
function planned(make: (random: () => number) => Problem): { problem: Problem; placed: readonly Placed[] } {
  for (let seed = 7; seed < 20; seed++) {
    const problem = make(seededRandom(seed));
    const plan = solve(problem, { tries: 30 });
    if (plan.outcome === "placed") return { problem, placed: plan.placed };
  }
  throw new Error("none has a plan");
}

let moved = 0;
let refused = 0;
describe.each(INSTANCES)("%s", (id) => {
  const plain = instance(id);
  it.each<[string, (random: () => number) => Problem]>([
    ["as it is", () => ({ ...plain, gridMin: 1 })],
    ["with what a shed has beside", (random) => shed(plain, random)],
  ])("%s", (_, make) => {
    const random = seededRandom(19);
    const { problem, placed: begun } = planned(make);
    let placed = begun;
    const bench = new Elsewhere(problem, placed);
    const free = problem.ops.filter((op) => op.loads === undefined && !op.fixed && op.lockMin == null);
    for (let n = 0; n < 60 && free.length > 0; n++) {
      const op = free[Math.floor(free.length * random())]!;
      const was = placed.find((p) => p.opId === op.id)!;
      const startMin = Math.max(0, was.startMin + Math.round(120 * (random() - 0.4)));
      const there: Placed = { ...was, startMin, endMin: startMin + op.durationMin };
      const after = placed.map((p) => (p === was ? there : p));
      const may = checkSchedule(problem, after).length === 0;
      expect(bench.move(op.id, there)).toBe(may);
      if (may) {
        placed = after;
        moved += 1;
      } else refused += 1;
      expect(bench.of(op.id)).toBe(may ? there : was);
    }
    expect(checkSchedule(problem, bench.placed)).toEqual([]);
  });
});

it("was shown on moves of both kinds", () => {
  expect(moved).toBeGreaterThan(30);
  expect(refused).toBeGreaterThan(30);
});
