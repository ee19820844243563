"use client";

import { type ReactNode, useEffect, useState } from "react";
import { saveShopAction } from "@/app/actions";
import type { Shop } from "@/contracts";
import { CAUTIONS, type Caution, PROTECTIONS } from "@/core/model";
import { NumberCell, SelectCell, TextCell } from "../components/cells";
import { degC } from "../format";
import { type SaveField, useRow } from "../hooks/useRow";
import { PROTECTION_NAME } from "../messages";
import { Sessions } from "./Sessions";

const AIR_KINDS = { steady: "steady: the same day and night", day: "a typical day, warmer and colder" };
const CAUTION_NAME: Readonly<Record<Caution, string>> = {
  likely: "likely: even odds that a film is ready",
  safe: "safe: nine films in ten are ready",
};

/** A saver for the fields of one group: fields in, group out, faults named as the group's own. */
export const within =
  (save: SaveField, group: string, wrap: (fields: Record<string, unknown>) => unknown): SaveField =>
  async (fields) => {
    const problem = await save({ [group]: wrap(fields) });
    if (!problem) return null;
    return {
      ...problem,
      fields: problem.fields.map((f) => ({ ...f, path: f.path.slice(f.path.lastIndexOf(".") + 1) })),
    };
  };

export function SettingsView({ shop, rev, today }: { shop: Shop; rev: number; today: string }) {
  const { saveField, savedAt } = useRow(rev, saveShopAction);
  return (
    <main className="grid max-w-4xl gap-6 p-4">
      <div className="flex items-baseline gap-4">
        <h1 className="text-xl font-bold">Settings of the shed</h1>
        <span className="soft text-sm" role="status">
          {savedAt ? `saved ${savedAt.toTimeString().slice(0, 5)}` : "every field saves itself"}
        </span>
      </div>
      <AirSettings shop={shop} save={saveField} today={today} />
      <Sessions shop={shop} save={saveField} today={today} />
      <ProtectionSettings chosen={shop.protection} save={saveField} />
      <section aria-labelledby="other" className="grid gap-3">
        <h2 id="other" className="border-b border-base-300 text-lg font-bold">
          Waits and clock
        </h2>
        <div className="flex flex-wrap gap-4">
          <Labelled label="Plan with waits that are">
            <SelectCell
              value={shop.caution}
              field="caution"
              label="Caution"
              options={Object.fromEntries(CAUTIONS.map((c) => [c, CAUTION_NAME[c]]))}
              save={saveField}
              className="w-80"
            />
          </Labelled>
          <Labelled label="Time zone of the shed">
            <TextCell value={shop.timeZone} field="timeZone" label="Time zone" save={saveField} className="w-56" />
          </Labelled>
        </div>
      </section>
    </main>
  );
}

export function Labelled({ label, children }: { label: string; children: ReactNode }) {
  return (
    <div className="grid content-start gap-1">
      <span className="text-sm" aria-hidden>
        {label}
      </span>
      {children}
    </div>
  );
}

function AirSettings({ shop, save, today }: { shop: Shop; save: SaveField; today: string }) {
  const { air } = shop;
  const saveAir = within(save, "air", (fields) => ({ ...air, ...fields }));
  const tonight = air.tonight?.date === today ? air.tonight.coldestC : null;
  const saveTonight = within(save, "air", (fields) => ({
    ...air,
    tonight: fields.coldestC === null ? null : { date: today, coldestC: fields.coldestC },
  }));
  const day = air.kind === "day";
  return (
    <section id="air" aria-labelledby="air-title" className="grid gap-3">
      <h2 id="air-title" className="border-b border-base-300 text-lg font-bold">
        Air
      </h2>
      <p className="soft">
        What the plan takes the air to be until it can be measured. Moisture in the air stays the same through the day,
        so cold hours are damp hours.
      </p>
      <div className="flex flex-wrap gap-4">
        <Labelled label="Kind">
          <SelectCell
            value={air.kind}
            field="kind"
            label="Kind of air"
            options={AIR_KINDS}
            save={saveAir}
            className="w-72"
          />
        </Labelled>
        <Labelled label={day ? "Mean temperature" : "Temperature"}>
          <NumberCell
            value={air.meanC}
            field="meanC"
            label="Mean temperature"
            unit="°C"
            save={saveAir}
            className="w-28"
          />
        </Labelled>
        {day && (
          <Labelled label="Swing to either side">
            <NumberCell value={air.swingC} field="swingC" label="Swing" unit="°C" save={saveAir} className="w-28" />
          </Labelled>
        )}
        {day && (
          <Labelled label="Warmest at">
            <NumberCell
              value={air.warmestHour}
              field="warmestHour"
              label="Warmest hour"
              unit="o’clock"
              save={saveAir}
              className="w-32"
            />
          </Labelled>
        )}
        <Labelled label="Humidity at the mean">
          <NumberCell value={air.rhPct} field="rhPct" label="Humidity" unit="% RH" save={saveAir} className="w-28" />
        </Labelled>
        <Labelled label="Moving air">
          <NumberCell
            value={air.airflowMS}
            field="airflowMS"
            label="Airflow"
            unit="m/s"
            save={saveAir}
            className="w-28"
          />
        </Labelled>
        <Labelled label="Coldest tonight">
          <NumberCell
            value={tonight}
            field="coldestC"
            label="Coldest tonight"
            unit="°C"
            placeholder="as usual"
            save={saveTonight}
            className="w-32"
          />
        </Labelled>
      </div>
      {day && (
        <p>
          Coldest as usual: <strong>{degC(air.meanC - air.swingC)}</strong>, warmest{" "}
          <strong>{degC(air.meanC + air.swingC)}</strong>. Still room air is about 0.1 m/s, an extracted booth 0.3, a
          fan 0.6.
        </p>
      )}
    </section>
  );
}

function ProtectionSettings({ chosen: saved, save }: { chosen: Shop["protection"]; save: SaveField }) {
  const [fault, setFault] = useState<string | null>(null);
  const [chosen, setChosen] = useState(saved);
  useEffect(() => setChosen(saved), [saved]);
  const toggle = async (p: (typeof PROTECTIONS)[number]) => {
    const next = chosen.includes(p) ? chosen.filter((x) => x !== p) : [...chosen, p];
    setChosen(next);
    const problem = await save({ protection: next });
    if (problem) setChosen(saved);
    setFault(problem?.detail ?? null);
  };
  return (
    <section aria-labelledby="protection" className="grid gap-2">
      <h2 id="protection" className="border-b border-base-300 text-lg font-bold">
        Protection you have and use
      </h2>
      <p className="soft">
        Tick only what is there and in order. Sprayed isocyanate stays a stop without air-fed protection and extraction.
        The product’s safety data sheet decides.
      </p>
      {PROTECTIONS.map((p) => (
        <label key={p} className="flex items-center gap-2">
          <input type="checkbox" className="checkbox" checked={chosen.includes(p)} onChange={() => void toggle(p)} />
          {PROTECTION_NAME[p]}
        </label>
      ))}
      {fault && (
        <p role="alert" className="font-semibold text-error">
          {fault}
        </p>
      )}
    </section>
  );
}
