import { coatsUpTo, type Tie } from "./operations";
import { type LiveChain, linkId, type ProblemContext, putBack } from "./problem";
import type { WaitReport } from "./types";
import { milestoneOf, spansOf, waitAssumed } from "./wait";

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
