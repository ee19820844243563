"use client";

import { useState } from "react";
import { editNodeAction } from "@/actions/parts";
import { MODEL_STATES, type ModelOnBench, type ModelState, type PlanScreen } from "@/contracts";
import { duration, relativeDay } from "@/format";
import { DateInput } from "../components/DateInput";
import { useAct } from "../hooks/useAct";
import type { Planners } from "./usePlanning";

const STATE_NAME: Readonly<Record<ModelState, string>> = {
  active: "active: planned",
  resting: "resting: left alone",
  finished: "finished",
};
const WEIGHT_NAME = ["counts as any", "counts double", "counts threefold"] as const;

/** The models of the bench: which are planned together, by when each, and what leaving one costs. */
export function OnBench({ screen, planners }: { screen: PlanScreen; planners: Planners }) {
  const { models } = screen;
  const active = models.filter((m) => m.state === "active");
  const others = models.length - active.length;
  const names = active.map((m) => m.name).join(", ") || "nothing";
  return (
    <details className="group w-full rounded-box bg-base-200 px-3 py-2" data-testid="on-bench">
      <summary className="cursor-pointer">
        <strong>On the bench:</strong> {names}
        {others > 0 && <span className="soft"> and {others} that rest or are finished</span>}
      </summary>
      <ul className="mt-2 grid gap-2">
        {models.map((m) => (
          <Model key={m.id} model={m} screen={screen} planners={planners} />
        ))}
      </ul>
    </details>
  );
}

function Model({ model: m, screen, planners }: { model: ModelOnBench; screen: PlanScreen; planners: Planners }) {
  const { act, busy } = useAct();
  const [fault, setFault] = useState<string | null>(null);
  const { timeZone, nowMin } = screen;
  const said = screen.plannings[m.id];
  const turn = async (state: ModelState) => {
    const turned = await act(() => editNodeAction("model", m.id, m.rev, { state }), { quiet: true });
    setFault(turned.ok ? null : turned.problem.detail);
  };
  const change = async (edit: { due?: string | null; weight?: number }, what: string) =>
    setFault(await planners.on(m.id).change(edit, what));
  return (
    <li className="flex flex-wrap items-center gap-x-3 gap-y-1" data-model={m.id}>
      <strong className="w-44 truncate">{m.name}</strong>
      <select
        className="select select-sm w-44"
        aria-label={`State of ${m.name}`}
        value={m.state}
        disabled={busy}
        onChange={(e) => void turn(e.target.value as ModelState)}
      >
        {MODEL_STATES.map((state) => (
          <option key={state} value={state}>
            {STATE_NAME[state]}
          </option>
        ))}
      </select>
      {said && m.state === "active" && (
        <>
          <span className="flex items-center gap-2">
            by
            <DateInput
              label={`${m.name} done by`}
              value={said.planning.due ?? ""}
              today={screen.today}
              onChange={(day) => void change({ due: day === "" ? null : day }, "Due date changed")}
            />
          </span>
          {said.planning.due !== null && (
            <select
              className="select select-sm w-40"
              aria-label={`What the date of ${m.name} counts`}
              value={said.planning.weight ?? 1}
              disabled={planners.busy}
              onChange={(e) => void change({ weight: Number(e.target.value) }, "Weight of the date changed")}
            >
              {WEIGHT_NAME.map((name, n) => (
                <option key={name} value={n + 1}>
                  {name}
                </option>
              ))}
            </select>
          )}
        </>
      )}
      {m.doneMin !== null && <span>done {relativeDay(m.doneMin, nowMin, timeZone)}</span>}
      {m.state === "resting" &&
        m.windows.map((w) => (
          <span key={w.name} className="text-warning">
            {w.name}: its window{" "}
            {w.shutsMin > nowMin
              ? `shuts ${relativeDay(w.shutsMin, nowMin, timeZone)}`
              : `shut ${duration(nowMin - w.shutsMin)} ago`}
          </span>
        ))}
      {fault && (
        <span role="alert" className="font-semibold text-error">
          {fault}
        </span>
      )}
    </li>
  );
}
