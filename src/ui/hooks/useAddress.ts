"use client";

import { useSearchParams } from "next/navigation";
import { useCallback } from "react";

/**
 * What is chosen on a page stands in its address. Changing it is instant and asks nothing of the server: two
 * quick changes build on each other, and the address can still be kept or sent.
 */
export function useAddress() {
  const params = useSearchParams();
  const set = useCallback((changes: Readonly<Record<string, string | null>>) => {
    const next = new URLSearchParams(window.location.search);
    for (const [key, value] of Object.entries(changes)) {
      if (value) next.set(key, value);
      else next.delete(key);
    }
    const query = next.toString();
    window.history.replaceState(null, "", query ? `?${query}` : window.location.pathname);
  }, []);
  return { params, set };
}
