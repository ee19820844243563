import { logTitle } from "@/messages";
import { DONE, hatch } from "../../tests/support/hatch";
import { freshStore, must, refusal } from "../../tests/support/store";
import * as server from ".";

/** What is worn, set and tried before a coat: asked once, kept with the work, and never in the way twice. */
freshStore();

const care = (b: ReturnType<typeof hatch>) => must(server.getBenchScreen(b.model)).care[b.regionId]!;
const start = (b: ReturnType<typeof hatch>, opId: string, more: object = {}) =>
  server.startOp(b.regionId, { opId, reason: "for the test", ...more }, logTitle, String);

describe("protection", () => {
  it("a spray asks for its own; confirmed, the next coat of the session asks no more, and the log keeps it", () => {
    const b = hatch("grey-primer");
    expect(care(b)).toMatchObject({ due: true, fresh: true });
    expect(care(b).asks).toEqual(expect.arrayContaining(["extraction", "a2p3"]));
    const { asks } = care(b);
    const e = must(start(b, "p:coat:1", { worn: asks }));
    expect(e.worn).toEqual(asks);
    must(server.finishOp(b.regionId, { ...DONE, opId: "p:coat:1" }, logTitle));
    expect(care(b)).toMatchObject({ due: false, fresh: false });
  });
  it("what Settings has none of is told as absent, whatever was pressed", () => {
    const b = hatch("grey-primer");
    const { shop, rev } = must(server.getShop());
    must(server.saveShop(rev, { ...shop, protection: ["gloves"] }));
    expect(care(b).absent).toEqual(expect.arrayContaining(["extraction", "a2p3", "eye-cover"]));
    expect(care(b).absent).not.toContain("gloves");
    // told once a session, like what is worn is asked
    expect(care(b).due).toBe(true);
    const { asks, absent } = care(b);
    // somebody who began something else, and was told of nothing, has not been told of this
    const other = hatch("water-primer", {}, { layerId: "q" });
    must(start(other, "q:coat:1", { worn: [], without: [] }));
    expect(care(b).due).toBe(true);
    const e = must(start(b, "p:coat:1", { worn: asks.filter((a) => !absent.includes(a)), without: absent }));
    expect(e.without).toEqual(absent);
    must(server.finishOp(b.regionId, { ...DONE, opId: "p:coat:1" }, logTitle));
    expect(care(b)).toMatchObject({ due: false, absent });
  });
  it("what nobody wears is refused by its field", () => {
    const b = hatch("grey-primer");
    expect(refusal(start(b, "p:coat:1", { worn: ["a scarf"] }))).toBe("invalid worn.0");
    expect(must(server.getLog(b.model))).toHaveLength(0);
  });
});

describe("the set-up", () => {
  it("a good patch leaves what was set on the card, as this bench’s own; a bad one leaves it alone", () => {
    const b = hatch("grey-primer");
    must(start(b, "p:coat:1", { setUp: { distanceCm: 18, shakeMinutes: 3, patch: "rough", changed: ["nearer"] } }));
    const claims = () => must(server.getShelf()).find((i) => i.product.id === b.can)!.product.claims ?? [];
    expect(claims().filter((c) => c.source === "own-log")).toEqual([]);
    must(server.finishOp(b.regionId, { ...DONE, opId: "p:coat:1" }, logTitle));
    must(start(b, "p:coat:2", { setUp: { distanceCm: 18, shakeMinutes: 3, patch: "good" } }));
    expect(claims()).toEqual(
      expect.arrayContaining([
        expect.objectContaining({ figure: "distanceCm", value: 18, source: "own-log" }),
        expect.objectContaining({ figure: "shakeMinutes", value: 3, source: "own-log" }),
      ]),
    );
    // and travels with the log
    const doc = must(server.exportDocument(b.model));
    must(server.importText(doc, { onExisting: "copy", takeShop: false }));
  });
  it.each([
    ["a metre away", { distanceCm: 100 }, "invalid setUp.distanceCm"],
    ["words for a needle", { nozzleMm: "fine" }, "invalid setUp.nozzleMm"],
    ["a patch that looks like nothing known", { patch: "lovely" }, "invalid setUp.patch"],
    ["something nobody sets", { colour: "red" }, "invalid setUp"],
  ])("%s is refused by its field, and nothing is begun", (_, setUp, told) => {
    const b = hatch("grey-primer");
    expect(refusal(start(b, "p:coat:1", { setUp }))).toMatch(told);
    expect(must(server.getLog(b.model))).toHaveLength(0);
  });
});

describe("what was used", () => {
  it("weighed, it goes by its density; the can goes down by that, and up again on take-back", () => {
    const b = hatch("grey-primer", { leftMl: 400, packMl: 400, densityGMl: 0.9 });
    must(start(b, "p:coat:1"));
    const e = must(server.finishOp(b.regionId, { ...DONE, opId: "p:coat:1", usedG: 18 }, logTitle));
    expect(e.used).toEqual({ productId: b.can, ml: 20 });
    const left = () => must(server.getShelf()).find((i) => i.product.id === b.can)!.product.leftMl;
    expect(left()).toBe(380);
    must(server.takeBack(b.regionId, "p:coat:1"));
    expect(left()).toBe(400);
  });
  it.each([
    ["a scale that says less than nothing", { leftMl: 400, densityGMl: 0.9 }, -3, "invalid usedG"],
    ["grams of a can without a density", { leftMl: 400, densityGMl: null }, 18, "invalid usedG"],
  ])("%s is refused by its field, and nothing is taken", (_, over, usedG, told) => {
    const b = hatch("grey-primer", over);
    must(start(b, "p:coat:1"));
    expect(refusal(server.finishOp(b.regionId, { ...DONE, opId: "p:coat:1", usedG }, logTitle))).toBe(told);
    expect(must(server.getShelf()).find((i) => i.product.id === b.can)!.product.leftMl).toBe(400);
  });
  it("more than the can held empties it", () => {
    const b = hatch("grey-primer", { leftMl: 10, densityGMl: 0.9 });
    must(start(b, "p:coat:1"));
    must(server.finishOp(b.regionId, { ...DONE, opId: "p:coat:1", usedG: 500 }, logTitle));
    expect(must(server.getShelf()).find((i) => i.product.id === b.can)!.product.leftMl).toBe(0);
  });
});
