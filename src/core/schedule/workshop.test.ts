import { DAY, eveningsFrom, link, op, randomShop, shop } from "../../../tests/support/shops";
import {
  checkSchedule,
  circleOf,
  cleaningsOf,
  keepPlan,
  type Op,
  type Placed,
  type Problem,
  sessionsUsed,
  slacks,
  solve,
} from ".";

const placedOf = (problem: Problem, options: Parameters<typeof solve>[1] = { tries: 40 }) => {
  const s = solve(problem, options);
  if (s.outcome !== "placed") throw new Error(JSON.stringify(s.conflict));
  return s;
};
const startsOf = (placed: readonly Placed[]) => new Map(placed.map((p) => [p.opId, p.startMin]));
const at = (placed: readonly Placed[], id: string) => placed.find((p) => p.opId === id)!;

describe("random workshops with tools, racks, dust and windows", () => {
  const seeds = Array.from({ length: 40 }, (_, i) => i + 1);
  it.each(seeds)("shop %d: the referee finds nothing, and the plan is no sooner than its bound", (seed) => {
    const problem = randomShop(seed);
    const s = placedOf(problem, { tries: 15 });
    expect(checkSchedule(problem, s.placed)).toEqual([]);
    expect(s.boundMin).toBeLessThanOrEqual(s.endMin);
  });
  it.each(seeds)("shop %d: kept with nothing changed, nothing moves", (seed) => {
    const problem = randomShop(seed);
    const s = placedOf(problem, { tries: 15 });
    const kept = keepPlan(problem, startsOf(s.placed));
    if (kept.outcome !== "placed") throw new Error("lost");
    expect(startsOf(kept.placed)).toEqual(startsOf(s.placed));
  });
  it.each(seeds)(
    "shop %d: with everything as late as its slack says, the plan still holds and ends no later",
    (seed) => {
      const problem = randomShop(seed, 4);
      const s = placedOf(problem, { tries: 10 });
      const slackOf = slacks(problem, s.placed);
      const late = s.placed.map((p) => {
        const { slackMin } = slackOf.get(p.opId)!;
        return { ...p, startMin: p.startMin + slackMin, endMin: p.endMin + slackMin };
      });
      expect(checkSchedule(problem, late)).toEqual([]);
      expect(Math.max(...late.map((p) => p.endMin))).toBeLessThanOrEqual(s.endMin);
      // the one that ends last has none
      expect(Math.min(...[...slackOf.values()].map((x) => x.slackMin))).toBe(0);
    },
  );
});

describe("an evening falls out of a full week", () => {
  const EVENING = 60;
  const evening = (n: number) => ({ startMin: n * 1440, endMin: n * 1440 + EVENING });
  const half = (id: string) => op(id, EVENING / 2, { needs: { hands: 1 } });
  const old = new Map<string, number>();
  for (const n of [1, 2, 3])
    for (const [k, who] of ["a", "b", "c"].entries()) old.set(`${who}${n}`, (k < 2 ? n : 3 + n) * 1440 + (k % 2) * 30);
  const chain = (who: string) => [link(`${who}1`, `${who}2`, [[600, null]]), link(`${who}2`, `${who}3`, [[600, null]])];
  const problem = shop([...old.keys()].map(half), [...chain("a"), ...chain("c")], {
    capacity: { hands: 1 },
    sessions: [2, 3, 4, 5, 6, 7, 8, 9].map(evening),
  });
  it("what much hangs on takes its room again, and what it pushes out goes where there is some: nothing waits for the end of the week", () => {
    const found = keepPlan(problem, old);
    if (found.outcome !== "placed") throw new Error("lost");
    expect(checkSchedule(problem, found.placed)).toEqual([]);
    const day = (id: string) => Math.floor(at(found.placed, id).startMin / 1440);
    // three evenings of one chain and three of the other, an evening late at the most
    expect(Math.max(day("a3"), day("c3"))).toBeLessThanOrEqual(7);
    expect(["b2", "b3"].map(day)).toEqual([2, 3]);
  });
});

describe("tools are cleaned between products", () => {
  const spray = (id: string, colour: string) => op(id, 20, { needs: { hands: 1, brush: 1 }, loads: { brush: colour } });
  const tools = { capacity: { hands: 1, brush: 1 }, setupMin: { brush: 10 } };
  it("takes somebody's hands, where it says so", () => {
    const ops = [spray("a", "red"), spray("b", "blue"), op("c", 5)];
    const withHands = placedOf(shop(ops, [], { ...tools, setupTakes: "hands" })).endMin;
    const without = placedOf(shop(ops, [], tools)).endMin;
    // 20 + 10 + 20 + 5 one after the other, or the last five minutes inside the cleaning
    expect([withHands, without]).toEqual([55, 50]);
  });
  it("the bound counts the cleanings nobody gets round, and none that a night or a long rest saves", () => {
    const colours = [spray("a", "red"), spray("b", "blue"), spray("c", "red"), spray("d", "black")];
    const bound = (...sessions: readonly (readonly [number, number])[]) => {
      const own = sessions.map(([startMin, endMin]) => ({ startMin, endMin }));
      const found = placedOf(shop(colours, [], { ...tools, setupTakes: "hands", sessions: own }), { tries: 60 });
      return [found.boundMin, found.endMin];
    };
    // four coats, three colours: two cleanings in one evening, none of them where each has an evening of its own
    expect(bound([0, 230])).toEqual([100, 100]);
    expect(bound([0, 50], [1440, 1480], [2880, 2900])).toEqual([1480, 1480]);
    expect(bound([0, 600])[0]).toBe(80);
  });
  it("the referee sees hands that were busy while they should have cleaned", () => {
    const problem = shop([spray("a", "red"), spray("b", "blue"), op("c", 10)], [], { ...tools, setupTakes: "hands" });
    const lies = [
      ["a", 0, 20],
      ["c", 20, 30],
      ["b", 30, 50],
    ].map(([opId, startMin, endMin]) => ({ opId, startMin, endMin, boundBy: { kind: "now" } }) as Placed);
    expect(checkSchedule(problem, lies).map((v) => v.kind)).toEqual(["setup"]);
  });
  it("least cleaning puts like with like; earliest finish may not", () => {
    // the second red is there only after the blue could have been sprayed
    const ops = [
      spray("r1", "red"),
      spray("b1", "blue"),
      { ...spray("r2", "red"), releaseMin: 35 },
      spray("b2", "blue"),
    ];
    const problem = shop(ops, [], tools);
    const countOf = (placed: readonly Placed[]) => cleaningsOf(problem, new Map(placed.map((p) => [p.opId, p])));
    const clean = placedOf(problem, { tries: 300, objective: "cleaning" });
    expect(countOf(clean.placed)).toBe(1);
    expect(checkSchedule(problem, clean.placed)).toEqual([]);
  });
});

describe("one air for all", () => {
  const wet = op("wet", 10, { air: { gives: null, settleMin: 0, mindsUntilMin: (end) => end + 40 } });
  const dusty = op("dusty", 10, { air: { gives: "dust", settleMin: 20, mindsUntilMin: null } });
  it("no dust while a film is open to it, and none hanging when one is laid", () => {
    const { placed } = placedOf(shop([wet, dusty]));
    const apart = at(placed, "dusty").startMin - at(placed, "wet").endMin;
    expect(apart >= 40 || apart <= -(10 + 20 + 10)).toBe(true);
  });
  it("the same kind does no harm, nor does anything of one owner", () => {
    const mist = (id: string, product: string, of: string) =>
      op(id, 10, { air: { gives: product, settleMin: 5, mindsUntilMin: (end) => end + 60, of } });
    expect(placedOf(shop([mist("a", "grey", "x"), mist("b", "grey", "y")])).endMin).toBe(20);
    expect(placedOf(shop([mist("a", "grey", "x"), mist("b", "blue", "x")])).endMin).toBe(20);
    expect(placedOf(shop([mist("a", "grey", "x"), mist("b", "blue", "y")])).endMin).toBe(80);
  });
  it("the referee finds dust on a wet film", () => {
    const lies = [
      { opId: "wet", startMin: 0, endMin: 10, boundBy: { kind: "now" } },
      { opId: "dusty", startMin: 20, endMin: 30, boundBy: { kind: "now" } },
    ] as const;
    expect(checkSchedule(shop([wet, dusty]), lies).map((v) => v.kind)).toEqual(["air"]);
  });
});

describe("what is held after work has ended", () => {
  it("a rack of one lets the next in when the first can be handled", () => {
    const hung = (id: string) =>
      op(id, 10, {
        needs: { hands: 1, rack: 1 },
        keeps: [{ resource: "rack", amount: 1, untilMin: (end) => end + 45 }],
      });
    const { placed } = placedOf(shop([hung("a"), hung("b")], [], { capacity: { hands: 1, rack: 1 } }));
    const [first, second] = [...placed].sort((x, y) => x.startMin - y.startMin);
    expect(second!.startMin - first!.endMin).toBe(45);
  });
  it("work nobody has to attend may lie outside every session, and holds no hands", () => {
    const lamp = op("lamp", 300, { needs: { box: 1 }, unattended: true });
    const { placed } = placedOf(
      shop([op("load", 10), lamp], [link("load", "lamp", [[0, null]])], { capacity: { hands: 1, box: 1 } }),
    );
    expect(at(placed, "lamp")).toMatchObject({ startMin: 10, endMin: 310 });
  });
});

describe("pins, dates and arrivals", () => {
  it("a pin holds its hour while others are laid around it", () => {
    const ops = [op("a", 60), op("b", 60), op("pinned", 30, { lockMin: 30 })];
    const { placed } = placedOf(shop(ops));
    expect(at(placed, "pinned").startMin).toBe(30);
    expect(checkSchedule(shop(ops), placed)).toEqual([]);
  });
  it("a pin that cannot hold says what stands in its way first", () => {
    const problem = shop([op("coat", 10), op("sand", 10, { lockMin: 60 })], [link("coat", "sand", [[120, null]])]);
    const s = solve(problem);
    expect(s).toMatchObject({
      outcome: "conflict",
      conflict: { kind: "lock", opId: "sand", heldBy: { kind: "link" } },
    });
  });
  it("nothing starts before its part or product is there", () => {
    const { placed } = placedOf(shop([op("a", 10, { releaseMin: 3 * DAY })]));
    expect(at(placed, "a").startMin).toBe(3 * DAY);
  });
  it("a date beats the finish: what is wished for sooner goes first, though all ends at the same hour", () => {
    const ops = [op("a", 100), op("b", 100), op("c", 100, { dueMin: 140 })];
    expect(at(placedOf(shop(ops), { tries: 200 }).placed, "c").endMin).toBeLessThanOrEqual(140);
  });
});

describe("other aims", () => {
  it("fewest sessions leaves evenings empty that the earliest finish would use", () => {
    // a wait of a day after each first coat: done early, the second coats take a second and a third evening
    const ops = ["a", "b", "c"].flatMap((p, i) => [op(`${p}1`, 40, { releaseMin: i * DAY }), op(`${p}2`, 10)]);
    const problem = shop(
      ops,
      ["a", "b", "c"].map((p) => link(`${p}1`, `${p}2`, [[600, null]])),
    );
    const used = (aim: "finish" | "sessions") =>
      sessionsUsed(problem, new Map(placedOf(problem, { tries: 400, objective: aim }).placed.map((p) => [p.opId, p])));
    expect(used("finish")).toBe(4);
    expect(used("sessions")).toBe(2);
  });
  it("most slack keeps a start away from the shutting of its window", () => {
    const ops = [op("open", 10), op("x", 60), op("y", 60), op("close", 10)];
    const problem = shop(ops, [link("open", "close", [[5, 140]])]);
    const { placed } = placedOf(problem, { tries: 300, objective: "slack" });
    expect(at(placed, "open").endMin + 140 - at(placed, "close").startMin).toBe(135);
  });
});

describe("as little moved as can be", () => {
  it("one thing pushed out finds room elsewhere, and the others stay", () => {
    const ops = [op("a", 30), op("b", 30), op("c", 30)];
    const before = new Map([
      ["a", 0],
      ["b", 30],
      ["c", 60],
    ]);
    const pinned = { ...shop(ops), ops: [...ops, op("new", 30, { lockMin: 0 })] };
    const kept = keepPlan(pinned, before);
    if (kept.outcome !== "placed") throw new Error("lost");
    const starts = startsOf(kept.placed);
    expect([starts.get("b"), starts.get("c"), starts.get("a")]).toEqual([30, 60, 90]);
  });
  it("where the old hour would miss a window, it is let go with what leads to it", () => {
    const ops = [op("coat", 10), op("next", 10)];
    const problem = shop(ops, [link("coat", "next", [[10, 60]])]);
    const kept = keepPlan(
      problem,
      new Map([
        ["coat", 0],
        ["next", 100],
      ]),
    );
    if (kept.outcome !== "placed") throw new Error("lost");
    expect(checkSchedule(problem, kept.placed)).toEqual([]);
  });
});

describe("circles", () => {
  it("are named in order, and only where there is one", () => {
    const ops = [op("a", 5), op("b", 5), op("c", 5), op("d", 5)];
    const links = [link("d", "a", [[0, null]]), link("a", "b", [[0, null]]), link("b", "c", [[0, null]])];
    expect(circleOf(ops, links)).toBeNull();
    expect(circleOf(ops, [...links, link("c", "a", [[0, null]])])).toEqual(["a", "b", "c"]);
  });
});

describe("sessions of unlike lengths", () => {
  it("a long piece of work waits for the evening that holds it", () => {
    const sessions = [...eveningsFrom(3, 30), { startMin: 3 * DAY, endMin: 3 * DAY + 200 }];
    expect(at(placedOf(shop([op("long", 120)], [], { sessions })).placed, "long").startMin).toBe(3 * DAY);
  });
});

describe("a plan that is kept", () => {
  // six parts, two coats each an evening, every evening full to twenty minutes
  const parts = Array.from({ length: 6 }, (_, n) => n);
  const bench = (waitMin: number) =>
    shop(
      parts.flatMap((n) => [op(`a${n}`, 30), op(`b${n}`, 30)]),
      parts.map((n) => link(`a${n}`, `b${n}`, [[n === 0 ? waitMin : 30, null]])),
      { sessions: eveningsFrom(20, 140) },
    );
  const before = placedOf(bench(30));
  const sessionOf = (t: number) => Math.floor(t / DAY);
  const changed = (waitMin: number) => {
    const kept = keepPlan(bench(waitMin), startsOf(before.placed));
    if (kept.outcome !== "placed") throw new Error("lost");
    expect(checkSchedule(bench(waitMin), kept.placed)).toEqual([]);
    return {
      evenings: kept.placed.filter((p) => sessionOf(p.startMin) !== sessionOf(at(before.placed, p.opId).startMin))
        .length,
      laterMin: kept.endMin - before.endMin,
    };
  };
  it("a wait that is a little longer stays a matter of its evening", () => {
    expect(changed(35)).toEqual({ evenings: 0, laterMin: expect.any(Number) });
    expect(changed(35).laterMin).toBeLessThanOrEqual(20);
  });
  it("one that does not fit into the evening any more moves what hangs on it, and little else", () => {
    const { evenings } = changed(3000);
    expect(evenings).toBeGreaterThan(0);
    expect(evenings).toBeLessThanOrEqual(4);
  });
});

describe("dates", () => {
  // two models on one pair of hands: eight pieces of forty minutes each, two sessions to hold them all
  const two = (due: Partial<Op>, other: Partial<Op> = {}) => {
    const chain = (name: string, last: Partial<Op>) =>
      Array.from({ length: 8 }, (_, n) => op(`${name}${n}`, 40, n === 7 ? last : {}));
    const links = (name: string) =>
      Array.from({ length: 7 }, (_, n) => link(`${name}${n}`, `${name}${n + 1}`, [[20, null]]));
    return shop([...chain("a", other), ...chain("b", due)], [...links("a"), ...links("b")]);
  };
  const ends = (problem: Problem) => {
    const { placed } = placedOf(problem, { tries: 12 });
    return [at(placed, "a7").endMin, at(placed, "b7").endMin];
  };
  it("what is wished for by a date nobody can keep comes before what has none, within a few placements", () => {
    const [a, b] = ends(two({ dueMin: 60 }));
    expect(b).toBeLessThan(a!);
    const alone = two({ dueMin: 60 });
    const own = {
      ...alone,
      ops: alone.ops.filter((o) => o.id.startsWith("b")),
      links: alone.links.filter((l) => l.from.startsWith("b")),
    };
    expect(b).toBe(at(placedOf(own, { tries: 12 }).placed, "b7").endMin);
  });
  it.each<[string, number, number, number, number, "a" | "b"]>([
    ["the sooner date first", 400, 1, 500, 1, "a"],
    ["the sooner date first, whatever is listed first", 500, 1, 400, 1, "b"],
    ["of two alike the one that counts threefold", 300, 1, 300, 3, "b"],
  ])("%s", (_, dueA, weightA, dueB, weightB, first) => {
    const [a, b] = ends(two({ dueMin: dueB, dueWeight: weightB }, { dueMin: dueA, dueWeight: weightA }));
    expect(a! < b! ? "a" : "b").toBe(first);
  });
});
