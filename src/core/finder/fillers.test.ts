import { layer, pile, region } from "../../../tests/support/world";
import type { JarId, Product, Region, Verdict } from "../model";
import { cardOfJar } from "../reference";
import { fillersFor } from "./fillers";

/** Gaps told as a modeller would, and which jar of an ordinary shelf he would reach for. */

const JARS: readonly JarId[] = [
  "stopper",
  "tube-putty",
  "water-putty",
  "wall-filler",
  "kneaded-epoxy",
  "body-filler",
  "fine-body-filler",
  "light-putty",
  "instant-glue-filler",
];
const shelf: readonly Product[] = JARS.map((j) => cardOfJar(j, j));
const choices = (over: Partial<Region>) =>
  fillersFor({
    region: region({ conditions: ["keyed", "washed"], ...over }),
    shelf,
    productOf: (id) => shelf.find((p) => p.id === id)!,
    protection: ["extraction", "a2p3", "p3"],
    ground: [],
  });
const verdictOf = (over: Partial<Region>, jar: JarId): Verdict =>
  choices(over).find((c) => c.productId === jar)!.verdict;
const told = (over: Partial<Region>, jar: JarId) =>
  choices(over)
    .find((c) => c.productId === jar)!
    .told.map((t) => t.rule);

describe("which filler", () => {
  it.each<[string, Partial<Region>, JarId, Verdict[]]>([
    [
      "a deep hole in a print wants what hardens by itself",
      { fillDepthUm: 8000, fillWidthUm: 5000 },
      "kneaded-epoxy",
      ["ok", "care"],
    ],
    [
      "a tube putty is not laid eight millimetres deep",
      { fillDepthUm: 8000, fillWidthUm: 5000 },
      "tube-putty",
      ["care", "stop"],
    ],
    ["body filler eats bare foam board", { material: "xps", fillDepthUm: 2000 }, "body-filler", ["stop"]],
    ["nor does a lacquer putty go on it", { material: "xps", fillDepthUm: 500 }, "tube-putty", ["stop"]],
    ["a scratch takes a stopper", { fillDepthUm: 150, fillWidthUm: 600 }, "stopper", ["ok", "care"]],
  ])("%s", (_, over, jar, allowed) => expect(allowed).toContain(verdictOf(over, jar)));

  it("into a crack finer than a hair's breadth a paste does not go, what runs does", () => {
    const crack = { fillDepthUm: 400, fillWidthUm: 80 };
    expect(told(crack, "stopper")).toContain("crack-too-fine");
    expect(told(crack, "instant-glue-filler")).not.toContain("crack-too-fine");
  });
  it("what dries sinks in a wide gap, what hardens by itself does not, and each says which it is", () => {
    const wide = { fillDepthUm: 1500, fillWidthUm: 6000 };
    for (const c of choices(wide)) expect(c.told.some((t) => t.rule === "gap-too-wide")).toBe(c.sinks);
  });
  it("best first, then the soonest; nothing is hidden, and every one that is not fine says why not", () => {
    const all = choices({ fillDepthUm: 2500 });
    expect(all).toHaveLength(JARS.length);
    const order = ["ok", "care", "test", "stop"];
    for (const [n, c] of all.slice(1).entries()) {
      const before = all[n]!;
      expect(order.indexOf(c.verdict)).toBeGreaterThanOrEqual(order.indexOf(before.verdict));
      if (c.verdict === before.verdict) expect(c.sandableMin).toBeGreaterThanOrEqual(before.sandableMin);
    }
    for (const c of all) if (c.verdict !== "ok") expect(c.told.length > 0 || c.tooMany).toBe(true);
  });
  it("deeper never takes fewer skins", () => {
    const skins = (um: number) => new Map(choices({ fillDepthUm: um }).map((c) => [c.productId, c.skins]));
    for (let um = 200; um < 6000; um += 400)
      for (const [id, n] of skins(um)) expect(skins(um + 400).get(id)!).toBeGreaterThanOrEqual(n);
  });
  it("a material nobody told has no choice of fillers", () =>
    expect(choices({ material: null, fillDepthUm: 500 })).toEqual([]));
});

it("what is judged is what is put on: no rub of its own tears through an etch below", () => {
  const etch = cardOfJar("etch-aerosol", "etch-aerosol");
  const all = fillersFor({
    region: region({ material: "white-metal", lead: "none", conditions: ["keyed", "washed"], fillDepthUm: 400 }),
    shelf,
    productOf: (id) => (id === etch.id ? etch : shelf.find((p) => p.id === id)!),
    protection: ["extraction", "a2p3", "p3"],
    ground: pile(layer("etch-aerosol", { id: "e" })).layers,
  });
  expect(all.flatMap((c) => c.told.map((t) => t.rule))).not.toContain("etch-rubbed");
  expect(all.some((c) => c.verdict === "ok")).toBe(true);
});
