import { eveningsAndWeekends } from "../../../tests/support/weeks";
import { layer, planInput, region } from "../../../tests/support/world";
import type { PlanRegion } from "../work";
import { contextFor } from "./plan";
import { widerFor, withWiderSeams } from "./wider";

/** Two-pack over rubbed epoxy: its window is best, missed over the rub a care. */
const bonnet: PlanRegion = {
  region: region({ id: "b", material: "steel-iron", areaCm2: 100 }),
  stack: {
    prep: [],
    layers: [
      layer("epoxy-primer", { id: "e", sandAfter: { grit: 400, wet: false, takesUm: 5 } }),
      layer("two-pack-gloss", { id: "g" }),
    ],
  },
};
const plain: PlanRegion = {
  region: region({ id: "p", material: "petg", areaCm2: 100 }),
  stack: { prep: [], layers: [layer("grey-primer", { id: "q" }), layer("bronze-lacquer", { id: "r" })] },
};
const input = planInput([bonnet, plain], {
  sessions: eveningsAndWeekends,
  protection: ["extraction", "air-fed", "a2p3", "p3"],
});
const ctx = contextFor(input)!;
const untils = (c: typeof ctx, to: string) =>
  c.chains
    .flatMap((l) => l.chain.ties)
    .flatMap((t) => (t.to === to && t.wait.kind === "seam" ? t.wait.waits.map((w) => w.until) : []));

describe("ways past a seam that are no stop", () => {
  it("are the judge's best alone, until they are asked for", () => expect(untils(ctx, "g:coat:1")).toEqual(["window"]));
  it("are all taken for the part that finds no room, and for no other", () => {
    const wide = withWiderSeams(ctx, "b")!;
    expect(untils(wide, "g:coat:1")).toEqual(["window", "missed"]);
    expect(untils(wide, "r:coat:1")).toEqual(untils(ctx, "r:coat:1"));
  });
  it("of a part that has none, or has them all already, there are none", () => {
    expect(withWiderSeams(withWiderSeams(ctx, "b")!, "b")).toBeNull();
    expect(withWiderSeams(ctx, "nowhere")).toBeNull();
  });
  it.each([
    ["inside its window a plan that lies needs none", 6 * 60, ["window"]],
    ["a week after it, it lies by the worse way", 7 * 1440, ["window", "missed"]],
  ])("%s", (_what, afterMin, want) => {
    const starts = { "e:coat:1": input.nowMin, "e:sand": input.nowMin + 60, "g:coat:1": input.nowMin + afterMin };
    expect(untils(widerFor(ctx, starts), "g:coat:1")).toEqual(want);
  });
});
