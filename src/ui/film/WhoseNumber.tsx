"use client";

import { Plus, X } from "lucide-react";
import { useMemo, useState } from "react";
import type { FilmScreen } from "@/contracts";
import type { Product } from "@/core/model";
import type { QuoteReading, StudyLayer } from "@/core/study";
import { duration, figureShown, filmText, inUnits, tempText } from "@/format";
import { MILESTONE_NAME, QUOTE_AIR_NAME } from "@/messages";
import type { FilmQuestion } from "@/workers/film";
import { useFilm } from "./useFilm";

interface Entry {
  readonly id: number;
  readonly who: string;
  readonly text: string;
}

const UNIT_MIN: Readonly<Record<string, number>> = {
  min: 1,
  m: 1,
  h: 60,
  d: 1440,
  days: 1440,
  day: 1440,
  hours: 60,
  hour: 60,
  w: 10_080,
  weeks: 10_080,
  week: 10_080,
};

/** "20 min", "1.5 h", "2 days" as minutes; a bare number is minutes. Null = not a wait. */
function waitMin(text: string): number | null {
  const match = /^\s*(\d+(?:[.,]\d+)?)\s*([a-z]*)\s*$/i.exec(text);
  if (!match) return null;
  const unit = match[2] === "" ? 1 : UNIT_MIN[match[2]!.toLowerCase()];
  const min = unit === undefined ? Number.NaN : Number(match[1]!.replace(",", ".")) * unit;
  return min > 0 && min <= 200_000 ? min : null;
}

const FIRST: readonly Entry[] = [
  { id: 1, who: "the label", text: "20 min" },
  { id: 2, who: "a friend", text: "1 day" },
  { id: 3, who: "somebody in a forum", text: "2 days" },
];

function readingText(r: QuoteReading, product: Product): string {
  const labelled = Math.abs(r.ofLabel - 1) < 0.05;
  const film = labelled
    ? "the label’s film"
    : `${filmText(r.wftUm)} wet (${Math.round(100 * r.ofLabel)} % of the label’s)`;
  const coats =
    r.coats === 1
      ? "one coat"
      : `${r.coats} coats ${product.label.gapMin === null ? "a flash" : duration(product.label.gapMin)} apart`;
  return `${MILESTONE_NAME[r.milestone]}: ${coats} of ${film}, ${inUnits(QUOTE_AIR_NAME[r.air])}`;
}

/** Waits people quote, told apart: which clock each meant, under what it is true, and which is yours tonight. */
export function WhoseNumber({ screen, top }: { screen: FilmScreen; top: StudyLayer }) {
  const { product } = top;
  const [entries, setEntries] = useState(FIRST);
  const change = (id: number, next: Partial<Entry>) =>
    setEntries(entries.map((e) => (e.id === id ? { ...e, ...next } : e)));
  const question = useMemo((): FilmQuestion | null => {
    const quotes = entries.flatMap((e) => {
      const min = waitMin(e.text);
      return min === null ? [] : [{ who: e.who, min }];
    });
    if (quotes.length === 0) return null;
    return {
      kind: "whose",
      product,
      quotes,
      shed: screen.shed,
      startMin: screen.nowMin,
      own: { coats: top.coats, wftUm: top.wftUm },
    };
  }, [entries, product, screen, top.coats, top.wftUm]);
  const { report, busy } = useFilm(question);
  const whose = report?.kind === "whose" ? report.whose : null;
  const valid = entries.filter((e) => waitMin(e.text) !== null);
  return (
    <section aria-labelledby="whose-title" className="grid gap-3">
      <div>
        <h2 id="whose-title" className="text-lg font-bold">
          Whose number is right?
        </h2>
        <p className="soft">
          Enter the waits people quote for <strong>{product.name}</strong>. Most are true, of another clock, film or
          air.
        </p>
      </div>
      <ul className="grid gap-2">
        {entries.map((e) => {
          const at = valid.indexOf(e);
          const answer = at >= 0 ? whose?.answers[at] : undefined;
          return (
            <QuoteRow
              key={e.id}
              entry={e}
              readings={answer?.readings ?? null}
              product={product}
              change={(next) => change(e.id, next)}
              remove={() => setEntries(entries.filter((x) => x.id !== e.id))}
            />
          );
        })}
      </ul>
      <button
        type="button"
        className="btn btn-sm justify-self-start"
        onClick={() =>
          setEntries([...entries, { id: Math.max(0, ...entries.map((e) => e.id)) + 1, who: "", text: "" }])
        }
      >
        <Plus className="size-4" aria-hidden /> Another quote
      </button>
      {whose && (
        <div className="rounded-box bg-base-200 p-3" aria-busy={busy}>
          <h3 className="font-bold">
            Your case tonight: {top.coats === 1 ? "one coat" : `${top.coats} coats`} of {filmText(top.wftUm)} wet
          </h3>
          <ul className="mt-1 grid gap-x-6 gap-y-0.5 sm:grid-cols-2">
            {whose.own.map((o) => (
              <li key={o.milestone} className="flex justify-between gap-3 border-b border-base-300 py-0.5">
                <span>{MILESTONE_NAME[o.milestone]}</span>
                <span>
                  <strong>{o.min === null ? "not in this air" : duration(o.min)}</strong>
                  {o.nearest !== null && <span className="text-success"> ≈ {valid[o.nearest]?.who || "quoted"}</span>}
                </span>
              </li>
            ))}
          </ul>
          <p className="soft mt-1 text-sm">
            By the wait clock, within 15 % of the film model between {figureShown(10, "°C")} and {tempText(30)}.
          </p>
        </div>
      )}
      {report?.kind === "failed" && <p role="alert">The film model could not answer: {report.why}.</p>}
    </section>
  );
}

interface QuoteProps {
  readonly entry: Entry;
  /** under which it would be true, likeliest first; null = not asked yet */
  readonly readings: readonly QuoteReading[] | null;
  readonly product: Product;
  readonly change: (next: Partial<Entry>) => void;
  readonly remove: () => void;
}

/** One wait somebody quotes, and of what it is true. */
function QuoteRow({ entry: e, readings, product, change, remove }: QuoteProps) {
  const wrong = e.text.trim() !== "" && waitMin(e.text) === null;
  return (
    <li className="grid items-start gap-x-3 gap-y-1 rounded-box border border-base-300 p-2 md:grid-cols-[11rem_8rem_1fr_2rem]">
      <input
        className="input input-sm w-full"
        aria-label="Who says so"
        value={e.who}
        maxLength={60}
        onChange={(x) => change({ who: x.target.value })}
      />
      <div>
        <input
          className={`input input-sm w-full ${wrong ? "input-error" : ""}`}
          aria-label={`Wait quoted by ${e.who || "somebody"}`}
          aria-invalid={wrong}
          value={e.text}
          placeholder="20 min, 2 h, 1 day"
          onChange={(x) => change({ text: x.target.value })}
        />
        {wrong && (
          <p role="alert" className="text-sm font-semibold text-error">
            Write a wait such as 20 min, 2 h or 1 day.
          </p>
        )}
      </div>
      <div className="text-sm" aria-live="polite">
        {readings?.length === 0 && <p>True under no usual film, coats or air of this product.</p>}
        {readings?.map((r, i) => (
          <p key={r.milestone} className={i === 0 ? "font-semibold" : "soft"}>
            {i === 0 ? "most likely " : "or "}
            {readingText(r, product)}.
          </p>
        ))}
      </div>
      <button
        type="button"
        className="btn btn-ghost btn-sm btn-square"
        aria-label={`Remove ${e.who || "this quote"}`}
        onClick={remove}
      >
        <X className="size-4" aria-hidden />
      </button>
    </li>
  );
}
