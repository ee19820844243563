import { askForPlan, type Db, modelHead, readBenchPlan } from "@/db";
import { nowMs } from "../clock";
import { onceWritten } from "../guard";
import type { Snapshot } from "../workspace/snapshot";
import { isPlanning, requestPlan } from "./job";

/** Asks for a plan in the same transaction as what it has to follow; it is made once that is written. */
export function planAfter(db: Db, modelId: string, how: "keep" | "afresh"): void {
  askForPlan(db, modelId, { how, askedMs: nowMs() });
  onceWritten(() => void requestPlan(modelId, how));
}

/** The plan, if there is one, follows what has just been said of a model that is in it. */
export function planFollows(db: Db, modelId: string, how: "keep" | "afresh" = "keep"): void {
  if (readBenchPlan(db) && modelHead(db, modelId)?.state === "active") planAfter(db, modelId, how);
}

/** Plans that were asked for when the program was stopped are made now. */
export function resumePlans({ data }: Snapshot): void {
  // whoever asked may be gone or at rest by now; with nothing active there is no plan to make
  const via = data.models.find((m) => m.state === "active");
  if (isPlanning() || data.asked.size === 0 || !via) return;
  void requestPlan(via.id, [...data.asked.values()].some((a) => a.how === "afresh") ? "afresh" : "keep");
}
