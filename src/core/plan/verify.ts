import { type AppliedCoat, type Aspect, dryAtByModel, runPile } from "../film";
import type { Placed, Span } from "../schedule";
import { aspectsOf, coatsUpTo, piecesOf, spansOf, type Tie, type WaitContext } from "../work";
import { cautionFor, type LiveChain, linkId, type ProblemContext } from "./problem";

/** A wait the film model finds too short in the plan's own hours. */
interface EarlyWait {
  readonly linkId: string;
  readonly opId: string;
  /** how much sooner the plan has it than the film model */
  readonly byMin: number;
  /** what the wait clock must be put back by, at these hours */
  readonly delayMin: number;
}
export interface Verification {
  /** waits on films in the plan */
  readonly waits: number;
  /** those of them the model was not asked of: they have so much more time than they need */
  readonly wide: number;
  readonly early: readonly EarlyWait[];
}

/** Cells per coat for a whole plan: half of what a single question gets; off by 1.0 % at the worst of the demo shelf (the bench). */
const CELLS = 12;
/** Nobody starts a coat to the minute: the film model and the plan may differ by this. */
const TOLERANCE_MIN = 1;
const LOOK_ON_MIN = 10 * 1440;
/**
 * The wait clock is off by a sixth of the film model at the worst (measured on the demo and on a made-up bench of twenty-five parts): what has
 * three times as long as the clock asks for, and an hour at the least, cannot be too short.
 */
const WIDE = { times: 3, leastMin: 60 } as const;

type Films = Pick<ProblemContext, "chains" | "productOf" | "records" | "notYet" | "airOf" | "delaysMin" | "caution"> &
  Partial<Pick<ProblemContext, "batches">>;

/** What the model said of a wait at the hours it was asked for; a plan mended here and there asks anew only where hours changed. */
export type Looked = Map<string, { readonly hours: string; readonly found: EarlyWait | null }>;

/**
 * Runs the films of a plan through the film model in the plan's own hours and air, wait by wait, but for those that have far more
 * time than they need.
 * @param looked kept from round to round
 * @param wanted asked before each part; may throw, to give it all up
 * @param skipsWide false = every wait is looked at
 */
export function verifyWaits(
  ctx: Films,
  placed: readonly Placed[],
  looked: Looked = new Map(),
  wanted: () => void = () => undefined,
  skipsWide = true,
): Verification {
  const at = new Map(placed.map((p) => [p.opId, p]));
  let waits = 0;
  let wide = 0;
  const early: EarlyWait[] = [];
  for (const live of ctx.chains) {
    wanted();
    for (const tie of live.chain.ties) {
      const aspects = aspectsOf(tie.wait);
      if (aspects === null || ctx.records.has(tie.to) || !at.has(tie.to)) continue;
      const { wait } = tie;
      const pieces = piecesOf(live, (id) => at.get(id)!.endMin, ctx.batches).map(
        ({ endOf, turnMin }): LaidPiece => ({
          coats: coatsUpTo(live.chain, tie.from, live.filmUm, ctx.productOf, endOf),
          fromMin: endOf(tie.from),
          startMin: at.get(tie.to)!.startMin + turnMin(tie.to),
        }),
      );
      if (pieces[0]!.coats.length === 0) continue;
      waits += 1;
      if (skipsWide && pieces.every((p) => isWide(ctx, live, tie, p))) {
        wide += 1;
        continue;
      }
      const hours = JSON.stringify([
        wait,
        ctx.notYet.get(tie.to),
        pieces.map((p) => [p.startMin, p.fromMin, p.coats.map((c) => [c.product.id, c.wftUm, c.endMin, c.rubbed])]),
      ]);
      const known = looked.get(linkId(tie));
      const found = known?.hours === hours ? known.found : worst(pieces.map((p) => lookAt(ctx, live, tie, aspects, p)));
      looked.set(linkId(tie), { hours, found });
      if (found) early.push(found);
    }
  }
  return { waits, wide, early };
}

/** One piece of a row: its films, and when what follows begins on it. */
interface LaidPiece {
  readonly coats: readonly AppliedCoat[];
  readonly fromMin: number;
  readonly startMin: number;
}

const worst = (found: readonly (EarlyWait | null)[]): EarlyWait | null =>
  found.reduce((a, b) => (a === null || (b !== null && b.byMin > a.byMin) ? b : a));

const contextOf = (ctx: Films, live: LiveChain, tie: Tie, { coats, fromMin }: LaidPiece): WaitContext => ({
  coats,
  fromMin,
  clock: ctx.airOf(live.chain.regionId).clock,
  caution: cautionFor(live, ctx),
  notYet: ctx.notYet.get(tie.to) ?? null,
});

/** It begins in a span that never shuts, long after it opened. */
function isWide(ctx: Films, live: LiveChain, tie: Tie, piece: LaidPiece): boolean {
  const { fromMin, startMin } = piece;
  const own = spansOf(tie.wait, contextOf(ctx, live, tie, piece)).find(
    (s) => s.endMin === null || s.endMin >= startMin,
  );
  if (!own || own.endMin !== null) return false;
  return startMin - fromMin >= Math.max(WIDE.leastMin, WIDE.times * (own.startMin - fromMin));
}

function lookAt(ctx: Films, live: LiveChain, tie: Tie, aspects: readonly Aspect[], piece: LaidPiece): EarlyWait | null {
  const { coats, startMin } = piece;
  const { climate, clock } = ctx.airOf(live.chain.regionId);
  const untilMin = Math.min(clock.toMin, startMin + LOOK_ON_MIN);
  const { metMin } = runPile(coats, climate, untilMin, { cellsPerCoat: CELLS }, aspects);
  const { wait } = tie;
  const context = contextOf(ctx, live, tie, piece);
  const byModel = spansOf(wait, { ...context, dryAt: dryAtByModel(coats, metMin) });
  const opens = opening(byModel, startMin);
  if (opens === null || startMin >= opens - TOLERANCE_MIN) return null;
  const byClock = opening(spansOf(wait, context), startMin) ?? startMin;
  return {
    linkId: linkId(tie),
    opId: tie.to,
    byMin: opens - startMin,
    delayMin: Math.max(opens - byClock, opens - startMin),
  };
}

/** When the span that holds a moment opens, or the next one does; null = none opens at all. */
function opening(spans: readonly Span[], startMin: number): number | null {
  const own = spans.find((s) => s.endMin === null || s.endMin >= startMin);
  return own ? own.startMin : null;
}
