import { logTitle } from "@/messages";
import { WORDS } from "../../tests/support/mishap-words";
import { freshStore, must, refusal } from "../../tests/support/store";
import { product } from "../../tests/support/world";
import * as server from ".";

/** What goes wrong, from the first press to the lesson, through the commands the screens send. */
freshStore();

const layer = (id: string, productId: string, over: object = {}) => ({
  ...{ id, productId, coats: 1, heaviness: "light", wftUm: null, gapMin: null, before: [], sandAfter: null },
  ...over,
});
const DONE = { minutesAgo: 0, coats: null, wftUm: null, tempC: null, rhPct: null, note: "" };

function bench(over: object = {}) {
  const model = must(server.addModel({ name: "Skiff", scale: "1:12", note: "" })).id;
  const { regionId } = must(server.addPart(model, { name: "Deck", count: 1, note: "" }));
  const primer = must(server.addProduct(product("grey-primer"))).id;
  const red = must(server.addProduct(product("buoy-red"))).id;
  const region = { material: "petg", conditions: ["keyed", "clean"], finish: "hidden", areaCm2: 80, ...over };
  must(server.editNode("region", regionId, 0, region));
  must(server.saveStack(regionId, 0, { prep: [], layers: [layer("p", primer, { coats: 2 }), layer("c", red)] }));
  return { model, regionId, primer, red };
}
type Bench = ReturnType<typeof bench>;
const lay = ({ regionId }: Bench, opId: string, over: object = {}) => {
  must(server.startOp(regionId, { opId, reason: "for the test" }, logTitle, String));
  return must(server.finishOp(regionId, { ...DONE, opId, ...over }, logTitle));
};
const report = ({ regionId }: Bench, told: object) => server.reportMishap(regionId, told, WORDS);
const log = ({ model }: Bench) => must(server.getLog(model));
const screen = ({ model }: Bench) => must(server.getBenchScreen(model));
const reports = (b: Bench) => screen(b).faces[b.regionId]!.reports;
const explained = async (b: Bench, id: string) => must(await server.explainReport(b.regionId, id));

describe("a report", () => {
  it("is written down at its hour and moves no plan by itself", async () => {
    const b = bench();
    lay(b, "p:coat:1");
    must(await server.makePlan(b.model));
    const hash = () => must(server.getPlan(b.model))?.fresh;
    expect(hash()).toBe(true);
    const r = must(report(b, { sign: "run" }));
    expect(r).toMatchObject({ kind: "reported", sign: "run", layerId: "p", extent: "patch", place: null });
    expect(hash()).toBe(true);
    expect(reports(b)).toMatchObject([{ id: r.id, sign: "run", mended: false }]);
  });
  it("of the same thing from two devices is one", () => {
    const b = bench();
    lay(b, "p:coat:1");
    const [first, second] = [must(report(b, { sign: "run" })), must(report(b, { sign: "run", minutesAgo: 3 }))];
    expect(second.id).toBe(first.id);
    expect(log(b).filter((e) => e.kind === "reported")).toHaveLength(1);
    expect(must(report(b, { sign: "nib" })).id).not.toBe(first.id);
  });
  it.each<[string, object, string]>([
    ["a sign nobody knows", { sign: "gremlins" }, "sign"],
    ["before the log began", { sign: "run", minutesAgo: 1e9 }, "minutesAgo"],
    ["a picture that is not here", { sign: "run", photo: "a".repeat(64) }, "photo"],
    ["an extent that is none", { sign: "run", extent: "half" }, "extent"],
    ["a place as long as a letter", { sign: "run", place: "x".repeat(81) }, "place"],
  ])("is refused by its field: %s", (_, told, path) => {
    const b = bench();
    lay(b, "p:coat:1");
    expect(refusal(report(b, told))).toContain(path);
    expect(log(b).some((e) => e.kind === "reported")).toBe(false);
  });
  it("on a face nothing was done to is told so, unless it needs no film", () => {
    const b = bench();
    expect(refusal(report(b, { sign: "run" }))).toBe("refused sign");
    expect(must(report(b, { sign: "dropped" })).layerId).toBeNull();
  });
  it("an answer ranks anew; a question of nobody's is refused", async () => {
    const b = bench();
    lay(b, "p:coat:1");
    const { id } = must(report(b, { sign: "fish-eyes" }));
    const chance = async () => (await explained(b, id)).causes.find((c) => c.id === "fish-eyes.silicone")?.chance ?? 0;
    const before = await chance();
    must(server.answerMishap(b.regionId, { reportId: id, fact: "silicone", yes: true }, WORDS));
    expect(await chance()).toBeGreaterThan(before);
    expect((await explained(b, id)).questions).not.toContain("silicone");
    expect(refusal(server.answerMishap(b.regionId, { reportId: id, fact: "early", yes: true }, WORDS))).toContain(
      "fact",
    );
  });
});

describe("a mend", () => {
  it("is put into the plan, done step by step, and the face goes on", async () => {
    const b = bench();
    lay(b, "p:coat:1", { coats: 2 });
    const { id } = must(report(b, { sign: "run" }));
    const way = (await explained(b, id)).ways.find((w) => w.recipe === "level-recoat")!;
    if (!way.ok) throw new Error(way.why);
    expect(way.price.stops).toEqual([]);
    expect(way.price.handsMin).toBeGreaterThan(0);
    must(server.mendMishap(b.regionId, { reportId: id, recipe: "level-recoat" }, WORDS));
    expect(reports(b)[0]).toMatchObject({ mended: true });
    const entry = log(b).findLast((e) => e.kind === "mended")!;
    const tile = () => screen(b).tiles[0]!;
    expect(tile().op!.id).toBe("p:sand");
    lay(b, "p:sand");
    const coat = `${entry.id}-m1`;
    expect(tile().op!.id).toBe(`${coat}:before:wipe`);
    lay(b, `${coat}:before:wipe`);
    const laid = lay(b, `${coat}:coat:1`);
    expect(laid.laid!.productId).toBe(b.primer);
    expect(tile().op!.id).toBe("c:coat:1");
    // it lies there for good, and is none of the user's own pile
    expect(screen(b).films[b.regionId]!.map((f) => f.layerId)).toEqual(["p", coat, "c"]);
    expect(must(await server.getStack(b.regionId)).mended.map((m) => m.layer.id)).toEqual([coat]);
    expect(must(server.getTree(b.model))[0]!.regions[0]!.stack.layers.map((l) => l.id)).toEqual(["p", "c"]);
  });
  it("withdrawn, what is not done of it goes and what was done stays", async () => {
    const b = bench();
    lay(b, "p:coat:1", { coats: 2 });
    const { id } = must(report(b, { sign: "run" }));
    must(server.mendMishap(b.regionId, { reportId: id, recipe: "level-recoat" }, WORDS));
    lay(b, "p:sand");
    must(server.withdrawMishap(b.regionId, { reportId: id }, WORDS));
    expect(reports(b)).toEqual([]);
    expect(screen(b).tiles[0]!.op!.id).toBe("c:coat:1");
    expect(screen(b).films[b.regionId]!.map((f) => f.layerId)).toEqual(["p", "c"]);
    expect(refusal(server.withdrawMishap(b.regionId, { reportId: id }, WORDS))).toBe("conflict");
    // what was done before it can be taken back again
    must(server.takeBack(b.regionId, "p:sand"));
  });
  it("whose product is gone is told, and one there is no way for is refused", async () => {
    const b = bench({ finish: "show" });
    lay(b, "p:coat:1", { coats: 2 });
    const { id } = must(report(b, { sign: "orange-peel" }));
    const ways = (await explained(b, id)).ways;
    expect(ways.find((w) => w.recipe === "even-sheen")).toMatchObject({ ok: false, why: "nothing-on-shelf" });
    expect(refusal(server.mendMishap(b.regionId, { reportId: id, recipe: "even-sheen" }, WORDS))).toContain("recipe");
    expect(refusal(server.mendMishap(b.regionId, { reportId: id, recipe: "recure" }, WORDS))).toContain("recipe");
    expect(log(b).some((e) => e.kind === "mended")).toBe(false);
  });
  it("a can that was thrown away is taken for none, and one that goes later leaves its mend standing", async () => {
    const b = bench();
    lay(b, "p:coat:1", { coats: 2 });
    const clear = must(server.addProduct(product("water-matt"))).id;
    const { id } = must(report(b, { sign: "orange-peel" }));
    const sheen = async () => (await explained(b, id)).ways.find((w) => w.recipe === "even-sheen")!;
    expect((await sheen()).ok).toBe(true);
    must(server.deleteProduct(clear));
    expect(await sheen()).toMatchObject({ ok: false, why: "nothing-on-shelf" });
    must(server.restoreProduct(clear));
    must(server.mendMishap(b.regionId, { reportId: id, recipe: "even-sheen" }, WORDS));
    must(server.deleteProduct(clear));
    expect(screen(b).tiles[0]!.op!.productId).toBe(clear);
    expect(must(server.exportDocument(b.model))).toContain(clear);
  });
  it("goes with its model through a document, byte for byte, and under fresh ids as a copy", async () => {
    const b = bench();
    lay(b, "p:coat:1", { coats: 2 });
    const { id } = must(report(b, { sign: "run", place: "bow" }));
    must(server.mendMishap(b.regionId, { reportId: id, recipe: "level-recoat" }, WORDS));
    lay(b, "p:sand");
    must(
      server.lookAt(
        b.regionId,
        { photo: null, marks: [{ id: "k1", kind: "pit", size: "deep", at: null, note: "" }] },
        WORDS,
      ),
    );
    const text = must(server.exportDocument(b.model));
    must(server.importText(text, { onExisting: "replace", takeShop: false }));
    expect(must(server.exportDocument(b.model))).toBe(text);
    const copy = must(server.importText(text, { onExisting: "copy", takeShop: false })).modelId;
    const twin = must(server.getBenchScreen(copy));
    const mended = must(server.getLog(copy)).find((e) => e.kind === "mended")!;
    const face = must(server.getTree(copy))[0]!.regions[0]!.region.id;
    expect(twin.tiles.find((t) => t.regionId === face)!.op!.id).toBe(`${mended.id}-m1:before:wipe`);
    const own = twin.faces[face]!;
    expect(own.reports).toMatchObject([{ sign: "run", mended: true }]);
    expect(own.marks).toMatchObject([{ kind: "pit" }]);
    expect(own.marks[0]!.id).not.toBe("k1");
  });
});

it("opened again, a report is explained by what lay there then, and paint is reckoned for every piece", async () => {
  const b = bench();
  const part = must(server.getTree(b.model))[0]!;
  lay(b, "p:coat:1", { coats: 2 });
  const { id } = must(report(b, { sign: "run" }));
  const first = await explained(b, id);
  const cost = (v: typeof first) =>
    v.ways.flatMap((w) => (w.ok && w.recipe === "level-recoat" ? [w.cost] : []))[0] ?? null;
  must(server.mendMishap(b.regionId, { reportId: id, recipe: "strip-film" }, WORDS));
  const again = await explained(b, id);
  expect(again.causes.map((c) => c.id)).toEqual(first.causes.map((c) => c.id));
  expect(again.report.recipes).toEqual(["strip-film"]);
  must(server.withdrawMishap(b.regionId, { reportId: id }, WORDS));
  must(server.editNode("part", part.id, part.rev, { count: 4 }));
  const four = await explained(b, must(report(b, { sign: "run" })).id);
  expect(cost(first)).toBeGreaterThan(0);
  expect(cost(four)! / cost(first)!).toBeCloseTo(4, 6);
});

describe("a lesson", () => {
  it("is what a report is closed with, told of every model, until it is struck out", async () => {
    const b = bench();
    lay(b, "p:coat:1");
    const { id } = must(report(b, { sign: "run" }));
    expect(refusal(server.settleMishap(b.regionId, { reportId: id, cause: "nib.from-can" }, WORDS))).toContain("cause");
    must(server.settleMishap(b.regionId, { reportId: id, cause: "run.too-wet" }, WORDS));
    expect(reports(b)).toEqual([]);
    const other = { model: must(server.addModel({ name: "Punt", scale: "1:12", note: "" })).id };
    const seen = () => must(server.getBenchScreen(other.model));
    expect(seen().lessons).toMatchObject([
      { cause: "run.too-wet", shift: "lighter", on: "product", productId: b.primer },
    ]);
    must(server.strikeLesson(b.regionId, { reportId: id }, WORDS));
    expect(seen().lessons).toEqual([]);
    expect(refusal(server.strikeLesson(b.regionId, { reportId: id }, WORDS))).toBe("not-found");
  });
  it("closed without a cause teaches nothing", () => {
    const b = bench();
    lay(b, "p:coat:1");
    const { id } = must(report(b, { sign: "run" }));
    must(server.settleMishap(b.regionId, { reportId: id, cause: null }, WORDS));
    expect(screen(b).lessons).toEqual([]);
  });
});

describe("marks", () => {
  const mark = (over: object = {}) => ({ id: "m", kind: "pit", size: "plain", at: null, note: "", ...over });
  it("stay on the list until they are ticked off, by the work that ended them", () => {
    const b = bench();
    lay(b, "p:coat:1");
    must(server.lookAt(b.regionId, { marks: [mark(), mark({ kind: "run" })] }, WORDS));
    const open = () => screen(b).faces[b.regionId]!.marks;
    expect(open().map((m) => m.kind)).toEqual(["pit", "run"]);
    const [first] = open();
    must(server.closeMarks(b.regionId, { markIds: [first!.id] }, WORDS));
    expect(open().map((m) => m.kind)).toEqual(["run"]);
    expect(log(b).find((e) => e.kind === "closed")).toMatchObject({ byOpId: "p:coat:1" });
    expect(refusal(server.closeMarks(b.regionId, { markIds: [first!.id] }, WORDS))).toBe("conflict");
  });
  it.each<[string, object, string]>([
    ["outside the picture", { marks: [mark({ at: { x: 1.2, y: 0 } })] }, "marks.0.at.x"],
    ["in a picture there is none of", { marks: [mark({ at: { x: 0.5, y: 0.5 } })] }, "marks"],
    ["of a kind there is none of", { marks: [mark({ kind: "elf" })] }, "marks.0.kind"],
    ["three hundred and one", { marks: Array.from({ length: 301 }, () => mark()) }, "marks"],
  ])("are refused by name: %s", (_, look, path) => {
    const b = bench();
    lay(b, "p:coat:1");
    expect(refusal(server.lookAt(b.regionId, look, WORDS))).toContain(path);
  });
});

describe("a swap", () => {
  it("judges what could be laid instead, and leaves the coats that are down what they are", () => {
    const b = bench();
    const other = must(server.addProduct({ ...product("surfacer-grey"), id: "sg" })).id;
    lay(b, "p:coat:1");
    const view = must(server.swapFor(b.regionId, "p"));
    expect(view.productId).toBe(b.primer);
    const own = view.choices.find((c) => c.productId === other)!;
    expect(own.verdict).not.toBe("stop");
    expect(own.earliestMin === null || own.earliestMin > 0).toBe(true);
    expect(view.choices.map((c) => c.productId)).not.toContain(b.red);
    must(server.swapProduct(b.primer, other, [b.regionId]));
    const { layers } = must(server.getTree(b.model))[0]!.regions[0]!.stack;
    expect(layers.map((l) => [l.productId, l.coats])).toEqual([
      [b.primer, 1],
      [other, 1],
      [b.red, 1],
    ]);
    expect(screen(b).tiles[0]!.op!.productId).toBe(other);
    expect(refusal(server.swapProduct(b.primer, other, [b.regionId]))).toBe("refused");
    expect(refusal(server.swapProduct(b.red, "nobody", [b.regionId]))).toBe("not-found");
  });
});

describe("not what was planned", () => {
  it("the log takes what really went on, and what follows is judged on it", () => {
    const b = bench();
    const oil = must(server.addProduct({ ...product("oil-undercoat"), id: "oil", leftMl: 100 })).id;
    lay(b, "p:coat:1", { coats: 2 });
    must(report(b, { sign: "wrong-product" }));
    const title = (name: string) => `Deck: ${name}`;
    const said = must(server.tellWentOn(b.regionId, "p:coat:1", oil, title));
    expect(said).toMatchObject({ kind: "done", coats: 2, laid: { productId: oil, known: "then" } });
    expect(log(b).at(-2)!.kind).toBe("taken-back");
    // the pile stands as it lies: under the colour there is the undercoat now, with its own time
    const tile = screen(b).tiles[0]!;
    expect(tile.op!.id).toBe("c:coat:1");
    expect(tile.wait!.likelyMin - server.nowMs() / 60_000).toBeGreaterThan(600);
    expect(screen(b).faces[b.regionId]!.face.top!.productId).toBe(oil);
    expect(refusal(server.tellWentOn(b.regionId, "p:coat:1", oil, title))).toBe("refused productId");
    expect(refusal(server.tellWentOn(b.regionId, "c:coat:1", b.primer, title))).toBe("conflict");
    expect(refusal(server.tellWentOn(b.regionId, "p:coat:1", "nobody", title))).toBe("not-found");
  });
});

describe("POST diagnose", () => {
  it("tells of a document what the screen tells, and refuses by path", async () => {
    const b = bench();
    lay(b, "p:coat:1", { coats: 2 });
    const document = JSON.parse(must(server.exportDocument(b.model)));
    const at = new Date(server.nowMs() + 60_000).toISOString();
    const told = must(await server.diagnoseDocument({ document, region: b.regionId, sign: "run", at }));
    expect(told.diagnosis.aid.lines.length).toBeGreaterThan(0);
    expect(told.diagnosis.causes.reduce((s, c) => s + c.chance, 0)).toBeCloseTo(1);
    expect(told.prices.get("level-recoat")!.handsMin).toBeGreaterThan(0);
    for (const [over, path] of [
      [{ region: "nowhere" }, "region"],
      [{ sign: "gremlins" }, "sign"],
      [{ at: "yesterday" }, "at"],
    ] as const) {
      const body = { ...{ document, region: b.regionId, sign: "run", at }, ...over };
      expect(refusal(await server.diagnoseDocument(body))).toContain(path);
    }
  });
  it("knows only the log up to then", async () => {
    const b = bench();
    lay(b, "p:coat:1");
    const document = JSON.parse(must(server.exportDocument(b.model)));
    const at = new Date(server.nowMs() - 3_600_000).toISOString();
    const told = must(await server.diagnoseDocument({ document, region: b.regionId, sign: "dropped", at }));
    expect(told.diagnosis.ways.find((w) => w.recipe === "level-recoat")!.way).toMatchObject({
      ok: false,
      why: "nothing-lies",
    });
  });
});
