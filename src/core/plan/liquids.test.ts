import { jarRow } from "@/core/reference";
import { workText } from "@/messages";
import { layer, NOW_MIN, pile, planInput, region } from "../../../tests/support/world";
import { judgeStack, judgeWork } from "../judge";
import { type ExtraWork, type JarId, type Layer, opIds, type Product, type Region, type Stack } from "../model";
import { asLaid, filmLedger, paintShare } from "../numbers";
import { cardOfJar } from "../reference";
import { volumeSolidsOf } from "../reference/film";
import { planModel } from "./plan";
import { stockLines } from "./stock";

/** Wipes, cups, papers, helpers and strips, told with jars anybody has on a shelf. */

const known = new Map<string, Product>();
const productOf = (id: string): Product => {
  const own = known.get(id) ?? { ...cardOfJar(id as JarId, id), name: jarRow(id as JarId).name };
  known.set(id, own);
  return own;
};
const nameOf = (id: string) => productOf(id).name;
const ready: Partial<Region> = { conditions: ["keyed", "washed"] };
const wiped = (jar: string, withId: string, over: Partial<Layer> = {}) =>
  layer(jar, { before: ["wipe"], beforeWith: { wipe: withId }, ...over });

interface Job {
  readonly on: Partial<Region>;
  readonly stack: Partial<Stack>;
}
const judged = ({ on, stack }: Job) => {
  const answer = judgeStack({
    region: region({ ...ready, ...on }),
    stack: { ...pile(), ...stack },
    productOf,
    protection: ["extraction", "a2p3", "p3"],
    air: null,
  });
  if (answer.outcome !== "judged") throw new Error("incomplete");
  return answer.verdicts;
};
const layers = (...list: (Layer | string)[]) => pile(...list).layers;

describe("a wipe is judged on what it touches", () => {
  it.each<[string, Job, string, string | null]>([
    [
      "alcohol over water-borne acrylic, before the varnish",
      { on: {}, stack: { layers: layers("water-primer", "water-acrylic", wiped("water-varnish", "alcohol-wipe")) } },
      "wipe",
      "wipe-same-class",
    ],
    [
      "white spirit over enamel",
      { on: {}, stack: { layers: layers("water-primer", "hobby-enamel", wiped("enamel-varnish", "spirit-wipe")) } },
      "wipe",
      "wipe-same-class",
    ],
    [
      "soapy water over cured lacquer primer",
      { on: {}, stack: { layers: layers("primer-aerosol", wiped("water-acrylic", "dish-soap")) } },
      "wipe",
      null,
    ],
    [
      "acetone on bare insulation foam",
      {
        on: { material: "xps" },
        stack: { prep: ["wipe"], prepWith: { wipe: "acetone" }, layers: layers("foam-varnish") },
      },
      "wipe",
      "liquid-bare-stop",
    ],
    [
      "alcohol on a keyed print",
      {
        on: { material: "pla" },
        stack: { prep: ["wipe"], prepWith: { wipe: "alcohol-wipe" }, layers: layers("water-primer") },
      },
      "wipe",
      null,
    ],
    [
      "lacquer thinner on a clear canopy",
      {
        on: { material: "clear-plastic" },
        stack: { prep: ["degrease"], prepWith: { degrease: "lacquer-thinner" }, layers: layers("water-primer") },
      },
      "degrease",
      "liquid-bare-stop",
    ],
    [
      "lacquer thinner on bare steel",
      {
        on: { material: "steel-iron" },
        stack: { prep: ["degrease"], prepWith: { degrease: "lacquer-thinner" }, layers: layers("etch-aerosol") },
      },
      "degrease",
      null,
    ],
    [
      "caustic to take the rust-coloured film off aluminium",
      {
        on: { material: "aluminium" },
        stack: { prep: ["derust"], prepWith: { derust: "caustic-stripper" }, layers: layers("etch-aerosol") },
      },
      "derust",
      "caustic-on-light-metal",
    ],
    [
      "a liquid of a step that is not done says nothing",
      {
        on: { material: "xps" },
        stack: { prep: [], prepWith: { wipe: "acetone" }, layers: layers("foam-varnish") },
      },
      "wipe",
      null,
    ],
  ])("%s", (_, job, step, rule) => {
    const own = judged(job).filter((v) => v.liquid);
    expect(own.filter((v) => v.verdict === "stop").map((v) => v.rule)).toEqual(rule === null ? [] : [rule]);
    for (const v of own) expect(v.liquid!.step).toBe(step);
  });
  it("two liquids of one rule have keys of their own, each with its product", () => {
    const stack = {
      prep: ["degrease", "wipe"] as const,
      prepWith: { degrease: "acetone", wipe: "lacquer-thinner" },
      layers: layers("foam-varnish"),
    };
    const keys = judged({ on: { material: "xps" }, stack })
      .filter((v) => v.rule === "liquid-bare-stop")
      .map((v) => v.key);
    expect(keys).toHaveLength(2);
    expect(new Set(keys).size).toBe(2);
    expect(keys[0]).toContain("degrease=acetone");
  });
});

describe("what is in the cup", () => {
  const cup = (over: Partial<Layer>) => asLaid(layer("lacquer-bottle", over), productOf);
  it.each([
    ["2:1", 2 / 3],
    ["1:1", 1 / 2],
    ["4:1:1", 4 / 6],
    [null, 1],
    ["plenty", 1],
  ])("%s is %d paint", (ratio, share) => expect(paintShare(ratio)).toBeCloseTo(share));
  it("thinned one to one, a coat leaves half the film and bites like its thinner", () => {
    const own = productOf("water-acrylic");
    const thinned = asLaid(layer("water-acrylic", { thinnerId: "acrylic-thinner", thinRatio: "1:1" }), productOf);
    expect(volumeSolidsOf(thinned)).toBeCloseTo(volumeSolidsOf(own) / 2);
    expect(thinned.carriers).toContain("alcohol");
    const dry = (l: Layer) => filmLedger([l], productOf)[0]!.addedUm;
    expect(dry(layer("water-acrylic", { thinRatio: "1:1" }))).toBeCloseTo(dry(layer("water-acrylic")) / 2);
  });
  it("the same cup is the same product, so its film is worked out once", () => {
    const told = { thinnerId: "lacquer-thinner", thinRatio: "1:2" };
    expect(cup(told)).toBe(cup(told));
    expect(cup({})).toBe(productOf("lacquer-bottle"));
    expect(cup(told)).not.toBe(cup({ ...told, thinRatio: "1:1" }));
  });
  it.each<[string, string, boolean]>([
    ["lacquer-bottle", "lacquer-thinner", true],
    ["hobby-enamel", "white-spirit", true],
    ["hobby-enamel", "lacquer-thinner", false],
    ["water-acrylic", "acrylic-thinner", true],
    ["water-acrylic", "lacquer-thinner", false],
    ["water-acrylic", "white-spirit", false],
    ["alcohol-acrylic", "acrylic-thinner", true],
    ["lacquer-surfacer", "lacquer-thinner", true],
    ["lacquer-bottle", "white-spirit", false],
  ])("%s with %s", (paint, thinnerId, fits) => {
    const rules = judged({ on: {}, stack: { layers: layers("water-primer", layer(paint, { thinnerId })) } });
    expect(rules.some((v) => v.rule === "wrong-thinner")).toBe(!fits);
  });
  it("another family in the cup is a stop", () => {
    const rules = (over: Partial<Layer>) =>
      judged({ on: {}, stack: { layers: layers("water-primer", layer("hobby-enamel", over)) } }).map((v) => v.rule);
    expect(rules({ mixedWithId: "water-acrylic" })).toContain("two-in-one-cup");
  });
});

const planned = (
  stack: Partial<Stack>,
  over: Partial<Parameters<typeof planInput>[1]> = {},
  on: Partial<Region> = {},
) => {
  const input = planInput([{ region: region({ ...ready, id: "face", ...on }), stack: { ...pile(), ...stack } }], {
    productOf,
    ...over,
  });
  const answer = planModel(input);
  if (answer.outcome !== "planned") throw new Error(JSON.stringify(answer).slice(0, 400));
  return { answer, input };
};
const texts = ({ answer }: ReturnType<typeof planned>) => answer.ops.map((o) => workText(o, nameOf));

describe("as work", () => {
  it("every liquid, paper and cup stands in its own step", () => {
    const plan = planned({
      prep: ["wash"],
      prepWith: { wash: "dish-soap" },
      layers: layers(
        layer("filler-primer-aerosol", {
          coats: 2,
          heaviness: "wet",
          sandAfter: { grit: 240, wet: false, takesUm: 12, further: [{ grit: 400, wet: true }] },
        }),
        layer("lacquer-bottle", {
          thinnerId: "lacquer-thinner",
          thinRatio: "1:1",
          before: ["wipe"],
          beforeWith: { wipe: "panel-wipe" },
        }),
      ),
    });
    expect(texts(plan)).toEqual([
      "Wash and rinse: Washing-up liquid",
      expect.stringMatching(/, coat 1 of 2$/),
      expect.stringMatching(/, coat 2 of 2$/),
      "Sand P240, then P400 wet",
      "Wipe clean: Panel wipe",
      expect.stringMatching(/, thinned 1:1 with Lacquer thinner$/),
    ]);
    const rub = plan.answer.ops.find((o) => o.kind === "sand")!;
    expect(rub).toMatchObject({ dusty: true, takesUm: 12 });
  });
  it("further papers cost time, less each than the first", () => {
    const minutes = (further: { grit: number; wet: boolean }[]) => {
      const sandAfter = { grit: 240, wet: true, takesUm: 10, further };
      const stack = { layers: layers(layer("filler-primer-aerosol", { coats: 2, heaviness: "wet", sandAfter })) };
      return planned(stack, {}, { areaCm2: 900 }).answer.ops.find((o) => o.kind === "sand")!.handsOnMin;
    };
    const [one, two, three] = [[], [400], [400, 600]].map((grits) =>
      minutes(grits.map((grit) => ({ grit, wet: true }))),
    );
    expect(two!).toBeGreaterThan(one!);
    expect(three! - two!).toBeLessThanOrEqual(one!);
  });
  it("polish waits until the clear can be polished, and leaves no film", () => {
    const { answer } = planned({
      layers: layers("primer-aerosol", "lacquer-spray", "clear-lacquer-spray", "cutting-compound"),
    });
    const clear = answer.ops.findLast((o) => o.kind === "coat")!;
    const polish = answer.ops.at(-1)!;
    expect(polish).toMatchObject({ kind: "helper", withId: "cutting-compound" });
    expect(polish.wait!.milestone).toBe("polishable");
    expect(polish.startMin - clear.endMin).toBeGreaterThan(12 * 60);
  });
  it("softener lies flat on its decal before the clear, and the clear waits for the film below it", () => {
    const { answer } = planned({
      layers: layers(
        "primer-aerosol",
        "water-acrylic",
        "water-varnish",
        "decal-sheet",
        "decal-softener",
        "matt-varnish-bottle",
      ),
    });
    const ops = answer.ops.filter((o) => o.kind === "coat" || o.kind === "helper");
    expect(ops.map((o) => o.productId ?? o.withId)).toEqual([
      "primer-aerosol",
      "water-acrylic",
      "water-varnish",
      "decal-sheet",
      "decal-softener",
      "matt-varnish-bottle",
    ]);
    const at = (id: string) => ops.find((o) => (o.productId ?? o.withId) === id)!;
    expect(at("matt-varnish-bottle").startMin).toBeGreaterThanOrEqual(at("decal-softener").endMin + 15);
  });
  it("a cup thinned one to two takes a third of the paint out of the can", () => {
    const need = (thinRatio: string | null) => {
      const { answer, input } = planned({ layers: layers("primer-aerosol", layer("lacquer-bottle", { thinRatio })) });
      return stockLines(answer.ops, input.regions, productOf).find((l) => l.productId === "lacquer-bottle")!.needMl;
    };
    expect(need("1:2")).toBeCloseTo(need(null) / 3);
  });
});

describe("taking paint off", () => {
  const strip = (over: Partial<Extract<ExtraWork, { kind: "strip" }>>): ExtraWork => ({
    kind: "strip",
    downTo: null,
    ...over,
  });
  const harms = (material: Region["material"], work: ExtraWork) =>
    judgeWork(
      { region: region({ ...ready, material }), stack: pile("water-primer"), productOf, protection: [], air: null },
      work,
      50_000,
    )
      .filter((v) => v.verdict === "stop")
      .map((v) => v.rule);
  it.each<[string, Region["material"], ExtraWork, string[]]>([
    [
      "solvent stripper on a print",
      "pla",
      strip({ way: "stripper", withId: "solvent-stripper" }),
      ["liquid-bare-stop"],
    ],
    ["solvent stripper on steel", "steel-iron", strip({ way: "stripper", withId: "solvent-stripper" }), []],
    [
      "caustic bath on aluminium",
      "aluminium",
      strip({ way: "bath", withId: "caustic-stripper" }),
      ["caustic-on-light-metal"],
    ],
    ["a bath for wood", "wood-mdf", strip({ way: "bath", withId: "caustic-stripper" }), ["bath-soaks-in"]],
    ["blasting a casting", "white-metal", strip({ way: "blasted" }), []],
    ["blasting resin", "vat-resin", strip({ way: "blasted" }), ["blasting-harms"]],
    ["by hand, anything", "pla", strip({ way: "by-hand" }), []],
    ["a wipe of thinner on cured primer", "steel-iron", { kind: "wipe", withId: "lacquer-thinner" }, []],
  ])("%s", (_, material, work, stops) => expect(harms(material, work)).toEqual(stops));

  const stripped = (work: ExtraWork, on: Partial<Region> = {}) => {
    const opId = opIds.extra("face", "l1");
    const face = {
      layers: [],
      extra: [{ opId, work, atMin: NOW_MIN, doneMin: null }],
      measuredUm: new Map(),
      mends: [],
    };
    const input = planInput(
      [
        {
          region: region({ ...ready, id: "face", material: "steel-iron", ...on }),
          stack: { prep: ["key"], layers: layers("etch-aerosol", "primer-aerosol") },
          face,
        },
      ],
      { productOf },
    );
    const answer = planModel(input);
    if (answer.outcome !== "planned") throw new Error(JSON.stringify(answer).slice(0, 400));
    const [first, next] = answer.ops;
    return { first: first!, waitedMin: next!.startMin - first!.endMin, text: workText(first!, nameOf) };
  };
  it("a bath works overnight, blasting is away for hours, by hand the dust settles", () => {
    const bath = stripped(strip({ way: "bath", withId: "solvent-stripper" }));
    expect(bath.text).toBe("Strip to the material, in a bath: Paint stripper, solvent");
    expect(bath.waitedMin).toBeGreaterThanOrEqual(720);
    expect(stripped(strip({ way: "blasted", awayH: 30 })).waitedMin).toBeGreaterThanOrEqual(30 * 60);
    expect(stripped(strip({})).waitedMin).toBeGreaterThanOrEqual(20);
  });
  it("what may hold lead is scraped wet, and no dust is planned for it", () => {
    expect(stripped(strip({})).first.dusty).toBe(true);
    expect(stripped(strip({}), { lead: "unknown" }).first.dusty).toBe(false);
  });
});

describe("a layer on a share of the face", () => {
  const primed = (over: Partial<Layer>) =>
    layers("primer-aerosol", layer("stopper", { depthUm: 120, ...over }), "primer-aerosol");
  const of = (over: Partial<Layer>, on: Partial<Region> = {}) => {
    const plan = planned({ layers: primed(over) }, {}, { areaCm2: 800, ...on });
    const putty = plan.answer.ops.find((o) => o.productId === "stopper")!;
    const need = stockLines(plan.answer.ops, plan.input.regions, productOf).find(
      (l) => l.productId === "stopper",
    )!.needMl;
    return { minutes: putty.handsOnMin, need, share: putty.share };
  };
  it("takes its share of hands and paint; putty in a depth lies on spots without being told", () => {
    const [whole, usual, tenth] = [of({ spot: false }), of({}), of({ spot: 0.1 })];
    expect(whole.share).toBeUndefined();
    expect(usual.share).toBe(0.15);
    expect(tenth.need).toBeCloseTo(whole.need / 10);
    expect(usual.need).toBeCloseTo(whole.need * 0.15);
    expect(tenth.minutes).toBeLessThan(whole.minutes);
  });
  it("adds its share of weight, and drowns no groove elsewhere", () => {
    const rules = (spot: number | false) =>
      judged({
        on: { detailUm: 300, massBudgetG: 6, areaCm2: 500, finish: "show" },
        stack: { layers: layers(layer("filler-primer-aerosol", { coats: 3, heaviness: "flood", spot })) },
      }).map((v) => v.rule);
    expect(rules(false)).toEqual(expect.arrayContaining(["detail-drowned", "over-mass"]));
    expect(rules(0.05)).not.toEqual(expect.arrayContaining(["detail-drowned"]));
    expect(rules(0.05)).not.toEqual(expect.arrayContaining(["over-mass"]));
  });
});
