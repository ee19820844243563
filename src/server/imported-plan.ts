import type { ModelDocument } from "@/contracts";
import { MS_PER_MIN } from "@/core/base";
import type { PlanAnswer } from "@/core/plan";

const iso = (min: number): string => new Date(min * MS_PER_MIN).toISOString();

type Timetable = NonNullable<ModelDocument["plan"]>;

/** A timetable that came with a document: kept as it was until the model is planned here. */
export interface ImportedPlan {
  readonly outcome: "imported";
  readonly timetable: Timetable;
}

/** A plan as a document tells it. */
export function timetableOf(answer: PlanAnswer | ImportedPlan, plannedMs: number): Timetable | null {
  if (answer.outcome === "imported") return answer.timetable;
  if (answer.outcome !== "planned") return null;
  return {
    plannedAt: new Date(plannedMs).toISOString(),
    steps: answer.ops.map((o) => ({ opId: o.id, start: iso(o.startMin), end: iso(o.endMin) })),
  };
}
