"use client";

import { Copy } from "lucide-react";
import { useRef, useState } from "react";
import { toast } from "sonner";
import { copyStackAction } from "@/actions/stacks";
import type { JudgedRegion, RegionNode } from "@/contracts";
import { MATERIAL_NAME } from "@/messages";
import { useAct } from "../hooks/useAct";

/** Lays the same pile on other regions too. */
export function CopyStack({
  regions,
  from,
  name,
}: {
  regions: readonly JudgedRegion[];
  from: RegionNode;
  name: string;
}) {
  const dialog = useRef<HTMLDialogElement>(null);
  const { act, busy } = useAct();
  const [chosen, setChosen] = useState<readonly string[]>([]);
  const others = regions.filter((r) => r.node.region.id !== from.region.id);
  if (from.stack.layers.length === 0 || others.length === 0) return null;
  const copy = async () => {
    const targets = others
      .filter((r) => chosen.includes(r.node.region.id))
      .map((r) => ({ regionId: r.node.region.id, stackRev: r.node.stackRev, stack: r.node.stack }));
    const done = await act(() =>
      copyStackAction(
        from.region.id,
        targets.map(({ stack: _, ...t }) => t),
      ),
    );
    if (!done.ok) return;
    dialog.current?.close();
    setChosen([]);
    const back = done.value.map((t, i) => ({ ...t, stack: targets[i]!.stack }));
    toast.success(`The stack lies on ${targets.length} more ${targets.length === 1 ? "region" : "regions"}`, {
      duration: 15_000,
      action: { label: "Undo", onClick: () => void act(() => copyStackAction(null, back)) },
    });
  };
  const toggle = (id: string) => setChosen(chosen.includes(id) ? chosen.filter((c) => c !== id) : [...chosen, id]);
  return (
    <>
      <button type="button" className="btn btn-sm self-center" onClick={() => dialog.current?.showModal()}>
        <Copy className="size-4" aria-hidden />
        Copy to other regions
      </button>
      <dialog ref={dialog} className="modal" aria-labelledby="copy-title">
        <form
          className="modal-box grid gap-3"
          onSubmit={(e) => {
            e.preventDefault();
            void copy();
          }}
        >
          <h2 id="copy-title" className="text-lg font-bold">
            Lay the stack of {name} on
          </h2>
          <ul className="grid gap-1">
            {others.map(({ node, partName }) => (
              <li key={node.region.id}>
                <label className="flex items-start gap-2">
                  <input
                    type="checkbox"
                    className="checkbox checkbox-sm mt-1"
                    checked={chosen.includes(node.region.id)}
                    onChange={() => toggle(node.region.id)}
                  />
                  <span>
                    {partName}, {node.region.name}
                    <span className="soft block text-sm">
                      {node.region.material ? MATERIAL_NAME[node.region.material] : "material not given"}
                      {node.stack.layers.length > 0 && `; takes the place of ${node.stack.layers.length} layers`}
                    </span>
                  </span>
                </label>
              </li>
            ))}
          </ul>
          <p className="soft text-sm">
            Layers are copied; what each face needs first stays as it is there. Each is judged on its own material.
          </p>
          <div className="modal-action">
            <button type="button" className="btn" onClick={() => dialog.current?.close()}>
              Close
            </button>
            <button type="submit" className="btn btn-primary" disabled={chosen.length === 0 || busy}>
              Copy
            </button>
          </div>
        </form>
      </dialog>
    </>
  );
}
