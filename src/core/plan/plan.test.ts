import { DEMO_SHELF } from "@/server/demo/shelf";
import { evenings, layer, lookup, NOW_MIN, pile, planInput, product, region } from "../../../tests/support/world";
import { seededRandom } from "../base";
import type { OpRecord } from "../history";
import { FILM_ROLES, HEAVINESSES, isOneOf, type Layer, MATERIALS, opIds, PREP_STEPS } from "../model";
import type { PlanRegion } from "../work";
import { benchNow } from "./bench";
import { contextFor, planModel } from "./plan";
import { problemOf } from "./problem";
import { stackTotals } from "./totals";
import { NO_HABITS, type PlanAnswer, type PlanInput } from "./types";

type Planned = Extract<PlanAnswer, { outcome: "planned" }>;
function planned(input: PlanInput): Planned {
  const a = planModel(input);
  if (a.outcome !== "planned") throw new Error(JSON.stringify(a).slice(0, 400));
  return a;
}
const at = (a: Planned, id: string) => {
  const op = a.ops.find((o) => o.id === id);
  if (!op) throw new Error(`no ${id} in ${a.ops.map((o) => o.id).join()}`);
  return op;
};

const hull: PlanRegion = {
  region: region({ id: "hull", material: "petg", conditions: ["dusty"], areaCm2: 400 }),
  stack: {
    prep: ["wash", "key", "dust-off"],
    layers: [
      layer("build-primer", { id: "hp", coats: 2, heaviness: "wet", sandAfter: { grit: 400, wet: true, takesUm: 15 } }),
      layer("grey-primer", { id: "gp" }),
      layer("estuary-blue", { id: "eb", coats: 2 }),
    ],
  },
};
const wall: PlanRegion = {
  region: region({ id: "wall", material: "xps", conditions: ["dusty"], areaCm2: 300 }),
  stack: {
    prep: ["dust-off"],
    layers: [
      layer("foam-sealer", { id: "fs", coats: 3, heaviness: "wet" }),
      layer("seawall-grey", { id: "sg", coats: 2 }),
    ],
  },
};
const prop: PlanRegion = {
  region: region({ id: "prop", material: "brass-copper", conditions: ["greasy", "tarnished"], areaCm2: 26 }),
  stack: {
    prep: ["degrease", "key", "wipe"],
    layers: [layer("etch-green", { id: "et" }), layer("grey-primer", { id: "pg" })],
  },
};
const three = [hull, wall, prop];

describe("three parts from bare material", () => {
  const a = planned(planInput(three));
  it("every step of every part stands in the timetable, in order", () => {
    const own = a.ops.filter((o) => o.regionId === "hull").map((o) => o.id);
    expect(own).toEqual([
      "hull:prep:wash",
      "hull:prep:key",
      "hull:prep:dust-off",
      "hp:coat:1",
      "hp:coat:2",
      "hp:sand",
      "gp:coat:1",
      "eb:coat:1",
      "eb:coat:2",
    ]);
    expect(a.checkedOps).toBe(a.ops.length);
  });
  it("keying waits until the washed part is dry", () => {
    const wait = at(a, "hull:prep:key").startMin - at(a, "hull:prep:wash").endMin;
    expect(wait).toBeGreaterThanOrEqual(60);
    expect(at(a, "hull:prep:key").wait).toMatchObject({ milestone: "part-dry", assumed: true });
  });
  it("no two things are done by one pair of hands, and all lies inside sessions", () => {
    const inTime = [...a.ops].sort((x, y) => x.startMin - y.startMin);
    for (let i = 1; i < inTime.length; i++) expect(inTime[i]!.startMin).toBeGreaterThanOrEqual(inTime[i - 1]!.endMin);
    for (const o of a.ops) expect(evenings().some((s) => s.startMin <= o.startMin && o.endMin <= s.endMin)).toBe(true);
  });
  it("the wet rub comes after sandable, the next coat after the rub has dried", () => {
    const rub = at(a, "hp:sand");
    expect(rub.wait!.milestone).toBe("sandable");
    expect(rub.startMin).toBeGreaterThanOrEqual(rub.wait!.likelyMin);
    expect(at(a, "gp:coat:1").startMin - rub.endMin).toBeGreaterThanOrEqual(20);
  });
  it("the etch is covered inside its window", () => {
    const cover = at(a, "pg:coat:1");
    expect(cover.wait!.shutsMin).not.toBeNull();
    expect(cover.startMin).toBeLessThanOrEqual(cover.wait!.shutsMin!);
  });
  it("the spine runs from something that could start at once to the last work", () => {
    const last = a.ops.reduce((x, y) => (y.endMin > x.endMin ? y : x));
    expect(a.spine.at(-1)).toBe(last.id);
    expect(a.doneMin).toBe(last.endMin);
  });
  it("says what it took for granted", () => {
    expect(planned(planInput([{ ...hull, region: { ...hull.region, areaCm2: null } }])).notices).toContainEqual({
      kind: "area-assumed",
      regionId: "hull",
    });
  });
});

describe("what moves the finish", () => {
  const doneMin = (regions: readonly PlanRegion[], over: Parameters<typeof planInput>[1] = {}) =>
    planned(planInput(regions, over)).doneMin;
  const warm = doneMin(three);
  it("cold", () => expect(doneMin(three, { air: { meanC: 12 } })).toBeGreaterThan(warm));
  it("damp, for what dries by water", () =>
    expect(doneMin([wall], { air: { rhPct: 78 } })).toBeGreaterThan(doneMin([wall])));
  it("one cold night", () => {
    const day = { kind: "day" as const, meanC: 14, swingC: 3 };
    expect(doneMin([wall], { air: { ...day, tonight: { date: "2026-03-02", coldestC: -4 } } })).toBeGreaterThanOrEqual(
      doneMin([wall], { air: day }),
    );
  });
  it("thick coats and more of them", () => {
    const heavier = {
      ...wall,
      stack: { ...wall.stack, layers: wall.stack.layers.map((l) => ({ ...l, heaviness: "flood" as const })) },
    };
    const more = {
      ...wall,
      stack: { ...wall.stack, layers: [{ ...wall.stack.layers[0]!, coats: 6 }, wall.stack.layers[1]!] },
    };
    expect(doneMin([heavier])).toBeGreaterThan(doneMin([wall]));
    expect(doneMin([more])).toBeGreaterThan(doneMin([wall]));
  });
  it("safe waits", () => expect(doneMin(three, { caution: "safe" })).toBeGreaterThanOrEqual(warm));
});

describe("stops", () => {
  const bad: PlanRegion = {
    region: region({ id: "foam", material: "xps", conditions: ["clean"] }),
    stack: pile(layer("grey-primer", { id: "bad" })),
  };
  const stops = (input: PlanInput) => {
    const a = planModel(input);
    return a.outcome === "refused" ? a.stops.map((s) => s.verdict.key) : a.outcome;
  };
  it("refuse the plan, naming each", () =>
    expect(stops(planInput([bad]))).toEqual(["bare-bite-stop@region:bad=grey-primer"]));
  it("of one part leave the others planned, and are named", () => {
    const a = planned(planInput([bad, hull]));
    expect(new Set(a.ops.map((o) => o.regionId))).toEqual(new Set([hull.region.id]));
    expect(a.notices).toContainEqual(
      expect.objectContaining({ kind: "stopped", regionId: "foam", code: "bare-bite-stop", layer: 0 }),
    );
  });
  it("are answered by a reason for these layers only: after a swap it answers for nothing else", () => {
    const key = "bare-bite-stop@region:bad=grey-primer";
    const other = {
      ...bad,
      stack: { ...bad.stack, layers: [{ ...bad.stack.layers[0]!, productId: "bronze-lacquer" }] },
    };
    expect(stops(planInput([other], { overrides: [{ regionId: "foam", key, reason: "a scrap took it" }] }))).toEqual([
      "bare-bite-stop@region:bad=bronze-lacquer",
    ]);
  });
  it("give way to a written reason, which the plan carries", () => {
    const overrides = [{ regionId: "foam", key: "bare-bite-stop@region:bad=grey-primer", reason: "a scrap took it" }];
    expect(planned(planInput([bad], { overrides })).overrides).toEqual(overrides);
  });
  it("an empty reason is none, and one for another region does not count", () => {
    expect(
      stops(
        planInput([bad], {
          overrides: [{ regionId: "foam", key: "bare-bite-stop@region:bad=grey-primer", reason: "  " }],
        }),
      ),
    ).toHaveLength(1);
    expect(
      stops(
        planInput([bad], {
          overrides: [{ regionId: "hull", key: "bare-bite-stop@region:bad=grey-primer", reason: "no" }],
        }),
      ),
    ).toHaveLength(1);
  });
  it("a safety stop never gives way", () => {
    const sprayed: PlanRegion = {
      region: region({ id: "s" }),
      stack: pile(layer("water-primer", { id: "w" }), layer("two-pack-gloss", { id: "iso" })),
    };
    const key = "isocyanate-sprayed@layer:iso=two-pack-gloss";
    expect(stops(planInput([sprayed], { overrides: [{ regionId: "s", key, reason: "just this once" }] }))).toEqual([
      key,
    ]);
  });
  it("a region without material or layers is left out and named; nothing at all is said so", () => {
    expect(planModel(planInput([{ region: region({ id: "x", material: null }), stack: pile("grey-primer") }]))).toEqual(
      { outcome: "nothing-to-plan", notices: [{ kind: "left-out", regionId: "x", missing: ["region.material"] }] },
    );
    expect(planModel(planInput([{ region: region({ id: "y" }), stack: pile() }]))).toMatchObject({
      outcome: "nothing-to-plan",
      notices: [{ kind: "no-stack", regionId: "y" }],
    });
  });
});

describe("a plan that cannot fit names what is in the way", () => {
  it("a session too short", () => {
    const huge: PlanRegion = { ...hull, region: { ...hull.region, areaCm2: 20_000 } };
    expect(planModel(planInput([huge]))).toMatchObject({
      outcome: "conflict",
      conflict: { kind: "no-session-long-enough", longestMin: 150 },
    });
  });
  it("no session at all", () =>
    expect(planModel(planInput([hull], { sessions: [] }))).toMatchObject({ outcome: "conflict" }));
  it("air that never suits, with the reason", () => {
    expect(planModel(planInput([prop], { air: { meanC: 4 } }))).toMatchObject({
      outcome: "conflict",
      conflict: { kind: "gate-shut", opId: "et:coat:1" },
      gateReason: "too-cold",
    });
  });
  it("a window that shuts between two sessions, and the work that opened it", () => {
    const tight = product("epoxy-primer", { label: { ...product("epoxy-primer").label, recoat: [[240, 300]] } });
    const part: PlanRegion = {
      region: region({ id: "t" }),
      stack: pile(layer("epoxy-primer", { id: "ep" }), layer("grey-primer", { id: "gx" })),
    };
    const record: OpRecord = { opId: "ep:coat:1", startMin: NOW_MIN + 5, endMin: NOW_MIN + 15, coats: 1, wftUm: 60 };
    const a = planModel(planInput([part], { productOf: lookup([tight]), nowMin: NOW_MIN + 20, records: [record] }));
    expect(a).toMatchObject({
      outcome: "conflict",
      conflict: { kind: "window", opId: "gx:coat:1" },
      from: { id: "ep:coat:1" },
    });
  });
});

describe("as the log has it", () => {
  const done = (opId: string, startAgo: number, endAgo: number | null, more: Partial<OpRecord> = {}): OpRecord => ({
    opId,
    startMin: NOW_MIN - startAgo,
    endMin: endAgo === null ? null : NOW_MIN - endAgo,
    coats: null,
    wftUm: null,
    ...more,
  });
  it("what is done stays where it was, what is in hand is not moved", () => {
    const records = [
      done("wall:prep:dust-off", 120, 115),
      done("fs:coat:1", 110, 95, { coats: 1, wftUm: 90 }),
      done("fs:coat:2", 5, null),
    ];
    const a = planned(planInput([wall], { records }));
    expect(at(a, "fs:coat:1")).toMatchObject({ startMin: NOW_MIN - 110, endMin: NOW_MIN - 95, state: "done" });
    expect(at(a, "fs:coat:2").state).toBe("in-hand");
    expect(at(a, "fs:coat:3").startMin).toBeGreaterThan(NOW_MIN);
  });
  it("a thicker coat than planned puts the next step off", () => {
    const rubMin = (wftUm: number) =>
      at(
        planned(
          planInput([hull], {
            records: [
              done("hull:prep:wash", 400, 390),
              done("hull:prep:key", 300, 290),
              done("hull:prep:dust-off", 280, 275),
              done("hp:coat:1", 60, 50, { coats: 1, wftUm }),
              done("hp:coat:2", 35, 30, { coats: 1, wftUm }),
            ],
          }),
        ),
        "hp:sand",
      ).wait!.likelyMin;
    const ratio = (rubMin(140) - (NOW_MIN - 30)) / (rubMin(70) - (NOW_MIN - 30));
    // the square of two, and a little more: at the label's own film the first coat has begun to be one of its own
    expect(ratio).toBeGreaterThan(3.7);
    expect(ratio).toBeLessThan(5.5);
  });
  it("several coats put on in one go leave none of theirs to do", () => {
    const a = planned(
      planInput([wall], {
        records: [done("wall:prep:dust-off", 120, 115), done("fs:coat:1", 110, 95, { coats: 3, wftUm: 90 })],
      }),
    );
    expect(a.ops.map((o) => o.id)).not.toContain("fs:coat:2");
  });
  it("“not yet” moves the step and everything behind it", () => {
    const records = [done("wall:prep:dust-off", 300, 295), done("fs:coat:1", 60, 45, { coats: 1, wftUm: 90 })];
    const before = planned(planInput([wall], { records }));
    const after = planned(planInput([wall], { records, notYet: [{ opId: "fs:coat:2", atMin: NOW_MIN }] }));
    expect(at(after, "fs:coat:2").wait!.likelyMin).toBeGreaterThan(at(before, "fs:coat:2").wait!.likelyMin);
    expect(at(after, "fs:coat:2").wait!.likelyMin).toBeGreaterThan(NOW_MIN);
  });
  it("a window missed in earnest: unscuffed it is named, over a scuff the plan goes on and says so", () => {
    const epoxyLongAgo = [done("ep:coat:1", 4 * 1440, 4 * 1440 - 10, { coats: 1, wftUm: 60 })];
    const primed = (before: readonly "scuff"[]): PlanRegion => ({
      region: region({ id: "late", areaCm2: 50 }),
      stack: pile(layer("epoxy-primer", { id: "ep" }), layer("grey-primer", { id: "over", before })),
    });
    expect(planModel(planInput([primed([])], { records: epoxyLongAgo }))).toMatchObject({
      outcome: "conflict",
      conflict: { kind: "window", opId: "over:coat:1" },
    });
    const plan = planned(planInput([primed(["scuff"])], { records: epoxyLongAgo }));
    expect(plan.notices).toContainEqual({
      kind: "verdict",
      regionId: "late",
      verdict: "care",
      code: "window-missed-scuffed",
      layer: 1,
    });
    // while the film is not down yet, its window is met and nothing is late
    expect(planned(planInput([primed(["scuff"])])).notices.map((n) => n.kind === "verdict" && n.code)).not.toContain(
      "window-missed-scuffed",
    );
  });
  it("the bench shows what is in hand, drying and ready", () => {
    const records = [
      done("wall:prep:dust-off", 300, 295),
      done("fs:coat:1", 10, 5, { coats: 1, wftUm: 90 }),
      done("prop:prep:degrease", 8, null),
    ];
    const tiles = Object.fromEntries(benchNow(planInput(three, { records })).map((t) => [t.regionId, t]));
    expect(tiles.wall).toMatchObject({ zone: "drying", op: { id: "fs:coat:2" }, done: 2, of: 6 });
    expect(tiles.prop).toMatchObject({ zone: "in-hand", op: { id: "prop:prep:degrease" } });
    expect(tiles.hull).toMatchObject({ zone: "ready", op: { id: "hull:prep:wash" } });
  });
});

it("a region alone is done no later than among others", () => {
  const alone = stackTotals(planInput(three), "hull");
  expect(alone.aloneDoneMin!).toBeLessThanOrEqual(
    planned(planInput(three)).finish.find((f) => f.regionId === "hull")!.doneMin,
  );
  expect(alone.buildUm).toBeCloseTo(44.8 - 15 + 24 * 0.24 + 2 * 21 * 0.34);
  expect(alone.massG!).toBeGreaterThan(1);
});

it("an enamel’s forbidden gap is told by its two clock times, on Stacks as on Plan, also where its dust is waited for", () => {
  const rub = { grit: 600, wet: false, takesUm: 3 };
  const boat: PlanRegion = {
    region: region({ id: "b", material: "petg", areaCm2: 80 }),
    stack: pile(
      layer("lightship-white", { id: "e", sandAfter: rub }),
      layer("bronze-lacquer", { id: "c" }),
      layer("water-matt", { id: "m" }),
    ),
  };
  const a = planned(planInput([boat]));
  const { forbidden } = at(a, "c:coat:1").wait!;
  const endMin = at(a, "e:coat:1").endMin;
  // from its first window's end to its second's beginning; the label says 8 h and 72 h
  expect(forbidden!.fromMin - endMin).toBeGreaterThan(60);
  expect(forbidden!.toMin).toBeGreaterThan(forbidden!.fromMin + 24 * 60);
  expect(at(a, "c:coat:1").startMin).toBeGreaterThanOrEqual(forbidden!.toMin);
  expect(stackTotals(planInput([boat]), "b").gaps).toEqual([{ layerId: "e", ...forbidden }]);
});

it("random shops in random weather: the referee passes every plan, or the answer names what is in the way", () => {
  const random = seededRandom(42);
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
  const films = DEMO_SHELF.filter((p) => isOneOf(FILM_ROLES)(p.role));
  const outcomes = new Map<string, number>();
  for (let round = 0; round < 20; round++) {
    const regions = Array.from({ length: 1 + Math.floor(random() * 4) }, (_, i): PlanRegion => {
      const layers = Array.from(
        { length: 1 + Math.floor(random() * 4) },
        (_l, k): Layer =>
          layer(pick(films).id, {
            id: `q${round}x${i}x${k}`,
            coats: 1 + Math.floor(random() * 3),
            heaviness: pick(HEAVINESSES),
            before: random() < 0.3 ? ["scuff"] : [],
            sandAfter: random() < 0.3 ? { grit: 400, wet: random() < 0.5, takesUm: 5 } : null,
          }),
      );
      return {
        region: region({ id: `g${round}x${i}`, material: pick(MATERIALS), areaCm2: 10 + random() * 400 }),
        stack: { prep: PREP_STEPS.filter(() => random() < 0.4), layers },
      };
    });
    const air = { kind: "day" as const, meanC: 8 + random() * 16, swingC: random() * 8, rhPct: 35 + random() * 50 };
    const first = planInput(regions, { air });
    const stops = planModel(first);
    const overrides =
      stops.outcome === "refused"
        ? stops.stops
            .filter((s) => s.verdict.kind === "finish")
            .map((s) => ({ regionId: s.regionId, key: s.verdict.key, reason: "to see the plan" }))
        : [];
    const answer = planModel({ ...first, overrides, caution: pick(["likely", "safe"] as const) });
    outcomes.set(answer.outcome, (outcomes.get(answer.outcome) ?? 0) + 1);
  }
  // an InvariantError above would have failed the test; here only that the draw was not all of one kind
  expect(outcomes.get("planned")).toBeGreaterThan(8);
  expect(outcomes.size).toBeGreaterThan(1);
});

it("operation ids are those of the log", () => {
  expect([opIds.prep("r1", "wash"), opIds.coat("y1", 2), opIds.sand("y1"), opIds.before("y1", "scuff")]).toEqual([
    "r1:prep:wash",
    "y1:coat:2",
    "y1:sand",
    "y1:before:scuff",
  ]);
});

it("twelve of a part take the minutes of twelve areas, and paint and places to hang for twelve", () => {
  const one: PlanRegion = { ...prop, region: { ...prop.region, areaCm2: 60 } };
  const [single, dozen] = [1, 12].map((count) => planned(planInput([{ ...one, count }])));
  const wetMl = (a: Planned) => a.stock.find((s) => s.productId === "grey-primer")!.needMl;
  expect(wetMl(dozen!)).toBeCloseTo(12 * wetMl(single!), 6);
  expect(at(dozen!, "prop:prep:key").handsOnMin).toBeGreaterThan(2 * at(single!, "prop:prep:key").handsOnMin);
  const hung = (count: number, holders: number) => {
    const habits = { ...NO_HABITS, holders };
    const { ops } = problemOf(contextFor(planInput([{ ...one, count }], { habits }))!);
    return ops.find((o) => o.id === "pg:coat:1")!.needs.holders;
  };
  expect([hung(1, 20), hung(12, 20), hung(12, 8)]).toEqual([1, 12, 8]);
});

describe("what a pile comes to in money", () => {
  const can = { price: 12, packMl: 400 };
  it("counts an aerosol without its propellant, and what sprays past", () => {
    const own = product("grey-primer", can);
    const part = { region: region({ id: "p", areaCm2: 100 }), stack: pile(layer("grey-primer", { wftUm: 24 })) };
    const { cost } = stackTotals(planInput([part], { productOf: lookup([own]) }), "p");
    // 100 cm² × 24 µm = 0.24 ml; a quarter lands on a small part, 0.35 on a larger one
    expect([0.24 / 0.25, 0.24 / 0.35].map((ml) => ((ml * 12) / 240).toFixed(6))).toContain(cost!.toFixed(6));
  });
  it("is not told where a price is missing", () => {
    const own = product("grey-primer", { price: null });
    const part = { region: region({ id: "p" }), stack: pile(layer("grey-primer")) };
    expect(stackTotals(planInput([part], { productOf: lookup([own]) }), "p").cost).toBeNull();
  });
});
