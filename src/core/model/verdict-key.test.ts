import { keyFromPlace, keyOf, layerOfKey, PLACES, rekey } from "./verdict-key";

const pile = (...names: string[]) => names.map((n) => ({ id: n, productId: `${n}-can` }));
const deep = pile(...Array.from({ length: 24 }, (_, n) => `layer-number-${n}`));

describe("the key of a verdict", () => {
  it("names the rule, the place, and the layers and products it was given for", () => {
    const layers = pile("a", "b", "c");
    expect(PLACES.map((kind) => keyOf("rule", { kind, layer: 2 }, layers))).toEqual([
      "rule@region:c=c-can",
      "rule@layer:c=c-can",
      "rule@seam:b=b-can+c=c-can",
      "rule@stack:a=a-can+b=b-can+c=c-can",
      "rule@air:c=c-can",
    ]);
  });
  it.each([
    ["another product below", (l: ReturnType<typeof pile>) => (l[0] = { id: "layer-number-0", productId: "other" })],
    ["two layers swapped", (l: ReturnType<typeof pile>) => l.splice(3, 2, l[4]!, l[3]!)],
    ["one taken out", (l: ReturnType<typeof pile>) => l.splice(7, 1)],
  ])("of a whole deep pile is another one with %s", (_, change) => {
    const other = [...deep];
    change(other);
    const key = (layers: typeof deep) => keyOf("rule", { kind: "stack", layer: layers.length - 1 }, layers);
    expect(key(other)).not.toBe(key(deep));
    expect(key(deep).length).toBeLessThan(500);
  });
  it("gives back the uppermost layer it names, however deep the pile", () => {
    for (const layers of [pile("a"), pile("a", "b"), deep])
      for (const kind of PLACES)
        expect(layerOfKey(keyOf("rule", { kind, layer: layers.length - 1 }, layers))).toBe(layers.at(-1)!.id);
  });
});

describe("keys under other ids", () => {
  const from = deep;
  const to = deep.map((l, n) => ({ id: `fresh-${n}`, productId: n % 2 ? l.productId : `${l.productId}-2` }));
  it("follow the pile they were given for", () => {
    for (const kind of PLACES)
      for (const layer of [0, 1, 23]) {
        const where = { kind, layer };
        expect(rekey(keyOf("rule", where, from), from, to)).toBe(keyOf("rule", where, to));
      }
  });
  it("given for another pile are none", () => {
    expect(rekey(keyOf("rule", { kind: "stack", layer: 2 }, pile("a", "b", "c")), pile("b", "a", "c"), to)).toBeNull();
    expect(rekey("rule@seam2", from, to)).toBeNull();
  });
  it("of the older form go by their place, if it is still there", () => {
    expect(keyFromPlace("rule@seam2", from)).toBe(keyOf("rule", { kind: "seam", layer: 2 }, from));
    expect(keyFromPlace("rule@seam24", from)).toBeNull();
    expect(keyFromPlace(keyOf("rule", { kind: "seam", layer: 2 }, from), from)).toBeNull();
  });
});
