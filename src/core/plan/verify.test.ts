import { layer, lookup, NOW_MIN, planInput, product, region } from "../../../tests/support/world";
import { type AppliedCoat, prefixClock } from "../film";
import { milestonesByModel } from "../film/model-run";
import type { PlanRegion } from "../work";
import { planModel } from "./plan";
import { liveChain } from "./problem";
import { judgeRegion } from "./region";
import { regionAirs } from "./region-airs";
import type { PlanAnswer, PlanInput } from "./types";
import { verifyWaits } from "./verify";

type Planned = Extract<PlanAnswer, { outcome: "planned" }>;
function planned(input: PlanInput): Planned {
  const a = planModel(input);
  if (a.outcome !== "planned") throw new Error(a.outcome);
  return a;
}

const hull: PlanRegion = {
  region: region({ id: "hull", material: "petg", conditions: ["dusty"], areaCm2: 300 }),
  stack: {
    prep: ["wash", "key", "dust-off"],
    layers: [
      layer("build-primer", { id: "hp", coats: 2, heaviness: "wet", sandAfter: { grit: 400, wet: true, takesUm: 15 } }),
      layer("grey-primer", { id: "gp" }),
      layer("estuary-blue", { id: "eb", coats: 2 }),
    ],
  },
};
const COLD = { kind: "day", meanC: 13, swingC: 5, rhPct: 62 } as const;

/** The coats of a plan up to an operation, as it has them. */
function coatsOf(a: Planned, upTo: string): readonly AppliedCoat[] {
  const own = a.ops.filter((o) => o.regionId === "hull");
  return own
    .slice(0, own.findIndex((o) => o.id === upTo) + 1)
    .flatMap((o) => (o.kind === "coat" ? [{ product: product(o.productId!), wftUm: o.wftUm!, endMin: o.endMin }] : []));
}

/** The judged face as the model is shown it. */
function shownTo(input: PlanInput) {
  const answer = judgeRegion(hull, input);
  if (answer.outcome === "incomplete") throw new Error("not judged");
  return {
    ...input,
    chains: [liveChain(hull, answer, input, new Map())],
    records: new Map(),
    notYet: new Map(),
    airOf: regionAirs(input),
    delaysMin: new Map(),
  };
}

describe("what has three times as long as it takes", () => {
  it.each([
    ["warm", { kind: "steady", meanC: 20, rhPct: 50 }],
    ["cold nights", COLD],
    ["cold", { kind: "day", meanC: 10, swingC: 4, rhPct: 60 }],
    ["damp", { kind: "day", meanC: 16, swingC: 3, rhPct: 68 }],
    ["hot", { kind: "steady", meanC: 29, rhPct: 40 }],
  ] as const)("%s: is not looked at, and would have been found long enough", (_, air) => {
    const input = planInput([hull], { air: { ...air } });
    const a = planned(input);
    const placed = a.ops.map(({ id, startMin, endMin, boundBy }) => ({ opId: id, startMin, endMin, boundBy }));
    const ctx = shownTo(input);
    const some = verifyWaits(ctx, placed);
    const all = verifyWaits(ctx, placed, new Map(), () => undefined, false);
    expect(some.wide).toBeGreaterThan(0);
    expect(some.wide).toBeLessThan(some.waits);
    expect(all).toEqual({ ...some, wide: 0 });
  });
  it("what shuts again is looked at, however long it waited", () => {
    const input = planInput([hull], { air: COLD });
    const a = planned(input);
    const late = 40 * 1440;
    const placed = a.ops.map(({ id, startMin, endMin, boundBy }) => {
      const by = id.startsWith("gp") || id.startsWith("eb") ? late : 0;
      return { opId: id, startMin: startMin + by, endMin: endMin + by, boundBy };
    });
    const { waits, wide } = verifyWaits(shownTo(input), placed);
    expect(wide).toBeLessThan(waits);
  });
});

describe("a finished plan is run through the film model", () => {
  it.each([
    ["warm", { kind: "steady", meanC: 20, rhPct: 50 }],
    ["cold nights", COLD],
    ["damp", { kind: "day", meanC: 16, swingC: 3, rhPct: 68 }],
  ] as const)("%s: every wait was looked at, none is too short", (_, air) => {
    const a = planned(planInput([hull], { air: { ...air } }));
    expect(a.verified.waits).toBeGreaterThan(4);
    expect(a.verified).toMatchObject({ early: 0, earlyMin: 0 });
  });
  it("the rub lies no sooner than the model, asked by itself in full, has the primer sandable", () => {
    const input = planInput([hull], { air: COLD });
    const a = planned(input);
    const rub = a.ops.find((o) => o.id === "hp:sand")!;
    const clock = prefixClock(input.climate, NOW_MIN, input.horizonMin);
    const coats = coatsOf(a, "hp:coat:2");
    const [sandable] = milestonesByModel(coats, ["sandable"], input.climate, clock, input.horizonMin);
    expect(rub.startMin).toBeGreaterThanOrEqual(sandable! - 2);
  });
  it("a rub moved too early is found, with how much too early", () => {
    const input = planInput([hull], { air: COLD });
    const a = planned(input);
    const ctx = shownTo(input);
    const at = (opId: string) => a.ops.find((o) => o.id === opId)!;
    const soon = at("hp:coat:2").endMin + 20;
    const placed = a.ops.map((o) => ({
      opId: o.id,
      startMin: o.id === "hp:sand" ? soon : o.startMin,
      endMin: o.id === "hp:sand" ? soon + 10 : o.endMin,
      boundBy: o.boundBy,
    }));
    const { early } = verifyWaits(ctx, placed);
    expect(early.map((e) => e.opId)).toEqual(["hp:sand"]);
    const clock = prefixClock(input.climate, NOW_MIN, input.horizonMin);
    const [sandable] = milestonesByModel(coatsOf(a, "hp:coat:2"), ["sandable"], input.climate, clock, input.horizonMin);
    expect(early[0]!.byMin / (sandable! - soon)).toBeCloseTo(1, 1);
  });
  it("bare wood drinks of its first coat, which then dries sooner; sealed wood does not", () => {
    const rub = (conditions: PlanRegion["region"]["conditions"]) => {
      const wood: PlanRegion = {
        region: region({ id: "hull", material: "wood-mdf", conditions, areaCm2: 100 }),
        stack: {
          prep: ["dust-off"],
          layers: [layer("shellac-sealer", { id: "ss", coats: 1, sandAfter: { grit: 400, wet: false, takesUm: 3 } })],
        },
      };
      const { wait } = planned(planInput([wood])).ops.find((o) => o.id === "ss:sand")!;
      return wait!.likelyMin - wait!.fromMin;
    };
    expect(rub(["keyed", "dusty"])).toBeLessThan(0.8 * rub(["keyed", "dusty", "sealed"]));
  });
  it("a part in a warm box is planned and checked in its own air", () => {
    const input = planInput([hull], { air: COLD });
    const warm = input.climate.points.map((p) => ({ ...p, tempC: 30, rhPct: 30 }));
    const a = planned(input);
    const b = planned({ ...input, productOf: lookup(), local: new Map([["hull", { points: warm }]]) });
    const waitOf = (x: Planned) => x.ops.find((o) => o.id === "hp:sand")!.wait!;
    expect(waitOf(b).likelyMin - waitOf(b).fromMin).toBeLessThan(0.6 * (waitOf(a).likelyMin - waitOf(a).fromMin));
    expect(b.verified.early).toBe(0);
  });
});
