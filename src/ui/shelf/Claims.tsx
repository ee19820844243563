"use client";

import { Trash2 } from "lucide-react";
import { useState } from "react";
import { saveProductAction } from "@/actions/shelf";
import type { Problem, ShelfItem } from "@/contracts";
import { CLAIM_FIGURES, type Claim, type ClaimFigure, SOURCES, type Source } from "@/core/model";
import { figureTyped, unitShown } from "@/format";
import { FIGURE_NAME, SOURCE_NAME } from "@/messages";
import { EvidenceMark } from "../components/EvidenceMark";
import { useAct } from "../hooks/useAct";
import { figureText } from "./figures";

const PERCENT = 100;
const unitOf = (f: ClaimFigure): string => {
  if (f.endsWith("Min")) return "min";
  return f === "volumeSolids" ? "%" : f === "densityGMl" ? "g/ml" : "µm";
};

/** What others and the shop say of single figures: all of it shown, the best used. */
export function Claims({ item }: { item: ShelfItem }) {
  const { act, busy } = useAct();
  const claims = item.product.claims ?? [];
  const [open, setOpen] = useState(false);
  const [problem, setProblem] = useState<Problem | null>(null);
  const save = async (next: readonly Claim[]) => {
    const outcome = await act(() => saveProductAction(item.rev, { ...item.product, claims: next }), { quiet: true });
    setProblem(outcome.ok ? null : outcome.problem);
    if (outcome.ok) setOpen(false);
  };
  return (
    <section className="grid gap-1">
      <h3 className="font-bold">What is said of it</h3>
      {claims.length === 0 && <p className="soft text-sm">Only what the card says.</p>}
      <ul>
        {claims.map((c, i) => (
          <li key={JSON.stringify(c)} className="flex items-center gap-2">
            <EvidenceMark source={c.source} words />
            <span className="flex-1">
              {FIGURE_NAME[c.figure]}: <strong>{figureText(c.figure, c.value)}</strong>
              {c.note && <span className="soft"> {c.note}</span>}
            </span>
            <button
              type="button"
              className="btn btn-ghost btn-xs btn-square"
              aria-label={`Strike out: ${FIGURE_NAME[c.figure]}, ${SOURCE_NAME[c.source]}`}
              disabled={busy}
              onClick={() => void save(claims.filter((_, n) => n !== i))}
            >
              <Trash2 className="size-4" aria-hidden />
            </button>
          </li>
        ))}
      </ul>
      {open ? (
        <NewClaim busy={busy} add={(c) => void save([...claims, c])} leave={() => setOpen(false)} />
      ) : (
        <button type="button" className="btn btn-sm justify-self-start" onClick={() => setOpen(true)}>
          Add what somebody says
        </button>
      )}
      {problem && (
        <p role="alert" className="text-sm font-semibold text-error">
          {problem.detail}
        </p>
      )}
    </section>
  );
}

function NewClaim({ busy, add, leave }: { busy: boolean; add: (c: Claim) => void; leave: () => void }) {
  const [figure, setFigure] = useState<ClaimFigure>("sandableMin");
  const [source, setSource] = useState<Source>("hearsay");
  const [value, setValue] = useState("");
  const [note, setNote] = useState("");
  const number = figureTyped(value, unitOf(figure));
  // what is not a number is sent as it is, for the contract to name the field
  const sent = (typeof number === "number" && figure === "volumeSolids" ? number / PERCENT : (number ?? "")) as number;
  return (
    <form
      className="grid grid-cols-2 gap-2 rounded-box bg-base-200 p-3 text-sm"
      aria-label="What somebody says"
      onSubmit={(e) => {
        e.preventDefault();
        add({ figure, source, value: sent, note });
      }}
    >
      <label>
        Figure
        <select
          className="select select-sm w-full"
          value={figure}
          onChange={(e) => setFigure(e.target.value as ClaimFigure)}
        >
          {CLAIM_FIGURES.map((f) => (
            <option key={f} value={f}>
              {FIGURE_NAME[f]}
            </option>
          ))}
        </select>
      </label>
      <label>
        Value, {unitShown(unitOf(figure))}
        <input
          className="input input-sm w-full"
          inputMode="decimal"
          value={value}
          onChange={(e) => setValue(e.target.value)}
        />
      </label>
      <label>
        From
        <select
          className="select select-sm w-full"
          value={source}
          onChange={(e) => setSource(e.target.value as Source)}
        >
          {SOURCES.map((s) => (
            <option key={s} value={s}>
              {SOURCE_NAME[s]}
            </option>
          ))}
        </select>
      </label>
      <label>
        In what air, who said it
        <input className="input input-sm w-full" value={note} onChange={(e) => setNote(e.target.value)} />
      </label>
      <span className="col-span-2 flex gap-2">
        <button type="submit" className="btn btn-xs btn-primary" disabled={busy}>
          Keep it
        </button>
        <button type="button" className="btn btn-xs" onClick={leave}>
          Leave it
        </button>
      </span>
    </form>
  );
}
