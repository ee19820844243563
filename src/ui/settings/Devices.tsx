"use client";

import { Smartphone, Trash2 } from "lucide-react";
import { toDataURL } from "qrcode";
import { useState } from "react";
import { pairLinkAction, removeDeviceAction, renameDeviceAction } from "@/actions/devices";
import type { DevicesView } from "@/contracts";
import { relativeDay } from "@/format";
import { TextCell } from "../components/cells";
import { useAct } from "../hooks/useAct";

const MS_PER_MIN = 60_000;

/** Phones and other machines of the local network: what is let in, and how another comes in. */
export function Devices({ view, nowMs, timeZone }: { view: DevicesView; nowMs: number; timeZone: string }) {
  const { act, busy } = useAct();
  const [shown, setShown] = useState<{ link: string; picture: string } | null>(null);
  const when = (ms: number) => relativeDay(ms / MS_PER_MIN, nowMs / MS_PER_MIN, timeZone);
  const letIn = async () => {
    const outcome = await act(() => pairLinkAction());
    if (!outcome.ok) return;
    const { link } = outcome.value;
    setShown({ link, picture: await toDataURL(link, { margin: 2, width: 240 }) });
  };
  return (
    <section id="devices" aria-labelledby="devices-title" className="grid gap-2">
      <h2 id="devices-title" className="border-b border-base-300 text-lg font-bold">
        Devices in this network
      </h2>
      {view.doorUrl === null ? (
        <p className="soft">
          Only this machine is answered. Started with <code>npm start -- --lan</code> Elm Bench also lets in devices of
          the local network that were paired, such as the phone at the booth.
        </p>
      ) : (
        <p className="soft">
          Open to paired devices at {view.doorUrl}. Each sees and changes everything Elm Bench holds here, until it is
          removed.
        </p>
      )}
      {view.devices.length > 0 && (
        <ul className="grid gap-1">
          {view.devices.map((d) => (
            <li key={d.id} className="flex flex-wrap items-center gap-2">
              <Smartphone className="size-5" aria-hidden />
              <TextCell
                value={d.name}
                field="name"
                label={`Name of the device ${d.name}`}
                save={async (fields) => {
                  const outcome = await act(() => renameDeviceAction({ id: d.id, ...fields }), { quiet: true });
                  return outcome.ok ? null : outcome.problem;
                }}
                className="w-64"
              />
              <span className="soft text-sm">
                let in {when(d.pairedMs)}, last here {when(d.seenMs)}
              </span>
              <button
                type="button"
                className="btn btn-ghost btn-sm"
                aria-label={`Shut out ${d.name}`}
                disabled={busy}
                onClick={() => void act(() => removeDeviceAction(d.id))}
              >
                <Trash2 className="size-4" aria-hidden />
                Shut out
              </button>
            </li>
          ))}
        </ul>
      )}
      {view.doorUrl !== null && (
        <div className="grid justify-items-start gap-2">
          <button type="button" className="btn btn-sm" disabled={busy} onClick={() => void letIn()}>
            Let another device in
          </button>
          {shown && (
            <div className="grid gap-1 rounded-box bg-base-200 p-3">
              {/* biome-ignore lint/performance/noImgElement: drawn here, there is nothing to fetch */}
              <img src={shown.picture} width={240} height={240} alt={`QR code: ${shown.link}`} />
              <p className="break-all">{shown.link}</p>
              <p className="soft text-sm">Lets one device in, once, within ten minutes.</p>
            </div>
          )}
        </div>
      )}
    </section>
  );
}
