import type { Product } from "@/core/model";
import * as server from "@/server";
import { freshStore, must, refusal } from "../../tests/support/store";
import { DEMO_SHELF } from "./demo/shelf";

freshStore();

const shelf = () => must(server.getShelf()).map((i) => i.product);
const faultsOf = (text: string, kind: server.FileKind = "csv") => must(server.previewShelf(text, kind)).faults;
const HEAD = "name,role,family,carriers,method,label_wft_um,flash_min";
const GOOD = `${HEAD}\nTeal,colour,wb-acrylic,water,brush,40,15\n`;

describe("a shelf goes out and comes in", () => {
  beforeEach(() => void must(server.loadDemo(false)));
  it.each(["csv", "json"] as const)("as %s: every product the same, nothing changed", (kind) => {
    const before = must(server.exportShelf("json"));
    const file = must(server.exportShelf(kind));
    const { lines, faults } = must(server.previewShelf(file, kind));
    expect(faults).toEqual([]);
    expect(lines.map((l) => l.state)).toEqual(DEMO_SHELF.map(() => "same"));
    expect(must(server.importShelf(file, kind, "replace"))).toEqual({ added: 0, changed: 0, kept: DEMO_SHELF.length });
    expect(must(server.exportShelf("json"))).toBe(before);
    expect(must(server.exportShelf(kind))).toBe(file);
  });
  it("into an empty shelf: the same bytes come out", () => {
    const file = must(server.exportShelf("csv"));
    for (const p of shelf()) server.deleteProduct(p.id);
    const left = shelf().length;
    const report = must(server.importShelf(file, "csv", "keep"));
    expect(report.added + left).toBe(DEMO_SHELF.length);
    expect(must(server.exportShelf("csv"))).toBe(file);
  });
  it("names with commas, quotes, line ends and other scripts stay whole", () => {
    const p = { ...shelf()[0]!, id: "odd", name: 'Grün, "tief"', note: "first\nsecond; third" } as Product;
    const { id } = must(server.addProduct({ ...p, id: undefined }));
    const file = must(server.exportShelf("csv"));
    expect(must(server.previewShelf(file, "csv")).lines.every((l) => l.state === "same")).toBe(true);
    expect(shelf().find((x) => x.id === id)).toMatchObject({ name: 'Grün, "tief"', note: "first\nsecond; third" });
  });
});

describe("what is at fault is told by line and column, and nothing is taken over", () => {
  it.each([
    ["a number that is none", GOOD.replace("40", "thick"), [2, "label_wft_um", "must be a number"]],
    ["a role that is none", GOOD.replace("colour", "paint"), [2, "role", /^must be one of degreaser, stripper/]],
    ["a heading nobody knows", GOOD.replace("flash_min", "blink"), [1, "blink", "is no column known here"]],
    ["no name column", GOOD.replace("name,", "maker,"), [1, "name", "is missing from the heading line"]],
    ["a short line", GOOD.replace(",15", ""), [2, "", "has 6 cells where the heading has 7"]],
    ["an empty file", "", [1, "", "the file holds nothing"]],
    ["nothing but a byte mark", "\uFEFF", [1, "", "the file holds nothing"]],
  ] as const)("%s", (_what, text, [line, column, message]) => {
    expect(faultsOf(text)).toContainEqual({
      line,
      column,
      message: typeof message === "string" ? message : expect.stringMatching(message),
    });
    expect(refusal(server.importShelf(text, "csv", "replace"))).toMatch(/^invalid/);
    expect(shelf()).toEqual([]);
  });
  it("one bad line in three keeps the other two out, and is counted past a quoted line end", () => {
    const text = `${HEAD},note\nA,colour,wb-acrylic,water,brush,40,15,"two\nlines"\nB,colour,wb-acrylic,water,brush,-4,15,\nC,colour,wb-acrylic,water,brush,40,15,\n`;
    expect(faultsOf(text)).toEqual([{ line: 4, column: "label_wft_um", message: "must be between 1 and 20000 µm" }]);
    expect(refusal(server.importShelf(text, "csv", "keep"))).toMatch(/^invalid/);
    expect(shelf()).toEqual([]);
  });
  it("the same id twice", () =>
    expect(
      faultsOf("id,name,role,method,label_wft_um,flash_min\nx,A,colour,brush,40,15\nx,B,colour,brush,40,15\n"),
    ).toEqual([{ line: 3, column: "id", message: "x stands on line 2 already" }]));
  it("a JSON file of another kind, and one that is none", () => {
    expect(faultsOf('{"format":"else"}', "json")[0]).toMatchObject({ column: "format" });
    expect(faultsOf("{ nearly", "json")[0]!.message).toMatch(/^is not JSON/);
  });
});

describe("what is here already", () => {
  it("is kept or replaced as asked, and a decimal comma is read", () => {
    must(server.importShelf(GOOD, "csv", "keep"));
    const thicker = GOOD.replace("40,15", '"42,5",15');
    expect(must(server.previewShelf(thicker, "csv")).lines).toEqual([{ line: 2, name: "Teal", state: "differs" }]);
    expect(must(server.importShelf(thicker, "csv", "keep"))).toEqual({ added: 0, changed: 0, kept: 1 });
    expect(shelf()[0]!.label.wftUm).toBe(40);
    expect(must(server.importShelf(thicker, "csv", "replace"))).toEqual({ added: 0, changed: 1, kept: 0 });
    expect(shelf()[0]!.label.wftUm).toBe(42.5);
  });
});

describe("a short file fills itself", () => {
  const one = (text: string) => {
    must(server.importShelf(text, "csv", "keep"));
    return shelf().at(-1)!;
  };
  it("name and role are enough: the rest is assumed, the slow way, and nothing decides a danger", () => {
    const p = one("name,role\nOld tin,colour\n");
    expect(p).toMatchObject({
      role: "colour",
      family: "unknown",
      carriers: "unknown",
      method: "brush",
      source: "assumed",
    });
    expect(p.label.touchMin).toBe(360);
    expect(p.label.wftUm).toBeGreaterThan(10);
  });
  it("a kind may be asked for, and what the row says stands", () => {
    const p = one(
      "name,role,typical_of,sandable_min,left_ml\nBuild grey,primer-highbuild,filler-primer-aerosol,200,150\n",
    );
    expect(p).toMatchObject({ jar: "filler-primer-aerosol", source: "typical", method: "aerosol", leftMl: 150 });
    expect(p.label).toMatchObject({ wftUm: 70, touchMin: 18, sandableMin: 200 });
    const file = must(server.exportShelf("csv"));
    expect(must(server.previewShelf(file, "csv")).lines.every((l) => l.state === "same")).toBe(true);
  });
  it("times of its own keep the assumed ones out", () => {
    const p = one("name,role,touch_min\nQuick,primer,12\n");
    expect(p.label).toMatchObject({ touchMin: 12, sandableMin: null, curedMin: null });
    expect(p.source).toBeUndefined();
  });
  it.each([
    ["a kind nobody knows", "name,role,typical_of\nX,primer,unicorn\n", "typical_of"],
    ["the same name twice", "name,role\nTeal,colour\nteal ,colour\n", "name"],
    ["no role", "name,role\nX,\n", "role"],
  ])("%s is a fault of its column", (_of, text, column) => {
    expect(faultsOf(text).map((f) => f.column)).toContain(column);
  });
  it("in JSON as well", () => {
    const text = JSON.stringify([{ name: "Thing", role: "clear", jar: "floor-polish" }]);
    expect(faultsOf(text, "json")).toEqual([]);
    must(server.importShelf(text, "json", "keep"));
    expect(shelf().at(-1)).toMatchObject({ family: "wb-acrylic", sheen: "gloss", jar: "floor-polish" });
  });
});
