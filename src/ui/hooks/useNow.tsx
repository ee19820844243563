"use client";

import { createContext, type ReactNode, useCallback, useContext, useEffect, useMemo, useRef, useState } from "react";
import { MS_PER_MIN } from "@/core/base";
import { wallClock } from "@/format";
import { keptAtMs } from "./useReached";

const ISO_DAY = "2026-11-28".length;

interface ServerTime {
  /** what the server's clock read when it made the page */
  readonly madeMs: number;
  /** server's clock minus this device's; null until the page runs here */
  readonly aheadMs: number | null;
  /** the shed's; a device may be set to another */
  readonly timeZone: string;
}

/** The server's clock, carried on by this device's ticking: a wrong phone clock does not bend the timers. */
const ServerClock = createContext<ServerTime>({ madeMs: 0, aheadMs: null, timeZone: "UTC" });

/**
 * Takes the difference of the two clocks at the moment a page arrives, and only then: the frame outlives the pages
 * inside it, and a page opened ten minutes later must not read the hour at which the frame was made.
 */
export function NowProvider({
  serverNowMs,
  timeZone,
  children,
}: {
  serverNowMs: number;
  timeZone: string;
  children: ReactNode;
}) {
  const [aheadMs, setAheadMs] = useState<number | null>(null);
  const arrived = useRef(false);
  useEffect(() => {
    // a page the device had kept was made when it was kept; what comes after it is from the server again
    const from = arrived.current ? null : keptAtMs();
    arrived.current = true;
    setAheadMs(serverNowMs - (from ?? Date.now()));
  }, [serverNowMs]);
  useEffect(() => {
    // from here on the page answers; what is typed before would be lost on a slow device
    document.documentElement.dataset.answers = "";
  }, []);
  const time = useMemo(() => ({ madeMs: serverNowMs, aheadMs, timeZone }), [serverNowMs, aheadMs, timeZone]);
  return <ServerClock.Provider value={time}>{children}</ServerClock.Provider>;
}

const read = ({ madeMs, aheadMs }: ServerTime): number => (aheadMs === null ? madeMs : Date.now() + aheadMs);

/** Milliseconds since 1970 by the server's clock, refreshed every `everyMs`; rendered first as the server saw it. */
export function useNowMs(everyMs = 1000): number {
  const time = useContext(ServerClock);
  const [nowMs, setNowMs] = useState(() => read(time));
  useEffect(() => {
    const tick = () => setNowMs(read(time));
    tick();
    const timer = setInterval(tick, everyMs);
    document.addEventListener("visibilitychange", tick);
    return () => {
      clearInterval(timer);
      document.removeEventListener("visibilitychange", tick);
    };
  }, [time, everyMs]);
  return nowMs;
}

export const useShedZone = (): string => useContext(ServerClock).timeZone;

/** The day it is in the shed, 2026-11-28. */
export function useToday(): string {
  const time = useContext(ServerClock);
  return wallClock(read(time) / MS_PER_MIN, time.timeZone).slice(0, ISO_DAY);
}

/** Asks the server's clock once, when something has happened; milliseconds since 1970. */
export function useAskNow(): () => number {
  const time = useContext(ServerClock);
  return useCallback(() => read(time), [time]);
}
