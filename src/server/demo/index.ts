import {
  DOCUMENT_FORMAT,
  done,
  type LogEntry,
  type ModelDocument,
  type Outcome,
  productsInPlanning,
  type Shop,
} from "@/contracts";
import { MS_PER_MIN } from "@/core/base";
import { productsOnFace, readKey } from "@/core/model";
import { allProducts, type Db, insertProduct, setProductDeleted } from "@/db";
import { nowMs } from "../clock";
import { type ImportReport, importDocument } from "../commands/document";
import { writing } from "../guard";
import { airNow, NO_AIR } from "../shed/air";
import { demoAir } from "./air";
import { HISTORY, LOOKS } from "./history";
import { DEMO_PHOTOS, MISHAPS } from "./mishaps";
import { DEMO_PARTS, DEMO_PLANNING, demoCoupons } from "./model";
import { demoShelfOn } from "./shelf";

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

function airAsSet(shop: Shop, atMin: number): LogEntry["air"] {
  const { tempC, rhPct } = airNow(shop, NO_AIR, atMin);
  return { tempC: Math.round(tempC * 10) / 10, rhPct: Math.round(rhPct * 10) / 10, source: "typical" };
}

/** The product of a coat, as its pile has it: nothing was changed since. */
function laidAt(opId: string) {
  const key = readKey(opId);
  const layers = DEMO_PARTS.flatMap((p) => p.regions.flatMap((r) => r.layers));
  const layer = key?.kind === "coat" ? layers.find((l) => l.id === key.subjectId) : undefined;
  return layer ? { laid: { productId: layer.productId, card: null, known: "then" as const } } : {};
}

function logOf(atMs: number, shop: Shop): LogEntry[] {
  const iso = (minutesAgo: number) => new Date(atMs - minutesAgo * MS_PER_MIN).toISOString();
  const air = (ago: number) => airAsSet(shop, atMs / MS_PER_MIN - ago);
  const blank = { override: null, note: "" };
  const done = HISTORY.flatMap(({ regionId, opId, title, from, to, coats, wftUm }) => {
    const base = { ...blank, regionId, opId, title };
    const start = { ...base, kind: "started" as const, ago: from };
    const film = { coats: coats ?? null, wftUm: wftUm ?? null, ...laidAt(opId) };
    return to === null ? [start] : [start, { ...base, ...film, kind: "done" as const, ago: to }];
  });
  const looks = LOOKS.map((l) => ({ ...blank, ...l, kind: "not-yet" as const }));
  const told = [...done, ...looks].sort((x, y) => y.ago - x.ago).map((e, i) => ({ ...e, id: `ml-log-${i + 1}` }));
  const wrong = MISHAPS.map((e) => ({ ...blank, ...e }));
  return [...told, ...wrong]
    .sort((x, y) => y.ago - x.ago)
    .map(({ ago, ...e }) => ({ ...e, at: iso(ago), air: air(ago) }) as unknown as LogEntry);
}

const partOf = ({ regions, ...part }: (typeof DEMO_PARTS)[number]) => ({
  ...part,
  regions: regions.map(({ prep, layers, ...r }) => ({ ...r, stack: { prep, layers }, overrides: [] })),
});

function demoDocument(atMs: number, timeZone: string): unknown {
  const laid = DEMO_PARTS.flatMap((p) => p.regions.flatMap((r) => r.layers.map((l) => l.productId)));
  const used = new Set([
    ...laid,
    ...productsInPlanning(DEMO_PLANNING),
    ...DEMO_PARTS.flatMap((p) => p.regions.flatMap(productsOnFace)),
  ]);
  const doc = {
    format: DOCUMENT_FORMAT,
    model: {
      id: "marram-lass",
      name: "Marram Lass",
      scale: "1:24",
      note: "Tide-mill and workboat. A made-up model to try things on.",
    },
    parts: DEMO_PARTS.map(partOf),
    products: demoShelfOn(atMs).filter((p) => used.has(p.id)),
    shop: { ...SHOP, timeZone },
    plan: null,
    log: logOf(atMs, { ...SHOP, timeZone }),
    coupons: demoCoupons(atMs),
    planning: DEMO_PLANNING,
    air: demoAir(atMs, { ...SHOP, timeZone }),
    photos: DEMO_PHOTOS,
  } satisfies Record<Exclude<keyof ModelDocument, "cards">, unknown>;
  return doc;
}

/** Puts the demo shelf and model in; products of those ids that are here already are left alone. */
export function loadDemo(takeShop: boolean): Outcome<ImportReport> {
  const zone = process.env.ELM_BENCH_ZONE ?? Intl.DateTimeFormat().resolvedOptions().timeZone ?? "UTC";
  const report = importDocument(demoDocument(nowMs(), zone), { onExisting: "copy", takeShop });
  if (!report.ok) return report;
  return writing((db: Db) => {
    const known = allProducts(db);
    for (const p of demoShelfOn(nowMs())) {
      if (known.has(p.id)) setProductDeleted(db, p.id, null);
      else insertProduct(db, p);
    }
    return done(report.value);
  });
}
