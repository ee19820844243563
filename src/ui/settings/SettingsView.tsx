"use client";

import { ArrowLeft } from "lucide-react";
import Link from "next/link";
import { useEffect, useState } from "react";
import { saveShopAction } from "@/actions/settings";
import type { BackupsView, DevicesView, Shop, TaughtView } from "@/contracts";
import { CAUTIONS, type Caution, PROTECTIONS } from "@/core/model";
import { PROTECTION_NAME } from "@/messages";
import { SelectCell, TextCell } from "../components/cells";
import { Saved } from "../components/Saved";
import { type SaveField, useRow } from "../hooks/useRow";
import { AirSettings } from "./AirSettings";
import { Backups } from "./Backups";
import { Devices } from "./Devices";
import { Labelled } from "./fields";
import { Habits } from "./Habits";
import { LampSettings } from "./LampSettings";
import { Sessions } from "./Sessions";
import { ShowingSettings } from "./Showing";
import { TaughtSettings } from "./TaughtSettings";

const CAUTION_NAME: Readonly<Record<Caution, string>> = {
  likely: "likely: even odds that a film is ready",
  safe: "safe: nine films in ten are ready",
};

interface SettingsProps {
  readonly shop: Shop;
  readonly rev: number;
  readonly today: string;
  /** where one came from to settle something here */
  readonly back: string | null;
  /** null = what is kept of them cannot be read */
  readonly devices: DevicesView | null;
  readonly nowMs: number;
  readonly backups: BackupsView["backups"];
  /** null = the log cannot be read */
  readonly taught: TaughtView | null;
}

export function SettingsView({ shop, rev, today, back, devices, nowMs, backups, taught }: SettingsProps) {
  const { saveField, savedMs } = useRow(rev, saveShopAction);
  return (
    <main className="grid max-w-4xl gap-6 p-4">
      <div className="flex items-baseline gap-4">
        <h1 className="text-xl font-bold">Settings of the shed</h1>
        <Saved atMs={savedMs} until="every field saves itself" />
      </div>
      {back && (
        <p className="sticky top-0 z-10 rounded-box bg-base-200 p-2">
          <Link className="btn btn-sm bg-base-100" href={back}>
            <ArrowLeft className="size-4" aria-hidden />
            Back to where you were
          </Link>
        </p>
      )}
      <AirSettings shop={shop} save={saveField} today={today} />
      <Sessions shop={shop} save={saveField} today={today} />
      <Habits shop={shop} save={saveField} />
      <LampSettings shop={shop} save={saveField} nowMs={nowMs} />
      <ShowingSettings shop={shop} save={saveField} />
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
      {taught && <TaughtSettings taught={taught} save={saveField} />}
      {devices && <Devices view={devices} nowMs={nowMs} timeZone={shop.timeZone} />}
      {!devices && <p role="alert">The file of paired devices, elm-bench-devices.db, cannot be read or written.</p>}
      <section id="backups" aria-labelledby="backups-title" className="grid gap-2">
        <h2 id="backups-title" className="border-b border-base-300 text-lg font-bold">
          Copies of everything
        </h2>
        <p className="soft">
          A whole copy is made once a day when Elm Bench first opens its data, and before every change of their shape;
          the newest ten are kept in the folder backups. One put back takes the place of all there is here, which is
          copied first.
        </p>
        <Backups backups={backups} timeZone={shop.timeZone} canCopy />
      </section>
    </main>
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
    <section id="protection" aria-labelledby="protection-title" className="grid gap-2">
      <h2 id="protection-title" className="border-b border-base-300 text-lg font-bold">
        Protection you have and use
      </h2>
      <p className="soft">
        Tick only what is there and in order. Sprayed isocyanate stays a stop without air-fed protection and extraction.
        The product’s safety data sheet decides. With extraction the plan sprays one part while another, set aside, is
        still wet: the mist leaves the room.
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
