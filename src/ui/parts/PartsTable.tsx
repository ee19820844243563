"use client";

import { Layers, Plus, Trash2 } from "lucide-react";
import Link from "next/link";
import { useCallback, useEffect } from "react";
import { addRegionAction, deleteNodeAction, editNodeAction, restoreNodeAction } from "@/actions/parts";
import type { ModelHead, PartNode, RegionNode } from "@/contracts";
import type { Region } from "@/core/model";
import { conditionsOf } from "@/core/reference";
import { areaText, filmText } from "@/format";
import { CONDITION_NAME, EXPOSURE_NAME, FINISH_NAME, MATERIAL_NAME } from "@/messages";
import { ChipsCell, NumberCell, SelectCell, TextCell } from "../components/cells";
import { PhotoField } from "../components/PhotoField";
import { Saved } from "../components/Saved";
import { offerUndo, useAct } from "../hooks/useAct";
import { useAddress } from "../hooks/useAddress";
import { useRow } from "../hooks/useRow";
import { CopyPart } from "./CopyPart";
import { RegionCard } from "./RegionCard";

/** What can be true of its material, and whatever was told already. */
const conditionsFor = ({ material, conditions }: Region): Readonly<Record<string, string>> =>
  Object.fromEntries(
    [...new Set([...conditionsOf(material), ...conditions])].map((c) => [c, CONDITION_NAME[c]] as const),
  );

function useDelete(kind: "part" | "region", id: string, name: string) {
  const { act } = useAct();
  return async () => {
    const gone = await act(() => deleteNodeAction(kind, id));
    if (gone.ok) offerUndo(`${name} deleted`, () => void act(() => restoreNodeAction(kind, id)));
  };
}

/** What not knowing costs, said where it is not known. */
function unknowns(r: RegionNode["region"]): string | null {
  if (r.material === null) return "Without a material nothing can be judged or planned.";
  if (r.areaCm2 === null) return `Without an area: no quantities, and work is timed as for ${areaText(100)}.`;
  return null;
}

/** What is told of a region beyond the columns, in few words. */
function toldMore(r: RegionNode["region"]): string {
  const words = [
    r.oldFinish ? "old finish" : "",
    r.sealedBy ? "sealed" : "",
    r.fillDepthUm == null ? "" : `to fill ${filmText(r.fillDepthUm)}`,
    ...(r.zones ?? []).map((z) => `${z.name}: ${Math.round(100 * z.share)} %`),
    r.massBudgetG == null ? "" : `up to ${r.massBudgetG} g`,
    r.fitAllowanceUm == null ? "" : `fits within ${filmText(r.fitAllowanceUm)}`,
    (r.keepBare ?? []).length > 0 ? `bare: ${r.keepBare!.join(", ")}` : "",
  ];
  return words.filter(Boolean).join(" · ");
}

function RegionRow({
  node,
  partName,
  only,
  chosen,
  choose,
}: {
  node: RegionNode;
  partName: string;
  only: boolean;
  chosen: boolean;
  choose: () => void;
}) {
  const { region: r } = node;
  const save = useCallback(
    (rev: number, fields: Record<string, unknown>) => editNodeAction("region", r.id, rev, fields),
    [r.id],
  );
  const { saveField, savedMs } = useRow(node.rev, save);
  const remove = useDelete("region", r.id, `${partName}, ${r.name}`);
  const of = `${partName}, ${r.name}`;
  const cost = unknowns(r);
  return (
    <>
      <tr role="row" className="align-top" data-region={r.id}>
        <td role="cell" data-label="Region" className="sm:pl-6">
          <TextCell value={r.name} field="name" label={`Region of ${partName}`} save={saveField} />
        </td>
        <td role="cell" data-label="Material">
          <SelectCell
            value={r.material}
            field="material"
            label={`Material of ${of}`}
            save={saveField}
            options={MATERIAL_NAME}
            empty="– choose –"
          />
        </td>
        <td role="cell" data-label="Condition now">
          <ChipsCell
            value={r.conditions}
            field="conditions"
            label={`Condition of ${of}`}
            save={saveField}
            options={conditionsFor(r)}
            empty="not told: not taken as clean"
          />
        </td>
        <td role="cell" data-label="Area">
          <NumberCell value={r.areaCm2} field="areaCm2" label={`Area of ${of}`} unit="cm²" save={saveField} />
        </td>
        <td role="cell" data-label="Finish">
          <SelectCell
            value={r.finish}
            field="finish"
            label={`Finish level of ${of}`}
            save={saveField}
            options={FINISH_NAME}
          />
        </td>
        <td role="cell" data-label="Finest detail">
          <NumberCell value={r.detailUm} field="detailUm" label={`Finest detail of ${of}`} unit="µm" save={saveField} />
        </td>
        <td role="cell" data-label="Ridges">
          <NumberCell value={r.ridgeUm} field="ridgeUm" label={`Ridges of ${of}`} unit="µm" save={saveField} />
        </td>
        <td role="cell" data-label="Exposure">
          <ChipsCell
            value={r.exposure}
            field="exposure"
            label={`Exposure of ${of}`}
            save={saveField}
            options={EXPOSURE_NAME}
          />
        </td>
        <td role="cell" className="whitespace-nowrap">
          <button
            type="button"
            className="btn btn-sm"
            aria-pressed={chosen}
            aria-label={`More of ${of}`}
            onClick={choose}
          >
            More
          </button>{" "}
          <Link href={`/stacks?region=${r.id}`} className="btn btn-sm gap-1" aria-label={`Stack of ${of}`}>
            <Layers className="size-4" aria-hidden />
            {node.stack.layers.length}
          </Link>
          {!only && (
            <button
              type="button"
              className="btn btn-ghost btn-sm btn-square"
              aria-label={`Delete region ${of}`}
              onClick={() => void remove()}
            >
              <Trash2 className="size-4" aria-hidden />
            </button>
          )}
        </td>
      </tr>
      <tr role="row" className="border-b border-base-300">
        <td role="cell" colSpan={9} className="pt-0 pb-1 text-sm sm:pl-6">
          <span className="text-warning">{cost}</span> <span className="soft">{toldMore(r)}</span>{" "}
          <Saved atMs={savedMs} />
        </td>
      </tr>
    </>
  );
}

interface Owners {
  readonly modelId: string;
  readonly models: readonly Pick<ModelHead, "id" | "name">[];
}

function PartHead({ part, modelId, models }: { part: PartNode } & Owners) {
  const { act } = useAct();
  const save = useCallback(
    (rev: number, fields: Record<string, unknown>) => editNodeAction("part", part.id, rev, fields),
    [part.id],
  );
  const { saveField, savedMs } = useRow(part.rev, save);
  const remove = useDelete("part", part.id, part.name);
  return (
    <tr role="row" className="bg-base-200">
      <th scope="rowgroup" colSpan={9} className="px-2 py-2 text-left">
        <div className="flex flex-wrap items-start gap-2">
          <TextCell value={part.name} field="name" label="Part" save={saveField} className="w-52" />
          <NumberCell
            value={part.count}
            field="count"
            label={`Pieces of ${part.name}`}
            unit="off"
            save={saveField}
            className="w-24"
          />
          <TextCell
            value={part.note}
            field="note"
            label={`Note on ${part.name}`}
            save={saveField}
            className="w-full font-normal sm:w-80"
          />
          <Saved atMs={savedMs} />
          <span className="flex-1" />
          <PhotoField label={part.name} hash={part.photo} save={(photo) => void saveField({ photo })} small />
          <CopyPart part={part} modelId={modelId} models={models} />
          <button
            type="button"
            className="btn btn-sm"
            onClick={() => void act(() => addRegionAction(part.id, { name: "Another region" }))}
          >
            <Plus className="size-4" aria-hidden />
            Region<span className="sr-only"> of {part.name}</span>
          </button>
          <button
            type="button"
            className="btn btn-ghost btn-sm btn-square"
            aria-label={`Delete part ${part.name}`}
            onClick={() => void remove()}
          >
            <Trash2 className="size-4" aria-hidden />
          </button>
        </div>
      </th>
    </tr>
  );
}

const HEADS: readonly (readonly [name: string, width: string])[] = [
  ["Region", "w-40"],
  ["Material", "w-44"],
  ["Condition now", "w-40"],
  ["Area", "w-28"],
  ["Finish", "w-24"],
  ["Finest detail", "w-28"],
  ["Ridges", "w-28"],
  ["Exposure", "w-32"],
  ["Stack", "w-40"],
];

export function PartsTable({ parts, modelId, models }: { parts: readonly PartNode[] } & Owners) {
  const { params, set } = useAddress();
  const chosenId = params.get("region");
  const freshId = params.get("fresh");
  const freshHere = parts.some((p) => p.id === freshId);
  // a part just added is filled in next: its material first
  useEffect(() => {
    if (freshHere) document.querySelector<HTMLSelectElement>(`[data-part="${freshId}"] td select`)?.focus();
  }, [freshId, freshHere]);
  const chosen = parts
    .flatMap((p) => p.regions.map((node) => ({ node, partName: p.name })))
    .find((r) => r.node.region.id === chosenId);
  return (
    <div className={chosen ? "grid items-start gap-4 xl:grid-cols-[minmax(0,1fr)_420px]" : ""}>
      {chosen && (
        <div className="xl:sticky xl:top-4 xl:order-last">
          <RegionCard key={chosenId} {...chosen} close={() => set({ region: null })} />
        </div>
      )}
      <div className="overflow-x-auto pb-40">
        <table
          role="table"
          className="as-cards w-full border-separate sm:min-w-[1150px] border-spacing-x-1 border-spacing-y-1"
        >
          <thead role="rowgroup">
            <tr role="row">
              {HEADS.map(([h, w]) => (
                <th
                  key={h}
                  role="columnheader"
                  scope="col"
                  className={`px-1 text-left text-sm font-semibold ${w} first:pl-6`}
                >
                  {h}
                </th>
              ))}
            </tr>
          </thead>
          {parts.map((part) => (
            <tbody key={part.id} role="rowgroup" data-part={part.id}>
              <PartHead part={part} modelId={modelId} models={models} />
              {part.regions.map((node) => (
                <RegionRow
                  key={node.region.id}
                  node={node}
                  partName={part.name}
                  only={part.regions.length === 1}
                  chosen={node.region.id === chosenId}
                  choose={() => set({ region: node.region.id })}
                />
              ))}
            </tbody>
          ))}
        </table>
      </div>
    </div>
  );
}
