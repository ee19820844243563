/** The colour scheme of a face from what is typed to the pile: stored, refused where it cannot be, put in, exported. */

import type { Scheme } from "@/core/model";
import { colourDistance, hexLuminance } from "@/core/numbers";
import { logTitle, workText } from "@/messages";
import { freshStore, must, refusal } from "../../tests/support/store";
import { product } from "../../tests/support/world";
import * as server from ".";

freshStore();

const DONE = { minutesAgo: 0, coats: null, wftUm: null, tempC: null, rhPct: null, note: "" };
const LAYER = { heaviness: "wet", wftUm: null, gapMin: null, before: [], sandAfter: null };
const paint = (id: string, colour: string) =>
  must(server.addProduct({ ...product("water-primer"), name: id, role: "colour", colour, opaqueDftUm: 30 })).id;

function bench() {
  const modelId = must(server.addModel({ name: "Punt", scale: "", note: "" })).id;
  const { regionId } = must(server.addPart(modelId, { name: "Hull", count: 1, note: "" }));
  must(server.editNode("region", regionId, 0, { material: "petg", conditions: ["keyed", "clean"], areaCm2: 300 }));
  const primer = must(server.addProduct(product("water-primer"))).id;
  const clear = must(server.addProduct({ ...product("water-primer"), name: "clear", role: "clear" })).id;
  const [red, cream] = [paint("red", "#a8231f"), paint("cream", "#ece2c4")];
  const layers = [primer, clear].map((productId, n) => ({ ...LAYER, id: `l${n}`, productId, coats: 1 }));
  must(server.saveStack(regionId, 0, { prep: [], layers }));
  const scheme: Scheme = {
    fields: [
      { name: "top", share: 0.6, productId: cream, coats: null },
      { name: "bottom", share: 0.4, productId: red, coats: null },
    ],
    edges: [{ between: ["top", "bottom"], kind: "hard", cm: 40 }],
    order: null,
  };
  return { modelId, regionId, red, cream, scheme };
}
type Bench = ReturnType<typeof bench>;
const rose = ({ red, cream }: Bench, ml: number) => ({
  name: "rose",
  parts: [
    { id: red, parts: 1 },
    { id: cream, parts: 3 },
  ],
  ml,
  note: "",
});
const screen = (b: Bench) => must(server.getColourScreen(b.modelId, b.regionId)).chosen!;
const tell = (b: Bench, scheme: unknown) => server.editNode("region", b.regionId, screen(b).rev, { scheme });
const pile = (b: Bench) =>
  must(server.getJudged(b.modelId)).find((r) => r.node.region.id === b.regionId)!.node.stack.layers;

it("is kept, ordered and put between what lies below and above", () => {
  const b = bench();
  must(tell(b, b.scheme));
  const { best, inStack, stackRev } = screen(b);
  expect(best!.exact).toBe(true);
  expect(inStack).toBe(false);
  must(server.applyScheme(b.regionId, stackRev));
  expect(pile(b).map((l) => l.productId)).toEqual([expect.any(String), ...best!.ids, expect.any(String)]);
  expect(screen(b).inStack).toBe(true);
  // again, it takes its own place
  must(server.applyScheme(b.regionId, screen(b).stackRev));
  expect(pile(b)).toHaveLength(4);
});

it("another order is the user's, with what it costs more; the best comes back", () => {
  const b = bench();
  must(tell(b, b.scheme));
  const { best } = screen(b);
  must(tell(b, { ...b.scheme, order: [...best!.ids].reverse() }));
  const { wanted } = screen(b);
  expect(wanted!.ids).toEqual([...best!.ids].reverse());
  expect(wanted!.cost).toBeGreaterThanOrEqual(best!.cost);
  must(server.applyScheme(b.regionId, screen(b).stackRev));
  expect(
    pile(b)
      .slice(1, 3)
      .map((l) => l.productId),
  ).toEqual(wanted!.ids);
});

describe("what cannot be is refused by its field", () => {
  const rows: readonly [string, (s: Scheme) => unknown, string][] = [
    [
      "more than the face",
      (s) => ({ ...s, fields: s.fields.map((f) => ({ ...f, share: 0.7 })) }),
      "scheme.fields.1.share",
    ],
    [
      "a name twice",
      (s) => ({ ...s, fields: s.fields.map((f) => ({ ...f, name: "top" })), edges: [] }),
      "scheme.fields.1.name",
    ],
    ["an edge to a field that is gone", (s) => ({ ...s, fields: s.fields.slice(0, 1) }), "scheme.edges.0.between"],
    [
      "an edge with itself",
      (s) => ({ ...s, edges: [{ ...s.edges[0]!, between: ["top", "top"] }] }),
      "scheme.edges.0.between",
    ],
    ["a colour of the order that is none", (s) => ({ ...s, order: ["nothing"] }), "scheme.order.0"],
    ["no coats at all", (s) => ({ ...s, fields: s.fields.map((f) => ({ ...f, coats: 0 })) }), "scheme.fields.0.coats"],
    ["an edge of nought", (s) => ({ ...s, edges: [{ ...s.edges[0]!, cm: 0 }] }), "scheme.edges.0.cm"],
  ];
  it.each(rows)("%s", (_, wrong, path) => {
    const b = bench();
    expect(refusal(tell(b, wrong(b.scheme)))).toBe(`invalid ${path}`);
    expect(screen(b).scheme.fields).toEqual([]);
  });
  it("nothing to lay, or a pile somebody changed meanwhile", () => {
    const b = bench();
    expect(refusal(server.applyScheme(b.regionId, 1))).toBe("refused");
    must(tell(b, { ...b.scheme, fields: b.scheme.fields.map((f) => ({ ...f, productId: null })) }));
    expect(refusal(server.applyScheme(b.regionId, screen(b).stackRev))).toBe("refused");
    must(tell(b, b.scheme));
    expect(refusal(server.applyScheme(b.regionId, screen(b).stackRev - 1))).toBe("conflict");
  });
});

it("a colour of a scheme stays on the shelf, and goes with the document under its own name", () => {
  const b = bench();
  must(tell(b, b.scheme));
  expect(refusal(server.deleteProduct(b.red))).toBe("in-use");
  const text = must(server.exportDocument(b.modelId));
  expect(JSON.parse(text).products.map((p: { id: string }) => p.id)).toContain(b.red);
  const copy = must(server.importText(text, { onExisting: "copy", takeShop: false })).modelId;
  const chosen = must(server.getColourScreen(copy, null)).chosen!;
  expect(chosen.scheme).toEqual(b.scheme);
  expect(chosen.best!.ids.toSorted()).toEqual([b.red, b.cream].toSorted());
});

it("a mix is a product of its own: shade, solids and waits of what is in it; what may share no cup is refused", () => {
  const b = bench();
  const mix = rose(b, 12);
  const { id } = must(server.makeMix(mix));
  const made = must(server.getShelf()).find((i) => i.product.id === id)!.product;
  expect(made).toMatchObject({ name: "rose", leftMl: 12, role: "colour", owned: true });
  expect(made.colour).not.toBe("#a8231f");
  const enamel = must(
    server.addProduct({
      ...product("water-primer"),
      name: "oil",
      role: "colour",
      family: "alkyd",
      carriers: ["aliphatic"],
    }),
  ).id;
  expect(refusal(server.makeMix({ ...mix, parts: [...mix.parts, { id: enamel, parts: 1 }] }))).toBe("refused");
  expect(refusal(server.makeMix({ ...mix, parts: [{ id: "gone", parts: 1 }] }))).toBe("invalid parts.0.id");
  expect(refusal(server.makeMix({ ...mix, parts: [] }))).toBe("invalid parts");
});

describe("a mix put right", () => {
  const mixed = () => {
    const b = bench();
    const { id } = must(server.makeMix(rose(b, 10)));
    const item = () => must(server.getShelf()).find((i) => i.product.id === id)!;
    const correct = (told: unknown, rev = item().rev) => server.correctMix(id, rev, told);
    return { b, id, item, correct };
  };
  it("by drops: the shade moves towards what was dropped in, what is left grows by it, and every shade is kept", () => {
    const { b, item, correct } = mixed();
    const before = item().product;
    const black = paint("black", "#101010");
    must(correct({ kind: "drops", addId: black, drops: 40 }));
    const { product } = item();
    expect(product.leftMl).toBeCloseTo(12, 6);
    expect(hexLuminance(product.colour)).toBeLessThan(hexLuminance(before.colour));
    expect(product.name).toBe("rose");
    expect(product.recipe!.parts).toEqual([
      { name: "red", parts: 1 },
      { name: "cream", parts: 3 },
    ]);
    expect(product.recipe!.steps.map((s) => [s.kind, s.drops, s.name, s.colour])).toEqual([
      ["mixed", null, "", before.colour],
      ["drops", 40, "black", product.colour],
    ]);
    // and by the shade it dried to, which the next drops go on from
    must(correct({ kind: "dried", colour: "#aa7766" }));
    expect(item().product.colour).toBe("#aa7766");
    must(correct({ kind: "drops", addId: b.cream, drops: 5 }));
    expect(item().product.recipe!.steps.map((s) => s.kind)).toEqual(["mixed", "drops", "dried", "drops"]);
    expect(colourDistance(item().product.colour, "#aa7766")).toBeLessThan(6);
  });
  it("goes with the shelf’s files as it is", () => {
    const { b, item, correct } = mixed();
    must(correct({ kind: "drops", addId: b.cream, drops: 3 }));
    const { recipe } = item().product;
    const csv = must(server.exportShelf("csv"));
    must(server.importShelf(csv, "csv", "replace"));
    expect(item().product.recipe).toEqual(recipe);
  });
  it("is refused by its field where it cannot be", () => {
    const { b, id, item, correct } = mixed();
    const rows: readonly [unknown, string][] = [
      [{ kind: "drops", addId: b.cream, drops: 0 }, "invalid drops"],
      [{ kind: "drops", addId: b.cream, drops: 2.5 }, "invalid drops"],
      [{ kind: "drops", addId: "gone", drops: 2 }, "invalid addId"],
      [{ kind: "drops", addId: id, drops: 2 }, "invalid addId"],
      [{ kind: "dried", colour: "rose" }, "invalid colour"],
      [{ kind: "shaken" }, "invalid kind"],
    ];
    for (const [told, fault] of rows) expect(refusal(correct(told))).toBe(fault);
    expect(refusal(correct({ kind: "dried", colour: "#aa7766" }, item().rev - 1))).toBe("conflict");
    const oil = must(
      server.addProduct({
        ...product("water-primer"),
        name: "oil",
        role: "colour",
        family: "alkyd",
        carriers: ["aliphatic"],
      }),
    ).id;
    expect(refusal(correct({ kind: "drops", addId: oil, drops: 2 }))).toBe("refused");
    expect(refusal(server.correctMix(b.red, 0, { kind: "dried", colour: "#aa7766" }))).toBe("refused");
    must(server.saveProduct(item().rev, { ...item().product, leftMl: null }));
    expect(refusal(correct({ kind: "drops", addId: b.cream, drops: 2 }))).toBe("refused");
    expect(item().product.recipe!.steps).toHaveLength(1);
  });
});

it("a colour that comes in beside its namesake is the scheme's own", () => {
  const b = bench();
  must(tell(b, { ...b.scheme, order: [b.red, b.cream] }));
  const doc = JSON.parse(must(server.exportDocument(b.modelId))) as { products: { id: string; colour: string }[] };
  doc.products.find((p) => p.id === b.red)!.colour = "#123456";
  const { modelId, products } = must(server.importText(JSON.stringify(doc), { onExisting: "copy", takeShop: false }));
  expect(products.broughtInBeside).toEqual(["red"]);
  const { scheme, best } = must(server.getColourScreen(modelId, null)).chosen!;
  const own = scheme.fields.find((f) => f.name === "bottom")!.productId!;
  expect(own).not.toBe(b.red);
  expect(scheme.order).toEqual([own, b.cream]);
  expect(best!.ids).toContain(own);
});

it("once a colour lies on the part the scheme is not put in anew", async () => {
  const b = bench();
  must(tell(b, b.scheme));
  must(server.applyScheme(b.regionId, screen(b).stackRev));
  expect(screen(b).begun).toBe(false);
  const first = pile(b)[1]!;
  for (let opId = ""; !opId.startsWith(`${first.id}:coat`); ) {
    opId = must(server.getBench(b.modelId)).tiles.find((t) => t.regionId === b.regionId)!.op!.id;
    must(server.startOp(b.regionId, { opId, reason: "felt hard" }, logTitle, String));
    must(server.finishOp(b.regionId, { ...DONE, opId }, logTitle));
  }
  expect(screen(b).begun).toBe(true);
  must(tell(b, { ...b.scheme, order: [...screen(b).best!.ids].reverse() }));
  expect(refusal(server.applyScheme(b.regionId, screen(b).stackRev))).toBe("refused layers");
  expect(pile(b)[1]!.id).toBe(first.id);
});

describe("markings and dirt of a face", () => {
  const shelfed = () => {
    const b = bench();
    must(tell(b, b.scheme));
    must(server.applyScheme(b.regionId, screen(b).stackRev));
    const sheet = must(server.addProduct(product("name-decals"))).id;
    const wash = must(server.addProduct(product("rust-wash"))).id;
    const gloss = must(server.addProduct({ ...product("water-matt"), name: "gloss", sheen: "gloss" })).id;
    const touches = [
      { name: "rust", kind: "streaks", productId: wash, share: 0.1, count: 3 },
      { name: "number", kind: "waterslide", productId: sheet, share: 0.02, count: 2 },
    ];
    return { b, sheet, wash, gloss, touches };
  };
  const say = (b: Bench, touches: unknown) => server.editNode("region", b.regionId, screen(b).rev, { touches });
  const kinds = (b: Bench) => pile(b).flatMap((l) => l.touch?.kind ?? []);

  it("lie in the pile in their order over the colours and under the clear, and are planned as such", async () => {
    const { b, touches } = shelfed();
    must(say(b, touches));
    const { steps, inStack } = screen(b).finishing;
    expect(steps.flatMap((s) => s.name ?? [])).toEqual(["number", "rust"]);
    expect(inStack).toBe(false);
    must(server.applyTouches(b.regionId, screen(b).stackRev));
    expect(screen(b).finishing.inStack).toBe(true);
    expect(kinds(b).filter((k) => k === "waterslide" || k === "streaks")).toEqual(["waterslide", "streaks"]);
    expect(pile(b).at(-1)!.touch).toBeUndefined();
    const answer = must(await server.makePlan(b.modelId));
    if (answer.outcome !== "planned") throw new Error(answer.outcome);
    const op = answer.ops.find((o) => o.touch?.kind === "waterslide" && o.kind === "coat")!;
    // ten minutes of soaking and setting out, four for each of the two
    expect(op.handsOnMin).toBeGreaterThanOrEqual(15);
    expect(op.handsOnMin).toBeLessThanOrEqual(25);
    expect(workText(op, () => "Sheet")).toBe("Waterslide decals: Sheet, on number, 2 pieces");
    // taken off the list and put in anew, the pile is as it was
    must(say(b, []));
    must(server.applyTouches(b.regionId, screen(b).stackRev));
    expect(kinds(b)).toEqual([]);
  });
  it("are refused by their field where they cannot be", () => {
    const { b, touches, sheet } = shelfed();
    const [rust, number] = touches;
    const rows: readonly [unknown, string][] = [
      [[{ ...rust, share: 0 }], "touches.0.share"],
      [[{ ...rust, share: 1.2 }], "touches.0.share"],
      [[{ ...rust, count: 0 }], "touches.0.count"],
      [[{ ...rust, kind: "snow" }], "touches.0.kind"],
      [[rust, { ...number, name: "rust" }], "touches.1.name"],
      [[{ ...rust, name: "" }], "touches.0.name"],
    ];
    for (const [wrong, path] of rows) expect(refusal(say(b, wrong))).toBe(`invalid ${path}`);
    must(say(b, [{ ...rust, productId: sheet }]));
    expect(refusal(server.applyTouches(b.regionId, screen(b).stackRev))).toBe("invalid touches.0.productId");
    expect(refusal(say(b, [{ ...rust, productId: "gone" }]))).toBe("invalid touches.0.productId");
    const [top] = b.scheme.fields;
    const lost = { ...b.scheme, fields: [{ ...top!, productId: "gone" }], edges: [], order: null };
    expect(refusal(tell(b, lost))).toBe("invalid scheme.fields.0.productId");
    expect(kinds(b)).toEqual([]);
  });
  it("what they are made with stays on the shelf, and they go with the document", () => {
    const { b, touches, wash } = shelfed();
    must(say(b, touches));
    must(server.applyTouches(b.regionId, screen(b).stackRev));
    expect(refusal(server.deleteProduct(wash))).toBe("in-use");
    const text = must(server.exportDocument(b.modelId));
    const copy = must(server.importText(text, { onExisting: "copy", takeShop: false })).modelId;
    const chosen = must(server.getColourScreen(copy, null)).chosen!;
    expect(chosen.touches).toEqual(touches);
    expect(chosen.finishing.inStack).toBe(true);
    const doc = JSON.parse(text);
    doc.parts[0].regions[0].touches[0].productId = "gone";
    expect(refusal(server.importText(JSON.stringify(doc), { onExisting: "copy", takeShop: false }))).toMatch(
      /^invalid parts\.0\.regions\.0/,
    );
  });
});

describe("a sum taken over into the layer it is of", () => {
  it("is offered where it says something new, written with the pile as it was seen, and refused by its field", () => {
    const b = bench();
    const primer = pile(b)[0]!;
    const sum = () =>
      must(
        server.getSum("film", {
          productId: primer.productId,
          regionId: b.regionId,
          typed: { way: "wet-from-dry", filmUm: 20, solidsPct: 40 },
        }),
      );
    const [offer] = sum().takes;
    expect(offer).toMatchObject({ layerId: primer.id, n: 1, taken: { wftUm: 50 } });
    must(server.takeIntoLayer(b.regionId, offer!.stackRev, primer.id, offer!.taken));
    expect(pile(b)[0]!.wftUm).toBe(50);
    expect(sum().takes).toEqual([]);
    expect(refusal(server.takeIntoLayer(b.regionId, offer!.stackRev, primer.id, { coats: 2 }))).toBe("conflict");
    const { stackRev } = screen(b);
    expect(refusal(server.takeIntoLayer(b.regionId, stackRev, primer.id, { coats: 0 }))).toBe("invalid coats");
    expect(refusal(server.takeIntoLayer(b.regionId, stackRev, primer.id, { productId: "other" }))).toMatch(/^invalid/);
    expect(refusal(server.takeIntoLayer(b.regionId, stackRev, "gone", { coats: 2 }))).toBe("not-found");
    // a sum of another product, or of no face, has nothing to say to it
    const other = must(server.getSum("film", { productId: b.red, regionId: b.regionId, typed: { filmUm: 20 } }));
    expect(other.takes).toEqual([]);
    expect(must(server.getSum("film", { productId: primer.productId, regionId: null, typed: {} })).takes).toEqual([]);
  });
});
