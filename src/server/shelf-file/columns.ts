/** The shelf as a table: which column holds which figure. One table, read by both directions, so that they cannot drift. */

export interface Column {
  /** heading; units in the name */
  readonly name: string;
  /** where it stands in a product, dotted */
  readonly path: string;
  readonly kind: "text" | "number" | "flag" | "list" | "json";
  /** what an empty cell means; a column that may be left out of a product altogether means that */
  readonly empty: unknown;
}

const NONE = null;
/** Optional facts: an empty cell leaves them out, as a product without them would. */
export const LEFT_OUT = Symbol("left out");

const text = (name: string, path: string, empty: unknown = ""): Column => ({ name, path, kind: "text", empty });
const number = (name: string, path: string, empty: unknown = NONE): Column => ({ name, path, kind: "number", empty });
const flag = (name: string, path: string, empty: unknown = false): Column => ({ name, path, kind: "flag", empty });
const list = (name: string, path: string, empty: unknown = []): Column => ({ name, path, kind: "list", empty });

export const COLUMNS: readonly Column[] = [
  text("id", "id"),
  text("name", "name"),
  text("maker", "maker"),
  list("aliases", "aliases"),
  text("role", "role"),
  text("family", "family", "unknown"),
  list("carriers", "carriers", "unknown"),
  text("bite", "bite", NONE),
  text("propellant", "propellant", NONE),
  text("method", "method"),
  number("volume_solids", "volumeSolids"),
  number("density_g_ml", "densityGMl"),
  number("dry_density_g_ml", "dryDensityGMl", LEFT_OUT),
  text("colour", "colour", "#8d8d88"),
  text("effect", "effect", "solid"),
  text("sheen", "sheen", "satin"),
  number("opaque_dft_um", "opaqueDftUm", LEFT_OUT),
  flag("flexible", "flexible"),
  flag("yellowing", "yellowing"),
  flag("uv_resistant", "uvResistant"),
  flag("combined_primer", "combinedPrimer"),
  flag("rust_inhibitor", "rustInhibitor"),
  flag("activator", "activator", LEFT_OUT),
  flag("dearomatised", "dearomatised", LEFT_OUT),
  list("may_go_over", "mayGoOver", NONE),
  number("max_skin_um", "maxSkinUm"),
  number("shrinkage", "shrinkage", LEFT_OUT),
  number("cure_depth_um", "cureDepthUm", LEFT_OUT),
  list("resists", "resists", LEFT_OUT),
  { name: "light", path: "light", kind: "json", empty: LEFT_OUT },
  number("service_temp_c", "serviceTempC", LEFT_OUT),
  number("min_film_forming_c", "minFilmFormingC", LEFT_OUT),
  list("thinner_carriers", "thinnerCarriers", LEFT_OUT),
  text("mix_ratio", "mixRatio", LEFT_OUT),
  number("pot_life_min", "potLifeMin"),
  list("hazards", "hazards"),
  number("min_temp_c", "limits.minTempC"),
  number("max_temp_c", "limits.maxTempC"),
  number("max_rh_pct", "limits.maxRhPct"),
  number("label_temp_c", "label.tempC", 20),
  number("label_rh_pct", "label.rhPct", 50),
  number("label_wft_um", "label.wftUm"),
  number("label_coats", "label.coats", 1),
  number("label_gap_min", "label.gapMin"),
  number("flash_min", "label.flashMin"),
  number("touch_min", "label.touchMin"),
  number("handle_min", "label.handleMin"),
  { name: "recoat_windows_min", path: "label.recoat", kind: "json", empty: [] },
  number("sandable_min", "label.sandableMin"),
  number("tape_safe_min", "label.tapeSafeMin"),
  number("polishable_min", "label.polishableMin"),
  number("cured_min", "label.curedMin"),
  number("pack_ml", "packMl", LEFT_OUT),
  number("left_ml", "leftMl"),
  number("price", "price", LEFT_OUT),
  text("opened_on", "openedOn", LEFT_OUT),
  text("use_by", "useBy", LEFT_OUT),
  flag("owned", "owned", LEFT_OUT),
  text("source", "source", LEFT_OUT),
  { name: "claims", path: "claims", kind: "json", empty: LEFT_OUT },
  text("photo", "photo", LEFT_OUT),
  text("note", "note"),
];
