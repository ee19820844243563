import { layer, NOW_MIN, pile, planInput, region } from "../../../tests/support/world";
import type { Layer, Region } from "../model";
import {
  coatsToHide,
  dftUm,
  grooveLost,
  linearRgb,
  liquidNeededMl,
  ridgeBuriedUm,
  transferEfficiency,
} from "../numbers";
import { PROPELLANT_SHARE, partDryMin, WARM_UP_MIN } from "../reference";
import type { PlanRegion } from "../work";
import { benchNow } from "./bench";
import { planModel } from "./plan";
import { GRID_MIN } from "./problem";

/** Ordinary figures of the work round the films: what a good modeller would nod at. */

const H = 60;
describe("water leaves a part", () => {
  it.each([
    ["row 25: a smooth face after a rinse", partDryMin("hips", "rinse", false), 0.5 * H, 2 * H],
    ["row 25: a print with ridges", partDryMin("petg", "rinse", false), 1 * H, 4 * H],
    ["row 25: joints and hollows", partDryMin("petg", "rinse", true), 4 * H, 16 * H],
    ["row 25: plaster", partDryMin("plaster", "rinse", false), 24 * H, 72 * H],
    ["row 25: wood", partDryMin("wood-mdf", "soak", false), 24 * H, 72 * H],
    ["row 26: a face after wet sanding under a tap", partDryMin("aluminium", "wet-rub", false), 1 * H, 3 * H],
    [
      "row 26: paint over wood rubbed wet: the film keeps the water out",
      partDryMin("wood-mdf", "wet-rub", false, true),
      1 * H,
      3 * H,
    ],
    ["row 26: and over its joints", partDryMin("wood-mdf", "wet-rub", true, true), 4 * H, 12 * H],
    ["row 26: its joints", partDryMin("aluminium", "wet-rub", true), 4 * H, 12 * H],
    ["row 27: a resin kit washed and left", partDryMin("cast-pu", "soak", false), 1 * H, 12 * H],
    ["row 27: with deep joints", partDryMin("vat-resin", "soak", true), 1 * H, 12 * H],
    ["row 28: cold iron brought in", WARM_UP_MIN.metal, 20, 90],
  ])("%s", (_, min, least, most) => {
    expect(min).toBeGreaterThanOrEqual(least);
    expect(min).toBeLessThanOrEqual(most);
  });
});

describe("paint and film", () => {
  const paintMl = liquidNeededMl(500, 40, 2, transferEfficiency("aerosol", 500));
  const filler = 2 * dftUm(126, 0.45);
  // light coats of an ordinary yellow; a white paint is no perfect white
  const yellowOver = (ground: string) => coatsToHide("#e3b21c", 48, dftUm(21, 0.33), linearRgb(ground)) ?? Infinity;
  it.each([
    ["row 31: paint for two wet coats over 500 cm², landed and lost, ml", paintMl, 9, 14],
    ["row 31: of the can, ml", paintMl / (1 - PROPELLANT_SHARE), 15, 25],
    ["row 32: four brush coats of foam varnish, 60 µm wet at 32 %, µm dry", 4 * dftUm(60, 0.32), 75, 80],
    ["row 33: a groove of 0.2 mm under 25 µm, % gone", 100 * grooveLost(200, 25), 14, 16],
    ["row 33: under 50 µm, % gone", 100 * grooveLost(200, 50), 28, 32],
    ["row 34: what two flooded, sanded filler coats bury, µm", ridgeBuriedUm(filler, false), 40, 120],
    ["row 35: yellow over white, coats", yellowOver("#f2f0ea"), 2, 4],
    ["row 35: yellow over grey, coats", yellowOver("#8d8d88"), 6, Infinity],
  ])("%s", (_, is, least, most) => {
    expect(is).toBeGreaterThanOrEqual(least);
    expect(is).toBeLessThanOrEqual(most);
  });
});

describe("row 36: twelve small figures in one colour, one load", () => {
  const figures = (layers: readonly Layer[], over: Partial<Region> = {}, count = 12): PlanRegion => ({
    region: region({ id: "fig", material: "petg", areaCm2: 20, ...over }),
    stack: pile(...layers),
    count,
  });
  const planned = (r: PlanRegion) => {
    const a = planModel(planInput([r]));
    if (a.outcome !== "planned") throw new Error(JSON.stringify(a).slice(0, 300));
    return a;
  };
  const coat = (a: ReturnType<typeof planned>, n: number) => a.ops.find((o) => o.id === `c:coat:${n}`)!;
  const two = [layer("estuary-blue", { id: "c", coats: 2 })];
  it("are one evening", () => {
    const a = planned(figures([layer("estuary-blue", { id: "c" })]));
    expect(a.sessions).toBe(1);
    expect(coat(a, 1).handsOnMin).toBeLessThanOrEqual(90);
  });
  it("flow: the first is ready for its second coat when the last has had its first", () => {
    const [first, second] = [1, 2].map((n) => coat(planned(figures(two, { areaCm2: 60 })), n));
    // the row takes longer than a coat flashes off
    expect(second!.startMin).toBe(first!.endMin);
    expect(second!.wait!.likelyMin).toBeLessThanOrEqual(first!.endMin);
  });
  it("one alone waits its flash, and so does each of the row from its own coat", () => {
    const gapOf = (count: number) => {
      const a = planned(figures(two, {}, count));
      return coat(a, 2).startMin - coat(a, 1).endMin;
    };
    expect(gapOf(1)).toBeGreaterThanOrEqual(10);
    expect(gapOf(12)).toBeLessThan(gapOf(1));
    // two pieces: the first coat of the row is half over when the first piece waits
    const { startMin, endMin } = coat(planned(figures(two, {}, 2)), 1);
    expect(gapOf(2)).toBeGreaterThanOrEqual(gapOf(1) - (endMin - startMin) / 2 - GRID_MIN);
  });
  it("a long pause between start and done has dried nothing", () => {
    const row = figures(two, { areaCm2: 60 });
    const ready = (startedMin: number) => {
      const records = [{ opId: "c:coat:1", startMin: NOW_MIN - startedMin, endMin: NOW_MIN, coats: null, wftUm: null }];
      return benchNow(planInput([row], { records }))[0]!.wait!.likelyMin;
    };
    const { handsOnMin } = coat(planned(row), 1);
    expect(ready(handsOnMin + 180)).toBe(ready(handsOnMin));
    // done quicker than planned, the first has had less time
    expect(ready(handsOnMin / 4)).toBeGreaterThanOrEqual(ready(handsOnMin));
  });
  it("turned, they share the turn, and the first is held when the last is laid", () => {
    const a = planned(figures(two, { turns: 1 }));
    const turn = a.ops.filter((o) => o.kind === "turn");
    expect(turn).toHaveLength(2);
    expect(turn.every((t) => t.handsOnMin < 90)).toBe(true);
  });
  it("a window that shuts holds for the last piece as for the first", () => {
    const a = planned(
      figures([layer("grip-promoter", { id: "c" }), layer("grey-primer", { id: "p" })], { areaCm2: 5 }),
    );
    const [promoter, primer] = [coat(a, 1), a.ops.find((o) => o.id === "p:coat:1")!];
    const rest = (o: typeof primer) => ((o.endMin - o.startMin) * 11) / 12;
    const windowMin = primer.wait!.shutsMin! - (promoter.endMin - rest(promoter));
    // the last piece: from its own coat to its own cover
    expect(primer.startMin + rest(primer) - promoter.endMin).toBeLessThanOrEqual(windowMin);
  });
});
