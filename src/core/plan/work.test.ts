import { workText } from "@/messages";
import { layer, lookup, pile, product, region, steadyAir } from "../../../tests/support/world";
import { prefixClock } from "../film";
import type { OpRecord } from "../history";
import { judgeStack } from "../judge";
import { labelForbids, possibleBites, preparedConditions } from "../rules";
import {
  canShut,
  chainOf,
  type PlanRegion,
  partDryWait,
  spansOf,
  type Wait,
  type WaitContext,
  waitAssumed,
  withHistory,
} from "../work";

const HORIZON_MIN = 60 * 1440;
const clock = prefixClock(steadyAir(20, 50), 0, HORIZON_MIN);
const laid = (id: string, over: Partial<WaitContext> = {}): WaitContext => {
  const p = product(id, { label: { ...product(id).label, coats: 1 } });
  return {
    coats: [{ product: p, wftUm: p.label.wftUm, endMin: 100 }],
    fromMin: 100,
    clock,
    caution: "likely",
    notYet: null,
    ...over,
  };
};
const seam = (...waits: Extract<Wait, { kind: "seam" }>["waits"]): Wait => ({ kind: "seam", waits, fallback: [] });
const spans = (wait: Wait, ctx: WaitContext) =>
  spansOf(wait, ctx).map((s) => [Math.round(s.startMin), s.endMin === null ? null : Math.round(s.endMin)]);

describe("waits as spans of time", () => {
  it("nothing to wait for", () => expect(spans({ kind: "none" }, laid("grey-primer"))).toEqual([[100, null]]));
  it("a washed part, a wipe, a wet rub", () => {
    expect(spans(partDryWait(60), laid("grey-primer"))).toEqual([[160, null]]);
    expect(spans({ kind: "wipe-flash" }, laid("grey-primer"))).toEqual([[110, null]]);
  });
  it("the next coat of a lacquer from its flash on", () =>
    expect(spans({ kind: "flash", apartMin: null }, laid("grey-primer"))).toEqual([[110, null]]));
  it("the next coat of an enamel in either window, never between", () => {
    expect(spans({ kind: "flash", apartMin: null }, laid("lightship-white"))).toEqual([
      [160, 460],
      [4420, null],
    ]);
  });
  it("the next coat of a two-pack only inside its window", () =>
    expect(spans({ kind: "flash", apartMin: null }, laid("epoxy-primer"))).toEqual([[125, 1540]]));
  it("a promoter’s own next coat, or once it is hard", () => {
    const own = spans({ kind: "flash", apartMin: null }, laid("grip-promoter"));
    expect(own[0]).toEqual([105, 160]);
    expect(own[1]![0]).toBeGreaterThanOrEqual(580);
  });
  it("the next layer: window, sandable, cured, or a wait somebody set", () => {
    expect(spans(seam({ until: "window", index: 0 }), laid("epoxy-primer"))).toEqual([[190, 1540]]);
    expect(spans(seam({ until: "sandable" }), laid("grey-primer"))).toEqual([[160, null]]);
    expect(spans(seam({ until: "cured" }), laid("grey-primer"))).toEqual([[1540, null]]);
    expect(spans(seam({ until: "gap", gapMin: 33, within: [] }), laid("grey-primer"))).toEqual([[133, null]]);
  });
  it("several ways are joined where they meet", () => {
    expect(spans(seam({ until: "window", index: 0 }, { until: "window", index: 1 }), laid("lightship-white"))).toEqual([
      [160, 460],
      [4420, null],
    ]);
    expect(spans(seam({ until: "window", index: 0 }, { until: "missed" }), laid("epoxy-primer"))).toEqual([
      [190, null],
    ]);
  });
  it("safe waits open later and shut sooner", () => {
    const [[likelyOpen, likelyShut]] = spans(seam({ until: "window", index: 0 }), laid("epoxy-primer")) as [
      [number, number],
    ];
    const [[safeOpen, safeShut]] = spans(
      seam({ until: "window", index: 0 }),
      laid("epoxy-primer", { caution: "safe" }),
    ) as [[number, number]];
    expect(safeOpen).toBeGreaterThan(likelyOpen);
    expect(safeShut).toBeLessThan(likelyShut);
  });
  it("a look that found it tacky moves the opening past the look", () => {
    expect(
      spans({ kind: "sandable" }, laid("grey-primer", { notYet: { atMin: 170, lacks: null } }))[0]![0],
    ).toBeGreaterThan(170);
    // looked before the coat was on: says nothing of this coat
    expect(spans({ kind: "sandable" }, laid("grey-primer", { notYet: { atMin: 90, lacks: null } }))).toEqual([
      [160, null],
    ]);
  });
  it("what never comes within the horizon has no span", () =>
    expect(spans(partDryWait(HORIZON_MIN), laid("grey-primer"))).toEqual([]));
  it("only what can shut binds two pieces of work together", () => {
    expect(canShut({ kind: "flash", apartMin: null }, laid("epoxy-primer").coats)).toBe(true);
    expect(canShut({ kind: "flash", apartMin: null }, laid("grey-primer").coats)).toBe(false);
    expect(canShut({ kind: "sandable" }, laid("epoxy-primer").coats)).toBe(false);
    expect(canShut(seam({ until: "sandable" }), laid("epoxy-primer").coats)).toBe(false);
  });
  it("says when a figure is not the label’s", () => {
    expect(waitAssumed(partDryWait(20), [])).toBe(true);
    expect(waitAssumed({ kind: "sandable" }, laid("grey-primer").coats)).toBe(false);
    expect(waitAssumed({ kind: "sandable" }, laid("etch-green").coats)).toBe(true);
  });
});

describe("a stack as work", () => {
  const part: PlanRegion = {
    region: region({ id: "r", areaCm2: 100 }),
    stack: {
      prep: ["wash", "key"],
      layers: [
        layer("build-primer", { id: "a", coats: 2, sandAfter: { grit: 400, wet: true, takesUm: 5 } }),
        layer("estuary-blue", { id: "b", before: ["scuff", "wipe"] }),
      ],
    },
  };
  const judged = judgeStack({ ...part, productOf: lookup(), protection: ["extraction", "p3"], air: null });
  if (judged.outcome !== "judged") throw new Error("incomplete");
  const chain = chainOf(part.region, part.stack, judged.seams, lookup());
  const tied = (from: string, to: string) =>
    chain.ties.filter((t) => t.from === from && t.to === to).map((t) => t.wait.kind);
  it("goes from the bare face up", () =>
    expect(chain.ops.map((o) => o.id)).toEqual([
      "r:prep:wash",
      "r:prep:key",
      "a:coat:1",
      "a:coat:2",
      "a:sand",
      "b:before:scuff",
      "b:before:wipe",
      "b:coat:1",
    ]));
  it("with the right wait in between", () => {
    expect(tied("r:prep:wash", "r:prep:key")).toEqual(["part-dry"]);
    expect(tied("a:coat:1", "a:coat:2")).toEqual(["flash"]);
    expect(tied("a:coat:2", "a:sand")).toEqual(["sandable"]);
    expect(tied("a:sand", "b:before:scuff")).toEqual(["part-dry"]);
    expect(tied("a:coat:2", "b:before:scuff")).toEqual(["sandable"]);
    expect(tied("b:before:wipe", "b:coat:1")).toEqual(["wipe-flash"]);
    expect(tied("a:coat:2", "b:coat:1")).toEqual(["seam"]);
  });
  it("takes whole steps of five minutes, longer for larger faces", () => {
    const large = chainOf({ ...part.region, areaCm2: 900 }, part.stack, judged.seams, lookup());
    chain.ops.forEach((o, i) => {
      expect(o.handsOnMin % 5).toBe(0);
      expect(large.ops[i]!.handsOnMin).toBeGreaterThanOrEqual(o.handsOnMin);
    });
  });
  it("says which paper: by material for the key, as told for the rub", () => {
    expect(chain.ops.find((o) => o.id === "r:prep:key")!.abrasive).toEqual({ from: 180, to: 320, wet: false });
    expect(chain.ops.find((o) => o.id === "a:sand")!.abrasive).toEqual({ from: 400, to: 400, wet: true });
  });
  it("wet-rubbed paint on wood is dry when its face is; bare wood when its body is", () => {
    const ply = { ...part.region, material: "wood-mdf" as const };
    const chain = chainOf(ply, { ...part.stack, prep: ["wash", "key"] }, judged.seams, lookup());
    const driedAfter = (id: string) => {
      const { wait } = chain.ties.find((t) => t.from === id)!;
      return wait.kind === "part-dry" ? wait.refMin : null;
    };
    expect(driedAfter("a:sand")).toBeLessThanOrEqual(180);
    expect(driedAfter("r:prep:wash")).toBeGreaterThanOrEqual(1440);
  });
  it("metal that may hold lead is only keyed wet, and dries before it goes on", () => {
    const anchor = { ...part.region, id: "lead", material: "white-metal" as const };
    const stack = { ...part.stack, prep: ["degrease", "key", "wipe"] as const };
    const wet = chainOf(anchor, stack, judged.seams, lookup());
    expect(wet.ops.find((o) => o.id === "lead:prep:key")!.abrasive).toEqual({ from: 240, to: 400, wet: true });
    expect(wet.ties.find((t) => t.from === "lead:prep:key" && t.to === "lead:prep:wipe")!.wait.kind).toBe("part-dry");
    expect(workText(wet.ops[1]!, () => null)).toBe("Key all over, wet only, P240–P400");
    expect(workText(chain.ops[1]!, () => null)).toBe("Key all over, P180–P320");
  });
  it("two coats put on in one go are one piece of work with both films", () => {
    const record: OpRecord = { opId: "a:coat:1", startMin: 0, endMin: 10, coats: 2, wftUm: 60 };
    const live = withHistory(chain, new Map([[record.opId, record]]));
    expect(live.chain.ops.map((o) => o.id)).not.toContain("a:coat:2");
    expect(live.filmUm.get("a:coat:1")).toBe(120);
    expect(live.chain.ties.some((t) => t.from === "a:coat:1" && t.to === "a:sand")).toBe(true);
  });
});

describe("dust of a part’s own rubbing", () => {
  const rub = (wet: boolean) => ({ grit: 400, wet, takesUm: 5 });
  const colour = (over: object = {}) => layer("estuary-blue", { id: "b", ...over });
  /** what the first coat of the upper layer, and that of the lower one, wait for because of dust */
  const dustBefore = (stack: PlanRegion["stack"], over: object = {}) => {
    const face = region({ id: "r", material: "petg", areaCm2: 100, ...over });
    const judged = judgeStack({ region: face, stack, productOf: lookup(), protection: ["p3"], air: null });
    if (judged.outcome !== "judged") throw new Error("incomplete");
    const isDust = ({ wait }: { wait: Wait }) => wait.kind === "fixed" && wait.what === "dust";
    const ties = chainOf(face, stack, judged.seams, lookup()).ties.filter(isDust);
    return ties.map((t) => `${t.from} > ${t.to}`);
  };
  it.each<[string, PlanRegion["stack"], object, string[]]>([
    ["a dry rub", pile(layer("grey-primer", { id: "a", sandAfter: rub(false) }), colour()), {}, ["a:sand > b:coat:1"]],
    ["a wet rub gives none", pile(layer("grey-primer", { id: "a", sandAfter: rub(true) }), colour()), {}, []],
    [
      "a dry scuff, wiped after",
      pile(layer("grey-primer", { id: "a" }), colour({ before: ["scuff", "wipe"] })),
      {},
      ["b:before:scuff > b:coat:1"],
    ],
    ["a wet scuff", pile(layer("grey-primer", { id: "a" }), colour({ before: ["scuff"], scuffWet: true })), {}, []],
    [
      "the key of the bare face, and only for the first coat on it",
      { prep: ["key", "dust-off"], layers: [layer("grey-primer", { id: "a", coats: 3 }), colour()] },
      {},
      ["r:prep:key > a:coat:1"],
    ],
    [
      "metal that may hold lead is keyed wet",
      { prep: ["key"], layers: [layer("grey-primer", { id: "a" })] },
      { material: "white-metal" },
      [],
    ],
    [
      "putty may go into dust that still hangs, the primer over it not",
      pile(
        layer("grey-primer", { id: "a", sandAfter: rub(false) }),
        layer("red-stopper", { id: "p" }),
        layer("grey-primer", { id: "n" }),
      ),
      {},
      ["a:sand > n:coat:1"],
    ],
  ])("%s", (_what, stack, over, want) => expect(dustBefore(stack, over)).toEqual(want));
});

describe("small facts", () => {
  it("preparation ends some conditions and brings others, in order", () => {
    expect(preparedConditions(["greasy", "dusty"], ["wash"])).toEqual(expect.arrayContaining(["washed", "dried"]));
    expect(preparedConditions(["greasy"], ["wash", "key"])).toEqual(expect.arrayContaining(["keyed", "dusty"]));
    expect(preparedConditions(["greasy"], ["wash", "key", "dust-off"])).not.toContain("dusty");
  });
  it("a label that names what it may go over forbids the rest; one that names nothing forbids nothing", () => {
    const clear = product("water-matt", { mayGoOver: ["wb-acrylic", "primed"] });
    expect(labelForbids(clear, product("estuary-blue"))).toBe(false);
    expect(labelForbids(clear, product("grey-primer"))).toBe(false);
    expect(labelForbids(clear, product("bronze-lacquer"))).toBe(true);
    expect(labelForbids(clear, "bare")).toBe(true);
    expect(labelForbids(product("water-matt"), "bare")).toBe(false);
  });
  it("a bite that is told beats the carriers; an unknown carrier may be any", () => {
    expect(possibleBites({ bite: "B1", carriers: ["ketone"] })).toEqual([1]);
    expect(possibleBites({ bite: null, carriers: "unknown" })).toEqual([0, 1, 2, 3, 4]);
  });
  it("a pile of nothing has nothing to judge", () => {
    const a = judgeStack({ region: region(), stack: pile(), productOf: lookup(), protection: [], air: null });
    expect(a).toMatchObject({ outcome: "judged", worst: "ok", verdicts: [] });
  });
});
