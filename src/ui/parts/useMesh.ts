"use client";

import { useCallback, useState } from "react";
import type { MeshReport } from "@/workers/mesh";
import { useOwnWorker } from "../hooks/useOwnWorker";

export type MeshState = { readonly kind: "idle" } | ({ readonly name: string } & MeshReport);

/** Measures a mesh file in a worker. */
export function useMesh() {
  const [state, setState] = useState<MeshState>({ kind: "idle" });
  const { take, end } = useOwnWorker();
  const measure = useCallback(
    (file: File) => {
      const own = take(new Worker(new URL("../../workers/mesh.ts", import.meta.url)));
      setState({ name: file.name, kind: "read", share: 0 });
      own.onmessage = ({ data }: MessageEvent<MeshReport>) => setState({ name: file.name, ...data });
      own.onerror = () => setState({ name: file.name, kind: "unread", why: "the reader stopped" });
      own.postMessage(file);
    },
    [take],
  );
  const cancel = useCallback(() => {
    end();
    setState({ kind: "idle" });
  }, [end]);
  return { state, measure, cancel };
}
