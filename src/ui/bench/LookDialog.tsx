"use client";

import { type FormEvent, type Ref, useState } from "react";
import { SIGNS, type Sign } from "@/core/history";
import { SIGN_NAME } from "@/messages";
import { Choice } from "./Choice";
import { useDeed } from "./useDeed";

interface LookDialogProps {
  readonly ref: Ref<HTMLDialogElement>;
  readonly regionId: string;
  readonly opId: string;
  readonly name: string;
  readonly title: string;
}

const READY = { ready: "ready, since when I cannot tell", turned: "it has only just turned" } as const;
type Seen = Sign | keyof typeof READY;
const isReady = (seen: Seen): seen is keyof typeof READY => Object.hasOwn(READY, seen);

/** Somebody looked: what was seen goes to the log, the wait and all later ones go by it, the plan follows. */
export function LookDialog({ ref, regionId, opId, name, title }: LookDialogProps) {
  const { deed, busy } = useDeed();
  const [note, setNote] = useState("");
  const [seen, setSeen] = useState<Seen>("tacky");
  const send = async (e: FormEvent<HTMLFormElement>) => {
    e.preventDefault();
    const dialog = e.currentTarget.closest("dialog");
    const about = { regionId, opId, title: `${name}: ${title}` };
    const outcome = await deed(
      isReady(seen)
        ? { ...about, kind: "ready", input: { turned: seen === "turned", note } }
        : { ...about, kind: "not-yet", input: { sign: seen, note } },
    );
    if (!outcome.ok) return;
    setNote("");
    dialog?.close();
  };
  return (
    <dialog ref={ref} className="modal" aria-label={`Looked: ${name}, ${title}`}>
      <form className="modal-box grid gap-3" onSubmit={(e) => void send(e)}>
        <h2 className="text-xl font-bold">{name}: what did you see?</h2>
        <fieldset className="grid grid-cols-2 gap-2">
          <legend className="mb-1">Not yet</legend>
          {SIGNS.map((s) => (
            <Choice key={s} name={`sign-${opId}`} on={seen === s} choose={() => setSeen(s)}>
              {SIGN_NAME[s]}
            </Choice>
          ))}
        </fieldset>
        <fieldset className="grid gap-2">
          <legend className="mb-1">It is time</legend>
          {(Object.keys(READY) as (keyof typeof READY)[]).map((s) => (
            <Choice key={s} name={`sign-${opId}`} on={seen === s} choose={() => setSeen(s)}>
              {READY[s]}
            </Choice>
          ))}
        </fieldset>
        <label className="text-base">
          Note
          <input className="input w-full" value={note} onChange={(e) => setNote(e.target.value)} />
        </label>
        <p className="soft text-base">
          This wait is reckoned anew, later ones learn from it, and the plan moves with it.
        </p>
        <div className="modal-action">
          <button type="button" className="btn btn-lg" onClick={(e) => e.currentTarget.closest("dialog")?.close()}>
            Leave it
          </button>
          <button type="submit" className="btn btn-primary btn-lg" disabled={busy}>
            Write it down
          </button>
        </div>
      </form>
    </dialog>
  );
}
