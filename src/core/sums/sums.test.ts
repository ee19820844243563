/** Every sum as a small job with ordinary figures: what a good modeller would say, and what the published cases say. */

import { checkToRegion, isSumId, sumInputApi, sumSchema } from "@/contracts";
import { SUM_GROUPS, SUM_TEXT } from "@/messages";
import { product } from "../../../tests/support/world";
import vectors from "../../../tests/vectors/numbers.json";
import { seededRandom } from "../base";
import type { Product } from "../model";
import { colourDistance, hexOf, linearRgb } from "../numbers";
import { filled, SUM_IDS, type SumId, type SumInput, type SumResult, type SumShelf, summed, sumOf, takenOver } from ".";

const paint = (id: string, colour: string, over: Partial<Product> = {}): Product => ({
  ...product("estuary-blue"),
  id,
  name: id,
  colour,
  role: "colour",
  effect: "solid",
  method: "airbrush",
  family: "wb-acrylic",
  carriers: ["water"],
  unknowns: [],
  assumed: [],
  ...over,
});
const SHELF: SumShelf = {
  products: [
    paint("white", "#f4f4f0"),
    paint("black", "#1c1c1e"),
    paint("blue", "#1f4e8c"),
    paint("enamel-red", "#b3201f", { family: "alkyd", carriers: ["aliphatic"] }),
    product("fairing-putty"),
  ],
  face: (material) => checkToRegion({ material }),
};
const doing = (id: SumId, told: Readonly<Record<string, unknown>>, shelf = SHELF): SumResult =>
  summed(id, sumSchema(id, false).parse(told), shelf);
const line = (r: SumResult, id: string): number | null => {
  const own = r.lines.find((l) => l.id === id);
  if (!own) throw new Error(`no line ${id} among ${r.lines.map((l) => l.id).join()}`);
  return own.value;
};

/** sum, what is told, line, least and most a practitioner would nod at. */
const JOBS: readonly [string, SumId, Readonly<Record<string, unknown>>, string, number, number][] = [
  ["a hull of 400 cm², two coats by airbrush", "quantities", { areaCm2: 400 }, "paintMl", 14, 20],
  ["the same from a can: twice as much goes past", "quantities", { areaCm2: 400, method: "aerosol" }, "canMl", 25, 40],
  ["brushed, hardly any is lost", "quantities", { areaCm2: 400, method: "brush", reservePct: 0 }, "paintMl", 6, 6.5],
  ["10 ml thinned 2:1", "thin", {}, "paintMl", 6.66, 6.67],
  ["thinned 2:1, 75 µm wet leave", "thin", {}, "dftUm", 17, 18],
  ["4:1 for 20 ml: hardener", "two-pack", {}, "bMl", 4, 4],
  ["an hour’s pot in a cup at 30 °C", "two-pack", { cupC: 30 }, "potMin", 25, 35],
  ["and at 10 °C", "two-pack", { cupC: 10 }, "potMin", 110, 135],
  ["1.8 g wet on 240 cm²", "weigh-in", { gainG: 1.8, areaCm2: 240, densityGMl: 1.05 }, "wftUm", 71.4, 71.5],
  ["yellow over mid grey", "hide", {}, "coats", 3, 8],
  ["black over anything", "hide", { colour: "#1a1a1a", opaqueUm: 15 }, "coats", 1, 3],
  ["P240 to P800", "ladder", {}, "papers", 3, 3],
  ["P400 wet leaves", "ladder", { to: 400 }, "leftUm", 3.5, 4.2],
  ["0.2 mm layers on a slope of 30°", "ridge", {}, "ridgeUm", 170, 176],
  ["buried by filler of 40 µm, flooded", "ridge", {}, "coats", 8, 10],
  ["0.1 mm layers on an upright wall", "ridge", { layerUm: 100, leanDeg: 90 }, "ridgeUm", 10, 20],
  ["3 mm deep, 1 mm a skin, a tenth shrinks", "skins", { depthUm: 3000 }, "skins", 4, 4],
  ["a 0.25 mm groove: coats of 12 µm until it goes soft", "detail", { grooveUm: 250 }, "coatsToCare", 2, 2],
  ["a peg with 0.2 mm play, 60 µm on both", "fit", {}, "leftUm", -40, -40],
  ["80 µm over 1000 cm²", "mass", { areaCm2: 1000 }, "massG", 11, 11.5],
  ["a 400 ml can off a cold shelf", "warm-can", {}, "min", 8, 14],
  ["a sample can warms sooner", "warm-can", { packMl: 50 }, "min", 3, 7],
  ["a cold part in a box at 35 °C", "warm-part", {}, "reachMin", 10, 25],
  ["a warm box against a damp cold shed: two-packs", "box", {}, "watts", 30, 70],
  ["a rinsed part at 12 °C, 70 %", "dry-part", {}, "faceMin", 100, 200],
  ["the same on a dry summer day", "dry-part", { tempC: 24, rhPct: 45 }, "faceMin", 35, 55],
  ["joints not blown out, over night", "dry-part", { joints: "yes", tempC: 20, rhPct: 50 }, "allMin", 480, 480],
  ["0.2 mm under 4 mW/cm²", "light", {}, "sideS", 7.8, 7.9],
  ["ten minutes a side in an ordinary box", "resin-cure", {}, "sharePct", 60, 70],
  [
    "a fifth of a 10.- can and half an hour at 20.-",
    "cost",
    { canMl: 80, handsOnMin: 30, perHour: 20 },
    "total",
    12,
    12,
  ],
  ["20 °C, 50 %", "dew", { tempC: 20, rhPct: 50 }, "dewC", 9.2, 9.3],
  ["one inch", "convert", { value: 25.4 }, "there", 1, 1],
  ["20 °C in °F", "convert", { value: 20, units: "°C °F" }, "there", 68, 68],
  ["30 psi in bar", "convert", { value: 30, units: "bar psi" }, "back", 2, 2.1],
  ["P400 is about", "grits", { grit: 400 }, "nearest", 320, 320],
  ["2K: fill one gap with what there is", "gap", { depthUm: 800 }, "fillers", 1, 1],
];
it.each(JOBS)("%s", (_, id, told, of, least, most) => {
  const value = line(doing(id, told), of);
  expect(value).not.toBeNull();
  expect(value!).toBeGreaterThanOrEqual(least - 1e-9);
  expect(value!).toBeLessThanOrEqual(most + 1e-9);
});

describe("published cases", () => {
  it.each(vectors.dew_point)("dew point at $temp_c °C, $rh_pct %", ({ temp_c, rh_pct, dew_point_c }) => {
    expect(line(doing("dew", { tempC: temp_c, rhPct: rh_pct }), "dewC")).toBeCloseTo(dew_point_c, 1);
  });
  it.each(vectors.uv)("light for $depth_um µm", (v) => {
    const told = {
      readMwCm2: v.irradiance_mw_cm2,
      readCm: 10,
      partCm: 10,
      ecMjCm2: v.Ec_mj_cm2,
      dpUm: v.Dp_um,
      depthUm: v.depth_um,
    };
    expect(line(doing("light", told), "sideS")).toBeCloseTo(v.seconds, 2);
  });
  it.each([
    ["a low setting an arm’s length off is hand-warm", { dialC: 90, distanceCm: 60 }, 30, 45],
    ["as near as a hand it is as hot as it leaves", { dialC: 90, distanceCm: 10 }, 90, 90],
    ["a paint stripper’s setting burns at any distance one can reach", { dialC: 500, distanceCm: 50 }, 150, 250],
  ] as const)("a warm air gun: %s", (_, told, least, most) => {
    const jetC = line(doing("gun", { roomC: 15, ...told }), "jetC")!;
    expect(jetC).toBeGreaterThanOrEqual(least);
    expect(jetC).toBeLessThanOrEqual(most);
  });
  it("a gun may come as near to PLA as one dares with a hand, and nearer to what stands more", () => {
    const nearest = (material: string) => line(doing("gun", { roomC: 15, dialC: 90, material }), "nearestCm")!;
    expect(nearest("pla")).toBeGreaterThan(30);
    expect(nearest("pla")).toBeLessThan(80);
    expect(nearest("abs-asa")).toBeLessThan(nearest("pla"));
  });
  it("wet to dry and back is where it began, thinned or not", () => {
    for (const filmUm of [1, 40, 900])
      for (const thinnerParts of [0, 1, 3]) {
        const mix = { solidsPct: 42, paintParts: 2, thinnerParts };
        const dry = line(doing("film", { filmUm, ...mix }), "dftUm")!;
        const back = doing("film", { way: "wet-from-dry", filmUm: dry, ...mix });
        expect(line(back, "wftUm")).toBeCloseTo(filmUm, 6);
      }
  });
});

describe("what is said beside the figures", () => {
  const rows: readonly [SumId, Readonly<Record<string, unknown>>, string][] = [
    ["quantities", { areaCm2: 400, leftMl: 3 }, "runs-out"],
    ["quantities", { areaCm2: 40, leftMl: 300 }, "enough"],
    ["two-pack", { workMin: 120 }, "batches"],
    ["weigh-in", { gainG: 0.5, areaCm2: 200, plannedWftUm: 75 }, "half"],
    ["weigh-in", { gainG: 4, areaCm2: 200, plannedWftUm: 75 }, "twice"],
    ["hide", {}, "undercoat"],
    ["ladder", { from: 800, to: 240 }, "backwards"],
    ["ladder", { from: 120, to: 2000, owned: [2000] }, "jump"],
    ["ridge", {}, "putty-first"],
    ["detail", { grooveUm: 100, buildUm: 90 }, "gone"],
    ["fit", {}, "keep-bare"],
    ["mass", { areaCm2: 1000, budgetG: 5 }, "over"],
    ["warm-can", {}, "never-hotter"],
    ["warm-part", { boxC: 70, material: "pla" }, "too-hot"],
    ["warm-part", { fromC: 2, roomC: 18, rhPct: 60 }, "dew"],
    ["gun", { dialC: 90, distanceCm: 10, material: "pla" }, "too-near"],
    ["box", { boxC: 58, material: "pla" }, "too-hot"],
    ["dry-part", { joints: "yes" }, "blow-out"],
    ["light", { depthUm: 5000 }, "too-deep"],
    ["resin-cure", { washed: "no" }, "wash"],
    ["resin-cure", { sideMin: 20 }, "paintable"],
    ["resin-cure", { hollow: "closed", sideMin: 20 }, "drain"],
    ["dew", { tempC: 20, rhPct: 90, partC: 10 }, "wet"],
    ["dew", { tempC: 20, rhPct: 90 }, "close"],
    ["dew", { tempC: 20, rhPct: 40 }, "clear"],
  ];
  it.each(rows)("%s %j says %s", (id, told, code) => expect(doing(id, told).notes).toContain(code));
  it("every note has words, and every word is used by some sum", () => {
    for (const [id, told] of rows) for (const n of doing(id, told).notes) expect(SUM_TEXT[id].notes).toHaveProperty(n);
  });
});

describe("the shelf in a sum", () => {
  it("a mid blue is mixed of what may share a cup, never with the enamel", () => {
    const r = doing("recipe", { target: "#7f9fc4", most: 3 });
    const paints = r.table!.rows.map((row) => row[3]).flatMap((c) => (c?.kind === "product" ? [c.id] : []));
    expect(new Set(paints)).not.toContain("enamel-red");
    expect(line(r, "deltaE")!).toBeLessThan(8);
    const ml = r.table!.rows.filter((row) => row[0]!.kind === "figure" && row[0]!.value === 1).map((row) => row[5]);
    expect(ml.reduce((sum, c) => sum + (c?.kind === "figure" ? c.value! : 0), 0)).toBeCloseTo(10, 9);
  });
  it("no paint, no mix; one paint is told with how far off it is", () => {
    expect(doing("recipe", {}, { ...SHELF, products: [] }).notes).toEqual(["no-paints"]);
    const one = doing("recipe", { target: "#d01818" }, { ...SHELF, products: [paint("white", "#f4f4f0")] });
    expect(one.notes).toContain("out-of-gamut");
  });
  it("without an adhesive it says so", () => expect(doing("glue", {}).notes).toContain("none"));
});

describe("every sum", () => {
  const random = seededRandom(41);
  const some = (input: SumInput): unknown => {
    switch (input.kind) {
      case "number": {
        // spread over the decades, the ends among them
        const at = random();
        if (at < 0.1) return input.min;
        if (at > 0.9) return input.max;
        const raw =
          input.min > 0
            ? input.min * (input.max / input.min) ** random()
            : input.min + (input.max - input.min) * random();
        return input.whole ? Math.round(raw) : raw;
      }
      case "choice":
        return input.options[Math.floor(random() * input.options.length)];
      case "colour":
        return `#${Math.floor(random() * 0xffffff)
          .toString(16)
          .padStart(6, "0")}`;
      case "numbers":
        return random() < 0.5 ? [] : [240, 400, 800];
    }
  };
  it.each(SUM_IDS)("%s: whatever is told within its ranges, figures come out and never NaN", (id) => {
    for (let n = 0; n < 60; n++) {
      const told = Object.fromEntries(Object.entries(sumOf(id).inputs).map(([name, input]) => [name, some(input)]));
      for (const l of doing(id, told).lines) {
        if (l.value === null) continue;
        expect([id, l.id, told, Number.isFinite(l.value)]).toEqual([id, l.id, told, true]);
      }
    }
  });
  it.each(SUM_IDS)("%s has words for all it asks and answers, a formula and a source", (id) => {
    const { inputs, formula, source } = sumOf(id);
    expect(Object.keys(SUM_TEXT[id].inputs).sort()).toEqual(Object.keys(inputs).sort());
    expect(formula.length).toBeGreaterThan(5);
    expect(source.length).toBeGreaterThan(1);
  });
  it("is listed once, and goes by its id alone", () => {
    expect(SUM_GROUPS.flatMap(([, ids]) => ids).sort()).toEqual([...SUM_IDS].sort());
    expect(["constructor", "toString", "__proto__", ""].map(isSumId)).toEqual([false, false, false, false]);
  });
  it("names what is wrong, with its range", () => {
    const faults = (id: SumId, told: object) =>
      sumSchema(id, true)
        .safeParse(told)
        .error?.issues.map((i) => `${i.path.join(".")} ${i.message}`) ?? [];
    expect(faults("light", { part_cm: 0 })).toEqual(["part_cm must be between 0.5 and 300 cm"]);
    expect(faults("weigh-in", { gain_g: -1, area_cm2: 5 })[0]).toContain("gain_g must be between");
    expect(faults("quantities", {})).toEqual(["area_cm2 must be a number"]);
    expect(faults("dew", { temp_c: 20, rh_pct: 140 })).toEqual(["rh_pct must be between 1 and 100 % RH"]);
    expect(faults("film", { colour: "red" })[0]).toContain("colour");
    expect(sumInputApi("readMwCm2")).toBe("read_mw_cm2");
  });
});

describe("a shade from a photo", () => {
  const shade = (told: Readonly<Record<string, unknown>>): string => {
    const cell = doing("photo", told).table!.rows[0]![0]!;
    if (cell.kind !== "colour") throw new Error(cell.kind);
    return cell.hex;
  };
  // 18 % in linear light is #767676
  it("under neutral light, with the card as it should be, is what was photographed", () =>
    expect(shade({ patch: "#5f7a86", card: "#767676", cardPct: 18.1 })).toBe("#5f7a86"));
  it("is the same whatever the light: half as bright and as warm as a lamp", () => {
    const linear = (hex: string) => linearRgb(hex);
    const under = (hex: string, light: readonly number[]) =>
      hexOf(linear(hex).map((c, i) => c * light[i]!) as unknown as Parameters<typeof hexOf>[0]);
    for (const light of [
      [0.5, 0.5, 0.5],
      [0.9, 0.6, 0.35],
      [0.5, 0.6, 0.8],
    ]) {
      const got = shade({ patch: under("#7a5f3c", light), card: under("#767676", light), cardPct: 18.1 });
      expect(colourDistance(got, "#7a5f3c")).toBeLessThan(1.2);
    }
  });
  it.each([
    ["a lamp as red as an ember", { card: "#b04010" }, "cast"],
    ["a card burnt out", { card: "#fefefe" }, "card"],
    ["a card in shade", { patch: "#e0e0e0", card: "#303030" }, "clipped"],
  ])("%s is told", (_, told, code) => expect(doing("photo", told).notes).toContain(code));
});

describe("filled in from the shed", () => {
  it("takes what it knows and leaves what it does not", () => {
    const region = { ...checkToRegion({ material: "petg" }), areaCm2: 480 };
    const known = filled(sumOf("quantities").inputs, { product: product("estuary-blue"), region });
    expect(known).toMatchObject({ areaCm2: 480, method: product("estuary-blue").method });
    expect(filled(sumOf("quantities").inputs, {})).toEqual({});
  });
  it("a figure that is none for the sum is left out", () => {
    const region = { ...checkToRegion({ material: "petg" }), areaCm2: 0 };
    expect(filled(sumOf("quantities").inputs, { region })).not.toHaveProperty("areaCm2");
  });
  it("air and lamp go where they belong", () => {
    const air = { tempC: 9, rhPct: 80 };
    expect(filled(sumOf("dew").inputs, { air })).toEqual({ tempC: 9, rhPct: 80 });
    const lamp = { mwCm2: 8, cm: 10, partCm: 5, atPartMwCm2: 32 };
    expect(filled(sumOf("resin-cure").inputs, { lamp })).toEqual({ atPartMwCm2: 32 });
  });
});

describe("what is taken over into a layer", () => {
  const rows: readonly (readonly [SumId, Readonly<Record<string, unknown>>, unknown])[] = [
    ["skins", { depthUm: 3000, maxSkinUm: 1000, shrinkPct: 0 }, { coats: 3, depthUm: 3000 }],
    ["film", { way: "wet-from-dry", filmUm: 20, solidsPct: 40 }, { wftUm: 50 }],
    ["thin", { mixMl: 10, paintParts: 2, thinnerParts: 1 }, { thinRatio: "2:1" }],
    ["thin", { mixMl: 10, paintParts: 2, thinnerParts: 0 }, null],
    ["dew", { tempC: 20, rhPct: 90 }, null],
  ];
  it.each(rows)("%s %j gives %j", (id, told, taken) => {
    const values = sumSchema(id, false).parse(told);
    expect(takenOver(id, values, doing(id, told))).toEqual(taken);
  });
  it("more coats than anybody lays are not taken over", () => {
    const lines = [{ id: "coats", value: 40, unit: "" }];
    expect(takenOver("hide", {}, { lines, notes: [] })).toBeNull();
    expect(takenOver("hide", {}, { lines: [{ ...lines[0]!, value: 3 }], notes: [] })).toEqual({ coats: 3 });
    expect(
      takenOver("hide", {}, { lines: [{ ...lines[0]!, value: null as unknown as number }], notes: [] }),
    ).toBeNull();
  });
});
