/** One row a kind of wait with everything it has to answer for, so that none is forgotten anywhere. */

import type { AppliedCoat, Aspect } from "../film";
import { type LabelTimes, labelTimes, WIPE_FLASH_MIN } from "../reference";
import type { Span } from "../schedule";
import {
  afterLook,
  bareFactor,
  flashSpans,
  from,
  later,
  merge,
  milestoneMin,
  notBefore,
  openedBy,
  seamUnion,
  unmaskSpans,
} from "./spans";
import { isBare, type Wait, type WaitContext, type WaitedFor, type WaitKind, type WaitOf } from "./types";

/**
 * Everything a kind of wait has to answer for, one row a kind: a kind that is forgotten anywhere is a type error here, and nobody else
 * tells kinds apart.
 */
interface Law<K extends WaitKind> {
  /** in which what follows may start, as long as nobody has looked */
  readonly spans: (wait: WaitOf<K>, ctx: WaitContext) => readonly Span[];
  /** what it is told by, for words and rings; null = it is nothing anybody waits for. @param span the one it falls into, where that is known */
  readonly milestone: (wait: WaitOf<K>, span?: Span) => WaitedFor | null;
  /** some span of it may shut, so that the work that opens it must be timed with what follows */
  readonly canShut: (wait: WaitOf<K>, coats: readonly AppliedCoat[]) => boolean;
  /** rough length at label conditions, minutes, for priorities only; the times of the film below, null = bare material */
  readonly estimateMin: (wait: WaitOf<K>, times: LabelTimes | null) => number;
  /** what the film model is asked of the coat below; null = it waits for no film */
  readonly aspects: ((wait: WaitOf<K>) => readonly Aspect[]) | null;
  /** a limit on what lies between: a look does not put it off */
  readonly limit?: true;
  /** a film's two windows may leave a gap in it */
  readonly gap?: true;
}

const never = () => false;
const dry = (t: LabelTimes | null, m: keyof LabelTimes): number => t?.[m].min ?? 0;
const windowShuts = (coats: readonly AppliedCoat[]): boolean =>
  coats.at(-1)?.product.label.recoat.some(([, shuts]) => shuts !== null) ?? false;

const LAWS: { readonly [K in WaitKind]: Law<K> } = {
  none: {
    spans: (_, ctx) => from(ctx.fromMin),
    milestone: () => null,
    canShut: never,
    estimateMin: () => 0,
    aspects: null,
  },
  "part-dry": {
    spans: ({ refMin }, ctx) =>
      from(ctx.clock.reach("part-dry", ctx.fromMin, refMin * bareFactor(ctx, "part-dry", refMin))),
    milestone: () => "part-dry",
    canShut: never,
    estimateMin: ({ refMin }) => refMin,
    aspects: null,
  },
  "wipe-flash": {
    spans: (_, ctx) =>
      from(ctx.clock.reach("wipe", ctx.fromMin, WIPE_FLASH_MIN * bareFactor(ctx, "wipe", WIPE_FLASH_MIN))),
    milestone: () => "wipe-flash",
    canShut: never,
    estimateMin: () => WIPE_FLASH_MIN,
    aspects: null,
  },
  fixed: {
    spans: ({ minutes }, ctx) => from(ctx.fromMin + minutes),
    milestone: ({ what }) => what,
    canShut: never,
    estimateMin: ({ minutes }) => minutes,
    aspects: null,
  },
  joint: {
    spans: ({ refMin, byReaction }, ctx) =>
      from(byReaction ? ctx.clock.reach("reaction", ctx.fromMin, refMin) : ctx.fromMin + refMin),
    milestone: () => "joint",
    canShut: never,
    estimateMin: ({ refMin }) => refMin,
    aspects: null,
  },
  milestone: {
    spans: ({ milestone, leastMin }, ctx) => from(later(milestoneMin(ctx, milestone), ctx.fromMin + leastMin)),
    milestone: ({ milestone }) => milestone,
    canShut: never,
    estimateMin: ({ milestone, leastMin }, times) => Math.max(leastMin, dry(times, milestone)),
    aspects: ({ milestone }) => [milestone, "sandable", "touch"],
  },
  unmask: {
    spans: ({ leastMin }, ctx) => unmaskSpans(leastMin, ctx),
    // past the soft edge it is the hard film that is waited for
    milestone: ({ leastMin }, span) => (leastMin === null && span?.endMin === null ? "sandable" : "touch"),
    canShut: ({ leastMin }) => leastMin === null,
    estimateMin: ({ leastMin }, times) => Math.max(leastMin ?? 0, dry(times, "touch")),
    aspects: () => ["handle", "sandable", "touch"],
  },
  "no-later": {
    spans: ({ minutes }, ctx) => [{ startMin: ctx.fromMin, endMin: ctx.fromMin + minutes }],
    milestone: () => null,
    canShut: () => true,
    estimateMin: () => 0,
    aspects: null,
    limit: true,
  },
  flash: {
    spans: ({ apartMin }, ctx) => flashSpans(ctx, apartMin),
    milestone: () => "flash",
    canShut: (_, coats) => windowShuts(coats),
    estimateMin: (_, times) => dry(times, "flash"),
    aspects: () => ["flash", "recoat", "sandable", "touch"],
    gap: true,
  },
  sandable: {
    spans: (_, ctx) => from(milestoneMin(ctx, "sandable")),
    milestone: () => "sandable",
    canShut: never,
    estimateMin: (_, times) => dry(times, "sandable"),
    aspects: () => ["sandable", "touch"],
  },
  seam: {
    spans: ({ waits }, ctx) => seamUnion(waits, ctx),
    milestone: ({ waits: [first, ...others] }) => {
      if (first?.until === "sandable" || first?.until === "cured") return first.until;
      // widened to the whole window it is no longer the dry film that is waited for
      const dryOnly = first?.until === "window" && first.dry && !others.some((w) => w.until === "window" && !w.dry);
      return dryOnly ? "sandable" : "recoat";
    },
    canShut: ({ waits }, coats) => waits.some((w) => w.until === "window") && windowShuts(coats),
    estimateMin: (_, times) => dry(times, "recoat"),
    aspects: ({ waits }) =>
      waits[0]?.until === "cured" ? ["sandable", "recoat", "touch", "cured-water"] : ["sandable", "recoat", "touch"],
    gap: true,
  },
};

const lawOf = (wait: Wait): Law<WaitKind> => LAWS[wait.kind] as Law<WaitKind>;

/** Spans in which what follows may start, rising; empty = never before the clock's horizon. */
export function spansOf(wait: Wait, ctx: WaitContext): readonly Span[] {
  const law = lawOf(wait);
  const spans = merge(law.spans(wait, ctx));
  if (ctx.notYet === null || ctx.notYet.atMin <= ctx.fromMin || law.limit) return spans;
  // the bench goes by whole minutes: what is ready in this one may begin in it
  if (ctx.notYet.ready) return openedBy(spans, Math.max(ctx.fromMin, Math.floor(ctx.notYet.atMin)));
  return notBefore(spans, afterLook(ctx, ctx.notYet));
}

/** The milestone a wait is told by, for words and rings. @param span the one it falls into, where that is known */
export const milestoneOf = (wait: Wait, span?: Span): WaitedFor | null => lawOf(wait).milestone(wait, span);

/** True when somebody waits for it: it is neither nothing nor a limit on something else. */
export const isWaitedFor = (wait: Wait): boolean => milestoneOf(wait) !== null;

/** True when some span of the wait may shut, so the work that opens it must be timed with what follows. */
export const canShut = (wait: Wait, coats: readonly AppliedCoat[]): boolean => lawOf(wait).canShut(wait, coats);

/** True when a film's two windows may leave a gap in it, in which nothing may go on. */
export const mayHaveGap = (wait: Wait): boolean => lawOf(wait).gap ?? false;

/** Rough length at label conditions, minutes, for priorities only. */
export const estimateMin = (wait: Wait, coats: readonly AppliedCoat[]): number =>
  lawOf(wait).estimateMin(wait, coats.length > 0 ? labelTimes(coats.at(-1)!.product) : null);

/** What the film model is asked of the coat below; null = the wait is for no film. */
export const aspectsOf = (wait: Wait): readonly Aspect[] | null => lawOf(wait).aspects?.(wait) ?? null;

/** Whether the figure behind a wait came from the family's ratios rather than the label. */
export function waitAssumed(wait: Wait, coats: readonly AppliedCoat[]): boolean {
  const m = milestoneOf(wait);
  if (isBare(m)) return true;
  if (coats.length === 0 || m === null) return false;
  return labelTimes(coats.at(-1)!.product)[m].assumed;
}
