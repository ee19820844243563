import { type JudgeInput, judgeStack, judgeWork, type PlacedVerdict } from "@/core/judge";
import type {
  AirSpot,
  ExtraWork,
  JointTold,
  Layer,
  MaterialId,
  PrepStep,
  Product,
  Protection,
  Region,
  Stack,
} from "@/core/model";
import { layer, lookup, pile, product, region } from "./world";

export const SAFE: readonly Protection[] = ["extraction", "a2p3", "p3", "gloves", "eye-cover"];

export interface Case {
  readonly on: Partial<Region>;
  readonly pile: readonly (Layer | string)[];
  readonly prep?: readonly PrepStep[];
  readonly prepWith?: Stack["prepWith"];
  readonly soakMin?: Stack["prepSoakMin"];
  readonly with?: readonly Product[];
  readonly wearing?: readonly Protection[];
  readonly air?: AirSpot;
  /** the coats really go on in that air */
  readonly airCounts?: boolean;
  readonly today?: string;
  /** work no layer asks for, on the pile as it lies; judged alone */
  readonly work?: ExtraWork;
  readonly joint?: JointTold;
}

export const inputOf = (c: Case): JudgeInput => ({
  region: region(c.on),
  stack: {
    ...pile(...c.pile),
    prep: c.prep ?? [],
    ...(c.prepWith ? { prepWith: c.prepWith } : {}),
    ...(c.soakMin ? { prepSoakMin: c.soakMin } : {}),
  },
  productOf: lookup(c.with),
  protection: c.wearing ?? SAFE,
  air: c.air ?? null,
  airCounts: c.airCounts ?? false,
  today: c.today,
});

/** Long enough ago for anything to have cured, minutes. */
const LONG_AGO_MIN = 200_000;
export function judge(c: Case, input = inputOf(c)) {
  const answer = judgeStack(input);
  if (answer.outcome !== "judged") throw new Error(`incomplete: ${answer.missing.join()}`);
  return answer;
}
type Fallen = Pick<PlacedVerdict, "rule" | "verdict"> & Partial<PlacedVerdict>;
export const fallen = (c: Case, input = inputOf(c)): readonly Fallen[] =>
  c.work ? judgeWork(input, c.work, LONG_AGO_MIN, c.joint ?? null) : judge(c, input).verdicts;
export const fired = (c: Case): readonly string[] =>
  fallen(c)
    .filter((v) => v.verdict !== "ok")
    .map((v) => v.rule);
export const verdictOf = (c: Case, rule: string): Fallen | undefined => fallen(c).find((v) => v.rule === rule);

const keyed: Partial<Region> = { conditions: ["keyed", "clean"] };
export const on = (material: MaterialId, over: Partial<Region> = {}): Partial<Region> => ({
  ...keyed,
  material,
  ...over,
});
const barrier = layer("foam-sealer", { coats: 3, heaviness: "wet" });
const enamel = product("lightship-white");
export const nitroOver = (gapMin: number | null) => layer("lacquer-gloss", { gapMin });

const BARE_STOPPER = product("red-stopper", { mayGoOver: null });
const bareStopper = layer("red-stopper", { depthUm: 150 });
const taped = (tack: "low" | "medium") => layer("bronze-lacquer", { tape: { tack, onMin: null, offMin: null } });
const POLISH = product("lacquer-gloss", { id: "polish-fine", role: "polish", carriers: ["water"], family: "unknown" });
const WATER_WASH = product("estuary-blue", { id: "water-wash", role: "wash", effect: "transparent" });

/** Each rule: what fires it, and the nearest thing that does not. */
export const PAIRS: Readonly<Record<string, { fires: Case; spares: Case }>> = {
  "bare-bite-care": {
    fires: { on: on("petg"), pile: ["grey-primer"] },
    spares: { on: on("petg"), pile: ["water-primer"] },
  },
  "bare-bite-mist": {
    fires: { on: on("hips"), pile: [layer("grey-primer", { heaviness: "mist" })] },
    spares: { on: on("hips"), pile: [layer("lightship-white", { heaviness: "mist" })] },
  },
  "bare-bite-mist-wet": {
    fires: { on: on("hips"), pile: [layer("grey-primer", { heaviness: "wet" })] },
    spares: { on: on("hips"), pile: [layer("grey-primer", { heaviness: "light" })] },
  },
  "bare-bite-test": {
    fires: { on: on("petg"), pile: ["bronze-lacquer"] },
    spares: { on: on("nylon"), pile: ["grey-primer"] },
  },
  "bare-bite-stop": {
    fires: { on: on("xps"), pile: ["grey-primer"] },
    spares: { on: on("xps"), pile: ["foam-sealer"] },
  },
  "foam-propellant": {
    fires: { on: on("xps"), pile: ["grey-primer"] },
    spares: { on: on("xps"), pile: [layer("water-primer")] },
  },
  "slick-unkeyed-visible": {
    fires: { on: { material: "petg", conditions: ["clean"] }, pile: ["water-primer"] },
    spares: { on: { material: "petg", conditions: ["clean"] }, pile: ["water-primer"], prep: ["key", "dust-off"] },
  },
  "slick-unkeyed-hidden": {
    fires: { on: { material: "petg", conditions: ["clean"], finish: "hidden" }, pile: ["water-primer"] },
    spares: { on: on("petg", { finish: "hidden" }), pile: ["water-primer"] },
  },
  "slick-unkeyed-promoted": {
    fires: { on: { material: "pp-pe", conditions: ["clean"] }, pile: ["grip-promoter", "grey-primer"] },
    spares: { on: on("pp-pe"), pile: ["grip-promoter", "grey-primer"] },
  },
  "needs-promoter": {
    fires: { on: on("pp-pe"), pile: ["grey-primer"] },
    spares: { on: on("pp-pe"), pile: ["grip-promoter", "grey-primer"] },
  },
  "wants-promoter": {
    fires: { on: on("nylon"), pile: ["grey-primer"] },
    spares: { on: on("nylon"), pile: ["grip-promoter", "grey-primer"] },
  },
  greasy: {
    fires: { on: { material: "cast-pu", conditions: ["released"] }, pile: ["water-primer"] },
    spares: { on: { material: "cast-pu", conditions: ["released"] }, pile: ["water-primer"], prep: ["wash"] },
  },
  "keyed-over-grease": {
    fires: { on: on("petg", { conditions: ["greasy"] }), pile: ["water-primer"], prep: ["key", "wash"] },
    spares: { on: on("petg", { conditions: ["greasy"] }), pile: ["water-primer"], prep: ["wash", "key", "dust-off"] },
  },
  "surplus-left": {
    fires: { on: on("petg", { conditions: ["keyed", "clean", "stringing"] }), pile: ["water-primer"] },
    spares: {
      on: on("petg", { conditions: ["keyed", "clean", "stringing"] }),
      pile: ["water-primer"],
      prep: ["trim", "dust-off"],
    },
  },
  "fit-untried": {
    fires: { on: on("petg", { conditions: ["keyed", "clean", "mating-face"] }), pile: ["water-primer"] },
    spares: {
      on: on("petg", { conditions: ["keyed", "clean", "mating-face"] }),
      pile: ["water-primer"],
      prep: ["dry-fit"],
    },
  },
  dusty: {
    fires: { on: on("petg", { conditions: ["keyed", "dusty"] }), pile: ["water-primer"] },
    spares: { on: on("petg", { conditions: ["keyed", "dusty"] }), pile: ["water-primer"], prep: ["dust-off"] },
  },
  damp: {
    fires: { on: on("plaster", { conditions: ["damp"] }), pile: ["foam-sealer"] },
    spares: { on: on("plaster"), pile: ["foam-sealer"] },
  },
  residue: {
    fires: { on: on("brass-copper", { conditions: ["keyed", "flux-residue"] }), pile: ["etch-green", "grey-primer"] },
    spares: {
      on: on("brass-copper", { conditions: ["keyed", "flux-residue"] }),
      pile: ["etch-green", "grey-primer"],
      prep: ["wash"],
    },
  },
  "rust-left": {
    fires: { on: on("steel-iron", { conditions: ["keyed", "rusted"] }), pile: ["etch-green", "grey-primer"] },
    spares: {
      on: on("steel-iron", { conditions: ["keyed", "rusted"] }),
      pile: ["etch-green", "grey-primer"],
      prep: ["derust", "wipe"],
    },
  },
  tarnished: {
    fires: { on: on("brass-copper", { conditions: ["keyed", "tarnished"] }), pile: ["etch-green", "grey-primer"] },
    spares: {
      on: on("brass-copper", { conditions: ["tarnished"] }),
      pile: ["etch-green", "grey-primer"],
      prep: ["key", "wipe"],
    },
  },
  "resin-uncured": {
    fires: { on: on("vat-resin", { conditions: ["uncured"] }), pile: ["water-primer"] },
    spares: { on: on("vat-resin", { conditions: ["uncured"] }), pile: ["water-primer"], prep: ["post-cure"] },
  },
  "resin-cure-unknown": {
    fires: { on: on("vat-resin", { conditions: ["cure-unknown"] }), pile: ["water-primer"] },
    spares: { on: on("vat-resin"), pile: ["water-primer"] },
  },
  "eva-open": { fires: { on: on("eva"), pile: ["water-primer"] }, spares: { on: on("eva"), pile: ["foam-sealer"] } },
  "steel-flash-rust": {
    fires: { on: on("steel-iron"), pile: ["water-primer"] },
    spares: { on: on("steel-iron"), pile: ["water-primer"], with: [product("water-primer", { rustInhibitor: true })] },
  },
  "steel-plain-primer": {
    fires: { on: on("steel-iron"), pile: ["grey-primer"] },
    spares: { on: on("steel-iron"), pile: ["epoxy-primer"] },
  },
  "metal-plain-primer": {
    fires: { on: on("aluminium"), pile: ["grey-primer"] },
    spares: { on: on("aluminium"), pile: ["epoxy-primer"] },
  },
  "metal-poor-grip": {
    fires: { on: on("brass-copper"), pile: ["grey-primer"] },
    spares: { on: on("brass-copper"), pile: ["epoxy-primer"] },
  },
  "etch-on-brass": {
    fires: { on: on("brass-copper"), pile: ["etch-green", "grey-primer"] },
    spares: { on: on("aluminium"), pile: ["etch-green", "grey-primer"] },
  },
  "etch-on-stainless": {
    fires: { on: on("stainless"), pile: ["etch-green", "grey-primer"] },
    spares: { on: on("steel-iron"), pile: ["etch-green", "grey-primer"] },
  },
  "etch-not-on-metal": {
    fires: { on: on("petg"), pile: ["etch-green", "grey-primer"] },
    spares: { on: on("white-metal"), pile: ["etch-green", "grey-primer"] },
  },
  "colour-on-slick": {
    fires: { on: on("petg"), pile: ["estuary-blue"] },
    spares: { on: on("petg"), pile: ["water-primer", "estuary-blue"] },
  },
  "colour-on-slick-exposed": {
    fires: { on: on("petg", { exposure: ["handled"] }), pile: ["estuary-blue"] },
    spares: { on: on("petg"), pile: ["estuary-blue"] },
  },
  "combined-on-slick": {
    fires: { on: on("petg"), pile: ["estuary-blue"], with: [product("estuary-blue", { combinedPrimer: true })] },
    spares: { on: on("hips"), pile: ["estuary-blue"], with: [product("estuary-blue", { combinedPrimer: true })] },
  },
  "porous-unsealed": {
    fires: { on: on("wood-mdf"), pile: ["estuary-blue"] },
    spares: { on: on("wood-mdf"), pile: ["foam-sealer", "estuary-blue"] },
  },
  "putty-not-on-bare": {
    fires: { on: on("petg"), pile: ["red-stopper"] },
    spares: { on: on("petg"), pile: ["fairing-putty"] },
  },
  "label-not-on-bare": {
    fires: { on: on("petg"), pile: ["water-matt"], with: [product("water-matt", { mayGoOver: ["primed"] })] },
    spares: { on: on("petg"), pile: ["water-matt"] },
  },
  "polyester-on-polystyrene": {
    fires: { on: on("hips"), pile: ["fairing-putty"], with: [product("fairing-putty", { family: "polyester-2k" })] },
    spares: { on: on("petg"), pile: ["fairing-putty"], with: [product("fairing-putty", { family: "polyester-2k" })] },
  },
  "keep-bare": {
    fires: { on: on("clear-plastic", { conditions: ["must-stay-clear"] }), pile: ["water-primer"] },
    spares: { on: on("clear-plastic"), pile: ["water-primer"] },
  },
  "foam-barrier-ok-thin": {
    fires: { on: on("xps"), pile: [barrier, layer("grey-primer", { wftUm: 12 })] },
    spares: { on: on("xps"), pile: [barrier, "water-primer"] },
  },
  "foam-barrier-mild": {
    fires: { on: on("xps"), pile: [barrier, "lightship-white"] },
    spares: { on: on("xps"), pile: [barrier, "seawall-grey"] },
  },
  "foam-barrier-wet-pass": {
    fires: { on: on("xps"), pile: [barrier, layer("grey-primer", { heaviness: "wet" })] },
    spares: { on: on("xps"), pile: [barrier, layer("grey-primer", { wftUm: 12 })] },
  },
  "foam-barrier-thin": {
    fires: { on: on("xps"), pile: [layer("foam-sealer"), layer("grey-primer", { wftUm: 12 })] },
    spares: { on: on("xps"), pile: [barrier, layer("grey-primer", { wftUm: 12 })] },
  },
  "soft-foam-barrier": {
    fires: { on: on("epo"), pile: [barrier, layer("grey-primer", { wftUm: 12 })] },
    spares: { on: on("epo"), pile: [barrier, "water-primer"] },
  },
  "soft-foam-no-barrier": {
    fires: { on: on("epo"), pile: [layer("foam-sealer"), "grey-primer"] },
    spares: { on: on("epo"), pile: [layer("foam-sealer"), "water-primer"] },
  },
  "seam-bite-care": {
    fires: {
      on: on("petg"),
      pile: ["water-primer", "etch-green"],
      with: [product("etch-green", { carriers: ["alcohol"], role: "primer", mayGoOver: null })],
    },
    spares: { on: on("petg"), pile: ["water-primer", "lightship-white"] },
  },
  "seam-bite-test": {
    fires: { on: on("petg"), pile: ["estuary-blue", "bronze-lacquer"] },
    spares: { on: on("petg"), pile: ["epoxy-primer", "bronze-lacquer"] },
  },
  "seam-bite-stop": {
    fires: { on: on("petg"), pile: ["lightship-white", nitroOver(900)] },
    spares: { on: on("petg"), pile: ["lightship-white", layer("water-matt", { gapMin: 900 })] },
  },
  "seam-redissolve-wet": {
    fires: {
      on: on("petg"),
      pile: ["grey-primer", layer("bronze-lacquer", { heaviness: "wet", gapMin: 4000 })],
      with: [product("bronze-lacquer", { family: "nc-lacquer" })],
    },
    spares: { on: on("petg"), pile: ["grey-primer", layer("bronze-lacquer", { gapMin: 4000 })] },
  },
  "alkyd-forbidden-gap": {
    fires: { on: on("petg"), pile: ["lightship-white", nitroOver(900)] },
    spares: { on: on("petg"), pile: ["lightship-white", layer("lightship-white", { gapMin: 120 })] },
  },
  "forbidden-gap": {
    fires: { on: on("petg"), pile: ["lightship-white", layer("water-matt", { gapMin: 900 })] },
    spares: { on: on("petg"), pile: ["lightship-white", layer("water-matt", { gapMin: 20_000 })] },
  },
  "window-not-open-traps": {
    fires: { on: on("petg"), pile: ["epoxy-primer", layer("bronze-lacquer", { gapMin: 3 })] },
    spares: { on: on("petg"), pile: ["grey-primer", layer("bronze-lacquer", { gapMin: 3 })] },
  },
  "window-not-open": {
    fires: { on: on("petg"), pile: ["water-primer", layer("estuary-blue", { gapMin: 5 })] },
    spares: { on: on("petg"), pile: ["water-primer", layer("estuary-blue", { gapMin: 60 })] },
  },
  "window-missed-scuffed": {
    fires: { on: on("petg"), pile: ["epoxy-primer", layer("grey-primer", { gapMin: 5000, before: ["scuff"] })] },
    spares: { on: on("petg"), pile: ["epoxy-primer", layer("grey-primer", { gapMin: 600, before: ["scuff"] })] },
  },
  "window-missed-hard": {
    fires: { on: on("petg"), pile: ["epoxy-primer", layer("grey-primer", { gapMin: 5000 })] },
    spares: { on: on("petg"), pile: ["epoxy-primer", layer("grey-primer", { gapMin: 600 })] },
  },
  "window-missed": {
    fires: {
      on: on("petg"),
      pile: ["water-primer", layer("estuary-blue", { gapMin: 5000 })],
      with: [withWindow("water-primer")],
    },
    spares: { on: on("petg"), pile: ["water-primer", layer("estuary-blue", { gapMin: 5000 })] },
  },
  "promoter-missed": {
    fires: { on: on("pp-pe"), pile: ["grip-promoter", layer("grey-primer", { gapMin: 300 })] },
    spares: { on: on("pp-pe"), pile: ["grip-promoter", layer("grey-primer", { gapMin: 30 })] },
  },
  "etch-missed": {
    fires: { on: on("aluminium"), pile: ["etch-green", layer("grey-primer", { gapMin: 3000 })] },
    spares: { on: on("aluminium"), pile: ["etch-green", layer("grey-primer", { gapMin: 120 })] },
  },
  "etch-under-epoxy-primer": {
    fires: { on: on("aluminium"), pile: ["etch-green", "epoxy-primer"] },
    spares: { on: on("aluminium"), pile: ["etch-green", "grey-primer"] },
  },
  "etch-under-polyester": {
    fires: { on: on("aluminium"), pile: ["etch-green", "hull-filler"] },
    spares: { on: on("aluminium"), pile: ["etch-green", layer("fairing-putty", { gapMin: 400 })] },
  },
  "etch-rubbed": {
    fires: { on: on("aluminium"), pile: ["etch-green", layer("grey-primer", { gapMin: 200, before: ["scuff"] })] },
    spares: { on: on("aluminium"), pile: ["etch-green", layer("grey-primer", { gapMin: 200 })] },
  },
  "etch-round-putty": {
    fires: {
      on: on("brass-copper"),
      pile: [bareStopper, layer("etch-green", { heaviness: "mist" })],
      with: [BARE_STOPPER],
    },
    spares: {
      on: on("brass-copper"),
      pile: [{ ...bareStopper, spot: false }, layer("etch-green", { heaviness: "mist" })],
      with: [BARE_STOPPER],
    },
  },
  "hollow-undrained": {
    fires: { on: on("vat-resin", { hollow: true }), pile: ["water-primer"] },
    spares: { on: on("vat-resin", { hollow: true }), pile: ["water-primer"], prep: ["drain"] },
  },
  "hollow-unknown": {
    fires: { on: on("vat-resin", { hollow: "unknown" }), pile: ["water-primer"] },
    spares: { on: on("vat-resin", { hollow: false }), pile: ["water-primer"] },
  },
  "wash-unknown": {
    fires: { on: { material: "petg", conditions: ["keyed"] }, pile: ["water-primer"] },
    spares: { on: { material: "petg", conditions: ["keyed"] }, pile: ["water-primer"], prep: ["wash"] },
  },
  "wash-unknown-resin": {
    fires: { on: { material: "vat-resin", conditions: ["keyed"] }, pile: ["water-primer"] },
    spares: { on: { material: "vat-resin", conditions: ["keyed", "washed"] }, pile: ["water-primer"] },
  },
  "wash-unknown-release": {
    fires: { on: { material: "cast-pu", conditions: [] }, pile: ["water-primer"] },
    spares: { on: { material: "cast-pu", conditions: ["degreased"] }, pile: ["water-primer"] },
  },
  "colour-on-rough-cast": {
    fires: { on: on("white-metal", { conditions: ["rough-cast", "clean"], lead: "none" }), pile: ["bronze-lacquer"] },
    spares: {
      on: on("white-metal", { conditions: ["rough-cast", "clean"], lead: "none" }),
      pile: ["etch-green", "bronze-lacquer"],
    },
  },
  "colour-on-rough-cast-show": {
    fires: {
      on: on("steel-iron", { conditions: ["rough-cast", "clean"], finish: "show" }),
      pile: ["bronze-lacquer"],
    },
    spares: { on: on("steel-iron", { conditions: ["rough-cast", "clean"] }), pile: ["bronze-lacquer"] },
  },
  "soft-foam-wet-pass": {
    fires: { on: on("epo"), pile: [barrier, layer("grey-primer", { heaviness: "flood", gapMin: 9000 })] },
    spares: { on: on("epo"), pile: [barrier, layer("grey-primer", { heaviness: "mist", gapMin: 9000 })] },
  },
  "putty-sprayed": {
    fires: {
      on: on("petg"),
      pile: ["grey-primer", "red-stopper"],
      with: [product("red-stopper", { method: "airbrush" })],
    },
    spares: { on: on("petg"), pile: ["grey-primer", "red-stopper"] },
  },
  "light-unknown": {
    fires: { on: on("petg"), pile: ["lamp-filler"], with: [product("lamp-filler", { light: null })] },
    spares: {
      on: on("petg"),
      pile: ["lamp-filler"],
      with: [product("lamp-filler", { light: { wavelengthNm: 405, ecMjCm2: 12, dpUm: 300 } })],
    },
  },
  "past-its-date": {
    fires: {
      on: on("petg"),
      pile: ["grey-primer"],
      with: [product("grey-primer", { useBy: "2025-12-31" })],
      today: "2026-03-02",
    },
    spares: {
      on: on("petg"),
      pile: ["grey-primer"],
      with: [product("grey-primer", { useBy: "2026-12-31" })],
      today: "2026-03-02",
    },
  },
  "tape-on-bare-slick": {
    fires: { on: { material: "petg", conditions: ["clean"] }, pile: [taped("low"), "estuary-blue"] },
    spares: { on: on("petg"), pile: [taped("low"), "estuary-blue"] },
  },
  "strong-tape-on-bare-slick": {
    fires: { on: { material: "petg", conditions: ["clean"] }, pile: [taped("medium"), "estuary-blue"] },
    spares: { on: { material: "petg", conditions: ["clean"] }, pile: [taped("low"), "estuary-blue"] },
  },
  "drain-without-hole": {
    fires: { on: on("vat-resin", { hollow: true, drainHole: false }), pile: ["water-primer"], prep: ["drain"] },
    spares: { on: on("vat-resin", { hollow: true, drainHole: true }), pile: ["water-primer"], prep: ["drain"] },
  },
  "bath-no-can": {
    fires: { on: on("petg"), pile: [layer("water-primer", { before: ["warm-can"] })] },
    spares: { on: on("petg"), pile: [layer("grey-primer", { before: ["warm-can"] })] },
  },
  "lead-prep-dry": {
    fires: {
      on: on("white-metal", { conditions: ["clean", "keyed"] }),
      pile: ["etch-green", "grey-primer"],
      prep: ["dust-off"],
    },
    spares: {
      on: on("white-metal", { conditions: ["clean", "keyed"], lead: "none" }),
      pile: ["etch-green", "grey-primer"],
      prep: ["dust-off"],
    },
  },
  "oil-proof-unsaid": {
    fires: { on: on("steel-iron", { exposure: ["oil-fuel"] }), pile: ["etch-green", "grey-primer", "seawall-grey"] },
    spares: { on: on("steel-iron", { exposure: ["oil-fuel"] }), pile: ["epoxy-primer"] },
  },
  "water-colour-unsealed": {
    fires: { on: on("petg", { exposure: ["handled"] }), pile: ["water-primer", "estuary-blue"] },
    spares: { on: on("petg", { exposure: ["handled"] }), pile: ["water-primer", "estuary-blue", "water-matt"] },
  },
  "polish-too-soon": {
    fires: {
      on: on("petg"),
      pile: ["grey-primer", "lacquer-gloss", layer("polish-fine", { gapMin: 30 })],
      with: [POLISH],
    },
    spares: {
      on: on("petg"),
      pile: ["grey-primer", "lacquer-gloss", layer("polish-fine", { gapMin: 9000 })],
      with: [POLISH],
    },
  },
  "polish-too-soon-show": {
    fires: {
      on: on("petg", { finish: "show" }),
      pile: ["grey-primer", "lacquer-gloss", layer("polish-fine", { gapMin: 30 })],
      with: [POLISH],
    },
    spares: {
      on: on("petg", { finish: "show" }),
      pile: ["grey-primer", "lacquer-gloss", layer("polish-fine", { gapMin: 9000 })],
      with: [POLISH],
    },
  },
  "water-wash-cured": {
    fires: {
      on: on("petg"),
      pile: ["water-primer", "estuary-blue", layer("water-wash", { gapMin: 20_000 })],
      with: [WATER_WASH],
    },
    spares: {
      on: on("petg"),
      pile: ["water-primer", "estuary-blue", layer("water-wash", { gapMin: 400 })],
      with: [WATER_WASH],
    },
  },
  "damage-after-dirt": {
    fires: { on: on("petg"), pile: ["water-primer", "grime-wash", "mast-silver"] },
    spares: { on: on("petg"), pile: ["water-primer", "mast-silver", "grime-wash"] },
  },
  "putty-not-on-primed": {
    fires: {
      on: on("petg"),
      pile: ["grey-primer", "red-stopper"],
      with: [product("red-stopper", { mayGoOver: ["bare"] })],
    },
    spares: { on: on("petg"), pile: ["grey-primer", "red-stopper"] },
  },
  "label-not-on-this-film": {
    fires: {
      on: on("petg"),
      pile: ["grey-primer", "water-matt"],
      with: [product("water-matt", { mayGoOver: ["wb-acrylic"] })],
    },
    spares: {
      on: on("petg"),
      pile: ["water-primer", "water-matt"],
      with: [product("water-matt", { mayGoOver: ["wb-acrylic"] })],
    },
  },
  "hard-over-soft": {
    fires: { on: on("petg"), pile: ["lightship-white", layer("epoxy-primer", { gapMin: 120 })] },
    spares: { on: on("petg"), pile: ["lightship-white", layer("epoxy-primer", { gapMin: 20_000 })] },
  },
  "two-part-still-soft": {
    fires: { on: on("petg"), pile: ["epoxy-primer", layer("bronze-lacquer", { gapMin: 200 })] },
    spares: { on: on("petg"), pile: ["epoxy-primer", layer("two-pack-gloss", { gapMin: 200 })] },
  },
  "two-part-over-old": {
    fires: { on: on("petg"), pile: ["lightship-white", layer("epoxy-primer", { gapMin: 20_000, before: ["scuff"] })] },
    spares: { on: on("petg"), pile: ["water-primer", "epoxy-primer"] },
  },
  "water-over-gloss": {
    fires: { on: on("petg"), pile: ["lightship-white", layer("water-matt", { gapMin: 20_000 })] },
    spares: { on: on("petg"), pile: ["lightship-white", layer("water-matt", { gapMin: 20_000, before: ["scuff"] })] },
  },
  "gloss-other-family": {
    fires: { on: on("petg"), pile: ["lightship-white", layer("bronze-lacquer", { gapMin: 20_000 })] },
    spares: {
      on: on("petg"),
      pile: ["lightship-white", layer("bronze-lacquer", { gapMin: 20_000, before: ["scuff"] })],
    },
  },
  "water-over-wet-solvent": {
    fires: { on: on("petg"), pile: ["grey-primer", layer("estuary-blue", { gapMin: 5 })] },
    spares: { on: on("petg"), pile: ["grey-primer", layer("estuary-blue", { gapMin: 60 })] },
  },
  "yellowing-over-pale": {
    fires: { on: on("petg"), pile: ["lightship-white", nitroOver(20_000)] },
    spares: { on: on("petg"), pile: ["lightship-white", nitroOver(20_000)], with: [{ ...enamel, colour: "#402020" }] },
  },
  "yellowing-over-pale-show": {
    fires: { on: on("petg", { finish: "show" }), pile: ["lightship-white", nitroOver(20_000)] },
    spares: { on: on("petg"), pile: ["lightship-white", nitroOver(20_000)] },
  },
  "colour-on-filler": {
    fires: { on: on("petg"), pile: ["fairing-putty", "estuary-blue"] },
    spares: { on: on("petg"), pile: ["fairing-putty", "water-primer"] },
  },
  "porous-filler-solvent": {
    fires: { on: on("petg"), pile: ["light-filler", "grey-primer"] },
    spares: { on: on("petg"), pile: ["light-filler", "water-primer"] },
  },
  "flex-brittle": {
    fires: { on: on("tpu"), pile: ["lacquer-gloss"] },
    spares: { on: on("petg"), pile: ["lacquer-gloss"] },
  },
  "flex-stiff": { fires: { on: on("tpu"), pile: ["water-primer"] }, spares: { on: on("tpu"), pile: ["foam-sealer"] } },
  "skin-too-thick": {
    fires: { on: on("petg"), pile: ["grey-primer", layer("red-stopper", { wftUm: 800 })] },
    spares: { on: on("petg"), pile: ["grey-primer", layer("red-stopper", { wftUm: 150 })] },
  },
  "sands-through": {
    fires: { on: on("petg"), pile: [layer("grey-primer", { sandAfter: { grit: 400, wet: false, takesUm: 30 } })] },
    spares: {
      on: on("petg"),
      pile: [layer("build-primer", { coats: 2, sandAfter: { grit: 400, wet: false, takesUm: 5 } })],
    },
  },
  "sands-through-foam": {
    fires: { on: on("xps"), pile: [layer("foam-sealer", { sandAfter: { grit: 400, wet: false, takesUm: 90 } })] },
    spares: { on: on("xps"), pile: [layer("foam-sealer", { sandAfter: { grit: 400, wet: false, takesUm: 5 } })] },
  },
  "isocyanate-sprayed": {
    fires: { on: on("petg"), pile: ["water-primer", "two-pack-gloss"] },
    spares: { on: on("petg"), pile: ["water-primer", "two-pack-gloss"], wearing: [...SAFE, "air-fed"] },
  },
  "isocyanate-unknown": {
    fires: {
      on: on("petg"),
      pile: ["epoxy-primer"],
      with: [product("epoxy-primer", { hazards: ["isocyanate-unknown"] })],
    },
    spares: {
      on: on("petg"),
      pile: ["epoxy-primer"],
      with: [product("epoxy-primer", { hazards: ["isocyanate-unknown"], method: "brush" })],
    },
  },
  "solvent-sprayed-bare-faced": {
    fires: { on: on("petg"), pile: ["grey-primer"], wearing: ["p3"] },
    spares: { on: on("petg"), pile: ["grey-primer"], wearing: ["extraction", "p3"] },
  },
  "spray-no-filter": {
    fires: { on: on("petg"), pile: ["water-primer"], wearing: ["extraction"] },
    spares: { on: on("petg"), pile: ["seawall-grey"], wearing: [] },
  },
  "detail-softened": {
    fires: { on: on("petg", { detailUm: 150 }), pile: ["build-primer", "build-primer", "water-primer"] },
    spares: { on: on("petg", { detailUm: 1500 }), pile: ["build-primer", "build-primer", "water-primer"] },
  },
  "detail-drowned": {
    fires: { on: on("petg", { detailUm: 80, finish: "show" }), pile: ["build-primer", "build-primer", "water-primer"] },
    spares: { on: on("petg", { detailUm: 80 }), pile: ["build-primer", "build-primer", "water-primer"] },
  },
  "ridge-shows": {
    fires: { on: on("petg", { ridgeUm: 40 }), pile: ["build-primer", "grey-primer"] },
    spares: {
      on: on("petg", { ridgeUm: 4 }),
      pile: [
        layer("build-primer", { coats: 2, heaviness: "wet", sandAfter: { grit: 400, wet: true, takesUm: 15 } }),
        "grey-primer",
      ],
    },
  },
  "ridge-shows-gloss": {
    fires: { on: on("petg", { ridgeUm: 40, finish: "show" }), pile: ["build-primer", "bronze-lacquer"] },
    spares: { on: on("petg", { ridgeUm: 40, finish: "show" }), pile: ["build-primer", "estuary-blue"] },
  },
  "no-uv-protection": {
    fires: { on: on("petg", { exposure: ["uv"] }), pile: ["water-primer", "estuary-blue"] },
    spares: { on: on("petg", { exposure: ["uv"] }), pile: ["water-primer", "estuary-blue", "water-matt"] },
  },
  "etch-left-bare": {
    fires: { on: on("aluminium"), pile: ["etch-green"] },
    spares: { on: on("aluminium"), pile: ["etch-green", "grey-primer"] },
  },
  "promoter-left-bare": {
    fires: { on: on("pp-pe"), pile: ["grip-promoter"] },
    spares: { on: on("pp-pe"), pile: ["grip-promoter", "grey-primer"] },
  },
  "gloss-on-hidden-prep": {
    fires: { on: on("petg", { finish: "hidden" }), pile: ["water-primer", "lightship-white"] },
    spares: { on: on("petg", { finish: "hidden" }), pile: ["water-primer", "estuary-blue"] },
  },
  "many-reversible-coats": {
    fires: { on: on("petg"), pile: [layer("grey-primer", { coats: 5 }), layer("bronze-lacquer", { coats: 4 })] },
    spares: { on: on("petg"), pile: [layer("grey-primer", { coats: 4 }), layer("bronze-lacquer", { coats: 4 })] },
  },
  "air-below-limit": {
    fires: { on: on("petg"), pile: ["grey-primer"], air: { tempC: 8, rhPct: 50 } },
    spares: { on: on("petg"), pile: ["grey-primer"], air: { tempC: 12, rhPct: 50 } },
  },
  "air-above-limit": {
    fires: { on: on("petg"), pile: ["grey-primer"], air: { tempC: 34, rhPct: 30 } },
    spares: { on: on("petg"), pile: ["grey-primer"], air: { tempC: 28, rhPct: 30 } },
  },
  "air-below-film-forming": {
    fires: { on: on("petg"), pile: ["foam-sealer"], air: { tempC: 9, rhPct: 50 } },
    spares: { on: on("petg"), pile: ["foam-sealer"], air: { tempC: 11, rhPct: 50 } },
  },
  "air-too-damp": {
    fires: { on: on("petg"), pile: ["grey-primer"], air: { tempC: 20, rhPct: 82 } },
    spares: { on: on("petg"), pile: ["grey-primer"], air: { tempC: 20, rhPct: 70 } },
  },
  "air-near-dew-point": {
    fires: { on: on("petg"), pile: ["seawall-grey"], air: { tempC: 20, rhPct: 90 } },
    spares: { on: on("petg"), pile: ["seawall-grey"], air: { tempC: 20, rhPct: 70 } },
  },
  "air-blush": {
    fires: { on: on("petg"), pile: ["grey-primer"], air: { tempC: 20, rhPct: 78 } },
    spares: { on: on("petg"), pile: ["grey-primer"], air: { tempC: 20, rhPct: 74 } },
  },
  "air-blush-clear": {
    fires: { on: on("petg"), pile: ["lacquer-gloss"], air: { tempC: 20, rhPct: 78 } },
    spares: { on: on("petg"), pile: ["water-matt"], air: { tempC: 20, rhPct: 78 } },
  },
  "cold-aerosol": {
    fires: { on: on("petg"), pile: ["grey-primer"], air: { tempC: 12, rhPct: 50 } },
    spares: { on: on("petg"), pile: ["water-primer"], air: { tempC: 12, rhPct: 50 } },
  },
};

function withWindow(id: string): Product {
  const p = product(id);
  return { ...p, label: { ...p.label, recoat: [[30, 1440]] } };
}
