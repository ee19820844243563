/** Recipes: a shade made of known parts is found again; the gamut is told. */

import { seededRandom } from "../base";
import { colourDistance, hexOf } from "./colour";
import { type MixPaint, mixedRgb, recipesFor, tintingStrength } from "./recipe";

const SHELF: readonly MixPaint[] = [
  ["white", "#f4f4f0", 1],
  ["black", "#1c1c1e", 1.6],
  ["red", "#b3201f", 0.8],
  ["yellow", "#f2c400", 0.6],
  ["blue", "#1f4e8c", 1.1],
  ["green", "#2f6b3a", 1],
  ["earth", "#7a4a2b", 1.2],
  ["grey", "#8a8d8f", 1],
].map(([id, colour, strength]) => ({ id, colour, strength }) as MixPaint);
const shadeOf = (parts: Readonly<Record<string, number>>): string => {
  const paints = SHELF.filter((p) => parts[p.id] !== undefined);
  return hexOf(
    mixedRgb(
      paints,
      paints.map((p) => parts[p.id]!),
    ),
  );
};

describe("the shade of a mix", () => {
  it("of one paint is its own, whatever the parts", () => {
    for (const p of SHELF) expect(colourDistance(hexOf(mixedRgb([p], [7])), p.colour)).toBeLessThan(1);
  });
  it("depends on shares alone, not on how much is made", () => {
    expect(shadeOf({ white: 3, blue: 1 })).toBe(shadeOf({ white: 9, blue: 3 }));
  });
  it("black says more than white: one part in eight makes a mid grey, not a pale one", () => {
    const lightness = (hex: string) => Number.parseInt(hex.slice(3, 5), 16);
    expect(lightness(shadeOf({ white: 7, black: 1 }))).toBeLessThan(160);
    expect(lightness(shadeOf({ white: 7, grey: 1 }))).toBeGreaterThan(200);
  });
  it("yellow and blue make a green", () => {
    const hex = shadeOf({ yellow: 4, blue: 1 });
    const [r, g, b] = [1, 3, 5].map((i) => Number.parseInt(hex.slice(i, i + 2), 16)) as [number, number, number];
    expect(g).toBeGreaterThan(Math.max(r, b));
  });
  it("a paint that hides at half the film says twice as much", () => {
    expect(tintingStrength(20)).toBeCloseTo(2 * tintingStrength(40));
    expect(tintingStrength(null)).toBe(1);
  });
});

describe("a shade made of known parts is found again", () => {
  const random = seededRandom(17);
  const some = (n: number) => Math.floor(random() * n);
  const cases = Array.from({ length: 24 }, (_, n) => {
    const paints = 1 + (n % 4);
    const ids = [...SHELF].sort(() => random() - 0.5).slice(0, paints);
    return Object.fromEntries(ids.map((p) => [p.id, 1 + some(3)]));
  });
  it.each(cases.map((parts) => [JSON.stringify(parts), parts] as const))("%s", (_, parts) => {
    const target = shadeOf(parts);
    const [best] = recipesFor(target, SHELF);
    expect(best!.deltaE).toBeLessThan(1);
    expect(best!.parts.length).toBeLessThanOrEqual(Object.keys(parts).length);
    // what it says of itself is what the parts make
    const made = shadeOf(Object.fromEntries(best!.parts.map((p) => [p.id, p.parts])));
    expect(made).toBe(best!.colour);
  });
});

describe("what there is to say besides", () => {
  it("no red on the shelf: the nearest is named, with how far off it is", () => {
    const cold = SHELF.filter((p) => ["white", "black", "blue", "green"].includes(p.id));
    const [best] = recipesFor("#d01818", cold);
    expect(best!.deltaE).toBeGreaterThan(15);
  });
  it("three answers of different paints, nearest first", () => {
    const found = recipesFor("#9a7b55", SHELF);
    expect(found).toHaveLength(3);
    expect(new Set(found.map((r) => r.parts.map((p) => p.id).join())).size).toBe(3);
    for (let n = 1; n < 3; n++) expect(found[n]!.deltaE).toBeGreaterThan(found[n - 1]!.deltaE - 0.31);
  });
  it("one paint has one answer, no paint none", () => {
    expect(recipesFor("#123456", SHELF.slice(0, 1))).toHaveLength(1);
    expect(recipesFor("#123456", [])).toEqual([]);
  });
  it("at most as many paints as one will pour", () => {
    for (const most of [1, 2, 3]) {
      const found = recipesFor("#6b5a48", SHELF, { most });
      for (const r of found) expect(r.parts.length).toBeLessThanOrEqual(most);
    }
  });
});
