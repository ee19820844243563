import { createHash } from "node:crypto";
import { z } from "zod";
import {
  type Backdrop,
  type BenchScreen,
  type BenchView,
  type CouponCard,
  done,
  failed,
  invalid,
  type LogEntry,
  type MiniFilm,
  type Outcome,
  type PartNode,
  type Planning,
  type PlanScreen,
  type PlanView,
  type SentPlanInput,
  type Shop,
  type Sign,
} from "@/contracts";
import { MIN_PER_DAY, MIN_PER_HOUR, MS_PER_MIN } from "@/core/base";
import { airAt } from "@/core/film";
import type { Milestone, Objective, Stack } from "@/core/model";
import { filmLedger } from "@/core/numbers";
import { benchNow, type Looked, type OpRecord, opIds, type PlanAnswer, type PlanInput, planModel } from "@/core/plan";
import {
  allProducts,
  type Db,
  listCoupons,
  modelHead,
  modelTree,
  readLog,
  readPlan,
  readPlanning,
  writePlan,
} from "@/db";
import { nowMs } from "./clock";
import { notFound, reading, writing } from "./guard";
import { lookup } from "./lookup";
import { planningFields } from "./planning";
import { type AirSources, airNow, airSources, backdrop, climateOf, expectedOf, localClimates } from "./shed-air";
import { benchSessions, ensureShop, localDate, shopState } from "./shop";

/** How far ahead work is planned at the least and at the most, days. */
const HORIZON_DAYS = 60;
const FARTHEST_DAYS = 365;
/** A step of work takes about so long, for the horizon's sake only, minutes (est.). */
const STEP_MIN = 12;
/** Waits and rounds stretch work out over more weeks than its minutes fill. */
const STRETCH = 2;

/** Far enough ahead that a big model has room: twice the weeks its work would fill, on top of the least. */
function horizonDays(shop: Shop, tree: readonly PartNode[]): number {
  const clock = (t: string) => Number(t.slice(0, 2)) * MIN_PER_HOUR + Number(t.slice(3));
  const weekMin = shop.pattern.reduce((sum, p) => sum + clock(p.to) - clock(p.from), 0);
  const steps = tree
    .flatMap((p) => p.regions)
    .reduce(
      (sum, { stack }) => sum + stack.prep.length + stack.layers.reduce((n, l) => n + l.coats + l.before.length + 2, 0),
      0,
    );
  if (weekMin === 0) return HORIZON_DAYS;
  return Math.min(FARTHEST_DAYS, HORIZON_DAYS + Math.ceil((STRETCH * 7 * steps * STEP_MIN) / weekMin));
}
/** Changes when the shape of a stored plan does, so that an old one is made again rather than misread. */
const PLAN_SHAPE = "p5";

/** The milestone each sign shows the film not to have come to; null = it tells none. */
const SIGN_LACKS: Readonly<Record<Sign, Milestone | null>> = {
  tacky: "touch",
  "still-wet": "touch",
  "paper-clogs": "sandable",
  dents: "handle",
  smells: null,
  other: null,
};

/** What the log says of each operation: later entries speak louder, "taken back" unsays the last word. */
export function recordsOf(log: readonly LogEntry[]): { records: readonly OpRecord[]; notYet: PlanInput["notYet"] } {
  const records = new Map<string, OpRecord>();
  const before = new Map<string, OpRecord | undefined>();
  const notYet = new Map<string, { atMin: number; lacks: Milestone | null }>();
  for (const e of log) {
    const atMin = Date.parse(e.at) / MS_PER_MIN;
    const known = records.get(e.opId);
    if (e.kind === "not-yet") notYet.set(e.opId, { atMin, lacks: e.sign === null ? null : SIGN_LACKS[e.sign] });
    if (e.kind === "started") {
      before.set(e.opId, known);
      records.set(e.opId, { opId: e.opId, startMin: atMin, endMin: null, coats: null, wftUm: null });
    }
    if (e.kind === "done") {
      before.set(e.opId, known);
      records.set(e.opId, {
        opId: e.opId,
        startMin: Math.min(known?.startMin ?? atMin, atMin),
        endMin: atMin,
        coats: e.coats,
        wftUm: e.wftUm,
      });
    }
    if (e.kind === "taken-back") {
      const prior = before.get(e.opId);
      before.delete(e.opId);
      if (prior) records.set(e.opId, prior);
      else records.delete(e.opId);
    }
  }
  return { records: [...records.values()], notYet: [...notYet].map(([opId, look]) => ({ opId, ...look })) };
}

export interface PlanSources {
  readonly tree: readonly PartNode[];
  readonly shop: Shop;
  readonly log: readonly LogEntry[];
  readonly coupons: readonly CouponCard[];
  readonly air: AirSources;
  readonly planning: Planning;
}

export function planInput(
  db: Db,
  modelId: string,
  atMs: number,
): { input: PlanInput; hash: string; sources: PlanSources } {
  const sources: PlanSources = {
    tree: modelTree(db, modelId),
    shop: shopState(db).shop,
    log: readLog(db, modelId),
    coupons: listCoupons(db).map((c) => c.card),
    air: airSources(db, modelId, atMs),
    planning: readPlanning(db, modelId).planning,
  };
  const products = allProducts(db);
  return { input: inputFrom(sources, lookup(products), atMs), hash: hashOf(sources, products), sources };
}

/** What was laid longer ago has cured, whatever its air was; days. */
const OLDEST_DAYS = 90;
/** Work logged farther ahead than this is a slip, and is left aside; days. */
const AHEAD_DAYS = 400;

/** When the work that still matters began: that of regions with something left to do. */
function begins(records: readonly OpRecord[], tree: readonly PartNode[], nowMin: number): number {
  const open = new Set<string>();
  const done = new Set(records.filter((r) => r.endMin !== null).map((r) => r.opId));
  for (const { region, stack } of tree.flatMap((p) => p.regions)) {
    const top = stack.layers.at(-1);
    if (top && done.has(opIds.coat(top.id, top.coats))) continue;
    for (const l of stack.layers) open.add(l.id);
    open.add(region.id);
  }
  const mine = records.filter((r) => open.has(r.opId.split(":")[0]!.split("~")[0]!));
  return mine.reduce((first, r) => Math.min(first, r.startMin), nowMin);
}

/** The core's input from plain data: the same for the database and for a document sent to the API. */
export function inputFrom(sources: PlanSources, productOf: PlanInput["productOf"], atMs: number): PlanInput {
  const { shop, log, tree } = sources;
  const nowMin = Math.floor(atMs / MS_PER_MIN);
  const horizonMin = nowMin + horizonDays(shop, tree) * MIN_PER_DAY;
  const latestAt = new Date(atMs + AHEAD_DAYS * MIN_PER_DAY * MS_PER_MIN).toISOString();
  const { records, notYet } = recordsOf(log.filter((e) => e.at < latestAt));
  const fromMin = Math.max(begins(records, tree, nowMin), nowMin - OLDEST_DAYS * MIN_PER_DAY) - MIN_PER_DAY;
  const nodes = tree.flatMap((p) => p.regions.map((r) => ({ ...r, count: p.count })));
  const { climate } = climateOf(shop, sources.air, fromMin, horizonMin + MIN_PER_DAY);
  return {
    regions: nodes.map((n) => ({ region: n.region, stack: n.stack, count: n.count })),
    productOf,
    protection: shop.protection,
    climate,
    local: localClimates(climate, sources.air, tree),
    sessions: benchSessions(shop, nowMin, horizonMin),
    nowMin,
    today: localDate(shop.timeZone, atMs),
    horizonMin,
    records,
    notYet,
    overrides: nodes.flatMap((n) => n.overrides.map((o) => ({ ...o, regionId: n.region.id }))),
    coupons: sources.coupons,
    caution: shop.caution,
    ...planningFields(sources.planning, shop, tree),
  };
}

/** A reading asks for a new plan when it departs from what was expected by another of these steps. */
const DEPARTURE_STEP = { tempC: 2, rhPct: 10 } as const;

/** What of the air a plan is made from: what is to come, and how far from it the newest reading lies. */
function airFacts(shop: Shop, air: AirSources): unknown {
  const newest = air.readings.at(-1);
  if (!newest) return [air.forecast, air.locals];
  const atMin = newest.atMs / MS_PER_MIN;
  const expected = airAt(expectedOf(shop, air, atMin - MIN_PER_HOUR, atMin + MIN_PER_HOUR), atMin);
  const steps = (d: number, step: number) => Math.round(d / step);
  return [
    air.forecast,
    air.locals,
    steps(newest.tempC - expected.tempC, DEPARTURE_STEP.tempC),
    steps(newest.rhPct - expected.rhPct, DEPARTURE_STEP.rhPct),
  ];
}

function hashOf(sources: PlanSources, products: ReadonlyMap<string, unknown>): string {
  const used = new Set(sources.tree.flatMap((p) => p.regions.flatMap((r) => r.stack.layers.map((l) => l.productId))));
  const facts = [...used].sort().map((id) => products.get(id));
  const regions = sources.tree.map((p) => [p.name, p.regions.map((r) => [r.region, r.stack, r.overrides])]);
  return (
    PLAN_SHAPE +
    createHash("sha256")
      .update(
        JSON.stringify([
          regions,
          sources.shop,
          sources.log.map((e) => e.id),
          facts,
          sources.coupons,
          sources.planning,
          airFacts(sources.shop, sources.air),
        ]),
      )
      .digest("hex")
      .slice(0, 32)
  );
}

/** A plan whose work should have been done by now, and was not, is no timetable any more. */
const overtaken = (answer: PlanAnswer, nowMin: number): boolean =>
  answer.outcome === "planned" && answer.ops.some((o) => o.state === "planned" && o.endMin < nowMin);

export const getPlan = (modelId: string): Outcome<PlanView | null> =>
  reading((db) => {
    const stored = readPlan(db, modelId);
    if (!stored?.inputsHash.startsWith(PLAN_SHAPE)) return done(null);
    const atMs = nowMs();
    const answer = stored.answer as PlanAnswer;
    const fresh = stored.inputsHash === planInput(db, modelId, atMs).hash && !overtaken(answer, atMs / MS_PER_MIN);
    return done({ answer, plannedMs: stored.plannedMs, fresh, beforeDoneMin: stored.beforeDoneMin });
  });

/** Starts of what a stored plan still had to come. */
function startsOf(answer: PlanAnswer | null): PlanInput["before"] {
  if (answer?.outcome !== "planned") return undefined;
  return Object.fromEntries(answer.ops.filter((o) => o.state === "planned").map((o) => [o.id, o.startMin]));
}

/** How a plan is made: laid out afresh, kept as it was as far as it can be, or taken over from a search elsewhere. */
export type PlanHow = "afresh" | "keep" | { readonly starts: Readonly<Record<string, number>> };

/** What the film model said of a model's waits so far, while air, products and caution stay what they were. */
const looks = new Map<string, { readonly key: string; readonly looked: Looked }>();

function lookedOf(modelId: string, { shop, air, tree }: PlanSources, input: PlanInput): Looked {
  const used = tree.flatMap((p) => p.regions.flatMap((r) => r.stack.layers.map((l) => l.productId)));
  const facts = [...new Set(used)].sort().map(input.productOf);
  const newest = air.readings.at(-1)?.atMs ?? null;
  const key = JSON.stringify([shop.air, shop.timeZone, shop.caution, airFacts(shop, air), newest, facts]);
  const known = looks.get(modelId);
  if (known?.key === key) return known.looked;
  const looked: Looked = new Map();
  looks.set(modelId, { key, looked });
  return looked;
}

/** A request is answered after this long at the latest with the best plan so far; longer searches are for the screen's worker, ms. */
const SEARCH_MS = 2500;

/** Plans the model as it stands and keeps the answer, whatever it is. */
export function replan(db: Db, modelId: string, how: PlanHow = "keep"): PlanAnswer {
  const atMs = nowMs();
  const planned = planInput(db, modelId, atMs);
  const { hash } = planned;
  const before = readPlan(db, modelId);
  const beforeAnswer = before?.inputsHash.startsWith(PLAN_SHAPE) ? (before.answer as PlanAnswer) : null;
  const starts = startsOf(beforeAnswer);
  const input = { ...planned.input, before: starts };
  const sameAim = beforeAnswer?.outcome === "planned" && beforeAnswer.objective === input.marks?.objective;
  const kept = how === "keep" && sameAim ? starts : undefined;
  const began = performance.now();
  const answer = planModel(input, {
    looked: lookedOf(modelId, planned.sources, input),
    keep: typeof how === "object" ? how.starts : kept,
    goOn: () => performance.now() - began < SEARCH_MS,
  });
  const beforeDoneMin = beforeAnswer?.outcome === "planned" ? beforeAnswer.doneMin : (before?.beforeDoneMin ?? null);
  writePlan(db, modelId, { answer, inputsHash: hash, plannedMs: atMs, beforeDoneMin });
  return answer;
}

export function makePlan(modelId: string, how: PlanHow = "afresh"): Outcome<PlanAnswer> {
  return writing((db) => {
    ensureShop(db);
    return modelHead(db, modelId) ? done(replan(db, modelId, how)) : notFound("The model");
  });
}

const startsSchema = z.record(z.string().min(1).max(200), z.number().int().nonnegative());

/**
 * Takes over a timetable found elsewhere: its hours are kept as far as nothing forbids them, and checked like any other. It comes
 * into force only if, after the film model has looked at it, it is better by the aim chosen than the plan that is.
 */
export function takePlan(modelId: string, starts: unknown): Outcome<PlanAnswer> {
  const parsed = startsSchema.safeParse(starts);
  if (!parsed.success) return invalid(parsed.error);
  return writing((db) => {
    ensureShop(db);
    if (!modelHead(db, modelId)) return notFound("The model");
    const stored = readPlan(db, modelId);
    const before = stored?.inputsHash.startsWith(PLAN_SHAPE) ? stored : null;
    const fresh = before?.inputsHash === planInput(db, modelId, nowMs()).hash;
    // one that is out of date is measured by what it has become by now, not taken for nothing
    const inForce = before === null ? null : fresh ? (before.answer as PlanAnswer) : replan(db, modelId);
    const found = replan(db, modelId, { starts: parsed.data });
    if (inForce === null || better(found, inForce)) return done(found);
    return failed(
      "refused",
      "Once the film model had looked at it, what was found is no better by this aim. The plan stays.",
    );
  });
}

/** Better by the aim it was made for; on a tie the sooner finish. */
function better(a: PlanAnswer, b: PlanAnswer): boolean {
  if (a.outcome !== "planned") return false;
  if (b.outcome !== "planned") return true;
  const by = AIM[a.objective](a) - AIM[b.objective](b);
  return by < 0 || (by === 0 && a.doneMin < b.doneMin);
}
type Planned = Extract<PlanAnswer, { outcome: "planned" }>;
const leastSlack = (p: Planned): number =>
  Math.min(
    ...p.ops.filter((o) => o.state === "planned" && o.wait?.shutsMin != null).map((o) => o.slackMin),
    MIN_PER_DAY * 365,
  );
/** What each aim makes small. */
const AIM: Readonly<Record<Objective, (p: Planned) => number>> = {
  finish: (p) => p.doneMin,
  sessions: (p) => p.sessions,
  slack: (p) => -leastSlack(p),
  cleaning: (p) => p.cleanings,
};

/** What a worker needs to push a plan about: the input, and where everything lies now. */
export const getPlanInput = (modelId: string): Outcome<{ input: SentPlanInput; places: Places }> =>
  reading((db) => {
    if (!modelHead(db, modelId)) return notFound("The model");
    const { productOf, ...input } = planInput(db, modelId, nowMs()).input;
    const stored = readPlan(db, modelId);
    const answer = stored?.inputsHash.startsWith(PLAN_SHAPE) ? (stored.answer as PlanAnswer) : null;
    const ops = answer?.outcome === "planned" ? answer.ops : [];
    return done({
      // by their best evidence, as the server plans with them: a worker that knew other figures would plan other waits
      input: { ...input, products: [...allProducts(db).keys()].map(productOf) },
      places: Object.fromEntries(ops.map((o) => [o.id, { startMin: o.startMin, endMin: o.endMin }])),
    });
  });

type Places = Readonly<Record<string, { readonly startMin: number; readonly endMin: number }>>;

export function getBench(modelId: string): Outcome<BenchView> {
  return reading((db) => {
    const atMs = nowMs();
    const { input } = planInput(db, modelId, atMs);
    const plan = getPlan(modelId);
    return done({ tiles: benchNow(input), plan: plan.ok ? plan.value : null, nowMs: atMs });
  });
}

/** Part and region names by region id. */
export const partNames = (tree: readonly PartNode[]): ReadonlyMap<string, { part: string; region: string }> =>
  new Map(tree.flatMap((p) => p.regions.map((r) => [r.region.id, { part: p.name, region: r.region.name }] as const)));

/** A part by its name, with the region's when it has several. */
export const regionNames = (tree: readonly PartNode[]): readonly { id: string; name: string }[] =>
  tree.flatMap((p) =>
    p.regions.map((r) => ({ id: r.region.id, name: p.regions.length > 1 ? `${p.name}, ${r.region.name}` : p.name })),
  );

/** Work longer past than this is not drawn; the logbook has it. */
const DRAWN_BACK_MIN = MIN_PER_DAY;
const DRAWN_ON_MIN = MIN_PER_DAY;

function drawnFrom(answer: PlanAnswer, shop: Shop, air: AirSources, nowMin: number): Backdrop | null {
  if (answer.outcome !== "planned") return null;
  const first = Math.min(nowMin, ...answer.ops.map((o) => o.startMin));
  const fromMin = Math.max(first, nowMin - DRAWN_BACK_MIN) - MIN_PER_HOUR;
  return backdrop(shop, air, fromMin, Math.max(answer.doneMin, nowMin) + DRAWN_ON_MIN);
}

export function getPlanScreen(modelId: string): Outcome<PlanScreen> {
  return reading((db) => {
    const plan = getPlan(modelId);
    if (!plan.ok) return plan;
    const { shop, rev } = shopState(db);
    const atMs = nowMs();
    const nowMin = atMs / MS_PER_MIN;
    const tree = modelTree(db, modelId);
    const said = readPlanning(db, modelId);
    return done({
      modelId,
      plan: plan.value,
      regions: regionNames(tree),
      parts: tree.map((p) => ({ id: p.id, name: p.name, regionIds: p.regions.map((r) => r.region.id) })),
      planning: said.planning,
      planningRev: said.rev,
      products: Object.fromEntries(allProducts(db)),
      shop,
      shopRev: rev,
      today: localDate(shop.timeZone, atMs),
      nowMin,
      timeZone: shop.timeZone,
      backdrop: plan.value ? drawnFrom(plan.value.answer, shop, airSources(db, modelId, atMs), nowMin) : null,
    });
  });
}

export const getRegionNames = (modelId: string) => reading((db) => done(regionNames(modelTree(db, modelId))));

const SESSIONS_AHEAD_MIN = 14 * MIN_PER_DAY;

export function getBenchScreen(modelId: string): Outcome<BenchScreen> {
  return reading((db) => {
    const bench = getBench(modelId);
    if (!bench.ok) return bench;
    const { shop } = shopState(db);
    const tree = modelTree(db, modelId);
    const products = allProducts(db);
    const nowMin = bench.value.nowMs / MS_PER_MIN;
    const filmsOf = ({ layers }: Stack): readonly MiniFilm[] =>
      filmLedger(layers, lookup(products)).map((line, i) => ({
        layerId: line.layerId,
        colour: products.get(layers[i]!.productId)!.colour,
        um: line.addedUm - line.takenUm,
      }));
    return done({
      tiles: bench.value.tiles,
      plan: bench.value.plan,
      names: Object.fromEntries(regionNames(tree).map((r) => [r.id, r.name])),
      products: Object.fromEntries(products),
      films: Object.fromEntries(tree.flatMap((p) => p.regions.map((r) => [r.region.id, filmsOf(r.stack)] as const))),
      session: benchSessions(shop, nowMin, nowMin + SESSIONS_AHEAD_MIN)[0] ?? null,
      air: airNow(shop, airSources(db, modelId, bench.value.nowMs), nowMin),
      timeZone: shop.timeZone,
    });
  });
}
