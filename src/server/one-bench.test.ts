import type { Planning } from "@/contracts";
import type { PlanAnswer, PlannedOp } from "@/core/plan";
import { logTitle } from "@/messages";
import { freshStore, must, refusal } from "../../tests/support/store";
import { product } from "../../tests/support/world";
import * as server from ".";

/** Several models, one person: planned as one, told model by model. */
freshStore();

type Planned = Extract<PlanAnswer, { outcome: "planned" }>;
const LAYER = { heaviness: "light", wftUm: null, gapMin: null, before: [], sandAfter: null };

const DONE = { minutesAgo: 0, coats: null, wftUm: null, tempC: null, rhPct: null, note: "" };

const primerId = () =>
  must(server.getShelf()).find((i) => i.product.name === product("grey-primer").name)?.product.id ??
  must(server.addProduct(product("grey-primer"))).id;

/** A model with one face to prime and paint; its layers are p and c behind its name. */
function model(name: string, areaCm2 = 80) {
  const id = must(server.addModel({ name, scale: "", note: "" })).id;
  const { regionId, id: partId } = must(server.addPart(id, { name: "Deck", count: 1, note: "" }));
  must(server.editNode("region", regionId, 0, { material: "petg", conditions: ["keyed", "clean"], areaCm2 }));
  const layers = ["p", "c"].map((l) => ({ ...LAYER, id: `${name}-${l}`, productId: primerId(), coats: 2 }));
  must(server.saveStack(regionId, 0, { prep: [], layers }));
  return { id, name, regionId, partId };
}
type Model = ReturnType<typeof model>;

const answerOf = (m: Model) => must(server.getPlan(m.id))?.answer;
function planOf(m: Model): Planned {
  const answer = answerOf(m);
  if (answer?.outcome !== "planned") throw new Error(JSON.stringify(answer ?? null).slice(0, 200));
  return answer;
}
const own = (m: Model, of = planOf(m)): readonly PlannedOp[] => of.ops.filter((o) => o.regionId === m.regionId);
const lastOf = (m: Model) => Math.max(...own(m).map((o) => o.endMin));
const say = (m: Model, edit: Partial<Planning>) => {
  const { planning, rev } = must(server.getPlanScreen(m.id)).plannings[m.id]!;
  return server.savePlanning(m.id, rev, { ...planning, ...edit });
};
const onBench = (m: Model) => must(server.getPlanScreen(m.id)).models.find((o) => o.id === m.id)!;
const turn = (m: Model, state: string) => server.editNode("model", m.id, onBench(m).rev, { state });
const iso = (min: number) => new Date(min * 60_000).toISOString();

async function two() {
  const [skiff, punt] = [model("Skiff"), model("Punt")];
  must(await server.makePlan(skiff.id));
  return { skiff, punt };
}

describe("one bench", () => {
  it("plans both models at once, and nobody has three hands", async () => {
    const { skiff, punt } = await two();
    expect(planOf(punt)).toEqual(planOf(skiff));
    expect(own(skiff)).toHaveLength(own(punt).length);
    const work = [...planOf(skiff).ops].sort((a, b) => a.startMin - b.startMin);
    for (const [n, o] of work.slice(1).entries()) expect(o.startMin).toBeGreaterThanOrEqual(work[n]!.endMin);
  });
  it("what happens to one leaves the other's pieces where they were", async () => {
    const { skiff, punt } = await two();
    const before = own(punt).map((o) => o.startMin);
    must(server.startOp(skiff.regionId, { opId: own(skiff)[0]!.id, reason: null }, logTitle, String));
    expect(must(server.getPlan(skiff.id))?.fresh).toBe(true);
    expect(must(server.getPlan(punt.id))?.fresh).toBe(true);
    // begun some seconds into its minute, it ends so much later
    for (const [n, o] of own(punt).entries()) expect(Math.abs(o.startMin - before[n]!)).toBeLessThanOrEqual(5);
  });
  it("what is brought in is planned with the rest; what comes back as it left keeps its place", async () => {
    const { skiff, punt } = await two();
    const text = must(server.exportDocument(punt.id));
    must(server.deleteNode("model", punt.id));
    expect(own(skiff).length).toBeGreaterThan(0);
    expect(planOf(skiff).ops.some((o) => o.regionId === punt.regionId)).toBe(false);
    must(server.importText(text, { onExisting: "replace", takeShop: false }));
    expect(own(punt).length).toBe(own(skiff).length);
    const before = planOf(skiff).ops.map((o) => o.startMin);
    must(server.importText(text, { onExisting: "replace", takeShop: false }));
    expect(planOf(skiff).ops.map((o) => o.startMin)).toEqual(before);
    expect(must(server.getPlan(skiff.id))?.fresh).toBe(true);
  });
  it.each([1, 3] as const)(
    "a date it is late for brings its own model forward, whatever it counts (%i)",
    async (weight) => {
      const [skiff, punt] = [model("Skiff", 400), model("Punt", 400)];
      must(say(punt, { due: "2026-03-02", weight }));
      must(await server.makePlan(skiff.id));
      expect(lastOf(punt)).toBeLessThan(lastOf(skiff));
      expect(onBench(punt).dueMin).toBe(Date.UTC(2026, 2, 3) / 60_000);
      expect(onBench(skiff).dueMin).toBeNull();
    },
  );
  it("two wished for the same evening: the one that counts threefold comes first", async () => {
    const pairs: [number, number][] = [
      [1, 3],
      [3, 1],
    ];
    for (const [a, b] of pairs) {
      const [skiff, punt] = [model(`Skiff${a}`, 900), model(`Punt${b}`, 900)];
      must(say(skiff, { due: "2026-03-02", weight: a }));
      must(say(punt, { due: "2026-03-02", weight: b }));
      must(await server.makePlan(skiff.id));
      expect(lastOf(skiff) < lastOf(punt)).toBe(a > b);
      for (const m of [skiff, punt]) must(turn(m, "finished"));
    }
  });
  it("has one aim: chosen on one model it is chosen for all, also for one that comes later", async () => {
    const { skiff, punt } = await two();
    must(say(punt, { objective: "sessions" }));
    expect(planOf(skiff).objective).toBe("sessions");
    const dory = model("Dory");
    expect(must(server.getPlanScreen(dory.id)).plannings[dory.id]!.planning.objective).toBe("sessions");
  });
});

describe("a model that is left", () => {
  it("rests: the others are planned without it, it has no plan, and none is made", async () => {
    const { skiff, punt } = await two();
    must(turn(punt, "resting"));
    expect(planOf(skiff).ops.every((o) => o.regionId === skiff.regionId)).toBe(true);
    expect(must(server.getPlan(skiff.id))?.fresh).toBe(true);
    expect(must(server.getPlan(punt.id))).toBeNull();
    expect(refusal(server.askForPlanOf(punt.id))).toBe("refused");
    expect(refusal(await server.makePlan(punt.id))).toBe("refused");
    expect(must(server.getBenchScreen(skiff.id)).tiles.map((t) => t.regionId)).toEqual([skiff.regionId]);
  });
  it("taken up again it is planned with the rest at once", async () => {
    const { skiff, punt } = await two();
    must(turn(punt, "resting"));
    must(turn(punt, "active"));
    expect(own(punt).length).toBeGreaterThan(0);
    expect(must(server.getPlan(skiff.id))?.fresh).toBe(true);
  });
  it("in mid-coat, the window of what lies on it is told with it", async () => {
    const { punt } = await two();
    // an etch shuts eight hours after it was laid
    const etch = must(server.addProduct(product("etch-green"))).id;
    const layers = [etch, primerId()].map((productId, n) => ({ ...LAYER, id: `Punt-e${n}`, productId, coats: 1 }));
    must(server.editNode("region", punt.regionId, 1, { material: "aluminium" }));
    const { stackRev } = must(server.getTree(punt.id))[0]!.regions[0]!;
    must(server.saveStack(punt.regionId, stackRev, { prep: [], layers }));
    must(server.startOp(punt.regionId, { opId: "Punt-e0:coat:1", reason: null }, logTitle, String));
    must(server.finishOp(punt.regionId, { ...DONE, opId: "Punt-e0:coat:1" }, logTitle));
    must(turn(punt, "resting"));
    const [window] = onBench(punt).windows;
    expect(window?.name).toBe("Deck");
    const hours = (window!.shutsMin - Date.UTC(2026, 2, 2, 19) / 60_000) / 60;
    expect(hours).toBeGreaterThan(4);
    expect(hours).toBeLessThan(24);
  });
  it("deleted, it leaves the plan; brought back, it is in it again", async () => {
    const { skiff, punt } = await two();
    must(server.deleteNode("model", punt.id));
    expect(planOf(skiff).ops.every((o) => o.regionId === skiff.regionId)).toBe(true);
    must(server.restoreNode("model", punt.id));
    expect(own(punt).length).toBeGreaterThan(0);
  });
  it("with none active there is nothing to plan, and that is said", async () => {
    const { skiff, punt } = await two();
    for (const m of [skiff, punt]) must(turn(m, "finished"));
    expect(refusal(server.getPlanInput())).toBe("refused");
    expect(must(server.getPlanScreen(skiff.id)).plan).toBeNull();
  });
  it("a state that is none is refused by its field", async () => {
    const { punt } = await two();
    expect(refusal(turn(punt, "asleep"))).toBe("invalid state");
  });
});

describe("trouble of one model", () => {
  it("keeps that one out and is told there; the others have their plan", async () => {
    const { skiff, punt } = await two();
    // a moment when nobody is at the bench
    must(say(punt, { locks: { "Punt-p:coat:1": iso(Date.UTC(2026, 2, 4, 3) / 60_000) } }));
    expect(answerOf(punt)?.outcome).toBe("conflict");
    expect(own(skiff).length).toBeGreaterThan(0);
    expect(planOf(skiff).ops.every((o) => o.regionId === skiff.regionId)).toBe(true);
    must(say(punt, { locks: {} }));
    expect(own(punt).length).toBeGreaterThan(0);
    expect(planOf(punt).aside).toBeUndefined();
  });
});

describe("what leaves the house", () => {
  it("is the model's own share", async () => {
    const { skiff, punt } = await two();
    const doc = JSON.parse(must(server.exportDocument(punt.id)));
    expect(doc.plan.steps.map((s: { opId: string }) => s.opId).sort()).toEqual(
      own(punt)
        .map((o) => o.id)
        .sort(),
    );
    const file = must(server.planCalendar(punt.id, (op) => op.id));
    expect(file).toContain("Punt-c:coat:2");
    expect(file).not.toContain("Skiff-c");
    const { input, places } = must(server.getPlanInput());
    expect(input.regions.map((r) => r.region.id)).toEqual([skiff.regionId, punt.regionId]);
    expect(Object.keys(places)).toHaveLength(planOf(skiff).ops.length);
  });
  it("names both models' parts where they are shown together", async () => {
    const { skiff } = await two();
    expect(must(server.getPlanScreen(skiff.id)).regions.map((r) => r.name)).toEqual(["Skiff: Deck", "Punt: Deck"]);
    expect(must(server.getBenchScreen(skiff.id)).tiles).toHaveLength(2);
  });
});
