import { type PlanOptions, planModel } from "./plan";
import type { Aside, PlanAnswer, PlanInput } from "./types";

/** What is planned as one, and left out as one where it cannot be: a model among those on the bench. */
export interface PlanGroup {
  readonly id: string;
  readonly regionIds: readonly string[];
  readonly partIds: readonly string[];
}

type Stuck = Extract<PlanAnswer, { outcome: "circular" | "conflict" }>;

/**
 * Plans several groups as one: one person, one air, one booth. A group whose own trouble leaves no plan at all is set aside with
 * what is to be said of it, and the others are planned without it.
 * @param input everything of every group
 * @param again told before the others are planned without one: their search has a time of its own
 */
export function planTogether(
  input: PlanInput,
  groups: readonly PlanGroup[],
  options: PlanOptions = {},
  again: () => void = () => undefined,
): PlanAnswer {
  const aside: Record<string, Aside[string]> = {};
  for (let left = groups; ; ) {
    const answer = planModel(left.length === groups.length ? input : only(input, left), options);
    if (answer.outcome !== "circular" && answer.outcome !== "conflict") return withAside(answer, aside);
    const stuck = left.find((g) => isOf(g, answer));
    if (left.length <= 1 || !stuck) return answer;
    aside[stuck.id] = answer;
    left = left.filter((g) => g !== stuck);
    again();
  }
}

const isOf = ({ partIds, regionIds }: PlanGroup, answer: Stuck): boolean =>
  answer.outcome === "circular" ? partIds.includes(answer.partIds[0]!) : regionIds.includes(answer.op.regionId);

/** The bench with some of its groups alone. */
export function only(input: PlanInput, groups: readonly PlanGroup[]): PlanInput {
  const regions = new Set(groups.flatMap((g) => g.regionIds));
  const parts = new Set(groups.flatMap((g) => g.partIds));
  return {
    ...input,
    regions: input.regions.filter((r) => regions.has(r.region.id)),
    joins: input.joins?.filter((j) => parts.has(j.partId)),
  };
}

function withAside(answer: PlanAnswer, aside: Aside): PlanAnswer {
  if (answer.outcome === "planned") return Object.keys(aside).length === 0 ? answer : { ...answer, aside };
  // where nothing else is to be planned, what is in the way of the first is what there is to say
  return Object.values(aside)[0] ?? answer;
}
