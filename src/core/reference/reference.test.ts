import { product } from "../../../tests/support/world";
import { CONDITIONS, FAMILIES, type FamilyId, MATERIALS, type MaterialId, MILESTONES } from "../model";
import {
  conditionsOf,
  familyFacts,
  LABEL_TIME_RATIOS,
  labelTimes,
  materialFacts,
  mechanismOf,
  ownGapMin,
  strongestBite,
} from ".";

/** Answers of the bare material to B0…B4 as the trade gives them; o ok, c care, m care as mist, t test, x stop. */
const BITES: Readonly<Record<MaterialId, string>> = {
  pla: "oooct",
  petg: "oooct",
  "abs-asa": "oooct",
  nylon: "ooooc",
  "pp-pe": "ooooo",
  tpu: "ooctt",
  eva: "ooctt",
  "vat-resin": "ooocc",
  "cast-pu": "ooooc",
  hips: "ooomt",
  "clear-plastic": "occtx",
  xps: "ocxxx",
  eps: "ocxxx",
  epo: "ooctt",
  "pu-foam": "ooooc",
  "wood-mdf": "ooooo",
  plaster: "ooooo",
  "steel-iron": "ooooo",
  aluminium: "ooooo",
  "brass-copper": "ooooo",
  "white-metal": "ooooo",
  stainless: "ooooo",
  glassfibre: "ooooo",
};
const LETTER = { ok: "o", care: "c", "care-mist": "m", test: "t", stop: "x" } as const;

/** Highest dry heat, °C. */
const HEAT: Readonly<Record<MaterialId, number>> = {
  pla: 45,
  petg: 60,
  "abs-asa": 75,
  nylon: 80,
  "pp-pe": 70,
  tpu: 45,
  eva: 45,
  "vat-resin": 50,
  "cast-pu": 55,
  hips: 50,
  "clear-plastic": 50,
  xps: 50,
  eps: 50,
  epo: 55,
  "pu-foam": 60,
  "wood-mdf": 40,
  plaster: 40,
  "steel-iron": 90,
  aluminium: 90,
  "brass-copper": 90,
  "white-metal": 55,
  stainless: 90,
  glassfibre: 60,
};

describe("materials", () => {
  it.each(MATERIALS)("%s: tolerance and heat limit", (id) => {
    const m = materialFacts(id);
    expect(m.byBite.map((b) => LETTER[b]).join("")).toBe(BITES[id]);
    expect(m.dryHeatMaxC).toBe(HEAT[id]);
  });
  it("never get gentler as the bite gets stronger", () => {
    const order = "ocmtx";
    for (const id of MATERIALS) {
      const answers = materialFacts(id).byBite.map((b) => order.indexOf(LETTER[b]));
      expect([...answers].sort((a, b) => a - b)).toEqual(answers);
    }
  });
  it("what is slick is keyed before its first layer", () => {
    for (const id of MATERIALS) {
      const m = materialFacts(id);
      if (m.slick) expect(m.prep).toContain("key");
      if (m.prep.includes("key")) expect(m.keyGrit).not.toBeNull();
    }
  });
});

/** Strongest bite taken before it has cured; what the cured film says to B0…B4. */
const FILMS: Partial<Record<FamilyId, readonly [number, string]>> = {
  "wb-acrylic": [0, "ooott"],
  "alcohol-acrylic": [0, "oooct"],
  "wb-acrylic-urethane": [0, "oooct"],
  "acrylic-lacquer": [2, "ooocc"],
  "nc-lacquer": [1, "ooocc"],
  "lacquer-putty": [2, "ooocc"],
  alkyd: [1, "oooct"],
  shellac: [0, "oooct"],
  "epoxy-2k": [1, "ooooo"],
  "urethane-2k": [1, "ooooo"],
};

describe("families", () => {
  it.each(Object.entries(FILMS))("%s: while curing and cured", (id, [curing, cured]) => {
    const f = familyFacts(id as FamilyId);
    expect(f.whileCuringBite).toBe(curing);
    expect(f.curedHolds.map((v) => LETTER[v]).join("")).toBe(cured);
  });
  it("every family has its facts, and solids and densities that can be", () => {
    for (const id of FAMILIES) {
      const f = familyFacts(id);
      expect(f.id).toBe(id);
      expect(f.defaultVolumeSolids).toBeGreaterThan(0);
      expect(f.defaultVolumeSolids).toBeLessThanOrEqual(1);
      expect(f.defaultDensityGMl).toBeGreaterThan(0.7);
    }
  });
  it("the usual times of a label come in the order a film reaches them", () => {
    for (const row of Object.values(LABEL_TIME_RATIOS)) {
      for (const [early, late] of [
        ["flash", "touch"],
        ["touch", "handle"],
        ["handle", "sandable"],
        ["sandable", "polishable"],
        ["polishable", "cured"],
      ] as const) {
        expect(row[early]).toBeLessThanOrEqual(row[late]);
      }
    }
  });
});

describe("label times", () => {
  const bare = (over: object) => ({
    ...product("grey-primer"),
    label: {
      ...product("grey-primer").label,
      flashMin: null,
      touchMin: null,
      handleMin: null,
      gapMin: null,
      recoat: [],
      sandableMin: null,
      tapeSafeMin: null,
      polishableMin: null,
      curedMin: null,
      ...over,
    },
  });
  it("what the label gives is taken as given", () => {
    expect(labelTimes(product("grey-primer"))).toMatchObject({
      flash: { min: 10, assumed: false },
      sandable: { min: 60, assumed: false },
      polishable: { assumed: true },
    });
  });
  it("what it leaves out comes from the nearest time it gives, and says so", () => {
    const times = labelTimes(bare({ sandableMin: 100 }));
    const r = LABEL_TIME_RATIOS.solvent;
    expect(times.cured).toEqual({ min: (100 * r.cured) / r.sandable, assumed: true });
    expect(times.flash).toEqual({ min: (100 * r.flash) / r.sandable, assumed: true });
  });
  it("one given time stands for all of them, whichever it is", () => {
    for (const given of [{ flashMin: 12 }, { touchMin: 20 }, { handleMin: 50 }, { curedMin: 2000 }]) {
      const times = labelTimes(bare(given));
      for (const m of MILESTONES) expect(times[m].min).toBeGreaterThan(0);
      expect(Object.values(times).filter((t) => !t.assumed)).toHaveLength(1);
    }
  });
  it.each([
    [{ flashMin: 12, gapMin: 20, recoat: [[30, null]] }, 12],
    [{ gapMin: 20, recoat: [[30, null]] }, 20],
    [{ recoat: [[30, null]] }, 30],
    [
      {
        recoat: [
          [0, 60],
          [960, null],
        ],
      },
      960,
    ],
  ] as const)("between its own coats %j waits %i min", (given, min) => {
    expect(labelTimes(bare(given)).flash).toEqual({ min, assumed: false });
  });
  it.each([
    [
      "lies between what it tells",
      { flashMin: 20, touchMin: 60, recoat: [[720, null]], tapeSafeMin: 1440, curedMin: 4320 },
      "sandable",
      1440,
    ],
    ["is no later than through cured", { touchMin: 240, curedMin: 300 }, "handle", 300],
    ["is not held to a recoat wet on wet", { flashMin: 10, recoat: [[10, 480]], curedMin: 10_080 }, "touch", 80],
  ] as const)("what an oil paint’s label leaves out %s: %j, %s %i min", (_, given, m, min) => {
    const times = labelTimes({ ...bare(given), family: "alkyd" });
    expect(times[m]).toEqual({ min, assumed: true });
  });
  it("a putty’s skins wait until they sand, or for the label’s own recoat", () => {
    const putty = { ...bare({ flashMin: 10, sandableMin: 90 }), role: "putty" as const };
    expect(ownGapMin(putty)).toBe(90);
    expect(ownGapMin({ ...putty, label: { ...putty.label, recoat: [[45, null]] } })).toBe(45);
  });
  it("an unknown binder is clocked like solvent loss", () => expect(mechanismOf("unknown")).toBe("solvent"));
});

it("the strongest carrier makes the bite; no carrier at all bites like water", () => {
  expect(strongestBite(["water", "glycol-ether"])).toBe(1);
  expect(strongestBite(["aliphatic", "ketone", "alcohol"])).toBe(4);
  expect(strongestBite(["ester"])).toBe(strongestBite(["aromatic"]));
  expect(strongestBite([])).toBe(0);
});

describe("conditions worth offering", () => {
  it.each([
    ["rusted", ["steel-iron"]],
    ["heat-sealed", ["eva"]],
    ["surface-cured", ["vat-resin"]],
    ["flux-residue", ["steel-iron", "aluminium", "brass-copper", "white-metal", "stainless"]],
  ] as const)("%s can be true of %j alone", (condition, of) => {
    expect(MATERIALS.filter((m) => conditionsOf(m).includes(condition))).toEqual(of);
  });
  it("what anything can be is offered of everything, and all of it where nobody knows", () => {
    for (const m of MATERIALS)
      for (const c of ["clean", "keyed", "damp", "greasy"] as const) expect(conditionsOf(m)).toContain(c);
    expect(conditionsOf(null)).toEqual(CONDITIONS);
  });
});
