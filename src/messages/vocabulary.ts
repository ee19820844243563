import type {
  BareWay,
  BeforeStep,
  Bite,
  Carrier,
  ClaimFigure,
  Condition,
  Confirmable,
  Effect,
  Exposure,
  FamilyId,
  Finish,
  GritScale,
  Hazard,
  Heaviness,
  Hold,
  JarId,
  JointLoad,
  Lead,
  MaterialId,
  MayGoOver,
  Method,
  PrepStep,
  Propellant,
  Protection,
  Resistance,
  Role,
  Rub,
  RubSign,
  Sheen,
  Source,
  Tack,
  Unknown,
  Verdict,
} from "@/core/model";
import { JAR_ROWS } from "@/core/reference";
import type { ReadyWhy } from "@/core/rules";
import type { WaitedFor } from "@/core/work";

/** Ids to words. One table each, so that a new id without words is a type error. */

export const MATERIAL_NAME: Readonly<Record<MaterialId | Unknown, string>> = {
  pla: "PLA print",
  petg: "PETG print",
  "abs-asa": "ABS or ASA print",
  nylon: "Nylon",
  "pp-pe": "PP or PE",
  tpu: "Flexible print (TPU)",
  eva: "EVA foam",
  "vat-resin": "Vat-printed resin",
  "cast-pu": "Cast resin (PU)",
  hips: "Polystyrene, injected",
  "clear-plastic": "Clear plastic",
  xps: "Foam board (XPS)",
  eps: "Bead foam (EPS)",
  epo: "Moulded flying foam (EPO)",
  "pu-foam": "Rigid PU foam",
  "wood-mdf": "Wood, ply, MDF, card",
  plaster: "Plaster",
  "steel-iron": "Steel or iron",
  aluminium: "Aluminium",
  "brass-copper": "Brass or copper",
  "white-metal": "White metal, zinc",
  stainless: "Stainless, plated",
  glassfibre: "Glassfibre",
  unknown: "I do not know",
};

export const CONDITION_NAME: Readonly<Record<Condition, string>> = {
  clean: "clean",
  degreased: "degreased",
  washed: "washed",
  dried: "dried",
  dusted: "dusted off",
  keyed: "keyed",
  shiny: "shiny",
  greasy: "greasy",
  damp: "damp",
  "damp-joints": "damp in joints",
  dusty: "dusty",
  rusted: "rusted",
  tarnished: "tarnished",
  "flux-residue": "flux or acid left",
  uncured: "uncured",
  "cure-unknown": "cure unknown",
  "surface-cured": "cured on top only",
  "hollow-undrained": "hollow, not drained",
  released: "release agent on it",
  bare: "bare",
  "bare-spots": "bare spots",
  sealed: "sealed",
  "heat-sealed": "closed by heat",
  "panel-lines-filled": "panel lines filled",
  flexes: "flexes",
  "must-stay-clear": "must stay clear",
  "mating-face": "mating face",
  "rough-cast": "rough as cast",
  drained: "drained",
  "washed-inside": "washed inside",
  flash: "flash on its edges",
  "mould-lines": "mould lines",
  "support-marks": "support marks",
  stringing: "strings and fuzz",
  pits: "pits or bubbles",
  "fit-checked": "fit checked",
};

export const ROLE_NAME: Readonly<Record<Role, string>> = {
  degreaser: "Degreaser",
  stripper: "Stripper",
  promoter: "Adhesion promoter",
  sealer: "Sealer",
  putty: "Putty",
  "primer-etch": "Etch primer",
  primer: "Primer",
  "primer-highbuild": "High-build primer",
  surfacer: "Surfacer",
  colour: "Colour",
  clear: "Clear",
  wash: "Wash",
  decal: "Decal film",
  "decal-setting": "Decal setting",
  masking: "Masking",
  thinner: "Thinner",
  adhesive: "Adhesive",
  abrasive: "Abrasive",
  polish: "Polish",
};

export const FAMILY_NAME: Readonly<Record<FamilyId | Unknown, string>> = {
  "wb-acrylic": "water-borne acrylic",
  "alcohol-acrylic": "alcohol-borne acrylic",
  "wb-acrylic-urethane": "water-borne acrylic-urethane",
  "acrylic-lacquer": "acrylic lacquer",
  "nc-lacquer": "nitrocellulose lacquer",
  "lacquer-putty": "one-part lacquer putty",
  alkyd: "alkyd enamel",
  "pvb-etch": "PVB etch",
  shellac: "shellac",
  "epoxy-2k": "two-pack epoxy",
  "epoxy-putty": "epoxy putty",
  "urethane-2k": "two-pack urethane",
  "urethane-mc": "moisture-cure urethane",
  "polyester-2k": "polyester filler",
  "uv-acrylate": "UV-cured acrylate",
  "gypsum-filler": "gypsum or vinyl filler",
  "cpo-promoter": "polyolefin promoter",
  cyanoacrylate: "cyanoacrylate",
  "solvent-cement": "solvent cement",
  unknown: "I do not know",
};

export const CARRIER_NAME: Readonly<Record<Carrier, string>> = {
  water: "water",
  alcohol: "alcohol",
  "glycol-ether": "glycol ether",
  aliphatic: "white spirit (aliphatic)",
  aromatic: "xylene kind (aromatic)",
  ester: "acetate (ester)",
  ketone: "acetone kind (ketone)",
  ether: "ether",
  "reactive-diluent": "styrene kind (reactive diluent)",
};

export const BITE_NAME: Readonly<Record<Bite, string>> = {
  B0: "B0 none",
  B1: "B1 mild",
  B2: "B2 medium",
  B3: "B3 strong",
  B4: "B4 fierce",
};
export const PROPELLANT_NAME: Readonly<Record<Propellant | Unknown, string>> = {
  "liquefied-gas": "liquefied gas",
  "dimethyl-ether": "dimethyl ether",
  "compressed-gas": "compressed gas",
  unknown: "I do not know",
};
export const METHOD_NAME: Readonly<Record<Method, string>> = {
  brush: "brush",
  airbrush: "airbrush",
  aerosol: "aerosol",
  "spray-gun": "spray gun",
  wipe: "wipe on",
  dip: "dip",
  spread: "spread",
};
export const FINISH_NAME: Readonly<Record<Finish, string>> = { hidden: "hidden", seen: "seen", show: "show" };
export const EXPOSURE_NAME: Readonly<Record<Exposure, string>> = {
  shelf: "shelf",
  handled: "handled",
  uv: "UV outdoors",
  wet: "wet",
  "salt-abrasion": "salt, abrasion",
  "oil-fuel": "oil, fuel",
  heat: "heat",
  flexing: "flexing",
};
export const VERDICT_NAME: Readonly<Record<Verdict, string>> = {
  ok: "OK",
  care: "Care",
  test: "Test first",
  stop: "Stop",
};
export const HEAVINESS_NAME: Readonly<Record<Heaviness, string>> = {
  mist: "mist",
  light: "light",
  wet: "wet",
  flood: "flood",
};
export const SHEEN_NAME: Readonly<Record<Sheen, string>> = { matt: "matt", satin: "satin", gloss: "gloss" };
export const EFFECT_NAME: Readonly<Record<Effect, string>> = {
  solid: "solid",
  metallic: "metallic",
  pearl: "pearl",
  fluorescent: "fluorescent",
  transparent: "transparent",
};
export const HAZARD_NAME: Readonly<Record<Hazard, string>> = {
  isocyanate: "isocyanate",
  "isocyanate-unknown": "isocyanate? not known",
  "solvent-vapour": "solvent vapour",
  acid: "acid",
  caustic: "caustic",
  sensitiser: "sensitiser",
  peroxide: "peroxide",
  flammable: "flammable",
};
export const PROTECTION_NAME: Readonly<Record<Protection, string>> = {
  extraction: "Extraction that leads outdoors",
  a2p3: "Combined vapour and particle filter (A2P3), in date",
  p3: "Particle filter (P2/P3)",
  gloves: "Gloves",
  "eye-cover": "Eye cover",
  "air-fed": "Air-fed breathing protection",
};
export const MAY_GO_OVER_NAME: Readonly<Record<MayGoOver, string>> = {
  ...FAMILY_NAME,
  bare: "bare material",
  primed: "primed",
};

export const RESISTANCE_NAME: Readonly<Record<Resistance, string>> = {
  oil: "oil",
  fuel: "fuel",
  heat: "heat",
  water: "water",
  wear: "wear",
};

export const PREP_NAME: Readonly<Record<PrepStep, string>> = {
  degrease: "Degrease",
  derust: "Take off rust",
  drain: "Drain and wash inside",
  dry: "Let it dry through",
  rinse: "Wash again after the key",
  wash: "Wash and rinse",
  "post-cure": "Post-cure",
  key: "Key all over",
  "dust-off": "Dust off",
  wipe: "Wipe clean",
  look: "Look it over in raking light",
  trim: "Trim and scrape",
  "dry-fit": "Try the fit",
  "blow-out": "Blow out joints and corners",
  "tack-off": "Tack off",
};
/** What is looked for before a step counts as done. */
export const PREP_CHECK: Readonly<Partial<Record<PrepStep, string>>> = {
  degrease: "a white cloth wiped over it stays white.",
  trim: "nothing stands up under a fingernail.",
  "dry-fit": "the parts meet without gap or wobble, with room for the film.",
  derust: "bright metal all over, no brown in the pits.",
  drain: "nothing comes out of the hole any more.",
  wash: "water runs off in a sheet, without beads.",
  dry: "nothing dark in corners, nothing comes when joints are blown at.",
  "post-cure": "no tack left anywhere, seams and hollows included.",
  key: "dull all over, no shiny spot, edges and corners included.",
  rinse: "the cloth stays clean.",
};
export const READY_WHY: Readonly<Record<ReadyWhy, string>> = {
  told: "Its condition asks for it.",
  usual: "This material asks for it.",
  "find-faults": "Find what to fill before there is primer on it.",
  surplus: "Support marks, strings, flash and mould lines show through every coat.",
  fit: "Faults of the fit are mended now, not through the paint.",
  "holds-water": "Water in joints and hollows boils up through the primer.",
  "resin-inside": "Resin shut in weeps out months later.",
  "dust-of-key": "A slick face is washed again, so that no dust lies in the scratches.",
  "last-dust": "The last dust comes off right before the first coat.",
};
export const BEFORE_NAME: Readonly<Record<BeforeStep, string>> = {
  scuff: "Scuff",
  degrease: "Degrease",
  wipe: "Wipe clean",
  dry: "Let dry",
  heat: "Warm gently",
  "warm-part": "Warm the part",
  "warm-can": "Warm the can",
};

export const LOAD_NAME: Readonly<Record<JointLoad, string>> = {
  rests: "nothing pulls at it",
  handled: "hands and knocks",
  bears: "a load that stays",
};

export const HOLD_NAME: Readonly<Record<Hold, string>> = {
  clip: "a clip on a stick",
  pin: "a pin in a drilled hole",
  cord: "a cord or wire",
  "tape-block": "tape on a block",
  turntable: "a turntable",
  forceps: "forceps",
};
export const BARE_WAY_NAME: Readonly<Record<BareWay, string>> = {
  mask: "masked before paint",
  scour: "painted over, and scoured off again",
};
export const RUB_SIGN_NAME: Readonly<Record<RubSign, string>> = {
  "lows-only": "only the lows keep it",
  midway: "midway between ridge and valley",
  flush: "flush with the face around it",
  dull: "dull all over",
};

export const MILESTONE_NAME: Readonly<Record<WaitedFor, string>> = {
  flash: "flash off",
  touch: "touch dry",
  handle: "fit to handle",
  recoat: "ready to recoat",
  sandable: "sandable",
  "tape-safe": "tape safe",
  polishable: "polishable",
  cured: "through cured",
  "part-dry": "part dry",
  "wipe-flash": "wipe gone off",
  "as-told": "left as long as you said",
  guide: "guide coat dry",
  "can-bath": "can warm",
  "warm-through": "part warm through",
  "uv-box": "cured under the lamp",
  soak: "soaked long enough",
  joint: "joint set",
  decal: "decal flat and dry",
  stripper: "stripped and dry",
  away: "back from the blaster",
  dust: "dust settled and wiped off",
};

/** Names the same thing goes by elsewhere; searching any of a row finds all of it. */
export const REGIONAL_DOUBLES: readonly (readonly string[])[] = [
  ["cellulose thinner", "lacquer thinner"],
  ["stopper", "glazing putty", "spot putty"],
  ["white spirit", "mineral spirits"],
  ["two-pack", "2k", "two-part"],
  ["meths", "denatured alcohol"],
  ["rattle can", "aerosol", "spray can"],
  ["undercoat", "primer"],
  ["etch primer", "acid primer", "self-etch", "wash primer"],
  ["filler primer", "high-build"],
];

/** Kinds of jar by their plain names. */
export const JAR_NAME = Object.fromEntries(JAR_ROWS.map((r) => [r.id, r.name])) as Readonly<Record<JarId, string>>;
export const CONFIRMABLE_NAME: Readonly<Record<Confirmable, string>> = {
  carriers: "what it dries from",
  hazards: "whether it holds isocyanate",
};

export const SOURCE_NAME: Readonly<Record<Source, string>> = {
  assumed: "assumed",
  typical: "typical of its kind",
  hearsay: "hearsay",
  label: "label",
  "data-sheet": "data sheet",
  "own-log": "own log",
  "own-coupon": "own coupon",
};
export const FIGURE_NAME: Readonly<Record<ClaimFigure, string>> = {
  flashMin: "Flash",
  touchMin: "Touch dry",
  handleMin: "Fit to handle",
  sandableMin: "Sandable",
  tapeSafeMin: "Tape safe",
  polishableMin: "Polishable",
  curedMin: "Through cured",
  volumeSolids: "Volume solids",
  densityGMl: "Density",
  maxSkinUm: "Deepest skin",
  opaqueDftUm: "Hides at",
  nozzleMm: "Needle or nozzle",
  pressureBar: "Air at the gun",
  distanceCm: "Distance off the face",
  shakeMinutes: "Shaken or stirred",
};

export const RUB_NAME: Readonly<Record<Rub, string>> = {
  untested: "was not tested",
  sound: "stays sound",
  softens: "softens",
};
export const LEAD_NAME: Readonly<Record<Lead, string>> = {
  unknown: "not known",
  none: "none, tested",
  present: "yes",
};

export const TACK_NAME: Readonly<Record<Tack, string>> = { low: "low tack", medium: "medium tack", high: "high tack" };
export const GRIT_SCALE_NAME: Readonly<Record<GritScale, string>> = { P: "P (FEPA)", CAMI: "CAMI" };
