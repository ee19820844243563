"use client";

import { createContext, type ReactNode, useContext, useEffect, useRef, useState } from "react";

/** The server's clock, carried on by this device's ticking: a wrong phone clock does not bend the timers. */
const ServerNow = createContext<number>(0);

export function NowProvider({ serverNowMs, children }: { serverNowMs: number; children: ReactNode }) {
  useEffect(() => {
    // from here on the page answers; what is typed before would be lost on a slow device
    document.documentElement.dataset.answers = "";
  }, []);
  return <ServerNow.Provider value={serverNowMs}>{children}</ServerNow.Provider>;
}

/** Milliseconds since 1970 by the server's clock, refreshed every `everyMs`; rendered first as the server saw it. */
export function useNowMs(everyMs = 1000): number {
  const serverNowMs = useContext(ServerNow);
  const offset = useRef<number | null>(null);
  const [nowMs, setNowMs] = useState(serverNowMs);
  useEffect(() => {
    offset.current = serverNowMs - Date.now();
    const tick = () => setNowMs(Date.now() + (offset.current ?? 0));
    tick();
    const timer = setInterval(tick, everyMs);
    document.addEventListener("visibilitychange", tick);
    return () => {
      clearInterval(timer);
      document.removeEventListener("visibilitychange", tick);
    };
  }, [serverNowMs, everyMs]);
  return nowMs;
}
