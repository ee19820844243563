"use client";

import { useCallback, useState } from "react";
import type { LabelReport } from "@/workers/label";
import { useOwnWorker } from "../hooks/useOwnWorker";

export type LabelState = { readonly kind: "idle" | "reading" } | LabelReport;

/** Reads a label's text or file in a worker. */
export function useLabel() {
  const [state, setState] = useState<LabelState>({ kind: "idle" });
  const { take } = useOwnWorker();
  const read = useCallback(
    (what: string | File) => {
      const own = take(new Worker(new URL("../../workers/label.ts", import.meta.url)));
      setState({ kind: "reading" });
      own.onmessage = ({ data }: MessageEvent<LabelReport>) => setState(data);
      own.onerror = () => setState({ kind: "unread", why: "stopped" });
      own.postMessage(what);
    },
    [take],
  );
  return { state, read };
}
