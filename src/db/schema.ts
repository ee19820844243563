import { sql } from "drizzle-orm";
import { blob, check, index, integer, primaryKey, real, sqliteTable, text } from "drizzle-orm/sqlite-core";
import { MODEL_STATES } from "@/contracts";

/** One row: settings of the shed. JSON columns are written and read through the contracts. */
export const shop = sqliteTable(
  "shop",
  {
    id: integer("id").primaryKey(),
    settings: text("settings", { mode: "json" }).notNull(),
    airSetMs: integer("air_set_ms").notNull(),
    currentModelId: text("current_model_id"),
    rev: integer("rev").notNull().default(0),
  },
  (t) => [check("one_shop", sql`${t.id} = 1`)],
);

export const models = sqliteTable("models", {
  id: text("id").primaryKey(),
  name: text("name").notNull(),
  scale: text("scale").notNull(),
  note: text("note").notNull(),
  /** planned with all else that is active, left alone for now, or done */
  state: text("state", { enum: MODEL_STATES }).notNull().default("active"),
  position: integer("position").notNull(),
  rev: integer("rev").notNull().default(0),
  deletedMs: integer("deleted_ms"),
});

export const parts = sqliteTable(
  "parts",
  {
    id: text("id").primaryKey(),
    modelId: text("model_id")
      .notNull()
      .references(() => models.id, { onDelete: "cascade" }),
    name: text("name").notNull(),
    count: integer("count").notNull(),
    note: text("note").notNull(),
    photo: text("photo"),
    position: integer("position").notNull(),
    rev: integer("rev").notNull().default(0),
    deletedMs: integer("deleted_ms"),
  },
  (t) => [index("parts_model").on(t.modelId)],
);

export const regions = sqliteTable(
  "regions",
  {
    id: text("id").primaryKey(),
    partId: text("part_id")
      .notNull()
      .references(() => parts.id, { onDelete: "cascade" }),
    name: text("name").notNull(),
    material: text("material"),
    conditions: text("conditions", { mode: "json" }).notNull(),
    areaCm2: real("area_cm2"),
    finish: text("finish").notNull(),
    detailUm: real("detail_um"),
    ridgeUm: real("ridge_um"),
    exposure: text("exposure", { mode: "json" }).notNull(),
    /** facts beside those of the columns, as the contract names them */
    more: text("more", { mode: "json" }),
    prep: text("prep", { mode: "json" }).notNull(),
    stackRev: integer("stack_rev").notNull().default(0),
    position: integer("position").notNull(),
    rev: integer("rev").notNull().default(0),
    deletedMs: integer("deleted_ms"),
  },
  (t) => [index("regions_part").on(t.partId)],
);

export const products = sqliteTable("products", {
  id: text("id").primaryKey(),
  name: text("name").notNull(),
  role: text("role").notNull(),
  facts: text("facts", { mode: "json" }).notNull(),
  position: integer("position").notNull(),
  rev: integer("rev").notNull().default(0),
  deletedMs: integer("deleted_ms"),
});

export const layers = sqliteTable(
  "layers",
  {
    id: text("id").primaryKey(),
    regionId: text("region_id")
      .notNull()
      .references(() => regions.id, { onDelete: "cascade" }),
    productId: text("product_id")
      .notNull()
      .references(() => products.id, { onDelete: "restrict" }),
    position: integer("position").notNull(),
    coats: integer("coats").notNull(),
    heaviness: text("heaviness").notNull(),
    wftUm: real("wft_um"),
    gapMin: real("gap_min"),
    before: text("before", { mode: "json" }).notNull(),
    sandAfter: text("sand_after", { mode: "json" }),
    more: text("more", { mode: "json" }),
  },
  (t) => [index("layers_region").on(t.regionId), index("layers_product").on(t.productId)],
);

export const overrides = sqliteTable(
  "overrides",
  {
    regionId: text("region_id")
      .notNull()
      .references(() => regions.id, { onDelete: "cascade" }),
    key: text("key").notNull(),
    reason: text("reason").notNull(),
  },
  (t) => [primaryKey({ columns: [t.regionId, t.key] })],
);

/** One row: the plan of everything active, as there is one person. */
export const benchPlan = sqliteTable(
  "bench_plan",
  {
    id: integer("id").primaryKey(),
    answer: text("answer", { mode: "json" }).notNull(),
    /** fingerprint of everything the plan was made from */
    inputsHash: text("inputs_hash").notNull(),
    plannedMs: integer("planned_ms").notNull(),
    /** when the plan before this one would have been done; null = there was none */
    beforeDoneMin: real("before_done_min"),
  },
  (t) => [check("one_plan", sql`${t.id} = 1`)],
);

/** A timetable that came with a model's document: told again with it until the model is planned here. */
export const plans = sqliteTable("plans", {
  modelId: text("model_id")
    .primaryKey()
    .references(() => models.id, { onDelete: "cascade" }),
  answer: text("answer", { mode: "json" }).notNull(),
  /** fingerprint of everything the plan was made from */
  inputsHash: text("inputs_hash").notNull(),
  plannedMs: integer("planned_ms").notNull(),
  /** when the plan before this one would have been done; null = there was none */
  beforeDoneMin: real("before_done_min"),
});

/** A plan that was asked for and is not made yet: written with what it has to follow, so that no stop of the program loses it. */
export const plansAsked = sqliteTable("plans_asked", {
  modelId: text("model_id")
    .primaryKey()
    .references(() => models.id, { onDelete: "cascade" }),
  how: text("how", { enum: ["keep", "afresh"] }).notNull(),
  askedMs: integer("asked_ms").notNull(),
});

/** What was said about a model's plan: pins, minutes, rounds, batches, arrivals, joins. */
export const planning = sqliteTable("planning", {
  modelId: text("model_id")
    .primaryKey()
    .references(() => models.id, { onDelete: "cascade" }),
  said: text("said", { mode: "json" }).notNull(),
  rev: integer("rev").notNull().default(0),
});

/** Scraps painted like a stack; each hangs on the model it was made for and speaks for every model. */
export const coupons = sqliteTable(
  "coupons",
  {
    id: text("id").primaryKey(),
    modelId: text("model_id")
      .notNull()
      .references(() => models.id, { onDelete: "cascade" }),
    card: text("card", { mode: "json" }).notNull(),
    position: integer("position").notNull(),
    rev: integer("rev").notNull().default(0),
    deletedMs: integer("deleted_ms"),
  },
  (t) => [index("coupons_model").on(t.modelId)],
);

/** Pictures by content hash; what nothing names any more is left for the backup to carry. */
export const photos = sqliteTable("photos", {
  hash: text("hash").primaryKey(),
  type: text("type").notNull(),
  bytes: blob("bytes", { mode: "buffer" }).notNull(),
});

/** Append only. Regions may go; what was done to them stays. */
export const log = sqliteTable(
  "log",
  {
    seq: integer("seq").primaryKey({ autoIncrement: true }),
    id: text("id").notNull().unique(),
    modelId: text("model_id")
      .notNull()
      .references(() => models.id, { onDelete: "cascade" }),
    regionId: text("region_id").notNull(),
    opId: text("op_id").notNull(),
    kind: text("kind").notNull(),
    atMs: integer("at_ms").notNull(),
    entry: text("entry", { mode: "json" }).notNull(),
  },
  (t) => [index("log_model").on(t.modelId, t.seq)],
);

/** Cards of products as they were when a coat was laid with them, by content hash. */
export const cards = sqliteTable("cards", {
  hash: text("hash").primaryKey(),
  card: text("card", { mode: "json" }).notNull(),
});

/** What was measured of the air; one word a minute and source. */
export const readings = sqliteTable(
  "readings",
  {
    atMs: integer("at_ms").notNull(),
    source: text("source").notNull(),
    tempC: real("temp_c").notNull(),
    rhPct: real("rh_pct").notNull(),
    airflowMS: real("airflow_m_s"),
  },
  (t) => [primaryKey({ columns: [t.atMs, t.source] })],
);

/** The forecast in force; a later import replaces what it covers. */
export const forecast = sqliteTable("forecast", {
  atMs: integer("at_ms").primaryKey(),
  tempC: real("temp_c").notNull(),
  rhPct: real("rh_pct").notNull(),
  airflowMS: real("airflow_m_s"),
});

/** Air of one part for a while: a warm box, a booth, or a cold room it was brought in from. */
export const localAirs = sqliteTable(
  "local_airs",
  {
    id: text("id").primaryKey(),
    partId: text("part_id")
      .notNull()
      .references(() => parts.id, { onDelete: "cascade" }),
    card: text("card", { mode: "json" }).notNull(),
    position: integer("position").notNull(),
  },
  (t) => [index("local_airs_part").on(t.partId)],
);
