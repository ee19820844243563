import {
  done,
  failed,
  invalid,
  type Outcome,
  type PartNode,
  type Planning,
  planningSchema,
  type Shop,
} from "@/contracts";
import { MS_PER_MIN } from "@/core/base";
import { type Join, joinCircle, type PlanInput, type PlanMarks, type ShedHabits } from "@/core/plan";
import { FOLLOW_UP_DAYS } from "@/core/reference";
import { modelHead, modelTree, readPlanning, writePlanning } from "@/db";
import { nowMs } from "./clock";
import { conflict, notFound, writing } from "./guard";
import { localDate, localMin, shopState } from "./shop";

const MIDNIGHT = "00:00";
const END_OF_DAY = "24:00";

/** Dates as moments in the shed's own zone. */
export function marksOf(p: Planning, timeZone: string): PlanMarks {
  const inMin = <T>(of: Readonly<Record<string, T>>, to: (v: T) => number) =>
    Object.fromEntries(Object.entries(of).map(([id, v]) => [id, to(v)]));
  const morning = (date: string) => localMin(timeZone, date, MIDNIGHT);
  return {
    objective: p.objective,
    dueMin: p.due === null ? null : localMin(timeZone, p.due, END_OF_DAY),
    locks: inMin(p.locks, (at) => Date.parse(at) / MS_PER_MIN),
    minutes: p.minutes,
    rounds: p.rounds,
    batches: p.batches,
    arrivals: inMin(p.arrivals, morning),
    away: inMin(p.away, morning),
  };
}

/** Parts that are gone, or have nothing on them, have nothing to be fitted. */
export function joinsOf(p: Planning, tree: readonly PartNode[]): readonly Join[] {
  const regionIds = new Map(tree.map((part) => [part.id, part.regions.map((r) => r.region.id)]));
  return p.joins.flatMap((j): Join[] => {
    const own = regionIds.get(j.partId);
    const onto = regionIds.get(j.ontoId);
    return own && onto
      ? [{ partId: j.partId, regionIds: own, onto: { partId: j.ontoId, regionIds: onto }, when: j.when }]
      : [];
  });
}

export const habitsOf = (shop: Shop): ShedHabits =>
  shop.habits ?? { covered: false, coldStore: false, holders: null, followUpDays: FOLLOW_UP_DAYS };

export const planningFields = (
  planning: Planning,
  shop: Shop,
  tree: readonly PartNode[],
): Pick<PlanInput, "marks" | "joins" | "habits"> => ({
  marks: marksOf(planning, shop.timeZone),
  joins: joinsOf(planning, tree),
  habits: habitsOf(shop),
});

/** Keeps what was said about a plan, if nobody else has written since `rev`. */
export function savePlanning(modelId: string, rev: number, input: unknown): Outcome<{ rev: number }> {
  const parsed = planningSchema.safeParse(input);
  if (!parsed.success) return invalid(parsed.error);
  return writing((db) => {
    if (!modelHead(db, modelId)) return notFound("The model");
    const before = readPlanning(db, modelId).planning;
    const { timeZone } = shopState(db).shop;
    const fault = faultIn(parsed.data, before, timeZone, modelTree(db, modelId));
    if (fault) return failed("invalid", `${fault.path} ${fault.message}`, [fault]);
    const next = writePlanning(db, modelId, parsed.data, rev);
    return next === null ? conflict("The plan’s settings") : done({ rev: next });
  });
}

type Fault = { readonly path: string; readonly message: string };

/** What cannot be planned for; only what is new is held against the user, old pins run out by themselves. */
function faultIn(next: Planning, before: Planning, timeZone: string, tree: readonly PartNode[]): Fault | null {
  const nowAt = nowMs();
  const today = localDate(timeZone, nowAt);
  if (next.due !== null && next.due !== before.due && next.due < today)
    return { path: "due", message: `lies in the past: choose ${today} or a later day` };
  for (const [opId, at] of Object.entries(next.locks))
    if (before.locks[opId] !== at && Date.parse(at) < nowAt)
      return { path: `locks.${opId}`, message: "pins work to a moment that has passed" };
  for (const what of ["arrivals", "away"] as const)
    for (const [id, date] of Object.entries(next[what]))
      if (before[what][id] !== date && date < today)
        return { path: `${what}.${id}`, message: `lies in the past: choose ${today} or a later day` };
  const circle = joinCircle(next.joins.map((j) => ({ partId: j.partId, onto: { partId: j.ontoId } })));
  if (circle === null) return null;
  const nameOf = (id: string) => tree.find((p) => p.id === id)?.name ?? id;
  const names = [...circle, circle[0]!].map(nameOf).join(" → ");
  return {
    path: "joins",
    message: `go in a circle (${names}): no part could ever be fitted first. Take one of them out`,
  };
}
