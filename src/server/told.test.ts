import type { LogEntry } from "@/contracts";
import { logTitle, toldTitle } from "@/messages";
import { freshStore, must, refusal } from "../../tests/support/store";
import { product } from "../../tests/support/world";
import * as server from ".";

/** What is told of a face beside its pile, and a pile that stays true to what lies there. */
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
  must(
    server.editNode("region", regionId, 0, {
      material: "petg",
      conditions: ["keyed", "clean"],
      finish: "hidden",
      areaCm2: 80,
      ...over,
    }),
  );
  const rev = must(
    server.saveStack(regionId, 0, { prep: [], layers: [layer("p", primer, { coats: 2 }), layer("c", red)] }),
  ).rev;
  return { model, regionId, primer, red, rev };
}
type Bench = ReturnType<typeof bench>;
const lay = ({ regionId }: Bench, opId: string, over: object = {}) => {
  must(server.startOp(regionId, { opId, reason: "for the test" }, logTitle, String));
  return must(server.finishOp(regionId, { ...DONE, opId, ...over }, logTitle));
};
const tell = ({ regionId }: Bench, told: object) => server.tell(regionId, { note: "", ...told }, toldTitle, String);
const tile = ({ model }: Bench) => must(server.getBench(model)).tiles[0]!;
const rev = ({ model }: Bench) => must(server.getTree(model))[0]!.regions[0]!.stackRev;
const STRIP = { kind: "strip", downTo: null };

describe("wiping a film off", () => {
  const wiped = { work: { ...STRIP, way: "wiped" } };
  const ways = (b: Bench) => must(server.weighWork(b.regionId, { kind: "asked", note: "", ...wiped })).ways;
  it("is asked for while it is wet", () => {
    const b = bench();
    lay(b, "p:coat:1");
    expect(ways(b)).toContain("wiped");
    must(tell(b, { kind: "asked", ...wiped }));
  });
  it("is asked for no more once it is touch dry; that it was done is written down whenever", () => {
    const b = bench();
    must(server.startOp(b.regionId, { opId: "p:coat:1", reason: "for the test", minutesAgo: 3000 }, logTitle, String));
    must(server.finishOp(b.regionId, { ...DONE, opId: "p:coat:1", coats: 2, minutesAgo: 2990 }, logTitle));
    expect(ways(b)).not.toContain("wiped");
    expect(refusal(tell(b, { kind: "asked", ...wiped }))).toBe("refused work.way");
    must(tell(b, { kind: "worked", minutesAgo: 0, ...wiped }));
  });
});

describe("told at the bench", () => {
  it("a coat is written down with the card of its can as it is today", () => {
    const b = bench();
    const { laid } = lay(b, "p:coat:1", { coats: 2 });
    expect(laid).toMatchObject({ productId: b.primer, known: "then", card: expect.stringMatching(/^[0-9a-f]{64}$/) });
    const doc = JSON.parse(must(server.exportDocument(b.model)));
    expect(doc.cards[laid!.card!]).toMatchObject({ name: product("grey-primer").name, leftMl: null, note: "" });
  });
  it("the can holds something else by now: what lies there is still what was laid", () => {
    const b = bench();
    lay(b, "p:coat:1", { coats: 2 });
    const can = must(server.getShelf()).find((i) => i.product.id === b.primer)!;
    must(server.saveProduct(can.rev, { ...product("water-primer"), id: b.primer, name: "Refilled" }));
    const waits = () => tile(b).wait!.likelyMin;
    const asLaid = waits();
    must(server.takeBack(b.regionId, "p:coat:1"));
    must(server.finishOp(b.regionId, { ...DONE, opId: "p:coat:1", coats: 2 }, logTitle));
    // the same coats out of the can as it is now: a water primer's, which take their own time
    expect(waits()).not.toBe(asLaid);
  });
  it("a card used over in the middle of a layer: its next coat is told, and the document still goes out and comes in", () => {
    const b = bench();
    lay(b, "p:coat:1");
    const can = must(server.getShelf()).find((i) => i.product.id === b.primer)!;
    must(server.saveProduct(can.rev, { ...product("water-primer"), id: b.primer, name: "Refilled" }));
    lay(b, "p:coat:2");
    const doc = must(server.exportDocument(b.model));
    must(server.importText(doc, { onExisting: "copy", takeShop: false }));
  });
  it("cards travel with the document", () => {
    const b = bench();
    const { laid } = lay(b, "p:coat:1", { coats: 2 });
    const doc = must(server.exportDocument(b.model));
    const copy = must(server.importText(doc, { onExisting: "copy", takeShop: false })).modelId;
    const log = must(server.getLog(copy)).find((e): e is Extract<LogEntry, { kind: "done" }> => e.kind === "done");
    expect(log?.laid?.card).toBe(laid!.card);
  });
  it("a wash besides: the next coat waits for the joints to dry; taken back, it does not", () => {
    const b = bench({ joints: true });
    lay(b, "p:coat:1", { coats: 2, minutesAgo: 0 });
    must(tell(b, { kind: "worked", work: { kind: "wash", how: "soak" }, minutesAgo: 0 }));
    expect(tile(b).wait?.milestone).toBe("part-dry");
    const last = must(server.getLog(b.model)).at(-1)!;
    expect(last).toMatchObject({ kind: "worked", title: "Deck: Soak and wash again" });
    must(server.takeBack(b.regionId, last.opId));
    expect(tile(b).wait?.milestone).not.toBe("part-dry");
  });
  it("work asked for is the next step, started and done like any other", () => {
    const b = bench();
    lay(b, "p:coat:1", { coats: 2 });
    must(tell(b, { kind: "asked", work: STRIP }));
    const { op } = tile(b);
    expect(op).toMatchObject({ kind: "extra", extra: STRIP });
    lay(b, op!.id);
    expect(tile(b)).toMatchObject({ op: { id: "p:coat:1" }, done: 1 });
    lay(b, "p:coat:1", { coats: 2 });
    expect(tile(b).op!.id).toBe("c:coat:1");
  });
  it("a film measured changes what is waited for", () => {
    const b = bench();
    lay(b, "p:coat:1", { coats: 2, wftUm: 30 });
    const before = tile(b).wait!.likelyMin;
    must(tell(b, { kind: "measured", layerId: "p", dftUm: 200, minutesAgo: 0 }));
    expect(tile(b).wait!.likelyMin).toBeGreaterThan(before);
  });
  it("what cannot be is refused with its field, and nothing is written", () => {
    const b = bench();
    const n = () => must(server.getLog(b.model)).length;
    expect(refusal(tell(b, { kind: "worked", work: STRIP, minutesAgo: 0 }))).toBe("refused work.kind");
    expect(refusal(tell(b, { kind: "measured", layerId: "p", dftUm: 30, minutesAgo: 0 }))).toBe("refused layerId");
    lay(b, "p:coat:1", { coats: 2 });
    const had = n();
    expect(refusal(tell(b, { kind: "worked", work: { ...STRIP, downTo: "c" }, minutesAgo: 0 }))).toBe(
      "refused work.downTo",
    );
    expect(refusal(tell(b, { kind: "worked", work: { ...STRIP, downTo: "p" }, minutesAgo: 0 }))).toBe(
      "refused work.downTo",
    );
    expect(refusal(tell(b, { kind: "worked", work: STRIP, minutesAgo: 30 }))).toBe("refused minutesAgo");
    expect(
      refusal(tell(b, { kind: "worked", work: { kind: "rub", grit: 3, wet: true, takesUm: 2 }, minutesAgo: 0 })),
    ).toBe("invalid work.grit");
    expect(refusal(tell(b, { kind: "flown", minutesAgo: 0 }))).toBe("invalid kind");
    expect(
      refusal(server.tell("nowhere", { kind: "asked", work: { kind: "wipe" }, note: "" }, toldTitle, String)),
    ).toBe("not-found");
    expect(n()).toBe(had);
  });
  it("dry paper over what may hold lead is not put on the list; that it was done is written down", () => {
    const b = bench({ material: "white-metal" });
    const rub = { kind: "rub", grit: 400, wet: false, takesUm: 3 };
    expect(refusal(tell(b, { kind: "asked", work: rub }))).toBe("refused work.wet");
    must(tell(b, { kind: "worked", work: rub, minutesAgo: 5 }));
  });
});

describe("a pile stays true to what lies there", () => {
  const save = (b: Bench, layers: object[]) => server.saveStack(b.regionId, rev(b), { prep: [], layers });
  it("what is on the part is not edited away: swapped, taken out, made fewer, or put over something new", () => {
    const b = bench();
    lay(b, "p:coat:1", { coats: 2 });
    const p = layer("p", b.primer, { coats: 2 });
    const c = layer("c", b.red);
    expect(refusal(save(b, [{ ...p, productId: b.red }, c]))).toBe("refused layers.0.productId");
    expect(refusal(save(b, [c]))).toBe("refused layers");
    expect(refusal(save(b, [{ ...p, coats: 1 }, c]))).toBe("refused layers.0.coats");
    expect(refusal(save(b, [layer("u", b.red), p, c]))).toBe("refused layers.0");
    must(save(b, [p, layer("u", b.primer), c]));
    must(save(b, [{ ...p, coats: 3, sandAfter: { grit: 400, wet: true, takesUm: 5 } }]));
  });
  it("what is down keeps its order", () => {
    const b = bench();
    lay(b, "p:coat:1", { coats: 2 });
    lay(b, "c:coat:1");
    const p = layer("p", b.primer, { coats: 2 });
    expect(refusal(save(b, [layer("c", b.red), p]))).toBe("refused layers.1");
    must(save(b, [p, layer("c", b.red), layer("v", b.primer)]));
  });
  it("stripped, taken back or not yet begun it may be anything again", () => {
    const b = bench();
    must(save(b, [layer("c", b.red)]));
    must(save(b, [layer("p", b.primer), layer("c", b.red)]));
    const done = lay(b, "p:coat:1");
    must(server.takeBack(b.regionId, done.opId));
    must(server.takeBack(b.regionId, done.opId));
    must(save(b, [layer("c", b.red)]));
    lay(b, "c:coat:1");
    must(tell(b, { kind: "worked", work: STRIP, minutesAgo: 0 }));
    must(save(b, [layer("p", b.primer)]));
  });
  it("a copy over a begun part, or a remedy, is no way round it; the other parts keep theirs", () => {
    const b = bench();
    lay(b, "p:coat:1", { coats: 2 });
    const other = must(server.addPart(b.model, { name: "Hull", count: 1, note: "" })).regionId;
    must(server.saveStack(other, 0, { prep: [], layers: [layer("h", b.red)] }));
    expect(refusal(server.copyStack(other, [{ regionId: b.regionId, stackRev: rev(b) }]))).toBe("refused layers");
    must(server.copyStack(b.regionId, [{ regionId: other, stackRev: 1 }]));
  });
});
