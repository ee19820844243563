import type { Claim, Product } from "@/core/model";
import { readLabel } from "@/core/reading";
import { product } from "../../../tests/support/world";
import { blankDraft, type ProductDraft } from "./draft";
import { newest, takeOver, withClaims } from "./take-over";

/** A form as far as taking over asks it: fields by their dotted names. */
function formOf(draft: ProductDraft) {
  const at = (path: string) => {
    const keys = path.split(".");
    const last = keys.pop()!;
    const node = keys.reduce<Record<string, unknown>>((n, k) => n[k] as Record<string, unknown>, draft as never);
    return { node, last };
  };
  return {
    getValues: (path: string) => at(path).node[at(path).last],
    setValue: (path: string, value: unknown) => {
      at(path).node[at(path).last] = value;
    },
  } as unknown as Parameters<typeof takeOver>[0];
}
const taken = (text: string, more: { contents?: boolean; draft?: Partial<ProductDraft> } = {}) => {
  const draft = { ...blankDraft(), ...more.draft };
  const read = readLabel(text);
  const finds = read.found.filter((f) => !f.otherEnd);
  const claims = takeOver(formOf(draft), read, { finds, contents: more.contents ?? true, source: "data-sheet" });
  return { draft, claims };
};

describe("a label taken over", () => {
  it("figures go into their fields as typed, the ranked ones are claimed with their words", () => {
    const { draft, claims } = taken(
      "Touch dry 25 min. Volume solids 41 %. Recoat within 1 h or after 24 h. Pot life 4 h. Thin 2:1.",
    );
    expect(draft.label).toMatchObject({
      touchMin: "25",
      recoat: [
        ["0", "60"],
        ["1440", ""],
      ],
    });
    expect(draft).toMatchObject({ volumeSolids: "41", potLifeMin: "240", source: "data-sheet" });
    expect(draft.note).toContain("Thin: 2:1");
    expect(claims).toEqual([
      { figure: "touchMin", value: 25, source: "data-sheet", note: "“Touch dry 25 min”" },
      { figure: "volumeSolids", value: 0.41, source: "data-sheet", note: "“Volume solids 41 %”" },
    ]);
  });
  it("what it is made of is taken only by who says that it is all; traces do not count", () => {
    const text = "Touch dry 25 min. Contains toluene 108-88-3 10-25 %; methanol 67-56-1 0.5 %.";
    expect(taken(text, { contents: false }).draft).toMatchObject({
      carriers: [],
      carriersUnknown: true,
      confirmed: [],
    });
    expect(taken(text).draft).toMatchObject({
      carriers: ["aromatic"],
      carriersUnknown: false,
      confirmed: ["carriers"],
    });
  });
  it("binder and role fill what is open, and leave what was told", () => {
    const text = "Alkyd primer. Touch dry 25 min.";
    expect(taken(text).draft).toMatchObject({ family: "alkyd", role: "primer" });
    expect(taken(text, { draft: { family: "shellac", role: "sealer" } }).draft).toMatchObject({
      family: "shellac",
      role: "sealer",
    });
  });
});

describe("claims of a card", () => {
  const claim = (figure: Claim["figure"], value: number, source: Claim["source"] = "label"): Claim => ({
    figure,
    value,
    source,
    note: "",
  });
  const card = (touchMin: number, claims?: readonly Claim[]): Product => {
    const p = product("grey-primer");
    return { ...p, label: { ...p.label, touchMin }, claims: claims ?? [] };
  };
  it("a second text adds to the first; of one source the newest stands", () => {
    const first = [claim("touchMin", 20), claim("curedMin", 900)];
    expect(newest(first, [claim("touchMin", 25), claim("touchMin", 30, "data-sheet")])).toEqual([
      claim("curedMin", 900),
      claim("touchMin", 25),
      claim("touchMin", 30, "data-sheet"),
    ]);
  });
  it("a figure corrected in its field afterwards is the field’s", () => {
    expect(withClaims(card(20), [claim("touchMin", 20)]).claims).toEqual([claim("touchMin", 20)]);
    expect(withClaims(card(15), [claim("touchMin", 20)]).claims).toEqual([]);
    const hearsay = claim("touchMin", 90, "hearsay");
    expect(withClaims(card(20, [hearsay]), [claim("touchMin", 20)]).claims).toEqual([hearsay, claim("touchMin", 20)]);
  });
});
