/** A part that finds no room by its best ways may take the ways judged worse that are no stop; nothing else is let go. */

import type { Tie } from "../work";
import { cautionFor, type ProblemContext, rowSpans } from "./problem";

type SeamTie = Tie & { readonly wait: Extract<Tie["wait"], { kind: "seam" }> };

const worse = ({ waits, fallback }: SeamTie["wait"]): boolean => fallback.some((f) => !waits.includes(f.wait));

const hasWorseWays = (tie: Tie): tie is SeamTie => tie.wait.kind === "seam" && worse(tie.wait);

const withWorseWays = ({ wait, ...tie }: SeamTie): Tie => ({
  ...tie,
  wait: { ...wait, waits: [...wait.waits, ...wait.fallback.map((f) => f.wait)] },
});

const widened = (ctx: ProblemContext, wanted: (tie: SeamTie, live: ProblemContext["chains"][number]) => boolean) => ({
  ...ctx,
  chains: ctx.chains.map((live) => ({
    ...live,
    chain: {
      ...live.chain,
      ties: live.chain.ties.map((tie) => (hasWorseWays(tie) && wanted(tie, live) ? withWorseWays(tie) : tie)),
    },
  })),
});

/**
 * The seams of a part that cannot be laid out otherwise take the ways past their windows that are no stop, as a film does
 * that is down already: over a rub, say, once the window has shut. What that costs is told beside the plan, where it is
 * taken. Null = the part has none.
 */
export function withWiderSeams(ctx: ProblemContext, regionId: string): ProblemContext | null {
  const own = ctx.chains.find((c) => c.chain.regionId === regionId);
  return own?.chain.ties.some(hasWorseWays) ? widened(ctx, (_, live) => live === own) : null;
}

/** The same for a plan that lies already: every seam that it meets by a worse way. @param starts by operation */
export function widerFor(ctx: ProblemContext, starts: Readonly<Record<string, number>>): ProblemContext {
  return widened(ctx, (tie, live) => {
    const startMin = starts[tie.to];
    if (startMin === undefined || starts[tie.from] === undefined) return false;
    const endOf = (id: string) =>
      ctx.records.get(id)?.endMin ?? (starts[id] ?? ctx.nowMin) + (live.lastsMin.get(id) ?? 0);
    const asked = {
      clock: ctx.airOf(live.chain.regionId).clock,
      caution: cautionFor(live, ctx),
      notYet: ctx.notYet.get(tie.to) ?? null,
    };
    return !rowSpans(tie, live, ctx, endOf, asked).some(
      (s) => s.startMin <= startMin && (s.endMin === null || s.endMin >= startMin),
    );
  });
}
