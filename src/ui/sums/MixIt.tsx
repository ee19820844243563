"use client";

import Link from "next/link";
import { useState } from "react";
import { makeMixAction } from "@/actions/sums";
import type { SumsScreen } from "@/contracts";
import type { SumCell } from "@/core/sums";
import { useAct } from "../hooks/useAct";

interface Part {
  readonly id: string;
  readonly parts: number;
}

const value = (c: SumCell | undefined): number => (c?.kind === "figure" ? (c.value ?? 0) : 0);

/** The mixes of the table, each with what goes into it. */
function mixesOf(screen: SumsScreen): readonly (readonly Part[])[] {
  const mixes = new Map<number, Part[]>();
  for (const row of screen.result?.table?.rows ?? []) {
    const [n, , , paint, parts] = row;
    if (paint?.kind !== "product") continue;
    mixes.set(value(n), [...(mixes.get(value(n)) ?? []), { id: paint.id, parts: value(parts) }]);
  }
  return [...mixes.values()];
}

/** A mix made becomes a product of the shelf, with what it is made of. */
export function MixIt({ screen }: { screen: SumsScreen }) {
  const { act, busy } = useAct();
  const [name, setName] = useState("");
  const [said, setSaid] = useState<{ text: string; id: string | null } | null>(null);
  const mixes = mixesOf(screen);
  const nameOf = (id: string) => screen.products.find((p) => p.id === id)?.name ?? id;
  const make = async (of: readonly Part[]) => {
    const recipe = of.map((p) => `${p.parts} parts ${nameOf(p.id)}`).join(" + ");
    const called = name.trim() || `Mix: ${of.map((p) => nameOf(p.id)).join(" + ")}`.slice(0, 120);
    const made = await act(
      () => makeMixAction({ name: called, parts: of, ml: screen.values.mixMl, note: `Mixed of ${recipe}.` }),
      { quiet: true },
    );
    setSaid(
      made.ok ? { text: `${called} stands on the shelf.`, id: made.value.id } : { text: made.problem.detail, id: null },
    );
  };
  if (mixes.length === 0) return null;
  return (
    <div className="flex flex-wrap items-center gap-2">
      <label className="flex items-center gap-2">
        Call it
        <input
          className="input input-sm w-48"
          placeholder="Mix: …"
          maxLength={120}
          value={name}
          onChange={(e) => setName(e.target.value)}
        />
      </label>
      {mixes.map((of, n) => (
        <button
          key={of.map((p) => p.id).join()}
          type="button"
          className="btn btn-sm"
          disabled={busy}
          onClick={() => void make(of)}
        >
          Put mix {n + 1} on the shelf
        </button>
      ))}
      {said && (
        <p role="status" className="w-full">
          {said.text}{" "}
          {said.id && (
            <Link className="link" href={`/shelf?product=${said.id}`}>
              Look at it
            </Link>
          )}
        </p>
      )}
    </div>
  );
}
