import type { PlannedOp } from "@/core/plan";

/** Class of what a plan on its way may put at another time: not what is done, in hand or pinned. */
export const mayMove = (op: Pick<PlannedOp, "state" | "locked">): string =>
  op.state === "planned" && !op.locked ? "may-move" : "";
