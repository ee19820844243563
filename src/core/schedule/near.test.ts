import { eveningsFrom, link, op, randomShop, shop } from "../../../tests/support/shops";
import { checkSchedule, nightsBetween, type Problem, solve } from ".";
import { apartOf } from "./apart";
import { paleAfterDark } from "./score";

/** What had better be done in one go is: after the finish, and never for an evening of it. */

const EVENING = 60;
const evenings = { sessions: eveningsFrom(20, EVENING) };
const placedOf = (problem: Problem, tries = 60) => {
  const plan = solve(problem, { tries });
  if (plan.outcome !== "placed") throw new Error(plan.outcome);
  expect(checkSchedule(problem, plan.placed)).toEqual([]);
  return plan;
};
const startOf = (problem: Problem, id: string) => placedOf(problem).placed.find((p) => p.opId === id)!.startMin;
const sessionOf = (t: number) => Math.floor(t / 1440);

it.each([
  ["at once", 0, 0, 0],
  ["after a meal", 0, 300, 0],
  ["over night", 0, 900, 1],
  ["from one evening to the next", 60, 1440, 1],
  ["two nights", 0, 2 * 1440, 2],
])("%s", (_, endMin, startMin, nights) => expect(nightsBetween(endMin, startMin)).toBe(nights));

/** Forty minutes of something long, ten of baring, thirty of priming: the first evening has room for two of them. */
const bared = (near: Problem["near"]): Problem =>
  shop(
    [op("long", 40), op("later", 40), op("bare", 10), op("prime", 30)],
    [link("long", "later", [[1400, null]]), link("bare", "prime", [[0, null]])],
    { ...evenings, near },
  );
const PAIR = [{ from: "bare", to: "prime", weight: 4 }];

it("a face is bared in the evening it is primed, though there was time the evening before", () => {
  expect(sessionOf(startOf(bared(undefined), "bare"))).toBe(0);
  expect(sessionOf(startOf(bared(PAIR), "bare"))).toBe(sessionOf(startOf(bared(PAIR), "prime")));
});

it("no evening is given for it: where only a night between ends as soon, the night stays", () => {
  // forty, ten and fifty minutes fill two evenings to the last minute one way only
  const tight = (near: Problem["near"]) =>
    shop([op("long", 50), op("bare", 10), op("prime", 60)], [link("bare", "prime", [[0, null]])], {
      ...evenings,
      near,
    });
  const with0 = placedOf(tight(undefined));
  const withPair = placedOf(tight(PAIR));
  expect(sessionOf(withPair.endMin)).toBe(sessionOf(with0.endMin));
});

it("thirty random workshops: fewer nights between, and no more minutes than they are worth", () => {
  const sum = { apart: 0, endMin: 0 };
  const asked = { apart: 0, endMin: 0 };
  for (let seed = 1; seed <= 30; seed++) {
    const plain = randomShop(seed);
    const near = plain.links.filter((l) => l.leastMin < 300).map((l) => ({ from: l.from, to: l.to, weight: 1 }));
    for (const [into, problem] of [[sum, plain] as const, [asked, { ...plain, near }] as const]) {
      const { placed, endMin } = placedOf(problem, 30);
      const at = new Map(placed.map((p) => [p.opId, p]));
      into.apart += apartOf({ ...plain, near }, (id) => at.get(id));
      into.endMin += endMin;
    }
  }
  expect(asked.apart).toBeLessThan(0.93 * sum.apart);
  expect(asked.endMin - sum.endMin).toBeLessThanOrEqual(5 * (sum.apart - asked.apart));
});

describe("pale before dark", () => {
  const spray = (id: string, load: string) => op(id, 20, { needs: { hands: 1, brush: 1 }, loads: { brush: load } });
  const shopOf = (paleness: Problem["paleness"]) =>
    shop([spray("a", "black"), spray("b", "white"), spray("c", "grey")], [], {
      capacity: { hands: 1, brush: 1 },
      setupMin: { brush: 10 },
      sessions: eveningsFrom(4, 200),
      paleness,
    });
  it("goes through a tool, where nothing else is lost by it", () => {
    const { placed } = placedOf(shopOf({ black: 0.02, grey: 0.3, white: 0.9 }));
    expect(placed.map((p) => p.opId)).toEqual(["b", "c", "a"]);
  });
  it("counts each paler one right after a darker one, and none after a night", () => {
    const problem = shopOf({ black: 0.02, grey: 0.3, white: 0.9 });
    const lying = (starts: Readonly<Record<string, number>>) =>
      new Map(
        Object.entries(starts).map(([opId, startMin]) => [
          opId,
          { opId, startMin, endMin: startMin + 20, boundBy: { kind: "now" as const } },
        ]),
      );
    expect(paleAfterDark(problem, lying({ a: 0, c: 30, b: 60 }))).toBe(2);
    expect(paleAfterDark(problem, lying({ a: 0, c: 30, b: 1440 }))).toBe(1);
    expect(paleAfterDark(problem, lying({ b: 0, c: 30, a: 60 }))).toBe(0);
    expect(paleAfterDark(shopOf(undefined), lying({ a: 0, c: 30, b: 60 }))).toBe(0);
  });
});
