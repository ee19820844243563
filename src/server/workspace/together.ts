import type { LogEntry, Planning } from "@/contracts";
import type { PlanGroup } from "@/core/plan";
import type { PlanSources } from "./input";

/** A model with what its plan is made from. */
interface Member {
  readonly head: { readonly id: string };
  readonly sources: PlanSources;
}

/** All of them as one: what is shared is theirs together, what is said of a model's own work goes by its ids. At least one. */
export function joinedSources(members: readonly Member[]): PlanSources {
  const all = members.map((m) => m.sources);
  const first = all[0]!;
  return {
    ...first,
    tree: all.flatMap((s) => s.tree),
    log: all.flatMap((s) => s.log).sort(inOrder),
    air: { ...first.air, locals: all.flatMap((s) => s.air.locals) },
    planning: joinedPlanning(all.map((s) => s.planning)),
    dues: all.flatMap((s) => duesOf(s)),
  };
}

const inOrder = (a: LogEntry, b: LogEntry): number => Date.parse(a.at) - Date.parse(b.at);

/** A model's own date, which is a date for its work alone. */
function duesOf({ planning: { due, weight }, tree }: PlanSources): NonNullable<PlanSources["dues"]> {
  const regionIds = tree.flatMap((p) => p.regions.map((r) => r.region.id));
  return due === null ? [] : [{ due, weight: weight ?? 1, regionIds }];
}

/** What was said of each; the aim is the bench's, and every model of it holds the same. */
function joinedPlanning(all: readonly Planning[]): Planning {
  const together = <T>(of: (p: Planning) => Readonly<Record<string, T>> | undefined) =>
    Object.assign({}, ...all.map(of)) as Record<string, T>;
  return {
    objective: all[0]!.objective,
    due: null,
    locks: together((p) => p.locks),
    minutes: together((p) => p.minutes),
    rounds: together((p) => p.rounds),
    fills: together((p) => p.fills),
    fillPlaces: together((p) => p.fillPlaces),
    batches: all.flatMap((p) => p.batches),
    arrivals: latest(all.map((p) => p.arrivals)),
    away: together((p) => p.away),
    joins: all.flatMap((p) => p.joins),
  };
}

/** One can for all: where two models were told another day, it is there on the later. */
function latest(all: readonly Planning["arrivals"][]): Record<string, string> {
  const at: Record<string, string> = {};
  for (const [id, date] of all.flatMap((a) => Object.entries(a))) {
    const other = at[id];
    if (other === undefined || date > other) at[id] = date;
  }
  return at;
}

export const groupOf = ({ head, sources: { tree } }: Member): PlanGroup => ({
  id: head.id,
  regionIds: tree.flatMap((p) => p.regions.map((r) => r.region.id)),
  partIds: tree.map((p) => p.id),
});
