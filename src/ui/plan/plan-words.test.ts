import type { PlanScreen } from "@/contracts";
import { NO_PLANNING } from "@/contracts";
import { moveTrials, NO_HABITS, NO_WISHES, planModel } from "@/core/plan";
import type { Freeing, Piece } from "@/core/schedule";
import { conflictReason, freeingText, noticeText, pieceText, workText } from "@/messages";
import { layer, NOW_MIN, planInput, product, region } from "../../../tests/support/world";
import { axisOf, BENCH_WIDE, EVEN, zoomed } from "../timeline/axis";
import { cautionsOf, eveningsOf } from "./evenings";
import { setUpText } from "./SessionList";
import { trialText } from "./trial";
import { withEntry, without } from "./usePlanning";

const part = (id: string, colour: string) => ({
  region: region({ id, material: "petg" as const, areaCm2: 60 }),
  stack: {
    prep: ["key" as const],
    layers: [layer("water-primer", { id: `${id}p` }), layer(colour, { id: `${id}c`, coats: 2 })],
  },
});
const input = planInput([part("a", "chalk-white"), part("b", "seawall-grey")], {
  wishes: NO_WISHES,
  habits: { ...NO_HABITS, followUpDays: [14] },
});
const plan = planModel(input, { tries: 4 });
if (plan.outcome !== "planned") throw new Error(plan.outcome);
const products = Object.fromEntries(
  ["water-primer", "chalk-white", "seawall-grey"].map((id) => [id, product(id, { method: "airbrush" })]),
);
const screen = {
  plan: { answer: plan, plannedMs: 0, fresh: true, beforeDoneMin: null },
  planning: NO_PLANNING,
  timeZone: "UTC",
  nowMin: NOW_MIN,
} as unknown as PlanScreen;

describe("an evening's list", () => {
  const evenings = eveningsOf(plan, input.sessions, products);
  it("holds every piece of work still to do, once", () => {
    const listed = evenings.flatMap((e) => e.ops.map((o) => o.id)).sort();
    expect(listed).toEqual(plan.ops.map((o) => o.id).sort());
  });
  it("loads a tool before its first coat, and cleans it before another product, never before the same", () => {
    for (const e of evenings) {
      let loaded: string | null = null;
      for (const l of e.lines) {
        if (l.kind === "load") expect(loaded).toBeNull();
        if (l.kind === "clean") expect(loaded).not.toBeNull();
        if (l.kind !== "work") loaded = l.next;
        else if (l.op.sprayed) expect(loaded).toBe(products[l.op.productId!]!.name);
      }
      expect(e.cleanings).toBe(e.lines.filter((l) => l.kind === "clean").length);
    }
  });
  it("names products, tool and paper to lay ready, each once, and what to carry in", () => {
    const first = evenings[0]!;
    expect(new Set(first.packing).size).toBe(first.packing.length);
    expect(first.packing.join()).toMatch(/paper/);
    const coated = evenings.find((e) => e.ops.some((o) => o.kind === "coat"))!;
    expect(coated.packing).toEqual(expect.arrayContaining(["airbrush"]));
    expect(
      evenings
        .flatMap((e) => e.carryIn)
        .map((c) => c.opId)
        .sort(),
    ).toEqual(plan.carryIns.map((c) => c.opId).sort());
  });
  it("says each caution once, and always the safety data sheet's", () => {
    const lines = cautionsOf(plan.ops, products);
    expect(new Set(lines).size).toBe(lines.length);
    expect(lines.some((l) => l.includes("safety data sheet"))).toBe(true);
  });
  it("tells set-ups in words", () => {
    expect(setUpText({ kind: "load", tool: "airbrush", next: "White", atMin: 0 })).toBe("Load the airbrush with White");
    expect(setUpText({ kind: "clean", tool: "airbrush", minutes: 10, next: "White", atMin: 0 })).toContain("10 min");
  });
});

describe("what a move would do, in words", () => {
  const starts = Object.fromEntries(plan.ops.map((o) => [o.id, o.startMin]));
  const desk = moveTrials(input, starts)!;
  const words = (id: string) => `<${id}>`;
  const tried = (opId: string, startMin: number) =>
    trialText({ opId, startMin, answer: desk.tryMove(opId, startMin) }, screen, words);
  it("nothing changes where it lies", () => {
    expect(tried("ap:coat:1", starts["ap:coat:1"]!)).toMatch(/fits: the finish stays, nothing else moves/);
  });
  it("later: by how much, and what else", () => {
    expect(tried("ap:coat:1", starts["ap:coat:1"]! + 3 * 1440)).toMatch(
      /fits: the finish moves .* later.*others? moves? \(<a/,
    );
  });
  it("at night, and before its film is ready: why not", () => {
    expect(tried("ap:coat:1", NOW_MIN + 8 * 60)).toMatch(/does not fit: no bench session lies around it/);
    expect(tried("ac:coat:1", starts["ap:coat:1"]! + 15)).toMatch(/does not fit/);
    expect(trialText({ opId: "x", startMin: NOW_MIN, answer: null }, screen, words)).toContain("nothing here to move");
  });
});

describe("every word has its own", () => {
  const names = { op: (id: string) => id, link: (id: string) => id, when: String, span: String };
  it("pieces of what stands in the way", () => {
    const pieces: Piece[] = [
      { kind: "window", linkId: "l" },
      { kind: "wait", linkId: "l" },
      { kind: "gate", opId: "o" },
      { kind: "lock", opId: "o" },
      { kind: "release", opId: "o" },
      { kind: "fixed", opId: "o" },
      { kind: "sessions", opId: "o" },
      { kind: "others", opIds: ["o"] },
    ];
    expect(new Set(pieces.map((p) => pieceText(p, names))).size).toBe(pieces.length);
  });
  it("changes that free it", () => {
    const frees: Freeing[] = [
      { kind: "one-more-session", startMin: 0, endMin: 1 },
      { kind: "longer-sessions", byMin: 1 },
      { kind: "wider-window", linkId: "l", byMin: 1 },
      { kind: "open-gate", opId: "o" },
      { kind: "unlock", opId: "o" },
      { kind: "sooner-there", opId: "o" },
      { kind: "without-batch", opId: "o" },
    ];
    expect(new Set(frees.map((f) => freeingText(f, names))).size).toBe(frees.length);
  });
  it("reasons why it does not fit", () => {
    const held = ["now", "session", "gate", "release", "lock", "kept"] as const;
    const said = [
      ...held.map((kind) => conflictReason({ kind: "lock", opId: "o", heldBy: { kind } }, null)),
      conflictReason({ kind: "window", opId: "o", linkId: "l" }, "coat"),
      conflictReason({ kind: "no-session-left", opId: "o" }, null),
      conflictReason({ kind: "gate-shut", opId: "o" }, null),
      conflictReason({ kind: "wait-beyond-horizon", opId: "o", linkId: "l" }, null),
      conflictReason({ kind: "no-session-long-enough", opId: "o", neededMin: 40, longestMin: 30 }, null),
    ];
    expect(new Set(said).size).toBe(said.length);
    expect(said.at(-1)).toContain("40 minutes");
  });
  it("kinds of work", () => {
    const blank = { step: null, coat: 1, of: 1, abrasive: null, productId: "white", layerId: "l", round: undefined };
    const kinds = ["coat", "turn", "inspect", "mask", "unmask", "fit", "sand"] as const;
    const titles = kinds.map((kind) => workText({ ...blank, kind }, () => "White"));
    expect(new Set(titles).size).toBe(kinds.length);
    expect(workText({ ...blank, kind: "mask", layerId: null }, () => null)).not.toBe(titles[3]);
    expect(workText({ ...blank, kind: "coat", round: 2 }, () => "White")).toBe("White, round 2");
  });
  it("notices", () => {
    const regionId = "r";
    const texts = [
      noticeText({ kind: "rounds-likely", regionId, rounds: 2 }),
      noticeText({ kind: "tape-long", regionId, days: 9 }),
      noticeText({ kind: "pot-life", regionId, mixes: 3 }),
      noticeText({ kind: "lock-passed", regionId }),
      noticeText({ kind: "to-buy", regionId, productId: "p", byMin: 0 }),
      ...(["differs", "begun", "pot-life", "circle"] as const).map((why) =>
        noticeText({ kind: "batch-left-out", regionId, why }),
      ),
    ];
    expect(new Set(texts).size).toBe(texts.length);
  });
});

describe("a zoomed axis", () => {
  const sessions = [
    { startMin: 100, endMin: 200 },
    { startMin: 1000, endMin: 1100 },
  ];
  it.each([BENCH_WIDE, EVEN, zoomed(BENCH_WIDE, 2.5), zoomed(EVEN, 0.3)])(
    "finds the moment drawn at a px again",
    (scale) => {
      const axis = axisOf(sessions, 0, 2000, scale);
      for (let t = 0; t <= 2000; t += 37) expect(axis.at(axis.x(t))).toBeCloseTo(t, 6);
      expect([axis.at(-10), axis.at(axis.widthPx + 10)]).toEqual([0, 2000]);
    },
  );
  it("stretches both measures alike", () => {
    const [one, two] = [axisOf(sessions, 0, 2000, BENCH_WIDE), axisOf(sessions, 0, 2000, zoomed(BENCH_WIDE, 2))];
    expect(two.widthPx).toBeCloseTo(2 * one.widthPx);
    expect(two.x(1050)).toBeCloseTo(2 * one.x(1050));
  });
});

describe("records of what was said", () => {
  it("are changed one entry at a time, and not in place", () => {
    const of = { a: 1, b: 2 };
    expect(withEntry(of, "b", 3)).toEqual({ a: 1, b: 3 });
    expect(withEntry(of, "b", null)).toEqual({ a: 1 });
    expect(without(of, "a")).toEqual({ b: 2 });
    expect(of).toEqual({ a: 1, b: 2 });
  });
});
