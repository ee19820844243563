"use client";

import { useCallback, useEffect, useRef } from "react";

/** One worker at a time: a new one, or leaving the page, ends the one before. */
export function useOwnWorker() {
  const own = useRef<Worker | null>(null);
  const end = useCallback(() => {
    own.current?.terminate();
    own.current = null;
  }, []);
  useEffect(() => end, [end]);
  const take = useCallback(
    (worker: Worker): Worker => {
      end();
      own.current = worker;
      return worker;
    },
    [end],
  );
  return { take, end };
}
