import { workText } from "@/messages";
import { layer, pile, planInput, region } from "../../../tests/support/world";
import { judgeWork } from "../judge";
import { type JarId, type JointLoad, opIds, type Product, type Region } from "../model";
import { cardOfJar, glueTimes } from "../reference";
import { planModel } from "./plan";
import { NO_WISHES, type PlanInput, type PlanWishes } from "./types";

/** Joints told with the adhesives of a bench: how long each is held, when the part is worked on, what each may join. */

const known = new Map<string, Product>();
const productOf = (id: string): Product => {
  const own = known.get(id) ?? cardOfJar(id as JarId, id);
  known.set(id, own);
  return own;
};

describe("how long a joint takes", () => {
  it.each<[string, string | null, number, number, number]>([
    ["instant glue", "instant-glue", 1, 1, 30],
    ["five-minute epoxy", "five-minute-epoxy", 5, 10, 60],
    ["liquid cement", "plastic-cement", 1, 5, 120],
    ["nobody said which", null, 60, 720, 720],
  ])("%s", (_, id, heldFrom, heldTo, workedTo) => {
    const t = glueTimes(id === null ? null : productOf(id));
    expect(t.setsMin).toBeGreaterThanOrEqual(heldFrom);
    expect(t.setsMin).toBeLessThanOrEqual(heldTo);
    expect(t.worksMin).toBeLessThanOrEqual(workedTo);
    expect(t.worksMin).toBeGreaterThanOrEqual(t.setsMin);
  });
  it("the card's own word beats what is usual", () => {
    const slow = {
      ...productOf("five-minute-epoxy"),
      label: { ...productOf("five-minute-epoxy").label, touchMin: 90, handleMin: 1440 },
    };
    expect(glueTimes(slow)).toEqual({ setsMin: 90, worksMin: 1440, byReaction: true });
  });
});

const panel = (id: string): PlanInput["regions"][number] => ({
  region: region({ id, material: "hips", conditions: ["keyed", "washed"] }),
  stack: pile(layer("water-primer", { id: `y-${id}` })),
});
function joined(glueId: string | null, over: Partial<Parameters<typeof planInput>[1]> = {}) {
  const joins = [
    { partId: "pa", regionIds: ["a"], onto: { partId: "pb", regionIds: ["b"] }, when: "before-paint" as const, glueId },
  ];
  const answer = planModel(planInput([panel("a"), panel("b")], { productOf, joins, ...over }));
  if (answer.outcome !== "planned") throw new Error(JSON.stringify(answer).slice(0, 300));
  const fit = answer.ops.find((o) => o.id === opIds.fit("pa"))!;
  const first = Math.min(...answer.ops.filter((o) => o.kind === "coat").map((o) => o.startMin));
  return { fit, waitMin: first - fit.endMin };
}

describe("a joint in the plan", () => {
  it("with instant glue the first coat follows the same evening; with none named the next day", () => {
    expect(joined("instant-glue").waitMin).toBeLessThan(150);
    expect(joined(null).waitMin).toBeGreaterThanOrEqual(720);
  });
  it("what sets in minutes is held by hand, and the hands are counted; what takes longer is clamped", () => {
    const plain = joined(null).fit.handsOnMin;
    expect(joined("instant-glue").fit.handsOnMin).toBeGreaterThan(plain);
    expect(joined("five-minute-epoxy").fit.handsOnMin).toBe(plain + 10);
  });
  it("an epoxy joint takes longer in a cold shed, an instant one does not", () => {
    const wait = (glue: string, meanC: number) => {
      const epoxy = productOf(glue);
      const slow = { ...epoxy, id: "glue", label: { ...epoxy.label, handleMin: 1380 } };
      const of = (id: string) => (id === "glue" ? slow : productOf(id));
      return joined("glue", { productOf: of, air: { meanC } }).waitMin;
    };
    expect(wait("five-minute-epoxy", 12)).toBeGreaterThan(wait("five-minute-epoxy", 20));
    expect(wait("instant-glue", 12)).toBe(wait("instant-glue", 20));
  });
  it("its adhesive stands in the work", () =>
    expect(workText(joined("instant-glue").fit, (id) => productOf(id).name)).toBe(
      "Join the part: Instant glue, held 1 min",
    ));
});

describe("when a joint is made", () => {
  const painted = (id: string): PlanInput["regions"][number] => ({
    region: region({ id, material: "hips", conditions: ["keyed", "washed"] }),
    stack: {
      ...pile(layer("water-primer", { id: `p-${id}` }), layer("water-acrylic", { id: `c-${id}` })),
      prep: ["dry-fit"],
    },
  });
  const planned = (
    when: "before-paint" | "primed" | "after-paint",
    glueId: string | null,
    wishes: Partial<PlanWishes> = { rounds: { a: 0, b: 0 } },
  ) => {
    const joins = [{ partId: "pa", regionIds: ["a"], onto: { partId: "pb", regionIds: ["b"] }, when, glueId }];
    const answer = planModel(
      planInput([painted("a"), painted("b")], { productOf, joins, wishes: { ...NO_WISHES, ...wishes } }),
    );
    if (answer.outcome !== "planned") throw new Error(JSON.stringify(answer).slice(0, 300));
    const at = (id: string) => answer.ops.find((o) => o.id === id);
    return { at, coat: (layerId: string) => at(opIds.coat(layerId, 1))!, ops: answer.ops };
  };
  it("over the ground: after both primers, before either colour, and what was squeezed out is taken off between", () => {
    const { at, coat } = planned("primed", "five-minute-epoxy");
    const fit = at(opIds.fit("pa"))!;
    const dress = at(opIds.dress("pa"))!;
    for (const side of ["a", "b"]) {
      expect(fit.startMin).toBeGreaterThanOrEqual(coat(`p-${side}`).endMin);
      expect(coat(`c-${side}`).startMin).toBeGreaterThanOrEqual(dress.endMin);
    }
    expect(dress.startMin).toBeGreaterThan(fit.endMin);
    expect(workText(dress, () => null)).toMatch(/squeezed out/);
  });
  it("over the ground with a round to come it is made before that round, which fills its steps and cracks", () => {
    const { at, ops } = planned("primed", "five-minute-epoxy", { rounds: { a: 2, b: 2 } });
    const dress = at(opIds.dress("pa"))!;
    for (const side of ["a", "b"]) {
      const looks = ops.filter((o) => o.kind === "inspect" && o.regionId === side);
      expect(looks.map((o) => o.round)).toEqual([1, 2]);
      expect(looks[0]!.endMin).toBeLessThanOrEqual(at(opIds.fit("pa"))!.startMin);
      expect(looks[1]!.startMin).toBeGreaterThanOrEqual(dress.endMin);
    }
  });
  it("nothing is squeezed out where no adhesive is named, and nothing is dressed on finished paint", () => {
    expect(planned("primed", null).at(opIds.dress("pa"))).toBeUndefined();
    expect(planned("after-paint", "five-minute-epoxy").at(opIds.dress("pa"))).toBeUndefined();
  });
  it("a fit is tried while both parts are bare", () => {
    const { ops, coat } = planned("after-paint", null);
    const tries = ops.filter((o) => o.step === "dry-fit");
    expect(tries).toHaveLength(2);
    for (const tried of tries)
      for (const side of ["a", "b"]) expect(coat(`p-${side}`).startMin).toBeGreaterThanOrEqual(tried.endMin);
  });
});

describe("what may be joined with what", () => {
  const rules = (material: Region["material"], glueId: string, painted = false) =>
    judgeWork(
      {
        region: region({ material, conditions: ["clean"] }),
        stack: painted ? pile("water-primer") : pile(),
        productOf,
        protection: [],
        air: null,
      },
      { kind: "wipe", withId: glueId },
      200_000,
    )
      .filter((v) => v.verdict !== "ok")
      .map((v) => v.rule);
  it.each<[string, Region["material"], string, boolean, string[]]>([
    ["cement on polystyrene", "hips", "plastic-cement", false, []],
    ["cement on ABS", "abs-asa", "plastic-cement", false, []],
    ["cement on a PLA print", "pla", "plastic-cement", false, ["cement-welds-nothing"]],
    ["cement on painted polystyrene", "hips", "plastic-cement", true, ["cement-on-paint"]],
    ["instant glue on foam board", "xps", "instant-glue", false, ["glue-eats-foam"]],
    ["epoxy on foam board", "xps", "five-minute-epoxy", false, []],
    ["instant glue on a rubbery part", "tpu", "instant-glue", false, ["brittle-joint"]],
    ["instant glue beside a canopy", "clear-plastic", "instant-glue", false, ["adhesive-fumes"]],
    ["epoxy on steel", "steel-iron", "five-minute-epoxy", false, []],
  ])("%s", (_, material, glue, painted, expected) => expect(rules(material, glue, painted)).toEqual(expected));
});

describe("what pulls at a joint", () => {
  const rules = (glueId: string, load: JointLoad, faceMm2: number | null) =>
    judgeWork(
      {
        region: region({ material: "petg", conditions: ["clean"] }),
        stack: pile(),
        productOf,
        protection: [],
        air: null,
      },
      { kind: "wipe", withId: glueId },
      200_000,
      { load, faceMm2 },
    )
      .filter((v) => v.verdict !== "ok")
      .map((v) => v.rule);
  it.each<[string, string, JointLoad, number | null, string[]]>([
    ["a name board, nothing pulls at it", "instant-glue", "rests", 20, []],
    ["a rail post of 3 mm, knocked by hands", "instant-glue", "handled", 7, ["joint-small"]],
    ["a bollard on a foot of 10 × 10 mm", "instant-glue", "handled", 100, []],
    ["a tow hook in instant glue", "instant-glue", "bears", 200, ["joint-knocked"]],
    ["the same in epoxy", "five-minute-epoxy", "bears", 200, []],
    ["a mast on a foot of 5 × 5 mm, in epoxy", "five-minute-epoxy", "bears", 25, ["joint-small"]],
    ["nobody measured the face", "five-minute-epoxy", "bears", null, []],
  ])("%s", (_, glue, load, face, expected) => expect(rules(glue, load, face)).toEqual(expected));
});
