import fc from "fast-check";
import { type BenchEvent, type EventKind, fold, lastStanding } from ".";

type Plain = Extract<EventKind, "started" | "done" | "not-yet" | "taken-back">;
let serial = 0;
/** `kind operation minute`, a done with its coats and film, a look with its sign. */
const told = (line: string, regionId = "deck"): BenchEvent => {
  const [kind, opId, at, a, b] = line.split(" ") as [Plain, string, string, string?, string?];
  const base = { id: `l${++serial}`, regionId, opId, atMin: Number(at) };
  if (kind === "done") return { ...base, kind, coats: a ? Number(a) : null, wftUm: b ? Number(b) : null };
  if (kind === "not-yet") return { ...base, kind, sign: (a ?? null) as never };
  return { ...base, kind };
};
const log = (...lines: string[]) => lines.map((l) => told(l));
const record = (
  opId: string,
  startMin: number,
  endMin: number | null,
  coats: number | null = null,
  wftUm: number | null = null,
) => ({
  opId,
  startMin,
  endMin,
  coats,
  wftUm,
});

describe("the log, read once for everybody", () => {
  it.each([
    ["nothing", [], []],
    ["open", ["started y1 10"], [record("y1", 10, null)]],
    ["done", ["started y1 10", "done y1 18 2 60"], [record("y1", 10, 18, 2, 60)]],
    ["done without a start", ["done y1 18 1 60"], [record("y1", 18, 18, 1, 60)]],
    ["done before it was begun, by the clock", ["started y1 20", "done y1 18"], [record("y1", 18, 18)]],
    ["a start unsaid", ["started y1 10", "taken-back y1 11"], []],
    ["a done unsaid is open again", ["started y1 10", "done y1 18 1 60", "taken-back y1 19"], [record("y1", 10, null)]],
    ["both unsaid", ["started y1 10", "done y1 18", "taken-back y1 19", "taken-back y1 20"], []],
    [
      "done again with more",
      ["started y1 10", "done y1 18 1 60", "taken-back y1 19", "done y1 20 2 50"],
      [record("y1", 10, 20, 2, 50)],
    ],
    [
      "one unsaid too often leaves the others",
      ["done y1 18", "started y2 20", "taken-back y2 21", "taken-back y2 22"],
      [record("y1", 18, 18)],
    ],
    ["what never was cannot be unsaid", ["done y1 18", "taken-back y9 19"], [record("y1", 18, 18)]],
  ])("%s", (_, lines, records) => expect(fold(log(...lines)).records).toEqual(records));
  it("a look speaks of what its sign is the want of; the last one counts", () => {
    const { notYet } = fold(log("not-yet y1 10 tacky", "not-yet y1 30 paper-clogs", "not-yet y2 40 smells"));
    expect(notYet).toEqual([
      { opId: "y1", atMin: 30, lacks: "sandable" },
      { opId: "y2", atMin: 40, lacks: null },
    ]);
  });
  it("the last thing standing of each region is what may be unsaid", () => {
    const events = [told("started a 1"), told("done b 2", "wall"), told("done a 3"), told("taken-back a 4")];
    const last = lastStanding(fold(events));
    expect([...last].map(([r, d]) => [r, d.kind, d.opId])).toEqual([
      ["deck", "started", "a"],
      ["wall", "done", "b"],
    ]);
  });
  it("whatever is said and unsaid, unsaying everything that stands leaves nothing, in any order", () => {
    const event = fc.record({
      kind: fc.constantFrom<Plain>("started", "done", "taken-back", "not-yet"),
      opId: fc.constantFrom("a", "b", "c"),
      at: fc.integer({ min: 0, max: 100 }),
    });
    fc.assert(
      fc.property(fc.array(event, { maxLength: 30 }), fc.boolean(), (list, backwards) => {
        const events = list.map((e) => told(`${e.kind} ${e.opId} ${e.at}`));
        const { standing, records } = fold(events);
        expect(new Set(records.map((r) => r.opId))).toEqual(new Set(standing.map((d) => d.opId)));
        const unsaid = standing.map((d) => told(`taken-back ${d.opId} 200`));
        const after = fold([...events, ...(backwards ? unsaid.reverse() : unsaid)]);
        expect(after.records).toEqual([]);
        expect(after.standing).toEqual([]);
      }),
      { seed: 7, numRuns: 300 },
    );
  });
});
