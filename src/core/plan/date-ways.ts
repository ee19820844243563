import type { BenchSession } from "../model";
import type { PlanOptions } from "./plan";
import { only, type PlanGroup, planTogether } from "./together";
import { NO_HABITS, NO_WISHES, type PlanAnswer, type PlanInput } from "./types";

/** What may be done about a date that is missed: one session more, wet parts under a cover, no rounds on some faces, another model left to rest, less caution. */
export type DateTry =
  | { readonly kind: "session"; readonly session: BenchSession }
  | { readonly kind: "cover" }
  | { readonly kind: "rounds"; readonly regionIds: readonly string[] }
  | { readonly kind: "rest"; readonly groupId: string }
  | { readonly kind: "likely" };

/** What one of them comes to. */
export interface DateTried {
  readonly way: DateTry;
  /** when the last work of the model wished for is done then, absolute minutes; null = it has no plan this way */
  readonly doneMin: number | null;
}

type Planned = Extract<PlanAnswer, { outcome: "planned" }>;

/** When the last work of a group is done by a plan; null = nothing of it is in it. */
export function groupDoneMin(
  { finish }: Pick<Planned, "finish">,
  { regionIds }: Pick<PlanGroup, "regionIds">,
): number | null {
  const ends = finish.flatMap((f) => (regionIds.includes(f.regionId) ? [f.doneMin] : []));
  return ends.length === 0 ? null : Math.max(...ends);
}

/**
 * What there is to try for the date of one model, the mildest first.
 * @param spare sessions one might add before the date @param covered wet parts stand under a cover already
 */
export function dateTries(
  answer: Planned,
  groups: readonly PlanGroup[],
  group: PlanGroup,
  spare: readonly BenchSession[],
  covered: boolean,
): readonly DateTry[] {
  const rounded = answer.notices.flatMap((n) =>
    n.kind === "rounds-likely" && group.regionIds.includes(n.regionId) ? [n.regionId] : [],
  );
  return [
    ...(covered ? [] : [{ kind: "cover" as const }]),
    ...spare.map((session) => ({ kind: "session" as const, session })),
    ...(rounded.length > 0 ? [{ kind: "rounds" as const, regionIds: rounded }] : []),
    ...(answer.caution === "safe" ? [{ kind: "likely" as const }] : []),
    ...groups.flatMap((g) => (g.id === group.id ? [] : [{ kind: "rest" as const, groupId: g.id }])),
  ];
}

/** The bench with one of them done. */
function withTry(input: PlanInput, groups: readonly PlanGroup[], way: DateTry): [PlanInput, readonly PlanGroup[]] {
  const wishes = input.wishes ?? NO_WISHES;
  switch (way.kind) {
    case "session": {
      const sessions = [...input.sessions, way.session].sort((a, b) => a.startMin - b.startMin);
      return [{ ...input, sessions }, groups];
    }
    case "cover":
      return [{ ...input, habits: { ...(input.habits ?? NO_HABITS), covered: true } }, groups];
    case "rounds": {
      const none = Object.fromEntries(way.regionIds.map((id) => [id, 0]));
      return [{ ...input, wishes: { ...wishes, rounds: { ...wishes.rounds, ...none } } }, groups];
    }
    case "likely":
      return [{ ...input, caution: "likely" }, groups];
    case "rest": {
      const left = groups.filter((g) => g.id !== way.groupId);
      return [only(input, left), left];
    }
  }
}

/** Plans the bench with one of them done, and tells when the model's own work is done then. */
export function tryForDate(
  input: PlanInput,
  groups: readonly PlanGroup[],
  group: PlanGroup,
  way: DateTry,
  options: Pick<PlanOptions, "goOn" | "tries" | "looked">,
): DateTried {
  const [changed, left] = withTry(input, groups, way);
  const answer = planTogether(changed, left, options);
  return { way, doneMin: answer.outcome === "planned" ? groupDoneMin(answer, group) : null };
}
