/** The registry of a product: one row a field, from which its type, storage, form, file column, API shape and page derive. */

import type { Field, KeysWhere } from "./fields";
import { CONFIRMABLE, JARS } from "./jars";
import { choice, flag, list, number, type PlacedField, placed } from "./rows";
import {
  BITES,
  CARRIERS,
  EFFECTS,
  FAMILIES,
  HAZARDS,
  MAY_GO_OVER_EXTRA,
  METHODS,
  PROPELLANTS,
  RESISTANCES,
  ROLES,
  SHEENS,
  SOURCES,
  TACKS,
} from "./vocabulary";

const MAY_GO_OVER = [...MAY_GO_OVER_EXTRA, ...FAMILIES] as const;
const MOST_MIN = 1_000_000;
/** A time from the end of the coat, minutes. */
const time = (csv: string, api = `label.${csv}`) => number("minutes", 0, MOST_MIN, "null", csv, api);

/** What a label promises, and the application it promises it for. Times in minutes from the end of the coat. */
export const LABEL_FIELDS = {
  tempC: { ...number("°C", -10, 50, "must", "label_temp_c", "label.temp_c"), cell: 20 },
  rhPct: { ...number("% RH", 0, 95, "must", "label_rh_pct", "label.rh_pct"), cell: 50 },
  /** wet film per coat, µm */
  wftUm: number("µm", 1, 20_000, "must", "label_wft_um", "label.wft_um"),
  coats: { ...number("coats", 1, 20, "must", "label_coats", "label.coats"), cell: 1, whole: true },
  /** between the label's own coats */
  gapMin: time("label_gap_min", "label.gap_min"),
  flashMin: { ...time("flash_min"), ranked: true },
  touchMin: { ...time("touch_min"), ranked: true },
  handleMin: { ...time("handle_min"), ranked: true },
  /** in order; two entries leave a forbidden gap between them */
  recoat: { kind: "windows", absent: "must", csv: "recoat_windows_min", cell: [], api: "label.recoat" },
  sandableMin: { ...time("sandable_min"), ranked: true },
  tapeSafeMin: { ...time("tape_safe_min"), ranked: true },
  polishableMin: { ...time("polishable_min"), ranked: true },
  curedMin: { ...time("cured_min"), ranked: true },
} as const satisfies Record<string, Field>;

/** Air a product may be laid in, by its own card. */
export const LIMIT_FIELDS = {
  minTempC: number("°C", -10, 40, "null", "min_temp_c", "limits.min_temp_c"),
  maxTempC: number("°C", 0, 60, "null", "max_temp_c", "limits.max_temp_c"),
  maxRhPct: number("% RH", 1, 100, "null", "max_rh_pct", "limits.max_rh_pct"),
} as const satisfies Record<string, Field>;

/** Light a resin cures by: wavelength, critical exposure and depth of penetration (Jacobs). */
export const LIGHT_FIELDS = {
  wavelengthNm: number("nm", 200, 800, "null", null, "light.wavelength_nm"),
  ecMjCm2: number("mJ/cm²", 0.1, 10_000, "null", null, "light.ec_mj_cm2"),
  dpUm: number("µm", 1, 50_000, "null", null, "light.dp_um"),
} as const satisfies Record<string, Field>;

/** A jar, can or tube as the user entered it. Null means "not given": reference/resolve fills it and says so. */
export const PRODUCT_FIELDS = {
  name: { kind: "name", absent: "must", csv: "name", cell: "", api: "name" },
  maker: { kind: "text", most: 80, absent: "must", csv: "maker", cell: "", api: null },
  aliases: { kind: "texts", most: 12, absent: "must", csv: "aliases", cell: [], api: null },
  role: { ...choice(ROLES, "must", "role", "role"), cell: "" },
  family: { ...choice(FAMILIES, "must", "family", "family"), cell: "unknown", open: true },
  carriers: { ...list(CARRIERS, "must", "carriers", "carriers"), cell: "unknown", open: true },
  /** overrides the bite of the strongest carrier */
  bite: choice(BITES, "null", "bite", "bite"),
  propellant: { ...choice(PROPELLANTS, "null", "propellant", "propellant"), open: true },
  method: { ...choice(METHODS, "must", "method", null), cell: "" },
  /** fraction of the wet volume that stays; of an aerosol as landed */
  volumeSolids: {
    kind: "share",
    min: 0.01,
    max: 1,
    of: "the wet volume",
    absent: "null",
    ranked: true,
    csv: "volume_solids",
    api: "volume_solids",
    apiMin: 0,
  },
  densityGMl: { ...number("g/ml", 0.3, 5, "null", "density_g_ml", "density"), ranked: true },
  dryDensityGMl: number("g/ml", 0.1, 8, "null-or-left-out", "dry_density_g_ml", "density_dry"),
  /** sRGB hex, #rrggbb */
  colour: { kind: "colour", absent: "must", csv: "colour", cell: "#8d8d88", api: "colour", mayBeUnknown: true },
  effect: { ...choice(EFFECTS, "must", "effect", "effect"), mayBeUnknown: true, cell: "solid" },
  sheen: { ...choice(SHEENS, "must", "sheen", "sheen"), mayBeUnknown: true, cell: "satin" },
  /** dry film that hides black and white alike; solid colours only */
  opaqueDftUm: { ...number("µm", 0.1, 5000, "null-or-left-out", "opaque_dft_um", "opaque_dft_um"), ranked: true },
  flexible: { ...flag("must", "flexible", "flexible"), mayBeUnknown: true, cell: false },
  yellowing: { ...flag("must", "yellowing", "yellowing"), mayBeUnknown: true, cell: false },
  uvResistant: { ...flag("must", "uv_resistant", "uv_resistant"), mayBeUnknown: true, cell: false },
  combinedPrimer: { ...flag("must", "combined_primer", "combined_primer"), mayBeUnknown: true, cell: false },
  rustInhibitor: { ...flag("must", "rust_inhibitor", "rust_inhibitor"), mayBeUnknown: true, cell: false },
  /** speeds cyanoacrylate, and harms paint */
  activator: { ...flag("left-out", "activator", "activator"), mayBeUnknown: true },
  /** aliphatic with its aromatics taken out: bites foam less than plain spirit */
  dearomatised: flag("left-out", "dearomatised", "dearomatised"),
  /** null = the label does not say; a stated list is binding */
  mayGoOver: { ...list(MAY_GO_OVER, "null", "may_go_over", "may_go_over"), mayBeUnknown: true },
  maxSkinUm: { ...number("µm", 1, 50_000, "null", "max_skin_um", "max_skin_um"), ranked: true },
  /** loss of a filler's depth as it dries */
  shrinkage: {
    kind: "share",
    min: 0,
    max: 0.9,
    of: "its depth",
    absent: "null-or-left-out",
    csv: "shrinkage",
    api: "shrinkage",
  },
  /** depth to which light cures it */
  cureDepthUm: number("µm", 1, 50_000, "null-or-left-out", "cure_depth_um", "cure_depth_um"),
  /** what its card says the cured film stands; null = it says nothing */
  resists: list(RESISTANCES, "null-or-left-out", "resists", "resists"),
  /** the film's own upper limit in service */
  serviceTempC: number("°C", -60, 400, "null-or-left-out", "service_temp_c", "service_temp_c"),
  /** beats the family's film-forming temperature */
  minFilmFormingC: number("°C", -10, 60, "null-or-left-out", "min_film_forming_c", "minimum_film_forming_c"),
  /** carriers its label allows for thinning; null = its own */
  thinnerCarriers: {
    ...list(CARRIERS, "null-or-left-out", "thinner_carriers", "thinner_carriers"),
    mayBeUnknown: true,
  },
  /** as its sheet says to spray it: needle or nozzle, air at the gun, distance */
  nozzleMm: { ...number("mm", 0.1, 4, "null-or-left-out", "nozzle_mm", "spray.nozzle_mm"), ranked: true },
  pressureBar: { ...number("bar", 0.2, 8, "null-or-left-out", "pressure_bar", "spray.pressure_bar"), ranked: true },
  distanceCm: { ...number("cm", 2, 60, "null-or-left-out", "distance_cm", "spray.distance_cm"), ranked: true },
  /** how long it is shaken or stirred before it is used */
  shakeMinutes: { ...number("minutes", 0.1, 60, "null-or-left-out", "shake_minutes", "spray.shake_min"), ranked: true },
  /** of tape: how hard it pulls, and how wide it is */
  tack: choice(TACKS, "null-or-left-out", "tack", "tack"),
  widthMm: number("mm", 0.2, 300, "null-or-left-out", "width_mm", "width_mm"),
  /** by volume, such as 4:1 or 4:1:1 */
  mixRatio: { kind: "ratio", absent: "null-or-left-out", csv: "mix_ratio", api: "mix.ratio" },
  potLifeMin: number("minutes", 1, 10_000, "null", "pot_life_min", "mix.pot_life_min"),
  hazards: { ...list(HAZARDS, "must", "hazards", "hazards"), mayBeUnknown: true, cell: [] },
  packMl: number("ml", 0.1, 100_000, "null-or-left-out", "pack_ml", null),
  leftMl: number("ml", 0, 100_000, "null", "left_ml", null),
  /** of a full pack, in the user's own money */
  price: number("", 0, 100_000, "null-or-left-out", "price", null),
  openedOn: { kind: "date", absent: "null-or-left-out", csv: "opened_on", api: null },
  useBy: { kind: "date", absent: "null-or-left-out", csv: "use_by", api: null },
  /** false = known, but not on this shelf: something to buy */
  owned: flag("left-out", "owned", null),
  /** where the figures on this card come from */
  source: choice(SOURCES, "left-out", "source", null),
  /** the kind of jar its figures were taken from; what still says what the kind says is typical of its kind, no more */
  jar: choice(JARS, "left-out", "typical_of", "typical_of"),
  /** what was read off the label in hand, though its kind had said it */
  confirmed: list(CONFIRMABLE, "left-out", "confirmed", "confirmed"),
  /** picture of the label, by content hash */
  photo: { kind: "photo", absent: "null-or-left-out", csv: "photo", api: null },
  note: { kind: "note", absent: "must", csv: "note", cell: "", api: null },
} as const satisfies Record<string, Field>;

/** Every field of a product that is a single thing, nested ones included, in the order files have them. */
export const PRODUCT_ROWS: readonly PlacedField[] = [
  ...placed(PRODUCT_FIELDS),
  ...placed(LIMIT_FIELDS, "limits."),
  ...placed(LABEL_FIELDS, "label."),
  ...placed(LIGHT_FIELDS, "light."),
];

type Ranked = { ranked: true };
/** Figures several sources may speak of. */
export type ClaimFigure = KeysWhere<typeof LABEL_FIELDS, Ranked> | KeysWhere<typeof PRODUCT_FIELDS, Ranked>;
export const CLAIM_FIGURES = [LABEL_FIELDS, PRODUCT_FIELDS].flatMap((fields: Readonly<Record<string, Field>>) =>
  Object.entries(fields).flatMap(([key, f]) => (f.ranked ? [key as ClaimFigure] : [])),
);
