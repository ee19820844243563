import * as Comlink from "comlink";
import { useState } from "react";
import type { ShrinkAsked, Shrunk } from "@/workers/shrink";

interface Shrinker {
  readonly shrink: (file: Blob, asked: ShrinkAsked) => Promise<Shrunk>;
}
let own: Comlink.Remote<Shrinker> | null = null;
const shrinker = (): Comlink.Remote<Shrinker> => {
  own ??= Comlink.wrap<Shrinker>(new Worker(new URL("../../workers/shrink.ts", import.meta.url)));
  return own;
};

/** Enough to judge a finish by, small enough for a shed's disk. */
const KEPT: ShrinkAsked = { longestPx: 2048, wishBytes: 500_000 };

const WHY = {
  empty: "holds nothing.",
  huge: "is over 60 MB. Make it smaller first.",
  unreadable: "is no picture this browser can read.",
} as const;

/** Keeps a picture, made smaller in a thread of its own. @returns its hash @throws why it was not kept, in words */
async function uploadPhoto(file: File): Promise<string> {
  const made = await shrinker().shrink(file, KEPT);
  if (!made.ok) throw new Error(`${file.name} ${WHY[made.why]}`);
  const response = await fetch("/api/v1/photos", { method: "POST", body: made.blob });
  const answer = (await response.json()) as { hash?: string; detail?: string };
  if (!response.ok || !answer.hash) throw new Error(answer.detail ?? "The picture was not taken over.");
  return answer.hash;
}

/** A picture chosen by somebody, kept; while that takes its time it is busy, and what went wrong stands until the next. */
export function useUpload(keep: (hash: string) => void) {
  const [fault, setFault] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const take = async (file: File | undefined) => {
    if (!file) return;
    setBusy(true);
    setFault(null);
    try {
      keep(await uploadPhoto(file));
    } catch (error) {
      setFault((error as Error).message);
    } finally {
      setBusy(false);
    }
  };
  return { take, busy, fault };
}
