import { done, failed, type Outcome } from "@/contracts";
import { TASKS } from "@/workers/tasks";
import { type Args, isSolverTrouble, Lane, type Result, type TaskName } from "./lane";

/** In the served application work is done in threads; a test or a script has nobody to keep waiting, and does it in place. */
const THREADED = process.env.NEXT_RUNTIME === "nodejs";

/** Long enough for an answer that is ready to be on its way, ms. */
const SOON_MS = 20;

/** Does something once whoever is being answered has been. */
export function soon(work: () => void): void {
  if (THREADED) setTimeout(work, SOON_MS);
  else work();
}

/** What a request may take before it is given up, ms; one film is asked for by somebody who looks at it. */
const ASK_MS = 60_000;
const BUDGET_MS: Readonly<Partial<Record<TaskName, number>>> = { filmCase: 10_000, application: 10_000 };

/**
 * The bench's own plans have a thread, and so has what is sent over the API to be worked out: a screen's question waits for neither.
 * A thread is begun when it is first needed. On globalThis: modules may be loaded twice.
 */
type LaneName = "plan" | "screen" | "sent";
const holder = globalThis as unknown as { elmBenchLanes?: Readonly<Record<LaneName, Lane>> };
const lanes = () => {
  holder.elmBenchLanes ??= { plan: new Lane(), screen: new Lane(), sent: new Lane() };
  return holder.elmBenchLanes;
};

const inPlace = <K extends TaskName>(name: K, args: Args<K>): Result<K> =>
  (TASKS[name] as unknown as (...args: Args<K>) => Result<K>)(...args);

/** Has something worked out beside the request. A thread that does not come back is a problem that is told, a bug stays an exception. */
export const ask = <K extends TaskName>(name: K, ...args: Args<K>): Promise<Outcome<Result<K>>> =>
  askIn("screen", name, args);

/** The same for what came over the API, however big it is. */
export const askSent = <K extends TaskName>(name: K, ...args: Args<K>): Promise<Outcome<Result<K>>> =>
  askIn("sent", name, args);

async function askIn<K extends TaskName>(lane: LaneName, name: K, args: Args<K>): Promise<Outcome<Result<K>>> {
  if (!THREADED) return done(inPlace(name, args));
  try {
    return done(await lanes()[lane].call(name, args, BUDGET_MS[name] ?? ASK_MS));
  } catch (error) {
    if (isSolverTrouble(error)) return failed("refused", `This could not be worked out: ${error.message}.`);
    throw error;
  }
}

/** What became of a plan's job. */
export type Settled = { readonly outcome: "done"; readonly answer: Result<"plan"> } | Gone;
type Gone = { readonly outcome: "cancelled" } | { readonly outcome: "failed"; readonly why: string };

/** A plan nobody has seen the end of by then is given up, ms. */
const PLAN_MS = 10 * 60_000;
/** Told to stop, a plan is given up at its next placement or look; what is not within this is ended with its thread, ms. */
const STOP_MS = 5000;

/** Begins a plan beside everything else. @returns how to stop it; `settle` is called once, in place even before this returns */
export function beginPlan(job: Args<"plan">[0], settle: (s: Settled) => void): () => void {
  const failed = (error: unknown): Settled => ({ outcome: "failed", why: (error as Error).message });
  if (!THREADED) {
    let settled: Settled;
    try {
      settled = { outcome: "done", answer: inPlace("plan", [job, null]) };
    } catch (error) {
      settled = failed(error);
    }
    settle(settled);
    return () => undefined;
  }
  const stop = new Int32Array(new SharedArrayBuffer(4));
  const lane = lanes().plan;
  const args: Args<"plan"> = [job, stop];
  const end = (s: Settled) => {
    settle(Atomics.load(stop, 0) === 1 ? { outcome: "cancelled" } : s);
  };
  lane.call("plan", args, PLAN_MS).then(
    (answer) => end({ outcome: "done", answer }),
    (error: unknown) => end(failed(error)),
  );
  return () => {
    Atomics.store(stop, 0, 1);
    setTimeout(() => lane.endAt(args, "a newer plan was asked for"), STOP_MS).unref();
  };
}
