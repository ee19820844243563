/** What looks teach: against plain integration, against simulated sheds, and as single jobs one can nod at. */

import { simulatedSheds } from "../../../tests/support/sheds";
import { studentCdf } from "../base";
import { isStrange, type Look, learnt } from "./posterior";

const look = (productId: string, over: Partial<Look>): Look => ({
  productId,
  predictedMin: 100,
  afterMin: null,
  byMin: null,
  atMin: null,
  ...over,
});
const factor = (looks: readonly Look[], id = "a") => learnt(looks, [id]).products[0]!;

describe("Student’s t with four degrees of freedom", () => {
  it.each([
    [0, 0.5],
    [1, 0.81305],
    [2.776, 0.975],
    [-2.132, 0.05],
    [8.61, 0.9995],
  ])("F(%d) = %d", (x, f) => expect(studentCdf(x)).toBeCloseTo(f, 4));
});

describe("against plain integration of one product", () => {
  /** Both parts on a square grid, added up without any cleverness. */
  function plainly(looks: readonly Look[]) {
    const [step, reach] = [0.01, 1.8];
    const cells: { g: number; s: number; w: number }[] = [];
    const z = (min: number, predicted: number, u: number) => (Math.log(min / predicted) - u) / 0.12;
    for (let s = -1.2; s <= 1.2; s += step)
      for (let p = -reach; p <= reach; p += step) {
        let w = Math.exp(-0.5 * (s / 0.2) ** 2 - 0.5 * (p / 0.29) ** 2);
        for (const l of looks) {
          if (l.atMin !== null) w *= 0.375 * (1 + z(l.atMin, l.predictedMin, s + p) ** 2 / 4) ** -2.5;
          else
            w *=
              (l.byMin === null ? 1 : studentCdf(z(l.byMin, l.predictedMin, s + p))) -
              (l.afterMin === null ? 0 : studentCdf(z(l.afterMin, l.predictedMin, s + p)));
        }
        cells.push({ g: s + p, s, w });
      }
    const total = cells.reduce((sum, c) => sum + c.w, 0);
    const quantile = (of: (c: { g: number; s: number }) => number, q: number) => {
      let below = 0;
      for (const c of [...cells].sort((a, b) => of(a) - of(b))) {
        below += c.w / total;
        if (below >= q) return Math.exp(of(c));
      }
      return Number.NaN;
    };
    return { g: (q: number) => quantile((c) => c.g, q), s: (q: number) => quantile((c) => c.s, q) };
  }
  const rows: readonly [string, readonly Look[]][] = [
    ["nobody looked", []],
    ["ready when it was looked at", [look("a", { byMin: 90 })]],
    ["not yet, and then ready", [look("a", { afterMin: 120, byMin: 170 })]],
    ["seen to turn", [look("a", { atMin: 140 })]],
    [
      "three looks that agree",
      [look("a", { atMin: 130 }), look("a", { afterMin: 110, byMin: 150 }), look("a", { afterMin: 120 })],
    ],
    [
      "one that is plainly wrong among them",
      [look("a", { atMin: 130 }), look("a", { atMin: 128 }), look("a", { atMin: 900 })],
    ],
  ];
  it.each(rows)("%s: within two in a hundred", (_, looks) => {
    const plain = plainly(looks);
    const { shed, products } = learnt(looks, ["a"]);
    const [own] = products;
    for (const [q, key] of [
      [0.5, "median"],
      [0.1, "p10"],
      [0.9, "p90"],
    ] as const) {
      expect(Math.abs(own![key] / plain.g(q) - 1)).toBeLessThan(0.02);
      expect(Math.abs(shed[key] / plain.s(q) - 1)).toBeLessThan(0.02);
    }
  });
});

describe("as one would say it", () => {
  it("without looks the label stands, and nobody is sure of it", () => {
    const own = factor([]);
    expect(own.median).toBeCloseTo(1, 2);
    expect(own.p90 / own.p10).toBeGreaterThan(2);
  });
  it("four times a third longer: it is learnt, and surer than before", () => {
    const own = factor([1, 2, 3, 4].map(() => look("a", { afterMin: 120, byMin: 145 })));
    expect(own.median).toBeGreaterThan(1.2);
    expect(own.median).toBeLessThan(1.4);
    expect(own.p90 / own.p10).toBeLessThan(1.5);
  });
  it("what five paints have in common is the shed’s, and a sixth is told of it", () => {
    const looks = ["a", "b", "c", "d", "e"].flatMap((id) => [look(id, { atMin: 135 }), look(id, { atMin: 140 })]);
    const { shed, products } = learnt(looks, ["a", "new"]);
    expect(shed.median).toBeGreaterThan(1.15);
    expect(products[1]!.looks).toBe(0);
    expect(products[1]!.median).toBeCloseTo(shed.median, 1);
  });
  it("one careless note among four does not carry the day", () => {
    const good = [1, 2, 3].map(() => look("a", { atMin: 110 }));
    const with_ = factor([...good, look("a", { atMin: 1000 })]).median;
    expect(Math.abs(Math.log(with_ / factor(good).median))).toBeLessThan(0.08);
  });
  it("a late look says only that it was ready by then", () => {
    expect(factor([look("a", { byMin: 1000 })]).median).toBeCloseTo(1, 1);
  });
  it("what was asked before is remembered only as long as it is the same", () => {
    const looks = [look("a", { byMin: 90 }), look("a", { afterMin: 120, byMin: 150 }), look("b", { byMin: 80 })];
    const first = learnt(looks, ["a", "b"]);
    expect(learnt(looks, ["a", "b"])).toEqual(first);
    // one of its looks changed in the middle, the last one the same
    const changed = [look("a", { byMin: 60 }), looks[1]!, looks[2]!];
    const anew = changed.map((l) => ({ ...l }));
    expect(learnt(changed, ["a", "b"])).toEqual(learnt(anew, ["a", "b"]));
    expect(learnt(changed, ["a"])).not.toEqual(learnt(looks, ["a"]));
  });
  it("the same looks in another order teach the same", () => {
    const looks = [look("a", { atMin: 120 }), look("b", { afterMin: 90 }), look("a", { byMin: 200 })];
    expect(learnt([...looks].reverse(), ["a", "b"]).products.map((p) => p.median.toFixed(9))).toEqual(
      learnt(looks, ["a", "b"]).products.map((p) => p.median.toFixed(9)),
    );
  });
  it("three times its label is asked after", () => {
    expect(isStrange(factor(Array.from({ length: 8 }, () => look("a", { atMin: 320 }))))).toBe(true);
    expect(isStrange(factor([look("a", { atMin: 130 })]))).toBe(false);
  });
});

describe("simulated sheds", () => {
  const { errorShare, safeShare } = simulatedSheds(5);
  const SHEDS = 40;
  it("three looks a product halve the label’s error, eight bring it to a third", () => {
    expect(errorShare(SHEDS, 3)).toBeLessThanOrEqual(0.5);
    expect(errorShare(SHEDS, 8)).toBeLessThanOrEqual(0.35);
  });
  it("nine in ten of the next coats are ready by the safe time", () => {
    const held = safeShare(SHEDS);
    expect(held).toBeGreaterThanOrEqual(0.85);
    expect(held).toBeLessThanOrEqual(0.95);
  });
});
