/** What the sources of work share: how pieces are put together, how long they take, what water they leave. */

import type { Product, Region, Wetting } from "../../model";
import {
  ASSUMED_AREA_CM2,
  DUST_SETTLES_MIN,
  LABOUR_STEP_MIN,
  type Labour,
  partDryMin,
  SIDE_LABOUR,
} from "../../reference";
import { blankOperation, type Operation, type Tie } from "../operations";
import { partDryWait, type Wait } from "../types";

export const minutesFor = (labour: Labour, areaCm2: number | null, share = 1): number =>
  inSteps(labour.fixedMin + labour.perCm2Min * share * (areaCm2 ?? ASSUMED_AREA_CM2));
export const inSteps = (minutes: number): number => Math.ceil(minutes / LABOUR_STEP_MIN) * LABOUR_STEP_MIN;

/** Work and waits being put together, in order: what is pushed waits for what was pushed last. */
export class Work {
  readonly ops: Operation[] = [];
  readonly ties: Tie[] = [];
  private wait: Wait = NO_WAIT;
  /** the last that gave dust since a film was laid */
  private dustyId: string | null = null;

  /** @param after what the next piece waits for, unless `now` says otherwise */
  push(op: Operation, after: Wait = NO_WAIT): void {
    const last = this.ops.at(-1);
    if (last) this.ties.push({ from: last.id, to: op.id, wait: this.wait });
    this.ops.push(op);
    this.wait = after;
    if (op.dusty) this.dustyId = op.id;
  }
  /** A coat lies on what was rubbed before it: that dust has settled by then, and is wiped off. */
  coat(op: Operation, after: Wait): void {
    if (this.dustyId !== null) this.tie(this.dustyId, op.id, DUST_SETTLED);
    this.dustyId = null;
    this.push(op, after);
  }
  now(wait: Wait): void {
    this.wait = wait;
  }
  tie(from: string, to: string, wait: Wait): void {
    this.ties.push({ from, to, wait });
  }
  /** What is pushed next waits for a coat, also when something else was done in between. */
  waitFor(coatId: string, to: string, wait: Wait): void {
    if (this.ops.at(-1)!.id === coatId) this.wait = wait;
    else this.tie(coatId, to, wait);
  }
}

export const sideWork = (
  region: Region,
  kind: "inspect" | "mask" | "unmask" | "scour",
  id: string,
  layerId: string | null,
  share = 1,
  moreMin = 0,
): Operation => ({
  ...blankOperation,
  id,
  regionId: region.id,
  layerId,
  kind,
  handsOnMin: minutesFor(
    { ...SIDE_LABOUR[kind], fixedMin: SIDE_LABOUR[kind].fixedMin + moreMin },
    region.areaCm2,
    share,
  ),
});

export const NO_WAIT: Wait = { kind: "none" };
export const DUST_SETTLED: Wait = { kind: "fixed", minutes: DUST_SETTLES_MIN, what: "dust" };
export const HANDLED: Wait = { kind: "milestone", milestone: "handle", leastMin: 0 };
/** A liquid off a face again: water takes as long as a rinse, anything else flashes. Null = none is named, an ordinary wipe. */
export const leavesFace = (region: Region, liquid: Product | null, underFilm = false): Wait =>
  liquid && isWater(liquid) ? dryAgain(region, "rinse", underFilm) : WIPED;
const isWater = ({ carriers }: Product): boolean =>
  carriers !== "unknown" && carriers.length > 0 && carriers.every((c) => c === "water");
const WIPED: Wait = { kind: "wipe-flash" };

/** Water leaving a part: its face, and its joints and hollows where it has any. */
export const dryAgain = (region: Region, how: Wetting, underFilm = false, blownOut = false): Wait => {
  const covered = underFilm || region.conditions.includes("sealed") || region.sealedBy != null;
  return partDryWait(partDryMin(region.material, how, holdsInJoints(region), covered, blownOut));
};
const holdsInJoints = (region: Region): boolean =>
  region.joints === true || region.hollow === true || region.conditions.includes("damp-joints");
