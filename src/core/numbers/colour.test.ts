import { readFileSync } from "node:fs";
import fc from "fast-check";
import {
  coatsToHide,
  filmReflectance,
  hexLuminance,
  hexOf,
  hueOf,
  linearRgb,
  overGround,
  rankUndercoats,
  scatteringPerUm,
  shortOfMasstone,
} from ".";

interface HidingCase {
  readonly id: string;
  readonly masstone: string;
  readonly opaque_dft_um: number;
  readonly undercoat: string;
  readonly scattering_per_um: number;
  readonly rows: readonly { total_dft_um: number; linear_rgb: readonly number[]; hex: string }[];
}
const { hiding }: { hiding: HidingCase[] } = JSON.parse(readFileSync("tests/vectors/numbers.json", "utf8"));

describe("hiding against the reference vectors", () => {
  describe.each(hiding)("$id", (c) => {
    const s = scatteringPerUm(c.masstone, c.opaque_dft_um);
    it("has the scattering its opaque film asks for", () => expect(s / c.scattering_per_um).toBeCloseTo(1, 4));
    it.each(c.rows)("$total_dft_um µm", ({ total_dft_um, linear_rgb, hex }) => {
      const seen = overGround(linearRgb(c.masstone), s, total_dft_um, linearRgb(c.undercoat));
      for (const [i, v] of seen.entries()) expect(v).toBeCloseTo(linear_rgb[i]!, 4);
      expect(hexOf(seen)).toBe(hex);
    });
  });
});

describe("limits of the film", () => {
  it("no film shows the ground, a thick one its own colour", () => {
    expect(filmReflectance(0.3, 0.05, 0, 0.8)).toBe(0.8);
    expect(filmReflectance(0.3, 0.05, 1e6, 0.8)).toBeCloseTo(0.3, 6);
  });
  it("thicker is never farther from the paint's own colour", () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 80 }), fc.constantFrom("#000000", "#8a8d8f", "#f4f4f0"), (um, ground) => {
        const at = (x: number) => shortOfMasstone("#1d2b4f", 22, x, linearRgb(ground));
        expect(at(um + 5)).toBeLessThanOrEqual(at(um) + 0.5);
      }),
      { seed: 7 },
    );
  });
});

describe("coats to hide", () => {
  it("navy needs fewer coats over black than over white", () => {
    const over = (ground: string) => coatsToHide("#1d2b4f", 22, 5, linearRgb(ground))!;
    expect(over("#101010")).toBeLessThan(over("#f4f4f0"));
  });
  it("ranks the grounds for a yellow by coats", () => {
    const grounds = ["#101010", "#8a8d8f", "#f4f4f0"].map((colour) => ({ colour }));
    const ranked = rankUndercoats("#f2c400", 60, 10, grounds);
    expect(ranked.map((r) => r.ground.colour).sort()).toEqual(grounds.map((g) => g.colour).sort());
    const coats = ranked.map((r) => r.coats!);
    expect(coats).toEqual([...coats].sort((a, b) => a - b));
    expect(coats.at(-1)).toBeGreaterThan(coats[0]!);
  });
  it("gives up rather than promise a hundred coats", () =>
    expect(coatsToHide("#f2c400", 600, 5, linearRgb("#101010"))).toBeNull());
});

it("knows reds and yellows, and what is neither", () => {
  expect(["#b01818", "#f2c400", "#8d8d88", "#c8641e", "#1d2b4f"].map(hueOf)).toEqual([
    "red",
    "yellow",
    "other",
    "other",
    "other",
  ]);
  expect(hexLuminance("#ffffff")).toBeCloseTo(1, 6);
});
