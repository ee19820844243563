/** What logs tell of waits, as small jobs: what was noted at the bench, and what a practitioner would take from it. */

import { product } from "../../../tests/support/world";
import { steadyClock } from "../film";
import { type BenchEvent, fold, type Sign } from "../history";
import { learnt } from "../learning";
import type { Product } from "../model";
import { STILL_AIR_M_S } from "../reference";
import { calibration, explained, type FilmLook, filmLook, seenFilms, telling } from ".";

const PRIMER = product("grey-primer");
const COLOUR = product("bronze-lacquer");
const CANS: Readonly<Record<string, Product>> = { primer: PRIMER, colour: COLOUR };
const H = 60;

/** `minute what operation [more]`: a coat with its can, a look with its sign. */
function events(lines: readonly string[], regionId = "face"): readonly BenchEvent[] {
  return lines.map((line, n): BenchEvent => {
    const [at, kind, opId, a, b] = line.split(" ") as [string, BenchEvent["kind"], string, string?, string?];
    const told = { id: `l${n}`, regionId, opId, atMin: Number(at) };
    switch (kind) {
      case "done": {
        const laid = a ? { laid: { productId: a, card: null, known: "then" as const } } : {};
        return { ...told, kind, coats: a ? 1 : null, wftUm: b ? Number(b) : null, ...laid };
      }
      case "not-yet":
        return { ...told, kind, sign: (a ?? null) as Sign | null };
      case "ready":
        return { ...told, kind, turned: a === "turned" };
      case "heeded":
        return { ...told, kind, lookId: a!, yes: b === "yes" };
      case "reported":
        return { ...told, kind, sign: "lifting", layerId: "c", extent: "patch", place: null };
      case "settled":
        return { ...told, kind, reportId: a!, cause: b ?? null };
      default:
        return { ...told, kind } as BenchEvent;
    }
  });
}

function looks(lines: readonly string[], tempC = 23): readonly FilmLook[] {
  const told = events(lines);
  const cardOf = ({ productId }: { productId: string }) => CANS[productId] ?? null;
  const air = { tempC, rhPct: 50, airflowMS: STILL_AIR_M_S };
  const world = {
    clockOf: (_: string, fromMin: number, toMin: number) => steadyClock(air, fromMin, toMin),
    airIsSane: () => tempC < 60,
  };
  return seenFilms(told, fold(told), { cardOf }).map((f) => filmLook(f, world, true));
}
/** A look as a share of what was predicted, to a tenth. */
const share = (l: FilmLook | undefined) => {
  const of = (min: number | null) => (min === null || !l ? null : Math.round((min / l.predictedMin) * 10) / 10);
  return l && { milestone: l.milestone, after: of(l.afterMin), by: of(l.byMin), at: of(l.atMin), leftOut: l.leftOut };
};

const laidAt0 = `0 done p:coat:1 primer ${PRIMER.label.wftUm}`;
const SAND_MIN = looks([laidAt0, "2000 done p:sand"]).find((l) => l.milestone === "sandable")!.predictedMin;
const at = (ofSandable: number) => Math.round(SAND_MIN * ofSandable);

describe("what a line of the log tells", () => {
  it.each<[string, readonly string[], ReturnType<typeof share>]>([
    [
      "rubbed at one and a half times the wait, nobody looked before: ready by then",
      [laidAt0, `${at(1.5)} started p:sand`, `${at(1.5) + 20} done p:sand`],
      { milestone: "sandable", after: null, by: 1.5, at: null, leftOut: null },
    ],
    [
      "the paper clogged, and later it did not",
      [laidAt0, `${at(1)} not-yet p:sand paper-clogs`, `${at(1.6)} started p:sand`],
      { milestone: "sandable", after: 1, by: 1.6, at: null, leftOut: null },
    ],
    [
      "looked just as it turned",
      [laidAt0, `${at(1)} not-yet p:sand paper-clogs`, `${at(1.3)} ready p:sand turned`],
      { milestone: "sandable", after: 1, by: null, at: 1.3, leftOut: null },
    ],
    [
      "found ready, rubbed only days later: the look is what tells",
      [laidAt0, `${at(1.2)} ready p:sand`, `${at(9)} started p:sand`],
      { milestone: "sandable", after: null, by: 1.2, at: null, leftOut: null },
    ],
    [
      "begun, and then it clogged: that it was begun proves nothing",
      [laidAt0, `${at(0.8)} started p:sand`, `${at(0.9)} not-yet p:sand paper-clogs`],
      { milestone: "sandable", after: 0.9, by: null, at: null, leftOut: null },
    ],
    [
      "three weeks later says nothing",
      [laidAt0, `${at(200)} started p:sand`],
      { milestone: "sandable", after: null, by: null, at: null, leftOut: "late" },
    ],
    [
      "a look at the minute of the coat",
      [laidAt0, "0 not-yet p:sand paper-clogs"],
      { milestone: "sandable", after: null, by: null, at: null, leftOut: "before-coat" },
    ],
    [
      "ready, and not yet an hour after: told the wrong way round",
      [laidAt0, `${at(1.5)} not-yet p:sand paper-clogs`, `${at(1.5)} ready p:sand`],
      { milestone: "sandable", after: null, by: null, at: null, leftOut: "backwards" },
    ],
    [
      "ten times the label’s film is a slip of the pen",
      [`0 done p:coat:1 primer ${PRIMER.label.wftUm * 10}`, `${at(1)} started p:sand`],
      { milestone: "sandable", after: null, by: null, at: null, leftOut: "thickness" },
    ],
    [
      "struck out",
      [laidAt0, `${at(1.5)} started p:sand`, `${at(2)} heeded face:note:x p:coat:1@0/sandable no`],
      { milestone: "sandable", after: null, by: 1.5, at: null, leftOut: "struck" },
    ],
    [
      "struck out and taken in again",
      [
        laidAt0,
        `${at(1.5)} started p:sand`,
        `${at(2)} heeded face:note:x p:coat:1@0/sandable no`,
        `${at(2)} heeded face:note:y p:coat:1@0/sandable yes`,
      ],
      { milestone: "sandable", after: null, by: 1.5, at: null, leftOut: null },
    ],
    [
      "a start that was unsaid never was",
      [laidAt0, `${at(1)} started p:sand`, `${at(1) + 1} taken-back p:sand`],
      undefined,
    ],
  ])("%s", (_, lines, told) => expect(share(looks(lines).find((l) => l.milestone === "sandable"))).toEqual(told));
  it("tacky is told of touch dry, whatever work was waiting for", () => {
    const [l] = looks([laidAt0, "12 not-yet p:sand tacky"]);
    expect(l).toMatchObject({ milestone: "touch", byMin: null });
    expect(l!.afterMin).toBeGreaterThan(0);
  });
  it("the next colour’s first coat tells of recoat, its second of the first’s flash", () => {
    const milestones = looks([
      laidAt0,
      `${3 * H} started c:coat:1`,
      `${3 * H + 9} done c:coat:1 colour 45`,
      `${3 * H + 30} started c:coat:2`,
    ]).map((l) => [l.canId, l.milestone]);
    expect(milestones).toEqual([
      ["primer", "recoat"],
      ["colour", "flash"],
    ]);
  });
  it("a confirmed “too soon” says the film below was not ready when the next went on", () => {
    const lines = [
      laidAt0,
      "20 started c:coat:1",
      "29 done c:coat:1 colour 45",
      "60 reported face:note:r",
      "70 settled face:note:s l3 lifting.too-soon",
    ];
    const told = looks(lines).find((l) => l.canId === "primer");
    expect(told).toMatchObject({ milestone: "recoat", byMin: null });
    expect(told!.afterMin).not.toBeNull();
    // struck, it is as if it had gone well
    const struck = looks([...lines.slice(0, 4)]).find((l) => l.canId === "primer");
    expect(struck).toMatchObject({ milestone: "recoat", afterMin: null });
  });
  it("what was stripped tells nothing of what is laid after it; a rub nobody planned tells like any other", () => {
    const base = { regionId: "face", kind: "worked" } as const;
    const stripped: BenchEvent = {
      ...base,
      id: "s",
      opId: "face:extra:s",
      atMin: 100,
      work: { kind: "strip", downTo: null },
    };
    const asked: BenchEvent = {
      ...base,
      id: "a",
      kind: "asked",
      opId: "face:extra:a",
      atMin: 5,
      work: { kind: "rub", grit: 400, wet: true, takesUm: 4 },
    };
    const told = (of: readonly BenchEvent[]) =>
      seenFilms(of, fold(of), { cardOf: ({ productId }) => CANS[productId] ?? null });
    const laid = events([laidAt0]);
    const rubbed = [...laid, asked, ...events([`${at(1.4)} done face:extra:a`])];
    expect(told(rubbed).map((f) => [f.milestone, f.byMin])).toEqual([["sandable", at(1.4)]]);
    const over = [...laid, stripped, ...events(["200 done c:coat:1 colour 45", `${200 + 3 * H} started c:coat:2`])];
    const last = told(over).at(-1)!;
    expect(last.coats.map((c) => c.product.id)).toEqual([COLOUR.id]);
  });
  it("in the cold the same hour is a smaller share of the wait", () => {
    const lines = [laidAt0, `${at(1.5)} started p:sand`];
    const of = (tempC: number) => share(looks(lines, tempC).find((l) => l.milestone === "sandable"))!.by!;
    expect(of(10)).toBeLessThan(of(23) * 0.7);
    expect(looks(lines, 70)[0]!.leftOut).toBe("air");
  });
});

describe("a shed that takes half as long again", () => {
  it("is learnt from an ordinary log: two primers, each looked at early and rubbed when it powdered", () => {
    const lines = [0, 5000, 10_000, 15_000].flatMap((t, n) => [
      `${t} done p${n}:coat:1 primer ${PRIMER.label.wftUm}`,
      `${t + at(1.1)} not-yet p${n}:sand paper-clogs`,
      `${t + at(1.7)} started p${n}:sand`,
    ]);
    const told = telling(looks(lines));
    expect(told).toHaveLength(4);
    const { shed, products } = learnt(told, ["primer"]);
    expect(products[0]!.median).toBeGreaterThan(1.2);
    expect(products[0]!.median).toBeLessThan(1.55);
    expect(shed.median).toBeGreaterThan(1.03);
  });
});

describe("what it comes to", () => {
  it("a factor of three is explained by film, by cold, or by the label", () => {
    const { filmTimes, coolerK } = explained(PRIMER, "sandable", 3);
    expect(filmTimes).toBeGreaterThan(1.3);
    expect(filmTimes).toBeLessThan(4);
    // a Q10 of about two: three times as long is some fifteen degrees
    expect(coolerK).toBeGreaterThan(8);
    expect(coolerK).toBeLessThan(25);
  });
  it("what was foretold is held against what was seen, by the looks before it alone", () => {
    const lines = [0, 5000, 10_000, 15_000, 20_000].flatMap((t, n) => [
      `${t} done p${n}:coat:1 primer ${PRIMER.label.wftUm}`,
      `${t + at(0.8)} not-yet p${n}:sand paper-clogs`,
      `${t + at(1.3)} started p${n}:sand`,
    ]);
    const { likely, safe } = calibration(looks(lines));
    // between 0.8 and 1.3 times nobody can say of the likely hour; all that tell were there by the safe one, until that is surer than the looks
    expect(safe.told).toBeGreaterThanOrEqual(3);
    expect(safe.held).toBe(safe.told);
    expect(likely.told).toBeLessThan(5);
    expect(calibration([])).toEqual({ likely: { told: 0, held: 0 }, safe: { told: 0, held: 0 } });
  });
});
