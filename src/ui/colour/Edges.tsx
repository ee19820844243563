"use client";

import { Plus, X } from "lucide-react";
import { useState } from "react";
import type { ColourScreen } from "@/contracts";
import { EDGE_KINDS, type EdgeKind, type Scheme, type SchemeEdge } from "@/core/model";
import { EDGE_NAME } from "@/messages";
import { NumberCell } from "../components/cells";
import type { Fault } from "./fault";

type Chosen = NonNullable<ColourScreen["chosen"]>;

/** Where fields meet, and how: along tape, softly, or not at all. */
export function Edges({
  chosen,
  change,
  fault,
}: {
  chosen: Chosen;
  change: (scheme: Scheme) => Promise<boolean>;
  fault: Fault | null;
}) {
  const { scheme } = chosen;
  const { fields, edges } = scheme;
  const names = fields.map((f) => f.name);
  const pairs = names.flatMap((a, i) => names.slice(i + 1).map((b) => [a, b] as const));
  const free = pairs.filter(([a, b]) => !edges.some((e) => e.between.includes(a) && e.between.includes(b)));
  const [pair, setPair] = useState("");
  const put = (next: readonly SchemeEdge[]) => change({ ...scheme, edges: next });
  const own = (n: number, edit: Partial<SchemeEdge>) => edges.map((e, k) => (k === n ? { ...e, ...edit } : e));
  const picked = free.find(([a, b]) => `${a}\n${b}` === pair) ?? free[0];
  return (
    <section aria-label="Edges" className="grid gap-2">
      <h3 className="font-bold">Where they meet</h3>
      {edges.map((e, n) => {
        const [a, b] = e.between;
        const between = `${a} and ${b}`;
        return (
          <div
            key={between}
            className="grid grid-cols-[minmax(0,1fr)_9rem_7rem_2rem] items-center gap-2"
            data-edge={between}
          >
            <span>
              {a} | {b}
            </span>
            <select
              className="select select-sm w-full"
              aria-label={`Edge between ${between}`}
              value={e.kind}
              onChange={(ev) => void put(own(n, { kind: ev.target.value as EdgeKind }))}
            >
              {EDGE_KINDS.map((k) => (
                <option key={k} value={k}>
                  {EDGE_NAME[k]}
                </option>
              ))}
            </select>
            <NumberCell
              value={e.cm}
              field="cm"
              label={`Length of the edge between ${between}`}
              unit="cm"
              placeholder="est."
              save={async (told) => {
                await put(own(n, { cm: told.cm as number | null }));
                return null;
              }}
            />
            <button
              type="button"
              className="btn btn-ghost btn-sm btn-square"
              aria-label={`Take the edge between ${between} out`}
              onClick={() => void put(edges.filter((_, k) => k !== n))}
            >
              <X className="size-4" aria-hidden />
            </button>
          </div>
        );
      })}
      {fault?.path.startsWith("edges") && (
        <p role="alert" className="font-semibold text-error">
          {fault.message}
        </p>
      )}
      {picked && (
        <div className="flex flex-wrap items-center gap-2">
          <select
            className="select select-sm w-64"
            aria-label="Two fields that meet"
            value={picked.join("\n")}
            onChange={(e) => setPair(e.target.value)}
          >
            {free.map(([a, b]) => (
              <option key={`${a}\n${b}`} value={`${a}\n${b}`}>
                {a} | {b}
              </option>
            ))}
          </select>
          <button
            type="button"
            className="btn btn-sm"
            onClick={() => void put([...edges, { between: picked, kind: "hard", cm: null }])}
          >
            <Plus className="size-4" aria-hidden />
            They meet
          </button>
        </div>
      )}
    </section>
  );
}
