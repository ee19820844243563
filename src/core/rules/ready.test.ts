import { region } from "../../../tests/support/world";
import { fromPrepRows, type PrepStep, prepRows, type Region, withStep, withSteps } from "../model";
import { neededPrep, preparedConditions, proposedPrep } from ".";

const alone = { joined: false };
const stepsOf = (over: Partial<Region>, about = alone): readonly PrepStep[] =>
  proposedPrep(region({ conditions: [], finish: "seen", ...over }), about).map(({ step }) => step);

describe("the order of getting ready, as it is proposed", () => {
  it.each<[string, Partial<Region>, readonly PrepStep[], boolean?]>([
    ["a filament print to be seen", { material: "pla" }, ["trim", "wash", "key", "dust-off"]],
    [
      "the same for show: looked over first, washed again after the key, tacked off last",
      { material: "pla", finish: "show" },
      ["look", "trim", "wash", "key", "dust-off", "rinse", "tack-off"],
    ],
    [
      "a print with joints is blown out after every wash",
      { material: "petg", finish: "show", joints: true },
      ["look", "trim", "wash", "blow-out", "key", "dust-off", "rinse", "blow-out", "tack-off"],
    ],
    [
      "a hollow resin print: drained before it is washed, cured after",
      { material: "vat-resin", hollow: true },
      ["trim", "drain", "blow-out", "wash", "blow-out", "post-cure", "dust-off"],
    ],
    [
      "drained already: not again",
      { material: "vat-resin", hollow: true, conditions: ["drained"] },
      ["trim", "wash", "blow-out", "post-cure", "dust-off"],
    ],
    ["a part that goes onto another is tried first", { material: "cast-pu" }, ["trim", "dry-fit", "wash"], true],
    ["tried already: not again", { material: "cast-pu", conditions: ["fit-checked"] }, ["trim", "wash"], true],
    [
      "greasy steel, rusty",
      { material: "steel-iron", conditions: ["greasy", "rusted"] },
      ["degrease", "derust", "key", "wipe"],
    ],
    ["foam board only wants its dust off", { material: "xps" }, ["dust-off"]],
  ])("%s", (_, over, steps, joined = false) => expect(stepsOf(over, { joined })).toEqual(steps));

  it("holds whatever is needed, in the same order, and leaves the face as clean", () => {
    for (const conditions of [["greasy"], ["dusty", "shiny"], ["stringing"], []] as const)
      for (const material of ["pla", "vat-resin", "hips", "aluminium", "plaster"] as const) {
        const face = region({ material, conditions: [...conditions] });
        const steps = proposedPrep(face, alone).map(({ step }) => step);
        const needed = neededPrep(face);
        expect(steps.filter((s) => needed.includes(s))).toEqual(needed);
        expect(preparedConditions(conditions, steps)).not.toContain(conditions[0] ?? "greasy");
      }
  });
});

describe("steps one can edit", () => {
  const told = {
    prep: ["wash", "key", "wash"] as const,
    prepWith: { "wash-2": "soap" },
    prepWaitMin: { wash: 720 },
    prepSoakMin: { wash: 20 },
  };
  it("one that comes twice keeps its own liquid and its own wait wherever it is moved", () => {
    const [first, key, second] = prepRows(told);
    expect(fromPrepRows([first!, key!, second!])).toEqual(told);
    expect(fromPrepRows([second!, key!, first!])).toEqual({
      prep: ["wash", "key", "wash"],
      prepWith: { wash: "soap" },
      prepWaitMin: { "wash-2": 720 },
      prepSoakMin: { "wash-2": 20 },
    });
  });
  it("a missing one goes where it usually stands; one that is there, to the end; and never a fourth time", () => {
    const names = (rows: readonly { step: PrepStep }[]) => rows.map((r) => r.step);
    expect(names(withStep([{ step: "key" }, { step: "wipe" }], "wash"))).toEqual(["wash", "key", "wipe"]);
    expect(names(withStep([{ step: "dust-off" }, { step: "key" }], "dust-off"))).toEqual([
      "dust-off",
      "key",
      "dust-off",
    ]);
    const thrice = [{ step: "wash" }, { step: "wash" }, { step: "wash" }] as const;
    expect(withStep(thrice, "wash")).toBe(thrice);
    expect(names(withSteps([{ step: "key" }], ["wash", "key", "dust-off"]))).toEqual(["wash", "key", "dust-off"]);
  });
});
