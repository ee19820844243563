"use client";

import { useState } from "react";
import type { PlanScreen } from "@/contracts";
import { MOST_ROUNDS } from "@/core/reference";
import type { Planner } from "./usePlanning";

/** Rounds of look, fill, sand and prime on every face of the model at once; each can still be told its own. */
export function RoundsForAll({ screen, planner }: { screen: PlanScreen; planner: Planner }) {
  const [fault, setFault] = useState<string | null>(null);
  const faces = screen.regions.filter((r) => r.modelId === screen.modelId).map((r) => r.id);
  const told = faces.map((id) => planner.planning.rounds[id] ?? null);
  const isAlike = told.every((n) => n === told[0]);
  const tell = async (value: string) => {
    const rounds = value === "" ? {} : Object.fromEntries(faces.map((id) => [id, Number(value)]));
    setFault(await planner.change({ rounds }, "Rounds changed on every face"));
  };
  if (faces.length === 0) return null;
  return (
    <label className="grid gap-0.5">
      <span className="soft text-sm">Rounds of look, fill, sand, prime</span>
      <select
        className="select select-sm w-44"
        aria-label="Rounds on every face"
        value={isAlike ? (told[0] ?? "") : "mixed"}
        disabled={planner.busy}
        onChange={(e) => void tell(e.target.value)}
      >
        {!isAlike && <option value="mixed">told face by face</option>}
        <option value="">usual on every face</option>
        {Array.from({ length: MOST_ROUNDS + 1 }, (_, n) => (
          <option key={n} value={n}>
            {n === 0 ? "none on any face" : `${n} on every face`}
          </option>
        ))}
      </select>
      {fault && (
        <span role="alert" className="font-semibold text-error">
          {fault}
        </span>
      )}
    </label>
  );
}
