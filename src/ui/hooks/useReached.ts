import { useSyncExternalStore } from "react";

/** Whether the application is reached, and since when what is shown stands still if it is not. */
export interface Reach {
  readonly reached: boolean;
  /** this page was kept on the device at that moment of its own clock, ms since 1970; null = it came from the server */
  readonly keptMs: number | null;
}

const THERE: Reach = { reached: true, keptMs: null };
const hearers = new Set<() => void>();
let now: Reach | null = null;

/** A page from the device's own keeping says so in its first tag. */
function first(): Reach {
  const kept = Number(document.documentElement.dataset.keptMs);
  return Number.isFinite(kept) && kept > 0 ? { reached: false, keptMs: kept } : THERE;
}

const current = (): Reach => {
  now ??= first();
  return now;
};

/** Told by whatever tried: a line that opened or broke, an action that came back or did not. */
export function tellReached(reached: boolean): void {
  const { reached: was, keptMs } = current();
  if (was === reached) return;
  now = reached ? THERE : { reached, keptMs };
  for (const hear of hearers) hear();
}

/** When the page that was loaded had been kept on the device; null = it was not. */
export const keptAtMs = (): number | null => current().keptMs;

export const isReached = (): boolean => current().reached;

export const useReached = (): Reach =>
  useSyncExternalStore(
    (hear) => {
      hearers.add(hear);
      return () => hearers.delete(hear);
    },
    current,
    () => THERE,
  );
