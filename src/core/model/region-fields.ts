import type { Field } from "./fields";
import { choice, flag, list, number, type PlacedField, placed } from "./rows";
import { BARE_WAYS, CONDITIONS, EXPOSURES, FAMILIES, FINISHES, HOLDS, LEADS, MATERIALS, RUBS } from "./vocabulary";

/** A film that was on the part before this stack. */
export const OLD_FINISH_FIELDS = {
  family: { ...choice(FAMILIES, "must", null, "old_finish.family"), open: true, cell: "unknown" },
  ageDays: { ...number("days", 0, 100_000, "null", null, "old_finish.age_days"), open: true },
  rub: { ...choice(RUBS, "must", null, "old_finish.rub"), cell: "untested" },
  lead: { ...choice(LEADS, "must", null, "old_finish.lead"), cell: "unknown" },
} as const satisfies Record<string, Field>;

/** A zone of a face with needs of its own: an upside-down dome beside good sides. Layers are put on it by its name. */
export const ZONE_FIELDS = {
  name: { kind: "name", absent: "must", csv: null, api: "name" },
  /** of the face */
  share: { kind: "share", min: 0.001, max: 1, of: "the face", absent: "must", csv: null, api: "share" },
  ridgeUm: number("µm", 1, 5000, "null", null, "ridge_um"),
  fillDepthUm: number("µm", 1, 200_000, "null", null, "fill_depth_um"),
  fillWidthUm: number("µm", 10, 200_000, "null", null, "fill_width_um"),
} as const satisfies Record<string, Field>;
export const MOST_ZONES = 12;

/** What seals the part already. */
export const SEALED_FIELDS = {
  family: { ...choice(FAMILIES, "must", null, "sealed_by.family"), open: true, cell: "unknown" },
  dftUm: number("µm", 0, 5000, "null", null, "sealed_by.dft_um"),
  coats: number("coats", 0, 30, "null", null, "sealed_by.coats"),
  cured: { ...flag("must", null, "sealed_by.cured"), open: true, cell: "unknown" },
} as const satisfies Record<string, Field>;

/** Fields of a region that have a column of their own. */
export const REGION_COLUMNS = {
  name: { kind: "name", absent: "must", csv: null, cell: "region", api: null },
  material: { ...choice(MATERIALS, "null", null, "material"), open: true },
  conditions: { ...list(CONDITIONS, "must", null, "conditions"), mayBeUnknown: true, cell: [] },
  areaCm2: number("cm²", 0.1, 1_000_000, "null", null, "area_cm2"),
  finish: { ...choice(FINISHES, "must", null, "finish"), mayBeUnknown: true, cell: "seen" },
  /** narrowest groove that must stay legible */
  detailUm: { ...number("µm", 10, 100_000, "null", null, "detail_um"), apiMin: 1 },
  /** print or casting ridge to bury */
  ridgeUm: { ...number("µm", 1, 5000, "null", null, "ridge_um"), apiMin: 0 },
  exposure: { ...list(EXPOSURES, "must", null, "exposure"), mayBeUnknown: true, cell: [] },
} as const satisfies Record<string, Field>;

/** Facts of a region beside those of its columns. */
export const REGION_MORE = {
  /** deepest dent or gap to fill */
  fillDepthUm: { ...number("µm", 1, 200_000, "null-or-left-out", null, "fill_depth_um"), apiMin: 0 },
  /** how wide that dent or gap is */
  fillWidthUm: number("µm", 10, 200_000, "null-or-left-out", null, "fill_width_um"),
  /** the gap goes right through: there is nothing behind the filler */
  fillThrough: flag("left-out", null, "fill_through"),
  /** room for film on a face that must still fit */
  fitAllowanceUm: number("µm", 0, 20_000, "null-or-left-out", null, "fit_allowance_um"),
  massBudgetG: { ...number("g", 0.01, 1_000_000, "null-or-left-out", null, "mass_budget_g"), apiMin: 0 },
  /** warmest in service; with exposure to heat */
  serviceTempC: number("°C", -60, 400, "null-or-left-out", null, "service_temp_c"),
  minutesSinceKey: number("minutes", 0, 100_000_000, "null-or-left-out", null, "minutes_since_key"),
  /** clear panes near enough to be fogged */
  clearNearby: flag("left-out", null, "clear_nearby"),
  /** lead in bare metal */
  lead: choice(LEADS, "null-or-left-out", null, "lead"),
  /** zones that stay bare: mating faces, threads, bearings, polished metal */
  keepBare: { kind: "texts", most: 20, absent: "left-out", csv: null, api: null },
  /** what stays bare is masked before paint, or its paint is scoured off again once it is dry; null = masked */
  bareBy: choice(BARE_WAYS, "null-or-left-out", null, null),
  /** film on the face it fits against, which takes its share of the room */
  matingUm: number("µm", 0, 20_000, "null-or-left-out", null, "mating_um"),
  /** largest size of the whole part, as it has to go into the booth */
  longestMm: number("mm", 1, 20_000, "null-or-left-out", null, "longest_mm"),
  /** how often it has to be turned so that a coat reaches every face; each face waits until the one before can be held */
  turns: { ...number("turns", 0, 3, "null-or-left-out", null, null), whole: true },
  /** how it is held while it is worked on */
  heldBy: choice(HOLDS, "null-or-left-out", null, "held_by"),
  /** where it is held, in a few words */
  heldAt: { kind: "text", most: 80, absent: "left-out", csv: null, api: null },
  /** where it is held is covered later, by another part or a base */
  heldHidden: flag("left-out", null, "held_hidden"),
  /** closed hollows that may hold resin or wash liquid; null = nobody asked */
  hollow: { ...flag("null-or-left-out", null, "hollow"), open: true },
  /** a hole through which resin and wash can run out; null = nobody asked */
  drainHole: { ...flag("null-or-left-out", null, "drain_hole"), open: true },
  /** sides a printed resin part is laid under the lamp on, one after the other */
  cureSides: { ...number("sides", 1, 6, "null-or-left-out", null, "cure_sides"), whole: true },
  /** minutes under the lamp a side; null = by the lamp as it was read */
  cureSideMin: number("minutes", 1, 600, "null-or-left-out", null, "cure_side_min"),
  /** joints, cavities or undercuts that hold wash water */
  joints: flag("left-out", null, "joints"),
} as const satisfies Record<string, Field>;

/** Every field of a region that is a single thing, nested ones included. */
export const REGION_ROWS: readonly PlacedField[] = [
  ...placed(REGION_COLUMNS),
  ...placed(REGION_MORE),
  ...placed(OLD_FINISH_FIELDS, "oldFinish."),
  ...placed(SEALED_FIELDS, "sealedBy."),
];
