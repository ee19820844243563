"use client";

import { useRouter } from "next/navigation";
import { useCallback, useEffect, useRef, useState } from "react";
import { carryOutAction, saveStackAction } from "@/actions/stacks";
import type { Outcome, Problem } from "@/contracts";
import type { Layer, Stack } from "@/core/model";
import { showProblem } from "../hooks/useAct";
import { useAskNow } from "../hooks/useNow";

export type ChangeStack = (change: (stack: Stack) => Stack) => Promise<Problem | null>;

const SILENT: Problem = {
  code: "storage-locked",
  detail: "The application did not answer. What you typed is still here.",
  fields: [],
};

/**
 * The pile of one region, saved at every change. Changes queue behind each other and each starts from the last
 * acknowledged pile; a change that is refused leaves that pile as it was.
 */
export function useStack(regionId: string, stack: Stack, stackRev: number) {
  const router = useRouter();
  const held = useRef({ stack, rev: stackRev });
  const queue = useRef<Promise<unknown>>(Promise.resolve());
  const waiting = useRef(0);
  const [savedMs, setSavedMs] = useState<number | null>(null);
  const askNow = useAskNow();
  const [hoped, setHoped] = useState<Stack | null>(null);
  useEffect(() => {
    if (stackRev < held.current.rev) return;
    held.current = { stack, rev: stackRev };
    setHoped(null);
  }, [stack, stackRev]);
  const enqueue = useCallback(
    (send: () => Promise<Outcome<{ rev: number }>>, next: (() => Stack) | null) => {
      waiting.current += 1;
      // only the last of several changes on their way asks for the page anew: refreshes would overtake each other
      const refresh = () => waiting.current === 0 && router.refresh();
      const run = async (): Promise<Problem | null> => {
        const outcome = await send()
          .catch(() => null)
          .finally(() => {
            waiting.current -= 1;
          });
        if (outcome?.ok) {
          held.current = { stack: next ? next() : held.current.stack, rev: outcome.value.rev };
          setSavedMs(askNow());
        } else setHoped(held.current.stack);
        // one refused behind others that were not: the page still has to be asked for those
        if (outcome !== null) refresh();
        if (outcome === null || outcome.ok) return outcome === null ? SILENT : null;
        // what is refused for what lies on the part is told wherever the change came from
        if (outcome.problem.code === "refused") showProblem(outcome.problem);
        return outcome.problem;
      };
      const result = queue.current.then(run);
      queue.current = result;
      return result;
    },
    [router, askNow],
  );
  const change: ChangeStack = useCallback(
    (make) => {
      let next = held.current.stack;
      return enqueue(
        () => {
          next = make(held.current.stack);
          setHoped(next);
          return saveStackAction(regionId, held.current.rev, next);
        },
        () => next,
      );
    },
    [enqueue, regionId],
  );
  const carryOut = useCallback(
    (key: string, n: number) => enqueue(() => carryOutAction(regionId, held.current.rev, key, n), null),
    [enqueue, regionId],
  );
  return { change, carryOut, savedMs, shown: hoped && sameLayers(hoped, stack) ? hoped : stack };
}

/** A pile still on its way to the server is shown at once, as long as it has the layers the verdicts are about. */
const sameLayers = (a: Stack, b: Stack): boolean =>
  a.layers.length === b.layers.length && a.layers.every((l, i) => l.id === b.layers[i]!.id);

/** A change to one layer, as the field cells want it: fields in, the problem with its fields named as theirs out. */
export const layerSaver =
  (change: ChangeStack, layerId: string) =>
  async (fields: Record<string, unknown>): Promise<Problem | null> => {
    let at = -1;
    const problem = await change((stack) => {
      at = stack.layers.findIndex((l) => l.id === layerId);
      return { ...stack, layers: stack.layers.map((l) => (l.id === layerId ? ({ ...l, ...fields } as Layer) : l)) };
    });
    if (!problem) return null;
    const prefix = `layers.${at}.`;
    return { ...problem, fields: problem.fields.map((f) => ({ ...f, path: f.path.replace(prefix, "") })) };
  };
