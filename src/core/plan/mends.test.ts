import { FACE, inputOf, named, PRIMED, type Story, toldMishap as told } from "../../../tests/support/told-log";
import { NOW_MIN, pile, product, shelf } from "../../../tests/support/world";
import { mendBy, RECIPES, type RecipeId } from "../mishap";
import type { MishapExtent, MishapSign } from "../model";
import { diagnose, faceAt, mendWorldOf, planModel, type ToldMishap, weighMend } from ".";

/** Every way to mend, on a face where it belongs. */
const MENDED: readonly [RecipeId, MishapSign, MishapExtent, Story][] = [
  ["leave", "nib", "speck", { stack: PRIMED, done: { "p:coat:1": [900, 890, 40], "p:coat:2": [880, 875, 40] } }],
  ["wait-on", "clogging", "face", { stack: PRIMED, done: { "p:coat:1": [40, 35, 40], "p:coat:2": [20, 15, 40] } }],
  ["pick-out", "nib", "speck", { stack: PRIMED, done: { "p:coat:1": [20, 15, 40] } }],
  [
    "wash-off",
    "run",
    "face",
    {
      stack: PRIMED,
      done: { "p:coat:1": [900, 890, 40], "p:coat:2": [880, 875, 40], "c:coat:1": [5, 2, 35] },
      products: [product("white-spirit", { id: "water", carriers: ["water"], role: "thinner" })],
    },
  ],
  ["level-recoat", "run", "patch", { stack: PRIMED, done: { "p:coat:1": [30, 25, 40], "p:coat:2": [15, 10, 90] } }],
  [
    "feather-prime",
    "flakes",
    "patch",
    {
      stack: PRIMED,
      done: {
        "p:coat:1": [9000, 8990, 40],
        "p:coat:2": [8900, 8890, 40],
        "c:coat:1": [3000, 2990, 35],
        "c:coat:2": [2900, 2890, 35],
      },
    },
  ],
  [
    "refill",
    "sunken",
    "patch",
    {
      stack: pile(
        named("u", "grey-primer"),
        named("f", "red-stopper", { before: ["scuff"] }),
        named("p", "grey-primer", { coats: 2 }),
        named("c", "estuary-blue"),
      ),
      done: {
        "u:coat:1": [5000, 4990, 40],
        "f:before:scuff": [4100, 4090],
        "f:coat:1": [4000, 3990, 240],
        "p:coat:1": [3000, 2990, 40],
        "p:coat:2": [2950, 2940, 40],
      },
    },
  ],
  [
    "reseal",
    "eaten",
    "patch",
    {
      region: { material: "xps", conditions: [] },
      stack: pile(named("s", "foam-sealer", { coats: 3 }), named("w", "water-primer")),
      done: {
        "s:coat:1": [4000, 3990, 90],
        "s:coat:2": [3700, 3690, 90],
        "s:coat:3": [3400, 3390, 90],
        "w:coat:1": [900, 890, 40],
      },
    },
  ],
  [
    "strip-film",
    "lifting",
    "face",
    { stack: PRIMED, done: { "p:coat:1": [9000, 8990, 40], "p:coat:2": [8900, 8890, 40], "c:coat:1": [60, 50, 60] } },
  ],
  ["strip-all", "flakes", "face", { stack: PRIMED, done: { "p:coat:1": [9000, 8990, 40] } }],
  [
    "recure",
    "weeping",
    "face",
    { region: { material: "vat-resin" }, stack: PRIMED, done: { "p:coat:1": [90_000, 89_990, 40] } },
  ],
  [
    "polish-out",
    "aged",
    "face",
    {
      stack: pile(named("g", "lacquer-gloss", { coats: 2 })),
      done: { "g:coat:1": [60_000, 59_990, 40], "g:coat:2": [59_900, 59_890, 40] },
    },
  ],
  [
    "even-sheen",
    "patchy",
    "face",
    {
      stack: PRIMED,
      done: {
        "p:coat:1": [9000, 8990, 40],
        "p:coat:2": [8900, 8890, 40],
        "c:coat:1": [3000, 2990, 35],
        "c:coat:2": [2900, 2890, 35],
      },
    },
  ],
  [
    "redecal",
    "silvered",
    "patch",
    {
      stack: pile(named("g", "water-gloss"), named("d", "name-decals")),
      done: { "g:coat:1": [9000, 8990, 40], "d:coat:1": [1500, 1490, 20] },
    },
  ],
  [
    "touch-up",
    "bleed",
    "speck",
    {
      stack: PRIMED,
      done: {
        "p:coat:1": [9000, 8990, 40],
        "p:coat:2": [8900, 8890, 40],
        "c:coat:1": [3000, 2990, 35],
        "c:coat:2": [2900, 2890, 35],
      },
    },
  ],
  ["dry-out", "rained-on", "face", { stack: PRIMED, done: { "p:coat:1": [40, 35, 40] } }],
  ["swap", "ran-out", "face", { stack: PRIMED, done: { "p:coat:1": [40, 35, 40] } }],
];

describe("every way to mend is work that can be planned", () => {
  it("there is a story for each", () => expect(MENDED.map(([r]) => r).sort()).toEqual([...RECIPES].sort()));
  it.each(MENDED)("%s, for %s on a %s", (recipe, sign, extent, story) => {
    const before = inputOf(story);
    const way = mendBy(
      recipe,
      mendWorldOf(
        faceAt(before, FACE, NOW_MIN)!,
        told(sign, { extent, shelf: [...shelf.values(), ...(story.products ?? [])] }),
      ),
    );
    if (!way.ok) throw new Error(way.why);
    const after = inputOf({ ...story, mends: [{ id: "m", recipe, mend: way.mend, ago: 0 }] });
    const price = weighMend(before, after, FACE);
    expect(price.stops).toEqual([]);
    const answer = planModel(after);
    const nothing = way.mend.works.length + way.mend.layers.length === 0 && way.mend.rub === null;
    if (answer.outcome === "refused")
      throw new Error(answer.stops.map((s) => `${s.verdict.code} at ${s.verdict.where.layer}`).join());
    if (answer.outcome === "conflict") throw new Error(JSON.stringify(answer.conflict));
    expect(["planned", ...(nothing ? ["nothing-to-plan"] : [])]).toContain(answer.outcome);
    if (answer.outcome !== "planned") return;
    expect(answer.verified.early).toBe(0);
    const did = (id: string) => answer.ops.some((o) => o.id.startsWith(id));
    for (const l of way.mend.layers) expect(did(`${l.id}:`)).toBe(true);
    for (const n of way.mend.works.keys()) expect(did(`${FACE}:extra:m-w${n + 1}`)).toBe(true);
    if (!nothing) expect(price.handsMin).toBeGreaterThan(0);
    // in the order of the recipe, each after the one before
    const starts = way.mend.works.map((_, n) => answer.ops.find((o) => o.id === `${FACE}:extra:m-w${n + 1}`)!.startMin);
    expect([...starts].sort((a, b) => a - b)).toEqual(starts);
  });
});

describe("a mend", () => {
  const run: Story = { stack: PRIMED, done: { "p:coat:1": [30, 25, 40], "p:coat:2": [15, 10, 90] } };
  const wayOf = (story: Story, recipe: RecipeId, over: Partial<ToldMishap> = {}) => {
    const way = mendBy(recipe, mendWorldOf(faceAt(inputOf(story), FACE, NOW_MIN)!, told("run", over)));
    if (!way.ok) throw new Error(way.why);
    return way.mend;
  };
  it("waits for its own film: a run in a lacquer primer is not rubbed wet", () => {
    const mend = wayOf(run, "level-recoat");
    const answer = planModel(inputOf({ ...run, mends: [{ id: "m", recipe: "level-recoat", mend, ago: 0 }] }));
    if (answer.outcome !== "planned") throw new Error(answer.outcome);
    const rub = answer.ops.find((o) => o.id === "p:sand")!;
    expect(rub.startMin - (NOW_MIN - 10)).toBeGreaterThan(55);
    expect(rub.abrasive).toMatchObject({ from: 600, wet: true });
    const coat = answer.ops.find((o) => o.id === "m-m1:coat:1")!;
    expect(coat.productId).toBe("grey-primer");
    expect(coat.startMin).toBeGreaterThan(rub.endMin);
    expect(answer.ops.find((o) => o.id === "c:coat:1")!.startMin).toBeGreaterThan(coat.endMin);
  });
  it("in the middle of a layer goes between its coats, and nothing is laid twice", () => {
    const half: Story = { stack: PRIMED, done: { "p:coat:1": [30, 25, 90] } };
    const mend = wayOf(half, "level-recoat");
    expect(mend).toMatchObject({ rub: null, layers: [], works: [{ kind: "rub" }] });
    const spot = wayOf(half, "feather-prime");
    expect(spot.cut).toEqual({ layerId: "p", coats: 1 });
    const answer = planModel(inputOf({ ...half, mends: [{ id: "m", recipe: "feather-prime", mend: spot, ago: 0 }] }));
    if (answer.outcome !== "planned") throw new Error(answer.outcome);
    const primers = answer.ops.filter((o) => o.kind === "coat" && o.productId === "grey-primer");
    // one down, two on the spot, and the one the layer still had
    expect(primers.map((o) => o.id)).toEqual(["p:coat:1", "m-m1:coat:1", "m-m1:coat:2", "m-m2:coat:1"]);
  });
  it("of a mend lies over that mend, and each is still there", () => {
    const first = wayOf(run, "level-recoat");
    const twice: Story = {
      ...run,
      done: {
        "p:coat:1": [930, 925, 40],
        "p:coat:2": [915, 910, 90],
        "p:sand": [300, 290],
        "m-m1:before:wipe": [280, 278],
        "m-m1:coat:1": [200, 195, 90],
      },
      mends: [{ id: "m", recipe: "level-recoat", mend: first, ago: 800 }],
    };
    const world = mendWorldOf(faceAt(inputOf(twice), FACE, NOW_MIN)!, told("run", { mendId: "n" }));
    expect(world.stack.layers[world.top]!.id).toBe("m-m1");
    const again = mendBy("level-recoat", world);
    if (!again.ok) throw new Error(again.why);
    const both = inputOf({
      ...twice,
      mends: [...twice.mends!, { id: "n", recipe: "level-recoat", mend: again.mend, ago: 0 }],
    });
    expect(both.regions[0]!.stack.layers.map((l) => l.id)).toEqual(["p", "m-m1", "n-m1", "c"]);
    expect(planModel(both).outcome).toBe("planned");
  });
  it("tried before on this film is offered after what was not", () => {
    const ways = (tried: RecipeId[]) =>
      diagnose(inputOf(run), told("run", { tried }))!
        .ways.filter((w) => w.way.ok)
        .map((w) => w.recipe);
    expect(ways([])[0]).toBe("level-recoat");
    expect(ways(["level-recoat"])[0]).not.toBe("level-recoat");
    expect(ways(["level-recoat"])).toContain("level-recoat");
  });
  it("leaving stands first on a hidden face, and is no way on one for show", () => {
    const ways = (finish: "hidden" | "show") => diagnose(inputOf({ ...run, region: { finish } }), told("run"))!.ways;
    expect(ways("hidden")[0]!.recipe).toBe("leave");
    expect(ways("show").find((w) => w.recipe === "leave")!.way).toEqual({ ok: false, why: "finish-forbids" });
  });
  it("where lead may be is rubbed wet", () => {
    const mend = wayOf({ ...run, region: { material: "white-metal", lead: "unknown" } }, "feather-prime");
    expect(mend.works.every((w) => w.kind !== "rub" || w.wet)).toBe(true);
  });
  it("foam without a seal is not stripped, and with one no farther than that", () => {
    const bare: Story = {
      region: { material: "xps", conditions: [] },
      stack: pile(named("w", "water-primer")),
      done: { "w:coat:1": [900, 890, 40] },
    };
    const sealed: Story = {
      ...bare,
      stack: pile(named("s", "foam-sealer"), named("w", "water-primer")),
      done: { "s:coat:1": [4000, 3990, 90], ...bare.done },
    };
    const of = (s: Story) => mendBy("strip-all", mendWorldOf(faceAt(inputOf(s), FACE, NOW_MIN)!, told("lifting")));
    expect(of(bare)).toEqual({ ok: false, why: "lead-or-foam" });
    expect(of(sealed)).toMatchObject({ ok: true, mend: { works: [{ kind: "strip", downTo: "s" }] } });
  });
  it("stripping has the film laid again", () => {
    const story = MENDED.find(([r]) => r === "strip-film")![3];
    const mend = wayOf(story, "strip-film");
    const answer = planModel(inputOf({ ...story, mends: [{ id: "m", recipe: "strip-film", mend, ago: 0 }] }));
    if (answer.outcome !== "planned") throw new Error(answer.outcome);
    expect(answer.ops.filter((o) => o.kind === "coat" && o.state === "planned").map((o) => o.id)).toEqual([
      "c:coat:1",
      "c:coat:2",
    ]);
  });
  it("does not lay a coat again the way it failed", () => {
    const recoated = (story: Story, sign: MishapSign, answers: Record<string, boolean> = {}) => {
      const d = diagnose(inputOf(story), told(sign, { answers: new Map(Object.entries(answers)) }))!;
      const way = d.ways.find((w) => w.recipe === "level-recoat")!.way;
      if (!way.ok) throw new Error(way.why);
      return way.mend.layers[0]!;
    };
    // laid too wet: thinner, and once more
    expect(recoated(run, "run")).toMatchObject({ heaviness: "mist", coats: 2 });
    // nothing speaks for any cause: as ever
    const plain: Story = { stack: PRIMED, done: { "p:coat:1": [60, 55, 40], "p:coat:2": [20, 15, 40] } };
    expect(recoated(plain, "run")).toMatchObject({ heaviness: "light", coats: 1, before: ["wipe"] });
    // a cold can: warmed first
    expect(recoated(plain, "orange-peel", { "can-cold": true }).before).toContain("warm-can");
  });
  it("past what fits, weighs or stays legible is told as any pile is", () => {
    const all = told("run", { extent: "face" });
    const build = (over: object) => {
      const at = faceAt(inputOf({ ...run, region: over }), FACE, NOW_MIN)!;
      return at.answer.ledger.reduce((um, l) => um + l.addedUm - l.takenUm, 0);
    };
    const fits = Math.ceil(build({})) + 1;
    const story: Story = { ...run, region: { fitAllowanceUm: fits } };
    const before = inputOf(story);
    const way = mendBy("level-recoat", mendWorldOf(faceAt(before, FACE, NOW_MIN)!, all));
    if (!way.ok) throw new Error(way.why);
    const mends = [{ id: "m", recipe: "level-recoat", mend: { ...way.mend, rub: null }, ago: 0 }];
    expect(weighMend(before, before, FACE).verdict).toBe("ok");
    const price = weighMend(before, inputOf({ ...story, mends }), FACE);
    expect(price.verdict).not.toBe("ok");
  });
  it("costs what the log would have it cost: hands, and the finish no sooner", () => {
    const mend = wayOf(run, "level-recoat");
    const price = weighMend(
      inputOf(run),
      inputOf({ ...run, mends: [{ id: "m", recipe: "level-recoat", mend, ago: 0 }] }),
      FACE,
    );
    expect(price).toMatchObject({ stops: [] });
    expect(price.handsMin).toBeGreaterThanOrEqual(10);
    expect(price.handsMin).toBeLessThanOrEqual(45);
    expect(price.movesMin).toBeGreaterThanOrEqual(0);
    expect(price.rightMin).toBeGreaterThan(NOW_MIN);
  });
});
