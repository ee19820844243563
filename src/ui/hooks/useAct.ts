"use client";

import { useRouter } from "next/navigation";
import { useCallback, useState, useTransition } from "react";
import { toast } from "sonner";
import type { Outcome, Problem } from "@/contracts";
import { TROUBLE } from "@/messages";
import { readable } from "./readable";

export const showProblem = (p: Problem): void => {
  const { title, now } = TROUBLE[p.code];
  toast.error(title, {
    description: `${p.detail} ${p.code.startsWith("storage") ? now : ""}`.trim(),
    duration: 12_000,
  });
};

/** What a dead server answers to: nothing was saved, and what was typed is still there. */
const UNREACHED: Problem = {
  code: "storage-locked",
  detail: "The application did not answer; it may have been stopped. What you typed is still here.",
  fields: [],
};

export const isUnreached = (p: Problem): boolean => p === UNREACHED;

interface ActOptions {
  readonly quiet?: boolean;
  /** whoever asks keeps what did not arrive, and says so himself */
  readonly keepsUnreached?: boolean;
}

/**
 * Runs an action, shows its problem if it has one, and refreshes what the page was made from when it went well. `busy` while it runs,
 * `settling` until the page shows what came of it.
 */
export function useAct() {
  const router = useRouter();
  const [settling, startTransition] = useTransition();
  const [busy, setBusy] = useState(false);
  const act = useCallback(
    async <T>(action: () => Promise<Outcome<T>>, options: ActOptions = {}): Promise<Outcome<T>> => {
      setBusy(true);
      try {
        const answer = await action();
        const outcome = answer.ok ? answer : { ...answer, problem: readable(answer.problem) };
        if (outcome.ok) startTransition(() => router.refresh());
        else if (!options.quiet) showProblem(outcome.problem);
        return outcome;
      } catch {
        if (!options.quiet && !options.keepsUnreached) showProblem(UNREACHED);
        return { ok: false, problem: UNREACHED };
      } finally {
        setBusy(false);
      }
    },
    [router],
  );
  return { act, busy, settling };
}

/** A toast with an Undo that really undoes. */
export function offerUndo(what: string, undo: () => void): void {
  toast(what, { action: { label: "Undo", onClick: undo }, duration: 15_000 });
}
