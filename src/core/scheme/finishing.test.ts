/** Markings and dirt told as small jobs: what comes first, what has to lie between, what goes over all. */

import { layer, lookup, pile, product, region, shelf } from "../../../tests/support/world";
import { seededRandom } from "../base";
import { judgeStack } from "../judge";
import { DIRT_KINDS, type Layer, type Product, type Region, TOUCH_KINDS, type Touch, type TouchKind } from "../model";
import { TOUCH_FACTS } from "../reference";
import { type Finishing, finished, holdsTouches } from "./finishing";

const GRAVITY = { ok: 0, care: 1, test: 10, stop: 100 } as const;
const CLEARS = [...shelf.values()].filter((p) => p.role === "clear");
const MADE_WITH: Partial<Record<TouchKind, string>> = { chips: "chalk-white", "dry-brush": "chalk-white" };
const touch = (kind: TouchKind, over: Partial<Touch> = {}): Touch => ({
  name: kind,
  kind,
  productId: TOUCH_FACTS[kind].rank === 0 ? "name-decals" : (MADE_WITH[kind] ?? "grime-wash"),
  share: TOUCH_FACTS[kind].rank === 0 ? 0.05 : 1,
  count: 1,
  ...over,
});

function finish(
  layers: readonly Layer[],
  touches: readonly Touch[],
  {
    clears = CLEARS,
    own = [],
    face = {},
  }: { clears?: readonly Product[]; own?: readonly Product[]; face?: Partial<Region> } = {},
): Finishing {
  let n = 0;
  const productOf = lookup(own);
  const on = region({ material: "petg", conditions: ["keyed", "clean"], ...face });
  return finished({
    touches,
    layers,
    clears,
    productOf,
    freshId: () => `t${++n}`,
    weigh: (all) => {
      const a = judgeStack({
        region: on,
        stack: { prep: [], layers: all },
        productOf,
        protection: ["extraction", "a2p3", "gloves", "eye-cover"],
        air: null,
      });
      return a.outcome === "judged" ? a.verdicts.reduce((sum, v) => sum + GRAVITY[v.verdict], 0) : 0;
    },
  });
}
const blue = pile("water-primer", layer("estuary-blue", { coats: 2 })).layers;
const kinds = (f: Finishing) => f.steps.map((s) => s.kind);

describe("their order", () => {
  it("damage before dirt, dust last of all, whatever order they were told in", () => {
    const told = (["dust", "panel-wash", "streaks", "chips", "stains"] as const).map((k) => touch(k));
    expect(kinds(finish(blue, told)).filter((k) => k !== "barrier")).toEqual([
      "chips",
      "panel-wash",
      "streaks",
      "stains",
      "dust",
      "over-all",
    ]);
  });
  it("two of one kind keep the order they were told in", () => {
    const two = [touch("streaks", { name: "port" }), touch("streaks", { name: "starboard" })];
    expect(finish(blue, two).steps.flatMap((s) => s.name ?? [])).toEqual(["port", "starboard"]);
  });
  it("nothing told leaves the pile alone", () => {
    expect(finish(blue, [])).toMatchObject({ steps: [], missing: [], layers: blue });
  });
});

describe("the clears among them", () => {
  it("a decal on matt paint gets gloss under it, is shut in before the dirt, and all is cleared over", () => {
    const matt = product("estuary-blue", { sheen: "matt" });
    const f = finish(blue, [touch("panel-wash"), touch("waterslide")], { own: [matt] });
    expect(kinds(f)).toEqual(["gloss-under", "waterslide", "seal", "panel-wash", "over-all"]);
    expect(shelf.get(f.steps[0]!.productId)!.sheen).toBe("gloss");
    expect(f.missing).toEqual([]);
  });
  it("on gloss paint it needs none, and cut film never does", () => {
    const gloss = product("estuary-blue", { sheen: "gloss" });
    const matt = product("estuary-blue", { sheen: "matt" });
    expect(kinds(finish(blue, [touch("waterslide")], { own: [gloss] }))).toEqual(["waterslide", "over-all"]);
    expect(kinds(finish(blue, [touch("cut-film")], { own: [matt] }))).toEqual(["cut-film", "over-all"]);
  });
  it("a clear the pile ends with stays on top, and no second one is put over it", () => {
    const cleared = [...blue, layer("water-matt", { id: "last" })];
    const f = finish(cleared, [touch("waterslide"), touch("dust")]);
    expect(f.layers.at(-1)!.id).toBe("last");
    expect(kinds(f)).not.toContain("over-all");
  });
  it("a gloss clear that is there already is what a decal is laid on; of two clears the first lies below, the last over all", () => {
    const matt = product("estuary-blue", { sheen: "matt" });
    const glossed = [...blue, layer("water-gloss", { id: "gloss" })];
    const decal = [touch("waterslide")];
    expect(kinds(finish(glossed, decal, { own: [matt] }))).toEqual(["waterslide", "over-all"]);
    const both = finish([...glossed, layer("water-matt", { id: "last" })], [touch("waterslide"), touch("dust")], {
      own: [matt],
    });
    expect(kinds(both)).toEqual(["waterslide", "seal", "dust"]);
    expect(both.layers.findIndex((l) => l.id === "gloss")).toBeLessThan(
      both.layers.findIndex((l) => l.touch?.kind === "waterslide"),
    );
    expect(both.layers.at(-1)!.id).toBe("last");
  });
  it("a wash that would bite the paint below gets a barrier that the wash does not bite; one that does not, none", () => {
    const enamel = pile("grey-primer", layer("lightship-white", { coats: 2 })).layers;
    const f = finish(enamel, [touch("panel-wash")]);
    expect(kinds(f).slice(0, 2)).toEqual(["barrier", "panel-wash"]);
    expect(f.steps[1]!.isGrave).toBe(false);
    expect(kinds(finish(blue, [touch("panel-wash")]))).not.toContain("barrier");
  });
  it("one at hand is taken before one to buy, however soon that is dry", () => {
    const own = CLEARS.find((p) => p.id === "water-matt")!;
    const quick = { ...own, id: "quick", owned: false, label: { ...own.label, recoat: [[1, null]] as const } };
    const f = finish(blue, [touch("chips")], { clears: [quick, own], own: [quick] });
    expect(f.steps.at(-1)).toMatchObject({ kind: "over-all", productId: "water-matt" });
  });
  it("what no can of the shelf is fit for is told, not left out in silence", () => {
    const matt = product("estuary-blue", { sheen: "matt" });
    const none = finish(blue, [touch("waterslide"), touch("dust")], { own: [matt], clears: [] });
    expect(none.missing).toEqual(["gloss-under", "seal", "over-all"]);
    expect(kinds(none)).toEqual(["waterslide", "dust"]);
  });
});

describe("in the pile", () => {
  it("put in once more, nothing changes; with one taken out, only that and its clears go", () => {
    const told = [touch("waterslide"), touch("chips"), touch("panel-wash")];
    const once = finish(blue, told);
    const twice = finish(once.layers, told);
    expect(holdsTouches(once.layers, twice.layers)).toBe(true);
    const fewer = finish(once.layers, told.slice(1));
    expect(fewer.layers.some((l) => l.touch?.kind === "waterslide")).toBe(false);
    expect(fewer.layers.slice(0, blue.length)).toEqual(blue);
    expect(finish(once.layers, []).layers).toEqual(blue);
  });
  it("what lies on part of the face lies there by its name, as thin as it is left", () => {
    const [name] = finish(blue, [touch("streaks", { name: "below the scuppers", share: 0.1 })]).layers.filter(
      (l) => l.touch?.kind === "streaks",
    );
    expect(name).toMatchObject({ spot: 0.1, places: ["below the scuppers"] });
    expect(name!.wftUm!).toBeLessThan(15);
  });
  it("any of them in any order: each once, by rank, under the clear", () => {
    const random = seededRandom(17);
    for (let n = 0; n < 25; n++) {
      const told = TOUCH_KINDS.filter(() => random() < 0.5)
        .map((k) => touch(k))
        .sort(() => random() - 0.5);
      const f = finish(blue, told);
      const own = f.steps.flatMap((s) => (s.name === null ? [] : [s.kind as TouchKind]));
      expect([...own].sort()).toEqual(told.map((t) => t.kind).sort());
      const ranks = own.map((k) => TOUCH_FACTS[k].rank);
      expect(ranks).toEqual([...ranks].sort((a, b) => a - b));
      if (told.length > 0) expect(f.steps.at(-1)!.kind).toBe("over-all");
    }
    expect(DIRT_KINDS.length).toBeGreaterThan(5);
  });
});
