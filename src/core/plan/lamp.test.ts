import { workText } from "@/messages";
import { layer, lookup, pile, planInput, product, region } from "../../../tests/support/world";
import { opIds, type Product, type Region } from "../model";
import { cureSideMin, lampAtPartMwCm2, SUNS, sunSideMin, USUAL_SIDE_MIN } from "../reference";
import { planModel } from "./plan";

/** Printed resin under the lamp: how long a side, side after side, and by what was read. */

describe("minutes under a lamp", () => {
  it.each<[string, number | null, number, number]>([
    ["never read: an ordinary box, a quarter of an hour", null, 15, 15],
    ["a good box, 10 mW/cm²", 10, 8, 15],
    ["a nail lamp, 3 mW/cm²", 3, 25, 60],
    ["too weak to name minutes that end", 0.01, 120, 120],
    ["a floodlight close by", 400, 3, 3],
  ])("%s", (_, mwCm2, from, to) => {
    expect(cureSideMin(mwCm2)).toBeGreaterThanOrEqual(from);
    expect(cureSideMin(mwCm2)).toBeLessThanOrEqual(to);
  });
  it("twice as far is a quarter of the light", () => expect(lampAtPartMwCm2(8, 10, 20)).toBeCloseTo(2, 9));
  it("the sun of a summer noon does in half an hour what shade takes two for", () => {
    const [noon, haze, shade] = SUNS.map(sunSideMin);
    expect(noon).toBeGreaterThanOrEqual(20);
    expect(noon).toBeLessThanOrEqual(40);
    expect(haze).toBeGreaterThan(noon!);
    expect(shade).toBe(120);
  });
  it("never longer under more light", () => {
    for (let mw = 0.5; mw < 60; mw += 0.5) expect(cureSideMin(mw + 0.5)).toBeLessThanOrEqual(cureSideMin(mw));
  });
});

describe("in the plan", () => {
  const planned = (over: Partial<Region> = {}) => {
    const stack = { ...pile(layer("water-primer", { id: "y" })), prep: ["wash" as const, "post-cure" as const] };
    const answer = planModel(
      planInput([{ region: region({ id: "r", material: "vat-resin", conditions: ["cure-unknown"], ...over }), stack }]),
    );
    if (answer.outcome !== "planned") throw new Error(JSON.stringify(answer).slice(0, 200));
    return answer.ops;
  };
  it("lies under it side after side, turned by hand between", () => {
    const ops = planned({ cureSides: 3, cureSideMin: 20 });
    const sides = ops.filter((o) => o.step === "post-cure").sort((a, b) => a.startMin - b.startMin);
    expect(sides).toHaveLength(3);
    for (const [n, s] of sides.slice(1).entries()) expect(s.startMin - sides[n]!.endMin).toBeGreaterThanOrEqual(20);
    expect(workText(sides[1]!, () => null)).toBe("Post-cure, side 2 of 3, 20 min under the lamp");
    const coat = ops.find((o) => o.id === opIds.coat("y", 1))!;
    expect(coat.startMin - sides.at(-1)!.endMin).toBeGreaterThanOrEqual(20);
  });
  it("two sides of a quarter of an hour where nobody says", () => {
    const sides = planned().filter((o) => o.step === "post-cure");
    expect(sides.map((s) => s.lampMin)).toEqual([USUAL_SIDE_MIN, USUAL_SIDE_MIN]);
  });
  it("two parts do not lie in one box at once", () => {
    const stack = (id: string) => ({ ...pile(layer("water-primer", { id: `y-${id}` })), prep: ["post-cure" as const] });
    const part = (id: string) => ({
      region: region({ id, material: "vat-resin", conditions: ["washed"], cureSideMin: 30 }),
      stack: stack(id),
    });
    const answer = planModel(planInput([part("a"), part("b")]));
    if (answer.outcome !== "planned") throw new Error(answer.outcome);
    const under = answer.ops.filter((o) => o.step === "post-cure").sort((a, b) => a.startMin - b.startMin);
    for (const [n, o] of under.slice(1).entries()) expect(o.startMin).toBeGreaterThanOrEqual(under[n]!.endMin + 30);
  });
  it("a part cured as one piece of work by an older log is not asked to be turned once more was done", () => {
    const r = region({ id: "r", material: "vat-resin", conditions: ["cure-unknown"] });
    const stack = { ...pile(layer("water-primer", { id: "y" })), prep: ["post-cure" as const, "dust-off" as const] };
    const did = (opId: string, startMin: number) => ({
      opId,
      startMin,
      endMin: startMin + 15,
      coats: null,
      wftUm: null,
    });
    const input = planInput([{ region: r, stack }]);
    const records = [
      did(opIds.prep("r", "post-cure"), input.nowMin - 300),
      did(opIds.prep("r", "dust-off"), input.nowMin - 200),
    ];
    const answer = planModel({ ...input, records });
    if (answer.outcome !== "planned") throw new Error(answer.outcome);
    expect(answer.ops.filter((o) => o.id.includes("post-cure:turn"))).toEqual([]);
  });
});

it("a skin of light-hardened filler holds its lamp passes, longer on a larger face; other filler has none", () => {
  const minutes = (family: Product["family"], areaCm2: number) => {
    const own: Product = { ...product("fairing-putty"), id: "fill", family, cureDepthUm: 800, maxSkinUm: null };
    const face = region({ id: "r", conditions: ["keyed", "washed"], areaCm2 });
    const stack = pile(layer("fill", { id: "f", wftUm: 200, spot: false }));
    const answer = planModel(planInput([{ region: face, stack }], { productOf: lookup([own]) }));
    if (answer.outcome !== "planned") throw new Error(JSON.stringify(answer).slice(0, 200));
    return answer.ops.find((o) => o.kind === "coat")!.handsOnMin;
  };
  const [small, large] = [20, 400].map((cm2) => minutes("uv-acrylate", cm2) - minutes("polyester-2k", cm2));
  expect(small).toBeGreaterThanOrEqual(0);
  expect(large).toBeGreaterThanOrEqual(10);
});
