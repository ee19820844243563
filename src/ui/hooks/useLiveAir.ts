"use client";

import { useEffect, useRef, useState } from "react";
import type { AirNow } from "@/contracts";
import { tellReached, useReached } from "./useReached";
import { useRefresh } from "./useRefresh";

interface AirEvent {
  readonly temp_c: number;
  readonly rh_pct: number;
  readonly dew_margin_c: number;
  readonly from: AirNow["from"];
  readonly source: string | null;
  readonly read_at: string | null;
}

const airFrom = (e: AirEvent): AirNow => ({
  tempC: e.temp_c,
  rhPct: e.rh_pct,
  dewMarginC: e.dew_margin_c,
  from: e.from,
  source: e.source,
  readMs: e.read_at === null ? null : Date.parse(e.read_at),
});

/**
 * The air as the server tells it, from the moment the page answers. A new reading also asks for the page again, because
 * waits move with it, and so does a plan that has been made.
 */
export function useLiveAir(first: AirNow): AirNow {
  const [air, setAir] = useState(first);
  const refresh = useRefresh();
  const readMs = useRef(first.readMs);
  useEffect(() => {
    setAir(first);
    readMs.current = first.readMs;
  }, [first]);
  useEffect(() => {
    let line: EventSource | null = null;
    const hear = (e: Event) => {
      const next = airFrom(JSON.parse((e as MessageEvent<string>).data) as AirEvent);
      setAir(next);
      if (next.readMs === readMs.current) return;
      readMs.current = next.readMs;
      refresh();
    };
    // a browser holds only a few lines to one server: tabs nobody looks at hang up
    const look = () => {
      line?.close();
      line = null;
      if (document.visibilityState === "hidden") return;
      line = new EventSource("/api/v1/climate/live");
      line.addEventListener("air", hear);
      line.addEventListener("open", () => tellReached(true));
      line.addEventListener("error", () => tellReached(false));
      line.addEventListener("plan", (e) => {
        const { state } = JSON.parse((e as MessageEvent<string>).data) as { state: string };
        // that one is begun, the tab that asked knows already; the others hear of it when it is there
        if (state !== "making") refresh();
      });
    };
    look();
    document.addEventListener("visibilitychange", look);
    return () => {
      document.removeEventListener("visibilitychange", look);
      line?.close();
    };
  }, [refresh]);
  // a page the device had kept is old: back in reach it is asked for anew
  const { reached } = useReached();
  const was = useRef(reached);
  useEffect(() => {
    if (reached && !was.current) refresh();
    was.current = reached;
  }, [reached, refresh]);
  return air;
}
