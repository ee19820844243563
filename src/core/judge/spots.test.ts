import { verdictText } from "@/messages";
import { layer, lookup, pile, region } from "../../../tests/support/world";
import type { JarId, Layer, Product, Region } from "../model";
import { meets } from "../numbers";
import { cardOfJar } from "../reference";
import { judgeStack } from ".";

/** Putty and reseals on spots: what goes over them lies on them and on everything around them. */

const own = lookup();
const known = new Map<string, Product>();
const productOf = (id: string): Product => {
  if (!id.startsWith("jar:")) return own(id);
  const card = known.get(id) ?? cardOfJar(id.slice(4) as JarId, id);
  known.set(id, card);
  return card;
};
const told = (over: Partial<Region>, ...layers: readonly (Layer | string)[]) => {
  const answer = judgeStack({
    region: region({ conditions: ["keyed", "washed", "clean"], ...over }),
    stack: pile(...layers),
    productOf,
    protection: ["extraction", "a2p3", "p3", "gloves"],
    air: null,
  });
  if (answer.outcome !== "judged") throw new Error(answer.outcome);
  return answer.verdicts;
};
const bad = (over: Partial<Region>, ...layers: readonly (Layer | string)[]) =>
  told(over, ...layers)
    .filter((v) => v.verdict !== "ok")
    .map((v) => ({ rule: v.rule, layer: v.where.layer, rest: v.rest ?? false, verdict: v.verdict }));
const spot = (id: string, share: number | false = 0.1) => layer(id, { spot: share });

describe("over spots a layer lies on the rest of the face too", () => {
  it("spray cans eat bare foam board beside the filled dents", () => {
    const over = { material: "xps" as const };
    const stops = bad(over, spot("jar:wall-filler"), "jar:primer-aerosol").filter((v) => v.layer === 1 && v.rest);
    expect(stops.map((v) => v.verdict)).toContain("stop");
    const lies = told(over, spot("jar:wall-filler"), "jar:primer-aerosol").find((v) => v.rest)!;
    expect(verdictText(lies)).toMatch(/^On the face around the spots: /);
  });
  it("skimmed all over, the filler is what it lies on, and nothing is said of a rest", () => {
    expect(
      bad({ material: "xps" }, spot("jar:wall-filler", false), "jar:primer-aerosol").filter((v) => v.rest),
    ).toEqual([]);
  });
  it("a colour straight over spots of putty lies on bare slick plastic around them", () => {
    const rules = bad({ material: "petg" }, spot("fairing-putty"), "estuary-blue")
      .filter((v) => v.rest)
      .map((v) => v.rule);
    expect(rules).toContain("colour-on-slick");
  });
  it("over primer there is no bare face to speak of, however many spots lie between", () => {
    const over = { material: "petg" as const };
    const rules = bad(over, "water-primer", spot("fairing-putty"), spot("fairing-putty"), "estuary-blue");
    expect(rules.filter((v) => v.rest).map((v) => v.rule)).not.toContain("colour-on-slick");
  });
  it("a second skin lies in the same spots and on nothing else", () => {
    const over = { material: "xps" as const };
    expect(bad(over, spot("jar:wall-filler"), spot("jar:body-filler")).filter((v) => v.rest)).toEqual([]);
  });
  it("what was said of the spot, or of the ground before, is not said twice", () => {
    const rules = told({ material: "petg", conditions: ["dusty"] }, spot("fairing-putty"), "water-primer").map(
      (v) => v.rule,
    );
    expect(rules.filter((r) => r === "dusty")).toHaveLength(1);
  });
  it("a reseal over a melted hole: the sealer on its spot, the can on what was sealed before", () => {
    const over = { material: "xps" as const };
    const sealed = ["foam-sealer", "foam-sealer", "foam-sealer"].map((id) => layer(id, { coats: 2 }));
    const rest = bad(over, ...sealed, spot("foam-sealer", 0.05), "grey-primer").filter((v) => v.rest);
    expect(rest.map((v) => v.rule)).not.toContain("bare-bite-stop");
  });
});

describe("named places", () => {
  const at = (id: string, ...places: readonly string[]) => layer(id, { spot: 0.05, places });
  it("lacquer an hour on young enamel shuts its solvent in where they meet, and not where the enamel lies in another place", () => {
    const over = { material: "petg" as const };
    const lacquer = (place: string) =>
      bad(
        over,
        "water-primer",
        at("jar:hobby-enamel", "bow"),
        layer("jar:lacquer-bottle", { spot: 0.05, places: [place], gapMin: 60 }),
      )
        .filter((v) => v.layer === 2 && !v.rest)
        .map((v) => v.rule);
    expect(lacquer("bow")).toContain("window-not-open-traps");
    expect(lacquer("stern")).not.toContain("window-not-open-traps");
  });
  it("two that share one place meet there; where nobody names one, they meet", () => {
    expect(meets({ places: ["bow", "keel"] }, { places: ["keel"] })).toBe(true);
    expect(meets({ places: ["bow"] }, { places: ["keel"] })).toBe(false);
    expect(meets({ places: [] }, { places: ["keel"] })).toBe(true);
    expect(meets({}, { places: ["keel"] })).toBe(true);
  });
});
