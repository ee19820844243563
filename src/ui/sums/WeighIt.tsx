"use client";

import { useState } from "react";
import { readStandInScaleAction } from "@/actions/sums";
import type { SumsScreen } from "@/contracts";
import { useAct } from "../hooks/useAct";

const ONE_G = 1;
const UM_CM2_PER_ML = 10_000;

/** What would lie there if it went as planned, g: what the stand-in weighs. */
function expectedG({ values }: SumsScreen): number {
  const [area, density, wet] = [values.areaCm2, values.densityGMl, values.plannedWftUm];
  if (typeof area !== "number" || typeof density !== "number" || typeof wet !== "number") return ONE_G;
  return Math.max(0.02, (area * density * wet) / UM_CM2_PER_ML);
}

/** A scale posts to a documented endpoint; where there is none, its stand-in weighs what was planned. */
export function WeighIt({ screen }: { screen: SumsScreen }) {
  const { act, busy } = useAct();
  const [said, setSaid] = useState<string | null>(null);
  const read = async () => {
    const told = await act(() => readStandInScaleAction(expectedG(screen)), { quiet: true });
    setSaid(told.ok ? `${told.value.massG.toFixed(2)} g, by the ${told.value.source}.` : told.problem.detail);
  };
  return (
    <div className="flex flex-wrap items-center gap-3">
      <button type="button" className="btn btn-sm" disabled={busy} onClick={() => void read()}>
        Read the stand-in scale
      </button>
      {said && <span role="status">{said}</span>}
      <span className="soft text-sm">
        A scale of your own posts to <code>/api/v1/scale/readings</code>.
      </span>
    </div>
  );
}
