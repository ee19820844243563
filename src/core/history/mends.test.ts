import fc from "fast-check";
import { type Layer, type Mend, opIds } from "../model";
import { type BenchEvent, fold, mendLayerId, mendWorkId, movesNoPlan, withMends } from ".";

/** Mends as the log tells them: what stands of each, and where it lies in the pile. */

const R = "face";
const layer = (id: string, coats = 2): Layer => ({
  id,
  productId: `of-${id}`,
  coats,
  heaviness: "light",
  wftUm: null,
  gapMin: null,
  before: [],
  sandAfter: null,
});
const STACK = { prep: [], layers: [layer("p"), layer("c"), layer("k")] };
let serial = 0;
const base = (opId: string, atMin: number) => ({ id: `e${++serial}`, regionId: R, opId, atMin });
const done = (opId: string, atMin: number, coats: number | null = null): BenchEvent => ({
  ...base(opId, atMin),
  kind: "done",
  coats,
  wftUm: null,
});
const mended = (id: string, atMin: number, mend: Partial<Mend>, reportId: string | null = null): BenchEvent => ({
  id,
  regionId: R,
  opId: opIds.mend(R, id),
  atMin,
  kind: "mended",
  reportId,
  recipe: "level-recoat",
  mend: { works: [], rub: null, cut: null, over: null, layers: [], ...mend },
});
const own = (id: string, n = 1) => Array.from({ length: n }, (_, i) => layer(mendLayerId(id, i), 1));
const reported = (id: string, atMin: number): BenchEvent => ({
  id,
  regionId: R,
  opId: opIds.note(R, id),
  atMin,
  kind: "reported",
  sign: "run",
  layerId: "p",
  extent: "patch",
  place: null,
});
const withdrawn = (reportId: string, atMin: number): BenchEvent => ({
  ...base(opIds.note(R, "w"), atMin),
  kind: "withdrawn",
  reportId,
});
const pileOf = (events: readonly BenchEvent[]) => withMends(STACK, fold(events).faces.get(R)).layers.map((l) => l.id);
const laid = [done("p:coat:1", 10), done("p:coat:2", 20)];

describe("a mend in the pile", () => {
  it("lies over what lay uppermost, under what is to come", () =>
    expect(pileOf([...laid, mended("m", 30, { over: "p", layers: own("m", 2) })])).toEqual([
      "p",
      "m-m1",
      "m-m2",
      "c",
      "k",
    ]));
  it("cuts a layer off where it is, rubs it, and is marked as the mend's", () => {
    const sandAfter = { grit: 400, wet: true, takesUm: 8 };
    const events = [
      laid[0]!,
      mended("m", 30, {
        over: "p",
        cut: { layerId: "p", coats: 1 },
        rub: { layerId: "p", sandAfter },
        layers: own("m"),
      }),
    ];
    const { layers } = withMends(STACK, fold(events).faces.get(R));
    expect(layers[0]).toMatchObject({ id: "p", coats: 1, sandAfter });
    expect(layers[1]!.mend).toBe("m");
    expect(layers[2]).toEqual(STACK.layers[1]);
  });
  it("whose ground is no more in the pile lies where mends lie, and is not lost", () => {
    const face = fold([...laid, mended("m", 30, { over: "gone", layers: own("m") })]).faces.get(R);
    expect(withMends(STACK, face).layers.map((l) => l.id)).toContain("m-m1");
  });
  it("put in twice lies there once", () => {
    const face = fold([...laid, mended("m", 30, { over: "p", layers: own("m") })]).faces.get(R);
    const once = withMends(STACK, face);
    expect(withMends(once, face).layers.map((l) => l.id)).toEqual(once.layers.map((l) => l.id));
  });
  it("its work stands in order, each piece behind the one before", () => {
    const face = fold([
      ...laid,
      mended("m", 30, { over: "p", works: [{ kind: "pad" }, { kind: "look", until: "touch" }] }),
    ]).faces.get(R)!;
    expect(face.extra.map((w) => [w.opId, w.afterId])).toEqual([
      [mendWorkId({ regionId: R, id: "m" }, 0), undefined],
      [mendWorkId({ regionId: R, id: "m" }, 1), mendWorkId({ regionId: R, id: "m" }, 0)],
    ]);
  });
});

describe("stripping", () => {
  const first = mended("m", 30, { over: "p", layers: own("m") });
  const strip = (downTo: string | null, atMin: number): BenchEvent => ({
    ...base(opIds.extra(R, "x"), atMin),
    kind: "worked",
    work: { kind: "strip", downTo },
  });
  it("takes the mends above with it", () => {
    const events = [...laid, first, done("m-m1:coat:1", 40), done("c:coat:1", 50)];
    expect(pileOf([...events, strip("p", 60)])).toEqual(["p", "c", "k"]);
    expect(pileOf([...events, strip("m-m1", 60)])).toEqual(["p", "m-m1", "c", "k"]);
    expect(pileOf([...events, strip(null, 60)])).toEqual(["p", "c", "k"]);
    expect(fold([...events, strip(null, 60)]).records.map((r) => r.opId)).not.toContain("p:coat:1");
  });
  it("as part of a mend has the film laid again, and the mend's own layers stay", () => {
    const m = mended("n", 60, { over: "c", works: [{ kind: "strip", downTo: "p" }], layers: [] });
    const { records, faces } = fold([...laid, done("c:coat:1", 50), m]);
    expect(records.map((r) => r.opId)).toEqual(["p:coat:1", "p:coat:2"]);
    expect(faces.get(R)!.extra).toMatchObject([{ work: { kind: "strip" }, doneMin: null }]);
  });
});

describe("a report taken back", () => {
  it("takes along what is not done of its mend, and leaves what is", () => {
    const events = [
      ...laid,
      reported("r", 25),
      mended("m", 30, { over: "p", works: [{ kind: "pad" }], layers: own("m", 2) }, "r"),
    ];
    const begun = [...events, done(`${R}:extra:m-w1`, 35), done("m-m1:coat:1", 40)];
    expect(pileOf([...events, withdrawn("r", 50)])).toEqual(["p", "c", "k"]);
    expect(pileOf([...begun, withdrawn("r", 50)])).toEqual(["p", "m-m1", "c", "k"]);
    expect(fold([...begun, withdrawn("r", 50)]).faces.get(R)!.extra).toHaveLength(1);
    const both = mended("n", 30, { over: "p", works: [{ kind: "pad" }, { kind: "pad" }, { kind: "pad" }] }, "r");
    const second = fold([...laid, reported("r", 25), both, done(`${R}:extra:n-w2`, 35), withdrawn("r", 50)]);
    // the work that was done is still the second of its row
    expect(second.faces.get(R)!.extra.map((w) => [w.opId, w.doneMin])).toEqual([
      [`${R}:extra:n-w1`, null],
      [`${R}:extra:n-w2`, 35],
    ]);
    expect(fold([...events, withdrawn("r", 50)]).reports).toMatchObject([
      { id: "r", withdrawn: true, recipes: ["level-recoat"] },
    ]);
  });
});

it("whatever is mended and taken back in whatever order: no layer twice, none of the user's own lost, all that was laid lies there", () => {
  const step = fc.oneof(
    fc.record({
      do: fc.constant("mend" as const),
      over: fc.constantFrom("p", "c", null),
      layers: fc.integer({ min: 0, max: 3 }),
      cut: fc.boolean(),
    }),
    fc.record({ do: fc.constant("lay" as const), n: fc.nat(9) }),
    fc.record({ do: fc.constant("withdraw" as const), n: fc.nat(9) }),
  );
  fc.assert(
    fc.property(fc.array(step, { maxLength: 14 }), (steps) => {
      const events: BenchEvent[] = [...laid];
      const open: string[] = [];
      const down = new Set<string>(["p"]);
      let at = 100;
      for (const [i, s] of steps.entries()) {
        at += 10;
        if (s.do === "mend") {
          events.push(reported(`r${i}`, at));
          const layers = own(`m${i}`, s.layers);
          const cut = s.cut ? { layerId: "p", coats: 2 } : null;
          events.push(mended(`m${i}`, at, { over: s.over, layers, cut }, `r${i}`));
          open.push(...layers.map((l) => l.id));
        }
        const next = open[s.do === "lay" ? s.n % Math.max(1, open.length) : 0];
        if (s.do === "lay" && next !== undefined) {
          const standing = pileOf(events).includes(next);
          if (standing) {
            events.push(done(`${next}:coat:1`, at));
            down.add(next);
          }
        }
        if (s.do === "withdraw") events.push(withdrawn(`r${s.n}`, at));
      }
      const pile = pileOf(events);
      expect(new Set(pile).size).toBe(pile.length);
      expect(pile.filter((id) => ["p", "c", "k"].includes(id))).toEqual(["p", "c", "k"]);
      for (const id of down) expect(pile).toContain(id);
    }),
    { seed: 20261128, numRuns: 400 },
  );
});

it("what is only said moves no plan; what ends a mend or a mark does", () => {
  expect((["reported", "amended", "answered", "settled", "struck"] as const).every(movesNoPlan)).toBe(true);
  expect((["withdrawn", "looked", "closed", "mended", "done", "not-yet"] as const).some(movesNoPlan)).toBe(false);
});
