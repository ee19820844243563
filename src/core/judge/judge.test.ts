import { MORE_PAIRS } from "../../../tests/support/more-rule-cases";
import { type Case, fired, judge, nitroOver, on, PAIRS, SAFE, verdictOf } from "../../../tests/support/rule-cases";
import { layer, lookup, pile, product, region } from "../../../tests/support/world";
import { judgeStack } from "../judge";
import { CARRIER_RULES } from "../judge/detail";
import { applyRemedy } from "../judge/remedy";
import type { Layer, MaterialId, Product, Stack } from "../model";
import { MATERIALS } from "../model";
import { CATALOGUE } from "../rules";

describe("every rule has a case that fires it and a near miss that does not", () => {
  const pairs = { ...PAIRS, ...MORE_PAIRS };
  it("none is left out", () => {
    const ids = CATALOGUE.map((r) => r.id);
    expect(ids.filter((id) => !pairs[id])).toEqual([]);
    expect(Object.keys(pairs).filter((id) => !ids.includes(id))).toEqual([]);
  });
  it.each(Object.entries(pairs))("%s", (id, { fires, spares }) => {
    expect(verdictOf(fires, id)).toMatchObject({ verdict: CATALOGUE.find((r) => r.id === id)!.verdict });
    expect(fired(spares)).not.toContain(id);
  });
});

describe("what bites is named where the carrier is the reason", () => {
  const bites = (c: Case, id: string) => verdictOf(c, id)!.detail?.bites;
  it.each([...CARRIER_RULES])("%s", (id) => {
    const { fires } = { ...PAIRS, ...MORE_PAIRS }[id]!;
    expect(verdictOf(fires, id)!.detail).toHaveProperty("bites");
  });
  it.each(["sands-through-foam", "high-tack-on-foam", "porous-filler-on-foam"])("and not for %s", (id) =>
    expect(bites({ ...PAIRS, ...MORE_PAIRS }[id]!.fires, id)).toBeUndefined(),
  );
});

describe("the wrong choices a modeller makes", () => {
  const worst = (c: Case) => judge(c).worst;
  it("a strong carrier on bare foam is a stop", () =>
    expect(worst({ on: on("xps"), pile: ["grey-primer"] })).toBe("stop"));
  it("etch on printed plastic is a stop", () =>
    expect(worst({ on: on("pla"), pile: ["etch-green", "grey-primer"] })).toBe("stop"));
  it("ordinary primer on brass without key is a stop, with key a test", () => {
    expect(worst({ on: on("brass-copper", { conditions: ["clean"] }), pile: ["grey-primer"] })).toBe("stop");
    expect(worst({ on: on("brass-copper"), pile: ["grey-primer"] })).toBe("test");
  });
  it("lacquer over an enamel in its forbidden gap is a stop; left to the plan it waits for the second window", () => {
    expect(worst({ on: on("petg"), pile: ["lightship-white", nitroOver(900)] })).toBe("stop");
    const planned = judge({
      on: on("petg"),
      pile: ["lightship-white", layer("bronze-lacquer", { before: ["scuff"] })],
    });
    expect(planned.seams[1]!.waits[0]).not.toEqual({ until: "window", index: 0 });
    expect(planned.worst).not.toBe("stop");
  });
  it("colour straight on slick plastic is a care, a test where it is handled, a stop unkeyed", () => {
    expect(fired({ on: on("petg"), pile: ["estuary-blue"] })).toEqual(["colour-on-slick"]);
    expect(worst({ on: on("petg", { exposure: ["handled"] }), pile: ["estuary-blue"] })).toBe("test");
    expect(worst({ on: on("petg", { conditions: [] }), pile: ["estuary-blue"] })).toBe("stop");
  });
  it("putty against its label is a stop", () => expect(worst({ on: on("petg"), pile: ["red-stopper"] })).toBe("stop"));
});

describe("seams", () => {
  it("a further coat of the same product inside its window is never condemned by its own bite", () => {
    for (const id of ["grey-primer", "bronze-lacquer", "lightship-white", "estuary-blue", "etch-green"]) {
      const seam = judge({ on: on("aluminium"), pile: [id, layer(id)] }).verdicts.filter(
        (v) => v.where.kind === "seam",
      );
      expect(seam.map((v) => v.verdict)).not.toContain("stop");
    }
  });
  it("water over lacquer waits until the lacquer is sandable", () => {
    const waitOver = (primer: Layer, own: Product = product("grey-primer")) =>
      judge({ on: on("petg"), pile: [primer, "estuary-blue"], with: [own] }).seams[1]!.waits[0];
    expect(waitOver(layer("grey-primer", { coats: 2, heaviness: "wet" }))).toEqual({ until: "sandable" });
    expect(waitOver(layer("grey-primer"))).toEqual({ until: "sandable" });
    // one that sands before its label lets anything on it: then its window is the wait
    const slow = product("grey-primer", { label: { ...product("grey-primer").label, recoat: [[240, null]] } });
    expect(waitOver(layer("grey-primer"), slow)).toEqual({ until: "window", index: 0 });
  });
  it("a seam with nothing against it still says ok, with a reason", () => {
    expect(
      judge({ on: on("petg"), pile: ["water-primer", "estuary-blue"] }).verdicts.filter((v) => v.where.kind === "seam"),
    ).toMatchObject([{ verdict: "ok", code: "seam-holds" }]);
  });
});

describe("what is missing", () => {
  it("a region without material is not judged", () => {
    expect(
      judgeStack({
        region: region({ material: null }),
        stack: pile("grey-primer"),
        productOf: lookup(),
        protection: SAFE,
        air: null,
      }),
    ).toEqual({ outcome: "incomplete", missing: ["region.material"] });
  });
  it("an unknown material is a stop where any candidate would be one", () => {
    const v = judge({ on: on("petg", { material: "unknown" }), pile: ["grey-primer"] }).verdicts.find((x) =>
      x.missing.includes("region.material"),
    );
    expect(v).toMatchObject({ rule: "missing-fact", verdict: "stop" });
  });
  it("an unknown carrier is judged as the strongest it could be", () => {
    const unknown = product("estuary-blue", { carriers: "unknown" });
    const on0 = (material: MaterialId) => judge({ on: on(material), pile: ["estuary-blue"], with: [unknown] });
    expect(on0("xps").worst).toBe("stop");
    expect(on0("hips").worst).toBe("test");
  });
  it("a carrier nobody knows is not asked for where it would change nothing", () => {
    const unknown = product("seawall-grey", { carriers: "unknown", family: "wb-acrylic" });
    expect(
      judge({ on: on("glassfibre"), pile: ["epoxy-primer", "seawall-grey"], with: [unknown] }).verdicts.filter(
        (v) => v.missing.length > 0 && v.where.kind === "layer",
      ),
    ).toEqual([]);
  });
  it("every material answers for every bite without a gap", () => {
    for (const material of MATERIALS)
      for (const id of ["foam-sealer", "lightship-white", "grey-primer", "bronze-lacquer"])
        expect(judge({ on: on(material), pile: [id] }).verdicts.length).toBeGreaterThan(0);
  });
});

describe("remedies", () => {
  const apply = (c: Case, rule: string): Stack => {
    const v = judge(c).verdicts.find((x) => x.rule === rule)!;
    return applyRemedy({ ...pile(...c.pile), prep: c.prep ?? [] }, v.where, v.remedy[0]!);
  };
  it("keying a slick face takes the stop away", () => {
    const c: Case = { on: { material: "petg", conditions: [] }, pile: [layer("water-primer")] };
    const mended = apply(c, "slick-unkeyed-visible");
    expect(mended.prep).toEqual(["key"]);
    expect(fired({ ...c, prep: mended.prep })).not.toContain("slick-unkeyed-visible");
  });
  it("a scuff answers a missed window", () => {
    const c: Case = { on: on("petg"), pile: [layer("epoxy-primer"), layer("grey-primer", { gapMin: 5000 })] };
    expect(fired({ ...c, pile: apply(c, "window-missed-hard").layers })).toContain("window-missed-scuffed");
  });
  it("leaving the gap to the plan answers a forbidden one", () => {
    const c: Case = { on: on("petg"), pile: [layer("lightship-white"), layer("lightship-white", { gapMin: 900 })] };
    expect(apply(c, "alkyd-forbidden-gap").layers[1]!.gapMin).toBeNull();
  });
  it("laying it lighter, and advice that changes nothing", () => {
    const c: Case = { on: on("petg"), pile: [layer("grey-primer", { heaviness: "wet", wftUm: 60 })] };
    expect(apply(c, "bare-bite-care").layers[0]).toMatchObject({ heaviness: "light", wftUm: null });
    expect(apply({ on: on("pp-pe"), pile: c.pile }, "needs-promoter").layers).toEqual(c.pile);
  });
});

describe("a kind of jar proves nothing over foam", () => {
  const spray = {
    ...product("estuary-blue"),
    id: "typical",
    jar: "water-acrylic" as const,
    carriers: ["water"] as const,
  };
  const worst = (material: MaterialId, p: Product) => judge({ on: on(material), pile: ["typical"], with: [p] }).worst;
  it.each(MATERIALS.filter((m) => ["xps", "eps"].includes(m)))("%s: a stop until its label was read", (m) => {
    expect(worst(m, spray)).toBe("stop");
    expect(worst(m, { ...spray, confirmed: ["carriers"] })).not.toBe("stop");
    expect(worst(m, { ...spray, carriers: ["water", "alcohol"] })).not.toBe("stop");
  });
  it("on a print it is taken at its kind’s word", () => {
    expect(worst("pla", spray)).toBe(worst("pla", { ...spray, confirmed: ["carriers"] }));
  });
});
