/** What is set, worn and done before a coat, told as a modeller would say it. */

import { product } from "../../../tests/support/world";
import type { Product } from "../model";
import { changedFigure, covers, nextFix, patchSigns, protectionFor, setUpOf, strokesOf } from ".";

const figures = (p: Product) => Object.fromEntries(setUpOf(p).map((l) => [l.figure, l.value]));
const by = (method: Product["method"], over: Partial<Product> = {}): Product => ({
  ...product("grey-primer"),
  ...{ nozzleMm: null, pressureBar: null, distanceCm: null, claims: [], method, role: "colour", effect: "solid" },
  ...over,
});

describe("what to set", () => {
  it.each<[string, Product, object]>([
    ["a can: two minutes, a hand and a half away", by("aerosol"), { shakeMinutes: 2, distanceCm: 25 }],
    [
      "a filler primer’s can is shaken longer",
      by("aerosol", { role: "primer-highbuild" }),
      { shakeMinutes: 3, distanceCm: 25 },
    ],
    [
      "a metallic through a fine airbrush",
      by("airbrush", { effect: "metallic" }),
      { shakeMinutes: 1.5, distanceCm: 10, pressureBar: 1.5, nozzleMm: 0.5 },
    ],
    [
      "what its sheet says goes over what is usual",
      by("airbrush", { pressureBar: 1.1, nozzleMm: 0.3 }),
      { pressureBar: 1.1, nozzleMm: 0.3 },
    ],
    ["a brush has nothing to set but its stirring", by("brush"), { shakeMinutes: 1 }],
    ["a wipe has nothing at all", by("wipe"), {}],
  ])("%s", (_, p, told) => expect(figures(p)).toMatchObject(told));
  it("two schools stand side by side, and the one that worked here is used", () => {
    const note = "close, in light passes";
    const p = by("aerosol", {
      distanceCm: 28,
      claims: [
        { figure: "distanceCm", value: 12, source: "hearsay", note },
        { figure: "distanceCm", value: 18, source: "own-log", note: "worked on the bench" },
      ],
    });
    const line = setUpOf(p).find((l) => l.figure === "distanceCm")!;
    expect(line).toMatchObject({ value: 18, source: "own-log" });
    expect(line.others).toContainEqual({ value: 12, source: "hearsay", note });
  });
  it("every way of putting paint on has a word for the hand", () => {
    for (const m of ["aerosol", "airbrush", "spray-gun", "brush", "dip", "spread"] as const)
      expect(strokesOf({ method: m }).length).toBeGreaterThan(0);
    expect(strokesOf({ method: "aerosol" })).toEqual(
      expect.arrayContaining(["nozzle-full", "half-over", "off-the-part"]),
    );
    expect(strokesOf({ method: "brush" })).not.toContain("nozzle-full");
  });
});

describe("a test patch", () => {
  it("rough from a can: nearer, then a warmer can, then shaken again, then it is the can", () => {
    const can = by("aerosol");
    expect(nextFix(can, "rough", [])).toBe("nearer");
    expect(nextFix(can, "rough", ["nearer"])).toBe("warm-can");
    expect(nextFix(can, "rough", ["nearer", "warm-can", "shake-more"])).toBeNull();
  });
  it("no colour from an airbrush is too thick before it is anything else", () =>
    expect(nextFix(by("airbrush"), "nothing", [])).toBe("thin-more"));
  it("a brush neither spatters nor lays rough", () => {
    expect(patchSigns(by("brush"))).toEqual(["good", "nothing", "runs", "ridges"]);
    expect(nextFix(by("brush"), "spatters", [])).toBeNull();
  });
  it("a change moves its figure to what a hand can set, and no other", () => {
    expect(changedFigure("nearer", { distanceCm: 25, pressureBar: 1.5 })).toEqual({ distanceCm: 20 });
    expect(changedFigure("more-air", { pressureBar: 1.5 })).toEqual({ pressureBar: 1.7 });
    expect(changedFigure("wider-needle", { nozzleMm: 0.4 })).toEqual({ nozzleMm: 0.5 });
    expect(changedFigure("faster", { distanceCm: 25 })).toEqual({});
    expect(changedFigure("nearer", {})).toEqual({});
  });
});

const NOTHING = {
  product: null,
  sprayed: false,
  dusty: false,
  blows: false,
  strips: false,
  lamp: false,
  rawResin: false,
};
describe("what is worn and running", () => {
  const lacquer = {
    method: "aerosol",
    carriers: ["ketone", "ester"],
    hazards: ["solvent-vapour", "flammable"],
    role: "colour",
  } as never;
  const acrylic = { method: "airbrush", carriers: ["water"], hazards: [], role: "colour" } as never;
  const twoPack = {
    method: "spray-gun",
    carriers: ["ketone", "ester"],
    hazards: ["isocyanate"],
    role: "clear",
  } as never;
  it.each<[string, Parameters<typeof protectionFor>[0], readonly string[]]>([
    ["a lacquer can", { ...NOTHING, product: lacquer, sprayed: true }, ["extraction", "a2p3", "eye-cover", "no-flame"]],
    ["water acrylic through an airbrush", { ...NOTHING, product: acrylic, sprayed: true }, ["p3", "eye-cover"]],
    [
      "brushed enamel",
      { ...NOTHING, product: { ...(lacquer as object), method: "brush" } as never },
      ["aired", "gloves", "no-flame"],
    ],
    [
      "isocyanate from a gun",
      { ...NOTHING, product: twoPack, sprayed: true },
      ["air-fed", "extraction", "others-told", "gloves"],
    ],
    ["dry sanding", { ...NOTHING, dusty: true }, ["p3"]],
    ["sanding a resin print", { ...NOTHING, dusty: true, rawResin: true }, ["p3", "gloves"]],
    ["blowing dust out of holes", { ...NOTHING, blows: true }, ["p3", "eye-cover"]],
    ["stripper", { ...NOTHING, strips: true }, ["gloves", "eye-cover", "aired", "no-flame"]],
    ["under the lamp", { ...NOTHING, lamp: true }, ["eye-cover", "gloves"]],
  ])("%s", (_, work, asked) => expect(protectionFor(work).asks).toEqual(expect.arrayContaining([...asked])));
  it("plain work asks for nothing, isocyanate every time", () => {
    expect(protectionFor(NOTHING)).toEqual({ asks: [], everyTime: false });
    expect(protectionFor({ ...NOTHING, product: twoPack, sprayed: true }).everyTime).toBe(true);
    expect(protectionFor({ ...NOTHING, product: lacquer, sprayed: true }).everyTime).toBe(false);
  });
  it("a stronger filter stands in for a weaker one, never the other way", () => {
    expect(covers(["a2p3"], "p3")).toBe(true);
    expect(covers(["p3"], "a2p3")).toBe(false);
    expect(covers(["air-fed"], "a2p3")).toBe(true);
    expect(covers(["extraction"], "aired")).toBe(true);
  });
});
