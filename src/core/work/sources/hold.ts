import { COVERING_HOLDS, isOneOf, opIds, type Region } from "../../model";
import { MOUNT_MIN, TOUCH_IN_MIN } from "../../reference";
import { blankOperation, type Chain, type Operation } from "../operations";
import { HANDLED, inSteps, type Work } from "./put-together";

/** Source: what holds the part: put on before the first coat, and the spot under it touched in at the end. */

const holdingOf = ({ heldBy, heldAt }: Region): Operation["holding"] =>
  heldBy ? { by: heldBy, at: heldAt ?? "" } : undefined;

export function mounted(work: Work, region: Region): void {
  const holding = holdingOf(region);
  if (!holding || MOUNT_MIN[holding.by] === 0) return;
  work.push({
    ...blankOperation,
    id: opIds.hold(region.id),
    regionId: region.id,
    kind: "hold",
    handsOnMin: inSteps(MOUNT_MIN[holding.by]),
    holding,
  });
}

/** Like pieces are mounted and touched in one by one. */
export const forPieces = (chain: Chain, count: number): Chain =>
  count === 1
    ? chain
    : {
        ...chain,
        ops: chain.ops.map((op) => {
          if (op.kind === "hold") return { ...op, handsOnMin: inSteps(MOUNT_MIN[op.holding!.by] * count) };
          return op.kind === "touch-in" ? { ...op, handsOnMin: inSteps(TOUCH_IN_MIN * count) } : op;
        }),
      };

/** @param coatId the last coat of all */
export function touchedIn(work: Work, region: Region, coatId: string): void {
  const holding = holdingOf(region);
  // what is covered later, or held by a hole or a loop, leaves no bare spot to be seen
  if (!holding || region.heldHidden || !isOneOf(COVERING_HOLDS)(holding.by)) return;
  const id = opIds.touchIn(region.id);
  work.waitFor(coatId, id, HANDLED);
  work.push({
    ...blankOperation,
    id,
    regionId: region.id,
    kind: "touch-in",
    handsOnMin: inSteps(TOUCH_IN_MIN),
    holding,
  });
}
