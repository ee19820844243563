import { MIN_PER_DAY } from "@/core/base";
import { climateOf, typicalClimate } from "@/core/film";
import { type Looked, NO_HABITS, NO_WISHES, type PlanInput, planModel } from "@/core/plan";
import type { PlanRegion } from "@/core/work";
import { layer, NOW_MIN, planInput, region, STEADY } from "../../tests/support/world";
import { bestMs, firstMs, peakMb, power, round1, tell } from "./measure";

/** Filament parts in two colours behind tape, under a clear; every fourth in another colour, so that tools are cleaned in between. */
const part = (i: number): PlanRegion => ({
  region: region({ id: `part${i}`, material: "petg", conditions: ["dusty"], areaCm2: 60, finish: "seen" }),
  stack: {
    prep: ["wash", "key", "dust-off"],
    layers: [
      layer("build-primer", {
        id: `p${i}`,
        coats: 2,
        heaviness: "wet",
        sandAfter: { grit: 400, wet: true, takesUm: 15 },
      }),
      layer("grey-primer", { id: `g${i}`, sandAfter: { grit: 600, wet: true, takesUm: 4 } }),
      layer(i % 4 === 0 ? "seawall-grey" : "estuary-blue", {
        id: `c${i}`,
        coats: 2,
        tape: { tack: "low", onMin: null, offMin: null },
      }),
      layer("chalk-white", { id: `w${i}`, coats: 2 }),
      layer("water-matt", { id: `m${i}`, coats: 2 }),
    ],
  },
});

const LONG_DAYS = 130;
const longDay = { fromH: 8, toH: 20 };

/** Evenings for a model of one person; long days for the sizes at which one person's evenings would take years. */
function inputOf(parts: number, over: Partial<PlanInput> = {}): PlanInput {
  return planInput(
    Array.from({ length: parts }, (_, i) => part(i)),
    {
      air: { kind: "day", meanC: 15, swingC: 4 },
      wishes: NO_WISHES,
      habits: { ...NO_HABITS, covered: true },
      ...over,
    },
  );
}

function longDays(): Partial<PlanInput> {
  const midnight = NOW_MIN - (NOW_MIN % MIN_PER_DAY);
  const air = typicalClimate(
    { ...STEADY, kind: "day", meanC: 15, swingC: 4 },
    { localOffsetMin: () => 0, tonightNoonMin: null },
    NOW_MIN - 3 * MIN_PER_DAY,
    NOW_MIN + (LONG_DAYS + 2) * MIN_PER_DAY,
  );
  return {
    climate: climateOf(air.points),
    horizonMin: NOW_MIN + LONG_DAYS * MIN_PER_DAY,
    sessions: Array.from({ length: LONG_DAYS }, (_, d) => ({
      startMin: midnight + d * MIN_PER_DAY + longDay.fromH * 60,
      endMin: midnight + d * MIN_PER_DAY + longDay.toH * 60,
    })),
  };
}

/** What a person with a model of a size would feel: planned and verified, then planned again with as little moved as can be. */
export function benchPlan(): void {
  small();
  asItIs();
  let before: { readonly ops: number; readonly ms: number } | null = null;
  for (const parts of [25, 50, 100, 200]) {
    const input = inputOf(parts, longDays());
    let answer = planModel(inputOf(1));
    const ms = firstMs(() => {
      answer = planModel(input, { tries: 1 });
    });
    if (answer.outcome !== "planned") {
      tell({ bench: "plan-growth", parts, outcome: answer.outcome });
      return;
    }
    const ops = answer.ops.length;
    const grew = before ? { time_by_ops_to_the_power: power(before.ops, before.ms, ops, ms) } : {};
    const { verified, doneMin, boundMin } = answer;
    tell({
      bench: "plan-growth",
      parts,
      ops,
      planned_and_verified_ms: round1(ms),
      waits_verified: verified.waits,
      still_early: verified.early,
      over_bound_pct: round1((100 * (doneMin - boundMin)) / (boundMin - NOW_MIN)),
      ...grew,
      peak_mb: peakMb(),
    });
    before = { ops, ms };
  }
}

function small(): void {
  const input = inputOf(15);
  let firstBetterMs = 0;
  const began = performance.now();
  const answer = planModel(input, {
    onBetter: () => {
      firstBetterMs ||= performance.now() - began;
    },
  });
  const coldMs = performance.now() - began;
  if (answer.outcome !== "planned") {
    tell({ bench: "plan-15x20", outcome: answer.outcome });
    return;
  }
  const looked: Looked = new Map();
  const warmMs = bestMs(() => planModel(input, { looked: new Map() }));
  planModel(input, { looked });
  // with the film model's answers at hand what is left is the planning
  const plannedMs = bestMs(() => planModel(input, { looked }));
  const keep = Object.fromEntries(answer.ops.map((o) => [o.id, o.startMin]));
  const keptMs = firstMs(() => planModel({ ...input, before: keep }, { keep }));
  tell({
    bench: "plan-15x20",
    ops: answer.ops.length,
    first_timetable_ms: round1(firstBetterMs),
    first_time_ms: round1(coldMs),
    planned_ms: round1(plannedMs),
    planned_and_verified_ms: round1(warmMs),
    kept_ms: round1(keptMs),
    waits_verified: answer.verified.waits,
    still_early: answer.verified.early,
    over_bound_pct: round1((100 * (answer.doneMin - answer.boundMin)) / (answer.boundMin - NOW_MIN)),
    sessions: answer.sessions,
    cleanings: answer.cleanings,
    peak_mb: peakMb(),
  });
}

const SPOTS = 10;
const ONTO_ONE = 3;

/** Parts as they are: holes to fill, a can and the part warmed for two coats, and three further parts joined onto every one. */
function asItIs(): void {
  const spotted = (i: number): PlanRegion => {
    const own = part(i);
    const spots = Array.from({ length: SPOTS }, (_, k) =>
      layer("fairing-putty", { id: `s${i}-${k}`, spot: 0.02, places: [`place ${k}`] }),
    );
    const [build, grey, ...colours] = own.stack.layers;
    const warmed = [
      { ...build!, before: ["warm-can" as const] },
      { ...grey!, before: ["warm-part" as const], partC: 30 },
    ];
    return { ...own, stack: { ...own.stack, layers: [...spots, ...warmed, ...colours] } };
  };
  const regions = Array.from({ length: 15 }, (_, i) => spotted(i));
  const joins = regions.slice(1).map((r, n) => ({
    partId: `whole${n + 1}`,
    regionIds: [r.region.id],
    onto: { partId: `whole${Math.floor(n / ONTO_ONE)}`, regionIds: [`part${Math.floor(n / ONTO_ONE)}`] },
    when: "after-paint" as const,
  }));
  const input = { ...inputOf(0), ...longDays(), regions, joins };
  let answer = planModel(inputOf(1));
  const ms = firstMs(() => {
    answer = planModel(input, { tries: 1 });
  });
  tell({
    bench: "plan-as-it-is",
    parts: regions.length,
    spots_each: SPOTS,
    joins: joins.length,
    outcome: answer.outcome,
    ...(answer.outcome === "planned"
      ? { ops: answer.ops.length, waits_verified: answer.verified.waits, still_early: answer.verified.early }
      : {}),
    planned_and_verified_ms: round1(ms),
  });
}
