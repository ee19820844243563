"use client";

import type { ReactNode } from "react";
import type { SaveField } from "../hooks/useRow";

/** A saver for the fields of one group: fields in, group out, faults named as the group's own. */
export const within =
  (save: SaveField, group: string, wrap: (fields: Record<string, unknown>) => unknown): SaveField =>
  async (fields) => {
    const problem = await save({ [group]: wrap(fields) });
    if (!problem) return null;
    return {
      ...problem,
      fields: problem.fields.map((f) => ({ ...f, path: f.path.slice(f.path.lastIndexOf(".") + 1) })),
    };
  };

export function Labelled({ label, children }: { label: string; children: ReactNode }) {
  return (
    <div className="grid content-start gap-1">
      <span className="text-sm" aria-hidden>
        {label}
      </span>
      {children}
    </div>
  );
}
