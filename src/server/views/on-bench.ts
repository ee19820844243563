import type { ModelOnBench, PlanScreen } from "@/contracts";
import { groupDoneMin } from "@/core/plan";
import { spareSessions } from "../shed/hours";
import type { ModelSnapshot, Snapshot } from "../workspace/snapshot";
import { groupOf } from "../workspace/together";
import { regionNames } from "./parts";

/** Whose work is shown together: everything active, and the model looked at. */
export function shownWith(m: ModelSnapshot, { data, model }: Snapshot): readonly ModelSnapshot[] {
  return data.models.flatMap(({ id, state }) => (state === "active" || id === m.head.id ? (model(id) ?? []) : []));
}

/** Whose word on the plan is shown with a model: its own, or of one that rests that of the bench. */
export const teller = (m: ModelSnapshot, { bench }: Snapshot): ModelSnapshot =>
  m.head.state === "active" ? m : (bench.members[0] ?? m);

/** Their regions by name; the model is told where there are several. */
export const namedRegions = (shown: readonly ModelSnapshot[]): PlanScreen["regions"] =>
  shown.flatMap(({ head, tree }) =>
    regionNames(tree).map(({ id, name }) => ({
      id,
      modelId: head.id,
      name: shown.length > 1 ? `${head.name}: ${name}` : name,
    })),
  );

/** Every model there is, with what its state costs. */
export const modelsOnBench = ({ data, model }: Snapshot, nowMin: number): readonly ModelOnBench[] =>
  data.models.map(({ id, name, state, rev }) => {
    const m = model(id)!;
    const answer = m.plan?.answer;
    const doneMin = answer?.outcome === "planned" ? groupDoneMin(answer, groupOf(m)) : null;
    const dueMin = m.input.wishes?.dueMin ?? null;
    const late = state === "active" && doneMin !== null && dueMin !== null && doneMin > dueMin;
    return {
      id,
      name,
      state,
      rev,
      dueMin,
      spare: late ? spareSessions(data.shopState.shop, nowMin, doneMin) : [],
      bare: m.input.regions.every((r) => r.stack.layers.length === 0),
      doneMin,
      windows: state === "resting" ? windowsOf(m) : [],
    };
  });

function windowsOf(m: ModelSnapshot): ModelOnBench["windows"] {
  const nameOf = new Map(regionNames(m.tree).map((r) => [r.id, r.name]));
  return m.tiles
    .flatMap(({ regionId, wait }) =>
      wait?.shutsMin == null ? [] : [{ name: nameOf.get(regionId) ?? "", shutsMin: wait.shutsMin }],
    )
    .sort((a, b) => a.shutsMin - b.shutsMin);
}
