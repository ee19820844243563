import type { PlanAnswer } from "@/core/plan";
import { logTitle } from "@/messages";
import { type PlanJob, TASKS } from "@/workers/tasks";
import { freshStore, must, refusal } from "../../../tests/support/store";
import { product } from "../../../tests/support/world";
import * as server from "..";
import type { Settled } from "../solver/ask";
import { requestPlan } from "./job";

/** What has been begun and is not settled: the test is the thread. */
interface Begun {
  readonly job: PlanJob;
  readonly settle: (s: Settled) => void;
  stopped: boolean;
}
const mockBegun: Begun[] = [];
jest.mock("../solver/ask", () => ({
  ...jest.requireActual("../solver/ask"),
  soon: (work: () => void) => work(),
  beginPlan: (job: PlanJob, settle: Begun["settle"]) => {
    const own: Begun = { job, settle, stopped: false };
    mockBegun.push(own);
    return () => {
      own.stopped = true;
    };
  },
}));

freshStore();
beforeEach(() => {
  mockBegun.splice(0);
  const state = globalThis as { elmBenchDesk?: unknown; elmBenchPlanTrouble?: unknown };
  delete state.elmBenchDesk;
  delete state.elmBenchPlanTrouble;
});

const answerOf = ({ job }: Begun): PlanAnswer => TASKS.plan(job, null);
const finish = (b: Begun) => b.settle({ outcome: "done", answer: answerOf(b) });
const last = () => mockBegun.at(-1)!;

/** A keyed part under primer, planned. */
async function bench() {
  const model = must(server.addModel({ name: "Skiff", scale: "1:12", note: "" })).id;
  const primer = must(server.addProduct(product("grey-primer"))).id;
  const part = must(server.addPart(model, { name: "Deck", count: 1, note: "" }));
  const { regionId } = part;
  must(server.editNode("region", regionId, 0, { material: "petg", conditions: ["keyed", "clean"], areaCm2: 80 }));
  const coat = { id: "y1", productId: primer, heaviness: "light", wftUm: null, gapMin: null, before: [] };
  const saved = must(server.saveStack(regionId, 0, { prep: [], layers: [{ ...coat, coats: 2, sandAfter: null }] }));
  const made = server.makePlan(model);
  finish(last());
  must(await made);
  return { model, part, regionId, stackRev: saved.rev };
}
type Bench = Awaited<ReturnType<typeof bench>>;
const start = (b: Bench) => server.startOp(b.regionId, { opId: "y1:coat:1", reason: null }, logTitle, String);
const screen = (b: Bench) => must(server.getPlanScreen(b.model));
const stateOf = (b: Bench, opId: string) => {
  const { answer } = screen(b).plan!;
  return answer.outcome === "planned" ? answer.ops.find((o) => o.id === opId)?.state : answer.outcome;
};

describe("an event and the plan that follows it", () => {
  it("is acknowledged while no plan has been made, stands in log and bench, and the plan comes after", async () => {
    const b = await bench();
    must(start(b));
    expect(must(server.getLog(b.model)).map((e) => e.kind)).toEqual(["started"]);
    expect(must(server.getBench(b.model)).tiles[0]).toMatchObject({ zone: "in-hand" });
    expect(screen(b).making).toEqual({ state: "making", why: null });
    expect(stateOf(b, "y1:coat:1")).toBe("planned");
    finish(last());
    expect(screen(b)).toMatchObject({ making: { state: "still", why: null }, plan: { fresh: true } });
    expect(stateOf(b, "y1:coat:1")).toBe("in-hand");
  });
  it("a plan whose model has changed meanwhile never comes into force: it is made again from what is there now", async () => {
    const b = await bench();
    must(start(b));
    const first = last();
    const { product: primer } = must(server.getShelf())[0]!;
    must(server.saveProduct(0, { ...primer, label: { ...primer.label, coats: 1 } }));
    finish(first);
    expect(mockBegun).toHaveLength(3);
    expect(screen(b).making.state).toBe("making");
    finish(last());
    expect(screen(b)).toMatchObject({ making: { state: "still" }, plan: { fresh: true } });
  });
  it("the newest wins: what is being made is stopped, its answer is not asked for, and every waiter is told the last", async () => {
    const b = await bench();
    must(start(b));
    const first = last();
    const asked = requestPlan(b.model, "keep");
    expect(first.stopped).toBe(true);
    finish(first);
    expect(mockBegun).toHaveLength(3);
    finish(last());
    expect(must(await asked).outcome).toBe("planned");
    expect(screen(b).plan!.fresh).toBe(true);
  });
  it("laying out afresh is not forgotten for an event in between", async () => {
    const b = await bench();
    void server.makePlan(b.model);
    must(start(b));
    last().settle({ outcome: "cancelled" });
    expect(last().job.keep).toBeNull();
    finish(last());
    expect(stateOf(b, "y1:coat:1")).toBe("in-hand");
  });
  it("one that cannot be made is told with its reason; the event stays, and the old plan with it", async () => {
    const b = await bench();
    must(start(b));
    last().settle({ outcome: "failed", why: "it took longer than 600 s" });
    expect(screen(b)).toMatchObject({
      making: { state: "still", why: "it took longer than 600 s" },
      plan: { fresh: false },
    });
    expect(must(server.getLog(b.model))).toHaveLength(1);
    must(server.askForPlanOf(b.model));
    finish(last());
    expect(screen(b)).toMatchObject({ making: { state: "still", why: null }, plan: { fresh: true } });
  });
  it("asked for and lost with the program, it is made when the next page is opened", async () => {
    const b = await bench();
    must(start(b));
    // the thread and everything that waited for it went with the process; the database did not
    delete (globalThis as { elmBenchDesk?: unknown }).elmBenchDesk;
    const before = mockBegun.length;
    must(server.getFrame());
    expect(mockBegun).toHaveLength(before + 1);
    must(server.getFrame());
    expect(mockBegun).toHaveLength(before + 1);
    finish(last());
    expect(stateOf(b, "y1:coat:1")).toBe("in-hand");
  });
  it("a model taken away while its plan was made takes the plan with it", async () => {
    const b = await bench();
    const asked = server.makePlan(b.model);
    must(server.deleteNode("model", b.model));
    finish(last());
    expect(refusal(await asked)).toBe("not-found");
  });
  it("a write that is refused asks for no plan", async () => {
    const b = await bench();
    const before = mockBegun.length;
    expect(refusal(server.startOp(b.regionId, { opId: "y1:coat:2", reason: null }, logTitle, String))).toBe("conflict");
    expect(mockBegun).toHaveLength(before);
    expect(screen(b).making.state).toBe("still");
  });
  it("tells whoever listens when it is begun and when it is there", async () => {
    const b = await bench();
    const heard: string[] = [];
    const deaf = server.onNews((n) => heard.push(n.state));
    must(start(b));
    finish(last());
    deaf();
    must(server.askForPlanOf(b.model));
    expect(heard).toEqual(["making", "made"]);
  });
});
