"use client";

import { Undo2 } from "lucide-react";
import { useState } from "react";
import type { PlanScreen } from "@/contracts";
import type { Objective } from "@/core/model";
import type { Planner } from "./usePlanning";

const OBJECTIVE_NAME: Readonly<Record<Objective, string>> = {
  finish: "the earliest finish",
  sessions: "the fewest evenings",
  slack: "the most slack",
  cleaning: "the least cleaning",
};

/** What the plan is made for, by when, and the way back from the last change. */
export function Aims({ screen, planner }: { screen: PlanScreen; planner: Planner }) {
  const { planning } = screen;
  const [fault, setFault] = useState<string | null>(null);
  return (
    <>
      <label className="flex items-center gap-2">
        Aim for
        <select
          className="select select-sm w-48"
          value={planning.objective}
          disabled={planner.busy}
          onChange={async (e) =>
            setFault(await planner.change({ objective: e.target.value as Objective }, "Planned for another aim"))
          }
        >
          {Object.entries(OBJECTIVE_NAME).map(([id, name]) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </select>
      </label>
      <label className="flex items-center gap-2">
        done by
        <input
          type="date"
          className={`input input-sm w-40 ${fault ? "input-error" : ""}`}
          aria-label="All work done by"
          aria-invalid={fault !== null}
          defaultValue={planning.due ?? ""}
          key={planning.due ?? "none"}
          onChange={async (e) => {
            if (e.target.value !== "" && e.target.value < "1970-01-01") return;
            setFault(await planner.change({ due: e.target.value === "" ? null : e.target.value }, "Due date changed"));
          }}
        />
      </label>
      {planner.undoable > 0 && (
        <button type="button" className="btn btn-sm" onClick={() => void planner.undo()} disabled={planner.busy}>
          <Undo2 className="size-4" aria-hidden />
          Undo
        </button>
      )}
      {fault && (
        <p role="alert" className="font-semibold text-error">
          {fault}
        </p>
      )}
    </>
  );
}
