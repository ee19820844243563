import { MOST_TEXT, readLabel } from ".";

/** Labels invented for this test: different makers' ways of saying it, in different units. */
interface Case {
  readonly name: string;
  readonly text: string;
  readonly found: Readonly<Record<string, unknown>>;
  readonly carriers?: readonly string[];
  readonly hazards?: readonly string[];
  readonly family?: string;
  readonly role?: string;
  readonly told?: readonly string[];
}

const CASES: readonly Case[] = [
  {
    name: "one line",
    text: "touch dry 20 min, recoat within 1 h or after 48 h, at 21 °C 50 %",
    found: {
      touch_min: 20,
      recoat_windows: [
        [0, 60],
        [2880, null],
      ],
      label_temp_c: 21,
      label_rh_pct: 50,
    },
  },
  {
    name: "a can's back",
    text: `GREY FILLER PRIMER. Apply 2-3 light coats, 10 minutes apart. Touch dry in 15-20 minutes, handle after 1 hour.
Sandable after 2 to 3 hours at 20°C and 50% relative humidity. Do not apply below 10°C or above 85% RH. Contains: acetone, xylene,
n-butyl acetate. Extremely flammable aerosol. Do not expose to temperatures exceeding 50 °C. Shake for 2 minutes before use.
Clean up with cellulose thinner.`,
    found: {
      coats: 2,
      coat_gap_min: 10,
      touch_min: 20,
      handle_min: 60,
      sandable_min: 180,
      label_temp_c: 20,
      label_rh_pct: 50,
      min_temp_c: 10,
      max_rh_pct: 85,
    },
    carriers: ["ketone", "aromatic", "ester"],
    hazards: ["flammable"],
    role: "primer-highbuild",
  },
  {
    name: "a technical sheet in lines, with section 3",
    text: `Two-component acrylic urethane primer
Drying times (23 °C / 50 % RH)
Touch dry
30 min
Dry to handle
4 hrs
Recoat: min. 6 hours, max. 72 hours
Full cure: 7 days
Pot life: 4-6 hours at 20 °C
Mixing ratio 4:1 by volume (base : hardener)
Solids by volume: 52 ± 2 %
Density: 1.35 kg/l
Theoretical coverage: 10 m²/l
Application temperature 10-30 °C
Max. relative humidity: 80 %
3.2 Mixtures
xylene 1330-20-7 10 - <25 % Flam. Liq. 3, H226
ethylbenzene CAS 100-41-4 2.5 - 5 %
hexamethylene diisocyanate, oligomers 28182-81-2 50-75 %`,
    found: {
      touch_min: 30,
      handle_min: 240,
      recoat_windows: [[360, 4320]],
      recoat_from_min: 360,
      cured_min: 10_080,
      pot_life_min: 240,
      mix_ratio: "4:1",
      volume_solids: 0.52,
      density_g_ml: 1.35,
      wft_um: 100,
      min_temp_c: 10,
      max_temp_c: 30,
      max_rh_pct: 80,
      label_temp_c: 23,
      label_rh_pct: 50,
    },
    carriers: ["aromatic", "aromatic"],
    hazards: ["isocyanate", "flammable"],
    family: "urethane-2k",
    role: "primer",
  },
  {
    name: "American units",
    text: "Dries to the touch in 20 minutes and to handle in 1 hour. Recoat within 1 hour or after 24 hours. Fully dry in 5 to 7 days. Apply two wet coats, 3 mils wet each. Use between 50 and 90 °F.",
    found: {
      touch_min: 20,
      handle_min: 60,
      recoat_windows: [
        [0, 60],
        [1440, null],
      ],
      cured_min: 10_080,
      coats: 2,
      wft_um: 76.2,
      min_temp_c: 10,
      max_temp_c: 32.2,
    },
  },
  {
    name: "times before their words",
    text: "Satin enamel. Ready: 45 min touch dry, 3 h to handle, overnight sandable, 7 days fully cured.",
    found: { touch_min: 45, handle_min: 180, sandable_min: 960, cured_min: 10_080 },
    role: "colour",
  },
  {
    name: "a forbidden gap, and a wrong order",
    text: "Do not recoat between 1 and 48 hours. Fill in layers no thicker than 1/8 inch. Thin with up to 10% water. Touch dry 3 hours, sandable 30 minutes",
    found: {
      recoat_windows: [
        [0, 60],
        [2880, null],
      ],
      max_skin_um: 3175,
      thin_ratio: "10 %",
    },
    told: ["contradicts"],
  },
  {
    name: "water-borne, gentle words",
    text: "Water-based acrylic varnish, satin. Touch dry: ½ hour. Recoatable after two hours. Full hardness is reached after 2 weeks. Minimum working temperature 8 °C. Coverage approx. 12 m2 per litre. Clean tools with soap and water.",
    found: {
      touch_min: 30,
      recoat_windows: [[120, null]],
      recoat_from_min: 120,
      cured_min: 20_160,
      min_temp_c: 8,
      wft_um: 83.3,
    },
    family: "wb-acrylic",
    role: "clear",
    carriers: ["water"],
  },
  {
    name: "body filler",
    text: "Polyester filler with hardener. Mix 50:1. Working time 4-6 minutes. Sandable after 20 to 30 min at 20 °C. Apply in layers up to 5 mm. Contains styrene and dibenzoyl peroxide. H226 H315 H317 H361d.",
    found: { mix_ratio: "50:1", pot_life_min: 4, sandable_min: 30, label_temp_c: 20, max_skin_um: 5000 },
    carriers: ["reactive-diluent"],
    hazards: ["sensitiser", "peroxide", "flammable"],
    family: "polyester-2k",
    role: "putty",
  },
  {
    name: "enamel tin",
    text: "HOBBY ENAMEL matt. Stir well for 3 minutes. Touch dry 2-4 h; recoat after 6 hours; hard dry 24 h. Full cure 7 days. Thin with white spirit 3:1. Contains white spirit (8052-41-3) 30-50 %, 2-butanone oxime.",
    found: {
      touch_min: 240,
      recoat_windows: [[360, null]],
      recoat_from_min: 360,
      cured_min: 10_080,
      thin_ratio: "3:1",
    },
    carriers: ["aliphatic"],
    hazards: ["sensitiser"],
    role: "colour",
  },
  {
    name: "etch primer with a window",
    text: "Self-etching primer. Overcoat after 30 minutes and within 8 hours. Ready to mask 24 hrs. Film thickness 15 µm wet. Contains: propan-2-ol, butanone, phosphoric acid 1-5 %.",
    found: { recoat_windows: [[30, 480]], recoat_from_min: 30, tape_safe_min: 1440, wft_um: 15 },
    carriers: ["alcohol", "ketone"],
    hazards: ["acid"],
    family: "pvb-etch",
    role: "primer-etch",
  },
  {
    name: "free of what it does not hold",
    text: "Isocyanate-free clear coat. Contains no xylene. Free of aromatics. Dries from water. Tack free in 25 mins., handling 2 hours. Not flammable.",
    found: { touch_min: 25, handle_min: 120 },
    carriers: ["water"],
    hazards: [],
    role: "clear",
  },
  {
    name: "epoxy by parts",
    text: "Slow epoxy coating resin. 2 parts resin to 1 part hardener by volume. Pot life 30 minutes. Touch dry after 6-8 hours, sand after 24 hours, fully cured after 7 days. EUH205 contains epoxy constituents. Bisphenol A diglycidyl ether 1675-54-3 50-100%.",
    found: { mix_ratio: "2:1", pot_life_min: 30, touch_min: 480, sandable_min: 1440, cured_min: 10_080 },
    hazards: ["sensitiser"],
    family: "epoxy-2k",
    carriers: [],
  },
  {
    name: "a table of airs: the one nearest to twenty counts",
    text: `Lacquer
Touch dry at 10 °C: 40 min
Touch dry at 20 °C: 20 min
Touch dry at 30 °C: 10 min
Dry to handle at 20 °C: 45 min`,
    found: { touch_min: 20, handle_min: 45, label_temp_c: 20 },
    role: "colour",
  },
  {
    name: "a spray with gas",
    text: "ACRYLIC SPRAY PAINT. Contains dimethyl ether 115-10-6 30-50%, acetone 67-64-1 20-30%, propane 74-98-6. Second coat after 10 min. Let dry 1 hour before masking. Spray from 25 cm at room temperature (15-25 °C).",
    found: { recoat_windows: [[10, null]], recoat_from_min: 10, tape_safe_min: 60, min_temp_c: 15, max_temp_c: 25 },
    carriers: ["ether", "ketone"],
    role: "colour",
  },
  {
    name: "figures with a comma",
    text: "Specific gravity 1,08. Volume solids 33,5 %. Apply 0,05 mm wet film. Second layer: recoat after 1,5 hours.",
    found: { density_g_ml: 1.08, volume_solids: 0.335, wft_um: 50, recoat_windows: [[90, null]], recoat_from_min: 90 },
  },
  {
    name: "limits said the other way round",
    text: "Apply at temperatures above 12 °C and not above 28 °C. The relative humidity must not exceed 75 %. Store between 5 and 35 °C. Flash point 23 °C.",
    found: { min_temp_c: 12, max_temp_c: 28, max_rh_pct: 75 },
  },
  {
    name: "wrong number",
    text: "Composition: acetone CAS 67-64-1 25-50 %; mystery 67-64-2 10 %; ethyl acetate 141-78-6 < 10 %",
    found: {},
    carriers: ["ketone", "ester"],
    told: ["bad-cas"],
  },
  {
    name: "impossible",
    text: "Primer, touch dry in 0 minutes. Volume solids 340 %. Density 12 kg/l. Recoat after 2 hours.",
    found: { recoat_windows: [[120, null]], recoat_from_min: 120 },
    told: ["impossible"],
    role: "primer",
  },
  {
    name: "said twice in two ways",
    text: "Touch dry 10 min. Handle in 1 h. In short: touch dry within 2 hours.",
    found: { handle_min: 60 },
    told: ["contradicts"],
  },
  {
    name: "over what",
    text: "Clear lacquer. Suitable only over primed or acrylic lacquer surfaces. Recoat within 4 h or after 2 days; wait 5-10 minutes between coats.",
    found: {
      may_go_over: ["primed", "acrylic-lacquer"],
      recoat_windows: [
        [0, 240],
        [2880, null],
      ],
      coat_gap_min: 10,
    },
    role: "clear",
  },
  {
    name: "moisture-curing",
    text: "One-part moisture-curing polyurethane varnish. EUH204 Contains isocyanates. Surface dry 90 minutes. Overcoat within 24 hours. Rub down after 12 hrs.",
    found: { touch_min: 90, recoat_windows: [[0, 1440]], sandable_min: 720 },
    hazards: ["isocyanate"],
    family: "urethane-mc",
    role: "clear",
  },
];

/** Shorter ones, each for a way of saying it that was once read wrongly. */
const SAYINGS: readonly (readonly [text: string, found: Readonly<Record<string, unknown>>])[] = [
  [
    "Dust dry after 10 min, touch-dry after approx. 30 min, can be handled after 2 h, can be recoated after 4 h (20 °C, 65 % rel. humidity).",
    {
      touch_min: 30,
      handle_min: 120,
      recoat_windows: [[240, null]],
      recoat_from_min: 240,
      label_temp_c: 20,
      label_rh_pct: 65,
    },
  ],
  [
    "Recoatable: any time within first 60 minutes, or after 48 hours. Temperature must be between 50°F and 90°F (10-32°C), humidity below 85%.",
    {
      recoat_windows: [
        [0, 60],
        [2880, null],
      ],
      min_temp_c: 10,
      max_temp_c: 32.2,
      max_rh_pct: 85,
    },
  ],
  [
    "WFT 100 microns, DFT 35 microns. Minimum overcoating interval 4 hours; maximum overcoating interval 7 days at 23°C.",
    { wft_um: 100, recoat_windows: [[240, 10_080]], recoat_from_min: 240, label_temp_c: 23 },
  ],
  [
    "Touch dry: 15min\nRecoat: 20-30min\nSand: 1hr\nFull cure: 24hrs\n@ 20C, 50%RH",
    {
      touch_min: 15,
      recoat_windows: [[30, null]],
      recoat_from_min: 30,
      sandable_min: 60,
      cured_min: 1440,
      label_temp_c: 20,
      label_rh_pct: 50,
    },
  ],
  [
    "After application allow to dry for 20-30 minutes before sanding. Apply in layers of max 2mm.",
    { sandable_min: 30, max_skin_um: 2000 },
  ],
  [
    "Use 2-4 light coats a minute or so apart. Dries in 15 minutes to touch and 1 hour to handle. May be recoated within 1 hour or after 24 hours.",
    {
      coats: 2,
      coat_gap_min: 1,
      touch_min: 15,
      handle_min: 60,
      recoat_windows: [
        [0, 60],
        [1440, null],
      ],
    },
  ],
  [
    "Do not use at temperatures below +8 °C, or when relative humidity exceeds 80 %.",
    { min_temp_c: 8, max_rh_pct: 80 },
  ],
  [
    "Tack-free: 45 minutes. Walk on: 6 hours. Full hardness: approx. 7 days. Application conditions: +10...+25 °C, RH < 80 %",
    { touch_min: 45, cured_min: 10_080, min_temp_c: 10, max_temp_c: 25, max_rh_pct: 80 },
  ],
  ["Ready for recoating: 30 minutes (min.) to 8 hours (max.)", { recoat_windows: [[30, 480]], recoat_from_min: 30 }],
  [
    "Drying time: Touch 5 minutes; handling 20 minutes; recoat 10 minutes; full 24 hours.",
    { touch_min: 5, handle_min: 20, recoat_windows: [[10, null]], recoat_from_min: 10, cured_min: 1440 },
  ],
  [
    "Dry to touch 1/2 hr. Recoat 2 hrs. Ready to sand 24 hrs. Clean up with soap and water.",
    { touch_min: 30, recoat_windows: [[120, null]], recoat_from_min: 120, sandable_min: 1440 },
  ],
  [
    "Dries in 20 - 30 mins, can be sanded after 1 hr, recoat 1 hr. Thinning: 1:1 with cellulose thinner.",
    { sandable_min: 60, recoat_windows: [[60, null]], recoat_from_min: 60, thin_ratio: "1:1" },
  ],
  [
    "Mix equal parts. Work life 4 minutes, handling 15 mins, full cure 24 hrs.",
    { mix_ratio: "1:1", pot_life_min: 4, handle_min: 15, cured_min: 1440 },
  ],
  [
    "Coats: 2. Interval between coats: 15 - 20 min. Film thickness: 2 x 50 µm wet.",
    { coats: 2, coat_gap_min: 20, wft_um: 50 },
  ],
  [
    "May be overcoated with itself within 15 minutes; otherwise wait 7 days.",
    {
      recoat_windows: [
        [0, 15],
        [10_080, null],
      ],
    },
  ],
  [
    "Curing time 24 hours, recoating possible after 30 minutes, dry to the touch: 10 minutes.",
    { cured_min: 1440, recoat_windows: [[30, null]], recoat_from_min: 30, touch_min: 10 },
  ],
  ["touch dry: 20 minutes (68 F / 50% RH)", { touch_min: 20, label_temp_c: 20, label_rh_pct: 50 }],
  [
    "Wait 2 hours before handling; 24 hours before taping. Spray distance 20-30 cm.",
    { handle_min: 120, tape_safe_min: 1440 },
  ],
  [
    "Solids content 45 wt%. Density: 1250 kg/m3. VOC 420 g/l. Boiling point 126 °C. Flash point 23 °C.",
    { density_g_ml: 1.25 },
  ],
  ["Not suitable for bare metal. Suitable for primed surfaces only.", { may_go_over: ["primed"] }],
  ["Keep between 5 °C and 30 °C. Shelf life 24 months. Once opened use within 6 months.", {}],
];

const valuesOf = (text: string): Record<string, unknown> =>
  Object.fromEntries(
    readLabel(text)
      .found.filter((f) => !f.otherEnd)
      .map((f) => [f.figure, f.value]),
  );

describe("labels read", () => {
  it.each(CASES.map((c) => [c.name, c] as const))("%s", (_name, c) => {
    const read = readLabel(c.text);
    expect(valuesOf(c.text)).toEqual(c.found);
    if (c.carriers) expect(read.carriers.map((x) => x.class)).toEqual(c.carriers);
    if (c.hazards) expect([...read.hazards].sort()).toEqual([...c.hazards].sort());
    if (c.family) expect(read.family).toBe(c.family);
    if (c.role) expect(read.role).toBe(c.role);
    if (c.told) for (const why of c.told) expect(read.told.map((t) => t.why)).toContain(why);
    else expect(read.told).toEqual([]);
  });

  it.each(SAYINGS)("said so: %s", (text, found) => {
    expect(valuesOf(text)).toEqual(found);
  });
  it("a paint that says it is water-based names its carrier; what it must not go over is not in it", () => {
    expect(readLabel("Water-based primer. Touch dry 30 min.").carriers.map((c) => c.class)).toEqual(["water"]);
    expect(readLabel("Do not apply over water-based paint. Touch dry 30 min.").carriers).toEqual([]);
    expect(readLabel("This is not water-borne. Touch dry 30 min.").carriers).toEqual([]);
  });

  it("a hardener that holds isocyanate counts, whatever its base is free of", () => {
    const text =
      "Isocyanate-free base. Hardener: hexamethylene diisocyanate, oligomers 28182-81-2 50-75 %. Touch dry 30 min.";
    expect(readLabel(text).hazards).toContain("isocyanate");
    expect(readLabel("Contains no isocyanates. Touch dry 30 min.").hazards).not.toContain("isocyanate");
  });
  it("windows that cannot be together are told, not found", () => {
    const read = readLabel("Recoat after 4 h and within 2 h. Touch dry 20 min.");
    expect(read.found.map((f) => f.figure)).toEqual(["touch_min"]);
    expect(read.told).toMatchObject([{ figure: "recoat_windows", why: "contradicts" }]);
  });

  it("every find shows the words it came from, as they stand there", () => {
    for (const { text } of CASES)
      for (const f of readLabel(text).found) {
        expect(f.quote.length).toBeGreaterThan(0);
        expect(text.replace(/\s+/g, " ")).toContain(f.quote.replace(/…$/, ""));
      }
  });

  it("of a range the careful end is found, the other beside it", () => {
    const { found } = readLabel("Touch dry in 15 to 20 minutes. Pot life 4-6 hours. Layers up to 2-3 mm thick.");
    expect(found.map((f) => [f.figure, f.value, f.otherEnd ?? false])).toEqual([
      ["touch_min", 20, false],
      ["touch_min", 15, true],
      ["pot_life_min", 240, false],
      ["pot_life_min", 360, true],
      ["max_skin_um", 2000, false],
      ["max_skin_um", 3000, true],
    ]);
  });

  it("shares go with their names", () => {
    const { carriers } = readLabel("Contains xylene (25-50 %), butyl acetate 10 - <25 % and 2-butoxyethanol < 5 %.");
    expect(carriers.map((c) => [c.name, c.sharePct])).toEqual([
      ["xylene", 50],
      ["butyl acetate", 25],
      ["2-butoxyethanol", 5],
    ]);
  });
});

describe("what is no label", () => {
  it.each([
    ["nothing", "", []],
    [
      "another language",
      "Trocken nach 20 Minuten, überlackierbar nach 2 Stunden, Verarbeitung nur bei Raumtemperatur, vor Gebrauch gut schütteln.",
      ["not-understood"],
    ],
    ["nonsense", "flum dorret sipple amna bost ".repeat(20), ["not-understood"]],
    [
      "a story that says dry and sand",
      "We dried our feet in the sand for 20 minutes and the touching film lasted two hours, then we walked back over the dunes.",
      [],
    ],
  ] as const)("%s", (_name, text, told) => {
    const read = readLabel(text);
    expect(read.told.map((t) => t.why)).toEqual(told);
    expect(read.carriers).toEqual([]);
  });
  it("a time without a word it belongs to is not found", () => {
    expect(readLabel("Dries in 20 minutes. Wait two hours. Leave overnight before use.").found).toEqual([]);
    expect(readLabel("Shake for 2 minutes. Store 12 months. Keep 24 h away from children.").found).toEqual([]);
  });
  it.each([
    ["200 KB of figures", "1 2 3 - 4 / 5 : ".repeat(15_000)],
    ["200 KB of one word", "touch dry ".repeat(25_000)],
    ["200 KB without a space", "9".repeat(250_000)],
    ["200 KB of empty lines", "\n".repeat(250_000)],
    ["200 KB of percent", "acetone 5 - 10 % ".repeat(14_000)],
    ["half a pair, and signs", `${"\ud800°²½\u0000‑".repeat(2000)} touch dry 20 min`],
  ])("is read without harm: %s", (_name, text) => {
    const read = readLabel(text);
    expect(read.found.length).toBeLessThan(50);
    if (text.length > MOST_TEXT) expect(read.told.map((t) => t.why)).toContain("too-long");
  });
});
