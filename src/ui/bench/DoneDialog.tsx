"use client";

import { type FormEvent, type Ref, useState } from "react";
import { lighterAction } from "@/actions/bench";
import type { Problem } from "@/contracts";
import type { PrepStep } from "@/core/model";
import type { BenchTile } from "@/core/plan";
import { FORGOT_PRESS } from "@/core/reference";
import { duration, figureField, figureTyped, filmText } from "@/format";
import { PREP_CHECK } from "@/messages";
import { PhotoField } from "../components/PhotoField";
import { useAct } from "../hooks/useAct";
import { Figure } from "./Figure";
import { useDeed } from "./useDeed";

interface Draft {
  readonly minutesAgo: string;
  readonly coats: string;
  readonly wftUm: string;
  readonly usedG: string;
  readonly tempC: string;
  readonly rhPct: string;
  readonly note: string;
}

const EMPTY: Draft = { minutesAgo: "0", coats: "", wftUm: "", usedG: "", tempC: "", rhPct: "", note: "" };

interface DoneProps {
  readonly ref: Ref<HTMLDialogElement>;
  readonly tile: BenchTile;
  readonly name: string;
  readonly title: string;
  readonly air: { readonly tempC: number; readonly rhPct: number };
  readonly nowMin: number;
}

/** How long ago it was begun, where that is so long that somebody forgot to press; else null. */
function forgottenMin(tile: BenchTile, nowMin: number): number | null {
  if (tile.startedMin === null) return null;
  const min = Math.round(nowMin - tile.startedMin);
  return min > Math.max(FORGOT_PRESS.leastMin, FORGOT_PRESS.times * tile.op!.handsOnMin) ? min : null;
}

/** The can put on the scale before the coat and again now: the difference is filled in. */
function ByScale({ take }: { take: (lighterG: number) => void }) {
  const [said, setSaid] = useState<string | null>(null);
  const { act, busy } = useAct();
  const read = async () => {
    const outcome = await act(() => lighterAction(), { quiet: true });
    if (!outcome.ok) return setSaid(outcome.problem.detail);
    const { beforeG, afterG, lighterG } = outcome.value;
    setSaid(`${beforeG} g before, ${afterG} g now.`);
    take(lighterG);
  };
  return (
    <div className="grid content-end gap-1 text-base">
      <button type="button" className="btn" disabled={busy} onClick={() => void read()}>
        By the scale
      </button>
      {said && <p role="status">{said}</p>}
    </div>
  );
}

/** Asks only for what differs from the plan; blank means as planned. */
export function DoneDialog({ ref, tile, name, title, air, nowMin }: DoneProps) {
  const op = tile.op!;
  const { deed, busy } = useDeed();
  const [draft, setDraft] = useState(EMPTY);
  const [problem, setProblem] = useState<Problem | null>(null);
  const [checked, setChecked] = useState(false);
  const [photo, setPhoto] = useState<string | null>(null);
  // what is only put into its bath is looked over once it is out
  const isPutIn = op.soakMin !== undefined && op.coat === 1;
  const check = op.kind === "prep" && !isPutIn ? PREP_CHECK[op.step as PrepStep] : undefined;
  const faultOf = (field: string) => problem?.fields.find((f) => f.path === field)?.message ?? null;
  const forgotMin = forgottenMin(tile, nowMin);
  const field = (key: keyof Draft, label: string, unit: string, hint: string) => (
    <Figure
      id={`${op.id}-${key}`}
      label={label}
      unit={unit}
      hint={hint}
      value={draft[key]}
      fault={faultOf(key)}
      onChange={(v) => setDraft({ ...draft, [key]: v })}
    />
  );
  const send = async (e: FormEvent<HTMLFormElement>) => {
    e.preventDefault();
    const dialog = e.currentTarget.closest("dialog");
    const input = {
      note: draft.note,
      minutesAgo: figureTyped(draft.minutesAgo, "min") ?? 0,
      coats: figureTyped(draft.coats, ""),
      wftUm: figureTyped(draft.wftUm, "µm"),
      ...(draft.usedG.trim() === "" ? {} : { usedG: figureTyped(draft.usedG, "g") }),
      tempC: figureTyped(draft.tempC, "°C"),
      rhPct: figureTyped(draft.rhPct, "%"),
      ...(checked ? { checked } : {}),
      ...(photo === null ? {} : { photo }),
    };
    const outcome = await deed(
      { kind: "done", regionId: tile.regionId, opId: op.id, title: `${name}: ${title}`, input },
      { quiet: true },
    );
    setProblem(outcome.ok ? null : outcome.problem);
    if (!outcome.ok) return;
    setDraft(EMPTY);
    setChecked(false);
    setPhoto(null);
    dialog?.close();
  };
  return (
    <dialog ref={ref} className="modal" aria-label={`Done: ${name}, ${title}`}>
      <form className="modal-box grid gap-3" onSubmit={(e) => void send(e)} noValidate>
        <h2 className="text-xl font-bold">
          {name}: {title}, done
        </h2>
        {check && (
          <label className="flex items-center gap-3 rounded-box border-2 border-base-300 p-3 text-lg">
            <input
              type="checkbox"
              className="checkbox checkbox-lg"
              checked={checked}
              onChange={(e) => setChecked(e.target.checked)}
            />
            <span>Looked for: {check}</span>
          </label>
        )}
        <p className="soft text-base">
          Leave blank what went as planned.{check ? " Not so yet? Leave it, and go on with it." : ""}
        </p>
        {forgotMin !== null && (
          <p role="note" className="border-l-4 border-warning pl-2 text-base">
            Begun {duration(forgotMin)} ago, {duration(op.handsOnMin)} planned. Forgot to press? Say below how many
            minutes ago it was finished: waits go by that.
          </p>
        )}
        {op.kind === "coat" && (
          <div className="grid grid-cols-2 gap-3">
            {field("coats", "Coats put on", "", "1")}
            {field("wftUm", "Wet film a coat", "µm", filmText(op.wftUm ?? 0))}
            {field("usedG", "Can lighter by, weighed", "g", "")}
            <ByScale take={(g) => setDraft((d) => ({ ...d, usedG: figureField(g, "g") }))} />
          </div>
        )}
        <div className="grid grid-cols-3 gap-3">
          {field("minutesAgo", "Finished", "min ago", "0")}
          {field("tempC", "Air read", "°C", figureField(Math.round(air.tempC * 10) / 10, "°C"))}
          {field("rhPct", "Humidity", "%", String(Math.round(air.rhPct)))}
        </div>
        <label className="text-base">
          Note
          <input
            className="input w-full"
            value={draft.note}
            onChange={(e) => setDraft({ ...draft, note: e.target.value })}
          />
        </label>
        <PhotoField label={title} hash={photo} save={setPhoto} small />
        {problem && (
          <p role="alert" className="font-semibold text-error">
            {problem.detail}
          </p>
        )}
        <div className="modal-action">
          <button type="button" className="btn btn-lg" onClick={(e) => e.currentTarget.closest("dialog")?.close()}>
            Leave it
          </button>
          <button type="submit" className="btn btn-primary btn-lg" disabled={busy}>
            Done
          </button>
        </div>
      </form>
    </dialog>
  );
}
