"use client";

import { closeMarksAction } from "@/actions/mishaps";
import type { MarkView } from "@/contracts";
import { useAct } from "../hooks/useAct";
import { markText } from "./mark-text";

/** The fill list of a face: what a look found and nobody has seen to yet, ticked off one by one. */
export function OpenMarks({
  regionId,
  marks,
  name,
  underColour = false,
}: {
  regionId: string;
  marks: readonly MarkView[];
  name: string;
  /** a colour or a clear is next: what is left shows through it */
  underColour?: boolean;
}) {
  const { act, busy } = useAct();
  if (marks.length === 0) return null;
  return (
    <details className="mt-2 text-base" open={marks.length <= 4}>
      <summary className="min-h-11 cursor-pointer content-center font-bold">
        {marks.length} to see to on {name}
      </summary>
      {underColour && (
        <p className="text-warning">
          Still open under this coat. Gloss and dark colours show every one: fill, or tick off what may stay.
        </p>
      )}
      <ul>
        {marks.map((m, n) => (
          <li key={m.id}>
            <label className="flex min-h-11 items-center gap-3">
              <input
                type="checkbox"
                className="checkbox"
                checked={false}
                disabled={busy}
                onChange={() => void act(() => closeMarksAction(regionId, { markIds: [m.id] }))}
              />
              <span>
                <span className="soft tabular-nums">{n + 1}</span> {markText(m)}
              </span>
            </label>
          </li>
        ))}
      </ul>
    </details>
  );
}
