import { warmthTexts, workText } from "@/messages";
import { climate, layer, pile, planInput, product, region, steadyAir } from "../../../tests/support/world";
import { gateReason } from "../film";
import { type Layer, opIds } from "../model";
import { canBathMin, canPressureFactor, partWarmMin, warmingMin } from "../reference";
import { planModel } from "./plan";
import { whyOpWaits } from "./why-op-waits";

/** Warmth as work, told in a cold shed: a can in water, a part in a warm box, and what each is good for. */

describe("a can in water", () => {
  it.each<[string, number, number, number]>([
    ["ten minutes for an ordinary can to hand-warm", canBathMin({ packMl: 400 }, 28), 7, 15],
    ["a small can is quicker", canBathMin({ packMl: 100 }, 28), 3, 10],
    ["one that is warm already needs none", canBathMin({ packMl: 400 }, 20, 22), 0, 0],
    ["nobody knows its size: as an ordinary one", canBathMin({ packMl: null }, 28), 7, 15],
  ])("%s", (_, min, from, to) => {
    expect(min).toBeGreaterThanOrEqual(from);
    expect(min).toBeLessThanOrEqual(to);
  });
  it("never takes for ever, however hot somebody wants it, and longer the hotter", () => {
    for (let c = 15; c < 60; c++) {
      expect(Number.isFinite(canBathMin({ packMl: 400 }, c))).toBe(true);
      if (c < 37) expect(canBathMin({ packMl: 400 }, c + 1)).toBeGreaterThan(canBathMin({ packMl: 400 }, c));
    }
  });
  it("follows Newton's law: half the distance after ln 2 time constants, and what is past it never comes", () => {
    expect(warmingMin(10, 25, 40, 12)).toBeCloseTo(12 * Math.LN2, 6);
    expect(warmingMin(10, 40, 40, 12)).toBe(Number.POSITIVE_INFINITY);
  });
  it.each<[string, "liquefied-gas" | "dimethyl-ether" | "compressed-gas", number, number]>([
    ["a boiling gas pushes half as hard again and more, 10 to 28 °C", "liquefied-gas", 1.5, 1.9],
    ["a compressed gas hardly", "compressed-gas", 1.05, 1.08],
  ])("%s", (_, propellant, from, to) => {
    const f = canPressureFactor(propellant, 10, 28);
    expect(f).toBeGreaterThan(from);
    expect(f).toBeLessThan(to);
  });
});

describe("in the plan", () => {
  const planned = (over: Partial<Layer>) => {
    const stack = pile(layer("water-primer", { id: "p" }), layer("grey-primer", { id: "g", ...over }));
    const answer = planModel(planInput([{ region: region({ id: "r", conditions: ["keyed", "washed"] }), stack }]));
    if (answer.outcome !== "planned") throw new Error(JSON.stringify(answer).slice(0, 200));
    return (id: string) => answer.ops.find((o) => o.id === id)!;
  };
  it("the can stands in the water right before its coat, once the film below is ready, not the evening before", () => {
    const at = planned({ before: ["warm-can"] });
    const bath = at(opIds.before("g", "warm-can"));
    const coat = at(opIds.coat("g", 1));
    expect(coat.startMin - bath.endMin).toBeGreaterThanOrEqual(7);
    expect(coat.startMin - bath.endMin).toBeLessThanOrEqual(60);
    expect(workText(bath, () => null)).toBe("Warm the can to 28 °C");
  });
  it("the part lies in the warm until it is warm through", () => {
    const at = planned({ before: ["warm-part"], partC: 35 });
    const warm = at(opIds.before("g", "warm-part"));
    expect(at(opIds.coat("g", 1)).startMin - warm.endMin).toBeGreaterThanOrEqual(partWarmMin("plastic").throughMin);
    expect(workText(warm, () => null)).toBe("Warm the part to 35 °C");
  });
  it("a part is not warmed on a film still wet with solvent: it waits for touch dry, and a gap too short for that is a safety stop", () => {
    const stack = pile(layer("grey-primer", { id: "p" }), layer("grey-primer", { id: "g", before: ["warm-part"] }));
    const answer = planModel(planInput([{ region: region({ id: "r", conditions: ["keyed", "washed"] }), stack }]));
    if (answer.outcome !== "planned") throw new Error(JSON.stringify(answer).slice(0, 200));
    const at = (id: string) => answer.ops.find((o) => o.id === id)!;
    const touchMin = product("grey-primer").label.touchMin ?? 5;
    const waitedMin = at(opIds.before("g", "warm-part")).startMin - at(opIds.coat("p", 1)).endMin;
    expect(waitedMin).toBeGreaterThanOrEqual(touchMin / 2);
    const hasty = pile(
      layer("grey-primer", { id: "p" }),
      layer("grey-primer", { id: "g", before: ["warm-part"], gapMin: 1 }),
    );
    const refused = planModel(
      planInput([{ region: region({ id: "r", conditions: ["keyed", "washed"] }), stack: hasty }]),
    );
    expect(refused.outcome).toBe("refused");
  });
  it("no dew falls on a part that is warmer than the air, and the cold of the air stays what it is", () => {
    const damp = steadyAir(12, 88);
    const primer = {
      ...product("water-primer"),
      limits: { minTempC: null, maxTempC: null, maxRhPct: null },
      minFilmFormingC: 5,
    };
    expect(gateReason(primer, damp, 0)).toBe("near-dew-point");
    expect(gateReason(primer, damp, 0, 35)).not.toBe("near-dew-point");
    // warmth that is gone before the film is dry is none
    expect(gateReason(primer, damp, 0, 13.5)).toBe("near-dew-point");
    const cold = { ...primer, limits: { ...primer.limits, minTempC: 15 } };
    expect(gateReason(cold, damp, 0, 30)).toBe("too-cold");
  });
});

it("says what it is good for and how long it lasts, and that it is an estimate", () => {
  const [can, part] = warmthTexts({ before: ["warm-can", "warm-part"], partC: null }, product("grey-primer"), "metal");
  expect(can).toMatch(/28 °C.*\(est\.\).*pressure grows by about \d+ %/);
  expect(part).toMatch(/30 °C after about 1 h.*\(est\.\)/);
  expect(warmthTexts({ before: ["warm-can"] }, product("water-primer"), null)).toEqual([]);
});

describe("a warm box offered", () => {
  // a lacquer filler primer in a cold shed: sandable long after the evening is over
  const asked = (tempC: number, maxC: number | null) => {
    const stack = pile(
      layer("water-primer", { id: "p", wftUm: 120, sandAfter: { grit: 400, wet: false, takesUm: 8 } }),
      layer("water-primer", { id: "c" }),
    );
    const input = planInput([{ region: region({ id: "r", conditions: ["keyed", "washed"] }), stack }], {
      climate: climate({ kind: "steady", meanC: tempC, swingC: 0, rhPct: 70 }),
    });
    const answer = planModel(input);
    if (answer.outcome !== "planned") throw new Error(JSON.stringify(answer).slice(0, 200));
    const ends = new Map(answer.ops.map((o) => [o.id, o.endMin]));
    const found = whyOpWaits(input, "r", opIds.sand("p"), (id) => ends.get(id) ?? input.nowMin, maxC);
    if (typeof found === "string") throw new Error(found);
    return { found, offer: found.warmth, coatEndMin: ends.get(opIds.coat("p", 1))! };
  };
  it("begins once the film is touch dry, ends sooner than the wait, and saves what it says", () => {
    const { found, offer, coatEndMin } = asked(12, 45);
    expect(offer).not.toBeNull();
    expect(offer!.fromMin).toBeGreaterThan(coatEndMin);
    expect(offer!.toMin).toBeLessThan(found.wait.likelyMin);
    expect(offer!.withoutMin - offer!.startMin).toBeGreaterThanOrEqual(120);
    expect(offer!.startMin).toBeGreaterThanOrEqual(offer!.toMin - 5);
  });
  it("is never warmer than the most delicate face stands, nor than gentle", () => {
    expect(asked(12, 30).offer?.boxC ?? 30).toBeLessThanOrEqual(30);
    expect(asked(12, 90).offer!.boxC).toBe(35);
  });
  it("is not offered where nobody knows what the part stands, nor in a warm room", () => {
    expect(asked(12, null).offer).toBeNull();
    expect(asked(26, 30).offer).toBeNull();
  });
});
