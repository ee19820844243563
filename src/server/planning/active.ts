import type { Objective } from "@/core/model";
import { type Db, listModels, readPlanning, writePlanning } from "@/db";
import { snapshotOf } from "../workspace/snapshot";
import { planFollows } from "./follow";

const activeIds = (db: Db): readonly string[] => listModels(db).flatMap((m) => (m.state === "active" ? [m.id] : []));

/** There is one plan, so there is one aim: every active model holds the same. */
export function aimForAll(db: Db, objective: Objective): void {
  for (const id of activeIds(db)) {
    const { planning, rev } = readPlanning(db, id);
    if (planning.objective !== objective) writePlanning(db, id, { ...planning, objective }, rev);
  }
}

/** What the bench is planned for, were a model not on it; null = nothing else is. */
function aimBeside(db: Db, modelId: string): Objective | null {
  const other = activeIds(db).find((id) => id !== modelId);
  return other === undefined ? null : readPlanning(db, other).planning.objective;
}

/** A model that comes onto the bench goes by the bench's aim. */
export function takesBenchAim(db: Db, modelId: string): void {
  const aim = aimBeside(db, modelId);
  if (aim !== null) aimForAll(db, aim);
}

/** A model with its work that comes onto the bench, or leaves it, changes the plan of all: kept as far as it can be. */
export function onBenchChanged(db: Db, modelId: string): void {
  takesBenchAim(db, modelId);
  const { bench } = snapshotOf(db);
  // what comes back as it left has its place in the plan still
  if (bench.plan?.inputsHash === bench.hash) return;
  const [first] = bench.members;
  if (first) planFollows(db, first.head.id);
}
