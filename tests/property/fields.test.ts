import {
  checkRegionSchema,
  checkToRegion,
  inlineProductSchema,
  inlineToProduct,
  parseProduct,
  regionEditSchema,
  regionSchema,
  valueSchema,
} from "@/contracts";
import { type Field, PRODUCT_FIELDS, PRODUCT_ROWS, type Product, type ProductUnknown, REGION_ROWS } from "@/core/model";
import { PRODUCT_WORDS, type ProductPath, REGION_WORDS, type RegionPath } from "@/messages";
import { csvRows, shelfToCsv } from "@/server/shelf-file/csv";
import { draftOf, productFrom } from "@/ui/shelf/draft";
import { product, region } from "../support/world";

/** A field of a product goes everywhere by its one row: whatever is added to the registry is held to this. */

/** Some value a field may hold that no blank card has. */
function someOf(f: Field): unknown {
  switch (f.kind) {
    case "number":
      return f.whole ? Math.ceil(f.min) + 1 : Math.round((f.min + Math.min(f.max, f.min + 40)) / 2) + 1;
    case "share":
      return 0.25;
    case "flag":
      return true;
    case "choice":
      return f.of.at(-1);
    case "list":
      return [f.of[0], f.of.at(-1)];
    case "texts":
      return ["one name", "another"];
    case "date":
      return "2026-03-14";
    case "colour":
      return "#123456";
    case "ratio":
      return "4:1";
    case "photo":
      return "ab".repeat(32);
    case "windows":
      return [
        [30, 240],
        [2880, null],
      ];
    default:
      return "Some text";
  }
}

/** A card without contradictions, with one thing told. */
function cardWith(path: string, value: unknown): Product {
  const [head, leaf] = path.split(".") as [string, string?];
  const blank = { ...product("water-primer"), claims: undefined };
  // times that would contradict the one told are not given
  const label = {
    ...blank.label,
    ...NO_TIMES,
    recoat: [],
    touchMin: leaf === "touchMin" || leaf === "flashMin" ? null : 1,
  };
  const card: Record<string, unknown> = {
    ...blank,
    method: path === "propellant" ? "aerosol" : blank.method,
    limits: { minTempC: null, maxTempC: null, maxRhPct: null },
    label,
  };
  if (leaf === undefined) card[head] = value;
  else card[head] = { ...NONE_OF[head], ...(card[head] as object | undefined), [leaf]: value };
  return parseProduct(JSON.parse(JSON.stringify(card)));
}
const NO_TIMES = {
  gapMin: null,
  flashMin: null,
  handleMin: null,
  sandableMin: null,
  tapeSafeMin: null,
  polishableMin: null,
  curedMin: null,
};
const NONE_OF: Readonly<Record<string, object>> = { light: { wavelengthNm: null, ecMjCm2: null, dpUm: null } };
const at = (from: unknown, path: string): unknown =>
  path.split(".").reduce<unknown>((o, k) => (o as Record<string, unknown> | undefined)?.[k], from);

const AT_A_REGION = {
  oldFinish: { family: "unknown", ageDays: null, rub: "untested", lead: "unknown" },
  sealedBy: { family: "unknown", dftUm: null, coats: null, cured: "unknown" },
};

describe.each(REGION_ROWS.map(({ path, field }) => [path, field] as const))("a region’s %s", (path, field) => {
  const value = someOf(field);
  const [head, leaf] = path.split(".") as [string, string?];
  it("is kept as it was told", () => {
    const told = leaf === undefined ? value : { ...AT_A_REGION[head as keyof typeof AT_A_REGION], [leaf]: value };
    expect(at(regionSchema.parse({ ...region(), [head]: told }), path)).toEqual(value);
    expect(regionEditSchema.safeParse({ [head]: told }).success).toBe(true);
  });
  it("has words", () => {
    const words = REGION_WORDS[path as RegionPath];
    expect(words.label).not.toBe("");
    if (field.kind === "choice" || field.kind === "list")
      for (const v of field.of) expect(words.options).toHaveProperty(v);
  });
  if (field.api === null) return;
  it("told through the API it is the same fact, and told as unknown it stays open or not given", () => {
    const [group, name] = field.api!.split(".") as [string, string?];
    const inApi = (told: unknown) => {
      const body = { material: "pla", [group]: name === undefined ? told : { family: "alkyd", [name]: told } };
      return checkToRegion(checkRegionSchema.parse(body));
    };
    expect(at(inApi(value), path)).toEqual(value);
    if (field.mayBeUnknown) expect(inApi("unknown").unknowns).toContain(path);
    else expect(() => inApi("unknown")).not.toThrow();
  });
});

const ROWS = PRODUCT_ROWS.map(({ path, field }) => [path, field] as const);

describe.each(ROWS)("%s", (path, field) => {
  // a binder that goes with the carrier told beside it
  const value = path === "family" ? "alkyd" : someOf(field);
  it("is taken where it is in range, and refused with its name where it is not", () => {
    expect(valueSchema(field).safeParse(value).success).toBe(true);
    if (field.kind !== "number") return;
    for (const beyond of [field.min - 1, field.max + 1, Number.NaN, "much"])
      expect(valueSchema(field).safeParse(beyond).success).toBe(false);
  });
  it("goes into the form and out again", () => {
    const card = cardWith(path, value);
    expect(at(productFrom(draftOf(card), card.id, card), path)).toEqual(value);
  });
  it("goes into a file of the shelf and out again", () => {
    const card = cardWith(path, value);
    const { rows, faults } = csvRows(shelfToCsv([card]));
    expect(faults).toEqual([]);
    expect(at(rows[0]!.value, path)).toEqual(value);
  });
  it("has words, and a place in the form", () => {
    expect(PRODUCT_WORDS[path as ProductPath].label).not.toBe("");
    if (field.kind === "choice" || field.kind === "list")
      for (const v of field.of) expect(PRODUCT_WORDS[path as ProductPath].options).toHaveProperty(v);
  });
  if (field.api === null) return;
  const inline = (told: unknown) => {
    const [head, leaf] = field.api!.split(".") as [string, string?];
    const role = path === "role" ? (value as string) : "colour";
    const body = {
      family: "wb-acrylic",
      carriers: ["water"],
      role,
      [head]: leaf === undefined ? told : { [leaf]: told },
    };
    const parsed = inlineProductSchema.safeParse(body);
    return parsed.success ? inlineToProduct("x", parsed.data, "brush") : null;
  };
  it("told inline through the API it is the same fact", () => expect(at(inline(value), path)).toEqual(value));
  if (!field.mayBeUnknown || path === "hazards") return;
  it("told as unknown it stays open", () => expect(inline("unknown")!.unknowns).toContain(path as ProductUnknown));
});

it("every field of a product is a row, or one of the few that hold more than one thing", () => {
  const heads = new Set(PRODUCT_ROWS.map(({ path }) => path.split(".")[0]));
  const beside = ["id", "claims", "unknowns", "assumed"];
  for (const key of Object.keys(product("lightship-white"))) expect([...heads, ...beside]).toContain(key);
  expect(Object.keys(PRODUCT_FIELDS).every((k) => heads.has(k))).toBe(true);
});
