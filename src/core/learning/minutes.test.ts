/** How long one's own hands take, told as small lists of minutes. */

import { handsFactors, type TimedWork } from ".";

const rubs = (...took: readonly number[]): readonly TimedWork[] =>
  took.map((tookMin) => ({ kind: "rubbing", plannedMin: 20, tookMin }));
const factor = (done: readonly TimedWork[]) => handsFactors(done).get("rubbing");

describe("minutes learnt", () => {
  it.each<[string, readonly number[], number, number, number]>([
    ["nothing seen leaves what is reckoned", [], 0, 0, 0],
    ["one rub twice as long hardly moves it", [40], 1.15, 1, 0],
    ["four twice as long go half the way", [40, 40, 40, 40], 1.4, 4, 0],
    ["twelve go most of it", Array(12).fill(40), 1.7, 12, 0],
    ["half the time, eight times", Array(8).fill(10), 0.65, 8, 0],
    ["three hours for twenty minutes is a forgotten press", [40, 40, 40, 40, 180], 1.4, 4, 1],
    ["begun and done in one press tells nothing", [0, 0, 1, 40, 40, 40, 40], 1.4, 4, 3],
    ["one odd one among five is no more than that", [20, 20, 20, 20, 58], 1, 5, 0],
  ])("%s", (_, took, told, count, leftOut) => {
    const own = factor(rubs(...took));
    if (took.length === 0) return expect(own).toBeUndefined();
    expect(own!.factor).toBeCloseTo(told, 5);
    expect(own).toMatchObject({ count, leftOut });
  });
  it("kinds of work are learnt apart", () => {
    const all = handsFactors([...rubs(40, 40, 40, 40), { kind: "coats", plannedMin: 10, tookMin: 10 }]);
    expect(all.get("rubbing")!.factor).toBeGreaterThan(1.3);
    expect(all.get("coats")!.factor).toBeCloseTo(1, 5);
    expect(all.has("masks")).toBe(false);
  });
});
