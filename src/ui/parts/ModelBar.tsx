"use client";

import { Download, Plus, Upload } from "lucide-react";
import { useCallback, useRef, useState } from "react";
import { addModelAction, addPartAction, deleteNodeAction, editNodeAction, restoreNodeAction } from "@/actions/parts";
import type { ModelHead } from "@/contracts";
import { TextCell } from "../components/cells";
import { offerUndo, useAct } from "../hooks/useAct";
import { useAddress } from "../hooks/useAddress";
import { useRow } from "../hooks/useRow";
import { ImportDialog } from "./ImportDialog";

/** Name and scale of the model on the bench, and what can be done with it as a whole. */
export function ModelBar({ model, addPart }: { model: ModelHead; addPart: boolean }) {
  const { act, busy } = useAct();
  const { set } = useAddress();
  const save = useCallback(
    (rev: number, fields: Record<string, unknown>) => editNodeAction("model", model.id, rev, fields),
    [model.id],
  );
  const { saveField } = useRow(model.rev, save);
  const [partName, setPartName] = useState("");
  const importer = useRef<HTMLDialogElement>(null);
  const add = async () => {
    const added = await act(() => addPartAction(model.id, { name: partName, count: 1, note: "" }));
    if (!added.ok) return;
    setPartName("");
    set({ add: null, fresh: added.value.id });
  };
  const remove = async () => {
    const gone = await act(() => deleteNodeAction("model", model.id));
    if (gone.ok) offerUndo(`${model.name} deleted`, () => void act(() => restoreNodeAction("model", model.id)));
  };
  return (
    <div className="flex flex-wrap items-end gap-x-3 gap-y-2">
      <h1 className="sr-only">Parts of {model.name}</h1>
      <TextCell value={model.name} field="name" label="Model" save={saveField} className="w-56 text-lg font-bold" />
      <TextCell value={model.scale} field="scale" label="Scale" save={saveField} className="w-20" />
      <form
        className="flex items-end gap-2"
        onSubmit={(e) => {
          e.preventDefault();
          void add();
        }}
      >
        <input
          className="input input-sm w-48"
          aria-label="Name of the new part"
          placeholder="Name of a new part"
          value={partName}
          onChange={(e) => setPartName(e.target.value)}
          // biome-ignore lint/a11y/noAutofocus: the user came here to add a part
          autoFocus={addPart}
        />
        <button type="submit" className="btn btn-primary btn-sm" disabled={busy}>
          <Plus className="size-4" aria-hidden />
          Add part
        </button>
      </form>
      <span className="flex-1" />
      <a className="btn btn-sm" href={`/api/v1/models/${model.id}?download`} download>
        <Download className="size-4" aria-hidden />
        Export
      </a>
      <button type="button" className="btn btn-sm" onClick={() => importer.current?.showModal()}>
        <Upload className="size-4" aria-hidden />
        Import
      </button>
      <button
        type="button"
        className="btn btn-sm"
        onClick={() => void act(() => addModelAction({ name: "New model", scale: "", note: "" }))}
      >
        <Plus className="size-4" aria-hidden />
        Model
      </button>
      <button type="button" className="btn btn-ghost btn-sm" onClick={() => void remove()}>
        Delete model
      </button>
      <ImportDialog ref={importer} />
    </div>
  );
}
