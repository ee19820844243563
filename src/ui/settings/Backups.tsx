"use client";

import { useState } from "react";
import { lookIntoBackupAction, makeBackupAction, putBackupBackAction } from "@/actions/backups";
import type { BackupInside, BackupsView } from "@/contracts";
import { clock, dateShown, wallClock } from "@/format";
import { useAct } from "../hooks/useAct";

const MS_PER_MIN = 60_000;
const BYTES_PER_MB = 1_000_000;

type Copy = BackupsView["backups"][number];

interface BackupsProps {
  readonly backups: readonly Copy[];
  /** the copies tell their hours by it */
  readonly timeZone: string;
  /** false where there is nothing that could be copied */
  readonly canCopy: boolean;
}

/** Copies of the whole database: when they were made, what is in them, and one put back. */
export function Backups({ backups, timeZone, canCopy }: BackupsProps) {
  const { act, busy } = useAct();
  const [back, setBack] = useState<string | null>(null);
  const putBack = async (name: string) => {
    const outcome = await act(() => putBackupBackAction(name));
    if (!outcome.ok) return;
    const { before, aside } = outcome.value;
    setBack(asideText(before, aside));
  };
  if (back !== null)
    return (
      <div role="status" className="grid justify-items-start gap-2 rounded-box bg-base-200 p-3">
        <p>
          <strong>The copy is in place.</strong> {back}
        </p>
        {/* a whole load: everything on the page was made from what has gone */}
        <a href="/bench" className="btn btn-primary btn-sm">
          To the bench
        </a>
      </div>
    );
  return (
    <div className="grid justify-items-start gap-2">
      {backups.length === 0 && <p>There is no copy yet.</p>}
      {backups.length > 0 && (
        <ul className="grid w-full gap-1">
          {backups.map((b) => (
            <Row key={b.name} copy={b} timeZone={timeZone} busy={busy} putBack={() => void putBack(b.name)} />
          ))}
        </ul>
      )}
      {canCopy && (
        <button type="button" className="btn btn-sm" disabled={busy} onClick={() => void act(() => makeBackupAction())}>
          Make a copy now
        </button>
      )}
    </div>
  );
}

function asideText(before: string | null, aside: string | null): string {
  if (before !== null) return `What was here before is kept as ${before}.`;
  return aside === null ? "There was nothing in its place." : `The file that could not be opened is kept as ${aside}.`;
}

const when = (ms: number, timeZone: string): string => {
  const min = ms / MS_PER_MIN;
  // where the shed's own zone cannot be read, whose hours these are is said
  const zone = timeZone === "UTC" ? " UTC" : "";
  return `${dateShown(wallClock(min, timeZone).slice(0, DATE_CHARS))}, ${clock(min, timeZone)}${zone}`;
};
const DATE_CHARS = 10;

function Row({ copy, timeZone, busy, putBack }: { copy: Copy; timeZone: string; busy: boolean; putBack: () => void }) {
  const { act } = useAct();
  const [inside, setInside] = useState<BackupInside | null>(null);
  const [asked, setAsked] = useState(false);
  const made = when(copy.madeMs, timeZone);
  const look = async () => {
    const outcome = await act(() => lookIntoBackupAction(copy.name));
    if (outcome.ok) setInside(outcome.value);
  };
  return (
    <li className="rounded-box border border-base-300 p-2">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
        <span className="font-semibold">{made}</span>
        <span className="soft text-sm">{(copy.bytes / BYTES_PER_MB).toFixed(1)} MB</span>
        <span className="soft grow break-all text-sm">{copy.name}</span>
        <button
          type="button"
          className="btn btn-ghost btn-sm"
          aria-label={`Look into ${copy.name}`}
          onClick={() => void look()}
        >
          Look inside
        </button>
        <button
          type="button"
          className="btn btn-sm"
          aria-label={`Put back ${copy.name}`}
          aria-expanded={asked}
          onClick={() => setAsked(!asked)}
        >
          Put back…
        </button>
      </div>
      {inside && <p className="text-sm">{insideText(inside, timeZone)}</p>}
      {asked && (
        <fieldset className="mt-2 flex flex-wrap items-center gap-2" aria-label="Put this copy back?">
          <p className="grow">
            Everything is then as it was on {made}. What is here now is copied first, or put aside if it cannot be read.
          </p>
          <button type="button" className="btn btn-warning btn-sm" disabled={busy} onClick={putBack}>
            Put it back
          </button>
          <button type="button" className="btn btn-ghost btn-sm" onClick={() => setAsked(false)}>
            Leave it
          </button>
        </fieldset>
      )}
    </li>
  );
}

function insideText(c: BackupInside, timeZone: string): string {
  if (!c.whole) return "This copy is damaged and cannot be put back.";
  const models = c.models.length === 0 ? "no model" : c.models.join(", ");
  const newest = c.newestMs === null ? "" : `, the newest of ${when(c.newestMs, timeZone)}`;
  return `Read through, whole. Models: ${models}. ${c.products} products, ${c.logLines} lines of log${newest}.`;
}
