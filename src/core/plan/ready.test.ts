import { layer, pile, planInput, region } from "../../../tests/support/world";
import { opIds, type Region, type Stack } from "../model";
import { prepTimes } from "../work";
import { planModel } from "./plan";

/** Getting ready, told as small jobs: what has to dry, for how long, and when the last dust comes off. */

const H = 60;
const face = (over: Partial<Region> = {}) => region({ material: "petg", conditions: [], joints: true, ...over });
const times = (stack: Partial<Stack>, over: Partial<Region> = {}) =>
  prepTimes(face(over), { prep: [], layers: [], ...stack }, () => {
    throw new Error("no liquid is named");
  });
const waitAfter = (key: string, stack: Partial<Stack>, over: Partial<Region> = {}) =>
  times(stack, over).find((t) => t.key === key)!.waitMin;

describe("water in joints", () => {
  it("takes overnight by itself, and an afternoon once it is blown out", () => {
    expect(waitAfter("wash", { prep: ["wash"] })).toBeGreaterThanOrEqual(8 * H);
    const blown: Partial<Stack> = { prep: ["wash", "blow-out"] };
    expect(waitAfter("wash", blown)).toBe(0);
    expect(waitAfter("blow-out", blown)).toBeGreaterThanOrEqual(2 * H);
    expect(waitAfter("blow-out", blown)).toBeLessThanOrEqual(5 * H);
  });
  it("blowing out helps no plain face: its water is on the face", () => {
    const plain = { joints: false };
    expect(waitAfter("blow-out", { prep: ["wash", "blow-out"] }, plain)).toBe(
      waitAfter("wash", { prep: ["wash"] }, plain),
    );
  });
  it("a dry step behind a wash, or behind blowing out, brings no water of its own", () => {
    expect(waitAfter("dry", { prep: ["wash", "dry"] })).toBe(0);
    expect(waitAfter("dry", { prep: ["wash", "blow-out", "dry"] })).toBe(0);
    expect(waitAfter("dry", { prep: ["dry"] })).toBeGreaterThan(0);
  });
});

describe("the user's own word", () => {
  it("beats what is reckoned, of the very step it was said of", () => {
    const stack: Partial<Stack> = { prep: ["wash", "key", "wash"], prepWaitMin: { "wash-2": 14 * H } };
    expect(waitAfter("wash-2", stack)).toBe(14 * H);
    expect(waitAfter("wash", stack)).not.toBe(14 * H);
  });
  it("is waited for in the plan, whatever the air", () => {
    const own = (prepWaitMin: Stack["prepWaitMin"]) => {
      const stack = { ...pile(layer("water-primer", { id: "y" })), prep: ["wash" as const], prepWaitMin };
      const answer = planModel(planInput([{ region: face({ id: "r", joints: false, conditions: ["keyed"] }), stack }]));
      if (answer.outcome !== "planned") throw new Error(answer.outcome);
      const at = (id: string) => answer.ops.find((o) => o.id === id)!;
      return at(opIds.coat("y", 1)).startMin - at(opIds.prep("r", "wash")).endMin;
    };
    expect(own({ wash: 30 * H })).toBeGreaterThanOrEqual(30 * H);
    expect(own(undefined)).toBeLessThan(30 * H);
  });
});

describe("a soak", () => {
  const bath: Partial<Stack> = { prep: ["degrease", "wash"], prepSoakMin: { degrease: 25 } };
  const stack = { ...pile(layer("water-primer", { id: "y" })), ...bath };
  const at = (over: Partial<Stack> = {}) => {
    const answer = planModel(
      planInput([{ region: face({ id: "r", joints: false, conditions: ["keyed"] }), stack: { ...stack, ...over } }]),
    );
    if (answer.outcome !== "planned") throw new Error(answer.outcome);
    return (id: string) => answer.ops.find((o) => o.id === id);
  };
  const put = opIds.prep("r", "degrease");
  it("is put in and taken out, on time, with the minutes between left to other work", () => {
    const op = at();
    const [into, out] = [op(put)!, op(opIds.turn(put, 1))!];
    expect(out.startMin - into.endMin).toBeGreaterThanOrEqual(25);
    expect(out.startMin - into.endMin).toBeLessThanOrEqual(40);
    expect(op(opIds.prep("r", "wash"))!.startMin).toBeGreaterThanOrEqual(out.endMin);
    expect(waitAfter("degrease", bath)).toBeGreaterThanOrEqual(25);
  });
  it("one of hours comes out when somebody is at the bench again", () => {
    const op = at({ prepSoakMin: { degrease: 600 } });
    const lain = op(opIds.turn(put, 1))!.startMin - op(put)!.endMin;
    expect(lain).toBeGreaterThanOrEqual(10 * H);
    expect(lain).toBeLessThan(34 * H);
  });
  it("nobody told is none, and one told of a step that is not in the pile is nobody's", () => {
    expect(at({ prepSoakMin: undefined })(opIds.turn(put, 1))).toBeUndefined();
    expect(at({ prep: ["wash"] })(opIds.turn(put, 1))).toBeUndefined();
  });
});

describe("the last dust", () => {
  it("comes off the same evening as the coat where the hands are free, not the evening before", () => {
    const stack = {
      ...pile(layer("water-primer", { id: "y" })),
      prep: ["wash" as const, "key" as const, "wipe" as const, "tack-off" as const],
      prepWaitMin: { key: 10 * H },
    };
    const answer = planModel(planInput([{ region: face({ id: "r", areaCm2: 900 }), stack }]));
    if (answer.outcome !== "planned") throw new Error(answer.outcome);
    const at = (opId: string) => answer.ops.find((o) => o.id === opId)!;
    for (const step of ["wipe", "tack-off"] as const)
      expect(at(opIds.coat("y", 1)).startMin - at(opIds.prep("r", step)).endMin).toBeLessThanOrEqual(60);
  });
});
