"use client";

import { useEffect, useRef, useState } from "react";
import type { FilmQuestion, FilmReport } from "@/workers/film";

/** A run still going after this long is ended rather than waited for when something newer is asked. */
const PATIENCE_MS = 150;

interface Job {
  readonly question: FilmQuestion;
  readonly since: number;
}

/**
 * Asks a worker and keeps the newest answer. One question runs at a time; what is asked meanwhile replaces what waits, and a run
 * that takes long is ended for it.
 */
export function useFilm(question: FilmQuestion | null): { report: FilmReport | null; busy: boolean } {
  const [report, setReport] = useState<FilmReport | null>(null);
  const [busy, setBusy] = useState(false);
  const worker = useRef<Worker | null>(null);
  const running = useRef<Job | null>(null);
  const next = useRef<FilmQuestion | null>(null);
  useEffect(() => {
    if (!question) return;
    const open = (): Worker => {
      const own = new Worker(new URL("../../workers/film.ts", import.meta.url));
      own.onmessage = ({ data }: MessageEvent<FilmReport>) => {
        running.current = null;
        setReport(data);
        const waiting = next.current;
        next.current = null;
        if (waiting) ask(waiting);
        else setBusy(false);
      };
      own.onerror = () => {
        running.current = null;
        setBusy(false);
        setReport({ kind: "failed", why: "the film model stopped" });
      };
      return own;
    };
    const ask = (q: FilmQuestion) => {
      worker.current ??= open();
      running.current = { question: q, since: performance.now() };
      worker.current.postMessage(q);
    };
    setBusy(true);
    const now = running.current;
    if (now && performance.now() - now.since > PATIENCE_MS) {
      worker.current?.terminate();
      worker.current = null;
      running.current = null;
      next.current = null;
    }
    if (running.current) next.current = question;
    else ask(question);
  }, [question]);
  useEffect(
    () => () => {
      worker.current?.terminate();
      worker.current = null;
      running.current = null;
    },
    [],
  );
  return { report, busy };
}
