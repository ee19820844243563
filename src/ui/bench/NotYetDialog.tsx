"use client";

import { type FormEvent, type Ref, useState } from "react";
import { SIGNS, type Sign } from "@/core/history";
import { SIGN_NAME } from "@/messages";
import { Choice } from "./Choice";
import { useDeed } from "./useDeed";

interface NotYetProps {
  readonly ref: Ref<HTMLDialogElement>;
  readonly regionId: string;
  readonly opId: string;
  readonly name: string;
  readonly title: string;
}

/** Somebody looked and it was not there: what was seen goes to the log, the wait grows, the plan follows. */
export function NotYetDialog({ ref, regionId, opId, name, title }: NotYetProps) {
  const { deed, busy } = useDeed();
  const [note, setNote] = useState("");
  const [sign, setSign] = useState<Sign>("tacky");
  const send = async (e: FormEvent<HTMLFormElement>) => {
    e.preventDefault();
    const dialog = e.currentTarget.closest("dialog");
    const outcome = await deed({ kind: "not-yet", regionId, opId, title: `${name}: ${title}`, input: { sign, note } });
    if (!outcome.ok) return;
    setNote("");
    dialog?.close();
  };
  return (
    <dialog ref={ref} className="modal" aria-label={`Not yet: ${name}, ${title}`}>
      <form className="modal-box grid gap-3" onSubmit={(e) => void send(e)}>
        <h2 className="text-xl font-bold">{name}: not yet</h2>
        <fieldset className="grid grid-cols-2 gap-2">
          <legend className="mb-1">What did you see?</legend>
          {SIGNS.map((s) => (
            <Choice key={s} name={`sign-${opId}`} on={sign === s} choose={() => setSign(s)}>
              {SIGN_NAME[s]}
            </Choice>
          ))}
        </fieldset>
        <label className="text-base">
          Note
          <input className="input w-full" value={note} onChange={(e) => setNote(e.target.value)} />
        </label>
        <p className="soft text-base">
          The wait is reckoned anew from what this says about the film, and the plan moves with it.
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
