import { failed } from "@/contracts";
import { closeDb, openDb, updateNode } from "@/db";
import { logTitle } from "@/messages";
import { freshStore, must, rawDb, statementsAsked } from "../../../tests/support/store";
import * as server from "..";
import { writing } from "../guard";
import { snapshotOf } from "./snapshot";

const store = freshStore();

const bench = () => must(server.loadDemo(true)).modelId;
const look = () => snapshotOf(openDb());
const partName = (modelId: string) => look().model(modelId)!.tree[0]!.name;

describe("the bench as it is", () => {
  it("is the same object until somebody writes, and knows of the write at once", () => {
    const model = bench();
    const before = look();
    must(server.getBenchScreen(model));
    must(server.getPlanScreen(model));
    expect(look()).toBe(before);
    must(server.editNode("part", look().model(model)!.tree[0]!.id, 0, { name: "Other hull" }));
    expect(look()).not.toBe(before);
    expect(partName(model)).toBe("Other hull");
  });
  it("within a transaction holds what was written so far, and after a refusal nothing of it", () => {
    const model = bench();
    const name = partName(model);
    const { id } = look().model(model)!.tree[0]!;
    let within = "";
    const told = writing((db) => {
      updateNode(db, "part", id, 0, { name: "Half way" });
      within = snapshotOf(db).model(model)!.tree[0]!.name;
      return failed("refused", "after all not");
    });
    expect(told.ok).toBe(false);
    expect(within).toBe("Half way");
    expect(partName(model)).toBe(name);
  });
  it("speaks of another minute when that has come, without asking the database again", () => {
    bench();
    const before = look();
    const clock = globalThis as unknown as { elmBenchClockShiftMs: number };
    clock.elmBenchClockShiftMs += 60_000;
    try {
      const later = look();
      expect(later.nowMin).toBe(before.nowMin + 1);
      expect(later.data).toBe(before.data);
    } finally {
      clock.elmBenchClockShiftMs -= 60_000;
    }
  });
  it("one region's tile is the one the whole bench has of it", () => {
    const model = bench();
    const own = look().model(model)!;
    const one = own.tree.flatMap((p) => p.regions).map((r) => own.tileOf(r.region.id));
    expect(one).toEqual(
      own.tree.flatMap((p) => p.regions).map((r) => own.tiles.find((t) => t.regionId === r.region.id) ?? null),
    );
  });
  it("what a pile was judged is not asked again for work on another part", () => {
    const model = bench();
    const verdicts = () => must(server.getJudged(model)).map((j) => [j.node.region.id, j.answer] as const);
    const before = new Map(verdicts());
    const tile = must(server.getBench(model)).tiles.find((t) => t.zone === "ready")!;
    must(server.startOp(tile.regionId, { opId: tile.op!.id, reason: null }, logTitle, String));
    for (const [id, answer] of verdicts()) expect(answer).toBe(before.get(id));
  });
});

describe("a plan out of the database", () => {
  const spoiled = async (edit: string) => {
    const model = bench();
    must(await server.makePlan(model));
    expect(must(server.getPlan(model))!.answer.outcome).toBe("planned");
    closeDb();
    const raw = rawDb(store.file());
    raw.prepare(`update bench_plan set answer = ${edit}`).run();
    raw.close();
    return model;
  };
  it("is read as it was written", async () => {
    const model = bench();
    const made = must(await server.makePlan(model));
    expect(must(server.getPlan(model))!.answer).toEqual(JSON.parse(JSON.stringify(made)));
  });
  it.each([
    ["of no kind", `json('{"outcome":"moon"}')`],
    ["with work that ends before it begins", "json_set(answer, '$.ops[0].endMin', 0)"],
    ["without its work", "json_remove(answer, '$.ops')"],
    ["with an hour that is none", "json_set(answer, '$.doneMin', 'soon')"],
  ])("%s is no plan; everything else is there, and it can be made again", async (_, edit) => {
    const model = await spoiled(edit);
    expect(must(server.getPlan(model))).toBeNull();
    expect(must(server.getPlanScreen(model)).backdrop).toBeNull();
    expect(must(server.getBenchScreen(model)).tiles.length).toBeGreaterThan(5);
    must(server.exportDocument(model));
    must(await server.makePlan(model));
    expect(must(server.getPlan(model))!.fresh).toBe(true);
  });
  it("tells the bench what the film model put its waits back by, as long as it is made from what is there", async () => {
    const model = bench();
    must(await server.makePlan(model));
    const { answer } = look().model(model)!.plan!;
    if (answer.outcome !== "planned") throw new Error(answer.outcome);
    const waiting = look()
      .model(model)!
      .tiles.filter((t) => t.wait !== null);
    for (const t of waiting) {
      const planned = answer.ops.find((o) => o.id === t.op!.id)!;
      expect(planned.wait!.likelyMin).toBeCloseTo(t.wait!.likelyMin, 3);
    }
    expect(waiting.length).toBeGreaterThan(1);
  });
});

describe("statements", () => {
  let asked: string[] = [];
  let edits = 0;
  beforeEach(() => {
    asked = statementsAsked();
  });
  afterEach(() => jest.restoreAllMocks());
  const counted = (work: () => void): number => {
    asked.length = 0;
    work();
    return asked.length;
  };
  /** Reads the bench anew: something has been written. */
  const reload = (model: string) =>
    counted(() => {
      must(server.editNode("model", model, look().model(model)!.head.rev, { note: `${++edits}` }));
      asked.length = 0;
      look();
    });

  it("are as many for a bench of many parts as for one of none", () => {
    const empty = must(server.addModel({ name: "Nothing yet", scale: "", note: "" })).id;
    const few = reload(empty);
    const many = reload(bench());
    expect(many).toBe(few);
    expect(many).toBeLessThan(25);
  });
  it("are none where nothing was written since", () => {
    const model = bench();
    look();
    expect(
      counted(() => {
        must(server.getFrame());
        must(server.getBenchScreen(model));
        must(server.getPlanScreen(model));
        must(server.getJudged(model));
        must(server.getLog(model));
      }),
    ).toBe(0);
  });
});
