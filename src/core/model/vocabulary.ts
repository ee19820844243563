/** Closed vocabularies: one `as const` table each, from which type, guard and menu derive. Ids are those of the API. */

export const MATERIALS = [
  "pla",
  "petg",
  "abs-asa",
  "nylon",
  "pp-pe",
  "tpu",
  "eva",
  "vat-resin",
  "cast-pu",
  "hips",
  "clear-plastic",
  "xps",
  "eps",
  "epo",
  "pu-foam",
  "wood-mdf",
  "plaster",
  "steel-iron",
  "aluminium",
  "brass-copper",
  "white-metal",
  "stainless",
  "glassfibre",
] as const;
export type MaterialId = (typeof MATERIALS)[number];

export const MATERIAL_GROUPS = ["plastic", "resin", "foam", "metal", "porous", "laminate"] as const;
export type MaterialGroup = (typeof MATERIAL_GROUPS)[number];

export const CONDITIONS = [
  "clean",
  "degreased",
  "washed",
  "dried",
  "dusted",
  "keyed",
  "shiny",
  "greasy",
  "damp",
  "damp-joints",
  "dusty",
  "rusted",
  "tarnished",
  "flux-residue",
  "uncured",
  "cure-unknown",
  "surface-cured",
  "hollow-undrained",
  "released",
  "bare",
  "bare-spots",
  "sealed",
  "heat-sealed",
  "panel-lines-filled",
  "flexes",
  "must-stay-clear",
  "mating-face",
  "rough-cast",
  "drained",
  "washed-inside",
  "flash",
  "mould-lines",
  "support-marks",
  "stringing",
  "pits",
  "fit-checked",
] as const;
export type Condition = (typeof CONDITIONS)[number];

export const ROLES = [
  "degreaser",
  "stripper",
  "promoter",
  "sealer",
  "putty",
  "primer-etch",
  "primer",
  "primer-highbuild",
  "surfacer",
  "colour",
  "clear",
  "wash",
  "decal",
  "decal-setting",
  "masking",
  "thinner",
  "adhesive",
  "abrasive",
  "polish",
] as const;
export type Role = (typeof ROLES)[number];

/** Roles that leave a film and may therefore be a layer of a stack. */
export const FILM_ROLES = [
  "promoter",
  "sealer",
  "putty",
  "primer-etch",
  "primer",
  "primer-highbuild",
  "surfacer",
  "colour",
  "clear",
  "wash",
  "decal",
] as const satisfies readonly Role[];

/** Liquids and helpers that touch a face without staying in the pile: judged against what they touch, absent from the ledger. */
export const CONTACT_ROLES = [
  "degreaser",
  "stripper",
  "decal-setting",
  "masking",
  "thinner",
  "adhesive",
  "abrasive",
  "polish",
] as const satisfies readonly Role[];

/** Of these the ones that stand in a pile as a step of their own, in their place between its films; the rest belongs to other work. */
export const HELPER_ROLES = [
  "degreaser",
  "thinner",
  "decal-setting",
  "adhesive",
  "polish",
] as const satisfies readonly Role[];
export type HelperRole = (typeof HELPER_ROLES)[number];

export const FAMILIES = [
  "wb-acrylic",
  "alcohol-acrylic",
  "wb-acrylic-urethane",
  "acrylic-lacquer",
  "nc-lacquer",
  "lacquer-putty",
  "alkyd",
  "pvb-etch",
  "shellac",
  "epoxy-2k",
  "epoxy-putty",
  "urethane-2k",
  "urethane-mc",
  "polyester-2k",
  "uv-acrylate",
  "gypsum-filler",
  "cpo-promoter",
  "cyanoacrylate",
  "solvent-cement",
] as const;
export type FamilyId = (typeof FAMILIES)[number];

export const CARRIERS = [
  "water",
  "alcohol",
  "glycol-ether",
  "aliphatic",
  "aromatic",
  "ester",
  "ketone",
  "ether",
  "reactive-diluent",
] as const;
export type Carrier = (typeof CARRIERS)[number];

/** How hard a carrier attacks; the index in this table is its strength. */
export const BITES = ["B0", "B1", "B2", "B3", "B4"] as const;
export type Bite = (typeof BITES)[number];

export const PROPELLANTS = ["liquefied-gas", "dimethyl-ether", "compressed-gas"] as const;
export type Propellant = (typeof PROPELLANTS)[number];

export const METHODS = ["brush", "airbrush", "aerosol", "spray-gun", "wipe", "dip", "spread"] as const;
export type Method = (typeof METHODS)[number];
export const SPRAY_METHODS = ["airbrush", "aerosol", "spray-gun"] as const satisfies readonly Method[];

export const FINISHES = ["hidden", "seen", "show"] as const;
export type Finish = (typeof FINISHES)[number];

export const EXPOSURES = ["shelf", "handled", "uv", "wet", "salt-abrasion", "oil-fuel", "heat", "flexing"] as const;
export type Exposure = (typeof EXPOSURES)[number];

/** Worst last: the index is the order of severity. */
export const VERDICTS = ["ok", "care", "test", "stop"] as const;
export type Verdict = (typeof VERDICTS)[number];
export const worseVerdict = (a: Verdict, b: Verdict): Verdict => (VERDICTS.indexOf(a) >= VERDICTS.indexOf(b) ? a : b);

const STOP_KINDS = ["finish", "safety"] as const;
export type StopKind = (typeof STOP_KINDS)[number];

export const HEAVINESSES = ["mist", "light", "wet", "flood"] as const;
export type Heaviness = (typeof HEAVINESSES)[number];

export const MILESTONES = [
  "flash",
  "touch",
  "handle",
  "recoat",
  "sandable",
  "tape-safe",
  "polishable",
  "cured",
] as const;
export type Milestone = (typeof MILESTONES)[number];

export const HAZARDS = [
  "isocyanate",
  "isocyanate-unknown",
  "solvent-vapour",
  "acid",
  "caustic",
  "sensitiser",
  "peroxide",
  "flammable",
] as const;
export type Hazard = (typeof HAZARDS)[number];

export const PROTECTIONS = ["extraction", "a2p3", "p3", "gloves", "eye-cover", "air-fed"] as const;
export type Protection = (typeof PROTECTIONS)[number];

export const SHEENS = ["matt", "satin", "gloss"] as const;
export type Sheen = (typeof SHEENS)[number];

export const EFFECTS = ["solid", "metallic", "pearl", "fluorescent", "transparent"] as const;
export type Effect = (typeof EFFECTS)[number];

/** Work done on a bare face before the first layer, in the order it usually is done. */
export const PREP_STEPS = [
  "look",
  "trim",
  "dry-fit",
  "degrease",
  "derust",
  "drain",
  "wash",
  "blow-out",
  "dry",
  "post-cure",
  "key",
  "dust-off",
  "rinse",
  "wipe",
  "tack-off",
] as const;
export type PrepStep = (typeof PREP_STEPS)[number];

/** A step may come again: washed, keyed, washed once more. From the second time on its key says which time. */
export const PREP_TIMES_MOST = 3;
export type PrepKey = PrepStep | `${PrepStep}-${2 | 3}`;

/** Work done on a film before the next layer goes on. */
export const BEFORE_STEPS = ["scuff", "degrease", "wipe", "dry", "heat", "warm-part", "warm-can"] as const;
export type BeforeStep = (typeof BEFORE_STEPS)[number];

/** Steps that are done with a liquid of the user's own choice, which then has to suit what it touches. */
export const LIQUID_PREP = ["degrease", "derust", "wash", "wipe"] as const satisfies readonly PrepStep[];
export type LiquidPrep = (typeof LIQUID_PREP)[number];
/** Steps in whose liquid a part can be left lying. */
export const SOAK_PREP = ["degrease", "derust", "wash"] as const satisfies readonly PrepStep[];
type SoakPrep = (typeof SOAK_PREP)[number];
export type SoakKey = SoakPrep | `${SoakPrep}-${2 | 3}`;
export const LIQUID_BEFORE = ["degrease", "wipe"] as const satisfies readonly BeforeStep[];
export type LiquidBefore = (typeof LIQUID_BEFORE)[number];

/** How paint is taken off again. */
export const STRIP_WAYS = ["by-hand", "stripper", "bath", "blasted", "wiped"] as const;
export type StripWay = (typeof STRIP_WAYS)[number];

/** How water comes onto a part: rinsed and shaken off, soaked, or rubbed wet under the tap. */
export const WETTINGS = ["rinse", "soak", "wet-rub"] as const;
export type Wetting = (typeof WETTINGS)[number];

/** Work on a face that no layer of its pile asks for. */
const EXTRA_KINDS = ["wash", "wipe", "rub", "strip", "pad", "look", "lamp", "polish"] as const;
export type ExtraKind = (typeof EXTRA_KINDS)[number];

/** What a film or a product says it stands; its own word, with the card's source. */
export const RESISTANCES = ["oil", "fuel", "heat", "water", "wear"] as const;
export type Resistance = (typeof RESISTANCES)[number];

/** How an old finish answers a rub with solvent. */
export const RUBS = ["untested", "sound", "softens"] as const;
export type Rub = (typeof RUBS)[number];

export const LEADS = ["none", "unknown", "present"] as const;
/** Lead and chromate in old paint or metal; unknown until tested. */
export type Lead = (typeof LEADS)[number];

/** Signs by which one stops rubbing. */
export const RUB_SIGNS = ["lows-only", "midway", "flush", "dull"] as const;
export type RubSign = (typeof RUB_SIGNS)[number];

/** How a part is held while it is worked on. */
export const HOLDS = ["clip", "pin", "cord", "tape-block", "turntable", "forceps"] as const;
export type Hold = (typeof HOLDS)[number];
/** Of these the ones that cover a spot, which stays bare until it is touched in. */
export const COVERING_HOLDS = ["clip", "tape-block", "forceps"] as const satisfies readonly Hold[];

/** How what stays bare comes to be bare. */
export const BARE_WAYS = ["mask", "scour"] as const;
export type BareWay = (typeof BARE_WAYS)[number];

/** What pulls at a joint: nothing but its own weight, hands and knocks, or a load that stays. */
export const JOINT_LOADS = ["rests", "handled", "bears"] as const;
export type JointLoad = (typeof JOINT_LOADS)[number];

export const TACKS = ["low", "medium", "high"] as const;
export type Tack = (typeof TACKS)[number];

export const GRIT_SCALES = ["P", "CAMI"] as const;
export type GritScale = (typeof GRIT_SCALES)[number];

export const COUPON_RESULTS = ["pass", "fail", "void"] as const;
export type CouponResult = (typeof COUPON_RESULTS)[number];

/** Where a figure comes from, weakest first: the index is its rank, and a weaker one never overrides a stronger. */
export const SOURCES = ["assumed", "typical", "hearsay", "label", "data-sheet", "own-log", "own-coupon"] as const;
export type Source = (typeof SOURCES)[number];

export const MAY_GO_OVER_EXTRA = ["bare", "primed"] as const;
export type MayGoOver = (typeof MAY_GO_OVER_EXTRA)[number] | FamilyId;

export const CAUTIONS = ["likely", "safe"] as const;
/** Which end of the wait the plan uses: the even-odds time, or the one nine in ten films meet. */
export type Caution = (typeof CAUTIONS)[number];

export const isOneOf =
  <T extends string>(table: readonly T[]) =>
  (value: unknown): value is T =>
    typeof value === "string" && (table as readonly string[]).includes(value);

/** What a plan is made for: earliest finish, fewest sessions, most slack before windows and dates, least cleaning. Missed dates weigh before all. */
export const OBJECTIVES = ["finish", "sessions", "slack", "cleaning"] as const;
export type Objective = (typeof OBJECTIVES)[number];

/** What is seen when something goes wrong; from `opens` on, what happened. */
export const MISHAP_SIGNS = [
  "lifting",
  "bubbles",
  "clogging",
  "cracks",
  "flakes",
  "fish-eyes",
  "run",
  "streak",
  "rough",
  "orange-peel",
  "haze",
  "silvered",
  "patchy",
  "shows-through",
  "wrong-shade",
  "scratches",
  "sunken",
  "eaten",
  "weeping",
  "aged",
  "nib",
  "foreign-mist",
  "bleed",
  "dropped",
  "touched",
  "rubbed-through",
  "ran-out",
  "slipped",
  "rained-on",
  "product-bad",
  "wrong-product",
  "left-too-long",
] as const;
export type MishapSign = (typeof MISHAP_SIGNS)[number];

/** How much of a face has it. */
export const MISHAP_EXTENTS = ["speck", "patch", "face"] as const;
export type MishapExtent = (typeof MISHAP_EXTENTS)[number];

export const MARK_KINDS = [
  "pit",
  "line",
  "ridge",
  "scratch",
  "low",
  "high",
  "nib",
  "run",
  "bare-spot",
  "step",
] as const;
export type MarkKind = (typeof MARK_KINDS)[number];
export const MARK_SIZES = ["fine", "plain", "deep"] as const;
export type MarkSize = (typeof MARK_SIZES)[number];

/** Markings of a face, and traces of wear and weather on it. */
export const MARKING_KINDS = ["waterslide", "cut-film", "dry-transfer"] as const;
export type MarkingKind = (typeof MARKING_KINDS)[number];
export const DIRT_KINDS = ["chips", "filter", "panel-wash", "streaks", "stains", "dry-brush", "dust"] as const;
export const TOUCH_KINDS = [...MARKING_KINDS, ...DIRT_KINDS] as const;
export type TouchKind = (typeof TOUCH_KINDS)[number];
/** Clears put among them: what a decal lies flat on, what shuts markings in, what keeps a bite away, what shuts all in. */
export const SEAL_KINDS = ["gloss-under", "seal", "barrier", "over-all"] as const;
export type SealKind = (typeof SEAL_KINDS)[number];

/** What gave a mix the shade it has: it was mixed, something was dropped in, or what had dried was compared. */
export const RECIPE_STEPS = ["mixed", "drops", "dried"] as const;
export type RecipeStep = (typeof RECIPE_STEPS)[number];

/** How two fields of a scheme meet: a line along tape, a soft change, or no line at all because something parts them. */
export const EDGE_KINDS = ["hard", "film", "fluid", "soft", "roll", "apart"] as const;
export type EdgeKind = (typeof EDGE_KINDS)[number];
