"use client";

import { X } from "lucide-react";
import type { Product } from "@/core/model";
import { trustedFigure } from "@/core/reference";
import { FIGURE_NAME } from "@/messages";
import { EvidenceMark } from "../components/EvidenceMark";
import { factRows, figuresOf, figureText } from "./figures";

/** Two products side by side; rows that differ are marked. */
export function Compare({ pair, close }: { pair: readonly [Product, Product]; close: () => void }) {
  const figures = [...new Set(pair.flatMap((p) => figuresOf(p)))];
  const facts = pair.map((p) => new Map(factRows(p).map(([name, words]) => [name, words])));
  const names = [...new Set(facts.flatMap((f) => [...f.keys()]))];
  const row = (name: string, cells: readonly (React.ReactNode | null)[], differs: boolean) => (
    <tr key={name} className={`border-b border-base-300 ${differs ? "bg-base-200" : ""}`}>
      <th scope="row" className="py-1 pr-3 text-left font-normal">
        {differs && <span className="font-bold">≠ </span>}
        {name}
      </th>
      {cells.map((c, i) => (
        <td key={pair[i]!.id} className="py-1 pr-3">
          {c ?? <span className="soft">not given</span>}
        </td>
      ))}
    </tr>
  );
  return (
    <section aria-label="Side by side" className="mb-4 rounded-box border border-base-300 bg-base-100 p-3">
      <div className="flex items-center justify-between">
        <h2 className="font-bold">Side by side</h2>
        <button
          type="button"
          className="btn btn-ghost btn-sm btn-square"
          aria-label="Close the comparison"
          onClick={close}
        >
          <X className="size-4" aria-hidden />
        </button>
      </div>
      <table className="w-full text-[15px]">
        <thead>
          <tr>
            <th scope="col">
              <span className="sr-only">Figure</span>
            </th>
            {pair.map((p) => (
              <th key={p.id} scope="col" className="text-left">
                <span
                  className="mr-2 inline-block size-4 rounded-field border border-base-content/40 align-middle"
                  style={{ background: p.colour }}
                  aria-hidden
                />
                {p.name}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {figures.map((f) => {
            const best = pair.map((p) => trustedFigure(p, f));
            return row(
              FIGURE_NAME[f],
              best.map((b, i) =>
                b ? (
                  <span key={pair[i]!.id} className="inline-flex items-center gap-2">
                    {figureText(f, b.value)} <EvidenceMark source={b.source} />
                  </span>
                ) : null,
              ),
              best[0]?.value !== best[1]?.value,
            );
          })}
          {names.map((n) =>
            row(
              n,
              facts.map((f) => f.get(n) ?? null),
              facts[0]!.get(n) !== facts[1]!.get(n),
            ),
          )}
        </tbody>
      </table>
    </section>
  );
}
