import type { Product, Region, SandAfter } from "@/core/model";
import { type Case, on, SAFE } from "./rule-cases";
import { layer, product } from "./world";

/** Cases of the rules on conditions, older finishes, contact liquids, decals, tape, mixing, heat and service. */

const made = (id: string, from: string, over: Partial<Product>): Product => ({ ...product(from), ...over, id });

const spirit = made("spirit", "grip-promoter", {
  role: "degreaser",
  carriers: ["aliphatic"],
  method: "wipe",
  hazards: [],
});
const meths = made("meths", "grip-promoter", { role: "degreaser", carriers: ["alcohol"], method: "wipe", hazards: [] });
const acetone = made("acetone", "grip-promoter", {
  role: "degreaser",
  carriers: ["ketone"],
  method: "wipe",
  hazards: [],
});
const xylene = made("xylene", "grip-promoter", {
  role: "degreaser",
  carriers: ["aromatic"],
  method: "wipe",
  hazards: [],
});
const lye = made("lye", "grip-promoter", {
  role: "degreaser",
  carriers: ["water"],
  method: "wipe",
  hazards: ["caustic"],
});
const stripper = made("stripper", "grip-promoter", {
  role: "stripper",
  carriers: ["aromatic"],
  method: "brush",
  hazards: [],
});
const fluid = made("fluid", "grip-promoter", { role: "masking", carriers: ["water"], method: "brush", hazards: [] });
const paper = made("paper", "grip-promoter", { role: "abrasive", carriers: [], method: "wipe", hazards: [] });
const quickGlue = made("quick-glue", "grip-promoter", { role: "adhesive", family: "cyanoacrylate", carriers: [] });
const cement = made("cement", "grip-promoter", {
  role: "adhesive",
  family: "solvent-cement",
  carriers: ["ketone", "ester"],
});
const foamGlue = made("foam-glue", "grip-promoter", { role: "adhesive", family: "urethane-mc", carriers: [] });
const whiteGlue = made("white-glue", "grip-promoter", { role: "adhesive", family: "wb-acrylic", carriers: ["water"] });
const kicker = made("kicker", "grip-promoter", { role: "adhesive", carriers: ["ketone"], activator: true });
const decal = made("decal", "water-matt", {
  role: "decal",
  effect: "transparent",
  carriers: ["water"],
  method: "dip",
  sheen: "satin",
});
const grime = made("grime", "lightship-white", { role: "wash", carriers: ["aliphatic"], colour: "#30261c" });
const nitro = made("nitro", "lacquer-gloss", { mayGoOver: null });
const ink = made("ink", "seawall-grey", { colour: "#101214", sheen: "satin" });
const sun = made("sun", "estuary-blue", { colour: "#f2c400", opaqueDftUm: 60 });
const slow = made("slow-primer", "grey-primer", { family: "alkyd", carriers: ["aliphatic"] });
const lightFill = made("light-fill", "fairing-putty", { family: "uv-acrylate", cureDepthUm: 800, maxSkinUm: null });
const otherWater = made("other-water", "water-primer", { name: "Another water primer" });
const otherSealer = made("other-sealer", "foam-sealer", {});
const spiritThinner = made("spirit-thinner", "grip-promoter", { role: "thinner", carriers: ["aliphatic"] });
const waterThinner = made("water-thinner", "grip-promoter", { role: "thinner", carriers: ["water"] });
const wax = made("wax", "grip-promoter", {
  role: "polish",
  carriers: ["water", "aliphatic"],
  method: "wipe",
  hazards: [],
});
const rub = (over: Partial<SandAfter>): SandAfter => ({ grit: 400, wet: true, takesUm: 2, ...over });
const OWN = [
  spirit,
  meths,
  acetone,
  xylene,
  lye,
  stripper,
  fluid,
  paper,
  quickGlue,
  foamGlue,
  whiteGlue,
  kicker,
  decal,
  grime,
  nitro,
  ink,
  sun,
  slow,
  lightFill,
  otherWater,
  otherSealer,
  spiritThinner,
  waterThinner,
  wax,
  cement,
];

const old = (over: Partial<NonNullable<Region["oldFinish"]>> = {}): Partial<Region> => ({
  oldFinish: { family: "unknown", ageDays: "unknown", rub: "sound", lead: "none", ...over },
});
const pair = (fires: Case, spares: Case): { fires: Case; spares: Case } => ({
  fires: { with: OWN, ...fires },
  spares: { with: OWN, ...spares },
});
const cured = { gapMin: 60_000 };
const masked = (productId: string, onMin: number | null) =>
  layer(productId, { tape: { tack: "low", productId: "fluid", onMin, offMin: null } });
const GLUED: Case["work"] = { kind: "wipe", withId: "quick-glue" };
const STRIP = { kind: "strip", downTo: null, way: "stripper", withId: "stripper" } as const;

export const MORE_PAIRS: Readonly<Record<string, { fires: Case; spares: Case }>> = {
  "key-gone-stale": pair(
    { on: on("aluminium", { minutesSinceKey: 600 }), pile: ["etch-green", "grey-primer"] },
    { on: on("steel-iron", { minutesSinceKey: 600 }), pile: ["etch-green", "grey-primer"] },
  ),
  "etch-on-old-or-sealed": pair(
    { on: on("steel-iron", old({ family: "alkyd", ageDays: 900 })), pile: ["etch-green", "grey-primer"] },
    { on: on("steel-iron"), pile: ["etch-green", "grey-primer"] },
  ),
  "etch-on-bare-spots": pair(
    {
      on: on("steel-iron", { conditions: ["keyed", "bare-spots"], ...old({ family: "epoxy-2k", ageDays: 30 }) }),
      pile: ["etch-green", "grey-primer"],
    },
    { on: on("steel-iron", { conditions: ["keyed", "bare-spots"] }), pile: ["etch-green", "grey-primer"] },
  ),
  "filled-lines-unprimed": pair(
    { on: on("petg", { conditions: ["keyed", "panel-lines-filled"] }), pile: ["estuary-blue"] },
    { on: on("petg", { conditions: ["keyed", "panel-lines-filled"] }), pile: ["water-primer", "estuary-blue"] },
  ),
  "wash-on-bare-polystyrene": pair(
    { on: on("hips"), pile: ["grime"] },
    { on: on("hips"), pile: ["water-primer", layer("grime", cured)] },
  ),
  "old-unknown-mild": pair(
    { on: on("petg", old()), pile: ["lightship-white"] },
    { on: on("petg", old()), pile: ["foam-sealer"] },
  ),
  "old-unknown-strong": pair(
    { on: on("petg", old()), pile: ["grey-primer"] },
    { on: on("petg", old({ family: "epoxy-2k", ageDays: 300 })), pile: ["grey-primer"] },
  ),
  "old-softens": pair(
    { on: on("petg", old({ family: "wb-acrylic", rub: "softens" })), pile: ["lightship-white"] },
    { on: on("petg", old({ family: "wb-acrylic" })), pile: ["lightship-white"] },
  ),
  "old-softens-strong": pair(
    { on: on("petg", old({ family: "alkyd", ageDays: 900, rub: "softens" })), pile: ["grey-primer"] },
    { on: on("petg", old({ family: "alkyd", ageDays: 900 })), pile: ["grey-primer"] },
  ),
  "old-isolated": pair(
    { on: on("petg", old()), pile: [layer("foam-sealer", { coats: 2 }), layer("lightship-white", cured)] },
    { on: on("petg", old()), pile: [layer("foam-sealer", { coats: 2 }), "other-sealer"] },
  ),
  "old-shines-through": pair(
    { on: on("petg", old({ rub: "untested" })), pile: ["water-primer", layer("lightship-white", cured)] },
    { on: on("petg", old()), pile: ["water-primer", layer("lightship-white", cured)] },
  ),
  "old-not-isolated": pair(
    { on: on("petg", old()), pile: ["water-primer", layer("grey-primer", { gapMin: 120 })] },
    { on: on("petg", old()), pile: ["water-primer", layer("grey-primer", cured)] },
  ),
  "soft-foam-barrier-strong": pair(
    {
      on: on("epo"),
      pile: [layer("foam-sealer", { coats: 3, heaviness: "wet" }), layer("bronze-lacquer", { wftUm: 12 })],
    },
    {
      on: on("epo"),
      pile: [layer("foam-sealer", { coats: 3, heaviness: "wet" }), layer("grey-primer", { wftUm: 12 })],
    },
  ),
  "lacquer-before-flash": pair(
    { on: on("petg"), pile: ["grey-primer", layer("build-primer", { gapMin: 2 })] },
    { on: on("petg"), pile: ["grey-primer", layer("build-primer", { gapMin: 60 })] },
  ),
  "etch-over-film": pair(
    { on: on("aluminium"), pile: ["grey-primer", "etch-green", "grey-primer"] },
    { on: on("aluminium"), pile: ["etch-green", "grey-primer"] },
  ),
  "spot-etch": pair(
    {
      on: on("aluminium", { conditions: ["keyed", "bare-spots"] }),
      pile: ["etch-green", layer("grey-primer"), "etch-green", "grey-primer"],
    },
    { on: on("aluminium", { conditions: ["keyed", "bare-spots"] }), pile: ["etch-green", "grey-primer"] },
  ),
  "porous-filler-on-foam": pair(
    { on: on("pu-foam"), pile: ["light-filler", "grey-primer"] },
    { on: on("pu-foam"), pile: ["light-filler", "foam-sealer", layer("grey-primer", cured)] },
  ),
  "amine-blush": pair(
    {
      on: on("steel-iron"),
      pile: ["epoxy-primer", "seawall-grey"],
      air: { tempC: 12, rhPct: 60 },
      airCounts: true,
    },
    {
      on: on("steel-iron"),
      pile: ["epoxy-primer", layer("seawall-grey", { before: ["degrease"] })],
      air: { tempC: 12, rhPct: 60 },
      airCounts: true,
    },
  ),
  "wash-same-class": pair(
    { on: on("petg"), pile: ["water-primer", "lightship-white", layer("grime", cured)] },
    { on: on("petg"), pile: ["water-primer", "estuary-blue", layer("grime", cured)] },
  ),
  "wash-same-class-test": pair(
    {
      on: on("petg"),
      pile: ["grey-primer", layer("ester-wash", cured)],
      with: [...OWN, made("ester-wash", "lightship-white", { role: "wash", carriers: ["ester"] })],
    },
    { on: on("petg"), pile: ["grey-primer", layer("grime", cured)] },
  ),
  "decal-silvers": pair(
    {
      on: on("petg"),
      pile: ["water-primer", layer("seawall-grey"), "decal"],
      with: [...OWN, product("seawall-grey", { sheen: "matt" })],
    },
    {
      on: on("petg"),
      pile: ["water-primer", layer("seawall-grey"), "decal"],
      with: [...OWN, product("seawall-grey", { sheen: "gloss" })],
    },
  ),
  "decal-on-matt-clear": pair(
    { on: on("petg"), pile: ["water-primer", "water-matt", "decal"] },
    { on: on("petg"), pile: ["water-primer", "decal", "water-matt"] },
  ),
  "decal-on-dark": pair(
    { on: on("petg"), pile: ["water-primer", "ink", "decal"] },
    {
      on: on("petg"),
      pile: ["water-primer", "ink", "ground-decal"],
      with: [...OWN, { ...decal, id: "ground-decal", effect: "solid" }],
    },
  ),
  "clear-over-decal-mist": pair(
    { on: on("petg"), pile: ["water-primer", "decal", layer("nitro", { heaviness: "mist" })] },
    { on: on("petg"), pile: ["water-primer", "decal", layer("water-matt", { heaviness: "mist" })] },
  ),
  "clear-over-decal": pair(
    { on: on("petg"), pile: ["water-primer", "decal", layer("nitro", { heaviness: "wet" })] },
    { on: on("petg"), pile: ["water-primer", "decal", layer("nitro", { heaviness: "mist" })] },
  ),
  "cement-welds-nothing": pair(
    { on: on("pp-pe"), pile: [layer("cement")] },
    { on: on("hips"), pile: [layer("cement")] },
  ),
  "cement-on-paint": pair(
    { on: on("hips"), pile: ["water-primer", layer("cement", cured)] },
    { on: on("hips"), pile: [layer("cement")] },
  ),
  "glue-eats-foam": pair({ on: on("xps"), pile: ["quick-glue"] }, { on: on("petg"), pile: ["quick-glue"] }),
  "glue-foams": pair({ on: on("xps"), pile: ["foam-glue"] }, { on: on("petg"), pile: ["quick-glue"] }),
  "water-glue-tight": pair({ on: on("petg"), pile: ["white-glue"] }, { on: on("wood-mdf"), pile: ["white-glue"] }),
  "joint-small": pair(
    { on: on("petg"), pile: [], work: GLUED, joint: { load: "handled", faceMm2: 7 } },
    { on: on("petg"), pile: [], work: GLUED, joint: { load: "rests", faceMm2: 7 } },
  ),
  "joint-knocked": pair(
    { on: on("petg"), pile: [], work: GLUED, joint: { load: "bears", faceMm2: null } },
    { on: on("petg"), pile: [], work: GLUED, joint: { load: "handled", faceMm2: null } },
  ),
  "brittle-joint": pair({ on: on("tpu"), pile: ["quick-glue"] }, { on: on("petg"), pile: ["quick-glue"] }),
  "over-polish": pair(
    { on: on("petg"), pile: ["lacquer-gloss", layer("wax", cured), "lacquer-gloss"] },
    { on: on("petg"), pile: ["lacquer-gloss", layer("wax", cured), layer("lacquer-gloss", { before: ["degrease"] })] },
  ),
  "solvent-over-masking-fluid": pair(
    { on: on("petg"), pile: [masked("water-primer", null), "lightship-white"] },
    { on: on("petg"), pile: [masked("water-primer", null), "seawall-grey"] },
  ),
  "liquid-bare-care": pair({ on: on("petg"), pile: ["xylene"] }, { on: on("petg"), pile: ["spirit"] }),
  "liquid-bare-test": pair(
    { on: on("petg"), pile: [], work: STRIP },
    { on: on("petg"), pile: [], work: { kind: "wipe", withId: "xylene" } },
  ),
  "liquid-bare-stop": pair({ on: on("clear-plastic"), pile: ["acetone"] }, { on: on("steel-iron"), pile: ["acetone"] }),
  "liquid-film-care": pair(
    { on: on("petg"), pile: ["lightship-white", layer("xylene", cured)] },
    { on: on("petg"), pile: ["lightship-white", layer("lye", cured)] },
  ),
  "liquid-film-test": pair(
    { on: on("petg"), pile: ["water-primer", layer("xylene", cured)] },
    { on: on("petg"), pile: ["water-primer", layer("spirit", cured)] },
  ),
  "liquid-film-stop": pair(
    { on: on("petg"), pile: ["water-primer", layer("spirit", { gapMin: 5 })] },
    { on: on("petg"), pile: ["water-primer", layer("spirit", cured)] },
  ),
  "wipe-same-class": pair(
    { on: on("petg"), pile: ["water-primer", layer("meths", cured)] },
    { on: on("petg"), pile: ["water-primer", layer("spirit", cured)] },
  ),
  "wipe-same-class-test": pair(
    { on: on("steel-iron"), pile: ["etch-green", layer("meths", cured), "grey-primer"] },
    { on: on("steel-iron"), pile: ["etch-green", layer("spirit", cured), "grey-primer"] },
  ),
  "caustic-on-light-metal": pair(
    { on: on("aluminium"), pile: ["lye", "etch-green", "grey-primer"] },
    { on: on("steel-iron"), pile: ["lye", "etch-green", "grey-primer"] },
  ),
  "masking-fluid-on-solvent": pair(
    { on: on("petg"), pile: [masked("grey-primer", 60_000)] },
    { on: on("petg"), pile: [masked("water-primer", 60_000)] },
  ),
  "masking-fluid-on-young-acrylic": pair(
    { on: on("petg"), pile: [masked("water-primer", 300)] },
    { on: on("petg"), pile: [masked("water-primer", 60_000)] },
  ),
  "accelerator-on-paint": pair(
    { on: on("petg"), pile: ["water-primer", layer("kicker", cured)] },
    { on: on("petg"), pile: ["kicker", "water-primer"] },
  ),
  "adhesive-fumes": pair(
    { on: on("petg", { clearNearby: true }), pile: ["quick-glue"] },
    { on: on("petg"), pile: ["quick-glue"] },
  ),
  "stripper-on-lead": pair(
    { on: on("white-metal"), pile: [], work: STRIP },
    { on: on("brass-copper"), pile: [], work: STRIP },
  ),
  "blasting-harms": pair(
    { on: on("pla"), pile: ["water-primer"], work: { ...STRIP, way: "blasted", withId: null } },
    { on: on("steel-iron"), pile: ["water-primer"], work: { ...STRIP, way: "blasted", withId: null } },
  ),
  "bath-soaks-in": pair(
    { on: on("wood-mdf"), pile: ["water-primer"], work: { ...STRIP, way: "bath" } },
    { on: on("steel-iron"), pile: ["water-primer"], work: { ...STRIP, way: "bath" } },
  ),
  "stripping-lead": pair(
    { on: on("steel-iron", old({ lead: "unknown" })), pile: [], work: { ...STRIP, way: "by-hand", withId: null } },
    { on: on("steel-iron", old()), pile: [], work: { ...STRIP, way: "by-hand", withId: null } },
  ),
  "skin-over-usual": pair(
    {
      on: on("petg"),
      pile: [layer("soft-fill", { depthUm: 5000 })],
      with: [...OWN, made("soft-fill", "light-filler", { maxSkinUm: null })],
    },
    {
      on: on("petg"),
      pile: [layer("soft-fill", { depthUm: 2000 })],
      with: [...OWN, made("soft-fill", "light-filler", { maxSkinUm: null })],
    },
  ),
  "light-cannot-reach": pair(
    { on: on("petg"), pile: [layer("light-fill", { depthUm: 1500 })] },
    { on: on("petg"), pile: [layer("light-fill", { depthUm: 1500, coats: 2 })] },
  ),
  "gap-unfilled": pair(
    { on: on("petg", { fillDepthUm: 500 }), pile: ["water-primer"] },
    { on: on("petg", { fillDepthUm: 500 }), pile: ["fairing-putty", "water-primer"] },
  ),
  "pits-unfilled": pair(
    { on: on("petg", { conditions: ["keyed", "clean", "pits"] }), pile: ["water-primer"] },
    { on: on("petg", { conditions: ["keyed", "clean", "pits"] }), pile: ["build-primer"] },
  ),
  "soak-long": pair(
    { on: on("petg"), pile: ["water-primer"], prep: ["wash"], soakMin: { wash: 90 } },
    { on: on("petg"), pile: ["water-primer"], prep: ["wash"], soakMin: { wash: 30 } },
  ),
  "wash-too-soon": pair(
    { on: on("petg"), pile: ["estuary-blue", layer("grime-wash", { gapMin: 60 })] },
    { on: on("petg"), pile: ["estuary-blue", layer("grime-wash", { gapMin: 2880 })] },
  ),
  "crack-too-fine": pair(
    { on: on("petg", { fillWidthUm: 100 }), pile: ["fairing-putty"] },
    { on: on("petg", { fillWidthUm: 800 }), pile: ["fairing-putty"] },
  ),
  "gap-too-wide": pair(
    {
      on: on("petg", { fillWidthUm: 6000 }),
      pile: ["fairing-putty"],
      with: [product("fairing-putty", { family: "gypsum-filler", carriers: ["water"] })],
    },
    { on: on("petg", { fillWidthUm: 6000 }), pile: ["fairing-putty"] },
  ),
  "gap-without-backing": pair(
    { on: on("petg", { fillThrough: true }), pile: ["fairing-putty"] },
    { on: on("petg", { fillThrough: true }), pile: [layer("fairing-putty", { setUp: { backing: true } })] },
  ),
  "spot-rim-shows": pair(
    { on: on("petg"), pile: ["water-primer", layer("fairing-putty", { spot: 0.1 }), "estuary-blue"] },
    {
      on: on("petg"),
      pile: ["water-primer", layer("fairing-putty", { spot: 0.1, sandAfter: rub({ grit: 400 }) }), "estuary-blue"],
    },
  ),
  "ladder-jump": pair(
    {
      on: on("petg"),
      pile: [layer("build-primer", { coats: 3, sandAfter: rub({ grit: 240, further: [{ grit: 1000, wet: true }] }) })],
    },
    {
      on: on("petg"),
      pile: [
        layer("build-primer", { coats: 3, sandAfter: rub({ grit: 240 }) }),
        layer("paper", { sandAfter: rub({ grit: 400 }) }),
      ],
    },
  ),
  "coats-too-close": pair(
    { on: on("petg"), pile: [layer("water-primer", { coats: 2, coatGapMin: 2 })] },
    { on: on("petg"), pile: [layer("water-primer", { coats: 2, coatGapMin: 60 })] },
  ),
  "coats-in-forbidden-gap": pair(
    { on: on("petg"), pile: ["water-primer", layer("lightship-white", { coats: 2, coatGapMin: 1400 })] },
    { on: on("petg"), pile: ["water-primer", layer("lightship-white", { coats: 2, coatGapMin: 120 })] },
  ),
  "coats-too-far-apart": pair(
    { on: on("steel-iron"), pile: [layer("epoxy-primer", { coats: 2, coatGapMin: 9000 })] },
    { on: on("steel-iron"), pile: [layer("epoxy-primer", { coats: 2, coatGapMin: 600 })] },
  ),
  "coats-far-apart": pair(
    { on: on("steel-iron"), pile: [layer("etch-green", { coats: 2, coatGapMin: 9000 }), "grey-primer"] },
    { on: on("steel-iron"), pile: [layer("etch-green", { coats: 2, coatGapMin: 60 }), "grey-primer"] },
  ),
  "colour-shows-ground": pair(
    { on: on("petg"), pile: ["grey-primer", layer("sun", { coats: 2 })] },
    {
      on: on("petg"),
      pile: ["white-primer", layer("sun", { coats: 6 })],
      with: [...OWN, made("white-primer", "grey-primer", { colour: "#f4f4f0" })],
    },
  ),
  "weak-colour-on-dark": pair(
    { on: on("petg"), pile: ["grey-primer", layer("sun", { coats: 8 })] },
    {
      on: on("petg"),
      pile: ["white-primer", layer("sun", { coats: 8 })],
      with: [...OWN, made("white-primer", "grey-primer", { colour: "#f4f4f0" })],
    },
  ),
  "too-hot-in-service": pair(
    {
      on: on("brass-copper", { exposure: ["heat"], serviceTempC: 95 }),
      pile: ["epoxy-primer"],
      with: [...OWN, product("epoxy-primer", { serviceTempC: 80 })],
    },
    {
      on: on("brass-copper", { exposure: ["heat"], serviceTempC: 75 }),
      pile: ["epoxy-primer"],
      with: [...OWN, product("epoxy-primer", { serviceTempC: 80 })],
    },
  ),
  "too-hot-by-family": pair(
    { on: on("petg", { exposure: ["heat"], serviceTempC: 80 }), pile: ["water-primer"] },
    { on: on("petg", { exposure: ["heat"], serviceTempC: 40 }), pile: ["water-primer"] },
  ),
  "tape-too-soon": pair(
    { on: on("petg"), pile: [layer("water-primer", { tape: { tack: "low", onMin: 60, offMin: null } })] },
    { on: on("petg"), pile: [layer("water-primer", { tape: { tack: "low", onMin: 6000, offMin: null } })] },
  ),
  "high-tack-on-foam": pair(
    { on: on("xps"), pile: [layer("foam-sealer", { tape: { tack: "high", onMin: 20_000, offMin: null } })] },
    { on: on("xps"), pile: [layer("foam-sealer", { tape: { tack: "low", onMin: 20_000, offMin: null } })] },
  ),
  "high-tack": pair(
    { on: on("hips"), pile: [layer("water-primer", { tape: { tack: "high", onMin: 3000, offMin: null } })] },
    { on: on("hips"), pile: [layer("water-primer", { tape: { tack: "high", onMin: 60_000, offMin: null } })] },
  ),
  "tape-overdue": pair(
    { on: on("hips"), pile: [layer("water-primer", { tape: { tack: "medium", onMin: 20_000, offMin: 40_000 } })] },
    { on: on("hips"), pile: [layer("water-primer", { tape: { tack: "medium", onMin: 20_000, offMin: 20_400 } })] },
  ),
  "two-in-one-cup": pair(
    { on: on("petg"), pile: [layer("water-primer", { mixedWithId: "grey-primer" })] },
    { on: on("petg"), pile: [layer("water-primer", { mixedWithId: "other-water" })] },
  ),
  "ranges-in-one-cup": pair(
    { on: on("petg"), pile: [layer("water-primer", { mixedWithId: "other-water" })] },
    { on: on("petg"), pile: [layer("water-primer", { mixedWithId: "water-primer" })] },
  ),
  "wrong-thinner": pair(
    { on: on("petg"), pile: [layer("water-primer", { thinnerId: "spirit-thinner" })] },
    { on: on("petg"), pile: [layer("water-primer", { thinnerId: "water-thinner" })] },
  ),
  "pot-life-over": pair(
    { on: on("petg"), pile: [layer("fairing-putty", { setUp: { batchMin: 60 } })] },
    { on: on("petg"), pile: [layer("fairing-putty", { setUp: { batchMin: 20 } })] },
  ),
  "mix-ratio-off": pair(
    {
      on: on("petg"),
      pile: [layer("fairing-putty", { mixUsed: "2:1" })],
      with: [...OWN, product("fairing-putty", { mixRatio: "1:1" })],
    },
    {
      on: on("petg"),
      pile: [layer("fairing-putty", { mixUsed: "100:102" })],
      with: [...OWN, product("fairing-putty", { mixRatio: "1:1" })],
    },
  ),
  "ratio-off": pair(
    {
      on: on("petg"),
      pile: [layer("water-primer", { mixUsed: "2:1" })],
      with: [...OWN, product("water-primer", { mixRatio: "4:1" })],
    },
    {
      on: on("petg"),
      pile: [layer("water-primer", { mixUsed: "4:1" })],
      with: [...OWN, product("water-primer", { mixRatio: "4:1" })],
    },
  ),
  "accelerator-near-paint": pair(
    {
      on: on("petg"),
      pile: ["water-primer", layer("ca-fill", { setUp: { activator: true } })],
      with: [...OWN, made("ca-fill", "fairing-putty", { family: "cyanoacrylate" })],
    },
    {
      on: on("petg"),
      pile: [layer("ca-fill", { setUp: { activator: true } })],
      with: [...OWN, made("ca-fill", "fairing-putty", { family: "cyanoacrylate" })],
    },
  ),
  "fumes-near-clear": pair(
    {
      on: on("petg", { clearNearby: true }),
      pile: ["ca-fill"],
      with: [...OWN, made("ca-fill", "fairing-putty", { family: "cyanoacrylate" })],
    },
    { on: on("petg", { clearNearby: true }), pile: ["fairing-putty"] },
  ),
  "heat-over-limit": pair(
    { on: on("pla"), pile: ["water-primer", layer("seawall-grey", { before: ["heat"], heatC: 55 })] },
    { on: on("petg"), pile: ["water-primer", layer("seawall-grey", { before: ["heat"], heatC: 55 })] },
  ),
  "heat-unstated": pair(
    { on: on("pla"), pile: ["water-primer", layer("seawall-grey", { before: ["heat"] })] },
    { on: on("pla"), pile: ["water-primer", layer("seawall-grey", { before: ["heat"], heatC: 40 })] },
  ),
  "heat-on-wet-solvent": pair(
    { on: on("petg"), pile: ["grey-primer", layer("seawall-grey", { before: ["heat"], heatC: 40, gapMin: 3 })] },
    { on: on("petg"), pile: ["grey-primer", layer("seawall-grey", { before: ["heat"], heatC: 40, gapMin: 300 })] },
  ),
  "can-too-hot": pair(
    { on: on("petg"), pile: [layer("grey-primer", { setUp: { canTempC: 60 } })] },
    { on: on("petg"), pile: [layer("grey-primer", { setUp: { canTempC: 30 } })] },
  ),
  "lead-rubbed-dry": pair(
    {
      on: on("white-metal", { conditions: ["clean"] }),
      pile: [layer("etch-green", { before: ["scuff"] }), "grey-primer"],
    },
    {
      on: on("white-metal", { conditions: ["clean"] }),
      pile: [layer("etch-green", { before: ["scuff"], scuffWet: true }), "grey-primer"],
    },
  ),
  "sanding-no-filter": pair(
    { on: on("petg"), pile: [layer("seawall-grey", { sandAfter: rub({}) })], wearing: [] },
    { on: on("petg"), pile: [layer("seawall-grey", { sandAfter: rub({}) })], wearing: SAFE },
  ),
  "red-or-yellow-fades": pair(
    {
      on: on("petg", { exposure: ["uv"] }),
      pile: ["white-primer", layer("sun", { coats: 8 })],
      with: [...OWN, made("white-primer", "grey-primer", { colour: "#f4f4f0" })],
    },
    { on: on("petg", { exposure: ["uv"] }), pile: ["water-primer", "ink"] },
  ),
  "not-oil-proof": pair(
    {
      on: on("steel-iron", { exposure: ["oil-fuel"] }),
      pile: ["epoxy-primer"],
      with: [product("epoxy-primer", { resists: ["water", "wear"] })],
    },
    {
      on: on("steel-iron", { exposure: ["oil-fuel"] }),
      pile: ["epoxy-primer"],
      with: [product("epoxy-primer", { resists: ["oil", "fuel"] })],
    },
  ),
  "scratch-shows": pair(
    {
      on: on("petg"),
      pile: [layer("build-primer", { coats: 3, sandAfter: rub({ grit: 120, wet: false }) }), "seawall-grey"],
    },
    { on: on("petg"), pile: [layer("build-primer", { coats: 3, sandAfter: rub({ grit: 1000 }) }), "seawall-grey"] },
  ),
  "scratch-shows-gloss": pair(
    {
      on: on("petg", { finish: "show" }),
      pile: [layer("build-primer", { coats: 3, sandAfter: rub({ grit: 120, wet: false }) }), "bronze-lacquer"],
    },
    {
      on: on("petg"),
      pile: [layer("build-primer", { coats: 3, sandAfter: rub({ grit: 120, wet: false }) }), "bronze-lacquer"],
    },
  ),
  "over-fit": pair(
    { on: on("petg", { fitAllowanceUm: 20 }), pile: [layer("build-primer", { coats: 3 })] },
    { on: on("petg", { fitAllowanceUm: 200 }), pile: [layer("build-primer", { coats: 3 })] },
  ),
  "over-mass": pair(
    { on: on("epo", { massBudgetG: 1, areaCm2: 900 }), pile: [layer("foam-sealer", { coats: 3, heaviness: "wet" })] },
    { on: on("epo", { massBudgetG: 30, areaCm2: 900 }), pile: [layer("foam-sealer", { coats: 3, heaviness: "wet" })] },
  ),
  "mass-unknown": pair(
    { on: on("epo", { massBudgetG: 1, areaCm2: null }), pile: ["foam-sealer"] },
    { on: on("epo", { areaCm2: null }), pile: ["foam-sealer"] },
  ),
  "frost-on-stock": pair(
    { on: on("petg"), pile: ["water-primer"], air: { tempC: 16, rhPct: 50, frostTonight: true } },
    { on: on("petg"), pile: ["grey-primer"], air: { tempC: 16, rhPct: 50, frostTonight: true } },
  ),
};
