import { existsSync } from "node:fs";
import { join } from "node:path";
import type { Product } from "@/core/model";
import { logTitle } from "@/messages";
import { freshStore, must, refusal } from "../../tests/support/store";
import { product } from "../../tests/support/world";
import * as server from ".";

freshStore();

const LAYER = { coats: 1, heaviness: "light", wftUm: null, gapMin: null, before: [], sandAfter: null };
const layerOf = (id: string, productId: string, over: object = {}) => ({ ...LAYER, id, productId, ...over });

/** A model with one keyed PETG part and two products on the shelf. */
function bench() {
  const model = must(server.addModel({ name: "Skiff", scale: "1:12", note: "" })).id;
  const part = must(server.addPart(model, { name: "Deck", count: 1, note: "" }));
  const primer = must(server.addProduct(product("water-primer"))).id;
  const strong = must(server.addProduct(product("grey-primer"))).id;
  must(server.editNode("region", part.regionId, 0, { material: "petg", conditions: ["keyed"], areaCm2: 80 }));
  return { model, part: part.id, region: part.regionId, primer, strong };
}
const stackOf = (id: string) =>
  must(server.getTree(must(server.getModels()).current!.id))
    .flatMap((p) => p.regions)
    .find((r) => r.region.id === id)!;

describe("parts", () => {
  it("a new part comes with a region; a first material brings the preparation it needs", () => {
    const b = bench();
    const [part] = must(server.getTree(b.model));
    expect(part).toMatchObject({
      name: "Deck",
      regions: [{ region: { material: "petg", areaCm2: 80 }, stack: { prep: ["trim", "wash", "dust-off"] } }],
    });
  });
  it("impossible values name their field and change nothing", () => {
    const b = bench();
    expect(refusal(server.editNode("region", b.region, 1, { areaCm2: -3 }))).toBe("invalid areaCm2");
    expect(refusal(server.addPart(b.model, { name: "", count: 1, note: "" }))).toBe("invalid name");
    expect(refusal(server.addPart("nowhere", { name: "x", count: 1, note: "" }))).toBe("not-found");
    expect(stackOf(b.region)).toMatchObject({ region: { areaCm2: 80 }, rev: 1 });
  });
  it("two tabs do not overwrite each other", () => {
    const b = bench();
    must(server.editNode("region", b.region, 1, { areaCm2: 100 }));
    expect(refusal(server.editNode("region", b.region, 1, { areaCm2: 5 }))).toBe("conflict");
    expect(stackOf(b.region).region.areaCm2).toBe(100);
    const saved = must(server.saveStack(b.region, 0, { prep: [], layers: [layerOf("y1", b.primer)] }));
    expect(refusal(server.saveStack(b.region, 0, { prep: [], layers: [] }))).toBe("conflict");
    expect(must(server.saveStack(b.region, saved.rev, { prep: [], layers: [] })).rev).toBe(2);
  });
  it("what is deleted comes back whole", () => {
    const b = bench();
    must(server.saveStack(b.region, 0, { prep: ["key"], layers: [layerOf("y1", b.primer, { coats: 3 })] }));
    const before = must(server.getTree(b.model));
    must(server.deleteNode("part", b.part));
    expect(must(server.getTree(b.model))).toEqual([]);
    must(server.restoreNode("part", b.part));
    expect(must(server.getTree(b.model))).toEqual(before);
  });
});

describe("zones of a face", () => {
  const zone = (name: string, share = 0.2) => ({ name, share, ridgeUm: 120, fillDepthUm: null, fillWidthUm: null });
  it.each<[string, object[], string]>([
    ["together more than the face", [zone("dome", 0.7), zone("lid", 0.4)], "invalid zones.1.share"],
    ["two of one name", [zone("dome"), zone("dome")], "invalid zones.1.name"],
    ["a share of nothing", [zone("dome", 0)], "invalid zones.0.share"],
    ["ridges of a metre", [{ ...zone("dome"), ridgeUm: 1e6 }], "invalid zones.0.ridgeUm"],
    ["no name", [zone("")], "invalid zones.0.name"],
  ])("%s are refused by their field", (_, zones, told) => {
    const b = bench();
    const rev = must(server.getTree(b.model))[0]!.regions[0]!.rev;
    expect(refusal(server.editNode("region", b.region, rev, { zones }))).toBe(told);
    expect(must(server.getTree(b.model))[0]!.regions[0]!.region.zones).toBeUndefined();
  });
  it("a layer stays on its zone when that is called something else, and all of it travels in the document", () => {
    const b = bench();
    const node = () => must(server.getTree(b.model))[0]!.regions[0]!;
    must(server.editNode("region", b.region, node().rev, { zones: [zone("dome"), zone("lid", 0.1)] }));
    const layers = [{ ...layerOf("y1", b.primer), places: ["dome"] }, layerOf("y2", b.primer)];
    must(server.saveStack(b.region, node().stackRev, { prep: [], layers }));
    must(server.editNode("region", b.region, node().rev, { zones: [zone("cupola"), zone("lid", 0.1)] }));
    expect(node().stack.layers.map((l) => l.places)).toEqual([["cupola"], undefined]);
    const text = must(server.exportDocument(b.model));
    must(server.importText(text, { onExisting: "replace", takeShop: false }));
    expect(must(server.exportDocument(b.model))).toBe(text);
    expect(node().region.zones).toEqual([zone("cupola"), zone("lid", 0.1)]);
  });
});

describe("shelf", () => {
  it("a product in use is not taken away", () => {
    const b = bench();
    must(server.saveStack(b.region, 0, { prep: [], layers: [layerOf("y1", b.primer)] }));
    expect(refusal(server.deleteProduct(b.primer))).toBe("in-use");
    must(server.deleteProduct(b.strong));
    expect(must(server.getShelf()).map((i) => i.product.id)).toEqual([b.primer]);
    must(server.restoreProduct(b.strong));
    expect(must(server.getShelf())).toHaveLength(2);
  });
  it("an edit over somebody else's is refused", () => {
    const b = bench();
    const edited = { ...product("water-primer"), id: b.primer, name: "Water primer, opened" };
    expect(must(server.saveProduct(0, edited)).rev).toBe(1);
    expect(refusal(server.saveProduct(0, edited))).toBe("conflict");
    expect(refusal(server.saveProduct(1, { ...edited, volumeSolids: 3 }))).toBe("invalid volumeSolids");
  });
});

describe("stacks", () => {
  it("a layer must be of the shelf, and everything it names must be able to do it", () => {
    const b = bench();
    expect(refusal(server.saveStack(b.region, 0, { prep: [], layers: [layerOf("y1", "nothing")] }))).toBe(
      "invalid layers.0.productId",
    );
    const made = (role: Product["role"]) => must(server.addProduct({ ...product("water-primer"), role })).id;
    const [thinner, paper, tape] = [made("thinner"), made("abrasive"), made("masking")];
    const refused = (over: object, stack: object = {}) =>
      refusal(server.saveStack(b.region, 0, { prep: [], layers: [{ ...layerOf("y1", b.primer), ...over }], ...stack }));
    const taped = (productId: string) => ({ tack: "low", productId, onMin: null, offMin: null });
    expect(refused({ productId: paper })).toBe("invalid layers.0.productId");
    expect(refused({ thinnerId: b.primer })).toBe("invalid layers.0.thinnerId");
    expect(refused({ thinRatio: "two to one" })).toBe("invalid layers.0.thinRatio");
    expect(refused({ mixUsed: "half" })).toBe("invalid layers.0.mixUsed");
    expect(refused({ mixedWithId: thinner })).toBe("invalid layers.0.mixedWithId");
    expect(refused({ before: ["wipe"], beforeWith: { wipe: b.primer } })).toBe("invalid layers.0.beforeWith.wipe");
    expect(refused({ before: ["scuff"], beforeWith: { scuff: thinner } })).toContain("invalid layers.0.beforeWith");
    expect(refused({ tape: taped(thinner) })).toBe("invalid layers.0.tape.productId");
    expect(refused({}, { prep: ["wash"], prepWith: { wash: "nothing" } })).toBe("invalid prepWith.wash");
    const whole = {
      prep: ["wash", "wipe"] as const,
      prepWith: { wipe: thinner },
      layers: [
        {
          ...layerOf("y1", b.primer),
          thinnerId: thinner,
          thinRatio: "2:1",
          before: ["wipe" as const],
          beforeWith: { wipe: thinner },
          tape: taped(tape),
          sandAfter: { grit: 400, wet: false, takesUm: 8, further: [{ grit: 800, wet: true }] },
        },
      ],
    };
    must(server.saveStack(b.region, 0, whole));
    expect(stackOf(b.region).stack).toMatchObject(whole);
  });
  it("a remedy is carried out where its verdict stands", () => {
    const b = bench();
    must(server.editNode("region", b.region, 1, { conditions: [] }));
    must(server.saveStack(b.region, 0, { prep: [], layers: [layerOf("y1", b.primer)] }));
    must(server.carryOut(b.region, 1, `slick-unkeyed-visible@region:y1=${b.primer}`, 0));
    expect(stackOf(b.region).stack.prep).toEqual(["key"]);
    expect(refusal(server.carryOut(b.region, 2, `slick-unkeyed-visible@region:y1=${b.primer}`, 0))).toBe("not-found");
  });
});

describe("stops", () => {
  function stopped() {
    const b = bench();
    must(server.editNode("region", b.region, 1, { material: "xps", conditions: [] }));
    must(server.saveStack(b.region, 0, { prep: [], layers: [layerOf("y1", b.strong)] }));
    return b;
  }
  const keyOf = (b: { strong: string }, rule = "bare-bite-stop") => `${rule}@region:y1=${b.strong}`;
  it("refuse plan and bench alike until a reason is written", async () => {
    const b = stopped();
    expect(must(await server.makePlan(b.model)).outcome).toBe("refused");
    expect(refusal(server.startOp(b.region, { opId: "y1:coat:1", reason: null }, logTitle, String))).toBe("refused");
    expect(refusal(server.overrideVerdict(b.region, keyOf(b), " "))).toBe("invalid reason");
    must(server.overrideVerdict(b.region, keyOf(b), "the scrap took three mist coats"));
    expect(must(await server.makePlan(b.model))).toMatchObject({
      outcome: "planned",
      overrides: [{ reason: "the scrap took three mist coats" }],
    });
    expect(must(server.startOp(b.region, { opId: "y1:coat:1", reason: null }, logTitle, String)).override).toBe(
      "the scrap took three mist coats",
    );
  });
  it("a reason can be withdrawn, and is not taken for what is no stop", async () => {
    const b = stopped();
    expect(refusal(server.overrideVerdict(b.region, keyOf(b, "foam-propellant"), "no"))).toBe("invalid reason");
    expect(refusal(server.overrideVerdict(b.region, keyOf(b, "foam-propellant"), "why not"))).toBe("refused");
    must(server.overrideVerdict(b.region, keyOf(b), "the scrap took it"));
    must(server.overrideVerdict(b.region, keyOf(b), null));
    expect(must(await server.makePlan(b.model)).outcome).toBe("refused");
  });
  it("a safety stop takes no reason", async () => {
    const b = bench();
    const iso = must(server.addProduct(product("two-pack-gloss"))).id;
    must(server.saveStack(b.region, 0, { prep: [], layers: [layerOf("y1", b.primer), layerOf("y2", iso)] }));
    expect(refusal(server.overrideVerdict(b.region, `isocyanate-sprayed@layer:y2=${iso}`, "I hold my breath"))).toBe(
      "refused",
    );
    expect(must(await server.makePlan(b.model))).toMatchObject({
      outcome: "refused",
      stops: [{ verdict: { kind: "safety" } }],
    });
  });
});

describe("devices of the network", () => {
  it("looking makes no file; without a door there is no link, and nobody to rename or shut out", () => {
    expect(must(server.getDevices())).toEqual({ doorUrl: null, devices: [] });
    expect(refusal(server.newPairLink())).toBe("refused");
    expect(existsSync(join(process.env.ELM_BENCH_DATA!, "elm-bench-devices.db"))).toBe(false);
    expect(refusal(server.removeDevice("nobody"))).toBe("not-found");
    expect(refusal(server.renameDevice({ id: "nobody", name: "  " }))).toBe("invalid name");
  });
});

describe("the bench", () => {
  const DONE = { minutesAgo: 0, coats: null, wftUm: null, tempC: null, rhPct: null, note: "" };
  async function working() {
    const b = bench();
    must(server.saveStack(b.region, 0, { prep: ["key"], layers: [layerOf("y1", b.primer, { coats: 2 })] }));
    must(await server.makePlan(b.model));
    return b;
  }
  const tile = (model: string) => must(server.getBench(model)).tiles[0]!;
  const item = (id: string) => must(server.getShelf()).find((i) => i.product.id === id)!;
  it("takes one step after the other and logs each with its air", async () => {
    const b = await working();
    expect(refusal(server.startOp(b.region, { opId: "y1:coat:1", reason: null }, logTitle, String))).toBe("conflict");
    must(server.startOp(b.region, { opId: `${b.region}:prep:key`, reason: null }, logTitle, String));
    expect(tile(b.model)).toMatchObject({ zone: "in-hand" });
    must(server.finishOp(b.region, { ...DONE, opId: `${b.region}:prep:key` }, logTitle));
    must(server.startOp(b.region, { opId: "y1:coat:1", reason: null }, logTitle, String));
    must(
      server.finishOp(b.region, { ...DONE, opId: "y1:coat:1", wftUm: 80, tempC: 9.5, note: "ran a little" }, logTitle),
    );
    expect(tile(b.model)).toMatchObject({ zone: "drying", op: { id: "y1:coat:2" } });
    expect(must(server.getLog(b.model)).at(-1)).toMatchObject({
      kind: "done",
      title: "Deck: Water primer, pale grey, coat 1 of 2",
      coats: 1,
      wftUm: 80,
      air: { tempC: 9.5, source: "read" },
      note: "ran a little",
    });
  });
  it("what a phone did out of reach stands at its own time, in order, and never before what the part has behind it", async () => {
    const b = await working();
    const now = Date.now();
    const clock = jest.spyOn(Date, "now").mockReturnValue(now + 2 * 3600_000);
    const key = `${b.region}:prep:key`;
    const start = (opId: string, minutesAgo: number) =>
      server.startOp(b.region, { opId, reason: null, minutesAgo }, logTitle, String);
    expect(refusal(start(key, -1))).toBe("invalid minutesAgo");
    must(start(key, 90));
    must(server.finishOp(b.region, { ...DONE, opId: key, minutesAgo: 80 }, logTitle));
    must(start("y1:coat:1", 85));
    const ago = must(server.getLog(b.model)).map((e) => Math.round((server.nowMs() - Date.parse(e.at)) / 60_000));
    expect(ago).toEqual([90, 80, 80]);
    clock.mockRestore();
  });
  it("“not yet” is logged and moves the wait and the plan", async () => {
    const b = await working();
    must(server.startOp(b.region, { opId: `${b.region}:prep:key`, reason: null }, logTitle, String));
    must(server.finishOp(b.region, { ...DONE, opId: `${b.region}:prep:key` }, logTitle));
    must(server.startOp(b.region, { opId: "y1:coat:1", reason: null }, logTitle, String));
    must(server.finishOp(b.region, { ...DONE, opId: "y1:coat:1" }, logTitle));
    const before = tile(b.model).wait!.likelyMin;
    // looked at long after it should have been dry
    jest.spyOn(Date, "now").mockReturnValue(Date.now() + 3 * 3600_000);
    must(server.notYet(b.region, { opId: "y1:coat:2", sign: "tacky", note: "" }, logTitle));
    expect(tile(b.model).wait!.likelyMin).toBeGreaterThan(before + 170);
    jest.restoreAllMocks();
  });
  it("a plan whose work is overdue is out of date without anybody having changed anything", async () => {
    const b = await working();
    const fresh = () => must(server.getPlan(b.model))!.fresh;
    expect(fresh()).toBe(true);
    const clock = jest.spyOn(Date, "now").mockReturnValue(Date.now() + 26 * 3600_000);
    expect(fresh()).toBe(false);
    must(await server.makePlan(b.model));
    expect(fresh()).toBe(true);
    clock.mockRestore();
  });
  it("the last thing done can be unsaid; the log keeps both", async () => {
    const b = await working();
    must(server.startOp(b.region, { opId: `${b.region}:prep:key`, reason: null }, logTitle, String));
    must(server.finishOp(b.region, { ...DONE, opId: `${b.region}:prep:key` }, logTitle));
    must(server.takeBack(b.region, `${b.region}:prep:key`));
    expect(tile(b.model).zone).toBe("in-hand");
    must(server.takeBack(b.region, `${b.region}:prep:key`));
    expect(tile(b.model)).toMatchObject({ zone: "ready", op: { id: `${b.region}:prep:key` } });
    expect(must(server.getLog(b.model)).map((e) => e.kind)).toEqual(["started", "done", "taken-back", "taken-back"]);
  });
  it("a coat leaves its can, and taken back it is in it again", async () => {
    const b = await working();
    const left = () => item(b.primer).product.leftMl;
    const first = left()!;
    must(server.startOp(b.region, { opId: `${b.region}:prep:key`, reason: null }, logTitle, String));
    must(server.finishOp(b.region, { ...DONE, opId: `${b.region}:prep:key` }, logTitle));
    expect(left()).toBe(first);
    must(server.startOp(b.region, { opId: "y1:coat:1", reason: null }, logTitle, String));
    const { used } = must(server.finishOp(b.region, { ...DONE, opId: "y1:coat:1", coats: 2, wftUm: 50 }, logTitle));
    // 80 cm² × 50 µm × 2 coats = 0.8 ml on the part, 0.4 of it lands
    expect(used).toEqual({ productId: b.primer, ml: 2 });
    expect(left()).toBeCloseTo(first - used!.ml, 6);
    must(server.takeBack(b.region, "y1:coat:1"));
    expect(left()).toBe(first);
  });
  it("what was nearly empty gives what it held, and gets just that back", async () => {
    const b = await working();
    const { product, rev } = item(b.primer);
    must(server.saveProduct(rev, { ...product, leftMl: 1 }));
    must(server.startOp(b.region, { opId: `${b.region}:prep:key`, reason: null }, logTitle, String));
    must(server.finishOp(b.region, { ...DONE, opId: `${b.region}:prep:key` }, logTitle));
    must(server.startOp(b.region, { opId: "y1:coat:1", reason: null }, logTitle, String));
    expect(must(server.finishOp(b.region, { ...DONE, opId: "y1:coat:1", coats: 2 }, logTitle)).used?.ml).toBe(1);
    must(server.takeBack(b.region, "y1:coat:1"));
    expect(item(b.primer).product.leftMl).toBe(1);
  });
  it("more coats than are left, or a finish in the future, are refused at the field", async () => {
    const b = await working();
    must(server.startOp(b.region, { opId: `${b.region}:prep:key`, reason: null }, logTitle, String));
    must(server.finishOp(b.region, { ...DONE, opId: `${b.region}:prep:key` }, logTitle));
    must(server.startOp(b.region, { opId: "y1:coat:1", reason: null }, logTitle, String));
    expect(refusal(server.finishOp(b.region, { ...DONE, opId: "y1:coat:1", coats: 3 }, logTitle))).toBe(
      "invalid coats",
    );
    expect(refusal(server.finishOp(b.region, { ...DONE, opId: "y1:coat:1", minutesAgo: -1 }, logTitle))).toBe(
      "invalid minutesAgo",
    );
    must(server.finishOp(b.region, { ...DONE, opId: "y1:coat:1", coats: 2 }, logTitle));
    expect(tile(b.model)).toMatchObject({ zone: "finished", done: 2, of: 2 });
  });
});

describe("the shed", () => {
  const at = (iso: string) => Date.parse(iso) / 60_000;
  it("keeps its sessions at the same wall-clock time when the clocks change", () => {
    const shop = {
      ...must(server.getShop()).shop,
      timeZone: "Europe/London",
      pattern: [6, 7, 1].map((weekday) => ({ weekday, from: "19:00", to: "21:30" })),
      exceptions: [],
    };
    const starts = server
      .benchSessions(shop, at("2026-03-28T00:00:00Z"), at("2026-03-31T00:00:00Z"))
      .map((s) => new Date(s.startMin * 60_000).toISOString());
    expect(starts).toEqual(["2026-03-28T19:00:00.000Z", "2026-03-29T18:00:00.000Z", "2026-03-30T18:00:00.000Z"]);
  });
  it("asked late in the evening before the clocks go forward it still finds the next day", () => {
    const shop = {
      ...must(server.getShop()).shop,
      timeZone: "Europe/London",
      pattern: [{ weekday: 7, from: "10:00", to: "12:00" }],
      exceptions: [],
    };
    expect(server.benchSessions(shop, at("2026-03-28T23:30:00Z"), at("2026-03-29T23:00:00Z"))).toHaveLength(1);
  });
  it("a day that differs replaces the pattern, and none means none", () => {
    const shop = {
      ...must(server.getShop()).shop,
      timeZone: "UTC",
      pattern: [{ weekday: 1, from: "19:00", to: "21:00" }],
      exceptions: [
        { date: "2026-03-02", spans: [] },
        { date: "2026-03-03", spans: [{ from: "08:00", to: "09:00" }] },
      ],
    };
    expect(server.benchSessions(shop, at("2026-03-02T00:00:00Z"), at("2026-03-09T00:00:00Z"))).toEqual([
      { startMin: at("2026-03-03T08:00:00Z"), endMin: at("2026-03-03T09:00:00Z") },
    ]);
  });
  it("settings are guarded like everything else", () => {
    const { rev } = must(server.getShop());
    must(server.saveShop(rev, { caution: "safe" }));
    expect(refusal(server.saveShop(rev, { caution: "likely" }))).toBe("conflict");
    expect(refusal(server.saveShop(rev + 1, { timeZone: "Nowhere" }))).toBe("invalid timeZone");
    expect(must(server.getShop()).shop.caution).toBe("safe");
  });
});

describe("one part and what there is to put on it", () => {
  const ask = { name: "Hatch", material: "petg", finish: "seen", jars: ["filler-primer-aerosol", "lacquer-spray"] };
  it("from nothing: a model, a part with its preparation, the kinds on the shelf", () => {
    const { regionId } = must(server.beginWith(ask));
    expect(stackOf(regionId)).toMatchObject({
      region: { material: "petg" },
      stack: { prep: ["trim", "wash", "key", "dust-off"] },
    });
    expect(must(server.getShelf()).map((i) => i.product.jar)).toEqual(ask.jars);
    expect(must(server.getModels()).current).toMatchObject({ name: "My model" });
  });
  it("a second part comes to the same model, and no kind is put on the shelf twice", () => {
    must(server.beginWith(ask));
    must(server.beginWith({ ...ask, name: "Lid", jars: ["lacquer-spray", "stopper"] }));
    expect(must(server.getModels()).models).toHaveLength(1);
    expect(must(server.getShelf()).map((i) => i.product.jar)).toEqual([...ask.jars, "stopper"]);
    must(server.beginWith({ ...ask, name: "Third", jars: [] }));
    expect(must(server.getTree(must(server.getModels()).current!.id)).map((p) => p.name)).toEqual([
      "Hatch",
      "Lid",
      "Third",
    ]);
  });
  it.each([
    ["no product anywhere", { ...ask, jars: [] }, "invalid jars"],
    ["no material", { ...ask, material: null }, "invalid material"],
    ["no name", { ...ask, name: "  " }, "invalid name"],
    ["a kind nobody knows", { ...ask, jars: ["soup"] }, "invalid jars.0"],
    ["the same kind twice", { ...ask, jars: ["stopper", "stopper"] }, "invalid jars"],
  ])("%s is told, and nothing is made", (_of, input, told) => {
    expect(refusal(server.beginWith(input))).toBe(told);
    expect(must(server.getShelf())).toEqual([]);
    expect(must(server.getModels()).models).toEqual([]);
  });
});

describe("settings of one group", () => {
  it("two changes right after each other both hold; a group nobody told stays as it was", () => {
    const { rev } = must(server.getShop());
    const next = must(server.saveShop(rev, { showing: { temp: "f" } })).rev;
    const last = must(server.saveShop(next, { showing: { clock: "12" } })).rev;
    must(server.saveShop(last, { habits: { covered: true } }));
    const { shop } = must(server.getShop());
    expect(shop.showing).toMatchObject({ temp: "f", clock: "12", film: "um" });
    expect(shop.habits).toMatchObject({ covered: true, coldStore: false });
    expect(refusal(server.saveShop(last + 1, { air: { rhPct: 400 } }))).toBe("invalid air.rhPct");
  });
});

describe("how a reader sees figures stays at home", () => {
  it("a document does not carry it, and one that comes in with the shed leaves it as it is", () => {
    bench();
    const { rev } = must(server.getShop());
    must(server.saveShop(rev, { showing: { temp: "f" } }));
    const id = must(server.getModels()).current!.id;
    const text = must(server.exportDocument(id));
    expect(text).not.toContain("showing");
    must(server.importText(text, { onExisting: "replace", takeShop: true }));
    expect(must(server.getShop()).shop.showing).toMatchObject({ temp: "f" });
  });
});

describe("a label's text through the API", () => {
  it("is read, and refused where there is none", async () => {
    const read = must(await server.readLabelText({ text: "Touch dry 20 min. Contains acetone." }));
    expect(read.found).toMatchObject([{ figure: "touch_min", value: 20 }]);
    expect(read.carriers).toMatchObject([{ class: "ketone", cas: "67-64-1" }]);
    expect(refusal(await server.readLabelText({}))).toBe("invalid text");
    expect(refusal(await server.readLabelText({ text: "x", more: 1 }))).toMatch(/^invalid/);
  });
});
