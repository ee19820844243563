import { done, type LogEntry, type ModelDocument, type Outcome, type Shop } from "@/contracts";
import { MS_PER_MIN } from "@/core/base";
import type { Layer, PrepStep, Region } from "@/core/model";
import { opIds } from "@/core/plan";
import { allProducts, type Db, insertProduct, setProductDeleted } from "@/db";
import { nowMs } from "../clock";
import { type ImportReport, importDocument } from "../document";
import { writing } from "../guard";
import { airReading } from "../shop";
import { DEMO_SHELF } from "./shelf";

const layer = (id: string, productId: string, coats: number, more: Partial<Layer> = {}): Layer => ({
  id,
  productId,
  coats,
  heaviness: "light",
  wftUm: null,
  gapMin: null,
  before: [],
  sandAfter: null,
  ...more,
});
const region = (id: string, name: string, more: Partial<Region>): Region => ({
  id,
  name,
  material: null,
  conditions: [],
  areaCm2: null,
  finish: "seen",
  detailUm: null,
  ridgeUm: null,
  exposure: ["shelf"],
  ...more,
});

const HULL = region("ml-hull-topsides", "Topsides", {
  material: "petg",
  conditions: ["dusty"],
  areaCm2: 620,
  finish: "seen",
  detailUm: 600,
  ridgeUm: 28,
  exposure: ["handled"],
});
const WALL = region("ml-wall-stones", "Stone courses", {
  material: "xps",
  conditions: ["dusty"],
  areaCm2: 480,
  finish: "seen",
  detailUm: 1500,
});
const PROP = region("ml-prop-blades", "Blades and boss", {
  material: "brass-copper",
  conditions: ["greasy", "tarnished"],
  areaCm2: 26,
  finish: "seen",
  detailUm: 400,
  exposure: ["handled"],
});

const PREP: Readonly<Record<string, readonly PrepStep[]>> = {
  [HULL.id]: ["wash", "key", "dust-off"],
  [WALL.id]: ["dust-off"],
  [PROP.id]: ["degrease", "key", "wipe"],
};
const LAYERS: Readonly<Record<string, readonly Layer[]>> = {
  [HULL.id]: [
    layer("ml-hull-1", "build-primer", 2, { heaviness: "wet", sandAfter: { grit: 400, wet: true, takesUm: 18 } }),
    layer("ml-hull-2", "grey-primer", 1),
    layer("ml-hull-3", "estuary-blue", 2),
    layer("ml-hull-4", "water-matt", 1),
  ],
  [WALL.id]: [
    layer("ml-wall-1", "foam-sealer", 3, { heaviness: "wet" }),
    layer("ml-wall-2", "water-primer", 1),
    layer("ml-wall-3", "seawall-grey", 2),
    layer("ml-wall-4", "water-matt", 1),
  ],
  [PROP.id]: [
    layer("ml-prop-1", "etch-green", 1),
    layer("ml-prop-2", "grey-primer", 1),
    layer("ml-prop-3", "bronze-lacquer", 2),
  ],
};

const SHOP: Omit<Shop, "timeZone"> = {
  air: { kind: "day", meanC: 15, swingC: 4, warmestHour: 16, rhPct: 56, airflowMS: 0.1, tonight: null },
  protection: ["extraction", "a2p3", "gloves", "eye-cover"],
  caution: "likely",
  pattern: [
    ...[1, 2, 3, 4, 5].map((weekday) => ({ weekday, from: "19:00", to: "21:30" })),
    { weekday: 6, from: "10:00", to: "13:00" },
    { weekday: 6, from: "14:00", to: "17:00" },
    { weekday: 7, from: "10:00", to: "13:00" },
  ],
  exceptions: [],
};

interface Done {
  readonly regionId: string;
  readonly opId: string;
  readonly title: string;
  /** minutes before now */
  readonly from: number;
  readonly to: number | null;
  readonly coats?: number;
  readonly wftUm?: number;
}

/** Mid-way through: the hull’s primer is drying, the wall waits for its second sealer coat, the propeller is being keyed. */
const HISTORY: readonly Done[] = [
  { regionId: WALL.id, opId: opIds.prep(WALL.id, "dust-off"), title: "Sea wall: Dust off", from: 1500, to: 1494 },
  {
    regionId: WALL.id,
    opId: opIds.coat("ml-wall-1", 1),
    title: "Sea wall: Foam sealer, brush-on, coat 1 of 3",
    from: 1490,
    to: 1472,
    coats: 1,
    wftUm: 90,
  },
  { regionId: HULL.id, opId: opIds.prep(HULL.id, "wash"), title: "Hull: Wash and rinse", from: 1465, to: 1456 },
  { regionId: HULL.id, opId: opIds.prep(HULL.id, "key"), title: "Hull: Key all over, P180–P320", from: 100, to: 80 },
  { regionId: HULL.id, opId: opIds.prep(HULL.id, "dust-off"), title: "Hull: Dust off", from: 79, to: 75 },
  {
    regionId: HULL.id,
    opId: opIds.coat("ml-hull-1", 1),
    title: "Hull: High-build primer, coat 1 of 2",
    from: 70,
    to: 62,
    coats: 1,
    wftUm: 70,
  },
  {
    regionId: HULL.id,
    opId: opIds.coat("ml-hull-1", 2),
    title: "Hull: High-build primer, coat 2 of 2",
    from: 42,
    to: 34,
    coats: 1,
    wftUm: 75,
  },
  { regionId: PROP.id, opId: opIds.prep(PROP.id, "degrease"), title: "Propeller: Degrease", from: 28, to: 23 },
  {
    regionId: PROP.id,
    opId: opIds.prep(PROP.id, "key"),
    title: "Propeller: Key all over, P180–P320",
    from: 6,
    to: null,
  },
];

function airAsSet(shop: Shop, atMin: number): LogEntry["air"] {
  const { tempC, rhPct } = airReading(shop, atMin);
  return { tempC: Math.round(tempC * 10) / 10, rhPct: Math.round(rhPct * 10) / 10, source: "typical" };
}

function logOf(atMs: number, shop: Shop): LogEntry[] {
  const iso = (minutesAgo: number) => new Date(atMs - minutesAgo * MS_PER_MIN).toISOString();
  const events = HISTORY.flatMap((h) => [
    { h, kind: "started" as const, ago: h.from },
    ...(h.to === null ? [] : [{ h, kind: "done" as const, ago: h.to }]),
  ]).sort((a, b) => b.ago - a.ago);
  return events.map(
    ({ h, kind, ago }, i): LogEntry => ({
      id: `ml-log-${i + 1}`,
      regionId: h.regionId,
      opId: h.opId,
      kind,
      at: iso(ago),
      title: h.title,
      coats: kind === "done" ? (h.coats ?? null) : null,
      wftUm: kind === "done" ? (h.wftUm ?? null) : null,
      sign: null,
      override: null,
      air: airAsSet(shop, atMs / MS_PER_MIN - ago),
      note: "",
    }),
  );
}

const part = (id: string, name: string, r: Region, note = "") => ({
  id,
  name,
  count: 1,
  note,
  regions: [{ ...r, stack: { prep: PREP[r.id]!, layers: LAYERS[r.id]! }, overrides: [] }],
});

function demoDocument(atMs: number, timeZone: string): unknown {
  const used = new Set(Object.values(LAYERS).flatMap((ls) => ls.map((l) => l.productId)));
  const doc = {
    format: "elm-bench/1",
    model: {
      id: "marram-lass",
      name: "Marram Lass",
      scale: "1:24",
      note: "Tide-mill and workboat. A made-up model to try things on.",
    },
    parts: [
      part("ml-hull", "Hull", HULL, "Filament print, two halves joined"),
      part("ml-wall", "Sea wall", WALL, "Extruded foam, stones pressed in"),
      part("ml-prop", "Propeller", PROP, "Cast brass, soldered boss"),
    ],
    products: DEMO_SHELF.filter((p) => used.has(p.id)),
    shop: { ...SHOP, timeZone },
    plan: null,
    log: logOf(atMs, { ...SHOP, timeZone }),
    coupons: [],
  } satisfies Record<keyof ModelDocument, unknown>;
  return doc;
}

/** Puts the demo shelf and model in; products of those ids that are here already are left alone. */
export function loadDemo(takeShop: boolean): Outcome<ImportReport> {
  const zone = process.env.ELM_BENCH_ZONE ?? Intl.DateTimeFormat().resolvedOptions().timeZone ?? "UTC";
  const report = importDocument(demoDocument(nowMs(), zone), { onExisting: "copy", takeShop });
  if (!report.ok) return report;
  return writing((db: Db) => {
    const known = allProducts(db);
    for (const p of DEMO_SHELF) {
      if (known.has(p.id)) setProductDeleted(db, p.id, null);
      else insertProduct(db, p);
    }
    return done(report.value);
  });
}
