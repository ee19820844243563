"use client";

import { useCallback, useEffect, useRef, useState } from "react";
import { savePlanningAction } from "@/actions/plan";
import type { Planning, PlanScreen } from "@/contracts";
import { offerUndo, useAct } from "../hooks/useAct";

const MOST_UNDONE = 30;

interface Past {
  readonly modelId: string;
  readonly planning: Planning;
}

/** What the user says about the plan: each change is kept at once, plans anew with as little moved as can be, and can be undone. */
export function usePlanning(screen: PlanScreen) {
  const { act, busy } = useAct();
  const [past, setPast] = useState<readonly Past[]>([]);
  // what was said last, which the page may not show yet: the next change goes on from there
  const now = useRef(screen.plannings);
  now.current = latestOf(now.current, screen.plannings);
  const shown = useRef(screen.plannings);
  shown.current = screen.plannings;
  const save = useCallback(
    async (modelId: string, planning: Planning): Promise<string | null> => {
      const own = now.current[modelId];
      if (!own) return "That model is not on the bench any more.";
      const saved = await act(() => savePlanningAction(modelId, own.rev, planning), { quiet: true });
      if (saved.ok) {
        now.current = { ...now.current, [modelId]: { planning, rev: saved.value.rev } };
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
    if ((await save(last.modelId, last.planning)) === null) setPast((p) => p.slice(0, -1));
  }, [past, save]);
  const undoNow = useRef(undo);
  undoNow.current = undo;
  const changeOf = useCallback(
    async (modelId: string, edit: Partial<Planning>, what: string): Promise<string | null> => {
      const before = now.current[modelId]!.planning;
      const fault = await save(modelId, { ...before, ...edit });
      if (fault !== null) return fault;
      setPast((p) => [...p, { modelId, planning: before }].slice(-MOST_UNDONE));
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
  /** of one model: what was said, and how to say something else; that returns what is wrong with it, or null when it was kept */
  const on = (modelId: string): Planner => ({
    planning: screen.plannings[modelId]!.planning,
    change: (edit, what) => changeOf(modelId, edit, what),
    busy,
  });
  return { on, undo, undoable: past.length, busy };
}
export type Planners = ReturnType<typeof usePlanning>;
export interface Planner {
  readonly planning: Planning;
  readonly change: (edit: Partial<Planning>, what: string) => Promise<string | null>;
  readonly busy: boolean;
}

type Plannings = PlanScreen["plannings"];
/** Of every model the newer word. */
const latestOf = (kept: Plannings, seen: Plannings): Plannings =>
  Object.fromEntries(
    Object.entries(seen).map(([id, own]) => {
      const before = kept[id];
      return [id, before && before.rev > own.rev ? before : own];
    }),
  );

const FIELD_NAME: Readonly<Record<string, string>> = {
  due: "The due date",
  weight: "What the date counts",
  locks: "The pin",
  minutes: "Hands-on minutes",
  rounds: "Rounds",
  fills: "The filler of the rounds",
  fillPlaces: "Where the rounds are filled",
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
