import { MIN_PER_DAY } from "@/core/base";
import type { Objective } from "@/core/model";
import { overNightMin, type PlanAnswer } from "@/core/plan";

type Planned = Extract<PlanAnswer, { outcome: "planned" }>;

/** Better by the aim it was made for; on a tie the sooner finish. */
export function better(a: PlanAnswer, b: PlanAnswer): boolean {
  if (a.outcome !== "planned") return false;
  if (b.outcome !== "planned") return true;
  const by = AIM[a.objective](a) - AIM[b.objective](b);
  return by < 0 || (by === 0 && a.doneMin < b.doneMin);
}

const leastSlack = (p: Planned): number =>
  Math.min(
    ...p.ops.filter((o) => o.state === "planned" && o.wait?.shutsMin != null).map((o) => o.slackMin),
    MIN_PER_DAY * 365,
  );

/** What each aim makes small. */
const AIM: Readonly<Record<Objective, (p: Planned) => number>> = {
  finish: (p) => p.doneMin + overNightMin(p.overNight ?? []),
  sessions: (p) => p.sessions,
  slack: (p) => -leastSlack(p),
  cleaning: (p) => p.cleanings,
};
