import type { SentPlanInput } from "@/contracts";
import { layer, NOW_MIN, planInput, product, region } from "../../tests/support/world";
import { openInput } from "./open-input";
import { type PlanJob, TASKS } from "./tasks";

const input = planInput([
  {
    region: region({ id: "deck", material: "petg", conditions: ["keyed", "clean"], areaCm2: 80 }),
    stack: { prep: [], layers: [layer("grey-primer", { id: "p1" }), layer("estuary-blue", { id: "c1" })] },
  },
]);
const sent: SentPlanInput = (({ productOf: _, ...rest }) => ({
  ...rest,
  products: [product("grey-primer"), product("estuary-blue")],
}))(input);
const job = (over: Partial<PlanJob> = {}): PlanJob => ({
  input: sent,
  groups: null,
  keep: null,
  looked: null,
  budgetMs: null,
  ...over,
});
const flag = (n: number) => {
  const stop = new Int32Array(new SharedArrayBuffer(4));
  Atomics.store(stop, 0, n);
  return stop;
};

describe("what is done beside a request", () => {
  it("plans from what was sent what it plans from what is here, and survives the way there and back", () => {
    const cloned = structuredClone(job());
    const answer = structuredClone(TASKS.plan(cloned, flag(0)));
    expect(answer).toMatchObject({ outcome: "planned" });
    expect(answer).toEqual(structuredClone(TASKS.plan(job(), null)));
  });
  it("gives a plan up when nobody wants it any more", () => {
    expect(() => TASKS.plan(job(), flag(1))).toThrow("nobody wants this plan");
    expect(() => TASKS.plan(job({ keep: { "p1:coat:1": NOW_MIN } }), flag(1))).toThrow("nobody wants this plan");
  });
  it("says which product did not come along", () => {
    const short = openInput({ ...sent, products: [] });
    expect(() => short.productOf("grey-primer")).toThrow("the product grey-primer did not come along");
    expect(openInput(sent).productOf("estuary-blue")).toEqual(product("estuary-blue"));
  });
  it("tells a text that is no document by what is wrong with it", () => {
    expect(TASKS.readText("{")).toMatchObject({ ok: false, problem: { code: "invalid" } });
    expect(TASKS.readText('{"format":"elm-bench/9"}')).toMatchObject({ ok: false, problem: { code: "newer-format" } });
    expect(TASKS.readPlanRequest({ document: { format: "elm-bench/1" } })).toMatchObject({
      problem: { fields: expect.arrayContaining([expect.objectContaining({ path: "document.model" })]) },
    });
  });
});
