import { z } from "zod";
import { documentSchema, type ModelDocument } from "@/contracts";
import { MS_PER_MIN } from "@/core/base";

const iso = (min: number): string => new Date(min * MS_PER_MIN).toISOString();

type Timetable = NonNullable<ModelDocument["plan"]>;

/** A timetable that came with a document: kept as it was until the model is planned here. */
export interface ImportedPlan {
  readonly outcome: "imported";
  readonly timetable: Timetable;
}

const importedSchema = z.strictObject({ outcome: z.literal("imported"), timetable: documentSchema.shape.plan });
/** Of a plan of whatever shape the hours are what a document tells. */
const hoursSchema = z.looseObject({
  outcome: z.literal("planned"),
  ops: z.array(z.looseObject({ id: z.string(), startMin: z.number(), endMin: z.number() })),
});

/** A stored plan as a document tells it; null = there is no timetable in it. */
export function timetableOf(stored: unknown, plannedMs: number): Timetable | null {
  const imported = importedSchema.safeParse(stored);
  if (imported.success) return imported.data.timetable;
  const planned = hoursSchema.safeParse(stored);
  if (!planned.success) return null;
  return {
    plannedAt: new Date(plannedMs).toISOString(),
    steps: planned.data.ops.map((o) => ({ opId: o.id, start: iso(o.startMin), end: iso(o.endMin) })),
  };
}
