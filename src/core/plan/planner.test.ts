import { evenings, layer, lookup, NOW_MIN, pile, planInput, product, region } from "../../../tests/support/world";
import { MIN_PER_DAY } from "../base";
import { type Join, joinCircle, type PlanRegion } from "../work";
import { benchNow } from "./bench";
import { earlyStart } from "./early-start";
import { moveTrials } from "./moves";
import { planModel } from "./plan";
import { NO_HABITS, NO_WISHES, type PlanAnswer, type PlanInput, type PlanWishes } from "./types";

type Planned = Extract<PlanAnswer, { outcome: "planned" }>;
function planned(input: PlanInput, options: Parameters<typeof planModel>[1] = { tries: 4 }): Planned {
  const a = planModel(input, options);
  if (a.outcome !== "planned") throw new Error(JSON.stringify(a).slice(0, 600));
  return a;
}
const wishes = (over: Partial<PlanWishes> = {}): PlanWishes => ({ ...NO_WISHES, ...over });
const idsOf = (a: Planned, regionId: string) => a.ops.filter((o) => o.regionId === regionId).map((o) => o.id);
const opOf = (a: Planned, id: string) => {
  const found = a.ops.find((o) => o.id === id);
  if (!found) throw new Error(`no ${id} in ${a.ops.map((o) => o.id).join()}`);
  return found;
};
const startsOf = (a: Planned) => Object.fromEntries(a.ops.map((o) => [o.id, o.startMin]));
const placesOf = (a: Planned) =>
  Object.fromEntries(a.ops.map((o) => [o.id, { startMin: o.startMin, endMin: o.endMin }]));

const panel = (id: string, over: Partial<PlanRegion["region"]> = {}, colour = "estuary-blue"): PlanRegion => ({
  region: region({ id, material: "petg", areaCm2: 80, finish: "seen", ...over }),
  stack: { prep: [], layers: [layer("grey-primer", { id: `${id}p` }), layer(colour, { id: `${id}c` })] },
});

describe("rounds of look, fill, sand and prime", () => {
  it("are filled where the user says, and primed all over: the next look wants one even colour", () => {
    const putty = layer("red-stopper", {
      id: "s",
      coats: 1,
      places: ["bow"],
      sandAfter: { grit: 400, wet: false, takesUm: 20 },
    });
    const stack = pile(
      layer("grey-primer", { id: "p" }),
      putty,
      layer("grey-primer", { id: "q" }),
      layer("estuary-blue", { id: "c" }),
    );
    const filled = (fillPlaces?: Record<string, string[]>) =>
      planned(
        planInput([{ region: panel("a").region, stack }], {
          wishes: wishes({ rounds: { a: 1 }, ...(fillPlaces ? { fillPlaces } : {}) }),
        }),
      ).ops.filter((o) => o.round === 1 && o.kind === "coat");
    const [fill, prime] = filled({ a: ["the seam", "stern"] });
    expect(fill!.places).toEqual(["the seam", "stern"]);
    expect(prime!.places).toBeUndefined();
    expect(filled()[0]!.places).toBeUndefined();
  });
  const roundsIn = (over: Partial<PlanInput>, finish: "hidden" | "seen" | "show") =>
    planned(planInput([panel("a", { finish })], over)).ops.filter((o) => o.kind === "inspect").length;
  it("are planned at their likely number by finish, and at the upper one by a safe plan", () => {
    const count = (caution: "likely" | "safe") =>
      (["hidden", "seen", "show"] as const).map((finish) => roundsIn({ wishes: wishes(), caution }, finish));
    expect(count("likely")).toEqual([0, 1, 2]);
    expect(count("safe")).toEqual([1, 2, 3]);
  });
  it("are the user's to set, and marked as likely where they are not", () => {
    expect(roundsIn({ wishes: wishes({ rounds: { a: 0 } }) }, "show")).toBe(0);
    const a = planned(planInput([panel("a")], { wishes: wishes() }));
    expect(a.notices).toContainEqual({ kind: "rounds-likely", regionId: "a", rounds: 1 });
  });
  it("fill with the stack's own putty where the rules allow it over that primer", () => {
    const withPutty: PlanRegion = {
      region: region({ id: "a", material: "petg", areaCm2: 80 }),
      stack: pile(
        layer("grey-primer", { id: "am" }),
        layer("red-stopper", { id: "ap", sandAfter: { grit: 320, wet: false, takesUm: 60 } }),
        layer("grey-primer", { id: "an" }),
        layer("estuary-blue", { id: "ac" }),
      ),
    };
    const a = planned(planInput([withPutty], { wishes: wishes() }));
    expect(idsOf(a, "a")).toEqual([
      "am:coat:1",
      "am~r1f:inspect",
      "am~r1f:coat:1",
      "am~r1f:sand",
      "am~r1p:coat:1",
      "ap:coat:1",
      "ap:sand",
      "an:coat:1",
      "ac:coat:1",
    ]);
    const fill = opOf(a, "am~r1f:coat:1");
    expect(opOf(a, "am~r1f:sand").startMin).toBeGreaterThan(fill.endMin);
    expect(a.verified.early).toBe(0);
  });
  it("are left out, and that is told, where the stack gives them no moment", () => {
    // the filler takes a primer soon and sands only after a season: a round would fill with it again and sand it
    const slow = product("hull-filler", {
      label: { ...product("hull-filler").label, sandableMin: 150_000, curedMin: 200_000 },
    });
    const productOf = lookup([slow]);
    const thick: PlanRegion = {
      region: region({ id: "a", material: "brass-copper", conditions: ["keyed", "clean"], areaCm2: 26 }),
      stack: pile(
        layer("etch-green", { id: "ae" }),
        layer("hull-filler", { id: "af" }),
        layer("grey-primer", { id: "ap" }),
        layer("bronze-lacquer", { id: "ac" }),
      ),
    };
    const stops = planModel(planInput([thick], { wishes: wishes(), productOf }));
    const overrides =
      stops.outcome === "refused"
        ? stops.stops.map((s) => ({ regionId: "a", key: s.verdict.key, reason: "boss only" }))
        : [];
    const a = planned(planInput([thick], { wishes: wishes(), overrides, productOf }));
    expect(a.ops.some((o) => o.round !== undefined)).toBe(false);
    expect(a.notices).toContainEqual({ kind: "rounds-left-out", regionId: "a" });
  });
  it("that were made stay, and once the colour has begun no more are asked for", () => {
    const input = planInput([panel("a", { finish: "show" })], { wishes: wishes() });
    const records = ["ap:coat:1", "ap~r1p:inspect", "ap~r1p:coat:1", "ac:coat:1"].map((opId, i) => ({
      opId,
      startMin: NOW_MIN - 4000 + 900 * i,
      endMin: NOW_MIN - 3990 + 900 * i,
      coats: null,
      wftUm: null,
    }));
    expect(benchNow({ ...input, records })[0]).toMatchObject({ zone: "finished", done: 4, of: 4 });
  });
});

describe("turning, tape and bare zones", () => {
  it("each face waits until the one before can be held, and the next coat for the last face", () => {
    const a = planned(planInput([panel("a", { turns: 2 })]));
    expect(idsOf(a, "a").slice(0, 4)).toEqual(["ap:coat:1", "ap:coat:1:turn:1", "ap:coat:1:turn:2", "ac:coat:1"]);
    const [coat, one, two] = ["ap:coat:1", "ap:coat:1:turn:1", "ap:coat:1:turn:2"].map((id) => opOf(a, id));
    expect(one!.wait).toMatchObject({ milestone: "handle" });
    expect(one!.startMin).toBeGreaterThanOrEqual(one!.wait!.likelyMin);
    expect(two!.startMin).toBeGreaterThan(one!.endMin);
    expect(coat!.handsOnMin).toBeLessThanOrEqual(opOf(planned(planInput([panel("a")])), "ap:coat:1").handsOnMin);
  });
  const taped: PlanRegion = {
    region: region({ id: "a", material: "petg", areaCm2: 80 }),
    stack: pile(
      layer("grey-primer", { id: "ap" }),
      layer("estuary-blue", { id: "ac", tape: { tack: "medium", onMin: null, offMin: null } }),
      layer("chalk-white", { id: "aw", coats: 2 }),
    ),
  };
  it("tape goes on when the film bears it, and comes off soft or hard, within the time its tack allows", () => {
    const a = planned(planInput([taped]));
    expect(idsOf(a, "a")).toEqual(["ap:coat:1", "ac:coat:1", "ac:mask", "aw:coat:1", "aw:coat:2", "ac:unmask"]);
    const mask = opOf(a, "ac:mask");
    expect(mask.wait).toMatchObject({ milestone: "tape-safe" });
    expect(mask.startMin).toBeGreaterThanOrEqual(mask.wait!.likelyMin);
    const off = opOf(a, "ac:unmask");
    expect(off.startMin - mask.endMin).toBeLessThanOrEqual(3 * MIN_PER_DAY);
    expect(off.startMin).toBeGreaterThanOrEqual(off.wait!.likelyMin);
  });
  it("what stays bare is masked before the first coat and unmasked after the last; long tape is told", () => {
    const slow = panel("a", { keepBare: ["shaft"] }, "buoy-red");
    const a = planned(
      planInput([slow], {
        wishes: wishes({ rounds: { a: 0 }, arrivals: { "buoy-red": NOW_MIN + 12 * MIN_PER_DAY } }),
        productOf: lookup([product("buoy-red", { owned: false })]),
      }),
    );
    const ids = idsOf(a, "a");
    expect([ids[0], ids.at(-1)]).toEqual(["a:bare:mask", "a:bare:unmask"]);
    expect(a.notices).toContainEqual(expect.objectContaining({ kind: "tape-long", regionId: "a" }));
  });
});

describe("one room for all", () => {
  const sanded = (id: string): PlanRegion => ({
    region: region({ id, material: "petg", areaCm2: 40, conditions: ["shiny", "clean"] }),
    stack: { prep: ["key"], layers: [layer("lightship-white", { id: `${id}c` })] },
  });
  const apart = (covered: boolean) => {
    const a = planned(planInput([sanded("a"), sanded("b")], { habits: { ...NO_HABITS, covered } }));
    return a.ops;
  };
  it("no dry sanding while a film in the same air is not dust-free, and the room settles before one is laid", () => {
    const ops = apart(false);
    for (const coat of ops.filter((o) => o.kind === "coat"))
      for (const rub of ops.filter((o) => o.step === "key" && o.regionId !== coat.regionId)) {
        const before = coat.startMin - rub.endMin;
        expect(before >= 20 || rub.startMin - coat.endMin > 10).toBe(true);
      }
  });
  it("a holder less makes the second wait until the first can be handled", () => {
    const two = [panel("a"), panel("b")];
    const habits = { ...NO_HABITS, holders: 1 };
    const a = planned(planInput(two, { habits }));
    const coats = a.ops.filter((o) => o.kind === "coat").sort((x, y) => x.startMin - y.startMin);
    for (let i = 1; i < coats.length; i++) expect(coats[i]!.startMin - coats[i - 1]!.endMin).toBeGreaterThan(5);
  });
  it("from the cold, nothing is sprayed before it has warmed up", () => {
    const a = planned(planInput([panel("a")], { habits: { ...NO_HABITS, coldStore: true }, nowMin: NOW_MIN - 60 }));
    const session = evenings().find(
      (s) => s.startMin <= opOf(a, "ap:coat:1").startMin && s.endMin >= opOf(a, "ap:coat:1").endMin,
    )!;
    expect(opOf(a, "ap:coat:1").startMin - session.startMin).toBeGreaterThanOrEqual(45);
  });
  it("tells what to carry in, and when, before the first coat of an evening", () => {
    const a = planned(planInput([panel("a")]));
    expect(a.carryIns[0]).toEqual({ regionId: "a", opId: "ap:coat:1", byMin: opOf(a, "ap:coat:1").startMin - 45 });
  });
});

describe("parts that go together", () => {
  const join = (when: Join["when"]): Join => ({
    partId: "pa",
    regionIds: ["a"],
    onto: { partId: "pb", regionIds: ["b"] },
    when,
  });
  it("fitted when both are painted: after the last film of either can be handled", () => {
    const a = planned(planInput([panel("a"), panel("b")], { joins: [join("after-paint")] }));
    const fit = opOf(a, "pa:fit");
    expect(fit.startMin).toBeGreaterThan(Math.max(opOf(a, "ac:coat:1").endMin, opOf(a, "bc:coat:1").endMin));
    expect(a.ops.at(-1)!.id).toBe("pa:fit");
  });
  it("glued before painting: neither is primed until the joint has set", () => {
    const a = planned(planInput([panel("a"), panel("b")], { joins: [join("before-paint")] }));
    const setMin = opOf(a, "pa:fit").endMin + 720;
    for (const id of ["ap:coat:1", "bp:coat:1"]) expect(opOf(a, id).startMin).toBeGreaterThanOrEqual(setMin);
  });
  it("in a circle: nothing is planned, and the parts are named in order", () => {
    const circle = [
      join("after-paint"),
      { ...join("after-paint"), partId: "pb", onto: { partId: "pa", regionIds: ["a"] } },
    ];
    expect(joinCircle(circle)).toEqual(["pa", "pb"]);
    expect(planModel(planInput([panel("a"), panel("b")], { joins: circle }))).toMatchObject({
      outcome: "circular",
      partIds: ["pa", "pb"],
    });
  });
});

describe("batches", () => {
  it("coats of one product laid in one go share their setting-up and their hour", () => {
    const batches = [["ap:coat:1", "bp:coat:1"]];
    const alone = planned(planInput([panel("a"), panel("b")]));
    const a = planned(planInput([panel("a"), panel("b")], { wishes: wishes({ batches, rounds: { a: 0, b: 0 } }) }));
    expect(opOf(a, "ap:coat:1")).toMatchObject({ startMin: opOf(a, "bp:coat:1").startMin, batch: batches[0] });
    expect(a.handsOnMin).toBeLessThan(alone.handsOnMin);
  });
  it("that cannot hold are told and planned one by one", () => {
    const told = (batches: string[][], productOf?: PlanInput["productOf"]) => {
      const over = productOf ? { productOf } : {};
      const a = planned(planInput([panel("a"), panel("b")], { wishes: wishes({ batches }), ...over }));
      return a.notices.flatMap((n) => (n.kind === "batch-left-out" ? [n.why] : []));
    };
    expect(told([["ap:coat:1", "bc:coat:1"]])).toEqual(["differs"]);
    const quick = lookup([product("grey-primer", { potLifeMin: 5 })]);
    expect(told([["ap:coat:1", "bp:coat:1"]], quick)).toEqual(["pot-life"]);
    // each is to wait for the other's first coat
    expect(told([["ac:coat:1", "bc:coat:1"]])).toEqual([]);
  });
});

describe("what is not there yet, and what runs short", () => {
  it("a product to buy holds its coats until it arrives, and a part that is away all its work", () => {
    const productOf = lookup([product("estuary-blue", { owned: false })]);
    const arrivesMin = NOW_MIN + 6 * MIN_PER_DAY;
    const a = planned(
      planInput([panel("a")], { productOf, wishes: wishes({ arrivals: { "estuary-blue": arrivesMin } }) }),
    );
    expect(opOf(a, "ac:coat:1").startMin).toBeGreaterThanOrEqual(arrivesMin);
    expect(opOf(a, "ap:coat:1").startMin).toBeLessThan(NOW_MIN + MIN_PER_DAY);
    expect(a.notices).toContainEqual(expect.objectContaining({ kind: "to-buy", productId: "estuary-blue" }));
    const away = planned(planInput([panel("a")], { wishes: wishes({ away: { a: arrivesMin } }) }));
    expect(away.ops[0]!.startMin).toBeGreaterThanOrEqual(arrivesMin);
  });
  it("one that runs out holds the layers the can no longer ends, whole; what it can end goes on", () => {
    const arrivesMin = NOW_MIN + 6 * MIN_PER_DAY;
    const twice = (id: string): PlanRegion => {
      const own = panel(id, { areaCm2: 200 });
      const [primer, colour] = own.stack.layers;
      return { ...own, stack: { ...own.stack, layers: [primer!, { ...colour!, coats: 2, wftUm: 40 }] } };
    };
    const plan = (leftMl: number | null, over: Partial<PlanWishes> = {}) =>
      planned(
        planInput([twice("a"), twice("b")], {
          productOf: lookup([product("estuary-blue", { leftMl, method: "airbrush", owned: true })]),
          wishes: wishes({ arrivals: { "estuary-blue": arrivesMin }, ...over }),
        }),
      );
    const late = (a: ReturnType<typeof planned>) =>
      a.ops.filter((o) => o.productId === "estuary-blue" && o.startMin >= arrivesMin).map((o) => o.id);
    // 200 cm² × 40 µm × 2 coats, 0.4 of it lands: 4 ml, 4.6 with the reserve
    expect(late(plan(10))).toEqual([]);
    expect(late(plan(5)).toSorted()).toEqual(["bc:coat:1", "bc:coat:2"]);
    expect(late(plan(3)).toSorted()).toEqual(["ac:coat:1", "ac:coat:2", "bc:coat:1", "bc:coat:2"]);
    // nobody said what is in it: nothing is held
    expect(late(plan(null))).toEqual([]);
    // nothing on its way: it is told as short and planned all the same
    const none = plan(3, { arrivals: {} });
    expect(late(none)).toEqual([]);
    expect(none.stock[0]).toMatchObject({ productId: "estuary-blue", shortMl: expect.closeTo(6.2, 6) });
  });
  it("stock is reckoned over all coats to come with 15 % on top, and is wanted before the masking for it", () => {
    const taped: PlanRegion = {
      region: region({ id: "a", material: "petg", areaCm2: 200 }),
      stack: pile(
        layer("estuary-blue", { id: "ac", wftUm: 50, tape: { tack: "low", onMin: null, offMin: null } }),
        layer("chalk-white", { id: "aw", coats: 2, wftUm: 40 }),
      ),
    };
    const productOf = lookup([product("chalk-white", { leftMl: 2, method: "airbrush" })]);
    const a = planned(planInput([taped], { productOf }));
    const line = a.stock.find((l) => l.productId === "chalk-white")!;
    // 200 cm² × 40 µm × 2 coats = 1.6 ml on the part, 0.4 of what leaves the airbrush lands
    expect(line.needMl).toBeCloseTo((1.15 * 1.6) / 0.4, 6);
    expect(line.shortMl).toBeCloseTo(line.needMl - 2, 6);
    expect(line.byMin).toBe(opOf(a, "ac:mask").startMin);
    expect(a.stock[0]!.productId).toBe("chalk-white");
  });
});

describe("what the user says", () => {
  it("minutes of their own stand in for the reckoned ones", () => {
    const a = planned(planInput([panel("a")], { wishes: wishes({ minutes: { "ap:coat:1": 42 } }) }));
    expect(opOf(a, "ap:coat:1")).toMatchObject({ handsOnMin: 42 });
    expect(opOf(a, "ap:coat:1").endMin - opOf(a, "ap:coat:1").startMin).toBe(42);
  });
  it("a pin holds; one in the past is told and no longer does", () => {
    const at = NOW_MIN + MIN_PER_DAY + 30;
    const a = planned(planInput([panel("a")], { wishes: wishes({ locks: { "ap:coat:1": at } }) }));
    expect(opOf(a, "ap:coat:1")).toMatchObject({ startMin: at, locked: true });
    const late = planned(planInput([panel("a")], { wishes: wishes({ locks: { "ap:coat:1": NOW_MIN - 30 } }) }));
    expect(late.notices).toContainEqual({ kind: "lock-passed", regionId: "a" });
  });
  it("a date that cannot be met is planned as near as can be, and told by its date", () => {
    const dueMin = NOW_MIN + 60;
    const a = planned(planInput([panel("a")], { wishes: wishes({ dueMin }) }));
    expect(a.dueMin).toBe(dueMin);
    expect(a.doneMin).toBeGreaterThan(dueMin);
  });
  it("fewer evenings, where the finish may wait for it", () => {
    const five = ["a", "b", "c", "d"].map((id) => panel(id));
    const used = (objective: PlanWishes["objective"]) =>
      planned(planInput(five, { wishes: wishes({ objective }) }), { tries: 120 }).sessions;
    expect(used("sessions")).toBeLessThanOrEqual(used("finish"));
  });
});

describe("planning again", () => {
  const three = ["a", "b", "c", "d", "e", "f", "g", "h"].map((id) => panel(id));
  const first = planned(planInput(three, { wishes: wishes() }));
  it("with nothing changed, nothing moves", () => {
    const again = planned(planInput(three, { wishes: wishes(), before: startsOf(first) }), { keep: startsOf(first) });
    expect(again.moved).toEqual([]);
    expect(startsOf(again)).toEqual(startsOf(first));
  });
  it("after a coat done late, what is done stays, the others slide by no more than that, and what moved is listed", () => {
    const coat = opOf(first, "ap:coat:1");
    const records = [
      { opId: "ap:coat:1", startMin: coat.startMin + 20, endMin: coat.endMin + 20, coats: 1, wftUm: 40 },
    ];
    const nowMin = coat.endMin + 20;
    const others = first.ops.filter((o) => o.startMin >= nowMin + 10).map((o) => o.id);
    const before = startsOf(first);
    const again = planned(planInput(three, { wishes: wishes(), records, nowMin, before }), { keep: before });
    expect(opOf(again, "ap:coat:1")).toMatchObject({ state: "done", endMin: coat.endMin + 20 });
    for (const m of again.moved) expect(m.toMin).toBe(opOf(again, m.opId).startMin);
    // evenings with no minute to spare: what found no room in one slides into the next, all else by the minutes that were lost
    const slid = others.filter((id) => Math.abs(opOf(again, id).startMin - before[id]!) <= 20);
    expect(others.length).toBeGreaterThan(10);
    expect(slid.length).toBeGreaterThanOrEqual(0.9 * others.length);
  });
  it("a part dropped leaves the rest where it was", () => {
    const before = startsOf(first);
    const again = planned(planInput(three.slice(1), { wishes: wishes(), before }), { keep: before });
    expect(again.moved).toEqual([]);
  });
});

describe("pushing a plan about", () => {
  const two = [panel("a"), panel("b")];
  const input = planInput(two, { wishes: wishes() });
  const a = planned(input);
  const desk = moveTrials(input, startsOf(a))!;
  it("answers what a move would do to the finish and to the rest", () => {
    const op = opOf(a, "ap:coat:1");
    expect(desk.tryMove(op.id, op.startMin)).toMatchObject({ outcome: "fits", doneMin: a.doneMin, moved: [] });
    const late = desk.tryMove(op.id, op.startMin + 3 * MIN_PER_DAY);
    if (late.outcome !== "fits") throw new Error("does not fit");
    expect(late.moved.map((m) => m.opId)).toEqual(expect.arrayContaining(["ac:coat:1"]));
  });
  it("says why it does not fit", () => {
    const colour = opOf(a, "ac:coat:1");
    const soon = desk.tryMove(colour.id, opOf(a, "ap:coat:1").startMin);
    expect(soon).toMatchObject({ outcome: "conflict" });
    const night = desk.tryMove("ap:coat:1", NOW_MIN + 6 * 60);
    expect(night).toMatchObject({ outcome: "conflict", conflict: { kind: "lock", heldBy: { kind: "session" } } });
  });
});

describe("if you hurry this", () => {
  const slow: PlanRegion = {
    region: region({ id: "a", material: "petg", areaCm2: 80 }),
    stack: pile(
      layer("build-primer", { id: "ap", coats: 2, heaviness: "wet", sandAfter: { grit: 400, wet: true, takesUm: 15 } }),
      layer("estuary-blue", { id: "ac" }),
    ),
  };
  const input = planInput([slow], { air: { meanC: 13 } });
  const a = planned(input);
  it("names the milestone, the chance, what the simulated film does and what doing it again costs", () => {
    const h = earlyStart(input, "ap:sand", placesOf(a))!;
    expect(h.milestone).toBe("sandable");
    expect(h.atMin).toBeLessThan(h.plannedMin);
    expect(h.chance).toBeGreaterThan(0.5);
    expect(h.faults.map((f) => f.kind)).toContain("sanded-too-soon");
    expect(h.redoHandsOnMin).toBeGreaterThan(opOf(a, "ap:sand").handsOnMin);
    expect(h.costToGain).toBeCloseTo((h.chance * h.redoDelayMin) / h.savedMin, 9);
  });
  it("nothing to tell where it waits for no film", () => {
    expect(earlyStart(input, "ap:coat:1", placesOf(a))).toBeNull();
  });
});

describe("slack and what the finish hangs on", () => {
  const a = planned(planInput([panel("a"), panel("b"), panel("c", {}, "buoy-red")]));
  it("what holds the finish has none; nothing may be later than its window allows", () => {
    const last = a.ops.at(-1)!;
    expect(last.slackMin).toBe(0);
    for (const o of a.ops.filter((x) => x.state === "planned")) {
      expect(o.latestMin).toBeGreaterThanOrEqual(o.startMin);
      if (o.wait?.shutsMin != null) expect(o.latestMin).toBeLessThanOrEqual(o.wait.shutsMin + 1);
    }
  });
  it("finished faces are to be looked at again after the days the user set", () => {
    const b = planned(planInput([panel("a")], { habits: { ...NO_HABITS, followUpDays: [14, 90] } }));
    expect(b.followUps.map((f) => (f.atMin - b.finish[0]!.doneMin) / MIN_PER_DAY)).toEqual([14, 90]);
  });
});

describe("what cannot be planned is told with what frees it", () => {
  const answer = (over: Partial<PlanInput>) => {
    const a = planModel(planInput([panel("a")], over));
    if (a.outcome !== "conflict") throw new Error(a.outcome);
    return a;
  };
  it("no sessions at all", () => {
    expect(answer({ sessions: [] })).toMatchObject({ conflict: { kind: "no-session-long-enough", longestMin: 0 } });
    expect(answer({ sessions: [] }).frees.map((f) => f.kind)).toContain("one-more-session");
  });
  it("sessions of ten minutes: longer ones", () => {
    const sessions = evenings().map((s) => ({ ...s, endMin: s.startMin + 5 }));
    expect(answer({ sessions }).frees).toContainEqual({ kind: "longer-sessions", byMin: 15 });
  });
  it("work longer than any session keeps its own part out, not the others, nor what may be asked of their plan", () => {
    const input = planInput([panel("a"), panel("b", { areaCm2: 90_000 })], { wishes: wishes() });
    const a = planned(input);
    expect(a.notices).toContainEqual(expect.objectContaining({ kind: "too-long", regionId: "b", longestMin: 150 }));
    expect(idsOf(a, "b")).toEqual([]);
    const op = opOf(a, "ap:coat:1");
    expect(moveTrials(input, startsOf(a))!.tryMove(op.id, op.startMin)).toMatchObject({ outcome: "fits" });
  });
  it("a pin in the night: take it out", () => {
    const a = answer({ wishes: wishes({ locks: { "ap:coat:1": NOW_MIN + 6 * 60 } }) });
    expect(a.frees).toContainEqual({ kind: "unlock", opId: "ap:coat:1" });
    expect(a.ops.map((o) => o.id)).toContain("ap:coat:1");
  });
});
