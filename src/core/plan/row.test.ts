import { climate, NOW_MIN, product, steadyAir } from "../../../tests/support/world";
import { MIN_PER_DAY, seededRandom } from "../base";
import { type AppliedCoat, prefixClock } from "../film";
import { forAll, piecesOf, spansOf, type Wait, type WaitContext } from "../work";

const TO = NOW_MIN + 40 * MIN_PER_DAY;
const AIRS = {
  steady: prefixClock(steadyAir(20, 50), NOW_MIN - MIN_PER_DAY, TO),
  shed: prefixClock(climate({ kind: "day", meanC: 14, swingC: 6, rhPct: 60 }), NOW_MIN - MIN_PER_DAY, TO),
};
const FLASH: Wait = { kind: "flash", apartMin: null };
const WINDOW: Wait = { kind: "seam", waits: [{ until: "window", index: 0 }], fallback: [] };
const PRODUCTS = ["grey-primer", "estuary-blue", "bronze-lacquer", "lightship-white", "epoxy-primer", "etch-green"];

/** Spans of one piece whose coat ended at a minute. */
function own(wait: Wait, id: string, endMin: number, clock: WaitContext["clock"]) {
  const p = product(id);
  const coats: readonly AppliedCoat[] = [{ product: p, wftUm: p.label.wftUm, endMin }];
  return spansOf(wait, { coats, fromMin: endMin, clock, caution: "likely", notYet: null });
}

describe("a row of like pieces", () => {
  it.each(["steady", "shed"] as const)("what suits first and last suits all between, in %s air", (air) => {
    const random = seededRandom(7);
    const clock = AIRS[air];
    let looked = 0;
    for (let n = 0; n < 60; n++) {
      const id = PRODUCTS[Math.floor(random() * PRODUCTS.length)]!;
      const wait = random() < 0.5 ? FLASH : WINDOW;
      const count = 2 + Math.floor(random() * 20);
      const [lasts, next] = [5 + Math.floor(random() * 115), 5 + Math.floor(random() * 115)];
      const end = NOW_MIN + Math.floor(random() * MIN_PER_DAY);
      const row = { count, lastsMin: new Map(Object.entries({ a: lasts, b: next })) };
      const pieces = piecesOf(row, () => end);
      const spans = forAll(
        pieces.map((p) => own(wait, id, p.endOf("a"), clock)),
        pieces.map((p) => p.turnMin("b")),
      );
      for (const { startMin, endMin } of spans.slice(0, 2)) {
        for (const start of [startMin, (startMin + (endMin ?? startMin + 600)) / 2, endMin ?? startMin + 600]) {
          looked += 1;
          for (let j = 0; j < count; j++) {
            const mineEnd = end - (lasts * (count - 1 - j)) / count;
            const mineStart = start + (next * j) / count;
            // in air that changes the waits between bend a little
            const slack = air === "steady" ? 1e-6 : 2;
            const fits = own(wait, id, mineEnd, clock).some(
              (s) => s.startMin <= mineStart + slack && (s.endMin === null || s.endMin >= mineStart - slack),
            );
            expect([id, count, j, fits]).toEqual([id, count, j, true]);
          }
        }
      }
    }
    expect(looked).toBeGreaterThan(100);
  });
  it("one piece is no row, and work done with other parts has no order of its own", () => {
    const row = { count: 6, lastsMin: new Map([["a", 60]]) };
    expect(piecesOf({ ...row, count: 1 }, () => 100)).toHaveLength(1);
    const together = { members: new Map([["a", { ids: ["a", "x"], minutes: 70 }]]), aliasOf: (id: string) => id };
    expect(piecesOf(row, () => 100, together).map((p) => p.endOf("a"))).toEqual([100, 100]);
    expect(piecesOf(row, () => 100).map((p) => p.endOf("a"))).toEqual([50, 100]);
  });
});
