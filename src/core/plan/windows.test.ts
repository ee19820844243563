import { layer, lookup, NOW_MIN, pile, planInput, product, region } from "../../../tests/support/world";
import { judgeStack } from "../judge";
import type { Layer, Product } from "../model";
import type { PlanRegion } from "../work";
import { planModel } from "./plan";
import type { PlanAnswer, PlanInput } from "./types";

/** Windows as a plan keeps them, told as small jobs on one part. */

type Planned = Extract<PlanAnswer, { outcome: "planned" }>;
const planned = (input: PlanInput): Planned => {
  const a = planModel(input);
  if (a.outcome !== "planned") throw new Error(`${a.outcome}: ${JSON.stringify(a).slice(0, 400)}`);
  return a;
};
const op = (a: Planned, id: string) => a.ops.find((o) => o.id === id)!;
const gap = (a: Planned, from: string, to: string) => op(a, to).startMin - op(a, from).endMin;

function part(layers: readonly (Layer | string)[], over: Parameters<typeof region>[0] = {}): PlanRegion {
  return { region: region({ id: "a", areaCm2: 60, ...over }), stack: pile(...layers) };
}
const labelled = (id: string, label: Partial<Product["label"]>, over: Partial<Product> = {}) =>
  product(id, { ...over, label: { ...product(id).label, ...label } });

describe("coats of one layer", () => {
  it.each([
    ["enamel from 16 h", labelled("oil-undercoat", { flashMin: null, gapMin: null, recoat: [[960, null]] }), 960, 2000],
    ["sealer from 2 h", labelled("foam-sealer", { flashMin: null, gapMin: null, recoat: [[120, null]] }), 120, 300],
    ["lacquer putty that sands after 90 min", labelled("red-stopper", { recoat: [] }, { mayGoOver: null }), 85, 200],
  ] as const)("%s waits for that between its coats", (_, p, least, most) => {
    // long days, so that no evening's end is what is waited for
    const sessions = Array.from({ length: 20 }, (_, d) => ({
      startMin: NOW_MIN + d * 1440,
      endMin: NOW_MIN + d * 1440 + 1380,
    }));
    const input = planInput([part([layer(p.id, { id: "x", coats: 2, heaviness: "wet" })])], {
      productOf: lookup([p]),
      sessions,
    });
    const waitMin = gap(planned(input), "x:coat:1", "x:coat:2");
    expect(waitMin).toBeGreaterThanOrEqual(least);
    expect(waitMin).toBeLessThan(most);
  });
  it("stay as far apart as the user wants them", () => {
    const coats = layer("grey-primer", { id: "x", coats: 2, coatGapMin: 75 });
    expect(gap(planned(planInput([part([coats])])), "x:coat:1", "x:coat:2")).toBeGreaterThanOrEqual(75);
  });
  it("thin ones are no closer than the label's own gap, a mist no closer than half of it", () => {
    const apart = (heaviness: Layer["heaviness"]) =>
      gap(planned(planInput([part([layer("grey-primer", { id: "x", coats: 2, heaviness })])])), "x:coat:1", "x:coat:2");
    expect(apart("light")).toBeGreaterThanOrEqual(10);
    expect(apart("mist")).toBeGreaterThanOrEqual(5);
    expect(apart("light")).toBeLessThanOrEqual(20);
  });
});

describe("a part that is turned", () => {
  const WINDOWED = ["etch-green", "grip-promoter", "epoxy-primer", "lightship-white"] as const;
  it.each([0, 1, 2, 3])("%i times keeps every window on every face", (turns) => {
    let kept = 0;
    for (const id of WINDOWED) {
      const over = { turns, areaCm2: 15, material: id === "etch-green" ? ("steel-iron" as const) : ("petg" as const) };
      const input = planInput([
        part([layer(id, { id: "w" }), layer("grey-primer", { id: "n", heaviness: "light" })], over),
      ]);
      const a = planModel(input);
      // a face whose window cannot be kept is told, with what would free it
      if (a.outcome === "conflict") {
        expect(["window", "wait-beyond-horizon"]).toContain(a.conflict.kind);
        continue;
      }
      if (a.outcome !== "planned") throw new Error(a.outcome);
      const shuts = product(id).label.recoat.at(-1)![1];
      for (let face = 0; face <= turns; face++) {
        const on = (layerId: string) => op(a, face === 0 ? `${layerId}:coat:1` : `${layerId}:coat:1:turn:${face}`);
        const waitedMin = on("n").startMin - on("w").endMin;
        kept += 1;
        expect(waitedMin).toBeGreaterThanOrEqual(product(id).label.recoat[0]![0] * 0.95);
        if (shuts !== null) expect(waitedMin).toBeLessThanOrEqual(shuts);
      }
    }
    expect(kept).toBeGreaterThan(turns);
  });
});

describe("a typed gap", () => {
  const cellar = { meanC: 10, rhPct: 50, kind: "steady" as const };
  const enamelUnder = (gapMin: number) => [
    layer("lightship-white", { id: "e", heaviness: "wet" }),
    layer("bronze-lacquer", { id: "l", gapMin }),
  ];
  const fourDays = 4 * 1440;
  const inCellar = (turns: number) =>
    planned(
      planInput([part(enamelUnder(fourDays), { finish: "hidden", turns, areaCm2: 15 })], {
        air: cellar,
        productOf: lookup([
          product("bronze-lacquer", { limits: { minTempC: null, maxTempC: null, maxRhPct: null } }),
          product("lightship-white", { limits: { minTempC: null, maxTempC: null, maxRhPct: null } }),
        ]),
        horizonMin: NOW_MIN + 60 * 1440,
      }),
    );
  it("that is right at 20 °C is put off in a cold cellar, where the enamel is still in its forbidden gap", () => {
    const a = inCellar(0);
    expect(gap(a, "e:coat:1", "l:coat:1")).toBeGreaterThan(fourDays + 1440);
    expect(a.notices).toContainEqual(expect.objectContaining({ kind: "gap-longer", layer: 1, typedMin: fourDays }));
  });
  it("is told once, however many faces it is too short on", () => {
    const a = inCellar(1);
    for (const [from, to] of [
      ["e:coat:1", "l:coat:1"],
      ["e:coat:1:turn:1", "l:coat:1:turn:1"],
    ] as const)
      expect(gap(a, from, to)).toBeGreaterThan(fourDays + 1440);
    expect(a.notices.filter((n) => n.kind === "gap-longer")).toHaveLength(1);
  });
  it("that is long enough is kept as the least", () => {
    const a = planned(planInput([part(["grey-primer", layer("bronze-lacquer", { id: "l", gapMin: 300 })])]));
    expect(gap(a, a.ops[0]!.id, "l:coat:1")).toBeGreaterThanOrEqual(300);
    expect(a.notices.some((n) => n.kind === "gap-longer")).toBe(false);
  });
});

describe("a coat in an enamel's second window", () => {
  const enamel = part([layer("lightship-white", { id: "e", heaviness: "wet" }), layer("bronze-lacquer", { id: "l" })]);
  it("is told by that window, and the forbidden gap by its two edges", () => {
    const a = planned(planInput([enamel]));
    const { wait, slackMin } = op(a, "l:coat:1");
    expect(wait!.forbidden).not.toBeNull();
    expect(op(a, "l:coat:1").startMin).toBeGreaterThanOrEqual(wait!.likelyMin - 1);
    if (op(a, "l:coat:1").startMin >= wait!.forbidden!.toMin) expect(wait!.shutsMin).toBeNull();
    expect(slackMin).toBeGreaterThanOrEqual(0);
  });
});

describe("not yet", () => {
  const primed = part([
    layer("build-primer", { id: "p", heaviness: "wet", sandAfter: { grit: 400, wet: false, takesUm: 10 } }),
  ]);
  const done = (opId: string, agoMin: number) => ({
    opId,
    startMin: NOW_MIN - agoMin - 5,
    endMin: NOW_MIN - agoMin,
    coats: 1,
    wftUm: 70,
  });
  const sandAt = (notYet: PlanInput["notYet"]) =>
    op(planned(planInput([primed], { records: [done("p:coat:1", 600)], notYet })), "p:sand").wait!.likelyMin;
  it("after ten hours moves the rub to thirteen, whatever the label says", () => {
    expect(sandAt([{ opId: "p:sand", atMin: NOW_MIN, lacks: "sandable" }])).toBeGreaterThanOrEqual(NOW_MIN + 180 - 1);
  });
  it("never makes anything shorter", () => {
    const plain = sandAt([]);
    for (const ago of [590, 400, 200, 60, 1])
      expect(sandAt([{ opId: "p:sand", atMin: NOW_MIN - ago, lacks: null }])).toBeGreaterThanOrEqual(plain - 0.5);
  });
});

it("masking is done close before the spraying it is for", () => {
  const masked = part(
    [
      layer("build-primer", { id: "p", heaviness: "wet", tape: { tack: "low", onMin: null, offMin: null } }),
      layer("bronze-lacquer", { id: "c", gapMin: 9 * 1440 }),
    ],
    {},
  );
  const a = planned(planInput([masked]));
  expect(op(a, "c:coat:1").startMin - op(a, "p:mask").endMin).toBeLessThanOrEqual(1440);
});

describe("judge and plan ask one and the same pile", () => {
  it.each([
    ["lacquer over filler primer", "build-primer", "bronze-lacquer"],
    ["enamel over lacquer primer", "grey-primer", "lightship-white"],
    ["water-borne over lacquer primer", "grey-primer", "estuary-blue"],
  ])("%s: tape is safe at the same hour for both", (_, below, above) => {
    const layers = (gapMin: number | null, onMin: number | null) => [
      layer(below, { id: "b", heaviness: "wet" }),
      layer(above, { id: "t", gapMin, coats: 1, tape: { tack: "low", onMin, offMin: null } }),
      layer("buoy-red", { id: "c", before: ["scuff"] }),
    ];
    const taped = part(layers(null, null), { finish: "hidden" });
    const a = planned(planInput([taped], { horizonMin: NOW_MIN + 90 * 1440 }));
    const gapMin = gap(a, "b:coat:1", "t:coat:1");
    const byPlanMin = op(a, "t:mask").wait!.likelyMin - op(a, "t:coat:1").endMin;
    const early = (onMin: number) => {
      const answer = judgeStack({
        region: taped.region,
        stack: pile(...layers(gapMin, onMin)),
        productOf: product,
        protection: ["extraction", "a2p3"],
        air: null,
      });
      if (answer.outcome !== "judged") throw new Error(answer.outcome);
      return answer.verdicts.some((v) => v.rule === "tape-too-soon");
    };
    expect(early(byPlanMin * 0.97)).toBe(true);
    expect(early(byPlanMin * 1.03)).toBe(false);
  });
});
