"use client";

import { MS_PER_MIN } from "@/core/base";
import { clock } from "@/format";
import { useShedZone } from "../hooks/useNow";

/** When the last field was saved, by the shed's clock wherever the screen is. @param until what is said before that */
export function Saved({ atMs, until = "" }: { atMs: number | null; until?: string }) {
  const timeZone = useShedZone();
  return (
    <span className="soft text-sm" role="status">
      {atMs === null ? until : `saved ${clock(atMs / MS_PER_MIN, timeZone)}`}
    </span>
  );
}
