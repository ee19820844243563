"use client";

import { Undo2 } from "lucide-react";
import { useState } from "react";
import type { PlanScreen } from "@/contracts";
import type { Objective } from "@/core/model";
import { DateInput } from "../components/DateInput";
import type { Planners } from "./usePlanning";

const OBJECTIVE_NAME: Readonly<Record<Objective, string>> = {
  finish: "the earliest finish",
  sessions: "the fewest evenings",
  slack: "the most slack",
  cleaning: "the least cleaning",
};

/** What the plan is made for, by when, and the way back from the last change. */
export function Aims({ screen, planners }: { screen: PlanScreen; planners: Planners }) {
  const planner = planners.on(screen.modelId);
  const { planning } = planner;
  const active = screen.models.filter((m) => m.state === "active");
  // each has a date of its own, told beside its state
  const several = active.length > 1;
  const [fault, setFault] = useState<string | null>(null);
  return (
    <>
      <label className="flex items-center gap-2">
        Aim for
        <select
          className="select select-sm w-42"
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
      {!several && (
        <span className="flex items-center gap-2">
          done by
          <DateInput
            label="All work done by"
            invalid={fault !== null}
            value={planning.due ?? ""}
            today={screen.today}
            onChange={async (day) =>
              setFault(await planner.change({ due: day === "" ? null : day }, "Due date changed"))
            }
          />
        </span>
      )}
      {planners.undoable > 0 && (
        <button type="button" className="btn btn-sm" onClick={() => void planners.undo()} disabled={planner.busy}>
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
