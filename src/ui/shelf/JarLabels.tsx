"use client";

import Link from "next/link";
import type { Product } from "@/core/model";
import { FAMILY_NAME, jarLabelLines, ROLE_NAME, recipeText, safetyLine } from "@/messages";
import { PrintButton } from "../record/PrintButton";
import { leavesFilm } from "./figures";

/** Labels for jars: what is in it, what it was mixed of, its waits, and what to mind. */
export function JarLabels({ products }: { products: readonly Product[] }) {
  return (
    <main className="grid justify-items-start gap-4 p-4">
      <div className="flex flex-wrap items-center gap-3 print:hidden">
        <h1 className="text-xl font-bold">Labels</h1>
        <PrintButton>Print</PrintButton>
        <Link className="link" href="/shelf">
          Back to the shelf
        </Link>
      </div>
      {products.length === 0 ? (
        <p className="print:hidden">
          No mix is on the shelf. The label of any other jar is printed from its card: open it on the shelf and press
          Label.
        </p>
      ) : (
        <ul className="jar-labels">
          {products.map((p) => (
            <li key={p.id} className="jar-label" data-label={p.id}>
              <p className="jar-label-name">
                <span className="jar-label-shade" style={{ background: p.colour }} aria-hidden />
                {p.name}
              </p>
              <p>
                {[p.maker, ROLE_NAME[p.role], leavesFilm(p) ? FAMILY_NAME[p.family] : ""].filter(Boolean).join(", ")}
              </p>
              {p.recipe && <p>{recipeText(p.recipe)}</p>}
              {jarLabelLines(p).map((line) => (
                <p key={line}>{line}</p>
              ))}
              <p className="jar-label-safety">{safetyLine(p)}</p>
            </li>
          ))}
        </ul>
      )}
    </main>
  );
}
