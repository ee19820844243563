"use client";

import { toast } from "sonner";
import { finishAction, notYetAction, readyAction, startAction } from "@/actions/bench";
import { reportAction } from "@/actions/mishaps";
import type { Outcome } from "@/contracts";
import { freshId } from "../fresh-id";
import { isUnreached, useAct } from "../hooks/useAct";
import { tellReached } from "../hooks/useReached";
import { type KeptDeed, keepDeed } from "./kept-deeds";

type Deed = Pick<KeptDeed, "id" | "kind" | "regionId" | "opId" | "title" | "input">;
const MS_PER_MIN = 60_000;

/** Sends a deed of that moment; what it says of minutes ago is counted from then. Sent twice under its id it is done once. */
export function sendDeed({ id, kind, regionId, opId, input }: Deed, agoMin: number): Promise<Outcome<unknown>> {
  const minutesAgo = (typeof input.minutesAgo === "number" ? input.minutesAgo : 0) + agoMin;
  const told = { ...input, opId, sentId: id, minutesAgo };
  switch (kind) {
    case "start":
      return startAction(regionId, { reason: null, ...told });
    case "done":
      return finishAction(regionId, told);
    case "not-yet":
      return notYetAction(regionId, told);
    case "ready":
      return readyAction(regionId, told);
    case "report":
      return reportAction(regionId, { ...input, minutesAgo });
  }
}

/** Minutes since a moment of this device's clock, whole, never negative. */
export const minutesSince = (atMs: number, nowMs: number): number =>
  Math.max(0, Math.round((nowMs - atMs) / MS_PER_MIN));

/**
 * Does what is done at the bench. Out of reach it is kept on this device with its time and sent later: then it is as good as done
 * for whoever pressed it.
 */
export function useDeed() {
  const { act, busy, settling } = useAct();
  const deed = async (done: Omit<Deed, "id">, options: { quiet?: boolean } = {}): Promise<Outcome<unknown>> => {
    const atMs = Date.now();
    const d = { ...done, id: freshId() };
    const outcome = await act(() => sendDeed(d, 0), { ...options, keepsUnreached: true });
    if (outcome.ok || !isUnreached(outcome.problem)) return outcome;
    tellReached(false);
    keepDeed({ ...d, atMs });
    toast(`${d.title}: kept on this device`, { description: "Sent as soon as Elm Bench is reached." });
    return { ok: true, value: null };
  };
  return { deed, busy, settling };
}
