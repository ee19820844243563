"use client";

import { X } from "lucide-react";
import { type ReactNode, useCallback } from "react";
import { editNodeAction } from "@/actions/parts";
import type { RegionNode } from "@/contracts";
import type { OldFinish, Region, SealedBy } from "@/core/model";
import { hasTrait } from "@/core/reference";
import { REGION_GROUPS, type RegionGroup } from "@/messages";
import { TickCell } from "../components/cells";
import { Saved } from "../components/Saved";
import { SumLinks } from "../components/SumLinks";
import { type SaveField, useRow } from "../hooks/useRow";
import { AreaHelper } from "./AreaHelper";
import { FactRow, pathsOf } from "./FactRow";
import { RidgeHelper } from "./RidgeHelper";
import { Zones } from "./Zones";

interface FactsProps {
  readonly region: Region;
  readonly of: string;
  readonly save: SaveField;
}

/** Everything a region may be known by beside the columns of the table. */
export function RegionCard({ node, partName, close }: { node: RegionNode; partName: string; close: () => void }) {
  const { region } = node;
  const write = useCallback(
    (rev: number, fields: Record<string, unknown>) => editNodeAction("region", region.id, rev, fields),
    [region.id],
  );
  const { saveField: save, savedMs } = useRow(node.rev, write);
  const of = `${partName}, ${region.name}`;
  const facts = { region, of, save };
  return (
    <section
      className="grid content-start gap-4 rounded-box border border-base-300 bg-base-100 p-4"
      aria-label={`All of ${of}`}
    >
      <div className="flex items-start justify-between gap-2">
        <h2 className="text-lg font-bold">{of}</h2>
        <span className="flex-1">
          <Saved atMs={savedMs} />
        </span>
        <button type="button" className="btn btn-ghost btn-sm btn-square" aria-label="Close the region" onClick={close}>
          <X className="size-4" aria-hidden />
        </button>
      </div>
      <Group group="area">
        <Facts group="area" {...facts} />
        <SumLinks ids={["quantities", "mass", "gap", "detail", "dry-part", "warm-part"]} region={region.id} />
        <AreaHelper of={of} save={(areaCm2) => save({ areaCm2 })} />
        {isPrinted(region.material) && <RidgeHelper of={of} save={(ridgeUm) => save({ ridgeUm })} />}
      </Group>
      <Group group="fill">
        <Facts group="fill" {...facts} />
        <Zones {...facts} />
      </Group>
      {(["limits", "state"] as const).map((group) => (
        <Group key={group} group={group}>
          <Facts group={group} {...facts} />
        </Group>
      ))}
      <Together group="old" field="oldFinish" label="It has old paint on it" unknown={UNKNOWN_FINISH} {...facts} />
      <Together group="sealed" field="sealedBy" label="Something seals it" unknown={UNKNOWN_SEAL} {...facts} />
    </section>
  );
}

/** Made in layers: the ones whose ridges somebody would want to know. */
const isPrinted = (m: Region["material"]): boolean => hasTrait(m, "printed");

const UNKNOWN_FINISH: OldFinish = { family: "unknown", ageDays: "unknown", rub: "untested", lead: "unknown" };
const UNKNOWN_SEAL: SealedBy = { family: "unknown", dftUm: null, coats: null, cured: "unknown" };

function Group({ group, children }: { readonly group: RegionGroup; readonly children: ReactNode }) {
  return (
    <section className="grid gap-2 border-t border-base-300 pt-2">
      <h3 className="font-bold">{REGION_GROUPS[group]}</h3>
      {children}
    </section>
  );
}

/** The facts of a group that stand by themselves. */
const Facts = ({ group, region, of, save }: FactsProps & { readonly group: RegionGroup }) =>
  pathsOf(group).map((path) => (
    <FactRow
      key={path}
      path={path}
      value={region[path as keyof Region]}
      of={of}
      save={save}
      none={path === "hollow" && hasTrait(region.material, "hardened-by-light") ? "say: is it hollow?" : undefined}
    />
  ));

interface TogetherProps extends FactsProps {
  readonly group: "old" | "sealed";
  readonly field: "oldFinish" | "sealedBy";
  /** the tick that says there is such a thing at all */
  readonly label: string;
  /** what is kept as long as nothing of it is known */
  readonly unknown: OldFinish | SealedBy;
}

/** Facts that hang together and are there or not as one; the path of a fault is told without the group's name. */
function Together({ group, field, label, unknown, region, of, save }: TogetherProps) {
  const value = region[field] ?? null;
  const inner: SaveField = async (fields) => {
    const problem = await save({ [field]: { ...(value ?? unknown), ...fields } });
    return problem
      ? { ...problem, fields: problem.fields.map((f) => ({ ...f, path: f.path.replace(`${field}.`, "") })) }
      : null;
  };
  return (
    <Group group={group}>
      <TickCell
        label={label}
        value={value !== null}
        field={field}
        save={({ [field]: there }) => save({ [field]: there ? unknown : null })}
      />
      {value !== null &&
        pathsOf(group).map((path) => (
          <FactRow
            key={path}
            path={path}
            value={(value as unknown as Record<string, unknown>)[path.split(".")[1] ?? ""]}
            of={of}
            save={inner}
          />
        ))}
      {value !== null && "lead" in value && value.lead !== "none" && (
        <p className="text-sm font-semibold text-warning">
          Until it is tested: no dry sanding, no hot air, no blowing off. Wet-sand with a particle filter and collect
          the waste. Local rules decide what becomes of it.
        </p>
      )}
    </Group>
  );
}
