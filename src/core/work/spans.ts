import { milestoneAfter, NOT_YET_LEAST, progressAt, recoatWindows, shutFactor, waitFactor } from "../film";
import type { SeamWait } from "../judge";
import type { Milestone } from "../model";
import { familyFacts, ownGapMilestone } from "../reference";
import type { Span } from "../schedule";
import type { NotYet, WaitContext } from "./types";

/** When what follows may start: spans in absolute minutes, rising; none = never before the clock's horizon. */

/** What was seen is the last word: the time waited so far was too short, and what the sign lacks has to come first. */
export function afterLook(ctx: WaitContext, { atMin, lacks }: NotYet): number {
  const least = ctx.fromMin + NOT_YET_LEAST * (atMin - ctx.fromMin);
  if (lacks === null || ctx.coats.length === 0) return least;
  return Math.max(least, milestoneMin(ctx, lacks) ?? least);
}

/** What was found to be time is time from then on, until whatever shuts it anyway. */
export function openedBy(spans: readonly Span[], readyMin: number): readonly Span[] {
  const first = spans[0];
  if (!first) return from(readyMin);
  return first.startMin <= readyMin ? spans : [{ startMin: readyMin, endMin: first.endMin }, ...spans.slice(1)];
}

/** Spans cut to begin no sooner than a moment; those that shut before it are lost. */
export const notBefore = (spans: readonly Span[], leastMin: number): readonly Span[] =>
  spans
    .filter((s) => s.endMin === null || s.endMin > leastMin)
    .map((s) => ({ startMin: Math.max(s.startMin, leastMin), endMin: s.endMin }));

export const from = (startMin: number | null): readonly Span[] =>
  startMin === null ? [] : [{ startMin, endMin: null }];

export const later = (a: number | null, b: number): number | null => (a === null ? null : Math.max(a, b));

/** Soft from touch-dry until it may be handled; hard once it can be sanded (est.: tape and film differ, a coupon knows better). */
export function unmaskSpans(leastMin: number | null, ctx: WaitContext): readonly Span[] {
  const touch = milestoneMin(ctx, "touch");
  if (touch === null) return [];
  if (leastMin !== null) return from(Math.max(touch, ctx.fromMin + leastMin));
  const handle = milestoneMin(ctx, "handle");
  if (handle === null) return from(touch);
  const hard = milestoneMin(ctx, "sandable");
  // where a film may be held as soon as it is touch dry, its edge is soft for about as long again
  const soft = { startMin: touch, endMin: Math.max(handle, touch + SOFT_EDGE_OF_TOUCH * (touch - ctx.fromMin)) };
  return hard === null ? [soft] : merge([soft, { startMin: Math.max(hard, handle), endMin: null }]);
}

/** After touch dry an edge stays soft for at least this share of the time that took (est.). */
const SOFT_EDGE_OF_TOUCH = 1;

export function bareFactor(ctx: WaitContext, law: "part-dry" | "wipe", refMin: number): number {
  const ratio =
    ctx.notYet === null || ctx.notYet.ready || ctx.notYet.atMin <= ctx.fromMin
      ? null
      : ctx.clock.elapsedRef(law, ctx.fromMin, ctx.notYet.atMin) / refMin;
  return waitFactor(ctx.caution, ratio);
}

function factorFor(ctx: WaitContext, milestone: Milestone): number {
  const ratio =
    ctx.notYet === null || ctx.notYet.ready || ctx.notYet.atMin <= ctx.fromMin
      ? null
      : progressAt(ctx.coats, milestone, ctx.clock, ctx.notYet.atMin);
  return waitFactor(ctx.caution, ratio, paceOf(ctx));
}
/** As the shed has taught of the film that is waited for. */
const paceOf = (ctx: WaitContext) => ctx.coats.at(-1)?.product.pace ?? null;

export function milestoneMin(ctx: WaitContext, milestone: Milestone): number | null {
  const a = milestoneAfter(ctx.coats, milestone, ctx.clock, factorFor(ctx, milestone), ctx.dryAt);
  return a.outcome === "reached" ? a.atMin : null;
}

const windowsOf = (ctx: WaitContext) =>
  recoatWindows(ctx.coats, ctx.clock, factorFor(ctx, "recoat"), shutFactor(ctx.caution, paceOf(ctx)), ctx.dryAt);

/**
 * Own next coat: from its own gap (flash, or what a putty's skin waits for) until the first window shuts, then any later window;
 * never in a forbidden gap, and never sooner than the user wants them apart.
 */
export function flashSpans(ctx: WaitContext, apartMin: number | null): readonly Span[] {
  const { product } = ctx.coats.at(-1)!;
  const ready = milestoneMin(ctx, ownGapMilestone(product));
  if (ready === null) return [];
  const spans = windowsOf(ctx).map(
    (w, i): Span => ({ startMin: i === 0 ? ready : Math.max(ready, w.openMin), endMin: w.shutMin }),
  );
  const afterLast = spans.at(-1)?.endMin ?? null;
  const mayReturn = product.family === "unknown" || !familyFacts(product.family).mustScuffWhenMissed;
  // a film that needs no scuff takes its own next coat once it is hard, even past its window
  const hard = afterLast !== null && mayReturn ? milestoneMin(ctx, "cured") : null;
  const own = merge(hard === null ? spans : [...spans, { startMin: Math.max(hard, afterLast!), endMin: null }]);
  return apartMin === null ? own : notBefore(own, ctx.fromMin + apartMin);
}

/** Ways come soonest first: once one never shuts, the later ones add nothing. */
export function seamUnion(waits: readonly SeamWait[], ctx: WaitContext): readonly Span[] {
  const spans: Span[] = [];
  for (const w of waits) {
    spans.push(...seamSpans(w, ctx));
    if (spans.at(-1)?.endMin === null) break;
  }
  return merge(spans);
}

function seamSpans(wait: SeamWait, ctx: WaitContext): readonly Span[] {
  if (wait.until === "gap") {
    const typed = ctx.fromMin + wait.gapMin;
    // a typed gap holds as the least: in this air the film may be in another state by then than it was judged in
    return wait.within.length === 0 ? from(typed) : notBefore(seamUnion(wait.within, ctx), typed);
  }
  const windows = windowsOf(ctx);
  if (wait.until === "window") {
    const w = windows[wait.index];
    if (!w) return [];
    const dryMin = wait.dry ? milestoneMin(ctx, "sandable") : w.openMin;
    return dryMin === null ? [] : [{ startMin: Math.max(w.openMin, dryMin), endMin: w.shutMin }];
  }
  if (wait.until === "missed") {
    const shutMin = windows.at(-1)?.shutMin ?? null;
    return shutMin === null ? [] : from(Math.max(shutMin, milestoneMin(ctx, "sandable") ?? shutMin));
  }
  const own = milestoneMin(ctx, wait.until);
  const open = windows.at(-1)?.openMin ?? null;
  return own === null || open === null ? [] : from(Math.max(own, open));
}

/** Rising, overlapping ones joined; a span that shuts before it opens is dropped. */
export function merge(spans: readonly Span[]): readonly Span[] {
  const rising = spans
    .filter((s) => s.endMin === null || s.endMin > s.startMin)
    .sort((a, b) => a.startMin - b.startMin);
  const joined: Span[] = [];
  for (const s of rising) {
    const last = joined.at(-1);
    if (last && (last.endMin === null || s.startMin <= last.endMin)) {
      joined[joined.length - 1] = {
        startMin: last.startMin,
        endMin: last.endMin === null || s.endMin === null ? null : Math.max(last.endMin, s.endMin),
      };
    } else joined.push(s);
  }
  return joined;
}
