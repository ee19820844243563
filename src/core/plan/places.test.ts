/** Fills in many named places of one face lie beside each other: what goes over all of them is put on one fill, not on a heap. */

import { layer, pile, planInput, product, region } from "../../../tests/support/world";
import { liesAt, thickestPlace } from "../numbers";
import { chainOf, coatsUpTo } from "../work";
import { planModel } from "./plan";

const NAMES = Array.from({ length: 8 }, (_, n) => `dent ${n + 1}`);
const filled = (places: readonly string[]) =>
  pile(
    ...places.map((p) => layer("fairing-putty", { id: `f-${p}`, spot: 0.01, depthUm: 400, places: [p] })),
    layer("water-primer", { id: "w" }),
  );

const heaped = (times: number) =>
  pile(
    ...Array.from({ length: times }, (_, n) =>
      layer("fairing-putty", { id: `f${n}`, spot: 0.01, depthUm: 400, places: ["dent"] }),
    ),
    layer("water-primer", { id: "w" }),
  );

/** Minutes from the last fill to the primer over all of them, by the plan. */
function waitMin(stack: ReturnType<typeof pile>): number {
  const face = region({ id: "r", conditions: ["keyed", "washed"] });
  const answer = planModel(planInput([{ region: face, stack }]));
  if (answer.outcome !== "planned") throw new Error(answer.outcome);
  const wait = answer.ops.find((o) => o.id === "w:coat:1")!.wait!;
  return wait.likelyMin - wait.fromMin;
}

it("eight dents are ready for primer when the last of them is, as one would be", () => {
  const [one, eight] = [waitMin(filled(NAMES.slice(0, 1))), waitMin(filled(NAMES))];
  expect(one).toBeGreaterThan(60);
  expect(Math.abs(eight / one - 1)).toBeLessThan(0.15);
});

it("the primer over eight dents lies on one fill; over one dent filled eight times, on eight", () => {
  const coatsUnder = (stack: ReturnType<typeof pile>) => {
    const seams = stack.layers.map(() => null);
    const chain = chainOf(region({ id: "r", conditions: ["keyed", "washed"] }), stack, seams, product);
    const coats = coatsUpTo(chain, "w:coat:1", new Map(), product, () => 0);
    return coats.filter((c) => c.product.id === "fairing-putty").length;
  };
  expect([coatsUnder(filled(NAMES)), coatsUnder(heaped(8))]).toEqual([1, 8]);
});

describe("the place where the most lies", () => {
  const lies = (wftUm: number, ...places: string[]) => ({ on: { places }, wftUm });
  const all = { places: undefined };
  const rows: readonly [string, Parameters<typeof thickestPlace>, string | null][] = [
    ["no place is told", [all, [lies(100), lies(80)]], null],
    ["the thicker of two", [all, [lies(300, "bow"), lies(200, "stern")]], "bow"],
    ["of equal ones the latest", [all, [lies(200, "bow"), lies(200, "stern")]], "stern"],
    ["fills add up where they meet", [all, [lies(200, "bow"), lies(300, "stern"), lies(200, "bow", "port")]], "bow"],
    ["only where the upper one lies", [{ places: ["stern"] }, [lies(900, "bow"), lies(50, "stern")]], "stern"],
    ["a place with nothing below", [{ places: ["port"] }, [lies(900, "bow")]], "port"],
  ];
  it.each(rows)("%s", (_, [over, laid], want) => expect(thickestPlace(over, laid)).toBe(want));
  it("what lies all over lies at every place, and away from all of them", () => {
    expect([liesAt(all, "bow"), liesAt(all, null), liesAt({ places: ["bow"] }, null)]).toEqual([true, true, false]);
  });
});
