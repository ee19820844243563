import { workText } from "@/messages";
import { layer, lookup, pile, planInput, product, region } from "../../../tests/support/world";
import { type Product, productsNamedIn, type Region, type SandAfter, withProductsRenamed } from "../model";
import { chainOf, coatsUpTo } from "../work";
import { planModel } from "./plan";
import { NO_HABITS } from "./types";

/** How a part is held, and the loop of guide coat and rub, as they stand in the plan. */

const planned = (over: Partial<Region>, sandAfter: SandAfter | null = null) => {
  const stack = pile(layer("water-primer", { id: "p", sandAfter }), layer("water-primer", { id: "c" }));
  const answer = planModel(
    planInput([{ region: region({ id: "r", conditions: ["keyed", "washed"], ...over }), stack }]),
  );
  if (answer.outcome !== "planned") throw new Error(JSON.stringify(answer).slice(0, 300));
  return answer.ops;
};
const names = { name: (id: string) => product(id).name };

describe("what holds a part", () => {
  it("is put on before the first coat, and the spot it covers is touched in after the last", () => {
    const ops = planned({ heldBy: "clip", heldAt: "the stern post" });
    const coats = ops.filter((o) => o.kind === "coat");
    const [hold, touch] = [ops.find((o) => o.kind === "hold")!, ops.find((o) => o.kind === "touch-in")!];
    expect(hold.endMin).toBeLessThanOrEqual(Math.min(...coats.map((o) => o.startMin)));
    expect(touch.startMin).toBeGreaterThan(Math.max(...coats.map((o) => o.endMin)));
    expect(workText(hold, names.name)).toBe("Put it on a clip on a stick, at the stern post");
    expect(workText(touch, names.name)).toBe("Touch in where it was held: the stern post");
  });
  it.each<[string, Partial<Region>, boolean, boolean]>([
    ["a pin leaves its hole where nobody looks", { heldBy: "pin" }, true, false],
    ["a clip under what is covered later is not touched in", { heldBy: "clip", heldHidden: true }, true, false],
    ["forceps need no mounting, but leave their mark", { heldBy: "forceps" }, false, true],
    ["nobody told: nothing is asked", {}, false, false],
  ])("%s", (_, over, hold, touch) => {
    const kinds = new Set(planned(over).map((o) => o.kind));
    expect(kinds.has("hold")).toBe(hold);
    expect(kinds.has("touch-in")).toBe(touch);
  });
});

it("fourteen pieces are put on their clips one by one, and each is touched in", () => {
  const stack = pile(layer("water-primer", { id: "p" }));
  const minutes = (count: number) => {
    const face = region({ id: "r", conditions: ["keyed", "washed"], heldBy: "clip", areaCm2: 5 });
    const answer = planModel(planInput([{ region: face, stack, count }]));
    if (answer.outcome !== "planned") throw new Error(answer.outcome);
    const of = (kind: string) => answer.ops.find((o) => o.kind === kind)!.handsOnMin;
    return [of("hold"), of("touch-in")];
  };
  expect(minutes(1)).toEqual([5, 5]);
  expect(minutes(14)).toEqual([15, 30]);
});

it.each<[string, Partial<Region>, string, number | null, boolean]>([
  ["a hull of 900 mm and a booth of 600", { longestMm: 900 }, "grey-primer", 600, true],
  ["a hull of 500 mm goes in", { longestMm: 500 }, "grey-primer", 600, false],
  ["brushed, it needs no booth", { longestMm: 900 }, "grey-brush", 600, false],
  ["nobody measured the part", {}, "grey-primer", 600, false],
  ["nobody measured the booth", { longestMm: 900 }, "grey-primer", null, false],
])("%s", (_, over, productId, boothMm, told) => {
  const brushed: Product = { ...product("grey-primer"), id: "grey-brush", method: "brush" };
  const face = region({ id: "r", conditions: ["keyed", "washed"], ...over });
  const answer = planModel(
    planInput([{ region: face, stack: pile(layer(productId, { id: "p" })) }], {
      productOf: lookup([brushed]),
      habits: { ...NO_HABITS, boothMm },
    }),
  );
  expect(answer.notices.some((n) => n.kind === "over-booth")).toBe(told);
});

describe("a guide coat", () => {
  const rub: SandAfter = { grit: 400, wet: true, takesUm: 8, until: "lows-only", guideId: "grey-primer" };
  it("is misted on before the rub, dries half an hour, and the rub says when to stop", () => {
    const ops = planned({}, rub);
    const guide = ops.find((o) => o.kind === "guide")!;
    const sand = ops.find((o) => o.kind === "sand")!;
    expect(sand.startMin - guide.endMin).toBeGreaterThanOrEqual(30);
    expect(workText(guide, names.name)).toBe(`Mist a guide coat: ${product("grey-primer").name}`);
    expect(workText(sand, names.name)).toMatch(/until only the lows keep it/);
  });
  it("leaves no film: the coat above waits for the primer, and the rub takes off what it took without it", () => {
    const without = planned({}, { grit: 400, wet: true, takesUm: 8 });
    const took = (ops: typeof without) => ops.find((o) => o.kind === "sand")!.takesUm;
    expect(took(planned({}, rub))).toBe(took(without));
    expect(planned({}, rub).filter((o) => o.kind === "coat")).toHaveLength(
      without.filter((o) => o.kind === "coat").length,
    );
  });
  it("is a product the pile names, and follows it under another id", () => {
    const stack = pile(layer("water-primer", { sandAfter: rub }));
    expect(productsNamedIn(stack)).toContain("grey-primer");
    expect(withProductsRenamed(stack, (id) => `x-${id}`).layers[0]!.sandAfter?.guideId).toBe("x-grey-primer");
  });
});

it("a spot says where on the face it is", () => {
  const stack = pile(layer("fairing-putty", { id: "f", spot: 0.05, places: ["keel seam", "port dent"] }));
  const answer = planModel(planInput([{ region: region({ id: "r", conditions: ["keyed", "washed"] }), stack }]));
  if (answer.outcome !== "planned") throw new Error(answer.outcome);
  const coat = answer.ops.find((o) => o.kind === "coat")!;
  expect(workText(coat, names.name)).toBe(`${product("fairing-putty").name} on keel seam, port dent`);
});

it("spots in other places wait for no film of each other, and what goes over all waits for the last of each", () => {
  const spots = (places: readonly (readonly string[])[]) => {
    const stack = pile(
      ...places.map((p, i) => layer("fairing-putty", { id: `f${i}`, spot: 0.05, depthUm: 400, places: p })),
      layer("water-primer", { id: "w" }),
    );
    const answer = planModel(planInput([{ region: region({ id: "r", conditions: ["keyed", "washed"] }), stack }]));
    if (answer.outcome !== "planned") throw new Error(answer.outcome);
    const at = (id: string) => answer.ops.find((o) => o.id === `${id}:coat:1`)!;
    return { at, apartMin: at("f1").startMin - at("f0").endMin };
  };
  expect(spots([["bow"], ["stern"]]).apartMin).toBe(0);
  expect(spots([["bow"], ["bow"]]).apartMin).toBeGreaterThan(30);
  const { at } = spots([["bow"], ["stern"], ["bow", "port"]]);
  expect(at("f2").startMin - at("f0").endMin).toBeGreaterThan(30);
  for (const id of ["f1", "f2"]) expect(at("w").startMin - at(id).endMin).toBeGreaterThan(60);
});

it("a spot rubbed in one place takes nothing off what lies in another", () => {
  const rub: SandAfter = { grit: 240, wet: false, takesUm: 25 };
  const stack = (rubbed: boolean) =>
    pile(
      layer("water-primer", { id: "w" }),
      layer("fairing-putty", { id: "bow", spot: 0.05, places: ["bow"], sandAfter: rubbed ? rub : null }),
      layer("fairing-putty", { id: "stern", spot: 0.05, places: ["stern"] }),
    );
  const coatsUnder = (rubbed: boolean) => {
    const { layers } = stack(rubbed);
    const seams = layers.map(() => null);
    const chain = chainOf(region({ id: "r", conditions: ["keyed", "washed"] }), { prep: [], layers }, seams, (id) =>
      product(id),
    );
    return coatsUpTo(
      chain,
      "stern:coat:1",
      new Map(),
      (id) => product(id),
      () => 0,
    );
  };
  expect(coatsUnder(true)).toEqual(coatsUnder(false));
  expect(coatsUnder(true)).toHaveLength(2);
});

describe("what stays bare", () => {
  const bare: Partial<Region> = { material: "aluminium", conditions: ["keyed", "washed"], keepBare: ["rim"] };
  const kinds = (over: Partial<Region>) =>
    planned({ ...bare, ...over })
      .map((o) => o.kind)
      .filter((k) => k === "mask" || k === "unmask" || k === "scour");
  it.each<[string, Partial<Region>, string[]]>([
    ["is masked and unmasked", {}, ["mask", "unmask"]],
    ["or painted over and scoured off again", { bareBy: "scour" }, ["scour"]],
    ["nothing stays bare, nothing is scoured", { keepBare: [], bareBy: "scour" }, []],
  ])("%s", (_, over, expected) => expect(kinds(over)).toEqual(expected));
  it("is scoured once the last coat can be rubbed, and its dust settles before anything is sprayed", () => {
    const ops = planned({ ...bare, bareBy: "scour" });
    const scour = ops.find((o) => o.kind === "scour")!;
    expect(scour.dusty).toBe(true);
    expect(scour.startMin).toBeGreaterThan(Math.max(...ops.filter((o) => o.kind === "coat").map((o) => o.endMin)));
    expect(workText(scour, names.name)).toBe("Scour the paint off what stays bare");
  });
});
