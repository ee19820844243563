import { canonicalJson, NO_PLANNING, type Planning } from "@/contracts";
import type { PlanAnswer } from "@/core/plan";
import { logTitle } from "@/messages";
import { freshStore, must, refusal } from "../../tests/support/store";
import { product } from "../../tests/support/world";
import * as server from ".";

freshStore();

const LAYER = { coats: 1, heaviness: "light", wftUm: null, gapMin: null, before: [], sandAfter: null };
type Planned = Extract<PlanAnswer, { outcome: "planned" }>;

/** Two keyed parts under primer and colour. */
function bench() {
  const model = must(server.addModel({ name: "Skiff", scale: "1:12", note: "" })).id;
  const primer = must(server.addProduct(product("grey-primer"))).id;
  const colour = must(server.addProduct(product("estuary-blue"))).id;
  const parts = ["Deck", "Cabin"].map((name, i) => {
    const part = must(server.addPart(model, { name, count: 1, note: "" }));
    must(
      server.editNode("region", part.regionId, 0, { material: "petg", conditions: ["keyed", "clean"], areaCm2: 80 }),
    );
    const layers = [
      { ...LAYER, id: `p${i}`, productId: primer },
      { ...LAYER, id: `c${i}`, productId: colour },
    ];
    must(server.saveStack(part.regionId, 0, { prep: [], layers }));
    return part;
  });
  const putty = must(server.addProduct(product("fairing-putty"))).id;
  return { model, colour, putty, deck: parts[0]!, cabin: parts[1]! };
}
const planOf = (model: string): Planned => {
  const plan = must(server.getPlan(model));
  if (plan?.answer.outcome !== "planned") throw new Error(JSON.stringify(plan).slice(0, 300));
  return plan.answer;
};
const saidOf = (model: string) => must(server.getPlanScreen(model)).plannings[model]!;
const say = (model: string, edit: Partial<Planning>) => {
  const { planning, rev } = saidOf(model);
  return server.savePlanning(model, rev, { ...planning, ...edit });
};
const isoOf = (min: number) => new Date(min * 60_000).toISOString();

describe("what is said about a plan", () => {
  it("a pin is kept, plans anew, and is gone again when it is taken out", async () => {
    const b = bench();
    must(await server.makePlan(b.model));
    const op = planOf(b.model).ops.find((o) => o.id === "c1:coat:1")!;
    must(say(b.model, { locks: { [op.id]: isoOf(op.startMin) } }));
    expect(planOf(b.model).ops.find((o) => o.id === op.id)).toMatchObject({ locked: true, startMin: op.startMin });
    expect(planOf(b.model).moved).toEqual([]);
    must(say(b.model, { locks: {} }));
    expect(planOf(b.model).ops.find((o) => o.id === op.id)).toMatchObject({ locked: false });
  });
  it("two tabs do not overwrite each other", () => {
    const b = bench();
    must(server.savePlanning(b.model, 0, { ...NO_PLANNING, objective: "sessions" }));
    expect(refusal(server.savePlanning(b.model, 0, NO_PLANNING))).toBe("conflict");
    expect(saidOf(b.model).planning.objective).toBe("sessions");
  });
  it.each([
    ["a date in the past", { due: "2020-01-01" }, "invalid due"],
    ["a pin in the past", { locks: { "p0:coat:1": "2020-01-01T10:00:00Z" } }, "invalid locks.p0:coat:1"],
    ["an arrival in the past", { arrivals: { x: "2020-01-01" } }, "invalid arrivals.x"],
    ["minutes that are none", { minutes: { "p0:coat:1": 0 } }, "invalid minutes.p0:coat:1"],
    ["more rounds than anybody makes", { rounds: { r: 9 } }, "invalid rounds.r"],
    ["a batch of one", { batches: [["p0:coat:1"]] }, "invalid batches.0"],
    ["a date that is none", { due: "soon" }, "invalid due"],
  ])("%s is refused by its field, and nothing is kept", (_what, edit, told) => {
    const b = bench();
    expect(refusal(say(b.model, edit as Partial<Planning>))).toBe(told);
    expect(saidOf(b.model).planning).toEqual(NO_PLANNING);
  });
  it("rounds are filled with a putty of the shelf and nothing else, and that putty stays on the shelf", () => {
    const b = bench();
    const fills = (id: string) => say(b.model, { fills: { [b.deck.regionId]: id } });
    expect(refusal(fills(b.colour))).toBe(`invalid fills.${b.deck.regionId}`);
    must(fills(b.putty));
    expect(refusal(server.deleteProduct(b.putty))).toBe("in-use");
    must(say(b.model, { fills: {} }));
    must(server.deleteProduct(b.putty));
  });
  it("parts that go in a circle are refused with their names", async () => {
    const b = bench();
    const join = (partId: string, ontoId: string) => ({ partId, ontoId, when: "after-paint" as const });
    const circle = say(b.model, { joins: [join(b.deck.id, b.cabin.id), join(b.cabin.id, b.deck.id)] });
    expect(circle.ok ? "" : circle.problem.detail).toContain("Deck → Cabin → Deck");
    must(say(b.model, { joins: [join(b.deck.id, b.cabin.id)] }));
    must(await server.makePlan(b.model));
    expect(planOf(b.model).ops.at(-1)!.id).toBe(`${b.deck.id}:fit`);
    must(server.deleteNode("part", b.cabin.id));
    must(await server.makePlan(b.model));
    expect(planOf(b.model).ops.some((o) => o.kind === "fit")).toBe(false);
  });
  it("travels with the document, byte for byte, and under fresh ids with a copy", () => {
    const b = bench();
    must(
      say(b.model, {
        objective: "cleaning",
        minutes: { "p0:coat:1": 30, "p0~r1p:coat:1": 20 },
        rounds: { [b.deck.regionId]: 2 },
        fills: { [b.deck.regionId]: b.putty },
      }),
    );
    const text = must(server.exportDocument(b.model));
    expect(canonicalJson(JSON.parse(text).planning.minutes)).toContain("p0~r1p:coat:1");
    must(server.importText(text, { onExisting: "replace", takeShop: false }));
    expect(must(server.exportDocument(b.model))).toBe(text);
    const copy = must(server.importText(text, { onExisting: "copy", takeShop: false })).modelId;
    const { planning } = saidOf(copy);
    const layerId = must(server.getTree(copy))[0]!.regions[0]!.stack.layers[0]!.id;
    expect(planning.minutes).toEqual({ [`${layerId}:coat:1`]: 30, [`${layerId}~r1p:coat:1`]: 20 });
  });
});

describe("a timetable found elsewhere", () => {
  it("is laid, checked and kept like any other where no plan is in force", async () => {
    const b = bench();
    must(await server.takePlan(b.model, {}));
    expect(planOf(b.model).verified.early).toBe(0);
  });
  it("that ends a day later replaces nothing", async () => {
    const b = bench();
    must(await server.makePlan(b.model));
    const before = planOf(b.model);
    const starts = Object.fromEntries(before.ops.map((o) => [o.id, o.startMin + 1440]));
    expect(refusal(await server.takePlan(b.model, starts))).toBe("refused");
    expect(planOf(b.model)).toEqual(before);
  });
  it("nor does it replace one that is out of date by now, unless it is better than what that has become", async () => {
    const b = bench();
    must(await server.makePlan(b.model));
    const before = planOf(b.model);
    const starts = Object.fromEntries(before.ops.map((o) => [o.id, o.startMin + 1440]));
    const { rev, shop } = must(server.getShop());
    must(server.saveShop(rev, { air: { ...shop.air, rhPct: shop.air.rhPct + 1 } }));
    expect(must(server.getPlan(b.model))!.fresh).toBe(false);
    expect(refusal(await server.takePlan(b.model, starts))).toBe("refused");
    expect(planOf(b.model)).toEqual(before);
  });
  it("plans with the same figures as the server: products go to the worker by their best evidence", () => {
    bench();
    const { input } = must(server.getPlanInput());
    const item = must(server.getShelf())[0]!;
    const claimed = {
      ...item.product,
      claims: [{ figure: "sandableMin", value: 777, source: "own-coupon", note: "" }],
    };
    must(server.saveProduct(item.rev, claimed));
    const after = must(server.getPlanInput()).input.products.find((p) => p.id === item.product.id)!;
    expect(input.products.find((p) => p.id === item.product.id)!.label.sandableMin).not.toBe(777);
    expect(after.label.sandableMin).toBe(777);
  });
  it("nonsense is refused", async () => {
    const b = bench();
    expect(refusal(await server.takePlan(b.model, { "p0:coat:1": "noon" }))).toBe("invalid p0:coat:1");
    expect(refusal(await server.takePlan("nowhere", {}))).toBe("not-found");
  });
});

describe("rounds as they turn out", () => {
  it("nothing to fill ends them; more than hoped for adds one; the bench follows", async () => {
    const b = bench();
    must(await server.makePlan(b.model));
    const looks = () =>
      planOf(b.model).ops.filter((o) => o.kind === "inspect" && o.regionId === b.deck.regionId).length;
    expect(looks()).toBe(1);
    must(server.afterLook(b.deck.regionId, "p0~r1p:inspect", "more"));
    expect(looks()).toBe(2);
    must(server.afterLook(b.deck.regionId, "p0~r1p:inspect", "nothing"));
    expect(looks()).toBe(0);
    expect(refusal(server.afterLook(b.deck.regionId, "p0:coat:1", "more"))).toBe("not-found");
  });
  it("a round's work is logged like any other", () => {
    const b = bench();
    const tile = () => must(server.getBench(b.model)).tiles.find((t) => t.regionId === b.deck.regionId)!;
    must(server.startOp(b.deck.regionId, { opId: "p0:coat:1", reason: null }, logTitle, String));
    const done = { minutesAgo: 0, coats: null, wftUm: null, tempC: null, rhPct: null, note: "" };
    must(server.finishOp(b.deck.regionId, { ...done, opId: "p0:coat:1" }, logTitle));
    expect(tile().op!.id).toBe("p0~r1p:inspect");
    must(server.startOp(b.deck.regionId, { opId: "p0~r1p:inspect", reason: null }, logTitle, String));
    must(server.finishOp(b.deck.regionId, { ...done, opId: "p0~r1p:inspect" }, logTitle));
    expect(tile().op!.id).toBe("p0~r1p:coat:1");
    expect(must(server.getLog(b.model)).map((e) => e.title)).toContain(
      "Deck: Look for faults under raking light, round 1",
    );
  });
});

describe("an hour that comes twice", () => {
  it("a wait over the change of clocks keeps its minutes, and sessions keep their hour on the wall", async () => {
    const b = bench();
    const doc = JSON.parse(must(server.exportDocument(b.model)));
    const pattern = [1, 2, 3, 4, 5, 6, 7].map((weekday) => ({ weekday, from: "19:00", to: "21:30" }));
    const air = { kind: "steady", meanC: 18, swingC: 0, warmestHour: 15, rhPct: 50, airflowMS: 0.1, tonight: null };
    const plannedAt = async (now: string, timeZone: string) => {
      const document = { ...doc, shop: { ...doc.shop, timeZone, pattern, exceptions: [], air } };
      const { answer } = must(await server.planDocument({ document, now }));
      if (answer.outcome !== "planned") throw new Error(answer.outcome);
      return answer;
    };
    // London sets its clocks back in the night to Sunday 25 October 2026
    const change = await plannedAt("2026-10-24T17:00:00Z", "Europe/London");
    const plain = await plannedAt("2026-10-24T18:00:00Z", "UTC");
    const hours = (a: Planned) => a.ops.map((o) => new Date(o.startMin * 60_000).getUTCHours());
    expect(hours(change)[0]).toBe(18);
    const sunday = change.ops.filter((o) => o.startMin * 60_000 > Date.parse("2026-10-25T02:00:00Z"));
    for (const o of sunday) expect(new Date(o.startMin * 60_000).getUTCHours()).toBeGreaterThanOrEqual(19);
    const waitOf = (a: Planned, id: string) => {
      const { wait } = a.ops.find((o) => o.id === id)!;
      return wait!.likelyMin - wait!.fromMin;
    };
    for (const id of ["p0~r1p:coat:1", "c0:coat:1"]) expect(waitOf(change, id)).toBeCloseTo(waitOf(plain, id), 0);
  });
});
