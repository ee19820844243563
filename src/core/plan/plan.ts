import { assert } from "../base";
import { airAt, type GateReason, gateReason, milestoneAfter } from "../film";
import { checkSchedule, type Genes, type Placed, type Schedule, solve } from "../schedule";
import { airsOf } from "./airs";
import type { JudgeAnswer } from "./judge";
import { coatsUpTo, type Operation, type Tie } from "./operations";
import { type LiveChain, linkId, liveChain, type ProblemContext, problemOf, putBack } from "./problem";
import { judgeRegion } from "./region";
import type {
  Notice,
  PlanAnswer,
  PlanInput,
  PlannedOp,
  PlanRegion,
  RefusedStop,
  RegionFinish,
  Verified,
  WaitReport,
} from "./types";
import { verifyWaits } from "./verify";
import { milestoneOf, spansOf, waitAssumed } from "./wait";

/**
 * planModel
 *
 *   regions ──1 judge──► verdicts ──2 refuse?──► stop here, naming every stop that has no reason written for it
 *                           │
 *                     seam waits, prep
 *                           ▼
 *   log ─────────────3 chains──► operations and waits, as the log has made them
 *                           ▼
 *   air ──prefix clock──4 problem──► ops, links, gates, sessions
 *                           ▼
 *                       5 solve ──► places, or the one thing in the way
 *                           ▼            ▲
 *                       6 check ──► the referee finds nothing, or that is our bug
 *                           ▼            │ put back
 *   air ──film model────7 verify ──► waits too short in the plan's own hours
 *                           ▼
 *                       8 report ──► operations with their waits, finish, spine, notices
 */
export function planModel(input: PlanInput): PlanAnswer {
  const { judged, notices } = judgeAll(input);
  const stops = judged.flatMap(({ region, answer }) => openStops(region, answer, input));
  if (stops.length > 0) return { outcome: "refused", stops, notices };
  const ctx = contextOf(input, judged);
  if (ctx.chains.every((c) => c.chain.ops.length === 0)) return { outcome: "nothing-to-plan", notices };
  const solved = solveVerified(ctx);
  if (solved.schedule.outcome === "conflict") return conflictReport(solved.schedule, solved.ctx, notices);
  const { placed, boundMin } = solved.schedule;
  return report(input, solved, { placed, boundMin }, [...notices, ...assumptions(judged)]);
}

interface Solved {
  readonly schedule: Schedule;
  /** with the delays the film model asked for */
  readonly ctx: ProblemContext;
  readonly verified: Verified;
  readonly checkedOps: number;
}

/** How often a plan is looked through and mended before it is handed out as it is, with what is left told. */
const ROUNDS = 4;
/** Placements a plan is searched for with, and how many more once some waits were put back. */
const FIRST_TRIES = 60;
const REPAIR_TRIES = 12;

/** Solves, has the referee walk the rules, has the film model walk the waits, puts back what came too early, and again. */
function solveVerified(start: ProblemContext): Solved {
  let ctx = start;
  let before: Genes | null = null;
  const putBack = new Set<string>();
  for (let round = 1; ; round++) {
    const problem = problemOf(ctx);
    const schedule: Schedule = solve(problem, before ? { tries: REPAIR_TRIES, start: before } : { tries: FIRST_TRIES });
    const checkedOps = problem.ops.length;
    if (schedule.outcome === "conflict")
      return { schedule, ctx, verified: { waits: 0, putBack: putBack.size, early: 0, earlyMin: 0 }, checkedOps };
    const faults = checkSchedule(problem, schedule.placed);
    assert(faults.length === 0, `the plan breaks its own rules: ${JSON.stringify(faults.slice(0, 3))}`);
    const { waits, early } = verifyWaits(ctx, schedule.placed);
    const earlyMin = Math.max(0, ...early.map((e) => e.byMin));
    const verified = { waits, putBack: putBack.size, early: early.length, earlyMin };
    if (early.length === 0 || round === ROUNDS) return { schedule, ctx, verified, checkedOps };
    const delaysMin = new Map(ctx.delaysMin);
    for (const e of early) {
      putBack.add(e.linkId);
      delaysMin.set(e.linkId, Math.max(e.delayMin, (delaysMin.get(e.linkId) ?? 0) + e.byMin));
    }
    ctx = { ...ctx, delaysMin };
    before = schedule.genes;
  }
}

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
    for (const v of answer.verdicts) {
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

/** Stops nobody has answered for. A reason counts only against a finish stop. */
function openStops(r: PlanRegion, answer: JudgedRegion["answer"], input: PlanInput): readonly RefusedStop[] {
  const reasons = new Set(
    input.overrides.filter((o) => o.regionId === r.region.id && o.reason.trim() !== "").map((o) => o.key),
  );
  return answer.verdicts
    .filter((v) => v.verdict === "stop" && (v.kind === "safety" || !reasons.has(v.key)))
    .map((v) => ({ regionId: r.region.id, verdict: v }));
}

function assumptions(judged: readonly JudgedRegion[]): readonly Notice[] {
  return judged.flatMap(({ region, answer }): Notice[] => [
    ...(region.region.areaCm2 === null ? [{ kind: "area-assumed" as const, regionId: region.region.id }] : []),
    ...(answer.assumed.length > 0 ? [{ kind: "waits-assumed" as const, regionId: region.region.id }] : []),
  ]);
}

function contextOf(input: PlanInput, judged: readonly JudgedRegion[]): ProblemContext {
  const records = new Map(input.records.map((r) => [r.opId, r]));
  const chains = judged.map(({ region, answer }) => liveChain(region, answer.seams, input.productOf, records));
  return {
    chains,
    productOf: input.productOf,
    records,
    notYetMin: new Map(input.notYet.map((n) => [n.opId, n.atMin])),
    airOf: airsOf(input),
    delaysMin: new Map(),
    caution: input.caution,
    sessions: input.sessions,
    nowMin: input.nowMin,
    horizonMin: input.horizonMin,
  };
}

function conflictReport(
  schedule: Extract<Schedule, { outcome: "conflict" }>,
  ctx: ProblemContext,
  notices: readonly Notice[],
): PlanAnswer {
  const { conflict } = schedule;
  const ops = ctx.chains.flatMap((c) => c.chain.ops);
  const op = ops.find((o) => o.id === conflict.opId);
  assert(op, "a conflict names an operation of the plan");
  const tie =
    "linkId" in conflict
      ? ctx.chains.flatMap((c) => c.chain.ties).find((t) => linkId(t) === conflict.linkId)
      : undefined;
  const gate =
    op.productId === null || conflict.kind !== "gate-shut" ? null : shutReason(op.productId, op.regionId, ctx);
  return {
    outcome: "conflict",
    conflict,
    op,
    from: tie ? (ops.find((o) => o.id === tie.from) ?? null) : null,
    gateReason: gate,
    notices,
  };
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

function report(
  input: PlanInput,
  { ctx, verified, checkedOps }: Solved,
  { placed, boundMin }: { readonly placed: readonly Placed[]; readonly boundMin: number },
  notices: readonly Notice[],
): PlanAnswer {
  const at = new Map(placed.map((p) => [p.opId, p]));
  const endOf = (id: string) => at.get(id)!.endMin;
  const ops = ctx.chains.flatMap((live) => live.chain.ops.map((op) => plannedOp(op, live, at.get(op.id)!, ctx, endOf)));
  const finish = ctx.chains.filter((c) => c.chain.ops.length > 0).map((live) => finishOf(live, ctx, endOf));
  const cured = finish.map((f) => f.curedMin);
  return {
    outcome: "planned",
    ops: ops.sort((a, b) => a.startMin - b.startMin || (a.id < b.id ? -1 : 1)),
    finish,
    doneMin: Math.max(...finish.map((f) => f.doneMin)),
    curedMin: cured.some((c) => c === null) ? null : Math.max(...cured.map((c) => c!)),
    handsOnMin: ops.reduce((sum, op) => sum + (op.state === "done" ? 0 : op.handsOnMin), 0),
    spine: spineOf(placed, ctx),
    overrides: input.overrides.filter((o) => input.regions.some((r) => r.region.id === o.regionId)),
    notices: [...notices, ...lateSeams(ctx, at)],
    caution: input.caution,
    verified,
    boundMin: Math.min(boundMin, Math.max(...finish.map((f) => f.doneMin))),
    checkedOps,
  };
}

function plannedOp(
  op: Operation,
  live: LiveChain,
  place: Placed,
  ctx: ProblemContext,
  endOf: (id: string) => number,
): PlannedOp {
  const record = ctx.records.get(op.id);
  const air = airAt(ctx.airOf(op.regionId).climate, place.startMin);
  return {
    ...op,
    startMin: place.startMin,
    endMin: place.endMin,
    boundBy: place.boundBy,
    state: record ? (record.endMin === null ? "in-hand" : "done") : "planned",
    wait: waitReport(op.id, live, ctx, endOf),
    tempC: air.tempC,
    rhPct: air.rhPct,
  };
}

type WaitWorld = Pick<ProblemContext, "productOf" | "notYetMin" | "airOf" | "delaysMin">;

/** The wait that ends last before an operation; null when it waits for nothing. */
export function waitReport(
  opId: string,
  live: LiveChain,
  ctx: WaitWorld,
  endOf: (id: string) => number,
): WaitReport | null {
  const reports = live.chain.ties
    .filter((t) => t.to === opId && t.wait.kind !== "none")
    .map((t) => reportOf(t, live, ctx, endOf));
  const real = reports.filter((r): r is WaitReport => r !== null);
  if (real.length === 0) return null;
  const last = real.reduce((a, b) => (b.likelyMin > a.likelyMin ? b : a));
  const shuts = real.map((r) => r.shutsMin).filter((s): s is number => s !== null);
  return {
    ...last,
    safeMin: Math.max(...real.map((r) => r.safeMin)),
    shutsMin: shuts.length > 0 ? Math.min(...shuts) : null,
  };
}

function reportOf(tie: Tie, live: LiveChain, ctx: WaitWorld, endOf: (id: string) => number): WaitReport | null {
  const coats = coatsUpTo(live.chain, tie.from, live.filmUm, ctx.productOf, endOf);
  const fromMin = endOf(tie.from);
  const { clock } = ctx.airOf(live.chain.regionId);
  const delayMin = ctx.delaysMin.get(linkId(tie)) ?? 0;
  const spans = (caution: "likely" | "safe") =>
    putBack(
      spansOf(tie.wait, { coats, fromMin, clock, caution, notYetMin: ctx.notYetMin.get(tie.to) ?? null }),
      delayMin,
    );
  const likely = spans("likely")[0];
  const milestone = milestoneOf(tie.wait);
  if (!likely || milestone === null) return null;
  const safe = spans("safe")[0] ?? likely;
  return {
    milestone,
    fromOpId: tie.from,
    fromMin,
    likelyMin: likely.startMin,
    safeMin: Math.max(likely.startMin, safe.startMin),
    shutsMin: likely.endMin,
    assumed: waitAssumed(tie.wait, coats),
  };
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

/** Seams that have to take a worse way than they were judged by, because the better one has passed. */
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
        caution: ctx.caution,
        notYetMin: null,
      };
      const inTime = spansOf({ ...wait, waits: better }, context).some(
        (s) => s.endMin === null || placed.startMin <= s.endMin,
      );
      if (inTime) return [];
      const regionId = live.chain.regionId;
      const layerIds = [...new Set(live.chain.ops.flatMap((o) => o.layerId ?? []))];
      const layer = layerIds.indexOf(live.chain.ops.find((o) => o.id === tie.to)!.layerId!);
      return wait.fallback[0]!.codes.map((code) => ({ kind: "verdict", regionId, verdict: "care", code, layer }));
    }),
  );
}

/** Walks back from the operation that ends last along what held each one up. */
function spineOf(placed: readonly Placed[], ctx: ProblemContext): readonly string[] {
  const at = new Map(placed.map((p) => [p.opId, p]));
  const fromOf = new Map(ctx.chains.flatMap((c) => c.chain.ties).map((t) => [linkId(t), t.from]));
  const before = new Map(ctx.chains.flatMap((c) => c.chain.ties).map((t) => [t.to, t.from]));
  const spine: string[] = [];
  let p: Placed | undefined = placed.reduce<Placed | undefined>(
    (a, b) => (a === undefined || b.endMin > a.endMin ? b : a),
    undefined,
  );
  while (p && !spine.includes(p.opId)) {
    spine.unshift(p.opId);
    const { boundBy }: Placed = p;
    const next: string | undefined =
      boundBy.kind === "link" || boundBy.kind === "window"
        ? fromOf.get(boundBy.linkId)
        : boundBy.kind === "resource"
          ? boundBy.opId
          : before.get(p.opId);
    p = next === undefined ? undefined : at.get(next);
  }
  return spine;
}
