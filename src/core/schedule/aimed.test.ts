import { readFileSync } from "node:fs";
import { eveningsFrom, link, op, shop } from "../../../tests/support/shops";
import { seededRandom } from "../base";
import { scarceOf } from "./aimed";
import { checkSchedule } from "./check";
import { Evenings, type Guide, type Packing } from "./evenings";
import { graphOf } from "./graph";
import { type Instance, problemOfInstance } from "./instances";
import { Outlook } from "./outlook";
import { Placer } from "./placer";
import { solve } from "./solve";
import type { Problem } from "./types";

/** Plans made session by session, with a target in sight. */

const PACKING: Packing = { urgency: 1, discrepancies: 2, breadth: 4, leaves: 40, nodes: 400, night: 0, asks: 100 };
const filled = (
  problem: Problem,
  urgent: Readonly<Record<string, number>> = {},
  idleMin = Number.POSITIVE_INFINITY,
) => {
  const placer = new Placer(problem, graphOf(problem));
  const evenings = new Evenings(problem, graphOf(problem), placer, "hands");
  const weights = Float64Array.from(placer.ids, (id) => urgent[id] ?? 1);
  const guide: Guide = { before: () => ({ urgent: weights, idleMin }), after: () => true };
  const whole = evenings.fill(PACKING, guide, null, 0);
  const at = (id: string) => placer.start[placer.ids.indexOf(id)]!;
  const placed = placer.ids.map((id, i) => ({
    opId: id,
    startMin: placer.start[i]!,
    endMin: placer.end[i]!,
    boundBy: { kind: "now" as const },
  }));
  return { whole, at, faults: whole ? checkSchedule(problem, placed) : null };
};

describe("a session is packed", () => {
  it("with what fills it to the minute, where the first in line would leave some of it idle", () => {
    // 150 minutes: 100 + 50 or 90 + 60 fill it, 100 + 40 does not
    const ops = [op("a", 90), op("b", 60), op("c", 100), op("d", 40), op("e", 10)];
    const { at, faults } = filled(shop(ops), { c: 1.05, d: 1.04 });
    expect(faults).toEqual([]);
    const first = ops.filter((o) => at(o.id) < 1440).reduce((sum, o) => sum + o.durationMin, 0);
    expect(first).toBe(150);
  });
  it("what is urgent goes first, where as much of the session is put to use", () => {
    const { at } = filled(shop([op("a", 75), op("b", 75), op("late", 75)]), { late: 3 });
    expect(at("late")).toBeLessThan(1440);
  });
  it("other work goes into a wait inside a window, and the window is still met", () => {
    const ops = [op("first", 20), op("second", 20), op("other", 45)];
    const { at, faults } = filled(shop(ops, [link("first", "second", [[30, 60]])]), { first: 2 });
    expect(faults).toEqual([]);
    expect([at("first"), at("other"), at("second")]).toEqual([0, 20, 65]);
  });
  it("an opener whose window this session cannot meet waits for the next", () => {
    const ops = [op("long", 110), op("first", 20), op("second", 20)];
    const { at, whole, faults } = filled(shop(ops, [link("first", "second", [[30, 60]])]), { long: 5 });
    expect(whole).toBe(true);
    expect(faults).toEqual([]);
    expect(at("first")).toBeGreaterThanOrEqual(1440);
  });
  it("a window that nothing can meet ends it", () => {
    const problem = shop([op("first", 100), op("second", 100)], [link("first", "second", [[30, 60]])]);
    expect(filled(problem).whole).toBe(false);
  });
  it("a pin is kept, and the time before it is used", () => {
    const { at, faults } = filled(shop([op("pinned", 30, { lockMin: 60 }), op("a", 60), op("b", 60)]));
    expect(faults).toEqual([]);
    expect(at("pinned")).toBe(60);
    expect([at("a"), at("b")].sort((x, y) => x - y)).toEqual([0, 90]);
  });
});

describe("whether what is left can still be done in time", () => {
  const two = eveningsFrom(3, 100);
  const spare = (problem: Problem, targetMin: number, lagMin = 0) => {
    const placer = new Placer(problem, graphOf(problem));
    placer.begin();
    const minutes = Float64Array.from(problem.ops, (o) => o.durationMin);
    const outlook = new Outlook(problem, graphOf(problem), placer, minutes, (_, least) => Math.max(least, lagMin));
    outlook.aimAt(targetMin);
    return outlook.spare(0);
  };
  const work = (...minutes: number[]) =>
    shop(
      minutes.map((m, n) => op(`o${n}`, m)),
      [],
      { sessions: two },
    );
  it.each<[string, Problem, number, boolean]>([
    ["two evenings hold two evenings' work", work(60, 40, 50, 50), 1540, true],
    ["but no minute more", work(60, 40, 50, 55), 1540, false],
    ["one piece too long for any", work(101), 4000, false],
    [
      "a chain with a night in it, in two evenings",
      shop([op("a", 50), op("b", 50)], [link("a", "b", [[300, null]])], { sessions: two }),
      1540,
      true,
    ],
    ["not in one", shop([op("a", 50), op("b", 50)], [link("a", "b", [[300, null]])], { sessions: two }), 100, false],
    [
      "work that is only there on the second evening does not fit into it",
      shop([op("a", 60, { releaseMin: 1440 }), op("b", 60, { releaseMin: 1440 })], [], { sessions: two }),
      1540,
      false,
    ],
  ])("%s", (_, problem, targetMin, can) => expect(spare(problem, targetMin) !== null).toBe(can));
});

it.each<[string, Problem, string | null]>([
  [
    "hands, of which there is one pair",
    shop([op("a", 10), op("b", 10, { needs: { hands: 1, booth: 1 } })], [], { capacity: { hands: 1, booth: 1 } }),
    "hands",
  ],
  ["nothing, where there is enough of all", shop([op("a", 10)], [], { capacity: { hands: 2 } }), null],
  ["nothing, where all is done", shop([op("a", 10, { fixed: { startMin: 0, endMin: 10 } })]), null],
])("what sessions are packed for: %s", (_, problem, scarce) => expect(scarceOf(problem)).toBe(scarce));

describe("reference instances, by steps of search and not by the clock", () => {
  const vector = (name: string) => JSON.parse(readFileSync(`tests/vectors/schedule/${name}.json`, "utf8"));
  const optima: { id: string; best: number }[] = vector("optima");
  it.each<[string, number, number]>([
    ["A01", 60, 1],
    ["A02", 120, 1],
    ["B01", 60, 1],
    ["B02", 400, 1],
    ["C01", 900, 1.003],
    ["C02", 60, 1],
    ["D01", 400, 1.01],
    ["D02", 600, 1],
    ["E01", 300, 1],
  ])("%s in %d steps within a factor of %d of the best there is", (id, tries, factor) => {
    const problem = problemOfInstance(vector(id) as Instance);
    const plan = solve(problem, { tries });
    if (plan.outcome !== "placed") throw new Error(plan.outcome);
    expect(checkSchedule(problem, plan.placed)).toEqual([]);
    expect(plan.endMin).toBeLessThanOrEqual(factor * optima.find((o) => o.id === id)!.best);
  });
  it("the same search twice is the same plan", () => {
    const problem = problemOfInstance(vector("D01") as Instance);
    expect(solve(problem, { tries: 40 })).toEqual(solve(problem, { tries: 40 }));
  });
});

it("every piece of a found plan says what holds it where it is, and what holds nothing says so", () => {
  const random = seededRandom(11);
  const ops = Array.from({ length: 12 }, (_, n) => op(`o${n}`, 20 + 5 * Math.floor(6 * random())));
  const plan = solve(shop(ops), { tries: 30 });
  if (plan.outcome !== "placed") throw new Error(plan.outcome);
  const first = plan.placed[0]!;
  expect(first).toMatchObject({ startMin: 0, boundBy: { kind: "now" } });
  for (const p of plan.placed.slice(1)) expect(["resource", "session", "kept"]).toContain(p.boundBy.kind);
});
