import { evenings, layer, lookup, NOW_MIN, planInput, product, region } from "../../../tests/support/world";
import { MIN_PER_DAY } from "../base";
import type { PlanRegion } from "../work";
import { benchNow } from "./bench";
import { planModel } from "./plan";
import { NO_WISHES, type PlanAnswer, type PlanInput, type PlanWishes } from "./types";

type Planned = Extract<PlanAnswer, { outcome: "planned" }>;
function planned(input: PlanInput): Planned {
  const a = planModel(input, { tries: 4 });
  if (a.outcome !== "planned") throw new Error(JSON.stringify(a).slice(0, 500));
  return a;
}
const wishes = (over: Partial<PlanWishes> = {}): PlanWishes => ({ ...NO_WISHES, ...over });
const opOf = (a: Planned, id: string) => a.ops.find((o) => o.id === id)!;

describe("work longer than any session", () => {
  /** 30 minutes an evening; rubbing 1500 cm² takes 50 */
  const short = evenings().map((s) => ({ ...s, endMin: s.startMin + 30 }));
  const wall = (layers: PlanRegion["stack"]["layers"]): PlanRegion => ({
    region: region({ id: "a", material: "petg", areaCm2: 1500, finish: "seen" }),
    stack: { prep: [], layers },
  });
  const rubbed = wall([
    layer("grey-primer", { id: "p", sandAfter: { grit: 400, wet: false, takesUm: 5 } }),
    layer("bronze-lacquer", { id: "c" }),
  ]);
  const small: PlanRegion = {
    region: region({ id: "b", material: "petg", areaCm2: 80, finish: "seen" }),
    stack: { prep: [], layers: [layer("grey-primer", { id: "bp" }), layer("estuary-blue", { id: "bc" })] },
  };
  const world: Partial<PlanInput> = { sessions: short, wishes: wishes({ rounds: { a: 0 } }) };
  const sittings = (a: Planned) => a.ops.filter((o) => o.sitting).map((o) => `${o.id} ${o.handsOnMin}`);
  const record = (opId: string, from: number, to: number | null) => ({
    opId,
    startMin: NOW_MIN - from,
    endMin: to === null ? null : NOW_MIN - to,
    coats: null,
    wftUm: null,
  });
  it("rubbing is divided over evenings, and what follows waits for the last of it", () => {
    const a = planned(planInput([rubbed], world));
    expect(sittings(a)).toEqual(["p:sand:sitting:1 25", "p:sand 25"]);
    const [first, last, colour] = ["p:sand:sitting:1", "p:sand", "c:coat:1"].map((id) => opOf(a, id));
    expect(last!.startMin).toBeGreaterThanOrEqual(first!.endMin);
    expect(colour!.startMin).toBeGreaterThanOrEqual(last!.endMin);
    expect(first!.startMin).toBeGreaterThanOrEqual(opOf(a, "p:coat:1").endMin);
    for (const o of a.ops)
      expect(short.some((s) => s.startMin <= o.startMin && o.endMin <= s.endMin) || o.state === "done").toBe(true);
    expect(a.notices.filter((n) => n.kind === "too-long")).toEqual([]);
  });
  it("the rub comes off the film once, not with every sitting", () => {
    const a = planned(planInput([rubbed], world));
    expect(a.ops.filter((o) => o.kind === "sand").map((o) => o.takesUm)).toEqual([0, 5]);
  });
  it("a sitting in the log stays one; rubbed in one go after all, it is not divided", () => {
    const coat = record("p:coat:1", 3000, 2990);
    const one = planInput([rubbed], { ...world, records: [coat, record("p:sand:sitting:1", 100, 75)] });
    expect(sittings(planned(one))).toEqual(["p:sand:sitting:1 25", "p:sand 25"]);
    expect(benchNow(one)[0]).toMatchObject({ op: { id: "p:sand", sitting: { n: 2, of: 2 } } });
    // longer evenings since: the sitting that was is still there
    const long = { ...one, sessions: evenings() };
    expect(sittings(planned(long))).toEqual(["p:sand:sitting:1 25", "p:sand 25"]);
    const whole = planInput([rubbed], { ...world, records: [coat, record("p:sand", 100, 50)] });
    expect(sittings(planned(whole))).toEqual([]);
  });
  it("a brushed coat may rest where no window shuts; its film is as young as the last of it", () => {
    const a = planned(planInput([wall([layer("foam-sealer", { id: "s", coats: 2 })])], world));
    expect(sittings(a).length).toBeGreaterThanOrEqual(4);
    expect(opOf(a, "s:coat:2:sitting:1").startMin).toBeGreaterThanOrEqual(opOf(a, "s:coat:1").endMin);
    expect(opOf(a, "s:coat:1:sitting:1")).toMatchObject({ kind: "part-coat", productId: "foam-sealer" });
    // what it takes is counted once
    const whole = planned(planInput([wall([layer("foam-sealer", { id: "s", coats: 2 })])], { wishes: world.wishes }));
    expect(a.stock[0]!.needMl).toBeCloseTo(whole.stock[0]!.needMl, 6);
  });
  it("a brushed coat on its way waits with all its sittings, and is wanted before the first of them", () => {
    const arrivesMin = NOW_MIN + 5 * MIN_PER_DAY;
    const sealed = wall([layer("foam-sealer", { id: "s" })]);
    const a = planned(
      planInput([sealed], {
        ...world,
        wishes: wishes({ rounds: { a: 0 }, arrivals: { "foam-sealer": arrivesMin } }),
        productOf: lookup([product("foam-sealer", { owned: false })]),
      }),
    );
    const first = opOf(a, "s:coat:1:sitting:1");
    expect(first.startMin).toBeGreaterThanOrEqual(arrivesMin);
    expect(a.stock[0]).toMatchObject({ productId: "foam-sealer", byMin: first.startMin });
  });
  it("an enamel’s coat, whose window shuts, is not left half done", () => {
    const a = planModel(planInput([wall([layer("lightship-white", { id: "e" })]), small], world), { tries: 4 });
    expect(a.notices).toContainEqual(expect.objectContaining({ kind: "too-long", regionId: "a", longestMin: 30 }));
  });
  it("minutes of one’s own for the whole are divided; for one sitting they are that sitting’s", () => {
    const own = (minutes: Record<string, number>) =>
      sittings(planned(planInput([rubbed], { ...world, wishes: wishes({ rounds: { a: 0 }, minutes }) })));
    expect(own({ "p:sand": 80 })).toEqual(["p:sand:sitting:1 30", "p:sand:sitting:2 30", "p:sand 30"]);
    expect(own({ "p:sand:sitting:1": 10 })).toEqual(["p:sand:sitting:1 10", "p:sand 25"]);
  });
});
