import type { Climate, GateReason } from "../film";
import type { LaidDifference, OpRecord } from "../history";
import type { PlacedVerdict } from "../judge";
import type {
  BenchSession,
  Caution,
  Coupon,
  Milestone,
  Objective,
  Product,
  Protection,
  Verdict,
  WorkKind,
} from "../model";
import type { BoundBy, Conflict, Freeing, Piece } from "../schedule";
import type { Join, NoBatch, Operation, PlanRegion, WaitedFor } from "../work";
import type { NearKind } from "./nearness";
import type { StockLine } from "./stock";

/** A written reason for going ahead against a finish stop; carried by plan and log. */
interface Override {
  readonly regionId: string;
  /** key of the verdict it lifts */
  readonly key: string;
  readonly reason: string;
}

/** Work that is wished for by a date of its own, as that of one model among several. */
interface Due {
  readonly regionIds: ReadonlySet<string>;
  readonly dueMin: number;
  /** how much a minute late counts against a minute of another date; 1 = as usual */
  readonly weight: number;
}

/** What the user has said about the plan itself. */
export interface PlanWishes {
  readonly objective: Objective;
  /** wished end of all work; null = none */
  readonly dueMin: number | null;
  /** wished ends of the work on some regions, beside that of all */
  readonly dues?: readonly Due[] | undefined;
  /** operation → the start it is pinned to */
  readonly locks: Readonly<Record<string, number>>;
  /** operation → hands-on minutes, in place of the reckoned ones */
  readonly minutes: Readonly<Record<string, number>>;
  /** region → rounds of fill, sand and prime, in place of the usual number */
  readonly rounds: Readonly<Record<string, number>>;
  /** region → the putty its rounds are filled with; left out = the one its stack holds */
  readonly fills?: Readonly<Record<string, string>> | undefined;
  /** region → where its rounds are filled, in plain names; left out = wherever a look finds something */
  readonly fillPlaces?: Readonly<Record<string, readonly string[]>> | undefined;
  /** coats of one product done in one go, by their operations */
  readonly batches: readonly (readonly string[])[];
  /** product on its way, to buy or to go on with → when it arrives */
  readonly arrivals: Readonly<Record<string, number>>;
  /** region sent out → when it is back */
  readonly away: Readonly<Record<string, number>>;
}

export const NO_WISHES: PlanWishes = {
  objective: "finish",
  dueMin: null,
  locks: {},
  minutes: {},
  rounds: {},
  batches: [],
  arrivals: {},
  away: {},
};

/** How the shed works, beside its air and hours. */
export interface ShedHabits {
  /** wet parts stand under a cover: dust and mist in the room do not reach them */
  readonly covered: boolean;
  /** parts stand in the cold between sessions and have to warm up before they are coated */
  readonly coldStore: boolean;
  /** sticks, clips and turntables for wet parts; null = enough for all */
  readonly holders: number | null;
  /** clamps and bands for joints that set slowly; null = enough for all */
  readonly clamps?: number | null | undefined;
  /** the longest part the booth takes whole, mm; null = nobody measured it */
  readonly boothMm?: number | null | undefined;
  /** a finished face is looked at again so many days later */
  readonly followUpDays: readonly number[];
  /** how long one's own hands take against what is reckoned, by kind of work; absent = as reckoned */
  readonly hands?: Readonly<Partial<Record<WorkKind, number>>> | undefined;
}

export const NO_HABITS: ShedHabits = { covered: true, coldStore: false, holders: null, followUpDays: [] };

export interface PlanInput {
  readonly regions: readonly PlanRegion[];
  readonly productOf: (id: string) => Product;
  readonly protection: readonly Protection[];
  readonly climate: Climate;
  /** regions whose films are in air of their own: a warm box, a cold room they came from */
  readonly local?: ReadonlyMap<string, Climate> | undefined;
  readonly sessions: readonly BenchSession[];
  readonly nowMin: number;
  /** the local calendar day of now, YYYY-MM-DD; absent = nobody asks what is past its date */
  readonly today?: string | undefined;
  readonly horizonMin: number;
  readonly records: readonly OpRecord[];
  /** looks that found an operation not ready; `lacks` is what the sign seen speaks of */
  readonly notYet: readonly {
    readonly opId: string;
    readonly atMin: number;
    readonly lacks?: Milestone | null;
    /** it was found to be time */
    readonly ready?: true | undefined;
  }[];
  readonly overrides: readonly Override[];
  /** the shop's own trials */
  readonly coupons: readonly Coupon[];
  readonly caution: Caution;
  /** absent = the plain stacks: no rounds, no wishes */
  readonly wishes?: PlanWishes | undefined;
  readonly joins?: readonly Join[] | undefined;
  readonly habits?: ShedHabits | undefined;
  /** starts of the plan before, by operation: what moved is told against it */
  readonly before?: Readonly<Record<string, number>> | undefined;
}

/** What an operation waits for and when that is over. */
export interface WaitReport {
  readonly milestone: WaitedFor;
  readonly fromOpId: string;
  readonly fromMin: number;
  /** even odds */
  readonly likelyMin: number;
  /** nine in ten */
  readonly safeMin: number;
  /** when the window it falls into shuts again; null = it stays open */
  readonly shutsMin: number | null;
  /** a forbidden gap between two windows, in this air; null = there is none */
  readonly forbidden: { readonly fromMin: number; readonly toMin: number } | null;
  /** the label does not give this time; the family's usual ratio stands in */
  readonly assumed: boolean;
}

export interface PlannedOp extends Operation {
  readonly startMin: number;
  readonly endMin: number;
  readonly state: "planned" | "in-hand" | "done";
  readonly wait: WaitReport | null;
  readonly boundBy: BoundBy;
  /** how much later it may start before the last work of all does, the order of work kept, minutes */
  readonly slackMin: number;
  /** last start that is safe: its window shuts, or the end moves; null = nothing hangs on it */
  readonly latestMin: number | null;
  readonly locked: boolean;
  /** done in one go with these */
  readonly batch?: readonly string[] | undefined;
  /** temperature and humidity expected while it is done */
  readonly tempC: number;
  readonly rhPct: number;
}

export interface RegionFinish {
  readonly regionId: string;
  /** end of the last hands-on work */
  readonly doneMin: number;
  /** through cured, even odds; null = beyond the planned weeks */
  readonly curedMin: number | null;
}

export type Notice =
  | { readonly kind: "left-out"; readonly regionId: string; readonly missing: readonly string[] }
  | { readonly kind: "no-stack"; readonly regionId: string }
  | {
      readonly kind: "verdict";
      readonly regionId: string;
      readonly verdict: Exclude<Verdict, "ok">;
      readonly code: string;
      readonly layer: number;
    }
  | { readonly kind: "area-assumed"; readonly regionId: string }
  | { readonly kind: "rounds-left-out"; readonly regionId: string }
  /** its finish is for show: planned by the safe waits although the rest goes by the likely ones */
  | { readonly kind: "show-waits"; readonly regionId: string }
  | { readonly kind: "rounds-likely"; readonly regionId: string; readonly rounds: number }
  | {
      readonly kind: "batch-left-out";
      readonly regionId: string;
      readonly why: NoBatch["why"];
    }
  | { readonly kind: "lock-passed"; readonly regionId: string }
  /** work that cannot be left half done fits no session: the part is left out, the rest is planned */
  | { readonly kind: "too-long"; readonly regionId: string; readonly neededMin: number; readonly longestMin: number }
  /** a stop nobody answered for keeps this part out of the plan */
  | {
      readonly kind: "stopped";
      readonly regionId: string;
      readonly code: string;
      readonly layer: number;
      readonly stop: "finish" | "safety";
    }
  /** a typed gap is too short in the plan's own air: the film is then where nothing may go on it */
  | {
      readonly kind: "gap-longer";
      readonly regionId: string;
      readonly layer: number;
      readonly typedMin: number;
      readonly neededMin: number;
    }
  /** sprayed work on a part longer than the booth */
  | { readonly kind: "over-booth"; readonly regionId: string; readonly longestMm: number; readonly boothMm: number }
  | { readonly kind: "tape-long"; readonly regionId: string; readonly days: number }
  | { readonly kind: "pot-life"; readonly regionId: string; readonly mixes: number }
  | { readonly kind: "to-buy"; readonly regionId: string; readonly productId: string; readonly byMin: number }
  | { readonly kind: "waits-assumed"; readonly regionId: string }
  /** by the log something else lies there than the pile says: it is planned as it lies */
  | { readonly kind: "lies-otherwise"; readonly regionId: string; readonly difference: LaidDifference };

export interface RefusedStop {
  readonly regionId: string;
  readonly verdict: PlacedVerdict;
}

/** What the film model said of the finished plan. */
export interface Verified {
  /** waits on films in it */
  readonly waits: number;
  /** those it need not look at: they have at least three times as long as they take; absent in plans of older programs */
  readonly wide?: number | undefined;
  /** those it found too short, put back before the plan was handed out */
  readonly putBack: number;
  /** those still shorter than the model has them, and by how much at the most */
  readonly early: number;
  readonly earlyMin: number;
}

/** Something of the plan before that is now at another time. */
export interface Move {
  readonly opId: string;
  readonly fromMin: number;
  readonly toMin: number;
}

/** A finished face to be looked at again. */
export interface FollowUp {
  readonly regionId: string;
  readonly atMin: number;
  readonly days: number;
}

/** A part to be in the warm before it is coated, and since when. */
export interface CarryIn {
  readonly regionId: string;
  readonly byMin: number;
  /** what it is wanted for first */
  readonly opId: string;
}

/** Work left over night without what it was done for: a face got ready, tape, a coat of a layer begun. */
export interface OverNight {
  readonly regionId: string;
  readonly as: NearKind;
  readonly fromId: string;
  readonly toId: string;
  readonly nights: number;
}

/** Why some of what was to be planned together is not in the plan, by group. */
export type Aside = Readonly<Record<string, Exclude<PlanAnswer, { outcome: "planned" }>>>;

export type PlanAnswer =
  | { readonly outcome: "nothing-to-plan"; readonly notices: readonly Notice[] }
  | { readonly outcome: "refused"; readonly stops: readonly RefusedStop[]; readonly notices: readonly Notice[] }
  | { readonly outcome: "circular"; readonly partIds: readonly string[]; readonly notices: readonly Notice[] }
  | {
      readonly outcome: "conflict";
      readonly conflict: Conflict;
      readonly op: Operation;
      readonly from: Operation | null;
      readonly gateReason: GateReason | null;
      /** none of these can be spared: together they leave no place */
      readonly set: readonly Piece[];
      /** changes that were tried and leave a place */
      readonly frees: readonly Freeing[];
      readonly ops: readonly Operation[];
      readonly notices: readonly Notice[];
    }
  | {
      readonly outcome: "planned";
      readonly ops: readonly PlannedOp[];
      readonly finish: readonly RegionFinish[];
      readonly doneMin: number;
      readonly curedMin: number | null;
      /** hands-on minutes still to do */
      readonly handsOnMin: number;
      /** operations that hold the finish, first to last */
      readonly spine: readonly string[];
      readonly overrides: readonly Override[];
      readonly notices: readonly Notice[];
      readonly caution: Caution;
      readonly verified: Verified;
      /** what the film model put waits back by in the plan's own hours, by wait */
      readonly delaysMin: Readonly<Record<string, number>>;
      /** no plan within the same waits, sessions and air can end its last work before this */
      readonly boundMin: number;
      readonly objective: Objective;
      /** evenings with work in them, and times a tool is cleaned and loaded anew */
      readonly sessions: number;
      readonly cleanings: number;
      /** what lies over night and would not have to for any wait's sake; absent in plans of older programs */
      readonly overNight?: readonly OverNight[] | undefined;
      readonly dueMin: number | null;
      /** left out = everything that was asked for is in it */
      readonly aside?: Aside | undefined;
      /** what moved against the plan before; empty when there was none */
      readonly moved: readonly Move[];
      /** end of a plan made afresh, where one was looked for beside the one that keeps things in place */
      readonly afreshDoneMin: number | null;
      readonly stock: readonly StockLine[];
      readonly followUps: readonly FollowUp[];
      readonly carryIns: readonly CarryIn[];
      /** operations the independent referee walked without finding fault */
      readonly checkedOps: number;
    };
