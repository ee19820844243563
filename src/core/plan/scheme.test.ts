/** A colour scheme of one face, from its fields to the timetable: what is covered when, for how long, and bared again when. */

import { layer, pile, planInput, product, region } from "../../../tests/support/world";
import { judgeStack } from "../judge";
import { keptShare, type Layer, type Product, type Scheme, type Stack } from "../model";
import { spotShare } from "../numbers";
import {
  aroundScheme,
  bestOrder,
  GROUND_ID,
  groundShade,
  layersOf,
  leftUnpainted,
  priced,
  runMl,
  runsOf,
} from "../scheme";
import { planModel } from "./plan";

const paint = (id: string, colour: string, over: Partial<Product> = {}): Product => ({
  ...product("water-primer"),
  id,
  name: id,
  colour,
  role: "colour",
  effect: "solid",
  opaqueDftUm: 30,
  method: "airbrush",
  ...over,
});
const PAINTS = [
  paint("red", "#a8231f"),
  paint("cream", "#ece2c4", { opaqueDftUm: 60 }),
  paint("black", "#1a1a1c", { opaqueDftUm: 15 }),
  paint("matt", "#dddddd", { role: "clear", opaqueDftUm: null }),
];
const productOf = (id: string): Product => PAINTS.find((p) => p.id === id) ?? product(id);

const SCHEME: Scheme = {
  fields: [
    { name: "topsides", share: 0.6, productId: "cream", coats: null },
    { name: "bottom", share: 0.35, productId: "red", coats: null },
    { name: "boot stripe", share: 0.05, productId: "black", coats: null },
  ],
  edges: [
    { between: ["topsides", "boot stripe"], kind: "hard", cm: 60 },
    { between: ["boot stripe", "bottom"], kind: "hard", cm: 60 },
  ],
  order: null,
};
const face = region({ id: "r", material: "petg", areaCm2: 400, conditions: ["keyed", "washed"], scheme: SCHEME });
const primed: Stack = pile(layer("grey-primer", { id: "p", coats: 2 }), layer("matt", { id: "m", coats: 1 }));
const { below, above } = aroundScheme(primed, SCHEME, productOf);
const runs = runsOf(face, below.at(-1) ?? null, groundShade(face, below, productOf), productOf);
const order = bestOrder(runs);
let ids = 0;
const laid = layersOf(face, order, below, () => `y${ids++}`);
const stack: Stack = { ...primed, layers: [...laid.below, ...laid.fields, ...above] };

describe("fields of a face become layers side by side", () => {
  it("over the primer and under the clear, each as large as its field", () => {
    expect(stack.layers.map((l) => l.productId)).toEqual(["grey-primer", ...order.ids, "matt"]);
    const share = (id: string) => {
      const own = stack.layers.find((l) => l.productId === id)!;
      return spotShare(own, productOf(id), face);
    };
    expect([share("cream"), share("red"), share("black"), share("matt")]).toEqual([0.6, 0.35, 0.05, 1]);
  });
  it("put in again, they take the place of what the scheme put there before", () => {
    const again = aroundScheme(stack, SCHEME, productOf);
    expect(again.below.map((l) => l.id)).toEqual(["p"]);
    expect(again.above.map((l) => l.id)).toEqual(["m"]);
  });
  it("the thin stripe is not what the whole hull is covered for: its order costs no more than the user's", () => {
    for (const ids of [
      ["cream", "red", "black"],
      ["red", "cream", "black"],
      ["black", "red", "cream"],
    ])
      expect(order.cost).toBeLessThanOrEqual(priced(runs, ids).cost + 1e-9);
  });
  it("a pale colour needs more coats where dark mist lies beside it", () => {
    const coatsIn = (ids: readonly string[]) => priced(runs, ids).steps.find((s) => s.id === "cream")!.coats;
    expect(coatsIn(["black", "cream", "red"])).toBeGreaterThanOrEqual(coatsIn(["cream", "black", "red"]));
  });
  it("paint is reckoned for the field, not for the face", () => {
    const ml = runMl(face, order, productOf);
    expect(ml.cream!).toBeGreaterThan(5 * ml.black!);
    expect(ml.cream!).toBeLessThan(40);
  });
});

describe("a soft edge", () => {
  const soft = {
    ...face,
    scheme: { ...SCHEME, edges: SCHEME.edges.map((e) => ({ ...e, kind: "soft" as const, cm: 20 })) },
  };
  const own = layersOf(soft, order, below, () => `w${ids++}`).fields;
  const shareOf = (id: string) => spotShare(own.find((l) => l.productId === id)!, productOf(id), soft);
  it("the colour laid first is carried under the next, in its share and in its paint; the last one is not", () => {
    const last = order.ids.at(-1)!;
    // two edges of 20 cm on 400 cm², a centimetre each: a twentieth of the face all told
    const more = order.ids.reduce((sum, id) => sum + shareOf(id), 0) - 1;
    expect(more).toBeCloseTo(0.1, 9);
    expect(shareOf(last)).toBeCloseTo(SCHEME.fields.find((f) => f.productId === last)!.share, 9);
    const [hard, carried] = [face, soft].map((f) =>
      Object.values(runMl(f, order, productOf)).reduce((a, b) => a + b, 0),
    );
    expect(carried! / hard!).toBeGreaterThan(1.05);
    expect(carried! / hard!).toBeLessThan(1.2);
  });
});

describe("in the plan", () => {
  const answer = planModel(planInput([{ region: face, stack }], { productOf }));
  if (answer.outcome !== "planned") throw new Error(JSON.stringify(answer).slice(0, 400));
  const ops = [...answer.ops].sort((a, b) => a.startMin - b.startMin);
  const of = (kind: string) => ops.filter((o) => o.kind === kind);
  const clear = ops.find((o) => o.productId === "matt")!;
  it("every mask is laid once and comes off once, before what goes over all", () => {
    expect(of("mask")).toHaveLength(order.masks);
    expect(of("unmask")).toHaveLength(order.masks);
    for (const off of of("unmask")) {
      expect(off.endMin).toBeLessThanOrEqual(clear.startMin);
      const on = of("mask").find((o) => o.layerId === off.layerId)!;
      expect(on.endMin).toBeLessThanOrEqual(off.startMin);
    }
  });
  it("a field is covered before every colour laid after it, and waits until tape holds on it", () => {
    for (const on of of("mask")) {
      const own = ops.filter((o) => o.kind === "coat" && o.layerId === on.layerId);
      expect(on.startMin).toBeGreaterThanOrEqual(Math.max(...own.map((o) => o.endMin)));
      const later = ops.filter((o) => o.kind === "coat" && o.productId !== "matt" && o.startMin >= on.endMin);
      expect(later.length).toBeGreaterThan(0);
      expect(on.wait?.milestone).toBe("tape-safe");
    }
  });
  it("a mask over a stripe takes minutes of its edges, not of the whole hull", () => {
    const stripe = stack.layers.find((l) => l.productId === "black")!;
    const on = of("mask").find((o) => o.layerId === stripe.id);
    if (on) expect(on.handsOnMin).toBeLessThanOrEqual(30);
    const whole = of("mask").map((o) => o.handsOnMin);
    expect(Math.max(...whole)).toBeLessThan(60);
  });
});

it("a face without a scheme has no runs", () => expect(runsOf(region({ id: "x" }), null, null, productOf)).toEqual([]));

describe("what stays as it is below", () => {
  // a red bottom below hull grey that is there already: the grey is covered before red is sprayed, and bared at the end
  const kept: Scheme = {
    fields: [
      { name: "topsides", share: 0.6, productId: null, coats: null },
      { name: "bottom", share: 0.3, productId: "red", coats: null },
    ],
    edges: [{ between: ["topsides", "bottom"], kind: "hard", cm: 80 }],
    order: null,
  };
  const half = { ...face, scheme: kept };
  const around = aroundScheme(primed, kept, productOf);
  const own = runsOf(half, around.below.at(-1)!, "#888888", productOf);
  const best = bestOrder(own);
  const put = layersOf(half, best, around.below, () => `z${ids++}`);
  it("is covered before the first colour, with the edge it has in common with it", () => {
    expect(best.ids).toEqual(["red"]);
    expect(best.steps[0]!.covers).toEqual([GROUND_ID]);
    expect(keptShare(kept)).toBeCloseTo(0.7, 9);
    expect(put.below.at(-1)!.tape).not.toBeNull();
  });
  it("in the plan it is masked over its share, and bared before the clear", () => {
    const layers = [...put.below, ...put.fields, ...around.above];
    const answer = planModel(planInput([{ region: half, stack: { ...primed, layers } }], { productOf }));
    if (answer.outcome !== "planned") throw new Error(answer.outcome);
    const [on, off, clear] = ["mask", "unmask"]
      .map((kind) => answer.ops.find((o) => o.kind === kind)!)
      .concat(answer.ops.find((o) => o.productId === "matt")!);
    const red = answer.ops.filter((o) => o.productId === "red");
    expect(on!.endMin).toBeLessThanOrEqual(Math.min(...red.map((o) => o.startMin)));
    expect(off!.startMin).toBeGreaterThanOrEqual(Math.max(...red.map((o) => o.endMin)));
    expect(off!.endMin).toBeLessThanOrEqual(clear!.startMin);
    // 8 min and 0.03 a cm² over 280 cm², and 12 of the edge, in whole steps
    expect(on!.handsOnMin).toBe(30);
  });
  it.each([
    ["film", 45],
    ["fluid", 25],
    ["roll", 40],
  ] as const)("along %s it takes minutes of its own, and says what it is laid along", (kind, minutes) => {
    const edges = [{ ...kept.edges[0]!, kind }];
    const scheme = { ...kept, edges };
    const layers = [...put.below, ...put.fields, ...around.above];
    const answer = planModel(planInput([{ region: { ...half, scheme }, stack: { ...primed, layers } }], { productOf }));
    if (answer.outcome !== "planned") throw new Error(answer.outcome);
    const on = answer.ops.find((o) => o.kind === "mask")!;
    expect(on).toMatchObject({ handsOnMin: minutes, maskedBy: [kind] });
    // along tape alone nothing beside it is said
    expect(answer.ops.filter((o) => o.maskedBy && o.kind !== "mask")).toEqual([]);
  });
  it("the colour laid first is carried on under a putty roll, and not under film", () => {
    const both: Scheme = {
      ...SCHEME,
      fields: SCHEME.fields.slice(0, 2),
      edges: [{ between: ["topsides", "bottom"], kind: "roll", cm: 40 }],
    };
    const spotsAlong = (kind: "roll" | "film") => {
      const edges = [{ ...both.edges[0]!, kind }];
      const own = { ...face, scheme: { ...both, edges } };
      const found = bestOrder(runsOf(own, below.at(-1) ?? null, "#888888", productOf));
      return layersOf(own, found, below, () => "x").fields.map((l) => l.spot ?? null);
    };
    expect(spotsAlong("film")).toEqual([null, null]);
    const [first, second] = spotsAlong("roll");
    // a centimetre along forty of four hundred square centimetres
    expect(first).toBeGreaterThan(0.4);
    expect(second).toBeNull();
  });
});

describe("not painting a field", () => {
  const unpainted = () =>
    leftUnpainted(face, below.at(-1) ?? null, groundShade(face, below, productOf), productOf, order)!;
  it("saves what the best order without it takes less, and its neighbour goes on under it", () => {
    const stripe = unpainted().find((u) => u.field === "boot stripe")!;
    // both its edges are as long: the first of them counts
    expect(stripe.onto).toBe("cream");
    const two: Scheme = {
      ...SCHEME,
      fields: [{ ...SCHEME.fields[0]!, share: 0.65 }, SCHEME.fields[1]!],
      edges: [],
    };
    const left = bestOrder(
      runsOf({ ...face, scheme: two }, below.at(-1) ?? null, groundShade(face, below, productOf), productOf),
    );
    expect(stripe).toMatchObject({ coats: order.coats - left.coats, masks: order.masks - left.masks });
    expect(stripe.handsMin).toBeCloseTo(order.handsMin - left.handsMin, 9);
    expect(stripe.handsMin).toBeGreaterThan(0);
  });
  it("is told of every field that has a colour, and of none where there is only one", () => {
    expect(unpainted().map((u) => u.field)).toEqual(["topsides", "bottom", "boot stripe"]);
    const alone = { ...face, scheme: { ...SCHEME, fields: SCHEME.fields.slice(0, 1), edges: [] } };
    const best = bestOrder(runsOf(alone, null, "#888888", productOf));
    expect(leftUnpainted(alone, null, "#888888", productOf, best)).toEqual([]);
  });
  it("with more than eight colours it is not asked", () => {
    const many = Array.from({ length: 9 }, (_, n) => paint(`c${n}`, "#777777"));
    const fields = many.map((p) => ({ name: p.id, share: 0.1, productId: p.id, coats: 2 }));
    const own = { ...face, scheme: { fields, edges: [], order: null } };
    const of = (id: string) => many.find((p) => p.id === id) ?? productOf(id);
    expect(leftUnpainted(own, null, "#888888", of, bestOrder(runsOf(own, null, "#888888", of)))).toBeNull();
  });
});

it("another colour by hand on a field that is covered: its mask comes off first", () => {
  const by = (id: string, productId: string, places: string[], taped: boolean) =>
    layer(productId, { id, places, tape: taped ? { tack: "low", onMin: null, offMin: null } : null });
  const layers = [
    ...below,
    by("one", "red", ["bottom"], true),
    by("two", "cream", ["topsides"], false),
    by("three", "black", ["bottom"], false),
  ];
  const answer = planModel(planInput([{ region: face, stack: { ...primed, layers } }], { productOf }));
  if (answer.outcome !== "planned") throw new Error(answer.outcome);
  const at = (kind: string, layerId: string) => answer.ops.find((o) => o.kind === kind && o.layerId === layerId)!;
  expect(at("mask", "one").endMin).toBeLessThanOrEqual(at("coat", "two").startMin);
  expect(at("unmask", "one").startMin).toBeGreaterThanOrEqual(at("coat", "two").endMin);
  expect(at("unmask", "one").endMin).toBeLessThanOrEqual(at("coat", "three").startMin);
});

it("tape on what lies under two colours in different places comes off once", () => {
  const layers = [
    layer("grey-primer", { id: "base", tape: { tack: "low", onMin: null, offMin: null } }),
    layer("red", { id: "one", places: ["bow"] }),
    layer("cream", { id: "two", places: ["stern"] }),
  ];
  const plain = region({ id: "r", material: "petg", conditions: ["keyed", "washed"] });
  const answer = planModel(planInput([{ region: plain, stack: { ...primed, layers } }], { productOf }));
  expect(answer.outcome === "planned" && answer.ops.filter((o) => o.kind === "unmask")).toHaveLength(1);
});

it("a colour is judged over what lies under it there, not over its neighbour", () => {
  const judged = (...layers: Layer[]) => {
    const answer = judgeStack({ region: face, stack: { ...primed, layers }, productOf, protection: [], air: null });
    if (answer.outcome !== "judged") throw new Error(answer.outcome);
    const top = layers.length - 1;
    return answer.verdicts
      .filter((v) => v.where.layer === top && v.where.kind === "layer")
      .map((v) => v.code)
      .sort();
  };
  const { baseCoats: coats, coatsOver } = runs.find((r) => r.id === "cream")!;
  expect(coatsOver.black!).toBeGreaterThan(coats);
  const white = layer("grey-primer", { id: "w", coats: 2 });
  const black = (places?: string[]) => layer("black", { id: "b", coats: 2, ...(places ? { places } : {}) });
  const cream = layer("cream", { id: "c", coats, heaviness: "wet", places: ["topsides"] });
  const alone = judged(white, cream);
  expect(judged(white, black(["bottom"]), cream)).toEqual(alone);
  expect(judged(white, black(), cream)).not.toEqual(alone);
});
