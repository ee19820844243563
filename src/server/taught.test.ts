import { logTitle } from "@/messages";
import { freshStore, must, refusal } from "../../tests/support/store";
import { product } from "../../tests/support/world";
import * as server from ".";

/** What is seen at the bench goes into every later wait: from the log to the ring, the plan, the card, and out again. */
freshStore();

const clock = globalThis as unknown as { elmBenchClockShiftMs?: number };
const NOW = Date.parse("2026-03-02T19:00:00Z");
const DONE = { coats: null, wftUm: null, tempC: null, rhPct: null, note: "" };
const at = (hours: number) => {
  clock.elmBenchClockShiftMs = NOW + hours * 3_600_000 - Date.now();
};
afterEach(() => at(0));

const layer = (id: string, productId: string, over: object = {}) => ({
  ...{ id, productId, coats: 1, heaviness: "light", wftUm: null, gapMin: null, before: [], sandAfter: null },
  ...over,
});

beforeEach(() => at(0));
/** A model with so many hatches, each to be primed, rubbed and painted. */
function hatches(n: number) {
  const model = must(server.addModel({ name: "Barge", scale: "1:24", note: "" })).id;
  const primer = must(server.addProduct(product("grey-primer"))).id;
  const red = must(server.addProduct(product("buoy-red"))).id;
  const regions = Array.from({ length: n }, (_, i) => {
    const { regionId } = must(server.addPart(model, { name: `Hatch ${i + 1}`, count: 1, note: "" }));
    must(
      server.editNode("region", regionId, 0, {
        material: "petg",
        conditions: ["keyed", "clean"],
        finish: "hidden",
        areaCm2: 80,
      }),
    );
    const layers = [layer(`p${i}`, primer, { sandAfter: { grit: 400, wet: true, takesUm: 5 } }), layer(`c${i}`, red)];
    must(server.saveStack(regionId, 0, { prep: [], layers }));
    return regionId;
  });
  return { model, primer, regions };
}
type Barge = ReturnType<typeof hatches>;
const tile = ({ model, regions }: Barge, i: number) =>
  must(server.getBench(model)).tiles.find((t) => t.regionId === regions[i])!;
const lay = ({ regions }: Barge, i: number) => {
  const opId = `p${i}:coat:1`;
  must(server.startOp(regions[i]!, { opId, reason: "for the test" }, logTitle, String));
  must(server.finishOp(regions[i]!, { ...DONE, minutesAgo: 0, opId }, logTitle));
};
const begin = ({ regions }: Barge, i: number) =>
  must(server.startOp(regions[i]!, { opId: `p${i}:sand`, reason: "for the test" }, logTitle, String));
const notYet = ({ regions }: Barge, i: number) =>
  must(server.notYet(regions[i]!, { opId: `p${i}:sand`, sign: "paper-clogs", note: "" }, logTitle));
const taught = () => must(server.getTaught());
const H = 60;

/** Three hatches one after the other, each clogging at `early` hours and rubbed at `late`. */
function threeLooks(b: Barge, early: number, late: number) {
  for (const i of [0, 1, 2]) {
    at(i * 200);
    lay(b, i);
    at(i * 200 + early);
    notYet(b, i);
    at(i * 200 + late);
    begin(b, i);
  }
}

describe("what the shed teaches", () => {
  it("three coats that took longer than their label make the fourth’s wait longer, on the bench, on the card, and not in what it is judged by", () => {
    const b = hatches(4);
    at(600);
    lay(b, 3);
    const before = tile(b, 3).wait!;
    const first = { likely: before.likelyMin - before.fromMin, safe: before.safeMin - before.fromMin };
    must(server.takeBack(b.regions[3]!, "p3:coat:1"));
    must(server.takeBack(b.regions[3]!, "p3:coat:1"));
    const hours = first.likely / H;
    threeLooks(b, hours * 1.3, hours * 1.9);
    at(600);
    lay(b, 3);
    const after = tile(b, 3).wait!;
    const learnt = { likely: after.likelyMin - after.fromMin, safe: after.safeMin - after.fromMin };
    expect(learnt.likely).toBeGreaterThan(first.likely * 1.15);
    // surer than before: what is safe lies nearer to what is likely
    expect(learnt.safe / learnt.likely).toBeLessThan(first.safe / first.likely);
    const own = taught().products[b.primer]!;
    expect(own.count).toBe(3);
    expect(own.median).toBeGreaterThan(1.15);
    expect(taught().shed.median).toBeGreaterThan(1);
    // the card itself says what it said
    const card = must(server.getShelf()).find((i) => i.product.id === b.primer)!.product;
    expect(card).not.toHaveProperty("pace");
    expect(card.label).toEqual(product("grey-primer").label);
  });
  it("struck out, looks leave no trace; taken in again they count", () => {
    const b = hatches(4);
    threeLooks(b, 0.8, 1.3);
    at(600);
    lay(b, 3);
    const long = tile(b, 3).wait!.likelyMin;
    const seen = taught().looks.filter((l) => l.leftOut === null);
    expect(seen.length).toBeGreaterThanOrEqual(3);
    const said = (_: boolean, what: string) => what;
    for (const l of seen) must(server.heedLook({ lookId: l.id, yes: false }, said));
    expect(taught().count).toBe(0);
    expect(tile(b, 3).wait!.likelyMin).toBeLessThan(long);
    expect(refusal(server.heedLook({ lookId: seen[0]!.id, yes: false }, said))).toBe("conflict");
    expect(refusal(server.heedLook({ lookId: "p9:coat:1@77/sandable", yes: false }, said))).toBe("not-found");
    expect(refusal(server.heedLook({ lookId: "nonsense", yes: false }, said))).toBe("invalid lookId");
    for (const l of seen) must(server.heedLook({ lookId: l.id, yes: true }, said));
    expect(tile(b, 3).wait!.likelyMin).toBe(long);
  });
  it("another label begins anew, and still tells of the shed; the document takes its log along, and a plan of it learns the same", async () => {
    const b = hatches(4);
    threeLooks(b, 0.8, 1.3);
    const doc = JSON.parse(must(server.exportDocument(b.model)));
    expect(JSON.stringify(doc.products)).not.toContain("pace");
    const can = must(server.getShelf()).find((i) => i.product.id === b.primer)!;
    const { label } = can.product;
    must(
      server.saveProduct(can.rev, { ...can.product, label: { ...label, sandableMin: (label.sandableMin ?? 60) * 2 } }),
    );
    const { products, shed } = taught();
    expect(products[b.primer]!.count).toBe(0);
    expect(shed.median).toBeGreaterThan(1);
    must(await server.planDocument({ document: doc, now: new Date(NOW + 500 * 3_600_000).toISOString() }));
  });
  it("found ready before its time, what follows may begin; just turned tells most", () => {
    const b = hatches(1);
    lay(b, 0);
    const wait = tile(b, 0).wait!;
    at((wait.likelyMin - wait.fromMin) / H / 2);
    expect(tile(b, 0).zone).toBe("drying");
    must(server.sawReady(b.regions[0]!, { opId: "p0:sand", turned: true }, logTitle));
    expect(tile(b, 0).zone).toBe("ready");
    expect(tile(b, 0).check?.earlyMin).toBe(0);
    expect(taught().looks.find((l) => l.milestone === "sandable")).toMatchObject({ leftOut: null });
    expect(taught().products[b.primer]!.median).toBeLessThan(0.9);
    expect(refusal(server.sawReady(b.regions[0]!, { opId: "p0:nonsense" }, logTitle))).toBe("conflict");
    expect(refusal(server.sawReady(b.regions[0]!, { opId: "p0:sand", turned: 7 }, logTitle))).toBe("invalid turned");
  });
});

describe("minutes of one’s own hands", () => {
  it("rubs that take twice as long make the next one’s longer, in the plan’s own minutes; a forgotten press does not", () => {
    const b = hatches(8);
    const planned = () => tile(b, 7).op!.handsOnMin;
    lay(b, 7);
    const before = planned();
    const rub = (i: number, min: number) => {
      at(i * 20);
      lay(b, i);
      at(i * 20 + 10);
      begin(b, i);
      at(i * 20 + 10 + min / 60);
      must(server.finishOp(b.regions[i]!, { ...DONE, minutesAgo: 0, opId: `p${i}:sand` }, logTitle));
    };
    for (const i of [0, 1, 2, 3]) rub(i, before * 2);
    rub(4, 400);
    expect(taught().hands.find((h) => h.kind === "rubbing")).toMatchObject({ factor: 1.4, count: 4, leftOut: 1 });
    expect(planned()).toBeGreaterThanOrEqual(Math.floor(before * 1.3));
    // what is learnt is learnt against what is reckoned for anybody, not against itself
    const [first, ...others] = must(server.getLog(b.model)).flatMap((e) =>
      e.kind === "done" && e.opId.endsWith(":sand") ? [e.plannedMin!] : [],
    );
    for (const min of others) expect(Math.abs(min - first!)).toBeLessThanOrEqual(5);
    // begun anew they count for nothing; nothing of it is lost
    const since = (handsSince: string | null) => must(server.saveShop(must(server.getShop()).rev, { handsSince }));
    since(new Date(server.nowMs() + 60_000).toISOString());
    expect(taught().hands).toEqual([]);
    expect(planned()).toBe(before);
    since(null);
    expect(taught().hands.find((h) => h.kind === "rubbing")).toMatchObject({ count: 4 });
  });
});
