"use client";

import { useEffect } from "react";
import { clock, day } from "@/format";
import { useShedZone } from "../hooks/useNow";
import { useReached } from "../hooks/useReached";

const MS_PER_MIN = 60_000;

/** Says that what is shown stands still, and since when; and keeps the bench on the device, where the browser may. */
export function OutOfReach() {
  const { reached, keptMs } = useReached();
  const timeZone = useShedZone();
  useEffect(() => {
    // only over https, or on this machine: elsewhere a browser keeps nothing
    if (process.env.NODE_ENV === "production" && "serviceWorker" in navigator)
      void navigator.serviceWorker.register("/sw.js").catch(() => {});
  }, []);
  if (reached) return null;
  const at = keptMs === null ? null : keptMs / MS_PER_MIN;
  return (
    <p role="status" className="bg-warning px-4 py-1 text-warning-content print:hidden">
      <strong>Elm Bench is out of reach.</strong>{" "}
      {at === null
        ? "What you see is from before; "
        : `This is the bench as of ${clock(at, timeZone)}, ${day(at, timeZone)}; `}
      what you start, finish and find not ready is kept on this device and sent when it is back.
    </p>
  );
}
