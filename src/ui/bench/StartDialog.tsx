"use client";

import { CircleCheck, TriangleAlert } from "lucide-react";
import { type FormEvent, type Ref, useState } from "react";
import type { CareView, Problem } from "@/contracts";
import type { Product } from "@/core/model";
import type { BenchTile } from "@/core/plan";
import { ASKED_NAME, againstTexts } from "@/messages";
import { SetUp, useSetUp } from "./SetUp";
import { useDeed } from "./useDeed";

interface StartProps {
  readonly ref: Ref<HTMLDialogElement>;
  readonly tile: BenchTile;
  readonly name: string;
  readonly title: string;
  readonly product: Product | null;
  readonly care: CareView | null;
}

/**
 * Before a step is begun: what is worn and running, confirmed in one press; what to set, where the product is new to this session;
 * and, against what the judge says at this minute, a written reason. The log keeps all of it.
 */
export function StartDialog({ ref, tile, name, title, product, care }: StartProps) {
  const { deed, busy } = useDeed();
  const [reason, setReason] = useState("");
  const [problem, setProblem] = useState<Problem | null>(null);
  const op = tile.op!;
  const paint = care?.paints ? product : null;
  const { draft, setDraft, told, clear } = useSetUp(paint);
  const barred = tile.check?.barred ?? tile.zone === "held";
  const faultOf = (path: string) => problem?.fields.find((f) => f.path === path)?.message ?? null;
  const worn = (care?.asks ?? []).filter((a) => !care!.absent.includes(a));
  const send = async (e: FormEvent<HTMLFormElement>) => {
    e.preventDefault();
    const dialog = e.currentTarget.closest("dialog");
    const setUp = told();
    const outcome = await deed(
      {
        kind: "start",
        regionId: tile.regionId,
        opId: op.id,
        title: `${name}: ${title}`,
        input: { ...(barred ? { reason } : {}), worn, without: care?.absent ?? [], ...(setUp ? { setUp } : {}) },
      },
      { quiet: paint !== null },
    );
    setProblem(outcome.ok ? null : outcome.problem);
    if (!outcome.ok) return;
    setReason("");
    clear();
    dialog?.close();
  };
  return (
    <dialog ref={ref} className="modal" aria-label={`${barred ? "Start all the same" : "Start"}: ${name}, ${title}`}>
      <form className="modal-box grid gap-3 text-base" onSubmit={(e) => void send(e)} noValidate={!barred}>
        <h2 className="text-xl font-bold">{barred ? `${name}: start all the same` : `${name}: ${title}`}</h2>
        {barred && (
          <>
            <ul className="list-disc pl-5">
              {againstTexts(tile).map((t) => (
                <li key={t}>{t}</li>
              ))}
            </ul>
            <label>
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
          </>
        )}
        {care && care.asks.length > 0 && <Worn care={care} />}
        {paint && <SetUp product={paint} opId={op.id} draft={draft} setDraft={setDraft} faultOf={faultOf} />}
        {problem && (
          <p role="alert" className="font-semibold text-error">
            {problem.detail}
          </p>
        )}
        <div className="modal-action sticky -bottom-6 -mb-6 bg-base-100 pt-2 pb-6">
          <button type="button" className="btn btn-lg" onClick={(e) => e.currentTarget.closest("dialog")?.close()}>
            Leave it
          </button>
          <button
            type="submit"
            // an open dialog gives the keyboard to what has the attribute; React's own property only looks once
            ref={(b) => {
              b?.toggleAttribute("autofocus", !barred);
            }}
            className={`btn btn-lg ${barred ? "btn-warning" : "btn-primary"}`}
            disabled={busy}
          >
            {barred ? "Start against it" : care && care.asks.length > 0 ? "All that is on: start" : "Start it"}
          </button>
        </div>
      </form>
    </dialog>
  );
}

/** What is worn and running; what there is none of is told again. */
function Worn({ care }: { care: CareView }) {
  return (
    <section aria-label="Worn and running" className="grid gap-1 rounded-box bg-base-200 p-3">
      <h3 className="text-lg font-bold">Worn and running</h3>
      <ul className="grid gap-1">
        {care.asks
          .filter((a) => !care.absent.includes(a))
          .map((a) => (
            <li key={a} className="flex items-start gap-2">
              <CircleCheck className="mt-0.5 size-5 shrink-0" aria-hidden />
              {ASKED_NAME[a]}
            </li>
          ))}
      </ul>
      {care.absent.length > 0 && (
        <p className="flex items-start gap-2 font-semibold text-error">
          <TriangleAlert className="mt-0.5 size-5 shrink-0" aria-hidden />
          <span>
            Not there, by{" "}
            <a className="link" href="/settings?back=/bench">
              Settings
            </a>
            : {care.absent.map((a) => ASKED_NAME[a]).join("; ")}. Without it this is not work to do.
          </span>
        </p>
      )}
      <p className="soft text-sm">The safety data sheet decides. Your press is what the log keeps.</p>
    </section>
  );
}
