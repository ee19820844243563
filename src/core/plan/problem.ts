import { type Climate, gateSpans } from "../film";
import type { BenchSession, Caution, Product } from "../model";
import { firstDrink } from "../reference";
import type { Link, Op, Problem, Span } from "../schedule";
import type { AirOf } from "./airs";
import type { SeamPlan } from "./judge";
import { type Chain, chainOf, coatsUpTo, type Operation, type OpRecord, type Tie, withHistory } from "./operations";
import type { PlanRegion } from "./types";
import { canShut, estimateMin, spansOf } from "./wait";

/** One region's work with what has already happened to it. */
export interface LiveChain {
  readonly chain: Chain;
  readonly filmUm: ReadonlyMap<string, number>;
  readonly coveredBy: ReadonlyMap<string, string>;
}

export const liveChain = (
  r: PlanRegion,
  seams: readonly (SeamPlan | null)[],
  productOf: (id: string) => Product,
  records: ReadonlyMap<string, OpRecord>,
): LiveChain => {
  const live = withHistory(chainOf(r.region, r.stack, seams, productOf), records);
  return {
    ...live,
    filmUm: afterDrink(r, live.chain, live.filmUm),
    chain: { ...live.chain, ties: live.chain.ties.map((tie) => overDoneFilm(tie, records)) },
  };
};

/** The first coat on a porous face leaves less film than went on. */
function afterDrink(
  { region }: PlanRegion,
  chain: Chain,
  filmUm: ReadonlyMap<string, number>,
): ReadonlyMap<string, number> {
  const share = firstDrink(region.material, region.conditions.includes("sealed") || region.sealedBy != null);
  const first = chain.ops.find((o) => o.kind === "coat");
  if (share === 0 || !first) return filmUm;
  return new Map(filmUm).set(first.id, (filmUm.get(first.id) ?? 0) * (1 - share));
}

/** A film that is down already cannot be moved to meet its window: then the worse ways past it count too. */
function overDoneFilm(tie: Tie, records: ReadonlyMap<string, OpRecord>): Tie {
  const { wait } = tie;
  if (wait.kind !== "seam" || records.get(tie.from)?.endMin == null) return tie;
  return { ...tie, wait: { ...wait, waits: [...wait.waits, ...wait.fallback.map((f) => f.wait)] } };
}

export interface ProblemContext {
  readonly chains: readonly LiveChain[];
  readonly productOf: (id: string) => Product;
  readonly records: ReadonlyMap<string, OpRecord>;
  /** operation id → when someone last found it was not yet time for it */
  readonly notYetMin: ReadonlyMap<string, number>;
  readonly airOf: AirOf;
  /** by link: how much later it opens than the wait clock says, because the film model says so, minutes */
  readonly delaysMin: ReadonlyMap<string, number>;
  readonly caution: Caution;
  readonly sessions: readonly BenchSession[];
  readonly nowMin: number;
  readonly horizonMin: number;
}

/** Plans move in steps of five minutes: nobody starts a coat at 19:03. */
const GRID_MIN = 5;
const HANDS = 1;
const BOOTHS = 1;

export const linkId = (tie: Tie): string => `${tie.from}>${tie.to}>${tie.wait.kind}`;

/** The plan as a neutral scheduling problem; waits are asked of the given clock, so a second clock can check the first. */
export function problemOf(ctx: ProblemContext): Problem {
  const gates = gateCache(ctx);
  return {
    ops: ctx.chains.flatMap(({ chain }) => chain.ops.map((op) => opOf(op, ctx, gates))),
    links: ctx.chains.flatMap((live) => live.chain.ties.map((tie) => linkOf(tie, live, ctx))),
    capacity: { hands: HANDS, booth: BOOTHS },
    sessions: ctx.sessions.filter((s) => s.endMin > ctx.nowMin && s.startMin < ctx.horizonMin),
    nowMin: ctx.nowMin,
    gridMin: GRID_MIN,
  };
}

type GateOf = (regionId: string, productId: string) => ReturnType<typeof gateSpans>;

function gateCache(ctx: ProblemContext): GateOf {
  const byClimate = new Map<Climate, Map<string, ReturnType<typeof gateSpans>>>();
  return (regionId, productId) => {
    const { climate } = ctx.airOf(regionId);
    const known = byClimate.get(climate) ?? new Map<string, ReturnType<typeof gateSpans>>();
    byClimate.set(climate, known);
    const spans = known.get(productId) ?? gateSpans(ctx.productOf(productId), climate, ctx.sessions);
    known.set(productId, spans);
    return spans;
  };
}

function opOf(op: Operation, ctx: ProblemContext, gates: GateOf): Op {
  const record = ctx.records.get(op.id);
  return {
    id: op.id,
    durationMin: op.handsOnMin,
    needs: op.sprayed ? { hands: 1, booth: 1 } : { hands: 1 },
    releaseMin: ctx.nowMin,
    gate: op.productId === null ? null : gates(op.regionId, op.productId),
    fixed: record
      ? { startMin: record.startMin, endMin: record.endMin ?? Math.max(record.startMin + op.handsOnMin, ctx.nowMin) }
      : null,
  };
}

function linkOf(tie: Tie, live: LiveChain, ctx: ProblemContext): Link {
  const coatsAt = (endOf: (id: string) => number) => coatsUpTo(live.chain, tie.from, live.filmUm, ctx.productOf, endOf);
  const planned = coatsAt(() => 0);
  const { clock } = ctx.airOf(live.chain.regionId);
  const delayMin = ctx.delaysMin.get(linkId(tie)) ?? 0;
  return {
    id: linkId(tie),
    from: tie.from,
    to: tie.to,
    bounded: canShut(tie.wait, planned),
    estimateMin: estimateMin(tie.wait, planned),
    // a film may be dry when it is laid; what its wait really is, the bound asks it
    leastMin: 0,
    allowed: (endOf) =>
      putBack(
        spansOf(tie.wait, {
          coats: coatsAt(endOf),
          fromMin: endOf(tie.from),
          clock,
          caution: ctx.caution,
          notYetMin: ctx.notYetMin.get(tie.to) ?? null,
        }),
        delayMin,
      ),
  };
}

/** Spans that open later by what the film model found; one that would open after it shuts is lost. */
export const putBack = (spans: readonly Span[], delayMin: number): readonly Span[] =>
  delayMin === 0
    ? spans
    : spans
        .map((s) => ({ startMin: s.startMin + delayMin, endMin: s.endMin }))
        .filter((s) => s.endMin === null || s.endMin > s.startMin);
