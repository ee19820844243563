"use client";

import { useCallback, useEffect, useMemo, useState } from "react";
import { planInputAction } from "@/actions/plan";
import type { EarlyStart, MoveAnswer } from "@/core/plan";
import type { PlanQuestion, PlanReport } from "@/workers/plan";

export interface Trial {
  readonly opId: string;
  readonly startMin: number;
  /** null = nothing to be moved */
  readonly answer: MoveAnswer | null;
}
type Ask = Extract<PlanQuestion, { kind: "move" | "hurry" }>;

interface Told {
  readonly moved: (t: Trial) => void;
  readonly hurried: (h: { opId: string; hurry: EarlyStart | null }) => void;
  /** null = an answer is on its way again */
  readonly failed: (why: string | null) => void;
}

/**
 * The plan lying open in a worker, to ask what a change would do. Opened at the first question; opened anew when the plan has been
 * made anew. One question runs at a time, and what is asked meanwhile replaces what waits.
 */
class OpenPlan {
  private worker: Worker | null = null;
  private openedMs: number | null = null;
  private busy = false;
  private next: { readonly q: Ask; readonly madeMs: number } | null = null;
  private waiting: { readonly ask: Ask; readonly resolve: (t: Trial | null) => void } | null = null;

  constructor(private readonly told: Told) {}

  /** @param madeMs when the plan asked about was made */
  ask(q: Ask, madeMs: number): void {
    if (this.busy) this.next = { q, madeMs };
    else void this.send(q, madeMs);
  }

  /** Asks and waits for just this answer; null = none will come. */
  sure(q: Extract<Ask, { kind: "move" }>, madeMs: number): Promise<Trial | null> {
    return new Promise((resolve) => {
      this.waiting?.resolve(null);
      this.waiting = { ask: q, resolve };
      this.ask(q, madeMs);
    });
  }

  close(): void {
    this.worker?.terminate();
    this.worker = null;
    this.openedMs = null;
  }

  private async send(q: Ask, madeMs: number): Promise<void> {
    this.busy = true;
    this.told.failed(null);
    this.worker ??= this.open();
    if (this.openedMs !== madeMs) {
      const sent = await planInputAction().catch(() => null);
      if (!sent?.ok) return this.giveUp(sent ? sent.problem.detail : "the application did not answer");
      this.worker?.postMessage({ kind: "open", ...sent.value } satisfies PlanQuestion);
      this.openedMs = madeMs;
    }
    this.worker?.postMessage(q);
  }

  private open(): Worker {
    const worker = new Worker(new URL("../../workers/plan.ts", import.meta.url));
    worker.onerror = (e) => {
      // a worker that could not be loaded or fell over answers nothing more: the next question opens a new one
      this.close();
      this.next = null;
      this.giveUp(e.message || "the plan could not be opened");
    };
    worker.onmessage = ({ data }: MessageEvent<PlanReport>) => this.hear(data);
    return worker;
  }

  private hear(data: PlanReport): void {
    this.busy = false;
    if (data.kind === "moved") this.moved({ opId: data.opId, startMin: data.startMin, answer: data.answer });
    if (data.kind === "hurried") this.told.hurried({ opId: data.opId, hurry: data.hurry });
    if (data.kind === "failed") this.giveUp(data.why);
    const { next } = this;
    this.next = null;
    if (next) void this.send(next.q, next.madeMs);
  }

  private moved(own: Trial): void {
    this.told.moved(own);
    const w = this.waiting;
    if (w?.ask.kind !== "move" || w.ask.opId !== own.opId || w.ask.startMin !== own.startMin) return;
    this.waiting = null;
    w.resolve(own);
  }

  /** No answer will come: whoever waits is told, and the next question may be asked. */
  private giveUp(why: string): void {
    this.busy = false;
    this.waiting?.resolve(null);
    this.waiting = null;
    this.told.failed(why);
  }
}

/** What a move of one piece, or hurrying it, would do to the plan made at `madeMs`. */
export function useMoves(madeMs: number) {
  const [trial, setTrial] = useState<Trial | null>(null);
  const [hurried, setHurried] = useState<{ opId: string; hurry: EarlyStart | null } | null>(null);
  const [failed, setFailed] = useState<string | null>(null);
  const plan = useMemo(() => new OpenPlan({ moved: setTrial, hurried: setHurried, failed: setFailed }), []);
  useEffect(() => () => plan.close(), [plan]);
  // an answer about the plan before says nothing of this one
  // biome-ignore lint/correctness/useExhaustiveDependencies: the plan's own moment is what it hangs on
  useEffect(() => {
    setTrial(null);
    setHurried(null);
  }, [madeMs]);
  const ask = useCallback((q: Ask) => plan.ask(q, madeMs), [plan, madeMs]);
  const sure = useCallback(
    (opId: string, startMin: number) => plan.sure({ kind: "move", opId, startMin }, madeMs),
    [plan, madeMs],
  );
  return { trial, hurried, failed, ask, sure, forget: useCallback(() => setTrial(null), []) };
}
