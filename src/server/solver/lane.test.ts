import { Worker } from "node:worker_threads";
import { isSolverTrouble, Lane, SolverTrouble } from "./lane";

/** A thread that answers by what it is asked: a number is doubled, "hang" never comes back, "fall" ends it, "throw" throws. */
const CODE = `
  const { parentPort } = require("node:worker_threads");
  const { expose } = require("comlink");
  const endpoint = require("comlink/dist/umd/node-adapter");
  expose({
    totals: (what) => {
      if (what === "hang") for (;;) {}
      if (what === "fall") process.exit(3);
      if (what === "throw") throw new Error("no such region");
      return what * 2;
    },
  }, endpoint(parentPort));
`;
let threads: Worker[] = [];
const lanes: Lane[] = [];
function lane(): Lane {
  const own = new Lane(() => {
    const worker = new Worker(CODE, { eval: true });
    threads.push(worker);
    return worker;
  });
  lanes.push(own);
  return own;
}
/** Any of the tasks would do; what is sent is told apart by the thread above. */
const call = (on: Lane, what: unknown, budgetMs = 20_000): Promise<unknown> =>
  on.call("totals", [what, ""] as never, budgetMs);
const trouble = (told: Promise<unknown>) => told.then(String, (e: unknown) => e);

afterEach(() => {
  for (const l of lanes.splice(0)) l.end("the test is over");
  threads = [];
});

describe("a thread of the server", () => {
  it("does one thing after the other, in order, on one thread", async () => {
    const own = lane();
    expect(await Promise.all([1, 2, 3].map((n) => call(own, n)))).toEqual([2, 4, 6]);
    expect(threads).toHaveLength(1);
  });
  it("is ended when it takes too long; what waits behind is done by a new one", async () => {
    const own = lane();
    await call(own, 1);
    const [hung, next] = await Promise.all([trouble(call(own, "hang", 300)), call(own, 21)]);
    expect(isSolverTrouble(hung)).toBe(true);
    expect(next).toBe(42);
    expect(threads).toHaveLength(2);
  });
  it("that falls over tells whoever waits, and the next is served", async () => {
    const own = lane();
    expect(isSolverTrouble(await trouble(call(own, "fall")))).toBe(true);
    expect(await call(own, 4)).toBe(8);
  });
  it("lets no more wait than will be served, and is free again once they were", async () => {
    const own = lane();
    const asked = Array.from({ length: 60 }, (_, n) => trouble(call(own, n)));
    const told = await Promise.all(asked);
    const turned = told.filter((x) => isSolverTrouble(x)) as Error[];
    expect(turned).toHaveLength(20);
    expect(turned[0]!.message).toMatch(/others are waiting/);
    expect(told.slice(0, 40)).toEqual(Array.from({ length: 40 }, (_, n) => String(2 * n)));
    expect(await call(own, 8)).toBe(16);
  });
  it("passes on what a task throws as what it is, and lives on", async () => {
    const own = lane();
    const thrown = (await trouble(call(own, "throw"))) as Error;
    expect(thrown.message).toBe("no such region");
    expect(isSolverTrouble(thrown)).toBe(false);
    expect(await call(own, 5)).toBe(10);
    expect(threads).toHaveLength(1);
  });
  it("told to end one thing leaves what another asked for alone", async () => {
    const own = lane();
    const first = ["hang", ""];
    const queued = [7, ""];
    const hung = trouble(own.call("totals", first as never, 20_000));
    const next = own.call("totals", queued as never, 20_000) as Promise<unknown>;
    await new Promise((later) => setTimeout(later, 200));
    own.endAt(queued, "a newer plan was asked for");
    expect(threads).toHaveLength(1);
    own.endAt(first, "a newer plan was asked for");
    expect(isSolverTrouble(await hung)).toBe(true);
    expect(await next).toBe(14);
  });
  it("told to end gives up what it is at with the reason", async () => {
    const own = lane();
    const told = trouble(call(own, "hang"));
    await new Promise((later) => setTimeout(later, 200));
    own.end("a newer plan was asked for");
    expect(await told).toEqual(new SolverTrouble("a newer plan was asked for"));
  });
});
