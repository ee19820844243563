import fc from "fast-check";
import { coatOf, type OpKey, opIds, readKey, renamed, roundId, writeKey } from "./op-key";
import { BEFORE_STEPS, PREP_STEPS } from "./vocabulary";

const round = { n: 2, what: "f" as const };
const plain = { round: null, arg: null, turn: null, sitting: null };

describe("what a piece of work is", () => {
  it.each([
    ["r1:prep:dust-off", { ...plain, subjectId: "r1", kind: "prep", arg: "dust-off" }],
    ["y1:before:scuff", { ...plain, subjectId: "y1", kind: "before", arg: "scuff" }],
    ["y1:coat:3", { ...plain, subjectId: "y1", kind: "coat", arg: "3" }],
    ["y1:coat:3:turn:1", { ...plain, subjectId: "y1", kind: "coat", arg: "3", turn: 1 }],
    ["y1:coat:3:turn:1:sitting:2", { ...plain, subjectId: "y1", kind: "coat", arg: "3", turn: 1, sitting: 2 }],
    ["y1:sand:sitting:1", { ...plain, subjectId: "y1", kind: "sand", sitting: 1 }],
    ["y1~r2f:inspect", { ...plain, subjectId: "y1", round, kind: "inspect" }],
    ["r1:bare:unmask", { ...plain, subjectId: "r1", kind: "bare", arg: "unmask" }],
    ["p1:fit", { ...plain, subjectId: "p1", kind: "fit" }],
  ])("%s", (text, key) => {
    expect(readKey(text)).toEqual(key);
    expect(writeKey(key as OpKey)).toBe(text);
  });
  it.each([
    "",
    "y1",
    "y1:",
    ":coat:1",
    "y1:coat",
    "y1:coat:0",
    "y1:coat:x",
    "y1:polish",
    "y1:sand:again",
    "y1:constructor",
    "y1:coat:1:turn:x",
  ])("%s is no work of ours", (text) => expect(readKey(text)).toBeNull());
  it("every id that is written is read back as what it was written for", () => {
    const id = fc.stringMatching(/^[A-Za-z0-9][A-Za-z0-9_-]{0,20}$/);
    const layer = fc.oneof(
      id,
      fc
        .tuple(id, fc.integer({ min: 1, max: 9 }), fc.constantFrom("f" as const, "p" as const))
        .map((r) => roundId(...r)),
    );
    const n = fc.integer({ min: 1, max: 12 });
    const coat = fc.tuple(layer, n).map(([l, k]) => opIds.coat(l, k));
    const op = fc.oneof(
      fc.tuple(id, fc.constantFrom(...PREP_STEPS)).map(([r, s]) => opIds.prep(r, s)),
      fc.tuple(layer, fc.constantFrom(...BEFORE_STEPS)).map(([l, s]) => opIds.before(l, s)),
      coat,
      fc.tuple(coat, n).map(([c, k]) => opIds.turn(c, k)),
      fc.tuple(coat, n).map(([c, k]) => opIds.sitting(c, k)),
      layer.map(opIds.sand),
      layer.map(opIds.inspect),
      layer.map(opIds.mask),
      layer.map(opIds.unmask),
      id.map((r) => opIds.bare(r, "mask")),
      id.map(opIds.fit),
    );
    fc.assert(
      fc.property(op, (text) => {
        const key = readKey(text);
        expect(key).not.toBeNull();
        expect(writeKey(key!)).toBe(text);
      }),
      { seed: 12, numRuns: 400 },
    );
  });
  it("goes on under another name with its round, coat, turn and sitting", () => {
    const nameOf = (own: string) => (own === "y1" ? "new" : own);
    expect(renamed("y1~r2p:coat:1:turn:1", nameOf)).toBe("new~r2p:coat:1:turn:1");
    expect(renamed("r7:prep:wash", nameOf)).toBe("r7:prep:wash");
    expect(renamed("what is this", nameOf)).toBe("what is this");
  });
  it("a turn belongs to its coat, a rub to none", () => {
    expect(["y1:coat:2", "y1:coat:2:turn:1", "y1:sand"].map(coatOf)).toEqual([2, 2, null]);
  });
});
