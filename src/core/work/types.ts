import type { AppliedCoat, DryAt, WaitClock } from "../film";
import type { Face, LaidDifference } from "../history";
import type { SeamPlan, SeamWait } from "../judge";
import type { Caution, JointLoad, MarkSize, Milestone, Region, Stack } from "../model";

/** What stands between two operations of a region. */
export type Wait =
  | { readonly kind: "none" }
  /** water leaving a washed or wet-sanded face; minutes at reference air */
  | { readonly kind: "part-dry"; readonly refMin: number }
  /** wipe or degreaser leaving the face */
  | { readonly kind: "wipe-flash" }
  /** so many minutes whatever the air: a lamp, a joint */
  | { readonly kind: "fixed"; readonly minutes: number; readonly what: Settled }
  /** an adhesive hardens: minutes at reference air, by its reaction, or whatever the air */
  | { readonly kind: "joint"; readonly refMin: number; readonly byReaction: boolean }
  /** the film below has come so far: a face may be handled, tape may be laid, polish used */
  | { readonly kind: "milestone"; readonly milestone: Held; readonly leastMin: number }
  /** tape comes off while the edge is soft, or once the film is hard; in between the edge tears */
  | { readonly kind: "unmask"; readonly leastMin: number | null }
  /** what follows has to be begun by then: tape off the part, a part out of its bath */
  | { readonly kind: "no-later"; readonly minutes: number }
  /** next coat of the same layer, no sooner than the user wants them apart */
  | { readonly kind: "flash"; readonly apartMin: number | null }
  | { readonly kind: "sandable" }
  /** next layer */
  | { readonly kind: "seam"; readonly waits: readonly SeamWait[]; readonly fallback: SeamPlan["fallback"] };

/** Milestones a step may have to wait for by themselves. */
type Held = "touch" | "handle" | "tape-safe" | "polishable";

export type WaitKind = Wait["kind"];
export type WaitOf<K extends WaitKind> = Extract<Wait, { kind: K }>;

export const partDryWait = (refMin: number): Wait => ({ kind: "part-dry", refMin });

/** Somebody looked and it was not time: when, and which milestone the sign they saw is the want of, if it tells one. */
export interface NotYet {
  readonly atMin: number;
  readonly lacks: Milestone | null;
  /** it was time: nothing of the wait is left from then on */
  readonly ready?: true | undefined;
}

/** The last look at each operation that waits, by its id. */
export const notYetById = (
  looks: readonly {
    readonly opId: string;
    readonly atMin: number;
    readonly lacks?: Milestone | null;
    readonly ready?: true | undefined;
  }[],
): ReadonlyMap<string, NotYet> =>
  new Map(looks.map(({ opId, atMin, lacks = null, ready }) => [opId, { atMin, lacks, ...(ready ? { ready } : {}) }]));

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
type Settled =
  | "as-told"
  | "guide"
  | "can-bath"
  | "warm-through"
  | "uv-box"
  | "soak"
  | "joint"
  | "decal"
  | "stripper"
  | "away"
  | "dust";
export type WaitedFor = Milestone | "part-dry" | "wipe-flash" | Settled;

/** Waits for no film. */
export const isBare = (m: WaitedFor | null): m is Exclude<WaitedFor, Milestone> => m !== null && BARE.has(m);
const BARE: ReadonlySet<WaitedFor> = new Set([
  "part-dry",
  "wipe-flash",
  "as-told",
  "guide",
  "can-bath",
  "warm-through",
  "uv-box",
  "soak",
  "joint",
  "decal",
  "stripper",
  "away",
  "dust",
]);

/** A region as it is worked on. */
export interface PlanRegion {
  readonly region: Region;
  readonly stack: Stack;
  /** like pieces of the part: areas and figures are for one of them; absent = one */
  readonly count?: number | undefined;
  /** what the log says lies on it; absent = nothing was done to it */
  readonly face?: Face | undefined;
  /** sizes of the marks a look left open on it; absent = nobody marked any */
  readonly marks?: readonly MarkSize[] | undefined;
  /** how the user's own pile differs from what lies there; this one stands as it lies */
  readonly differences?: readonly LaidDifference[] | undefined;
}

/** A part that goes onto another: glued before either is painted, once both have their ground, or put on when both are done. */
export interface Join {
  /** the part that is fitted */
  readonly partId: string;
  readonly regionIds: readonly string[];
  readonly onto: { readonly partId: string; readonly regionIds: readonly string[] };
  readonly when: "before-paint" | "primed" | "after-paint";
  /** its adhesive; null = none named */
  readonly glueId?: string | null | undefined;
  /** what pulls at it; null = nobody said */
  readonly load?: JointLoad | null | undefined;
  /** the smaller of its two faces; null = nobody measured it */
  readonly faceMm2?: number | null | undefined;
}
