"use client";

import { closeMarksAction } from "@/actions/mishaps";
import type { MarkView } from "@/contracts";
import { MARK_NAME, MARK_SIZE_NAME } from "@/messages";
import { useAct } from "../hooks/useAct";

/** In words, for a list and for whoever cannot see the picture. */
export const markText = (m: Pick<MarkView, "kind" | "size" | "note">): string =>
  `${MARK_NAME[m.kind]}, ${MARK_SIZE_NAME[m.size]}${m.note ? `, ${m.note}` : ""}`;

/** The fill list of a face: what a look found and nobody has seen to yet, ticked off one by one. */
export function OpenMarks({ regionId, marks, name }: { regionId: string; marks: readonly MarkView[]; name: string }) {
  const { act, busy } = useAct();
  if (marks.length === 0) return null;
  return (
    <details className="mt-2 text-base" open={marks.length <= 4}>
      <summary className="min-h-11 cursor-pointer content-center font-bold">
        {marks.length} to see to on {name}
      </summary>
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
