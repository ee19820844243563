import { product } from "../../../tests/support/world";
import { type Claim, type Product, SOURCES } from "../model";
import { onBestEvidence, sourceOf, trustedFigure } from "./evidence";

const claim = (over: Partial<Claim>): Claim => ({
  figure: "sandableMin",
  value: 200,
  source: "own-log",
  note: "",
  ...over,
});
const card = (claims: readonly Claim[], over: Partial<Product> = {}): Product => ({
  ...product("water-primer"),
  source: "label",
  claims,
  ...over,
});

describe("the best evidence of a figure", () => {
  it("is the strongest source, whatever it says: sooner or later", () => {
    for (const value of [170, 3000]) {
      expect(trustedFigure(card([claim({ value })]), "sandableMin")).toMatchObject({ value, source: "own-log" });
      expect(onBestEvidence(card([claim({ value })])).label.sandableMin).toBe(value);
    }
  });
  it("a weaker source never overrides a stronger, at any pair of ranks", () => {
    SOURCES.forEach((own, i) => {
      SOURCES.forEach((said, j) => {
        const p = card([claim({ source: said })], { source: own });
        expect(onBestEvidence(p).label.sandableMin).toBe(j > i || (j === i && 200 > 180) ? 200 : 180);
      });
    });
  });
  it("among equals the longer wait is taken", () => {
    const said = [claim({ value: 190, source: "data-sheet" }), claim({ value: 260, source: "data-sheet" })];
    expect(trustedFigure(card(said), "sandableMin")!.value).toBe(260);
  });
  it("fills in a figure the card does not give", () => {
    expect(product("epoxy-primer").opaqueDftUm ?? null).toBeNull();
    const p = card([claim({ figure: "opaqueDftUm", value: 40, source: "hearsay" })]);
    expect(onBestEvidence(p).opaqueDftUm).toBe(40);
  });
  it("a claim that would put the times out of order is left aside", () =>
    expect(onBestEvidence(card([claim({ figure: "flashMin", value: 400 })])).label.flashMin).toBe(15));
  it("a card without claims is left as it is, to the object", () => {
    const p = product("water-primer");
    expect(onBestEvidence(p)).toBe(p);
    expect(sourceOf({ source: undefined })).toBe("label");
  });
});
