import { layer, NOW_MIN, pile, planInput, region } from "../../../tests/support/world";
import { MIN_PER_DAY } from "../base";
import type { Region, Stack } from "../model";
import { planModel } from "./plan";
import { NO_HABITS, type PlanAnswer, type PlanInput } from "./types";

/** Evenings as a modeller would have them: what belongs together is done together, and mist goes where the fan takes it. */

type Planned = Extract<PlanAnswer, { outcome: "planned" }>;
function planned(input: PlanInput): Planned {
  const a = planModel(input);
  if (a.outcome !== "planned") throw new Error(a.outcome);
  return a;
}
const sessionOf = ({ sessions }: PlanInput, t: number) => sessions.findIndex((s) => s.startMin <= t && t < s.endMin);

const bracket = (id: string, over: Partial<Region> = {}) => ({
  region: region({ id, material: "aluminium", conditions: ["bare"], areaCm2: 60, ...over }),
  stack: {
    ...pile(layer("etch-green", { id: `${id}-e` }), layer("grey-primer", { id: `${id}-p`, coats: 2 })),
    prep: ["degrease", "key", "wipe"] as Stack["prep"],
  },
});

describe("bare metal", () => {
  it("is keyed in the evening it is etched, on a bench full of it", () => {
    const input = planInput(["a", "b", "c", "d", "e"].map((id) => bracket(id)));
    const { ops, overNight } = planned(input);
    for (const id of ["a", "b", "c", "d", "e"]) {
      const key = ops.find((o) => o.regionId === id && o.step === "key")!;
      const etch = ops.find((o) => o.id === `${id}-e:coat:1`)!;
      expect([id, sessionOf(input, key.startMin)]).toEqual([id, sessionOf(input, etch.startMin)]);
    }
    expect((overNight ?? []).filter((o) => o.as === "bare-metal")).toEqual([]);
  });
});

describe("evenings with little to do", () => {
  const startOf = (a: Planned, id: string) => a.ops.find((o) => o.id === id)!.startMin;
  const washed = {
    region: region({ id: "w", material: "petg", conditions: [], areaCm2: 300 }),
    stack: { ...pile(layer("grey-primer", { id: "p" })), prep: ["wash", "key", "wipe"] as Stack["prep"] },
  };
  it("what has to dry over night is washed first thing, not in the last minutes of a free evening", () => {
    // an evening too short for the wash, its drying and what follows
    const sessions = Array.from({ length: 30 }, (_, n) => ({
      startMin: NOW_MIN + n * MIN_PER_DAY,
      endMin: NOW_MIN + n * MIN_PER_DAY + 60,
    }));
    const a = planned(planInput([washed], { sessions }));
    expect(startOf(a, "w:prep:wash")).toBe(sessions[0]!.startMin);
    expect(startOf(a, "w:prep:key")).toBeGreaterThanOrEqual(sessions[1]!.startMin);
  });
  it.each([90, 105, 120, 135, 150])(
    "the last wipe is of the evening of its coat, in evenings of %d minutes",
    (lastsMin) => {
      const sessions = Array.from({ length: 30 }, (_, n) => ({
        startMin: NOW_MIN + n * MIN_PER_DAY,
        endMin: NOW_MIN + n * MIN_PER_DAY + lastsMin,
      }));
      for (const face of [washed, bracket("a"), bracket("a", { material: "brass-copper", areaCm2: 300 })]) {
        const input = planInput([face], { sessions });
        const a = planned(input);
        const wipe = a.ops.find((o) => o.step === "wipe")!;
        const coat = a.ops.find((o) => o.kind === "coat")!;
        expect(sessionOf(input, wipe.startMin)).toBe(sessionOf(input, coat.startMin));
      }
    },
  );
});

it("where an evening has room for one coat only a night lies between two, and nobody is told that it need not", () => {
  const sessions = Array.from({ length: 30 }, (_, n) => ({
    startMin: NOW_MIN + n * MIN_PER_DAY,
    endMin: NOW_MIN + n * MIN_PER_DAY + 15,
  }));
  const plain = {
    region: region({ id: "a", conditions: ["keyed", "clean"] }),
    stack: pile(layer("grey-primer", { id: "p", coats: 2 })),
  };
  const { ops, overNight } = planned(planInput([plain], { sessions }));
  const [one, two] = ops.filter((o) => o.kind === "coat");
  expect(two!.startMin - one!.endMin).toBeGreaterThan(MIN_PER_DAY / 2);
  expect(overNight).toEqual([]);
});

it("two coats of one layer a quarter of an hour apart are one evening's work on every part", () => {
  const parts = ["a", "b", "c", "d", "e", "f"].map((id, n) => ({
    region: region({ id, conditions: ["keyed", "clean"], areaCm2: 50 + 10 * n }),
    stack: pile(
      layer("grey-primer", { id: `${id}-p`, coats: 2 }),
      layer(n % 2 ? "estuary-blue" : "chalk-white", { id: `${id}-c`, coats: 2 }),
    ),
  }));
  const input = planInput(parts);
  const { ops } = planned(input);
  const apart = parts.flatMap(({ region: { id } }) =>
    ["p", "c"].filter((l) => {
      const [one, two] = [1, 2].map((n) => ops.find((o) => o.id === `${id}-${l}:coat:${n}`)!);
      return sessionOf(input, one!.startMin) !== sessionOf(input, two!.startMin);
    }),
  );
  expect(apart).toEqual([]);
});

describe("two parts in two colours, both airbrushed", () => {
  const parts = ["estuary-blue", "chalk-white"].map((colour) => ({
    region: region({ id: colour, conditions: ["keyed", "clean"], areaCm2: 80 }),
    stack: pile(layer("grey-primer", { id: `p-${colour}` }), layer(colour, { id: `c-${colour}` })),
  }));
  const gapMin = (over: Partial<PlanInput>): number => {
    const { ops } = planned(planInput(parts, { habits: { ...NO_HABITS, covered: false }, ...over }));
    const [one, two] = ops.filter((o) => o.id.startsWith("c-")).sort((a, b) => a.startMin - b.startMin);
    return two!.startMin - one!.endMin;
  };
  it("with extraction the second is sprayed once the airbrush is clean", () =>
    expect(gapMin({ protection: ["extraction", "a2p3"] })).toBeLessThanOrEqual(15));
  it("without, once nothing settles on the first any more; under a cover as soon as with extraction", () => {
    const open = gapMin({ protection: ["a2p3"] });
    expect(open).toBeGreaterThan(gapMin({ protection: ["extraction", "a2p3"] }));
    expect(gapMin({ protection: ["a2p3"], habits: { ...NO_HABITS, covered: true } })).toBeLessThan(open);
  });
});
