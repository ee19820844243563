import { existsSync, readFileSync } from "node:fs";
import { dirname, join } from "node:path";
import { checkSchedule, type Instance, problemOfInstance, solve } from "@/core/schedule";
import { peakMb, round3, tell } from "./measure";

/** What an instance is given, seconds. */
const SECONDS = 10;
const EARLY_SECONDS = 2;

interface Known {
  readonly id: string;
  readonly best: number;
}

function optimaBeside(file: string): readonly Known[] {
  const path = join(dirname(file), "optima.json");
  return existsSync(path) ? (JSON.parse(readFileSync(path, "utf8")) as Known[]) : [];
}

const gapPct = (value: number | null, best: number | null) =>
  value === null || best === null ? null : round3(100 * (value / best - 1));

/** Session slots up to a moment: slipping past a session costs a night on the clock, but only this in work. */
const workingSlots = ({ sessions }: Instance, end: number): number =>
  sessions.reduce((sum, [a, b]) => sum + Math.max(0, Math.min(b, end) - a), 0);

function one(file: string, withStarts: boolean): void {
  const instance = JSON.parse(readFileSync(file, "utf8")) as Instance;
  const problem = problemOfInstance(instance);
  const best = optimaBeside(file).find((o) => o.id === instance.id)?.best ?? null;
  const began = performance.now();
  const seconds = () => (performance.now() - began) / 1000;
  let early: number | null = null;
  let lastAt = 0;
  const plan = solve(problem, {
    tries: Number.MAX_SAFE_INTEGER,
    goOn: () => seconds() < SECONDS,
    onBetter: ({ endMin }) => {
      lastAt = seconds();
      if (lastAt <= EARLY_SECONDS) early = endMin;
    },
  });
  if (plan.outcome !== "placed") {
    tell({ id: instance.id, outcome: plan.outcome, conflict: plan.conflict, seconds: round3(seconds()) });
    return;
  }
  const at = new Map(plan.placed.map((p) => [p.opId, p.startMin]));
  const working = best === null ? null : workingSlots(instance, best);
  tell({
    bench: "schedule",
    id: instance.id,
    makespan: plan.endMin,
    lower_bound: plan.boundMin,
    // of the best known; where nobody knows it, of the lower bound, which the true gap cannot exceed
    gap: plan.endMin / (best ?? plan.boundMin) - 1,
    gap_pct: gapPct(plan.endMin, best),
    gap_working_pct: gapPct(workingSlots(instance, plan.endMin), working),
    gap_to_bound_pct: gapPct(plan.endMin, plan.boundMin),
    gap_after_2_s_pct: gapPct(early ?? plan.endMin, best),
    seconds: round3(seconds()),
    best_found_at_s: round3(lastAt),
    tries: plan.stats.tries,
    feasible: checkSchedule(problem, plan.placed).length === 0,
    peak_mb: peakMb(),
    ...(withStarts ? { starts: instance.operations.map((o) => at.get(o.id)) } : {}),
  });
}

/** The instances named, or those the tests hold. */
export function benchSchedule(files: readonly string[], withStarts: boolean): void {
  const named =
    files.length > 0
      ? files
      : ["A01", "A02", "B01", "B02", "C01", "C02", "D01", "D02", "E01"].map(
          (id) => `tests/vectors/schedule/${id}.json`,
        );
  for (const file of named) one(file, withStarts);
}
