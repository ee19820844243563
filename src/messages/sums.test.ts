import { BEFORE_STEPS, PREP_STEPS } from "@/core/model";
import { SUM_IDS } from "@/core/sums";
import { product } from "../../tests/support/world";
import { sumsOfWork } from ".";
import { SUM_TEXT } from "./sum-texts";

describe("sums at a piece of work", () => {
  it.each([
    [
      "a coat out of a can",
      { kind: "coat", step: null },
      "estuary-blue",
      ["quantities", "weigh-in"],
      ["glue", "ladder"],
    ],
    ["a rub", { kind: "sand", step: null }, null, ["ladder", "grits"], ["thin"]],
    ["a wash", { kind: "prep", step: "wash" }, null, ["dry-part"], ["ladder"]],
    ["the lamp over a print", { kind: "prep", step: "post-cure" }, null, ["light", "resin-cure"], ["dry-part"]],
    ["a joint", { kind: "fit", step: null }, null, ["glue"], ["quantities"]],
    ["a can in warm water", { kind: "before", step: "warm-can" }, null, ["warm-can"], ["dry-part"]],
  ] as const)("%s", (_, work, id, has, hasNot) => {
    const ids = sumsOfWork(work, id === null ? null : product(id));
    expect(ids).toEqual(expect.arrayContaining([...has]));
    for (const other of hasNot) expect(ids).not.toContain(other);
  });
  it("every one of them is there and has its words", () => {
    const all = [...PREP_STEPS, ...BEFORE_STEPS].flatMap((step) => sumsOfWork({ kind: "prep", step }, null));
    for (const id of all) {
      expect(SUM_IDS).toContain(id);
      expect(SUM_TEXT[id].title).toBeTruthy();
    }
  });
});
