import { type AppliedCoat, type Aspect, dryAtByModel, runPile } from "../film";
import type { Placed, Span } from "../schedule";
import { aspectsOf, coatsUpTo, piecesOf, spansOf, type Tie } from "../work";
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
  /** waits on films the model looked at */
  readonly waits: number;
  readonly early: readonly EarlyWait[];
}

/** Cells per coat for a whole plan: half of what a single question gets; off by 1.0 % at the worst of the demo shelf (the bench). */
const CELLS = 12;
/** Nobody starts a coat to the minute: the film model and the plan may differ by this. */
const TOLERANCE_MIN = 1;
const LOOK_ON_MIN = 10 * 1440;

type Films = Pick<ProblemContext, "chains" | "productOf" | "records" | "notYet" | "airOf" | "delaysMin" | "caution"> &
  Partial<Pick<ProblemContext, "batches">>;

/** What the model said of a wait at the hours it was asked for; a plan mended here and there asks anew only where hours changed. */
export type Looked = Map<string, { readonly hours: string; readonly found: EarlyWait | null }>;

/**
 * Runs every film of a plan through the film model in the plan's own hours and air, wait by wait.
 * @param looked kept from round to round
 * @param wanted asked before each part; may throw, to give it all up
 */
export function verifyWaits(
  ctx: Films,
  placed: readonly Placed[],
  looked: Looked = new Map(),
  wanted: () => void = () => undefined,
): Verification {
  const at = new Map(placed.map((p) => [p.opId, p]));
  let waits = 0;
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
  return { waits, early };
}

/** One piece of a row: its films, and when what follows begins on it. */
interface LaidPiece {
  readonly coats: readonly AppliedCoat[];
  readonly fromMin: number;
  readonly startMin: number;
}

const worst = (found: readonly (EarlyWait | null)[]): EarlyWait | null =>
  found.reduce((a, b) => (a === null || (b !== null && b.byMin > a.byMin) ? b : a));

function lookAt(
  ctx: Films,
  live: LiveChain,
  tie: Tie,
  aspects: readonly Aspect[],
  { coats, fromMin, startMin }: LaidPiece,
): EarlyWait | null {
  const { climate, clock } = ctx.airOf(live.chain.regionId);
  const untilMin = Math.min(clock.toMin, startMin + LOOK_ON_MIN);
  const { metMin } = runPile(coats, climate, untilMin, { cellsPerCoat: CELLS }, aspects);
  const { wait } = tie;
  const context = { coats, fromMin, clock, caution: cautionFor(live, ctx), notYet: ctx.notYet.get(tie.to) ?? null };
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
