"use client";

import { useRouter } from "next/navigation";
import { useCallback, useEffect, useRef, useState } from "react";
import type { Outcome, Problem } from "@/contracts";
import { readable } from "./readable";
import { useAskNow } from "./useNow";

export type SaveField = (fields: Record<string, unknown>) => Promise<Problem | null>;

/**
 * Autosave of one row guarded by its revision: edits queue behind each other so that a row never conflicts with
 * itself, and a conflict with somebody else keeps what was typed and fetches the other version underneath.
 */
export function useRow(
  rev: number,
  save: (rev: number, fields: Record<string, unknown>) => Promise<Outcome<{ rev: number }>>,
) {
  const router = useRouter();
  const revRef = useRef(rev);
  const queue = useRef<Promise<unknown>>(Promise.resolve());
  const [savedMs, setSavedMs] = useState<number | null>(null);
  const askNow = useAskNow();
  useEffect(() => {
    revRef.current = Math.max(revRef.current, rev);
  }, [rev]);
  const saveField: SaveField = useCallback(
    (fields) => {
      const run = async (): Promise<Problem | null> => {
        try {
          const outcome = await save(revRef.current, fields);
          if (outcome.ok) {
            revRef.current = outcome.value.rev;
            setSavedMs(askNow());
          }
          if (outcome.ok || outcome.problem.code === "conflict") router.refresh();
          return outcome.ok ? null : readable(outcome.problem);
        } catch {
          return {
            code: "storage-locked",
            detail: "The application did not answer. What you typed is still here.",
            fields: [],
          };
        }
      };
      const result = queue.current.then(run);
      queue.current = result;
      return result;
    },
    [save, router, askNow],
  );
  return { saveField, savedMs };
}
