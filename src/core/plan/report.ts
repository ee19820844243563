/** A placed schedule as the answer a screen needs: waits, slack, what holds the finish, what moved, stock, notices. */

import { MIN_PER_DAY, own } from "../base";
import { airAt, milestoneAfter } from "../film";
import { TAPE_LATEST_MIN } from "../reference";
import { cleaningsOf, nightsBetween, type Placed, type Problem, type Slack, sessionsUsed, slacks } from "../schedule";
import { coatsUpTo, type Operation, spansOf } from "../work";
import { nearTies } from "./nearness";
import { cautionFor, GRID_MIN, type LiveChain, linkId, type ProblemContext } from "./problem";
import { stockLines } from "./stock";
import type {
  CarryIn,
  FollowUp,
  Move,
  Notice,
  OverNight,
  PlanAnswer,
  PlanInput,
  PlannedOp,
  RegionFinish,
  Verified,
} from "./types";
import { waitReport } from "./wait-report";

export interface Found {
  readonly ctx: ProblemContext;
  readonly problem: Problem;
  /** as the problem has it: a batch is one operation */
  readonly placed: readonly Placed[];
  readonly boundMin: number;
  readonly afreshDoneMin: number | null;
  readonly verified: Verified;
  readonly checkedOps: number;
}

/** Everything a screen needs of a finished plan: operations with waits and slack, finish, spine, what moved, stock, looks. */
export function report(input: PlanInput, found: Found, notices: readonly Notice[]): PlanAnswer {
  const { ctx, problem } = found;
  const placed = inFull(found.placed, ctx);
  const at = new Map(placed.map((p) => [p.opId, p]));
  const atInProblem = new Map(found.placed.map((p) => [p.opId, p]));
  const endOf = (id: string) => at.get(id)!.endMin;
  const slackOf = slacks(problem, found.placed);
  const ops = ctx.chains
    .flatMap((live) => live.chain.ops.map((op) => plannedOp(op, live, at.get(op.id)!, { ctx, endOf, slackOf, placed })))
    .sort((a, b) => a.startMin - b.startMin || (a.id < b.id ? -1 : 1));
  const finish = ctx.chains.filter((c) => c.chain.ops.length > 0).map((live) => finishOf(live, ctx, endOf));
  const cured = finish.map((f) => f.curedMin);
  const doneMin = Math.max(...finish.map((f) => f.doneMin));
  return {
    outcome: "planned",
    ops,
    finish,
    doneMin,
    curedMin: cured.some((c) => c === null) ? null : Math.max(...cured.map((c) => c!)),
    handsOnMin: handsOn(ops, ctx),
    spine: spineOf(ops, ctx),
    overrides: input.overrides.filter((o) => input.regions.some((r) => r.region.id === o.regionId)),
    notices: [...notices, ...oncePerLayer([...lateSeams(ctx, at), ...longerGaps(ctx, at)]), ...planNotices(ops, ctx)],
    caution: input.caution,
    verified: found.verified,
    delaysMin: Object.fromEntries(ctx.delaysMin),
    boundMin: Math.min(found.boundMin, doneMin),
    objective: ctx.wishes.objective,
    sessions: sessionsUsed(problem, atInProblem),
    cleanings: cleaningsOf(problem, atInProblem),
    overNight: overNight(ops, ctx),
    dueMin: ctx.wishes.dueMin,
    moved: movedFrom(input.before ?? {}, ops),
    afreshDoneMin: found.afreshDoneMin,
    stock: stockLines(ops, input.regions, input.productOf),
    followUps: followUps(finish, ctx),
    carryIns: carryIns(ops, ctx),
    checkedOps: found.checkedOps,
  };
}

/** What lies over night although its wait and the hours of the bench would have let it be gone on with. */
function overNight(ops: readonly PlannedOp[], ctx: ProblemContext): readonly OverNight[] {
  const byId = new Map(ops.map((op) => [op.id, op]));
  return ctx.chains.flatMap((live) => {
    const isSafe = cautionFor(live, ctx) === "safe";
    return nearTies(live).flatMap(({ tie, as }): OverNight[] => {
      const [from, to] = [byId.get(tie.from)!, byId.get(tie.to)!];
      if (to.state !== "planned") return [];
      const nights = nightsBetween(from.endMin, to.startMin);
      const overMin = (isSafe ? to.wait?.safeMin : to.wait?.likelyMin) ?? from.endMin;
      const opens = Math.max(from.endMin, overMin);
      const soonest = ctx.sessions.find((s) => s.endMin - Math.max(s.startMin, opens) >= to.handsOnMin);
      if (nights === 0 || !soonest || nightsBetween(from.endMin, Math.max(soonest.startMin, opens)) > 0) return [];
      return [{ regionId: live.chain.regionId, as, fromId: from.id, toId: to.id, nights }];
    });
  });
}

/** Members of a batch lie where the batch does. */
export const inFull = (placed: readonly Placed[], ctx: ProblemContext): readonly Placed[] =>
  placed.flatMap((p) => (ctx.batches.members.get(p.opId)?.ids ?? [p.opId]).map((opId) => ({ ...p, opId })));

/** Minutes still to work; a batch counts once. */
function handsOn(ops: readonly PlannedOp[], ctx: ProblemContext): number {
  return ops.reduce((sum, op) => {
    if (op.state === "done" || ctx.batches.aliasOf(op.id) !== op.id) return sum;
    return sum + (ctx.batches.members.get(op.id)?.minutes ?? op.handsOnMin);
  }, 0);
}

/** The finished timetable, as every piece of it is told against. */
interface Whole {
  readonly ctx: ProblemContext;
  readonly endOf: (id: string) => number;
  readonly slackOf: ReadonlyMap<string, Slack>;
  readonly placed: readonly Placed[];
}

function plannedOp(op: Operation, live: LiveChain, place: Placed, whole: Whole): PlannedOp {
  const { ctx, endOf, slackOf } = whole;
  const record = ctx.records.get(op.id);
  const air = airAt(ctx.airOf(op.regionId).climate, place.startMin);
  const { slackMin, windowShutsMin } = slackOf.get(ctx.batches.aliasOf(op.id))!;
  const batch = ctx.batches.members.get(ctx.batches.aliasOf(op.id))?.ids;
  return {
    ...op,
    startMin: place.startMin,
    endMin: place.endMin,
    boundBy: whyThen(op, place, live, whole),
    state: record ? (record.endMin === null ? "in-hand" : "done") : "planned",
    wait: waitReport(op.id, live, ctx, endOf, place.startMin),
    slackMin: record ? 0 : slackMin,
    latestMin: record ? null : Math.min(place.startMin + slackMin, windowShutsMin ?? Number.MAX_SAFE_INTEGER),
    locked: !record && own(ctx.wishes.locks, op.id) === place.startMin,
    ...(batch ? { batch } : {}),
    tempC: air.tempC,
    rhPct: air.rhPct,
  };
}

/**
 * What holds an operation where it is. One kept at the hour of an earlier plan is asked anew what it would run into if it were
 * sooner: its wait, the beginning of the session, or hands that are busy until then.
 */
function whyThen(op: Operation, place: Placed, live: LiveChain, { ctx, endOf, placed }: Whole): Placed["boundBy"] {
  if (place.boundBy.kind !== "release") return place.boundBy;
  const there = Math.max(own(ctx.wishes.away, op.regionId) ?? 0, ctx.heldMin.get(op.id) ?? 0);
  const { startMin } = place;
  if (there > startMin - GRID_MIN) return place.boundBy;
  const wait = waitReport(op.id, live, ctx, endOf, startMin);
  if (wait && (cautionFor(live, ctx) === "safe" ? wait.safeMin : wait.likelyMin) > startMin - GRID_MIN)
    return { kind: "link", linkId: `${wait.fromOpId}>${op.id}>` };
  if (ctx.sessions.some((s) => s.startMin > startMin - GRID_MIN && s.startMin <= startMin)) return { kind: "session" };
  const busy = placed.find((p) => p.endMin > startMin - GRID_MIN && p.endMin <= startMin && p.opId !== op.id);
  return busy ? { kind: "resource", resource: "hands", opId: busy.opId } : { kind: "kept" };
}

function movedFrom(before: Readonly<Record<string, number>>, ops: readonly PlannedOp[]): readonly Move[] {
  return ops.flatMap((op): Move[] => {
    const fromMin = own(before, op.id);
    return op.state !== "planned" || fromMin === undefined || fromMin === op.startMin
      ? []
      : [{ opId: op.id, fromMin, toMin: op.startMin }];
  });
}

function followUps(finish: readonly RegionFinish[], ctx: ProblemContext): readonly FollowUp[] {
  return finish.flatMap((f) =>
    ctx.habits.followUpDays.map((days) => ({ regionId: f.regionId, days, atMin: f.doneMin + days * MIN_PER_DAY })),
  );
}

/** Parts to bring in for the first coat of an evening that nothing else has brought in before. */
function carryIns(ops: readonly PlannedOp[], ctx: ProblemContext): readonly CarryIn[] {
  const warmUpMin = new Map(ctx.chains.map((c) => [c.chain.regionId, c.warmUpMin]));
  return ctx.sessions.flatMap((s) => {
    const own = ops.filter((o) => o.state === "planned" && o.startMin >= s.startMin && o.endMin <= s.endMin);
    const seen = new Set<string>();
    return own.flatMap((o): CarryIn[] => {
      const first = !seen.has(o.regionId);
      seen.add(o.regionId);
      if (!first || o.productId === null) return [];
      return [{ regionId: o.regionId, byMin: o.startMin - warmUpMin.get(o.regionId)!, opId: o.id }];
    });
  });
}

/** What can only be said once everything has its hour. */
function planNotices(ops: readonly PlannedOp[], ctx: ProblemContext): readonly Notice[] {
  const notices: Notice[] = [];
  for (const { chain, planned, rounds, roundsRefused } of ctx.chains) {
    const { regionId } = chain;
    if (roundsRefused) notices.push({ kind: "rounds-left-out", regionId });
    const mine = ops.filter((o) => o.regionId === regionId);
    const { region } = planned;
    if (ctx.caution === "likely" && region.finish === "show" && mine.some((o) => o.state === "planned" && o.wait))
      notices.push({ kind: "show-waits", regionId });
    if (rounds > 0 && mine.some((o) => o.round && o.state !== "done"))
      notices.push({ kind: "rounds-likely", regionId, rounds });
    const mask = mine.find((o) => o.kind === "mask" && o.layerId === null);
    const off = mine.find((o) => o.kind === "unmask" && o.layerId === null);
    const days = mask && off ? (off.startMin - mask.endMin) / MIN_PER_DAY : 0;
    if (days * MIN_PER_DAY > TAPE_LATEST_MIN.low) notices.push({ kind: "tape-long", regionId, days: Math.ceil(days) });
    for (const o of mine) {
      const potLifeMin = o.productId === null ? null : ctx.productOf(o.productId).potLifeMin;
      if (o.state !== "done" && potLifeMin !== null && o.handsOnMin > potLifeMin)
        notices.push({ kind: "pot-life", regionId, mixes: Math.ceil(o.handsOnMin / potLifeMin) });
    }
    const toBuy = new Set(mine.filter((o) => o.state === "planned").flatMap((o) => o.productId ?? []));
    for (const productId of toBuy)
      if (ctx.productOf(productId).owned === false)
        notices.push({
          kind: "to-buy",
          regionId,
          productId,
          byMin: Math.min(...mine.filter((o) => o.productId === productId).map((o) => o.startMin)),
        });
    if (mine.some((o) => o.state === "planned" && (own(ctx.wishes.locks, o.id) ?? ctx.nowMin) < ctx.nowMin))
      notices.push({ kind: "lock-passed", regionId });
  }
  return notices;
}

function finishOf(live: LiveChain, ctx: ProblemContext, endOf: (id: string) => number): RegionFinish {
  const last = live.chain.ops.at(-1)!;
  const coats = coatsUpTo(live.chain, last.id, live.filmUm, ctx.productOf, endOf);
  const cured = coats.length > 0 ? milestoneAfter(coats, "cured", ctx.airOf(live.chain.regionId).clock) : null;
  return {
    regionId: live.chain.regionId,
    doneMin: endOf(last.id),
    curedMin: cured?.outcome === "reached" ? cured.atMin : null,
  };
}

/** Starts are whole minutes, waits are not. */
const SAME_MIN = 1;
type Span = ReturnType<typeof spansOf>[number];

/** Seams that have to take a worse way than they were judged by, because the better one has passed or never falls into a session. */
function lateSeams(ctx: ProblemContext, at: ReadonlyMap<string, Placed>): readonly Notice[] {
  return ctx.chains.flatMap((live) =>
    live.chain.ties.flatMap((tie): Notice[] => {
      const { wait } = tie;
      const placed = at.get(tie.to);
      if (wait.kind !== "seam" || wait.fallback.length === 0 || !placed || ctx.records.has(tie.to)) return [];
      const coats = coatsUpTo(live.chain, tie.from, live.filmUm, ctx.productOf, (id) => at.get(id)!.endMin);
      const fromMin = at.get(tie.from)!.endMin;
      const better = wait.waits.filter((w) => !wait.fallback.some((f) => f.wait === w));
      const context = {
        coats,
        fromMin,
        clock: ctx.airOf(live.chain.regionId).clock,
        caution: cautionFor(live, ctx),
        notYet: null,
      };
      const ways = (waits: typeof better) => spansOf({ ...wait, waits }, context);
      const notPast = (s: Span) => s.endMin === null || placed.startMin <= s.endMin;
      const within = (s: Span) => notPast(s) && placed.startMin >= s.startMin - SAME_MIN;
      if (ways(better).some(within)) return [];
      // a worse way may lie before the better one as well as after it
      const taken = wait.fallback.find((f) => ways([f.wait]).some(within));
      const way = taken ?? (ways(better).some(notPast) ? null : wait.fallback[0]!);
      const { regionId } = live.chain;
      const layer = layerOf(live, tie.to);
      return (way?.codes ?? []).map((code) => ({ kind: "verdict", regionId, verdict: "care", code, layer }));
    }),
  );
}

/** Typed gaps that are too short in the plan's own air. */
function longerGaps(ctx: ProblemContext, at: ReadonlyMap<string, Placed>): readonly Notice[] {
  return ctx.chains.flatMap((live) =>
    live.chain.ties.flatMap((tie): Notice[] => {
      const { wait } = tie;
      const typed = wait.kind === "seam" ? wait.waits[0] : undefined;
      if (typed?.until !== "gap" || ctx.records.has(tie.to) || !at.has(tie.to)) return [];
      const coats = coatsUpTo(live.chain, tie.from, live.filmUm, ctx.productOf, (id) => at.get(id)!.endMin);
      const fromMin = at.get(tie.from)!.endMin;
      const { clock } = ctx.airOf(live.chain.regionId);
      const [first] = spansOf(wait, { coats, fromMin, clock, caution: cautionFor(live, ctx), notYet: null });
      const neededMin = first ? first.startMin - fromMin : 0;
      if (neededMin <= typed.gapMin + GRID_MIN) return [];
      const { regionId } = live.chain;
      return [{ kind: "gap-longer", regionId, layer: layerOf(live, tie.to), typedMin: typed.gapMin, neededMin }];
    }),
  );
}

/** Every face of a part that is turned has its own ties; what they say of a layer is told once, by the face that needs longest. */
function oncePerLayer(notices: readonly Notice[]): readonly Notice[] {
  const told = new Map<string, Notice>();
  for (const n of notices) {
    const { neededMin: _, ...what } = { neededMin: 0, ...n };
    const key = JSON.stringify(what);
    const before = told.get(key);
    if (before?.kind === "gap-longer" && n.kind === "gap-longer" && before.neededMin >= n.neededMin) continue;
    told.set(key, n);
  }
  return [...told.values()];
}

/** Index of the layer an operation works on. */
const layerOf = (live: LiveChain, opId: string): number => {
  const layerIds = [...new Set(live.chain.ops.flatMap((o) => o.layerId ?? []))];
  return layerIds.indexOf(live.chain.ops.find((o) => o.id === opId)!.layerId!);
};

/** Walks back from the operation that ends last along what held each one up. */
function spineOf(ops: readonly PlannedOp[], ctx: ProblemContext): readonly string[] {
  const at = new Map(
    ops.map((o): [string, Placed] => [
      o.id,
      { opId: o.id, startMin: o.startMin, endMin: o.endMin, boundBy: o.boundBy },
    ]),
  );
  const ties = [...ctx.chains.flatMap((c) => c.chain.ties), ...ctx.cross.map((c) => c.tie)];
  const fromOf = new Map(ties.map((t) => [linkId(t), t.from]));
  const before = new Map(ties.map((t) => [t.to, t.from]));
  const spine: string[] = [];
  let p: Placed | undefined = [...at.values()].reduce<Placed | undefined>(
    (a, b) => (a === undefined || b.endMin > a.endMin ? b : a),
    undefined,
  );
  while (p && !spine.includes(p.opId)) {
    spine.unshift(p.opId);
    const { boundBy }: Placed = p;
    const next: string | undefined =
      boundBy.kind === "link" || boundBy.kind === "window"
        ? (fromOf.get(boundBy.linkId) ?? before.get(p.opId))
        : boundBy.kind === "resource" || boundBy.kind === "air"
          ? boundBy.opId
          : before.get(p.opId);
    p = next === undefined ? undefined : at.get(next);
  }
  return spine;
}
