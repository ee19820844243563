/** The order of colours: exact against every order there is, and what a modeller would say of five plain schemes. */

import { seededRandom } from "../base";
import { bestOrder, MOST_EXACT, type Order, priced, type Run, whys } from "./order";

const run = (id: string, over: Partial<Run> = {}): Run => ({
  id,
  coatMin: 10,
  baseCoats: 2,
  coatsOver: {},
  sprayed: true,
  tapeSafeMin: 1440,
  coverMin: 5,
  edgeMin: {},
  atAnEnd: false,
  ...over,
});

function* everyOrder(ids: readonly string[]): Generator<readonly string[]> {
  if (ids.length <= 1) {
    yield ids;
    return;
  }
  for (const [i, id] of ids.entries()) for (const rest of everyOrder(ids.toSpliced(i, 1))) yield [id, ...rest];
}
const cheapest = (runs: readonly Run[]): number =>
  Math.min(...[...everyOrder(runs.map((r) => r.id))].map((ids) => priced(runs, ids).cost));

const random = seededRandom(23);
const some = (most: number) => Math.floor(random() * (most + 1));
function schemeOf(n: number): readonly Run[] {
  const ids = Array.from({ length: n }, (_, i) => `c${i}`);
  const edges = new Map<string, number>();
  for (const a of ids) for (const b of ids) if (a < b && random() < 0.6) edges.set(`${a} ${b}`, 1 + some(9));
  return ids.map((id) =>
    run(id, {
      coatMin: 5 + some(20),
      baseCoats: 1 + some(3),
      coatsOver: Object.fromEntries(ids.flatMap((o) => (o !== id && random() < 0.5 ? [[o, 1 + some(6)]] : []))),
      sprayed: random() < 0.7,
      tapeSafeMin: 60 * some(48),
      coverMin: 2 + some(15),
      edgeMin: Object.fromEntries(
        ids.flatMap((o) => {
          const own = edges.get([id, o].sort().join(" "));
          return o === id || own === undefined ? [] : [[o, own]];
        }),
      ),
      atAnEnd: random() < 0.1,
    }),
  );
}

it.each([2, 3, 4, 5, 6, 7].flatMap((n) => [1, 2, 3].map((k) => [n, k] as const)))(
  "%i colours, case %i: no order there is costs less",
  (n) => {
    const runs = schemeOf(n);
    const found = bestOrder(runs);
    expect(found.exact).toBe(true);
    expect(found.cost).toBeCloseTo(cheapest(runs), 6);
    expect([...found.ids].sort()).toEqual(runs.map((r) => r.id).sort());
  },
);

it.each([2, 3, 4, 5])(
  "%i colours over what stays as it is below: that is covered like any other, and laid by nobody",
  (n) => {
    const laid = schemeOf(n);
    const below = run("", { isGround: true, baseCoats: 0, coverMin: 20, edgeMin: { c0: 9 }, sprayed: false });
    const runs = [below, ...laid];
    const orders = [...everyOrder(laid.map((r) => r.id))];
    const found = bestOrder(runs);
    expect(found.cost).toBeCloseTo(Math.min(...orders.map((ids) => priced(runs, ids).cost)), 6);
    expect(found.ids).not.toContain("");
    if (laid.some((r) => r.sprayed)) expect(found.steps.flatMap((s) => s.covers)).toContain("");
  },
);

it("the figures of the search are those of the order that is shown", () => {
  for (const n of [3, 6, MOST_EXACT + 2]) {
    const runs = schemeOf(n);
    const found = bestOrder(runs);
    expect(priced(runs, found.ids).cost).toBeCloseTo(found.cost, 9);
  }
});

it("the search finds what is proved to be best, where it can be proved", () => {
  // a thirteenth colour that touches nothing and costs nothing makes the same scheme one to be searched
  const runs = schemeOf(MOST_EXACT);
  const idle = run("idle", { coatMin: 0, baseCoats: 0, coverMin: 0, sprayed: false, tapeSafeMin: 0 });
  expect(bestOrder([...runs, idle]).cost).toBeLessThanOrEqual(1.02 * bestOrder(runs).cost);
});

it("more than twelve are searched, and it is said; the search is no worse than the order they came in", () => {
  const runs = schemeOf(MOST_EXACT + 3);
  const found = bestOrder(runs);
  expect(found.exact).toBe(false);
  expect(found.cost).toBeLessThanOrEqual(
    priced(
      runs,
      runs.map((r) => r.id),
    ).cost,
  );
});

describe("what a modeller would say", () => {
  const first = (o: Order) => o.ids[0];
  it("pale before dark where the dark one’s mist would have to be hidden", () => {
    const runs = [
      run("black", { coatsOver: { white: 2 }, baseCoats: 2 }),
      run("white", { coatsOver: { black: 6 }, baseCoats: 3 }),
    ];
    const found = bestOrder(runs);
    expect(found.ids).toEqual(["white", "black"]);
    expect(whys(runs, found)[0]!.coats).toBe(3);
  });
  it("a thin stripe is laid and covered before the large ground, for its mask is small", () => {
    const runs = [run("hull", { coverMin: 40 }), run("stripe", { coverMin: 2 })];
    expect(first(bestOrder(runs))).toBe("stripe");
  });
  it("what takes days until tape holds is laid last, where nothing else speaks against it", () => {
    const runs = [run("enamel", { tapeSafeMin: 4 * 1440 }), run("acrylic", { tapeSafeMin: 240 })];
    expect(bestOrder(runs).ids).toEqual(["acrylic", "enamel"]);
  });
  it("metal that shows is first or last, never between", () => {
    const runs = [run("silver", { atAnEnd: true }), run("red"), run("grey")];
    const found = bestOrder(runs);
    expect([0, 2]).toContain(found.ids.indexOf("silver"));
  });
  it("brushed colours without an edge in common need no mask at all", () => {
    const found = bestOrder([run("eyes", { sprayed: false }), run("coat", { sprayed: false })]);
    expect([found.masks, found.waitMin]).toEqual([0, 0]);
  });
  it("one colour is an order, none is one too", () => {
    expect(bestOrder([run("a")]).ids).toEqual(["a"]);
    expect(bestOrder([]).ids).toEqual([]);
  });
});
