import { layer, lookup, pile, product, region } from "../../../tests/support/world";
import { judgeWithDoubts } from ".";

const SPRAYS = pile(
  layer("grey-primer", { id: "p", coats: 2, sandAfter: { grit: 1500, wet: false, takesUm: 5 } }),
  layer("bronze-lacquer", { id: "c", coats: 3 }),
  layer("lacquer-gloss", { id: "g", coats: 2 }),
);
const told = (protection: readonly ("extraction" | "a2p3" | "p3" | "air-fed")[], stack = SPRAYS) => {
  const a = judgeWithDoubts({ region: region(), stack, productOf: lookup(), protection, air: null });
  if (a.outcome !== "judged") throw new Error(a.outcome);
  return a.verdicts.filter((v) => v.verdict !== "ok").map((v) => `${v.rule}@${v.where.layer}`);
};

describe("standing cares of an honest lacquer stack", () => {
  it.each([
    ["everything declared: nothing stands", ["extraction", "a2p3", "p3"], ["bare-bite-care@0"]],
    ["no vapour filter: once, and last", ["p3"], ["bare-bite-care@0", "solvent-sprayed-bare-faced@0"]],
    [
      "nothing declared: the vapour filter speaks for the spraying, the dry rub for itself",
      [],
      ["bare-bite-care@0", "solvent-sprayed-bare-faced@0", "sanding-no-filter@0"],
    ],
  ] as const)("%s", (_what, protection, want) => expect(told(protection)).toEqual(want));
  it("with extraction and no filter: the particle filter is what is missed", () => {
    const waters = pile(layer("water-primer", { id: "p" }), layer("estuary-blue", { id: "c", coats: 2 }));
    expect(product("water-primer").carriers).toContain("water");
    expect(told(["extraction"], waters)).toEqual(["spray-no-filter@0"]);
  });
});
