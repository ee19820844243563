import { useSyncExternalStore } from "react";

/** Deeds done while the application was out of reach, on this device, in the order they were done. */
export interface KeptDeed {
  readonly id: string;
  readonly kind: "start" | "done" | "not-yet" | "ready" | "report";
  readonly regionId: string;
  readonly opId: string;
  /** in words, for whoever reads the list */
  readonly title: string;
  /** by this device's clock, ms since 1970 */
  readonly atMs: number;
  readonly input: Readonly<Record<string, unknown>>;
  /** why it was not taken when it was sent; null = it was not sent yet */
  readonly fault: string | null;
}

const KEY = "elm-bench-kept-deeds";
const NONE: readonly KeptDeed[] = [];
const hearers = new Set<() => void>();
let known: { readonly text: string; readonly deeds: readonly KeptDeed[] } = { text: "", deeds: NONE };

const isDeed = (x: unknown): x is KeptDeed =>
  typeof x === "object" &&
  x !== null &&
  ["id", "kind", "regionId", "opId", "title", "atMs", "input"].every((k) => k in x);

/** What is kept; a store nobody can read holds nothing. */
export function keptDeeds(): readonly KeptDeed[] {
  const text = localStorage.getItem(KEY) ?? "";
  if (text === known.text) return known.deeds;
  try {
    const read: unknown = JSON.parse(text);
    known = { text, deeds: Array.isArray(read) ? read.filter(isDeed) : NONE };
  } catch {
    known = { text, deeds: NONE };
  }
  return known.deeds;
}

function store(deeds: readonly KeptDeed[]): void {
  if (deeds.length === 0) localStorage.removeItem(KEY);
  else localStorage.setItem(KEY, JSON.stringify(deeds));
  for (const hear of hearers) hear();
}

export const keepDeed = (deed: Omit<KeptDeed, "fault">): void => store([...keptDeeds(), { ...deed, fault: null }]);
export const dropDeed = (id: string): void => store(keptDeeds().filter((d) => d.id !== id));
export const refuseDeed = (id: string, fault: string): void =>
  store(keptDeeds().map((d) => (d.id === id ? { ...d, fault } : d)));

export const useKeptDeeds = (): readonly KeptDeed[] =>
  useSyncExternalStore(
    (hear) => {
      hearers.add(hear);
      // another tab of this device
      window.addEventListener("storage", hear);
      return () => {
        hearers.delete(hear);
        window.removeEventListener("storage", hear);
      };
    },
    keptDeeds,
    () => NONE,
  );
