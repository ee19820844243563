import { copyPartAction, deleteNodeAction, movePartAction } from "@/actions/parts";
import type { ModelHead, PartNode } from "@/contracts";
import { offerUndo, useAct } from "../hooks/useAct";

/** The same part once more, here or for another model, bare and without history; or the part itself given away with its log. */
export function CopyPart({
  part,
  modelId,
  models,
}: {
  part: PartNode;
  modelId: string;
  models: readonly Pick<ModelHead, "id" | "name">[];
}) {
  const { act, busy } = useAct();
  const others = models.filter((m) => m.id !== modelId);
  const nameOf = (id: string) => models.find((m) => m.id === id)?.name ?? "";
  const copy = async (to: string) => {
    const made = await act(() => copyPartAction(part.id, to));
    if (made.ok)
      offerUndo(
        `${part.name} copied${to === modelId ? "" : ` to ${nameOf(to)}`}: faces and piles, no history`,
        () => void act(() => deleteNodeAction("part", made.value.id)),
      );
  };
  const give = async (to: string) => {
    const given = await act(() => movePartAction(part.id, to));
    if (!given.ok) return;
    const left = given.value.unjoined > 0 ? "; its fittings stay behind" : "";
    offerUndo(
      `${part.name} went to ${nameOf(to)} with its log${left}`,
      () => void act(() => movePartAction(part.id, modelId)),
    );
  };
  return (
    <select
      className="select select-sm w-36"
      aria-label={`Copy or give away ${part.name}`}
      disabled={busy}
      value=""
      onChange={(e) => {
        const [what, to] = e.target.value.split(" ");
        if (to) void (what === "copy" ? copy(to) : give(to));
      }}
    >
      <option value="">Copy, give…</option>
      <option value={`copy ${modelId}`}>Copy it here</option>
      {others.map((m) => (
        <option key={`copy ${m.id}`} value={`copy ${m.id}`}>
          Copy it to {m.name}
        </option>
      ))}
      {others.map((m) => (
        <option key={`give ${m.id}`} value={`give ${m.id}`}>
          Give it to {m.name}, with its log
        </option>
      ))}
    </select>
  );
}
