import { done, failed, type Outcome } from "@/contracts";
import type { PlanAnswer } from "@/core/plan";
import { planAskedFor, writePlan } from "@/db";
import type { PlanJob } from "@/workers/tasks";
import { nowMs } from "../clock";
import { notFound, viewing, writing } from "../guard";
import { beginPlan, type Settled, soon } from "../solver/ask";
import { snapshotOf } from "../workspace/snapshot";
import { announce } from "./announce";
import { better } from "./better";
import { jobOf, type PlanHow } from "./task";

/** On globalThis because the framework may load this module more than once. */
const holder = globalThis as unknown as {
  elmBenchDesks?: Map<string, PlanDesk>;
  elmBenchPlanTrouble?: Map<string, string>;
};
const desks = () => {
  holder.elmBenchDesks ??= new Map();
  return holder.elmBenchDesks;
};
const troubles = () => {
  holder.elmBenchPlanTrouble ??= new Map();
  return holder.elmBenchPlanTrouble;
};

/** Why the last plan asked for was not made; null = it was, or it is on its way. */
export const planTrouble = (modelId: string): string | null => troubles().get(modelId) ?? null;
export const isPlanning = (modelId: string): boolean => desks().has(modelId);

/** Has a model planned as it stands when its turn comes. Resolves when the plan is kept, or it is clear that there will be none. */
export const requestPlan = (modelId: string, how: PlanHow): Promise<Outcome<PlanAnswer>> =>
  new Promise((resolve) => {
    const desk = desks().get(modelId);
    if (desk) desk.askAgain(how, resolve);
    else new PlanDesk(modelId, how, resolve).open();
  });

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
 * Plans are made beside everything else, one at a time a model. What is asked while one is being made ends that one and takes its
 * place; what comes out is kept only if the model is still what it was made from, else it is made again.
 */
class PlanDesk {
  private readonly waiters: Waiter[];
  /** stops what is being made; null = nothing is, or it was told to already */
  private stop: (() => void) | null = null;
  private again = false;

  constructor(
    private readonly modelId: string,
    private how: PlanHow,
    first: Waiter,
  ) {
    this.waiters = [first];
  }

  open(): void {
    desks().set(this.modelId, this);
    announce({ kind: "plan", modelId: this.modelId, state: "making" });
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
    troubles().delete(this.modelId);
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
    return viewing((snapshot) => {
      const m = snapshot.model(this.modelId);
      if (!m) return notFound("The model");
      const { products } = snapshot.data;
      const taking = typeof this.how === "object";
      const stale = taking && m.plan !== null && m.plan.inputsHash !== m.hash;
      return done({
        hash: m.hash,
        job: jobOf(m, this.how, products),
        measure: stale ? jobOf(m, "keep", products) : null,
        inForce: taking ? (m.plan?.answer ?? null) : null,
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
    const kept = wanted ? inForceIfStill(this.modelId, hash, answer) : done("kept" as const);
    if (!kept.ok) this.close(kept);
    else if (kept.value === "moved-on") this.begin();
    else this.close(wanted ? done(answer) : NO_BETTER);
  }

  private fail(why: string): void {
    troubles().set(this.modelId, why);
    // what it was to follow is in the log and stays there; only the wish for a plan goes
    writing((db) => done(planAskedFor(db, this.modelId)));
    this.close(failed("refused", `The plan could not be made: ${why}. What you said is kept.`));
  }

  private close(told: Outcome<PlanAnswer>): void {
    desks().delete(this.modelId);
    announce({ kind: "plan", modelId: this.modelId, state: told.ok ? "made" : "failed" });
    for (const tell of this.waiters) tell(told);
    // one that was asked for meanwhile, and that nothing brought from elsewhere has taken the place of
    if (told === NO_BETTER && isAsked(this.modelId)) void requestPlan(this.modelId, "keep");
  }
}

const NO_BETTER = failed(
  "refused",
  "Once the film model had looked at it, what was found is no better by this aim. The plan stays.",
);

const isAsked = (modelId: string): boolean => {
  const asked = viewing((s) => done(s.model(modelId)?.planAsked ?? false));
  return asked.ok && asked.value;
};

/** Compare and set: the answer comes into force only if the model still is what it was made from. */
const inForceIfStill = (modelId: string, hash: string, answer: PlanAnswer): Outcome<"kept" | "moved-on"> =>
  writing((db) => {
    const m = snapshotOf(db).model(modelId);
    if (!m) return notFound("The model");
    if (m.hash !== hash) return done("moved-on");
    const before = m.plan?.answer;
    const beforeDoneMin = before?.outcome === "planned" ? before.doneMin : (m.plan?.beforeDoneMin ?? null);
    writePlan(db, modelId, { answer, inputsHash: hash, plannedMs: nowMs(), beforeDoneMin });
    planAskedFor(db, modelId);
    return done("kept");
  });
