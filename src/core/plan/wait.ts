import {
  type AppliedCoat,
  type DryAt,
  milestoneAfter,
  NOT_YET_LEAST,
  progressAt,
  recoatWindows,
  shutFactor,
  type WaitClock,
  waitFactor,
} from "../film";
import type { SeamPlan, SeamWait } from "../judge";
import type { Caution, Milestone } from "../model";
import { familyFacts, labelTimes, ownGapMilestone, WIPE_FLASH_MIN } from "../reference";
import type { Span } from "../schedule";

/** What stands between two operations of a region. */
export type Wait =
  | { readonly kind: "none" }
  /** water leaving a washed or wet-sanded face; minutes at reference air */
  | { readonly kind: "part-dry"; readonly refMin: number }
  /** wipe or degreaser leaving the face */
  | { readonly kind: "wipe-flash" }
  /** so many minutes whatever the air: a lamp, a joint */
  | { readonly kind: "fixed"; readonly minutes: number; readonly what: Settled }
  /** the film below has come so far: a face may be handled, tape may be laid */
  | { readonly kind: "milestone"; readonly milestone: "touch" | "handle" | "tape-safe"; readonly leastMin: number }
  /** tape comes off while the edge is soft, or once the film is hard; in between the edge tears */
  | { readonly kind: "unmask"; readonly leastMin: number | null }
  /** tape has to be off the part by then */
  | { readonly kind: "tape-limit"; readonly minutes: number }
  /** next coat of the same layer, no sooner than the user wants them apart */
  | { readonly kind: "flash"; readonly apartMin: number | null }
  | { readonly kind: "sandable" }
  /** next layer */
  | { readonly kind: "seam"; readonly waits: readonly SeamWait[]; readonly fallback: SeamPlan["fallback"] };

export const partDryWait = (refMin: number): Wait => ({ kind: "part-dry", refMin });

/** Somebody looked and it was not time: when, and which milestone the sign they saw is the want of, if it tells one. */
export interface NotYet {
  readonly atMin: number;
  readonly lacks: Milestone | null;
}

/** Looks that found an operation not ready, by its id. */
export const notYetById = (
  looks: readonly { readonly opId: string; readonly atMin: number; readonly lacks?: Milestone | null }[],
): ReadonlyMap<string, NotYet> => new Map(looks.map((n) => [n.opId, { atMin: n.atMin, lacks: n.lacks ?? null }]));

export interface WaitContext {
  /** coats on the face up to and including the one waited for; empty for waits on bare material */
  readonly coats: readonly AppliedCoat[];
  /** end of the operation waited for */
  readonly fromMin: number;
  readonly clock: WaitClock;
  readonly caution: Caution;
  /** when someone last looked and it was not there, and what the sign speaks of; null = nobody looked */
  readonly notYet: NotYet | null;
  /** answers for drying in place of the wait clock; the film model, where a plan is checked */
  readonly dryAt?: DryAt | undefined;
}

/** What a fixed time is waited for. */
export type Settled = "uv-box" | "joint" | "dust";
export type WaitedFor = Milestone | "part-dry" | "wipe-flash" | Settled;

/** The milestone a wait is told by, for words and rings. @param span the one it falls into, where that is known */
export function milestoneOf(wait: Wait, span?: Span): WaitedFor | null {
  switch (wait.kind) {
    case "none":
    case "tape-limit":
      return null;
    case "fixed":
      return wait.what;
    case "milestone":
      return wait.milestone;
    case "unmask":
      // past the soft edge it is the hard film that is waited for
      return wait.leastMin === null && span?.endMin === null ? "sandable" : "touch";
    case "seam":
      return wait.waits[0]?.until === "sandable" || wait.waits[0]?.until === "cured" ? wait.waits[0].until : "recoat";
    default:
      return wait.kind;
  }
}

/** Waits for no film. */
export const isBare = (m: WaitedFor | null): m is Exclude<WaitedFor, Milestone> => m !== null && BARE.has(m);
const BARE: ReadonlySet<WaitedFor> = new Set(["part-dry", "wipe-flash", "uv-box", "joint", "dust"]);

/** True when some span of the wait may shut, so the work that opens it must be timed with what follows. */
export function canShut(wait: Wait, coats: readonly AppliedCoat[]): boolean {
  if (wait.kind === "tape-limit") return true;
  if (wait.kind === "unmask") return wait.leastMin === null;
  if (wait.kind !== "flash" && wait.kind !== "seam") return false;
  if (wait.kind === "seam" && !wait.waits.some((w) => w.until === "window")) return false;
  return coats.at(-1)?.product.label.recoat.some(([, shuts]) => shuts !== null) ?? false;
}

/** Spans in which what follows may start, rising; empty = never before the clock's horizon. */
export function spansOf(wait: Wait, ctx: WaitContext): readonly Span[] {
  const spans = merge(unlooked(wait, ctx));
  if (ctx.notYet === null || ctx.notYet.atMin <= ctx.fromMin || wait.kind === "tape-limit") return spans;
  return notBefore(spans, afterLook(ctx, ctx.notYet));
}

/** What was seen is the last word: the time waited so far was too short, and what the sign lacks has to come first. */
function afterLook(ctx: WaitContext, { atMin, lacks }: NotYet): number {
  const least = ctx.fromMin + NOT_YET_LEAST * (atMin - ctx.fromMin);
  if (lacks === null || ctx.coats.length === 0) return least;
  return Math.max(least, milestoneMin(ctx, lacks) ?? least);
}

function unlooked(wait: Wait, ctx: WaitContext): readonly Span[] {
  switch (wait.kind) {
    case "none":
      return from(ctx.fromMin);
    case "part-dry":
      return from(ctx.clock.reach("part-dry", ctx.fromMin, wait.refMin * bareFactor(ctx, "part-dry", wait.refMin)));
    case "wipe-flash":
      return from(ctx.clock.reach("wipe", ctx.fromMin, WIPE_FLASH_MIN * bareFactor(ctx, "wipe", WIPE_FLASH_MIN)));
    case "fixed":
      return from(ctx.fromMin + wait.minutes);
    case "milestone":
      return from(later(milestoneMin(ctx, wait.milestone), ctx.fromMin + wait.leastMin));
    case "unmask":
      return unmaskSpans(wait.leastMin, ctx);
    case "tape-limit":
      return [{ startMin: ctx.fromMin, endMin: ctx.fromMin + wait.minutes }];
    case "flash":
      return flashSpans(ctx, wait.apartMin);
    case "sandable":
      return from(milestoneMin(ctx, "sandable"));
    case "seam":
      return seamUnion(wait.waits, ctx);
  }
}

/** Spans cut to begin no sooner than a moment; those that shut before it are lost. */
const notBefore = (spans: readonly Span[], leastMin: number): readonly Span[] =>
  spans
    .filter((s) => s.endMin === null || s.endMin > leastMin)
    .map((s) => ({ startMin: Math.max(s.startMin, leastMin), endMin: s.endMin }));

const from = (startMin: number | null): readonly Span[] => (startMin === null ? [] : [{ startMin, endMin: null }]);

const later = (a: number | null, b: number): number | null => (a === null ? null : Math.max(a, b));

/** Soft from touch-dry until it may be handled; hard once it can be sanded (est.: tape and film differ, a coupon knows better). */
function unmaskSpans(leastMin: number | null, ctx: WaitContext): readonly Span[] {
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

function bareFactor(ctx: WaitContext, law: "part-dry" | "wipe", refMin: number): number {
  const ratio =
    ctx.notYet === null || ctx.notYet.atMin <= ctx.fromMin
      ? null
      : ctx.clock.elapsedRef(law, ctx.fromMin, ctx.notYet.atMin) / refMin;
  return waitFactor(ctx.caution, ratio);
}

function factorFor(ctx: WaitContext, milestone: Milestone): number {
  const ratio =
    ctx.notYet === null || ctx.notYet.atMin <= ctx.fromMin
      ? null
      : progressAt(ctx.coats, milestone, ctx.clock, ctx.notYet.atMin);
  return waitFactor(ctx.caution, ratio);
}

function milestoneMin(ctx: WaitContext, milestone: Milestone): number | null {
  const a = milestoneAfter(ctx.coats, milestone, ctx.clock, factorFor(ctx, milestone), ctx.dryAt);
  return a.outcome === "reached" ? a.atMin : null;
}

const windowsOf = (ctx: WaitContext) =>
  recoatWindows(ctx.coats, ctx.clock, factorFor(ctx, "recoat"), shutFactor(ctx.caution), ctx.dryAt);

/**
 * Own next coat: from its own gap (flash, or what a putty's skin waits for) until the first window shuts, then any later window;
 * never in a forbidden gap, and never sooner than the user wants them apart.
 */
function flashSpans(ctx: WaitContext, apartMin: number | null): readonly Span[] {
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
function seamUnion(waits: readonly SeamWait[], ctx: WaitContext): readonly Span[] {
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
    return w ? [{ startMin: w.openMin, endMin: w.shutMin }] : [];
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
function merge(spans: readonly Span[]): readonly Span[] {
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

/** Rough length at label conditions, minutes, for priorities only. */
export function estimateMin(wait: Wait, coats: readonly AppliedCoat[]): number {
  const times = coats.length > 0 ? labelTimes(coats.at(-1)!.product) : null;
  switch (wait.kind) {
    case "none":
      return 0;
    case "part-dry":
      return wait.refMin;
    case "wipe-flash":
      return WIPE_FLASH_MIN;
    case "fixed":
      return wait.minutes;
    case "milestone":
      return Math.max(wait.leastMin, times?.[wait.milestone].min ?? 0);
    case "unmask":
      return Math.max(wait.leastMin ?? 0, times?.touch.min ?? 0);
    case "tape-limit":
      return 0;
    case "flash":
      return times?.flash.min ?? 0;
    case "sandable":
      return times?.sandable.min ?? 0;
    case "seam":
      return times?.recoat.min ?? 0;
  }
}

/** Whether the figure behind a wait came from the family's ratios rather than the label. */
export function waitAssumed(wait: Wait, coats: readonly AppliedCoat[]): boolean {
  const m = milestoneOf(wait);
  if (isBare(m)) return true;
  if (coats.length === 0 || m === null) return false;
  return labelTimes(coats.at(-1)!.product)[m].assumed;
}
