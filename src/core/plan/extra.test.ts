import { layer, NOW_MIN, pile, planInput, region, shelf } from "../../../tests/support/world";
import { asItLies, type BenchEvent, cansAmong, fold } from "../history";
import { type ExtraWork, opIds, type Region, type Stack } from "../model";
import { benchNow } from "./bench";
import { planModel } from "./plan";
import type { PlanAnswer, PlanInput } from "./types";

/** Work no layer asks for, told as small jobs on one keyed PETG part: primer on, then something comes between. */

type Planned = Extract<PlanAnswer, { outcome: "planned" }>;
const DECK = "deck";
const STACK: Stack = pile(layer("grey-primer", { id: "p" }), layer("buoy-red", { id: "c" }));
/** A shed that is open all day: waits are seen as they are. */
const ALL_DAY = Array.from({ length: 20 }, (_, d) => ({
  startMin: NOW_MIN - 1440 + d * 1440,
  endMin: NOW_MIN - 1440 + d * 1440 + 1439,
}));

let serial = 0;
const at = (opId: string, agoMin: number) => ({ id: `l${++serial}`, regionId: DECK, opId, atMin: NOW_MIN - agoMin });
const primed = (agoMin: number, wftUm = 40): BenchEvent => ({
  ...at(opIds.coat("p", 1), agoMin),
  kind: "done",
  coats: 1,
  wftUm,
  laid: { productId: "grey-primer", card: null, known: "then" },
});
const told = (kind: "asked" | "worked", work: ExtraWork, agoMin = 0): BenchEvent => {
  const base = at("", agoMin);
  return { ...base, opId: opIds.extra(DECK, base.id), kind, work };
};

function inputAfter(log: readonly BenchEvent[], face: Partial<Region> = {}, own: Stack = STACK): PlanInput {
  const { records, faces, notYet } = fold(log);
  const lies = asItLies(own, faces.get(DECK), cansAmong(shelf));
  const r = { region: region({ id: DECK, ...face }), face: faces.get(DECK), ...lies };
  return planInput([r], { records, notYet, sessions: ALL_DAY });
}
function planAfter(log: readonly BenchEvent[], face: Partial<Region> = {}, own?: Stack): Planned {
  const a = planModel(inputAfter(log, face, own));
  if (a.outcome !== "planned") throw new Error(JSON.stringify(a).slice(0, 400));
  return a;
}
const startOf = (a: Planned, id: string) => a.ops.find((o) => o.id === id)!.startMin - NOW_MIN;
const colourStarts = (...log: BenchEvent[]) => startOf(planAfter(log), opIds.coat("c", 1));
const order = (a: Planned) =>
  a.ops.filter((o) => o.state === "planned").map((o) => o.id.split(":").slice(0, 2).join(":"));

const OLD = primed(1440);
const WASH: ExtraWork = { kind: "wash", how: "rinse" };
const RUB = (wet: boolean): ExtraWork => ({ kind: "rub", grit: 600, wet, takesUm: 5 });

describe("a primer of yesterday, and then", () => {
  it.each([
    ["nothing: the colour goes on at once", [], 0, 5],
    ["washed a minute ago: an hour and more until the face is dry", [told("worked", WASH, 1)], 55, 130],
    ["washed three hours ago: dry again", [told("worked", WASH, 180)], 0, 5],
    ["wiped down: ten minutes", [told("worked", { kind: "wipe" }, 1)], 5, 15],
    ["rubbed dry: the dust settles", [told("worked", RUB(false), 1)], 15, 25],
    ["rubbed wet: as long as a wash", [told("worked", RUB(true), 1)], 60, 130],
    ["a wash still to do: its minutes and its drying", [told("asked", WASH)], 60, 145],
  ] as const)("%s", (_, log, least, most) => {
    const startMin = colourStarts(OLD, ...log);
    expect(startMin).toBeGreaterThanOrEqual(least);
    expect(startMin).toBeLessThanOrEqual(most);
  });
  it("joints hold the water of a second wash till tomorrow", () => {
    const a = planAfter([OLD, told("worked", WASH, 1)], { joints: true });
    expect(startOf(a, opIds.coat("c", 1))).toBeGreaterThan(6 * 60);
  });
  it("a rub that is asked for waits until the film sands, and comes before the colour", () => {
    const fresh = primed(5);
    const rub = told("asked", RUB(false));
    const a = planAfter([fresh, rub]);
    expect(startOf(a, rub.opId)).toBeGreaterThan(30);
    expect(startOf(a, opIds.coat("c", 1))).toBeGreaterThan(startOf(a, rub.opId));
  });
  it("rubbed thinner, a film cures sooner than left thick", () => {
    const thick = [primed(120, 200)];
    const cured = (log: BenchEvent[]) => planAfter(log, {}, pile(layer("grey-primer", { id: "p" }))).curedMin!;
    expect(cured([...thick, told("worked", { kind: "rub", grit: 400, wet: false, takesUm: 40 }, 1)])).toBeLessThan(
      cured(thick),
    );
  });
  it("the gauge shows twice the film: it is waited for longer", () => {
    const gauge: BenchEvent = { ...at(opIds.gauge(DECK, "g"), 1), kind: "measured", layerId: "p", dftUm: 60 };
    const plain = planAfter([primed(5, 60), told("asked", RUB(false))]).ops.find((o) => o.kind === "extra")!;
    const asked = told("asked", RUB(false));
    const gauged = planAfter([primed(5, 60), gauge, asked]).ops.find((o) => o.id === asked.opId)!;
    expect(gauged.startMin).toBeGreaterThan(plain.startMin + 15);
  });
});

describe("stripped", () => {
  const ready: Stack = { ...STACK, prep: ["wash", "key"] };
  const prepared = (["wash", "key"] as const).map(
    (s, i): BenchEvent => ({ ...at(opIds.prep(DECK, s), 2000 - i), kind: "done", coats: null, wftUm: null }),
  );
  it("to be stripped: first that, then everything anew from the wash up", () => {
    const a = planAfter([...prepared, OLD, told("asked", { kind: "strip", downTo: null })], {}, ready);
    expect(order(a)).toEqual(["deck:extra", "deck:prep", "deck:prep", "p:coat", "c:coat"]);
  });
  it("only the colour off: the primer stays, the colour goes on again", () => {
    const red: BenchEvent = {
      ...at(opIds.coat("c", 1), 300),
      kind: "done",
      coats: 1,
      wftUm: 30,
      laid: { productId: "buoy-red", card: null, known: "then" },
    };
    const a = planAfter([...prepared, OLD, red, told("worked", { kind: "strip", downTo: "p" }, 30)], {}, ready);
    expect(order(a)).toEqual(["c:coat"]);
    expect(a.ops.filter((o) => o.state === "done").map((o) => o.kind)).toEqual(
      expect.arrayContaining(["prep", "coat", "extra"]),
    );
  });
});

describe("a pile changed under what lies there", () => {
  it("what is down stands as the log has it, and that is told", () => {
    const a = planAfter([OLD], {}, pile(layer("water-primer", { id: "p" }), layer("buoy-red", { id: "c" })));
    expect(a.ops.find((o) => o.id === opIds.coat("p", 1))).toMatchObject({ productId: "grey-primer", state: "done" });
    expect(a.notices).toContainEqual({
      kind: "lies-otherwise",
      regionId: DECK,
      difference: { kind: "other-product", layerId: "p", productId: "grey-primer" },
    });
  });
  it("a layer taken out of the pile still lies there", () => {
    const a = planAfter([OLD], {}, pile(layer("buoy-red", { id: "c" })));
    expect(a.ops.map((o) => o.id)).toEqual([opIds.coat("p", 1), opIds.coat("c", 1)]);
  });
});

it("the bench shows extra work as what is next, and as in hand once it is begun", () => {
  const wash = told("asked", WASH);
  const tile = (...log: BenchEvent[]) => benchNow(inputAfter([OLD, ...log]))[0]!;
  expect(tile(wash)).toMatchObject({ zone: "ready", op: { id: wash.opId, kind: "extra", extra: WASH } });
  expect(tile(wash, { ...at(wash.opId, 1), kind: "started" })).toMatchObject({
    zone: "in-hand",
    op: { id: wash.opId },
  });
  const after = tile(wash, { ...at(wash.opId, 2), kind: "done", coats: null, wftUm: null });
  expect(after).toMatchObject({ zone: "drying", op: { id: opIds.coat("c", 1) }, wait: { milestone: "part-dry" } });
});
