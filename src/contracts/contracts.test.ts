import { readFileSync } from "node:fs";
import { product } from "../../tests/support/world";
import {
  canonicalJson,
  checkRequestSchema,
  doneSchema,
  fieldFaults,
  productSchema,
  regionEditSchema,
  shopSchema,
  stackSchema,
} from ".";

/** Path and message of every fault. */
const faults = (schema: { safeParse: (v: unknown) => { success: boolean; error?: never } }, value: unknown) => {
  const r = schema.safeParse(value);
  return r.success ? [] : fieldFaults(r.error!).map((f) => `${f.path}: ${f.message}`);
};
const paths = (schema: never, value: unknown) => faults(schema, value).map((f) => f.split(":")[0]);

describe("impossible values are refused at the field", () => {
  const blue = product("estuary-blue");
  const label = (over: object) => ({ ...blue, label: { ...blue.label, ...over } });
  it("every product of the demo shelf passes", () => {
    for (const id of ["foam-sealer", "two-pack-gloss", "lightship-white", "grip-promoter"])
      expect(faults(productSchema as never, product(id))).toEqual([]);
  });
  it.each<[string, unknown, string]>([
    [
      "volume solids over 100 %",
      { ...blue, volumeSolids: 1.2 },
      "volumeSolids: must be between 0.01 and 1 (1 % to 100 % of the wet volume)",
    ],
    [
      "a window that closes before it opens",
      label({ recoat: [[90, 30]] }),
      "label.recoat.0: a window must shut after it opens",
    ],
    [
      "a second window before the first has shut",
      label({
        recoat: [
          [30, 90],
          [60, null],
        ],
      }),
      "label.recoat.1: must open after the window before it has shut",
    ],
    [
      "sandable before touch dry",
      label({ touchMin: 300, handleMin: null, sandableMin: 60 }),
      "label.sandableMin: contradicts touchMin: it cannot come sooner (60 < 300 min)",
    ],
    ["140 % humidity", label({ rhPct: 140 }), "label.rhPct: must be between 0 and 95 % RH"],
    [
      "a label that says nothing",
      label({
        gapMin: null,
        flashMin: null,
        touchMin: null,
        handleMin: null,
        recoat: [],
        sandableMin: null,
        tapeSafeMin: null,
        curedMin: null,
      }),
      "label.sandableMin: give at least one time from the label",
    ],
    [
      "limits the wrong way round",
      { ...blue, limits: { minTempC: 30, maxTempC: 10, maxRhPct: null } },
      "limits.maxTempC: must be above the lowest temperature",
    ],
    [
      "an aerosol without propellant",
      { ...blue, method: "aerosol", propellant: null },
      "propellant: an aerosol has a propellant: choose one, or unknown",
    ],
    [
      "a nitrocellulose lacquer with nothing but water",
      { ...blue, family: "nc-lacquer", carriers: ["water"] },
      "carriers: water alone never carries this binder: read the label again, or choose “I do not know” (acrylic on a can is no proof of water)",
    ],
    ["a colour that is none", { ...blue, colour: "blue" }, "colour: must be a colour such as #1d2b4f"],
    ["a field nobody knows", { ...blue, smell: "bad" }, "smell: is not known here"],
  ])("%s", (_what, value, want) => {
    expect(faults(productSchema as never, value)).toContain(want);
  });
  it("a negative area, a name of nothing, a condition twice", () => {
    expect(faults(regionEditSchema as never, { areaCm2: -4, name: " ", conditions: ["dusty", "dusty"] })).toEqual([
      "name: needs a name",
      "conditions: must not name the same thing twice",
      "areaCm2: must be between 0.1 and 1000000 cm²",
    ]);
  });
  it("text where a number belongs, half a coat, thirteen coats", () => {
    const layer = {
      id: "a",
      productId: "b",
      coats: 0.5,
      heaviness: "wet",
      wftUm: "thick",
      gapMin: null,
      before: [],
      sandAfter: null,
    };
    expect(faults(stackSchema as never, { prep: [], layers: [layer] })).toEqual([
      "layers.0.coats: must be between 1 and 12 coats",
      "layers.0.coats: must be a whole number",
      "layers.0.wftUm: must be a number",
    ]);
    expect(paths(stackSchema as never, { prep: [], layers: [{ ...layer, coats: 13, wftUm: null }] })).toEqual([
      "layers.0.coats",
    ]);
  });
  it("a session that ends before it starts, a zone that is none, air at 140 %", () => {
    const shop = {
      timeZone: "Moon/Crater",
      air: { kind: "steady", meanC: 15, swingC: 0, warmestHour: 15, rhPct: 140, airflowMS: 0.1, tonight: null },
      protection: [],
      caution: "likely",
      pattern: [{ weekday: 1, from: "21:00", to: "19:00" }],
      exceptions: [],
    };
    expect(paths(shopSchema as never, shop)).toEqual(["timeZone", "air.rhPct", "pattern.0.to"]);
  });
  it("a coat finished in the future", () =>
    expect(
      paths(doneSchema as never, {
        opId: "a:coat:1",
        minutesAgo: -5,
        coats: null,
        wftUm: null,
        tempC: null,
        rhPct: null,
        note: "",
      }),
    ).toEqual(["minutesAgo"]));
  it("a check without layers, and a fact it does not know", () => {
    expect(
      paths(checkRequestSchema as never, { region: { material: "petg", finish: "seen", mood: "blue" }, layers: [] }),
    ).toEqual(["region.mood", "layers"]);
  });
  it("a ratio in words, and one rub told in two ways", () => {
    const layer = { product: "x", thin_ratio: "two to one", rubs: [{ grit: 400 }], sand_after: { grit: 240 } };
    const told = (l: object) =>
      paths(checkRequestSchema as never, { region: { material: "petg", finish: "seen" }, layers: [l] });
    expect(told(layer)).toEqual(["layers.0.thin_ratio", "layers.0.rubs"]);
    expect(told({ ...layer, thin_ratio: "2:1" })).toEqual(["layers.0.rubs"]);
    expect(told({ product: "x", thin_ratio: "2:1", rubs: [{ grit: 400 }] })).toEqual([]);
  });
});

describe("canonical documents", () => {
  it("the same content gives the same bytes in whatever order it was built", () => {
    expect(canonicalJson({ b: [2, { d: 1, c: null }], a: "x" })).toBe(
      canonicalJson({ a: "x", b: [2, { c: null, d: 1 }] }),
    );
    expect(canonicalJson({ b: 1, a: 2 })).toBe('{\n  "a": 2,\n  "b": 1\n}\n');
  });
});

it("the lock file names no download address", () =>
  expect(readFileSync("package-lock.json", "utf8")).not.toMatch(/"resolved":\s*"http/));
