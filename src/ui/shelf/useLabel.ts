"use client";

import { useCallback, useEffect, useRef, useState } from "react";
import type { LabelReport } from "@/workers/label";

export type LabelState = { readonly kind: "idle" | "reading" } | LabelReport;

/** Reads a label's text or file in a worker; a new one, or leaving, ends the one before. */
export function useLabel() {
  const [state, setState] = useState<LabelState>({ kind: "idle" });
  const worker = useRef<Worker | null>(null);
  const stop = useCallback(() => {
    worker.current?.terminate();
    worker.current = null;
  }, []);
  useEffect(() => stop, [stop]);
  const read = useCallback(
    (what: string | File) => {
      stop();
      const own = new Worker(new URL("../../workers/label.ts", import.meta.url));
      worker.current = own;
      setState({ kind: "reading" });
      own.onmessage = ({ data }: MessageEvent<LabelReport>) => setState(data);
      own.onerror = () => setState({ kind: "unread", why: "stopped" });
      own.postMessage(what);
    },
    [stop],
  );
  return { state, read };
}
