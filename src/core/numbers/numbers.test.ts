import { readFileSync } from "node:fs";
import fc from "fast-check";
import { layer, lookup, product } from "../../../tests/support/world";
import { dewMarginC, dewPointC } from "../reference";
import {
  dftUm,
  dryDensityGMl,
  filmFromMassUm,
  filmLedger,
  filmMassG,
  grooveLost,
  liquidNeededMl,
  plannedWftUm,
  ridgeBuriedUm,
} from ".";

interface FilmCase {
  readonly id: string;
  readonly wft_um: number;
  readonly dft_um: number;
  readonly volume_solids?: number;
  readonly paint_parts: number;
  readonly thinner_parts: number;
  readonly delta_mass_g: number;
  readonly area_cm2: number;
  readonly density_g_ml?: number;
  readonly dry_density_g_ml?: number;
}
const vectors: { dew_point: { temp_c: number; rh_pct: number; dew_point_c: number }[]; film: FilmCase[] } = JSON.parse(
  readFileSync("tests/vectors/numbers.json", "utf8"),
);

describe("dew point", () => {
  it.each(vectors.dew_point)("$temp_c °C, $rh_pct %", ({ temp_c, rh_pct, dew_point_c }) => {
    expect(dewPointC(temp_c, rh_pct)).toBeCloseTo(dew_point_c, 3);
  });
  it("is the air itself when saturated, and below it otherwise", () => {
    expect(dewMarginC(17, 100)).toBeCloseTo(0, 9);
    fc.assert(
      fc.property(
        fc.double({ min: -10, max: 40, noNaN: true }),
        fc.double({ min: 5, max: 99, noNaN: true }),
        (t, rh) => dewMarginC(t, rh) > 0,
      ),
      { seed: 11 },
    );
  });
});

describe("film thickness against the reference vectors", () => {
  it.each(vectors.film.filter((f) => f.volume_solids !== undefined))("$id", (f) => {
    expect(dftUm(f.wft_um, f.volume_solids!, f.paint_parts, f.thinner_parts)).toBeCloseTo(f.dft_um, 6);
  });
  it.each(vectors.film.filter((f) => f.delta_mass_g !== undefined))("$id", (f) => {
    const um = filmFromMassUm(f.delta_mass_g, (f.density_g_ml ?? f.dry_density_g_ml)!, f.area_cm2);
    expect(um).toBeCloseTo(f.wft_um ?? f.dft_um, 3);
  });
});

describe("a layer's wet film", () => {
  const p = product("build-primer");
  it("follows heaviness as a fraction of the label's", () => {
    expect(plannedWftUm({ wftUm: null, heaviness: "mist" }, p)).toBeCloseTo(0.3 * 70);
    expect(plannedWftUm({ wftUm: null, heaviness: "flood" }, p)).toBeCloseTo(1.8 * 70);
  });
  it("is what was measured when it was measured", () => {
    expect(plannedWftUm({ wftUm: 55, heaviness: "flood" }, p)).toBe(55);
  });
});

describe("ledger", () => {
  it("counts every µm on and off", () => {
    const [a, b] = filmLedger(
      [
        layer("build-primer", { coats: 2, heaviness: "wet", sandAfter: { grit: 400, wet: true, takesUm: 18 } }),
        layer("grey-primer"),
      ],
      lookup(),
    );
    expect(a).toMatchObject({ addedUm: 2 * 70 * 0.32, takenUm: 18 });
    expect(a!.totalUm).toBeCloseTo(44.8 - 18);
    expect(b!.totalUm).toBeCloseTo(44.8 - 18 + 24 * 0.24);
  });
  it("never sands below bare material", () => {
    const [line] = filmLedger([layer("grey-primer", { sandAfter: { grit: 80, wet: false, takesUm: 400 } })], lookup());
    expect(line!.totalUm).toBe(0);
  });
});

describe("quantities", () => {
  it("pours what lands and what is lost", () => {
    // 500 cm² × 60 µm × 2 coats = 6 ml on the part, at 40 % transfer 15 ml out of the jar
    expect(liquidNeededMl(500, 60, 2, 0.4)).toBeCloseTo(15);
  });
  it("weighs the dry film", () => {
    expect(filmMassG(50, 400, 1.5)).toBeCloseTo(3);
  });
  it("reckons a dry density from wet paint: half water at 1.25 leaves 1.5", () => {
    expect(dryDensityGMl({ densityGMl: 1.25, volumeSolids: 0.5, family: "wb-acrylic" })).toBeCloseTo(1.5);
    expect(dryDensityGMl({ densityGMl: 1.25, dryDensityGMl: 2.1, volumeSolids: 0.5, family: "wb-acrylic" })).toBe(2.1);
  });
});

describe("detail and ridges", () => {
  it("narrows a groove by 1.2 of the build, and fills it at the most", () => {
    expect(grooveLost(400, 100)).toBeCloseTo(0.3);
    expect(grooveLost(50, 100)).toBe(1);
  });
  it("buries half when flooded and sanded, a fifth when misted", () => {
    expect([ridgeBuriedUm(40, false), ridgeBuriedUm(40, true)]).toEqual([20, 8]);
  });
});
