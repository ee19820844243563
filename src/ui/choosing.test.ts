import type { CouponView } from "@/contracts";
import { judgeStack } from "@/core/judge";
import { differenceText, stageOf, totalText, tradeText, whyText, wouldText } from "@/messages";
import { layer, lookup, pile, product, region } from "../../tests/support/world";
import { filmsOf, pileText } from "./section/pile";
import { bareVerdict, isLow, isOld, readFacets, shownBy } from "./shelf/facets";
import { factRows, figuresOf, filledIn } from "./shelf/figures";

const TODAY = "2026-11-26";

describe("what narrows the shelf", () => {
  const shown = (query: string, p: Parameters<ReturnType<typeof shownBy>>[0]) =>
    shownBy(readFacets(new URLSearchParams(query)), TODAY)(p);
  it.each([
    ["", "grey-primer", true],
    ["q=cellulose+thinner", "lacquer-thinner", true],
    ["q=mineral+spirits", "white-spirit", true],
    ["q=rattle+can", "grey-primer", true],
    ["q=rattle+can", "water-primer", false],
    ["role=primer", "water-primer", true],
    ["role=primer&bite=B4", "water-primer", false],
    ["bite=B%3F", "tin-without-label", true],
    ["on=xps", "grey-primer", false],
    ["on=xps", "foam-sealer", true],
    ["on=cheese", "grey-primer", true],
    ["stock=buy", "foam-spray-primer", true],
    ["stock=owned", "foam-spray-primer", false],
    ["stock=low", "deck-varnish", false],
  ])("%s and %s: %s", (query, id, want) => expect(shown(query, product(id))).toBe(want));
  it("an unknown carrier counts as the strongest", () => {
    expect(bareVerdict(product("tin-without-label"), "xps")).toBe("stop");
    expect(bareVerdict(product("tin-without-label"), "steel-iron")).toBe("ok");
  });
  it("nearly empty and past its date", () => {
    expect(isLow(product("grey-primer", { leftMl: 79, packMl: 400 }))).toBe(true);
    expect(isLow(product("grey-primer", { leftMl: 80, packMl: 400 }))).toBe(false);
    expect(isLow(product("grey-primer", { leftMl: null, packMl: 400 }))).toBe(false);
    expect(isOld(product("grey-primer", { useBy: "2026-11-25" }), TODAY)).toBe(true);
    expect(isOld(product("grey-primer", { useBy: TODAY }), TODAY)).toBe(false);
  });
});

describe("a card in words", () => {
  it("asks no drying times of a tape, and fills in what a film’s label leaves out", () => {
    expect(figuresOf(product("low-tape"))).toEqual([]);
    expect(figuresOf(product("etch-green"))).toContain("sandableMin");
    expect(filledIn(product("etch-green"), "sandableMin")).toBeGreaterThan(0);
    expect(filledIn(product("low-tape"), "sandableMin")).toBeNull();
  });
  it("tells no family of what leaves no film", () => {
    expect(factRows(product("white-spirit")).map(([n]) => n)).not.toContain("Family");
    expect(factRows(product("water-primer"))).toContainEqual(["Family", "water-borne acrylic", "family"]);
  });
});

describe("trades and reasons in words", () => {
  it.each([
    [[{ axis: "day", by: 2 }], [{ axis: "coupon", by: 1 }], "2 d sooner, but needs a coupon first"],
    [[], [{ axis: "gram", by: 1.25 }], "1.3 g heavier"],
    [[{ axis: "hazard", by: 1 }], [], "1 hazard at the bench fewer"],
    [[], [], "the best by this way of working"],
  ] as const)("%j against %j", (gains, losses, want) => expect(tradeText({ gains, losses })).toBe(want));
  it("names what it is about", () => {
    expect(differenceText({ axis: "detailPct", by: 7.4 }, "loss")).toBe("7 % of the finest groove less kept");
    expect(totalText("hour", 1.5)).toBe("1 h 30 min");
    expect(whyText({ kind: "hazard", productId: "x" }, () => "Gloss")).toMatch(/^Gloss holds isocyanate, or may/);
    expect(whyText({ kind: "nothing-ends", until: "clear" }, () => "")).toContain(
      "ends the stack in a clear over a colour",
    );
  });
});

describe("what is not known", () => {
  const onFoam = (over: Parameters<typeof product>[1]) =>
    judgeStack({
      region: region({ material: "xps", conditions: ["dusted"] }),
      stack: pile("mystery"),
      productOf: lookup([product("water-primer", { id: "mystery", ...over })]),
      protection: ["extraction", "a2p3"],
      air: null,
    });
  it("is named, with what finding it out may bring", () => {
    const answer = onFoam({ carriers: "unknown" });
    const open = answer.outcome === "judged" ? answer.verdicts.find((v) => v.missing.length > 0) : undefined;
    expect(open).toMatchObject({ verdict: "stop", missing: ["product.carriers"] });
    expect(open!.would).toContainEqual({ rule: "bare-bite-stop", verdict: "stop" });
    expect(wouldText(open!.would)).toMatch(
      /^Found out, it may come to: .*stop \(The carrier dissolves this material\.\)/,
    );
  });
  it("once found out is judged for what it is", () => {
    const answer = onFoam({ carriers: ["water"] });
    expect(answer.outcome === "judged" && answer.verdicts.every((v) => v.would === undefined)).toBe(true);
    expect(wouldText(undefined)).toBe("");
  });
});

describe("the section in words", () => {
  const stack = pile(
    layer("build-primer", { coats: 2, heaviness: "wet", sandAfter: { grit: 400, wet: true, takesUm: 18 } }),
    layer("estuary-blue", { coats: 2 }),
  );
  const answer = judgeStack({
    region: region({ conditions: ["washed", "clean"] }),
    stack,
    productOf: lookup(),
    protection: ["extraction", "a2p3"],
    air: null,
  });
  if (answer.outcome !== "judged") throw new Error(answer.outcome);
  const lines = pileText(stack, lookup(), answer, { materialName: "PETG print", ridgeUm: 28, detailUm: null });
  it("tells the top first, every film, what was rubbed off, and the face last", () => {
    expect(lines).toHaveLength(4);
    expect(lines[1]).toMatch(
      /^Layer 2, Estuary blue, satin: 2 light coats, 14\.3 µm dry\. Over High-build primer, aerosol:/,
    );
    expect(lines[2]).toContain(
      "18 µm sanded off. Over the bare face: Care: The carrier softens this material a little",
    );
    expect(lines[3]).toBe("Bare face: PETG print, ridges of 28 µm.");
  });
  it("draws the same films it tells", () => {
    expect(filmsOf(stack, lookup(), answer).map((f) => [f.name, f.verdict])).toEqual([
      ["High-build primer, aerosol", "stop"],
      ["Estuary blue", "ok"],
    ]);
  });
});

describe("where a coupon stands", () => {
  const at = (over: object, ripe: boolean, counts: boolean) =>
    stageOf({ card: { result: null, madeAt: "2026-01-01T00:00:00Z", ...over }, ripe, counts } as CouponView);
  it.each([
    ["nothing painted yet", at({ madeAt: null }, false, false), "planned"],
    ["painted, and not through", at({}, false, false), "curing"],
    ["through, and nobody looked", at({}, true, false), "to-test"],
    ["an early pass goes on curing", at({ result: "pass" }, false, false), "curing"],
    ["and is to be tested again when it is through", at({ result: "pass" }, true, false), "to-test"],
    ["a fail that counts is told, ripe or not", at({ result: "fail" }, false, true), "told"],
    ["a void one is told", at({ result: "void" }, false, false), "told"],
  ])("%s", (_what, stage, want) => expect(stage).toBe(want));
});
