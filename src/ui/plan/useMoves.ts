"use client";

import { useCallback, useEffect, useRef, useState } from "react";
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

/**
 * The plan lying open in a worker, to ask what a change would do. Opened at the first question; opened anew when the plan has been
 * made anew. One question runs at a time, and what is asked meanwhile replaces what waits.
 */
export function useMoves(modelId: string, madeMs: number) {
  const [trial, setTrial] = useState<Trial | null>(null);
  const [hurried, setHurried] = useState<{ opId: string; hurry: EarlyStart | null } | null>(null);
  const [failed, setFailed] = useState<string | null>(null);
  const worker = useRef<Worker | null>(null);
  const opened = useRef<number | null>(null);
  const busy = useRef(false);
  const next = useRef<Ask | null>(null);
  const waiting = useRef<{ readonly ask: Ask; readonly resolve: (t: Trial | null) => void } | null>(null);

  /** No answer will come: whoever waits is told, and the next question may be asked. */
  const giveUp = useCallback((why: string) => {
    busy.current = false;
    waiting.current?.resolve(null);
    waiting.current = null;
    setFailed(why);
  }, []);
  const send = useCallback(
    async (q: Ask): Promise<void> => {
      busy.current = true;
      setFailed(null);
      if (!worker.current) {
        worker.current = new Worker(new URL("../../workers/plan.ts", import.meta.url));
        worker.current.onerror = (e) => {
          // a worker that could not be loaded or fell over answers nothing more: the next question opens a new one
          worker.current?.terminate();
          worker.current = null;
          opened.current = null;
          next.current = null;
          giveUp(e.message || "the plan could not be opened");
        };
        worker.current.onmessage = ({ data }: MessageEvent<PlanReport>) => {
          busy.current = false;
          if (data.kind === "moved") {
            const own = { opId: data.opId, startMin: data.startMin, answer: data.answer };
            setTrial(own);
            const w = waiting.current;
            if (w?.ask.kind === "move" && w.ask.opId === own.opId && w.ask.startMin === own.startMin) {
              waiting.current = null;
              w.resolve(own);
            }
          }
          if (data.kind === "hurried") setHurried({ opId: data.opId, hurry: data.hurry });
          if (data.kind === "failed") giveUp(data.why);
          const q2 = next.current;
          next.current = null;
          if (q2) void send(q2);
        };
      }
      if (opened.current !== madeMs) {
        const sent = await planInputAction(modelId).catch(() => null);
        if (!sent?.ok) return giveUp(sent ? sent.problem.detail : "the application did not answer");
        worker.current?.postMessage({ kind: "open", ...sent.value } satisfies PlanQuestion);
        opened.current = madeMs;
      }
      worker.current?.postMessage(q);
    },
    [modelId, madeMs, giveUp],
  );
  const ask = useCallback(
    (q: Ask) => {
      if (busy.current) next.current = q;
      else void send(q);
    },
    [send],
  );
  /** Asks and waits for just this answer. */
  const sure = useCallback(
    (opId: string, startMin: number) =>
      new Promise<Trial | null>((resolve) => {
        const q: Ask = { kind: "move", opId, startMin };
        waiting.current?.resolve(null);
        waiting.current = { ask: q, resolve };
        ask(q);
      }),
    [ask],
  );
  useEffect(
    () => () => {
      worker.current?.terminate();
      worker.current = null;
      opened.current = null;
    },
    [],
  );
  // an answer about the plan before says nothing of this one
  // biome-ignore lint/correctness/useExhaustiveDependencies: the plan's own moment is what it hangs on
  useEffect(() => {
    setTrial(null);
    setHurried(null);
  }, [madeMs]);
  return { trial, hurried, failed, ask, sure, forget: useCallback(() => setTrial(null), []) };
}
