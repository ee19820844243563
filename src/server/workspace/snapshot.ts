import {
  type Cards,
  type CouponCard,
  eventOf,
  type LogEntry,
  type ModelHead,
  NO_PLANNING,
  type PartNode,
  type RegionNode,
  readStoredPlan,
} from "@/contracts";
import { MS_PER_MIN } from "@/core/base";
import { asLeft, fold, type History } from "@/core/history";
import type { JudgeAnswer } from "@/core/judge";
import type { AirSpot, Product } from "@/core/model";
import type { BenchTile, PlanAnswer, PlanInput } from "@/core/plan";
import type { PlanRegion } from "@/core/work";
import { type Db, revision, type StoredPlan, type StoredPlanning } from "@/db";
import { nowMs } from "../clock";
import { lookup } from "../lookup";
import { type AirSources, airNow, airSpotNow, meanAir } from "../shed/air";
import { localDate } from "../shed/hours";
import { fingerprint, PLAN_SHAPE } from "./fingerprint";
import { inputFrom, type PlanSources } from "./input";
import { judgedAt, judgedForPlan } from "./judged";
import { ofEach } from "./kept";
import { loadWorkspace, type Workspace } from "./load";
import { once } from "./once";
import { Tiles } from "./tiles";
import { joinedSources } from "./together";

/** A plan as it was stored, with the answer it holds. */
interface KeptPlan extends Omit<StoredPlan, "answer"> {
  readonly answer: PlanAnswer;
}

/** One model of the bench; what costs is worked out when it is first asked for, and once. */
export interface ModelSnapshot {
  readonly head: ModelHead;
  readonly tree: readonly PartNode[];
  readonly sources: PlanSources;
  readonly planning: StoredPlanning;
  readonly input: PlanInput;
  /** what its log comes to */
  readonly history: History;
  /** its input were one more line in its log */
  readonly inputWith: (entry: LogEntry) => PlanInput;
  /** its input as its log had it at a moment, ms since 1970 */
  readonly inputAt: (atMs: number) => PlanInput;
  /** fingerprint of everything a plan is made from */
  readonly hash: string;
  readonly tiles: readonly BenchTile[];
  /** the plan in force; null = none, or one of a shape nobody reads any more */
  readonly plan: KeptPlan | null;
  /** a plan is asked for and not made yet */
  readonly planAsked: boolean;
  /** where one region stands, without the others' being worked out */
  readonly tileOf: (regionId: string) => BenchTile | null;
  /** what a region's films hang on, whatever the minute */
  readonly filmKey: (regionId: string) => string;
  /** judged in the air of this minute, each with its doubts */
  readonly judged: (node: RegionNode) => JudgeAnswer;
  /** judged as the plan sees it */
  readonly judgedForPlan: (regionId: string) => JudgeAnswer | null;
  /** the same of any pile of one of its regions */
  readonly judgePile: (r: PlanRegion) => JudgeAnswer;
}

/** Everything active, planned as one: there is one person, one booth, one air. */
export interface BenchSnapshot {
  readonly members: readonly ModelSnapshot[];
  /** null = nothing is active */
  readonly input: PlanInput | null;
  /** fingerprint of everything the plan is made from */
  readonly hash: string;
  /** the plan in force; null = none, or one of a shape nobody reads any more */
  readonly plan: KeptPlan | null;
  /** what the input is made from; null = nothing is active */
  readonly sources: PlanSources | null;
}

/** The whole bench at one minute and one revision of the database. */
export interface Snapshot {
  readonly data: Workspace;
  /** the minute it speaks of, floored */
  readonly nowMin: number;
  readonly today: string;
  /** by their best evidence */
  readonly productOf: (id: string) => Product;
  readonly coupons: readonly CouponCard[];
  readonly airNow: AirSpot;
  /** of the next days */
  readonly meanAir: AirSpot;
  readonly bench: BenchSnapshot;
  readonly model: (modelId: string) => ModelSnapshot | null;
  readonly air: (modelId: string | null) => AirSources;
  /** where a region hangs */
  readonly home: (regionId: string) => RegionHome | null;
}

interface RegionHome {
  readonly modelId: string;
  readonly part: PartNode;
  readonly node: RegionNode;
}

interface Held {
  readonly revision: string;
  readonly data: Workspace;
  readonly snapshot: Snapshot;
}
/** On globalThis because the framework may load this module more than once. */
const holder = globalThis as unknown as { elmBenchSnapshot?: Held };

/**
 * The bench as it is. The same object as long as nobody writes and the minute lasts; within a transaction it holds what has been
 * written so far.
 */
export function snapshotOf(db: Db): Snapshot {
  const atMs = nowMs();
  const nowMin = Math.floor(atMs / MS_PER_MIN);
  const rev = revision();
  const held = holder.elmBenchSnapshot;
  if (held?.revision === rev && held.snapshot.nowMin === nowMin) return held.snapshot;
  const data = held?.revision === rev ? held.data : sameAsBefore(held?.data, loadWorkspace(db, atMs));
  const snapshot = held?.data === data && held.snapshot.nowMin === nowMin ? held.snapshot : snapshotFrom(data, nowMin);
  holder.elmBenchSnapshot = { revision: rev, data, snapshot };
  return snapshot;
}

/** The very workspace of before where what was written since says nothing new. */
function sameAsBefore(before: Workspace | undefined, read: Workspace): Workspace {
  const kinds = Object.keys(read) as (keyof Workspace)[];
  return before && kinds.every((k) => before[k] === read[k]) ? before : read;
}

function snapshotFrom(data: Workspace, nowMin: number): Snapshot {
  const { shop } = data.shopState;
  const cards = data.coupons.map((c) => c.card);
  const models = new Map<string, ModelSnapshot>();
  const homes = once(() => homesOf(data.trees));
  const productOf = lookup(data.products);
  const air = (modelId: string | null): AirSources => ({
    readings: data.readings,
    forecast: data.forecast,
    locals: (modelId === null ? undefined : data.locals.get(modelId)) ?? [],
  });
  const today = localDate(shop.timeZone, nowMin * MS_PER_MIN);
  const spot = once(() => airSpotNow(shop, air(null), nowMin));
  const mean = once(() => meanAir(shop, air(null), nowMin));
  const bench = once(() => benchFrom(snapshot));
  const snapshot: Snapshot = {
    data,
    nowMin,
    today,
    productOf,
    coupons: cards,
    get airNow() {
      return spot();
    },
    get meanAir() {
      return mean();
    },
    air,
    home: (regionId) => homes().get(regionId) ?? null,
    get bench() {
      return bench();
    },
    model: (modelId) => {
      const head = data.models.find((m) => m.id === modelId);
      if (!head) return null;
      const own = models.get(modelId) ?? modelFrom(snapshot, head);
      models.set(modelId, own);
      return own;
    },
  };
  return snapshot;
}

/** What a log comes to; the very same as long as nothing was added to it. */
const historyOf = ofEach((cards: Cards) =>
  ofEach((log: readonly LogEntry[]): History => fold(log.map((e) => eventOf(e, cards)))),
);

function modelFrom(snapshot: Snapshot, head: ModelHead): ModelSnapshot {
  const { data, productOf, coupons, nowMin } = snapshot;
  const tree = data.trees.get(head.id) ?? [];
  const planning = data.plannings.get(head.id) ?? { planning: NO_PLANNING, rev: 0 };
  const sources: PlanSources = {
    tree,
    shop: data.shopState.shop,
    log: data.logs.get(head.id) ?? [],
    cards: data.cards,
    products: data.products,
    coupons,
    air: snapshot.air(head.id),
    planning: planning.planning,
    ...handsOf(data),
  };
  const input = once(() => inputFrom(sources, productOf, nowMin * MS_PER_MIN));
  const history = once(() => historyOf(sources.cards)(sources.log));
  const active = head.state === "active";
  const hash = once(() => (active ? snapshot.bench.hash : fingerprint(sources, data.products)));
  const judge = once(() => judgedForPlan(input()));
  const judgedNow = once(() =>
    judgedAt({
      productOf,
      coupons,
      protection: data.shopState.shop.protection,
      air: snapshot.airNow,
      today: snapshot.today,
    }),
  );
  const plan = once(() => (active ? shareOf(snapshot.bench.plan, head.id) : null));
  const options = once(() => ({ judged: judge(), delaysMin: delaysOf(plan(), hash()) }));
  const tiles = new Tiles(() => ({ input: input(), sources, options: options(), productsText: data.productsText }));
  const allTiles = once(() => tiles.all());
  return {
    head,
    tree,
    sources,
    planning,
    get plan() {
      return plan();
    },
    planAsked: active && data.asked.size > 0,
    get input() {
      return input();
    },
    get history() {
      return history();
    },
    inputAt: (atMs) => inputFrom({ ...sources, log: upTo(sources.log, atMs) }, productOf, atMs),
    inputWith: (entry) => inputFrom({ ...sources, log: [...sources.log, entry] }, productOf, nowMin * MS_PER_MIN),
    get hash() {
      return hash();
    },
    get tiles() {
      return allTiles();
    },
    tileOf: (regionId) => tiles.of([regionId])[0] ?? null,
    filmKey: (regionId) => tiles.stillKeyOf(regionId),
    judged: (node) => {
      const face = input().regions.find((r) => r.region.id === node.region.id)?.face;
      return judgedNow()({ ...node, region: asLeft(node.region, face) });
    },
    judgePile: (r) => judge()(r),
    judgedForPlan: (regionId) => {
      const own = input().regions.find((r) => r.region.id === regionId);
      return own ? judge()(own) : null;
    },
  };
}

/** What is to be known of one's own hands; nothing where they take as long as is reckoned. */
function handsOf({ hands }: Workspace): Pick<PlanSources, "hands"> {
  const told = [...hands].filter(([, h]) => h.factor !== 1).map(([kind, h]) => [kind, h.factor] as const);
  return told.length === 0 ? {} : { hands: Object.fromEntries(told) };
}

/** Lines of a log up to a moment, ms since 1970. */
const upTo = (log: readonly LogEntry[], atMs: number): readonly LogEntry[] =>
  log.filter((e) => Date.parse(e.at) <= atMs);

function benchFrom(snapshot: Snapshot): BenchSnapshot {
  const { data, productOf, nowMin } = snapshot;
  const members = data.models.filter((m) => m.state === "active").map((m) => snapshot.model(m.id)!);
  const sources = once(() => (members.length === 0 ? null : joinedSources(members)));
  const input = once(() => {
    const all = sources();
    return all && inputFrom(all, productOf, nowMin * MS_PER_MIN);
  });
  const hash = once(() => {
    const all = sources();
    return all === null ? "" : fingerprint(all, data.products);
  });
  const plan = once(() => data.plan && planOf(data.plan));
  return {
    members,
    get plan() {
      return plan();
    },
    get sources() {
      return sources();
    },
    get input() {
      return input();
    },
    get hash() {
      return hash();
    },
  };
}

/** The plan as one model sees it: everybody's, or why it is not in it. */
function shareOf(plan: KeptPlan | null, modelId: string): KeptPlan | null {
  const why = plan?.answer.outcome === "planned" ? plan.answer.aside?.[modelId] : undefined;
  return plan && why ? { ...plan, answer: why } : plan;
}

/** A plan of a shape nobody reads any more, or that cannot be read, is none: it is made again. */
const planOf = ofEach((stored: StoredPlan): KeptPlan | null => {
  if (!stored.inputsHash.startsWith(PLAN_SHAPE)) return null;
  const answer = readStoredPlan(stored.answer);
  return answer && { ...stored, answer };
});

/** What the film model said of waits holds while the plan is made from what is there. */
const delaysOf = (plan: KeptPlan | null, hash: string) =>
  plan?.answer.outcome === "planned" && plan.inputsHash === hash ? plan.answer.delaysMin : undefined;

const homesOf = (trees: Workspace["trees"]): ReadonlyMap<string, RegionHome> =>
  new Map(
    [...trees].flatMap(([modelId, tree]) =>
      tree.flatMap((part) => part.regions.map((node) => [node.region.id, { modelId, part, node }] as const)),
    ),
  );

/** The air of this very moment, which goes on while the snapshot's minute lasts. */
export const airOfNow = (snapshot: Snapshot, modelId: string | null, atMs: number) =>
  airNow(snapshot.data.shopState.shop, snapshot.air(modelId), atMs / MS_PER_MIN);
