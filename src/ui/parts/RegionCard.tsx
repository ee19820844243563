"use client";

import { X } from "lucide-react";
import { type ReactNode, useCallback } from "react";
import { editNodeAction } from "@/actions/parts";
import type { RegionNode } from "@/contracts";
import type { OldFinish, Region, SealedBy } from "@/core/model";
import { FAMILY_NAME, LEAD_NAME, RUB_NAME } from "@/messages";
import { NumberCell, SelectCell, TextCell, TickCell } from "../components/cells";
import { Saved } from "../components/Saved";
import { type SaveField, useRow } from "../hooks/useRow";
import { AreaHelper } from "./AreaHelper";

/** Everything a region may be known by beside the columns of the table. */
export function RegionCard({ node, partName, close }: { node: RegionNode; partName: string; close: () => void }) {
  const { region: r } = node;
  const write = useCallback(
    (rev: number, fields: Record<string, unknown>) => editNodeAction("region", r.id, rev, fields),
    [r.id],
  );
  const { saveField: save, savedMs } = useRow(node.rev, write);
  const of = `${partName}, ${r.name}`;
  const number = (field: keyof Region, label: string, unit: string) => (
    <Row label={label}>
      <NumberCell
        value={(r[field] as number | null | undefined) ?? null}
        field={field}
        label={`${label} of ${of}`}
        unit={unit}
        save={save}
      />
    </Row>
  );
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
      <Group title="Area">
        {number("areaCm2", "Area", "cm²")}
        <AreaHelper of={of} save={(areaCm2) => save({ areaCm2 })} />
      </Group>
      <Group title="To fill">
        {number("fillDepthUm", "Deepest dent or gap", "µm")}
        <TickCell label="The gap goes right through" value={r.fillThrough ?? false} field="fillThrough" save={save} />
      </Group>
      <Group title="Limits">
        {number("fitAllowanceUm", "Room for film where it fits", "µm")}
        {number("massBudgetG", "Film may weigh", "g")}
        {number("serviceTempC", "Warmest in service", "°C")}
        {number("turns", "Turned so often for one coat", "×")}
        <KeepBare zones={r.keepBare ?? []} of={of} save={save} />
      </Group>
      <Group title="State">
        {number("minutesSinceKey", "Keyed this long ago", "min")}
        <Row label="Lead in the bare metal">
          <SelectCell
            value={r.lead ?? null}
            field="lead"
            label={`Lead in ${of}`}
            options={LEAD_NAME}
            empty="not asked"
            save={save}
          />
        </Row>
        <Row label="Hollow inside">
          <SelectCell
            value={r.hollow == null ? null : r.hollow === "unknown" ? "unknown" : r.hollow ? "yes" : "no"}
            field="hollow"
            label={`Is ${of} hollow`}
            options={HOLLOW}
            empty={r.material === "vat-resin" ? "say: is it hollow?" : "not asked"}
            save={({ hollow }) => save({ hollow: hollow === null || hollow === "unknown" ? hollow : hollow === "yes" })}
          />
        </Row>
        <TickCell
          label="Joints or undercuts that hold wash water"
          value={r.joints ?? false}
          field="joints"
          save={save}
        />
        <TickCell label="Clear panes close by" value={r.clearNearby ?? false} field="clearNearby" save={save} />
      </Group>
      <Old value={r.oldFinish ?? null} of={of} save={save} />
      <Sealed value={r.sealedBy ?? null} of={of} save={save} />
    </section>
  );
}

const HOLLOW = { yes: "yes", no: "no", unknown: "I do not know" };

function Group({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section className="grid gap-2 border-t border-base-300 pt-2">
      <h3 className="font-bold">{title}</h3>
      {children}
    </section>
  );
}

function Row({ label, children }: { label: string; children: ReactNode }) {
  return (
    <div className="grid grid-cols-[1fr_12rem] items-center gap-2">
      <span aria-hidden>{label}</span>
      {children}
    </div>
  );
}

/** Zones no paint may reach, commas between. */
function KeepBare({ zones, of, save }: { zones: readonly string[]; of: string; save: SaveField }) {
  const split: SaveField = (fields) =>
    save({
      keepBare: String(fields.keepBare)
        .split(",")
        .map((z) => z.trim())
        .filter(Boolean),
    });
  return (
    <Row label="Stays bare, commas between">
      <TextCell value={zones.join(", ")} field="keepBare" label={`What stays bare on ${of}`} save={split} />
    </Row>
  );
}

/** Saves one fact of a group of facts that hang together; the path of a fault is told without the group's name. */
const within =
  <T extends object>(group: string, now: T, save: SaveField): SaveField =>
  async (fields) => {
    const problem = await save({ [group]: { ...now, ...fields } });
    return problem
      ? { ...problem, fields: problem.fields.map((f) => ({ ...f, path: f.path.replace(`${group}.`, "") })) }
      : null;
  };

const UNKNOWN_FINISH: OldFinish = { family: "unknown", ageDays: "unknown", rub: "untested", lead: "unknown" };

function Old({ value, of, save }: { value: OldFinish | null; of: string; save: SaveField }) {
  return (
    <Group title="Old finish">
      <TickCell
        label="It has old paint on it"
        value={value !== null}
        field="oldFinish"
        save={({ oldFinish }) => save({ oldFinish: oldFinish ? UNKNOWN_FINISH : null })}
      />
      {value && <OldFacts value={value} of={of} save={within("oldFinish", value, save)} />}
    </Group>
  );
}

function OldFacts({ value, of, save }: { value: OldFinish; of: string; save: SaveField }) {
  const days = typeof value.ageDays === "number" ? value.ageDays : null;
  // an empty age is one nobody knows: it is never filled in
  const saveAge: SaveField = ({ ageDays }) => save({ ageDays: ageDays ?? "unknown" });
  return (
    <>
      <Row label="What it is">
        <SelectCell
          value={value.family}
          field="family"
          label={`Old finish of ${of}`}
          options={FAMILY_NAME}
          save={save}
        />
      </Row>
      <Row label="How old">
        <NumberCell
          value={days}
          field="ageDays"
          label={`Age of the old finish of ${of}`}
          unit="days"
          placeholder="not known"
          save={saveAge}
        />
      </Row>
      <Row label="Rubbed with solvent, it">
        <SelectCell value={value.rub} field="rub" label={`Rub test of ${of}`} options={RUB_NAME} save={save} />
      </Row>
      <Row label="Lead or chromate in it">
        <SelectCell
          value={value.lead}
          field="lead"
          label={`Lead in the old finish of ${of}`}
          options={LEAD_NAME}
          save={save}
        />
      </Row>
      {value.lead !== "none" && (
        <p className="text-sm font-semibold text-warning">
          Until it is tested: no dry sanding, no hot air, no blowing off. Wet-sand with a particle filter and collect
          the waste. Local rules decide what becomes of it.
        </p>
      )}
    </>
  );
}

const UNKNOWN_SEAL: SealedBy = { family: "unknown", dftUm: null, coats: null, cured: "unknown" };
const CURED = { yes: "yes", no: "no", unknown: "I do not know" };

function Sealed({ value, of, save }: { value: SealedBy | null; of: string; save: SaveField }) {
  const inner = within("sealedBy", value ?? UNKNOWN_SEAL, save);
  const saveCured: SaveField = ({ cured }) => inner({ cured: cured === "unknown" ? cured : cured === "yes" });
  return (
    <Group title="Sealed already">
      <TickCell
        label="Something seals it"
        value={value !== null}
        field="sealedBy"
        save={({ sealedBy }) => save({ sealedBy: sealedBy ? UNKNOWN_SEAL : null })}
      />
      {value && (
        <>
          <Row label="What it is">
            <SelectCell
              value={value.family}
              field="family"
              label={`Seal of ${of}`}
              options={FAMILY_NAME}
              save={inner}
            />
          </Row>
          <Row label="Coats">
            <NumberCell
              value={value.coats}
              field="coats"
              label={`Coats of the seal of ${of}`}
              unit="coats"
              save={inner}
            />
          </Row>
          <Row label="Dry film">
            <NumberCell value={value.dftUm} field="dftUm" label={`Seal on ${of}`} unit="µm" save={inner} />
          </Row>
          <Row label="Through cured">
            <SelectCell
              value={value.cured === "unknown" ? "unknown" : value.cured ? "yes" : "no"}
              field="cured"
              label={`Is the seal of ${of} cured`}
              options={CURED}
              save={saveCured}
            />
          </Row>
        </>
      )}
    </Group>
  );
}
