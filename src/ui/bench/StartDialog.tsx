"use client";

import { type FormEvent, type Ref, useState } from "react";
import type { BenchTile } from "@/core/plan";
import { againstTexts } from "@/messages";
import { useDeed } from "./useDeed";

interface StartProps {
  readonly ref: Ref<HTMLDialogElement>;
  readonly tile: BenchTile;
  readonly name: string;
  readonly title: string;
}

/** Going on against what the judge says at this minute: only with a reason, which the log keeps. */
export function StartDialog({ ref, tile, name, title }: StartProps) {
  const { deed, busy } = useDeed();
  const [reason, setReason] = useState("");
  const send = async (e: FormEvent<HTMLFormElement>) => {
    e.preventDefault();
    const dialog = e.currentTarget.closest("dialog");
    const outcome = await deed({
      kind: "start",
      regionId: tile.regionId,
      opId: tile.op!.id,
      title: `${name}: ${title}`,
      input: { reason },
    });
    if (!outcome.ok) return;
    setReason("");
    dialog?.close();
  };
  return (
    <dialog ref={ref} className="modal" aria-label={`Start all the same: ${name}, ${title}`}>
      <form className="modal-box grid gap-3" onSubmit={(e) => void send(e)}>
        <h2 className="text-xl font-bold">{name}: start all the same</h2>
        <ul className="list-disc pl-5 text-base">
          {againstTexts(tile).map((t) => (
            <li key={t}>{t}</li>
          ))}
        </ul>
        <label className="text-base">
          Why you go on (the log keeps it)
          <input
            className="input w-full"
            required
            minLength={3}
            maxLength={2000}
            value={reason}
            onChange={(e) => setReason(e.target.value)}
          />
        </label>
        <div className="modal-action">
          <button type="button" className="btn btn-lg" onClick={(e) => e.currentTarget.closest("dialog")?.close()}>
            Leave it
          </button>
          <button type="submit" className="btn btn-warning btn-lg" disabled={busy}>
            Start against it
          </button>
        </div>
      </form>
    </dialog>
  );
}
