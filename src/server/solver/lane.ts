import { Worker } from "node:worker_threads";
import { type Remote, wrap } from "comlink";
import nodeEndpoint from "comlink/dist/umd/node-adapter";
import type { Tasks } from "@/workers/tasks";

export type TaskName = keyof Tasks;
export type Args<K extends TaskName> = Parameters<Tasks[K]>;
export type Result<K extends TaskName> = ReturnType<Tasks[K]>;

/** Somebody told the thread to stop, it fell over, or it never came back. */
export class SolverTrouble extends Error {
  // told by its name: a lane outlives the copy of this module it was made by
  override readonly name = "SolverTrouble";
}
export const isSolverTrouble = (error: unknown): error is SolverTrouble =>
  error instanceof Error && error.name === "SolverTrouble";

/** More than this many would wait longer than anybody does. */
const MOST_WAITING = 40;

interface Running {
  readonly worker: Worker;
  readonly remote: Remote<Tasks>;
}

/**
 * One thread of the server, which does one thing after the other. A thread that fails or takes longer than it was given is ended and
 * a new one takes what comes next; who waited for it is told.
 */
export class Lane {
  private running: Running | null = null;
  private tail: Promise<unknown> = Promise.resolve();
  private waiting = 0;
  private giveUp: ((why: SolverTrouble) => void) | null = null;
  /** what it is at, by what it was given */
  private at: unknown = null;

  constructor(private readonly start: () => Worker = solverThread) {}

  /** @throws SolverTrouble, or what the task itself threw */
  call<K extends TaskName>(name: K, args: Args<K>, budgetMs: number): Promise<Result<K>> {
    if (this.waiting >= MOST_WAITING)
      return Promise.reject(new SolverTrouble(`${MOST_WAITING} others are waiting; ask again a little later`));
    this.waiting += 1;
    const turn = this.tail.then(() => this.run(name, args, budgetMs));
    this.tail = turn.then(
      () => this.leaves(),
      () => this.leaves(),
    );
    return turn;
  }

  private leaves(): void {
    this.waiting -= 1;
  }

  /** Ends the thread if this is what it is at; what still waits its turn, or is over, costs nobody else theirs. */
  endAt(args: unknown, why: string): void {
    if (this.at === args) this.end(why);
  }

  /** Ends the thread with whatever it is at. */
  end(why: string): void {
    const { running, giveUp } = this;
    this.running = null;
    this.giveUp = null;
    void running?.worker.terminate();
    giveUp?.(new SolverTrouble(why));
  }

  private async run<K extends TaskName>(name: K, args: Args<K>, budgetMs: number): Promise<Result<K>> {
    const { remote } = this.open();
    const task = remote[name] as unknown as (...args: Args<K>) => Promise<Result<K>>;
    let timer: ReturnType<typeof setTimeout> | undefined;
    this.at = args;
    const given = new Promise<never>((_, reject) => {
      this.giveUp = reject;
      timer = setTimeout(() => this.end(`it took longer than ${Math.round(budgetMs / 1000)} s`), budgetMs);
    });
    try {
      return await Promise.race([task(...args), given]);
    } finally {
      clearTimeout(timer);
      this.at = null;
      this.giveUp = null;
    }
  }

  private open(): Running {
    if (this.running) return this.running;
    const worker = this.start();
    worker.unref();
    const fell = (why: string) => this.running?.worker === worker && this.end(why);
    worker.on("error", (error) => fell(error.message));
    worker.on("exit", () => fell("the thread ended"));
    this.running = { worker, remote: wrap<Tasks>(nodeEndpoint(worker)) };
    return this.running;
  }
}

const solverThread = (): Worker => new Worker(new URL("../../workers/solver.ts", import.meta.url), { execArgv: [] });
