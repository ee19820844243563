import type { Climate, GateReason } from "../film";
import type { BenchSession, Caution, Coupon, Milestone, Product, Protection, Region, Stack, Verdict } from "../model";
import type { BoundBy, Conflict } from "../schedule";
import type { PlacedVerdict } from "./judge";
import type { Operation, OpRecord } from "./operations";

export interface PlanRegion {
  readonly region: Region;
  readonly stack: Stack;
}

/** A written reason for going ahead against a finish stop; carried by plan and log. */
export interface Override {
  readonly regionId: string;
  /** key of the verdict it lifts */
  readonly key: string;
  readonly reason: string;
}

export interface PlanInput {
  readonly regions: readonly PlanRegion[];
  readonly productOf: (id: string) => Product;
  readonly protection: readonly Protection[];
  readonly climate: Climate;
  /** regions whose films are in air of their own: a warm box, a cold room they came from */
  readonly local?: ReadonlyMap<string, Climate> | undefined;
  readonly sessions: readonly BenchSession[];
  readonly nowMin: number;
  readonly horizonMin: number;
  readonly records: readonly OpRecord[];
  readonly notYet: readonly { readonly opId: string; readonly atMin: number }[];
  readonly overrides: readonly Override[];
  /** the shop's own trials */
  readonly coupons: readonly Coupon[];
  readonly caution: Caution;
}

/** What an operation waits for and when that is over. */
export interface WaitReport {
  readonly milestone: Milestone | "part-dry" | "wipe-flash";
  readonly fromOpId: string;
  readonly fromMin: number;
  /** even odds */
  readonly likelyMin: number;
  /** nine in ten */
  readonly safeMin: number;
  /** when the window shuts again; null = it stays open */
  readonly shutsMin: number | null;
  /** the label does not give this time; the family's usual ratio stands in */
  readonly assumed: boolean;
}

export interface PlannedOp extends Operation {
  readonly startMin: number;
  readonly endMin: number;
  readonly state: "planned" | "in-hand" | "done";
  readonly wait: WaitReport | null;
  readonly boundBy: BoundBy;
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
  | { readonly kind: "waits-assumed"; readonly regionId: string };

export interface RefusedStop {
  readonly regionId: string;
  readonly verdict: PlacedVerdict;
}

/** What the film model said of the finished plan. */
export interface Verified {
  /** waits on films it looked at */
  readonly waits: number;
  /** those it found too short, put back before the plan was handed out */
  readonly putBack: number;
  /** those still shorter than the model has them, and by how much at the most */
  readonly early: number;
  readonly earlyMin: number;
}

export type PlanAnswer =
  | { readonly outcome: "nothing-to-plan"; readonly notices: readonly Notice[] }
  | { readonly outcome: "refused"; readonly stops: readonly RefusedStop[]; readonly notices: readonly Notice[] }
  | {
      readonly outcome: "conflict";
      readonly conflict: Conflict;
      readonly op: Operation;
      readonly from: Operation | null;
      readonly gateReason: GateReason | null;
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
      /** no plan within the same waits, sessions and air can end its last work before this */
      readonly boundMin: number;
      /** operations the independent referee walked without finding fault */
      readonly checkedOps: number;
    };
