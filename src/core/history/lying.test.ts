import fc from "fast-check";
import { pile, product } from "../../../tests/support/world";
import { type ExtraWork, type Layer, opIds, type Product, type Stack } from "../model";
import { asItLies, type BenchEvent, cansAmong, fold, type Laid } from ".";

const REGION = "deck";
let serial = 0;
const base = (opId: string, atMin: number) => ({ id: `l${++serial}`, regionId: REGION, opId, atMin });
const laidWith = (productId: string, card: Product | null = null): Laid => ({ productId, card, known: "then" });
const coat = (layerId: string, n: number, atMin: number, laid = laidWith("grey-primer"), coats = 1): BenchEvent => ({
  ...base(opIds.coat(layerId, n), atMin),
  kind: "done",
  coats,
  wftUm: 50,
  laid,
});
const step = (opId: string, atMin: number): BenchEvent => ({
  ...base(opId, atMin),
  kind: "done",
  coats: null,
  wftUm: null,
});
const extra = (kind: "asked" | "worked", work: ExtraWork, atMin: number): BenchEvent => {
  const e = base("", atMin);
  return { ...e, opId: opIds.extra(REGION, e.id), kind, work };
};
const unsaid = (e: BenchEvent, atMin: number): BenchEvent => ({ ...base(e.opId, atMin), kind: "taken-back" });
const faceAfter = (...events: BenchEvent[]) => fold(events).faces.get(REGION);
const lies = (...events: BenchEvent[]) =>
  faceAfter(...events)?.layers.map((l) => `${l.layerId}×${l.coats.length}`) ?? [];
const done = (...events: BenchEvent[]) => fold(events).records.map((r) => r.opId);

const STRIP: ExtraWork = { kind: "strip", downTo: null };
const READY = ["wash", "key", "post-cure"].map((s, i) => step(opIds.prep(REGION, s as "wash"), i));

describe("what lies on a face", () => {
  it("coats by layer in the order they were laid; rounds, turns and rubs are no layers of the pile", () =>
    expect(
      lies(
        coat("p", 1, 10),
        coat("p", 2, 30),
        step(opIds.sand("p"), 200),
        coat("p~r1p", 1, 300),
        step(opIds.turn(opIds.coat("p", 1), 1), 20),
        coat("c", 1, 900, laidWith("buoy-red")),
      ),
    ).toEqual(["p×2", "c×1"]));
  it("stripped, the face is bare again and has to be got ready; the lamp's work stays", () => {
    const events = [...READY, coat("p", 1, 10), extra("worked", STRIP, 50)];
    expect(lies(...events)).toEqual([]);
    expect(done(...events)).toEqual([opIds.prep(REGION, "post-cure"), events.at(-1)!.opId]);
  });
  it("stripped down to a layer, what lies under it stays with all that was done to it", () => {
    const events = [...READY, coat("p", 1, 10), step(opIds.sand("p"), 100), coat("c", 1, 300), coat("v", 1, 900)];
    expect(lies(...events, extra("worked", { kind: "strip", downTo: "p" }, 990))).toEqual(["p×1"]);
    expect(done(...events, extra("worked", { kind: "strip", downTo: "p" }, 990))).toEqual(
      expect.arrayContaining([opIds.prep(REGION, "wash"), opIds.sand("p")]),
    );
  });
  it("a strip unsaid gives everything back; what went on after it counts anew", () => {
    const strip = extra("asked", STRIP, 50);
    expect(lies(coat("p", 1, 10), strip)).toEqual([]);
    expect(lies(coat("p", 1, 10), strip, unsaid(strip, 60))).toEqual(["p×1"]);
    const again = fold([coat("p", 1, 10), strip, step(strip.opId, 70), coat("p", 1, 500)]);
    expect(again.records.find((r) => r.opId === opIds.coat("p", 1))).toMatchObject({ endMin: 500 });
    expect(again.faces.get(REGION)!.extra).toEqual([{ opId: strip.opId, work: STRIP, atMin: 50, doneMin: 70 }]);
  });
  it("a film measured on what was stripped since is no longer there", () => {
    const gauge: BenchEvent = { ...base(opIds.gauge(REGION, "g"), 40), kind: "measured", layerId: "p", dftUm: 35 };
    expect(faceAfter(coat("p", 1, 10), gauge)!.measuredUm).toEqual(new Map([["p", 35]]));
    expect(faceAfter(coat("p", 1, 10), gauge, extra("worked", STRIP, 50))!.measuredUm.size).toBe(0);
  });
  it("whatever is done and stripped to the material, nothing lies there and nothing of it is done", () => {
    const event = fc.record({
      layer: fc.constantFrom("p", "c", "v"),
      what: fc.constantFrom("coat", "sand", "mask", "rub", "wash"),
      at: fc.integer({ min: 0, max: 500 }),
    });
    fc.assert(
      fc.property(fc.array(event, { maxLength: 20 }), (list) => {
        const events = list.map(({ layer, what, at }): BenchEvent => {
          if (what === "coat") return coat(layer, 1, at);
          if (what === "sand" || what === "mask") return step(opIds[what](layer), at);
          return extra(
            "worked",
            what === "rub" ? { kind: "rub", grit: 400, wet: true, takesUm: 5 } : { kind: "wash", how: "rinse" },
            at,
          );
        });
        const strip = extra("worked", STRIP, 600);
        const { faces, records, standing } = fold([...events, strip]);
        expect(faces.get(REGION)!.layers).toEqual([]);
        expect(records.filter((r) => ["p", "c", "v"].some((l) => r.opId.startsWith(`${l}:`)))).toEqual([]);
        expect(standing).toHaveLength(events.length + 1);
        expect(fold([...events, strip, unsaid(strip, 601)]).records).toEqual(fold(events).records);
      }),
      { seed: 5, numRuns: 200 },
    );
  });
});

const shelf = new Map(["grey-primer", "water-primer", "buoy-red"].map((id) => [id, product(id)]));
const own = (id: string, productId: string, over: Partial<Layer> = {}) => ({
  ...pile(productId).layers[0]!,
  id,
  ...over,
});

describe("a pile as it lies", () => {
  const stack = (...layers: Layer[]) => ({ prep: [], layers });
  const primed = () => faceAfter(coat("p", 1, 10), coat("p", 2, 30));
  const asLaid = (s: Stack, face = primed(), products: ReadonlyMap<string, Product> = shelf) =>
    asItLies(s, face, cansAmong(products));
  it.each([
    [
      "as it was",
      stack(own("p", "grey-primer", { coats: 2 }), own("c", "buoy-red")),
      [],
      ["p grey-primer 2", "c buoy-red 1"],
    ],
    [
      "another product in the layer",
      stack(own("p", "water-primer", { coats: 2 })),
      ["other-product p"],
      ["p grey-primer 2"],
    ],
    ["fewer coats", stack(own("p", "grey-primer")), ["more-coats p"], ["p grey-primer 2"]],
    ["the layer taken out", stack(own("c", "buoy-red")), ["not-in-pile p"], ["p grey-primer 2", "c buoy-red 1"]],
    [
      "one put under it",
      stack(own("u", "water-primer"), own("p", "grey-primer", { coats: 2 })),
      ["below-laid u"],
      ["u water-primer 1", "p grey-primer 2"],
    ],
  ])("%s", (_, s, differences, layers) => {
    const told = asLaid(s);
    expect(told.differences.map((d) => `${d.kind} ${d.layerId}`)).toEqual(differences);
    expect(told.stack.layers.map((l) => `${l.id} ${l.productId} ${l.coats}`)).toEqual(layers);
  });
  it("laid layers swapped in the pile stand in the order they were laid, and what is to come stays where it is", () => {
    const face = faceAfter(coat("p", 1, 10), coat("c", 1, 900, laidWith("buoy-red")));
    const swapped = stack(own("c", "buoy-red"), own("p", "grey-primer"), own("v", "water-primer"));
    const told = asLaid(swapped, face);
    expect(told.differences).toEqual([{ kind: "out-of-order", layerId: "p" }]);
    expect(told.stack.layers.map((l) => l.id)).toEqual(["p", "c", "v"]);
    expect(asLaid(told.stack, face).differences).toEqual([]);
  });
  it("nothing done, nothing changed: the very same pile", () => {
    const s = stack(own("c", "buoy-red"));
    expect(asItLies(s, undefined, cansAmong(shelf)).stack).toBe(s);
  });
  it("a card put right later is the same can; another name with another binder or role is not, nor is a can that is gone", () => {
    const card = { ...product("grey-primer"), id: "then-1" };
    const face = faceAfter(coat("p", 1, 10, laidWith("grey-primer", card)));
    const s = stack(own("p", "grey-primer"));
    const today = (over: Partial<Product>) =>
      new Map([...shelf, ["grey-primer", { ...product("grey-primer"), ...over }]]);
    const liesAs = (products: ReadonlyMap<string, Product>) => asLaid(s, face, products).stack.layers[0]!.productId;
    expect(liesAs(today({ label: { ...card.label, sandableMin: 90 }, name: "Grey primer" }))).toBe("grey-primer");
    expect(liesAs(today({ family: "alkyd", carriers: ["aliphatic"] }))).toBe("grey-primer");
    expect(liesAs(today({ name: "Renamed", family: "unknown" }))).toBe("grey-primer");
    expect(liesAs(today({ name: "Refilled", family: "alkyd" }))).toBe("then-1");
    expect(liesAs(today({ name: "Refilled", role: "clear" }))).toBe("then-1");
    expect(asLaid(s, face, today({ name: "Refilled", role: "clear" })).differences).toEqual([]);
    expect(liesAs(new Map([["buoy-red", product("buoy-red")]]))).toBe("then-1");
  });
});
