import fc from "fast-check";
import { asItLies, type BenchEvent, cansAmong, fold } from "@/core/history";
import { type ExtraWork, opIds, type Stack, WETTINGS } from "@/core/model";
import { benchNow, NO_WISHES, planModel } from "@/core/plan";
import { layer, NOW_MIN, pile, planInput, region, shelf } from "../support/world";

/** Whatever was done and told in whatever order, the plan goes on from what lies there, and loses nothing. */

const DECK = "deck";
const STACK: Stack = {
  ...pile(
    layer("grey-primer", { id: "p", coats: 2, sandAfter: { grit: 400, wet: true, takesUm: 4 } }),
    layer("buoy-red", { id: "c", coats: 2 }),
    layer("water-matt", { id: "v" }),
  ),
  prep: ["wash", "key", "dust-off"],
};
/** The steps of the pile in the order they are done. */
const STEPS: readonly string[] = [
  ...STACK.prep.map((s) => opIds.prep(DECK, s)),
  opIds.coat("p", 1),
  opIds.coat("p", 2),
  opIds.sand("p"),
  opIds.coat("c", 1),
  opIds.coat("c", 2),
  opIds.coat("v", 1),
];
const PRODUCT: Readonly<Record<string, string>> = { p: "grey-primer", c: "buoy-red", v: "water-matt" };

const work = fc.oneof(
  fc.record({ kind: fc.constant("wash" as const), how: fc.constantFrom(...WETTINGS) }),
  fc.record({ kind: fc.constant("wipe" as const) }),
  fc.record({
    kind: fc.constant("rub" as const),
    grit: fc.constantFrom(240, 400, 800),
    wet: fc.boolean(),
    takesUm: fc.integer({ min: 0, max: 8 }),
  }),
  fc.record({ kind: fc.constant("strip" as const), downTo: fc.constantFrom(null, "p") }),
) satisfies fc.Arbitrary<ExtraWork>;
const told = fc.record({
  what: fc.constantFrom("step", "step", "step", "asked", "worked", "measured", "back"),
  work,
  hours: fc.integer({ min: 4, max: 30 }),
});
type Told = typeof told extends fc.Arbitrary<infer T> ? T : never;

/** A log in which each step is the next one of the pile as it lies by then, a day at the most after the one before. */
function logOf(list: readonly Told[]): readonly BenchEvent[] {
  const events: BenchEvent[] = [];
  let atMin = NOW_MIN - list.reduce((sum, t) => sum + t.hours, 0) * 60 - 60;
  for (const [n, t] of list.entries()) {
    atMin += t.hours * 60;
    const base = { id: `l${n}`, regionId: DECK, atMin };
    const { records, faces, standing } = fold(events);
    const done = new Set(records.filter((r) => r.endMin !== null).map((r) => r.opId));
    const open = faces.get(DECK)?.extra.find((x) => x.doneMin === null);
    const next = open?.opId ?? STEPS.find((id) => !done.has(id));
    const lying = faces.get(DECK)?.layers ?? [];
    if (t.what === "step" && next) {
      const product = PRODUCT[next.split(":")[0]!];
      const laid =
        product && next.includes(":coat:") ? { productId: product, card: null, known: "then" as const } : undefined;
      events.push({ ...base, opId: next, kind: "done", coats: laid ? 1 : null, wftUm: laid ? 30 : null, laid });
    }
    if (t.what === "asked" || t.what === "worked")
      events.push({ ...base, opId: opIds.extra(DECK, base.id), kind: t.what, work: t.work });
    if (t.what === "measured" && lying.length > 0)
      events.push({
        ...base,
        opId: opIds.gauge(DECK, base.id),
        kind: "measured",
        layerId: lying.at(-1)!.layerId,
        dftUm: 25,
      });
    if (t.what === "back" && standing.length > 0)
      events.push({ ...base, opId: standing.at(-1)!.opId, kind: "taken-back" });
  }
  return events;
}

function inputOf(events: readonly BenchEvent[]) {
  const { records, faces, notYet } = fold(events);
  const face = faces.get(DECK);
  const lies = asItLies(STACK, face, cansAmong(shelf));
  return planInput([{ region: region({ id: DECK, conditions: [], finish: "hidden" }), face, ...lies }], {
    records,
    notYet,
    wishes: NO_WISHES,
  });
}

it("a plan is made, every step of the pile is done or planned once, and extra work is where it was told", () => {
  fc.assert(
    fc.property(fc.array(told, { maxLength: 14 }), (list) => {
      const events = logOf(list);
      const input = inputOf(events);
      const face = input.regions[0]!.face;
      expect(input.regions[0]!.differences).toEqual([]);
      const a = planModel(input);
      // a window may have been lost for good by what was told; then that is said, and nothing is thrown
      if (a.outcome !== "planned") return expect(["conflict", "refused"]).toContain(a.outcome);
      const ids = a.ops.map((o) => o.id);
      expect(new Set(ids).size).toBe(ids.length);
      for (const step of STEPS) expect(ids).toContain(step);
      for (const x of face?.extra ?? []) {
        const own = a.ops.find((o) => o.id === x.opId)!;
        expect(own.state).toBe(x.doneMin === null ? "planned" : "done");
        // what is asked for comes before anything else that is still to do
        if (x.doneMin === null)
          for (const o of a.ops)
            if (o.state === "planned" && o.kind !== "extra") expect(o.startMin).toBeGreaterThanOrEqual(own.endMin);
      }
      for (const o of a.ops) if (o.state === "planned") expect(o.startMin).toBeGreaterThanOrEqual(input.nowMin);
      const [tile] = benchNow(input);
      const first = a.ops.find((o) => o.state === "planned");
      expect(tile!.op?.id ?? null).toBe(first?.id ?? null);
    }),
    { seed: 31, numRuns: process.env.ELM_BENCH_HARD === "1" ? 400 : 20 },
  );
});

it("unsaying everything, last first, leaves the bare part", () => {
  fc.assert(
    fc.property(fc.array(told, { maxLength: 14 }), (list) => {
      const events = [...logOf(list)];
      for (let n = 0; fold(events).standing.length > 0; n++) {
        const last = fold(events).standing.at(-1)!;
        events.push({ id: `u${n}`, regionId: DECK, opId: last.opId, atMin: NOW_MIN, kind: "taken-back" });
      }
      expect(inputOf(events)).toMatchObject({ records: [], regions: [{ stack: STACK }] });
      expect(inputOf(events).regions[0]!.face).toBeUndefined();
    }),
    { seed: 32, numRuns: 200 },
  );
});
