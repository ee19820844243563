import { MIN_PER_DAY } from "@/core/base";
import { climateOf } from "@/core/film";
import { layer, NOW_MIN, pile, planInput, region } from "../../../tests/support/world";
import type { PlanGroup } from "./together";
import { planTogether } from "./together";
import { NO_WISHES, type PlanAnswer, type PlanInput } from "./types";
import { plannedWithRounds, REPLAN_WAYS, type ReplanWay, ROUNDS_WAYS, replanned } from "./ways";

/** A bench of five parts, some masked, planned; then something changes, and it is planned again three ways. */

type Planned = Extract<PlanAnswer, { outcome: "planned" }>;
const PARTS = 5;
const bench = (over: Partial<PlanInput> = {}): PlanInput =>
  planInput(
    Array.from({ length: PARTS }, (_, n) => ({
      region: region({
        id: `r${n}`,
        conditions: [],
        areaCm2: 60 + 40 * n,
        ...(n % 2 === 0 ? { keepBare: ["the seat"] } : {}),
      }),
      stack: {
        ...pile(layer("grey-primer", { id: `p${n}`, coats: 2 }), layer("estuary-blue", { id: `c${n}`, coats: 2 })),
        prep: ["wash" as const, "key" as const, "wipe" as const],
      },
    })),
    over,
  );
const GROUPS: readonly PlanGroup[] = [
  { id: "m", regionIds: Array.from({ length: PARTS }, (_, n) => `r${n}`), partIds: [] },
];
const TRIES = { tries: 12 };

const first = bench();
const plan = planTogether(first, GROUPS, TRIES) as Planned;
const before = Object.fromEntries(plan.ops.map((o) => [o.id, o.startMin]));
const freeFromMin = NOW_MIN + 2 * MIN_PER_DAY;
const again = (way: ReplanWay, input: PlanInput) => replanned(way, input, GROUPS, before, freeFromMin, TRIES).found!;
const colder = (byC: number): PlanInput => {
  const points = first.climate.points.map((p) => ({ ...p, tempC: p.tempC - byC }));
  return { ...first, climate: climateOf(points) };
};

describe("planned again", () => {
  it("the plan it starts from is one", () => expect(plan.outcome).toBe("planned"));
  it("kept where nothing changed, nothing moves at all", () => {
    expect(again("keep", first)).toMatchObject({ moved: 0, evenings: 0, doneMin: plan.doneMin });
  });
  it.each([1, 4])("%i °C colder: kept moves least, and mended ends no later than kept", (byC) => {
    const input = colder(byC);
    const [keep, mend, afresh] = REPLAN_WAYS.map((way) => again(way, input));
    expect(keep!.moved).toBeLessThanOrEqual(afresh!.moved);
    expect(mend!.doneMin).toBeLessThanOrEqual(keep!.doneMin);
  });
  it("mended leaves tonight and tomorrow as they are kept", () => {
    const input = colder(2);
    const [keep, mend] = (["keep", "mend"] as const).map((way) => again(way, input));
    const near = Object.entries(keep!.starts).filter(([, t]) => t < freeFromMin - MIN_PER_DAY);
    expect(near.length).toBeGreaterThan(3);
    const movedEarly = near.filter(([id, t]) => Math.abs((mend!.starts[id] ?? t) - t) > 60);
    expect(movedEarly.map(([id]) => id)).toEqual([]);
  });
  it("a session that falls away moves what was in it, and says how many evenings changed", () => {
    const [, second] = first.sessions;
    const input = { ...first, sessions: first.sessions.filter((s) => s !== second) };
    const inIt = plan.ops.filter((o) => o.startMin >= second!.startMin && o.startMin < second!.endMin);
    const keep = again("keep", input);
    expect(inIt.length).toBeGreaterThan(0);
    for (const o of inIt) expect(keep.starts[o.id]).not.toBe(o.startMin);
    expect(keep.evenings).toBeGreaterThan(0);
  });
  it("with no session left there is no way", () => {
    const { found } = replanned("keep", { ...first, sessions: [] }, GROUPS, before, freeFromMin, TRIES);
    expect(found).toBeNull();
  });
});

describe("rounds beside each other", () => {
  const some = ["r0", "r1"];
  const input = bench({ wishes: { ...NO_WISHES, rounds: { r2: 2 } } });
  const tried = ROUNDS_WAYS.map((way) => plannedWithRounds(way, input, GROUPS, some, TRIES));
  it("none, likely and safe: more work each time, on the faces asked for alone", () => {
    expect(tried.map((t) => t.rounds)).toEqual([
      { r0: 0, r1: 0 },
      { r0: 1, r1: 1 },
      { r0: 2, r1: 2 },
    ]);
    const hands = tried.map((t) => t.found!.handsOnMin);
    expect(hands[1]! - hands[0]!).toBeGreaterThan(10);
    expect(hands[2]! - hands[1]!).toBeGreaterThan(10);
    expect(tried[2]!.found!.doneMin).toBeGreaterThanOrEqual(tried[0]!.found!.doneMin);
  });
});
