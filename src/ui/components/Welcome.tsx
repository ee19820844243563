"use client";

import Link from "next/link";
import { useRouter } from "next/navigation";
import { useRef } from "react";
import { addModelAction, loadDemoAction } from "@/actions/parts";
import { useAct } from "../hooks/useAct";
import { ImportDialog } from "../parts/ImportDialog";

/** The first thing anybody sees: what to do, and a demo to try it on. */
export function Welcome() {
  const router = useRouter();
  const { act, busy } = useAct();
  const importer = useRef<HTMLDialogElement>(null);
  const begin = async () => {
    const made = await act(() => addModelAction({ name: "My model", scale: "", note: "" }));
    if (made.ok) router.push("/parts");
  };
  return (
    <main className="mx-auto grid max-w-2xl gap-4 p-8">
      <h1 className="text-3xl font-bold">Nothing on the bench yet</h1>
      <p className="text-lg">
        Say what a part is made of and what you have to put on it: Elm Bench finds what holds, judges every seam, and
        lays the work, the waits and the sanding into your evenings. Or tell a whole model part by part.
      </p>
      <div className="flex flex-wrap gap-3">
        <Link className="btn btn-primary btn-lg" href="/begin">
          One part: what can I put on it?
        </Link>
        <button type="button" className="btn btn-lg" disabled={busy} onClick={() => void begin()}>
          Start a model
        </button>
        <button
          type="button"
          className="btn btn-lg"
          disabled={busy}
          onClick={() => void act(() => loadDemoAction(false))}
        >
          Load the demo
        </button>
        <button type="button" className="btn btn-ghost btn-lg" onClick={() => importer.current?.showModal()}>
          Import one
        </button>
      </div>
      <p className="soft">
        The demo is <em>Marram Lass</em>, a made-up tide-mill and workboat with a made-up shelf. You can delete it
        again.
      </p>
      <ImportDialog ref={importer} />
    </main>
  );
}

/** A place that has nothing to show yet, and the way to change that. */
export function EmptyPlace({
  title,
  text,
  href,
  action,
}: {
  title: string;
  text: string;
  href: string;
  action: string;
}) {
  return (
    <main className="mx-auto grid max-w-xl gap-3 p-8">
      <h1 className="text-2xl font-bold">{title}</h1>
      <p>{text}</p>
      <p>
        <a className="btn btn-primary" href={href}>
          {action}
        </a>
      </p>
    </main>
  );
}
