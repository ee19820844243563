"use client";

import { useCallback, useEffect, useRef, useState } from "react";

const KEY = "elm-bench-bell";
const NOTE_HZ = 660;
const NOTE_S = 0.5;

/** Two soft notes; browsers let a page sound only after somebody has pressed something on it. */
function ring(context: AudioContext): void {
  for (const [n, hz] of [NOTE_HZ, NOTE_HZ * 1.25].entries()) {
    const from = context.currentTime + n * NOTE_S;
    const tone = context.createOscillator();
    const volume = context.createGain();
    tone.frequency.value = hz;
    volume.gain.setValueAtTime(0.25, from);
    volume.gain.exponentialRampToValueAtTime(0.001, from + NOTE_S);
    tone.connect(volume).connect(context.destination);
    tone.start(from);
    tone.stop(from + NOTE_S);
  }
}

function notify(names: readonly string[]): void {
  if (!("Notification" in window) || Notification.permission !== "granted") return;
  new Notification("Ready at the bench", { body: names.join(", "), tag: KEY });
}

/**
 * Rings, and shows a notification where the browser allows it, when something becomes ready while the page is open.
 * @param ready what is ready now, by id and name
 */
export function useBell(ready: ReadonlyMap<string, string>) {
  const [on, setOn] = useState(false);
  const audio = useRef<AudioContext | null>(null);
  const seen = useRef<ReadonlySet<string> | null>(null);
  const ids = [...ready.keys()].sort().join(" ");
  useEffect(() => setOn(localStorage.getItem(KEY) === "on"), []);
  // biome-ignore lint/correctness/useExhaustiveDependencies: rings when the set of ready things changes, not when it is made anew
  useEffect(() => {
    const before = seen.current;
    seen.current = new Set(ready.keys());
    if (!on || before === null) return;
    const names = [...ready].filter(([id]) => !before.has(id)).map(([, name]) => name);
    if (names.length === 0) return;
    audio.current ??= new AudioContext();
    ring(audio.current);
    notify(names);
  }, [ids]);
  const toggle = useCallback(() => {
    const next = !on;
    setOn(next);
    localStorage.setItem(KEY, next ? "on" : "off");
    if (!next) return;
    audio.current ??= new AudioContext();
    ring(audio.current);
    if ("Notification" in window && Notification.permission === "default") void Notification.requestPermission();
  }, [on]);
  return { on, toggle };
}
