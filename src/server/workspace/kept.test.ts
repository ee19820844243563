import { failed } from "@/contracts";
import { closeDb, openDb } from "@/db";
import * as server from "@/server";
import { WORDS } from "../../../tests/support/mishap-words";
import { freshStore, must } from "../../../tests/support/store";
import { writing } from "../guard";
import { snapshotOf } from "./snapshot";

freshStore();

const now = () => snapshotOf(openDb()).data;
const reading = (tempC: number) => must(server.addReading({ minutesAgo: 0, tempC, rhPct: 60 }));

it("a reading leaves what was read of everything else as it was", () => {
  must(server.loadDemo(true));
  const before = now();
  reading(9);
  const after = now();
  expect(after.readings).not.toBe(before.readings);
  for (const kind of [
    "models",
    "trees",
    "shelf",
    "logs",
    "cards",
    "coupons",
    "plannings",
    "forecast",
    "locals",
  ] as const)
    expect({ kind, same: after[kind] === before[kind] }).toEqual({ kind, same: true });
});

it.each([
  ["the same once more", 9, 60, true],
  ["less than a tenth of a degree and of a percent", 9.04, 60.04, true],
  ["a tenth of a degree", 9.1, 60, false],
  ["a tenth of a percent", 9, 60.1, false],
])("a device that says %s: is anything reckoned anew", (_told, tempC, rhPct, same) => {
  must(server.loadDemo(true));
  const say = (c: number, rh: number) => must(server.addReading({ minutesAgo: 0, tempC: c, rhPct: rh }));
  say(9, 60);
  const before = snapshotOf(openDb());
  say(tempC, rhPct);
  // a minute that turns in between makes a new one whatever was said
  const after = snapshotOf(openDb());
  if (after.nowMin === before.nowMin) expect(after === before).toBe(same);
  expect(after.data.readings === before.data.readings).toBe(same && after.nowMin === before.nowMin);
});

it("an edit is seen at once, and only what it touches is read anew", () => {
  const id = must(server.addModel({ name: "Skiff", scale: "", note: "" })).id;
  const part = must(server.addPart(id, { name: "Deck", count: 1, note: "" }));
  const before = now();
  must(server.editNode("part", part.id, 0, { name: "Thwart" }));
  const after = now();
  expect(after.trees.get(id)![0]!.name).toBe("Thwart");
  expect(after.cards).toBe(before.cards);
  must(server.deleteNode("part", part.id));
  expect(now().trees.get(id) ?? []).toEqual([]);
});

describe("the log, of which only new lines are read", () => {
  const demo = () => must(server.loadDemo(true)).modelId;
  const painted = (id: string) =>
    now()
      .logs.get(id)!
      .findLast((e) => e.kind === "done" && e.laid !== undefined)!;
  const lines = (id: string) => (now().logs.get(id) ?? []).length;

  it("takes a new line in, and leaves other models’ lists the very same", () => {
    const one = demo();
    const other = must(server.loadDemo(false)).modelId;
    const before = now();
    const { regionId } = painted(other);
    must(server.reportMishap(regionId, { sign: "nib" }, WORDS));
    const after = now();
    expect(after.logs.get(other)).toHaveLength(before.logs.get(other)!.length + 1);
    expect(after.logs.get(one)).toBe(before.logs.get(one));
  });
  it("forgets lines of a write that was refused half way", () => {
    const id = demo();
    const had = lines(id);
    const { regionId } = painted(id);
    const outcome = writing(() => {
      must(server.reportMishap(regionId, { sign: "nib" }, WORDS));
      expect(lines(id)).toBe(had + 1);
      return failed("refused", "not today");
    });
    expect(outcome.ok).toBe(false);
    expect(lines(id)).toBe(had);
    must(server.reportMishap(regionId, { sign: "nib" }, WORDS));
    expect(lines(id)).toBe(had + 1);
  });
  it("is the same read anew after a reopening, and goes with its model", () => {
    const id = demo();
    const before = now().logs.get(id);
    closeDb();
    expect(now().logs.get(id)).toEqual(before);
    must(server.deleteNode("model", id));
    expect(now().logs.get(id)).toBeUndefined();
    must(server.restoreNode("model", id));
    expect(now().logs.get(id)).toEqual(before);
  });
});
