import type { Cards, LogEntry, ModelHead, PartNode, Reading, ShelfItem } from "@/contracts";
import { MS_PER_MIN } from "@/core/base";
import { type HandsFactor, handsFactors, type TimedWork } from "@/core/learning";
import { type Product, type WorkKind, workKindOf } from "@/core/model";
import type { FilmLook } from "@/core/witness";
import {
  type AskedPlan,
  allProducts,
  type Db,
  listCoupons,
  listModels,
  listShelf,
  readBenchPlan,
  readBroughtPlans,
  readCards,
  readForecast,
  readLocalAirs,
  readLogs,
  readPlannings,
  readPlansAsked,
  type ShopState,
  type StoredCoupon,
  type StoredPlan,
  type StoredPlanning,
  treesOf,
} from "@/db";
import { withStandIns } from "../lookup";
import { type AirSources, readingsKept } from "../shed/air";
import { shopState } from "../shed/hours";
import { kept, keptOf, ofEach } from "./kept";
import { taughtBy } from "./taught";

/** Everything the database says of the bench: all models together, each kind read once and parsed once. */
export interface Workspace {
  readonly models: readonly ModelHead[];
  readonly shopState: ShopState;
  readonly trees: ReadonlyMap<string, readonly PartNode[]>;
  readonly shelf: readonly ShelfItem[];
  /** deleted ones included, and the cards of coats whose can holds something else by now; with what looks have taught of their waits */
  readonly products: ReadonlyMap<string, Product>;
  /** the same as text, for what is kept by what it was reckoned from */
  readonly productsText: string;
  /** how long one's own hands take, by kind of work */
  readonly hands: ReadonlyMap<WorkKind, HandsFactor>;
  /** films that were looked at, and what came of it, oldest first */
  readonly looks: readonly FilmLook[];
  readonly coupons: readonly StoredCoupon[];
  readonly logs: ReadonlyMap<string, readonly LogEntry[]>;
  /** products as they were when a coat was laid with them, by hash */
  readonly cards: Cards;
  readonly plannings: ReadonlyMap<string, StoredPlanning>;
  readonly plan: StoredPlan | null;
  /** timetables that came with a model's document */
  readonly brought: ReadonlyMap<string, StoredPlan>;
  readonly asked: ReadonlyMap<string, AskedPlan>;
  readonly readings: readonly Reading[];
  readonly forecast: AirSources["forecast"];
  readonly locals: ReadonlyMap<string, AirSources["locals"]>;
}

/** A handful of statements, however many regions there are, and of those only what may have changed. */
export function loadWorkspace(db: Db, atMs: number): Workspace {
  const logs = readLogs(db);
  const cards = kept("cards", ["cards"], () => readCards(db));
  const cans = kept("cans", ["products"], () => allProducts(db));
  const untaught = {
    models: kept("models", ["models"], () => listModels(db)),
    shopState: kept("shop", ["shop"], () => shopState(db)),
    trees: kept("trees", ["parts", "regions", "layers", "overrides"], () => treesOf(db, null)),
    shelf: kept("shelf", ["products", "layers", "regions", "parts", "models"], () => listShelf(db)),
    cans,
    products: keptOf("stand-ins", [cans, cards, logs], () => withStandIns(cans, cards, [...logs.values()].flat())),
    coupons: kept("coupons", ["coupons"], () => listCoupons(db)),
    logs,
    cards,
    plannings: kept("plannings", ["planning"], () => readPlannings(db)),
    plan: kept("plan", ["bench_plan"], () => readBenchPlan(db)),
    brought: kept("brought", ["plans"], () => readBroughtPlans(db)),
    asked: kept("asked", ["plans_asked"], () => readPlansAsked(db)),
    readings: settledReadings(readingsKept(db, atMs)),
    forecast: kept("forecast", ["forecast"], () => readForecast(db)),
    locals: kept("locals", ["local_airs", "parts"], () => readLocalAirs(db)),
  };
  const { looks, products } = taughtBy(untaught, atMs);
  return {
    ...untaught,
    hands: handsOf(logs, untaught.shopState.shop.handsSince ?? null),
    looks,
    products,
    productsText: keptOf("products-text", [products], () => JSON.stringify([...products])),
  };
}

/** On globalThis because the framework may load this module more than once. */
const holder = globalThis as unknown as { elmBenchReadings?: readonly Reading[] };

/** The very list of before where a device has said nothing new: a tenth of a degree is more than it knows. */
function settledReadings(read: readonly Reading[]): readonly Reading[] {
  const before = holder.elmBenchReadings;
  if (before?.length === read.length && read.every((r, i) => sameReading(r, before[i]!))) return before;
  holder.elmBenchReadings = read;
  return read;
}

const sameReading = (a: Reading, b: Reading): boolean =>
  a.atMs === b.atMs &&
  a.source === b.source &&
  a.airflowMS === b.airflowMS &&
  a.tempC === b.tempC &&
  a.rhPct === b.rhPct;

const handsOf = (logs: Workspace["logs"], since: string | null) => handsKept(logs)(since);
const handsKept = ofEach((logs: Workspace["logs"]) => {
  const known = new Map<string | null, Workspace["hands"]>();
  return (since: string | null) => {
    const own =
      known.get(since) ?? handsFactors([...logs.values()].flatMap((log) => timedOf(log)).filter(after(since)));
    known.set(since, own);
    return own;
  };
});
const after = (since: string | null) => {
  const fromMs = since === null ? Number.NEGATIVE_INFINITY : Date.parse(since);
  return ({ doneMs }: Done) => doneMs >= fromMs;
};
const timedOf = ofEach((log: readonly LogEntry[]) => timedWork(log));

interface Done extends TimedWork {
  readonly doneMs: number;
}

/** Work of a log whose minutes are known: begun, done, and planned to take so long. */
function timedWork(log: readonly LogEntry[]): readonly Done[] {
  const begun = new Map<string, number>();
  return log.flatMap((e): Done[] => {
    if (e.kind === "started") begun.set(e.opId, Date.parse(e.at));
    const since = begun.get(e.opId);
    if (e.kind !== "done" || e.plannedMin === undefined || since === undefined) return [];
    begun.delete(e.opId);
    const doneMs = Date.parse(e.at);
    return [{ kind: workKindOf(e.opId), plannedMin: e.plannedMin, tookMin: (doneMs - since) / MS_PER_MIN, doneMs }];
  });
}
