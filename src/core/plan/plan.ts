/** The plan of a whole bench: the one place where judging, work, scheduling and the film model meet. */

import { assert, MIN_PER_DAY } from "../base";
import { type GateReason, gateReason } from "../film";
import type { OpRecord } from "../history";
import { type JudgeAnswer, standingOnce } from "../judge";
import type { BenchSession } from "../model";
import { isSprayed } from "../rules";
import {
  type Conflict,
  checkSchedule,
  explain,
  keepPlan,
  type Piece,
  type Placed,
  type Problem,
  type Schedule,
  solve,
} from "../schedule";
import { batchesOf, crossTies, joinCircle, longestSessionMin, notYetById, type PlanRegion, type Tie } from "../work";
import { withLateMasks } from "./late-masks";
import { type LiveChain, linkId, liveChain, type ProblemContext, problemOf } from "./problem";
import { judgeRegion, openStops } from "./region";
import { regionAirs } from "./region-airs";
import { type Found, inFull, report } from "./report";
import { type FaceCoats, heldForArrival } from "./stock";
import { NO_HABITS, NO_WISHES, type Notice, type PlanAnswer, type PlanInput, type RefusedStop } from "./types";
import { type Looked, verifyWaits } from "./verify";
import { withWiderSeams } from "./wider";

/** How long and for whom a plan is searched for. */
export interface PlanOptions {
  /** starts to keep to, by operation, where nothing now forbids it; absent = everything is laid out afresh */
  readonly keep?: Readonly<Record<string, number>> | undefined;
  /** with `keep`: what comes after this moment is searched for anew, what lies before it stays where it is kept */
  readonly freeFromMin?: number | undefined;
  /** placements made at the most before the film model is asked */
  readonly tries?: number | undefined;
  readonly goOn?: () => boolean;
  /** called between the film model's looks; throws when nobody wants the plan any more */
  readonly wanted?: (() => void) | undefined;
  /** what the film model said before, in the same air and of the same products; added to */
  readonly looked?: Looked | undefined;
  /** told of every better timetable, before the film model has looked at it */
  readonly onBetter?: (found: { readonly endMin: number; readonly starts: Readonly<Record<string, number>> }) => void;
}

/**
 * planModel
 *
 *   regions ──1 judge──► verdicts ──2 refuse?──► a part with a stop that has no reason written for it is left out and named
 *                           │
 *                     seam waits, prep
 *                           ▼
 *   log ─────────────3 chains──► operations and waits, rounds and fittings put in, as the log has made them
 *                           ▼
 *   air ──prefix clock──4 problem──► ops, links, gates, sessions, batches
 *                           ▼
 *   plan before ────────5 solve ──► as little moved as can be, or afresh; or the smallest set in the way and what frees it
 *                           ▼            ▲
 *                       6 check ──► the referee finds nothing, or that is our bug
 *                           ▼            │ put back
 *   air ──film model────7 verify ──► waits too short in the plan's own hours
 *                           ▼
 *                       8 report ──► operations with their waits and slack, finish, spine, what moved, notices
 */
export function planModel(input: PlanInput, options: PlanOptions = {}): PlanAnswer {
  const { judged: all, notices: told } = judgeAll(input);
  const stops = all.flatMap(({ region, answer }) => openStops(region, answer, input));
  const stopped = new Set(stops.map((s) => s.regionId));
  const judged = all.filter(({ region }) => !stopped.has(region.region.id));
  // one part's stop keeps that part out, not the others
  if (stops.length > 0 && judged.length === 0) return { outcome: "refused", stops, notices: told };
  const notices = [...told, ...stops.map(stoppedNotice)];
  const circle = joinCircle(input.joins ?? []);
  if (circle) return { outcome: "circular", partIds: circle, notices };
  const { ctx, left } = contextOf(input, judged);
  if (ctx.chains.every((c) => c.chain.ops.length === 0)) return { outcome: "nothing-to-plan", notices };
  const solved = solveWide(ctx, options);
  const said = [...notices, ...left, ...assumptions(judged), ...overBooth(judged, input)];
  if (solved.outcome === "found") return report(input, solved.found, said);
  const stuck = roundStuck(solved);
  return stuck === null ? conflictReport(solved, said) : withoutRounds(input, options, stuck);
}

/** The region whose round waits for a film that never gets there, or misses its window; null = a round is not what is in the way. */
function roundStuck({ schedule, ctx }: Extract<Solved, { outcome: "conflict" }>): string | null {
  const { kind, opId } = schedule.conflict;
  const op = ctx.chains.flatMap((c) => c.chain.ops).find((o) => o.id === opId);
  const hopeless = kind === "wait-beyond-horizon" || kind === "window" || kind === "gate-shut";
  return hopeless && op?.round !== undefined && !ctx.records.has(opId) ? op.regionId : null;
}

/** Rounds are the planner's own idea: where they cannot be laid out, the user's stack is planned without them, and that is told. */
function withoutRounds(input: PlanInput, options: PlanOptions, regionId: string): PlanAnswer {
  const wishes = input.wishes ?? NO_WISHES;
  const answer = planModel({ ...input, wishes: { ...wishes, rounds: { ...wishes.rounds, [regionId]: 0 } } }, options);
  return { ...answer, notices: [...answer.notices, { kind: "rounds-left-out", regionId }] };
}

const stoppedNotice = ({ regionId, verdict }: RefusedStop): Notice => ({
  kind: "stopped",
  regionId,
  code: verdict.code,
  layer: verdict.where.layer,
  stop: verdict.kind,
});

/** The problem behind a plan, for questions about it; null where there is nothing to place. */
export function contextFor(input: PlanInput): ProblemContext | null {
  const judged = judgeAll(input).judged.filter(({ region, answer }) => openStops(region, answer, input).length === 0);
  if (judged.length === 0) return null;
  if (joinCircle(input.joins ?? [])) return null;
  const { ctx } = contextOf(input, judged);
  return ctx.chains.some((c) => c.chain.ops.length > 0) ? ctx : null;
}

type Solved =
  | { readonly outcome: "found"; readonly found: Found }
  | {
      readonly outcome: "conflict";
      readonly schedule: Extract<Schedule, { outcome: "conflict" }>;
      readonly ctx: ProblemContext;
    };

/** How often a plan is looked through and mended before it is handed out as it is, with what is left told. */
const ROUNDS = 4;
/** Placements a plan is searched for with, how many more once some waits were put back, and how many once nothing can end sooner. */
const FIRST_TRIES = 24;
const REPAIR_TRIES = 12;
const POLISH_TRIES = 20;
/** Beside a plan that keeps things in place, one made afresh is looked for with so many placements. */
const AFRESH_TRIES = 8;
/** A plan made afresh is worth telling of when it ends this much sooner, minutes. */
const WORTH_TELLING_MIN = 60;

/** Solves; where a part finds no room, again with the ways past its windows that are no stop. */
function solveWide(ctx: ProblemContext, options: PlanOptions): Solved {
  const solved = solveVerified(ctx, options);
  if (solved.outcome === "found") return solved;
  const { opId } = solved.schedule.conflict;
  const own = solved.ctx.chains.find((c) => c.chain.ops.some((o) => o.id === opId));
  const wider = own ? withWiderSeams(ctx, own.chain.regionId) : null;
  return wider === null ? solved : solveWide(wider, options);
}

/** Solves, has the referee walk the rules, has the film model walk the waits, puts back what came too early, and again. */
function solveVerified(start: ProblemContext, options: PlanOptions): Solved {
  let ctx = start;
  let problem = problemOf(ctx);
  const first = firstSchedule(problem, ctx, options);
  const { afreshDoneMin } = first;
  let { schedule } = first;
  const putBack = new Set<string>();
  const looked: Looked = options.looked ?? new Map();
  for (let round = 1; ; round++) {
    if (schedule.outcome === "conflict") return { outcome: "conflict", schedule, ctx };
    const { placed, boundMin, genes } = schedule;
    const faults = checkSchedule(problem, placed);
    assert(faults.length === 0, `the plan breaks its own rules: ${JSON.stringify(faults.slice(0, 3))}`);
    const { waits, wide, early } = verifyWaits(ctx, inFull(placed, ctx), looked, options.wanted);
    const earlyMin = Math.max(0, ...early.map((e) => e.byMin));
    const verified = { waits, wide, putBack: putBack.size, early: early.length, earlyMin };
    if (early.length === 0 || round === ROUNDS) {
      const checkedOps = problem.ops.length;
      const { placed } = withLateMasks(problem, schedule, ctx, options.keep);
      return { outcome: "found", found: { ctx, problem, placed, boundMin, afreshDoneMin, verified, checkedOps } };
    }
    const delaysMin = new Map(ctx.delaysMin);
    for (const e of early) {
      putBack.add(e.linkId);
      delaysMin.set(e.linkId, Math.max(e.delayMin, (delaysMin.get(e.linkId) ?? 0) + e.byMin));
    }
    ctx = { ...ctx, delaysMin };
    problem = problemOf(ctx);
    schedule = options.keep
      ? keepPlan(problem, startsOf(placed))
      : solve(problem, { objective: ctx.wishes.objective, tries: REPAIR_TRIES, start: genes });
  }
}

const startsOf = (placed: readonly Placed[]): ReadonlyMap<string, number> =>
  new Map(placed.map((p) => [p.opId, p.startMin]));

/** The plan before, disturbed as little as can be; without one, or where it cannot be kept, a search. */
function firstSchedule(
  problem: Problem,
  ctx: ProblemContext,
  options: PlanOptions,
): { schedule: Schedule; afreshDoneMin: number | null } {
  const { objective } = ctx.wishes;
  const search = (tries: number, within: Problem = problem) =>
    solve(within, {
      objective,
      tries,
      polish: POLISH_TRIES,
      ...(options.goOn ? { goOn: options.goOn } : {}),
      ...(options.onBetter
        ? {
            onBetter: ({ endMin, placed }) =>
              options.onBetter!({ endMin, starts: Object.fromEntries(startsOf(placed)) }),
          }
        : {}),
    });
  if (!options.keep) return { schedule: search(options.tries ?? FIRST_TRIES), afreshDoneMin: null };
  const kept = keepPlan(problem, new Map(Object.entries(options.keep)));
  if (kept.outcome === "conflict") return { schedule: search(options.tries ?? FIRST_TRIES), afreshDoneMin: null };
  const afresh = search(AFRESH_TRIES);
  if (afresh.outcome === "conflict") return { schedule: kept, afreshDoneMin: null };
  const told =
    options.freeFromMin === undefined
      ? kept
      : mended(problem, kept, options.freeFromMin, search, options.tries ?? FIRST_TRIES);
  const sooner = told.endMin - afresh.endMin >= WORTH_TELLING_MIN;
  return {
    schedule: { ...told, boundMin: Math.min(told.endMin, afresh.boundMin) },
    afreshDoneMin: sooner ? afresh.endMin : null,
  };
}

/** What lies before a moment stays, the rest is searched for anew; as it was kept where that ends no later. */
function mended(
  problem: Problem,
  kept: Placement,
  freeFromMin: number,
  search: (tries: number, within: Problem) => Schedule,
  tries: number,
): Placement {
  const near = new Map(kept.placed.flatMap((p) => (p.startMin < freeFromMin ? [[p.opId, p.startMin] as const] : [])));
  const ops = problem.ops.map((op) => (op.fixed || !near.has(op.id) ? op : { ...op, lockMin: near.get(op.id)! }));
  const found = search(tries, { ...problem, ops });
  if (found.outcome === "conflict" || found.endMin >= kept.endMin) return kept;
  const held = found.placed.map((p) =>
    p.boundBy.kind === "lock" && near.has(p.opId) ? { ...p, boundBy: { kind: "kept" as const } } : p,
  );
  return { ...found, placed: held };
}
type Placement = Extract<Schedule, { outcome: "placed" }>;

interface JudgedRegion {
  readonly region: PlanRegion;
  readonly answer: Extract<JudgeAnswer, { outcome: "judged" }>;
}

function judgeAll(input: PlanInput): { judged: readonly JudgedRegion[]; notices: readonly Notice[] } {
  const judged: JudgedRegion[] = [];
  const notices: Notice[] = [];
  for (const r of input.regions) {
    if (r.stack.layers.length === 0) {
      notices.push({ kind: "no-stack", regionId: r.region.id });
      continue;
    }
    const answer = judgeRegion(r, input);
    if (answer.outcome === "incomplete") {
      notices.push({ kind: "left-out", regionId: r.region.id, missing: answer.missing });
      continue;
    }
    judged.push({ region: r, answer });
    for (const difference of r.differences ?? [])
      notices.push({ kind: "lies-otherwise", regionId: r.region.id, difference });
    for (const v of standingOnce(answer.verdicts)) {
      if (v.verdict !== "ok")
        notices.push({
          kind: "verdict",
          regionId: r.region.id,
          verdict: v.verdict,
          code: v.code,
          layer: v.where.layer,
        });
    }
  }
  return { judged, notices };
}

function assumptions(judged: readonly JudgedRegion[]): readonly Notice[] {
  return judged.flatMap(({ region, answer }): Notice[] => [
    ...(region.region.areaCm2 === null ? [{ kind: "area-assumed" as const, regionId: region.region.id }] : []),
    ...(answer.assumed.length > 0 ? [{ kind: "waits-assumed" as const, regionId: region.region.id }] : []),
  ]);
}

/** Parts that are sprayed and do not go into the booth whole. */
function overBooth(judged: readonly JudgedRegion[], { habits, productOf }: PlanInput): readonly Notice[] {
  const boothMm = habits?.boothMm ?? null;
  if (boothMm === null) return [];
  return judged.flatMap(({ region: { region, stack } }): Notice[] => {
    const longestMm = region.longestMm ?? 0;
    const sprayed = stack.layers.some((l) => isSprayed(productOf(l.productId)));
    return sprayed && longestMm > boothMm ? [{ kind: "over-booth", regionId: region.id, longestMm, boothMm }] : [];
  });
}

function contextOf(
  input: PlanInput,
  judged: readonly JudgedRegion[],
): { ctx: ProblemContext; left: readonly Notice[] } {
  const records = new Map(input.records.map((r) => [r.opId, r]));
  const all = judged.map(({ region, answer }) => liveChain(region, answer, input, records));
  const long = tooLong(all, input.sessions, records);
  // parts with work longer than any session do not keep the others from being planned; where there are no others, that is the answer
  const out = new Set(long.length < all.length ? long.map((n) => n.regionId) : []);
  const chains = all.filter((c) => !out.has(c.chain.regionId));
  const wishes = input.wishes ?? NO_WISHES;
  const cross = crossTies(
    chains.map((c) => c.chain),
    input.joins ?? [],
    input.productOf,
    records,
  );
  const { batches, leftOut } = batchesOf(
    wishes.batches,
    chains.flatMap((c) => c.chain.ops),
    [...chains.flatMap((c) => c.chain.ties), ...cross.map((c) => c.tie)],
    records,
    input.productOf,
  );
  const ctx = {
    chains,
    cross,
    productOf: input.productOf,
    records,
    notYet: notYetById(input.notYet),
    airOf: regionAirs(input),
    delaysMin: new Map(),
    caution: input.caution,
    sessions: input.sessions,
    nowMin: input.nowMin,
    horizonMin: input.horizonMin,
    wishes,
    habits: input.habits ?? NO_HABITS,
    extracted: input.protection.includes("extraction"),
    batches,
    heldMin: heldForArrival(chains.map(faceCoats), input.productOf, (id) => records.has(id), wishes.arrivals),
  };
  const noBatch = leftOut.map((b) => ({ kind: "batch-left-out" as const, ...b }));
  return { ctx, left: [...noBatch, ...long.filter((n) => out.has(n.regionId))] };
}

const faceCoats = ({ chain, planned, count }: LiveChain): FaceCoats => ({
  areaCm2: planned.region.areaCm2,
  count,
  coats: chain.ops.filter((o) => o.kind === "coat" || o.kind === "part-coat"),
});

type TooLong = Extract<Notice, { kind: "too-long" }>;

/** Parts with a piece of work still to do that fits no bench session; none where there are no sessions at all. */
function tooLong(
  chains: readonly LiveChain[],
  sessions: readonly BenchSession[],
  records: ReadonlyMap<string, OpRecord>,
): readonly TooLong[] {
  const longestMin = longestSessionMin(sessions);
  return chains.flatMap(({ chain }): TooLong[] => {
    const neededMin = Math.max(0, ...chain.ops.filter((o) => !records.has(o.id)).map((o) => o.handsOnMin));
    return neededMin > longestMin ? [{ kind: "too-long", regionId: chain.regionId, neededMin, longestMin }] : [];
  });
}

function conflictReport(
  { schedule, ctx }: Extract<Solved, { outcome: "conflict" }>,
  notices: readonly Notice[],
): PlanAnswer {
  const ops = ctx.chains.flatMap((c) => c.chain.ops);
  const ties = [...ctx.chains.flatMap((c) => c.chain.ties), ...ctx.cross.map((c) => c.tie)];
  const { set, frees } = explain(
    // changes that are tried may lie outside the sessions there are: the air is looked at round the clock
    problemOf({ ...ctx, gateHours: roundTheClock(ctx) }),
    schedule.conflict,
    new Set(ctx.batches.members.keys()),
  );
  const conflict = windowIn(schedule.conflict, set, ties);
  const op = ops.find((o) => o.id === conflict.opId);
  assert(op, "a conflict names an operation of the plan");
  const tie = "linkId" in conflict ? ties.find((t) => linkId(t) === conflict.linkId) : undefined;
  const named = new Set(
    [...set, ...frees].flatMap((p) => {
      if ("opId" in p) return [p.opId];
      const link = "linkId" in p ? ties.find((t) => linkId(t) === p.linkId) : undefined;
      return link ? [link.from, link.to] : [];
    }),
  );
  const gate =
    op.productId === null || conflict.kind !== "gate-shut" ? null : shutReason(op.productId, op.regionId, ctx);
  return {
    outcome: "conflict",
    conflict,
    op,
    from: tie ? (ops.find((o) => o.id === tie.from) ?? null) : null,
    gateReason: gate,
    set,
    frees,
    ops: ops.filter((o) => named.has(o.id)),
    notices,
  };
}

/** Work that belongs together and fits no evening runs out of sessions in the end; what is really in the way is its window. */
function windowIn(conflict: Conflict, set: readonly Piece[], ties: readonly Tie[]): Conflict {
  if (conflict.kind !== "no-session-left") return conflict;
  const shut = set.find((p) => p.kind === "window");
  const tie = shut && ties.find((t) => linkId(t) === shut.linkId);
  return tie ? { kind: "window", opId: tie.to, linkId: shut.linkId } : conflict;
}

/** Changes to a plan that cannot be made are tried this far ahead, days. */
const TRIED_DAYS = 30;

/** Every hour of the next weeks, a day at a time. */
function roundTheClock(ctx: ProblemContext): ProblemContext["sessions"] {
  const first = ctx.nowMin - (ctx.nowMin % MIN_PER_DAY);
  const days = Math.min(TRIED_DAYS, Math.ceil((ctx.horizonMin - first) / MIN_PER_DAY));
  return Array.from({ length: days }, (_, d) => ({
    startMin: first + d * MIN_PER_DAY,
    endMin: first + (d + 1) * MIN_PER_DAY,
  }));
}

/** Why the air keeps a product off at the first session at which it does. */
function shutReason(productId: string, regionId: string, ctx: ProblemContext): GateReason | null {
  const product = ctx.productOf(productId);
  const { climate } = ctx.airOf(regionId);
  for (const s of ctx.sessions) {
    const reason = s.endMin > ctx.nowMin ? gateReason(product, climate, Math.max(s.startMin, ctx.nowMin)) : null;
    if (reason) return reason;
  }
  return null;
}
