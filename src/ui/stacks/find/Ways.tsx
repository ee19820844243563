"use client";

import { useState } from "react";
import { toast } from "sonner";
import { deleteWayAction, saveWayAction } from "@/actions/stacks";
import type { Problem } from "@/contracts";
import { SCHOOLS, type WayOfWorking, WEIGHTS } from "@/core/reference";
import { WEIGHT_NAME } from "@/messages";
import { useAct } from "../../hooks/useAct";

interface Draft {
  readonly id: string;
  readonly name: string;
  readonly choices: WayOfWorking["choices"];
  /** as typed, so that a refused figure is not lost */
  readonly weights: Readonly<Record<string, string>>;
  readonly lastGrit: string;
}

const draftOf = (w: WayOfWorking, own: boolean): Draft => ({
  id: own ? w.id : "",
  name: own ? w.name : `${w.name}, mine`,
  choices: w.choices,
  weights: Object.fromEntries(WEIGHTS.map((k) => [k, String(w.weights[k])])),
  lastGrit: String(w.lastGrit),
});

const figure = (t: string): unknown => (t.trim() === "" || Number.isNaN(Number(t)) ? t : Number(t));

/** The chosen way of working opened up: the sides it takes and what it weighs. A ready-made one is copied, one's own is edited. */
export function WayEditor({ way, own, saved }: { way: WayOfWorking; own: boolean; saved: (id: string) => void }) {
  const { act, busy } = useAct();
  const [draft, setDraft] = useState(() => draftOf(way, own));
  const [problem, setProblem] = useState<Problem | null>(null);
  const faultAt = (path: string) => problem?.fields.find((f) => f.path === path)?.message ?? null;
  const save = async () => {
    const weights = Object.fromEntries(WEIGHTS.map((k) => [k, figure(draft.weights[k]!)]));
    const outcome = await act(() => saveWayAction({ ...draft, weights, lastGrit: figure(draft.lastGrit) }), {
      quiet: true,
    });
    setProblem(outcome.ok ? null : outcome.problem);
    if (!outcome.ok) return;
    toast.success(`${draft.name} kept`);
    saved(outcome.value.id);
  };
  const remove = async () => {
    const outcome = await act(() => deleteWayAction(way.id));
    if (outcome.ok) saved(outcome.value.id);
  };
  return (
    <form
      className="grid gap-3 rounded-box border border-base-300 p-3"
      aria-label="Way of working"
      onSubmit={(e) => {
        e.preventDefault();
        void save();
      }}
    >
      <label className="grid max-w-80 gap-1">
        <span>{own ? "Name" : "Copy it under the name"}</span>
        <input
          className="input input-sm w-full"
          value={draft.name}
          onChange={(e) => setDraft({ ...draft, name: e.target.value })}
        />
      </label>
      <fieldset>
        <legend className="font-bold">What it weighs</legend>
        <p className="soft text-sm">
          The search adds these up and lists the least. A care is one point of risk, a trial four.
        </p>
        <div className="mt-1 grid grid-cols-2 gap-x-3 gap-y-1 md:grid-cols-4">
          {WEIGHTS.map((k) => (
            <Weight
              key={k}
              label={WEIGHT_NAME[k]}
              value={draft.weights[k]!}
              fault={faultAt(`weights.${k}`)}
              onChange={(v) => setDraft({ ...draft, weights: { ...draft.weights, [k]: v } })}
            />
          ))}
          <Weight
            label="last paper before colour, P"
            value={draft.lastGrit}
            fault={faultAt("lastGrit")}
            onChange={(v) => setDraft({ ...draft, lastGrit: v })}
          />
        </div>
      </fieldset>
      <fieldset className="grid gap-2">
        <legend className="font-bold">Where good practice differs</legend>
        {SCHOOLS.map((s) => (
          <div
            key={s.id}
            className="grid gap-x-4 text-sm md:grid-cols-[11rem_1fr_1fr]"
            role="radiogroup"
            aria-label={s.question}
          >
            <span className="font-semibold">{s.question}</span>
            {(["a", "b"] as const).map((side) => (
              <label key={side} className="flex items-start gap-2">
                <input
                  type="radio"
                  className="radio radio-xs mt-1"
                  name={s.id}
                  checked={draft.choices[s.id] === side}
                  onChange={() => setDraft({ ...draft, choices: { ...draft.choices, [s.id]: side } })}
                />
                {s[side]}
              </label>
            ))}
            <span className="soft md:col-span-2 md:col-start-2">{s.reason}</span>
          </div>
        ))}
      </fieldset>
      {problem && (
        <p role="alert" className="font-semibold text-error">
          {problem.detail}
        </p>
      )}
      <div className="flex gap-2">
        <button type="submit" className="btn btn-primary btn-sm" disabled={busy}>
          {own ? "Save" : "Keep my copy"}
        </button>
        {own && (
          <button type="button" className="btn btn-ghost btn-sm" onClick={() => void remove()}>
            Delete this way
          </button>
        )}
      </div>
    </form>
  );
}

function Weight({
  label,
  value,
  fault,
  onChange,
}: {
  label: string;
  value: string;
  fault: string | null;
  onChange: (v: string) => void;
}) {
  return (
    <label className="text-sm">
      {label}
      <input
        className={`input input-sm w-full ${fault ? "input-error" : ""}`}
        inputMode="decimal"
        aria-invalid={fault !== null}
        value={value}
        onChange={(e) => onChange(e.target.value)}
      />
      {fault && (
        <span role="alert" className="font-semibold text-error">
          {fault}
        </span>
      )}
    </label>
  );
}

/** The sides the chosen way takes, each beside the view of the others. */
export function Schools({ way }: { way: WayOfWorking }) {
  return (
    <ul className="grid gap-1.5 text-sm">
      {SCHOOLS.map((s) => {
        const side = way.choices[s.id];
        return (
          <li key={s.id}>
            <strong>{s.question}:</strong> {s[side]}.{" "}
            <span className="soft">
              Others: {s[side === "a" ? "b" : "a"].toLowerCase()}. {s.reason}
            </span>
          </li>
        );
      })}
    </ul>
  );
}
