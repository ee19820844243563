"use client";

import { useCallback, useEffect, useRef, useState } from "react";
import type { MeshReport } from "@/workers/mesh";

export type MeshState = { readonly kind: "idle" } | ({ readonly name: string } & MeshReport);

/** Measures a mesh file in a worker; a new file, or leaving, ends the one before. */
export function useMesh() {
  const [state, setState] = useState<MeshState>({ kind: "idle" });
  const worker = useRef<Worker | null>(null);
  const stop = useCallback(() => {
    worker.current?.terminate();
    worker.current = null;
  }, []);
  useEffect(() => stop, [stop]);
  const measure = useCallback(
    (file: File) => {
      stop();
      const own = new Worker(new URL("../../workers/mesh.ts", import.meta.url));
      worker.current = own;
      setState({ name: file.name, kind: "read", share: 0 });
      own.onmessage = ({ data }: MessageEvent<MeshReport>) => setState({ name: file.name, ...data });
      own.onerror = () => setState({ name: file.name, kind: "unread", why: "the reader stopped" });
      own.postMessage(file);
    },
    [stop],
  );
  const cancel = useCallback(() => {
    stop();
    setState({ kind: "idle" });
  }, [stop]);
  return { state, measure, cancel };
}
