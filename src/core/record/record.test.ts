/** What a log proves, in small sums a modeller can do in the head. */

import { product } from "../../../tests/support/world";
import { type BenchEvent, fold } from "../history";
import type { Product } from "../model";
import { filmsOf, followUps, hoursOf, rubbedLayers, spentOf } from ".";

const PRIMER = product("grey-primer");
const cans: Readonly<Record<string, Product>> = { primer: PRIMER };
const productOf = (id: string) => cans[id] ?? null;
const pile = {
  prep: [],
  layers: [
    {
      ...{ id: "p", productId: "primer", coats: 2, heaviness: "light" as const, wftUm: null, gapMin: null, before: [] },
      sandAfter: { grit: 400, wet: true, takesUm: 6 },
    },
  ],
};
const event = (n: number, opId: string, kind: "started" | "done", atMin: number, coat: object = {}): BenchEvent =>
  ({
    id: `l${n}`,
    regionId: "face",
    opId,
    atMin,
    kind,
    ...(kind === "done" ? { coats: null, wftUm: null, ...coat } : {}),
  }) as BenchEvent;
const laid = { laid: { productId: "primer", card: null, known: "then" } };
const LOG: readonly BenchEvent[] = [
  event(1, "p:coat:1", "started", 0),
  event(2, "p:coat:1", "done", 8, { coats: 1, wftUm: 100, ...laid }),
  event(3, "p:coat:2", "started", 30),
  event(4, "p:coat:2", "done", 40, { coats: 1, wftUm: 120, ...laid }),
  event(5, "p:sand", "started", 1500),
  event(6, "p:sand", "done", 1525),
];

describe("films as they lie", () => {
  const { faces, records } = fold(LOG);
  const solids = PRIMER.volumeSolids!;
  it("two wet films at their solids, less what was rubbed off", () => {
    const [film] = filmsOf(faces.get("face"), pile, rubbedLayers(records), productOf);
    expect(film).toMatchObject({ coats: 2, firstMin: 8, lastMin: 40, measured: false });
    expect(film!.dftUm).toBeCloseTo(220 * solids - 6, 5);
  });
  it("not rubbed yet, all of it is there", () => {
    const early = fold(LOG.slice(0, 4));
    const [film] = filmsOf(early.faces.get("face"), pile, rubbedLayers(early.records), productOf);
    expect(film!.dftUm).toBeCloseTo(220 * solids, 5);
  });
  it("a gauge knows better", () => {
    const measured = [
      ...LOG,
      {
        id: "l7",
        regionId: "face",
        opId: "face:gauge:1",
        atMin: 1600,
        kind: "measured",
        layerId: "p",
        dftUm: 51,
      } as const,
    ];
    const told = fold(measured);
    expect(filmsOf(told.faces.get("face"), pile, rubbedLayers(told.records), productOf)[0]).toMatchObject({
      dftUm: 51,
      measured: true,
    });
  });
  it("of a can nobody knows any more the film is there, and how thick it is nobody can say", () =>
    expect(filmsOf(faces.get("face"), pile, new Set(), () => null)[0]).toMatchObject({
      product: null,
      coats: 2,
      dftUm: 0,
    }));
  it("nothing lies on a face nothing was done to", () =>
    expect(filmsOf(undefined, pile, new Set(), productOf)).toEqual([]));
});

describe("hours", () => {
  it("are summed by what was done, from the first thing begun to the last thing done", () =>
    expect(hoursOf(fold(LOG).records)).toMatchObject({
      byKind: { coats: 18, rubbing: 25, ready: 0, masks: 0 },
      totalMin: 43,
      elapsedMin: 1525,
      forgotten: 0,
    }));
  it.each([
    [
      "pressed three days late is no three days’ work",
      [{ opId: "p:sand", startMin: 0, endMin: 4320 }],
      { totalMin: 0, forgotten: 1 },
    ],
    [
      "told only when it was done has no minutes",
      [{ opId: "p:sand", startMin: 7, endMin: 7 }],
      { totalMin: 0, untimed: 1 },
    ],
    [
      "what is still in hand is not counted",
      [{ opId: "p:sand", startMin: 7, endMin: null }],
      { totalMin: 0, elapsedMin: 0 },
    ],
    ["nothing at all", [], { totalMin: 0, elapsedMin: 0, forgotten: 0, untimed: 0 }],
  ])("%s", (_, records, told) => expect(hoursOf(records)).toMatchObject(told));
});

describe("money", () => {
  const coat = { productId: "primer", coats: 1, wftUm: 100, ml: 20, areaCm2: 100, pieces: 1 };
  const can = (over: Partial<Product>) => () => ({ ...PRIMER, ...over });
  it.each<[string, Partial<Product>, object]>([
    [
      "a twentieth of a can of twenty",
      { packMl: 400, price: 20 },
      { ml: 20, money: 1, packMissing: false, reckoned: false },
    ],
    ["a price without a pack says nothing", { packMl: null, price: 12 }, { money: null, packMissing: true }],
    [
      "a pack without a price costs nothing that is known",
      { packMl: 400, price: null },
      { money: null, packMissing: false },
    ],
  ])("%s", (_, over, told) => expect(spentOf([coat], can(over))[0]).toMatchObject(told));
  it("what the log has no figure for is reckoned from face and film, and says so", () => {
    const [line] = spentOf([{ ...coat, ml: null }, coat], can({ packMl: 400, price: 12, method: "aerosol" }));
    expect(line).toMatchObject({ coats: 2, reckoned: true });
    // 100 cm² at 100 µm is one millilitre; a can throws several times that away
    expect(line!.ml).toBeGreaterThan(20 + 1);
    expect(line!.ml).toBeLessThan(20 + 12);
  });
  it("a product that is gone is still told, without money", () =>
    expect(spentOf([coat], () => null)[0]).toMatchObject({ ml: 20, money: null, packMissing: false }));
});

describe("looks after it was finished", () => {
  const day = 1440;
  const look = (atMin: number) => ({ kind: "looked", atMin }) as never;
  it("each look counts for the time it falls into, one that comes a little early too", () =>
    expect(followUps(0, [90, 365], [look(85 * day), look(400 * day)]).map((l) => l.lookedMin)).toEqual([
      85 * day,
      400 * day,
    ]));
  it("a look the week after says nothing of a quarter", () =>
    expect(followUps(0, [90], [look(7 * day)])).toEqual([{ days: 90, dueMin: 90 * day, lookedMin: null }]));
  it("nothing is due of what is not finished", () => expect(followUps(null, [90], [])).toEqual([]));
});
