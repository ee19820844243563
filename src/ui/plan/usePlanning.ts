"use client";

import { useCallback, useEffect, useRef, useState } from "react";
import { savePlanningAction } from "@/actions/plan";
import type { Planning, PlanScreen } from "@/contracts";
import { offerUndo, useAct } from "../hooks/useAct";

const MOST_UNDONE = 30;

/** What the user says about the plan: each change is kept at once, plans anew with as little moved as can be, and can be undone. */
export function usePlanning(screen: PlanScreen) {
  const { act, busy } = useAct();
  const [past, setPast] = useState<readonly Planning[]>([]);
  // what was said last, which the page may not show yet: the next change goes on from there
  const now = useRef(screen);
  if (screen.modelId !== now.current.modelId || screen.planningRev >= now.current.planningRev) now.current = screen;
  const shown = useRef(screen);
  shown.current = screen;
  const save = useCallback(
    async (planning: Planning): Promise<string | null> => {
      const { modelId, planningRev } = now.current;
      const saved = await act(() => savePlanningAction(modelId, planningRev, planning), { quiet: true });
      if (saved.ok) {
        now.current = { ...now.current, planning, planningRev: saved.value.rev };
        return null;
      }
      now.current = shown.current;
      const [field] = saved.problem.fields;
      return field ? `${FIELD_NAME[field.path.split(".")[0]!] ?? field.path} ${field.message}` : saved.problem.detail;
    },
    [act],
  );
  const undo = useCallback(async () => {
    const last = past.at(-1);
    if (!last) return;
    if ((await save(last)) === null) setPast((p) => p.slice(0, -1));
  }, [past, save]);
  const undoNow = useRef(undo);
  undoNow.current = undo;
  /** @returns what is wrong with it, or null when it was kept */
  const change = useCallback(
    async (edit: Partial<Planning>, what: string): Promise<string | null> => {
      const before = now.current.planning;
      const fault = await save({ ...before, ...edit });
      if (fault !== null) return fault;
      setPast((p) => [...p, before].slice(-MOST_UNDONE));
      offerUndo(what, () => void undoNow.current());
      return null;
    },
    [save],
  );
  useEffect(() => {
    const key = (e: KeyboardEvent) => {
      const typing = e.target instanceof HTMLElement && e.target.matches("input, textarea, select");
      if ((e.ctrlKey || e.metaKey) && e.key.toLowerCase() === "z" && !e.shiftKey && !typing) {
        e.preventDefault();
        void undoNow.current();
      }
    };
    window.addEventListener("keydown", key);
    return () => window.removeEventListener("keydown", key);
  }, []);
  return { change, undo, undoable: past.length, busy };
}
export type Planner = ReturnType<typeof usePlanning>;

const FIELD_NAME: Readonly<Record<string, string>> = {
  due: "The due date",
  locks: "The pin",
  minutes: "Hands-on minutes",
  rounds: "Rounds",
  fills: "The filler of the rounds",
  batches: "Spraying together",
  arrivals: "The arrival date",
  away: "The date a part is back",
  joins: "The fittings",
};

export function without<T>(of: Readonly<Record<string, T>>, id: string): Record<string, T> {
  const { [id]: _, ...rest } = of;
  return rest;
}

/** A record with one entry changed, or taken out by null. */
export const withEntry = <T>(
  of: Readonly<Record<string, T>>,
  id: string,
  value: NoInfer<T> | null,
): Record<string, T> => (value === null ? without(of, id) : { ...of, [id]: value });
