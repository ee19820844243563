import { askForPlan, type Db, readPlan } from "@/db";
import { nowMs } from "../clock";
import { onceWritten } from "../guard";
import type { Snapshot } from "../workspace/snapshot";
import { isPlanning, requestPlan } from "./job";

/** Asks for a plan in the same transaction as what it has to follow; it is made once that is written. */
export function planAfter(db: Db, modelId: string, how: "keep" | "afresh"): void {
  askForPlan(db, modelId, { how, askedMs: nowMs() });
  onceWritten(() => void requestPlan(modelId, how));
}

/** The plan, if there is one, follows what has just been said. */
export function planFollows(db: Db, modelId: string, how: "keep" | "afresh" = "keep"): void {
  if (readPlan(db, modelId)) planAfter(db, modelId, how);
}

/** Plans that were asked for when the program was stopped are made now. */
export function resumePlans({ data }: Snapshot): void {
  for (const [modelId, { how }] of data.asked)
    if (!isPlanning(modelId) && data.models.some((m) => m.id === modelId)) void requestPlan(modelId, how);
}
