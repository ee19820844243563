"use client";

import { useEffect, useState } from "react";
import { swapAction, swapForAction } from "@/actions/stacks";
import { relativeDay, volumeText } from "@/format";
import { reasonText } from "@/messages";
import type { SwapView } from "@/server";
import { VerdictMark } from "../components/VerdictMark";
import { useAct } from "../hooks/useAct";

interface SwapProps {
  readonly regionId: string;
  /** null = the layer that is next */
  readonly layerId: string | null;
  readonly nameOf: (productId: string) => string | undefined;
  readonly colourOf: (productId: string) => string | undefined;
  readonly nowMin: number;
  readonly timeZone: string;
  readonly swapped: () => void;
}

/** What could be laid instead, each judged on what lies there now; the one chosen takes its place on the faces ticked. */
export function Swap({ regionId, layerId, nameOf, colourOf, nowMin, timeZone, swapped }: SwapProps) {
  const { act, busy } = useAct();
  const [view, setView] = useState<SwapView | null>(null);
  const [fault, setFault] = useState<string | null>(null);
  const [also, setAlso] = useState<readonly string[]>([]);
  useEffect(() => {
    let off = false;
    void swapForAction(regionId, layerId)
      .then((told) => {
        if (off) return;
        if (told.ok) setView(told.value);
        else setFault(told.problem.detail);
      })
      .catch(() => setFault("Elm Bench is out of reach."));
    return () => {
      off = true;
    };
  }, [regionId, layerId]);
  if (fault) return <p className="text-error">{fault}</p>;
  if (!view) return <p className="soft">Judging what the shelf has…</p>;
  const take = async (toId: string) => {
    if ((await act(() => swapAction(view.productId, toId, [regionId, ...also]))).ok) swapped();
  };
  return (
    <section aria-label={`Instead of ${nameOf(view.productId) ?? "it"}`} className="grid gap-2">
      <h3 className="border-b-2 border-base-content/60 text-xl font-bold">Instead of {nameOf(view.productId)}</h3>
      {view.also.length > 0 && (
        <fieldset className="flex flex-wrap gap-x-4 text-base">
          <legend className="soft">It is still to be laid here too; change it there as well:</legend>
          {view.also.map((a) => (
            <label key={a.regionId} className="flex min-h-11 items-center gap-2">
              <input
                type="checkbox"
                className="checkbox"
                checked={also.includes(a.regionId)}
                onChange={(e) => {
                  const on = e.target.checked;
                  setAlso((x) => (on ? [...x, a.regionId] : x.filter((id) => id !== a.regionId)));
                }}
              />
              {a.name}
            </label>
          ))}
        </fieldset>
      )}
      {view.choices.length === 0 && (
        <p>Nothing else of its job is known here. Put what you could buy on the shelf first.</p>
      )}
      <ul className="grid gap-2">
        {view.choices.map((c) => (
          <li key={c.productId} className="flex flex-wrap items-center gap-3 rounded-box border border-base-300 p-2">
            <span
              className="size-6 shrink-0 rounded-field border border-base-content/40"
              style={{ background: colourOf(c.productId) }}
              aria-hidden
            />
            <span className="min-w-0 flex-1">
              <span className="flex items-center gap-2 text-lg font-bold">
                {nameOf(c.productId)} <VerdictMark verdict={c.verdict} />
              </span>
              <span className="soft block text-base">
                {c.earliestMin !== null && `from ${relativeDay(c.earliestMin, nowMin, timeZone)}; `}
                {c.distance < 1
                  ? "same colour"
                  : `colour ${c.distance < 5 ? "near" : "another"} (ΔE ${c.distance.toFixed(0)})`}
                {c.owned ? "" : "; to buy"}
                {c.needMl !== null && c.leftMl !== null && c.owned && (
                  <span className={c.leftMl < c.needMl ? "text-warning" : ""}>
                    ; {volumeText(c.leftMl)} left, {volumeText(c.needMl)} needed
                  </span>
                )}
              </span>
              {c.codes.length > 0 && (
                <span className="block text-base">
                  {c.codes
                    .slice(0, 2)
                    .map((x) => reasonText(x, []))
                    .join(" ")}
                </span>
              )}
            </span>
            <button
              type="button"
              className="btn btn-outline min-h-12"
              disabled={busy || c.verdict === "stop"}
              onClick={() => void take(c.productId)}
            >
              Take it
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}
