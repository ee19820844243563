import type { PartNode, Planning, Shop } from "@/contracts";
import { MS_PER_MIN } from "@/core/base";
import type { PlanInput, PlanWishes, ShedHabits } from "@/core/plan";
import { FOLLOW_UP_DAYS } from "@/core/reference";
import type { Join } from "@/core/work";
import { localMin } from "../shed/hours";

const MIDNIGHT = "00:00";
const END_OF_DAY = "24:00";

/** What was said of a plan, and dates of some of its work where several models are planned as one. */
export interface ToldOfPlan {
  readonly planning: Planning;
  readonly dues?: readonly {
    readonly due: string;
    readonly weight: number;
    readonly regionIds: readonly string[];
  }[];
}

/** Dates as moments in the shed's own zone. */
function wishesOf({ planning: p, dues = [] }: ToldOfPlan, timeZone: string): PlanWishes {
  const inMin = <T>(of: Readonly<Record<string, T>>, to: (v: T) => number) =>
    Object.fromEntries(Object.entries(of).map(([id, v]) => [id, to(v)]));
  const endOf = (date: string) => localMin(timeZone, date, END_OF_DAY);
  const morning = (date: string) => localMin(timeZone, date, MIDNIGHT);
  return {
    objective: p.objective,
    dueMin: p.due === null ? null : endOf(p.due),
    dues: dues.map(({ due, weight, regionIds }) => ({ dueMin: endOf(due), weight, regionIds: new Set(regionIds) })),
    locks: inMin(p.locks, (at) => Date.parse(at) / MS_PER_MIN),
    minutes: p.minutes,
    rounds: p.rounds,
    fills: p.fills,
    fillPlaces: p.fillPlaces,
    batches: p.batches,
    arrivals: inMin(p.arrivals, morning),
    away: inMin(p.away, morning),
  };
}

/** Parts that are gone, or have nothing on them, have nothing to be fitted. */
function joinsOf(p: Planning, tree: readonly PartNode[]): readonly Join[] {
  const regionIds = new Map(tree.map((part) => [part.id, part.regions.map((r) => r.region.id)]));
  return p.joins.flatMap((j): Join[] => {
    const own = regionIds.get(j.partId);
    const onto = regionIds.get(j.ontoId);
    return own && onto
      ? [
          {
            partId: j.partId,
            regionIds: own,
            onto: { partId: j.ontoId, regionIds: onto },
            when: j.when,
            glueId: j.glueId,
            load: j.load,
            faceMm2: j.faceMm2,
          },
        ]
      : [];
  });
}

const habitsOf = (shop: Shop): ShedHabits =>
  shop.habits ?? { covered: false, coldStore: false, holders: null, followUpDays: FOLLOW_UP_DAYS };

export const planningFields = (
  told: ToldOfPlan,
  shop: Shop,
  tree: readonly PartNode[],
  hands: ShedHabits["hands"],
): Pick<PlanInput, "wishes" | "joins" | "habits"> => ({
  wishes: wishesOf(told, shop.timeZone),
  joins: joinsOf(told.planning, tree),
  habits: { ...habitsOf(shop), ...(hands ? { hands } : {}) },
});

/** Goes onto another part, or another goes onto it. */
export const isJoined = ({ joins }: Pick<Planning, "joins">, partId: string): boolean =>
  joins.some((j) => j.partId === partId || j.ontoId === partId);
