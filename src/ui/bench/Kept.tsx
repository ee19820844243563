"use client";

import { useRouter } from "next/navigation";
import { useCallback, useEffect, useRef } from "react";
import type { BenchTile } from "@/core/plan";
import { relativeDay } from "@/format";
import { useReached } from "../hooks/useReached";
import { dropDeed, type KeptDeed, keptDeeds, refuseDeed, useKeptDeeds } from "./kept-deeds";
import { minutesSince, sendDeed } from "./useDeed";

const AGAIN_MS = 15_000;
const MS_PER_MIN = 60_000;

/** A moment of this device's clock by the server's. */
const byServer = (atMs: number, nowMin: number): number => nowMin - (Date.now() - atMs) / MS_PER_MIN;

/** A tile as what is kept for it has left it: begun, or out of hand until the application has heard of it. */
export function withKept(tile: BenchTile, kept: readonly KeptDeed[], nowMin: number): BenchTile | null {
  const own = kept.filter((d) => d.regionId === tile.regionId && d.opId === tile.op?.id && d.fault === null);
  if (own.some((d) => d.kind === "done")) return null;
  const started = own.findLast((d) => d.kind === "start");
  return started ? { ...tile, zone: "in-hand", startedMin: byServer(started.atMs, nowMin) } : tile;
}

/** Sends what is kept, oldest first; behind one that is refused, what the same part has waits. */
async function sendAll(): Promise<number> {
  const stuck = new Set<string>();
  let sent = 0;
  for (const deed of keptDeeds()) {
    if (deed.fault !== null) stuck.add(deed.regionId);
    if (stuck.has(deed.regionId)) continue;
    const outcome = await sendDeed(deed, minutesSince(deed.atMs, Date.now())).catch(() => null);
    if (outcome === null) return sent;
    if (outcome.ok) {
      dropDeed(deed.id);
      sent += 1;
    } else {
      refuseDeed(deed.id, outcome.problem.detail);
      stuck.add(deed.regionId);
    }
  }
  return sent;
}

/** What was done out of reach and is not with the application yet, and what it would not take. */
export function Kept({ timeZone, nowMin }: { timeZone: string; nowMin: number }) {
  const kept = useKeptDeeds();
  const { reached } = useReached();
  const router = useRouter();
  const sending = useRef(false);
  const flush = useCallback(async () => {
    if (sending.current || keptDeeds().every((d) => d.fault !== null)) return;
    sending.current = true;
    const sent = await sendAll().finally(() => {
      sending.current = false;
    });
    if (sent > 0) router.refresh();
  }, [router]);
  const open = kept.some((d) => d.fault === null);
  useEffect(() => {
    if (!open) return;
    if (reached) void flush();
    const timer = setInterval(() => void flush(), AGAIN_MS);
    return () => clearInterval(timer);
  }, [open, reached, flush]);
  if (kept.length === 0) return null;
  return (
    <section aria-label="Not sent yet" className="rounded-box border-2 border-warning p-3">
      <h2 className="text-xl font-bold">Not sent yet</h2>
      <ul className="grid gap-2">
        {kept.map((d) => (
          <li key={d.id} data-kept={d.kind}>
            <strong>{WORD[d.kind]}</strong> {relativeDay(byServer(d.atMs, nowMin), nowMin, timeZone)}: {d.title}
            {d.fault !== null && (
              <span className="block text-error">
                Not taken: {d.fault}{" "}
                <button type="button" className="link" onClick={() => dropDeed(d.id)}>
                  Drop it
                </button>
              </span>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}

const WORD: Readonly<Record<KeptDeed["kind"], string>> = {
  start: "Started",
  done: "Done",
  "not-yet": "Not yet",
  ready: "Was ready",
  report: "Went wrong",
};
