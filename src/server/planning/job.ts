import { done, failed, type Outcome } from "@/contracts";
import type { PlanAnswer } from "@/core/plan";
import { planAskedFor, writeBenchPlan } from "@/db";
import type { PlanJob } from "@/workers/tasks";
import { nowMs } from "../clock";
import { notFound, viewing, writing } from "../guard";
import { beginPlan, type Settled, soon } from "../solver/ask";
import { snapshotOf } from "../workspace/snapshot";
import { announce } from "./announce";
import { better } from "./better";
import { jobOf, type PlanHow } from "./task";

/** On globalThis because the framework may load this module more than once. */
const holder = globalThis as unknown as { elmBenchDesk?: PlanDesk | undefined; elmBenchPlanTrouble?: string | null };

/** Why the last plan asked for was not made; null = it was, or it is on its way. */
export const planTrouble = (): string | null => holder.elmBenchPlanTrouble ?? null;
export const isPlanning = (): boolean => holder.elmBenchDesk !== undefined;

/**
 * Has everything active planned as it stands when its turn comes. Resolves when the plan is kept, or it is clear that there will
 * be none; with what it says of that model, where it says something else.
 */
export const requestPlan = async (modelId: string, how: PlanHow): Promise<Outcome<PlanAnswer>> => {
  const told = await new Promise<Outcome<PlanAnswer>>((resolve) => {
    const desk = holder.elmBenchDesk;
    if (desk) desk.askAgain(how, resolve);
    else new PlanDesk(how, resolve).open();
  });
  const there = viewing((s) => (s.model(modelId) ? done(null) : notFound("The model")));
  if (!there.ok) return there;
  if (!told.ok) return told;
  const why = told.value.outcome === "planned" ? told.value.aside?.[modelId] : undefined;
  return why ? done(why) : told;
};

type Waiter = (told: Outcome<PlanAnswer>) => void;

/** What a plan is made from, and what it has to be better than where it was brought from elsewhere. */
interface Task {
  readonly job: PlanJob;
  readonly hash: string;
  /** measures what a plan that is out of date has become by now; null = it is not, or nothing is measured by it */
  readonly measure: PlanJob | null;
  readonly inForce: PlanAnswer | null;
}

/**
 * Plans are made beside everything else, one at a time. What is asked while one is being made ends that one and takes its place;
 * what comes out is kept only if the bench is still what it was made from, else it is made again.
 */
class PlanDesk {
  private readonly waiters: Waiter[];
  /** stops what is being made; null = nothing is, or it was told to already */
  private stop: (() => void) | null = null;
  private again = false;

  constructor(
    private how: PlanHow,
    first: Waiter,
  ) {
    this.waiters = [first];
  }

  open(): void {
    holder.elmBenchDesk = this;
    announce({ kind: "plan", state: "making" });
    soon(() => this.begin());
  }

  askAgain(how: PlanHow, waiter: Waiter): void {
    // a timetable brought from elsewhere, or one laid out afresh, outlives what is merely to be kept
    if (how !== "keep") this.how = how;
    this.again = true;
    this.waiters.push(waiter);
    this.stop?.();
    this.stop = null;
  }

  private begin(): void {
    this.again = false;
    holder.elmBenchPlanTrouble = null;
    const looked = this.look();
    if (!looked.ok) {
      this.close(looked);
      return;
    }
    const task = looked.value;
    if (task.measure === null) this.run(task.job, (s) => this.settled(s, task, task.inForce));
    else this.run(task.measure, (s) => this.measured(s, task));
  }

  private look(): Outcome<Task> {
    return viewing(({ bench, data: { products } }) => {
      const job = jobOf(bench, this.how, products);
      if (!job) return NOTHING_ACTIVE;
      const taking = typeof this.how === "object" && !this.how.chosen;
      const stale = taking && bench.plan !== null && bench.plan.inputsHash !== bench.hash;
      return done({
        hash: bench.hash,
        job,
        measure: stale ? jobOf(bench, "keep", products) : null,
        inForce: taking ? (bench.plan?.answer ?? null) : null,
      });
    });
  }

  private run(job: PlanJob, then: (s: Settled) => void): void {
    let over = false;
    const stop = beginPlan(job, (s) => {
      over = true;
      this.stop = null;
      then(s);
    });
    if (!over) this.stop = stop;
  }

  private measured(s: Settled, task: Task): void {
    if (s.outcome === "done" && !this.again) this.run(task.job, (found) => this.settled(found, task, s.answer));
    else this.settled(s, task, null);
  }

  /** @param beside what was found has to be better to take its place; null = anything is */
  private settled(s: Settled, task: Task, beside: PlanAnswer | null): void {
    if (this.again || s.outcome === "cancelled") this.begin();
    else if (s.outcome === "failed") this.fail(s.why);
    else this.keep(s.answer, task, beside === null || better(s.answer, beside));
  }

  private keep(answer: PlanAnswer, { hash }: Task, wanted: boolean): void {
    const kept = wanted ? inForceIfStill(hash, answer) : done("kept" as const);
    if (!kept.ok) this.close(kept);
    else if (kept.value === "moved-on") this.begin();
    else this.close(wanted ? done(answer) : NO_BETTER);
  }

  private fail(why: string): void {
    holder.elmBenchPlanTrouble = why;
    // what it was to follow is in the log and stays there; only the wish for a plan goes
    writing((db) => done(planAskedFor(db)));
    this.close(failed("refused", `The plan could not be made: ${why}. What you said is kept.`));
  }

  private close(told: Outcome<PlanAnswer>): void {
    holder.elmBenchDesk = undefined;
    announce({ kind: "plan", state: told.ok ? "made" : "failed" });
    for (const tell of this.waiters) tell(told);
    // one that was asked for meanwhile, and that nothing brought from elsewhere has taken the place of
    const asker = told === NO_BETTER ? firstAsked() : null;
    if (asker !== null) void requestPlan(asker, "keep");
  }
}

/** A refusal of the whole bench, where nothing on it is to be planned. */
const NOTHING_ACTIVE = failed("refused", "No model is active: take one up again to have it planned.");

const NO_BETTER = failed(
  "refused",
  "Once the film model had looked at it, what was found is no better by this aim. The plan stays.",
);

const firstAsked = (): string | null => {
  const asked = viewing((s) => done([...s.data.asked.keys()][0] ?? null));
  return asked.ok ? asked.value : null;
};

/** Compare and set: the answer comes into force only if the bench still is what it was made from. */
const inForceIfStill = (hash: string, answer: PlanAnswer): Outcome<"kept" | "moved-on"> =>
  writing((db) => {
    const { bench } = snapshotOf(db);
    if (bench.members.length === 0) return NOTHING_ACTIVE;
    if (bench.hash !== hash) return done("moved-on");
    const before = bench.plan?.answer;
    const beforeDoneMin = before?.outcome === "planned" ? before.doneMin : (bench.plan?.beforeDoneMin ?? null);
    writeBenchPlan(db, { answer, inputsHash: hash, plannedMs: nowMs(), beforeDoneMin });
    planAskedFor(db);
    return done("kept");
  });
