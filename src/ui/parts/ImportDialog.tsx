"use client";

import { type Ref, useState } from "react";
import { toast } from "sonner";
import { importAction } from "@/actions/parts";
import type { Problem } from "@/contracts";
import { TROUBLE } from "@/messages";
import { useAct } from "../hooks/useAct";

const MAX_FILE_BYTES = 15 * 1024 * 1024;
/** More faults than this are counted, not listed. */
const FAULTS_SHOWN = 8;

/** By how much of the other shed was left out: nothing, its settings, its air as well. */
const LEFT_OUT = [
  "",
  "The settings of its shed were left out; yours hold.",
  "The settings and the air of its shed were left out; yours hold.",
] as const;

export function ImportDialog({ ref }: { ref: Ref<HTMLDialogElement> }) {
  const { act, busy } = useAct();
  const [text, setText] = useState<string | null>(null);
  const [fileName, setFileName] = useState("");
  const [onExisting, setOnExisting] = useState<"refuse" | "replace" | "copy">("refuse");
  const [takeShop, setTakeShop] = useState(false);
  const [problem, setProblem] = useState<Problem | null>(null);
  const read = async (file: File | undefined) => {
    setProblem(null);
    setText(null);
    if (!file) return;
    setFileName(file.name);
    if (file.size > MAX_FILE_BYTES)
      setProblem({ code: "too-large", detail: `${file.name} is over 15 MB.`, fields: [] });
    else setText(await file.text());
  };
  const bring = async (form: HTMLFormElement) => {
    if (text === null) return;
    const outcome = await act(() => importAction(text, { onExisting, takeShop }), { quiet: true });
    if (!outcome.ok) return setProblem(outcome.problem);
    const beside = outcome.value.products.broughtInBeside;
    const told = [
      beside.length > 0 ? `Came in beside your own, because they differ: ${beside.join(", ")}.` : "",
      LEFT_OUT[Math.min(2, outcome.value.leftOut.length)]!,
    ];
    toast.success(`${fileName} is in`, { description: told.filter(Boolean).join(" ") || undefined });
    form.closest("dialog")?.close();
  };
  return (
    <dialog ref={ref} className="modal" aria-labelledby="import-title">
      <form
        className="modal-box grid gap-3"
        onSubmit={(e) => {
          e.preventDefault();
          void bring(e.currentTarget);
        }}
      >
        <h2 id="import-title" className="text-lg font-bold">
          Bring in a model
        </h2>
        <label className="grid gap-1">
          Document (elm-bench, JSON)
          <input
            type="file"
            accept=".json,application/json"
            className="file-input w-full"
            onChange={(e) => void read(e.target.files?.[0])}
          />
        </label>
        <label className="grid gap-1">
          If the model is here already
          <select
            className="select w-full"
            value={onExisting}
            onChange={(e) => setOnExisting(e.target.value as typeof onExisting)}
          >
            <option value="refuse">ask me</option>
            <option value="replace">replace it, log and all</option>
            <option value="copy">bring this one in as a copy</option>
          </select>
        </label>
        <label className="flex items-center gap-2">
          <input
            type="checkbox"
            className="checkbox checkbox-sm"
            checked={takeShop}
            onChange={(e) => setTakeShop(e.target.checked)}
          />
          Also take over its air, sessions and settings
        </label>
        {problem && (
          <div role="alert" className="rounded-box border-2 border-error p-3">
            <p className="font-bold">{TROUBLE[problem.code].title}. Nothing was changed.</p>
            <p>{problem.detail}</p>
            <ul className="mt-1 list-disc pl-5 text-sm">
              {problem.fields.slice(0, FAULTS_SHOWN).map((f) => (
                <li key={f.path + f.message}>
                  <code>{f.path || "(document)"}</code> {f.message}
                </li>
              ))}
            </ul>
            {problem.fields.length > FAULTS_SHOWN && (
              <p className="text-sm">and {problem.fields.length - FAULTS_SHOWN} more</p>
            )}
          </div>
        )}
        <div className="modal-action">
          <button type="button" className="btn" onClick={(e) => e.currentTarget.closest("dialog")?.close()}>
            Close
          </button>
          <button type="submit" className="btn btn-primary" disabled={text === null || busy}>
            Bring it in
          </button>
        </div>
      </form>
    </dialog>
  );
}
