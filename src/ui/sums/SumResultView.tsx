"use client";

import Link from "next/link";
import type { SumsScreen } from "@/contracts";
import type { SumCell } from "@/core/sums";
import { duration, unitShown } from "@/format";
import { reasonText, SUM_TEXT, sumNote, sumWord } from "@/messages";
import { MixIt } from "./MixIt";
import { figureOf } from "./SumForm";
import { WeighIt } from "./WeighIt";

/** Three digits are what a bench can tell apart. */
const DIGITS = 3;
const MIN_PER_H = 60;

/** A figure with its unit, as one says it. */
function told(value: number | null, unit: string): string {
  if (value === null) return "none";
  if (unit === "min") return duration(value);
  if (unit === "h") return duration(value * MIN_PER_H);
  const shown = Number(figureOf(value, unit).toPrecision(DIGITS));
  return unit ? `${shown.toLocaleString("en-GB", { maximumFractionDigits: 6 })} ${unitShown(unit)}` : String(shown);
}

function Cell({ cell, unit, screen }: { cell: SumCell; unit: string; screen: SumsScreen }) {
  switch (cell.kind) {
    case "figure":
      return <span className="whitespace-nowrap">{told(cell.value, unit)}</span>;
    case "product":
      return <>{screen.products.find((p) => p.id === cell.id)?.name ?? cell.id}</>;
    case "word":
      return <>{sumWord(cell.word, true)}</>;
    case "rules":
      return <span className="text-sm">{cell.rules.map((r) => reasonText(r, [])).join(" ")}</span>;
    case "colour":
      return (
        <span className="flex items-center gap-2">
          <span
            className="inline-block size-5 rounded border border-base-content/40"
            style={{ background: cell.hex }}
          />
          <span className="font-mono text-sm">{cell.hex}</span>
        </span>
      );
  }
}

/** On from the shade of a photo to the mixes for it. */
function MixTowards({ screen }: { screen: SumsScreen }) {
  const shade = screen.result?.table?.rows[0]?.[0];
  if (shade?.kind !== "colour") return null;
  return (
    <Link
      className="btn btn-sm justify-self-start"
      href={`/sums?${new URLSearchParams({ sum: "recipe", target: shade.hex })}`}
    >
      Mix towards it
    </Link>
  );
}

/** What a sum comes to: its figures large, its table, and what is to be said beside them. */
export function SumResultView({ screen }: { screen: SumsScreen }) {
  const { id, result, wanting, faults } = screen;
  const text = SUM_TEXT[id];
  if (result === null)
    return (
      <p className="rounded-box bg-base-200 p-4">
        {faults.length > 0
          ? "Put right what is marked, and the sum follows."
          : `Tell ${wanting.map((w) => text.inputs[w] ?? w).join(", ")}, and the sum follows.`}
      </p>
    );
  return (
    <>
      <dl
        className="grid max-w-xl grid-cols-[minmax(0,1fr)_auto] gap-x-6 gap-y-1 rounded-box bg-base-200 p-4"
        data-testid="sum"
      >
        {result.lines.map((l) => (
          <div key={l.id} className="contents" data-line={l.id}>
            <dt className="self-baseline">{text.lines[l.id] ?? l.id}</dt>
            <dd className="text-right text-lg font-bold whitespace-nowrap">{told(l.value, l.unit)}</dd>
          </div>
        ))}
      </dl>
      {result.notes.length > 0 && (
        <ul className="grid max-w-2xl gap-1">
          {result.notes.map((code) => (
            <li key={code} data-note={code}>
              {sumNote(id, code)}
            </li>
          ))}
        </ul>
      )}
      {result.table && result.table.rows.length > 0 && (
        <div className="overflow-x-auto">
          <table className="table table-sm w-auto">
            <thead className="text-base-content">
              <tr>
                {result.table.columns.map((c) => (
                  <th key={c.id}>{text.columns?.[c.id] ?? c.id}</th>
                ))}
              </tr>
            </thead>
            <tbody>
              {result.table.rows.map((row, n) => (
                <tr key={n}>
                  {row.map((cell, i) => (
                    <td key={result.table!.columns[i]!.id}>
                      <Cell cell={cell} unit={result.table!.columns[i]!.unit} screen={screen} />
                    </td>
                  ))}
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
      {id === "recipe" && <MixIt screen={screen} />}
      {id === "photo" && <MixTowards screen={screen} />}
      {id === "weigh-in" && <WeighIt screen={screen} />}
    </>
  );
}
