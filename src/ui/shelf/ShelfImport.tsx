"use client";

import { type Ref, useState } from "react";
import { toast } from "sonner";
import { importShelfAction, previewShelfAction } from "@/actions/shelf";
import type { Outcome, Problem, ShelfPreview } from "@/contracts";
import { FileFaults } from "../components/FileFaults";
import { useAct } from "../hooks/useAct";

const STATE: Readonly<Record<ShelfPreview["lines"][number]["state"], string>> = {
  new: "new",
  same: "as it is here",
  differs: "differs from yours",
};

interface Chosen {
  readonly name: string;
  readonly kind: "csv" | "json";
  readonly text: string;
  readonly preview: ShelfPreview;
}

/** A shelf file looked at before anything changes: what it would add and change, and what is at fault where. */
export function ShelfImport({ ref }: { ref: Ref<HTMLDialogElement> }) {
  const { act, busy } = useAct();
  const [chosen, setChosen] = useState<Chosen | null>(null);
  const [existing, setExisting] = useState<"keep" | "replace">("keep");
  const [problem, setProblem] = useState<Problem | null>(null);
  const read = async (file: File | undefined) => {
    setChosen(null);
    setProblem(null);
    if (!file) return;
    const kind = file.name.toLowerCase().endsWith(".json") ? "json" : "csv";
    const text = await file.text();
    const looked: Outcome<ShelfPreview> = await act(() => previewShelfAction(text, kind), { quiet: true });
    if (looked.ok) setChosen({ name: file.name, kind, text, preview: looked.value });
    else setProblem(looked.problem);
  };
  const bring = async (form: HTMLFormElement) => {
    if (!chosen) return;
    const outcome = await act(() => importShelfAction(chosen.text, chosen.kind, existing), { quiet: true });
    if (!outcome.ok) return setProblem(outcome.problem);
    const { added, changed, kept } = outcome.value;
    toast.success(`${chosen.name} is in: ${added} added, ${changed} changed, ${kept} kept as they were`);
    form.closest("dialog")?.close();
  };
  const faults = chosen?.preview.faults ?? [];
  return (
    <dialog ref={ref} className="modal" aria-labelledby="shelf-import-title">
      <form
        className="modal-box grid max-w-2xl gap-3"
        onSubmit={(e) => {
          e.preventDefault();
          void bring(e.currentTarget);
        }}
      >
        <h2 id="shelf-import-title" className="text-lg font-bold">
          Bring in products
        </h2>
        <label className="grid gap-1">
          Shelf file, CSV or JSON
          <input
            type="file"
            accept=".csv,.json,text/csv,application/json"
            className="file-input w-full"
            onChange={(e) => void read(e.target.files?.[0])}
          />
        </label>
        <p className="soft text-sm">
          The export is a pattern to fill in: one product a line, units in the headings, lists with semicolons between.
        </p>
        {problem && (
          <p role="alert" className="rounded-box border-2 border-error p-3 font-semibold">
            {problem.detail} Nothing was changed.
          </p>
        )}
        <FileFaults faults={faults} kind={chosen?.kind ?? "csv"} name={chosen?.name ?? "the file"} />
        {chosen && <Preview preview={chosen.preview} />}
        <label className="grid gap-1">
          Products that differ from yours
          <select
            className="select w-full"
            value={existing}
            onChange={(e) => setExisting(e.target.value as typeof existing)}
          >
            <option value="keep">keep mine</option>
            <option value="replace">take those of the file</option>
          </select>
        </label>
        <div className="modal-action">
          <button type="button" className="btn" onClick={(e) => e.currentTarget.closest("dialog")?.close()}>
            Close
          </button>
          <button type="submit" className="btn btn-primary" disabled={!chosen || faults.length > 0 || busy}>
            Bring them in
          </button>
        </div>
      </form>
    </dialog>
  );
}

function Preview({ preview }: { preview: ShelfPreview }) {
  const count = (s: ShelfPreview["lines"][number]["state"]) => preview.lines.filter((l) => l.state === s).length;
  return (
    <div className="rounded-box bg-base-200 p-3">
      <p>
        <strong>{count("new")}</strong> new, <strong>{count("differs")}</strong> differ from yours,{" "}
        <strong>{count("same")}</strong> as they are here.
      </p>
      <ul className="mt-1 columns-2 text-sm">
        {preview.lines
          .filter((l) => l.state !== "same")
          .map((l) => (
            <li key={l.line}>
              {l.name} <span className="soft">{STATE[l.state]}</span>
            </li>
          ))}
      </ul>
    </div>
  );
}
