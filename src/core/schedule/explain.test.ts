import { DAY, link, op, shop } from "../../../tests/support/shops";
import { type Explanation, explain, type Problem, solve } from ".";

function told(problem: Problem, batches?: ReadonlySet<string>): Explanation {
  const s = solve(problem, { tries: 4 });
  if (s.outcome !== "conflict") throw new Error("it can be planned");
  return explain(problem, s.conflict, batches);
}

describe("the smallest set in the way, and what frees it", () => {
  it("a window that shuts between two evenings, over a coat that is down already", () => {
    const ops = [op("coat", 10, { fixed: { startMin: 0, endMin: 10 } }), op("next", 20), op("other", 60)];
    const problem = shop(ops, [link("coat", "next", [[600, 900]])]);
    const e = told(problem);
    // laid at another hour the coat would fare no better, and the other work of the evening has nothing to do with it
    expect(e.set.map((p) => p.kind).sort()).toEqual(["sessions", "wait", "window"]);
    expect(e.frees).toContainEqual({ kind: "wider-window", linkId: "coat>next", byMin: 1440 });
    expect(e.frees.map((f) => f.kind)).not.toContain("open-gate");
  });
  it("each piece of the set is needed: without any one of them there is a plan", () => {
    const ops = [op("coat", 10, { fixed: { startMin: 0, endMin: 10 } }), op("next", 20)];
    const problem = shop(ops, [link("coat", "next", [[600, 900]])]);
    expect(solve({ ...problem, links: [] }).outcome).toBe("placed");
    expect(solve({ ...problem, ops: [op("coat", 10), op("next", 20)] }).outcome).toBe("conflict");
  });
  it("air that never opens", () => {
    const e = told(shop([op("spray", 20, { gate: [{ startMin: 5 * DAY + 600, endMin: 5 * DAY + 900 }] })]));
    expect(e.set.map((p) => p.kind).sort()).toEqual(["gate", "sessions"]);
    expect(e.frees).toContainEqual({ kind: "open-gate", opId: "spray" });
  });
  it("hands that others hold: a short window beside a pin", () => {
    const ops = [
      op("coat", 10, { fixed: { startMin: 0, endMin: 10 } }),
      op("next", 30),
      op("pinned", 140, { lockMin: 10 }),
    ];
    const e = told(shop(ops, [link("coat", "next", [[0, 100]])]));
    expect(e.set.map((p) => p.kind)).toContain("others");
    expect(e.frees.some((f) => f.kind === "longer-sessions" || f.kind === "wider-window")).toBe(true);
  });
  it("no session at all: one more session frees it", () => {
    const e = told(shop([op("a", 20)], [], { sessions: [] }));
    expect(e.set).toEqual([{ kind: "sessions", opId: "a" }]);
    expect(e.frees.map((f) => f.kind)).toContain("one-more-session");
  });
  it("a session of ten minutes: longer ones free it", () => {
    const e = told(shop([op("a", 25)], [], { sessions: [{ startMin: 0, endMin: 10 }] }));
    expect(e.frees).toContainEqual({ kind: "longer-sessions", byMin: 15 });
  });
  it("a pin, and a batch too long for any evening", () => {
    const pinned = told(shop([op("coat", 10), op("sand", 10, { lockMin: 60 })], [link("coat", "sand", [[120, null]])]));
    expect(pinned.frees).toContainEqual({ kind: "unlock", opId: "sand" });
    const batch = told(shop([op("all", 200)]), new Set(["all"]));
    expect(batch.frees).toContainEqual({ kind: "without-batch", opId: "all" });
  });
});
