"use client";

import { type FormEvent, useState } from "react";
import { toast } from "sonner";
import { addReadingAction, putReadingBackAction, removeReadingAction } from "@/actions/air";
import type { AirScreen, Problem, Reading } from "@/contracts";
import { ago, figureTyped, pct, tempText, unitShown } from "@/format";
import { offerUndo, useAct } from "../hooks/useAct";

/** What was typed; left blank it stays so, for the contract to ask for it. */
const numberIn = (form: FormData, name: string, unit: string): unknown =>
  figureTyped(String(form.get(name) ?? ""), unit) ?? "";

/** Figures under one field, with its fault beside it and what was typed kept. */
export function Field({
  name,
  label,
  unit,
  problem,
  initial = "",
}: {
  name: string;
  label: string;
  unit: string;
  problem: Problem | null;
  initial?: string;
}) {
  const fault = problem?.fields.find((f) => f.path === name)?.message ?? null;
  return (
    <label className="grid gap-0.5 text-sm">
      {label}
      <span className={`input input-sm w-full ${fault ? "input-error" : ""}`}>
        <input
          name={name}
          inputMode="decimal"
          defaultValue={initial}
          aria-invalid={fault !== null}
          className="min-w-0 text-right"
        />
        <span className="soft text-xs">{unitShown(unit)}</span>
      </span>
      {fault && (
        <span role="alert" className="font-semibold text-error">
          {label} {fault}
        </span>
      )}
    </label>
  );
}

export function ReadingForm({ screen, nowMs }: { screen: AirScreen; nowMs: number }) {
  const { act, busy } = useAct();
  const [problem, setProblem] = useState<Problem | null>(null);
  const save = async (e: FormEvent<HTMLFormElement>) => {
    e.preventDefault();
    const form = e.currentTarget;
    const data = new FormData(form);
    const input = {
      tempC: numberIn(data, "tempC", "°C"),
      rhPct: numberIn(data, "rhPct", "% RH"),
      minutesAgo: numberIn(data, "minutesAgo", "min"),
    };
    const outcome = await act(() => addReadingAction(input), { quiet: true });
    if (!outcome.ok) return setProblem(outcome.problem);
    setProblem(null);
    form.reset();
    toast.success("Reading kept; waits follow it");
  };
  const remove = async (r: Reading) => {
    const outcome = await act(() => removeReadingAction(r.atMs, r.source));
    if (outcome.ok) offerUndo("Reading removed", () => void act(() => putReadingBackAction(r)));
  };
  const newest = [...screen.readings].reverse().slice(0, 5);
  return (
    <section aria-labelledby="reading-title" className="grid gap-2">
      <h2 id="reading-title" className="text-lg font-bold">
        Log a reading
      </h2>
      <form onSubmit={(e) => void save(e)} className="grid grid-cols-3 items-start gap-2" noValidate>
        <Field name="tempC" label="Temperature" unit="°C" problem={problem} />
        <Field name="rhPct" label="Humidity" unit="% RH" problem={problem} />
        <Field name="minutesAgo" label="How long ago" unit="min" problem={problem} initial="0" />
        <button type="submit" className="btn btn-primary btn-sm col-span-3" disabled={busy}>
          Keep the reading
        </button>
      </form>
      {problem && problem.fields.length === 0 && (
        <p role="alert" className="font-semibold text-error">
          {problem.detail}
        </p>
      )}
      {newest.length === 0 ? (
        <p className="soft text-sm">
          Nothing was read in the last day. A cheap thermo-hygrometer by the drying shelf is enough.
        </p>
      ) : (
        <ul className="text-sm" aria-label="Newest readings">
          {newest.map((r) => (
            <li key={`${r.atMs}${r.source}`} className="flex items-center gap-2">
              <span className="flex-1">
                <strong>{tempText(r.tempC)}</strong>, <strong>{pct(r.rhPct)}</strong> · {ago(r.atMs, nowMs)}
                <span className="soft block text-xs">{r.source}</span>
              </span>
              <button
                type="button"
                className="btn btn-ghost btn-xs"
                aria-label={`Remove the reading of ${tempText(r.tempC)}, ${ago(r.atMs, nowMs)}`}
                onClick={() => void remove(r)}
              >
                remove
              </button>
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
