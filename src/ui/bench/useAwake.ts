"use client";

import { useCallback, useEffect, useState } from "react";

const KEY = "elm-bench-awake";

/** Keeps the screen on while the page is seen, if its owner wants that and the browser can; asked for again whenever it comes back into view. */
export function useAwake() {
  const [on, setOn] = useState(false);
  const [can, setCan] = useState(false);
  useEffect(() => {
    setCan("wakeLock" in navigator);
    setOn(localStorage.getItem(KEY) === "on");
  }, []);
  useEffect(() => {
    if (!on || !can) return;
    let lock: WakeLockSentinel | null = null;
    let left = false;
    const hold = () => {
      if (document.visibilityState !== "visible") return;
      // a phone short of power says no; the screen then goes dark as it always did
      navigator.wakeLock.request("screen").then(
        (held) => {
          lock = held;
          if (left) void held.release();
        },
        () => undefined,
      );
    };
    hold();
    document.addEventListener("visibilitychange", hold);
    return () => {
      left = true;
      document.removeEventListener("visibilitychange", hold);
      void lock?.release();
    };
  }, [on, can]);
  const toggle = useCallback(() => {
    setOn((was) => {
      localStorage.setItem(KEY, was ? "off" : "on");
      return !was;
    });
  }, []);
  return { on, can, toggle };
}
