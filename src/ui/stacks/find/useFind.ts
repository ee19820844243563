"use client";

import { useCallback, useEffect, useRef, useState } from "react";
import { findStacksAction } from "@/actions/stacks";
import type { FindRequest, FindView, Outcome, Problem } from "@/contracts";

const SILENT: Problem = {
  code: "storage-locked",
  detail: "The application did not answer. Try the search again.",
  fields: [],
};

/** Searches again whenever the question changes; an answer to an older question is dropped. */
export function useFind(regionId: string, request: FindRequest) {
  const [view, setView] = useState<FindView | null>(null);
  const [problem, setProblem] = useState<Problem | null>(null);
  const [busy, setBusy] = useState(true);
  const asked = useRef(0);
  const key = JSON.stringify(request);
  const search = useCallback(async () => {
    asked.current += 1;
    const own = asked.current;
    setBusy(true);
    const outcome: Outcome<FindView> = await findStacksAction(regionId, JSON.parse(key)).catch(() => ({
      ok: false as const,
      problem: SILENT,
    }));
    if (own !== asked.current) return;
    setBusy(false);
    setProblem(outcome.ok ? null : outcome.problem);
    if (outcome.ok) setView(outcome.value);
  }, [regionId, key]);
  useEffect(() => void search(), [search]);
  return { view, problem, busy };
}
