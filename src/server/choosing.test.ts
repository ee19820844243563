import * as server from "@/server";
import { DEMO_PARTS } from "@/server/demo/model";
import { freshStore, must, refusal } from "../../tests/support/store";

freshStore();
const WINCH = "ml-winch-all";
const FENDERS = "ml-fenders-all";
const MODEL = "marram-lass";
beforeEach(() => void must(server.loadDemo(true)));

const judged = (regionId: string) => must(server.getJudged(MODEL)).find((r) => r.node.region.id === regionId)!;
const worst = (regionId: string) => {
  const { answer } = judged(regionId);
  return answer.outcome === "judged" ? answer.worst : answer.outcome;
};
const node = (regionId: string) => judged(regionId).node;
const view = (id: string) => must(server.getCoupons(MODEL)).coupons.find((c) => c.card.id === id)!;
const told = (over: object = {}) => ({
  result: "pass",
  score: 4,
  throughCured: true,
  tapeTested: true,
  note: "",
  photo: null,
  ...over,
});

describe("coupons", () => {
  const planned = () => must(server.planCoupon(WINCH, 1)).ids[0]!;
  it("copy material and the first layers, and are due once those are through cured", () => {
    const { card } = view(planned());
    const { region, stack } = node(WINCH);
    expect(card.material).toBe(region.material);
    expect(card.layers.map((l) => l.productId)).toEqual([stack.layers[0]!.productId]);
    const days = (Date.parse(card.dueAt) - server.nowMs()) / 86_400_000;
    // the label says 3 days at 20 °C; the demo's shed is colder
    expect(days).toBeGreaterThan(3);
    expect(days).toBeLessThan(9);
  });
  it("lift a test to a care only once cured and taped, and only for what they cover", () => {
    const id = planned();
    expect(worst(WINCH)).toBe("test");
    must(server.couponTested(id, 0, told({ tapeTested: false })));
    expect(worst(WINCH)).toBe("test");
    must(server.couponTested(id, 1, told()));
    const { answer } = judged(WINCH);
    const first = answer.outcome === "judged" ? answer.verdicts.find((v) => v.rule === "old-unknown-mild") : null;
    expect(first).toMatchObject({ verdict: "care", evidence: "own-coupon" });
    // the second layer was not on the scrap
    expect(worst(WINCH)).toBe("test");
    expect(view(id).speaksFor).toEqual([WINCH]);
  });
  it("a fail is a stop there, keeps the part out of the plan, and a void one says nothing", async () => {
    const id = planned();
    must(server.couponTested(id, 0, told({ result: "fail" })));
    expect(worst(WINCH)).toBe("stop");
    must(await server.makePlan(MODEL));
    // the rest of the bench is planned; the part with the stop is named
    expect(must(server.getPlan(MODEL))!.answer.notices).toContainEqual(
      expect.objectContaining({ kind: "stopped", regionId: WINCH, code: "coupon-failed" }),
    );
    must(server.couponTested(id, 1, told({ result: "void" })));
    expect(worst(WINCH)).toBe("test");
  });
  it.each([
    ["what melted counts at once, without tape", { result: "fail", throughCured: false, tapeTested: false }, true],
    ["a film torn off by tape while soft is provisional", { result: "fail", throughCured: false }, false],
    ["a fail of a cured film counts", { result: "fail" }, true],
    ["an early pass is provisional", { throughCured: false }, false],
    ["a pass nobody taped is provisional", { tapeTested: false }, false],
    ["a void one never counts", { result: "void" }, false],
  ])("%s", (_what, over, counts) => {
    const id = planned();
    must(server.couponTested(id, 0, told(over)));
    expect(view(id).counts).toBe(counts);
    expect(worst(WINCH)).toBe(counts ? "stop" : "test");
  });
  it("a void one puts its repeat on the list, once, untested and of the same layers", () => {
    const id = planned();
    const { repeat } = must(server.couponTested(id, 0, told({ result: "void" })));
    const again = view(repeat!).card;
    expect(again).toMatchObject({ layers: view(id).card.layers, result: null, madeAt: null, throughCured: false });
    expect(again.name).toBe(`${view(id).card.name}, again`);
    // said again it makes no second one
    expect(must(server.couponTested(id, 1, told({ result: "void", note: "dust" }))).repeat).toBeNull();
  });
  it("several at once: one product each over the same layers of the same scrap", () => {
    const products = ["grey-primer", "build-primer"];
    const asked = { regionId: WINCH, upTo: 1, productIds: products, coats: 3, heaviness: "mist" };
    const { ids } = must(server.planTrials(asked));
    const cards = ids.map((id) => view(id).card);
    expect(cards.map((c) => c.layers.map((l) => l.productId))).toEqual(
      products.map((p) => [node(WINCH).stack.layers[0]!.productId, p]),
    );
    for (const c of cards) expect(c.layers[1]).toMatchObject({ coats: 3, heaviness: "mist", gapMin: null });
    expect(new Set(cards.map((c) => c.name)).size).toBe(2);
    // on the bare material just as well
    const bare = must(server.planTrials({ ...asked, upTo: 0, productIds: ["grey-primer"] })).ids;
    expect(view(bare[0]!).card.layers).toHaveLength(1);
  });
  it.each([
    ["nothing to try", { upTo: 0 }, "invalid productIds"],
    ["the same twice", { productIds: ["grey-primer", "grey-primer"] }, "invalid productIds"],
    ["no coats", { coats: 0 }, "invalid coats"],
    ["a product nobody has", { productIds: ["nope"] }, "not-found"],
    ["a region that is none", { regionId: "nope" }, "not-found"],
  ])("%s is refused", (_what, over, want) => {
    const ask = { regionId: WINCH, upTo: 1, productIds: [], coats: 1, heaviness: "light", ...over };
    expect(refusal(server.planTrials(ask))).toBe(want);
  });
  it("deleted it is silent, put back it speaks again", () => {
    const id = planned();
    must(server.couponTested(id, 0, told({ result: "fail" })));
    must(server.deleteCoupon(id));
    expect(worst(WINCH)).toBe("test");
    must(server.restoreCoupon(id));
    expect(worst(WINCH)).toBe("stop");
  });
  it.each([
    ["a score of eleven", { score: 11 }, "invalid score"],
    ["a result nobody knows", { result: "fine" }, "invalid result"],
    ["a photo that is no name", { photo: "me.jpg" }, "invalid photo"],
  ])("%s is refused by its field", (_what, over, want) =>
    expect(refusal(server.couponTested(planned(), 0, told(over)))).toBe(want),
  );
  it("a stale revision, a region without a material, a stack without layers", () => {
    const id = planned();
    must(server.couponMade(id, 0));
    expect(refusal(server.couponMade(id, 0))).toBe("conflict");
    expect(refusal(server.planCoupon("ml-house-panes", 9))).toBe("refused");
    const winch = node(WINCH);
    must(server.editNode("region", WINCH, winch.rev, { material: "unknown" }));
    expect(refusal(server.planCoupon(WINCH, 9))).toBe("refused");
  });
});

describe("finding stacks for a region", () => {
  const ask = (over: object = {}, want: object = {}) => ({
    wayId: "show",
    want: { until: "colour", colourId: null, sheen: null, onlyOwned: true, allowTests: false, ...want },
    ...over,
  });
  it("lists the cheapest first, judges the pile as it stands by the same measure, and lists it when adopted", async () => {
    const found = must(await server.findStacks(FENDERS, ask()));
    if (found.outcome !== "found") throw new Error("nothing found");
    const costs = found.best.map((f) => f.cost);
    expect([...costs].sort((a, b) => a - b)).toEqual(costs);
    expect(found.asItStands?.outcome).toMatch(/dearer|best/);
    const { stack } = found.best[0]!;
    const layers = stack.layers.map((l, i) => ({ ...l, id: `n${i}` }));
    must(server.saveStack(FENDERS, node(FENDERS).stackRev, { prep: stack.prep, layers }));
    const again = must(await server.findStacks(FENDERS, ask()));
    expect(again.outcome === "found" && again.asItStands?.outcome).toBe("best");
  });
  it("goes through every region of the demo without offering a stop or, unasked, a trial", async () => {
    for (const region of DEMO_PARTS.flatMap((p) => p.regions)) {
      const found = must(await server.findStacks(region.id, ask()));
      if (found.outcome === "none") expect(found.reasons.length).toBeGreaterThan(0);
      else for (const f of found.best) expect(["ok", "care"]).toContain(f.worst);
    }
  });
  it("a colour stands on a primer unless the face is hidden", async () => {
    const found = must(await server.findStacks("ml-hull-topsides", ask({}, { colourId: "estuary-blue" })));
    if (found.outcome !== "found") throw new Error("nothing found");
    const shelf = new Map(must(server.getShelf()).map((i) => [i.product.id, i.product]));
    for (const f of found.best) expect(shelf.get(f.stack.layers[0]!.productId)!.role).not.toBe("colour");
  });
  it("isocyanate stays out until air-fed protection and extraction are declared", async () => {
    const why = async () =>
      must(await server.whyNotProduct("ml-keel-all", ask({}, { until: "clear" }), "two-pack-gloss"));
    expect(await why()).toMatchObject({ outcome: "never", reasons: [{ kind: "hazard" }] });
    const shop = must(server.getShop());
    must(server.saveShop(shop.rev, { protection: [...shop.shop.protection, "air-fed"] }));
    expect(await why()).not.toMatchObject({ reasons: [{ kind: "hazard" }] });
  });
  it("a way of working nobody knows, a want that is none", async () => {
    expect(refusal(await server.findStacks(FENDERS, ask({ wayId: "fast" })))).toBe("not-found");
    expect(refusal(await server.findStacks(FENDERS, ask({}, { until: "gold" })))).toBe("invalid want.until");
  });
});

describe("ways of working", () => {
  const copy = (over: object = {}) => ({ ...must(server.getWays()).ways[0]!, id: "", name: "Mine", ...over });
  it("are copied, chosen, changed and deleted; the ready-made stay as they are", () => {
    const { id } = must(server.saveWay(copy()));
    expect(must(server.getWays())).toMatchObject({ chosenId: id, ownIds: [id] });
    must(server.saveWay({ ...copy(), id, name: "Mine, slower" }));
    expect(must(server.getWays()).ways.map((w) => w.name)).toContain("Mine, slower");
    must(server.deleteWay(id));
    expect(must(server.getWays())).toMatchObject({ chosenId: "show", ownIds: [] });
    expect(refusal(server.saveWay({ ...copy(), id: "show" }))).toBe("refused");
  });
  it("a weight below nought is refused by name", () =>
    expect(refusal(server.saveWay(copy({ weights: { ...copy().weights, gram: -1 } })))).toBe("invalid weights.gram"));
});

describe("a stack copied to other regions", () => {
  it("goes to all of them or none, keeps their own preparation, and can be put back", () => {
    const from = node("ml-deck-planks");
    const [anchor, fenders] = [node("ml-anchor-all"), node(FENDERS)];
    const target = (n: typeof anchor) => ({ regionId: n.region.id, stackRev: n.stackRev });
    expect(refusal(server.copyStack(from.region.id, [target(anchor), { regionId: FENDERS, stackRev: 99 }]))).toBe(
      "conflict",
    );
    expect(node("ml-anchor-all").stack).toEqual(anchor.stack);
    const after = must(server.copyStack(from.region.id, [target(anchor), target(fenders)]));
    const names = (id: string) => node(id).stack.layers.map((l) => l.productId);
    expect(names("ml-anchor-all")).toEqual(from.stack.layers.map((l) => l.productId));
    expect(node("ml-anchor-all").stack.prep).toEqual(anchor.stack.prep);
    must(
      server.copyStack(
        null,
        after.map((t, i) => ({ ...t, stack: [anchor, fenders][i]!.stack })),
      ),
    );
    expect(node("ml-anchor-all").stack).toEqual(anchor.stack);
    expect(node(FENDERS).stack).toEqual(fenders.stack);
  });
});
