import { type AppliedCoat, recoatWindows, type WaitClock } from "../film";
import type { Span } from "../schedule";
import { coatsUpTo, isWaitedFor, mayHaveGap, milestoneOf, type Tie, waitAssumed } from "../work";
import { type LiveChain, linkId, type ProblemContext, putBack, rowSpans } from "./problem";
import type { WaitReport } from "./types";

type WaitWorld = Pick<ProblemContext, "productOf" | "notYet" | "airOf" | "delaysMin"> &
  Partial<Pick<ProblemContext, "batches">>;

/**
 * The wait that ends last before an operation; null when it waits for nothing.
 * @param atMin when it is done or would be: of several windows the one that holds this moment is told, or the next
 */
export function waitReport(
  opId: string,
  live: LiveChain,
  ctx: WaitWorld,
  endOf: (id: string) => number,
  atMin: number,
): WaitReport | null {
  const reports = live.chain.ties
    .filter((t) => t.to === opId && isWaitedFor(t.wait))
    .map((t) => reportOf(t, live, ctx, endOf, atMin));
  const real = reports.filter((r): r is WaitReport => r !== null);
  if (real.length === 0) return null;
  const last = real.reduce((a, b) => (b.likelyMin > a.likelyMin ? b : a));
  const shuts = real.map((r) => r.shutsMin).filter((s): s is number => s !== null);
  return {
    ...last,
    safeMin: Math.max(...real.map((r) => r.safeMin)),
    shutsMin: shuts.length > 0 ? Math.min(...shuts) : null,
    forbidden: real.find((r) => r.forbidden !== null)?.forbidden ?? null,
  };
}

function reportOf(
  tie: Tie,
  live: LiveChain,
  ctx: WaitWorld,
  endOf: (id: string) => number,
  atMin: number,
): WaitReport | null {
  const coats = coatsUpTo(live.chain, tie.from, live.filmUm, ctx.productOf, endOf);
  const fromMin = endOf(tie.from);
  const { clock } = ctx.airOf(live.chain.regionId);
  const delayMin = ctx.delaysMin.get(linkId(tie)) ?? 0;
  const spans = (caution: "likely" | "safe") =>
    putBack(rowSpans(tie, live, ctx, endOf, { clock, caution, notYet: ctx.notYet.get(tie.to) ?? null }), delayMin);
  const all = spans("likely");
  const likely = spanAt(all, atMin);
  const milestone = milestoneOf(tie.wait, likely);
  if (!likely || milestone === null) return null;
  const safe = spanAt(spans("safe"), Math.max(atMin, likely.startMin)) ?? likely;
  return {
    milestone,
    fromOpId: tie.from,
    fromMin,
    likelyMin: likely.startMin,
    safeMin: Math.max(likely.startMin, safe.startMin),
    shutsMin: likely.endMin,
    forbidden: mayHaveGap(tie.wait) ? forbiddenGap(coats, clock) : null,
    assumed: waitAssumed(tie.wait, coats),
  };
}

/** The gap between a film's two windows in this air; null = it has none, or it opens again beyond the horizon. */
function forbiddenGap(coats: readonly AppliedCoat[], clock: WaitClock): WaitReport["forbidden"] {
  const [first, second] = coats.length > 0 ? recoatWindows(coats, clock) : [];
  return first?.shutMin != null && second ? { fromMin: first.shutMin, toMin: second.openMin } : null;
}

/** The span that holds a moment, or the next one; the last where none is left. */
const spanAt = (spans: readonly Span[], atMin: number): Span | undefined =>
  spans.find((s) => s.endMin === null || s.endMin >= atMin) ?? spans.at(-1);
