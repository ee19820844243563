"use client";

import { useState } from "react";
import { type UseFormReturn, useFormContext } from "react-hook-form";
import type { Claim, Source } from "@/core/model";
import type { Find, LabelRead } from "@/core/reading";
import { BITES_FOAM, strongestBite } from "@/core/reference";
import {
  CARRIER_NAME,
  FAMILY_NAME,
  HAZARD_NAME,
  READ_NAME,
  ROLE_NAME,
  readValueText,
  toldText,
  UNREAD_TEXT,
} from "@/messages";
import type { ProductDraft } from "./draft";
import { agrees, heldText, takeOver } from "./take-over";
import { useLabel } from "./useLabel";

const FROM = { label: "the label", "data-sheet": "a technical or safety data sheet" } as const satisfies Partial<
  Record<Source, string>
>;

/** Text of a label, pasted, typed or out of a PDF: what it says, beside its words, to be ticked and taken over. */
export function ReadLabel({ claimed }: { claimed: (claims: readonly Claim[]) => void }) {
  const { state, read } = useLabel();
  const [text, setText] = useState("");
  return (
    <details className="rounded-box border border-base-300 p-3">
      <summary className="cursor-pointer font-bold">Read its label</summary>
      <div className="mt-2 grid gap-2 text-sm">
        <label>
          Text of the label, technical sheet or safety data sheet
          <textarea
            className="textarea w-full"
            rows={4}
            value={text}
            placeholder="Touch dry 20 min, recoat within 1 h or after 48 h, at 21 °C 50 %…"
            onChange={(e) => setText(e.target.value)}
          />
        </label>
        <div className="flex flex-wrap items-center gap-2">
          <button type="button" className="btn btn-sm" disabled={text.trim() === ""} onClick={() => read(text)}>
            Read it
          </button>
          <label className="flex flex-wrap items-center gap-2">
            or a PDF
            <input
              type="file"
              accept="application/pdf,text/plain"
              className="file-input file-input-sm w-52"
              onChange={(e) => e.target.files?.[0] && read(e.target.files[0])}
            />
          </label>
        </div>
        <p className="soft">English only. Nothing leaves this machine.</p>
        {state.kind === "reading" && <p role="status">Reading…</p>}
        {state.kind === "unread" && (
          <p role="alert" className="font-semibold text-error">
            {UNREAD_TEXT[state.why]}
          </p>
        )}
        {state.kind === "done" && <Findings key={state.text} read={state.read} claimed={claimed} />}
      </div>
    </details>
  );
}

/** A list of what it may go over shuts everything else out: it is taken only by who sees that it is meant so. */
const BINDS: ReadonlySet<Find["figure"]> = new Set<Find["figure"]>(["may_go_over"]);
const keyOf = (f: Find): string => `${f.figure}${f.otherEnd ? "*" : ""}`;
/** A first opening is told by its window, where there is one. */
const shownOf = (read: LabelRead): readonly Find[] =>
  read.found.filter((f) => f.figure !== "recoat_from_min" || !read.found.some((x) => x.figure === "recoat_windows"));

function Findings({ read, claimed }: { read: LabelRead; claimed: (claims: readonly Claim[]) => void }) {
  const form = useFormContext<ProductDraft>();
  const finds = shownOf(read);
  const [ticked, setTicked] = useState<ReadonlySet<string>>(
    new Set(finds.filter((f) => !f.otherEnd && !BINDS.has(f.figure)).map(keyOf)),
  );
  const [from, setFrom] = useState<keyof typeof FROM>("label");
  // that something mild is all there is unlocks foam: who has the label in hand says so
  const [contents, setContents] = useState(
    read.carriers.length === 0 || strongestBite(read.carriers.map((c) => c.class)) >= BITES_FOAM,
  );
  const [taken, setTaken] = useState(false);
  const tick = (f: Find) => {
    const next = new Set(ticked);
    if (!next.delete(keyOf(f))) {
      // of a range one end is taken
      for (const g of finds) if (g.figure === f.figure) next.delete(keyOf(g));
      next.add(keyOf(f));
    }
    setTicked(next);
  };
  const nothing = finds.length + read.carriers.length + read.hazards.length === 0 && !read.family && !read.role;
  return (
    <section className="grid gap-2" aria-label="What the text says">
      {nothing && <p role="status">It says no figure this card has a place for.</p>}
      {finds.length > 0 && (
        <ul className="grid gap-1">
          {finds.map((f) => (
            <li key={keyOf(f)}>
              <Line f={f} form={form} on={ticked.has(keyOf(f))} tick={() => tick(f)} />
            </li>
          ))}
        </ul>
      )}
      <Made read={read} on={contents} tick={() => setContents(!contents)} />
      {read.told.length > 0 && (
        <ul className="grid gap-1 border-l-4 border-warning pl-2" aria-label="Not taken">
          {read.told.map((t) => (
            <li key={`${t.figure}${t.quote}`}>{toldText(t)}</li>
          ))}
        </ul>
      )}
      {!nothing && (
        <div className="flex flex-wrap items-center gap-2">
          <label className="flex items-center gap-2">
            It is from
            <select
              className="select select-sm w-64"
              value={from}
              onChange={(e) => setFrom(e.target.value as keyof typeof FROM)}
            >
              {Object.entries(FROM).map(([v, words]) => (
                <option key={v} value={v}>
                  {words}
                </option>
              ))}
            </select>
          </label>
          <button
            type="button"
            className="btn btn-primary btn-sm"
            onClick={() => {
              const chosen = finds.filter((f) => ticked.has(keyOf(f)));
              claimed(takeOver(form, read, { finds: chosen, contents, source: from }));
              setTaken(true);
            }}
          >
            Take it over
          </button>
          {taken && <span role="status">Taken into the card below; save it to keep it.</span>}
        </div>
      )}
    </section>
  );
}

interface LineProps {
  readonly f: Find;
  readonly form: UseFormReturn<ProductDraft>;
  readonly on: boolean;
  readonly tick: () => void;
}

/** One figure, the words it came from, and what the card says of it now. */
function Line({ f, form, on, tick }: LineProps) {
  const held = heldText(form, f);
  return (
    <label className="grid grid-cols-[auto_1fr] gap-x-2 rounded-field bg-base-200 px-2 py-1">
      <input type="checkbox" className="checkbox checkbox-sm mt-0.5" checked={on} onChange={tick} />
      <span>
        {READ_NAME[f.figure]}: <strong>{readValueText(f.figure, f.value)}</strong>
        {f.otherEnd && <span className="soft"> (the other end)</span>}
        <q className="soft ml-2">{f.quote}</q>
        {agrees(form, f) ? (
          <span className="ml-2 text-success">as on the card</span>
        ) : (
          held !== "" && <span className="ml-2 font-semibold text-warning">the card says {held}</span>
        )}
      </span>
    </label>
  );
}

/** What it is made of, with the words that say so. */
function Made({ read, on, tick }: { read: LabelRead; on: boolean; tick: () => void }) {
  if (read.carriers.length + read.hazards.length === 0 && !read.family && !read.role && !read.lead) return null;
  return (
    <div className="grid gap-1 rounded-field bg-base-200 px-2 py-1">
      <label className="flex min-h-7 items-center gap-2 font-semibold">
        <input type="checkbox" className="checkbox checkbox-sm" checked={on} onChange={tick} />
        What it is made of: this is all my label names
      </label>
      {read.carriers.length > 0 && (
        <ul aria-label="Solvents named">
          {read.carriers.map((c) => (
            <li key={c.name}>
              {c.name}
              {c.cas && <span className="soft"> {c.cas}</span>}
              {c.sharePct !== undefined && ` up to ${c.sharePct} %`}: <strong>{CARRIER_NAME[c.class]}</strong>
            </li>
          ))}
        </ul>
      )}
      {[...new Set(read.carriers.map((c) => c.quote))].map((q) => (
        <q key={q} className="soft">
          {q}
        </q>
      ))}
      {read.hazards.length > 0 && (
        <p>
          Hazards: <strong>{read.hazards.map((h) => HAZARD_NAME[h]).join(", ")}</strong>. The safety data sheet decides.
        </p>
      )}
      {read.lead && <p className="font-semibold text-error">It names a lead pigment: never abraded dry.</p>}
      {(read.family || read.role) && (
        <p>
          {read.role && <>Role: {ROLE_NAME[read.role]}. </>}
          {read.family && <>Binder: {FAMILY_NAME[read.family]}.</>}
        </p>
      )}
    </div>
  );
}
