"use client";

import { TriangleAlert } from "lucide-react";
import type { FilmStudy } from "@/core/study";
import { duration } from "@/format";
import { filmFaultText } from "@/messages";
import { type FilmSettings, LIMITS } from "./settings";

/** "What if I had waited only …": the next act at any moment, and the fault the simulated film shows. */
export function WhatIf({
  s,
  set,
  faults,
  viewMin,
}: {
  s: FilmSettings;
  viewMin: number;
  set: (changes: Readonly<Record<string, string | null>>) => void;
  faults: FilmStudy["faults"];
}) {
  return (
    <section aria-labelledby="whatif-title" className="grid gap-2 rounded-box bg-base-200 p-3">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
        <h2 id="whatif-title" className="font-bold">
          What if I had waited only
        </h2>
        <input
          type="range"
          aria-label="Waited for"
          aria-valuetext={duration(s.actAfterMin)}
          className="range range-xs range-primary min-w-40 flex-1"
          min={LIMITS.actAfterMin[0]}
          max={Math.min(LIMITS.actAfterMin[1], Math.round(viewMin))}
          value={s.actAfterMin}
          onChange={(e) => set({ actAfterMin: e.target.value, act: s.act ?? "coat" })}
        />
        <strong className="w-24">{duration(s.actAfterMin)}</strong>
        <span>then</span>
        <select
          className="select select-sm w-52"
          aria-label="What is done then"
          value={s.act ?? ""}
          onChange={(e) => set({ act: e.target.value || null })}
        >
          <option value="">leave it to dry</option>
          <option value="coat">a strong-solvent coat</option>
          <option value="sand">sand it</option>
        </select>
      </div>
      <div aria-live="polite" data-testid="film-faults">
        {faults.length === 0 ? (
          <p>
            {s.act === null
              ? "Left alone, nothing goes wrong with it in this air."
              : "Nothing goes wrong: by then it is ready for that."}
          </p>
        ) : (
          <ul className="grid gap-1">
            {faults.map((f) => (
              <li key={f.kind} className="flex gap-2">
                <TriangleAlert className="mt-0.5 size-5 shrink-0 text-error" aria-hidden />
                <span>{filmFaultText(f)}</span>
              </li>
            ))}
          </ul>
        )}
      </div>
    </section>
  );
}
