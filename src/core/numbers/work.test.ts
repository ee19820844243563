import { readFileSync } from "node:fs";
import { grainUm, gritsOf, printRidgeUm } from "../reference";
import {
  edgeTakesUm,
  hidesScratchUm,
  ladderStep,
  liquidNeededMl,
  puttySkins,
  ratioOff,
  ratioParts,
  scratchUm,
  transferEfficiency,
  uvSeconds,
} from ".";

const vectors: {
  uv: { Ec_mj_cm2: number; Dp_um: number; irradiance_mw_cm2: number; depth_um: number; seconds: number }[];
  film: { id: string; area_cm2: number; wft_um: number; coats: number; transfer_efficiency: number; ml: number }[];
} = JSON.parse(readFileSync("tests/vectors/numbers.json", "utf8"));

describe("abrasives", () => {
  it("two papers of one number are two papers", () => {
    expect(grainUm(600, "P")).toBe(25.8);
    expect(grainUm(600, "CAMI")).toBe(16);
  });
  it("reads between the lines of the table, and beyond its ends", () => {
    expect(grainUm(700)).toBeGreaterThan(grainUm(800));
    expect(grainUm(700)).toBeLessThan(grainUm(600));
    expect(grainUm(3000)).toBeCloseTo((8.4 * 2500) / 3000);
    expect(grainUm(60)).toBeCloseTo((201 * 80) / 60);
  });
  it("finer numbers are finer grains on both scales", () => {
    for (const scale of ["P", "CAMI"] as const) {
      const grains = gritsOf(scale).map((g) => grainUm(g, scale));
      expect([...grains].sort((a, b) => b - a)).toEqual(grains);
    }
  });
  it("P400 dry scratches 5.25 µm, wet less; 12 µm of primer hides it", () => {
    expect(scratchUm({ grit: 400, wet: false })).toBeCloseTo(5.25);
    expect(scratchUm({ grit: 400, wet: true })).toBeCloseTo(3.85);
    expect(hidesScratchUm(12, "primer", false)).toBe(6);
    expect(hidesScratchUm(12, "colour", true)).toBeCloseTo(2.1);
  });
  it("names a jump, a step to spare and a right one, across scales too", () => {
    const dry = (grit: number, scale?: "P" | "CAMI") => ({ grit, scale, wet: false });
    expect(ladderStep(dry(240), dry(1000))).toBe("jump");
    expect(ladderStep(dry(400), dry(500))).toBe("spare");
    expect(ladderStep(dry(240), dry(400))).toBe("right");
    expect(ladderStep(dry(240), dry(600, "CAMI"))).toBe("jump");
  });
  it("edges lose three times a flat", () => expect(edgeTakesUm(6)).toBe(18));
});

describe("ridges and fills", () => {
  it("a flat face of a print has its whole layer, an upright wall a little", () => {
    expect(printRidgeUm(200, 0)).toBe(200);
    expect(printRidgeUm(200, 60)).toBeCloseTo(100);
    expect(printRidgeUm(200, 90)).toBeCloseTo(30);
  });
  it("skins allow for what they lose", () => {
    expect(puttySkins(1000, 250, 0)).toBe(4);
    expect(puttySkins(1000, 250, 0.1)).toBe(5);
  });
});

describe("liquids and light", () => {
  it.each(vectors.uv)("$depth_um µm cures in $seconds s", (v) => {
    expect(uvSeconds(v.Ec_mj_cm2, v.irradiance_mw_cm2, v.depth_um, v.Dp_um)).toBeCloseTo(v.seconds, 3);
  });
  it.each(vectors.film.filter((f) => f.ml !== undefined))("$id", (f) => {
    expect(liquidNeededMl(f.area_cm2, f.wft_um, f.coats, f.transfer_efficiency)).toBeCloseTo(f.ml, 3);
  });
  it("a can wastes more on small parts", () => {
    expect(transferEfficiency("aerosol", 20)).toBeLessThan(transferEfficiency("aerosol", 500));
    expect(transferEfficiency("brush", 20)).toBe(0.95);
  });
});

describe("mixing ratios", () => {
  it("reads parts, and refuses what is none", () => {
    expect(ratioParts("4:1:1")).toEqual([4, 1, 1]);
    expect([ratioParts("four to one"), ratioParts("4"), ratioParts("4:0")]).toEqual([null, null, null]);
  });
  it("says by how much one is off", () => {
    expect(ratioOff("4:1", "4:1")).toBe(0);
    expect(ratioOff("2:1", "4:1")).toBeCloseTo(1);
    expect(ratioOff("4:1", "4:1:1")).toBeNull();
  });
});
